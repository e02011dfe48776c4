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
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.film.StepId;
import org.pendrik.core.mix.MixCard;
import org.pendrik.core.paint.Light;
import org.pendrik.core.recipe.Recipe;
import org.pendrik.core.shelf.Bottle;
import org.pendrik.core.units.Rational;

/** Bottles and kept recipes of one moment, as steps take from them. */
public final class Cupboard {
    private final Map<String, Bottle> all;
    private final Map<String, Bottle> here;

    private Cupboard(Map<String, Bottle> all, Map<String, Bottle> here) {
        this.all = all;
        this.here = here;
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
        return new Cupboard(all, here);
    }

    /** The recipes of steps, by step. */
    Map<StepId, StepMixes.StepRecipe> recipes(List<ShelfMapper.StepMixRow> parts) {
        Map<StepId, List<ShelfMapper.StepMixRow>> steps = new LinkedHashMap<>();
        parts.forEach(p -> steps.computeIfAbsent(p.stepId(), _ -> new ArrayList<>()).add(p));
        Map<StepId, StepMixes.StepRecipe> out = new LinkedHashMap<>();
        steps.forEach((step, of) -> out.put(step, recipe(of)));
        return out;
    }

    private StepMixes.StepRecipe recipe(List<ShelfMapper.StepMixRow> parts) {
        ShelfMapper.StepMixRow link = parts.getFirst();
        List<Mixing.Drops> drops =
                parts.stream().map(p -> new Mixing.Drops(p.bottleId(), p.drops())).toList();
        Recipe mix = Mixing.recipe(drops, link.surface(), all);
        int common = Rational.commonDivisor(drops.stream().mapToInt(Mixing.Drops::drops).toArray());
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
                link.recipeId(),
                link.name(),
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
