package org.pendrik.core.photo;

import java.util.Arrays;
import java.util.BitSet;
import java.util.stream.IntStream;

/**
 * The edges of a side at half its resolution, by their direction and strength.
 *
 * <p>Which side of an edge is the lighter one does not count, since paint, letters and dirt differ
 * on purpose: the angle of the gradient is doubled (G. H. Granlund, "In search of a general picture
 * processing operator", Computer Graphics and Image Processing 8 (1978), 155–173). Gradients are
 * those of the logarithm of the level, so that a darker exposure has the same edges, and what noise
 * makes of them is taken off.
 */
final class EdgeField {
    /** Gradients up to this many times their median are noise. */
    private static final double NOISE = 2.5;

    /** A stronger edge counts no more than this, in logarithms of the level per two pixels. */
    private static final double STRONGEST = 0.12;

    private static final double BLUR_PX = 1.2;

    private final int width;
    private final int height;
    private final float[] re;
    private final float[] im;

    /** Places that are not in the photograph; empty where all of them are. */
    private final BitSet unseen = new BitSet();

    private EdgeField(int width, int height) {
        this.width = width;
        this.height = height;
        re = new float[width * height];
        im = new float[width * height];
    }

    /** The edges of a side; none where it is not in its photograph. */
    static EdgeField of(Raster side) {
        EdgeField out = new EdgeField(side.width() / 2, side.height() / 2);
        out.fill(levels(side, out.width, out.height));
        return out;
    }

    /**
     * The same without the edges where another side is not in its photograph, so that one that
     * shows a part of the side is held against that part.
     */
    EdgeField whereSeen(EdgeField other) {
        if (other.unseen.isEmpty()) {
            return this;
        }
        EdgeField out = new EdgeField(width, height);
        out.unseen.or(unseen);
        System.arraycopy(re, 0, out.re, 0, re.length);
        System.arraycopy(im, 0, out.im, 0, im.length);
        other.unseen.stream()
                .forEach(
                        i -> {
                            out.re[i] = 0;
                            out.im[i] = 0;
                        });
        return out;
    }

    /** The same at half the resolution. */
    EdgeField halved() {
        EdgeField out = new EdgeField(width / 2, height / 2);
        for (int y = 0; y < out.height; y++) {
            for (int x = 0; x < out.width; x++) {
                int i = 2 * y * width + 2 * x;
                int k = y * out.width + x;
                out.re[k] = re[i] + re[i + 1] + re[i + width] + re[i + width + 1];
                out.im[k] = im[i] + im[i + 1] + im[i + width] + im[i + width + 1];
            }
        }
        return out;
    }

    /** Columns. */
    int width() {
        return width;
    }

    /** Rows. */
    int height() {
        return height;
    }

    /** Cosine of the doubled angle times the strength, row by row. */
    float[] re() {
        return re;
    }

    /** Sine of the doubled angle times the strength. */
    float[] im() {
        return im;
    }

    /**
     * The edge between pixels, and how it changes there.
     *
     * @param u column of a pixel's middle, 0 to width − 1, exclusive
     * @param v row, 0 to height − 1, exclusive
     * @param out real and imaginary part, how both change along, and how both change down
     * @return whether there is any
     */
    boolean between(double u, double v, double[] out) {
        int column = (int) u;
        int row = (int) v;
        int k = row * width + column;
        boolean real = between(re, k, u - column, v - row, out, 0);
        boolean imaginary = between(im, k, u - column, v - row, out, 1);
        return real || imaginary;
    }

    private boolean between(
            float[] plane, int k, double along, double down, double[] out, int part) {
        float p = plane[k];
        float q = plane[k + 1];
        float r = plane[k + width];
        float s = plane[k + width + 1];
        double upper = q - p;
        double lower = s - r;
        out[part] = p + along * upper + down * (r - p + along * (lower - upper));
        out[part + 2] = upper + down * (lower - upper);
        out[part + 4] = r - p + along * (lower - upper);
        return p != 0 || q != 0 || r != 0 || s != 0;
    }

    private static float[] levels(Raster r, int w, int h) {
        float[] level = new float[w * h];
        IntStream.range(0, h)
                .parallel()
                .forEach(
                        y -> {
                            for (int x = 0; x < w; x++) {
                                level[y * w + x] = level(r, x, y);
                            }
                        });
        return level;
    }

    private static float level(Raster r, int x, int y) {
        float sum = 0;
        for (int k = 0; k < 4; k++) {
            int p = r.at(2 * x + (k & 1), 2 * y + (k >> 1));
            if (p >>> 24 == 0) {
                return Float.NaN;
            }
            sum += (p >> 16 & 255) + 2 * (p >> 8 & 255) + (p & 255);
        }
        return (float) Math.log(16 + sum / 16);
    }

    private void fill(float[] level) {
        float[] smooth = GaussianFilter.blurred(level, width, height, BLUR_PX);
        float[] size = new float[width * height];
        IntStream.range(1, height - 1)
                .parallel()
                .forEach(
                        y -> {
                            for (int x = 1; x < width - 1; x++) {
                                gradient(smooth, y * width + x, size);
                            }
                        });
        float[] sorted = size.clone();
        Arrays.parallelSort(sorted);
        // what is not in the photograph has no edges and tells nothing of its noise
        for (int i = 0; i < smooth.length; i++) {
            if (Float.isNaN(smooth[i])) {
                unseen.set(i);
            }
        }
        int outside = unseen.cardinality();
        float floor = (float) (NOISE * sorted[outside + (sorted.length - outside) / 2]);
        for (int i = 0; i < size.length; i++) {
            float counts = Math.clamp(size[i] - floor, 0f, (float) STRONGEST);
            re[i] *= counts;
            im[i] *= counts;
        }
    }

    private void gradient(float[] smooth, int i, float[] size) {
        float gx = smooth[i + 1] - smooth[i - 1];
        float gy = smooth[i + width] - smooth[i - width];
        float square = gx * gx + gy * gy;
        if (square > 0) {
            size[i] = (float) Math.sqrt(square);
            re[i] = (gx * gx - gy * gy) / square;
            im[i] = 2 * gx * gy / square;
        }
    }

    /**
     * How well another side's edges lie on these: 1 when all are the same, about 0 when none are.
     *
     * @param m where places of this side lie on the other, pixels of the fields: x' = a x + b y +
     *     c, y' = d x + e y + f
     * @param dx the other moved further by so many pixels
     * @param dy the other moved further by so many pixels
     */
    double agreement(EdgeField other, double[] m, double dx, double dy) {
        double[] sums = new double[3];
        // every other line tells it as well
        double[][] rows = new double[height / 2][];
        IntStream.range(0, height / 2)
                .parallel()
                .forEach(y -> rows[y] = row(other, m, dx, dy, 2 * y));
        for (double[] r : rows) {
            for (int k = 0; k < 3; k++) {
                sums[k] += r[k];
            }
        }
        return sums[1] * sums[2] > 0 ? sums[0] / Math.sqrt(sums[1] * sums[2]) : 0;
    }

    private double[] row(EdgeField other, double[] m, double dx, double dy, int y) {
        double both = 0;
        double mine = 0;
        double theirs = 0;
        for (int x = 0; x < width; x++) {
            int u = (int) Math.floor(m[0] * (x + 0.5) + m[1] * (y + 0.5) + m[2] + dx);
            int v = (int) Math.floor(m[3] * (x + 0.5) + m[4] * (y + 0.5) + m[5] + dy);
            if (u < 0 || v < 0 || u >= width || v >= height) {
                continue;
            }
            int i = y * width + x;
            int k = v * width + u;
            both += re[i] * other.re[k] + im[i] * other.im[k];
            mine += re[i] * re[i] + im[i] * im[i];
            theirs += other.re[k] * other.re[k] + other.im[k] * other.im[k];
        }
        return new double[] {both, mine, theirs};
    }
}
