package org.pendrik.core.measure;

import org.ejml.simple.SimpleMatrix;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/** The colours of one sample: a normal cloud in L*a*b*, and its middle in X, Y, Z over white. */
final class Cloud {
    private final WeatherClass kind;
    private final double[] mean;
    private final double[] xyz;
    private final SimpleMatrix spread;

    /** Lower triangle that turns a difference into standard deviations, row by row. */
    private final float[] whiten;

    private final float logVolume;

    Cloud(WeatherClass kind, double[] mean, double[] xyz, SimpleMatrix spread) {
        this.kind = kind;
        this.mean = mean;
        this.xyz = xyz;
        this.spread = spread;
        double[][] low = cholesky(spread);
        double a = 1 / low[0][0];
        double c = 1 / low[1][1];
        double f = 1 / low[2][2];
        double b = -low[1][0] * a * c;
        double d = (-low[2][0] * a - low[2][1] * b) * f;
        double e = -low[2][1] * c * f;
        whiten = new float[] {(float) a, (float) b, (float) c, (float) d, (float) e, (float) f};
        logVolume = (float) Math.log(low[0][0] * low[1][1] * low[2][2]);
    }

    private static double[][] cholesky(SimpleMatrix s) {
        double[][] l = new double[3][3];
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j <= i; j++) {
                double sum = s.get(i, j);
                for (int k = 0; k < j; k++) {
                    sum -= l[i][k] * l[j][k];
                }
                l[i][j] = i == j ? Math.sqrt(sum) : sum / l[j][j];
            }
        }
        return l;
    }

    /** The same cloud with its middle elsewhere. */
    Cloud movedTo(double[] relative) {
        Lab to = Srgb.relativeToLab(relative[0], relative[1], relative[2]);
        return new Cloud(kind, new double[] {to.l(), to.a(), to.b()}, relative.clone(), spread);
    }

    WeatherClass kind() {
        return kind;
    }

    /** Squared Mahalanobis distance of a colour. */
    float squared(float l, float a, float b) {
        float x = l - (float) mean[0];
        float y = a - (float) mean[1];
        float z = b - (float) mean[2];
        float u = whiten[0] * x;
        float v = whiten[1] * x + whiten[2] * y;
        float w = whiten[3] * x + whiten[4] * y + whiten[5] * z;
        return u * u + v * v + w * w;
    }

    /** Twice the logarithm of the volume: what a wide cloud pays against a narrow one. */
    float width() {
        return 2 * logVolume;
    }

    double[] xyz() {
        return xyz;
    }

    double[] mean() {
        return mean;
    }

    /** Kailath's bound of the share that must be confused, equal shares assumed. */
    double confusedWith(Cloud o) {
        SimpleMatrix both = spread.plus(o.spread).scale(0.5);
        SimpleMatrix d = new SimpleMatrix(3, 1);
        for (int k = 0; k < 3; k++) {
            d.set(k, mean[k] - o.mean[k]);
        }
        double apart = d.transpose().mult(both.invert()).mult(d).get(0) / 8;
        double shape =
                0.5
                        * Math.log(
                                both.determinant()
                                        / Math.sqrt(spread.determinant() * o.spread.determinant()));
        return 0.5 * Math.exp(-(apart + shape));
    }
}
