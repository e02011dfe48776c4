package org.pendrik.core.photo;

/**
 * The inner loop of rectification: a projective map evaluated along rows, bilinear on packed
 * pixels.
 *
 * <p>Along a row the three homogeneous coordinates grow linearly, so a pixel costs one division.
 * Channels are blended two at a time in one int with 8-bit weights; the error against real
 * arithmetic is at most 2 of 255.
 */
final class Sampler {
    private Sampler() {}

    /** Fills {@code out}; {@code source} is the photograph shrunk by {@code shrink}. */
    static void render(
            Raster source, double shrink, Homography toPhoto, Raster out, double pxPerMm) {
        int[] in = source.argb();
        int sw = source.width();
        int sh = source.height();
        int[] target = out.argb();
        int width = out.width();
        double step = 1 / pxPerMm;
        double scale = 1 / shrink;
        double stepU = toPhoto.at(0) * step * scale;
        double stepV = toPhoto.at(3) * step * scale;
        double stepW = toPhoto.at(6) * step;
        for (int y = 0; y < out.height(); y++) {
            double ym = (y + 0.5) * step;
            double xm = 0.5 * step;
            double u = (toPhoto.at(0) * xm + toPhoto.at(1) * ym + toPhoto.at(2)) * scale;
            double v = (toPhoto.at(3) * xm + toPhoto.at(4) * ym + toPhoto.at(5)) * scale;
            double w = toPhoto.at(6) * xm + toPhoto.at(7) * ym + toPhoto.at(8);
            int o = y * width;
            for (int x = 0; x < width; x++, o++, u += stepU, v += stepV, w += stepW) {
                double inv = 1 / w;
                // pixel centres lie at half coordinates
                double px = u * inv - 0.5;
                double py = v * inv - 0.5;
                if (px >= 0 && py >= 0 && px < sw - 1 && py < sh - 1) {
                    int fx = (int) (px * 256);
                    int fy = (int) (py * 256);
                    int i = (fy >> 8) * sw + (fx >> 8);
                    target[o] =
                            Raster.OPAQUE
                                    | blend(
                                            blend(in[i], in[i + 1], fx & 255),
                                            blend(in[i + sw], in[i + sw + 1], fx & 255),
                                            fy & 255);
                } else if (px > -1 && py > -1 && px < sw && py < sh) {
                    int cx = Math.clamp(Math.round(px), 0, sw - 1);
                    int cy = Math.clamp(Math.round(py), 0, sh - 1);
                    target[o] = Raster.OPAQUE | in[cy * sw + cx];
                }
            }
        }
    }

    private static int blend(int a, int b, int t) {
        int rb = a & 0x00ff00ff;
        int g = a & 0x0000ff00;
        rb += (((b & 0x00ff00ff) - rb) * t + 0x00800080) >> 8;
        g += (((b & 0x0000ff00) - g) * t + 0x00008000) >> 8;
        return (rb & 0x00ff00ff) | (g & 0x0000ff00);
    }
}
