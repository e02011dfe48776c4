package org.pendrik.core.measure;

import org.pendrik.core.units.InvalidInput;

/**
 * Marks that repeat along a side, such as streaks below rivets, on the model: how far apart, and
 * how many are worth making. Marks nearer to each other than the eye tells apart run into a tint,
 * so only one in so many is made, as strong as the ones it stands for.
 *
 * @param lengthMm of the row, prototype mm
 * @param apartMm from one mark to the next, prototype mm
 */
public record Spacing(double lengthMm, double apartMm, Sight sight) {
    private static final double LONGEST_MM = 100_000;

    /** A mark and a gap, each just seen. */
    private static final int MARK_AND_GAP = 2;

    public Spacing {
        InvalidInput.requireWithin(
                "Length of the row",
                lengthMm,
                " mm",
                1,
                LONGEST_MM,
                "Measure it on the prototype.");
        InvalidInput.requireWithin(
                "Spacing", apartMm, " mm", 0.1, lengthMm, "It must not be longer than the row.");
    }

    /** How many marks the prototype has, one at each end. */
    public int onPrototype() {
        // a row that its spacing divides has its last mark at the end, whatever floats make of it
        return (int) Math.floor(lengthMm / apartMm + 1e-9) + 1;
    }

    /** One in so many is made; 1 when all can be told apart. */
    public int oneIn() {
        double least = MARK_AND_GAP * sight.smallestPrototypeMm();
        return Math.max(1, (int) Math.ceil(least / apartMm - 1e-9));
    }

    /** How many are made. */
    public int onModel() {
        return (onPrototype() - 1) / oneIn() + 1;
    }

    /** From one that is made to the next, model mm. */
    public double modelMm() {
        return apartMm * oneIn() / sight.ratio();
    }
}
