package org.pendrik.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.pendrik.core.photo.GaussianFilter;
import org.pendrik.core.photo.PixelBox;
import org.pendrik.core.photo.Region;

/**
 * Marks drawn along a flow.
 *
 * <p>The direction is that of the structure tensor summed over the region (J. Bigün, G. H.
 * Granlund, "Optimal orientation detection of linear symmetry", ICCV 1987, 433–438): the
 * eigenvector across which the class changes least. Along that direction the region is straightened
 * and summed; the crests are the streaks, and each is followed up and down while it keeps a tenth
 * of its strength: streaks fade slowly, and half of their strength is half of their length.
 *
 * @param angleDegrees from the vertical, positive when the lower end lies to the right; −90 to 90
 * @param anglePlusMinus two standard deviations in degrees, from the parts of the region against
 *     each other
 * @param coherence 0 when no direction is preferred, 1 when all marks run one way
 * @param count streaks followed
 * @param lengthMm median of how far down they run, to a tenth of their strength; prototype mm
 * @param lengthPlusMinusMm two standard deviations of it
 * @param widthMm median width at half strength, along the side
 * @param widthPlusMinusMm two standard deviations of it
 * @param spacingMm median distance between neighbours; 0 when there is one streak
 * @param startMm where they start, median height below the upper edge of the side
 */
public record Streaks(
        double angleDegrees,
        double anglePlusMinus,
        double coherence,
        int count,
        double lengthMm,
        double lengthPlusMinusMm,
        double widthMm,
        double widthPlusMinusMm,
        double spacingMm,
        double startMm) {
    private static final double SMOOTH_PX = 1.3;

    /** A direction is told by the whole region: the noise of pixels has none. */
    private static final double SMOOTH_DIRECTION_PX = 2;

    private static final double FLOOR_DEGREES = 0.4;
    private static final int PARTS = 4;

    /** What runs flatter than this, from the vertical, did not flow. */
    private static final double STEEPEST = 65;

    /** Under this the marks run every way. */
    private static final double LEAST_COHERENCE = 0.25;

    /** A streak is as long as it keeps this part of its strongest: about what is still seen. */
    private static final double FADED = 0.1;

    private static final int SMOOTH_ROWS = 2;

    /** What is open of a median length: a share of it, and pixels at its two ends. */
    private static final double LENGTH_SHARE = 0.018;

    private static final double LENGTH_PX = 3;

    /** The same of a width. */
    private static final double WIDTH_SHARE = 0.045;

    private static final double WIDTH_PX = 0.4;

    /** All streaks of the region are measured: only those that were missed scatter the median. */
    private static final double MEASURED_SHARE = 0.3;

    /** A crest under this part of a pixel's width of class is noise. */
    private static final double LEAST_CREST = 0.04;

    static Answer<Streaks> of(ClassMap map, WeatherClass c, Region r, Resolution resolution) {
        var small = resolution.<Streaks>tooSmallFor(Resolution.Question.STREAKS, r);
        if (small.isPresent()) {
            return small.get();
        }
        PixelBox box = PixelBox.of(r, map.pxPerMm(), map.width(), map.height());
        if (box.width() < 12 || box.height() < 12) {
            return new Answer.CannotTell<>(
                    r.name() + " is " + box.width() + " × " + box.height() + " pixels.",
                    "Streaks need a region of at least 12 each way.");
        }
        return of(map.part(c, r, box), box, map.pxPerMm(), "streaks of " + c.label());
    }

    static Answer<Streaks> of(float[] part, PixelBox box, double pxPerMm, String what) {
        int w = box.width();
        int h = box.height();
        float[] field = GaussianFilter.blurred(part, w, h, SMOOTH_PX);
        double[][] tensors = tensors(GaussianFilter.blurred(part, w, h, SMOOTH_DIRECTION_PX), w, h);
        double[] sum = new double[3];
        for (double[] t : tensors) {
            for (int k = 0; k < 3; k++) {
                sum[k] += t[k];
            }
        }
        double total = sum[0] + sum[1];
        double coherence = total == 0 ? 0 : Math.hypot(sum[0] - sum[1], 2 * sum[2]) / total;
        if (coherence < LEAST_COHERENCE) {
            return Answer.CannotTell.nothing(
                    "No direction stands out among the "
                            + what
                            + " (coherence "
                            + Math.round(100 * coherence) / 100.0
                            + ").",
                    "Measure a region that holds the streaks and little else.");
        }
        double angle = angle(sum);
        if (Math.abs(angle) > STEEPEST) {
            return Answer.CannotTell.nothing(
                    "The "
                            + what
                            + " run along the side, not down it ("
                            + Math.round(angle)
                            + "° from the vertical).",
                    "Leave lettering and shadows out of the region, or exclude them.");
        }
        Traced t = trace(field, w, h, Math.tan(Math.toRadians(angle)));
        if (t.length.isEmpty()) {
            return Answer.CannotTell.nothing(
                    "There are no " + what + " that stand out.", "Pick a sample on a clear one.");
        }
        return new Answer.Told<>(
                new Streaks(
                        angle,
                        2 * Math.hypot(FLOOR_DEGREES, scatter(tensors, sum)),
                        coherence,
                        t.length.size(),
                        median(t.length) / pxPerMm,
                        open(t.length, LENGTH_SHARE, LENGTH_PX) / pxPerMm,
                        median(t.width) / pxPerMm,
                        open(t.width, WIDTH_SHARE, WIDTH_PX) / pxPerMm,
                        spacing(t.at) / pxPerMm,
                        (median(t.start) + box.top()) / pxPerMm));
    }

    /** Jxx, Jyy, Jxy of a grid of parts. */
    private static double[][] tensors(float[] f, int w, int h) {
        double[][] out = new double[PARTS * PARTS][3];
        for (int y = 2; y < h - 2; y++) {
            for (int x = 2; x < w - 2; x++) {
                int i = y * w + x;
                // to the fourth order: a plain difference turns slanted marks away from the axes
                double gx = 8 * (f[i + 1] - f[i - 1]) - f[i + 2] + f[i - 2];
                double gy = 8 * (f[i + w] - f[i - w]) - f[i + 2 * w] + f[i - 2 * w];
                if (Double.isNaN(gx) || Double.isNaN(gy)) {
                    continue;
                }
                double[] t = out[y * PARTS / h * PARTS + x * PARTS / w];
                t[0] += gx * gx;
                t[1] += gy * gy;
                t[2] += gx * gy;
            }
        }
        return out;
    }

    /** Of the marks, which run across the strongest change. */
    private static double angle(double[] t) {
        return -Math.toDegrees(0.5 * Math.atan2(2 * t[2], t[0] - t[1]));
    }

    /** Jackknife over the parts: how far the angle moves when one is left out. */
    private static double scatter(double[][] parts, double[] sum) {
        double all = angle(sum);
        double squares = 0;
        for (double[] p : parts) {
            double d = angle(new double[] {sum[0] - p[0], sum[1] - p[1], sum[2] - p[2]}) - all;
            d = Math.IEEEremainder(d, 180);
            squares += d * d;
        }
        return Math.sqrt(squares * (parts.length - 1) / parts.length);
    }

    private static final class Traced {
        private final List<Double> length = new ArrayList<>();
        private final List<Double> width = new ArrayList<>();
        private final List<Double> start = new ArrayList<>();
        private final List<Double> at = new ArrayList<>();
    }

    private static Traced trace(float[] f, int w, int h, double slope) {
        int shift = (int) Math.ceil(Math.abs(slope) * h);
        int wide = w + shift;
        int offset = slope > 0 ? shift : 0;
        float[] straight = new float[wide * h];
        Arrays.fill(straight, Float.NaN);
        for (int y = 0; y < h; y++) {
            double move = offset - slope * y;
            int from = (int) Math.ceil(move);
            for (int x = from; x < wide; x++) {
                double u = x - move;
                int i = (int) Math.floor(u);
                if (i < 0 || i + 1 >= w) {
                    continue;
                }
                double t = u - i;
                straight[y * wide + x] = (float) ((1 - t) * f[y * w + i] + t * f[y * w + i + 1]);
            }
        }
        double[] crest = new double[wide];
        for (int x = 0; x < wide; x++) {
            double sum = 0;
            for (int y = 0; y < h; y++) {
                float v = straight[y * wide + x];
                sum += Float.isNaN(v) ? 0 : v;
            }
            crest[x] = sum / h;
        }
        double highest = Arrays.stream(crest).max().orElse(0);
        double least = Math.max(LEAST_CREST, highest * 0.15);
        Traced out = new Traced();
        for (int x = 1; x < wide - 1; x++) {
            if (crest[x] >= least && crest[x] > crest[x - 1] && crest[x] >= crest[x + 1]) {
                follow(straight, wide, h, x, crest, out);
            }
        }
        return out;
    }

    private static void follow(
            float[] straight, int wide, int h, int x, double[] crest, Traced out) {
        int left = x;
        int right = x;
        while (left > 0 && crest[left - 1] < crest[left] && crest[left - 1] > crest[x] / 2) {
            left--;
        }
        while (right < wide - 1
                && crest[right + 1] < crest[right]
                && crest[right + 1] > crest[x] / 2) {
            right++;
        }
        double[] along = along(straight, wide, h, left, right);
        double seen = FADED * Arrays.stream(along).max().orElse(0);
        int best = 0;
        int start = 0;
        int run = 0;
        int gap = 0;
        int allowed = Math.max(2, h / 30);
        for (int y = 0; y < h; y++) {
            if (along[y] >= seen) {
                run += 1 + gap;
                gap = 0;
                if (run > best) {
                    best = run;
                    start = y - run + 1;
                }
            } else if (run > 0 && gap < allowed) {
                gap++;
            } else {
                run = 0;
                gap = 0;
            }
        }
        double width = right - left + inside(crest, x, right, 1) + inside(crest, x, left, -1);
        if (best >= 2 * width) {
            out.length.add((double) best);
            out.width.add(width);
            out.start.add((double) start);
            out.at.add((double) x);
        }
    }

    /** How much further than its last column over half strength the crest is as strong as half. */
    private static double inside(double[] crest, int x, int last, int step) {
        int next = last + step;
        if (next < 0 || next >= crest.length || crest[next] >= crest[last]) {
            return 0.5;
        }
        return Math.min(1, (crest[last] - crest[x] / 2) / (crest[last] - crest[next]));
    }

    /** Strength row by row, over the width at half strength and a few rows. */
    private static double[] along(float[] straight, int wide, int h, int left, int right) {
        double[] row = new double[h];
        for (int y = 0; y < h; y++) {
            for (int x = left; x <= right; x++) {
                float v = straight[y * wide + x];
                row[y] += Float.isNaN(v) ? 0 : v / (right - left + 1);
            }
        }
        double[] out = new double[h];
        for (int y = 0; y < h; y++) {
            int from = Math.max(0, y - SMOOTH_ROWS);
            int to = Math.min(h - 1, y + SMOOTH_ROWS);
            for (int v = from; v <= to; v++) {
                out[y] += row[v] / (to - from + 1);
            }
        }
        return out;
    }

    private static double spacing(List<Double> at) {
        List<Double> gaps = new ArrayList<>();
        for (int i = 1; i < at.size(); i++) {
            gaps.add(at.get(i) - at.get(i - 1));
        }
        return gaps.isEmpty() ? 0 : median(gaps);
    }

    /** Two standard deviations of a median. */
    private static double open(List<Double> values, double share, double px) {
        double middle = median(values);
        double apart = median(values.stream().map(v -> Math.abs(v - middle)).toList());
        // the median of n scatters by 1.2533 standard deviations, 1.4826 times this, over √n
        double scatter = MEASURED_SHARE * 1.2533 * 1.4826 * apart / Math.sqrt(values.size());
        return 2 * Math.hypot(scatter, Math.hypot(share * middle, px));
    }

    private static double median(List<Double> values) {
        double[] v = values.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        return v.length % 2 == 1 ? v[v.length / 2] : (v[v.length / 2 - 1] + v[v.length / 2]) / 2;
    }
}
