package org.pendrik.app.study;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.JobZone;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.photograph.Sides;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.photo.ColourSample;
import org.pendrik.core.photo.RegionSampler;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps regions and effects, and measures. */
@Service
public class Studies {
    private static final int MOST_REGIONS = 60;
    private static final int MOST_EFFECTS = 20;

    private final StudyMapper mapper;
    private final Jobs jobs;
    private final Photographs photographs;
    private final Sides sides;
    private final Catalogue catalogue;

    Studies(
            StudyMapper mapper,
            Jobs jobs,
            Photographs photographs,
            Sides sides,
            Catalogue catalogue) {
        this.mapper = mapper;
        this.jobs = jobs;
        this.photographs = photographs;
        this.sides = sides;
        this.catalogue = catalogue;
    }

    /** Regions and effects of a job. */
    public record Study(List<JobRegion> regions, List<JobEffect> effects, int version) {}

    /**
     * A measured region.
     *
     * @param sample empty when too little of it is in the photograph
     * @param hex its colour on screen
     * @param inGamut whether the screen can show it
     * @param fade against the factory colour, when one is named and this is not it
     */
    public record Measure(
            UUID regionId,
            String name,
            boolean factory,
            @Nullable ColourSample sample,
            @Nullable String hex,
            boolean inGamut,
            @Nullable ColourDifference fade) {}

    /**
     * What one photograph gives.
     *
     * @param residualMm misfit of the marks in prototype mm
     * @param checked further marks than the four corners stand behind the residual
     * @param slipMm how far the side moves when a corner is one pixel off
     * @param balanced a grey card took out the light
     */
    public record Measures(
            UUID photographId,
            double residualMm,
            double worstMm,
            boolean checked,
            double slipMm,
            double finestPxPerMm,
            boolean balanced,
            List<Measure> regions) {}

    /** What is noted for a job. */
    public Study of(UUID jobId) {
        return new Study(
                mapper.regions(jobId), mapper.effects(jobId), jobs.get(jobId).studyVersion());
    }

    /** Replaces the regions. */
    @Transactional
    public Study saveRegions(UUID jobId, List<JobRegion> regions, int version) {
        Job job = jobs.get(jobId);
        requireAtMost("Regions", regions.size(), MOST_REGIONS);
        if (regions.stream().filter(JobRegion::factory).count() > 1) {
            throw new InvalidInput(
                    "Factory colour",
                    "two regions",
                    "can be only one region",
                    "Take the mark off the other one.");
        }
        requireUnique(regions.stream().map(JobRegion::id).toList());
        for (JobRegion r : regions) {
            requireOnSide(r, job);
            if (r.zoneKey() != null) {
                requireZones(jobId, List.of(r.zoneKey()));
            }
        }
        jobs.stepStudy(jobId, version);
        mapper.clearRegions(jobId);
        for (int i = 0; i < regions.size(); i++) {
            mapper.addRegion(jobId, regions.get(i), i);
        }
        return of(jobId);
    }

    private static void requireOnSide(JobRegion r, Job job) {
        double right = r.xMm() + r.widthMm();
        double low = r.yMm() + r.heightMm();
        if (right > job.lengthMm() + 1 || low > job.heightMm() + 1) {
            throw new InvalidInput(
                    "Region " + r.name(),
                    "to " + Math.round(right) + " × " + Math.round(low) + " mm",
                    "must lie on the side of "
                            + Math.round(job.lengthMm())
                            + " × "
                            + Math.round(job.heightMm())
                            + " mm",
                    "Draw it again inside.");
        }
    }

    /** Replaces the effects. */
    @Transactional
    public Study saveEffects(UUID jobId, List<JobEffect> effects, int version) {
        requireAtMost("Effects", effects.size(), MOST_EFFECTS);
        requireUnique(effects.stream().map(JobEffect::id).toList());
        for (JobEffect e : effects) {
            requireZones(jobId, e.zones().keys());
            if (e.material() != null
                    && !catalogue
                            .technique(e.kind().technique())
                            .materials()
                            .contains(e.material())) {
                throw new InvalidInput(
                        "Material",
                        catalogue.material(e.material()).name(),
                        "does not make " + e.kind().label(),
                        "Choose another one from the list.");
            }
        }
        jobs.stepStudy(jobId, version);
        mapper.clearEffects(jobId);
        for (int i = 0; i < effects.size(); i++) {
            mapper.addEffect(jobId, effects.get(i), i);
        }
        return of(jobId);
    }

    private static void requireAtMost(String what, int count, int most) {
        if (count > most) {
            throw new InvalidInput(
                    what, "" + count, "must be at most " + most, "Join those that say the same.");
        }
    }

    private static void requireUnique(List<UUID> ids) {
        if (new HashSet<>(ids).size() != ids.size()) {
            throw new InvalidInput(
                    "Ids", "one twice", "must be different", "Give each its own id.");
        }
    }

    private void requireZones(UUID jobId, List<String> keys) {
        Set<String> known =
                jobs.zones(jobId).stream().map(JobZone::zoneKey).collect(Collectors.toSet());
        for (String k : keys) {
            if (!known.contains(k)) {
                throw new InvalidInput(
                        "Zone",
                        k,
                        "is not part of this subject",
                        "Use one of " + String.join(", ", known) + ".");
            }
        }
    }

    /** Measures all regions on a photograph; empty while its corners are not marked. */
    public Optional<Measures> measure(UUID photographId) {
        Photograph p = photographs.get(photographId);
        Job job = jobs.get(p.jobId());
        return sides.of(p, job.length(), job.height())
                .map(side -> measures(p, side, factoryColour(job.id())));
    }

    private Measures measures(Photograph p, Sides.Side side, Optional<Lab> factory) {
        List<Measure> out =
                mapper.regions(p.jobId()).stream()
                        .map(
                                r -> {
                                    var s = sample(side, r);
                                    return new Measure(
                                            r.id(),
                                            r.name(),
                                            r.factory(),
                                            s.orElse(null),
                                            s.map(c -> Srgb.toHex(c.median())).orElse(null),
                                            s.map(c -> Srgb.inGamut(c.median())).orElse(true),
                                            r.factory() || s.isEmpty() || factory.isEmpty()
                                                    ? null
                                                    : ColourDifference.between(
                                                            factory.get(), s.get().median()));
                                })
                        .toList();
        var g = side.geometry();
        return new Measures(
                p.id(),
                g.residualMm(),
                g.worstMm(),
                p.knownPoints() != null && !p.knownPoints().points().isEmpty(),
                g.slipMm(),
                g.finestPxPerMm(),
                p.greyPatch() != null,
                out);
    }

    /** The colour of a region on a side. */
    public static Optional<ColourSample> sample(Sides.Side side, JobRegion region) {
        return RegionSampler.measure(side.raster(), side.pxPerMm(), region.region(), side.light());
    }

    /** The factory colour of a job: the region so named, on the prototype's photograph. */
    public Optional<Lab> factoryColour(UUID jobId) {
        Job job = jobs.get(jobId);
        Photograph p = photographs.latest(jobId, Role.PROTOTYPE);
        if (p == null || !photographs.hasFile(p.hash())) {
            return Optional.empty();
        }
        return mapper.regions(jobId).stream()
                .filter(JobRegion::factory)
                .findFirst()
                .flatMap(r -> sides.of(p, job.length(), job.height()).flatMap(s -> sample(s, r)))
                .map(ColourSample::median);
    }
}
