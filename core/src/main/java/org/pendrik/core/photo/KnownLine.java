package org.pendrik.core.photo;

import java.util.OptionalDouble;
import org.pendrik.core.units.InvalidInput;

/**
 * Something straight on a side that is known to lie level or to stand upright: a sill, a row of
 * rivets, a rib, a ladder.
 *
 * @param from one end as it is seen, photograph pixels
 * @param to the other end
 * @param lengthMm how long it is on the prototype, where that is known
 */
public record KnownLine(Point from, Point to, Along along, OptionalDouble lengthMm) {
    private static final double SHORTEST_PX = 4;

    /** Which way it runs on the side. */
    public enum Along {
        LEVEL,
        UPRIGHT
    }

    public KnownLine {
        if (from.distance(to) < SHORTEST_PX) {
            throw new InvalidInput(
                    "Known line",
                    Math.round(from.distance(to)) + " px",
                    "must be at least 4 px long",
                    "Drag its ends apart: the longer it is, the more it tells.");
        }
        if (lengthMm.isPresent()) {
            InvalidInput.requireWithin(
                    "Known length",
                    lengthMm.getAsDouble(),
                    " mm",
                    10,
                    100_000,
                    "Take it from a drawing or measure the prototype.");
        }
    }
}
