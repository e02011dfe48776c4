package org.pendrik.core.catalogue;

/** How thick a coat is laid, as a multiple of a normal one. */
public enum Thickness {
    MIST(0.3, 0.95),
    LIGHT(0.6, 0.9),
    NORMAL(1, 0.8),
    WET(2, 0.65),
    FLOOD(4, 0.5);

    private final double factor;
    private final double contrastKept;

    Thickness(double factor, double contrastKept) {
        this.factor = factor;
        this.contrastKept = contrastKept;
    }

    /** Multiple of a normal coat. */
    public double factor() {
        return factor;
    }

    /** What a clear coat this thick leaves of the contrast of fine work beneath it, 0 to 1. */
    public double contrastKept() {
        return contrastKept;
    }
}
