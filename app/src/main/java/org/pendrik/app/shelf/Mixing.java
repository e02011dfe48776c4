package org.pendrik.app.shelf;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.task.Tasks;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
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
import org.pendrik.core.recipe.RecipeWorking;
import org.pendrik.core.shelf.Bottle;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Mixes of what stands on the shelf, and the search for the best one. */
@Service
public class Mixing {
    private static final double COAT_UM = 10;
    private static final double SIMPLE_BEYOND = 3;
    private static final int SIMPLE_BOTTLES = 3;

    private final Shelf shelf;
    private final Tasks tasks;

    Mixing(Shelf shelf, Tasks tasks) {
        this.shelf = shelf;
        this.tasks = tasks;
    }

    /** Drops of a bottle. */
    record Drops(UUID bottle, int drops) {}

    /**
     * A mix to look at.
     *
     * @param target what it is to be; null when nothing is wanted yet
     * @param light that the target is given under
     * @param surface of the dry mix
     */
    record BenchMix(List<Drops> drops, @Nullable Lab target, Light light, String surface) {}

    /** What one drop more or less of a bottle does. */
    record DropEffect(
            UUID bottle,
            String name,
            int drops,
            String oneMore,
            ColourDifference more,
            @Nullable String oneLess,
            @Nullable ColourDifference less) {}

    /**
     * Target and mix in the same light, touching edges.
     *
     * @param target as a screen shows it; null without one
     * @param difference of the mix from the target; null without one
     * @param words the same as people say it: what the mix is beside the target
     * @param metamerism what the lamp adds to the difference
     */
    record LampView(
            @Nullable String target,
            String mix,
            @Nullable ColourDifference difference,
            String words,
            double metamerism) {}

    /**
     * A mix.
     *
     * @param colour under D65
     * @param hiding of a coat of 10 µm
     * @param cost in the workshop's own money
     * @param estimated whether a spectrum behind it is estimated
     */
    record CupView(
            Lab colour,
            Map<Light, LampView> lamps,
            List<DropEffect> effects,
            int drops,
            double millilitres,
            double hiding,
            double cost,
            boolean estimated) {}

    /**
     * A colour that is wanted, before anything is in the cup.
     *
     * @param under what it looks like under each lamp, as a screen shows it
     * @param clamped whether no surface has it
     */
    record TargetView(Map<Light, String> under, boolean clamped) {}

    static TargetView target(Lab target) {
        SpectrumFit.Fit fit = SpectrumFit.of(target);
        Map<Light, String> under = new EnumMap<>(Light.class);
        for (Light l : Light.values()) {
            under.put(l, Srgb.toHex(l.lab(fit.reflectance())));
        }
        return new TargetView(under, fit.clamped());
    }

    /** Looks at a mix; nothing is kept. */
    @Transactional(readOnly = true)
    public CupView look(BenchMix m) {
        return look(recipe(m.drops(), m.surface(), shelf.bottles()), m);
    }

    /** A mix as it comes out, beside what it was meant for. */
    CupView look(Recipe r, BenchMix m) {
        Surface surface = Shelf.surface(m.surface());
        Lab target = m.target();
        SpectrumFit.@Nullable Fit wanted =
                target == null ? null : SpectrumFit.of(target, m.light());
        Map<Light, LampView> lamps = new EnumMap<>(Light.class);
        for (Light l : Light.values()) {
            Lab mix = l.lab(r.seen());
            if (wanted == null) {
                lamps.put(l, new LampView(null, Srgb.toHex(mix), null, "", 0));
                continue;
            }
            Recipe.Under u = r.under(wanted.reflectance(), m.light()).get(l);
            if (u == null) {
                throw new IllegalStateException("no lamp " + l);
            }
            lamps.put(
                    l,
                    new LampView(
                            Srgb.toHex(u.target()),
                            Srgb.toHex(u.mix()),
                            u.difference(),
                            RecipeWorking.words(u.target(), u.mix()),
                            u.metamerism()));
        }
        List<DropEffect> effects = new ArrayList<>();
        for (RecipeWorking.Effect e : RecipeWorking.of(r, surface, m.light())) {
            effects.add(
                    new DropEffect(
                            UUID.fromString(e.part().bottle().key()),
                            e.part().bottle().name(),
                            e.part().drops(),
                            e.more().words(),
                            e.more().difference(),
                            e.less() == null ? null : e.less().words(),
                            e.less() == null ? null : e.less().difference()));
        }
        Map<String, Bottle> all = shelf.everything();
        double cost = 0;
        for (Recipe.Part p : r.parts()) {
            Bottle b = all.get(p.bottle().key());
            cost += b == null ? 0 : b.pricePerMl() * p.drops() * p.bottle().millilitresPerDrop();
        }
        return new CupView(
                Light.D65.lab(r.seen()),
                lamps,
                effects,
                r.drops(),
                r.millilitres(),
                r.paint().hiding(COAT_UM),
                cost,
                r.estimated());
    }

    static Recipe recipe(List<Drops> drops, String surface, Map<String, Bottle> bottles) {
        List<Recipe.Part> parts = new ArrayList<>();
        for (Drops d : drops) {
            Bottle b = bottles.get(d.bottle().toString());
            if (b == null) {
                throw new NotFound("The bottle", "the shelf");
            }
            if (d.drops() < 1 || d.drops() > 400) {
                throw new InvalidInput(
                        "Drops of " + b.name(),
                        Integer.toString(d.drops()),
                        "must be from 1 to 400",
                        "Leave out what is none.");
            }
            parts.add(new Recipe.Part(b.ingredient(d.bottle().toString(), 1), d.drops()));
        }
        if (parts.isEmpty()) {
            throw new InvalidInput(
                    "Mix", "nothing", "must have a drop at least", "Add a drop of a bottle.");
        }
        return Recipe.of(parts, Shelf.surface(surface));
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
    record SimpleRecipe(List<Drops> drops, double deltaE00) {}

    /**
     * What a search came to.
     *
     * @param within nothing allowed is nearer than {@code deltaE00} minus this
     * @param clamped whether no surface has the colour that was asked for
     * @param help what would bring it nearer; null when nothing would
     * @param refused bottles that were left out, with the reason
     */
    record SearchView(
            List<Drops> drops,
            double deltaE00,
            double within,
            CupView mix,
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
    public SearchView search(ShelfSearch s, @Nullable UUID task) {
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
                                s.must().stream()
                                        .map(UUID::toString)
                                        .collect(java.util.stream.Collectors.toSet()),
                                s.families(),
                                s.opacity(),
                                COAT_UM),
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
                    RecipeFront.of(
                            q,
                            SIMPLE_BOTTLES,
                            p.deltaE00() + SIMPLE_BEYOND,
                            org.pendrik.core.units.Watch.NOBODY)) {
                simple.add(new SimpleRecipe(drops(f.recipe()), f.deltaE00()));
            }
        }
        return new SearchView(
                drops(p.recipe()),
                p.deltaE00(),
                p.within(),
                look(
                        p.recipe(),
                        new BenchMix(drops(p.recipe()), s.target(), Light.D65, s.surface())),
                target.clamped(),
                MissingPaint.of(q, p.deltaE00()).orElse(null),
                simple,
                refused,
                p.choices());
    }

    private static List<Drops> drops(Recipe r) {
        return r.parts().stream()
                .map(x -> new Drops(UUID.fromString(x.bottle().key()), x.drops()))
                .toList();
    }
}
