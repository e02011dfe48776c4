package org.pendrik.core.recipe;

/** What a search for a recipe comes to. */
public sealed interface RecipeAnswer {
    /**
     * The best recipe that the limits allow.
     *
     * @param recipe it
     * @param deltaE00 from the target under the light of the question
     * @param within nothing allowed is nearer than {@code deltaE00} minus this; 0 when exact,
     *     {@code deltaE00} when the time was up before anything was proven
     * @param choices sets of paints that were looked at closely
     * @param tried recipes that were computed one by one
     */
    record Proven(Recipe recipe, double deltaE00, double within, long choices, long tried)
            implements RecipeAnswer {}

    /**
     * No recipe is allowed at all.
     *
     * @param reason a sentence
     */
    record None(String reason) implements RecipeAnswer {}
}
