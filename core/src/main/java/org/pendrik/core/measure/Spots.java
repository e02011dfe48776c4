package org.pendrik.core.measure;

import java.util.Arrays;
import org.pendrik.core.photo.Region;

/**
 * Separate marks of one class: how many, how large.
 *
 * <p>Pixels at least half of the class that touch, also at their corners, are one spot; its area is
 * the sum of the parts that its pixels and the rim round them hold, so that blur moves area about
 * but does not lose it. Spots cut off by the region's border are counted into the area and not into
 * the diameters; each counts half, since a region's border cuts as many spots as lie half inside.
 *
 * @param count spots whole in the region and large enough to count
 * @param perSquareMetre whole spots and half of the cut ones over the measured area of the
 *     prototype
 * @param areaMm2 of all of them, prototype mm²
 * @param medianMm median diameter of a circle of the same area, prototype mm
 * @param lowerMm lower quartile of the diameters
 * @param upperMm upper quartile
 * @param medianPlusMinusMm two standard deviations of the median
 * @param smallestMm what was too small to count
 */
public record Spots(
        int count,
        double perSquareMetre,
        double areaMm2,
        double medianMm,
        double lowerMm,
        double upperMm,
        double medianPlusMinusMm,
        double smallestMm) {
    private static final int FEWEST_SPOTS = 5;
    private static final int RIM_PX = 2;
    private static final float RIM_PART = 0.06f;

    /** Diameters are not believed to be better than this many rectified pixels. */
    private static final double FLOOR_PX = 0.5;

    static Answer<Spots> of(Marks marks, WeatherClass c, Region r, Resolution resolution) {
        var small = resolution.<Spots>tooSmallFor(Resolution.Question.SPOTS, r);
        if (small.isPresent()) {
            return small.get();
        }
        float[] part = marks.part();
        int w = marks.box().width();
        int h = marks.box().height();
        int[] spot = marks.number();
        int spots = marks.count();
        double[] area = new double[spots + 1];
        int[] core = new int[spots + 1];
        boolean[] cut = new boolean[spots + 1];
        int measured = 0;
        for (int i = 0; i < part.length; i++) {
            if (Float.isNaN(part[i])) {
                continue;
            }
            measured++;
            int s = spot[i] != 0 ? spot[i] : part[i] > RIM_PART ? neighbour(spot, i, w, h) : 0;
            area[s] += part[i];
            if (spot[i] != 0) {
                core[s]++;
                cut[s] |= atBorder(part, i, w, h);
            }
        }
        double mm2 = 1 / (marks.pxPerMm() * marks.pxPerMm());
        double all = 0;
        double[] diameters = new double[spots];
        int n = 0;
        int halves = 0;
        for (int s = 1; s <= spots; s++) {
            all += area[s];
            halves += cut[s] && core[s] >= Marks.FEWEST_PX ? 1 : 0;
            if (!cut[s] && core[s] >= Marks.FEWEST_PX) {
                diameters[n++] = 2 * Math.sqrt(area[s] * mm2 / Math.PI);
            }
        }
        double least = 2 * Math.sqrt(Marks.FEWEST_PX * mm2 / Math.PI);
        if (n < FEWEST_SPOTS) {
            return Answer.CannotTell.nothing(
                    "Only " + n + " separate spots of " + c.label() + " in " + r.name() + ".",
                    "A distribution needs " + FEWEST_SPOTS + ": measure a larger region.");
        }
        double[] d = Arrays.copyOf(diameters, n);
        Arrays.sort(d);
        double low = quantile(d, 0.25);
        double high = quantile(d, 0.75);
        // the median of n from a distribution with these quartiles, and what a pixel leaves open
        double scatter = 1.2533 * (high - low) / 1.349 / Math.sqrt(n);
        double pixel = FLOOR_PX / marks.pxPerMm();
        return new Answer.Told<>(
                new Spots(
                        n,
                        (n + halves / 2.0) / (measured * mm2) * 1e6,
                        all * mm2,
                        quantile(d, 0.5),
                        low,
                        high,
                        2 * Math.hypot(scatter * MEASURED_SHARE, pixel),
                        least));
    }

    /** Most spots of the region are seen; only the doubtful ones scatter the median. */
    private static final double MEASURED_SHARE = 0.4;

    private static boolean atBorder(float[] part, int i, int w, int h) {
        int x = i % w;
        int y = i / w;
        return x == 0
                || y == 0
                || x == w - 1
                || y == h - 1
                || Float.isNaN(part[i - 1])
                || Float.isNaN(part[i + 1])
                || Float.isNaN(part[i - w])
                || Float.isNaN(part[i + w]);
    }

    private static int neighbour(int[] spot, int i, int w, int h) {
        int x = i % w;
        int y = i / w;
        for (int d = 1; d <= RIM_PX; d++) {
            for (int v = Math.max(0, y - d); v <= Math.min(h - 1, y + d); v++) {
                for (int u = Math.max(0, x - d); u <= Math.min(w - 1, x + d); u++) {
                    if (spot[v * w + u] != 0) {
                        return spot[v * w + u];
                    }
                }
            }
        }
        return 0;
    }

    private static double quantile(double[] sorted, double q) {
        double at = q * (sorted.length - 1);
        int i = (int) at;
        return i + 1 >= sorted.length
                ? sorted[i]
                : sorted[i] + (at - i) * (sorted[i + 1] - sorted[i]);
    }
}
