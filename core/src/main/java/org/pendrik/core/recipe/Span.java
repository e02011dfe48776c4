package org.pendrik.core.recipe;

import java.util.Arrays;

/** Between what the S of some mixes lies in each band, and what follows for X, Y and Z. */
final class Span {
    /** The mean of 1 over the least and of 1 over the most S, and half the difference of these. */
    final float[] per = new float[BandMath.SIZE];

    final float[] half = new float[BandMath.SIZE];

    /** By how much X, Y and Z of mixes may lie above the chords between them. */
    final float[] rise = new float[3];

    /** The span of level mixes. */
    void level() {
        Arrays.fill(per, 1);
        Arrays.fill(half, 0);
        Arrays.fill(rise, 0);
    }
}
