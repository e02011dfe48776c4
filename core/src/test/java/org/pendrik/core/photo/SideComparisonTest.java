package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.Random;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The difference map against a slow twin that follows the definition. */
public class SideComparisonTest {
    private static final int WIDTH = 37;
    private static final int HEIGHT = 23;
    private static final GreyBalance WARM = GreyBalance.of(0.34, 0.3, 0.21, 60);

    private static Raster speckled(long seed, double holes) {
        Random random = new Random(seed);
        Raster r = Raster.empty(WIDTH, HEIGHT);
        for (int i = 0; i < r.argb().length; i++) {
            r.argb()[i] = random.nextDouble() < holes ? 0 : Raster.OPAQUE | random.nextInt(1 << 24);
        }
        return r;
    }

    /** Linear light and weight under a normal curve in both directions, from the definition. */
    private static double[][] slowBlur(Raster r, double sigma) {
        double[][] out = new double[4][WIDTH * HEIGHT];
        int reach = (int) Math.ceil(4 * sigma);
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                for (int v = Math.max(0, y - reach); v <= Math.min(HEIGHT - 1, y + reach); v++) {
                    for (int u = Math.max(0, x - reach); u <= Math.min(WIDTH - 1, x + reach); u++) {
                        int p = r.at(u, v);
                        if (p >>> 24 == 0) {
                            continue;
                        }
                        int far = (u - x) * (u - x) + (v - y) * (v - y);
                        double weight = far == 0 ? 1 : Math.exp(-far / (2 * sigma * sigma));
                        out[0][y * WIDTH + x] += weight * Srgb.linear(p >> 16);
                        out[1][y * WIDTH + x] += weight * Srgb.linear(p >> 8);
                        out[2][y * WIDTH + x] += weight * Srgb.linear(p);
                        out[3][y * WIDTH + x] += weight;
                    }
                }
            }
        }
        return out;
    }

    private static Lab slowColour(double[][] planes, int i, GreyBalance light) {
        double w = planes[3][i];
        return light.toLab(planes[0][i] / w, planes[1][i] / w, planes[2][i] / w);
    }

    /** Blurs of the eye in pixels; the last reaches beyond the side. */
    @DataProvider
    public Object[][] blurs() {
        return new Object[][] {{0.0}, {0.4}, {1.9}, {3.0}, {7.0}};
    }

    @Test(dataProvider = "blurs")
    public void theMapEqualsItsSlowTwinWithHolesAndLamps(double sigma) {
        Raster one = speckled(1, 0.1);
        Raster two = speckled(2, 0.1);
        float[] map = SideComparison.map(one, WARM, two, GreyBalance.NONE, sigma).deltaE00();
        double[][] a = slowBlur(one, sigma);
        double[][] b = slowBlur(two, sigma);
        int holes = 0;
        for (int i = 0; i < map.length; i++) {
            if (one.argb()[i] == 0 || two.argb()[i] == 0) {
                assertTrue(Float.isNaN(map[i]), "at " + i);
                holes++;
            } else {
                double expected =
                        ColourDifference.ciede2000(
                                slowColour(a, i, WARM), slowColour(b, i, GreyBalance.NONE));
                assertEquals(map[i], expected, 5e-4, "at " + i);
            }
        }
        assertTrue(holes > 50 && holes < 300, "holes " + holes);
    }

    @Test
    public void theMedianIsThatOfTheSortedValues() {
        Random random = new Random(3);
        for (int n : new int[] {1, 2, 3, 10, 1001}) {
            float[] v = new float[n];
            for (int i = 0; i < n; i++) {
                v[i] = random.nextInt(4) == 0 ? Float.NaN : (float) (random.nextDouble() * 40);
            }
            v[0] = 0;
            float[] sorted = v.clone();
            Arrays.sort(sorted);
            int seen = 0;
            while (seen < n && !Float.isNaN(sorted[seen])) {
                seen++;
            }
            assertEquals(
                    SideComparison.median(new SideComparison.DifferenceMap(n, 1, v)).orElseThrow(),
                    (double) sorted[seen / 2],
                    0.0);
        }
        assertTrue(
                SideComparison.median(
                                new SideComparison.DifferenceMap(1, 1, new float[] {Float.NaN}))
                        .isEmpty());
    }

    @Test
    public void sidesOfUnequalSizeAreAMistakeOfTheCaller() {
        assertThrows(
                IllegalArgumentException.class,
                () ->
                        SideComparison.map(
                                Raster.empty(2, 2),
                                GreyBalance.NONE,
                                Raster.empty(2, 3),
                                GreyBalance.NONE,
                                0));
    }
}
