package org.pendrik.core.units;

import java.io.Serial;

/**
 * A value from outside that breaks a rule. Carries what a person needs to mend it: the field, the
 * value as given, the rule, and what helps.
 */
public final class InvalidInput extends IllegalArgumentException {
    @Serial private static final long serialVersionUID = 1L;
    private final String field;
    private final String value;
    private final String rule;
    private final String remedy;

    /**
     * @param field the name of the thing as the user knows it, such as "Prototype length"
     * @param value the refused value with its unit
     * @param rule the rule as a clause: "must be from 0 to 100 %"
     * @param remedy what helps, a full sentence
     */
    public InvalidInput(String field, String value, String rule, String remedy) {
        super(field + " (" + value + ") " + rule + (rule.endsWith(".") ? " " : ". ") + remedy);
        this.field = field;
        this.value = value;
        this.rule = rule;
        this.remedy = remedy;
    }

    /** What was refused. */
    public String field() {
        return field;
    }

    /** The value as given. */
    public String value() {
        return value;
    }

    /** The rule that it breaks. */
    public String rule() {
        return rule;
    }

    /** What helps. */
    public String remedy() {
        return remedy;
    }

    /**
     * Passes a number on when it is finite and within bounds.
     *
     * @throws InvalidInput when it is NaN, infinite or out of bounds
     */
    public static double requireWithin(
            String field, double value, String unit, double from, double to, String remedy) {
        if (!(value >= from && value <= to)) {
            throw new InvalidInput(
                    field,
                    plain(value) + unit,
                    "must be from " + plain(from) + " to " + plain(to) + unit,
                    remedy);
        }
        return value;
    }

    private static String plain(double v) {
        return v == Math.rint(v) && Math.abs(v) < 1e15
                ? Long.toString((long) v)
                : Double.toString(v);
    }
}
