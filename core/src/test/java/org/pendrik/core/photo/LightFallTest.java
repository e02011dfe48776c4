package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.SplittableRandom;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Srgb;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class LightFallTest {
    private static final int WIDTH = 640;
    private static final int HEIGHT = 240;
    private static final double PX_PER_MM = 0.1;
    private static final double[] GREEN = {0.06, 0.14, 0.07};
    private static final double[] GREY = {0.2, 0.2, 0.2};
    private static final double[] DUST = {0.36, 0.3, 0.22};

    /** Under the side, in the middle. */
    private static final Point CARD = new Point(3200, 2600);

    /** Linear sRGB of a place, its light apart. */
    @FunctionalInterface
    private interface Surface {
        double[] at(double xMm, double yMm);
    }

    @FunctionalInterface
    private interface Level {
        double at(double xMm, double yMm);
    }

    private static Raster drawn(Surface surface, Level level) {
        var random = new SplittableRandom(3);
        Raster out = Raster.empty(WIDTH, HEIGHT);
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                double xMm = (x + 0.5) / PX_PER_MM;
                double yMm = (y + 0.5) / PX_PER_MM;
                double[] c = surface.at(xMm, yMm);
                double l = level.at(xMm, yMm) * (1 + 0.02 * random.nextGaussian());
                out.argb()[y * WIDTH + x] = Raster.OPAQUE | Srgb.pack(c[0] * l, c[1] * l, c[2] * l);
            }
        }
        return out;
    }

    /** A lamp to the left of the middle, and a lens that darkens its corners. */
    private static double falling(double xMm, double yMm) {
        double u = (xMm - 2600) / 3200;
        double v = (yMm - 1200) / 3200;
        return (1 - 0.14 * (u * u + v * v)) * (1 - 0.05 * u);
    }

    private static LightFall.Outcome of(Raster side, double[] paint) {
        return LightFall.of(
                side,
                PX_PER_MM,
                GreyBalance.NONE,
                Srgb.linearToRelative(paint[0], paint[1], paint[2]),
                CARD);
    }

    private static LightFall found(Raster side, double[] paint) {
        LightFall.Outcome o = of(side, paint);
        assertTrue(o instanceof LightFall.Outcome.Found, o.toString());
        return ((LightFall.Outcome.Found) o).fall();
    }

    @DataProvider
    public Object[][] paints() {
        return new Object[][] {{GREEN}, {GREY}};
    }

    @Test(dataProvider = "paints")
    public void theFallIsToldByThePaint(double[] paint) {
        LightFall fall = found(drawn((_, _) -> paint, LightFallTest::falling), paint);
        for (double x = 100; x < 6400; x += 700) {
            for (double y = 100; y < 2400; y += 500) {
                double truth = falling(x, y) / falling(CARD.x(), CARD.y());
                assertEquals(fall.at(x, y) / truth, 1, 0.01 + 3 * fall.sdAt(x, y));
            }
        }
        assertEquals(fall.at(CARD.x(), CARD.y()), 1, 1e-12);
    }

    @Test
    public void dustAtTheFootAndLetteringDoNotTurnIt() {
        Raster side =
                drawn(
                        (x, y) -> {
                            if (y < 300 && x % 300 < 90) {
                                return new double[] {0.7, 0.7, 0.66};
                            }
                            double dust = 0.8 / (1 + Math.exp((1900 - y) / 60));
                            double[] out = new double[3];
                            for (int k = 0; k < 3; k++) {
                                out[k] = GREEN[k] + dust * (DUST[k] - GREEN[k]);
                            }
                            return out;
                        },
                        LightFallTest::falling);
        LightFall fall = found(side, GREEN);
        for (double x = 200; x < 6400; x += 1500) {
            double truth = falling(x, 800) / falling(CARD.x(), CARD.y());
            assertEquals(fall.at(x, 800) / truth, 1, 0.025, "at " + x);
        }
    }

    @Test
    public void inEvenLightNothingChanges() {
        Raster side = drawn((_, _) -> GREEN, (_, _) -> 1);
        LightFall fall = found(side, GREEN);
        assertTrue(fall.range() < LightFall.EVEN, "" + fall.range());
        Raster evened = fall.evened(side);
        int most = 0;
        for (int i = 0; i < side.argb().length; i++) {
            most =
                    Math.max(
                            most,
                            Math.abs((side.argb()[i] >> 8 & 255) - (evened.argb()[i] >> 8 & 255)));
        }
        assertTrue(most <= 2, "" + most);
    }

    @Test
    public void whatIsEvenedOutIsEven() {
        Raster evened =
                found(drawn((_, _) -> GREEN, LightFallTest::falling), GREEN)
                        .evened(drawn((_, _) -> GREEN, LightFallTest::falling));
        LightFall left = found(evened, GREEN);
        assertTrue(left.range() < LightFall.EVEN, "" + left.range());
    }

    @Test
    public void clippedPixelsStayClippedAndNoneIsAdded() {
        Raster side =
                drawn((x, _) -> x < 400 ? new double[] {2, 2, 2} : GREEN, LightFallTest::falling);
        Raster evened = found(side, GREEN).evened(side);
        for (int i = 0; i < side.argb().length; i++) {
            boolean before = (side.argb()[i] >> 16 & 255) == 255;
            assertEquals((evened.argb()[i] >> 16 & 255) >= 254, before, "pixel " + i);
        }
    }

    @Test
    public void bleachedPaintIsNotTakenForLight() {
        Raster side =
                drawn(
                        (x, _) -> {
                            double pale = 0.05 * x / 6400;
                            double[] out = new double[3];
                            for (int k = 0; k < 3; k++) {
                                out[k] = GREEN[k] + pale * (0.8 - GREEN[k]);
                            }
                            return out;
                        },
                        (_, _) -> 1);
        LightFall.Outcome o = of(side, new double[] {0.078, 0.156, 0.088});
        assertTrue(
                o instanceof LightFall.Outcome.Left l && l.reason().contains("bleached"),
                o.toString());
    }

    @Test
    public void aSideWithHardlyAnyOfThePaintIsLeftAsItFell() {
        Raster side = drawn((x, _) -> x < 1500 ? GREEN : DUST, LightFallTest::falling);
        LightFall.Outcome o = of(side, GREEN);
        assertTrue(
                o instanceof LightFall.Outcome.Left l && l.reason().startsWith("Too little"),
                o.toString());
    }
}
