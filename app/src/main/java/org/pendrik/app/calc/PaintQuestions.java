package org.pendrik.app.calc;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.task.Tasks;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Look;
import org.pendrik.core.paint.Paint;
import org.pendrik.core.paint.Reflectance;
import org.pendrik.core.paint.SpectrumFit;
import org.pendrik.core.paint.Surface;
import org.pendrik.core.recipe.Ingredient;
import org.pendrik.core.recipe.MissingPaint;
import org.pendrik.core.recipe.Recipe;
import org.pendrik.core.recipe.RecipeAnswer;
import org.pendrik.core.recipe.RecipeQuestion;
import org.pendrik.core.recipe.RecipeSearch;
import org.pendrik.core.recipe.RecipeWorking;
import org.pendrik.core.units.InvalidInput;

/** Paint without a shelf. */
final class PaintQuestions {
    private static final Duration LONGEST = Duration.ofSeconds(30);
    static final String ESTIMATE = "{\"colour\": {\"l\": 38, \"a\": -14, \"b\": 12}}";
    static final String MIX =
            """
            {"parts": [
               {"name": "blue", "colour": {"l": 30, "a": 8, "b": -42}, "hiding": 0.92, "drops": 1},
               {"name": "yellow", "colour": {"l": 82, "a": 2, "b": 78}, "hiding": 0.8, "drops": 3}],
             "surface": "flat"}
            """;
    static final String FILM =
            """
            {"base": {"l": 32, "a": 24, "b": 18}, "baseSurface": "semi-gloss",
             "films": [{"paint": {"name": "off-white", "colour": {"l": 92, "a": 0, "b": 5}, "hiding": 0.9}, "micrometres": 1, "share": 1}],
             "surface": "flat"}
            """;
    static final String RECIPE =
            """
            {"target": {"l": 44, "a": 10, "b": 18}, "mostPaints": 3, "mostDrops": 10, "shelf": [
               {"name": "white", "colour": {"l": 95, "a": 0, "b": 2}, "hiding": 0.9},
               {"name": "warm black", "colour": {"l": 23, "a": 1, "b": 1}, "hiding": 0.99},
               {"name": "yellow earth", "colour": {"l": 58, "a": 14, "b": 42}, "hiding": 0.92},
               {"name": "red brown", "colour": {"l": 34, "a": 24, "b": 22}, "hiding": 0.97}]}
            """;
    private static final double NORMAL_COAT_UM = 10;
    private static final double USUAL_HIDING = 0.9;
    private static final String FLAT = "flat";

    private PaintQuestions() {}

    /**
     * A colour, either way.
     *
     * @param colour null when {@code srgb} says it
     * @param srgb as #rrggbb, under D65; null when {@code colour} says it
     * @param light that the colour was measured under; null for D65
     */
    record EstimateQuestion(@Nullable Lab colour, @Nullable String srgb, @Nullable Light light) {
        private Lab lab() {
            if (colour != null) {
                return colour;
            }
            if (srgb == null || !srgb.strip().matches("#?[0-9a-fA-F]{6}")) {
                throw new InvalidInput(
                        "Colour",
                        srgb == null ? "nothing" : srgb,
                        "must be L*, a*, b* or six digits of sRGB",
                        "Write #7a4b2c, two digits each for red, green and blue.");
            }
            return Srgb.toLab(Integer.parseInt(srgb.strip().replace("#", ""), 16));
        }
    }

    /**
     * A spectrum that has the colour: always an estimate.
     *
     * @param nm of the bands
     * @param reflectance of each, 0 to 1
     * @param clamped whether no surface has the colour asked for
     */
    record EstimateAnswer(
            List<Integer> nm,
            List<Double> reflectance,
            Lab colour,
            boolean clamped,
            double deltaE00,
            String provenance) {}

    static EstimateAnswer estimate(EstimateQuestion q) {
        SpectrumFit.Fit fit = SpectrumFit.of(q.lab(), light(q.light()));
        return new EstimateAnswer(
                IntStream.range(0, Reflectance.BANDS).mapToObj(Reflectance::nm).toList(),
                java.util.Arrays.stream(fit.reflectance().values()).boxed().toList(),
                fit.colour(),
                fit.clamped(),
                fit.deltaE00(),
                Paint.Origin.ESTIMATED.title());
    }

    private static Light light(@Nullable Light l) {
        return l == null ? Light.D65 : l;
    }

    private static Surface surface(@Nullable String name) {
        try {
            return Surface.of(name == null ? FLAT : name);
        } catch (IllegalArgumentException e) {
            throw new InvalidInput(
                    "Surface",
                    String.valueOf(name),
                    "is not known",
                    "Use gloss, semi-gloss, satin, flat or powder.");
        }
    }

    /**
     * A paint that comes with the question.
     *
     * @param colour of a hiding coat, D65
     * @param hiding the share of contrast that a coat of 10 µm hides, 0 to 1; null for 0.9
     * @param family what it may be mixed with; null for one family
     * @param drops in the mix; null where it is not mixed
     * @param dropMl of its bottle; null for 0.05 ml
     */
    record GivenPaint(
            String name,
            Lab colour,
            @Nullable Double hiding,
            @Nullable String family,
            @Nullable Integer drops,
            @Nullable Double dropMl) {
        Paint paint(Surface surface) {
            double share = hiding == null ? USUAL_HIDING : hiding;
            InvalidInput.requireWithin(
                    "Hiding of " + name, share * 100, " %", 1, 100, "90 % when in doubt.");
            return Paint.estimated(colour, surface, share, NORMAL_COAT_UM);
        }

        Ingredient ingredient(Surface surface) {
            return new Ingredient(
                    name,
                    name,
                    family == null ? "paint" : family,
                    paint(surface),
                    dropMl == null ? Ingredient.USUAL_DROP_ML : dropMl,
                    1,
                    1);
        }
    }

    /** Drops of some paints. */
    record MixQuestion(List<GivenPaint> parts, @Nullable String surface) {}

    /** A colour under a light. */
    record Shown(Lab colour, String hex, boolean inGamut) {
        static Shown of(Lab lab) {
            return new Shown(lab, Srgb.toHex(lab), Srgb.inGamut(lab));
        }
    }

    /**
     * What a mix comes to.
     *
     * @param lights its colour under each light, relative to that light's white
     * @param hiding of a coat of 10 µm
     */
    record MixAnswer(
            Shown colour,
            Map<Light, Shown> lights,
            double hiding,
            double millilitres,
            String provenance) {}

    static MixAnswer mix(MixQuestion q) {
        Surface surface = surface(q.surface());
        List<Recipe.Part> parts = new ArrayList<>();
        for (GivenPaint p : q.parts()) {
            Integer drops = p.drops();
            int many = drops == null ? 0 : drops;
            InvalidInput.requireWithin(
                    "Drops of " + p.name(), many, "", 1, 400, "Leave out what is none.");
            parts.add(new Recipe.Part(p.ingredient(surface), many));
        }
        InvalidInput.requireWithin("Paints", parts.size(), "", 1, 12, "Mix fewer.");
        Recipe r = Recipe.of(parts, surface);
        Map<Light, Shown> lights = new java.util.EnumMap<>(Light.class);
        for (Light l : Light.values()) {
            lights.put(l, Shown.of(l.lab(r.seen())));
        }
        return new MixAnswer(
                Shown.of(Light.D65.lab(r.seen())),
                lights,
                r.paint().hiding(NORMAL_COAT_UM),
                r.millilitres(),
                Paint.Origin.ESTIMATED.title());
    }

    /**
     * One film.
     *
     * @param micrometres dry, where it lies
     * @param share of the area on which it lies, 0 to 1
     */
    record GivenFilm(GivenPaint paint, double micrometres, double share) {}

    /** Films over a colour, the lowest first. */
    record PaintFilmQuestion(
            Lab base,
            @Nullable String baseSurface,
            List<GivenFilm> films,
            @Nullable String surface) {}

    /** What is seen after each film, and with the last surface. */
    record PaintFilmAnswer(List<Shown> after, Shown colour, ColourDifference change) {}

    static PaintFilmAnswer film(PaintFilmQuestion q) {
        InvalidInput.requireWithin("Films", q.films().size(), "", 0, 60, "Lay fewer at once.");
        Surface last = surface(q.surface());
        Look look = Look.of(q.base(), surface(q.baseSurface()));
        List<Shown> after = new ArrayList<>();
        for (GivenFilm f : q.films()) {
            InvalidInput.requireWithin(
                    "Film of " + f.paint().name(), f.micrometres(), " µm", 0, 500, "A mist is 2.");
            InvalidInput.requireWithin(
                    "Share of " + f.paint().name(), f.share() * 100, " %", 0, 100, "100 for all.");
            look = look.coated(f.paint().paint(last), f.micrometres(), f.share());
            after.add(Shown.of(look.under(last).lab(Light.D65)));
        }
        Lab end = look.under(last).lab(Light.D65);
        return new PaintFilmAnswer(after, Shown.of(end), ColourDifference.between(q.base(), end));
    }

    /**
     * A colour wanted, and the paints it may be made of.
     *
     * @param light it has to match under; null for D65
     * @param surface that the dry mix has; null for flat
     * @param mostPaints null for 4
     * @param mostDrops null for 12
     * @param exact the very best instead of one within 0.1 of it; null for no
     */
    record PaintRecipeQuestion(
            Lab target,
            @Nullable Light light,
            @Nullable String surface,
            @Nullable Integer mostPaints,
            @Nullable Integer mostDrops,
            @Nullable Boolean exact,
            @Nullable Set<String> must,
            List<GivenPaint> shelf) {}

    /** Drops of one paint, and what one more does. */
    record RecipePart(String name, int drops, String oneMore, @Nullable String oneLess) {}

    /** How it stands under one light. */
    record RecipeLight(Shown target, Shown mix, double deltaE00, double metamerism) {}

    /**
     * The best recipe.
     *
     * @param within nothing allowed is nearer than {@code deltaE00} minus this
     * @param targetClamped whether no surface has the colour asked for
     * @param help a paint that is missing and would bring it nearer; null when none would
     */
    record PaintRecipeAnswer(
            List<RecipePart> parts,
            double deltaE00,
            double within,
            Map<Light, RecipeLight> lights,
            boolean targetClamped,
            MissingPaint.@Nullable Help help,
            String provenance) {}

    static PaintRecipeAnswer recipe(PaintRecipeQuestion q) {
        Surface surface = surface(q.surface());
        Light light = light(q.light());
        SpectrumFit.Fit target = SpectrumFit.of(q.target(), light);
        Integer paints = q.mostPaints();
        Integer drops = q.mostDrops();
        RecipeQuestion question =
                new RecipeQuestion(
                        target.reflectance(),
                        light,
                        surface,
                        q.shelf().stream().map(p -> p.ingredient(surface)).toList(),
                        new RecipeQuestion.Rules(
                                paints == null ? 4 : paints,
                                drops == null ? 12 : drops,
                                q.must() == null ? Set.of() : q.must(),
                                Set.of(),
                                0,
                                NORMAL_COAT_UM),
                        Boolean.TRUE.equals(q.exact()));
        return switch (RecipeSearch.search(question, Tasks.atMost(LONGEST))) {
            case RecipeAnswer.None n ->
                    throw new InvalidInput("Recipe", "none", "cannot be found", n.reason());
            case RecipeAnswer.Proven p -> answer(question, target, p);
        };
    }

    private static PaintRecipeAnswer answer(
            RecipeQuestion q, SpectrumFit.Fit target, RecipeAnswer.Proven p) {
        List<RecipePart> parts =
                RecipeWorking.of(p.recipe(), q.surface(), q.light()).stream()
                        .map(
                                e ->
                                        new RecipePart(
                                                e.part().bottle().name(),
                                                e.part().drops(),
                                                e.more().words(),
                                                e.less() == null ? null : e.less().words()))
                        .toList();
        Map<Light, RecipeLight> lights = new java.util.EnumMap<>(Light.class);
        p.recipe()
                .under(q.target(), q.light())
                .forEach(
                        (l, u) ->
                                lights.put(
                                        l,
                                        new RecipeLight(
                                                Shown.of(u.target()),
                                                Shown.of(u.mix()),
                                                u.difference().deltaE00(),
                                                u.metamerism())));
        return new PaintRecipeAnswer(
                parts,
                p.deltaE00(),
                p.within(),
                lights,
                target.clamped(),
                MissingPaint.of(q, p.deltaE00()).orElse(null),
                Paint.Origin.ESTIMATED.title());
    }
}
