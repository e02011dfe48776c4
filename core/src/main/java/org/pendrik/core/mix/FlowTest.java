package org.pendrik.core.mix;

import org.pendrik.core.units.InvalidInput;

/**
 * A test of how a mix flows, and how many drops bring it to the line.
 *
 * <p>On a tilted card a drop runs as far as its viscosity lets it: length is taken as 1/η; through
 * a cup it takes seconds as η. The logarithm of the viscosity of a mix is taken as linear in the
 * share of thinner (S. Arrhenius, "Über die innere Reibung verdünnter wässeriger Lösungen",
 * Zeitschrift für physikalische Chemie 1 (1887), 285–298), paint being {@value #PAINT_OVER_THINNER}
 * times as thick as its thinner: a prior. A second test tells how far that holds.
 *
 * @param thinnerDrops to add, not negative
 * @param paintDrops to add, not negative; one of the two is 0
 * @param share of thinner that it had, 0 to 1
 * @param wanted share of thinner, 0 to 1
 * @param onTheLine nothing needs to be added
 * @param note where drops do not lead to the line, what does; empty where they do
 */
public record FlowTest(
        int thinnerDrops,
        int paintDrops,
        double share,
        double wanted,
        boolean onTheLine,
        String note) {
    /** Viscosity of paint over that of thinner. */
    public static final double PAINT_OVER_THINNER = 60;

    private static final double NEAR = 0.08;
    private static final double MOST_THINNER = 0.97;

    /** Drops that nobody adds to a cup one by one. */
    private static final int MANY = 100;

    private static final String TOO_THICK =
            "So thick that no thinner alone brings it to your line. Strain it, or take a fresh bottle, and test again.";
    private static final String TOO_THIN =
            "It runs past your line without any thinner: drops cannot thicken it. Shake the bottle up from the ground, let"
                    + " a little stand open, or spray it as it is at lower pressure.";
    private static final String LESS_THINNER =
            "Your line is thicker than the paint itself. Begin again with paint alone and test that.";
    private static final String TOO_MUCH =
            "That is more than a cup takes drop by drop: measure it in millilitres, or mix anew.";

    /**
     * By the run on a card.
     *
     * @param runMm how far the drop ran
     * @param lineMm where the user's own line is
     * @param paintDrops in the cup now, 1 to 400
     * @param thinnerDrops in the cup now, 0 to 400
     */
    public static FlowTest onCard(double runMm, double lineMm, int paintDrops, int thinnerDrops) {
        InvalidInput.requireWithin(
                "Run", runMm, " mm", 0.5, 500, "Measure from where the drop was set.");
        InvalidInput.requireWithin(
                "Your line", lineMm, " mm", 0.5, 500, "Mark where a mix that sprays well ends.");
        return correct(lineMm / runMm, paintDrops, thinnerDrops);
    }

    /**
     * By the seconds through a cup.
     *
     * @param seconds that it took
     * @param wantedSeconds that a mix which sprays well takes
     */
    public static FlowTest throughCup(
            double seconds, double wantedSeconds, int paintDrops, int thinnerDrops) {
        InvalidInput.requireWithin("Time", seconds, " s", 1, 300, "Use a cup with a wider hole.");
        InvalidInput.requireWithin(
                "Your time", wantedSeconds, " s", 1, 300, "Time a mix that sprays well.");
        return correct(seconds / wantedSeconds, paintDrops, thinnerDrops);
    }

    private static FlowTest correct(double thinBy, int paint, int thinner) {
        InvalidInput.requireWithin(
                "Paint", paint, " drops", 1, 400, "Count the drops that are in the cup.");
        InvalidInput.requireWithin(
                "Thinner", thinner, " drops", 0, 400, "Count the drops that are in the cup.");
        double share = (double) thinner / (paint + thinner);
        double reaching = share + Math.log(thinBy) / Math.log(PAINT_OVER_THINNER);
        double wanted = Math.clamp(reaching, 0, MOST_THINNER);
        if (Math.abs(Math.log(thinBy)) < NEAR) {
            return new FlowTest(0, 0, share, share, true, "");
        }
        if (reaching > MOST_THINNER) {
            return new FlowTest(0, 0, share, MOST_THINNER, false, TOO_THICK);
        }
        if (wanted > share) {
            int more = (int) Math.round((wanted * (paint + thinner) - thinner) / (1 - wanted));
            return new FlowTest(
                    Math.max(1, more), 0, share, wanted, false, more > MANY ? TOO_MUCH : "");
        }
        if (reaching <= 0) {
            return new FlowTest(0, 0, share, 0, false, thinner == 0 ? TOO_THIN : LESS_THINNER);
        }
        int more = (int) Math.round(thinner / wanted - paint - thinner);
        return new FlowTest(
                0, Math.max(1, more), share, wanted, false, more > MANY ? TOO_MUCH : "");
    }
}
