package org.pendrik.app.shelf;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.problem.NotFound;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.film.Carrier;
import org.pendrik.core.film.Material;
import org.pendrik.core.film.StepId;
import org.pendrik.core.mix.MixCard;
import org.pendrik.core.paint.Light;
import org.pendrik.core.recipe.Recipe;
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
        Map<StepId, StepRecipe> out = new LinkedHashMap<>();
        List<ShelfMapper.StepMixRow> links = mapper.stepMixes(job);
        if (links.isEmpty()) {
            return out;
        }
        Map<String, Bottle> all = shelf.everything();
        Map<String, Bottle> here = shelf.bottles();
        List<ShelfMapper.PartRow> parts = mapper.parts();
        for (ShelfMapper.StepMixRow link : links) {
            mapper.recipe(link.recipeId())
                    .filter(r -> !r.gone())
                    .ifPresent(r -> out.put(link.stepId(), recipe(r, parts, all, here)));
        }
        return out;
    }

    private static StepRecipe recipe(
            ShelfMapper.RecipeRow r,
            List<ShelfMapper.PartRow> parts,
            Map<String, Bottle> all,
            Map<String, Bottle> here) {
        List<Mixing.Drops> drops = Recipes.drops(r.id(), parts);
        Recipe mix = Mixing.recipe(drops, r.surface(), all);
        int common = 0;
        for (Mixing.Drops d : drops) {
            common = gcd(common, d.drops());
        }
        List<MixCard.Portion> helping = new ArrayList<>();
        List<String> missing = new ArrayList<>();
        List<Bottle> bottles = new ArrayList<>();
        Set<String> families = new LinkedHashSet<>();
        for (Mixing.Drops d : drops) {
            Bottle was = all.get(d.bottle().toString());
            Bottle is = here.get(d.bottle().toString());
            if (was == null) {
                throw new NotFound("The bottle", "the shelf");
            }
            if (is == null || is.amountMl() <= 0) {
                missing.add(was.name());
            }
            bottles.add(was);
            families.add(was.family());
            helping.add(
                    portion(
                            Shelf.told(d.bottle(), all),
                            was,
                            d.drops() / common,
                            is == null ? 0 : is.amountMl()));
        }
        return new StepRecipe(
                r.id(),
                r.name(),
                org.pendrik.core.paint.Light.D65.lab(mix.seen()),
                helping,
                missing,
                Shelf.tooDark(bottles),
                List.copyOf(families));
    }

    private static MixCard.Portion portion(String name, Bottle b, int drops, double left) {
        return new MixCard.Portion(
                name, drops, b.dropMl(), OptionalDouble.of(left), b.pricePerMl());
    }

    private static int gcd(int a, int b) {
        return b == 0 ? a : gcd(b, a % b);
    }

    /** A drop of the bottle that is called so; none when no bottle is. */
    @Transactional(readOnly = true)
    public Optional<MixCard.Portion> bottle(String name) {
        Map<String, Bottle> here = shelf.bottles();
        return here.entrySet().stream()
                .filter(e -> e.getValue().name().equalsIgnoreCase(name))
                .max(java.util.Comparator.comparingDouble(e -> e.getValue().amountMl()))
                .map(
                        e ->
                                portion(
                                        Shelf.told(UUID.fromString(e.getKey()), here),
                                        e.getValue(),
                                        1,
                                        e.getValue().amountMl()));
    }

    /**
     * Which materials are at hand: those that a bottle with something in it is called like, water,
     * and alcohol that is let down from a stronger one.
     *
     * @param materials to choose from
     * @return their keys
     */
    @Transactional(readOnly = true)
    public Set<String> atHand(Collection<Material> materials) {
        Set<String> names = new HashSet<>();
        shelf.bottles().values().stream()
                .filter(b -> b.amountMl() > 0)
                .forEach(b -> names.add(b.name().toLowerCase(Locale.ROOT)));
        Set<String> out = new HashSet<>();
        double strongest = 0;
        for (Material m : materials) {
            if (names.contains(m.name().toLowerCase(Locale.ROOT))) {
                out.add(m.key());
                if (!m.deposits() && m.carrier() instanceof Carrier.Alcohol a) {
                    strongest = Math.max(strongest, a.percent());
                }
            }
        }
        for (Material m : materials) {
            boolean made =
                    switch (m.carrier()) {
                        case Carrier.Alcohol a -> a.percent() <= strongest;
                        case Carrier.Named n ->
                                n == Carrier.Named.WATER || n == Carrier.Named.SOAPY_WATER;
                        case Carrier.Dry _ -> false;
                    };
            if (!m.deposits() && made) {
                out.add(m.key());
            }
        }
        return out;
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
        List<ShelfMapper.PartRow> parts = mapper.parts();
        List<Carried> out = new ArrayList<>();
        for (ShelfMapper.StepMixRow link : mapper.stepMixes(job)) {
            mapper.recipe(link.recipeId())
                    .filter(r -> !r.gone())
                    .ifPresent(
                            r ->
                                    out.add(
                                            new Carried(
                                                    link.stepId(),
                                                    r.name(),
                                                    new Lab(r.targetL(), r.targetA(), r.targetB()),
                                                    r.light(),
                                                    r.surface(),
                                                    r.notes(),
                                                    carriedParts(r.id(), parts, all))));
        }
        return out;
    }

    private static List<CarriedPart> carriedParts(
            UUID recipe, List<ShelfMapper.PartRow> parts, Map<String, Bottle> all) {
        List<CarriedPart> out = new ArrayList<>();
        for (Mixing.Drops d : Recipes.drops(recipe, parts)) {
            Bottle b = all.get(d.bottle().toString());
            if (b != null) {
                out.add(new CarriedPart(b.name(), b.maker(), d.drops()));
            }
        }
        return out;
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
            mapper.linkStep(new ShelfMapper.StepMixRow(job, step, recipe));
        }
    }
}
