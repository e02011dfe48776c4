package org.pendrik.core.measure;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;
import org.pendrik.core.photo.PixelBox;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.Selection;

/**
 * How much of a film lies on a surface, row by row or column by column.
 *
 * <p>The median X, Y, Z of the line is projected on the way from the clean colour to that of the
 * film, in linear light, where a film that covers a part of the surface adds up: 0 is clean, 1 is
 * the film alone. Medians pass by lettering, rivets and spots as long as they fill less than half
 * of the line. O(pixels).
 */
final class FilmShare {
    private static final int FEWEST = 5;

    private FilmShare() {}

    /**
     * The two ends of the way.
     *
     * @param clean X, Y, Z over white
     * @param film the same of the film
     */
    @SuppressWarnings("ArrayRecordComponent") // passed on once, never compared
    record Way(double[] clean, double[] film) {
        /** From the samples of a class and of paint, when both were picked. */
        static Optional<Way> of(ClassModel model, WeatherClass film) {
            double[] paint = mean(model, WeatherClass.PAINT);
            double[] dirt = mean(model, film);
            return paint.length == 0 || dirt.length == 0
                    ? Optional.empty()
                    : Optional.of(new Way(paint, dirt));
        }

        static double[] mean(ClassModel model, WeatherClass c) {
            double[] sum = new double[3];
            int n = 0;
            for (Cloud cloud : model.clouds()) {
                if (cloud.kind() == c) {
                    for (int k = 0; k < 3; k++) {
                        sum[k] += cloud.xyz()[k];
                    }
                    n++;
                }
            }
            if (n == 0) {
                return new double[0];
            }
            int count = n;
            return Arrays.stream(sum).map(v -> v / count).toArray();
        }

        double length() {
            double sum = 0;
            for (int k = 0; k < 3; k++) {
                sum += Math.pow(film[k] - clean[k], 2);
            }
            return Math.sqrt(sum);
        }

        /** Cosine of the angle to another way. */
        double alignedWith(Way o) {
            double dot = 0;
            for (int k = 0; k < 3; k++) {
                dot += (film[k] - clean[k]) * (o.film[k] - o.clean[k]);
            }
            return dot / (length() * o.length());
        }

        /** How much further along a colour seems when all of its light is more by a share of 1. */
        double alongPerLevel(double[] xyz) {
            double up = 0;
            for (int k = 0; k < 3; k++) {
                up += (film[k] - clean[k]) * xyz[k];
            }
            return Math.abs(up) / (length() * length());
        }

        double along(double[] xyz) {
            double up = 0;
            double down = 0;
            for (int k = 0; k < 3; k++) {
                double way = film[k] - clean[k];
                up += way * (xyz[k] - clean[k]);
                down += way * way;
            }
            return up / down;
        }
    }

    /**
     * Median X, Y, Z of {@code count} bins of a region.
     *
     * @param byRow bins lie one below the other, else beside each other
     * @return one line a bin, NaN where it has too few pixels
     */
    static double[][] bins(LabPlane plane, Region r, int count, boolean byRow) {
        PixelBox box = plane.box(r);
        int extent = byRow ? box.height() : box.width();
        int bins = Math.min(count, Math.max(1, extent));
        double[][] out = new double[bins][3];
        IntStream.range(0, bins)
                .parallel()
                .forEach(
                        b -> {
                            int from = b * extent / bins;
                            int to = (b + 1) * extent / bins;
                            PixelBox strip =
                                    byRow
                                            ? new PixelBox(
                                                    box.left(),
                                                    box.top() + from,
                                                    box.right(),
                                                    box.top() + to)
                                            : new PixelBox(
                                                    box.left() + from,
                                                    box.top(),
                                                    box.left() + to,
                                                    box.low());
                            medians(plane, r, strip, out[b]);
                        });
        return out;
    }

    private static void medians(LabPlane plane, Region r, PixelBox strip, double[] out) {
        int[] at = new int[strip.area()];
        int n = 0;
        for (int y = strip.top(); y < strip.low(); y++) {
            for (int x = strip.left(); x < strip.right(); x++) {
                if (plane.has(r, x, y)) {
                    at[n++] = y * plane.width() + x;
                }
            }
        }
        if (n < FEWEST) {
            Arrays.fill(out, Double.NaN);
            return;
        }
        float[] values = new float[n];
        for (int k = 0; k < 3; k++) {
            float[] channel = plane.xyz(k);
            for (int i = 0; i < n; i++) {
                values[i] = channel[at[i]];
            }
            out[k] = Selection.median(values, n);
        }
    }
}
