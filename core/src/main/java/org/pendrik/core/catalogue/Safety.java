package org.pendrik.core.catalogue;

import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The cautions that a material calls for. The safety data sheet of the actual product always comes
 * first.
 *
 * @param hazards what it does
 */
public record Safety(Set<Hazard> hazards) {
    public Safety {
        hazards = Set.copyOf(hazards);
    }

    /** A kind of harm and the usual caution against it. */
    public enum Hazard {
        SPRAY(
                "Spray in a booth vented outdoors, with the respirator that the product's safety data sheet names; no flame or"
                        + " spark."),
        SOLVENT(
                "Nitrile gloves, open air or extraction. Lay solvent rags and swabs flat outdoors or in a closed metal tin."),
        POWDER("Dust mask; wipe up damp, never blow.");

        private final String caution;

        Hazard(String caution) {
            this.caution = caution;
        }

        /** The caution as shown at the step. */
        public String caution() {
            return caution;
        }
    }

    /** Reads the hazards as the table lists them, separated by blanks. */
    static Safety parse(String words) {
        Set<Hazard> out = EnumSet.noneOf(Hazard.class);
        for (String w : words.split(" ", -1)) {
            if (!w.isEmpty()) {
                out.add(Hazard.valueOf(w.toUpperCase(java.util.Locale.ROOT)));
            }
        }
        return new Safety(out);
    }

    /** What both call for. */
    Safety and(Safety other) {
        Set<Hazard> both = EnumSet.noneOf(Hazard.class);
        both.addAll(hazards);
        both.addAll(other.hazards);
        return new Safety(both);
    }

    /** All cautions, one sentence after another; empty when there is nothing particular. */
    public String text() {
        return hazards.stream().sorted().map(Hazard::caution).collect(Collectors.joining(" "));
    }
}
