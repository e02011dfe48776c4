package org.pendrik.app.truth.spectral;

import java.util.Arrays;
import java.util.function.DoubleUnaryOperator;

/**
 * Values from 380 to 730 nm at every 10 nm: reflectances from 0 to 1, light and sensors in any
 * unit.
 *
 * <p>The standard observer is the fit by sums of lobes of C. Wyman, P.-P. Sloan, P. Shirley,
 * "Simple analytic approximations to the CIE XYZ color matching functions", Journal of Computer
 * Graphics Techniques 2 (2013), 1–11. Colours are counted over the white that the same observer
 * sees in the same light, so what the fit is off in white does not matter.
 */
final class Spectrum {
    static final int COUNT = 36;
    private static final double FIRST_NM = 380;
    private static final double STEP_NM = 10;

    /** CIE 015, relative power of D65. */
    private static final double[] D65 = {
        49.98, 54.65, 82.75, 91.49, 93.43, 86.68, 104.87, 117.01, 117.81, 114.86, 115.92, 108.81,
        109.35, 107.80, 104.79, 107.69, 104.41, 104.05, 100.00, 96.33, 95.79, 88.69, 90.01, 89.60,
        87.70, 83.29, 83.70, 80.03, 80.21, 82.28, 78.28, 69.72, 71.61, 74.35, 61.60, 69.89
    };

    private static final double[][] OBSERVER = {
        of(
                l ->
                        1.056 * lobe(l, 599.8, 37.9, 31.0)
                                + 0.362 * lobe(l, 442.0, 16.0, 26.7)
                                - 0.065 * lobe(l, 501.1, 20.4, 26.2)),
        of(l -> 0.821 * lobe(l, 568.8, 46.9, 40.5) + 0.286 * lobe(l, 530.9, 16.3, 31.1)),
        of(l -> 1.217 * lobe(l, 437.0, 11.8, 36.0) + 0.681 * lobe(l, 459.0, 26.0, 13.8))
    };

    private static final double[] WHITE = sums(of(_ -> 1));

    private Spectrum() {}

    /** A bell with a width of its own on either side, in nm. */
    static double lobe(double nm, double middle, double below, double above) {
        double t = (nm - middle) / (nm < middle ? below : above);
        return Math.exp(-0.5 * t * t);
    }

    /** A curve by wavelength in nm. */
    static double[] of(DoubleUnaryOperator curve) {
        double[] out = new double[COUNT];
        Arrays.setAll(out, i -> curve.applyAsDouble(FIRST_NM + STEP_NM * i));
        return out;
    }

    /** Daylight of D65, turned warmer or cooler as black bodies of that temperature differ. */
    static double[] light(double kelvin) {
        double[] out = of(l -> blackBody(l, kelvin) / blackBody(l, 6504));
        for (int i = 0; i < COUNT; i++) {
            out[i] *= D65[i] / 100;
        }
        return out;
    }

    private static double blackBody(double nm, double kelvin) {
        double um = nm / 1000;
        return 1 / (Math.pow(um, 5) * (Math.exp(14_387.77 / (um * kelvin)) - 1));
    }

    private static double[] sums(double[] reflectance) {
        double[] out = new double[3];
        for (int k = 0; k < 3; k++) {
            for (int i = 0; i < COUNT; i++) {
                out[k] += OBSERVER[k][i] * D65[i] * reflectance[i];
            }
        }
        return out;
    }

    /** X, Y, Z over those of white, in D65. */
    static double[] relative(double[] reflectance) {
        double[] out = sums(reflectance);
        for (int k = 0; k < 3; k++) {
            out[k] /= WHITE[k];
        }
        return out;
    }

    /** L*, a*, b* of X, Y, Z over white (CIE 015). */
    static double[] lab(double[] relative) {
        double x = root(relative[0]);
        double y = root(relative[1]);
        double z = root(relative[2]);
        return new double[] {116 * y - 16, 500 * (x - y), 200 * (y - z)};
    }

    private static double root(double t) {
        return t > 216.0 / 24_389 ? Math.cbrt(t) : (24_389.0 / 27 * t + 16) / 116;
    }
}
