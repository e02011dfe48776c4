package org.pendrik.core.recipe;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.pendrik.core.paint.Light;
import org.testng.annotations.Test;

/** The floats come to what doubles say, band by band. */
public class BandMathTest {
    private static final double NEAR = 5e-6;
    private static final int LANES = BandMath.ABREAST;

    private final Kernel kernel = kernel(Shelves.random(12, 5));
    private final BandMath math = new BandMath(kernel);

    static Kernel kernel(List<Ingredient> shelf) {
        double[][] k = new double[shelf.size()][];
        double[][] s = new double[shelf.size()][];
        for (int i = 0; i < k.length; i++) {
            k[i] = shelf.get(i).paint().absorbs();
            s[i] = shelf.get(i).paint().scatters();
        }
        return new Kernel(k, s, Light.D65, Shelves.FLAT);
    }

    private static Mixes[] several(int n) {
        Mixes[] out = new Mixes[n];
        for (int i = 0; i < n; i++) {
            out[i] = new Mixes();
        }
        return out;
    }

    /** Drops of p paints in each lane, and which paints these are, by lane. */
    private Mixes[] drops(SplittableRandom random, int p, float[][] levels, int[][] chosen) {
        Mixes[] out = several(p);
        for (int x = 0; x < LANES; x++) {
            chosen[x] = random.ints(0, kernel.paints).distinct().limit(p).toArray();
            for (int i = 0; i < p; i++) {
                BandMath.load(kernel.k[chosen[x][i]], x, out[i].k);
                BandMath.load(kernel.s[chosen[x][i]], x, out[i].s);
                levels[i][x] = (float) kernel.level[chosen[x][i]];
            }
        }
        return out;
    }

    private static float[] shares(SplittableRandom random) {
        float[] out = new float[LANES];
        for (int x = 0; x < LANES; x++) {
            out[x] = (float) random.nextDouble();
        }
        return out;
    }

    /** Whether any paint of a lane has S that is not level. */
    private boolean uneven(int[] chosen) {
        return Arrays.stream(chosen).anyMatch(i -> !kernel.flat[i]);
    }

    @Test
    public void cornersAreADropOfEachAndMoreOfOne() {
        SplittableRandom random = new SplittableRandom(1);
        float[][] levels = new float[3][LANES];
        int[][] chosen = new int[LANES][];
        Mixes[] drops = drops(random, 3, levels, chosen);
        Mixes[] corners = several(3);
        math.corners(drops, levels, 3, 5, true, corners);
        for (int x = 0; x < LANES; x++) {
            Cell cell = Cell.all(kernel, chosen[x], 3, 8);
            for (int i = 0; i < 3; i++) {
                for (int b = 0; b < Kernel.BANDS; b++) {
                    double k = cell.corners[i].k[b];
                    assertEquals(corners[i].k[b * LANES + x], k, NEAR * Math.max(1, k));
                }
            }
        }
    }

    @Test
    public void whatIsSeenIsWhatTheDoublesSay() {
        SplittableRandom random = new SplittableRandom(4);
        float[][] levels = new float[4][LANES];
        Mixes[] corners = several(4);
        math.corners(drops(random, 4, levels, new int[LANES][]), levels, 4, 6, true, corners);
        Mixes between = new Mixes();
        math.between(corners[0], corners[3], shares(random), between);
        double[] level = new double[Kernel.BANDS];
        Arrays.fill(level, 1);
        for (Mixes m : List.of(corners[1], between)) {
            m.seen = false;
            math.see(m);
            for (int x = 0; x < LANES; x++) {
                double[] r = new double[Kernel.BANDS];
                kernel.seen(lane(m.k, x), level, r);
                assertEquals(m.y[x], Kernel.dot(kernel.w[1], r), NEAR);
                for (int b = 0; b < r.length; b++) {
                    assertEquals(m.r[b * LANES + x], r[b], NEAR);
                }
            }
        }
    }

    private static double[] lane(float[] v, int x) {
        double[] out = new double[Kernel.BANDS];
        for (int b = 0; b < out.length; b++) {
            out[b] = v[b * LANES + x];
        }
        return out;
    }

    /**
     * K/S of every mix lies between what is linear over the corners, band by band, however S of the
     * paints runs; and the reflectance of it between tangent and chords.
     */
    @Test
    public void mixesLieBetweenTangentAndChords() {
        SplittableRandom random = new SplittableRandom(11);
        int uneven = 0;
        for (int trial = 0; trial < 60; trial++) {
            int p = 2 + trial % 3;
            float[][] levels = new float[p][LANES];
            int[][] chosen = new int[LANES][];
            Mixes[] corners = several(p);
            math.corners(drops(random, p, levels, chosen), levels, p, 7, false, corners);
            float[][] even = new float[p][LANES];
            for (float[] of : even) {
                Arrays.fill(of, 1f / p);
            }
            Tangent middle = new Tangent();
            math.middle(corners, p, even, false, middle);
            float[][] low = new float[p][BandMath.SIZE];
            for (int i = 0; i < p; i++) {
                math.see(corners[i]);
                math.below(corners[i], middle, false, low[i]);
            }
            for (int x = 0; x < LANES; x++) {
                uneven += uneven(chosen[x]) ? 1 : 0;
                between(random, Cell.all(kernel, chosen[x], p, 7 + p), corners, low, x);
            }
        }
        assertTrue(uneven > 100, "whites among them: " + uneven);
    }

    private void between(
            SplittableRandom random, Cell cell, Mixes[] corners, float[][] low, int x) {
        int p = low.length;
        double[] w = random.doubles(p).toArray();
        double all = Arrays.stream(w).sum();
        double[] k = new double[Kernel.BANDS];
        double[] s = new double[Kernel.BANDS];
        for (int i = 0; i < p; i++) {
            w[i] /= all;
            for (int b = 0; b < Kernel.BANDS; b++) {
                k[b] += w[i] * cell.corners[i].k[b];
                s[b] += w[i] * cell.corners[i].s[b];
            }
        }
        double[] r = new double[Kernel.BANDS];
        kernel.seen(k, s, r);
        for (int b = 0; b < Kernel.BANDS; b++) {
            int at = b * LANES + x;
            double least = 0;
            double most = 0;
            double under = 0;
            double over = 0;
            for (int i = 0; i < p; i++) {
                least += w[i] * corners[i].k[at];
                most += w[i] * corners[i].most[at];
                under += w[i] * low[i][at];
                over += w[i] * corners[i].r[at];
            }
            double q = k[b] / s[b];
            assertTrue(least <= q + NEAR * Math.max(1, q), least + " over " + q);
            assertTrue(most >= q - NEAR * Math.max(1, q), most + " under " + q);
            assertTrue(r[b] >= under - NEAR * Math.max(1, -under), "under");
            assertTrue(r[b] <= over + NEAR, "over");
        }
    }
}
