package org.pendrik.core.recipe;

/** Between what the S of some mixes lies in each band, and what follows for X, Y and Z, by lane. */
final class Span {
    /** The mean of 1 over the least and of 1 over the most S, and half the difference of these. */
    final float[] per = BandMath.ones();

    final float[] half = new float[BandMath.SIZE];

    /** By how much X, Y and Z of mixes may lie above the chords between them. */
    final float[][] rise = new float[3][BandMath.ABREAST];
}
