package org.pendrik.app.shelf;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.problem.NotFound;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.film.StepId;
import org.pendrik.core.mix.MixCard;
import org.pendrik.core.paint.Light;
import org.pendrik.core.shelf.Bottle;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What goes into the cup for a step: a kept recipe, or the bottle of its material. */
@Service
public class StepMixes {
    private final Shelf shelf;
    private final ShelfMapper mapper;
    private final ShelfStock stock;
    private final Clock clock;

    StepMixes(Shelf shelf, ShelfMapper mapper, ShelfStock stock, Clock clock) {
        this.stock = stock;
        this.clock = clock;
        this.shelf = shelf;
        this.mapper = mapper;
    }

    /**
     * The recipe of a step.
     *
     * @param colour of the mix under D65, as the shelf is now
     * @param helping the least whole drops that keep its ratio
     * @param missing bottles that are gone or empty, by name
     * @param tooDark those of several bottles that are too dark to tell what they do to the others
     * @param families of its bottles, each once
     */
    public record StepRecipe(
            UUID recipe,
            String name,
            Lab colour,
            List<MixCard.Portion> helping,
            List<String> missing,
            List<String> tooDark,
            List<String> families) {
        /** As a screen shows it. */
        public String hex() {
            return Srgb.toHex(colour);
        }
    }

    /** The recipes of a job's steps, by step. */
    @Transactional(readOnly = true)
    public Map<StepId, StepRecipe> ofJob(UUID job) {
        List<ShelfMapper.StepMixRow> links = mapper.stepMixes(job);
        return links.isEmpty() ? Map.of() : cupboard().recipes(links);
    }

    /** The recipes of several jobs' steps, by job and step. */
    @Transactional(readOnly = true)
    public Map<UUID, Map<StepId, StepRecipe>> ofJobs(Set<UUID> jobs) {
        Map<UUID, List<ShelfMapper.StepMixRow>> links =
                mapper.allStepMixes().stream()
                        .filter(l -> jobs.contains(l.jobId()))
                        .collect(Collectors.groupingBy(ShelfMapper.StepMixRow::jobId));
        if (links.isEmpty()) {
            return Map.of();
        }
        Cupboard cupboard = cupboard();
        Map<UUID, Map<StepId, StepRecipe>> out = new HashMap<>();
        links.forEach((job, of) -> out.put(job, cupboard.recipes(of)));
        return out;
    }

    /** What stands on the shelf, read once. */
    @Transactional(readOnly = true)
    public Cupboard cupboard() {
        return Cupboard.of(mapper);
    }

    /**
     * A recipe as it goes from one workshop to another: its bottles by name and maker.
     *
     * @param target under D65
     */
    public record Carried(
            StepId step,
            String name,
            Lab target,
            Light light,
            String surface,
            String notes,
            List<CarriedPart> parts) {}

    /** Drops of a bottle in it. */
    public record CarriedPart(String bottle, String maker, int drops) {
        private static final int MOST_DROPS = 400;

        public CarriedPart {
            InvalidInput.requireWithin(
                    "Drops of " + bottle, drops, "", 1, MOST_DROPS, "Take whole drops.");
        }

        /** What it is called among others. */
        public String told() {
            return maker.isEmpty() ? bottle : bottle + " (" + maker + ")";
        }
    }

    /** The recipes of a job's steps, to be carried elsewhere. */
    @Transactional(readOnly = true)
    public List<Carried> carried(UUID job) {
        Map<String, Bottle> all = shelf.everything();
        Map<StepId, List<ShelfMapper.StepMixRow>> steps = new LinkedHashMap<>();
        mapper.stepMixes(job)
                .forEach(p -> steps.computeIfAbsent(p.stepId(), _ -> new ArrayList<>()).add(p));
        List<Carried> out = new ArrayList<>();
        steps.forEach(
                (step, parts) ->
                        mapper.recipe(parts.getFirst().recipeId())
                                .ifPresent(r -> out.add(carried(step, r, parts, all))));
        return out;
    }

    private static Carried carried(
            StepId step,
            ShelfMapper.RecipeRow r,
            List<ShelfMapper.StepMixRow> parts,
            Map<String, Bottle> all) {
        List<CarriedPart> carried = new ArrayList<>();
        for (ShelfMapper.StepMixRow p : parts) {
            Bottle b = all.get(p.bottleId().toString());
            if (b != null) {
                carried.add(new CarriedPart(b.name(), b.maker(), p.drops()));
            }
        }
        Lab target = new Lab(r.targetL(), r.targetA(), r.targetB());
        return new Carried(step, r.name(), target, r.light(), r.surface(), r.notes(), carried);
    }

    /**
     * Mixes a step by a recipe that was carried here: by one of the same name and drops that is
     * kept already, else by a new one.
     *
     * @return which of its bottles do not stand on this shelf; when there are any, nothing is done
     */
    @Transactional
    public List<CarriedPart> take(UUID job, Carried c) {
        List<CarriedPart> missing = new ArrayList<>();
        Map<UUID, Integer> drops = new LinkedHashMap<>();
        for (CarriedPart p : c.parts()) {
            Optional<UUID> bottle =
                    shelf.bottles().entrySet().stream()
                            .filter(e -> e.getValue().name().equalsIgnoreCase(p.bottle()))
                            .filter(e -> e.getValue().maker().equalsIgnoreCase(p.maker()))
                            .map(e -> UUID.fromString(e.getKey()))
                            .findFirst();
            bottle.ifPresentOrElse(b -> drops.put(b, p.drops()), () -> missing.add(p));
        }
        if (!missing.isEmpty()) {
            return missing;
        }
        List<ShelfMapper.PartRow> parts = mapper.parts();
        UUID recipe =
                mapper.recipes().stream()
                        .filter(r -> r.name().equals(c.name()))
                        .map(ShelfMapper.RecipeRow::id)
                        .filter(
                                id -> {
                                    Map<UUID, Integer> of = new LinkedHashMap<>();
                                    Recipes.drops(id, parts)
                                            .forEach(d -> of.put(d.bottle(), d.drops()));
                                    return of.equals(drops);
                                })
                        .findFirst()
                        .orElseGet(() -> keep(job, c, drops));
        link(job, c.step(), recipe);
        return List.of();
    }

    private UUID keep(UUID job, Carried c, Map<UUID, Integer> drops) {
        UUID id = UUID.randomUUID();
        Shelf.surface(c.surface());
        mapper.addRecipe(
                new ShelfMapper.RecipeRow(
                        id,
                        1,
                        false,
                        c.name(),
                        c.target().l(),
                        c.target().a(),
                        c.target().b(),
                        c.light(),
                        c.surface(),
                        job,
                        c.step(),
                        clock.instant(),
                        c.notes()));
        int place = 0;
        for (Map.Entry<UUID, Integer> d : drops.entrySet()) {
            mapper.addPart(new ShelfMapper.PartRow(id, place++, d.getKey(), d.getValue()));
        }
        stock.useWhenStored();
        return id;
    }

    /**
     * Mixes a step by a recipe from now on.
     *
     * @param recipe null for the bottle of its material
     */
    @Transactional
    public void link(UUID job, StepId step, @Nullable UUID recipe) {
        mapper.unlinkStep(job, step);
        if (recipe != null) {
            if (mapper.recipe(recipe).filter(r -> !r.gone()).isEmpty()) {
                throw new NotFound("The recipe", "the kept recipes on Shelf");
            }
            mapper.linkStep(job, step, recipe);
        }
    }
}
