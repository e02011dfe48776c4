package org.pendrik.core.paint;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.testng.annotations.Test;

public class SpectrumFitTest {
    /** All of sRGB but black and white lies inside the object-colour limit under D65. */
    @Test
    public void everyColourOfAGridOfScreensComesBack() {
        int inside = 0;
        for (int r = 0; r <= 8; r++) {
            for (int g = 0; g <= 8; g++) {
                for (int b = 0; b <= 8; b++) {
                    int pixel = step(r) << 16 | step(g) << 8 | step(b);
                    Lab lab = Srgb.toLab(pixel);
                    SpectrumFit.Fit fit = SpectrumFit.of(lab);
                    Lab got = Light.D65.lab(fit.reflectance());
                    double off = ColourDifference.ciede2000(lab, got);
                    assertEquals(fit.deltaE00(), off, 1e-12);
                    assertTrue(off <= 0.1, Srgb.toHex(lab) + " comes back " + off + " off");
                    assertFalse(fit.clamped(), Srgb.toHex(lab));
                    inside++;
                }
            }
        }
        assertEquals(inside, 729);
    }

    private static int step(int i) {
        return Math.min(255, i * 32);
    }

    @Test
    public void otherLightsAreReconstructedToo() {
        Lab lab = new Lab(45, 18, 25);
        for (Light light : Light.values()) {
            SpectrumFit.Fit fit = SpectrumFit.of(lab, light);
            assertTrue(fit.deltaE00() < 0.01, light + " " + fit.deltaE00());
        }
    }

    @Test
    public void whatNoSurfaceCanBeIsDrawnTowardsGreyAndSaid() {
        Lab impossible = new Lab(95, 80, -60);
        SpectrumFit.Fit fit = SpectrumFit.of(impossible);
        assertTrue(fit.clamped());
        assertTrue(fit.deltaE00() > 5);
        assertEquals(fit.colour().l(), 95, 0.3);
        Lab brighter = new Lab(120, 0, 0);
        assertTrue(SpectrumFit.of(brighter).clamped());
        assertEquals(SpectrumFit.of(brighter).colour().l(), 100, 0.3);
        assertTrue(SpectrumFit.of(new Lab(-5, 0, 0)).colour().l() < 0.2);
    }

    /** A level reflectance has no slope at all, so nothing is smoother. */
    @Test
    public void greysAreLevel() {
        for (double l = 5; l < 100; l += 5) {
            Reflectance r = SpectrumFit.of(new Lab(l, 0, 0)).reflectance();
            double y = Light.D65.xyz(r)[1];
            assertTrue(r.distance(Reflectance.level(y)) < 1e-3, l + " " + r);
        }
    }

    @Test
    public void noOtherSpectrumOfTheColourIsSmoother() {
        Lab lab = new Lab(40, 25, 30);
        double[] best = SpectrumFit.of(lab).reflectance().values();
        java.util.SplittableRandom random = new java.util.SplittableRandom(4);
        double[][] w = {Light.D65.weights(0), Light.D65.weights(1), Light.D65.weights(2)};
        for (int trial = 0; trial < 200; trial++) {
            double[] nudge = new double[best.length];
            for (int i = 0; i < nudge.length; i++) {
                nudge[i] = (random.nextDouble() - 0.5) * 0.01;
            }
            withoutColour(nudge, w);
            double[] other = best.clone();
            for (int i = 0; i < other.length; i++) {
                other[i] = Math.clamp(other[i] + nudge[i], 1e-6, 1 - 1e-6);
            }
            assertTrue(roughness(other) >= roughness(best) - 1e-6);
        }
    }

    private static double roughness(double[] r) {
        double sum = 0;
        for (int i = 1; i < r.length; i++) {
            double d = atanh(2 * r[i] - 1) - atanh(2 * r[i - 1] - 1);
            sum += d * d;
        }
        return sum;
    }

    private static double atanh(double t) {
        return 0.5 * Math.log((1 + t) / (1 - t));
    }

    /** Takes out of a nudge what would change X, Y or Z. */
    private static void withoutColour(double[] nudge, double[][] w) {
        double[][] basis = new double[3][];
        for (int k = 0; k < 3; k++) {
            double[] v = w[k].clone();
            for (int p = 0; p < k; p++) {
                subtract(v, basis[p], dot(v, basis[p]));
            }
            double length = Math.sqrt(dot(v, v));
            for (int i = 0; i < v.length; i++) {
                v[i] /= length;
            }
            basis[k] = v;
            subtract(nudge, v, dot(nudge, v));
        }
    }

    private static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += a[i] * b[i];
        }
        return sum;
    }

    private static void subtract(double[] from, double[] what, double times) {
        for (int i = 0; i < from.length; i++) {
            from[i] -= what[i] * times;
        }
    }
}
