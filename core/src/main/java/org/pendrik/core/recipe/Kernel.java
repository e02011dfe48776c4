package org.pendrik.core.recipe;

import org.pendrik.core.colour.Ciede2000;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Reflectance;
import org.pendrik.core.paint.Surface;

/**
 * The colour of a mix as arithmetic on arrays. Row i of {@code k} and {@code s} is what one drop of
 * paint i brings, so a mix is the sum of its drops. The reflectance that is seen is {@code veil + t
 * · S / (c · S + K + √(K (K + 2 S)))}: Kubelka and Munk's masstone and Saunderson's surface in one
 * fraction, convex and decreasing in K/S. Weights are over white, so that X, Y, Z of white are 1.
 */
final class Kernel {
    static final int BANDS = Reflectance.BANDS;
    private static final double LEVEL = 1e-9;

    final int paints;
    final double[][] k;
    final double[][] s;

    /** Mean of S over the bands for one drop. */
    final double[] level;

    /** Whether S is the same in all bands. */
    final boolean[] flat;

    final double[][] w = new double[3][BANDS];
    final double veil;
    final double t;
    final double c;

    Kernel(double[][] k, double[][] s, Light light, Surface surface) {
        paints = k.length;
        this.k = k;
        this.s = s;
        level = new double[paints];
        flat = new boolean[paints];
        for (int i = 0; i < paints; i++) {
            double sum = 0;
            for (int b = 0; b < BANDS; b++) {
                sum += s[i][b];
            }
            level[i] = sum / BANDS;
            flat[i] = true;
            for (int b = 0; b < BANDS; b++) {
                flat[i] &= Math.abs(s[i][b] / level[i] - 1) < LEVEL;
            }
        }
        double[] white = light.white();
        double[][] raw = light.bandWeights();
        for (int a = 0; a < 3; a++) {
            for (int b = 0; b < BANDS; b++) {
                w[a][b] = raw[a][b] / white[a];
            }
        }
        veil = surface.veil();
        t = surface.through();
        c = 1 - surface.inner();
    }

    /** Seen reflectances of K and S in each band, written to {@code r}. */
    void seen(double[] kk, double[] ss, double[] r) {
        double v = veil;
        double through = t;
        double inner = c;
        for (int b = 0; b < BANDS; b++) {
            double kb = kk[b];
            double sb = ss[b];
            r[b] = v + through * sb / (inner * sb + kb + Math.sqrt(kb * (kb + 2 * sb)));
        }
    }

    /** The same of the drops of four paints; 0 drops leave one out. */
    void seen(int[] paint, int[] drops, double[] r) {
        double d0 = drops[0];
        double d1 = drops[1];
        double d2 = drops[2];
        double d3 = drops[3];
        double[] k0 = k[paint[0]];
        double[] k1 = k[paint[1]];
        double[] k2 = k[paint[2]];
        double[] k3 = k[paint[3]];
        double[] s0 = s[paint[0]];
        double[] s1 = s[paint[1]];
        double[] s2 = s[paint[2]];
        double[] s3 = s[paint[3]];
        double v = veil;
        double through = t;
        double inner = c;
        for (int b = 0; b < BANDS; b++) {
            double kb = d0 * k0[b] + d1 * k1[b] + d2 * k2[b] + d3 * k3[b];
            double sb = d0 * s0[b] + d1 * s1[b] + d2 * s2[b] + d3 * s3[b];
            r[b] = v + through * sb / (inner * sb + kb + Math.sqrt(kb * (kb + 2 * sb)));
        }
    }

    /** The sum over the bands of a weighted reflectance. */
    static double dot(double[] a, double[] b) {
        double one = 0;
        double two = 0;
        double three = 0;
        double four = 0;
        for (int i = 0; i < BANDS; i += 4) {
            one += a[i] * b[i];
            two += a[i + 1] * b[i + 1];
            three += a[i + 2] * b[i + 2];
            four += a[i + 3] * b[i + 3];
        }
        return one + two + (three + four);
    }

    /** ΔE00 between a target and seen reflectances. */
    double difference(Lab target, double[] r) {
        return difference(target, dot(w[0], r), dot(w[1], r), dot(w[2], r));
    }

    /** ΔE00 between a target and X, Y, Z over white. */
    double difference(Lab target, double x, double y, double z) {
        Lab lab = Srgb.relativeToLab(x, y, z);
        return Ciede2000.of(target.l(), target.a(), target.b(), lab.l(), lab.a(), lab.b());
    }

    /** The geometric mean of K/S over the paints in each band. */
    double[] usualRatio() {
        double[] out = new double[BANDS];
        for (int b = 0; b < BANDS; b++) {
            double sum = 0;
            for (int i = 0; i < paints; i++) {
                sum += Math.log(k[i][b] / s[i][b]);
            }
            out[b] = Math.exp(sum / paints);
        }
        return out;
    }

    /** K/S of some drops in each band. */
    double[] ratio(int[] drops) {
        double[] kk = new double[BANDS];
        double[] ss = new double[BANDS];
        for (int i = 0; i < drops.length; i++) {
            for (int b = 0; b < BANDS; b++) {
                kk[b] += drops[i] * k[i][b];
                ss[b] += drops[i] * s[i][b];
            }
        }
        for (int b = 0; b < BANDS; b++) {
            kk[b] /= ss[b];
        }
        return kk;
    }

    Lab lab(double[] r) {
        return Srgb.relativeToLab(dot(w[0], r), dot(w[1], r), dot(w[2], r));
    }
}
