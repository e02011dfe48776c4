package org.pendrik.core.units;

/**
 * A length in millimetres, finite and not negative.
 *
 * @param mm millimetres
 */
public record Length(double mm) implements Comparable<Length> {
    private static final double MM_PER_INCH = 25.4;

    public Length {
        if (!(mm >= 0) || Double.isInfinite(mm)) {
            throw new InvalidInput(
                    "Length",
                    mm + " mm",
                    "must be a number that is not negative",
                    "Measure it again.");
        }
    }

    /** A length in prototype or model millimetres. */
    public static Length ofMm(double mm) {
        return new Length(mm);
    }

    /** Feet and inches, exactly 25.4 mm an inch. */
    public static Length ofFeetInches(double feet, double inches) {
        return new Length((feet * 12 + inches) * MM_PER_INCH);
    }

    /** This length in inches. */
    public double inches() {
        return mm / MM_PER_INCH;
    }

    @Override
    public int compareTo(Length other) {
        return Double.compare(mm, other.mm);
    }
}
