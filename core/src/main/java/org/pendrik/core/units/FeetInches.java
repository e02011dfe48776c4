package org.pendrik.core.units;

import java.math.BigInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Lengths as people write them, in millimetres, exactly: an inch is 127/5 mm (international yard
 * and pound agreement, 1959).
 */
public final class FeetInches {
    /** Millimetres of an inch. */
    public static final Rational INCH = Rational.of(127, 5);

    private static final Rational TWELVE = Rational.of(12);
    private static final String NUMBER =
            "([0-9]+(?:[.,][0-9]+)?(?:[ -][0-9]+/[0-9]+)?|[0-9]+/[0-9]+)";
    private static final Pattern IMPERIAL =
            Pattern.compile(
                    "(?:"
                            + NUMBER
                            + "\\s*(?:'|′|ft|feet|foot))?[ -]*(?:"
                            + NUMBER
                            + "\\s*(?:\"|″|''|in|inch|inches))?");
    private static final Pattern METRIC = Pattern.compile(NUMBER + "\\s*(mm|cm|m)?");

    private FeetInches() {}

    /**
     * Millimetres of a length such as {@code 8ft 6in}, {@code 8' 6 1/2"}, {@code 10.5 m}, {@code 34
     * mm}; a bare number is millimetres.
     *
     * @throws InvalidInput when it is no length
     */
    public static Rational parse(String field, String text) {
        String t = text.strip().toLowerCase(java.util.Locale.ROOT);
        Matcher metric = METRIC.matcher(t);
        if (metric.matches()) {
            Rational n = Rational.parse(field, metric.group(1));
            String unit = metric.group(2) == null ? "mm" : metric.group(2);
            return n.times(
                    Rational.of(
                            switch (unit) {
                                case "cm" -> 10;
                                case "m" -> 1000;
                                default -> 1;
                            }));
        }
        Matcher m = IMPERIAL.matcher(t);
        if (t.isEmpty() || !m.matches() || (m.group(1) == null && m.group(2) == null)) {
            throw new InvalidInput(
                    field,
                    text,
                    "is not a length",
                    "Write it like 8ft 6in, 8' 6 1/2\", 10.5 m or 34 mm.");
        }
        Rational feet = m.group(1) == null ? Rational.ZERO : Rational.parse(field, m.group(1));
        Rational inches = m.group(2) == null ? Rational.ZERO : Rational.parse(field, m.group(2));
        return feet.times(TWELVE).plus(inches).times(INCH);
    }

    /**
     * Feet, inches and a fraction of an inch, to the nearest {@code 1/denominator}.
     *
     * @param mm not negative
     * @param denominator 1, 2, 4, 8, 16, 32 or 64
     */
    public static String write(Rational mm, int denominator) {
        Rational inches = mm.over(INCH).nearest(Rational.of(1, denominator));
        long feet = inches.over(TWELVE).floor();
        Rational left = inches.minus(Rational.of(feet).times(TWELVE));
        long whole = left.floor();
        Rational part = left.minus(Rational.of(whole));
        StringBuilder out = new StringBuilder();
        if (feet > 0) {
            out.append(feet).append("′ ");
        }
        if (part.signum() == 0) {
            out.append(whole).append('″');
        } else {
            if (whole > 0) {
                out.append(whole).append(' ');
            }
            BigInteger below = part.below();
            out.append(part.above()).append('/').append(below).append('″');
        }
        return out.toString();
    }
}
