package org.pendrik.core.photo;

import java.util.Optional;
import org.pendrik.core.colour.ColourDifference;

/**
 * The judgement of the colour of one region with the figures behind it.
 *
 * @param region what was judged
 * @param prototype the measured colour of the prototype
 * @param model the measured colour of the model
 * @param difference model against prototype
 * @param progress how much of the way from factory colour to prototype the model has gone, 1 is
 *     there; NaN when no factory colour is known or the prototype has not left it
 * @param offAxis ΔE*ab of the model beside that way: another colour, not more or less of the same
 * @param plusMinus ΔE that the two photographs leave open: two standard deviations
 * @param open why the verdict is that it cannot be told; empty with every other verdict
 */
public record RegionVerdict(
        Region region,
        Verdict verdict,
        ColourSample prototype,
        ColourSample model,
        ColourDifference difference,
        double progress,
        double offAxis,
        double plusMinus,
        Optional<Open> open) {
    /** Why a colour cannot be judged. */
    public enum Open {
        /** Which way is more is not known; whether it differs is. */
        NO_FACTORY_COLOUR,
        /** One of the photographs has no colour. */
        NO_HUE,
        /** The ± is wider than what would be seen. */
        TOO_UNSURE
    }

    /** The wider of what the photographs leave open and what is just noticeable, ΔE. */
    public double tolerance() {
        return Math.max(SideComparison.JUST_NOTICEABLE, plusMinus);
    }

    /** Whether the colours differ by more than can be measured and seen, whichever way. */
    public boolean isSeen() {
        return open.map(o -> o == Open.NO_FACTORY_COLOUR).orElse(verdict != Verdict.AS_PROTOTYPE);
    }
}
