package org.pendrik.core.photo;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Length;

/**
 * Finds where a flat side of known size lies in a photograph.
 *
 * <p>Four corners fix the plane exactly; further points of known place are fitted by least squares
 * and give a residual in prototype millimetres. Corners that no rectangle can have produced are
 * refused with the reason.
 */
public final class SideRectifier {
    /**
     * A triangle of corners smaller than this share of the side's bounding square counts as a line.
     */
    private static final double FLAT_TRIANGLE = 0.004;

    private static final double SMALLEST_MM = 100;
    private static final double LARGEST_MM = 100_000;
    private static final List<String> NAMES =
            List.of("upper left", "upper right", "lower right", "lower left");

    /** Where a known place of the side is seen. */
    public record Mark(Point photo, Point sideMm) {}

    /** What came of looking for the side. */
    public sealed interface Outcome {
        /** The side was located. */
        record Found(SideGeometry geometry) implements Outcome {}

        /**
         * The corners cannot belong to a side.
         *
         * @param reason one sentence that names the corners
         * @param remedy what to do about it
         */
        record Refused(String reason, String remedy) implements Outcome {}
    }

    /** How well a place is known costs a map for each mark. */
    private static final int MOST_MARKS = 200;

    private static final int MOST_LINES = 24;

    /** Places that are known no better than to this share of the length tell no measure. */
    private static final double MOST_OPEN = 0.02;

    private SideRectifier() {}

    /**
     * Locates a side.
     *
     * @param corners upper left, upper right, lower right, lower left in photograph pixels
     * @param extra further known points, possibly none, at most 200
     * @param length prototype length of the side, 100 mm to 100 m
     * @param height prototype height of the side, same range
     * @throws InvalidInput when a size is out of range, the corners are not four, or there are too
     *     many known points
     */
    public static Outcome locate(
            List<Point> corners, List<Mark> extra, Length length, Length height) {
        return locate(corners, extra, length, height, Lens.straight(1, 1));
    }

    /** As {@link #locate(List, List, Length, Length)}, seen through a lens. */
    public static Outcome locate(
            List<Point> corners, List<Mark> extra, Length length, Length height, Lens lens) {
        requireSize("Prototype length", length.mm());
        requireSize("Prototype height", height.mm());
        if (corners.size() != 4) {
            throw new InvalidInput(
                    "Corners",
                    corners.size() + " points",
                    "must be four",
                    "Mark all four corners of the side.");
        }
        requireFewMarks(extra);
        double span = 0;
        for (Point p : corners) {
            for (Point q : corners) {
                span = Math.max(span, p.distance(q));
            }
        }
        double[] turn = new double[4];
        for (int i = 0; i < 4; i++) {
            turn[i] = cross(corners.get(i), corners.get((i + 1) % 4), corners.get((i + 2) % 4));
            if (span == 0 || Math.abs(turn[i]) / 2 < FLAT_TRIANGLE * span * span) {
                return new Outcome.Refused(
                        "The "
                                + NAMES.get(i)
                                + ", "
                                + NAMES.get((i + 1) % 4)
                                + " and "
                                + NAMES.get((i + 2) % 4)
                                + " corners lie in a line.",
                        "Drag each corner to its own corner of the side.");
            }
        }
        int right = 0;
        for (double t : turn) {
            right += t > 0 ? 1 : 0;
        }
        if (right == 0) {
            return new Outcome.Refused(
                    "The corners run the wrong way round, so the side would come out mirrored.",
                    "Swap the left and the right corners.");
        }
        if (right != 4) {
            return new Outcome.Refused(
                    "The corners are crossed: two edges of the side cut each other or one corner is dented in.",
                    "Go round the side: upper left, upper right, lower right, lower left.");
        }
        List<Point> from = new ArrayList<>(corners);
        List<Point> to =
                new ArrayList<>(
                        List.of(
                                new Point(0, 0),
                                new Point(length.mm(), 0),
                                new Point(length.mm(), height.mm()),
                                new Point(0, height.mm())));
        for (Mark m : extra) {
            from.add(m.photo());
            to.add(m.sideMm());
        }
        return new Outcome.Found(new SideGeometry(from, to, length, height, lens));
    }

    /**
     * What has still to be marked before a side without four corners can be looked for, as a
     * sentence; empty when nothing is.
     */
    public static Optional<String> needed(List<Mark> known, List<KnownLine> lines) {
        return PlaneFit.needed(known, lines);
    }

    /**
     * Locates a side of which not all corners are in the picture, or which something stands in
     * front of.
     *
     * @param known places of known position, at most 200
     * @param lines what is level or upright, and how long, at most 24
     * @param length prototype length of the whole side, 100 mm to 100 m
     * @param height prototype height of the whole side, same range
     * @throws InvalidInput when a size is out of range, or there are too many marks
     */
    public static Outcome locateByParts(
            List<Mark> known, List<KnownLine> lines, Length length, Length height, Lens lens) {
        requireSize("Prototype length", length.mm());
        requireSize("Prototype height", height.mm());
        requireFewMarks(known);
        if (lines.size() > MOST_LINES) {
            throw new InvalidInput(
                    "Known lines",
                    "" + lines.size(),
                    "must be at most " + MOST_LINES,
                    "Keep the longest ones.");
        }
        Optional<String> needed = needed(known, lines);
        if (needed.isPresent()) {
            return new Outcome.Refused("The side cannot be located yet.", needed.get());
        }
        PlaneFit fit =
                new PlaneFit(
                        known.stream()
                                .map(m -> new Mark(lens.undistort(m.photo()), m.sideMm()))
                                .toList(),
                        lines.stream()
                                .map(
                                        l ->
                                                new KnownLine(
                                                        lens.undistort(l.from()),
                                                        lens.undistort(l.to()),
                                                        l.along(),
                                                        l.lengthMm()))
                                .toList(),
                        Math.hypot(length.mm(), height.mm()));
        Optional<Homography> found = fit.toPhoto().filter(h -> upright(h, length, height));
        if (found.isEmpty()) {
            return new Outcome.Refused(
                    "What is marked cannot lie on one side: it comes out mirrored, or beyond the horizon.",
                    "Look whether each line is level or upright as said, and each point at its place.");
        }
        SideGeometry g = new SideGeometry(fit, found.get(), length, height, lens);
        double open = 0;
        for (Point p : fit.places()) {
            Point at = found.get().inverse().map(p.x(), p.y());
            open = Math.max(open, g.placeSdMm(at.x(), at.y()));
        }
        return open <= MOST_OPEN * length.mm()
                ? new Outcome.Found(g)
                : new Outcome.Refused(
                        String.format(
                                Locale.ROOT,
                                "What is marked leaves places open by ± %.0f mm.",
                                2 * open),
                        "Mark longer lines, or known points further apart.");
    }

    /** Seen from outside, and all of it before the horizon. */
    private static boolean upright(Homography toPhoto, Length length, Length height) {
        for (double x : new double[] {0, length.mm()}) {
            for (double y : new double[] {0, height.mm()}) {
                if (!(toPhoto.depth(x, y) > 0)) {
                    return false;
                }
            }
        }
        double x = length.mm() / 2;
        double y = height.mm() / 2;
        Point here = toPhoto.map(x, y);
        return cross(here, toPhoto.map(x + 1, y), toPhoto.map(x + 1, y + 1)) > 0;
    }

    private static void requireFewMarks(List<Mark> marks) {
        if (marks.size() > MOST_MARKS) {
            throw new InvalidInput(
                    "Known points",
                    "" + marks.size(),
                    "must be at most " + MOST_MARKS,
                    "Keep the clearest ones: a dozen are plenty.");
        }
    }

    private static void requireSize(String field, double mm) {
        InvalidInput.requireWithin(
                field,
                mm,
                " mm",
                SMALLEST_MM,
                LARGEST_MM,
                "Take it from a drawing or measure the prototype.");
    }

    private static double cross(Point a, Point b, Point c) {
        return (b.x() - a.x()) * (c.y() - b.y()) - (b.y() - a.y()) * (c.x() - b.x());
    }
}
