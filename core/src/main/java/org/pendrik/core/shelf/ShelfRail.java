package org.pendrik.core.shelf;

import java.util.Optional;
import org.pendrik.core.colour.Lab;

/** Where a bottle stands: greys, then hue by hue, then what has no colour. */
public enum ShelfRail {
    GREYS,
    REDS,
    ORANGES,
    YELLOWS,
    GREENS,
    BLUES,
    VIOLETS,
    WITHOUT_COLOUR;

    /** A chroma below this is seen as grey among paints. */
    private static final double GREY_BELOW = 6;

    /**
     * Hue angles of CIE L*a*b*, degrees, at which each of the hues ends; red begins again at the
     * last.
     */
    private static final double[] ENDS = {40, 65, 105, 200, 290, 340};

    private static final ShelfRail[] HUES = {REDS, ORANGES, YELLOWS, GREENS, BLUES, VIOLETS};

    /** The rail of a colour. */
    public static ShelfRail of(Optional<Lab> colour) {
        if (colour.isEmpty()) {
            return WITHOUT_COLOUR;
        }
        Lab c = colour.get();
        if (Math.hypot(c.a(), c.b()) < GREY_BELOW) {
            return GREYS;
        }
        double hue = (Math.toDegrees(Math.atan2(c.b(), c.a())) + 360) % 360;
        for (int i = 0; i < ENDS.length; i++) {
            if (hue < ENDS[i]) {
                return HUES[i];
            }
        }
        return REDS;
    }
}
