package org.pendrik.core.recipe;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.pendrik.core.colour.Lab;
import org.testng.annotations.Test;

public class HalfSpacesTest {
    private static final int BANDS = Kernel.BANDS;

    private final Kernel kernel = BandMathTest.kernel(Shelves.random(12, 5));
    private final Aim aim =
            new Aim(new AbPlane(Shelves.target(7)), 4, 0.1, new Lab(50, 4, -4), AbPlane.Strip.ALL);

    private HalfSpaces sides() {
        HalfSpaces out = new HalfSpaces(kernel);
        out.aim(aim);
        out.slice(aim.supports, (float) aim.darkest, (float) aim.lightest, 0);
        return out;
    }

    private double[] ratios(SplittableRandom random, double[] about, double spread) {
        double[] out = new double[BANDS];
        for (int b = 0; b < BANDS; b++) {
            out[b] = about[b] * Math.exp(spread * (random.nextDouble() - 0.5));
        }
        return out;
    }

    private double[] seen(double[] ratio) {
        double[] level = new double[BANDS];
        Arrays.fill(level, 1);
        double[] out = new double[BANDS];
        kernel.seen(ratio, level, out);
        return out;
    }

    private static float[] floats(double[] of) {
        float[] out = new float[of.length];
        for (int b = 0; b < out.length; b++) {
            out[b] = (float) of[b];
        }
        return out;
    }

    /** The usual tangent at one K/S, at another. */
    private double[] tangent(double[] at, double[] seen, double[] to) {
        double[] out = new double[BANDS];
        for (int b = 0; b < BANDS; b++) {
            double step = 1e-6 * at[b];
            double[] more = at.clone();
            more[b] += step;
            out[b] = seen[b] + (seen(more)[b] - seen[b]) / step * (to[b] - at[b]);
        }
        return out;
    }

    /** Nothing that is seen comes to less in a half-space than a tangent says, at any depth. */
    @Test
    public void tangentsStayBelowAtEveryDepth() {
        HalfSpaces sides = sides();
        SplittableRandom random = new SplittableRandom(2);
        float[] touch = new float[HalfSpaces.LANES];
        float[] below = new float[HalfSpaces.LANES];
        float[] above = new float[HalfSpaces.LANES];
        float[] seen = new float[HalfSpaces.LANES];
        for (int trial = 0; trial < 200; trial++) {
            double[] at = ratios(random, kernel.usualRatio(), 4);
            double[] to = ratios(random, at, 6);
            double[] there = seen(to);
            sides.below(floats(seen(at)), touch);
            sides.below(floats(tangent(at, seen(at), to)), below);
            sides.below(floats(there), seen);
            sides.above(floats(there), above);
            double y = Kernel.dot(kernel.w[1], there);
            for (int d = 0; d < aim.directions.length; d++) {
                double[] u = aim.directions[d];
                double whole =
                        u[0] * Kernel.dot(kernel.w[0], there)
                                + u[1] * y
                                + u[2] * Kernel.dot(kernel.w[2], there);
                assertEquals(seen[d] + above[d], whole, 3e-6);
                for (float depth : HalfSpaces.DEPTHS) {
                    float past = sides.past(d, depth, touch[d], below[d], above[d]);
                    assertTrue(past <= whole - aim.supports[d] + 1e-5, "depth " + depth);
                }
            }
        }
    }

    /** A half-space rules points out just when it has all of them outside. */
    @Test
    public void apartIsWhatEveryPointSays() {
        HalfSpaces sides = sides();
        SplittableRandom random = new SplittableRandom(3);
        HalfSpaces.Outside at = new HalfSpaces.Outside();
        boolean[] met = new boolean[2];
        for (int trial = 0; trial < 400; trial++) {
            double[] middle = ratios(random, SliceTest.ratio(Shelves.target(7)), trial % 4);
            double[] touch = seen(middle);
            sides.below(floats(touch), at.touch);
            int n = 1 + random.nextInt(5);
            for (int x = 0; x < n; x++) {
                double[] to = ratios(random, middle, 0.4);
                sides.below(floats(tangent(middle, touch, to)), at.below[x]);
                sides.above(floats(seen(to)), at.above[x]);
            }
            boolean all = false;
            for (int d = 0; d < HalfSpaces.LANES; d++) {
                for (float depth : HalfSpaces.DEPTHS) {
                    boolean outside = true;
                    for (int x = 0; x < n; x++) {
                        float past =
                                sides.past(d, depth, at.touch[d], at.below[x][d], at.above[x][d]);
                        outside &= past >= 0;
                    }
                    all |= outside;
                }
            }
            assertEquals(sides.apart(at, n), all, "trial " + trial);
            met[all ? 1 : 0] = true;
        }
        assertEquals(met, new boolean[] {true, true});
    }

    /** Those that ruled out most of late are asked first, and in turns all others are. */
    @Test
    public void whatRulesOutIsAskedFirst() {
        HalfSpaces sides = sides();
        sides.found(9, 3);
        sides.found(HalfSpaces.HALF + 4, 8);
        int many = 3;
        assertEquals(sides.asked(0, many), HalfSpaces.HALF + 4);
        assertEquals(sides.asked(1, many), 9);
        boolean[] asked = new boolean[HalfSpaces.LANES];
        for (int i = 0; i < 2 * aim.directions.length; i++) {
            asked[sides.asked(many - 1, many)] = true;
        }
        int found = 0;
        for (boolean of : asked) {
            found += of ? 1 : 0;
        }
        assertEquals(found, 2 * aim.directions.length - many + 1);
    }
}
