package org.pendrik.core.photo;

import java.util.stream.IntStream;
import org.ejml.simple.SimpleMatrix;

/**
 * The affine map by which the edges of two sides agree best, from one that is a few pixels off.
 *
 * <p>Newton's method on the correlation of both fields, normalised by what the map takes of each:
 * as in G. D. Evangelidis, E. Z. Psarakis, "Parametric image alignment using enhanced correlation
 * coefficient maximization", IEEE Transactions on Pattern Analysis and Machine Intelligence 30
 * (2008), 1858–1865, with the curvature of what both sides share in place of that of one, so that
 * marks which only one of them has hold nothing back. The other side is read between its pixels:
 * O(pixels) a round.
 */
final class EdgeAlignment {
    private static final int ROUNDS = 6;

    /** A round that moves no corner by more than this is the last, pixels of the fields. */
    private static final double STILL_PX = 0.03;

    /** What a round may move a corner by, pixels of the fields. */
    private static final double MOST_PX = 2;

    /**
     * By how much the curvature is raised, so that directions that are open are not run away in.
     */
    private static final double DAMPED = 1.05;

    // all sums of a row in one array: both sides multiplied, each squared, then the slopes of the
    // product and of the other's square by six coefficients, then the second derivatives: along,
    // down and across, six products of (x, y, 1) each
    private static final int TOGETHER = 0;
    private static final int OTHERS = 1;
    private static final int MINE = 2;
    private static final int SLOPE = 3;
    private static final int OTHERS_SLOPE = 9;
    private static final int BENDS = 15;
    private static final int SUMS = 33;

    /** Where the products of (x, y, 1) with itself stand among six. */
    private static final int[][] PAIR = {{0, 1, 2}, {1, 3, 4}, {2, 4, 5}};

    private final EdgeField one;
    private final EdgeField two;
    private final int width;
    private final int height;

    private EdgeAlignment(EdgeField one, EdgeField two) {
        this.one = one;
        this.two = two;
        width = one.width();
        height = one.height();
    }

    /**
     * How well edges agree under a map, and where it goes on to.
     *
     * @param agreement 1 when all are the same
     * @param step what is to be added to the map
     */
    @SuppressWarnings("ArrayRecordComponent") // six numbers, never compared
    private record Round(double agreement, double[] step) {}

    /**
     * The map refined.
     *
     * @param from where places of one side lie on the other, pixels of the fields: x' = a x + b y +
     *     c, y' = d x + e y + f
     */
    static double[] refined(EdgeField one, EdgeField two, double[] from) {
        EdgeAlignment alignment = new EdgeAlignment(one, two);
        double[] map = from;
        Round at = alignment.round(from);
        double share = 1;
        for (int k = 0; k < ROUNDS; k++) {
            double far = alignment.farthest(at.step()) * share;
            double[] tried = map.clone();
            for (int i = 0; i < 6; i++) {
                tried[i] += at.step()[i] * share * Math.min(1, MOST_PX / far);
            }
            Round there = alignment.round(tried);
            if (there.agreement() > at.agreement()) {
                map = tried;
                at = there;
            } else {
                share /= 2;
            }
            if (far < STILL_PX) {
                break;
            }
        }
        return map;
    }

    /** By how much a step moves the corner that it moves most, pixels of the fields. */
    private double farthest(double[] step) {
        double far = 0;
        for (double x : new double[] {0, width}) {
            for (double y : new double[] {0, height}) {
                double u = step[0] * x + step[1] * y + step[2];
                double v = step[3] * x + step[4] * y + step[5];
                far = Math.max(far, Math.hypot(u, v));
            }
        }
        return far;
    }

    private Round round(double[] map) {
        double[][] rows = new double[height][];
        IntStream.range(1, height - 1).parallel().forEach(y -> rows[y] = row(map, y));
        double[] sums = new double[SUMS];
        for (int y = 1; y < height - 1; y++) {
            for (int k = 0; k < SUMS; k++) {
                sums[k] += rows[y][k];
            }
        }
        if (sums[TOGETHER] <= 0 || sums[OTHERS] <= 0 || sums[MINE] <= 0) {
            return new Round(0, new double[6]);
        }
        return new Round(sums[TOGETHER] / Math.sqrt(sums[OTHERS] * sums[MINE]), step(sums));
    }

    private double[] step(double[] sums) {
        SimpleMatrix bend = new SimpleMatrix(6, 6);
        SimpleMatrix slope = new SimpleMatrix(6, 1);
        for (int k = 0; k < 6; k++) {
            slope.set(k, sums[SLOPE + k] - sums[TOGETHER] / sums[OTHERS] * sums[OTHERS_SLOPE + k]);
        }
        for (int k = 0; k < 3; k++) {
            for (int l = 0; l < 3; l++) {
                int at = BENDS + PAIR[k][l];
                double damped = k == l ? DAMPED : 1;
                bend.set(k, l, damped * sums[at]);
                bend.set(3 + k, 3 + l, damped * sums[at + 6]);
                bend.set(k, 3 + l, sums[at + 12]);
                bend.set(3 + l, k, sums[at + 12]);
            }
        }
        SimpleMatrix by = bend.pseudoInverse().mult(slope);
        double[] out = new double[6];
        for (int axis = 0; axis < 6; axis += 3) {
            // from shares of the side about its middle to pixels from its corner
            out[axis] = by.get(axis) / width;
            out[axis + 1] = by.get(axis + 1) / height;
            out[axis + 2] = by.get(axis + 2) - (by.get(axis) + by.get(axis + 1)) / 2;
        }
        return out;
    }

    private double[] row(double[] m, int y) {
        double[] sums = new double[SUMS];
        double[] s = new double[6];
        double[] place = {0, (y + 0.5) / height - 0.5, 1};
        for (int x = 1; x < width - 1; x++) {
            double u = m[0] * (x + 0.5) + m[1] * (y + 0.5) + m[2] - 0.5;
            double v = m[3] * (x + 0.5) + m[4] * (y + 0.5) + m[5] - 0.5;
            if (u < 0 || v < 0 || u >= width - 1 || v >= height - 1) {
                continue;
            }
            int i = y * width + x;
            sums[MINE] += one.re()[i] * one.re()[i] + one.im()[i] * one.im()[i];
            if (!two.between(u, v, s)) {
                continue;
            }
            double re = one.re()[i];
            double im = one.im()[i];
            sums[TOGETHER] += re * s[0] + im * s[1];
            sums[OTHERS] += s[0] * s[0] + s[1] * s[1];
            double reX = (one.re()[i + 1] - one.re()[i - 1]) / 2;
            double imX = (one.im()[i + 1] - one.im()[i - 1]) / 2;
            double reY = (one.re()[i + width] - one.re()[i - width]) / 2;
            double imY = (one.im()[i + width] - one.im()[i - width]) / 2;
            double along = re * s[2] + im * s[3];
            double down = re * s[4] + im * s[5];
            double othersAlong = s[0] * s[2] + s[1] * s[3];
            double othersDown = s[0] * s[4] + s[1] * s[5];
            double both = reX * s[2] + imX * s[3];
            double bothDown = reY * s[4] + imY * s[5];
            double across = (reX * s[4] + imX * s[5] + reY * s[2] + imY * s[3]) / 2;
            place[0] = (x + 0.5) / width - 0.5;
            int at = BENDS;
            for (int k = 0; k < 3; k++) {
                sums[SLOPE + k] += place[k] * along;
                sums[SLOPE + 3 + k] += place[k] * down;
                sums[OTHERS_SLOPE + k] += place[k] * othersAlong;
                sums[OTHERS_SLOPE + 3 + k] += place[k] * othersDown;
                for (int l = k; l < 3; l++) {
                    double weight = place[k] * place[l];
                    sums[at] += weight * both;
                    sums[at + 6] += weight * bothDown;
                    sums[at + 12] += weight * across;
                    at++;
                }
            }
        }
        return sums;
    }
}
