package org.pendrik.core.units;

/**
 * The air at the bench.
 *
 * @param celsius temperature, 0 to 45 °C
 * @param relativeHumidity 0 to 1
 */
public record Climate(double celsius, double relativeHumidity) {
    /** The conditions that drying times are stated for. */
    public static final Climate REFERENCE = new Climate(21, 0.5);

    public Climate {
        InvalidInput.requireWithin(
                "Temperature",
                celsius,
                " °C",
                0,
                45,
                "Paint outside this span does not cure as described.");
        InvalidInput.requireWithin(
                "Humidity",
                relativeHumidity * 100,
                " %",
                0,
                100,
                "Read it off a hygrometer at the bench.");
    }
}
