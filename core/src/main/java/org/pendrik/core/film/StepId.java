package org.pendrik.core.film;

import org.pendrik.core.units.InvalidInput;

/**
 * Tells a step apart from the others of its case. Nothing is read out of it: what a step is made
 * for stands in {@link MadeFor}, how it came into the plan beside it.
 *
 * @param value 1 to {@value #LONGEST} letters, not blank
 */
public record StepId(String value) implements Comparable<StepId> {
    /** Letters at most. */
    public static final int LONGEST = 200;

    /**
     * @throws InvalidInput when it is blank or too long
     */
    public StepId {
        if (value.isBlank() || value.length() > LONGEST) {
            throw new InvalidInput(
                    "Step",
                    value.length() > LONGEST ? value.substring(0, 20) + " …" : value,
                    "needs an id of 1 to " + LONGEST + " letters",
                    "Load the page again.");
        }
    }

    @Override
    public int compareTo(StepId other) {
        return value.compareTo(other.value);
    }

    @Override
    public String toString() {
        return value;
    }
}
