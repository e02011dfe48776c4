package org.pendrik.core.photo;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * Proposes where the four corners of a side are.
 *
 * <p>What differs from the colours along the border of the photograph is taken for the subject
 * (threshold after N. Otsu, "A threshold selection method from gray-level histograms", IEEE
 * Transactions on Systems, Man, and Cybernetics 9 (1979), 62–66). Its upright and level edges give
 * two bundles of lines that tilt steadily across the picture, as those of a plane do; of each
 * bundle the two lines are taken that just enclose the subject, so that couplers and wheels count
 * and chamfered corners do not matter. Works on at most {@value #MOST_PX} pixels along the longer
 * side. It is a proposal: the user puts right what it gets wrong.
 */
public final class CornerFinder {
    private static final int MOST_PX = 480;
    private static final int CLUSTERS = 5;
    private static final int BORDER_SHARE = 28;
    private static final double LEAST_DISTANCE = 7;
    private static final double SMALLEST_SHARE = 0.04;
    private static final double MOST_AT_BORDER = 0.22;
    private static final int ROUNDS = 12;

    /** What came of it. */
    public sealed interface Outcome {
        /** Upper left, upper right, lower right, lower left, photograph pixels. */
        record Proposed(List<Point> corners) implements Outcome {}

        /** Nothing stands out as a side. */
        record Nothing(String reason, String remedy) implements Outcome {}
    }

    private final int w;
    private final int h;
    private final Raster small;
    private final double scale;

    private CornerFinder(Raster small, double scale) {
        this.small = small;
        this.w = small.width();
        this.h = small.height();
        this.scale = scale;
    }

    /** Looks at a photograph. */
    public static Outcome propose(Raster photo) {
        Raster small = photo;
        double scale = 1;
        while (Math.max(small.width(), small.height()) > 2 * MOST_PX) {
            small = small.halved();
            scale *= 2;
        }
        return new CornerFinder(small, scale).look();
    }

    private Outcome look() {
        Outcome nothing =
                new Outcome.Nothing(
                        "The side does not stand out from what is around it.",
                        "Set the four corners by hand.");
        if (w < 24 || h < 24) {
            return nothing;
        }
        boolean[] subject = largest(standsOut());
        int count = 0;
        int atBorder = 0;
        for (int i = 0; i < subject.length; i++) {
            if (subject[i]) {
                count++;
                int x = i % w;
                int y = i / w;
                atBorder += x < 2 || y < 2 || x >= w - 2 || y >= h - 2 ? 1 : 0;
            }
        }
        if (count < SMALLEST_SHARE * w * h || atBorder > MOST_AT_BORDER * 4 * (w + h)) {
            return nothing;
        }
        double[] upright = bundle(subject, true);
        double[] level = bundle(subject, false);
        double[] left = {Double.MAX_VALUE};
        double[] right = {-Double.MAX_VALUE};
        double[] top = {Double.MAX_VALUE};
        double[] low = {-Double.MAX_VALUE};
        for (int i = 0; i < subject.length; i++) {
            if (!subject[i]) {
                continue;
            }
            double x = i % w + 0.5;
            int row = i / w;
            double y = row + 0.5;
            double u = foot(upright, x, y - h / 2.0, w / 2.0);
            double v = foot(level, y, x - w / 2.0, h / 2.0);
            left[0] = Math.min(left[0], u);
            right[0] = Math.max(right[0], u);
            top[0] = Math.min(top[0], v);
            low[0] = Math.max(low[0], v);
        }
        List<Point> corners =
                List.of(
                        meet(upright, left[0] - 0.5, level, top[0] - 0.5),
                        meet(upright, right[0] + 0.5, level, top[0] - 0.5),
                        meet(upright, right[0] + 0.5, level, low[0] + 0.5),
                        meet(upright, left[0] - 0.5, level, low[0] + 0.5));
        for (Point p : corners) {
            if (p.x() < -w || p.y() < -h || p.x() > 2.0 * w || p.y() > 2.0 * h) {
                return nothing;
            }
        }
        return new Outcome.Proposed(
                corners.stream()
                        .map(
                                p ->
                                        new Point(
                                                Math.clamp(p.x(), 0.0, w) * scale,
                                                Math.clamp(p.y(), 0.0, h) * scale))
                        .toList());
    }

    /** Where the line of a bundle through a place crosses the middle. */
    private static double foot(double[] bundle, double at, double along, double middle) {
        return (at - along * (bundle[0] - bundle[1] * middle)) / (1 + bundle[1] * along);
    }

    private Point meet(double[] upright, double u, double[] level, double v) {
        // x = u + s (y − h/2), y = v + t (x − w/2)
        double s = upright[0] + upright[1] * (u - w / 2.0);
        double t = level[0] + level[1] * (v - h / 2.0);
        double x = (u + s * (v - t * w / 2.0 - h / 2.0)) / (1 - s * t);
        return new Point(x, v + t * (x - w / 2.0));
    }

    /** Distance of every pixel from the colours of the border, cut at Otsu's threshold. */
    private boolean[] standsOut() {
        Lab[] lab = new Lab[w * h];
        for (int i = 0; i < lab.length; i++) {
            lab[i] = Srgb.toLab(small.argb()[i]);
        }
        List<Lab> border = new ArrayList<>();
        int ring = Math.max(2, Math.min(w, h) / BORDER_SHARE);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                if (x < ring || y < ring || x >= w - ring || y >= h - ring) {
                    border.add(lab[y * w + x]);
                }
            }
        }
        Lab[] centres = clusters(border);
        float[] far = new float[w * h];
        for (int i = 0; i < far.length; i++) {
            double least = Double.MAX_VALUE;
            for (Lab c : centres) {
                least = Math.min(least, lab[i].distance(c));
            }
            far[i] = (float) least;
        }
        far = GaussianFilter.blurred(far, w, h, 1);
        double cut = Math.max(LEAST_DISTANCE, otsu(far));
        boolean[] out = new boolean[w * h];
        for (int i = 0; i < out.length; i++) {
            out[i] = far[i] > cut;
        }
        return out;
    }

    /** A few colours that stand for the border: farthest first, then moved to their means. */
    private static Lab[] clusters(List<Lab> border) {
        Lab[] centres = new Lab[CLUSTERS];
        centres[0] = border.get(border.size() / 2);
        for (int k = 1; k < CLUSTERS; k++) {
            double[] reach = new double[border.size()];
            for (int i = 0; i < reach.length; i++) {
                reach[i] = nearest(border.get(i), centres, k);
            }
            double[] sorted = reach.clone();
            Arrays.sort(sorted);
            // not the very farthest, which is a speck
            double wanted = sorted[(int) (sorted.length * 0.97)];
            for (int i = 0; i < reach.length; i++) {
                if (reach[i] >= wanted) {
                    centres[k] = border.get(i);
                    break;
                }
            }
        }
        for (int round = 0; round < 4; round++) {
            double[][] sum = new double[CLUSTERS][4];
            for (Lab c : border) {
                int at = 0;
                for (int k = 1; k < CLUSTERS; k++) {
                    at = c.distance(centres[k]) < c.distance(centres[at]) ? k : at;
                }
                sum[at][0] += c.l();
                sum[at][1] += c.a();
                sum[at][2] += c.b();
                sum[at][3]++;
            }
            for (int k = 0; k < CLUSTERS; k++) {
                double n = sum[k][3];
                if (n > 0) {
                    centres[k] = new Lab(sum[k][0] / n, sum[k][1] / n, sum[k][2] / n);
                }
            }
        }
        return centres;
    }

    private static double nearest(Lab c, Lab[] centres, int count) {
        double least = Double.MAX_VALUE;
        for (int k = 0; k < count; k++) {
            least = Math.min(least, c.distance(centres[k]));
        }
        return least;
    }

    private static double otsu(float[] values) {
        int[] count = new int[128];
        for (float v : values) {
            count[Math.min(127, (int) v)]++;
        }
        double all = values.length;
        double total = 0;
        for (int i = 0; i < 128; i++) {
            total += i * (double) count[i];
        }
        double below = 0;
        double belowSum = 0;
        double best = 0;
        int cut = 0;
        for (int i = 0; i < 127; i++) {
            below += count[i];
            belowSum += i * (double) count[i];
            if (below == 0 || below == all) {
                continue;
            }
            double apart = belowSum / below - (total - belowSum) / (all - below);
            double between = below * (all - below) * apart * apart;
            if (between > best) {
                best = between;
                cut = i;
            }
        }
        return cut;
    }

    private boolean[] largest(boolean[] in) {
        boolean[] seen = new boolean[in.length];
        List<Integer> best = List.of();
        ArrayDeque<Integer> open = new ArrayDeque<>();
        for (int start = 0; start < in.length; start++) {
            if (!in[start] || seen[start]) {
                continue;
            }
            List<Integer> part = new ArrayList<>();
            seen[start] = true;
            open.add(start);
            while (!open.isEmpty()) {
                int i = open.poll();
                part.add(i);
                int x = i % w;
                int[] next = {
                    x > 0 ? i - 1 : -1,
                    x < w - 1 ? i + 1 : -1,
                    i - w,
                    i + w < in.length ? i + w : -1
                };
                for (int n : next) {
                    if (n >= 0 && in[n] && !seen[n]) {
                        seen[n] = true;
                        open.add(n);
                    }
                }
            }
            if (part.size() > best.size()) {
                best = part;
            }
        }
        boolean[] out = new boolean[in.length];
        best.forEach(i -> out[i] = true);
        return out;
    }

    /**
     * Slope in the middle and its growth across the picture of the upright (or level) edges of the
     * subject, by least squares with Tukey's weights.
     */
    private double[] bundle(boolean[] subject, boolean upright) {
        List<double[]> found = new ArrayList<>();
        for (int y = 2; y < h - 2; y++) {
            for (int x = 2; x < w - 2; x++) {
                int i = y * w + x;
                if (!subject[i]) {
                    continue;
                }
                double gx = level(i + 1 - w) + 2 * level(i + 1) + level(i + 1 + w);
                gx -= level(i - 1 - w) + 2 * level(i - 1) + level(i - 1 + w);
                double gy = level(i + w - 1) + 2 * level(i + w) + level(i + w + 1);
                gy -= level(i - w - 1) + 2 * level(i - w) + level(i - w + 1);
                double strong = upright ? Math.abs(gx) : Math.abs(gy);
                double weak = upright ? gy : gx;
                if (strong > 40 && Math.abs(weak) < 0.4 * strong) {
                    double slope = -weak / (upright ? gx : gy);
                    double at = upright ? x - w / 2.0 : y - h / 2.0;
                    found.add(new double[] {at, slope, Math.min(strong, 200)});
                }
            }
        }
        double[] line = {0, 0};
        double width = 0.4;
        double extent = upright ? w : h;
        for (int round = 0; round < ROUNDS && found.size() >= 20; round++) {
            double n = 0;
            double sx = 0;
            double sxx = 0;
            double sy = 0;
            double sxy = 0;
            for (double[] f : found) {
                double off = (f[1] - line[0] - line[1] * f[0]) / width;
                double weight = Math.abs(off) >= 1 ? 0 : f[2] * Math.pow(1 - off * off, 2);
                n += weight;
                sx += weight * f[0];
                sxx += weight * f[0] * f[0];
                sy += weight * f[1];
                sxy += weight * f[0] * f[1];
            }
            // edges all in one place say nothing of the growth: it is held near none
            sxx += n * extent * extent * 0.002;
            double det = n * sxx - sx * sx;
            if (det <= 0) {
                break;
            }
            line = new double[] {(sy * sxx - sx * sxy) / det, (n * sxy - sx * sy) / det};
            width = Math.max(0.06, width * 0.8);
        }
        return line;
    }

    private int level(int i) {
        int p = small.argb()[i];
        return ((p >> 16 & 255) + 2 * (p >> 8 & 255) + (p & 255)) / 4;
    }
}
