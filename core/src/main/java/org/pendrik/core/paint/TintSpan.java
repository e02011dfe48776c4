package org.pendrik.core.paint;

import java.util.Optional;
import org.pendrik.core.colour.Lab;

/**
 * What a nearly black swatch leaves open: what the paint comes to when it is let down with four
 * parts of white, from the dullest to the most vivid that dark pigments do. One swatch let down
 * with white closes the span.
 *
 * @param least the dullest tint, D65, on the same surface
 * @param most the most vivid
 * @param darkerThanVeil no coat with this surface can be so dark: in some part of the spectrum the
 *     surface alone reflects more
 */
public record TintSpan(Lab least, Lab most, boolean darkerThanVeil) {
    /** Darker than this a colour says little of its tints. */
    static final double SAYS_LITTLE_BELOW_L = 25;

    private static final double DULL = 0.7;
    private static final double VIVID = 2.0;
    private static final int WHITE_PARTS = 4;
    private static final double HIDING = 0.95;
    private static final double COAT_UM = 12;
    private static final Lab TITANIUM_WHITE = new Lab(96, 0, 2);

    /** The span of a colour on a surface; empty where the colour says enough. */
    public static Optional<TintSpan> of(Lab seen, Surface surface) {
        if (!saysLittle(seen, surface)) {
            return Optional.empty();
        }
        return Optional.of(
                new TintSpan(
                        tint(seen, surface, DULL),
                        tint(seen, surface, VIVID),
                        isDarkerThanVeil(seen, surface)));
    }

    /** Whether a colour is so dark on a surface that it says little of its tints. */
    public static boolean saysLittle(Lab seen, Surface surface) {
        return seen.l() < SAYS_LITTLE_BELOW_L || isDarkerThanVeil(seen, surface);
    }

    /** Whether a surface alone reflects more than a colour, in X, Y or Z. */
    public static boolean isDarkerThanVeil(Lab seen, Surface surface) {
        return surface.timesVeil(seen) <= 1;
    }

    private static Lab tint(Lab seen, Surface surface, double tintChroma) {
        Paint dark = Paint.estimated(seen, surface, HIDING, COAT_UM, tintChroma);
        Paint white = Paint.estimated(TITANIUM_WHITE, surface, HIDING, COAT_UM);
        Paint mix =
                Paint.mix(
                        java.util.List.of(
                                new Paint.Part(dark, 1), new Paint.Part(white, WHITE_PARTS)));
        return new Look(mix.masstone(), surface).lab(Light.D65);
    }
}
