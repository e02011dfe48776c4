package org.pendrik.app.sides;

import org.jspecify.annotations.Nullable;
import org.pendrik.core.photo.CylinderUnwrapper.Shell;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Length;

/**
 * How large a side is on the prototype.
 *
 * @param lengthMm along the side, 100 mm to 100 m
 * @param heightMm of a flat side; of a curved one it follows from the arc
 * @param curve how it is curved; null for a flat side
 */
public record SideSize(Side side, double lengthMm, double heightMm, @Nullable Curve curve) {
    /**
     * A part of a cylinder that lies along the side.
     *
     * @param radiusMm of the shell
     * @param fromDegrees where the arc begins, 0 is the top, 90 faces the camera
     * @param toDegrees where it ends
     */
    public record Curve(double radiusMm, double fromDegrees, double toDegrees) {}

    public SideSize {
        if (curve != null) {
            heightMm = Math.toRadians(curve.toDegrees() - curve.fromDegrees()) * curve.radiusMm();
        }
        for (double v : new double[] {lengthMm, heightMm}) {
            InvalidInput.requireWithin(
                    "Size of the side",
                    v,
                    " mm",
                    100,
                    100_000,
                    "Take it from a drawing or measure the prototype.");
        }
    }

    /** Prototype length. */
    public Length length() {
        return Length.ofMm(lengthMm);
    }

    /** Prototype height, along the arc where it is curved. */
    public Length height() {
        return Length.ofMm(heightMm);
    }

    /** The part of a cylinder; of a curved side only. */
    public Shell shell() {
        Curve c = java.util.Objects.requireNonNull(curve);
        return new Shell(Length.ofMm(c.radiusMm()), length(), c.fromDegrees(), c.toDegrees());
    }
}
