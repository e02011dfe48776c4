package org.pendrik.core.paint;

import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * A light that a surface is looked at under, with the CIE 1931 2° observer.
 *
 * <p>The observer and the lights are tabled every 5 nm from 380 to 780 nm (lights.csv names their
 * sources). A reflectance runs straight between its bands, so the sum over the table folds into 36
 * weights for each of X, Y and Z; the weights sum to the white of the light exactly. Whites agree
 * with CIE 15:2004, table T.3, to 0.01.
 */
public enum Light {
    D65("daylight, north window", "d65"),
    D50("daylight, sun and sky", "d50"),
    A("filament lamp", "a"),
    LED_WARM("warm LED", "led_warm"),
    LED_COOL("cool LED", "led_cool");

    private final String title;
    private final String column;

    Light(String title, String column) {
        this.title = title;
        this.column = column;
    }

    String column() {
        return column;
    }

    /** How it is called on the bench. */
    public String title() {
        return title;
    }

    /** X, Y, Z of a perfect white, Y = 1. */
    public double[] white() {
        return LightTable.of(this).white().clone();
    }

    /** Weights of the 36 bands for X (0), Y (1) or Z (2), white's Y = 1. */
    double[] weights(int axis) {
        return LightTable.of(this).weights()[axis];
    }

    /** Weights of the 36 bands for X, Y and Z, white's Y = 1; copies. */
    public double[][] bandWeights() {
        return new double[][] {weights(0).clone(), weights(1).clone(), weights(2).clone()};
    }

    /** X, Y, Z of a reflectance, white's Y = 1. */
    public double[] xyz(Reflectance r) {
        double[][] weights = LightTable.of(this).weights();
        double[] out = new double[3];
        for (int i = 0; i < 3; i++) {
            double sum = 0;
            for (int b = 0; b < Reflectance.BANDS; b++) {
                sum += weights[i][b] * r.at(b);
            }
            out[i] = sum;
        }
        return out;
    }

    /** L*a*b* of a reflectance under this light, relative to its own white. */
    public Lab lab(Reflectance r) {
        return lab(xyz(r));
    }

    /** L*a*b* of X, Y, Z under this light, relative to its own white. */
    Lab lab(double[] v) {
        double[] white = LightTable.of(this).white();
        return Srgb.relativeToLab(v[0] / white[0], v[1] / white[1], v[2] / white[2]);
    }

    /** X, Y, Z of a colour that is given relative to this light's white. */
    public double[] xyz(Lab c) {
        double[] v = Srgb.labToRelative(c);
        double[] white = LightTable.of(this).white();
        return new double[] {v[0] * white[0], v[1] * white[1], v[2] * white[2]};
    }
}
