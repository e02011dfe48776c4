package org.pendrik.app.compare;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.bench.BenchLog;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.photograph.Side;
import org.pendrik.app.photograph.Sides;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.study.JobRegion;
import org.pendrik.app.study.Measuring;
import org.pendrik.app.study.RegionRole;
import org.pendrik.app.study.Studies;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.measure.Answer;
import org.pendrik.core.measure.EdgeWear;
import org.pendrik.core.measure.Gap;
import org.pendrik.core.measure.MeasuredRegion;
import org.pendrik.core.measure.Watch;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.RegionVerdict;
import org.pendrik.core.photo.SideComparison;
import org.pendrik.core.photo.Verdict;
import org.springframework.stereotype.Service;

/** Judges the model's side against the prototype's. */
@Service
class Comparisons {
    private static final String THE_COMPARISON = "The comparison";

    private final Jobs jobs;
    private final Photographs photographs;
    private final Pairs pairs;
    private final Studies studies;
    private final Measuring measuring;
    private final Advices advices;
    private final BenchLog log;
    private final Workshops workshops;
    private final Catalogue catalogue;
    private @Nullable Mapped last;

    Comparisons(
            Jobs jobs,
            Photographs photographs,
            Pairs pairs,
            Studies studies,
            Measuring measuring,
            Advices advices,
            BenchLog log,
            Workshops workshops,
            Catalogue catalogue) {
        this.jobs = jobs;
        this.photographs = photographs;
        this.pairs = pairs;
        this.studies = studies;
        this.measuring = measuring;
        this.advices = advices;
        this.log = log;
        this.workshops = workshops;
        this.catalogue = catalogue;
    }

    /** Everything measured, and judged; {@code modelId} null takes the newest. */
    Comparison of(UUID jobId, @Nullable Side wanted, @Nullable UUID modelId, Watch watch) {
        Job job = jobs.get(jobId);
        Side side = pairs.side(jobId, wanted);
        int viewing = workshops.current().viewingMm();
        double blurMm = SideComparison.eyeBlurMm(viewing, job.scaleRatio());
        List<String> missing = missing(jobId, side);
        watch.at("Laying one side over the other", 0);
        Optional<Pairs.Pair> pair = pairs.of(jobId, side, modelId);
        if (pair.isEmpty()) {
            return new Comparison(
                    side, null, null, false, false, false, null, viewing, blurMm, false, 0,
                    List.of(), List.of(), missing);
        }
        Pairs.Pair p = pair.get();
        watch.at("Measuring both", 0.3);
        Lab factory = measuring.factoryColour(jobId).orElse(null);
        List<Comparison.Judged> judged = new ArrayList<>();
        Measured measured = measured(jobId, p);
        for (Both b : measured.regions()) {
            judged.add(judged(jobId, b, factory));
        }
        watch.at("Comparing every point", 0.7);
        Double median = SideComparison.median(map(p, job)).orElse(null);
        return new Comparison(
                side,
                p.prototype().id(),
                p.model().id(),
                p.prototype().greyPatch() != null,
                p.model().greyPatch() != null,
                factory != null,
                median,
                viewing,
                blurMm,
                p.fit().sure(),
                p.fit().movedPx() / p.first().pxPerMm(),
                judged,
                measured.edges().stream().map(e -> judged(jobId, e)).toList(),
                missing);
    }

    /** A region measured on both. */
    private record Both(JobRegion region, MeasuredRegion prototype, MeasuredRegion model) {}

    /** An edge measured on both. */
    private record BothEdges(JobRegion edge, Answer<EdgeWear> prototype, Answer<EdgeWear> model) {
        List<Gap> gaps() {
            return Gap.between(prototype, model);
        }
    }

    private record Measured(List<Both> regions, List<BothEdges> edges) {}

    private Measured measured(UUID jobId, Pairs.Pair p) {
        var one = measuring.measure(p.prototype(), p.first(), Watch.NOBODY);
        var two = measuring.measure(p.model(), p.second(), Watch.NOBODY);
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
        return new Measured(regions, edges);
    }

    private Comparison.JudgedEdge judged(UUID jobId, BothEdges e) {
        List<Gap> gaps = e.gaps();
        return new Comparison.JudgedEdge(
                e.edge().id(),
                e.edge().name(),
                gaps.isEmpty() ? Verdict.CANNOT_TELL : gaps.getFirst().verdict(),
                gaps.stream().map(Comparison.Difference::of).toList(),
                advices.along(jobId, e.edge(), gaps),
                e.prototype().refusal().or(e.model()::refusal).orElse(""));
    }

    private Comparison.Judged judged(UUID jobId, Both b, @Nullable Lab factory) {
        RegionVerdict v =
                SideComparison.judge(
                        b.region().region(),
                        b.prototype().base().orElseThrow(),
                        b.model().base().orElseThrow(),
                        factory);
        List<Gap> gaps = Gap.between(b.prototype(), b.model());
        var d = v.difference();
        return new Comparison.Judged(
                b.region().id(),
                b.region().name(),
                v.verdict(),
                Srgb.toHex(v.prototype().median()),
                Srgb.toHex(v.model().median()),
                v.prototype().median(),
                v.model().median(),
                d.deltaL(),
                d.deltaC(),
                d.deltaH(),
                d.deltaE00(),
                Double.isNaN(v.progress()) ? null : v.progress(),
                v.offAxis(),
                v.tolerance(),
                gaps.stream().map(Comparison.Difference::of).toList(),
                advices.of(jobId, b.region(), v, gaps));
    }

    private List<String> missing(UUID jobId, Side side) {
        List<String> out = new ArrayList<>();
        for (Role role : Role.values()) {
            String what = role == Role.PROTOTYPE ? "the prototype" : "the model";
            String where = side == Side.LEFT ? "" : " (" + side.label() + ")";
            Photograph p = photographs.latest(jobId, role, side);
            if (p == null) {
                out.add("A photograph of " + what + where + ".");
            } else if (!p.located()) {
                out.add("The four corners on the photograph of " + what + where + ".");
            }
        }
        if (studies.of(jobId).regions().stream()
                .noneMatch(
                        r -> r.role() == RegionRole.MEASURE && !r.factory() && r.side() == side)) {
            out.add("Regions to judge: mark them in Study.");
        }
        return out;
    }

    /**
     * Every measure at every photograph of the model on a side, in order, with the coats that lie
     * between.
     */
    List<Comparison.Stage> history(UUID jobId, @Nullable Side wanted, Watch watch) {
        Side side = pairs.side(jobId, wanted);
        List<Photograph> all = pairs.progress(jobId, side);
        Lab factory = measuring.factoryColour(jobId).orElse(null);
        List<Comparison.Stage> out = new ArrayList<>();
        Instant before = Instant.MIN;
        for (Photograph p : all) {
            watch.at("Measuring photograph " + (out.size() + 1), (double) out.size() / all.size());
            Optional<Pairs.Pair> pair = pairs.of(jobId, side, p.id());
            if (pair.isEmpty()) {
                continue;
            }
            List<Comparison.StageValue> values = new ArrayList<>();
            Measured measured = measured(jobId, pair.get());
            for (Both b : measured.regions()) {
                values(b, factory, values);
            }
            for (BothEdges e : measured.edges()) {
                values(e.edge(), e.gaps(), values);
            }
            Instant at = p.when();
            Instant from = before;
            List<String> coats =
                    log.ofJob(jobId).stream()
                            .filter(
                                    e ->
                                            e.finishedAt() != null
                                                    && Objects.requireNonNull(e.finishedAt())
                                                            .isAfter(from)
                                                    && !Objects.requireNonNull(e.finishedAt())
                                                            .isAfter(at))
                            .map(e -> catalogue.technique(e.technique()).name())
                            .toList();
            out.add(new Comparison.Stage(p.id(), at, coats, values));
            before = at;
        }
        return out;
    }

    private static void values(Both b, @Nullable Lab factory, List<Comparison.StageValue> out) {
        JobRegion r = b.region();
        if (factory != null) {
            var p = b.prototype().base().orElseThrow();
            var m = b.model().base().orElseThrow();
            out.add(
                    new Comparison.StageValue(
                            r.id(),
                            r.name(),
                            "from the factory colour",
                            "ΔE",
                            factory.distance(p.median()),
                            factory.distance(m.median()),
                            2 * Math.hypot(p.uncertainty(), m.uncertainty())));
        }
        values(r, Gap.between(b.prototype(), b.model()), out);
    }

    private static void values(JobRegion r, List<Gap> gaps, List<Comparison.StageValue> out) {
        for (Gap g : gaps) {
            out.add(
                    new Comparison.StageValue(
                            r.id(),
                            r.name(),
                            g.of().map(c -> c.label() + ", ").orElse("") + g.kind().label(),
                            g.kind().unit(),
                            g.prototype(),
                            g.model(),
                            g.tolerance()));
        }
    }

    /** The map of a pair, measured once: the verdicts and the picture ask for it together. */
    private synchronized SideComparison.DifferenceMap map(Pairs.Pair p, Job job) {
        double blurPx =
                SideComparison.eyeBlurMm(workshops.current().viewingMm(), job.scaleRatio())
                        * p.first().pxPerMm();
        Mapped old = last;
        if (old != null && old.isOf(p, blurPx)) {
            return old.map();
        }
        var whole =
                SideComparison.map(
                        p.first().raster(),
                        p.first().light(),
                        p.second().raster(),
                        p.second().light(),
                        blurPx);
        var map = SideComparison.withoutEdges(whole, p.first().raster(), blurPx, p.fit().slackPx());
        last = new Mapped(p.first(), p.second(), blurPx, map);
        return map;
    }

    /** The last map and what it was measured from; the same sides are the same objects. */
    private record Mapped(
            Sides.Side first, Sides.Side second, double blurPx, SideComparison.DifferenceMap map) {
        @SuppressWarnings("ReferenceEquality") // pictures are not compared pixel by pixel
        boolean isOf(Pairs.Pair p, double blur) {
            return first == p.first() && second == p.second() && blurPx == blur;
        }
    }

    /** The difference map as a PNG: light is alike, dark is far, edges are left out. */
    byte[] picture(UUID jobId, @Nullable Side wanted, @Nullable UUID modelId) {
        Job job = jobs.get(jobId);
        var map = map(pair(jobId, wanted, modelId), job);
        int[] argb = new int[map.deltaE00().length];
        for (int i = 0; i < argb.length; i++) {
            argb[i] = SideComparison.shade(map.deltaE00()[i]);
        }
        return Pictures.png(new Raster(map.width(), map.height(), argb));
    }

    /** The model's side, laid over the prototype's, in neutral light. */
    byte[] modelPicture(UUID jobId, @Nullable Side wanted, @Nullable UUID modelId) {
        return Pictures.jpeg(
                pair(jobId, wanted, modelId).second().inNeutralLight(), Sides.WORKING_WIDTH_PX);
    }

    private Pairs.Pair pair(UUID jobId, @Nullable Side wanted, @Nullable UUID modelId) {
        return pairs.of(jobId, pairs.side(jobId, wanted), modelId)
                .orElseThrow(() -> new NotFound(THE_COMPARISON));
    }
}
