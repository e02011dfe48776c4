package org.pendrik.core.photo;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.ejml.simple.SimpleMatrix;

/**
 * Lays the model's side exactly over the prototype's: what four corners set by hand leave.
 *
 * <p>Phase correlation on edges (C. D. Kuglin, D. C. Hines, "The phase correlation image alignment
 * method", IEEE Conference on Cybernetics and Society 1975, 163–165), once for the whole side and
 * then in windows; the windows that agree give an affine map by least squares. Edges, since the
 * colours of the two sides differ on purpose. Works on half the resolution; O(pixels · log pixels).
 * Moves of more than {@value #MOST_SHARE} of the length are not believed: then the corners are
 * wrong.
 */
public final class Registration {
    private static final double MOST_SHARE = 0.03;
    private static final double SLACK_PX = 1.2;
    private static final double SLACK_UNREGISTERED_PX = 3;

    /** The peak has to stand out of the plane this many times its root mean square. */
    private static final double LEAST_PEAK = 7;

    private static final int WINDOW_W = 256;
    private static final int WINDOW_H = 128;
    private static final int ACROSS = 4;
    private static final int DOWN = 2;

    /** A window that is off the common map by more is left out, half-resolution pixels. */
    private static final double OUTLIER_PX = 2;

    /**
     * What was found.
     *
     * @param onModel pixels of the model's side for pixels of the prototype's: x' = a x + b y + c,
     *     y' = d x + e y + f
     * @param windows how many windows agree on it
     * @param movedPx the largest move at a corner, pixels
     * @param sure whether the peaks stand out; when not, the sides are left as they are
     */
    @SuppressWarnings("ArrayRecordComponent") // six numbers, never compared
    public record Fit(double[] onModel, int windows, double movedPx, boolean sure) {
        /** How far the sides may still be off each other, pixels. */
        public double slackPx() {
            return sure ? SLACK_PX : SLACK_UNREGISTERED_PX;
        }
    }

    private record Shift(double x, double y, double dx, double dy) {}

    private Registration() {}

    /** Finds how the model's side has to be moved; both of one size. */
    public static Fit find(Raster prototype, Raster model) {
        int w = prototype.width() / 2;
        int h = prototype.height() / 2;
        float[] one = edges(prototype, w, h);
        float[] two = edges(model, w, h);
        int most = (int) Math.ceil(MOST_SHARE * w);
        Fit none = new Fit(new double[] {1, 0, 0, 0, 1, 0}, 0, 0, false);
        Optional<Shift> whole = whole(one, two, w, h, most);
        if (whole.isEmpty()) {
            return none;
        }
        List<Shift> shifts = windows(one, two, w, h, whole.get());
        double[] map = affine(shifts, whole.get());
        double[] full = {map[0], map[1], 2 * map[2], map[3], map[4], 2 * map[5]};
        double moved = 0;
        for (double x : new double[] {0, prototype.width()}) {
            for (double y : new double[] {0, prototype.height()}) {
                double u = full[0] * x + full[1] * y + full[2] - x;
                double v = full[3] * x + full[4] * y + full[5] - y;
                moved = Math.max(moved, Math.hypot(u, v));
            }
        }
        return moved > 3 * MOST_SHARE * prototype.width()
                ? none
                : new Fit(full, shifts.size(), moved, true);
    }

    /** The model's side moved onto the prototype's; what it does not reach is outside. */
    public static Raster moved(Raster model, Fit fit) {
        if (!fit.sure()) {
            return model;
        }
        int w = model.width();
        int h = model.height();
        double[] m = fit.onModel();
        Raster out = Raster.empty(w, h);
        IntStream.range(0, h)
                .parallel()
                .forEach(
                        y -> {
                            for (int x = 0; x < w; x++) {
                                double u = m[0] * (x + 0.5) + m[1] * (y + 0.5) + m[2] - 0.5;
                                double v = m[3] * (x + 0.5) + m[4] * (y + 0.5) + m[5] - 0.5;
                                out.argb()[y * w + x] = Sampler.at(model, u, v);
                            }
                        });
        return out;
    }

    private static float[] edges(Raster r, int w, int h) {
        float[] level = new float[w * h];
        IntStream.range(0, h).parallel().forEach(y -> levels(r, level, w, y));
        float[] edges = new float[w * h];
        for (int y = 1; y < h - 1; y++) {
            for (int x = 1; x < w - 1; x++) {
                int i = y * w + x;
                float gx = level[i + 1] - level[i - 1];
                float gy = level[i + w] - level[i - w];
                float g = (float) Math.sqrt(gx * gx + gy * gy);
                edges[i] = Float.isNaN(g) ? 0 : Math.min(g, 0.5f);
            }
        }
        return edges;
    }

    /** Logarithms of one line: in shares of the level, a darker exposure has the same edges. */
    private static void levels(Raster r, float[] level, int w, int y) {
        for (int x = 0; x < w; x++) {
            float sum = 0;
            boolean out = false;
            for (int k = 0; k < 4; k++) {
                int p = r.at(2 * x + (k & 1), 2 * y + (k >> 1));
                out |= p >>> 24 == 0;
                sum += (p >> 16 & 255) + 2 * (p >> 8 & 255) + (p & 255);
            }
            level[y * w + x] = out ? Float.NaN : (float) Math.log(16 + sum / 16);
        }
    }

    private static Optional<Shift> whole(float[] one, float[] two, int w, int h, int most) {
        int fw = Integer.highestOneBit(Math.max(2, w * 2 - 1));
        int fh = Integer.highestOneBit(Math.max(2, h * 2 - 1));
        return shift(one, two, w, h, 0, 0, 0, 0, Math.min(fw, w), Math.min(fh, h), fw, fh, most);
    }

    private static List<Shift> windows(float[] one, float[] two, int w, int h, Shift whole) {
        int ww = Math.min(WINDOW_W, Integer.highestOneBit(w));
        int wh = Math.min(WINDOW_H, Integer.highestOneBit(h));
        int gx = (int) Math.round(whole.dx());
        int gy = (int) Math.round(whole.dy());
        return IntStream.range(0, ACROSS * DOWN)
                .parallel()
                .mapToObj(
                        k -> {
                            int col = k % ACROSS;
                            int row = k / ACROSS;
                            int x0 = (w - ww) * col / (ACROSS - 1);
                            int y0 = (h - wh) * row / Math.max(1, DOWN - 1);
                            return shift(one, two, w, h, x0, y0, gx, gy, ww, wh, ww, wh, ww / 10);
                        })
                .flatMap(Optional::stream)
                .toList();
    }

    /** How far the second is shifted against the first in a window of half-resolution pixels. */
    private static Optional<Shift> shift(
            float[] one,
            float[] two,
            int w,
            int h,
            int x0,
            int y0,
            int gx,
            int gy,
            int ww,
            int wh,
            int fw,
            int fh,
            int most) {
        float[] re = new float[fw * fh];
        float[] im = new float[fw * fh];
        // without their means, or the window itself would be found in both
        double oneMean = mean(one, w, h, x0, y0, ww, wh);
        double twoMean = mean(two, w, h, x0 + gx, y0 + gy, ww, wh);
        double[] across = hann(ww);
        double[] down = hann(wh);
        for (int y = 0; y < wh; y++) {
            for (int x = 0; x < ww; x++) {
                double hann = down[y] * across[x];
                re[y * fw + x] = (float) (hann * (one[(y0 + y) * w + x0 + x] - oneMean));
                int u = x0 + x + gx;
                int v = y0 + y + gy;
                if (u >= 0 && v >= 0 && u < w && v < h) {
                    im[y * fw + x] = (float) (hann * (two[v * w + u] - twoMean));
                }
            }
        }
        Fourier f = new Fourier(fw, fh);
        f.transform(re, im, false);
        phases(re, im, fw, fh);
        f.transform(re, im, true);
        return peak(re, fw, fh, most)
                .map(p -> new Shift(x0 + ww / 2.0, y0 + wh / 2.0, p.x() + gx, p.y() + gy));
    }

    private static double[] hann(int count) {
        double[] out = new double[count];
        Arrays.setAll(out, i -> 0.5 - 0.5 * Math.cos(2 * Math.PI * (i + 0.5) / count));
        return out;
    }

    /**
     * Of the spectrum of two real planes, one put in as the real and one as the imaginary part, how
     * much the second is turned against the first at every frequency. What belongs to the one is
     * even and to the other odd between a frequency and its mirror.
     */
    private static void phases(float[] re, float[] im, int w, int h) {
        double[] across = fineness(w);
        double[] down = fineness(h);
        for (int ky = 0; ky < h; ky++) {
            for (int kx = 0; kx < w; kx++) {
                int i = ky * w + kx;
                int mirror = (h - ky) % h * w + (w - kx) % w;
                if (mirror < i) {
                    continue;
                }
                double aRe = re[i] + re[mirror];
                double aIm = im[i] - im[mirror];
                double bRe = im[i] + im[mirror];
                double bIm = re[mirror] - re[i];
                double turnRe = aRe * bRe + aIm * bIm;
                double turnIm = aRe * bIm - aIm * bRe;
                double size =
                        across[kx]
                                * down[ky]
                                / Math.max(1e-9, Math.sqrt(turnRe * turnRe + turnIm * turnIm));
                re[i] = (float) (turnRe * size);
                im[i] = (float) (turnIm * size);
                re[mirror] = re[i];
                im[mirror] = -im[i];
            }
        }
    }

    /** Fine detail is noise: the phase counts less towards the highest frequencies. */
    private static double[] fineness(int count) {
        double[] out = new double[count];
        Arrays.setAll(out, k -> Math.exp(-6 * Math.pow(2.0 * Math.min(k, count - k) / count, 2)));
        return out;
    }

    private static double mean(float[] v, int w, int h, int x0, int y0, int ww, int wh) {
        double sum = 0;
        int n = 0;
        for (int y = Math.max(0, y0); y < Math.min(h, y0 + wh); y++) {
            for (int x = Math.max(0, x0); x < Math.min(w, x0 + ww); x++) {
                sum += v[y * w + x];
                n++;
            }
        }
        return n == 0 ? 0 : sum / n;
    }

    private static Optional<Point> peak(float[] plane, int w, int h, int most) {
        double square = 0;
        for (double v : plane) {
            square += v * v;
        }
        double best = 0;
        int bx = 0;
        int by = 0;
        for (int dy = -Math.min(most, h / 2 - 2); dy <= Math.min(most, h / 2 - 2); dy++) {
            for (int dx = -Math.min(most, w / 2 - 2); dx <= Math.min(most, w / 2 - 2); dx++) {
                double v = plane[Math.floorMod(dy, h) * w + Math.floorMod(dx, w)];
                if (v > best) {
                    best = v;
                    bx = dx;
                    by = dy;
                }
            }
        }
        if (best < LEAST_PEAK * Math.sqrt(square / plane.length)) {
            return Optional.empty();
        }
        return Optional.of(
                new Point(
                        bx + vertex(plane, w, h, bx, by, 1, 0),
                        by + vertex(plane, w, h, bx, by, 0, 1)));
    }

    /** Where a parabola through the peak and its two neighbours is highest. */
    private static double vertex(float[] plane, int w, int h, int x, int y, int dx, int dy) {
        double before = plane[Math.floorMod(y - dy, h) * w + Math.floorMod(x - dx, w)];
        double at = plane[Math.floorMod(y, h) * w + Math.floorMod(x, w)];
        double after = plane[Math.floorMod(y + dy, h) * w + Math.floorMod(x + dx, w)];
        double bend = before - 2 * at + after;
        return bend >= 0 ? 0 : Math.clamp(0.5 * (before - after) / bend, -0.5, 0.5);
    }

    /** The affine map of the windows that agree; too few give the shift of the whole. */
    private static double[] affine(List<Shift> shifts, Shift whole) {
        List<Shift> kept = new ArrayList<>(shifts);
        while (kept.size() >= 4) {
            double[] map = solve(kept);
            Shift worst = null;
            double far = OUTLIER_PX;
            for (Shift s : kept) {
                double d =
                        Math.hypot(
                                map[0] * s.x() + map[1] * s.y() + map[2] - s.x() - s.dx(),
                                map[3] * s.x() + map[4] * s.y() + map[5] - s.y() - s.dy());
                if (d > far) {
                    far = d;
                    worst = s;
                }
            }
            if (worst == null) {
                return map;
            }
            kept.remove(worst);
        }
        return new double[] {1, 0, whole.dx(), 0, 1, whole.dy()};
    }

    private static double[] solve(List<Shift> shifts) {
        SimpleMatrix a = new SimpleMatrix(shifts.size(), 3);
        SimpleMatrix x = new SimpleMatrix(shifts.size(), 2);
        for (int i = 0; i < shifts.size(); i++) {
            Shift s = shifts.get(i);
            a.setRow(i, 0, s.x(), s.y(), 1);
            x.setRow(i, 0, s.x() + s.dx(), s.y() + s.dy());
        }
        SimpleMatrix m = a.pseudoInverse().mult(x);
        double[] out = new double[6];
        Arrays.setAll(out, i -> m.get(i % 3, i / 3));
        return out;
    }
}
