package org.pendrik.core.units;

/** Units of pressure above the air's and of warmth, each with the other of its kind. */
public enum Gauge {
    BAR,
    PSI,
    CELSIUS,
    FAHRENHEIT;

    /** One pound-force on a square inch: 0.45359237 kg × 9.80665 m/s² ÷ (25.4 mm)², in bar. */
    private static final double BAR_PER_PSI = 0.45359237 * 9.80665 / (0.0254 * 0.0254) / 1e5;

    private static final double HIGHEST = 1000;

    /** The other unit of this kind. */
    public Gauge other() {
        return switch (this) {
            case BAR -> PSI;
            case PSI -> BAR;
            case CELSIUS -> FAHRENHEIT;
            case FAHRENHEIT -> CELSIUS;
        };
    }

    /**
     * A value in the other unit.
     *
     * @throws InvalidInput when it is no number, a pressure is negative, or it is above 1000
     */
    public double toOther(double value) {
        boolean pressure = this == BAR || this == PSI;
        InvalidInput.requireWithin(
                pressure ? "Pressure" : "Temperature",
                value,
                "",
                pressure ? 0 : -273.15,
                HIGHEST,
                "Read the gauge again.");
        return switch (this) {
            case BAR -> value / BAR_PER_PSI;
            case PSI -> value * BAR_PER_PSI;
            case CELSIUS -> value * 9 / 5 + 32;
            case FAHRENHEIT -> (value - 32) * 5 / 9;
        };
    }
}
