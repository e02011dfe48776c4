package org.pendrik.core.film;

import java.util.LinkedHashSet;
import java.util.Set;
import org.pendrik.core.units.InvalidInput;

/**
 * One thing done, or to be done, on some zones.
 *
 * @param id names it in findings
 * @param technique how
 * @param material what with
 * @param thickness how thick
 * @param zones keys of the zones, at least one, in order
 * @param atMinute when it begins, minutes from any fixed moment
 * @param minutes hands-on minutes; the coat counts as laid when they are over
 * @param done it has happened and cannot be moved
 */
public record Act(
        String id,
        Technique technique,
        Material material,
        Thickness thickness,
        Set<String> zones,
        long atMinute,
        int minutes,
        boolean done) {
    public Act {
        zones = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(zones));
        if (zones.isEmpty()) {
            throw new InvalidInput(
                    "Step " + technique.name(),
                    "no zone",
                    "must cover at least one zone",
                    "Choose where it goes.");
        }
        if (minutes < 0) {
            throw new IllegalArgumentException("hands-on minutes must not be negative");
        }
    }

    /** A step still to do, with the technique's own thickness and minutes. */
    public static Act planned(
            String id, Technique technique, Material material, Set<String> zones) {
        return new Act(
                id,
                technique,
                material,
                technique.thickness(),
                zones,
                0,
                technique.minutes(zones.size()),
                false);
    }

    /** The minute in which it is over. */
    public long endMinute() {
        return atMinute + minutes;
    }

    /** The same at another time. */
    public Act at(long minute) {
        return new Act(id, technique, material, thickness, zones, minute, minutes, done);
    }

    /** The same with another material. */
    public Act with(Material other) {
        return new Act(id, technique, other, thickness, zones, atMinute, minutes, done);
    }

    /** The same done another way, with the material given. */
    public Act with(Technique other, Material otherMaterial) {
        return new Act(
                id,
                other,
                otherMaterial,
                thickness,
                zones,
                atMinute,
                other.minutes(zones.size()),
                done);
    }

    /** The liquid that touches the surface. */
    Carrier carrier() {
        return technique.action() == Action.DRY ? new Carrier.Dry() : material.carrier();
    }
}
