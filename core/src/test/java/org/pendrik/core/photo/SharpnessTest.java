package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class SharpnessTest {
    private static final int W = 600;
    private static final int H = 200;
    private static final double PX_PER_MM = 0.25;

    /**
     * Slanted bars 24 pixels wide, their edges under a normal curve of the width that a column has.
     */
    private static Raster bars(java.util.function.IntToDoubleFunction sigma) {
        Raster r = Raster.empty(W, H);
        for (int x = 0; x < W; x++) {
            double s = sigma.applyAsDouble(x);
            for (int y = 0; y < H; y++) {
                double at = Math.floorMod(Math.round(1000 * (x + 0.5 + 0.31 * y)), 48_000) / 1000.0;
                // the nearest edges of a period of 48: up at 0, down at 24
                double light = step(at / s) - step((at - 24) / s) + step((at - 48) / s);
                int v = (int) Math.round(60 + 130 * light);
                r.argb()[y * W + x] = Raster.OPAQUE | v << 16 | v << 8 | v;
            }
        }
        return r;
    }

    /** The share of a normal curve below a value: a logistic curve, to 0.01. */
    private static double step(double t) {
        return 1 / (1 + Math.exp(-1.702 * t));
    }

    @DataProvider
    public Object[][] blurs() {
        return new Object[][] {{0.8}, {1.2}, {1.8}, {4.0}};
    }

    @Test(dataProvider = "blurs")
    public void theBlurOfEdgesIsFoundInMillimetres(double sigmaPx) {
        for (Sharpness.Strip s : Sharpness.strips(bars(x -> sigmaPx), PX_PER_MM, 4)) {
            // differences over two pixels blur a little too
            double seen = Math.hypot(sigmaPx, Math.sqrt(1 / 3.0));
            assertEquals(s.sigmaMm().orElseThrow() * PX_PER_MM, seen, 0.2 * seen, "" + s);
            assertEquals(s.blurred(), sigmaPx >= 4, "" + s);
        }
    }

    @Test
    public void aSideThatRunsOutOfFocusSaysWhere() {
        Sharpness.Strip[] strips = Sharpness.strips(bars(x -> x < W / 2 ? 0.9 : 5), PX_PER_MM, 6);
        assertFalse(strips[0].blurred());
        assertFalse(strips[1].blurred());
        assertTrue(strips[4].blurred());
        assertTrue(strips[5].blurred());
        assertEquals(strips[5].toMm(), W / PX_PER_MM, 1e-9);
        assertEquals(strips[3].fromMm(), strips[2].toMm(), 1e-9);
    }

    @Test
    public void whereNothingHasAnEdgeNothingIsSaid() {
        Raster plain = Raster.empty(W, H);
        java.util.Arrays.fill(plain.argb(), Raster.OPAQUE | 0x507060);
        for (Sharpness.Strip s : Sharpness.strips(plain, PX_PER_MM, 3)) {
            assertEquals(s.sigmaMm(), Optional.empty());
            assertFalse(s.blurred());
        }
        assertEquals(Sharpness.strips(Raster.empty(W, 4), PX_PER_MM, 2).length, 2);
    }
}
