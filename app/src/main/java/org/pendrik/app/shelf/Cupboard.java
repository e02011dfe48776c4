package org.pendrik.app.shelf;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
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
import org.pendrik.app.problem.NotFound;
import org.pendrik.core.film.Carrier;
import org.pendrik.core.film.Material;
import org.pendrik.core.film.StepId;
import org.pendrik.core.mix.MixCard;
import org.pendrik.core.paint.Light;
import org.pendrik.core.recipe.Recipe;
import org.pendrik.core.shelf.Bottle;

/** Bottles and kept recipes of one moment, as steps take from them. */
public final class Cupboard {
    private final Map<String, Bottle> all;
    private final Map<String, Bottle> here;
    private final List<ShelfMapper.PartRow> parts;
    private final Map<UUID, ShelfMapper.RecipeRow> recipes;

    private Cupboard(
            Map<String, Bottle> all,
            Map<String, Bottle> here,
            List<ShelfMapper.PartRow> parts,
            Map<UUID, ShelfMapper.RecipeRow> recipes) {
        this.all = all;
        this.here = here;
        this.parts = parts;
        this.recipes = recipes;
    }

    static Cupboard of(ShelfMapper mapper) {
        Map<String, Bottle> all = new LinkedHashMap<>();
        Map<String, Bottle> here = new LinkedHashMap<>();
        for (ShelfMapper.BottleRow r : mapper.bottles()) {
            Bottle b = r.bottle();
            all.put(r.id().toString(), b);
            if (!r.gone()) {
                here.put(r.id().toString(), b);
            }
        }
        Map<UUID, ShelfMapper.RecipeRow> recipes = new LinkedHashMap<>();
        mapper.recipes().forEach(r -> recipes.put(r.id(), r));
        return new Cupboard(all, here, mapper.parts(), recipes);
    }

    /** The recipes of steps, by step; a recipe that was taken away is none. */
    Map<StepId, StepMixes.StepRecipe> recipes(List<ShelfMapper.StepMixRow> links) {
        Map<StepId, StepMixes.StepRecipe> out = new LinkedHashMap<>();
        for (ShelfMapper.StepMixRow link : links) {
            ShelfMapper.RecipeRow r = recipes.get(link.recipeId());
            if (r != null && !r.gone()) {
                out.put(link.stepId(), recipe(r));
            }
        }
        return out;
    }

    private StepMixes.StepRecipe recipe(ShelfMapper.RecipeRow r) {
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
        return new StepMixes.StepRecipe(
                r.id(),
                r.name(),
                Light.D65.lab(mix.seen()),
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
    public Optional<MixCard.Portion> bottle(String name) {
        return here.entrySet().stream()
                .filter(e -> e.getValue().name().equalsIgnoreCase(name))
                .max(Comparator.comparingDouble(e -> e.getValue().amountMl()))
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
    public Set<String> atHand(Collection<Material> materials) {
        Set<String> names = new HashSet<>();
        here.values().stream()
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
}
