package org.pendrik.app.study;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.app.sides.FlatSides;
import org.pendrik.app.sides.Side;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.measure.Answer;
import org.pendrik.core.measure.Cover;
import org.pendrik.core.measure.DustHeight;
import org.pendrik.core.measure.EdgeWear;
import org.pendrik.core.measure.Gap;
import org.pendrik.core.measure.Gaps;
import org.pendrik.core.measure.MeasuredRegion;
import org.pendrik.core.measure.SideMeasurer;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.ColourSample;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;
import org.pendrik.core.units.Watch;
import org.springframework.stereotype.Service;

/**
 * Several photographs of one side of the prototype, joined: one leads, and a region can be measured
 * on another one of them. Where the leading one does not show all of a region, as of a long side
 * that is photographed piece by piece, the one that shows most of it measures it.
 */
@Service
public class JoinedSides {
    /** Percent; what covers less on all photographs is not shown. */
    private static final double LEAST_SHOWN = 0.5;

    /** A region of which so much is in the photograph is whole. */
    private static final double WHOLE = 0.98;

    /** Another photograph has to show so much more of it. */
    private static final double MORE = 0.05;

    /** Places looked at each way, to see how much of a region is in a photograph. */
    private static final int PLACES = 24;

    private final Studies studies;
    private final Photographs photographs;
    private final Measuring measuring;
    private final EvenSides even;
    private final FlatSides flat;

    JoinedSides(
            Studies studies,
            Photographs photographs,
            Measuring measuring,
            EvenSides even,
            FlatSides flat) {
        this.studies = studies;
        this.photographs = photographs;
        this.measuring = measuring;
        this.even = even;
        this.flat = flat;
    }

    /**
     * The photograph that measures a region: the one chosen for it, if it is there and located on
     * its side, else the leading one.
     */
    static @Nullable Photograph measuring(
            JobRegion r, List<Photograph> ofJob, @Nullable Photograph leading) {
        return ofJob.stream()
                .filter(p -> p.id().equals(r.photographId()))
                .filter(p -> p.role() == Role.PROTOTYPE && p.side() == r.side() && p.located())
                .findFirst()
                .orElse(leading);
    }

    /**
     * The prototype's side measured, each region and edge on its photograph.
     *
     * @param leading the leading photograph of the side
     * @param first its side, laid flat
     */
    public Measuring.Measured measure(Photograph leading, FlatSide first, Watch watch) {
        Measuring.Measured one = measuring.measure(leading, first, watch);
        List<Photograph> ofJob = photographs.ofJob(leading.jobId());
        Map<UUID, Optional<Measuring.Measured>> others = new HashMap<>();
        Function<Photograph, Optional<Measuring.Measured>> measured =
                p -> others.computeIfAbsent(p.id(), _ -> laid(p, first));
        List<MeasuredRegion> regions = new ArrayList<>();
        for (JobRegion r : one.regions()) {
            regions.add(
                    counting(r, one, ofJob, measured)
                            .of(r)
                            .orElseGet(() -> one.of(r).orElseThrow()));
        }
        List<Answer<EdgeWear>> edges = new ArrayList<>();
        for (JobRegion r : one.edges()) {
            edges.add(
                    counting(r, one, ofJob, measured)
                            .ofEdge(r)
                            .orElseGet(() -> one.ofEdge(r).orElseThrow()));
        }
        var result = one.result();
        return one.with(
                new SideMeasurer.Result(
                        regions,
                        edges,
                        result.pairs(),
                        result.colours(),
                        result.map(),
                        result.strips()));
    }

    /**
     * The photograph that a region counts on: the one chosen for it, else the leading one, else,
     * where that does not show all of it, the one that shows most.
     *
     * @param measured measures another photograph than the leading one; empty where it is gone
     */
    private Measuring.Measured counting(
            JobRegion r,
            Measuring.Measured leading,
            List<Photograph> ofJob,
            Function<Photograph, Optional<Measuring.Measured>> measured) {
        Photograph lead = leading.photograph();
        Photograph chosen = measuring(r, ofJob, lead);
        if (chosen != null && !chosen.equals(lead)) {
            return measured.apply(chosen).orElse(leading);
        }
        double shown = shown(leading.side(), r);
        if (r.photographId() != null || shown >= WHOLE) {
            return leading;
        }
        return photographs.joined(lead.jobId(), lead.side()).stream()
                .filter(p -> !p.equals(lead))
                .flatMap(p -> measured.apply(p).stream())
                .filter(m -> shown(m.side(), r) >= shown + MORE)
                .max(Comparator.comparingDouble(m -> shown(m.side(), r)))
                .orElse(leading);
    }

    /** The share of a region that is in the photograph of a side. */
    private static double shown(FlatSide side, JobRegion r) {
        Region area = r.region();
        int in = 0;
        int of = 0;
        for (int i = 0; i < PLACES * PLACES; i++) {
            int row = i / PLACES;
            double x = area.xMm() + area.widthMm() * (i % PLACES + 0.5) / PLACES;
            double y = area.yMm() + area.heightMm() * (row + 0.5) / PLACES;
            int px = (int) (x * side.pxPerMm());
            int py = (int) (y * side.pxPerMm());
            if (area.contains(x, y) && px < side.raster().width() && py < side.raster().height()) {
                of++;
                in += side.raster().at(px, py) >>> 24 == 0 ? 0 : 1;
            }
        }
        return of == 0 ? 0 : (double) in / of;
    }

    /**
     * A side as its photographs show it together, in neutral and even light: what the leading one
     * does not show comes from the next one that does.
     *
     * @param leading the leading photograph of the side
     * @param first its side, laid flat
     */
    public Raster together(Photograph leading, FlatSide first) {
        Raster seen = first.inNeutralLight();
        int[] all = seen.argb().clone();
        for (Photograph p : photographs.joined(leading.jobId(), leading.side())) {
            if (!p.equals(leading) && hasHoles(all) && photographs.hasFile(p.hash())) {
                even.of(p)
                        .map(s -> flat.laid(first, s).side().inNeutralLight().argb())
                        .ifPresent(other -> fill(all, other));
            }
        }
        return new Raster(seen.width(), seen.height(), all);
    }

    private static boolean hasHoles(int[] argb) {
        return Arrays.stream(argb).anyMatch(p -> p >>> 24 == 0);
    }

    private static void fill(int[] argb, int[] other) {
        for (int i = 0; i < argb.length; i++) {
            argb[i] = argb[i] >>> 24 == 0 ? other[i] : argb[i];
        }
    }

    /** The flat side of a photograph; the leading one with what the others show beside it. */
    Optional<Raster> picture(UUID photographId) {
        Photograph p = photographs.get(photographId);
        boolean leads = p.equals(photographs.leading(p.jobId(), Role.PROTOTYPE, p.side()));
        return even.of(p).map(s -> leads ? together(p, s) : s.inNeutralLight());
    }

    /** Another photograph, laid over the leading one and measured; empty where its file is gone. */
    private Optional<Measuring.Measured> laid(Photograph p, FlatSide first) {
        return photographs.hasFile(p.hash())
                ? even.of(p).map(s -> measuring.measure(p, flat.laid(first, s), Watch.NOBODY))
                : Optional.empty();
    }

    /**
     * What one photograph of several tells of a region.
     *
     * @param hex its colour; null where too little of it is seen
     * @param deltaE00 to the photograph that measures it; null for that one, and without hue
     * @param differs what differs from that one by more than can be measured and seen
     */
    record OnPhotograph(
            UUID photographId,
            @Nullable String hex,
            @Nullable Double deltaE00,
            List<String> differs) {}

    /**
     * How far a measure goes over the photographs.
     *
     * @param apart two of them differ by more than can be measured and seen
     */
    record Spread(String measure, String unit, double least, double most, boolean apart) {}

    /**
     * A region on all photographs of its side.
     *
     * @param measuredOn the one that counts
     */
    record JoinedRegion(
            UUID regionId, UUID measuredOn, List<OnPhotograph> on, List<Spread> spread) {}

    /**
     * The photographs of a side of the prototype beside each other.
     *
     * @param leading the one that measures what no other was chosen for; null while there is none
     */
    record Joined(@Nullable UUID leading, List<JoinedRegion> regions) {}

    /** Every region of a side on every photograph of it; no regions while there is only one. */
    Joined joined(UUID jobId, Side side, Watch watch) {
        List<Photograph> all =
                photographs.joined(jobId, side).stream()
                        .filter(p -> photographs.hasFile(p.hash()))
                        .toList();
        Photograph leading = photographs.leading(jobId, Role.PROTOTYPE, side);
        if (all.size() < 2 || leading == null || !all.contains(leading)) {
            return new Joined(leading == null ? null : leading.id(), List.of());
        }
        FlatSide first = even.of(leading).orElseThrow();
        Map<UUID, Measuring.Measured> measured = new HashMap<>();
        for (Photograph p : all) {
            watch.at("Measuring " + p.caption(), (double) measured.size() / all.size());
            if (p.equals(leading)) {
                measured.put(p.id(), measuring.measure(p, first, Watch.NOBODY));
            } else {
                laid(p, first).ifPresent(m -> measured.put(p.id(), m));
            }
        }
        Measuring.Measured lead = Objects.requireNonNull(measured.get(leading.id()));
        List<JoinedRegion> regions = new ArrayList<>();
        for (JobRegion r : studies.of(jobId).regions()) {
            if (r.side() == side && r.role() == RegionRole.MEASURE) {
                Measuring.Measured on =
                        counting(r, lead, all, p -> Optional.ofNullable(measured.get(p.id())));
                on.of(r)
                        .ifPresent(
                                here ->
                                        regions.add(
                                                joined(r, on.photograph(), here, all, measured)));
            }
        }
        return new Joined(leading.id(), regions);
    }

    private static JoinedRegion joined(
            JobRegion r,
            Photograph counts,
            MeasuredRegion here,
            List<Photograph> all,
            Map<UUID, Measuring.Measured> measured) {
        List<OnPhotograph> on = new ArrayList<>();
        List<MeasuredRegion> seen = new ArrayList<>();
        for (Photograph p : all) {
            Optional<MeasuredRegion> m =
                    Optional.ofNullable(measured.get(p.id())).flatMap(x -> x.of(r));
            m.ifPresent(seen::add);
            boolean itself = p.equals(counts);
            on.add(
                    new OnPhotograph(
                            p.id(),
                            m.flatMap(MeasuredRegion::base)
                                    .map(c -> Srgb.toHex(c.median()))
                                    .orElse(null),
                            itself ? null : m.flatMap(x -> apart(here, x)).orElse(null),
                            itself
                                    ? List.of()
                                    : m.map(x -> differences(here, x)).orElse(List.of())));
        }
        return new JoinedRegion(r.id(), counts.id(), on, spread(seen));
    }

    private static Optional<Double> apart(MeasuredRegion one, MeasuredRegion two) {
        return one.base()
                .filter(ColourSample::hue)
                .flatMap(
                        a ->
                                two.base()
                                        .filter(ColourSample::hue)
                                        .map(
                                                b ->
                                                        ColourDifference.ciede2000(
                                                                a.median(), b.median())));
    }

    private static List<String> differences(MeasuredRegion here, MeasuredRegion there) {
        return Gaps.between(here, there).seen().stream()
                .map(
                        g ->
                                name(g)
                                        + " "
                                        + figure(g.model())
                                        + " for "
                                        + figure(g.prototype())
                                        + " "
                                        + g.kind().unit())
                .map(String::strip)
                .toList();
    }

    private static String name(Gap g) {
        return g.of().filter(c -> !g.kind().label().startsWith(c.label()))
                .map(c -> c.label() + ", " + g.kind().label())
                .orElse(g.kind().label());
    }

    private static String figure(double v) {
        return String.format(Locale.ROOT, Math.abs(v) >= 100 ? "%.0f" : "%.1f", v);
    }

    private static List<Spread> spread(List<MeasuredRegion> seen) {
        List<Spread> out = new ArrayList<>();
        for (WeatherClass c : WeatherClass.values()) {
            if (c != WeatherClass.PAINT && c != WeatherClass.OTHER) {
                spread(
                                c.label(),
                                "%",
                                seen.stream()
                                        .flatMap(m -> m.toldCover().stream())
                                        .flatMap((Cover v) -> v.share(c).stream())
                                        .map(v -> 100 * v)
                                        .toList(),
                                differs(seen, Gap.Kind.COVER, Optional.of(c)))
                        .filter(s -> s.most() >= LEAST_SHOWN)
                        .ifPresent(out::add);
            }
        }
        spread(
                        "dust up to",
                        "mm",
                        seen.stream()
                                .flatMap(m -> m.dust().told().stream())
                                .map(DustHeight::halfHeightMm)
                                .toList(),
                        differs(seen, Gap.Kind.DUST_HEIGHT, Optional.of(WeatherClass.DUST)))
                .ifPresent(out::add);
        return out;
    }

    private static Optional<Spread> spread(
            String measure, String unit, List<Double> values, boolean apart) {
        return values.size() < 2
                ? Optional.empty()
                : Optional.of(
                        new Spread(
                                measure,
                                unit,
                                values.stream().mapToDouble(v -> v).min().orElseThrow(),
                                values.stream().mapToDouble(v -> v).max().orElseThrow(),
                                apart));
    }

    private static boolean differs(
            List<MeasuredRegion> seen, Gap.Kind kind, Optional<WeatherClass> of) {
        for (int i = 0; i < seen.size(); i++) {
            for (int k = i + 1; k < seen.size(); k++) {
                if (Gaps.between(seen.get(i), seen.get(k)).seen().stream()
                        .anyMatch(g -> g.kind() == kind && g.of().equals(of))) {
                    return true;
                }
            }
        }
        return false;
    }
}
