package org.pendrik.core.mix;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.pendrik.core.units.InvalidInput;

/**
 * How much of a mix a step takes, in whole drops.
 *
 * <p>Volume of the mix = area × wet film of the thinned mix ÷ what reaches the model; what dries of
 * it is its solids, so a thin mix laid as wet leaves less paint and takes less. Transfer is taken
 * as 0.35 for an airbrush and 0.8 for a brush (workshop priors). An airbrush cup does not feed
 * evenly under 0.5 ml, so no spray mix is smaller. The paint is the fewest whole helpings of a
 * recipe that make at least the volume, so its colour stays what it is; the thinner is the nearest
 * whole number of drops, and the ratio that they really give is stated.
 *
 * @param measures of the paints, at least one
 * @param thinnerDrops whole drops of 0.05 ml
 * @param millilitres of the mix
 * @param realRatio thinner to paint, by volume
 * @param neededMillilitres what the area takes
 * @param cost of the paints in the workshop's own money
 */
public record MixCard(
        List<Measure> measures,
        int thinnerDrops,
        double millilitres,
        double realRatio,
        double neededMillilitres,
        double cost) {
    private static final double SPRAY_TRANSFER = 0.35;
    private static final double BRUSH_TRANSFER = 0.8;
    private static final double SMALLEST_SPRAY_ML = 0.5;
    private static final double ML_PER_DROP = 0.05;

    /**
     * What one bottle gives to one helping.
     *
     * @param name of the bottle
     * @param drops 1 to 400
     * @param millilitresPerDrop of this bottle, above 0
     * @param left in it, ml; none when nobody knows
     * @param pricePerMl 0 when unknown
     */
    public record Portion(
            String name,
            int drops,
            double millilitresPerDrop,
            OptionalDouble left,
            double pricePerMl) {
        public Portion {
            if (!(drops > 0 && millilitresPerDrop > 0)) {
                throw new IllegalArgumentException("a portion has drops: " + drops);
            }
        }

        /** A drop of something of which nothing else is known. */
        public static Portion drop(String name) {
            return new Portion(name, 1, ML_PER_DROP, OptionalDouble.empty(), 0);
        }

        double millilitres() {
            return drops * millilitresPerDrop;
        }
    }

    /**
     * What a bottle gives.
     *
     * @param drops whole drops, at least 1
     * @param enough whether so much is in the bottle, as far as anybody knows
     */
    public record Measure(
            String name, int drops, double millilitres, OptionalDouble left, boolean enough) {}

    /**
     * What is painted and how.
     *
     * @param areaMm2 model area in square millimetres, above 0 and under 1 square metre
     * @param wetMicrometres of the thinned mix as it lies before it dries
     * @param paintParts by volume, above 0
     * @param thinnerParts by volume
     * @param spray by airbrush
     */
    public record Coat(
            double areaMm2,
            double wetMicrometres,
            double paintParts,
            double thinnerParts,
            boolean spray) {
        public Coat {
            InvalidInput.requireWithin(
                    "Area", areaMm2, " mm²", 1, 1e6, "Check length, height and scale of the job.");
            if (!(paintParts > 0 && thinnerParts >= 0 && wetMicrometres > 0)) {
                throw new IllegalArgumentException("parts and film must be positive");
            }
        }

        /** Millilitres of the mix. */
        double mix() {
            return areaMm2 * wetMicrometres / 1e6 / (spray ? SPRAY_TRANSFER : BRUSH_TRANSFER);
        }

        double ratio() {
            return thinnerParts / paintParts;
        }
    }

    /** The card of a coat from one bottle with usual drops. */
    public static MixCard of(Coat coat) {
        return of(coat, List.of(Portion.drop("paint")));
    }

    /**
     * The card of a coat.
     *
     * @param helping the least whole drops of a recipe, at least one portion
     */
    public static MixCard of(Coat coat, List<Portion> helping) {
        double one = helping.stream().mapToDouble(Portion::millilitres).sum();
        double needed = coat.mix();
        double wanted = coat.spray() ? Math.max(needed, SMALLEST_SPRAY_ML) : needed;
        int helpings = Math.max(1, (int) Math.ceil(wanted / (1 + coat.ratio()) / one - 1e-9));
        List<Measure> measures = new ArrayList<>();
        double cost = 0;
        for (Portion p : helping) {
            double ml = helpings * p.millilitres();
            measures.add(
                    new Measure(
                            p.name(),
                            helpings * p.drops(),
                            ml,
                            p.left(),
                            p.left().isEmpty() || p.left().getAsDouble() >= ml - 1e-9));
            cost += ml * p.pricePerMl();
        }
        double paint = helpings * one;
        int thinner = (int) Math.round(paint * coat.ratio() / ML_PER_DROP);
        return new MixCard(
                measures,
                thinner,
                paint + thinner * ML_PER_DROP,
                thinner * ML_PER_DROP / paint,
                needed,
                cost);
    }

    /** Drops of all paints. */
    public int paintDrops() {
        return measures.stream().mapToInt(Measure::drops).sum();
    }
}
