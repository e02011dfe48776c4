package org.pendrik.app.study;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.JobZone;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.SideSizes;
import org.pendrik.app.sides.SideSize;
import org.pendrik.app.store.Versioned;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.plan.Effect;
import org.pendrik.core.plan.Schools;
import org.pendrik.core.plan.SubjectKind;
import org.pendrik.core.plan.Ways;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps regions, effects, samples and the factory colour. */
@Service
@Transactional
public class Studies {
    private static final int MOST_REGIONS = 60;
    private static final int MOST_EFFECTS = 20;
    private static final int MOST_SAMPLES = 200;
    private static final int MOST_KEPT = 2_000;

    private final StudyMapper mapper;
    private final Jobs jobs;
    private final Photographs photographs;
    private final SideSizes sizes;
    private final Engines engines;
    private final Versioned<Study> kept = new Versioned<>(MOST_KEPT);

    Studies(
            StudyMapper mapper,
            Jobs jobs,
            Photographs photographs,
            SideSizes sizes,
            Engines engines) {
        this.mapper = mapper;
        this.jobs = jobs;
        this.photographs = photographs;
        this.sizes = sizes;
        this.engines = engines;
    }

    /**
     * Regions, effects and samples of a job.
     *
     * @param factory its factory colour, where that is told by something else than a region
     */
    public record Study(
            List<JobRegion> regions,
            List<JobEffect> effects,
            List<JobSample> samples,
            @Nullable ShownPaint factory,
            int version) {}

    /** What is noted for a job. */
    public Study of(UUID jobId) {
        return of(jobs.get(jobId));
    }

    /** What is noted for a job, of the moment in which its row was read. */
    public Study of(Job job) {
        return kept.get(
                job.id(),
                job.studyVersion(),
                () ->
                        new Study(
                                mapper.regions(job.id()).stream()
                                        .map(StudyMapper.Row::region)
                                        .toList(),
                                mapper.effects(job.id()),
                                mapper.samples(job.id()),
                                ShownPaint.ofAny(mapper.factoryPaint(job.id())),
                                job.studyVersion()));
    }

    /** Replaces the regions. */
    public Study saveRegions(UUID jobId, List<JobRegion> regions, int version) {
        List<SideSize> known = sizes.ofJob(jobId);
        requireAtMost("Regions", regions.size(), MOST_REGIONS);
        if (regions.stream().filter(JobRegion::factory).count() > 1) {
            throw new InvalidInput(
                    "Factory colour",
                    "two regions",
                    "can be only one region",
                    "Take the mark off the other one.");
        }
        requireUnique(regions.stream().map(JobRegion::id).toList());
        SubjectKind kind = jobs.get(jobId).kind();
        for (JobRegion r : regions) {
            requireOnSide(r, known, kind);
            r.region().requireUncrossed();
            if (r.zoneKey() != null) {
                requireZones(jobId, List.of(r.zoneKey()));
            }
            if (r.photographId() != null) {
                requireOfJob(jobId, r.photographId());
            }
        }
        jobs.stepStudy(jobId, version);
        mapper.clearRegions(jobId);
        for (int i = 0; i < regions.size(); i++) {
            mapper.addRegion(jobId, StudyMapper.Row.of(regions.get(i)), i);
        }
        return of(jobId);
    }

    private static void requireOnSide(JobRegion r, List<SideSize> known, SubjectKind kind) {
        SideSize side =
                known.stream()
                        .filter(k -> k.side() == r.side())
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        new InvalidInput(
                                                "Region " + r.name(),
                                                "on the " + r.side().label(kind),
                                                "needs the size of that side",
                                                "Give its length and height on the prototype."));
        double right = r.xMm() + r.widthMm();
        double low = r.yMm() + r.heightMm();
        if (right > side.lengthMm() + 1 || low > side.heightMm() + 1) {
            throw new InvalidInput(
                    "Region " + r.name(),
                    "to " + Math.round(right) + " × " + Math.round(low) + " mm",
                    "must lie on the side of "
                            + Math.round(side.lengthMm())
                            + " × "
                            + Math.round(side.heightMm())
                            + " mm",
                    "Draw it again inside.");
        }
    }

    /** Replaces the effects. */
    public Study saveEffects(UUID jobId, List<JobEffect> effects, int version) {
        requireAtMost("Effects", effects.size(), MOST_EFFECTS);
        requireUnique(effects.stream().map(JobEffect::id).toList());
        for (JobEffect e : effects) {
            requireZones(jobId, e.zones().keys());
            requireKnown(e);
        }
        jobs.stepStudy(jobId, version);
        mapper.clearEffects(jobId);
        for (int i = 0; i < effects.size(); i++) {
            mapper.addEffect(jobId, effects.get(i), i);
        }
        return of(jobId);
    }

    /** What is asked for is there; whether it goes together, the plan says. */
    private void requireKnown(JobEffect e) {
        var catalogue = engines.catalogue();
        Effect effect = e.effect();
        for (String tone : effect.tones().materials()) {
            Material m = catalogue.material(tone);
            if (effect.made().technique().isEmpty() && !Ways.anyTakes(e.kind(), m, catalogue)) {
                throw new InvalidInput(
                        "Material",
                        m.name(),
                        "does not make " + e.kind().label(),
                        "Choose another one from the list, or a technique that uses it.");
            }
        }
        effect.made().technique().ifPresent(catalogue::technique);
        effect.made().thinner().ifPresent(catalogue::material);
        effect.made().liquid().ifPresent(catalogue::material);
        effect.made()
                .beside()
                .forEach(
                        (step, material) -> {
                            catalogue.technique(step);
                            catalogue.material(material);
                        });
        effect.made().applicator().ifPresent(a -> Schools.Choice.START.with("applicator", a));
        effect.made()
                .way()
                .ifPresent(
                        w -> {
                            List<Ways.Offered> ways = Ways.offered(e.kind(), catalogue);
                            if (ways.stream().noneMatch(x -> x.key().equals(w))) {
                                throw new InvalidInput(
                                        "Way of making " + e.kind().label(),
                                        w,
                                        "is not known",
                                        "Use one of "
                                                + ways.stream()
                                                        .map(Ways.Offered::key)
                                                        .collect(Collectors.joining(", "))
                                                + ".");
                            }
                        });
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

    private void requireOfJob(UUID jobId, UUID photographId) {
        if (!photographs.get(photographId).jobId().equals(jobId)) {
            throw new InvalidInput(
                    "Photograph", "of another job", "must belong to this job", "Put it in here.");
        }
    }

    /** Replaces the samples of classes on all photographs of a job. */
    public Study saveSamples(UUID jobId, List<JobSample> samples, int version) {
        requireAtMost("Samples", samples.size(), MOST_SAMPLES);
        requireUnique(samples.stream().map(JobSample::id).toList());
        for (JobSample s : samples) {
            requireOfJob(jobId, s.photographId());
        }
        jobs.stepStudy(jobId, version);
        mapper.clearSamples(jobId);
        for (int i = 0; i < samples.size(); i++) {
            mapper.addSample(jobId, samples.get(i), i);
        }
        return of(jobId);
    }

    /** Says what the factory colour is; null leaves it to the region that shows it. */
    public Study saveFactory(UUID jobId, @Nullable FactoryPaint paint, int version) {
        jobs.stepStudy(jobId, version);
        mapper.clearFactoryPaint(jobId);
        if (paint != null) {
            mapper.addFactoryPaint(jobId, paint);
        }
        return of(jobId);
    }
}
