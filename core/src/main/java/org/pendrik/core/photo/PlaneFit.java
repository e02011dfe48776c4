package org.pendrik.core.photo;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.ejml.data.SingularMatrixException;
import org.ejml.simple.SimpleMatrix;
import org.pendrik.core.photo.KnownLine.Along;
import org.pendrik.core.photo.SideRectifier.Mark;

/**
 * Finds the plane of a side of which not all corners are to be seen, from places, directions and
 * lengths that are known on it.
 *
 * <p>Level lines meet in one vanishing point and upright ones in another; with these the picture is
 * right but for scale and place along and down, which two known places tell, or one and a length
 * each way (stratified rectification: D. Liebowitz, A. Zisserman, "Metric rectification for
 * perspective images of planes", CVPR 1998, 482–488). Four places alone do it as well. Then
 * everything that is marked is fitted at once, in photograph pixels, by Levenberg–Marquardt on the
 * eight coefficients.
 */
final class PlaneFit {
    /** Marks in this few rounds are as near as they come: each round squares what is left. */
    private static final int ROUNDS = 25;

    private static final double STEP = 1e-6;
    private static final double SAME_MM = 1;

    /** Both ends of a line are set by hand, so how far they differ scatters by root 2. */
    private static final double ENDS = Math.sqrt(0.5);

    /** Lines that meet at so small an angle tell no vanishing point apart from far away. */
    private static final double LEAST_APART = 0.02;

    private final List<Mark> marks;
    private final List<KnownLine> lines;
    private final double spanPx;
    private final Point middlePx;
    private final double spanMm;

    /**
     * What is marked, the lens taken out.
     *
     * @param spanMm how large the side is
     */
    PlaneFit(List<Mark> marks, List<KnownLine> lines, double spanMm) {
        this.marks = List.copyOf(marks);
        this.lines = List.copyOf(lines);
        this.spanMm = spanMm;
        List<Point> all = places(marks, lines);
        double x = all.stream().mapToDouble(Point::x).average().orElse(0);
        double y = all.stream().mapToDouble(Point::y).average().orElse(0);
        this.middlePx = new Point(x, y);
        this.spanPx =
                Math.max(1, all.stream().mapToDouble(p -> p.distance(middlePx)).max().orElse(1));
    }

    private static List<Point> places(List<Mark> marks, List<KnownLine> lines) {
        List<Point> out = new ArrayList<>();
        marks.forEach(m -> out.add(m.photo()));
        for (KnownLine l : lines) {
            out.add(l.from());
            out.add(l.to());
        }
        return out;
    }

    /** What has still to be marked, as a sentence; empty when the plane can be looked for. */
    static Optional<String> needed(List<Mark> marks, List<KnownLine> lines) {
        if (marks.size() >= 4) {
            return Optional.empty();
        }
        List<String> out = new ArrayList<>();
        for (Along along : Along.values()) {
            long n = lines.stream().filter(l -> l.along() == along).count();
            if (n < 2) {
                out.add(
                        (n == 0 ? "two lines that are " : "one more line that is ")
                                + (along == Along.LEVEL ? "level" : "upright"));
            }
            if (places(marks, along) < 2
                    && !(places(marks, along) == 1 && measured(lines, along))) {
                out.add(
                        marks.isEmpty()
                                ? "a known point"
                                : along == Along.LEVEL
                                        ? "the length of a level line, or a known point further along"
                                        : "the length of an upright line, or a known point higher or lower");
            }
        }
        return out.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        "Still to be marked: "
                                + String.join("; ", out.stream().distinct().toList())
                                + ". Four known points would do as well.");
    }

    /** How many different places along, or down, are known. */
    private static long places(List<Mark> marks, Along along) {
        return marks.stream()
                .map(m -> Math.round(at(m.sideMm(), along) / SAME_MM))
                .distinct()
                .count();
    }

    private static boolean measured(List<KnownLine> lines, Along along) {
        return lines.stream().anyMatch(l -> l.along() == along && l.lengthMm().isPresent());
    }

    private static double at(Point p, Along along) {
        return along == Along.LEVEL ? p.x() : p.y();
    }

    /** From the side to the picture; empty where what is marked does not tell. */
    Optional<Homography> toPhoto() {
        try {
            return start().map(this::fitted);
        } catch (SingularMatrixException e) {
            // places in one row, or lines that all run one way
            return Optional.empty();
        }
    }

    private Optional<Homography> start() {
        return marks.size() >= 4
                ? Optional.of(
                        Homography.between(
                                marks.stream().map(Mark::sideMm).toList(),
                                marks.stream().map(Mark::photo).toList()))
                : byVanishingPoints();
    }

    private Optional<Homography> byVanishingPoints() {
        double[] level = vanishing(Along.LEVEL);
        double[] upright = vanishing(Along.UPRIGHT);
        SimpleMatrix h =
                new SimpleMatrix(
                        new double[][] {
                            {level[0], upright[0], 0},
                            {level[1], upright[1], 0},
                            {level[2], upright[2], 1}
                        });
        if (Math.abs(h.determinant()) < LEAST_APART) {
            return Optional.empty();
        }
        SimpleMatrix back = h.invert();
        UnaryOperator<Point> st = p -> mapped(back, scaled(p));
        Optional<double[]> x = scale(st, Along.LEVEL);
        Optional<double[]> y = scale(st, Along.UPRIGHT);
        if (x.isEmpty() || y.isEmpty()) {
            return Optional.empty();
        }
        SimpleMatrix affine =
                new SimpleMatrix(
                        new double[][] {
                            {x.get()[0], 0, x.get()[1]}, {0, y.get()[0], y.get()[1]}, {0, 0, 1}
                        });
        return Optional.of(Homography.of(unscaling().mult(h).mult(affine), here(st, x, y)));
    }

    /** A place of the side that is surely before the horizon: the middle of what is marked. */
    private Point here(UnaryOperator<Point> st, Optional<double[]> x, Optional<double[]> y) {
        Point p = st.apply(middlePx);
        double[] along = x.orElseThrow();
        double[] down = y.orElseThrow();
        return new Point((p.x() - along[1]) / along[0], (p.y() - down[1]) / down[0]);
    }

    /** Photograph pixels about the middle of what is marked, one span wide. */
    private Point scaled(Point p) {
        return new Point((p.x() - middlePx.x()) / spanPx, (p.y() - middlePx.y()) / spanPx);
    }

    private SimpleMatrix unscaling() {
        return new SimpleMatrix(
                new double[][] {{spanPx, 0, middlePx.x()}, {0, spanPx, middlePx.y()}, {0, 0, 1}});
    }

    private static Point mapped(SimpleMatrix m, Point p) {
        double w = m.get(2, 0) * p.x() + m.get(2, 1) * p.y() + m.get(2, 2);
        return new Point(
                (m.get(0, 0) * p.x() + m.get(0, 1) * p.y() + m.get(0, 2)) / w,
                (m.get(1, 0) * p.x() + m.get(1, 1) * p.y() + m.get(1, 2)) / w);
    }

    /**
     * Where lines of one direction meet, as three numbers of length 1: the least singular vector of
     * the lines, each weighing as much as it is long.
     */
    private double[] vanishing(Along along) {
        List<KnownLine> of = lines.stream().filter(l -> l.along() == along).toList();
        SimpleMatrix a = new SimpleMatrix(of.size(), 3);
        double dx = 0;
        double dy = 0;
        for (int i = 0; i < of.size(); i++) {
            Point p = scaled(of.get(i).from());
            Point q = scaled(of.get(i).to());
            a.setRow(i, 0, p.y() - q.y(), q.x() - p.x(), p.x() * q.y() - q.x() * p.y());
            double turn = at(q, along) >= at(p, along) ? 1 : -1;
            dx += turn * (q.x() - p.x());
            dy += turn * (q.y() - p.y());
        }
        var svd = a.transpose().mult(a).svd();
        int least = 0;
        for (int i = 1; i < 3; i++) {
            if (svd.getSingleValue(i) < svd.getSingleValue(least)) {
                least = i;
            }
        }
        SimpleMatrix v = svd.getV().getColumn(least);
        // from the middle towards it is the way that grows: right, or down
        double towards = v.get(0) * dx + v.get(1) * dy;
        double sign = towards >= 0 ? 1 : -1;
        return new double[] {sign * v.get(0), sign * v.get(1), sign * v.get(2)};
    }

    /** Scale and place of one direction: what is seen = scale · mm + place; empty without sense. */
    private Optional<double[]> scale(UnaryOperator<Point> st, Along along) {
        double sumX = 0;
        double sumS = 0;
        for (Mark m : marks) {
            sumX += at(m.sideMm(), along);
            sumS += at(st.apply(m.photo()), along);
        }
        double meanX = sumX / marks.size();
        double meanS = sumS / marks.size();
        double up = 0;
        double down = 0;
        for (Mark m : marks) {
            double x = at(m.sideMm(), along) - meanX;
            up += x * (at(st.apply(m.photo()), along) - meanS);
            down += x * x;
        }
        for (KnownLine l : lines) {
            if (l.along() == along && l.lengthMm().isPresent()) {
                double mm = l.lengthMm().getAsDouble();
                double s = Math.abs(at(st.apply(l.to()), along) - at(st.apply(l.from()), along));
                up += mm * s;
                down += mm * mm;
            }
        }
        double scale = down == 0 ? 0 : up / down;
        return scale > 0
                ? Optional.of(new double[] {scale, meanS - scale * meanX})
                : Optional.empty();
    }

    /** How far everything marked is off a map, each in photograph pixels of one mark. */
    double[] residuals(Homography toPhoto) {
        Homography toSide = toPhoto.inverse();
        List<Double> out = new ArrayList<>();
        for (Mark m : marks) {
            Point p = toPhoto.map(m.sideMm().x(), m.sideMm().y());
            out.add(p.x() - m.photo().x());
            out.add(p.y() - m.photo().y());
        }
        for (KnownLine l : lines) {
            Point a = toSide.map(l.from().x(), l.from().y());
            Point b = toSide.map(l.to().x(), l.to().y());
            boolean level = l.along() == Along.LEVEL;
            double across = level ? b.y() - a.y() : b.x() - a.x();
            double run = Math.abs(level ? b.x() - a.x() : b.y() - a.y());
            double pxPerMm = l.from().distance(l.to()) / Math.max(1e-9, Math.hypot(across, run));
            out.add(ENDS * across * pxPerMm);
            if (l.lengthMm().isPresent()) {
                out.add(ENDS * (run - l.lengthMm().getAsDouble()) * pxPerMm);
            }
        }
        return out.stream().mapToDouble(v -> v).toArray();
    }

    /** The map moved until what is marked lies nearest. */
    private Homography fitted(Homography start) {
        double[] scale = scales(start);
        Homography best = start;
        double least = squares(residuals(best));
        double damping = 1e-4;
        for (int round = 0; round < ROUNDS && least > 1e-18; round++) {
            double[] r = residuals(best);
            SimpleMatrix j = new SimpleMatrix(r.length, 8);
            for (int k = 0; k < 8; k++) {
                double[] moved = residuals(moved(best, k, STEP * scale[k]));
                for (int i = 0; i < r.length; i++) {
                    j.set(i, k, (moved[i] - r[i]) / STEP);
                }
            }
            SimpleMatrix normal = j.transpose().mult(j);
            SimpleMatrix right = j.transpose().mult(new SimpleMatrix(r.length, 1, true, r));
            boolean better = false;
            for (int tries = 0; tries < 8 && !better; tries++) {
                SimpleMatrix damped = normal.copy();
                for (int k = 0; k < 8; k++) {
                    damped.set(k, k, normal.get(k, k) * (1 + damping) + 1e-12);
                }
                SimpleMatrix d = damped.solve(right);
                Homography next = best;
                for (int k = 0; k < 8; k++) {
                    next = moved(next, k, -d.get(k) * scale[k]);
                }
                double now = squares(residuals(next));
                better = now < least;
                damping = better ? damping / 10 : damping * 10;
                if (better) {
                    boolean done = least - now < 1e-9 * least;
                    best = next;
                    least = now;
                    if (done) {
                        return best;
                    }
                }
            }
            if (!better) {
                break;
            }
        }
        return best;
    }

    /** A step of each coefficient that moves the picture by about a span. */
    private double[] scales(Homography h) {
        double depth = 1 / spanMm;
        double px = spanPx * depth;
        return new double[] {px, px, spanPx, px, px, spanPx, depth, depth, h.at(8)};
    }

    private static Homography moved(Homography h, int k, double by) {
        double[] c = new double[9];
        for (int i = 0; i < 9; i++) {
            c[i] = h.at(i);
        }
        c[k] += by;
        return Homography.of(c);
    }

    private static double squares(double[] r) {
        double sum = 0;
        for (double v : r) {
            sum += Double.isFinite(v) ? v * v : 1e12;
        }
        return sum;
    }

    /**
     * The maps from the picture to the side that come out when one coordinate of one thing that is
     * marked is moved.
     */
    List<Homography> shaken(Homography found, double hand) {
        List<Homography> out = new ArrayList<>();
        for (int i = 0; i < marks.size(); i++) {
            for (int k = 0; k < 2; k++) {
                List<Mark> moved = new ArrayList<>(marks);
                Mark m = marks.get(i);
                moved.set(i, new Mark(moved(m.photo(), k, hand), m.sideMm()));
                out.add(new PlaneFit(moved, lines, spanMm).fitted(found).inverse());
            }
        }
        for (int i = 0; i < lines.size(); i++) {
            for (int k = 0; k < 4; k++) {
                List<KnownLine> moved = new ArrayList<>(lines);
                KnownLine l = lines.get(i);
                Point from = k < 2 ? moved(l.from(), k, hand) : l.from();
                Point to = k < 2 ? l.to() : moved(l.to(), k - 2, hand);
                moved.set(i, new KnownLine(from, to, l.along(), l.lengthMm()));
                out.add(new PlaneFit(marks, moved, spanMm).fitted(found).inverse());
            }
        }
        return out;
    }

    private static Point moved(Point p, int coordinate, double by) {
        return new Point(p.x() + (1 - coordinate) * by, p.y() + coordinate * by);
    }

    /** All places that are marked, photograph pixels. */
    List<Point> places() {
        return places(marks, lines);
    }
}
