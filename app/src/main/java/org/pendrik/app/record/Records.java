package org.pendrik.app.record;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.pendrik.app.bench.BenchLog;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.makeup.Answers;
import org.pendrik.app.makeup.JobSnapshots;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.paper.Artworks;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.SideSizes;
import org.pendrik.app.priors.Priors;
import org.pendrik.app.shelf.StepMixes;
import org.pendrik.app.study.JobEffect;
import org.pendrik.app.study.JobRegion;
import org.pendrik.app.study.Measuring;
import org.pendrik.app.study.Studies;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.photo.ColourSample;
import org.pendrik.core.units.Watch;
import org.springframework.stereotype.Service;

/** Writes what is known of a job as a record that is read anywhere. */
@Service
class Records {
    private final Jobs jobs;
    private final Studies studies;
    private final Measuring measuring;
    private final SideSizes sizes;
    private final Photographs photographs;
    private final JobSnapshots snapshots;
    private final BenchLog log;
    private final Engines engines;
    private final Priors priors;
    private final StepMixes mixes;
    private final Artworks artworks;
    private final Answers answers;
    private final Clock clock;

    Records(
            Jobs jobs,
            Studies studies,
            Measuring measuring,
            SideSizes sizes,
            Photographs photographs,
            JobSnapshots snapshots,
            BenchLog log,
            Engines engines,
            Priors priors,
            StepMixes mixes,
            Artworks artworks,
            Answers answers,
            Clock clock) {
        this.jobs = jobs;
        this.studies = studies;
        this.measuring = measuring;
        this.sizes = sizes;
        this.photographs = photographs;
        this.snapshots = snapshots;
        this.log = log;
        this.engines = engines;
        this.priors = priors;
        this.mixes = mixes;
        this.artworks = artworks;
        this.answers = answers;
        this.clock = clock;
    }

    JobRecord of(UUID jobId) {
        Job j = jobs.get(jobId);
        var study = studies.of(jobId);
        var plan = snapshots.plan(jobId);
        List<Photograph> pictures = photographs.ofJob(jobId);
        return new JobRecord(
                JobRecord.VERSION,
                clock.instant(),
                new JobRecord.JobPart(
                        j.name(),
                        j.kind(),
                        j.scaleRatio(),
                        j.lengthMm(),
                        j.heightMm(),
                        j.substrate(),
                        j.wantedOn(),
                        j.note()),
                study.regions().stream()
                        .map(
                                r ->
                                        new JobRecord.RegionPart(
                                                r.id(),
                                                r.name(),
                                                r.zoneKey(),
                                                r.xMm(),
                                                r.yMm(),
                                                r.widthMm(),
                                                r.heightMm(),
                                                r.factory(),
                                                r.side(),
                                                r.role(),
                                                r.outline(),
                                                r.photographId()))
                        .toList(),
                study.effects().stream()
                        .map(
                                e ->
                                        new JobRecord.EffectPart(
                                                e.id(),
                                                e.kind(),
                                                e.zones().keys(),
                                                e.strength(),
                                                null,
                                                e.note(),
                                                e.colour(),
                                                e.marks(),
                                                e.regionId(),
                                                e.tones() == null ? List.of() : e.tones().keys(),
                                                e.how()))
                        .toList(),
                pictures.stream()
                        .map(
                                p ->
                                        new JobRecord.PhotographPart(
                                                p.id(),
                                                p.role(),
                                                p.caption(),
                                                p.hash(),
                                                p.mediaType(),
                                                p.widthPx(),
                                                p.heightPx(),
                                                p.orientation(),
                                                p.takenAt(),
                                                p.addedAt(),
                                                p.corners(),
                                                p.knownPoints(),
                                                p.greyPatch(),
                                                p.side(),
                                                p.sister(),
                                                p.focalMm35(),
                                                p.straightLines(),
                                                p.shellMarks(),
                                                p.leads(),
                                                p.evened(),
                                                p.lightFrom(),
                                                p.knownLines()))
                        .toList(),
                plan.steps().stream()
                        .map(
                                s ->
                                        new JobRecord.StepPart(
                                                s.id(),
                                                s.technique(),
                                                s.material(),
                                                s.thickness(),
                                                s.zones().keys(),
                                                s.origin(),
                                                s.reason(),
                                                s.startedAt(),
                                                s.finishedAt(),
                                                s.takesBack(),
                                                s.backShare(),
                                                s.madeForEffect(),
                                                s.madeForStep(),
                                                s.worksOn(),
                                                s.zoneTimes(),
                                                s.extra()))
                        .toList(),
                plan.pins().stream()
                        .map(p -> new JobRecord.PinPart(p.firstId(), p.thenId()))
                        .toList(),
                log.ofJob(jobId).stream()
                        .map(
                                e ->
                                        new JobRecord.LogPart(
                                                e.id(),
                                                e.stepId(),
                                                e.technique(),
                                                e.material(),
                                                e.zones().keys(),
                                                e.startedAt(),
                                                e.finishedAt(),
                                                e.note(),
                                                e.photographId(),
                                                e.zoneTimes()))
                        .toList(),
                measures(pictures),
                sizes.ofJob(jobId),
                study.samples(),
                plan.schools().answers(),
                priors.dryingOf(jobId).stream()
                        .map(
                                d ->
                                        new JobRecord.DryingPart(
                                                d.step(),
                                                d.material(),
                                                d.predictedMin(),
                                                d.seenMin(),
                                                d.seenAt()))
                        .toList(),
                mixes.carried(jobId),
                artworks.ofJob(jobId).stream()
                        .map(
                                a ->
                                        new JobRecord.ArtworkPart(
                                                a.regionId(), a.name(), a.hash(), a.chokeMm()))
                        .toList(),
                answers.ofJob(jobId).stream()
                        .map(
                                g ->
                                        new JobRecord.AnswerPart(
                                                g.stepId(), g.rule(), g.coat(), g.answeredAt()))
                        .toList(),
                jobs.zones(jobId),
                ownMaterials(study.effects(), plan.steps()),
                study.factory() == null ? null : study.factory().paint());
    }

    /** What the effects and steps are made with and the tables do not have. */
    private List<JobRecord.MaterialPart> ownMaterials(
            List<JobEffect> effects, List<StoredStep> steps) {
        Set<String> used = new HashSet<>();
        effects.forEach(e -> used.addAll(e.effect().tones().materials()));
        steps.forEach(s -> used.add(s.material().split("~", -1)[0]));
        return engines.catalogue().stocks().stream()
                .filter(s -> used.contains(s.key()))
                .map(
                        s ->
                                new JobRecord.MaterialPart(
                                        s.key(),
                                        s.name(),
                                        s.family(),
                                        s.clear(),
                                        s.colour().map(Srgb::toHex).orElse(null)))
                .toList();
    }

    private List<JobRecord.MeasurePart> measures(List<Photograph> pictures) {
        List<JobRecord.MeasurePart> out = new ArrayList<>();
        for (Photograph p : pictures) {
            if (!photographs.hasFile(p.hash())) {
                continue;
            }
            measuring
                    .measure(p.id(), Watch.NOBODY)
                    .ifPresent(
                            m ->
                                    m.colours()
                                            .forEach(
                                                    c -> out.add(part(p, c.region(), c.colour()))));
        }
        return out;
    }

    private static JobRecord.MeasurePart part(Photograph p, JobRegion r, ColourSample s) {
        return new JobRecord.MeasurePart(
                p.id(),
                r.id(),
                s.median().l(),
                s.median().a(),
                s.median().b(),
                s.spread(),
                s.plusMinus() / 2);
    }
}
