package org.pendrik.core.photo;

import java.util.Arrays;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * Whether a photograph is without colour: a black-and-white one, or a print toned in one hue from
 * dark to light. Its a* and b* are nothing or follow from its lightness, so they tell nothing of
 * the paint.
 *
 * <p>Pixels of the same lightness are put together. In a toned print their a* and b* are those of
 * the tone, which has one hue and changes slowly from dark to light; in a photograph with colours
 * some pixels of a lightness differ from others of the same. A photograph of one paint and nothing
 * else cannot be told from a toned print. Cost O(1): at most 40,000 pixels are looked at.
 */
public final class Colourless {
    private static final int MOST_PIXELS = 40_000;

    /** What rounding to eight bits makes of grey, in ΔE*ab. */
    private static final double GREY = 1;

    /** What rounding and compression make of one tone, in ΔE*ab. */
    private static final double ONE_TONE = 2.5;

    /** One pixel in so many may lie farther off: a stain on the print, a stamp. */
    private static final int STAINED = 500;

    /** Bands of lightness, 2.5 of L* each. */
    private static final int BANDS = 40;

    /** A band of fewer pixels has no median to speak of. */
    private static final int FEWEST = 12;

    /** A print runs through all lightnesses between its dark and its light; paint on a card not. */
    private static final double CONTINUOUS = 0.8;

    private Colourless() {}

    /** Whether it tells lightness alone. */
    public static boolean is(Raster photo) {
        int area = photo.argb().length;
        int stride = Math.max(1, area / MOST_PIXELS);
        int n = Math.ceilDiv(area, stride);
        double[] a = new double[n];
        double[] b = new double[n];
        int[] band = new int[n];
        int[] size = new int[BANDS];
        int coloured = 0;
        for (int k = 0; k < n; k++) {
            // shifted from one to the next, so that not every row is met at the same columns
            Lab c = Srgb.toLab(photo.argb()[Math.min(area - 1, k * stride + k % stride)]);
            a[k] = c.a();
            b[k] = c.b();
            coloured += c.chroma() > GREY ? 1 : 0;
            band[k] = Math.min(BANDS - 1, (int) (c.l() * BANDS / 100));
            size[band[k]]++;
        }
        return coloured * STAINED <= n || isOneTone(a, b, band, size);
    }

    private static boolean isOneTone(double[] a, double[] b, int[] band, int[] size) {
        double[] toneA = medians(a, band, size);
        double[] toneB = medians(b, band, size);
        int first = 0;
        int last = BANDS - 1;
        while (first < last && size[first] < FEWEST) {
            first++;
        }
        while (last > first && size[last] < FEWEST) {
            last--;
        }
        int there = 0;
        double sumA = 0;
        double sumB = 0;
        for (int i = first; i <= last; i++) {
            if (size[i] >= FEWEST) {
                there++;
                sumA += toneA[i];
                sumB += toneB[i];
            }
        }
        if (last - first < BANDS / 4 || there < CONTINUOUS * (last - first + 1)) {
            return false;
        }
        double all = Math.hypot(sumA, sumB);
        for (int i = first; i <= last; i++) {
            double across = (toneA[i] * sumB - toneB[i] * sumA) / all;
            if (size[i] >= FEWEST && Math.abs(across) > ONE_TONE) {
                return false;
            }
        }
        int off = 0;
        for (int k = 0; k < a.length; k++) {
            int i = band[k];
            boolean far = Math.hypot(a[k] - toneA[i], b[k] - toneB[i]) > ONE_TONE;
            off += size[i] >= FEWEST && far ? 1 : 0;
        }
        return off * STAINED <= a.length;
    }

    private static double[] medians(double[] values, int[] band, int[] size) {
        double[][] sorted = new double[BANDS][];
        Arrays.setAll(sorted, i -> new double[size[i]]);
        int[] at = new int[BANDS];
        for (int k = 0; k < values.length; k++) {
            sorted[band[k]][at[band[k]]++] = values[k];
        }
        double[] out = new double[BANDS];
        for (int i = 0; i < BANDS; i++) {
            Arrays.sort(sorted[i]);
            out[i] = size[i] == 0 ? 0 : sorted[i][size[i] / 2];
        }
        return out;
    }
}
