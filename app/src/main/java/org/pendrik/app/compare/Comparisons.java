package org.pendrik.app.compare;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.bench.BenchLog;
import org.pendrik.app.compare.PairMeasures.Both;
import org.pendrik.app.compare.PairMeasures.BothEdges;
import org.pendrik.app.compare.PairMeasures.Measured;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.app.sides.Side;
import org.pendrik.app.study.FactoryColours;
import org.pendrik.app.study.JobRegion;
import org.pendrik.app.study.RegionRole;
import org.pendrik.app.study.Studies;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.LightKnown;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.measure.Gap;
import org.pendrik.core.measure.Gaps;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.RegionVerdict;
import org.pendrik.core.photo.SideComparison;
import org.pendrik.core.plan.NextPass;
import org.pendrik.core.units.Watch;
import org.springframework.stereotype.Service;

/** Judges the model's side against the prototype's. */
@Service
class Comparisons {
    private static final String THE_COMPARISON = "The comparison";

    private final Jobs jobs;
    private final Photographs photographs;
    private final Pairs pairs;
    private final PairMeasures measures;
    private final Studies studies;
    private final FactoryColours factories;
    private final Advices advices;
    private final BenchLog log;
    private final Workshops workshops;
    private final Engines engines;

    Comparisons(
            Jobs jobs,
            Photographs photographs,
            Pairs pairs,
            PairMeasures measures,
            Studies studies,
            FactoryColours factories,
            Advices advices,
            BenchLog log,
            Workshops workshops,
            Engines engines) {
        this.jobs = jobs;
        this.photographs = photographs;
        this.pairs = pairs;
        this.measures = measures;
        this.studies = studies;
        this.factories = factories;
        this.advices = advices;
        this.log = log;
        this.workshops = workshops;
        this.engines = engines;
    }

    /** Everything measured, and judged; {@code modelId} null takes the newest. */
    Comparison of(UUID jobId, @Nullable Side wanted, @Nullable UUID modelId, Watch watch) {
        Job job = jobs.get(jobId);
        Side side = pairs.side(jobId, wanted);
        int viewing = workshops.current().viewingMm();
        double blurMm = SideComparison.eyeBlurMm(viewing, job.scaleRatio());
        Optional<Pairs.Chosen> chosen = pairs.chosen(jobId, side, modelId);
        List<String> missing = missing(job, side, chosen.map(Pairs.Chosen::model).orElse(null));
        Optional<Measured> measured = chosen.flatMap(c -> measures.of(job, c, watch));
        if (chosen.isEmpty() || measured.isEmpty()) {
            return new Comparison(
                    side,
                    null,
                    null,
                    LightKnown.NOTHING,
                    LightKnown.NOTHING,
                    false,
                    null,
                    viewing,
                    blurMm,
                    false,
                    0,
                    0,
                    Comparison.Classes.NONE,
                    List.of(),
                    List.of(),
                    missing);
        }
        Pairs.Chosen c = chosen.get();
        Measured m = measured.get();
        watch.at("Comparing every point", 0.7);
        Lab factory = factories.of(job).orElse(null);
        return new Comparison(
                side,
                c.prototype().id(),
                c.model().id(),
                c.prototype().lightKnown(),
                c.model().lightKnown(),
                factory != null,
                measures.median(job, c).orElse(null),
                viewing,
                blurMm,
                m.sure(),
                m.movedMm(),
                m.slackMm(),
                m.samplesFrom()
                        .map(
                                from ->
                                        from.equals(c.model().id())
                                                ? Comparison.Classes.OWN
                                                : Comparison.Classes.PROTOTYPE)
                        .orElse(Comparison.Classes.NONE),
                m.regions().stream().map(b -> judged(jobId, b, factory)).toList(),
                m.edges().stream().map(e -> judged(jobId, e)).toList(),
                missing);
    }

    private Comparison.JudgedEdge judged(UUID jobId, BothEdges e) {
        Gaps gaps = e.gaps();
        NextPass.Judgement j = NextPass.along(gaps);
        return new Comparison.JudgedEdge(
                e.edge().id(),
                e.edge().name(),
                j.verdict(),
                j.by(),
                j.others(),
                differences(gaps),
                advices.along(jobId, e.edge(), j.advice()),
                Comparison.LeftOpen.of(j.open()));
    }

    private Comparison.Judged judged(UUID jobId, Both b, @Nullable Lab factory) {
        RegionVerdict v =
                SideComparison.judge(
                        b.region().region(),
                        b.prototype().base().orElseThrow(),
                        b.model().base().orElseThrow(),
                        factory);
        Gaps gaps = b.gaps();
        NextPass.Judgement j = NextPass.in(v, gaps);
        var d = v.difference();
        return new Comparison.Judged(
                b.region().id(),
                b.region().name(),
                j.verdict(),
                j.by(),
                j.others(),
                v.verdict(),
                !v.prototype().hue() || !v.model().hue(),
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
                v.plusMinus(),
                differences(gaps),
                advices.of(jobId, b.region(), v, j.advice()),
                Comparison.LeftOpen.of(j.open()));
    }

    private static List<Comparison.Difference> differences(Gaps gaps) {
        return gaps.told().stream().map(Comparison.Difference::of).toList();
    }

    /** What has to be there first; {@code asked} is the photograph of the model that was named. */
    private List<String> missing(Job job, Side side, @Nullable Photograph asked) {
        List<String> out = new ArrayList<>();
        for (Role role : Role.values()) {
            String what = role == Role.PROTOTYPE ? "the prototype" : "the model";
            String where = side == Side.LEFT ? "" : " (" + side.label(job.kind()) + ")";
            Photograph p =
                    role == Role.MODEL && asked != null
                            ? asked
                            : photographs.leading(job.id(), role, side);
            if (p == null) {
                out.add("A photograph of " + what + where + ".");
            } else if (!p.located()) {
                out.add("The four corners on the photograph of " + what + where + ".");
            }
        }
        if (studies.of(job.id()).regions().stream()
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
        Job job = jobs.get(jobId);
        Side side = pairs.side(jobId, wanted);
        List<Photograph> all = pairs.progress(jobId, side);
        Lab factory = factories.of(job).orElse(null);
        List<Comparison.Stage> out = new ArrayList<>();
        Instant before = Instant.MIN;
        for (Photograph p : all) {
            watch.at("Measuring photograph " + (out.size() + 1), (double) out.size() / all.size());
            Optional<Measured> measured =
                    pairs.chosen(jobId, side, p.id())
                            .flatMap(c -> measures.of(job, c, Watch.NOBODY));
            if (measured.isEmpty()) {
                continue;
            }
            List<Comparison.StageValue> values = new ArrayList<>();
            for (Both b : measured.get().regions()) {
                values(b, factory, values);
            }
            for (BothEdges e : measured.get().edges()) {
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
                            .map(e -> engines.catalogue().technique(e.technique()).name())
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
            if (p.hue() && m.hue()) {
                out.add(
                        new Comparison.StageValue(
                                r.id(),
                                r.name(),
                                "from the factory colour",
                                "ΔE",
                                factory.distance(p.median()),
                                factory.distance(m.median()),
                                Math.hypot(p.pairPlusMinus(), m.pairPlusMinus())));
            }
        }
        values(r, b.gaps(), out);
    }

    private static void values(JobRegion r, Gaps gaps, List<Comparison.StageValue> out) {
        for (Gap g : gaps.told()) {
            if (g.kind().isPlace()) {
                continue;
            }
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

    /** The difference map as a PNG: light is alike, dark is far, edges are left out. */
    byte[] picture(UUID jobId, @Nullable Side wanted, @Nullable UUID modelId) {
        Job job = jobs.get(jobId);
        var map = measures.map(pair(jobId, wanted, modelId), job);
        int[] argb = new int[map.deltaE00().length];
        for (int i = 0; i < argb.length; i++) {
            argb[i] = SideComparison.shade(map.deltaE00()[i]);
        }
        return Pictures.png(new Raster(map.width(), map.height(), argb));
    }

    /** The model's side, laid over the prototype's, in neutral light. */
    byte[] modelPicture(UUID jobId, @Nullable Side wanted, @Nullable UUID modelId) {
        return Pictures.jpeg(
                pair(jobId, wanted, modelId).second().inNeutralLight(), FlatSide.WORKING_WIDTH_PX);
    }

    private Pairs.Pair pair(UUID jobId, @Nullable Side wanted, @Nullable UUID modelId) {
        return pairs.chosen(jobId, pairs.side(jobId, wanted), modelId)
                .flatMap(pairs::of)
                .orElseThrow(() -> new NotFound(THE_COMPARISON));
    }
}
