package org.pendrik.core.catalogue;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import java.util.OptionalInt;
import org.pendrik.core.colour.Lab;

/**
 * What stands on the shelf: a paint, a clear, a powder, or a liquid that only cleans.
 *
 * @param key stable name in files
 * @param name what the bottle says
 * @param family as materials.csv groups them
 * @param binder what stays; empty for cleaners
 * @param carrier what it is thinned or worked with
 * @param finish the finish it leaves; empty keeps the one beneath
 * @param cure drying times; empty for what does not dry
 * @param usual how thick it is laid as a rule: the drying times are for that
 * @param keys it holds on bare plastic, metal or wood
 * @param window when it may be worked, at reference conditions
 * @param filmMicrometres dry film of a normal coat
 * @param colour of a full coat; empty for cleaners
 * @param hide covering strength of a normal coat: covered share = 1 − exp(−hide · thickness)
 * @param mix how it is thinned for use
 * @param pricePerMl in the workshop's own money, not negative
 * @param keepsMonths how long an opened bottle stays good; empty when that does not matter
 * @param pace minutes that pass at this bench for one minute of the tables: learned, 1 when nothing
 *     is known
 * @param safety what kind of caution it needs
 * @param like key of the material of the tables whose figures it has; empty for those themselves
 */
@RecordBuilder
@RecordBuilder.Options(
        builderClassModifiers = {},
        enableWither = false)
public record Material(
        String key,
        String name,
        String family,
        Optional<Binder> binder,
        Carrier carrier,
        Optional<Finish> finish,
        Optional<CureAnchors> cure,
        Thickness usual,
        boolean keys,
        Optional<WorkWindow> window,
        double filmMicrometres,
        Optional<Lab> colour,
        double hide,
        Thinning mix,
        double pricePerMl,
        OptionalInt keepsMonths,
        double pace,
        Safety safety,
        Optional<String> like) {
    /** Stands in a key between a material and the liquid that thins it other than as usual. */
    static final String THINNED = "~";

    public Material {
        if (!(pace > 0 && pace < 100) || !(pricePerMl >= 0) || !(hide >= 0 && hide <= 5)) {
            throw new IllegalArgumentException(
                    "price_ml must not be negative, hide must be from 0 to 5, pace above 0");
        }
        if (!(filmMicrometres >= 0 && filmMicrometres <= 1000)) {
            throw new IllegalArgumentException(
                    "film_um (" + filmMicrometres + ") must be from 0 to 1000");
        }
    }

    /**
     * How a material is thinned for use.
     *
     * @param paintParts by volume
     * @param thinnerParts by volume, 0 for use as it comes
     * @param thinner what with
     */
    public record Thinning(double paintParts, double thinnerParts, String thinner) {}

    /** The same as it dries at a bench of this pace. */
    Material at(double otherPace) {
        return MaterialBuilder.builder(this).pace(otherPace).build();
    }

    /** The same mixed to another colour. */
    public Material coloured(Lab mixed) {
        return MaterialBuilder.builder(this).colour(Optional.of(mixed)).build();
    }

    /** A liquid like this one at another strength. */
    Material named(String otherKey, Carrier otherCarrier) {
        return MaterialBuilder.builder(this)
                .key(otherKey)
                .name(otherCarrier.spoken())
                .carrier(otherCarrier)
                .build();
    }

    /** The same let down with another liquid than its own, under a key that says so. */
    Material thinnedWith(Material liquid) {
        return MaterialBuilder.builder(this)
                .key(key + THINNED + liquid.key)
                .name(name + ", thinned with " + liquid.carrier.spoken())
                .carrier(liquid.carrier)
                .mix(new Thinning(mix.paintParts(), mix.thinnerParts(), liquid.name))
                .safety(safety.and(liquid.safety))
                .build();
    }

    /** Let down with another liquid than its own. */
    public boolean isThinned() {
        return key.contains(THINNED);
    }

    /** Something of the user's own with the figures of this one where it has none itself. */
    Material standingFor(Stock own) {
        return MaterialBuilder.builder(this)
                .key(own.key())
                .name(own.name())
                .family(own.family())
                .finish(own.finish().or(() -> finish))
                .cure(own.cure().or(() -> cure))
                .window(own.window().or(() -> window))
                .colour(own.colour().or(() -> colour))
                .like(Optional.of(key))
                .build();
    }

    /** Leaves something on the model. */
    public boolean deposits() {
        return binder.isPresent();
    }

    /** A clear coat: changes the surface and hardly the colour. */
    public boolean isClear() {
        return finish.isPresent()
                && hide < 0.1
                && binder.filter(b -> b != Binder.DECAL_FILM).isPresent();
    }

    /** The share of the surface that a coat of this thickness covers, 0 to 1. */
    public double cover(Thickness thickness) {
        return cover(thickness.factor());
    }

    /** The same for a multiple of a normal coat. */
    double cover(double coats) {
        return 1 - Math.exp(-hide * coats);
    }
}
