package org.pendrik.core.film;

import java.util.List;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Words;

/**
 * How much slower or faster than the tables a material dries at this bench, learned from what was
 * seen there.
 *
 * <p>The logarithm of the factor is normal with mean 0 and standard deviation 0.35 before anything
 * is seen; an observation is the logarithm of seen over predicted minutes, with standard deviation
 * 0.25. The posterior is the conjugate one (A. Gelman et al., Bayesian Data Analysis, 3rd ed., CRC
 * Press 2013, section 2.5): precisions add up, means are weighted by them.
 *
 * @param factor minutes that pass at this bench for one minute of the tables (posterior median)
 * @param low of the span that holds it with a probability of 90 %
 * @param high of that span
 * @param observations how many stand behind it
 */
public record BenchPace(double factor, double low, double high, int observations) {
    private static final double PRIOR_SD = 0.35;
    private static final double SEEN_SD = 0.25;

    /** 90 % of a normal distribution lie within this many standard deviations. */
    private static final double NINETY = 1.6449;

    /** Ten times slower or faster than the tables is a slip of the pen or another material. */
    private static final double STRANGEST = 10;

    /**
     * Something seen at the bench.
     *
     * @param predictedMinutes what the tables say for that coat in that air, above 0
     * @param seenMinutes what it took, above 0
     */
    public record Observation(double predictedMinutes, double seenMinutes) {
        public Observation {
            if (!(predictedMinutes > 0)) {
                throw new IllegalArgumentException("predicted minutes must be above 0");
            }
            double ratio = seenMinutes / predictedMinutes;
            if (!(ratio >= 1 / STRANGEST && ratio <= STRANGEST)) {
                throw new InvalidInput(
                        "Drying time",
                        Words.span(seenMinutes),
                        "must be within ten times of the "
                                + Words.span(predictedMinutes)
                                + " that the tables say",
                        "Check when the coat was laid, or change the tables.");
            }
        }
    }

    /** Learns from what was seen of one material; from nothing the factor is 1. */
    public static BenchPace of(List<Observation> seen) {
        double precision = 1 / (PRIOR_SD * PRIOR_SD);
        double weighted = 0;
        for (Observation o : seen) {
            precision += 1 / (SEEN_SD * SEEN_SD);
            weighted += Math.log(o.seenMinutes() / o.predictedMinutes()) / (SEEN_SD * SEEN_SD);
        }
        double mean = weighted / precision;
        double sd = Math.sqrt(1 / precision);
        return new BenchPace(
                Math.exp(mean),
                Math.exp(mean - NINETY * sd),
                Math.exp(mean + NINETY * sd),
                seen.size());
    }
}
