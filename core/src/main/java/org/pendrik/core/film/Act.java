package org.pendrik.core.film;

import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.Optional;
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
 * @param takesBack the coat of an earlier act that it takes off or thins
 * @param madeFor what it is there for
 */
public record Act(
        StepId id,
        Technique technique,
        Material material,
        Thickness thickness,
        Set<String> zones,
        long atMinute,
        int minutes,
        boolean done,
        Optional<TakenBack> takesBack,
        MadeFor madeFor) {
    /**
     * A coat that is taken back.
     *
     * @param actId the act that laid it
     * @param share how much of it comes off, above 0 to 1
     */
    public record TakenBack(StepId actId, double share) {
        public TakenBack {
            InvalidInput.requireWithin(
                    "Share to take back", share, "", 0.05, 1, "1 takes all of it off.");
        }
    }

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

    /** An act that takes nothing back and is there for itself. */
    public Act(
            StepId id,
            Technique technique,
            Material material,
            Thickness thickness,
            Set<String> zones,
            long atMinute,
            int minutes,
            boolean done) {
        this(
                id,
                technique,
                material,
                thickness,
                zones,
                atMinute,
                minutes,
                done,
                Optional.empty(),
                MadeFor.ITSELF);
    }

    /** A step still to do, with the technique's own thickness and minutes. */
    public static Act planned(
            StepId id, Technique technique, Material material, Collection<Zone> zones) {
        return planned(id, technique, material, technique.thickness(), zones);
    }

    /** A step still to do, as thick as said, with the technique's own minutes. */
    public static Act planned(
            StepId id,
            Technique technique,
            Material material,
            Thickness thickness,
            Collection<Zone> zones) {
        Set<String> keys = new LinkedHashSet<>();
        zones.forEach(z -> keys.add(z.key()));
        return new Act(
                id,
                technique,
                material,
                thickness,
                keys,
                0,
                technique.minutes(zones.size(), Zone.dm2(zones)),
                false);
    }

    /** The minute in which it is over. */
    public long endMinute() {
        return atMinute + minutes;
    }

    /** The same at another time. */
    public Act at(long minute) {
        return new Act(
                id, technique, material, thickness, zones, minute, minutes, done, takesBack,
                madeFor);
    }

    /** The same as something that has happened, from a minute on and for so many minutes. */
    public Act doneAt(long minute, int took) {
        return new Act(
                id, technique, material, thickness, zones, minute, took, true, takesBack, madeFor);
    }

    /** The same with another material. */
    public Act with(Material other) {
        return new Act(
                id, technique, other, thickness, zones, atMinute, minutes, done, takesBack,
                madeFor);
    }

    /** The same as thick as said. */
    public Act with(Thickness other) {
        return new Act(
                id, technique, material, other, zones, atMinute, minutes, done, takesBack, madeFor);
    }

    /** The same done another way, with the material given, in so many minutes. */
    public Act with(Technique other, Material otherMaterial, int otherMinutes) {
        return new Act(
                id,
                other,
                otherMaterial,
                thickness,
                zones,
                atMinute,
                otherMinutes,
                done,
                takesBack,
                madeFor);
    }

    /** The same under another id. */
    public Act named(StepId otherId) {
        return new Act(
                otherId, technique, material, thickness, zones, atMinute, minutes, done, takesBack,
                madeFor);
    }

    /** The same on other zones, which take as long. */
    public Act on(Set<String> others) {
        return new Act(
                id, technique, material, thickness, others, atMinute, minutes, done, takesBack,
                madeFor);
    }

    /** The same as something that takes a coat back. */
    public Act takingBack(TakenBack what) {
        return new Act(
                id,
                technique,
                material,
                thickness,
                zones,
                atMinute,
                minutes,
                done,
                Optional.of(what),
                madeFor);
    }

    /** The same as something that is there for what is said. */
    public Act madeFor(MadeFor what) {
        return new Act(
                id, technique, material, thickness, zones, atMinute, minutes, done, takesBack,
                what);
    }

    /** The liquid that touches the surface. */
    Carrier carrier() {
        return technique.action() == Action.DRY
                ? new Carrier.Dry()
                : technique.carrier().orElse(material.carrier());
    }
}
