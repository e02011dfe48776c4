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
    private static final double FLOOR = 0.4;

    /**
     * Neighbouring pixels share noise after demosaicing and compression: this many count as one.
     */
    private static final double CORRELATED = 9;

    private RegionSampler() {}

    /** Linear sRGB means of the clean pixels of a region, or empty when there are too few. */
    public static Optional<double[]> meanLinear(Raster side, double pxPerMm, Region region) {
        double[] sum = new double[3];
        int[] picked = pick(side, pxPerMm, region).pixels();
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
        Picked picked = pick(side, pxPerMm, region);
        int n = picked.pixels().length;
        if (n < FEWEST_PIXELS) {
            return Optional.empty();
        }
        // channel by channel, before anything bends the noise: a median passes unharmed through any
        // rising curve
        int[] pixels = picked.pixels();
        Lab median = balance.toLab(channel(pixels, 16), channel(pixels, 8), channel(pixels, 0));
        double[] far = new double[n];
        for (int i = 0; i < n; i++) {
            far[i] = median.distance(balance.toLab(pixels[i]));
        }
        double spread = 1.4826 * median(far);
        // a median scatters sqrt(pi/2) times as much as a mean
        double scatter = spread * Math.sqrt(Math.PI / 2 * CORRELATED / n);
        return Optional.of(
                new ColourSample(
                        median, spread, Math.hypot(FLOOR, scatter), n, picked.clippedShare()));
    }

    @SuppressWarnings("ArrayRecordComponent") // passed on once, never compared
    private record Picked(int[] pixels, double clippedShare) {}

    private static Picked pick(Raster side, double pxPerMm, Region r) {
        int x0 = Math.clamp(Math.round(r.xMm() * pxPerMm), 0, side.width());
        int y0 = Math.clamp(Math.round(r.yMm() * pxPerMm), 0, side.height());
        int x1 = Math.clamp(Math.round((r.xMm() + r.widthMm()) * pxPerMm), x0, side.width());
        int y1 = Math.clamp(Math.round((r.yMm() + r.heightMm()) * pxPerMm), y0, side.height());
        long area = (long) (x1 - x0) * (y1 - y0);
        int stride = Math.max(1, (int) Math.ceil(Math.sqrt((double) area / MOST_PIXELS)));
        int[] out = new int[(int) Math.min(area, MOST_PIXELS + 4L * (x1 - x0) + 4L * (y1 - y0))];
        int n = 0;
        int clipped = 0;
        for (int y = y0; y < y1; y += stride) {
            for (int x = x0; x < x1; x += stride) {
                int p = side.at(x, y);
                if (p >>> 24 == 0) {
                    continue;
                }
                if (isClipped(p)) {
                    clipped++;
                } else {
                    out[n++] = p;
                }
            }
        }
        return new Picked(
                Arrays.copyOf(out, n), n + clipped == 0 ? 0 : (double) clipped / (n + clipped));
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
