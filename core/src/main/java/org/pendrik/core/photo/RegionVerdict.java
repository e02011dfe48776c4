package org.pendrik.core.photo;

import org.pendrik.core.colour.ColourDifference;

/**
 * The judgement of one region with the figures behind it.
 *
 * @param region what was judged
 * @param prototype the measured colour of the prototype
 * @param model the measured colour of the model
 * @param difference model against prototype
 * @param progress how much of the way from factory colour to prototype the model has gone, 1 is
 *     there; NaN when no factory colour is known or the prototype has not left it
 * @param offAxis ΔE*ab of the model beside that way: another colour, not more or less of the same
 * @param tolerance ΔE that the two uncertainties allow
 */
public record RegionVerdict(
        Region region,
        Verdict verdict,
        ColourSample prototype,
        ColourSample model,
        ColourDifference difference,
        double progress,
        double offAxis,
        double tolerance) {}
