package org.pendrik.core.photo;

import java.util.Arrays;
import java.util.stream.IntStream;

/** A normal curve over one plane of floats, cut off at three standard deviations. */
public final class GaussianFilter {
    private static final double CUT_OFF = 3;

    private GaussianFilter() {}

    /**
     * The plane under the curve; NaN and what lies beyond the border carry no weight, and NaN stays
     * NaN. O(pixels · σ).
     *
     * @param sigmaPx above 0
     */
    public static float[] blurred(float[] plane, int width, int height, double sigmaPx) {
        NormalCurve curve = new NormalCurve(sigmaPx, CUT_OFF);
        float[][] filled = new float[height][width];
        float[][] known = new float[height][width];
        boolean whole = true;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                float v = plane[y * width + x];
                boolean is = !Float.isNaN(v);
                filled[y][x] = is ? v : 0;
                known[y][x] = is ? 1 : 0;
                whole &= is;
            }
        }
        float[] out = new float[plane.length];
        if (whole) {
            // the weights of a whole plane are a product of those along and down it
            float[] along = ones(curve, width);
            float[] down = ones(curve, height);
            lines(height, y -> put(curve.at(filled, y, 1), along, down[y], out, y));
        } else {
            lines(
                    height,
                    y -> {
                        put(curve.at(filled, y, 1), curve.at(known, y, 1), 1, out, y);
                        for (int x = 0; x < width; x++) {
                            out[y * width + x] = known[y][x] == 1 ? out[y * width + x] : Float.NaN;
                        }
                    });
        }
        return out;
    }

    private static void lines(int height, java.util.function.IntConsumer one) {
        IntStream.range(0, height).parallel().forEach(one);
    }

    /** How much of the curve lies inside a line, at every place of it. */
    private static float[] ones(NormalCurve curve, int count) {
        float[] ones = new float[count];
        Arrays.fill(ones, 1);
        return curve.across(ones, 1);
    }

    private static void put(float[] line, float[] weight, float by, float[] out, int y) {
        int start = y * line.length;
        for (int x = 0; x < line.length; x++) {
            out[start + x] = line[x] / (weight[x] * by);
        }
    }
}
