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
}
