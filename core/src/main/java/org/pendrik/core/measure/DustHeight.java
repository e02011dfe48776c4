package org.pendrik.core.measure;

import java.util.Optional;
import org.pendrik.core.photo.Region;

/**
 * How high dust stands on a side, thrown up from below.
 *
 * <p>The strength of the film by height above the region's lower edge is fitted by a logistic curve
 * on a base, s(h) = c + A / (1 + exp((h − h₀) / d)); c and A are linear and solved for at every try
 * of h₀ and d (G. H. Golub, V. Pereyra, "The differentiation of pseudo-inverses and nonlinear least
 * squares problems whose variables separate", SIAM Journal on Numerical Analysis 10 (1973),
 * 413–432). The half height is where s has fallen to half of what it is at the lower edge, the
 * decay how much further to a quarter.
 *
 * @param halfHeightMm above the lower edge of the region, prototype mm
 * @param halfHeightPlusMinusMm two standard deviations
 * @param decayMm from half to a quarter
 * @param footStrength how much of the surface the film covers at the lower edge more than far above
 *     it, 0 to 1, as far as the colour of the film is known; paint that is off its sample, and a
 *     film that lies everywhere, do not count
 * @param footPlusMinus two standard deviations of it
 * @param relative the strength is counted against the lowest part of the region itself, since no
 *     sample of dust was picked
 */
public record DustHeight(
        double halfHeightMm,
        double halfHeightPlusMinusMm,
        double decayMm,
        double footStrength,
        double footPlusMinus,
        boolean relative) {
    /** What the unevenness of a film leaves open of its strength. */
    private static final double FOOT_FLOOR = 0.009;

    /** How far colours are off in linear light: the nearer film and paint, the more that is. */
    private static final double COLOUR_SD = 0.0034;

    private static final int BINS = 96;
    private static final int STARTS = 24;
    private static final int WIDTHS = 12;
    private static final int ROUNDS = 40;
    private static final double LEAST_WAY = 0.012;

    /** Cosine between the way to the dust and what really changes from top to foot. */
    private static final double LEAST_ALIGNED = 0.75;

    /** Paint that is a little off its sample looks like a little dust everywhere; dust rises. */
    private static final double LEAST_RISE = 0.1;

    /** An uncertainty of the half height above this share of the region's height says nothing. */
    private static final double MOST_OPEN = 0.25;

    /** A base is an error of the paint's colour, not a surface that has hardly any paint left. */
    private static final double LEAST_CLEAN = 0.2;

    /** Rows of a photograph share their noise and the unevenness of the surface. */
    private static final double CORRELATED = 6;

    /** What a model of dust leaves open, as a share of the region's height. */
    private static final double FLOOR_SHARE = 0.0045;

    static Answer<DustHeight> of(LabPlane plane, Optional<ClassModel> model, Region r) {
        double[][] rows = FilmShare.bins(plane, r, BINS, true);
        Optional<FilmShare.Way> sampled =
                model.flatMap(m -> FilmShare.Way.of(m, WeatherClass.DUST));
        FilmShare.Way way = sampled.orElseGet(() -> ends(rows));
        if (rows.length < 16 || !(way.length() > LEAST_WAY)) {
            return Answer.CannotTell.nothing(
                    "Nothing in " + r.name() + " changes with height.",
                    "Measure a region from the sill up to where the paint is clean.");
        }
        if (sampled.isPresent() && !(ends(rows).alignedWith(way) >= LEAST_ALIGNED)) {
            return Answer.CannotTell.nothing(
                    r.name() + " changes with height, but not towards the colour of the dust.",
                    "It is another film, or the light; pick a sample of what lies at its foot.");
        }
        double[] h = new double[rows.length];
        double[] s = new double[rows.length];
        int n = 0;
        for (int b = 0; b < rows.length; b++) {
            double v = way.along(rows[b]);
            if (Double.isFinite(v)) {
                h[n] = r.heightMm() * (1 - (b + 0.5) / rows.length);
                s[n++] = v;
            }
        }
        if (n < 16) {
            return new Answer.CannotTell<>(
                    "Most of " + r.name() + " is clipped, glare or excluded.",
                    "Draw the region where the side can be seen.");
        }
        return new Curve(h, s, n, r.heightMm(), way.length()).answer(r, sampled.isEmpty());
    }

    private static FilmShare.Way ends(double[][] rows) {
        int tenth = Math.max(1, rows.length / 10);
        return new FilmShare.Way(
                mean(rows, 0, tenth), mean(rows, rows.length - tenth, rows.length));
    }

    private static double[] mean(double[][] rows, int from, int to) {
        double[] out = new double[3];
        for (int k = 0; k < 3; k++) {
            for (int b = from; b < to; b++) {
                out[k] += rows[b][k] / (to - from);
            }
        }
        return out;
    }

    /** The fit of one profile. */
    private static final class Curve {
        private final double[] h;
        private final double[] s;
        private final int n;
        private final double height;

        /** From clean to film in linear light. */
        private final double way;

        private double base;
        private double amplitude;

        Curve(double[] h, double[] s, int n, double height, double way) {
            this.h = h;
            this.s = s;
            this.n = n;
            this.height = height;
            this.way = way;
        }

        private double misfit(double at, double decay) {
            double[] g = new double[n];
            for (int i = 0; i < n; i++) {
                g[i] = 1 / (1 + Math.exp((h[i] - at) / decay));
            }
            double g1 = 0;
            double g2 = 0;
            double y1 = 0;
            double y2 = 0;
            for (int i = 0; i < n; i++) {
                g1 += g[i];
                g2 += g[i] * g[i];
                y1 += s[i];
                y2 += g[i] * s[i];
            }
            double det = n * g2 - g1 * g1;
            if (det < 1e-9 * n * n) {
                return Double.POSITIVE_INFINITY;
            }
            base = (y1 * g2 - y2 * g1) / det;
            amplitude = (n * y2 - g1 * y1) / det;
            if (amplitude <= 0) {
                return Double.POSITIVE_INFINITY;
            }
            double sum = 0;
            for (int i = 0; i < n; i++) {
                double d = s[i] - base - amplitude * g[i];
                sum += d * d;
            }
            return sum;
        }

        private double[] best() {
            double[] best = {height / 2, height / 8, Double.POSITIVE_INFINITY};
            for (int i = 0; i < STARTS; i++) {
                for (int j = 0; j < WIDTHS; j++) {
                    double at = height * (i - 2) / (STARTS - 4.0);
                    double decay = height * 0.012 * Math.pow(1.4, j);
                    keep(best, at, decay);
                }
            }
            double stepAt = height / STARTS;
            double stepDecay = 1.2;
            for (int k = 0; k < ROUNDS; k++) {
                double before = best[2];
                keep(best, best[0] + stepAt, best[1]);
                keep(best, best[0] - stepAt, best[1]);
                keep(best, best[0], best[1] * stepDecay);
                keep(best, best[0], best[1] / stepDecay);
                if (best[2] >= before) {
                    stepAt /= 2;
                    stepDecay = Math.sqrt(stepDecay);
                }
            }
            return best;
        }

        private void keep(double[] best, double at, double decay) {
            double m = misfit(at, decay);
            if (m < best[2]) {
                best[0] = at;
                best[1] = decay;
                best[2] = m;
            }
        }

        private static double half(double at, double decay) {
            return at + decay * Math.log(1 + 2 * Math.exp(-at / decay));
        }

        private Answer<DustHeight> answer(Region r, boolean relative) {
            double[] fit = best();
            if (!Double.isFinite(fit[2])) {
                return Answer.CannotTell.nothing(
                        r.name() + " does not get dustier towards its lower edge.",
                        "Measure a region from the sill up to where the paint is clean.");
            }
            misfit(fit[0], fit[1]);
            double foot = amplitude / (1 + Math.exp(-fit[0] / fit[1]));
            double top = amplitude / (1 + Math.exp((height - fit[0]) / fit[1]));
            double noise = Math.sqrt(fit[2] / Math.max(1, n - 4));
            double half = half(fit[0], fit[1]);
            if (!relative && foot - top < LEAST_RISE) {
                return Answer.CannotTell.nothing(
                        r.name() + " is no dustier at its lower edge than above it.",
                        "Measure a region from the sill up to where the paint is clean.");
            }
            if (foot - top < 3 * noise || half > height) {
                return new Answer.CannotTell<>(
                        "The dust in " + r.name() + " does not fall to half within it.",
                        "Measure a region that reaches up to clean paint.");
            }
            double quarter = fit[0] + fit[1] * Math.log(3 + 4 * Math.exp(-fit[0] / fit[1]));
            double step = height * 0.01;
            double bend =
                    (refitted(fit, fit[0] + step) + refitted(fit, fit[0] - step) - 2 * fit[2])
                            / (step * step);
            double sd = bend > 0 ? noise * Math.sqrt(CORRELATED) / Math.sqrt(bend / 2) : height;
            if (sd > MOST_OPEN * height) {
                return Answer.CannotTell.nothing(
                        "How high the dust stands in "
                                + r.name()
                                + " is open by "
                                + Math.round(Math.min(sd, height))
                                + " mm: hardly anything rises towards the foot.",
                        "Measure a region from the sill up to where the paint is clean.");
            }
            misfit(fit[0], fit[1]);
            return new Answer.Told<>(
                    new DustHeight(
                            half,
                            2 * Math.hypot(Math.min(sd, height), FLOOR_SHARE * height),
                            quarter - half,
                            relative
                                    ? foot
                                    : Math.clamp(foot / Math.max(LEAST_CLEAN, 1 - base), 0.0, 1.0),
                            2 * Math.hypot(FOOT_FLOOR, COLOUR_SD / way),
                            relative));
        }

        /** The least misfit at a place when the decay may follow. */
        private double refitted(double[] fit, double at) {
            double least = Double.POSITIVE_INFINITY;
            for (double f = 0.8; f <= 1.25; f *= 1.02) {
                least = Math.min(least, misfit(at, fit[1] * f));
            }
            return least;
        }
    }
}
