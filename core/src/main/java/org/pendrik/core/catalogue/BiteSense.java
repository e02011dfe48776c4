package org.pendrik.core.catalogue;

import java.util.List;
import org.pendrik.core.units.InvalidInput;

/**
 * How much harder than the table a carrier bites a binder at this bench, learned from what came of
 * warnings that were answered: the coat lifted, or it did not.
 *
 * <p>The logarithm of the factor is normal, standard deviation 0.35 before anything is seen. A coat
 * that was hit with h is seen to lift when h times the factor exceeds the limit at which coats
 * soften, give or take 0.25 in the logarithm; so each observation multiplies the prior with a
 * normal distribution function (probit regression, A. Gelman et al., Bayesian Data Analysis, 3rd
 * ed., CRC Press 2013, section 16.2). The posterior is summed on a grid; the factor is its median.
 *
 * @param factor above 0, 1 when nothing is known
 * @param low the factor is above it with 95 %
 * @param high below it with 95 %
 * @param observations how many stand behind it
 */
public record BiteSense(double factor, double low, double high, int observations) {
    private static final double PRIOR_SD = 0.35;
    private static final double OBSERVATION_SD = 0.25;
    private static final int GRID = 2001;
    private static final double WIDEST = 4 * PRIOR_SD;

    /**
     * A binder and a liquid, of whatever strength.
     *
     * @param solvent a column of the bite table; alcohol of any strength counts as {@code I70}
     */
    public record Pair(Binder binder, String solvent) {
        /** The pair of a binder and a carrier. */
        public static Pair of(Binder binder, Carrier carrier) {
            return new Pair(
                    binder,
                    switch (carrier) {
                        case Carrier.Dry _ -> "";
                        case Carrier.Named n -> n.column().name();
                        case Carrier.Alcohol _ -> Solvent.I70.name();
                    });
        }

        /** As it is said at the bench: "odourless spirit on oil". */
        public String spoken() {
            String liquid =
                    solvent.equals(Solvent.I70.name())
                            ? "alcohol"
                            : solvent.isEmpty() ? "dry work" : Carrier.parse(solvent).spoken();
            return liquid + " on " + binder.spoken();
        }
    }

    /**
     * What came of a bite.
     *
     * @param hit bite times exposure by the table, above 0, up to 1.5
     * @param lifted whether the coat gave way
     */
    public record Seen(double hit, boolean lifted) {
        public Seen {
            InvalidInput.requireWithin("Bite", hit, "", 0.01, 1.5, "Note it at the step.");
        }
    }

    /** What is known after some observations of one pair. */
    public static BiteSense of(List<Seen> seen) {
        double[] weight = new double[GRID];
        double all = 0;
        for (int i = 0; i < GRID; i++) {
            double x = at(i);
            double w = Math.exp(-x * x / (2 * PRIOR_SD * PRIOR_SD));
            for (Seen s : seen) {
                double z = (Math.log(s.hit() / BiteTable.SOFTENS) + x) / OBSERVATION_SD;
                w *= s.lifted() ? below(z) : below(-z);
            }
            weight[i] = w;
            all += w;
        }
        return new BiteSense(
                Math.exp(quantile(weight, all, 0.5)),
                Math.exp(quantile(weight, all, 0.05)),
                Math.exp(quantile(weight, all, 0.95)),
                seen.size());
    }

    private static double at(int i) {
        return -WIDEST + 2 * WIDEST * i / (GRID - 1);
    }

    private static double quantile(double[] weight, double all, double share) {
        double sum = 0;
        for (int i = 0; i < GRID; i++) {
            if (sum + weight[i] >= share * all) {
                double part = (share * all - sum) / weight[i] - 0.5;
                return at(i) + part * (at(1) - at(0));
            }
            sum += weight[i];
        }
        return WIDEST;
    }

    /** The normal distribution function, to 1e-7 (Abramowitz and Stegun 1964, 26.2.17). */
    private static double below(double z) {
        double t = 1 / (1 + 0.2316419 * Math.abs(z));
        double tail =
                Math.exp(-z * z / 2)
                        / Math.sqrt(2 * Math.PI)
                        * t
                        * (0.319381530
                                + t
                                        * (-0.356563782
                                                + t
                                                        * (1.781477937
                                                                + t
                                                                        * (-1.821255978
                                                                                + t
                                                                                        * 1.330274429))));
        return z >= 0 ? 1 - tail : tail;
    }
}
