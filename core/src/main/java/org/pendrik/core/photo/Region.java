package org.pendrik.core.photo;

import java.util.List;
import java.util.Optional;
import org.pendrik.core.units.InvalidInput;

/**
 * A part of a side, in prototype millimetres from its upper left corner; the same on every
 * photograph of that side.
 *
 * @param name what the user calls it
 * @param xMm left edge of the box round it
 * @param yMm upper edge of the box
 * @param widthMm of the box, above 0
 * @param heightMm of the box, above 0
 * @param outline its corners in order when it is not the whole box, else empty; at most 60
 */
public record Region(
        String name, double xMm, double yMm, double widthMm, double heightMm, List<Point> outline) {
    private static final int MOST_CORNERS = 60;

    /** What is cut of a region and is smaller is nothing. */
    private static final double NOTHING_MM = 0.99;

    public Region {
        outline = List.copyOf(outline);
        if (name.isBlank()) {
            throw new InvalidInput(
                    "Region name", "empty", "must not be empty", "Name what the region shows.");
        }
        for (double v : new double[] {xMm, yMm}) {
            InvalidInput.requireWithin(
                    "Region " + name, v, " mm", 0, 100_000, "Keep it on the side.");
        }
        for (double v : new double[] {widthMm, heightMm}) {
            InvalidInput.requireWithin(
                    "Region " + name, v, " mm", 1, 100_000, "Draw it over some of the side.");
        }
        if (!outline.isEmpty() && (outline.size() < 3 || outline.size() > MOST_CORNERS)) {
            throw new InvalidInput(
                    "Outline of " + name,
                    outline.size() + " corners",
                    "must have from 3 to " + MOST_CORNERS,
                    "Go round it with fewer corners.");
        }
    }

    /** A rectangle. */
    public Region(String name, double xMm, double yMm, double widthMm, double heightMm) {
        this(name, xMm, yMm, widthMm, heightMm, List.of());
    }

    /** A polygon. */
    public static Region of(String name, List<Point> outline) {
        double x0 = outline.stream().mapToDouble(Point::x).min().orElse(0);
        double y0 = outline.stream().mapToDouble(Point::y).min().orElse(0);
        double x1 = outline.stream().mapToDouble(Point::x).max().orElse(0);
        double y1 = outline.stream().mapToDouble(Point::y).max().orElse(0);
        return new Region(name, x0, y0, x1 - x0, y1 - y0, outline);
    }

    /**
     * Refuses an outline that crosses itself, of which a part would be left out.
     *
     * @throws InvalidInput naming the two edges
     */
    public void requireUncrossed() {
        int n = outline.size();
        for (int i = 0; i < n; i++) {
            for (int k = i + 2; k < n; k++) {
                boolean neighbours = i == 0 && k == n - 1;
                if (!neighbours && cross(i, k)) {
                    throw new InvalidInput(
                            "Outline of " + name,
                            "edges " + (i + 1) + " and " + (k + 1),
                            "must not cross each other",
                            "Go round it in one turn, or draw two regions.");
                }
            }
        }
    }

    /** Whether two edges have a place in common that is no end of both. */
    private boolean cross(int i, int k) {
        Point a = outline.get(i);
        Point b = outline.get((i + 1) % outline.size());
        Point c = outline.get(k);
        Point d = outline.get((k + 1) % outline.size());
        return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
    }

    private static double side(Point a, Point b, Point p) {
        return Math.signum((b.x() - a.x()) * (p.y() - a.y()) - (b.y() - a.y()) * (p.x() - a.x()));
    }

    /**
     * Whether a place of the side lies in it (even-odd rule for outlines that cross themselves).
     */
    public boolean contains(double x, double y) {
        if (x < xMm || y < yMm || x >= xMm + widthMm || y >= yMm + heightMm) {
            return false;
        }
        boolean inside = outline.isEmpty();
        for (int i = 0, j = outline.size() - 1; i < outline.size(); j = i++) {
            Point a = outline.get(i);
            Point b = outline.get(j);
            if (a.y() > y != b.y() > y
                    && x < (b.x() - a.x()) * (y - a.y()) / (b.y() - a.y()) + a.x()) {
                inside = !inside;
            }
        }
        return inside;
    }

    /** Whether all of another one's box lies in this one's. */
    public boolean holds(Region other) {
        return other.xMm >= xMm
                && other.yMm >= yMm
                && other.xMm + other.widthMm <= xMm + widthMm
                && other.lowMm() <= lowMm();
    }

    /**
     * What of another one lies in this one's box, counted from the upper left corner of that; empty
     * where that is less than a millimetre wide or high.
     */
    public Optional<Region> cut(Region other) {
        double x = Math.max(xMm, other.xMm);
        double y = Math.max(yMm, other.yMm);
        double wide = Math.min(xMm + widthMm, other.xMm + other.widthMm) - x;
        double high = Math.min(lowMm(), other.lowMm()) - y;
        return wide < NOTHING_MM || high < NOTHING_MM
                ? Optional.empty()
                : Optional.of(
                        new Region(
                                other.name,
                                x - xMm,
                                y - yMm,
                                Math.max(1, wide),
                                Math.max(1, high),
                                other.outline.stream()
                                        .map(p -> new Point(p.x() - xMm, p.y() - yMm))
                                        .toList()));
    }

    /** The lower edge of the box. */
    public double lowMm() {
        return yMm + heightMm;
    }
}
