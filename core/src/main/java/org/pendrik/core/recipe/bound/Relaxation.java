package org.pendrik.core.recipe.bound;

import java.util.ArrayList;
import java.util.List;
import org.pendrik.core.colour.Lab;

/**
 * The colours that would be better than the incumbent by more than the tolerance, relaxed to one or
 * two convex parts: the half-spaces of each. A mix can be passed over when each part has a
 * half-space that it lies outside of.
 */
public final class Relaxation {
    /** There are two parts at most: about the target, and away from it. */
    static final int MOST_PARTS = 2;

    private final List<HalfSpaces> parts = new ArrayList<>();
    private final double reach;

    /**
     * The relaxation for an incumbent.
     *
     * @param off ΔE00 of the incumbent from the target
     * @param tolerance from 0 to below {@code off}
     * @param incumbent its colour
     */
    public Relaxation(MixColour mix, Lab target, double off, double tolerance, Lab incumbent) {
        reach = off - tolerance;
        for (NearColours near : NearColours.parts(target, reach)) {
            boolean about = parts.isEmpty();
            Lab from = about ? target : near.middle();
            parts.add(new HalfSpaces(mix, near, from, about, reach, off, incumbent));
        }
    }

    /** ΔE00 within which a colour would be better by more than the tolerance. */
    public double reach() {
        return reach;
    }

    /** Whether X, Y, Z over white may be nearer than the incumbent. */
    public boolean mayBeBetter(double x, double y, double z) {
        boolean some = false;
        for (HalfSpaces part : parts) {
            some |= part.mayBeBetter(x, y, z);
        }
        return some;
    }

    List<HalfSpaces> parts() {
        return parts;
    }
}
