package org.pendrik.app.truth.spectral;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.pendrik.app.truth.MarkedPhotograph;
import org.pendrik.app.truth.Outcome;
import org.pendrik.app.truth.Result;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.measure.ClassSample;
import org.pendrik.core.measure.MeasuredRegion;
import org.pendrik.core.measure.Sight;
import org.pendrik.core.measure.Streaks;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.ColourSample;
import org.pendrik.core.photo.LightFall;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.units.Length;

/** One photograph of the spectral camera measured as a user would, beside what is true. */
public final class SpectralTrial {
    public static final String SCALE = "scale, %";
    public static final String LIGHT = "level of the light, %";
    public static final String COLOUR = "base colour, ΔE*ab";
    public static final String PATCHES = "old rust in patches, points";
    public static final String RUST = "fresh rust in streaks, points";
    public static final String COUNT = "streaks counted, more or fewer";
    public static final String LENGTH = "streak length, %";
    public static final String WIDTH = "streak width, %";
    public static final String ANGLE = "streak angle, °";
    public static final String SPOTS = "median spot diameter, %";
    public static final String HALF = "dust half height, % of the side's height";
    public static final String FOOT = "dust at the foot, points";

    private static final double HAND_PX = 0.7;
    private static final double PX_PER_MM = 1600 / SpectralSide.LENGTH_MM;
    static final Sight SIGHT = new Sight(600, 87.1);

    static final List<Region> REGIONS =
            List.of(
                    region("patches", SpectralSide.COVER),
                    region("spots", SpectralSide.SPOTS),
                    region("streaks", SpectralSide.STREAKS),
                    region("dust", SpectralSide.DUST));

    private final SpectralSide side;
    private final MarkedPhotograph.Measured measured;
    private final int seed;
    private final List<Result> results = new ArrayList<>();
    private final List<String> refusals = new ArrayList<>();

    private SpectralTrial(int seed) {
        this.seed = seed;
        this.side = new SpectralSide(seed, SpectralSide.Look.PROTOTYPE);
        SpectralCamera camera = new SpectralCamera(seed);
        this.measured = measured(side, camera, seed);
        compare(measured, camera);
    }

    /** Renders and measures. */
    public static SpectralTrial run(int seed) {
        return new SpectralTrial(seed);
    }

    /** What was told beside what is true. */
    public Outcome outcome() {
        return new Outcome(results, refusals);
    }

    /** Its model, by another camera in another light, beside it. */
    public SpectralPair.Outcome pair() {
        return SpectralPair.of(seed, side, measured);
    }

    static MarkedPhotograph.Measured measured(SpectralSide side, SpectralCamera camera, int seed) {
        return flat(side, camera, seed)
                .measured(
                        SIGHT,
                        List.of(
                                sample(WeatherClass.PAINT, SpectralSide.CLEAN),
                                sample(WeatherClass.PAINT, SpectralSide.CLEAN_END),
                                sample(WeatherClass.FRESH_RUST, side.strongest()),
                                sample(WeatherClass.OLD_RUST, side.patch()),
                                sample(WeatherClass.DUST, SpectralSide.HEAP)),
                        REGIONS);
    }

    static MarkedPhotograph.Flat flat(SpectralSide side, SpectralCamera camera, int seed) {
        double l = SpectralSide.LENGTH_MM;
        double h = SpectralSide.HEIGHT_MM;
        List<Point> corners =
                List.of(
                        point(camera.marked(0, 0, HAND_PX)),
                        point(camera.marked(l, 0, HAND_PX)),
                        point(camera.marked(l, h, HAND_PX)),
                        point(camera.marked(0, h, HAND_PX)));
        List<SideRectifier.Mark> known = new ArrayList<>();
        for (int i = 0; i < seed % 3; i++) {
            double x = l * (i + 1) / 3;
            known.add(
                    new SideRectifier.Mark(
                            point(camera.marked(x, h / 2, HAND_PX)), new Point(x, h / 2)));
        }
        double[] c = camera.card();
        return new MarkedPhotograph(
                        camera.photograph(side),
                        corners,
                        known,
                        camera.edges(HAND_PX).stream()
                                .map(e -> e.stream().map(SpectralTrial::point).toList())
                                .toList(),
                        new Region("card", c[0], c[1], c[2], c[3]),
                        SpectralCamera.CARD_L,
                        Length.ofMm(l),
                        Length.ofMm(h))
                .flat(PX_PER_MM);
    }

    private static Point point(double[] p) {
        return new Point(p[0], p[1]);
    }

    private static Region region(String name, SpectralSide.Box b) {
        return new Region(name, b.x(), b.y(), b.width(), b.height());
    }

    static ClassSample sample(WeatherClass c, SpectralSide.Box b) {
        return new ClassSample(c, region(c.label(), b));
    }

    private void add(String measure, double error, double told) {
        results.add(new Result(measure, error, told));
    }

    private void compare(MarkedPhotograph.Measured m, SpectralCamera camera) {
        Point a = m.geometry().toSide(point(camera.seen(700, 1100)));
        Point b = m.geometry().toSide(point(camera.seen(5200, 1100)));
        add(
                SCALE,
                100 * (Math.hypot(a.x() - b.x(), a.y() - b.y()) / 4500 - 1),
                200 * m.geometry().scaleSd());
        double[] t = side.paintLab();
        light(m, camera);
        for (MeasuredRegion r : m.regions().subList(0, 3)) {
            ColourSample base = r.base().orElseThrow();
            add(COLOUR, new Lab(t[0], t[1], t[2]).distance(base.median()), base.plusMinus());
        }
        cover(PATCHES, m.regions().get(0), WeatherClass.OLD_RUST, side.oldRust(SpectralSide.COVER));
        cover(RUST, m.regions().get(2), WeatherClass.FRESH_RUST, side.freshRust());
        spots(m.regions().get(1));
        streaks(m.regions().get(2));
        dust(m.regions().get(3));
    }

    private void light(MarkedPhotograph.Measured m, SpectralCamera camera) {
        switch (m.fall()) {
            case LightFall.Outcome.Left l -> refusals.add("light: " + l.reason());
            case LightFall.Outcome.Found f -> {
                for (MeasuredRegion r : m.regions()) {
                    double x = r.region().xMm() + r.region().widthMm() / 2;
                    double y = r.region().yMm() + r.region().heightMm() / 2;
                    add(
                            LIGHT,
                            100 * (f.fall().at(x, y) / camera.levelOverCard(x, y) - 1),
                            200 * f.fall().sdAt(x, y));
                }
            }
        }
    }

    private void cover(String measure, MeasuredRegion r, WeatherClass c, double truth) {
        var told =
                r.toldCover()
                        .flatMap(x -> x.classes().stream().filter(k -> k.kind() == c).findFirst());
        if (told.isEmpty() || told.get().share().isEmpty()) {
            refusals.add(measure + ": " + told.map(k -> k.note()).orElse("no cover"));
            return;
        }
        add(measure, 100 * (told.get().share().get() - truth), 200 * told.get().sd());
    }

    private void spots(MeasuredRegion r) {
        var told = Optional.ofNullable(r.spots().get(WeatherClass.OLD_RUST));
        if (told.flatMap(x -> x.told()).isEmpty()) {
            refusals.add("spots: " + told.flatMap(x -> x.refusal()).orElse("not asked"));
            return;
        }
        var s = told.flatMap(x -> x.told()).get();
        double t = side.spotMedian(s.smallestMm());
        add(SPOTS, 100 * (s.medianMm() / t - 1), 100 * s.medianPlusMinusMm() / t);
    }

    private void streaks(MeasuredRegion r) {
        var told = Optional.ofNullable(r.streaks().get(WeatherClass.FRESH_RUST));
        if (told.flatMap(x -> x.told()).isEmpty()) {
            refusals.add("streaks: " + told.flatMap(x -> x.refusal()).orElse("not asked"));
            return;
        }
        Streaks s = told.flatMap(x -> x.told()).get();
        add(COUNT, s.count() - side.streakCount(), Double.POSITIVE_INFINITY);
        add(
                LENGTH,
                100 * (s.lengthMm() / side.streakLength() - 1),
                100 * s.lengthPlusMinusMm() / side.streakLength());
        add(
                WIDTH,
                100 * (s.widthMm() / side.streakWidth() - 1),
                100 * s.widthPlusMinusMm() / side.streakWidth());
        add(ANGLE, s.angleDegrees() - side.streakAngle, s.anglePlusMinus());
    }

    private void dust(MeasuredRegion r) {
        if (r.dust().told().isEmpty()) {
            refusals.add("dust: " + r.dust().refusal().orElse(""));
            return;
        }
        var d = r.dust().told().get();
        double h = SpectralSide.HEIGHT_MM;
        add(
                HALF,
                100 * (d.halfHeightMm() - side.dustHalfHeight()) / h,
                100 * d.halfHeightPlusMinusMm() / h);
        add(FOOT, 100 * (d.footStrength() - side.dustAtFoot()), 100 * d.footPlusMinus());
    }
}
