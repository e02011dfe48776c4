package org.pendrik.core.recipe;

import org.pendrik.core.paint.Paint;
import org.pendrik.core.units.InvalidInput;

/**
 * A bottle that a recipe may take drops from.
 *
 * @param key by which the recipe names it
 * @param name what the bottle says
 * @param family of materials.csv; only what goes into one cup is mixed
 * @param paint its K and S
 * @param millilitresPerDrop of this bottle, 0.005 to 1
 * @param strength tinting strength learned from test cards, 0.1 to 10; 1 is as the swatch says
 * @param mostShare of the mix that what is left in the bottle allows, 0 to 1
 */
public record Ingredient(
        String key,
        String name,
        String family,
        Paint paint,
        double millilitresPerDrop,
        double strength,
        double mostShare) {
    /** The usual drop, ml. */
    public static final double USUAL_DROP_ML = 0.05;

    public Ingredient {
        InvalidInput.requireWithin(
                "Drop of " + name,
                millilitresPerDrop,
                " ml",
                0.005,
                1,
                "Count the drops of one millilitre.");
        InvalidInput.requireWithin(
                "Strength of " + name, strength, "", 0.1, 10, "1 is what its swatch says.");
        InvalidInput.requireWithin(
                "Share of " + name, mostShare, "", 0, 1, "1 when there is enough of it.");
    }

    /** A bottle with usual drops, as strong as its swatch, and enough in it. */
    public static Ingredient of(String key, String name, String family, Paint paint) {
        return new Ingredient(key, name, family, paint, USUAL_DROP_ML, 1, 1);
    }

    /** What one drop brings: volume by strength. */
    double weight() {
        return millilitresPerDrop * strength;
    }
}
