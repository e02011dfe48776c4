package org.pendrik.app.shelf;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.task.Tasks;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.SpectrumFit;
import org.pendrik.core.paint.Surface;
import org.pendrik.core.recipe.Ingredient;
import org.pendrik.core.recipe.MissingPaint;
import org.pendrik.core.recipe.Recipe;
import org.pendrik.core.recipe.RecipeAnswer;
import org.pendrik.core.recipe.RecipeFront;
import org.pendrik.core.recipe.RecipeQuestion;
import org.pendrik.core.recipe.RecipeSearch;
import org.pendrik.core.shelf.Bottle;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Watch;
import org.springframework.stereotype.Service;

/** Searches the shelf for the best mix. */
@Service
class ColourSearch {
    private static final double SIMPLE_BEYOND = 3;
    private static final int SIMPLE_BOTTLES = 3;

    private final Shelf shelf;
    private final Mixing mixing;
    private final Tasks tasks;

    ColourSearch(Shelf shelf, Mixing mixing, Tasks tasks) {
        this.shelf = shelf;
        this.mixing = mixing;
        this.tasks = tasks;
    }

    /**
     * A search over the shelf.
     *
     * @param target what is wanted, under D65
     * @param light under which it has to match
     * @param families that may share a cup; empty when only those of one family may
     * @param must bottles that have to be in
     * @param not bottles that must not be in
     * @param opacity share of contrast that a coat has to hide; 0 asks for nothing
     * @param wantedMl of the mix; what is left in a bottle bounds its share
     * @param exact the very best instead of one within 0.1 of it
     * @param simple whether simpler recipes near it are wanted too
     */
    record ShelfSearch(
            Lab target,
            Light light,
            String surface,
            int mostPaints,
            int mostDrops,
            Set<String> families,
            Set<UUID> must,
            Set<UUID> not,
            double opacity,
            double wantedMl,
            boolean exact,
            boolean simple) {}

    /** A simpler recipe. */
    record SimpleRecipe(List<Mixing.Drops> drops, double deltaE00) {}

    /**
     * What a search came to.
     *
     * @param within nothing allowed is nearer than {@code deltaE00} minus this
     * @param clamped whether no surface has the colour that was asked for
     * @param help what would bring it nearer; null when nothing would
     * @param refused bottles that were left out, with the reason
     */
    record SearchView(
            List<Mixing.Drops> drops,
            double deltaE00,
            double within,
            Mixing.CupView mix,
            boolean clamped,
            MissingPaint.@Nullable Help help,
            List<SimpleRecipe> simple,
            Map<String, String> refused,
            long choices) {}

    /**
     * Searches.
     *
     * @param task by which it can be watched and stopped
     */
    SearchView search(ShelfSearch s, @Nullable UUID task) {
        Map<String, Bottle> bottles = shelf.bottles();
        Map<String, String> refused = new LinkedHashMap<>();
        List<Ingredient> may = new ArrayList<>();
        bottles.forEach(
                (key, b) -> {
                    if (!b.mixes()) {
                        refused.put(
                                b.name(),
                                b.kind() == Bottle.Kind.PAINT
                                        ? "It has no colour yet."
                                        : b.kind().whyNot());
                    } else if (!s.not().contains(UUID.fromString(key)) && b.amountMl() > 0) {
                        may.add(b.ingredient(key, Math.max(0.05, s.wantedMl())));
                    }
                });
        SpectrumFit.Fit target = SpectrumFit.of(s.target());
        Surface surface = Shelf.surface(s.surface());
        RecipeQuestion question =
                new RecipeQuestion(
                        target.reflectance(),
                        s.light(),
                        surface,
                        may,
                        new RecipeQuestion.Rules(
                                s.mostPaints(),
                                s.mostDrops(),
                                s.must().stream().map(UUID::toString).collect(Collectors.toSet()),
                                s.families(),
                                s.opacity(),
                                Mixing.COAT_UM),
                        s.exact());
        return tasks.run(
                task,
                watch ->
                        switch (RecipeSearch.search(question, watch)) {
                            case RecipeAnswer.None n ->
                                    throw new InvalidInput(
                                            "Recipe", "none", "cannot be found", n.reason());
                            case RecipeAnswer.Proven p -> {
                                watch.at("simpler recipes, and what is missing", 0.97);
                                yield answer(s, question, target, p, refused);
                            }
                        });
    }

    private SearchView answer(
            ShelfSearch s,
            RecipeQuestion q,
            SpectrumFit.Fit target,
            RecipeAnswer.Proven p,
            Map<String, String> refused) {
        List<SimpleRecipe> simple = new ArrayList<>();
        if (s.simple()) {
            for (RecipeFront.Simple f :
                    RecipeFront.of(q, SIMPLE_BOTTLES, p.deltaE00() + SIMPLE_BEYOND, Watch.NOBODY)) {
                simple.add(new SimpleRecipe(drops(f.recipe()), f.deltaE00()));
            }
        }
        return new SearchView(
                drops(p.recipe()),
                p.deltaE00(),
                p.within(),
                mixing.look(
                        p.recipe(),
                        new Mixing.BenchMix(drops(p.recipe()), s.target(), Light.D65, s.surface())),
                target.clamped(),
                MissingPaint.of(q, p.deltaE00()).orElse(null),
                simple,
                refused,
                p.choices());
    }

    private static List<Mixing.Drops> drops(Recipe r) {
        return r.parts().stream()
                .map(x -> new Mixing.Drops(UUID.fromString(x.bottle().key()), x.drops()))
                .toList();
    }
}
