package org.pendrik.core.shelf;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Paint;
import org.pendrik.core.paint.Surface;
import org.pendrik.core.recipe.Ingredient;
import org.pendrik.core.units.InvalidInput;

/**
 * A bottle, pot, can or pan as it stands on the shelf.
 *
 * @param name what it says, 1 to 80 characters
 * @param maker as the user types it; may be empty
 * @param family that it may be mixed with, such as "waterborne acrylic"
 * @param kind of colour
 * @param finish of a dry coat, as surfaces.csv names it
 * @param colour of a hiding coat, D65; empty for liquids and clears and where it is not known
 * @param source where the colour comes from
 * @param hiding the share of contrast that a usual coat hides, 0.01 to 0.999
 * @param amountMl left in it, 0 to 5000; grams for powders
 * @param fullMl when it was new
 * @param opened the day it was opened; empty when it is sealed or not known
 * @param keepsUntil the day from which it is not to be trusted
 * @param pricePerMl in the workshop's own money, 0 when not known
 * @param place where it stands; may be empty
 * @param dropMl of one drop, 0.005 to 1
 * @param strength tinting strength, learned; 1 is what the swatch says
 * @param notes how it sprayed, what it bites; may be empty
 * @param swatches of it over grounds and let down, at most {@value Swatch#MOST}; may be empty
 */
@RecordBuilder
@RecordBuilder.Options(
        builderClassModifiers = {},
        enableWither = false)
public record Bottle(
        String name,
        String maker,
        String family,
        Kind kind,
        String finish,
        Optional<Lab> colour,
        Source source,
        double hiding,
        double amountMl,
        double fullMl,
        Optional<LocalDate> opened,
        Optional<LocalDate> keepsUntil,
        double pricePerMl,
        String place,
        double dropMl,
        double strength,
        String notes,
        List<Swatch> swatches) {
    /** Where nothing is said of the surface. */
    public static final String USUAL_FINISH = "flat";

    /** Where nothing is said of the hiding. */
    public static final double USUAL_HIDING = 0.9;

    private static final int SHORT = 80;
    private static final int LONG = 2000;
    private static final double COAT_UM = 10;

    /** What kind of colour it has, and whether that mixes as paint. */
    public enum Kind {
        PAINT("paint", ""),
        CLEAR("clear", "A clear has no pigment: it is a film that changes the surface."),
        METALLIC(
                "metallic",
                "Metal flakes mirror the light: what they look like turns with the angle, and"
                        + " absorption and scattering do not describe it."),
        FLUORESCENT(
                "fluorescent",
                "A fluorescent paint sends out light of its own: no reflectance describes it."),
        POWDER("powder", "A powder is laid dry: it is a film, not a part of a mix."),
        LIQUID("liquid", "A thinner or cleaner has no colour.");

        private final String title;
        private final String whyNot;

        Kind(String title, String whyNot) {
            this.title = title;
            this.whyNot = whyNot;
        }

        /** In files and sentences. */
        public String title() {
            return title;
        }

        /** Why it does not go into a recipe; empty for paints. */
        public String whyNot() {
            return whyNot;
        }

        static Optional<Kind> of(String title) {
            for (Kind k : values()) {
                if (k.title.equals(title.strip().toLowerCase(Locale.ROOT))) {
                    return Optional.of(k);
                }
            }
            return Optional.empty();
        }
    }

    /** Where a colour comes from. */
    public enum Source {
        /** Typed in, from a chart or by eye. */
        TYPED,
        /** Measured on a photograph of a swatch. */
        MEASURED
    }

    public Bottle {
        name = text("Name", name, SHORT);
        maker = text("Maker", maker, SHORT);
        family = text("Family", family, SHORT);
        place = text("Place", place, SHORT);
        notes = text("Notes", notes, LONG);
        if (name.isEmpty()) {
            throw new InvalidInput("Name", "", "must not be empty", "Write what the bottle says.");
        }
        if (family.isEmpty()) {
            throw new InvalidInput(
                    "Family", "", "must not be empty", "Such as waterborne acrylic, enamel, oil.");
        }
        String f = finish;
        try {
            Surface.of(f);
        } catch (IllegalArgumentException e) {
            throw new InvalidInput(
                    "Finish", f, "is not known", "Use gloss, semi-gloss, satin, flat or powder.");
        }
        colour.ifPresent(
                c -> {
                    InvalidInput.requireWithin("L*", c.l(), "", 0, 100, "0 is black, 100 white.");
                    InvalidInput.requireWithin("a*", c.a(), "", -128, 127, "Green to red.");
                    InvalidInput.requireWithin("b*", c.b(), "", -128, 127, "Blue to yellow.");
                });
        InvalidInput.requireWithin("Hiding", hiding * 100, " %", 1, 99.9, "90 % when in doubt.");
        InvalidInput.requireWithin("Amount", amountMl, " ml", 0, 5000, "What is left in it.");
        InvalidInput.requireWithin("Bottle", fullMl, " ml", 0, 5000, "What it held when new.");
        InvalidInput.requireWithin("Price", pricePerMl, " a ml", 0, 1000, "0 when not known.");
        InvalidInput.requireWithin(
                "Drop", dropMl, " ml", 0.005, 1, "Count the drops of one millilitre.");
        InvalidInput.requireWithin("Strength", strength, "", 0.1, 10, "1 is what it says.");
        swatches = List.copyOf(swatches);
        InvalidInput.requireWithin(
                "Swatches", swatches.size(), "", 0, Swatch.MOST, "Keep the clearest.");
        if (!swatches.isEmpty()) {
            if (kind != Kind.PAINT || colour.isEmpty()) {
                throw new InvalidInput(
                        "Swatches",
                        kind.title,
                        "are of paints whose hiding coat is known",
                        kind == Kind.PAINT ? "Give it a colour first." : kind.whyNot);
            }
            // whether they can be of one paint
            Swatch.paint(swatches, colour.orElseThrow(), Surface.of(finish));
        }
    }

    /** What is taken of a paint of which no more is said; it has no name and no family yet. */
    static BottleBuilder usual() {
        return BottleBuilder.builder()
                .name("")
                .maker("")
                .family("")
                .kind(Kind.PAINT)
                .finish(USUAL_FINISH)
                .colour(Optional.empty())
                .source(Source.TYPED)
                .hiding(USUAL_HIDING)
                .opened(Optional.empty())
                .keepsUntil(Optional.empty())
                .place("")
                .dropMl(Ingredient.USUAL_DROP_ML)
                .strength(1)
                .notes("")
                .swatches(List.of());
    }

    private static String text(String field, String value, int most) {
        String t = value.strip();
        if (t.length() > most) {
            throw new InvalidInput(
                    field,
                    t.substring(0, 20) + "…",
                    "must not be longer than " + most + " characters",
                    "Shorten it.");
        }
        for (int i = 0; i < t.length(); i++) {
            if (Character.isISOControl(t.charAt(i)) && t.charAt(i) != '\n') {
                throw new InvalidInput(
                        field, t.substring(0, i) + "…", "has a control character", "Type it anew.");
            }
        }
        return t;
    }

    /** Whether two bottles say the same, so that a line of a file means this one. */
    boolean isCalled(Bottle o) {
        return name.equalsIgnoreCase(o.name) && maker.equalsIgnoreCase(o.maker);
    }

    /** Whether it can be a part of a recipe. */
    public boolean mixes() {
        return kind == Kind.PAINT && colour.isPresent();
    }

    /**
     * Its paint, from its swatches, or estimated from its colour where they do not tell.
     *
     * @throws InvalidInput when it does not mix; the message says why
     */
    public Paint paint() {
        if (!mixes()) {
            throw new InvalidInput(
                    name,
                    kind.title(),
                    "cannot be mixed as paint",
                    kind == Kind.PAINT ? "Give it a colour first." : kind.whyNot());
        }
        Lab full = colour.orElseThrow();
        Surface surface = Surface.of(finish);
        return Swatch.paint(swatches, full, surface)
                .orElseGet(() -> Paint.estimated(full, surface, hiding, COAT_UM));
    }

    /**
     * As a part of recipes.
     *
     * @param key by which recipes name it
     * @param wantedMl of the whole mix; what is left bounds its share
     */
    public Ingredient ingredient(String key, double wantedMl) {
        return new Ingredient(
                key, name, family, paint(), dropMl, strength, Math.min(1, amountMl / wantedMl));
    }

    /** The same, as strong as was learned. */
    public Bottle ofStrength(double other) {
        return BottleBuilder.builder(this).strength(other).build();
    }
}
