package org.pendrik.core.film;

import java.util.List;
import java.util.Optional;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Light;

/**
 * What one more coat makes of a colour that was measured: the film of its material over it, on the
 * share of the area that its technique touches.
 *
 * @param thickness of the coat, which is the strength of the effect
 * @param colour after it, D65, mean of the area
 * @param deltaE00 that is then left to the colour it is meant for
 */
public record NextCoat(Thickness thickness, Lab colour, double deltaE00) {
    /** A trace, plain, heavy. */
    private static final List<Thickness> STRENGTHS =
            List.of(Thickness.MIST, Thickness.LIGHT, Thickness.NORMAL);

    /**
     * One coat of a thickness.
     *
     * @param now as it was measured
     * @param finish of what lies on top
     * @param wanted the colour it is meant for
     * @return empty for what leaves neither colour nor finish
     */
    public static Optional<NextCoat> of(
            Lab now,
            Finish finish,
            Technique technique,
            Material material,
            Thickness thickness,
            Lab wanted) {
        if (!material.deposits() || (material.colour().isEmpty() && material.finish().isEmpty())) {
            return Optional.empty();
        }
        Lab then =
                CoatLook.coated(CoatLook.start(now, finish), material, thickness, technique.share())
                        .lab(Light.D65);
        return Optional.of(new NextCoat(thickness, then, ColourDifference.ciede2000(wanted, then)));
    }

    /** The coat that comes nearest: a mist, a light or a normal one; the thinner one of equals. */
    public static Optional<NextCoat> nearest(
            Lab now, Finish finish, Technique technique, Material material, Lab wanted) {
        NextCoat best = null;
        for (Thickness t : STRENGTHS) {
            Optional<NextCoat> one = of(now, finish, technique, material, t, wanted);
            if (one.isPresent() && (best == null || one.get().deltaE00 < best.deltaE00)) {
                best = one.get();
            }
        }
        return Optional.ofNullable(best);
    }

    /** The thickness of a strength: 1 a trace, 2 plain, 3 heavy. */
    public static Thickness thickness(int strength) {
        return STRENGTHS.get(strength - 1);
    }

    /** 1 a trace, 2 plain, 3 heavy. */
    public int strength() {
        return Math.max(0, STRENGTHS.indexOf(thickness)) + 1;
    }
}
