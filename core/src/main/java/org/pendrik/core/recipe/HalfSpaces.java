package org.pendrik.core.recipe;

import java.util.Arrays;

/** The half-spaces of an {@link Aim} as floats, their directions in positive and negative parts. */
final class HalfSpaces {
    /**
     * Room for all directions in whole vectors; the directions that are none leave nothing outside.
     */
    static final int LANES = 32;

    /** By axis, then direction. */
    final float[][] up = new float[3][LANES];

    final float[][] down = new float[3][LANES];

    /** What a direction comes to at most in the region; nothing lies outside one that is none. */
    final float[] most = new float[LANES];

    /** The same without the part of Y, of which it is only known in which slice it lies. */
    final float[] rest = new float[LANES];

    private final float[] missing = new float[LANES];
    private final float[] missingRest = new float[LANES];

    /** The direction that ruled out last. */
    private int last;

    /** Takes over the directions of an aim. */
    void aim(Aim aim) {
        Arrays.fill(most, Float.MAX_VALUE);
        for (int d = 0; d < Aim.DIRECTIONS; d++) {
            for (int a = 0; a < 3; a++) {
                up[a][d] = (float) Math.max(0, aim.directions[d][a]);
                down[a][d] = (float) Math.min(0, aim.directions[d][a]);
            }
        }
    }

    /**
     * Takes over what the directions come to at most where Y is from darkest to lightest, each
     * half-space larger by what floats round.
     */
    void slice(double[] supports, float darkest, float lightest, float rounding) {
        for (int d = 0; d < supports.length; d++) {
            most[d] = (float) supports[d] + rounding;
        }
        float[] upY = up[1];
        float[] downY = down[1];
        for (int d = 0; d < LANES; d++) {
            rest[d] = most[d] - (upY[d] * darkest + downY[d] * lightest);
        }
    }

    /**
     * Whether one direction leaves everything outside that lies between some lows and highs, or
     * does so with X, Z and what is known of the slice.
     *
     * @param low X, Y, Z by axis, then point
     */
    boolean apart(float[][] low, float[][] high, int n) {
        if (apart(low, high, n, last)) {
            return true;
        }
        Arrays.fill(missing, 0);
        Arrays.fill(missingRest, 0);
        for (int i = 0; i < n; i++) {
            beyond(low[0][i], low[1][i], low[2][i], high[0][i], high[1][i], high[2][i]);
        }
        for (int d = 0; d < LANES; d++) {
            if (missing[d] == 0 || missingRest[d] == 0) {
                last = d;
                return true;
            }
        }
        return false;
    }

    /** The same of one direction: that which ruled out one choice often does with the next. */
    private boolean apart(float[][] low, float[][] high, int n, int d) {
        boolean all = true;
        boolean others = true;
        for (int i = 0; i < n && (all || others); i++) {
            float xz =
                    up[0][d] * low[0][i]
                            + up[2][d] * low[2][i]
                            + (down[0][d] * high[0][i] + down[2][d] * high[2][i]);
            others &= xz > rest[d];
            all &= xz + (up[1][d] * low[1][i] + down[1][d] * high[1][i]) > most[d];
        }
        return all || others;
    }

    /** Adds what is missing until a direction leaves it outside, as a negative number. */
    private void beyond(float lx, float ly, float lz, float hx, float hy, float hz) {
        float[] ux = up[0];
        float[] uy = up[1];
        float[] uz = up[2];
        float[] dx = down[0];
        float[] dy = down[1];
        float[] dz = down[2];
        float[] whole = missing;
        float[] others = missingRest;
        float[] mostAll = most;
        float[] mostRest = rest;
        for (int d = 0; d < LANES; d++) {
            float xz = ux[d] * lx + uz[d] * lz + (dx[d] * hx + dz[d] * hz);
            float past = xz - mostRest[d];
            float pastAll = xz + (uy[d] * ly + dy[d] * hy) - mostAll[d];
            others[d] += past - Math.abs(past);
            whole[d] += pastAll - Math.abs(pastAll);
        }
    }
}
