package org.pendrik.app.shelf;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.problem.NotFound;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.SpectrumFit;
import org.pendrik.core.paint.Surface;
import org.pendrik.core.recipe.Recipe;
import org.pendrik.core.recipe.RecipeWorking;
import org.pendrik.core.shelf.Bottle;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Mixes of what stands on the shelf, as they come out. */
@Service
public class Mixing {
    /** A coat as it is laid, µm; what hides is told of it. */
    static final double COAT_UM = 10;

    private final Shelf shelf;

    Mixing(Shelf shelf) {
        this.shelf = shelf;
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
}
