package org.pendrik.core.photo;

/**
 * How a lens bends straight lines: one radial term about the middle of the photograph.
 *
 * <p>The division model, undistorted = centre + d / (1 + λ |d|²) for a pixel at d from the centre,
 * lengths in half diagonals (A. W. Fitzgibbon, "Simultaneous linear estimation of multiple view
 * geometry and lens distortion", CVPR 2001, 125–132). It has a closed inverse, so that a flat side
 * is sampled without a search. λ under 0 is a barrel, above 0 a cushion.
 *
 * @param centreX photograph pixels
 * @param centreY photograph pixels
 * @param unitPx half the diagonal of the photograph, pixels
 * @param lambda from −0.6 to 0.6; 0 for a lens without distortion
 */
public record Lens(double centreX, double centreY, double unitPx, double lambda) {
    /** The bound of λ: more is a fisheye, for which one term does not do. */
    public static final double MOST = 0.6;

    public Lens {
        if (!(unitPx > 0) || !(Math.abs(lambda) <= MOST)) {
            throw new IllegalArgumentException("a lens of " + lambda + " over " + unitPx + " px");
        }
    }

    /** A lens that keeps lines straight. */
    public static Lens straight(int widthPx, int heightPx) {
        return of(widthPx, heightPx, 0);
    }

    /** A lens for a photograph of this size. */
    public static Lens of(int widthPx, int heightPx, double lambda) {
        return new Lens(widthPx / 2.0, heightPx / 2.0, Math.hypot(widthPx, heightPx) / 2, lambda);
    }

    /** Where a lens without distortion would have put a photograph pixel. */
    public Point undistort(Point p) {
        if (lambda == 0) {
            return p;
        }
        double dx = p.x() - centreX;
        double dy = p.y() - centreY;
        double f = 1 + lambda * (dx * dx + dy * dy) / (unitPx * unitPx);
        return new Point(centreX + dx / f, centreY + dy / f);
    }

    /**
     * Where an undistorted place is seen. Beyond what a cushion lens can show, the outermost place
     * that it can.
     */
    public Point distort(Point q) {
        if (lambda == 0) {
            return q;
        }
        double dx = q.x() - centreX;
        double dy = q.y() - centreY;
        double f = factor((dx * dx + dy * dy) / (unitPx * unitPx));
        return new Point(centreX + dx * f, centreY + dy * f);
    }

    /** Distorted over undistorted radius, for a squared undistorted radius in half diagonals. */
    double factor(double radiusSquared) {
        return 2 / (1 + Math.sqrt(Math.max(0, 1 - 4 * lambda * radiusSquared)));
    }

    /** The same lens on the photograph shrunk by {@code step}. */
    public Lens shrunk(double step) {
        return step == 1 ? this : new Lens(centreX / step, centreY / step, unitPx / step, lambda);
    }

    /** How far the corner of the photograph is moved, in shares of the half diagonal. */
    public double cornerShift() {
        return 1 / (1 + lambda) - 1;
    }
}
