package org.pendrik.core.recipe;

import java.util.Arrays;

/** One mix as floats over the bands: K and S over the mean of S, and what is seen. */
final class Point {
    final float[] k = new float[BandMath.SIZE];
    final float[] s = new float[BandMath.SIZE];
    final float[] r = new float[BandMath.SIZE];

    /** X, Y, Z of {@code r}. */
    final float[] xyz = new float[3];

    /** Whether {@code r} and {@code xyz} are those of k and s. */
    boolean seen;

    /** Bands as floats; what lies behind the last band is like it, so that no number is none. */
    static float[] padded(double[] bands, double scale) {
        float[] out = new float[BandMath.SIZE];
        for (int b = 0; b < bands.length; b++) {
            out[b] = (float) (bands[b] * scale);
        }
        Arrays.fill(out, bands.length, out.length, out[bands.length - 1]);
        return out;
    }
}
