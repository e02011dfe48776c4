package org.pendrik.core.photo;

import java.util.Optional;
import java.util.stream.IntStream;

/**
 * How blurred each part of a rectified side is.
 *
 * <p>At a step edge blurred by σ the gradient, divided by that of the same picture blurred once
 * more by σ₀, is √(σ² + σ₀²) / σ (S. Zhuo, T. Sim, "Defocus map estimation from a single image",
 * Pattern Recognition 44 (2011), 1852–1858). The median over the strongest gradients of a strip is
 * its blur; the differences are over two pixels and add a third of a squared pixel to its variance.
 * O(pixels).
 */
public final class Sharpness {
    private static final double AGAIN_PX = 1.5;
    private static final double STRONG_SHARE = 0.03;
    private static final double SHARPEST = 0.8;
    private static final int FEWEST_EDGES = 40;
    private static final float WEAK_STEP = 6;

    /** More than this is told as blurred, pixels of the rectified side. */
    private static final double BLURRED_PX = 2.5;

    /**
     * A strip of the side.
     *
     * @param fromMm where it begins along the side
     * @param toMm where it ends
     * @param sigmaMm standard deviation of the blur in prototype mm; empty when it has too few
     *     edges to tell
     * @param blurred whether small marks are lost in it
     */
    public record Strip(double fromMm, double toMm, Optional<Double> sigmaMm, boolean blurred) {}

    private Sharpness() {}

    /** Looks at {@code count} strips along the side. */
    public static Strip[] strips(Raster side, double pxPerMm, int count) {
        int w = side.width();
        int h = side.height();
        float[] level = new float[w * h];
        for (int i = 0; i < level.length; i++) {
            int p = side.argb()[i];
            level[i] = p >>> 24 == 0 ? Float.NaN : (p >> 16 & 255) + 2 * (p >> 8 & 255) + (p & 255);
            level[i] /= 4;
        }
        float[] again = GaussianFilter.blurred(level, w, h, AGAIN_PX);
        return IntStream.range(0, count)
                .parallel()
                .mapToObj(
                        s -> {
                            int x0 = Math.max(2, s * w / count);
                            int x1 = Math.min(w - 2, (s + 1) * w / count);
                            Optional<Double> sigma = sigma(level, again, w, h, x0, x1);
                            return new Strip(
                                    s * w / (count * pxPerMm),
                                    (s + 1) * w / (count * pxPerMm),
                                    sigma.map(v -> v / pxPerMm),
                                    sigma.orElse(0.0) > BLURRED_PX);
                        })
                .toArray(Strip[]::new);
    }

    private static Optional<Double> sigma(
            float[] level, float[] again, int w, int h, int x0, int x1) {
        int n = Math.max(0, x1 - x0) * Math.max(0, h - 4);
        if (n == 0) {
            return Optional.empty();
        }
        float[] strength = new float[n];
        int k = 0;
        for (int y = 2; y < h - 2; y++) {
            for (int x = x0; x < x1; x++) {
                float g = gradient(again, w, x, y);
                strength[k++] = Float.isNaN(g) ? 0 : g;
            }
        }
        float least =
                Math.max(
                        WEAK_STEP,
                        Selection.at(strength.clone(), n, (int) (n * (1 - STRONG_SHARE))));
        float[] ratios = new float[n];
        int m = 0;
        for (int i = 0; i < n; i++) {
            if (strength[i] >= least) {
                int wide = x1 - x0;
                float ratio = gradient(level, w, x0 + i % wide, 2 + i / wide) / strength[i];
                if (!Float.isNaN(ratio)) {
                    ratios[m++] = ratio;
                }
            }
        }
        if (m < FEWEST_EDGES) {
            return Optional.empty();
        }
        double r = Math.max(Selection.at(ratios, m, (int) (m * SHARPEST)), 1.01);
        return Optional.of(AGAIN_PX / Math.sqrt(r * r - 1));
    }

    private static float gradient(float[] v, int w, int x, int y) {
        int i = y * w + x;
        float gx = v[i + 1] - v[i - 1];
        float gy = v[i + w] - v[i - w];
        return (float) Math.sqrt(gx * gx + gy * gy);
    }
}
