package org.pendrik.core.catalogue;

/**
 * A span of tooth in which a technique works.
 *
 * @param idealMin works well from here
 * @param idealMax to here
 * @param okMin still works from here
 * @param okMax to here
 */
public record Band(double idealMin, double idealMax, double okMin, double okMax) {
    public Band {
        if (!(okMin <= idealMin && idealMin <= idealMax && idealMax <= okMax)) {
            throw new IllegalArgumentException("the ideal band must lie inside the tolerable one");
        }
    }

    /** Works well. */
    public boolean isIdeal(double tooth) {
        return tooth >= idealMin && tooth <= idealMax;
    }

    /** Still works. */
    public boolean isTolerable(double tooth) {
        return tooth >= okMin && tooth <= okMax;
    }
}
