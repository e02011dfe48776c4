package org.pendrik.core.paint;

import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.units.InvalidInput;

/**
 * A colour that has faded: a thin film of off-white over it, as thick as makes the difference asked
 * for. Sun takes pigment away at the surface and leaves its chalk, which is what such a film is.
 */
public final class Fade {
    private static final Lab CHALK = new Lab(90, 0, 5);
    private static final double COAT_UM = 10;
    private static final double THICKEST_UM = 40;
    private static final int HALVINGS = 50;

    private Fade() {}

    /**
     * A faded colour and the film that fades it.
     *
     * @param colour as it is seen, D65
     * @param micrometres of chalky off-white
     * @param deltaE00 that it has faded by; less than asked for where even a hiding film does not
     *     do
     */
    public record Faded(Lab colour, double micrometres, double deltaE00) {}

    /**
     * A colour faded by a difference.
     *
     * @param colour as it is seen with its surface
     * @param by ΔE00, 0 to 40
     */
    public static Faded of(Lab colour, Surface surface, double by) {
        InvalidInput.requireWithin("Fade", by, " ΔE", 0, 40, "8 is three summers, 15 is neglect.");
        Look look = Look.of(colour, surface);
        Paint chalk = Paint.estimated(CHALK, surface, 0.9, COAT_UM);
        Lab start = look.lab(Light.D65);
        double from = 0;
        double to = THICKEST_UM;
        for (int i = 0; i < HALVINGS; i++) {
            double mid = (from + to) / 2;
            Lab c = look.coated(chalk, mid, 1).lab(Light.D65);
            if (ColourDifference.ciede2000(start, c) < by) {
                from = mid;
            } else {
                to = mid;
            }
        }
        Lab faded = look.coated(chalk, from, 1).lab(Light.D65);
        return new Faded(faded, from, ColourDifference.ciede2000(start, faded));
    }
}
