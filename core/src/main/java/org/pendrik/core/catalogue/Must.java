package org.pendrik.core.catalogue;

/** What has to happen to a coat that is worked, by the bite times exposure that it takes. */
public enum Must {
    /** Nothing: something is laid into it. */
    NOTHING(0),
    /** A release layer gives way under its top coat, a decal softens. */
    LIFTED(0.25),
    /** Drawn down, thinned, blended, wiped to a tint. */
    MOVED(0.40),
    /** Wiped off, stripped, cleaned away. */
    REMOVED(0.55);

    private final double hit;

    Must(double hit) {
        this.hit = hit;
    }

    /** Bite times exposure from which it happens, 0 to 1. */
    public double hit() {
        return hit;
    }
}
