package org.pendrik.core.colour;

/**
 * A colour in CIE 1976 L*a*b*, illuminant D65, 2° observer.
 *
 * @param l lightness, 0 (black) to 100 (white)
 * @param a green (−) to red (+)
 * @param b blue (−) to yellow (+)
 */
public record Lab(double l, double a, double b) {
    public Lab {
        if (!Double.isFinite(l) || !Double.isFinite(a) || !Double.isFinite(b)) {
            throw new IllegalArgumentException("L*a*b* must be finite: " + l + ", " + a + ", " + b);
        }
    }

    /** Chroma C*ab. */
    public double chroma() {
        return Math.hypot(a, b);
    }

    /** Hue angle in degrees, 0 to 360. */
    public double hueDegrees() {
        double h = Math.toDegrees(Math.atan2(b, a));
        return h < 0 ? h + 360 : h;
    }

    /** Euclidean distance ΔE*ab (CIE 1976). */
    public double distance(Lab o) {
        return Math.sqrt((l - o.l) * (l - o.l) + (a - o.a) * (a - o.a) + (b - o.b) * (b - o.b));
    }

    /** The point at {@code t} on the straight way from here (0) to {@code o} (1). */
    public Lab towards(Lab o, double t) {
        return new Lab(l + (o.l - l) * t, a + (o.a - a) * t, b + (o.b - b) * t);
    }
}
