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
 * <p>The edges of both are correlated by their direction (A. J. Fitch, A. Kadyrov, W. J. Christmas,
 * J. Kittler, "Orientation correlation", British Machine Vision Conference 2002, 133–142), once for
 * the whole side and then in windows; the windows give an affine map by least squares, towards a
 * plain shift where they are few. Works on half the resolution; O(pixels · log pixels).
 *
 * <p>What came of it is believed only when the edges agree where they lie, and much less when the
 * model is moved a little further along, or up or down: the outline of any car lies on that of any
 * other, and long edges agree wherever they are pushed along themselves. Moves of more than {@value
 * #MOST_SHARE} of the length are not looked for: then the corners are wrong.
 */
public final class Registration {
    private static final double MOST_SHARE = 0.03;
    private static final double SLACK_PX = 1.2;
    private static final double SLACK_UNREGISTERED_PX = 3;

    /** By how much edges must agree better than when the model is moved on along the side. */
    private static final double LEAST_ALONG = 0.14;

    /** The same up and down, where outlines of other cars agree too. */
    private static final double LEAST_UP = 0.2;

    /** What counts as moved on, half-resolution pixels: past an edge, and short of the next. */
    private static final int[] MOVED_ON = {8, 11, 14, 17};

    /** A side that is lower says too little to lay another over it. */
    private static final int SMALLEST_PX = 4 * 17;

    /** A move that makes edges agree by no more than this is no better than none. */
    private static final double LEAST_GAIN = 0.01;

    private static final int WINDOW_W = 256;
    private static final int WINDOW_H = 128;
    private static final int ACROSS = 5;
    private static final int DOWN = 3;

    /** A window of less agreement is not listened to. */
    private static final double LEAST_IN_WINDOW = 0.35;

    /** How far a window is looked for beyond what is known already, half-resolution pixels. */
    private static final int[] LOOK_AROUND = {14, 5};

    /** How far from a peak it must have fallen off, half-resolution pixels. */
    private static final int FOOT_PX = 5;

    /** A window that is off the common map by more is left out, half-resolution pixels. */
    private static final double OUTLIER_PX = 2;

    /** What a corner is held by to the shift of the whole, against one for a window. */
    private static final double HOLD = 0.05;

    /**
     * What was found.
     *
     * @param onModel pixels of the model's side for pixels of the prototype's: x' = a x + b y + c,
     *     y' = d x + e y + f
     * @param windows how many windows agree on it
     * @param movedPx the largest move at a corner, pixels
     * @param sure whether the edges agree; when not, the sides are left as they are
     */
    @SuppressWarnings("ArrayRecordComponent") // six numbers, never compared
    public record Fit(double[] onModel, int windows, double movedPx, boolean sure) {
        /**
         * The same in millimetres of the side.
         *
         * @param pxPerMm pixels of both sides per prototype mm
         */
        public double[] onModelMm(double pxPerMm) {
            double[] m = onModel.clone();
            m[2] /= pxPerMm;
            m[5] /= pxPerMm;
            return m;
        }

        /** How far the sides may still be off each other, pixels. */
        public double slackPx() {
            return sure ? SLACK_PX : SLACK_UNREGISTERED_PX;
        }
    }

    /**
     * Where the middle of a window lies and how it is shifted.
     *
     * @param along how much it counts along the side: little where all edges run that way
     * @param up how much it counts up and down
     */
    private record Shift(double x, double y, double dx, double dy, double along, double up) {
        double off(double[] map) {
            return Math.hypot(
                    Math.sqrt(along) * (map[0] * x + map[1] * y + map[2] - x - dx),
                    Math.sqrt(up) * (map[3] * x + map[4] * y + map[5] - y - dy));
        }
    }

    private static final double[] UNMOVED = {1, 0, 0, 0, 1, 0};

    private Registration() {}

    /** Finds how the model's side has to be moved; both of one size. */
    public static Fit find(Raster prototype, Raster model) {
        if (Math.min(prototype.width(), prototype.height()) < SMALLEST_PX) {
            return unsure();
        }
        EdgeField all = EdgeField.of(prototype);
        EdgeField two = EdgeField.of(model).whereSeen(all);
        EdgeField one = all.whereSeen(two);
        int w = one.width();
        int h = one.height();
        int most = (int) Math.ceil(MOST_SHARE * w);
        Optional<Shift> whole = whole(one.halved(), two.halved(), most / 2);
        if (whole.isEmpty()) {
            return unsure();
        }
        double[] map = {1, 0, whole.get().dx(), 0, 1, whole.get().dy()};
        List<Shift> kept = List.of();
        for (int around : LOOK_AROUND) {
            kept = agreeing(windows(one, two, map, around), whole.get(), w, h);
            map = solve(kept, whole.get(), w, h);
        }
        map = EdgeAlignment.refined(one, two, map);
        if (one.agreement(two, map, 0, 0) < one.agreement(two, UNMOVED, 0, 0) + LEAST_GAIN) {
            map = UNMOVED;
        }
        double[] full = {map[0], map[1], 2 * map[2], map[3], map[4], 2 * map[5]};
        double moved = moved(full, prototype.width(), prototype.height());
        boolean sure = moved <= 3 * MOST_SHARE * prototype.width() && isBelieved(one, two, map);
        return sure ? new Fit(full, kept.size(), moved, true) : unsure();
    }

    /** The model's side is left as it is. */
    public static Fit unsure() {
        return new Fit(UNMOVED.clone(), 0, 0, false);
    }

    private static double moved(double[] map, int width, int height) {
        double moved = 0;
        for (double x : new double[] {0, width}) {
            for (double y : new double[] {0, height}) {
                double u = map[0] * x + map[1] * y + map[2] - x;
                double v = map[3] * x + map[4] * y + map[5] - y;
                moved = Math.max(moved, Math.hypot(u, v));
            }
        }
        return moved;
    }

    private static boolean isBelieved(EdgeField one, EdgeField two, double[] map) {
        double here = one.agreement(two, map, 0, 0);
        double along = Double.NEGATIVE_INFINITY;
        double up = Double.NEGATIVE_INFINITY;
        for (int d : MOVED_ON) {
            for (int s : new int[] {-d, d}) {
                along = Math.max(along, one.agreement(two, map, s, 0));
                up = Math.max(up, one.agreement(two, map, 0, s));
            }
        }
        return here - along >= LEAST_ALONG && here - up >= LEAST_UP;
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

    /** The shift of the whole, from half the resolution. */
    private static Optional<Shift> whole(EdgeField one, EdgeField two, int most) {
        return shift(one, two, 0, 0, 0, 0, one.width(), one.height(), most, 0)
                .map(s -> new Shift(2 * s.x(), 2 * s.y(), 2 * s.dx(), 2 * s.dy(), 1, 1));
    }

    private static List<Shift> windows(EdgeField one, EdgeField two, double[] map, int around) {
        int w = one.width();
        int h = one.height();
        int ww = Math.min(WINDOW_W, Integer.highestOneBit(w));
        int wh = Math.min(WINDOW_H, Integer.highestOneBit(h));
        return IntStream.range(0, ACROSS * DOWN)
                .parallel()
                .mapToObj(
                        k -> {
                            int x0 = (w - ww) * (k % ACROSS) / (ACROSS - 1);
                            int y0 = (h - wh) * (k / ACROSS) / (DOWN - 1);
                            double x = x0 + ww / 2.0;
                            double y = y0 + wh / 2.0;
                            int gx = (int) Math.round(map[0] * x + map[1] * y + map[2] - x);
                            int gy = (int) Math.round(map[3] * x + map[4] * y + map[5] - y);
                            return shift(one, two, x0, y0, gx, gy, ww, wh, around, LEAST_IN_WINDOW);
                        })
                .flatMap(Optional::stream)
                .toList();
    }

    /**
     * How far the second is shifted against the first in a window.
     *
     * @param gx what is known of it already
     * @param gy what is known of it already
     * @param most how far beyond that it is looked for
     * @param least agreement under which nothing is said
     */
    private static Optional<Shift> shift(
            EdgeField one,
            EdgeField two,
            int x0,
            int y0,
            int gx,
            int gy,
            int ww,
            int wh,
            int most,
            double least) {
        // a window fades towards its rim, so what leaves it at one end may come in at the other
        int fw = powerFrom(ww);
        int fh = powerFrom(wh);
        float[] aRe = new float[fw * fh];
        float[] aIm = new float[fw * fh];
        float[] bRe = new float[fw * fh];
        float[] bIm = new float[fw * fh];
        double energy =
                Math.sqrt(
                        taken(one, x0, y0, ww, wh, aRe, aIm, fw)
                                * taken(two, x0 + gx, y0 + gy, ww, wh, bRe, bIm, fw));
        if (energy == 0) {
            return Optional.empty();
        }
        Fourier f = new Fourier(fw, fh);
        f.transform(aRe, aIm, false);
        f.transform(bRe, bIm, false);
        for (int i = 0; i < aRe.length; i++) {
            float re = aRe[i] * bRe[i] + aIm[i] * bIm[i];
            float im = aRe[i] * bIm[i] - aIm[i] * bRe[i];
            aRe[i] = re;
            aIm[i] = im;
        }
        f.transform(aRe, aIm, true);
        return peak(aRe, fw, fh, most)
                .filter(p -> p.height() >= least * energy)
                .map(
                        p ->
                                new Shift(
                                        x0 + ww / 2.0,
                                        y0 + wh / 2.0,
                                        p.x() + gx,
                                        p.y() + gy,
                                        p.along() * p.height() / energy,
                                        p.up() * p.height() / energy));
    }

    private static int powerFrom(int n) {
        return Integer.highestOneBit(2 * n - 1);
    }

    /** Takes the edges of a window, fading towards its rim; gives their energy. */
    private static double taken(
            EdgeField field, int x0, int y0, int ww, int wh, float[] re, float[] im, int fw) {
        double[] across = hann(ww);
        double[] down = hann(wh);
        double energy = 0;
        for (int y = Math.max(0, -y0); y < Math.min(wh, field.height() - y0); y++) {
            for (int x = Math.max(0, -x0); x < Math.min(ww, field.width() - x0); x++) {
                int i = (y0 + y) * field.width() + x0 + x;
                float a = (float) (down[y] * across[x]) * field.re()[i];
                float b = (float) (down[y] * across[x]) * field.im()[i];
                re[y * fw + x] = a;
                im[y * fw + x] = b;
                energy += a * a + b * b;
            }
        }
        return energy;
    }

    private static double[] hann(int count) {
        double[] out = new double[count];
        Arrays.setAll(out, i -> 0.5 - 0.5 * Math.cos(2 * Math.PI * (i + 0.5) / count));
        return out;
    }

    /**
     * The highest place of a plane of correlations near no shift at all.
     *
     * @param along how much it falls off along, 0 for a ridge to 1 for a needle
     * @param up how much it falls off up and down
     */
    private record Peak(double x, double y, double height, double along, double up) {}

    private static Optional<Peak> peak(float[] plane, int w, int h, int most) {
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
        return best == 0
                ? Optional.empty()
                : Optional.of(
                        new Peak(
                                bx + vertex(plane, w, h, bx, by, 1, 0),
                                by + vertex(plane, w, h, bx, by, 0, 1),
                                best,
                                falls(plane, w, h, bx, by, FOOT_PX, 0),
                                falls(plane, w, h, bx, by, 0, FOOT_PX)));
    }

    private static double falls(float[] plane, int w, int h, int x, int y, int dx, int dy) {
        double before = plane[Math.floorMod(y - dy, h) * w + Math.floorMod(x - dx, w)];
        double at = plane[Math.floorMod(y, h) * w + Math.floorMod(x, w)];
        double after = plane[Math.floorMod(y + dy, h) * w + Math.floorMod(x + dx, w)];
        return Math.clamp(1 - Math.max(before, after) / at, 0, 1);
    }

    /** Where a parabola through the peak and its two neighbours is highest. */
    private static double vertex(float[] plane, int w, int h, int x, int y, int dx, int dy) {
        double before = plane[Math.floorMod(y - dy, h) * w + Math.floorMod(x - dx, w)];
        double at = plane[Math.floorMod(y, h) * w + Math.floorMod(x, w)];
        double after = plane[Math.floorMod(y + dy, h) * w + Math.floorMod(x + dx, w)];
        double bend = before - 2 * at + after;
        return bend >= 0 ? 0 : Math.clamp(0.5 * (before - after) / bend, -0.5, 0.5);
    }

    /** The windows that agree with each other. */
    private static List<Shift> agreeing(List<Shift> shifts, Shift whole, int w, int h) {
        List<Shift> kept = new ArrayList<>(shifts);
        while (!kept.isEmpty()) {
            double[] map = solve(kept, whole, w, h);
            Shift worst = null;
            double far = OUTLIER_PX;
            for (Shift s : kept) {
                double d = s.off(map);
                if (d > far) {
                    far = d;
                    worst = s;
                }
            }
            if (worst == null) {
                return kept;
            }
            kept.remove(worst);
        }
        return kept;
    }

    /** The affine map of some windows, its corners held a little by the shift of the whole. */
    private static double[] solve(List<Shift> windows, Shift whole, int w, int h) {
        List<Shift> shifts = new ArrayList<>(windows);
        for (double x : new double[] {0, w}) {
            for (double y : new double[] {0, h}) {
                shifts.add(new Shift(x, y, whole.dx(), whole.dy(), HOLD, HOLD));
            }
        }
        double[] out = new double[6];
        for (int axis = 0; axis < 2; axis++) {
            SimpleMatrix a = new SimpleMatrix(shifts.size(), 3);
            SimpleMatrix x = new SimpleMatrix(shifts.size(), 1);
            for (int i = 0; i < shifts.size(); i++) {
                Shift s = shifts.get(i);
                double k = axis == 0 ? s.along() : s.up();
                a.setRow(i, 0, k * s.x(), k * s.y(), k);
                x.set(i, k * (axis == 0 ? s.x() + s.dx() : s.y() + s.dy()));
            }
            SimpleMatrix m = a.pseudoInverse().mult(x);
            for (int k = 0; k < 3; k++) {
                out[3 * axis + k] = m.get(k);
            }
        }
        return out;
    }
}
