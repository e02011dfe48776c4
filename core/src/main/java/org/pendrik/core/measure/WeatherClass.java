package org.pendrik.core.measure;

/** What a pixel of a side can show. */
public enum WeatherClass {
    PAINT("paint"),
    FRESH_RUST("fresh rust"),
    OLD_RUST("old rust"),
    GRIME("grime"),
    DUST("dust"),
    SOOT("soot"),
    WHITE_MINERAL("white mineral"),
    BARE_METAL("bare metal"),
    /** Lettering, shadows, mirror images: whatever the other classes do not explain. */
    OTHER("something else");

    private final String label;

    WeatherClass(String label) {
        this.label = label;
    }

    /** As said at the bench. */
    public String label() {
        return label;
    }
}
