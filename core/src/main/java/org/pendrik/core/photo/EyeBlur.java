package org.pendrik.core.photo;

import java.util.Optional;
import java.util.stream.IntStream;
import org.pendrik.core.colour.Srgb;

/**
 * A side as seen from the viewing distance: linear light under a normal curve, cut off at four
 * standard deviations. Pixels outside the photograph carry no weight. Cost O(pixels · blur).
 *
 * <p>A line is made when it is asked for, so the blurred side is never kept.
 */
final class EyeBlur {
    /** Red, green, blue and weight stand beside each other. */
    static final int PARTS = 4;

    private static final double CUT_OFF = 4;

    private final Raster side;
    private final float[][] light;
    private final Optional<NormalCurve> curve;

    /**
     * A side under a blur.
     *
     * @param sigmaPx standard deviation in pixels, 0 for none
     */
    EyeBlur(Raster side, double sigmaPx) {
        this.side = side;
        this.curve =
                sigmaPx == 0 ? Optional.empty() : Optional.of(new NormalCurve(sigmaPx, CUT_OFF));
        this.light = new float[side.height()][PARTS * side.width()];
        IntStream.range(0, light.length).parallel().forEach(this::fill);
    }

    private void fill(int y) {
        float[] line = light[y];
        for (int x = 0; x < side.width(); x++) {
            int p = side.at(x, y);
            if (p >>> 24 != 0) {
                line[PARTS * x] = (float) Srgb.linear(p >> 16);
                line[PARTS * x + 1] = (float) Srgb.linear(p >> 8);
                line[PARTS * x + 2] = (float) Srgb.linear(p);
                line[PARTS * x + 3] = 1;
            }
        }
    }

    boolean seen(int x, int y) {
        return side.at(x, y) >>> 24 != 0;
    }

    /** One line: the light times its weight and the weight, four values a pixel. */
    float[] line(int y) {
        return curve.map(c -> c.at(light, y, PARTS)).orElseGet(() -> light[y].clone());
    }
}
