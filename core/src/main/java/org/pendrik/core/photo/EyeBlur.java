package org.pendrik.core.photo;

import java.util.stream.IntStream;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * A side as seen from the viewing distance: linear light under a normal curve, cut off at four
 * standard deviations. Pixels outside the photograph carry no weight. Cost O(pixels · blur).
 *
 * <p>Both directions are summed line by line, the second on the turned picture: sums of whole lines
 * at the same places are what the compiler turns into operations on several pixels at once, and
 * without running sums nothing drifts.
 */
final class EyeBlur {
    private static final double CUT_OFF = 4;

    /** Red, green, blue and weight stand beside each other. */
    private static final int PARTS = 4;

    private final Raster side;

    /** One line per column of the picture, from its top. */
    private final float[][] columns;

    private EyeBlur(Raster side, float[][] columns) {
        this.side = side;
        this.columns = columns;
    }

    /**
     * The side under this blur.
     *
     * @param sigmaPx standard deviation in pixels, 0 for none
     */
    static EyeBlur of(Raster side, double sigmaPx) {
        float[][] rows = new float[side.height()][PARTS * side.width()];
        IntStream.range(0, rows.length).parallel().forEach(y -> light(side, y, rows[y]));
        if (sigmaPx == 0) {
            return new EyeBlur(side, turned(rows));
        }
        float[] curve = curve(sigmaPx);
        return new EyeBlur(side, acrossLines(turned(acrossLines(rows, curve)), curve));
    }

    private static void light(Raster side, int y, float[] row) {
        for (int x = 0; x < side.width(); x++) {
            int p = side.at(x, y);
            if (p >>> 24 != 0) {
                row[PARTS * x] = (float) Srgb.linear(p >> 16);
                row[PARTS * x + 1] = (float) Srgb.linear(p >> 8);
                row[PARTS * x + 2] = (float) Srgb.linear(p);
                row[PARTS * x + 3] = 1;
            }
        }
    }

    boolean seen(int x, int y) {
        return side.at(x, y) >>> 24 != 0;
    }

    Lab lab(int x, int y, GreyBalance lamp) {
        float[] column = columns[x];
        int i = PARTS * y;
        double share = 1.0 / column[i + 3];
        return lamp.toLab(column[i] * share, column[i + 1] * share, column[i + 2] * share);
    }

    /** The right half of a normal curve, from its middle; the whole curve adds up to 1. */
    private static float[] curve(double sigmaPx) {
        double[] half = new double[(int) Math.ceil(CUT_OFF * sigmaPx) + 1];
        double sum = 0;
        for (int k = 0; k < half.length; k++) {
            half[k] = Math.exp(-0.5 * k * k / (sigmaPx * sigmaPx));
            sum += k == 0 ? half[k] : 2 * half[k];
        }
        float[] out = new float[half.length];
        for (int k = 0; k < half.length; k++) {
            out[k] = (float) (half[k] / sum);
        }
        return out;
    }

    private static float[][] turned(float[][] lines) {
        float[][] out = new float[lines[0].length / PARTS][PARTS * lines.length];
        int tile = 16;
        IntStream.range(0, Math.ceilDiv(out.length, tile))
                .parallel()
                .forEach(
                        k -> {
                            int to = Math.min(out.length, (k + 1) * tile);
                            for (int i = 0; i < lines.length; i++) {
                                for (int j = k * tile; j < to; j++) {
                                    int from = PARTS * j;
                                    System.arraycopy(lines[i], from, out[j], PARTS * i, PARTS);
                                }
                            }
                        });
        return out;
    }

    /** Each line becomes the mean of the lines around it; beyond the first and last lie zeros. */
    private static float[][] acrossLines(float[][] lines, float[] curve) {
        float[] none = new float[lines[0].length];
        float[][] out = new float[lines.length][none.length];
        IntStream.range(0, lines.length)
                .parallel()
                .forEach(
                        i -> {
                            addBoth(out[i], lines[i], none, curve[0]);
                            for (int k = 1; k < curve.length; k++) {
                                addBoth(
                                        out[i],
                                        i >= k ? lines[i - k] : none,
                                        i + k < lines.length ? lines[i + k] : none,
                                        curve[k]);
                            }
                        });
        return out;
    }

    /** Changes {@code mean} only. */
    private static void addBoth(float[] mean, float[] one, float[] two, float weight) {
        for (int x = 0; x < mean.length; x++) {
            mean[x] += weight * (one[x] + two[x]);
        }
    }
}
