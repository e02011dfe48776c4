package org.pendrik.core.recipe.search;

/**
 * A recipe that keeps to the limits.
 *
 * @param drops by paint
 * @param off ΔE00 of its colour from the target
 */
@SuppressWarnings("ArrayRecordComponent")
public record Candidate(int[] drops, double off) {
    /** No recipe: farther than any. */
    public static final Candidate NONE = new Candidate(new int[0], Double.POSITIVE_INFINITY);
}
