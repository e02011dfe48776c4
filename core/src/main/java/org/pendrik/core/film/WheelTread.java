package org.pendrik.core.film;

import org.pendrik.core.units.InvalidInput;

/**
 * The tread of a wheel, which has to stay bare: what a strip of film about it measures, and how far
 * the car rolls until each spot of it has been on top.
 *
 * @param wheelMm diameter at the tread, model mm
 * @param treadMm width of the tread without its flange, model mm
 */
public record WheelTread(double wheelMm, double treadMm) {
    /** A strip closes with its ends over each other by this much, mm. */
    private static final double LAP_MM = 1;

    public WheelTread {
        InvalidInput.requireWithin(
                "Wheel", wheelMm, " mm on the model", 1, 200, "Measure it across the tread.");
        InvalidInput.requireWithin(
                "Tread",
                treadMm,
                " mm on the model",
                0.1,
                wheelMm,
                "Measure it without the flange.");
    }

    /** Once around, model mm; as far as the car rolls in one turn. */
    public double aroundMm() {
        return Math.PI * wheelMm;
    }

    /** The strip that covers it, its ends lapped, model mm. */
    public double stripMm() {
        return aroundMm() + LAP_MM;
    }
}
