package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertSame;
import static org.testng.Assert.assertTrue;

import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class RegistrationTest {
    private static final int W = 1200;
    private static final int H = 480;

    /** Boxes and bars in a picture, drawn at any place and with any two colours. */
    private static Raster scene(double[] m, int ground, int mark, double noise, long seed) {
        SplittableRandom boxes = new SplittableRandom(4);
        double[][] box = new double[40][4];
        for (double[] b : box) {
            b[0] = boxes.nextDouble() * W;
            b[1] = boxes.nextDouble() * H;
            b[2] = 10 + 90 * boxes.nextDouble();
            b[3] = 6 + 50 * boxes.nextDouble();
        }
        SplittableRandom random = new SplittableRandom(seed);
        Raster out = Raster.empty(W, H);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                int in = 0;
                for (int s = 0; s < 4; s++) {
                    double px = x + 0.25 + 0.5 * (s & 1);
                    double py = y + 0.25 + 0.5 * (s >> 1);
                    // where this place of the second picture lies in the first
                    double det = m[0] * m[4] - m[1] * m[3];
                    double u = (m[4] * (px - m[2]) - m[1] * (py - m[5])) / det;
                    double v = (m[0] * (py - m[5]) - m[3] * (px - m[2])) / det;
                    boolean hit = false;
                    for (double[] b : box) {
                        hit |= u >= b[0] && v >= b[1] && u < b[0] + b[2] && v < b[1] + b[3];
                    }
                    in += hit ? 1 : 0;
                }
                double level = ground + (mark - ground) * in / 4.0 + noise * random.nextGaussian();
                int c = Math.clamp(Math.round(level), 0, 255);
                out.argb()[y * W + x] = Raster.OPAQUE | c << 16 | c << 8 | c;
            }
        }
        return out;
    }

    @DataProvider
    public Object[][] moves() {
        return new Object[][] {
            {new double[] {1, 0, 0, 0, 1, 0}},
            {new double[] {1, 0, 13.3, 0, 1, -5.6}},
            {new double[] {1.006, 0, -7, 0.002, 0.995, 3}},
            {new double[] {0.996, -0.004, 9, 0.003, 1.004, -2}},
        };
    }

    @Test(dataProvider = "moves")
    public void theMoveIsFoundThroughOtherColoursAndNoise(double[] m) {
        Raster one = scene(new double[] {1, 0, 0, 0, 1, 0}, 90, 190, 3, 1);
        Raster two = scene(m, 150, 60, 3, 2);
        var fit = Registration.find(one, two);
        assertTrue(fit.sure());
        double[] f = fit.onModel();
        for (double x : new double[] {150, 600, 1050}) {
            for (double y : new double[] {80, 400}) {
                double u = f[0] * x + f[1] * y + f[2] - (m[0] * x + m[1] * y + m[2]);
                double v = f[3] * x + f[4] * y + f[5] - (m[3] * x + m[4] * y + m[5]);
                assertEquals(Math.hypot(u, v), 0, 0.9, "at " + x + ", " + y);
            }
        }
    }

    @Test
    public void theMovedSideLiesOnTheOther() {
        double[] m = {1, 0, 13.3, 0, 1, -5.6};
        Raster one = scene(new double[] {1, 0, 0, 0, 1, 0}, 90, 190, 0, 1);
        Raster two = scene(m, 90, 190, 0, 2);
        Raster moved = Registration.moved(two, Registration.find(one, two));
        double before = 0;
        double after = 0;
        for (int y = 20; y < H - 20; y++) {
            for (int x = 30; x < W - 30; x++) {
                before += Math.abs((one.at(x, y) & 255) - (two.at(x, y) & 255));
                after += Math.abs((one.at(x, y) & 255) - (moved.at(x, y) & 255));
            }
        }
        assertTrue(after < 0.15 * before, after + " of " + before);
        assertEquals(moved.at(W - 1, 100) >>> 24, 0, "beyond the model's side lies nothing");
    }

    @Test
    public void twoPicturesOfNothingAreLeftAsTheyAre() {
        Raster one = scene(new double[] {1, 0, 0, 0, 1, 0}, 120, 120, 4, 1);
        Raster two = scene(new double[] {1, 0, 0, 0, 1, 0}, 120, 120, 4, 2);
        var fit = Registration.find(one, two);
        assertFalse(fit.sure());
        assertSame(Registration.moved(two, fit), two);
    }

    /** A hundred metres of a gutter are 1,600 pixels long and two high. */
    @Test
    public void aSideOfAFewLinesIsLeftAsItIs() {
        for (int height : new int[] {1, 2, 3, 10, 60}) {
            Raster strip = Raster.empty(1600, height);
            java.util.Arrays.setAll(strip.argb(), i -> Raster.OPAQUE | 0x010101 * (i % 251));
            assertFalse(Registration.find(strip, strip).sure());
        }
        Raster low = Raster.empty(1600, 70);
        java.util.Arrays.setAll(low.argb(), i -> Raster.OPAQUE | 0x010101 * (i * 31 / 1600 % 251));
        assertEquals(Registration.find(low, low).movedPx(), 0.0);
    }

    @Test
    public void theTransformIsItsOwnWayBack() {
        SplittableRandom random = new SplittableRandom(3);
        float[] re = new float[32 * 8];
        float[] im = new float[32 * 8];
        for (int i = 0; i < re.length; i++) {
            re[i] = random.nextFloat();
            im[i] = random.nextFloat();
        }
        float[] a = re.clone();
        float[] b = im.clone();
        Fourier f = new Fourier(32, 8);
        f.transform(a, b, false);
        double sum = 0;
        for (double v : re) {
            sum += v;
        }
        assertEquals(a[0], sum, 1e-4, "the first term is the sum");
        // one term against the definition
        double direct = 0;
        for (int y = 0; y < 8; y++) {
            for (int x = 0; x < 32; x++) {
                double angle = -2 * Math.PI * (5 * x / 32.0 + 3 * y / 8.0);
                direct += re[y * 32 + x] * Math.cos(angle) - im[y * 32 + x] * Math.sin(angle);
            }
        }
        assertEquals(a[3 * 32 + 5], direct, 1e-4);
        f.transform(a, b, true);
        for (int i = 0; i < re.length; i++) {
            assertEquals(a[i], re[i], 1e-6);
            assertEquals(b[i], im[i], 1e-6);
        }
    }
}
