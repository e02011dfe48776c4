package org.pendrik.core.measure;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.paint.KubelkaMunk;
import org.pendrik.core.photo.Region;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Rust that shines through, on paints of which some are hard. */
public class ThinFilmTest {
    private static final Region BODY = new Region("body", 400, 200, 1600, 800);
    private static final double DEEPEST = 6;

    /** A layer of rust over a paint, band by band. */
    private static Lab rusty(Lab paint, Lab rust, double depth) {
        double[] under = Srgb.labToLinear(paint);
        double[] deep = Srgb.labToLinear(rust);
        double[] out = new double[3];
        for (int k = 0; k < 3; k++) {
            out[k] =
                    KubelkaMunk.over(
                            under[k], KubelkaMunk.ratio(Math.max(0.01, deep[k])), 1, depth);
        }
        return Srgb.linearToLab(out[0], out[1], out[2]);
    }

    private static double share(Lab paint, Lab rust, Lab seen) {
        double[] p = Srgb.labToRelative(paint);
        double[] r = Srgb.labToRelative(rust);
        double[] s = Srgb.labToRelative(seen);
        double up = 0;
        double down = 0;
        for (int k = 0; k < 3; k++) {
            up += (s[k] - p[k]) * (r[k] - p[k]);
            down += (r[k] - p[k]) * (r[k] - p[k]);
        }
        return up / down;
    }

    /** Six streaks of 80 mm that fade downwards, a patch of the paint and one of deep rust. */
    private static double depth(double x, double y) {
        if (x > 40 && x < 140 && y > 40 && y < 120) {
            return DEEPEST;
        }
        double across = Math.floorMod((int) (x - 400), 260) - 130.0;
        double t = (y - 300) / 500;
        if (x < 420 || x > 1960 || t <= 0 || t >= 1) {
            return 0;
        }
        return 0.9 * (1 - t) * Math.exp(-across * across / (2 * 28 * 28));
    }

    @DataProvider
    public Object[][] paints() {
        return new Object[][] {
            {new Lab(42, -14, 12)},
            {new Lab(36, 3, -34)},
            {new Lab(70, -4, 38)},
            {new Lab(68, 0, 1)},
        };
    }

    @Test(dataProvider = "paints")
    public void streaksThatShineThroughAreMeasured(Lab paint) {
        Lab rust = new Lab(43, 30, 38);
        Painted p = Painted.by((x, y) -> rusty(paint, rust, depth(x, y)));
        MeasuredRegion r =
                Painted.measure(
                                p.plane(),
                                List.of(
                                        new ClassSample(
                                                WeatherClass.FRESH_RUST,
                                                new Region("rust", 50, 50, 80, 60)),
                                        new ClassSample(
                                                WeatherClass.PAINT,
                                                new Region("paint", 300, 40, 200, 80))),
                                BODY)
                        .regions()
                        .getFirst();
        Lab deep = rusty(paint, rust, DEEPEST);
        var cover = r.toldCover().orElseThrow();
        double told = cover.share(WeatherClass.FRESH_RUST).orElseThrow();
        double sd =
                cover.classes().stream()
                        .filter(c -> c.kind() == WeatherClass.FRESH_RUST)
                        .findFirst()
                        .orElseThrow()
                        .sd();
        assertEquals(told, truth(paint, rust), 0.01, paint + " ± " + 2 * sd);
        var answer = r.streaks().get(WeatherClass.FRESH_RUST);
        Streaks s = answer.told().orElseThrow(() -> new AssertionError(answer.toString()));
        assertEquals(s.count(), 6);
        double most = share(paint, deep, rusty(paint, rust, 0.9));
        double seen = 0;
        while (share(paint, deep, rusty(paint, rust, 0.9 * (1 - seen / 500))) > 0.1 * most) {
            seen += 1;
        }
        assertEquals(s.lengthMm(), seen, 0.1 * seen);
        assertTrue(Math.abs(s.angleDegrees()) < 1.5, "" + s.angleDegrees());
    }

    @Test
    public void onItsOwnPaintNoFilmIsSeen() {
        Painted p = Painted.by((x, y) -> depth(x, y) == DEEPEST ? Painted.RUST : Painted.GREEN);
        MeasuredRegion r =
                Painted.measure(
                                p.plane(),
                                List.of(
                                        new ClassSample(
                                                WeatherClass.FRESH_RUST,
                                                new Region("rust", 50, 50, 80, 60)),
                                        new ClassSample(
                                                WeatherClass.PAINT,
                                                new Region("paint", 300, 40, 200, 80))),
                                BODY)
                        .regions()
                        .getFirst();
        assertEquals(
                r.toldCover().orElseThrow().share(WeatherClass.FRESH_RUST).orElseThrow(), 0, 0.001);
    }

    /** The model's rust is another mix: it has as much of it all the same. */
    @Test
    public void anotherShadeOnAnotherPaintIsAsMuch() {
        Lab paint = new Lab(40, -14, 12);
        Lab other = new Lab(44, -12, 9);
        Lab rust = new Lab(43, 30, 38);
        List<ClassSample> samples =
                List.of(
                        new ClassSample(
                                WeatherClass.FRESH_RUST, new Region("rust", 50, 50, 80, 60)),
                        new ClassSample(WeatherClass.PAINT, new Region("paint", 300, 40, 200, 80)));
        ClassModel learned =
                ClassModel.learn(
                        Painted.by((x, y) -> rusty(paint, rust, depth(x, y))).plane(), samples);
        for (Lab shade : new Lab[] {new Lab(40, 32, 30), new Lab(46, 26, 42), rust}) {
            Painted model = Painted.by((x, y) -> rusty(other, shade, depth(x, y)));
            double told = told(model, learned.adaptedTo(model.plane()));
            double truth = truth(other, shade);
            assertEquals(told / truth, 1, 0.3, shade + ": " + told + " for " + truth);
        }
    }

    /** Mean share of a rust over the body. */
    private static double truth(Lab paint, Lab rust) {
        Lab deep = rusty(paint, rust, DEEPEST);
        double sum = 0;
        int n = 0;
        for (double x = 402; x < 2000; x += 4) {
            for (double y = 202; y < 1000; y += 4) {
                sum += share(paint, deep, rusty(paint, rust, depth(x, y)));
                n++;
            }
        }
        return sum / n;
    }

    private static double told(Painted side, ClassModel model) {
        LabPlane plane = side.plane();
        return Cover.of(SideMeasurer.classify(plane, model, SideMeasurer.focus(plane)), model, BODY)
                .told()
                .orElseThrow()
                .share(WeatherClass.FRESH_RUST)
                .orElseThrow();
    }
}
