package org.pendrik.core.paint;

import java.util.Arrays;
import java.util.Optional;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.LinearSolverFactory_DDRM;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;

/**
 * The smoothest reflectance that has a given colour: what a paint's spectrum is taken to be when
 * only its colour is known.
 *
 * <p>Source: S. A. Burns, "Numerical methods for smoothest reflectance reconstruction", Color
 * Research and Application 45 (2020), 8–21, least slope squared in hyperbolic-tangent space: with ρ
 * = (tanh z + 1) / 2, minimise Σ (z(i+1) − z(i))² where ρ has the colour, by Newton's method on the
 * Lagrange function. ρ lies within 0 and 1 always. O(bands³) a step, five to fifteen steps.
 *
 * <p>Guarantee: {@link Fit#deltaE00} is the difference between the given colour and that of the
 * spectrum returned. It is below 0.01 for every colour that a surface can have; one that none can
 * have (lighter than white, more saturated than any object) is drawn towards grey of its lightness
 * until one can, and {@link Fit#clamped} says so.
 */
public final class SpectrumFit {
    private static final int N = Reflectance.BANDS;
    private static final int MOST_STEPS = 60;
    private static final double CLOSE = 1e-9;

    /** A longer step leaves the part of tanh where its slope means anything. */
    private static final double LONGEST = 1.5;

    /** Darker than this tanh is flat to double precision; L* 0.01. */
    private static final double DARKEST_Y = 1.2e-5;

    private static final double LIGHTEST_Y = 1 - 1e-5;

    /** Halvings of the way to grey: a thousandth of the chroma. */
    private static final int HALVINGS = 10;

    private SpectrumFit() {}

    /**
     * A spectrum and how well it holds.
     *
     * @param reflectance the spectrum
     * @param colour what it looks like under the light asked for
     * @param clamped whether the colour asked for is none that a surface can have
     * @param deltaE00 between the colour asked for and {@code colour}
     */
    public record Fit(Reflectance reflectance, Lab colour, boolean clamped, double deltaE00) {}

    /** The smoothest reflectance of a colour under D65. */
    public static Fit of(Lab colour) {
        return of(colour, Light.D65);
    }

    /** The smoothest reflectance of a colour seen under a light. */
    public static Fit of(Lab colour, Light light) {
        double l = Math.clamp(colour.l(), 0, 100);
        Lab wanted = l == colour.l() ? colour : new Lab(l, colour.a(), colour.b());
        Reflectance r =
                solve(wanted, light)
                        .map(Reflectance::of)
                        .orElseGet(() -> towardsGrey(wanted, light));
        Lab got = light.lab(r);
        double off = ColourDifference.ciede2000(colour, got);
        return new Fit(r, got, off > 0.05, off);
    }

    /** The spectrum on the way to grey that is nearest to the colour wanted. */
    private static Reflectance towardsGrey(Lab wanted, Light light) {
        Lab grey = new Lab(wanted.l(), 0, 0);
        Reflectance best = Reflectance.level(Math.clamp(light.xyz(grey)[1], 0, 1));
        double from = 0;
        double to = 1;
        for (int i = 0; i < HALVINGS; i++) {
            double mid = (from + to) / 2;
            Optional<double[]> there = solve(grey.towards(wanted, mid), light);
            if (there.isPresent()) {
                from = mid;
                best = Reflectance.of(there.get());
            } else {
                to = mid;
            }
        }
        return best;
    }

    /** The spectrum; empty where no object has this colour or the method does not settle. */
    private static Optional<double[]> solve(Lab colour, Light light) {
        double[] goal = light.xyz(colour);
        if (goal[1] < DARKEST_Y || goal[1] > LIGHTEST_Y) {
            return Optional.empty();
        }
        double[][] w = {light.weights(0), light.weights(1), light.weights(2)};
        double[] z = new double[N];
        double start = Math.log(goal[1] / (1 - goal[1])) / 2;
        Arrays.fill(z, start);
        double[] lambda = new double[3];
        DMatrixRMaj j = new DMatrixRMaj(N + 3, N + 3);
        DMatrixRMaj f = new DMatrixRMaj(N + 3, 1);
        DMatrixRMaj step = new DMatrixRMaj(N + 3, 1);
        var solver = LinearSolverFactory_DDRM.lu(N + 3);
        for (int round = 0; round < MOST_STEPS; round++) {
            double worst = build(z, lambda, w, goal, j, f);
            if (worst < CLOSE) {
                return Optional.of(spectrum(z));
            }
            if (!solver.setA(j)) {
                return Optional.empty();
            }
            solver.solve(f, step);
            double longest = 0;
            for (int i = 0; i < N; i++) {
                longest = Math.max(longest, Math.abs(step.get(i)));
            }
            if (!Double.isFinite(longest)) {
                return Optional.empty();
            }
            double share = longest > LONGEST ? LONGEST / longest : 1;
            for (int i = 0; i < N; i++) {
                z[i] -= share * step.get(i);
            }
            for (int i = 0; i < 3; i++) {
                lambda[i] -= share * step.get(N + i);
            }
        }
        return Optional.empty();
    }

    /** Fills the Newton system; answers the largest residual. */
    private static double build(
            double[] z,
            double[] lambda,
            double[][] w,
            double[] goal,
            DMatrixRMaj j,
            DMatrixRMaj f) {
        j.zero();
        double worst = 0;
        double[] sum = new double[3];
        for (int i = 0; i < N; i++) {
            double t = Math.tanh(z[i]);
            double slope = (1 - t * t) / 2;
            double pull = lambda[0] * w[0][i] + lambda[1] * w[1][i] + lambda[2] * w[2][i];
            double diagonal = i == 0 || i == N - 1 ? 2 : 4;
            double bend = diagonal * z[i];
            if (i > 0) {
                bend -= 2 * z[i - 1];
                j.set(i, i - 1, -2);
            }
            if (i < N - 1) {
                bend -= 2 * z[i + 1];
                j.set(i, i + 1, -2);
            }
            j.set(i, i, diagonal - 2 * t * slope * pull);
            double residual = bend + slope * pull;
            f.set(i, 0, residual);
            worst = Math.max(worst, Math.abs(residual));
            for (int k = 0; k < 3; k++) {
                j.set(i, N + k, slope * w[k][i]);
                j.set(N + k, i, slope * w[k][i]);
                sum[k] += w[k][i] * (1 + t) / 2;
            }
        }
        for (int k = 0; k < 3; k++) {
            double residual = sum[k] - goal[k];
            f.set(N + k, 0, residual);
            worst = Math.max(worst, Math.abs(residual));
        }
        return worst;
    }

    private static double[] spectrum(double[] z) {
        double[] r = new double[N];
        for (int i = 0; i < N; i++) {
            r[i] = Math.clamp((1 + Math.tanh(z[i])) / 2, 0, 1);
        }
        return r;
    }
}
