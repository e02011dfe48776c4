package org.pendrik.app.truth;

import java.util.ArrayList;
import java.util.List;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.measure.Cover;
import org.pendrik.core.measure.MeasuredRegion;
import org.pendrik.core.measure.Sight;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.ColourSample;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.SideGeometry;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.units.Length;

/** One rendered photograph measured as a user would, beside what is true. */
final class TruthTrial {
    private static final double OUT_PX_PER_MM = 0.36;
    private static final double HAND_PX = 0.5;

    static final String SCALE = "scale, %";
    static final String COLOUR = "base colour, ΔE00";
    static final String COLOUR_AB = "base colour, ΔE*ab";
    static final String COVER = "class cover, points";
    static final String SPOTS = "median spot diameter, %";
    static final String ANGLE = "streak angle, °";
    static final String FOOT = "dust at the foot, points";
    static final String DUST = "dust half height, % of the side's height";

    private final TruthScene scene;
    private final TruthCamera camera;
    private final List<Result> results = new ArrayList<>();
    private final List<String> refusals = new ArrayList<>();

    private TruthTrial(int seed) {
        scene = new TruthScene(seed);
        camera = new TruthCamera(seed);
    }

    /** Renders and measures; the scene, some 50 MB, is not kept. */
    static Outcome run(int seed) {
        var trial = new TruthTrial(seed);
        trial.measure(trial.camera.photograph(trial.scene), seed);
        return new Outcome(trial.results, trial.refusals);
    }

    private void measure(byte[] photograph, int seed) {
        double l = TruthScene.LENGTH_MM;
        double h = TruthScene.HEIGHT_MM;
        List<Point> corners =
                List.of(
                        camera.marked(0, 0, HAND_PX),
                        camera.marked(l, 0, HAND_PX),
                        camera.marked(l, h, HAND_PX),
                        camera.marked(0, h, HAND_PX));
        List<SideRectifier.Mark> known = new ArrayList<>();
        for (int i = 0; i < seed % 4; i++) {
            double x = l * (i + 1) / 4;
            double y = h * (1 + i % 2) / 3;
            known.add(new SideRectifier.Mark(camera.marked(x, y, HAND_PX), new Point(x, y)));
        }
        double[] c = camera.card();
        var marked =
                new MarkedPhotograph(
                        photograph,
                        corners,
                        known,
                        camera.edges(HAND_PX),
                        new Region("card", c[0], c[1], c[2], c[3]),
                        TruthCamera.CARD_L,
                        Length.ofMm(l),
                        Length.ofMm(h));
        var r =
                marked.flat(OUT_PX_PER_MM)
                        .measured(
                                new Sight(600, 43.5),
                                scene.samples(),
                                List.of(
                                        TruthScene.COVER,
                                        TruthScene.SPOTS,
                                        TruthScene.STREAKS,
                                        TruthScene.DUST));
        if (!r.lensFitted()) {
            refusals.add("lens");
        }
        SideGeometry g = r.geometry();
        double apart = distance(g.toSide(camera.seen(500, 800)), g.toSide(camera.seen(3500, 800)));
        results.add(new Result(SCALE, 100 * (apart / 3000 - 1), 200 * g.scaleSd()));
        compare(r.regions());
    }

    private static double distance(Point a, Point b) {
        return Math.hypot(a.x() - b.x(), a.y() - b.y());
    }

    private void compare(List<MeasuredRegion> m) {
        for (int i = 0; i < 3; i++) {
            MeasuredRegion r = m.get(i);
            ColourSample base = r.base().orElseThrow();
            Lab truth = truth(r.region());
            results.add(
                    new Result(
                            COLOUR,
                            ColourDifference.ciede2000(truth, base.median()),
                            Double.POSITIVE_INFINITY));
            results.add(new Result(COLOUR_AB, truth.distance(base.median()), base.plusMinus()));
        }
        var cover = m.get(0).toldCover();
        if (cover.isEmpty()) {
            refusals.add("cover");
        } else {
            for (WeatherClass c :
                    List.of(
                            WeatherClass.PAINT,
                            WeatherClass.FRESH_RUST,
                            WeatherClass.OLD_RUST,
                            WeatherClass.GRIME,
                            WeatherClass.WHITE_MINERAL,
                            WeatherClass.OTHER)) {
                Cover.ClassCover one =
                        cover.get().classes().stream()
                                .filter(x -> x.kind() == c)
                                .findFirst()
                                .orElseThrow();
                if (one.share().isEmpty()) {
                    refusals.add("cover of " + c.label());
                } else {
                    results.add(
                            new Result(
                                    COVER,
                                    100 * (one.share().get() - scene.cover(c, TruthScene.COVER)),
                                    200 * one.sd()));
                }
            }
        }
        var spots = m.get(1).spots().get(scene.spotKind);
        if (spots == null || spots.told().isEmpty()) {
            refusals.add("spots: " + (spots == null ? "no class" : spots.refusal().orElse("")));
        } else {
            var s = spots.told().get();
            double t = scene.spotMedian(s.smallestMm());
            results.add(
                    new Result(
                            SPOTS, 100 * (s.medianMm() / t - 1), 100 * s.medianPlusMinusMm() / t));
        }
        var streaks = m.get(2).streaks().get(scene.streakKind);
        if (streaks == null || streaks.told().isEmpty()) {
            refusals.add(
                    "streaks: " + (streaks == null ? "no class" : streaks.refusal().orElse("")));
        } else {
            var s = streaks.told().get();
            results.add(
                    new Result(ANGLE, s.angleDegrees() - scene.streakAngle, s.anglePlusMinus()));
        }
        var dust = m.get(3).dust();
        if (dust.told().isEmpty()) {
            refusals.add("dust: " + dust.refusal().orElse(""));
        } else {
            var d = dust.told().get();
            results.add(
                    new Result(
                            DUST,
                            100 * (d.halfHeightMm() - scene.dustHeightMm) / TruthScene.HEIGHT_MM,
                            100 * d.halfHeightPlusMinusMm() / TruthScene.HEIGHT_MM));
            results.add(
                    new Result(
                            FOOT,
                            100 * (d.footStrength() - scene.footStrength),
                            100 * d.footPlusMinus()));
        }
    }

    /** The median of the paint in a region, lit as the card is. */
    private Lab truth(Region r) {
        double p = TruthScene.PX_PER_MM;
        float[][] v = new float[3][(int) (r.widthMm() * r.heightMm() * p * p) + 9];
        int n = 0;
        for (int y = (int) (r.yMm() * p); y < r.lowMm() * p; y++) {
            for (int x = (int) (r.xMm() * p); x < (r.xMm() + r.widthMm()) * p; x++) {
                int i = y * scene.width + x;
                if (scene.kind[i] == WeatherClass.PAINT && n < v[0].length) {
                    for (int k = 0; k < 3; k++) {
                        v[k][n] = scene.rgb[3 * i + k];
                    }
                    n++;
                }
            }
        }
        double[] m = new double[3];
        for (int k = 0; k < 3; k++) {
            java.util.Arrays.sort(v[k], 0, n);
            m[k] = v[k][n / 2];
        }
        return Srgb.linearToLab(m[0], m[1], m[2]);
    }
}
