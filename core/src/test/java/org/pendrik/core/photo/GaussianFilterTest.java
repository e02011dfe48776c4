package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class GaussianFilterTest {
    private static final int W = 37;
    private static final int H = 29;

    @DataProvider
    public Object[][] widthsAndHoles() {
        return new Object[][] {{0.7, 0.0}, {1.5, 0.0}, {1.5, 0.2}, {4.0, 0.05}, {20.0, 0.5}};
    }

    /** The definition: every pixel weighs by the curve, what is not there weighs nothing. */
    private static double plainly(float[] plane, int x, int y, double sigma) {
        int reach = (int) Math.ceil(3 * sigma);
        double sum = 0;
        double weight = 0;
        for (int v = Math.max(0, y - reach); v <= Math.min(H - 1, y + reach); v++) {
            for (int u = Math.max(0, x - reach); u <= Math.min(W - 1, x + reach); u++) {
                if (!Float.isNaN(plane[v * W + u])) {
                    double d = (u - x) * (u - x) + (v - y) * (v - y);
                    double w = Math.exp(-d / (2 * sigma * sigma));
                    sum += w * plane[v * W + u];
                    weight += w;
                }
            }
        }
        return sum / weight;
    }

    @Test(dataProvider = "widthsAndHoles")
    public void isTheWeightedMeanOfWhatIsThere(double sigma, double holes) {
        SplittableRandom random = new SplittableRandom(8);
        float[] plane = new float[W * H];
        for (int i = 0; i < plane.length; i++) {
            plane[i] = random.nextDouble() < holes ? Float.NaN : 255 * random.nextFloat();
        }
        float[] out = GaussianFilter.blurred(plane, W, H, sigma);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                int i = y * W + x;
                if (Float.isNaN(plane[i])) {
                    assertTrue(Float.isNaN(out[i]), "a hole stays one");
                } else {
                    assertEquals(out[i], plainly(plane, x, y, sigma), 2e-3, x + ", " + y);
                }
            }
        }
    }

    @Test
    public void aHoleThatReachesFurtherThanTheCurveHarmsNobody() {
        float[] plane = new float[W * H];
        java.util.Arrays.fill(plane, Float.NaN);
        plane[5 * W + 5] = 7;
        float[] out = GaussianFilter.blurred(plane, W, H, 1);
        assertEquals(out[5 * W + 5], 7f, 1e-6);
        assertTrue(Float.isNaN(out[20 * W + 30]));
    }
}
