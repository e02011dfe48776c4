package org.pendrik.core.recipe;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.SplittableRandom;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Light;
import org.testng.annotations.Test;

/** The floats come to what doubles say, band by band. */
public class BandMathTest {
    private static final double NEAR = 5e-6;

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

    private static Point[] points(int n) {
        Point[] out = new Point[n];
        for (int i = 0; i < n; i++) {
            out[i] = new Point();
        }
        return out;
    }

    /** Corners of some paints, and what lies between them. */
    private Point[] mixes(long seed, int p) {
        SplittableRandom random = new SplittableRandom(seed);
        int[] chosen = random.ints(0, kernel.paints).distinct().limit(p).toArray();
        Point[] all = points(p + 3);
        math.corners(chosen, p, 1 + random.nextInt(16), all);
        for (int i = 0; i < p; i++) {
            math.see(all[i]);
        }
        for (int i = p; i < all.length; i++) {
            math.between(all[i % p], all[(i + 1) % p], (float) random.nextDouble(), all[i]);
        }
        return all;
    }

    @Test
    public void cornersAreADropOfEachAndMoreOfOne() {
        int[] chosen = {3, 0, 7};
        Point[] corners = points(3);
        math.corners(chosen, 3, 5, corners);
        for (int i = 0; i < 3; i++) {
            double level = 5 * kernel.level[chosen[i]];
            for (int paint : chosen) {
                level += kernel.level[paint];
            }
            for (int b = 0; b < Kernel.BANDS; b++) {
                double k = 5 * kernel.k[chosen[i]][b];
                for (int paint : chosen) {
                    k += kernel.k[paint][b];
                }
                assertEquals(corners[i].k[b], k / level, NEAR * Math.max(1, k / level));
            }
        }
    }

    @Test
    public void whatIsSeenIsWhatTheDoublesSay() {
        for (int seed = 0; seed < 50; seed++) {
            for (Point p : mixes(seed, 2 + seed % 3)) {
                double[] r = new double[Kernel.BANDS];
                kernel.seen(doubles(p.k), doubles(p.s), r);
                for (int a = 0; a < 3; a++) {
                    assertEquals(p.xyz[a], Kernel.dot(kernel.w[a], r), NEAR);
                }
            }
        }
    }

    private static double[] doubles(float[] v) {
        double[] out = new double[Kernel.BANDS];
        for (int b = 0; b < out.length; b++) {
            out[b] = v[b];
        }
        return out;
    }

    /** No mix of some points lies under their tangent or over their chords. */
    @Test
    public void mixesLieBetweenTangentAndChords() {
        SplittableRandom random = new SplittableRandom(11);
        for (int seed = 0; seed < 100; seed++) {
            Point[] all = mixes(seed, 2 + seed % 3);
            Tangent middle = new Tangent();
            math.middle(all, all.length, middle);
            Span span = new Span();
            math.rise(all, all.length, span);
            float[][] low = new float[all.length][3];
            math.below(all, all.length, middle, span, low);
            for (int i = 0; i < 20; i++) {
                int one = random.nextInt(all.length);
                int other = random.nextInt(all.length);
                float share = (float) random.nextDouble();
                Point mix = new Point();
                math.between(all[one], all[other], share, mix);
                for (int a = 0; a < 3; a++) {
                    double under = share * low[one][a] + (1 - share) * low[other][a];
                    double over =
                            share * all[one].xyz[a]
                                    + (1 - share) * all[other].xyz[a]
                                    + span.rise[a];
                    assertTrue(mix.xyz[a] >= under - NEAR * Math.max(1, -under), "under");
                    assertTrue(mix.xyz[a] <= over + NEAR, "over");
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
            Point[] all = points(1 + random.nextInt(8));
            float[][] low = new float[all.length][3];
            float middle = random.nextFloat();
            for (int x = 0; x < all.length; x++) {
                for (int a = 0; a < 3; a++) {
                    all[x].xyz[a] = middle + 0.1f * random.nextFloat();
                    low[x][a] = all[x].xyz[a] - 0.05f * random.nextFloat();
                }
            }
            boolean apart = math.apart(sides, low, all, all.length, new float[3]);
            assertEquals(apart, apart(aim, low, all), "trial " + i);
            seen[apart ? 1 : 0] = true;
        }
        assertEquals(seen, new boolean[] {true, true});
    }

    private static boolean apart(Aim aim, float[][] low, Point[] all) {
        for (int d = 0; d < Aim.DIRECTIONS; d++) {
            double[] u = aim.directions[d];
            boolean planes = true;
            boolean slice = true;
            for (int x = 0; x < all.length; x++) {
                double at = 0;
                for (int a = 0; a < 3; a++) {
                    at += u[a] * (u[a] > 0 ? low[x][a] : all[x].xyz[a]);
                }
                double y = u[1] * (u[1] > 0 ? low[x][1] : all[x].xyz[1]);
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
