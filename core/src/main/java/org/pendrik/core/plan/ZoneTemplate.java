package org.pendrik.core.plan;

import java.util.Optional;
import org.pendrik.core.film.Face;

/**
 * A zone that every subject of a kind has.
 *
 * @param kind whose zone it is
 * @param key stable name
 * @param name as said at the bench
 * @param aspect the way it faces
 * @param weight how much a viewer sees of it, 0 to 1
 * @param areaShare its area as a share of prototype length times height of the side
 * @param box where it lies in the side drawing; empty when it is not seen from the left
 * @param lettering factory lettering lies on it
 * @param keptClean glass: what is sprayed beside it must not stay there
 */
public record ZoneTemplate(
        SubjectKind kind,
        String key,
        String name,
        Aspect aspect,
        double weight,
        double areaShare,
        Optional<Box> box,
        boolean lettering,
        boolean keptClean) {
    /** The way a zone faces, which fixes light, rain and dirt. */
    public enum Aspect {
        UP,
        SIDE,
        DOWN,
        FORWARD;

        /** As the film engine takes it. */
        public Face face() {
            return switch (this) {
                case UP -> Face.UP;
                case SIDE -> Face.SIDE;
                case DOWN -> Face.DOWN;
                case FORWARD -> Face.END;
            };
        }
    }

    /** A rectangle in shares of length and height from the upper left. */
    public record Box(double x, double y, double width, double height) {}
}
