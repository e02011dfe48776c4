package org.pendrik.core.paint;

import java.util.Arrays;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.LinearSolverFactory_DDRM;
import org.pendrik.core.colour.Lab;

/**
 * K/S of a paint of which one colour is known: of all whose hiding coat, with what its surface
 * reflects at once, has this colour, the one whose logarithm runs smoothest over the bands.
 *
 * <p>Pigments differ by powers of ten in K/S, so smooth is meant in the logarithm. The surface adds
 * its veil to every band: of a nearly black coat it is most of what is seen, and to subtract it
 * leaves differences that mean little. So the colour counts with how well it can be told: to a
 * twentieth of a ΔE above L* 36, or where each of X, Y and Z is {@value #CLEAR_OF_VEIL} times what
 * the surface alone gives; to {@value #DARK_SIGMA} at L* 22 and below where one of them is {@value
 * #NEAR_VEIL} times that or less. What the colour of a dark paint does not say is said by what dark
 * paints do when white lets them down: they keep their hue, and at L* 55 have {@value #TINT_CHROMA}
 * times their chroma, give or take {@value #TINT_SIGMA}. Minimised: Σ (u(i+1) − u(i))² + Σ ((Lab(u)
 * − Lab) / σ)² + what the tint is off, with u = ln K/S, by the method of Levenberg and Marquardt
 * (D. W. Marquardt, "An algorithm for least-squares estimation of nonlinear parameters", Journal of
 * the Society for Industrial and Applied Mathematics 11 (1963), 431–441). O(bands³) a step.
 */
final class RatioFit {
    private static final int N = Reflectance.BANDS;
    private static final int MOST_STEPS = 80;

    /** No pigment in a binder absorbs more for what it scatters. */
    private static final double MOST_RATIO = 300;

    private static final double LEAST_RATIO = 1e-7;
    private static final double SIGMA = 0.05;
    static final double DARK_SIGMA = 2.0;
    private static final double DARK_L = 22;
    private static final double LIGHT_L = 36;

    /** X, Y or Z over that of the surface alone: to here what is inside cannot be told. */
    static final double NEAR_VEIL = 1.5;

    /** From here it can as well as any. */
    static final double CLEAR_OF_VEIL = 2.5;

    /** A longer step of ln K/S leaves the part where slopes mean anything. */
    private static final double LONGEST = 2;

    /** Inside reflectance to start from where the colour is no lighter than the veil. */
    private static final double DARKEST_START = 4e-3;

    /** Pulls K/S of bands that hardly matter back into what pigments can be. */
    private static final double TOO_MUCH = 3;

    /** Chroma of a tint at {@link #TINT_L} for one of the paint: what earths and blues do. */
    static final double TINT_CHROMA = 1.4;

    /** How far a* and b* of such a tint may be off. */
    static final double TINT_SIGMA = 1.8;

    private static final double TINT_L = 55;

    /** The most chroma that white brings out. */
    private static final double MOST_MORE = 8;

    private final Surface surface;
    private final Lab wanted;
    private final double sigma;

    /** What white does to ln K/S of a paint let down to the lightness of the tint. */
    private final double letDown;

    /** How much the tint counts, 0 where the colour says all, to 1. */
    private final double dark;

    /** Chroma of the tint for one of the paint. */
    private final double gain;

    private RatioFit(Lab wanted, Surface surface, double tintChroma, double start) {
        this.surface = surface;
        double chroma = Math.hypot(wanted.a(), wanted.b());
        // what is vivid already has no room for so much more
        this.gain = Math.min(tintChroma, 1 + MOST_MORE / Math.max(chroma, 1e-9));
        this.wanted = wanted;
        this.sigma = sigma(wanted, surface);
        this.dark = dark(wanted.l());
        double tint = surface.inside(Light.D65.xyz(new Lab(TINT_L, 0, 0))[1]);
        this.letDown = Math.log(KubelkaMunk.ratio(tint)) - start;
    }

    /**
     * K/S in each band of a paint that is seen so under D65.
     *
     * @param tintChroma what dark paints are taken to do, {@value #TINT_CHROMA} as a rule
     */
    static double[] of(Lab seen, Surface surface, double tintChroma) {
        double y = Light.D65.xyz(seen)[1];
        double inside = Math.clamp(surface.inside(y), DARKEST_START, Surface.LIGHTEST);
        double start = Math.log(KubelkaMunk.ratio(inside));
        double[] u = new RatioFit(seen, surface, tintChroma, start).solved(start);
        double[] ratio = new double[N];
        for (int i = 0; i < N; i++) {
            ratio[i] = Math.clamp(Math.exp(u[i]), LEAST_RATIO, MOST_RATIO);
        }
        return ratio;
    }

    private double[] solved(double start) {
        double[] u = new double[N];
        Arrays.fill(u, start);
        double damping = 1e-2;
        double cost = cost(u);
        for (int step = 0; step < MOST_STEPS; step++) {
            double[] next = stepFrom(u, damping);
            double there = cost(next);
            if (there < cost) {
                boolean settled = cost - there < 1e-10 * cost + 1e-14;
                u = next;
                cost = there;
                damping = Math.max(1e-9, damping / 4);
                if (settled) {
                    break;
                }
            } else {
                damping *= 8;
                if (damping > 1e9) {
                    break;
                }
            }
        }
        return u;
    }

    /** How well a colour can be told from what its surface reflects, in ΔE. */
    private static double sigma(Lab wanted, Surface surface) {
        double dark = SIGMA + dark(wanted.l()) * (DARK_SIGMA - SIGMA);
        double near =
                Math.log(CLEAR_OF_VEIL / surface.timesVeil(wanted))
                        / Math.log(CLEAR_OF_VEIL / NEAR_VEIL);
        return Math.min(dark, SIGMA * Math.pow(DARK_SIGMA / SIGMA, Math.clamp(near, 0, 1)));
    }

    private static double dark(double l) {
        return Math.clamp((LIGHT_L - l) / (LIGHT_L - DARK_L), 0, 1);
    }

    private double seen(double u) {
        return surface.seen(KubelkaMunk.masstone(Math.exp(u)));
    }

    private double[] lab(double[] u, double shift) {
        double[] xyz = new double[3];
        for (int k = 0; k < 3; k++) {
            double[] w = Light.D65.weights(k);
            for (int i = 0; i < N; i++) {
                xyz[k] += w[i] * seen(u[i] + shift);
            }
        }
        Lab lab = Light.D65.lab(xyz);
        return new double[] {lab.l(), lab.a(), lab.b()};
    }

    /** What the colour and the tint are off, each by how well it is known; empty axes count 0. */
    private double[] off(double[] u) {
        double[] own = lab(u, 0);
        double[] tint = dark > 0 ? lab(u, letDown) : new double[3];
        return new double[] {
            (wanted.l() - own[0]) / sigma,
            (wanted.a() - own[1]) / sigma,
            (wanted.b() - own[2]) / sigma,
            dark * (gain * wanted.a() - tint[1]) / TINT_SIGMA,
            dark * (gain * wanted.b() - tint[2]) / TINT_SIGMA
        };
    }

    private double cost(double[] u) {
        double sum = 0;
        for (int i = 0; i + 1 < N; i++) {
            double d = u[i + 1] - u[i];
            sum += d * d;
        }
        for (double x : u) {
            double over = TOO_MUCH * Math.max(0, x - Math.log(MOST_RATIO));
            sum += over * over;
        }
        for (double d : off(u)) {
            sum += d * d;
        }
        return sum;
    }

    private double[] stepFrom(double[] u, double damping) {
        DMatrixRMaj normal = new DMatrixRMaj(N, N);
        DMatrixRMaj right = new DMatrixRMaj(N, 1);
        for (int i = 0; i + 1 < N; i++) {
            double d = u[i + 1] - u[i];
            normal.add(i, i, 1);
            normal.add(i + 1, i + 1, 1);
            normal.add(i, i + 1, -1);
            normal.add(i + 1, i, -1);
            right.add(i, 0, d);
            right.add(i + 1, 0, -d);
        }
        for (int i = 0; i < N; i++) {
            double over = u[i] - Math.log(MOST_RATIO);
            if (over > 0) {
                normal.add(i, i, TOO_MUCH * TOO_MUCH);
                right.add(i, 0, -TOO_MUCH * TOO_MUCH * over);
            }
        }
        double[] off = off(u);
        double[][] own = jacobian(u, 0);
        double[][] tint = dark > 0 ? jacobian(u, letDown) : new double[3][N];
        for (int k = 0; k < off.length; k++) {
            double[] slope = k < 3 ? own[k] : tint[k - 2];
            double scale = k < 3 ? 1 / sigma : dark / TINT_SIGMA;
            for (int i = 0; i < N; i++) {
                double at = scale * slope[i];
                right.add(i, 0, at * off[k]);
                for (int j = 0; j < N; j++) {
                    normal.add(i, j, at * scale * slope[j]);
                }
            }
        }
        for (int i = 0; i < N; i++) {
            normal.add(i, i, damping);
        }
        var solver = LinearSolverFactory_DDRM.chol(N);
        if (!solver.setA(normal)) {
            return u;
        }
        DMatrixRMaj step = new DMatrixRMaj(N, 1);
        solver.solve(right, step);
        double longest = 0;
        for (int i = 0; i < N; i++) {
            longest = Math.max(longest, Math.abs(step.get(i)));
        }
        double share = longest > LONGEST ? LONGEST / longest : 1;
        double[] next = new double[N];
        for (int i = 0; i < N; i++) {
            next[i] = u[i] + share * step.get(i);
        }
        return next;
    }

    /** Change of L*, a*, b* with ln K/S of each band: by the chain rule over X, Y, Z. */
    private double[][] jacobian(double[] u, double shift) {
        double[] xyz = new double[3];
        double[][] dxyz = new double[3][N];
        for (int i = 0; i < N; i++) {
            double h = 1e-4;
            double at = u[i] + shift;
            double r = seen(at);
            double slope = (seen(at + h) - seen(at - h)) / (2 * h);
            for (int k = 0; k < 3; k++) {
                double w = Light.D65.weights(k)[i];
                xyz[k] += w * r;
                dxyz[k][i] = w * slope;
            }
        }
        double[][] dlab = new double[3][3];
        for (int k = 0; k < 3; k++) {
            double h = Math.max(1e-7, 1e-5 * xyz[k]);
            double[] up = xyz.clone();
            double[] down = xyz.clone();
            up[k] += h;
            down[k] -= h;
            Lab a = Light.D65.lab(up);
            Lab b = Light.D65.lab(down);
            dlab[0][k] = (a.l() - b.l()) / (2 * h);
            dlab[1][k] = (a.a() - b.a()) / (2 * h);
            dlab[2][k] = (a.b() - b.b()) / (2 * h);
        }
        double[][] out = new double[3][N];
        for (int k = 0; k < 3; k++) {
            for (int i = 0; i < N; i++) {
                for (int m = 0; m < 3; m++) {
                    out[k][i] += dlab[k][m] * dxyz[m][i];
                }
            }
        }
        return out;
    }
}
