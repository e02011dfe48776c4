package org.pendrik.core.recipe;

import static org.testng.Assert.assertEquals;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Light;
import org.testng.annotations.Test;

/** Eight bands at a time come to what band by band does, and both to what the doubles say. */
public class BandMathTest {
    private static final double NEAR = 5e-6;

    private final Kernel kernel = kernel(Shelves.random(12, 5));
    private final BandMath plain = new PlainBandMath(kernel);
    private final BandMath vector = new VectorBandMath(kernel);

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
    private Point[] mixes(BandMath math, long seed, int p) {
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
    public void bothAreTheSame() {
        for (int seed = 0; seed < 200; seed++) {
            int p = 2 + seed % 3;
            Point[] one = mixes(plain, seed, p);
            Point[] other = mixes(vector, seed, p);
            for (int i = 0; i < one.length; i++) {
                same(one[i].k, other[i].k);
                same(one[i].s, other[i].s);
                same(one[i].r, other[i].r);
                same(one[i].xyz, other[i].xyz);
            }
            same(answers(plain, one), answers(vector, other));
        }
    }

    /** Middle, planes below, spans and what follows from them, in one row. */
    private static float[] answers(BandMath math, Point[] all) {
        Tangent middle = new Tangent();
        math.middle(all, all.length, middle);
        Span span = new Span();
        math.rise(all, all.length, span);
        float[][] low = new float[all.length][3];
        math.below(all, all.length, middle, span, low);
        float[] out = new float[3 * BandMath.SIZE + 3 + 3 * all.length];
        System.arraycopy(middle.ratio, 0, out, 0, BandMath.SIZE);
        System.arraycopy(middle.seen, 0, out, BandMath.SIZE, BandMath.SIZE);
        System.arraycopy(middle.slope, 0, out, 2 * BandMath.SIZE, BandMath.SIZE);
        System.arraycopy(span.rise, 0, out, 3 * BandMath.SIZE, 3);
        for (int i = 0; i < all.length; i++) {
            System.arraycopy(low[i], 0, out, 3 * BandMath.SIZE + 3 + 3 * i, 3);
        }
        return out;
    }

    private static void same(float[] one, float[] other) {
        assertEquals(one.length, other.length);
        for (int i = 0; i < one.length; i++) {
            assertEquals(other[i], one[i], NEAR * Math.max(1, Math.abs(one[i])));
        }
    }

    @Test
    public void floatsAreWhatTheDoublesSay() {
        for (int seed = 0; seed < 50; seed++) {
            for (Point p : mixes(vector, seed, 4)) {
                double[] k = new double[Kernel.BANDS];
                double[] s = new double[Kernel.BANDS];
                double[] r = new double[Kernel.BANDS];
                for (int b = 0; b < Kernel.BANDS; b++) {
                    k[b] = p.k[b];
                    s[b] = p.s[b];
                }
                kernel.seen(k, s, r);
                for (int a = 0; a < 3; a++) {
                    assertEquals(p.xyz[a], Kernel.dot(kernel.w[a], r), NEAR);
                }
            }
        }
    }

    @Test
    public void bothSayTheSameOfDirections() {
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
            float[] rise = {0.001f, 0, 0.002f};
            boolean apart = plain.apart(sides, low, all, all.length, rise);
            assertEquals(vector.apart(sides, low, all, all.length, rise), apart);
            seen[apart ? 1 : 0] = true;
        }
        assertEquals(seen, new boolean[] {true, true}, Arrays.toString(seen));
    }
}
