package org.pendrik.app.shelf;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.app.shelf.Mixing.Drops;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.StepId;
import org.pendrik.core.paint.Light;
import org.pendrik.core.recipe.Recipe;
import org.pendrik.core.recipe.RecipeWorking;
import org.pendrik.core.shelf.Bottle;
import org.pendrik.core.shelf.TestCard;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The recipes that are kept, and what their test cards taught. */
@Service
public class Recipes {
    private final Shelf shelf;
    private final ShelfMapper mapper;
    private final Mixing mixing;
    private final StepMixes steps;
    private final ShelfStock stock;
    private final Clock clock;

    Recipes(
            Shelf shelf,
            ShelfMapper mapper,
            Mixing mixing,
            StepMixes steps,
            ShelfStock stock,
            Clock clock) {
        this.stock = stock;
        this.shelf = shelf;
        this.mapper = mapper;
        this.mixing = mixing;
        this.steps = steps;
        this.clock = clock;
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
     * @param tooDark those of several bottles that are too dark to tell what they do to the others
     */
    record RecipeView(
            UUID id,
            int version,
            RecipeDraft recipe,
            Instant madeOn,
            Mixing.CupView mix,
            List<String> missing,
            List<String> tooDark,
            List<CardView> cards) {}

    /** All that are kept, the newest first. */
    @Transactional(readOnly = true)
    public List<RecipeView> all() {
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
        Mixing.BenchMix mix = new Mixing.BenchMix(drops, target, r.light(), r.surface());
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
                mixing.look(Mixing.recipe(drops, r.surface(), all), mix),
                missing,
                Shelf.tooDark(
                        drops.stream()
                                .map(d -> all.get(d.bottle().toString()))
                                .filter(java.util.Objects::nonNull)
                                .toList()),
                cards.stream()
                        .filter(c -> c.recipeId().equals(r.id()))
                        .map(Recipes::view)
                        .toList());
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
        Mixing.recipe(d.drops(), d.surface(), shelf.everything());
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
        stock.useWhenStored();
        return one(id);
    }

    private RecipeView one(UUID id) {
        return all().stream()
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
        standing(id);
        StaleVersion.unlessOne(mapper.setRecipeGone(id, version, gone), "The recipe");
        stock.useWhenStored();
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
        Recipe recipe = Mixing.recipe(r.recipe().drops(), r.recipe().surface(), all);
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
        stock.useWhenStored();
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
