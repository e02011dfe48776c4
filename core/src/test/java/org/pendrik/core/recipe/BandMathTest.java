package org.pendrik.core.recipe;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Light;
import org.testng.annotations.Test;

/** The floats come to what doubles say, band by band. */
public class BandMathTest {
    private static final double NEAR = 5e-6;
    private static final int LANES = BandMath.ABREAST;

    private final Kernel kernel = kernel(Shelves.random(12, 5));
    private final BandMath math = new BandMath(kernel);

    private static Kernel kernel(List<Ingredient> shelf) {
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

    /** Corners of some paints, and what lies between them. */
    private Mixes[] mixes(long seed, int p) {
        SplittableRandom random = new SplittableRandom(seed);
        float[][] levels = new float[p][LANES];
        Mixes[] drops = drops(random, p, levels, new int[LANES][]);
        Mixes[] all = several(p + 3);
        math.corners(drops, levels, p, 1 + random.nextInt(16), false, all);
        for (int i = 0; i < p; i++) {
            math.see(all[i], false);
        }
        for (int i = p; i < all.length; i++) {
            math.between(all[i % p], all[(i + 1) % p], shares(random), false, all[i]);
        }
        return all;
    }

    private static float[] shares(SplittableRandom random) {
        float[] out = new float[LANES];
        for (int x = 0; x < LANES; x++) {
            out[x] = (float) random.nextDouble();
        }
        return out;
    }

    @Test
    public void cornersAreADropOfEachAndMoreOfOne() {
        SplittableRandom random = new SplittableRandom(1);
        float[][] levels = new float[3][LANES];
        int[][] chosen = new int[LANES][];
        Mixes[] drops = drops(random, 3, levels, chosen);
        Mixes[] corners = several(3);
        math.corners(drops, levels, 3, 5, false, corners);
        for (int x = 0; x < LANES; x++) {
            Cell cell = Cell.all(kernel, chosen[x], 3, 8);
            for (int i = 0; i < 3; i++) {
                for (int b = 0; b < Kernel.BANDS; b++) {
                    double k = cell.corners[i].k[b];
                    double s = cell.corners[i].s[b];
                    assertEquals(corners[i].k[b * LANES + x], k, NEAR * Math.max(1, k));
                    assertEquals(corners[i].s[b * LANES + x], s, NEAR * Math.max(1, s));
                }
            }
        }
    }

    @Test
    public void whatIsSeenIsWhatTheDoublesSay() {
        for (int seed = 0; seed < 50; seed++) {
            for (Mixes m : mixes(seed, 2 + seed % 3)) {
                for (int x = 0; x < LANES; x++) {
                    double[] r = new double[Kernel.BANDS];
                    kernel.seen(lane(m.k, x), lane(m.s, x), r);
                    for (int a = 0; a < 3; a++) {
                        assertEquals(m.xyz[a][x], Kernel.dot(kernel.w[a], r), NEAR);
                    }
                }
            }
        }
    }

    /** Mixes whose S is level are seen the same without looking at S. */
    @Test
    public void levelMixesNeedNoS() {
        Mixes[] all = mixes(4, 3);
        for (Mixes m : all) {
            Arrays.fill(m.s, 1);
            m.seen = false;
            math.see(m, false);
            float[][] want = {m.xyz[0].clone(), m.xyz[1].clone(), m.xyz[2].clone()};
            m.seen = false;
            math.see(m, true);
            for (int a = 0; a < 3; a++) {
                for (int x = 0; x < LANES; x++) {
                    assertEquals(m.xyz[a][x], want[a][x], NEAR);
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

    /** No mix of some points lies under their tangent or over their chords. */
    @Test
    public void mixesLieBetweenTangentAndChords() {
        SplittableRandom random = new SplittableRandom(11);
        for (int seed = 0; seed < 100; seed++) {
            Mixes[] all = mixes(seed, 2 + seed % 3);
            float[][] even = new float[all.length][LANES];
            for (float[] of : even) {
                Arrays.fill(of, 1f / all.length);
            }
            Tangent middle = new Tangent();
            math.middle(all, all.length, even, false, middle);
            Span span = new Span();
            math.rise(all, all.length, span);
            float[][][] low = new float[all.length][3][LANES];
            for (int i = 0; i < all.length; i++) {
                math.below(all[i], middle, span, false, low[i]);
            }
            for (int i = 0; i < 5; i++) {
                int one = random.nextInt(all.length);
                int other = random.nextInt(all.length);
                float[] share = shares(random);
                Mixes mix = new Mixes();
                math.between(all[one], all[other], share, false, mix);
                for (int a = 0; a < 3; a++) {
                    for (int x = 0; x < LANES; x++) {
                        double t = share[x];
                        double under = t * low[one][a][x] + (1 - t) * low[other][a][x];
                        double over =
                                t * all[one].xyz[a][x]
                                        + (1 - t) * all[other].xyz[a][x]
                                        + span.rise[a][x];
                        double at = mix.xyz[a][x];
                        assertTrue(at >= under - NEAR * Math.max(1, -under), "under");
                        assertTrue(at <= over + NEAR, "over");
                    }
                }
            }
        }
    }

    @Test
    public void apartIsWhatEveryPointSays() {
        Aim aim = new Aim(Shelves.target(7), 4, 0.1, new Lab(50, 4, -4));
        HalfSpaces sides = new HalfSpaces();
        sides.aim(aim);
        sides.slice(aim.supports, (float) aim.darkest, (float) aim.lightest, 0);
        SplittableRandom random = new SplittableRandom(3);
        boolean[] seen = new boolean[2];
        for (int i = 0; i < 2000; i++) {
            int n = 1 + random.nextInt(8);
            float[][] low = new float[3][n];
            float[][] high = new float[3][n];
            float middle = random.nextFloat();
            for (int x = 0; x < n; x++) {
                for (int a = 0; a < 3; a++) {
                    high[a][x] = middle + 0.1f * random.nextFloat();
                    low[a][x] = high[a][x] - 0.05f * random.nextFloat();
                }
            }
            boolean apart = sides.apart(low, high, n);
            assertEquals(apart, apart(aim, low, high, n), "trial " + i);
            seen[apart ? 1 : 0] = true;
        }
        assertEquals(seen, new boolean[] {true, true});
    }

    private static boolean apart(Aim aim, float[][] low, float[][] high, int n) {
        for (int d = 0; d < Aim.DIRECTIONS; d++) {
            double[] u = aim.directions[d];
            boolean planes = true;
            boolean slice = true;
            for (int x = 0; x < n; x++) {
                double at = 0;
                for (int a = 0; a < 3; a++) {
                    at += u[a] * (u[a] > 0 ? low[a][x] : high[a][x]);
                }
                double y = u[1] * (u[1] > 0 ? low[1][x] : high[1][x]);
                planes &= at > aim.supports[d];
                slice &= at - y + u[1] * (u[1] > 0 ? aim.darkest : aim.lightest) > aim.supports[d];
            }
            if (planes || slice) {
                return true;
            }
        }
        return false;
    }
}
