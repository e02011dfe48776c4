package org.pendrik.core.photo;

/**
 * The inner loop of rectification: a projective map evaluated along rows, bilinear on packed
 * pixels.
 *
 * <p>A row is done in two passes. The first finds where its pixels lie in the photograph, in 256ths
 * of a pixel: along a row the three homogeneous coordinates grow linearly, so a pixel costs one
 * division, and plain arithmetic on floats is done for several pixels at once. The second fetches
 * the four pixels about each place and then blends whole rows of them, two channels at a time in
 * one int with 8-bit weights. A row whose two ends lie inside the photograph lies inside as a
 * whole, since a straight line stays one and the side lies before the horizon; behind a lens that
 * bends lines every place is looked at. The error against real arithmetic is at most 2 of 255 where
 * the photograph is smooth between pixels, plus what a thousandth of a pixel of place makes.
 */
final class Sampler {
    private static final int PARTS = 256;

    private Sampler() {}

    /** Fills {@code out}; {@code source} is the photograph shrunk by {@code shrink}. */
    static void render(
            Raster source,
            double shrink,
            Homography toPhoto,
            Lens lens,
            Raster out,
            double pxPerMm) {
        int width = out.width();
        double step = 1 / pxPerMm;
        double scale = PARTS / shrink;
        double stepU = toPhoto.at(0) * step * scale;
        double stepV = toPhoto.at(3) * step * scale;
        double stepW = toPhoto.at(6) * step;
        int[] fx = new int[width];
        int[] fy = new int[width];
        Row row = new Row(width);
        Lens bent =
                new Lens(
                        lens.centreX() * scale,
                        lens.centreY() * scale,
                        lens.unitPx() * scale,
                        lens.lambda());
        for (int y = 0; y < out.height(); y++) {
            double ym = (y + 0.5) * step;
            double xm = 0.5 * step;
            double u = (toPhoto.at(0) * xm + toPhoto.at(1) * ym + toPhoto.at(2)) * scale;
            double v = (toPhoto.at(3) * xm + toPhoto.at(4) * ym + toPhoto.at(5)) * scale;
            double w = toPhoto.at(6) * xm + toPhoto.at(7) * ym + toPhoto.at(8);
            // divided by the first depth, so that floats carry as many digits as they can
            places(fx, (float) (u / w), (float) (stepU / w), (float) (stepW / w));
            places(fy, (float) (v / w), (float) (stepV / w), (float) (stepW / w));
            boolean inside =
                    isInside(source, fx[0], fy[0])
                            && isInside(source, fx[width - 1], fy[width - 1]);
            if (lens.lambda() != 0) {
                bend(fx, fy, bent);
                inside = areInside(source, fx, fy);
            }
            int o = y * width;
            if (inside) {
                row.fetch(source, fx, fy);
                row.blend(fx, fy, out.argb(), o);
            } else {
                edge(source, fx, fy, out.argb(), o);
            }
        }
    }

    /** Writes each pixel's coordinate, in 256ths of a pixel and counted from pixel centres. */
    private static void places(int[] places, float first, float step, float depthStep) {
        for (int x = 0; x < places.length; x++) {
            places[x] = (int) ((first + x * step) / (1 + x * depthStep) - PARTS / 2f);
        }
    }

    /** Moves places, in 256ths of a pixel from pixel centres, to where the lens shows them. */
    private static void bend(int[] fx, int[] fy, Lens lens) {
        float cx = (float) lens.centreX() - PARTS / 2f;
        float cy = (float) lens.centreY() - PARTS / 2f;
        float share = (float) (-4 * lens.lambda() / (lens.unitPx() * lens.unitPx()));
        for (int x = 0; x < fx.length; x++) {
            float dx = fx[x] - cx;
            float dy = fy[x] - cy;
            float under = Math.max(0, 1 + share * (dx * dx + dy * dy));
            float factor = 2 / (1 + (float) Math.sqrt(under));
            fx[x] = (int) (cx + dx * factor);
            fy[x] = (int) (cy + dy * factor);
        }
    }

    private static boolean areInside(Raster r, int[] fx, int[] fy) {
        int right = (r.width() - 1) * PARTS;
        int low = (r.height() - 1) * PARTS;
        int outside = 0;
        for (int x = 0; x < fx.length; x++) {
            outside |= fx[x] | fy[x] | (right - 1 - fx[x]) | (low - 1 - fy[x]);
        }
        return outside >= 0;
    }

    private static boolean isInside(Raster r, int fx, int fy) {
        return fx >= 0 && fy >= 0 && fx < (r.width() - 1) * PARTS && fy < (r.height() - 1) * PARTS;
    }

    /** The four pixels about each place of a row, and how far it lies between them. */
    private static final class Row {
        private final int[] upperLeft;
        private final int[] upperRight;
        private final int[] lowerLeft;
        private final int[] lowerRight;

        Row(int width) {
            upperLeft = new int[width];
            upperRight = new int[width];
            lowerLeft = new int[width];
            lowerRight = new int[width];
        }

        /** Fetches the pixels: all that cannot be done for several places at once. */
        void fetch(Raster source, int[] fx, int[] fy) {
            int[] in = source.argb();
            int sw = source.width();
            for (int x = 0; x < fx.length; x++) {
                int i = (fy[x] >> 8) * sw + (fx[x] >> 8);
                upperLeft[x] = in[i];
                upperRight[x] = in[i + 1];
                lowerLeft[x] = in[i + sw];
                lowerRight[x] = in[i + sw + 1];
            }
        }

        /** Blends them: first along, then down, the row of the target that begins at {@code o}. */
        void blend(int[] fx, int[] fy, int[] target, int o) {
            for (int x = 0; x < fx.length; x++) {
                upperLeft[x] = Sampler.blend(upperLeft[x], upperRight[x], fx[x] & 255);
            }
            for (int x = 0; x < fx.length; x++) {
                lowerLeft[x] = Sampler.blend(lowerLeft[x], lowerRight[x], fx[x] & 255);
            }
            for (int x = 0; x < fx.length; x++) {
                upperLeft[x] =
                        Raster.OPAQUE | Sampler.blend(upperLeft[x], lowerLeft[x], fy[x] & 255);
            }
            System.arraycopy(upperLeft, 0, target, o, fx.length);
        }
    }

    /** The same where part of the row may lie outside; half a pixel beyond the edge repeats it. */
    private static void edge(Raster source, int[] fx, int[] fy, int[] target, int o) {
        int[] in = source.argb();
        int sw = source.width();
        int sh = source.height();
        for (int x = 0; x < fx.length; x++) {
            if (isInside(source, fx[x], fy[x])) {
                int i = (fy[x] >> 8) * sw + (fx[x] >> 8);
                target[o + x] = four(in, sw, i, fx[x] & 255, fy[x] & 255);
            } else if (fx[x] > -PARTS
                    && fy[x] > -PARTS
                    && fx[x] < sw * PARTS
                    && fy[x] < sh * PARTS) {
                int cx = Math.clamp((fx[x] + PARTS / 2) >> 8, 0, sw - 1);
                int cy = Math.clamp((fy[x] + PARTS / 2) >> 8, 0, sh - 1);
                target[o + x] = Raster.OPAQUE | in[cy * sw + cx];
            }
        }
    }

    /**
     * The pixel at a place counted from pixel centres; alpha 0 outside or beside what is outside.
     */
    static int at(Raster r, double x, double y) {
        int ix = (int) Math.floor(x);
        int iy = (int) Math.floor(y);
        if (ix < 0 || iy < 0 || ix >= r.width() - 1 || iy >= r.height() - 1) {
            return 0;
        }
        int i = iy * r.width() + ix;
        int[] in = r.argb();
        int alpha = in[i] & in[i + 1] & in[i + r.width()] & in[i + r.width() + 1];
        return alpha >>> 24 == 0
                ? 0
                : four(in, r.width(), i, (int) ((x - ix) * PARTS), (int) ((y - iy) * PARTS));
    }

    private static int four(int[] in, int width, int i, int tx, int ty) {
        return Raster.OPAQUE
                | blend(
                        blend(in[i], in[i + 1], tx),
                        blend(in[i + width], in[i + width + 1], tx),
                        ty);
    }

    private static int blend(int a, int b, int t) {
        int rb = a & 0x00ff00ff;
        int g = a & 0x0000ff00;
        rb += (((b & 0x00ff00ff) - rb) * t + 0x00800080) >> 8;
        g += (((b & 0x0000ff00) - g) * t + 0x00008000) >> 8;
        return (rb & 0x00ff00ff) | (g & 0x0000ff00);
    }
}
