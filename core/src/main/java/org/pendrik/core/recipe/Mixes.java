package org.pendrik.core.recipe;

/**
 * As many mixes as {@link BandMath} takes abreast, as floats: K and S over the mean of S, and what
 * is seen. Band b of lane x stands at b · {@link BandMath#ABREAST} + x.
 */
final class Mixes {
    final float[] k = new float[BandMath.SIZE];
    final float[] s = BandMath.ones();
    final float[] r = new float[BandMath.SIZE];

    /** X, Y, Z of {@code r}, by axis and lane. */
    final float[][] xyz = new float[3][BandMath.ABREAST];

    /** Whether {@code r} and {@code xyz} are those of k and s. */
    boolean seen;
}
