package org.pendrik.core.photo;

import java.util.List;
import org.ejml.simple.SimpleMatrix;

/**
 * A plane-to-plane projective map, estimated by the normalised direct linear transform.
 *
 * <p>Source: R. Hartley, "In defence of the eight-point algorithm", IEEE Transactions on Pattern
 * Analysis and Machine Intelligence 19 (1997), 580–593; R. Hartley, A. Zisserman, "Multiple View
 * Geometry in Computer Vision", 2nd ed., Cambridge 2003, algorithm 4.2. Cost O(n) for n points plus
 * one 9×9 decomposition. Exact for four points, least squares of the algebraic error beyond.
 */
final class Homography {
    /** Gauss–Newton doubles the digits each time; the direct transform leaves it few to find. */
    private static final int REFINEMENTS = 4;

    private final double[] h;

    private Homography(double[] h) {
        this.h = h;
    }

    /** The map of nine coefficients, row by row. */
    static Homography of(double[] coefficients) {
        return new Homography(coefficients.clone());
    }

    /** The map of a matrix; {@code here} is a place before the horizon. */
    static Homography of(SimpleMatrix m, Point here) {
        double depth = m.get(2, 0) * here.x() + m.get(2, 1) * here.y() + m.get(2, 2);
        double[] h = new double[9];
        for (int i = 0; i < 9; i++) {
            h[i] = m.get(i / 3, i % 3) / depth;
        }
        return new Homography(h);
    }

    /**
     * The map that takes each {@code from[i]} to {@code to[i]}; at least four points, no three in a
     * line.
     */
    static Homography between(List<Point> from, List<Point> to) {
        SimpleMatrix t = normaliser(from);
        SimpleMatrix u = normaliser(to);
        SimpleMatrix a = new SimpleMatrix(2 * from.size(), 9);
        for (int i = 0; i < from.size(); i++) {
            Point p = apply(t, from.get(i));
            Point q = apply(u, to.get(i));
            a.setRow(2 * i, 0, 0, 0, 0, -p.x(), -p.y(), -1, q.y() * p.x(), q.y() * p.y(), q.y());
            a.setRow(
                    2 * i + 1, 0, p.x(), p.y(), 1, 0, 0, 0, -q.x() * p.x(), -q.x() * p.y(), -q.x());
        }
        var svd = a.transpose().mult(a).svd();
        int least = 0;
        for (int i = 1; i < 9; i++) {
            if (svd.getSingleValue(i) < svd.getSingleValue(least)) {
                least = i;
            }
        }
        SimpleMatrix v = svd.getV().getColumn(least);
        SimpleMatrix n = new SimpleMatrix(3, 3);
        for (int i = 0; i < 9; i++) {
            n.set(i / 3, i % 3, v.get(i));
        }
        SimpleMatrix full = u.invert().mult(n).mult(t);
        // the sign is free: it is chosen so that the points themselves lie before the horizon
        return of(full, from.getFirst());
    }

    /**
     * This map moved until the sum of squared distances in the target is least: Gauss–Newton on the
     * eight coefficients, which counts errors where they were made (Hartley and Zisserman,
     * algorithm 4.3). Four points are left as they are.
     */
    Homography refined(List<Point> from, List<Point> to) {
        if (from.size() == 4) {
            return this;
        }
        SimpleMatrix t = normaliser(from);
        SimpleMatrix u = normaliser(to);
        SimpleMatrix start = u.mult(new SimpleMatrix(3, 3, true, h)).mult(t.invert());
        double[] p = new double[9];
        for (int i = 0; i < 9; i++) {
            p[i] = start.get(i / 3, i % 3) / start.get(2, 2);
        }
        for (int round = 0; round < REFINEMENTS; round++) {
            SimpleMatrix j = new SimpleMatrix(2 * from.size(), 8);
            SimpleMatrix r = new SimpleMatrix(2 * from.size(), 1);
            for (int i = 0; i < from.size(); i++) {
                Point a = apply(t, from.get(i));
                Point b = apply(u, to.get(i));
                double w = p[6] * a.x() + p[7] * a.y() + 1;
                double x = (p[0] * a.x() + p[1] * a.y() + p[2]) / w;
                double y = (p[3] * a.x() + p[4] * a.y() + p[5]) / w;
                double ax = a.x() / w;
                double ay = a.y() / w;
                j.setRow(2 * i, 0, ax, ay, 1 / w, 0, 0, 0, -x * ax, -x * ay);
                j.setRow(2 * i + 1, 0, 0, 0, 0, ax, ay, 1 / w, -y * ax, -y * ay);
                r.set(2 * i, b.x() - x);
                r.set(2 * i + 1, b.y() - y);
            }
            SimpleMatrix d = j.solve(r);
            for (int k = 0; k < 8; k++) {
                p[k] += d.get(k);
            }
        }
        SimpleMatrix full = u.invert().mult(new SimpleMatrix(3, 3, true, p)).mult(t);
        return of(full, from.getFirst());
    }

    /** This map after another one: it takes what that one gives. */
    Homography after(Homography first) {
        SimpleMatrix m =
                new SimpleMatrix(3, 3, true, h).mult(new SimpleMatrix(3, 3, true, first.h));
        double[] both = new double[9];
        for (int i = 0; i < 9; i++) {
            both[i] = m.get(i / 3, i % 3);
        }
        return new Homography(both);
    }

    Homography inverse() {
        SimpleMatrix m = new SimpleMatrix(3, 3, true, h).invert();
        double[] inv = new double[9];
        for (int i = 0; i < 9; i++) {
            inv[i] = m.get(i / 3, i % 3);
        }
        return new Homography(inv);
    }

    /**
     * How far a point lies before the horizon, as a share of that of the first point of the map; 0
     * on it, negative behind it, where {@link #map} gives a mirror image without meaning.
     */
    double depth(double x, double y) {
        return h[6] * x + h[7] * y + h[8];
    }

    Point map(double x, double y) {
        double w = depth(x, y);
        return new Point((h[0] * x + h[1] * y + h[2]) / w, (h[3] * x + h[4] * y + h[5]) / w);
    }

    /** Coefficient {@code i} of the row-major matrix. */
    double at(int i) {
        return h[i];
    }

    private static Point apply(SimpleMatrix m, Point p) {
        return new Point(m.get(0, 0) * p.x() + m.get(0, 2), m.get(1, 1) * p.y() + m.get(1, 2));
    }

    private static SimpleMatrix normaliser(List<Point> points) {
        double cx = points.stream().mapToDouble(Point::x).average().orElseThrow();
        double cy = points.stream().mapToDouble(Point::y).average().orElseThrow();
        double mean =
                points.stream()
                        .mapToDouble(p -> Math.hypot(p.x() - cx, p.y() - cy))
                        .average()
                        .orElseThrow();
        double s = Math.sqrt(2) / mean;
        return new SimpleMatrix(new double[][] {{s, 0, -s * cx}, {0, s, -s * cy}, {0, 0, 1}});
    }
}
