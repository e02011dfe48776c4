package org.pendrik.core.recipe;

/**
 * Two planes over the corners of a cell between which X, Y and Z of all its mixes lie: of tangents
 * in the middle, and of chords between the corners.
 */
final class Planes {
    private static final int BANDS = Kernel.BANDS;

    /** X, Y, Z by corner, of the plane below and of the one above. */
    final double[][] low = new double[4][3];

    final double[][] high = new double[4][3];

    private final Kernel kernel;
    private int p;
    private final double[] lo = new double[BANDS];
    private final double[] hi = new double[BANDS];
    private final double[] q0 = new double[BANDS];
    private final double[] f0 = new double[BANDS];
    private final double[] slope = new double[BANDS];
    private final double[] s0 = new double[BANDS];
    private final double[] wide = new double[BANDS];
    private final double[] rise = new double[BANDS];

    Planes(Kernel kernel) {
        this.kernel = kernel;
    }

    /** X, Y, Z of the tangent (low) and chords (high) at the corners. */
    void bound(Corner[] v, int p) {
        this.p = p;
        Corner v3 = v[p - 1];
        middle(v[0], v[1], v[2], v3);
        boolean level = v[0].flat && v[1].flat && v[2].flat && v3.flat;
        if (!level) {
            spans(v[0], v[1], v[2], v3);
        }
        for (int i = 0; i < p; i++) {
            Corner x = v[i];
            if (level) {
                lowLevel(x.k);
                System.arraycopy(x.xyz, 0, high[i], 0, 3);
            } else {
                lowAndHigh(x.k, x.s, x.r);
                sums(hi, high[i]);
            }
            sums(lo, low[i]);
        }
    }

    private void sums(double[] r, double[] out) {
        out[0] = Kernel.dot(kernel.w[0], r);
        out[1] = Kernel.dot(kernel.w[1], r);
        out[2] = Kernel.dot(kernel.w[2], r);
    }

    /** K/S, S, reflectance and its slope at the middle of the corners. */
    private void middle(Corner v0, Corner v1, Corner v2, Corner v3) {
        double third = p == 4 ? 0.25 : 1.0 / 3;
        double fourth = p == 4 ? 0.25 : 0;
        double veil = kernel.veil;
        double t = kernel.t;
        double inner = kernel.c;
        double[] k0 = v0.k;
        double[] k1 = v1.k;
        double[] k2 = v2.k;
        double[] k3 = v3.k;
        double[] sa = v0.s;
        double[] sb = v1.s;
        double[] sc = v2.s;
        double[] sd = v3.s;
        double[] outQ = q0;
        double[] outS = s0;
        double[] outF = f0;
        double[] outSlope = slope;
        for (int b = 0; b < BANDS; b++) {
            double k = third * (k0[b] + k1[b] + k2[b]) + fourth * k3[b];
            double s = 1 / (third * (sa[b] + sb[b] + sc[b]) + fourth * sd[b]);
            double q = k * s;
            double root = Math.sqrt(q * (q + 2));
            double under = 1 / (inner + q + root);
            outQ[b] = q;
            outS[b] = s;
            outF[b] = veil + t * under;
            outSlope[b] = -t * (root + q + 1) / root * under * under;
        }
    }

    /** By how much tangent and chords are widened where S is not level. */
    private void spans(Corner v0, Corner v1, Corner v2, Corner v3) {
        for (int b = 0; b < BANDS; b++) {
            double s = s0[b];
            double leastS = Math.min(Math.min(v0.s[b], v1.s[b]), Math.min(v2.s[b], v3.s[b]));
            double mostS = Math.max(Math.max(v0.s[b], v1.s[b]), Math.max(v2.s[b], v3.s[b]));
            double leastR = Math.min(Math.min(v0.r[b], v1.r[b]), Math.min(v2.r[b], v3.r[b]));
            double mostR = Math.max(Math.max(v0.r[b], v1.r[b]), Math.max(v2.r[b], v3.r[b]));
            double q = q0[b];
            double far =
                    Math.max(
                            Math.max(
                                    Math.abs(v0.k[b] - q * v0.s[b]),
                                    Math.abs(v1.k[b] - q * v1.s[b])),
                            Math.max(
                                    Math.abs(v2.k[b] - q * v2.s[b]),
                                    Math.abs(v3.k[b] - q * v3.s[b])));
            wide[b] = far * Math.max(1 / leastS - s, s - 1 / mostS);
            rise[b] = (mostS / leastS - 1) * (mostR - leastR) / 4;
        }
    }

    private void lowLevel(double[] k) {
        double[] out = lo;
        double[] f = f0;
        double[] g = slope;
        double[] q = q0;
        for (int b = 0; b < BANDS; b++) {
            out[b] = f[b] + g[b] * (k[b] - q[b]);
        }
    }

    private void lowAndHigh(double[] k, double[] s, double[] seen) {
        double[] outLow = lo;
        double[] outHigh = hi;
        double[] f = f0;
        double[] g = slope;
        double[] q = q0;
        double[] per = s0;
        double[] wider = wide;
        double[] higher = rise;
        for (int b = 0; b < BANDS; b++) {
            outLow[b] = f[b] + g[b] * ((k[b] - q[b] * s[b]) * per[b] + wider[b]);
            outHigh[b] = seen[b] + higher[b];
        }
    }
}
