package org.pendrik.app.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.pendrik.app.job.Job;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.SideSizes;
import org.pendrik.app.sides.FlatSides;
import org.pendrik.app.sides.SideSize;
import org.pendrik.app.study.FactoryColours;
import org.pendrik.app.study.JobRegion;
import org.pendrik.app.study.JoinedSides;
import org.pendrik.app.study.Measuring;
import org.pendrik.app.study.RegionRole;
import org.pendrik.app.study.Studies;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.measure.Answer;
import org.pendrik.core.measure.EdgeWear;
import org.pendrik.core.measure.Gaps;
import org.pendrik.core.measure.MeasuredRegion;
import org.pendrik.core.photo.SideComparison;
import org.pendrik.core.units.Watch;
import org.springframework.stereotype.Component;

/**
 * What two photographs measure when one is laid over the other. It is measured once, until
 * something changes that it hangs on: the photographs, those joined to the prototype's too, and
 * their marks, the size of the side, what is marked in Study, the factory colour (which another
 * side may show), the scale, or how far away the model is looked at.
 */
@Component
class PairMeasures {
    private final Pairs pairs;
    private final Studies studies;
    private final Measuring measuring;
    private final JoinedSides joined;
    private final Photographs photographs;
    private final FactoryColours factories;
    private final Workshops workshops;
    private final SideSizes sizes;
    private final FlatSides flat;

    PairMeasures(
            Pairs pairs,
            Studies studies,
            Measuring measuring,
            JoinedSides joined,
            Photographs photographs,
            FactoryColours factories,
            Workshops workshops,
            SideSizes sizes,
            FlatSides flat) {
        this.flat = flat;
        this.joined = joined;
        this.photographs = photographs;
        this.pairs = pairs;
        this.studies = studies;
        this.measuring = measuring;
        this.factories = factories;
        this.workshops = workshops;
        this.sizes = sizes;
    }

    private record Key(
            Photograph prototype,
            List<Photograph> joined,
            Photograph model,
            Optional<SideSize> size,
            Optional<Lab> factory,
            UUID jobId,
            double scaleRatio,
            int studyVersion,
            int viewingMm) {}

    private Key key(Job job, Pairs.Chosen c) {
        return new Key(
                c.prototype(),
                photographs.joined(job.id(), c.model().side()),
                c.model(),
                sizes.of(job.id(), c.model().side()),
                factories.of(job),
                job.id(),
                job.scaleRatio(),
                studies.of(job.id()).version(),
                workshops.current().viewingMm());
    }

    /** A region measured on both. */
    record Both(JobRegion region, MeasuredRegion prototype, MeasuredRegion model) {
        Gaps gaps() {
            return Gaps.between(prototype, model);
        }
    }

    /** An edge measured on both. */
    record BothEdges(JobRegion edge, Answer<EdgeWear> prototype, Answer<EdgeWear> model) {
        Gaps gaps() {
            return Gaps.between(prototype, model);
        }
    }

    /**
     * Both sides measured.
     *
     * @param sure whether the edges of the two fit each other
     * @param movedMm how far the model was moved to lie over the prototype, prototype mm
     * @param slackMm how far one may still be off the other
     * @param samplesFrom the photograph whose samples sort the model's pixels
     */
    record Measured(
            List<Both> regions,
            List<BothEdges> edges,
            boolean sure,
            double movedMm,
            double slackMm,
            Optional<UUID> samplesFrom) {}

    /** All regions and edges of the side on both; empty while one of them is not located. */
    Optional<Measured> of(Job job, Pairs.Chosen c, Watch watch) {
        return flat.figures(
                        MaybeMeasured.class,
                        key(job, c),
                        _ -> {
                            watch.at("Laying one side over the other", 0);
                            Optional<Pairs.Pair> pair = pairs.of(c);
                            watch.at("Measuring both", 0.3);
                            return new MaybeMeasured(pair.map(p -> measure(job.id(), p)));
                        })
                .measured();
    }

    /** Empty while one of the sides is not located. */
    private record MaybeMeasured(Optional<Measured> measured) {}

    /** Empty where nothing of the sides can be compared. */
    private record Median(Optional<Double> deltaE00) {}

    private Measured measure(UUID jobId, Pairs.Pair p) {
        var one = joined.measure(p.prototype(), p.first(), Watch.NOBODY);
        var two = measuring.measure(p.model(), p.laid(), Watch.NOBODY);
        List<Both> regions = new ArrayList<>();
        List<BothEdges> edges = new ArrayList<>();
        for (JobRegion r : studies.of(jobId).regions()) {
            if (r.factory() || r.side() != p.model().side()) {
                continue;
            }
            if (r.role() == RegionRole.MEASURE) {
                MeasuredRegion a = one.of(r).orElseThrow();
                MeasuredRegion b = two.of(r).orElseThrow();
                if (a.base().isPresent() && b.base().isPresent()) {
                    regions.add(new Both(r, a, b));
                }
            } else if (r.role() == RegionRole.EDGE) {
                edges.add(
                        new BothEdges(r, one.ofEdge(r).orElseThrow(), two.ofEdge(r).orElseThrow()));
            }
        }
        double pxPerMm = p.first().pxPerMm();
        return new Measured(
                regions,
                edges,
                p.fit().sure(),
                p.fit().movedPx() / pxPerMm,
                p.fit().slackPx() / pxPerMm,
                two.samplesFrom());
    }

    /** Median ΔE00 over the side; empty where nothing of it can be compared. */
    Optional<Double> median(Job job, Pairs.Chosen c) {
        return flat.figures(
                        Median.class,
                        key(job, c),
                        _ ->
                                new Median(
                                        pairs.of(c)
                                                .flatMap(p -> SideComparison.median(map(p, job)))))
                .deltaE00();
    }

    /** The map of a pair, measured once: the verdicts and the picture ask for it together. */
    SideComparison.DifferenceMap map(Pairs.Pair p, Job job) {
        double blurPx =
                SideComparison.eyeBlurMm(workshops.current().viewingMm(), job.scaleRatio())
                        * p.first().pxPerMm();
        return flat.map(p.first(), p.laid(), blurPx);
    }
}
