package org.pendrik.core.photo;

import java.util.List;
import org.pendrik.core.units.InvalidInput;

/**
 * Finds the distortion of a lens from lines that are straight on the prototype.
 *
 * <p>The λ is sought for which the marked points of each line, undistorted, lie best on a straight
 * line ("plumb line" method: D. C. Brown, "Close-range camera calibration", Photogrammetric
 * Engineering 37 (1971), 855–866). Residuals are orthogonal distances, scaled back to photograph
 * pixels so that shrinking the picture does not count as fitting. Golden section over the one
 * unknown; O(points) a try. The standard deviation of λ comes from the curvature at the best place.
 */
public final class LensFit {
    private static final int TRIES = 60;
    private static final double GOLDEN = (Math.sqrt(5) - 1) / 2;

    /** A hand sets a mark this well at best, in pixels. */
    private static final double HAND_PX = 0.3;

    /** A λ less certain than this moves the corner by more than 2 % of the half diagonal. */
    private static final double LEAST_CERTAIN = 0.02;

    private static final int MOST_LINES = 12;

    /** What came of it. */
    public sealed interface Outcome {
        /**
         * A lens.
         *
         * @param lambdaSd one standard deviation of λ
         * @param residualPx how far the marks lie off their lines, root mean square
         */
        record Found(Lens lens, double lambdaSd, double residualPx) implements Outcome {}

        /** The lines do not tell. */
        record Refused(String reason, String remedy) implements Outcome {}
    }

    private LensFit() {}

    /**
     * Fits a lens.
     *
     * @param lines each three points or more along one straight thing, photograph pixels
     * @throws InvalidInput when a line has fewer than three points, or there are more than 12
     */
    public static Outcome fit(List<List<Point>> lines, int widthPx, int heightPx) {
        if (lines.isEmpty() || lines.size() > MOST_LINES) {
            throw new InvalidInput(
                    "Straight lines",
                    "" + lines.size(),
                    "must be from 1 to 12",
                    "Mark long straight edges near the border of the photograph.");
        }
        for (List<Point> line : lines) {
            if (line.size() < 3 || line.size() > 40) {
                throw new InvalidInput(
                        "Straight line",
                        line.size() + " points",
                        "must have from 3 to 40 points",
                        "Mark both ends and at least one place between.");
            }
        }
        double low = -Lens.MOST;
        double high = Lens.MOST;
        double a = high - GOLDEN * (high - low);
        double b = low + GOLDEN * (high - low);
        double sa = misfit(lines, Lens.of(widthPx, heightPx, a));
        double sb = misfit(lines, Lens.of(widthPx, heightPx, b));
        for (int i = 0; i < TRIES; i++) {
            if (sa < sb) {
                high = b;
                b = a;
                sb = sa;
                a = high - GOLDEN * (high - low);
                sa = misfit(lines, Lens.of(widthPx, heightPx, a));
            } else {
                low = a;
                a = b;
                sa = sb;
                b = low + GOLDEN * (high - low);
                sb = misfit(lines, Lens.of(widthPx, heightPx, b));
            }
        }
        double best = (low + high) / 2;
        Lens lens = Lens.of(widthPx, heightPx, best);
        double least = misfit(lines, lens);
        int points = lines.stream().mapToInt(List::size).sum();
        int free = points - 2 * lines.size() - 1;
        double residual = free <= 0 ? 0 : Math.sqrt(least / free);
        double step = 0.01;
        double bend =
                (misfit(lines, Lens.of(widthPx, heightPx, inside(best + step)))
                                + misfit(lines, Lens.of(widthPx, heightPx, inside(best - step)))
                                - 2 * least)
                        / (step * step);
        double sd =
                bend <= 0
                        ? Double.POSITIVE_INFINITY
                        : Math.max(HAND_PX, residual) / Math.sqrt(bend / 2);
        if (sd > LEAST_CERTAIN) {
            return new Outcome.Refused(
                    "The straight lines do not tell how the lens bends: they are short or run through the middle.",
                    "Mark long straight edges near the border of the photograph, five points each.");
        }
        if (Math.abs(best) > Lens.MOST - 0.01) {
            return new Outcome.Refused(
                    "The lines are bent more than a camera lens bends them.",
                    "Check that each line is straight on the prototype and its points are in order.");
        }
        return new Outcome.Found(lens, sd, residual);
    }

    private static double inside(double lambda) {
        return Math.clamp(lambda, -Lens.MOST, Lens.MOST);
    }

    private static double misfit(List<List<Point>> lines, Lens lens) {
        double sum = 0;
        for (List<Point> line : lines) {
            List<Point> flat = line.stream().map(lens::undistort).toList();
            double n = flat.size();
            double cx = flat.stream().mapToDouble(Point::x).sum() / n;
            double cy = flat.stream().mapToDouble(Point::y).sum() / n;
            double xx = 0;
            double xy = 0;
            double yy = 0;
            for (Point p : flat) {
                xx += (p.x() - cx) * (p.x() - cx);
                xy += (p.x() - cx) * (p.y() - cy);
                yy += (p.y() - cy) * (p.y() - cy);
            }
            double angle = 0.5 * Math.atan2(2 * xy, xx - yy);
            double nx = -Math.sin(angle);
            double ny = Math.cos(angle);
            for (int i = 0; i < flat.size(); i++) {
                Point p = flat.get(i);
                double off = (p.x() - cx) * nx + (p.y() - cy) * ny;
                double grown = magnification(lens, line.get(i));
                sum += off * off / (grown * grown);
            }
        }
        return sum;
    }

    private static double magnification(Lens lens, Point p) {
        double dx = (p.x() - lens.centreX()) / lens.unitPx();
        double dy = (p.y() - lens.centreY()) / lens.unitPx();
        return 1 / (1 + lens.lambda() * (dx * dx + dy * dy));
    }
}
