package org.pendrik.core.photo;

import java.util.stream.IntStream;

/** A normal curve over one plane of floats, cut off at three standard deviations. */
public final class GaussianFilter {
    private GaussianFilter() {}

    /**
     * The plane under the curve; NaN carries no weight and stays NaN. O(pixels · σ).
     *
     * @param sigmaPx above 0
     */
    public static float[] blurred(float[] plane, int width, int height, double sigmaPx) {
        float[] curve = curve(sigmaPx);
        float[] rows = new float[plane.length];
        IntStream.range(0, height)
                .parallel()
                .forEach(y -> line(plane, rows, y * width, 1, width, curve));
        float[] out = new float[plane.length];
        IntStream.range(0, width).parallel().forEach(x -> line(rows, out, x, width, height, curve));
        for (int i = 0; i < out.length; i++) {
            if (Float.isNaN(plane[i])) {
                out[i] = Float.NaN;
            }
        }
        return out;
    }

    static float[] curve(double sigma) {
        float[] half = new float[(int) Math.ceil(3 * sigma) + 1];
        for (int k = 0; k < half.length; k++) {
            half[k] = (float) Math.exp(-0.5 * k * k / (sigma * sigma));
        }
        return half;
    }

    private static void line(
            float[] in, float[] out, int start, int step, int count, float[] curve) {
        for (int i = 0; i < count; i++) {
            float sum = 0;
            float weight = 0;
            int from = Math.max(0, i - curve.length + 1);
            int to = Math.min(count - 1, i + curve.length - 1);
            for (int j = from; j <= to; j++) {
                float v = in[start + j * step];
                float w = curve[Math.abs(i - j)];
                if (!Float.isNaN(v)) {
                    sum += w * v;
                    weight += w;
                }
            }
            out[start + i * step] = weight == 0 ? Float.NaN : sum / weight;
        }
    }
}
