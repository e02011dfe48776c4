package org.pendrik.core.photo;

import org.pendrik.core.units.InvalidInput;

/**
 * A rectangle on a side, in prototype millimetres from its upper left corner; the same on every
 * photograph of that side.
 *
 * @param name what the user calls it
 * @param xMm left edge
 * @param yMm upper edge
 * @param widthMm above 0
 * @param heightMm above 0
 */
public record Region(String name, double xMm, double yMm, double widthMm, double heightMm) {
    public Region {
        if (name.isBlank()) {
            throw new InvalidInput(
                    "Region name", "empty", "must not be empty", "Name what the region shows.");
        }
        for (double v : new double[] {xMm, yMm}) {
            InvalidInput.requireWithin(
                    "Region " + name, v, " mm", 0, 100_000, "Keep it on the side.");
        }
        for (double v : new double[] {widthMm, heightMm}) {
            InvalidInput.requireWithin(
                    "Region " + name, v, " mm", 1, 100_000, "Draw it over some of the side.");
        }
    }
}
