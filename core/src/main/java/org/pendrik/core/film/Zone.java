package org.pendrik.core.film;

import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.colour.Lab;

/**
 * A named part of the subject as it is before the first coat.
 *
 * @param key stable name
 * @param name as said at the bench
 * @param substrate what it is made of
 * @param lettering whether factory lettering lies on the substrate
 * @param colour the colour it starts with
 * @param areaMm2 of the model, square millimetres
 * @param face the way it faces
 * @param keptClean glass, bearings, treads: what is sprayed beside it must not stay there
 */
public record Zone(
        String key,
        String name,
        Substrate substrate,
        boolean lettering,
        Lab colour,
        double areaMm2,
        Face face,
        boolean keptClean) {
    /** About the side of a freight car in H0, taken when nobody says how large a zone is. */
    public static final double USUAL_AREA_MM2 = 2500;

    public Zone {
        if (!(areaMm2 > 0 && areaMm2 < 1e7)) {
            throw new IllegalArgumentException("area of a zone must be above 0: " + areaMm2);
        }
    }

    /** A zone of usual size on a side. */
    public Zone(String key, String name, Substrate substrate, boolean lettering, Lab colour) {
        this(key, name, substrate, lettering, colour, USUAL_AREA_MM2, Face.SIDE, false);
    }

    /** A zone that nothing keeps clean and that is seen from above or from a side. */
    public Zone(
            String key,
            String name,
            Substrate substrate,
            boolean lettering,
            Lab colour,
            double areaMm2,
            boolean up) {
        this(key, name, substrate, lettering, colour, areaMm2, up ? Face.UP : Face.SIDE, false);
    }

    /** It faces up. */
    public boolean up() {
        return face == Face.UP;
    }

    /** The area of some zones in square decimetres. */
    static double dm2(Iterable<Zone> zones) {
        double sum = 0;
        for (Zone z : zones) {
            sum += z.areaMm2();
        }
        return sum / 10_000;
    }
}
