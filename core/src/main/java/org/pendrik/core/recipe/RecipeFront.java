package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.List;
import org.pendrik.core.units.Watch;

/**
 * Simple recipes: for each number of bottles the fewest drops with which a colour is met within a
 * tolerance, and the best that this number of bottles can do. What another recipe beats in bottles,
 * drops and difference at once is left out. Each entry is the answer of an exact search.
 */
public final class RecipeFront {
    private RecipeFront() {}

    /**
     * One simple recipe.
     *
     * @param recipe it
     * @param deltaE00 from the target
     */
    public record Simple(Recipe recipe, double deltaE00) {
        int bottles() {
            return recipe.parts().size();
        }

        boolean beats(Simple o) {
            return bottles() <= o.bottles()
                    && recipe.drops() <= o.recipe.drops()
                    && deltaE00 <= o.deltaE00 + 1e-9;
        }
    }

    /**
     * The simple recipes for a question, fewest bottles first, then fewest drops.
     *
     * @param mostBottles up to which simple ends; three paints of sixty are searched in a moment
     * @param tolerance ΔE00 that is near enough
     */
    public static List<Simple> of(
            RecipeQuestion question, int mostBottles, double tolerance, Watch watch) {
        List<Simple> all = new ArrayList<>();
        int most = Math.min(mostBottles, question.limits().mostPaints());
        for (int bottles = Math.max(1, question.limits().must().size());
                bottles <= most;
                bottles++) {
            watch.at("recipes of " + bottles, (double) (bottles - 1) / most);
            // fewer drops never do better, so the fewest that do are found by halving
            int low = bottles;
            int high = question.limits().mostDrops();
            if (low > high || !add(all, question, bottles, high, tolerance)) {
                continue;
            }
            while (low < high) {
                int mid = (low + high) / 2;
                if (add(all, question, bottles, mid, tolerance)) {
                    high = mid;
                } else {
                    low = mid + 1;
                }
            }
        }
        List<Simple> front = new ArrayList<>();
        for (Simple s : all) {
            boolean beaten =
                    all.stream().anyMatch(o -> o.beats(s) && !s.beats(o))
                            || front.stream().anyMatch(o -> o.beats(s));
            if (!beaten) {
                front.add(s);
            }
        }
        front.sort(
                java.util.Comparator.comparingInt(Simple::bottles)
                        .thenComparingInt(s -> s.recipe().drops()));
        return List.copyOf(front);
    }

    /** Adds the best of some bottles and drops; whether it is near enough. */
    private static boolean add(
            List<Simple> all, RecipeQuestion q, int bottles, int drops, double tolerance) {
        RecipeQuestion.Rules r = q.limits();
        RecipeQuestion smaller =
                new RecipeQuestion(
                        q.target(),
                        q.light(),
                        q.surface(),
                        q.shelf(),
                        new RecipeQuestion.Rules(
                                bottles,
                                drops,
                                r.must(),
                                r.families(),
                                r.opacity(),
                                r.micrometres()),
                        true);
        if (RecipeSearch.search(smaller, Watch.NOBODY) instanceof RecipeAnswer.Proven p
                && p.deltaE00() <= tolerance) {
            all.add(new Simple(p.recipe(), p.deltaE00()));
            return true;
        }
        return false;
    }
}
