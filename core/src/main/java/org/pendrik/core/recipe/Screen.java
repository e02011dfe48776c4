package org.pendrik.core.recipe;

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

    /** Three of these are still an int. */
    private static final double LARGEST = 7e8;

    private final int paints;
    private final int tangents;
    private final boolean[] plain;
    private final double[] levels;
    private final double[] scratch;
    private final int lanes;
    private final boolean allPlain;
    private double[] aimed = new double[0];
    private final Side narrow;
    private final Side wide;

    /** X, Y, Z above and below each pair mix, and the bits that follow. */
    private final class Side {
        final double[][] high = new double[paints * paints][];
        final double[][][] low = new double[tangents][paints * paints][];
        final int[][] values = new int[paints * paints][];
        final long[][] bits = new long[(tangents + 1) / 2][paints * paints];
    }

    /**
     * A screen for choices of a size.
     *
     * @param p how many paints are chosen, 2 to 4
     * @param drops at most, at least p + 1
     * @param tangents K/S at which the planes below touch
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
        scratch = new double[paints * paints];
        lanes = tangents.length * 32;
        narrow = new Side();
        wide = new Side();
        double[] least = new double[BANDS];
        double[] most = new double[BANDS];
        java.util.Arrays.fill(least, Double.POSITIVE_INFINITY);
        for (int i = 0; i < paints; i++) {
            for (int b = 0; b < BANDS; b++) {
                double s = kernel.s[i][b] / kernel.level[i];
                least[b] = Math.min(least[b], s);
                most[b] = Math.max(most[b], s);
            }
        }
        double[] k = new double[BANDS];
        double[] s = new double[BANDS];
        double[] r = new double[BANDS];
        double[] up = new double[BANDS];
        for (int i = 0; i < paints; i++) {
            for (int j = 0; j < paints; j++) {
                if (i == j) {
                    continue;
                }
                double many = drops - p + 1;
                double few = p - 1;
                double level = many * kernel.level[i] + few * kernel.level[j];
                for (int b = 0; b < BANDS; b++) {
                    k[b] = (many * kernel.k[i][b] + few * kernel.k[j][b]) / level;
                    s[b] = (many * kernel.s[i][b] + few * kernel.s[j][b]) / level;
                }
                kernel.seen(k, s, r);
                int at = i * paints + j;
                levels[at] = level;
                narrow.values[at] = new int[lanes];
                wide.values[at] = new int[lanes];
                narrow.high[at] = xyz(kernel, r);
                for (int b = 0; b < BANDS; b++) {
                    up[b] = r[b] * s[b] / least[b];
                }
                for (int t = 0; t < tangents.length; t++) {
                    below(kernel, tangents[t], k, s, s, s, r);
                    narrow.low[t][at] = xyz(kernel, r);
                    if (!allPlain) {
                        below(kernel, tangents[t], k, s, least, most, r);
                        wide.low[t][at] = xyz(kernel, r);
                    }
                }
                if (!allPlain) {
                    wide.high[at] = xyz(kernel, up);
                }
            }
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

    /** Whether the S of a paint runs level. */
    boolean plain(int paint) {
        return plain[paint];
    }

    /** Sets the bits for a region; directions are at most 32. */
    void aim(double[][] directions, double[] supports) {
        if (supports == aimed) {
            return;
        }
        aimed = supports;
        aim(narrow, directions, supports);
        if (!allPlain) {
            aim(wide, directions, supports);
        }
    }

    private static double outside(double[] a, double[] low, double[] high) {
        double x = a[0] * (a[0] > 0 ? low[0] : high[0]);
        double y = a[1] * (a[1] > 0 ? low[1] : high[1]);
        double z = a[2] * (a[2] > 0 ? low[2] : high[2]);
        return x + y + z;
    }

    private void aim(Side side, double[][] directions, double[] supports) {
        for (int t = 0; t < tangents; t++) {
            for (int d = 0; d < directions.length; d++) {
                aim(side, t, d, directions[d], supports[d]);
            }
        }
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

    /** Sets one lane and its bit: how far outside, in whole numbers three of which can be added. */
    private void aim(Side side, int t, int d, double[] direction, double support) {
        double most = 0;
        double[] out = scratch;
        for (int at = 0; at < out.length; at++) {
            double[] high = side.high[at];
            if (high == null) {
                continue;
            }
            out[at] = (outside(direction, side.low[t][at], high) - support) * levels[at];
            most = Math.max(most, Math.abs(out[at]));
        }
        double scale = most > 0 ? LARGEST / most : 0;
        long bit = 1L << (t % 2 * 32 + d);
        long[] bits = side.bits[t / 2];
        for (int at = 0; at < out.length; at++) {
            if (side.high[at] == null) {
                continue;
            }
            side.values[at][32 * t + d] = (int) Math.floor(out[at] * scale) - 1;
            bits[at] = out[at] > 0 ? bits[at] | bit : bits[at] & ~bit;
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

    /** Whether two paints are ruled out. */
    boolean out(int i, int j) {
        for (long[] w : (plain[i] && plain[j] ? narrow : wide).bits) {
            if (w[i * paints + j] != 0) {
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
