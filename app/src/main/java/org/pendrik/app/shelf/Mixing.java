package org.pendrik.app.shelf;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.app.task.Tasks;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.film.StepId;
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
import org.pendrik.core.shelf.TestCard;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Mixes of what stands on the shelf, and the recipes that are kept. */
@Service
public class Mixing {
    private static final double COAT_UM = 10;
    private static final double SIMPLE_BEYOND = 3;
    private static final int SIMPLE_BOTTLES = 3;

    private final Shelf shelf;
    private final ShelfMapper mapper;
    private final StepMixes steps;
    private final Tasks tasks;
    private final Clock clock;

    Mixing(Shelf shelf, ShelfMapper mapper, StepMixes steps, Tasks tasks, Clock clock) {
        this.shelf = shelf;
        this.steps = steps;
        this.mapper = mapper;
        this.tasks = tasks;
        this.clock = clock;
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

    private CupView look(Recipe r, BenchMix m) {
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

    /**
     * What a user says of a recipe.
     *
     * @param job that it is made for; null for none
     * @param step of that job; null for none
     */
    record RecipeDraft(
            String name,
            Lab target,
            Light light,
            String surface,
            List<Drops> drops,
            @Nullable UUID job,
            @Nullable StepId step,
            @Nullable String notes) {}

    /** What a card taught. */
    record CardView(
            UUID id,
            Lab seen,
            Lab predicted,
            double left,
            Instant noted,
            String taught,
            String words) {}

    /**
     * A recipe that is kept.
     *
     * @param mix as it comes out with the shelf as it is now
     * @param missing bottles that are gone or empty, by name
     */
    record RecipeView(
            UUID id,
            int version,
            RecipeDraft recipe,
            Instant madeOn,
            CupView mix,
            List<String> missing,
            List<CardView> cards) {}

    /** All that are kept, the newest first. */
    @Transactional(readOnly = true)
    public List<RecipeView> recipes() {
        List<ShelfMapper.PartRow> parts = mapper.parts();
        List<ShelfMapper.CardRow> cards = mapper.cards();
        Map<String, Bottle> all = shelf.everything();
        Map<String, Bottle> here = shelf.bottles();
        return mapper.recipes().stream().map(r -> view(r, parts, cards, all, here)).toList();
    }

    private RecipeView view(
            ShelfMapper.RecipeRow r,
            List<ShelfMapper.PartRow> parts,
            List<ShelfMapper.CardRow> cards,
            Map<String, Bottle> all,
            Map<String, Bottle> here) {
        List<Drops> drops = drops(r.id(), parts);
        Lab target = new Lab(r.targetL(), r.targetA(), r.targetB());
        BenchMix mix = new BenchMix(drops, target, r.light(), r.surface());
        List<String> missing = new ArrayList<>();
        for (Drops d : drops) {
            Bottle b = here.get(d.bottle().toString());
            if (b == null || b.amountMl() <= 0) {
                Bottle was = all.get(d.bottle().toString());
                missing.add(was == null ? "a bottle" : was.name());
            }
        }
        return new RecipeView(
                r.id(),
                r.version(),
                new RecipeDraft(
                        r.name(),
                        target,
                        r.light(),
                        r.surface(),
                        drops,
                        r.jobId(),
                        r.stepId(),
                        r.notes()),
                r.madeOn(),
                look(recipe(drops, r.surface(), all), mix),
                missing,
                cards.stream().filter(c -> c.recipeId().equals(r.id())).map(Mixing::view).toList());
    }

    static List<Drops> drops(UUID recipe, List<ShelfMapper.PartRow> parts) {
        return parts.stream()
                .filter(p -> p.recipeId().equals(recipe))
                .map(p -> new Drops(p.bottleId(), p.drops()))
                .toList();
    }

    private static CardView view(ShelfMapper.CardRow c) {
        Lab seen = new Lab(c.seenL(), c.seenA(), c.seenB());
        Lab predicted = new Lab(c.predictedL(), c.predictedA(), c.predictedB());
        return new CardView(
                c.id(),
                seen,
                predicted,
                c.leftOver(),
                c.notedAt(),
                c.taught(),
                RecipeWorking.words(predicted, seen));
    }

    /**
     * Keeps a recipe or changes one.
     *
     * @param version that was seen; null for a new one. Sending a new one twice keeps it once.
     */
    @Transactional
    public RecipeView keep(UUID id, @Nullable Integer version, RecipeDraft d) {
        String name = d.name().strip();
        if (name.isEmpty() || name.length() > 80) {
            throw new InvalidInput(
                    "Name of the recipe",
                    name.length() > 20 ? name.substring(0, 20) + "…" : name,
                    "must have from 1 to 80 characters",
                    "Name what it is for: boxcar red, three years out.");
        }
        recipe(d.drops(), d.surface(), shelf.everything());
        String notes = d.notes();
        ShelfMapper.RecipeRow row =
                new ShelfMapper.RecipeRow(
                        id,
                        version == null ? 1 : version,
                        false,
                        name,
                        d.target().l(),
                        d.target().a(),
                        d.target().b(),
                        d.light(),
                        d.surface(),
                        d.job(),
                        d.step(),
                        clock.instant(),
                        notes == null ? "" : notes);
        boolean known = mapper.recipe(id).isPresent();
        if (!known) {
            mapper.addRecipe(row);
        } else if (version != null) {
            StaleVersion.unlessOne(mapper.changeRecipe(row), "The recipe");
        } else {
            RecipeView kept = one(id);
            if (!kept.recipe().drops().equals(d.drops()) || !kept.recipe().name().equals(name)) {
                throw new InvalidInput(
                        "Recipe",
                        name,
                        "was kept before with other drops or another name",
                        "Change that one, or keep this one anew.");
            }
            return kept;
        }
        mapper.dropParts(id);
        for (int i = 0; i < d.drops().size(); i++) {
            Drops x = d.drops().get(i);
            mapper.addPart(new ShelfMapper.PartRow(id, i, x.bottle(), x.drops()));
        }
        UUID job = d.job();
        StepId step = d.step();
        if (!known && job != null && step != null) {
            steps.link(job, step, id);
        }
        return one(id);
    }

    private RecipeView one(UUID id) {
        return recipes().stream()
                .filter(r -> r.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new NotFound("The recipe", "the kept recipes on Shelf"));
    }

    /** How a recipe stands now, for taking a change back. */
    @Transactional(readOnly = true)
    public Shelf.Standing standing(UUID id) {
        return mapper.recipe(id)
                .map(r -> new Shelf.Standing(r.version(), r.gone()))
                .orElseThrow(() -> new NotFound("The recipe", "the kept recipes on Shelf"));
    }

    /** Takes a recipe away, or puts it back. */
    @Transactional
    public void setGone(UUID id, int version, boolean gone) {
        StaleVersion.unlessOne(mapper.setRecipeGone(id, version, gone), "The recipe");
    }

    /**
     * Notes what a mix was seen to be; its bottles are from now on as strong as that teaches.
     *
     * @param card its id, so that sending it twice keeps it once
     */
    @Transactional
    public RecipeView card(UUID id, UUID card, Lab seen) {
        RecipeView r = one(id);
        InvalidInput.requireWithin("L*", seen.l(), "", 0, 100, "0 is black, 100 white.");
        if (mapper.cards().stream().anyMatch(c -> c.id().equals(card))) {
            return r;
        }
        Map<String, Bottle> all = shelf.everything();
        Recipe recipe = recipe(r.recipe().drops(), r.recipe().surface(), all);
        TestCard learned = TestCard.learn(recipe, Shelf.surface(r.recipe().surface()), seen);
        List<String> taught = new ArrayList<>();
        List<ShelfMapper.CardStrengthRow> changed = new ArrayList<>();
        learned.strengths()
                .forEach(
                        (key, strength) -> {
                            Bottle b = all.get(key);
                            if (b != null && Math.abs(strength / b.strength() - 1) > 0.005) {
                                UUID bottle = UUID.fromString(key);
                                mapper.teach(bottle, strength);
                                changed.add(
                                        new ShelfMapper.CardStrengthRow(
                                                card, bottle, b.strength(), strength));
                                taught.add(
                                        String.format(
                                                java.util.Locale.ROOT,
                                                "%s %.2f → %.2f",
                                                b.name(),
                                                b.strength(),
                                                strength));
                            }
                        });
        mapper.addCard(
                new ShelfMapper.CardRow(
                        card,
                        id,
                        seen.l(),
                        seen.a(),
                        seen.b(),
                        learned.predicted().l(),
                        learned.predicted().a(),
                        learned.predicted().b(),
                        learned.left(),
                        clock.instant(),
                        taught.isEmpty()
                                ? "nothing: it came out as predicted"
                                : String.join(", ", taught)));
        changed.forEach(mapper::addCardStrength);
        return one(id);
    }

    /** Takes a card back: what it taught is forgotten, unless a later card taught otherwise. */
    @Transactional
    public RecipeView uncard(UUID id, UUID card) {
        if (mapper.cards().stream()
                .noneMatch(c -> c.id().equals(card) && c.recipeId().equals(id))) {
            throw new NotFound("The test card", "the recipe on Shelf");
        }
        Map<String, Bottle> all = shelf.everything();
        for (ShelfMapper.CardStrengthRow r : mapper.cardStrengths(card)) {
            Bottle b = all.get(r.bottleId().toString());
            if (b != null && Math.abs(b.strength() - r.strengthAfter()) < 1e-9) {
                mapper.teach(r.bottleId(), r.strengthBefore());
            }
        }
        mapper.dropCardStrengths(card);
        mapper.dropCard(card);
        return one(id);
    }
}
