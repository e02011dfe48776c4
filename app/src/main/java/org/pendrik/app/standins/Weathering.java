package org.pendrik.app.standins;

/**
 * How far each effect has gone, 0 (none) to 1 (as the prototype).
 *
 * @param fade sun
 * @param joints dirt in the joints
 * @param chips missing paint
 * @param rust streaks below the ribs
 * @param dust kicked up from the track
 * @param peat dry peat along the top edge
 */
public record Weathering(
        double fade, double joints, double chips, double rust, double dust, double peat) {
    /** As it left the factory. */
    public static final Weathering NONE = new Weathering(0, 0, 0, 0, 0, 0);

    /** As the prototype looked. */
    public static final Weathering PROTOTYPE = new Weathering(1, 1, 1, 1, 1, 1);
}
