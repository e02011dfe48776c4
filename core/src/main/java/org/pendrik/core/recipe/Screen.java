package org.pendrik.core.recipe;

import java.util.Arrays;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Rules out choices of paints without looking at their mixes.
 *
 * <p>The mixes of p paints with at least a drop of each, of N drops at most, lie in the hull of the
 * mixes of two of them, N − p + 1 drops of the one and p − 1 of the other. So a plane under
 * (tangent) or over (chord) the reflectance that leaves all those pair mixes outside the region in
 * one direction leaves all mixes outside. For each ordered pair it is kept as bits which directions
 * and tangents leave it outside; a choice is out when a bit stands in all its pairs.
 *
 * <p>Paints whose S runs alike have common weights in all bands. Where one does not, tangent and
 * chord are widened by the whole span of S, so there are two sets of bits: for choices of such
 * paints alone, and for all.
 */
final class Screen {
    private static final int BANDS = Kernel.BANDS;

    /** What has shrunk less is not aimed at anew: what was ruled out stays so. */
    private static final double SHRUNK = 0.75;

    /** Room for the directions in half a word. */
    private static final int LANES = 32;

    private final int paints;
    private final int tangents;
    private final boolean[] plain;
    private final boolean allPlain;
    private @Nullable Aim aimed;
    private final Side narrow;
    private final Side wide;

    /** X, Y, Z above and below each pair mix, and the bits that follow. */
    private final class Side {
        final double[][] high = new double[paints * paints][];
        final double[][][] low = new double[paints * paints][tangents][];
        final long[][] bits = new long[(tangents + 1) / 2][paints * paints];
    }

    /**
     * A screen for choices of a size.
     *
     * @param p how many paints are chosen, 3 or 4
     * @param drops at most, at least p + 1
     * @param tangents K/S at which the planes below touch, an even number
     */
    Screen(Kernel kernel, int p, int drops, double[][] tangents) {
        paints = kernel.paints;
        this.tangents = tangents.length;
        plain = kernel.flat;
        boolean all = true;
        for (boolean b : plain) {
            all &= b;
        }
        allPlain = all;
        narrow = new Side();
        wide = new Side();
        double[] least = new double[BANDS];
        double[] most = new double[BANDS];
        Arrays.fill(least, Double.POSITIVE_INFINITY);
        for (int i = 0; i < paints; i++) {
            for (int b = 0; b < BANDS; b++) {
                double s = kernel.s[i][b] / kernel.level[i];
                least[b] = Math.min(least[b], s);
                most[b] = Math.max(most[b], s);
            }
        }
        Plane[] planes = new Plane[tangents.length];
        for (int t = 0; t < planes.length; t++) {
            planes[t] = new Plane(kernel, tangents[t]);
        }
        rows(i -> row(kernel, i, drops - p + 1, p - 1, planes, least, most));
    }

    /** Does something for each paint, on as many processors as there are. */
    private void rows(IntConsumer each) {
        IntStream.range(0, paints).parallel().forEach(each);
    }

    /** The pair mixes in which a paint has many drops and each other few. */
    private void row(
            Kernel kernel,
            int i,
            double many,
            double few,
            Plane[] planes,
            double[] least,
            double[] most) {
        double[] k = new double[BANDS];
        double[] s = new double[BANDS];
        double[] r = new double[BANDS];
        double[] up = new double[BANDS];
        for (int j = 0; j < paints; j++) {
            if (i == j) {
                continue;
            }
            int at = i * paints + j;
            double level = many * kernel.level[i] + few * kernel.level[j];
            for (int b = 0; b < BANDS; b++) {
                k[b] = (many * kernel.k[i][b] + few * kernel.k[j][b]) / level;
                s[b] = (many * kernel.s[i][b] + few * kernel.s[j][b]) / level;
            }
            kernel.seen(k, s, r);
            narrow.high[at] = xyz(kernel, r);
            if (!allPlain) {
                for (int b = 0; b < BANDS; b++) {
                    up[b] = r[b] * s[b] / least[b];
                }
                wide.high[at] = xyz(kernel, up);
            }
            for (int t = 0; t < tangents; t++) {
                below(planes[t], k, s, s, s, r);
                narrow.low[at][t] = xyz(kernel, r);
                if (!allPlain) {
                    below(planes[t], k, s, least, most, r);
                    wide.low[at][t] = xyz(kernel, r);
                }
            }
        }
    }

    private static double[] xyz(Kernel kernel, double[] r) {
        return new double[] {
            Kernel.dot(kernel.w[0], r), Kernel.dot(kernel.w[1], r), Kernel.dot(kernel.w[2], r)
        };
    }

    /** A tangent continued to k and s, where the S of the mix is from least to most. */
    private static void below(
            Plane at, double[] k, double[] s, double[] least, double[] most, double[] out) {
        double[] ratio = at.ratio;
        double[] seen = at.seen;
        double[] slope = at.slope;
        for (int b = 0; b < BANDS; b++) {
            double away = k[b] - ratio[b] * s[b];
            out[b] = seen[b] + slope[b] * Math.max(away / least[b], away / most[b]);
        }
    }

    /** The tangent at a K/S: seen reflectance there and its slope. */
    private static final class Plane {
        final double[] ratio;
        final double[] seen = new double[BANDS];
        final double[] slope = new double[BANDS];

        Plane(Kernel kernel, double[] ratio) {
            this.ratio = ratio;
            for (int b = 0; b < BANDS; b++) {
                double q = ratio[b];
                double root = Math.sqrt(q * (q + 2));
                double under = kernel.c + q + root;
                seen[b] = kernel.veil + kernel.t / under;
                slope[b] = -kernel.t * (1 + (q + 1) / root) / (under * under);
            }
        }
    }

    /** Sets the bits for a region; directions are at most 32. */
    void aim(Aim at) {
        if (aimed != null && at.reach() > aimed.reach() * SHRUNK) {
            return;
        }
        aimed = at;
        aim(narrow, at.directions, at.supports);
        if (!allPlain) {
            aim(wide, at.directions, at.supports);
        }
    }

    private static double outside(double[] a, double[] low, double[] high) {
        double x = a[0] * (a[0] > 0 ? low[0] : high[0]);
        double y = a[1] * (a[1] > 0 ? low[1] : high[1]);
        double z = a[2] * (a[2] > 0 ? low[2] : high[2]);
        return x + y + z;
    }

    private void aim(Side side, double[][] directions, double[] supports) {
        rows(i -> row(side, i, directions, supports));
        for (long[] word : side.bits) {
            for (int i = 0; i < paints; i++) {
                for (int j = 0; j < i; j++) {
                    int at = i * paints + j;
                    int to = j * paints + i;
                    word[at] &= word[to];
                    word[to] = word[at];
                }
            }
        }
    }

    /** Which directions leave the pair mixes of a paint outside. */
    private void row(Side side, int i, double[][] directions, double[] supports) {
        for (int j = 0; j < paints; j++) {
            int at = i * paints + j;
            double[] high = side.high[at];
            if (high == null) {
                continue;
            }
            long word = 0;
            for (int t = 0; t < tangents; t++) {
                double[] low = side.low[at][t];
                for (int d = 0; d < directions.length; d++) {
                    if (outside(directions[d], low, high) > supports[d]) {
                        word |= 1L << (t % 2 * LANES + d);
                    }
                }
                if (t % 2 == 1) {
                    side.bits[t / 2][at] = word;
                    word = 0;
                }
            }
        }
    }

    /** Whether three paints are ruled out. */
    boolean out(int i, int j, int k) {
        boolean plainOnly = plain[i] && plain[j] && plain[k];
        int n = paints;
        for (long[] w : (plainOnly ? narrow : wide).bits) {
            if ((w[i * n + j] & w[i * n + k] & w[j * n + k]) != 0) {
                return true;
            }
        }
        return false;
    }

    /** Whether four paints are ruled out. */
    boolean out(int i, int j, int k, int l) {
        boolean plainOnly = plain[i] && plain[j] && plain[k] && plain[l];
        int n = paints;
        for (long[] w : (plainOnly ? narrow : wide).bits) {
            long all = w[i * n + j] & w[i * n + k] & w[j * n + k];
            if ((all & w[i * n + l] & w[j * n + l] & w[k * n + l]) != 0) {
                return true;
            }
        }
        return false;
    }
}
