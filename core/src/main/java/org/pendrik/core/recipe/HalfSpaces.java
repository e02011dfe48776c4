package org.pendrik.core.recipe;

import java.util.Arrays;

/**
 * The half-spaces of an {@link Aim} as weights over the bands, in floats; once as they are, once
 * without the part of Y, for slices between two Y.
 *
 * <p>X, Y and Z share bands, and in a direction much of one takes back what the other adds. So a
 * direction is bounded band by band: where its weight is positive by reflectances from below, where
 * it is negative by those from above.
 *
 * <p>What is below is a tangent. As 1 over reflectance is concave in K/S, so is 1 over any sum with
 * positive weights, and a tangent of it at P bounds the sum S by S ≥ P² / (2 P − T), where T is the
 * usual tangent. That never falls below 0, however dark the mix; as a linear bound, it is y² T + 2
 * P y (1 − y) for every y above 0, each touching at another depth. For y = 1 it is T itself. Which
 * y serves best is tried.
 */
final class HalfSpaces {
    /** Half of the room: directions in whole vectors. */
    static final int HALF = 32;

    /** Room for both kinds; those that are none leave nothing outside. */
    static final int LANES = 2 * HALF;

    /** The depths at which tangents are tried, the usual one first. */
    static final float[] DEPTHS = {1, 0.5f, 0.7f, 0.3f, 1.4f};

    /** How fast it is forgotten what was ruled out. */
    private static final float KEEPS = 0.98f;

    private static final int BANDS = Kernel.BANDS;

    /** Weights that are positive and that are negative, by band and lane. */
    private final float[][] up = new float[BANDS][LANES];

    private final float[][] down = new float[BANDS][LANES];

    /** What the veil brings to the positive weights, in lanes. */
    private final float[] base = new float[LANES];

    private final float[] most = new float[LANES];

    /** The same weights for many lanes of mixes, by half-space; none until they are asked for. */
    private final float[][] allUp = new float[LANES][];

    private final float[][] allDown = new float[LANES][];

    /** Half-spaces, those that have ruled out most of late first; how much that was. */
    private final int[] order = new int[LANES];

    private final float[] hits = new float[LANES];
    private int turn;
    private final Kernel kernel;
    private double[][] directions = {};

    HalfSpaces(Kernel kernel) {
        this.kernel = kernel;
    }

    /** Takes over the directions of an aim. */
    void aim(Aim aim) {
        directions = aim.directions;
        for (int b = 0; b < BANDS; b++) {
            Arrays.fill(up[b], 0);
            Arrays.fill(down[b], 0);
        }
        Arrays.fill(base, 0);
        Arrays.fill(most, Float.MAX_VALUE);
        Arrays.fill(allUp, null);
        Arrays.fill(allDown, null);
        Arrays.fill(hits, 0);
        int n = directions.length;
        for (int d = 0; d < n; d++) {
            double[] u = directions[d];
            weigh(d, u[0], u[1], u[2]);
            weigh(HALF + d, u[0], 0, u[2]);
            order[d] = d;
            order[n + d] = HALF + d;
        }
    }

    private void weigh(int lane, double x, double y, double z) {
        double sum = 0;
        for (int b = 0; b < BANDS; b++) {
            double w = x * kernel.w[0][b] + y * kernel.w[1][b] + z * kernel.w[2][b];
            up[b][lane] = (float) Math.max(w, 0);
            down[b][lane] = (float) Math.min(w, 0);
            sum += Math.max(w, 0);
        }
        base[lane] = (float) (sum * kernel.veil);
    }

    /**
     * Takes over what the directions come to at most where Y is from darkest to lightest, each
     * half-space larger by what floats round.
     */
    void slice(double[] supports, float darkest, float lightest, float rounding) {
        for (int d = 0; d < supports.length; d++) {
            most[d] = (float) supports[d] + rounding;
            double y = directions[d][1];
            most[HALF + d] = most[d] - (float) (y * (y > 0 ? darkest : lightest));
        }
    }

    /** The weight of a band in a lane, where it is positive. */
    float up(int band, int lane) {
        return up[band][lane];
    }

    /** The weight of a band in a lane, where it is negative. */
    float down(int band, int lane) {
        return down[band][lane];
    }

    /**
     * The half-space to be asked in a turn, when so many are asked: those that ruled out most of
     * late, and last of all another each time.
     */
    int asked(int i, int many) {
        if (i < many - 1) {
            return order[i];
        }
        turn++;
        return order[i + turn % (2 * directions.length - i)];
    }

    /** Takes note of how many a half-space has ruled out. */
    void found(int lane, int many) {
        hits[lane] = KEEPS * hits[lane] + many;
        int at = 0;
        while (order[at] != lane) {
            at++;
        }
        while (at > 0 && hits[order[at - 1]] < hits[lane]) {
            order[at] = order[at - 1];
            order[--at] = lane;
        }
        while (at + 1 < 2 * directions.length && hits[order[at + 1]] > hits[lane]) {
            order[at] = order[at + 1];
            order[++at] = lane;
        }
    }

    /** The positive weights of a half-space, for many lanes of mixes. */
    float[] up(int lane) {
        return spread(allUp, up, lane);
    }

    /** The negative weights. */
    float[] down(int lane) {
        return spread(allDown, down, lane);
    }

    private static float[] spread(float[][] to, float[][] weights, int lane) {
        if (to[lane] == null) {
            float[] w = new float[BANDS];
            for (int b = 0; b < BANDS; b++) {
                w[b] = weights[b][lane];
            }
            to[lane] = BandMath.weights(w);
        }
        return to[lane];
    }

    /** What the veil brings to the positive weights of a lane. */
    float base(int lane) {
        return base[lane];
    }

    /** What a lane comes to at most. */
    float most(int lane) {
        return most[lane];
    }

    /** The parts of reflectances from below in all lanes, without the veil. */
    void below(float[] low, float[] out) {
        for (int d = 0; d < LANES; d++) {
            out[d] = -base[d];
        }
        add(up, low, out);
    }

    /** The parts of reflectances from above in all lanes, with all veil. */
    void above(float[] high, float[] out) {
        System.arraycopy(base, 0, out, 0, LANES);
        add(down, high, out);
    }

    /**
     * Adds weighted bands, four at a time, so that sums are read and written less often. Rows of
     * weights are arrays of their own, as the compiler takes many lanes at a time only where all
     * arrays are gone through alike.
     */
    private static void add(float[][] weights, float[] r, float[] out) {
        for (int b = 0; b < BANDS; b += 4) {
            add(weights, b, r[b], r[b + 1], r[b + 2], r[b + 3], out);
        }
    }

    private static void add(
            float[][] weights, int b, float r0, float r1, float r2, float r3, float[] out) {
        float[] w0 = weights[b];
        float[] w1 = weights[b + 1];
        float[] w2 = weights[b + 2];
        float[] w3 = weights[b + 3];
        for (int d = 0; d < LANES; d++) {
            out[d] += w0[d] * r0 + w1[d] * r1 + (w2[d] * r2 + w3[d] * r3);
        }
    }

    /** How far points lie outside, all lanes of a point together. */
    static final class Outside {
        /** At the tangent, by lane. */
        final float[] touch = new float[LANES];

        /** The tangent at the points, without the veil, and what is above, with it. */
        final float[][] below = new float[Piece.MOST][LANES];

        final float[][] above = new float[Piece.MOST][LANES];

        /** At which depth least is missing until all points are outside, and that, below 0. */
        final float[] depth = new float[LANES];

        final float[] missing = new float[LANES];
        private final float[] trial = new float[LANES];
    }

    /** Whether some half-space has all points outside; else sets depths and what is missing. */
    boolean apart(Outside at, int points) {
        Arrays.fill(at.missing, Float.NEGATIVE_INFINITY);
        for (float y : DEPTHS) {
            Arrays.fill(at.trial, 0);
            for (int x = 0; x < points; x++) {
                miss(at, x, y);
            }
            for (int d = 0; d < LANES; d++) {
                if (at.trial[d] == 0) {
                    return true;
                }
                if (at.trial[d] > at.missing[d]) {
                    at.missing[d] = at.trial[d];
                    at.depth[d] = y;
                }
            }
        }
        return false;
    }

    private void miss(Outside at, int x, float y) {
        float[] below = at.below[x];
        float[] above = at.above[x];
        float[] touch = at.touch;
        float[] out = at.trial;
        float[] limit = most;
        float square = y * y;
        float rest = 2 * y * (1 - y);
        for (int d = 0; d < LANES; d++) {
            float past = square * below[d] + rest * touch[d] + above[d] - limit[d];
            out[d] += past - Math.abs(past);
        }
    }

    /** How far a point lies outside in a lane, with the tangent at its best depth. */
    float past(Outside at, int x, int d) {
        return past(d, at.depth[d], at.touch[d], at.below[x][d], at.above[x][d]);
    }

    /** How far what is bounded by these lies outside in a lane, with the tangent at some depth. */
    float past(int lane, float depth, float touch, float below, float above) {
        return depth * depth * below + 2 * depth * (1 - depth) * touch + above - most[lane];
    }
}
