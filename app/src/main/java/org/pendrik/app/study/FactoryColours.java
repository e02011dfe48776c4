package org.pendrik.app.study;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.job.Job;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.photograph.SideSizes;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.app.sides.SideSize;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.photo.ColourSample;
import org.pendrik.core.photo.RegionSampler;
import org.springframework.stereotype.Service;

/**
 * The colour that a subject left the factory in: as it was said to be, else that of the region so
 * named, on the prototype's photograph. Plan and diary of every job ask for it, so what was
 * measured once is kept on the disk.
 */
@Service
public class FactoryColours {
    private final Studies studies;
    private final Photographs photographs;
    private final SideSizes sizes;
    private final EvenSides even;
    private final MeasuredColours kept;

    FactoryColours(
            Studies studies,
            Photographs photographs,
            SideSizes sizes,
            EvenSides even,
            MeasuredColours kept) {
        this.studies = studies;
        this.photographs = photographs;
        this.sizes = sizes;
        this.even = even;
        this.kept = kept;
    }

    /** The factory colour of a job; empty while no photograph shows it. */
    public Optional<Lab> of(Job job) {
        Studies.Study study = studies.of(job);
        if (study.factory() != null) {
            return Optional.of(study.factory().paint().colour());
        }
        JobRegion region = region(study);
        if (region == null) {
            return Optional.empty();
        }
        List<Photograph> ofJob = photographs.ofJob(job.id());
        return ofJob.isEmpty() ? Optional.empty() : colour(region, study, ofJob, sizes.ofJob(job));
    }

    /** The factory colours of several jobs, of those that have one. */
    public Map<UUID, Lab> of(Collection<Job> jobs) {
        Map<UUID, List<Photograph>> shown = photographs.ofAllJobs();
        Map<UUID, List<SideSize>> known = sizes.of(jobs);
        Map<UUID, Lab> out = new HashMap<>();
        for (Job job : jobs) {
            Studies.Study study = studies.of(job);
            JobRegion region = region(study);
            if (study.factory() != null) {
                out.put(job.id(), study.factory().paint().colour());
            } else if (region != null) {
                colour(
                                region,
                                study,
                                shown.getOrDefault(job.id(), List.of()),
                                known.getOrDefault(job.id(), List.of()))
                        .ifPresent(c -> out.put(job.id(), c));
            }
        }
        return out;
    }

    private static @Nullable JobRegion region(Studies.Study study) {
        return study.regions().stream().filter(JobRegion::factory).findFirst().orElse(null);
    }

    /** Of the photograph that counts; where that does not show the region, of another one. */
    private Optional<Lab> colour(
            JobRegion region, Studies.Study study, List<Photograph> shown, List<SideSize> known) {
        Photograph counts =
                JoinedSides.measuring(
                        region, shown, Photographs.leading(shown, Role.PROTOTYPE, region.side()));
        if (counts == null) {
            return Optional.empty();
        }
        Optional<SideSize> size = known.stream().filter(s -> s.side() == region.side()).findFirst();
        return Stream.concat(
                        Stream.of(counts),
                        shown.stream()
                                .filter(p -> p.role() == Role.PROTOTYPE && !p.sister())
                                .filter(p -> p.side() == region.side() && p.located())
                                .filter(p -> !p.equals(counts)))
                .flatMap(p -> colour(p, region, study, size).stream())
                .findFirst();
    }

    private Optional<Lab> colour(
            Photograph p, JobRegion region, Studies.Study study, Optional<SideSize> size) {
        return photographs.hasFile(p.hash())
                ? even.basis(p, size, study)
                        .flatMap(
                                side ->
                                        kept.of(
                                                side + " " + region.region(),
                                                () ->
                                                        even.of(p, size, study)
                                                                .flatMap(s -> measured(s, region))))
                : Optional.empty();
    }

    /** The colour that a region has on a side; empty without colour or where too little is seen. */
    static Optional<Lab> measured(FlatSide side, JobRegion region) {
        return side.colourless()
                ? Optional.empty()
                : RegionSampler.measure(
                                side.raster(), side.pxPerMm(), region.region(), side.light())
                        .map(ColourSample::median);
    }
}
