package org.pendrik.core.photo;

/**
 * A point in photograph pixels or side millimetres; y runs down in both.
 *
 * @param x to the right
 * @param y downward
 */
public record Point(double x, double y) {
    public Point {
        if (!Double.isFinite(x) || !Double.isFinite(y)) {
            throw new IllegalArgumentException("A point needs finite coordinates: " + x + ", " + y);
        }
    }

    double distance(Point o) {
        return Math.hypot(x - o.x, y - o.y);
    }
}
