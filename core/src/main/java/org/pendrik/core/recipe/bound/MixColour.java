package org.pendrik.core.recipe.bound;

import java.util.Arrays;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Reflectance;
import org.pendrik.core.paint.Surface;

/**
 * The colour of mixes of some paints under one light, as arithmetic on arrays.
 *
 * <p>Row i of K and S is what one drop of paint i brings, so a mix is the sum of its drops. What is
 * seen of it in a band is {@code veil + t · S / (c · S + K + √(K (K + 2 S)))}: the masstone of
 * Kubelka (J. Opt. Soc. Am. 38, 1948) and the surface of Saunderson (ibid. 32, 1942) in one
 * fraction, convex and decreasing in K/S. Without the veil, which all mixes have alike, it is
 * called the bare reflectance here. X, Y and Z are over those of white, so that white has 1.
 *
 * <p>Doubles give colours; floats, with the same formula, serve bounds and the trial of many
 * recipes, where {@link HalfSpaces#ROUNDING} is left for them.
 */
public final class MixColour {
    /** Bands of a spectrum. */
    public static final int BANDS = Reflectance.BANDS;

    /** What S may differ by from band to band, as a share, and still be level. */
    private static final double LEVEL = 1e-9;

    private final double[][] k;
    private final double[][] s;
    private final float[][] kFloat;
    private final float[][] sFloat;
    private final double[] scatter;
    private final boolean[] level;
    private final double[][] weights = new double[3][BANDS];
    private final float[][] weightsFloat;
    private final double veil;
    private final double through;
    private final double inner;

    /**
     * The arithmetic of some paints.
     *
     * @param k of one drop, by paint, then band; at least 0
     * @param s of one drop, by paint, then band; above 0
     */
    public MixColour(double[][] k, double[][] s, Light light, Surface surface) {
        this.k = k;
        this.s = s;
        kFloat = floats(k);
        sFloat = floats(s);
        scatter = new double[k.length];
        level = new boolean[k.length];
        for (int i = 0; i < k.length; i++) {
            double mean = Arrays.stream(s[i]).average().orElseThrow();
            scatter[i] = mean;
            level[i] = Arrays.stream(s[i]).allMatch(x -> Math.abs(x / mean - 1) < LEVEL);
        }
        double[] white = light.white();
        double[][] raw = light.bandWeights();
        for (int a = 0; a < 3; a++) {
            for (int b = 0; b < BANDS; b++) {
                weights[a][b] = raw[a][b] / white[a];
            }
        }
        weightsFloat = floats(weights);
        veil = surface.veil();
        through = surface.through();
        inner = 1 - surface.inner();
    }

    private static float[][] floats(double[][] of) {
        float[][] out = new float[of.length][BANDS];
        for (int i = 0; i < of.length; i++) {
            for (int b = 0; b < BANDS; b++) {
                out[i][b] = (float) of[i][b];
            }
        }
        return out;
    }

    /** How many paints. */
    public int paints() {
        return k.length;
    }

    /** K of one drop of a paint by band. */
    public float[] absorption(int paint) {
        return kFloat[paint];
    }

    /** S of one drop of a paint by band. */
    public float[] scattering(int paint) {
        return sFloat[paint];
    }

    /** The mean of S over the bands of one drop of a paint. */
    double scatter(int paint) {
        return scatter[paint];
    }

    /** K/S of a paint in a band. */
    public double ratio(int paint, int band) {
        return k[paint][band] / s[paint][band];
    }

    /** S of a paint in a band over its mean. */
    double evenness(int paint, int band) {
        return s[paint][band] / scatter[paint];
    }

    /** Whether S of a paint is the same in all bands. */
    boolean level(int paint) {
        return level[paint];
    }

    /** Whether S of some paints is. */
    boolean level(int[] paints) {
        boolean all = true;
        for (int paint : paints) {
            all &= level[paint];
        }
        return all;
    }

    /** The weights of the bands in X (0), Y (1) or Z (2). */
    public float[] weights(int axis) {
        return weightsFloat[axis];
    }

    /** The weight of a band in a direction of X, Y, Z. */
    double weight(double[] direction, int band) {
        double sum = 0;
        for (int a = 0; a < 3; a++) {
            sum += direction[a] * weights[a][band];
        }
        return sum;
    }

    /** What the surface alone shows in every band, 0 to 1. */
    public double veil() {
        return veil;
    }

    /**
     * Adds up drops.
     *
     * @param paints by index
     * @param drops of each of them
     * @param kk K of the mix by band, overwritten
     * @param ss S of the mix by band, overwritten
     */
    public void add(int[] paints, int[] drops, double[] kk, double[] ss) {
        Arrays.fill(kk, 0);
        Arrays.fill(ss, 0);
        for (int i = 0; i < paints.length; i++) {
            if (drops[i] > 0) {
                double[] ki = k[paints[i]];
                double[] si = s[paints[i]];
                for (int b = 0; b < BANDS; b++) {
                    kk[b] += drops[i] * ki[b];
                    ss[b] += drops[i] * si[b];
                }
            }
        }
    }

    /** The colour of a mix by its K and S. */
    public Lab colour(double[] kk, double[] ss) {
        double x = 0;
        double y = 0;
        double z = 0;
        for (int b = 0; b < BANDS; b++) {
            double kb = kk[b];
            double sb = ss[b];
            double bare = sb / (inner * sb + kb + Math.sqrt(kb * (kb + 2 * sb)));
            x += weights[0][b] * bare;
            y += weights[1][b] * bare;
            z += weights[2][b] * bare;
        }
        return Srgb.relativeToLab(veil + through * x, veil + through * y, veil + through * z);
    }

    /**
     * The bare reflectance of many, bands or mixes.
     *
     * @param kk their K
     * @param ss their S
     * @param n how many
     * @param out written
     */
    public void bare(float[] kk, float[] ss, int n, float[] out) {
        float t = (float) through;
        float c = (float) inner;
        for (int i = 0; i < n; i++) {
            float ki = kk[i];
            float si = ss[i];
            out[i] = t * si / (c * si + ki + (float) Math.sqrt(ki * (ki + 2 * si)));
        }
    }

    /** A tangent of the bare reflectance over K/S in each band: never above it. */
    final class Tangent {
        private final float[] ratio = new float[BANDS];
        private final float[] bare = new float[BANDS];
        private final float[] slope = new float[BANDS];

        /** Moves to where it touches, K/S by band. */
        Tangent touch(float[] at) {
            float t = (float) through;
            float c = (float) inner;
            for (int b = 0; b < BANDS; b++) {
                float q = at[b];
                float root = (float) Math.sqrt(q * (q + 2));
                float under = c + q + root;
                ratio[b] = q;
                bare[b] = t / under;
                slope[b] = -t * (1 + (q + 1) / root) / (under * under);
            }
            return this;
        }

        /** Where it touches, K/S by band. */
        float[] ratio() {
            return ratio;
        }

        /** Its value at some K/S by band, written to {@code out}. */
        void at(float[] q, float[] out) {
            for (int b = 0; b < BANDS; b++) {
                out[b] = bare[b] + slope[b] * (q[b] - ratio[b]);
            }
        }
    }
}
