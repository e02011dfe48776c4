package org.pendrik.core.paint;

import java.util.Arrays;

/**
 * A reflectance on the grid of this package: 36 bands, 380 to 730 nm every 10 nm, each 0 to 1.
 * Between the bands it runs straight, beyond the ends it stays level.
 */
public final class Reflectance {
    /** Number of bands. */
    public static final int BANDS = 36;

    /** First wavelength, nm. */
    public static final int FROM_NM = 380;

    /** Distance of the bands, nm. */
    public static final int STEP_NM = 10;

    private final double[] values;

    private Reflectance(double[] values) {
        this.values = values;
    }

    /**
     * A reflectance of 36 values.
     *
     * @throws IllegalArgumentException when there are not 36, or one is not from 0 to 1
     */
    public static Reflectance of(double... values) {
        if (values.length != BANDS) {
            throw new IllegalArgumentException(
                    "a reflectance has " + BANDS + " bands, not " + values.length);
        }
        for (int i = 0; i < BANDS; i++) {
            if (!(values[i] >= 0 && values[i] <= 1)) {
                throw new IllegalArgumentException(
                        "reflectance at " + nm(i) + " nm (" + values[i] + ") is not from 0 to 1");
            }
        }
        return new Reflectance(values.clone());
    }

    /** The same share at every wavelength. */
    public static Reflectance level(double share) {
        double[] v = new double[BANDS];
        Arrays.fill(v, share);
        return of(v);
    }

    /** The wavelength of a band, nm. */
    public static int nm(int band) {
        return FROM_NM + band * STEP_NM;
    }

    /** One band. */
    public double at(int band) {
        return values[band];
    }

    /** A copy of the 36 values. */
    public double[] values() {
        return values.clone();
    }

    /** The mean by area where {@code other} covers a share of the surface. */
    public Reflectance partly(Reflectance other, double share) {
        double[] v = new double[BANDS];
        for (int i = 0; i < BANDS; i++) {
            v[i] = Math.clamp(values[i] + (other.values[i] - values[i]) * share, 0, 1);
        }
        return new Reflectance(v);
    }

    /** Root mean square difference over the bands, 0 to 1. */
    public double distance(Reflectance other) {
        double sum = 0;
        for (int i = 0; i < BANDS; i++) {
            double d = values[i] - other.values[i];
            sum += d * d;
        }
        return Math.sqrt(sum / BANDS);
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Reflectance r && Arrays.equals(values, r.values);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(values);
    }

    @Override
    public String toString() {
        return "Reflectance" + Arrays.toString(values);
    }
}
