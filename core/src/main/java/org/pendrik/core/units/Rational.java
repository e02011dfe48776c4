package org.pendrik.core.units;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.regex.Pattern;

/**
 * An exact fraction, in lowest terms, with a positive denominator: what is converted there and back
 * comes out as it went in.
 *
 * @param above numerator
 * @param below denominator, above 0
 */
public record Rational(BigInteger above, BigInteger below) implements Comparable<Rational> {
    /** 0. */
    public static final Rational ZERO = of(0);

    private static final int LONGEST = 40;

    /** A comma in front of three digits parts thousands for some, decimals for others. */
    private static final Pattern THOUSAND = Pattern.compile("[1-9]\\d{0,2},\\d{3}");

    public Rational {
        if (below.signum() == 0) {
            throw new IllegalArgumentException("a fraction of nothing");
        }
        BigInteger g = above.gcd(below);
        if (g.signum() == 0) {
            g = BigInteger.ONE;
        }
        if (below.signum() < 0) {
            g = g.negate();
        }
        above = above.divide(g);
        below = below.divide(g);
    }

    /** A whole number. */
    public static Rational of(long whole) {
        return new Rational(BigInteger.valueOf(whole), BigInteger.ONE);
    }

    /** A fraction of whole numbers. */
    public static Rational of(long above, long below) {
        return new Rational(BigInteger.valueOf(above), BigInteger.valueOf(below));
    }

    /**
     * A number as people type it: {@code 12}, {@code 12.5}, {@code 12,5}, {@code 3/8}, {@code 1
     * 3/8}, with a minus before it when it is negative.
     *
     * @throws InvalidInput when it is none; the message names the field
     */
    public static Rational parse(String field, String text) {
        String t = text.strip().replace(',', '.').replaceAll("\\s+", " ");
        InvalidInput bad =
                new InvalidInput(
                        field, text, "is not a number", "Write it like 12, 12.5, 3/8 or 1 3/8.");
        if (THOUSAND.matcher(text.strip()).matches()) {
            String thousands = text.strip().replace(",", "");
            throw new InvalidInput(
                    field,
                    text,
                    "can be read in two ways",
                    "Write " + thousands + ", or " + t + " with a point.");
        }
        if (t.isEmpty() || t.length() > LONGEST) {
            throw bad;
        }
        try {
            boolean minus = t.startsWith("-");
            String[] parts = (minus ? t.substring(1) : t).split("[ -]", -1);
            Rational sum = ZERO;
            for (int i = 0; i < parts.length; i++) {
                if (parts.length > 2 || (i == 1 && !parts[1].contains("/"))) {
                    throw bad;
                }
                sum = sum.plus(one(parts[i]));
            }
            return minus ? ZERO.minus(sum) : sum;
        } catch (NumberFormatException e) {
            throw bad;
        }
    }

    private static Rational one(String t) {
        int slash = t.indexOf('/');
        if (slash >= 0) {
            BigInteger below = new BigInteger(t.substring(slash + 1));
            if (below.signum() <= 0) {
                throw new NumberFormatException(t);
            }
            return new Rational(new BigInteger(t.substring(0, slash)), below);
        }
        if (t.isEmpty() || !t.matches("[0-9]*\\.?[0-9]*")) {
            throw new NumberFormatException(t);
        }
        BigDecimal d = new BigDecimal(t);
        return d.scale() > 0
                ? new Rational(d.unscaledValue(), BigInteger.TEN.pow(d.scale()))
                : new Rational(d.toBigIntegerExact(), BigInteger.ONE);
    }

    /** The exact value of a finite double as it is written in decimals. */
    public static Rational of(double value) {
        BigDecimal d = BigDecimal.valueOf(value);
        return d.scale() > 0
                ? new Rational(d.unscaledValue(), BigInteger.TEN.pow(d.scale()))
                : new Rational(d.toBigIntegerExact(), BigInteger.ONE);
    }

    /** Sum. */
    public Rational plus(Rational o) {
        return new Rational(
                above.multiply(o.below).add(o.above.multiply(below)), below.multiply(o.below));
    }

    /** Difference. */
    public Rational minus(Rational o) {
        return new Rational(
                above.multiply(o.below).subtract(o.above.multiply(below)), below.multiply(o.below));
    }

    /** Product. */
    public Rational times(Rational o) {
        return new Rational(above.multiply(o.above), below.multiply(o.below));
    }

    /** Quotient; {@code o} is not 0. */
    public Rational over(Rational o) {
        return new Rational(above.multiply(o.below), below.multiply(o.above));
    }

    /** −1, 0 or 1. */
    public int signum() {
        return above.signum();
    }

    /** The nearest double. */
    public double value() {
        return new BigDecimal(above)
                .divide(new BigDecimal(below), MathContext.DECIMAL64)
                .doubleValue();
    }

    /** The largest whole number not above it. */
    public long floor() {
        BigInteger[] q = above.divideAndRemainder(below);
        return q[1].signum() < 0 ? q[0].longValueExact() - 1 : q[0].longValueExact();
    }

    /** The nearest multiple of a fraction; halves go away from 0. */
    public Rational nearest(Rational step) {
        Rational many = over(step);
        BigInteger whole =
                new BigDecimal(many.above)
                        .divide(new BigDecimal(many.below), 0, RoundingMode.HALF_UP)
                        .toBigIntegerExact();
        return new Rational(whole, BigInteger.ONE).times(step);
    }

    @Override
    public int compareTo(Rational o) {
        return above.multiply(o.below).compareTo(o.above.multiply(below));
    }

    /** Decimals, rounded to a number of places, without zeros at the end. */
    public String decimals(int places) {
        BigDecimal d =
                new BigDecimal(above)
                        .divide(new BigDecimal(below), places, RoundingMode.HALF_UP)
                        .stripTrailingZeros();
        return (d.scale() < 0 ? d.setScale(0) : d).toPlainString();
    }

    @Override
    public String toString() {
        return below.equals(BigInteger.ONE) ? above.toString() : above + "/" + below;
    }

    /** The greatest whole number that divides all of some that are not below 0; 0 of none. */
    public static int commonDivisor(int... of) {
        int common = 0;
        for (int next : of) {
            int a = common;
            int b = next;
            while (b != 0) {
                int rest = a % b;
                a = b;
                b = rest;
            }
            common = a;
        }
        return common;
    }
}
