package org.pendrik.core.photo;

import java.util.Arrays;
import java.util.Optional;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * Measures colours by region on a rectified side: robust against rivets, lettering and specks as
 * long as they cover less than half of it.
 *
 * <p>The estimate is the median of each colour channel (P. J. Huber, "Robust Statistics", Wiley
 * 1981, chapter 1: breakdown point one half). Cost O(n log n) in at most 40,000 pixels.
 */
public final class RegionSampler {
    private static final int MOST_PIXELS = 40_000;
    private static final int FEWEST_PIXELS = 9;
    private static final int CLIPPED_HIGH = 254;

    /**
     * ΔE that 8-bit sRGB and JPEG leave on any median, seen on rendered patches of known colour.
     */
    private static final double FLOOR = 0.47;

    /** Two ways of taking out the lamp differ by this many standard deviations. */
    private static final double LAMP_SHARE = 1.0;

    /**
     * No camera sees as people do, and one matrix cannot put it right for every pigment: one
     * standard deviation as a share of the chroma, seen on rendered paints under generic sensors.
     */
    private static final double CAMERA_SHARE = 0.095;

    /** What is left of that between two photographs of colours that are alike. */
    private static final double ALIKE = 0.25;

    /**
     * Neighbouring pixels share noise after demosaicing and compression: this many count as one.
     */
    private static final double CORRELATED = 9;

    private RegionSampler() {}

    /** Whether a pixel of the side counts. */
    @FunctionalInterface
    public interface Wanted {
        boolean at(int x, int y);
    }

    /** Linear sRGB means of the clean pixels of a region, or empty when there are too few. */
    public static Optional<double[]> meanLinear(Raster side, double pxPerMm, Region region) {
        double[] sum = new double[3];
        int[] picked = pick(side, pxPerMm, region, (x, y) -> !isClipped(side.at(x, y))).pixels();
        for (int p : picked) {
            sum[0] += Srgb.linear(p >> 16);
            sum[1] += Srgb.linear(p >> 8);
            sum[2] += Srgb.linear(p);
        }
        if (picked.length < FEWEST_PIXELS) {
            return Optional.empty();
        }
        return Optional.of(Arrays.stream(sum).map(s -> s / picked.length).toArray());
    }

    /**
     * Measures a region.
     *
     * @param side a rectified side
     * @param pxPerMm its resolution
     * @param region in prototype mm
     * @param balance what takes out the light
     * @return empty when fewer than 9 usable pixels lie in it
     */
    public static Optional<ColourSample> measure(
            Raster side, double pxPerMm, Region region, GreyBalance balance) {
        return measure(side, pxPerMm, region, balance, (x, y) -> !isClipped(side.at(x, y)));
    }

    /** As {@link #measure(Raster, double, Region, GreyBalance)}, of the pixels that are wanted. */
    public static Optional<ColourSample> measure(
            Raster side, double pxPerMm, Region region, GreyBalance balance, Wanted wanted) {
        Picked picked = pick(side, pxPerMm, region, wanted);
        int n = picked.pixels().length;
        if (n < FEWEST_PIXELS) {
            return Optional.empty();
        }
        // channel by channel, before anything bends the noise: a median passes unharmed through any
        // rising curve
        int[] pixels = picked.pixels();
        double red = channel(pixels, 16);
        double green = channel(pixels, 8);
        double blue = channel(pixels, 0);
        Lab median = balance.toLab(red, green, blue);
        double[] far = new double[n];
        for (int i = 0; i < n; i++) {
            far[i] = median.distance(balance.toLab(pixels[i]));
        }
        double spread = 1.4826 * median(far);
        // a median scatters sqrt(pi/2) times as much as a mean
        double scatter = spread * Math.sqrt(Math.PI / 2 * CORRELATED / n);
        double seen =
                Math.hypot(
                        Math.hypot(FLOOR, scatter),
                        Math.hypot(
                                LAMP_SHARE * balance.doubt(red, green, blue),
                                balance.known().opens(median)));
        double camera = CAMERA_SHARE * Math.hypot(median.a(), median.b());
        return Optional.of(
                new ColourSample(
                        median,
                        true,
                        spread,
                        2 * Math.hypot(seen, camera),
                        2 * Math.hypot(seen, ALIKE * camera),
                        n,
                        picked.leftOutShare()));
    }

    @SuppressWarnings("ArrayRecordComponent") // passed on once, never compared
    private record Picked(int[] pixels, double leftOutShare) {}

    private static Picked pick(Raster side, double pxPerMm, Region r, Wanted wanted) {
        PixelBox box = PixelBox.of(r, pxPerMm, side.width(), side.height());
        int area = box.area();
        int stride = Math.max(1, (int) Math.ceil(Math.sqrt((double) area / MOST_PIXELS)));
        int[] out = new int[Math.ceilDiv(box.width(), stride) * Math.ceilDiv(box.height(), stride)];
        int n = 0;
        int left = 0;
        for (int y = box.top(); y < box.low(); y += stride) {
            for (int x = box.left(); x < box.right(); x += stride) {
                if (side.at(x, y) >>> 24 == 0
                        || !r.contains((x + 0.5) / pxPerMm, (y + 0.5) / pxPerMm)) {
                    continue;
                }
                if (wanted.at(x, y)) {
                    out[n++] = side.at(x, y);
                } else {
                    left++;
                }
            }
        }
        return new Picked(Arrays.copyOf(out, n), n + left == 0 ? 0 : (double) left / (n + left));
    }

    /**
     * The median of a channel as a linear value. Values of eight bits come in steps, so the median
     * is interpolated inside its step as is usual for grouped data.
     */
    private static double channel(int[] pixels, int shift) {
        int[] count = new int[256];
        for (int p : pixels) {
            count[p >> shift & 255]++;
        }
        double half = pixels.length / 2.0;
        int below = 0;
        int step = 0;
        while (below + count[step] < half) {
            below += count[step++];
        }
        double value = step - 0.5 + (half - below) / count[step];
        return Srgb.decode(Math.clamp(value / 255, 0.0, 1.0));
    }

    private static boolean isClipped(int p) {
        int r = p >> 16 & 255;
        int g = p >> 8 & 255;
        int b = p & 255;
        return Math.max(r, Math.max(g, b)) >= CLIPPED_HIGH || (r | g | b) == 0;
    }

    private static double median(double[] values) {
        Arrays.sort(values);
        int n = values.length;
        return n % 2 == 1 ? values[n / 2] : (values[n / 2 - 1] + values[n / 2]) / 2;
    }
}
