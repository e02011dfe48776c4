package org.pendrik.core.recipe;

/**
 * As many mixes as {@link BandMath} takes abreast, as floats. Band b of lane x stands at b · {@link
 * BandMath#ABREAST} + x.
 */
final class Mixes {
    /** K over the mean of S; of mixes that do not have S level, K/S from below. */
    final float[] k = new float[BandMath.SIZE];

    /** S over its mean. */
    final float[] s = BandMath.ones();

    /** K/S from above, where S is not level. */
    final float[] most = new float[BandMath.SIZE];

    /** What is seen of {@code k}. */
    final float[] r = new float[BandMath.SIZE];

    /** Y of {@code r}, by lane. */
    final float[] y = new float[BandMath.ABREAST];

    /** Whether {@code r} and {@code y} are those of k. */
    boolean seen;

    /** K/S from above. */
    float[] most(boolean level) {
        return level ? k : most;
    }
}
