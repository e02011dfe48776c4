package org.pendrik.core.recipe;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Reflectance;
import org.pendrik.core.paint.Surface;
import org.pendrik.core.units.InvalidInput;

/**
 * What colour is wanted, of what, and within which limits.
 *
 * @param target what is wanted, as it is seen
 * @param light under which it has to match
 * @param surface that the dry mix will have
 * @param shelf the bottles that may be used, 1 to 400, keys all different
 * @param limits how many, what must be in, how opaque
 * @param exact whether the very best is asked for, or one within 0.1 of it
 */
public record RecipeQuestion(
        Reflectance target,
        Light light,
        Surface surface,
        List<Ingredient> shelf,
        Rules limits,
        boolean exact) {
    private static final int LARGEST_SHELF = 400;

    /**
     * Limits of a recipe.
     *
     * @param mostPaints 1 to 4
     * @param mostDrops 1 to 20
     * @param must keys of bottles that have to be in it
     * @param families that may share a cup; empty when only paints of one family may
     * @param opacity the share of contrast that a coat has to hide, 0 to 0.999; 0 asks nothing
     * @param micrometres of that coat, dry
     */
    public record Rules(
            int mostPaints,
            int mostDrops,
            Set<String> must,
            Set<String> families,
            double opacity,
            double micrometres) {
        public Rules {
            InvalidInput.requireWithin(
                    "Paints in a recipe", mostPaints, "", 1, 4, "More than four go muddy.");
            InvalidInput.requireWithin(
                    "Drops of a recipe", mostDrops, "", 1, 20, "Repeat the recipe for more.");
            InvalidInput.requireWithin(
                    "Opacity", opacity * 100, " %", 0, 99.9, "0 asks for nothing.");
            InvalidInput.requireWithin(
                    "Coat", micrometres, " µm", 1, 500, "A sprayed coat is about 10 µm.");
            must = Set.copyOf(must);
            families = Set.copyOf(families);
            if (must.size() > mostPaints) {
                throw new InvalidInput(
                        "Bottles that must be in",
                        Integer.toString(must.size()),
                        "are more than the " + mostPaints + " paints allowed",
                        "Allow more paints, or ask for fewer.");
            }
        }

        /** Four paints, twelve drops, one family, no opacity asked for. */
        public static Rules usual() {
            return new Rules(4, 12, Set.of(), Set.of(), 0, 10);
        }
    }

    public RecipeQuestion {
        shelf = List.copyOf(shelf);
        InvalidInput.requireWithin(
                "Bottles to choose from",
                shelf.size(),
                "",
                1,
                LARGEST_SHELF,
                "Put paints with a colour on the shelf, or choose fewer.");
        Set<String> keys = new HashSet<>();
        for (Ingredient i : shelf) {
            if (!keys.add(i.key())) {
                throw new InvalidInput(
                        "Bottle", i.key(), "is named twice", "Name each bottle once.");
            }
        }
        for (String m : limits.must()) {
            if (!keys.contains(m)) {
                throw new InvalidInput(
                        "Bottle that must be in", m, "is not among the bottles", "Add it.");
            }
        }
    }

    /** Whether two bottles may share a cup. */
    boolean together(Ingredient a, Ingredient b) {
        return a.family().equals(b.family())
                || (limits.families().contains(a.family())
                        && limits.families().contains(b.family()));
    }
}
