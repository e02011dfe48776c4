package org.pendrik.core.photo;

import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * A normal curve over one plane of floats, cut off at three standard deviations.
 *
 * <p>Both directions add up whole lines at one place of the curve after the other, which the
 * compiler turns into operations on several pixels at once.
 */
public final class GaussianFilter {
    private GaussianFilter() {}

    /**
     * The plane under the curve; NaN and what lies beyond the border carry no weight, and NaN stays
     * NaN. O(pixels · σ).
     *
     * @param sigmaPx above 0
     */
    public static float[] blurred(float[] plane, int width, int height, double sigmaPx) {
        float[] curve = curve(sigmaPx);
        float[] known = new float[plane.length];
        boolean whole = true;
        for (int i = 0; i < plane.length; i++) {
            known[i] = Float.isNaN(plane[i]) ? 0 : 1;
            whole &= known[i] == 1;
        }
        if (whole) {
            float[] out = summed(plane, width, height, curve);
            float[] across = reach(width, curve);
            float[] down = reach(height, curve);
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    out[y * width + x] /= across[x] * down[y];
                }
            }
            return out;
        }
        float[] filled = new float[plane.length];
        for (int i = 0; i < plane.length; i++) {
            filled[i] = known[i] == 1 ? plane[i] : 0;
        }
        float[] out = summed(filled, width, height, curve);
        float[] weight = summed(known, width, height, curve);
        for (int i = 0; i < out.length; i++) {
            out[i] = known[i] == 1 ? out[i] / weight[i] : Float.NaN;
        }
        return out;
    }

    /** The right half of the curve from its middle, where it is 1. */
    private static float[] curve(double sigma) {
        float[] half = new float[(int) Math.ceil(3 * sigma) + 1];
        for (int k = 0; k < half.length; k++) {
            half[k] = (float) Math.exp(-0.5 * k * k / (sigma * sigma));
        }
        return half;
    }

    /** How much of the curve lies inside a line, at every place of it. */
    private static float[] reach(int count, float[] curve) {
        float[] ones = new float[count];
        Arrays.fill(ones, 1);
        float[] out = new float[count];
        along(ones, 0, count, out, new float[count + 2 * curve.length], curve);
        return out;
    }

    private static float[] summed(float[] in, int width, int height, float[] curve) {
        float[] rows = new float[in.length];
        float[] out = new float[in.length];
        int chunk = 16;
        IntStream.range(0, Math.ceilDiv(height, chunk))
                .parallel()
                .forEach(
                        c -> {
                            float[] padded = new float[width + 2 * curve.length];
                            for (int y = c * chunk; y < Math.min(height, (c + 1) * chunk); y++) {
                                along(in, y * width, width, rows, padded, curve);
                            }
                        });
        IntStream.range(0, height)
                .parallel()
                .forEach(
                        y -> {
                            int to = y * width;
                            for (int k = 1 - curve.length; k < curve.length; k++) {
                                if (y + k >= 0 && y + k < height) {
                                    add(rows, to + k * width, out, to, width, curve[Math.abs(k)]);
                                }
                            }
                        });
        return out;
    }

    /** One line; {@code padded} has zeros on both sides of it and keeps them. */
    private static void along(
            float[] in, int start, int count, float[] out, float[] padded, float[] curve) {
        System.arraycopy(in, start, padded, curve.length, count);
        for (int k = 1 - curve.length; k < curve.length; k++) {
            add(padded, curve.length + k, out, start, count, curve[Math.abs(k)]);
        }
    }

    /** Changes {@code out} only. */
    private static void add(float[] in, int from, float[] out, int to, int count, float weight) {
        for (int i = 0; i < count; i++) {
            out[to + i] += weight * in[from + i];
        }
    }
}
