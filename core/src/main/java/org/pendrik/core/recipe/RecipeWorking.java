package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.List;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Surface;

/**
 * What the drops of a recipe do: each bottle with one drop more and one less, as a difference from
 * the mix as it is, in figures and in words.
 */
public final class RecipeWorking {
    /** ΔE00 that nobody sees. */
    private static final double UNSEEN = 0.4;

    private static final double SLIGHT = 1;
    private static final double MUCH = 4;

    /** Chroma under which a hue has no name. */
    private static final double GREY = 4;

    private RecipeWorking() {}

    /**
     * What a change does.
     *
     * @param difference of the changed mix from the mix as it is
     * @param words such as "darker, slightly greener"
     */
    public record Change(ColourDifference difference, String words) {}

    /**
     * One bottle of a recipe.
     *
     * @param part bottle and drops
     * @param more one drop more
     * @param less one drop less; without the bottle when it has one drop; null when it is all there
     *     is
     */
    public record Effect(
            Recipe.Part part, Change more, @org.jspecify.annotations.Nullable Change less) {}

    /** The effects of all bottles of a recipe under a light. */
    public static List<Effect> of(Recipe recipe, Surface surface, Light light) {
        Lab now = light.lab(recipe.seen());
        List<Effect> out = new ArrayList<>();
        for (Recipe.Part p : recipe.parts()) {
            Change more = change(now, with(recipe, p, 1), surface, light);
            List<Recipe.Part> fewer = with(recipe, p, -1);
            out.add(
                    new Effect(
                            p, more, fewer.isEmpty() ? null : change(now, fewer, surface, light)));
        }
        return List.copyOf(out);
    }

    /** What a drop of another bottle would do to a recipe. */
    public static Change adding(Recipe recipe, Ingredient bottle, Surface surface, Light light) {
        List<Recipe.Part> parts = new ArrayList<>(recipe.parts());
        parts.add(new Recipe.Part(bottle, 1));
        return change(light.lab(recipe.seen()), parts, surface, light);
    }

    private static List<Recipe.Part> with(Recipe recipe, Recipe.Part changed, int by) {
        List<Recipe.Part> out = new ArrayList<>();
        for (Recipe.Part p : recipe.parts()) {
            int drops = p.drops() + (p.equals(changed) ? by : 0);
            if (drops > 0) {
                out.add(new Recipe.Part(p.bottle(), drops));
            }
        }
        return out;
    }

    private static Change change(Lab now, List<Recipe.Part> parts, Surface surface, Light light) {
        Lab then = light.lab(Recipe.of(parts, surface).seen());
        return new Change(ColourDifference.between(now, then), words(now, then));
    }

    /**
     * A difference as people say it: "as it is", "darker", "slightly lighter, much redder".
     * Lightness first, then what happens to the hue, or, where there is none, to the colour.
     */
    public static String words(Lab from, Lab to) {
        ColourDifference d = ColourDifference.between(from, to);
        if (d.deltaE00() < UNSEEN) {
            return "as it is";
        }
        List<String> out = new ArrayList<>();
        // parts are weighed as CIEDE2000 weighs them, so that each is about one just seen
        double lightness =
                d.deltaL()
                        / (1
                                + 0.015
                                        * Math.pow(from.l() - 50, 2)
                                        / Math.sqrt(20 + Math.pow(from.l() - 50, 2)));
        double mean = (from.chroma() + to.chroma()) / 2;
        add(out, lightness, "lighter", "darker");
        double chroma = d.deltaC() / (1 + 0.045 * mean);
        double hue = d.deltaH() / (1 + 0.015 * mean);
        if (mean < GREY || Math.abs(hue) > Math.abs(chroma) / 2) {
            double da = to.a() - from.a();
            double db = to.b() - from.b();
            if (Math.hypot(da, db) > UNSEEN) {
                out.add(degree(Math.hypot(da, db) / (1 + 0.03 * mean)) + towards(da, db));
            }
        } else {
            add(out, chroma, "stronger", "duller");
        }
        return out.isEmpty() ? "hardly different" : String.join(", ", out);
    }

    private static void add(List<String> out, double by, String up, String down) {
        if (Math.abs(by) > UNSEEN) {
            out.add(degree(Math.abs(by)) + (by > 0 ? up : down));
        }
    }

    private static String degree(double size) {
        return size < SLIGHT ? "slightly " : size > MUCH ? "much " : "";
    }

    private static String towards(double da, double db) {
        double angle = (Math.toDegrees(Math.atan2(db, da)) + 360) % 360;
        String[] names = {
            "redder",
            "more orange",
            "yellower",
            "greener",
            "greener",
            "bluer",
            "bluer",
            "more violet"
        };
        return names[(int) Math.round(angle / 45) % 8];
    }
}
