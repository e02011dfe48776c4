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
    private static final double LEVEL = 1e-9;

    /** What has shrunk less is not aimed at anew: what was ruled out stays so. */
    private static final double SHRUNK = 0.75;

    /** Room for the directions in half a word. */
    private static final int LANES = 32;

    /** Three of these are still an int. */
    private static final double LARGEST = 7e8;

    private final int paints;
    private final int tangents;
    private final boolean[] plain;
    private final double[] levels;
    private final int lanes;
    private final boolean allPlain;
    private @Nullable Aim aimed;
    private final Side narrow;
    private final Side wide;

    /** X, Y, Z above and below each pair mix, and the numbers and bits that follow. */
    private final class Side {
        final double[][] high = new double[paints * paints][];
        final double[][][] low = new double[paints * paints][tangents][];
        final int[][] values = new int[paints * paints][];
        final long[][] bits = new long[(tangents + 1) / 2][paints * paints];

        /** By tangent, what makes the largest number of any pair an int. */
        final double[] scale = new double[tangents];
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
        plain = plain(kernel);
        boolean all = true;
        for (boolean b : plain) {
            all &= b;
        }
        allPlain = all;
        levels = new double[paints * paints];
        lanes = tangents.length * LANES;
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
        rows(i -> row(kernel, i, drops - p + 1, p - 1, tangents, least, most));
        scale(narrow);
        if (!allPlain) {
            scale(wide);
        }
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
            double[][] tangents,
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
            levels[at] = level;
            for (int b = 0; b < BANDS; b++) {
                k[b] = (many * kernel.k[i][b] + few * kernel.k[j][b]) / level;
                s[b] = (many * kernel.s[i][b] + few * kernel.s[j][b]) / level;
            }
            kernel.seen(k, s, r);
            narrow.high[at] = xyz(kernel, r);
            narrow.values[at] = open(lanes);
            if (!allPlain) {
                for (int b = 0; b < BANDS; b++) {
                    up[b] = r[b] * s[b] / least[b];
                }
                wide.high[at] = xyz(kernel, up);
                wide.values[at] = open(lanes);
            }
            for (int t = 0; t < tangents.length; t++) {
                below(kernel, tangents[t], k, s, s, s, r);
                narrow.low[at][t] = xyz(kernel, r);
                if (!allPlain) {
                    below(kernel, tangents[t], k, s, least, most, r);
                    wide.low[at][t] = xyz(kernel, r);
                }
            }
        }
    }

    /** Lanes that rule nothing out. */
    private static int[] open(int lanes) {
        int[] out = new int[lanes];
        Arrays.fill(out, -1);
        return out;
    }

    /** No direction is longer than 1 in the sum of its parts, nor a support beyond 2. */
    private void scale(Side side) {
        for (int t = 0; t < tangents; t++) {
            double most = 0;
            for (int at = 0; at < levels.length; at++) {
                double[] high = side.high[at];
                if (high == null) {
                    continue;
                }
                double size = 2;
                for (int a = 0; a < 3; a++) {
                    size = Math.max(size, Math.abs(side.low[at][t][a]));
                    size = Math.max(size, high[a]);
                }
                most = Math.max(most, (size + 2) * levels[at]);
            }
            side.scale[t] = LARGEST / most;
        }
    }

    private static boolean[] plain(Kernel kernel) {
        boolean[] out = new boolean[kernel.paints];
        for (int i = 0; i < kernel.paints; i++) {
            out[i] = true;
            for (int b = 0; b < BANDS; b++) {
                out[i] &= Math.abs(kernel.s[i][b] / kernel.level[i] - 1) < LEVEL;
            }
        }
        return out;
    }

    private static double[] xyz(Kernel kernel, double[] r) {
        return new double[] {
            Kernel.dot(kernel.w[0], r), Kernel.dot(kernel.w[1], r), Kernel.dot(kernel.w[2], r)
        };
    }

    /** The tangent of a K/S, continued to k and s, where the S of the mix is from least to most. */
    private static void below(
            Kernel kernel,
            double[] tangent,
            double[] k,
            double[] s,
            double[] least,
            double[] most,
            double[] out) {
        for (int b = 0; b < BANDS; b++) {
            double q = tangent[b];
            double root = Math.sqrt(q * (q + 2));
            double under = kernel.c + q + root;
            double slope = -kernel.t * (1 + (q + 1) / root) / (under * under);
            double away = k[b] - q * s[b];
            out[b] =
                    kernel.veil
                            + kernel.t / under
                            + slope * (away > 0 ? away / least[b] : away / most[b]);
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

    /** How far outside, in whole numbers three of which can be added, and whether. */
    private void row(Side side, int i, double[][] directions, double[] supports) {
        for (int j = 0; j < paints; j++) {
            int at = i * paints + j;
            double[] high = side.high[at];
            if (high == null) {
                continue;
            }
            int[] values = side.values[at];
            long word = 0;
            for (int t = 0; t < tangents; t++) {
                double[] low = side.low[at][t];
                double scale = side.scale[t] * levels[at];
                for (int d = 0; d < directions.length; d++) {
                    double out = outside(directions[d], low, high) - supports[d];
                    values[LANES * t + d] = (int) (out * scale) - 1;
                    if (out > 0) {
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

    /**
     * Whether four paints are ruled out by the corners of their mixes. A corner, N − 3 drops of one
     * and a drop of each other, lies between its three pair mixes, so its bound is their mean,
     * weighted by their S.
     */
    private boolean cornersOut(int i, int j, int k, int l) {
        boolean plainOnly = plain[i] && plain[j] && plain[k] && plain[l];
        int[][] v = (plainOnly ? narrow : wide).values;
        int n = paints;
        int[] ij = v[i * n + j];
        int[] ik = v[i * n + k];
        int[] il = v[i * n + l];
        int[] ji = v[j * n + i];
        int[] jk = v[j * n + k];
        int[] jl = v[j * n + l];
        int[] ki = v[k * n + i];
        int[] kj = v[k * n + j];
        int[] kl = v[k * n + l];
        int[] li = v[l * n + i];
        int[] lj = v[l * n + j];
        int[] lk = v[l * n + k];
        int all = -1;
        for (int t = 0; t < lanes; t++) {
            // negative when one of the four sums is
            all &=
                    (ij[t] + ik[t] + il[t])
                            | (ji[t] + jk[t] + jl[t])
                            | (ki[t] + kj[t] + kl[t])
                            | (li[t] + lj[t] + lk[t]);
        }
        return all >= 0;
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
        return cornersOut(i, j, k, l);
    }
}
