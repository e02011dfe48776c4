package org.pendrik.core.mix;

import org.pendrik.core.units.InvalidInput;

/**
 * How much of a mix a step takes, in whole drops.
 *
 * <p>Volume of paint = area × dry film ÷ solids ÷ what reaches the model. Solids are taken as 0.3
 * by volume, transfer as 0.35 for an airbrush and 0.8 for a brush (workshop priors). An airbrush
 * cup does not feed evenly under 0.5 ml, so no spray mix is smaller. The drops are the fewest whole
 * ones that make at least the volume at the nearest ratio; the ratio that they really give is
 * stated.
 *
 * @param paintDrops whole drops, at least 1
 * @param thinnerDrops whole drops
 * @param millilitres of the mix
 * @param realRatio thinner to paint, by volume
 * @param neededMillilitres what the area takes
 */
public record MixCard(
        int paintDrops,
        int thinnerDrops,
        double millilitres,
        double realRatio,
        double neededMillilitres) {
    private static final double SOLIDS = 0.3;
    private static final double SPRAY_TRANSFER = 0.35;
    private static final double BRUSH_TRANSFER = 0.8;
    private static final double SMALLEST_SPRAY_ML = 0.5;
    private static final double ML_PER_DROP = 0.05;

    /**
     * The card for an area.
     *
     * @param areaMm2 model area in square millimetres, above 0 and under 1 square metre
     * @param dryFilmMicrometres of the coat as laid
     * @param paintParts by volume, above 0
     * @param thinnerParts by volume
     * @param spray by airbrush
     */
    public static MixCard of(
            double areaMm2,
            double dryFilmMicrometres,
            double paintParts,
            double thinnerParts,
            boolean spray) {
        InvalidInput.requireWithin(
                "Area", areaMm2, " mm²", 1, 1e6, "Check length, height and scale of the job.");
        if (!(paintParts > 0 && thinnerParts >= 0 && dryFilmMicrometres > 0)) {
            throw new IllegalArgumentException("parts and film must be positive");
        }
        double dryMl = areaMm2 * dryFilmMicrometres / 1e6;
        double paint = dryMl / SOLIDS / (spray ? SPRAY_TRANSFER : BRUSH_TRANSFER);
        double ratio = thinnerParts / paintParts;
        double needed = paint * (1 + ratio);
        double wanted = spray ? Math.max(needed, SMALLEST_SPRAY_ML) : needed;
        int paintDrops = Math.max(1, (int) Math.ceil(wanted / (1 + ratio) / ML_PER_DROP - 1e-9));
        int thinnerDrops = (int) Math.round(paintDrops * ratio);
        return new MixCard(
                paintDrops,
                thinnerDrops,
                (paintDrops + thinnerDrops) * ML_PER_DROP,
                (double) thinnerDrops / paintDrops,
                needed);
    }
}
