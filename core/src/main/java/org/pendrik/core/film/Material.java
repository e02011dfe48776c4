package org.pendrik.core.film;

import java.util.Optional;
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
 * @param window when it may be worked, at reference conditions
 * @param filmMicrometres dry film of a normal coat
 * @param colour of a full coat; empty for cleaners
 * @param hide covering strength of a normal coat: covered share = 1 − exp(−hide · thickness)
 * @param mix how it is thinned for use
 * @param safety what kind of caution it needs
 */
public record Material(
        String key,
        String name,
        String family,
        Optional<Binder> binder,
        Carrier carrier,
        Optional<Finish> finish,
        Optional<CureAnchors> cure,
        Optional<WorkWindow> window,
        double filmMicrometres,
        Optional<Lab> colour,
        double hide,
        Thinning mix,
        Safety safety) {

    /**
     * How a material is thinned for use.
     *
     * @param paintParts by volume
     * @param thinnerParts by volume, 0 for use as it comes
     * @param thinner what with
     */
    public record Thinning(double paintParts, double thinnerParts, String thinner) {}

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
        return 1 - Math.exp(-hide * thickness.factor());
    }
}
