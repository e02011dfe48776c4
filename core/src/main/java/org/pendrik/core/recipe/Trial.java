package org.pendrik.core.recipe;

import java.util.Arrays;

/**
 * Tries many recipes of one choice of paints: their colours are computed side by side in floats, a
 * few bands at a time, and those that no half-space rules out are told.
 *
 * <p>Cost: some forty nanoseconds for a recipe of paints of level S and twice that for others; one
 * alone takes four hundred. Guarantee: what is inside the half-spaces is told, up to {@link
 * Slice#ROUNDING}.
 */
final class Trial {
    /** Recipes side by side: what is read and written for them stays close to the processor. */
    private static final int ABREAST = 512;

    /** Loops go on to the next of these, so that nothing is left to be done one by one. */
    private static final int WHOLE = 128;

    /** Bands at a time. */
    private static final int TOGETHER = 4;

    private final Kernel kernel;

    /** How much of each paint is in a recipe, by paint, then recipe: by S, or in drops. */
    private final float[][] part = new float[4][ABREAST];

    /** K and S of mixes in one band. */
    private final float[] over = new float[ABREAST];

    private final float[] under = new float[ABREAST];

    /** What is seen without the veil, over what gets through, by band of those at a time. */
    private final float[][] seen = new float[TOGETHER][ABREAST];

    private final float[] x = new float[ABREAST];
    private final float[] y = new float[ABREAST];
    private final float[] z = new float[ABREAST];

    /** K and S of a drop, by paint, then band; K/S; and the weights of X, Y and Z. */
    private final float[][] k;

    private final float[][] s;
    private final float[][] ratio;
    private final float[][] w;
    private final float inner;
    private int first;

    /** Takes what may be near. */
    interface Near {
        /** The place of a recipe among those that were tried. */
        void at(int place);
    }

    Trial(Kernel kernel) {
        this.kernel = kernel;
        k = floats(kernel.k);
        s = floats(kernel.s);
        w = floats(kernel.w);
        inner = (float) kernel.c;
        ratio = new float[kernel.paints][Kernel.BANDS];
        for (int i = 0; i < ratio.length; i++) {
            for (int b = 0; b < Kernel.BANDS; b++) {
                ratio[i][b] = (float) (kernel.k[i][b] / kernel.s[i][b]);
            }
        }
    }

    private static float[][] floats(double[][] of) {
        float[][] out = new float[of.length][Kernel.BANDS];
        for (int i = 0; i < of.length; i++) {
            for (int b = 0; b < Kernel.BANDS; b++) {
                out[i][b] = (float) of[i][b];
            }
        }
        return out;
    }

    /**
     * Tries all recipes of a lattice.
     *
     * @param chosen four paints, by index; those beyond what the lattice has are not used
     */
    void all(int[] chosen, Lattice lattice, Aim aim, Near near) {
        int n = lattice.drops.length;
        for (int from = 0; from < n; from += ABREAST) {
            int many = Math.min(ABREAST, n - from);
            for (int i = 0; i < 4; i++) {
                System.arraycopy(lattice.floats[i], from, part[i], 0, many);
            }
            run(chosen, many, from, aim, near);
        }
    }

    /** Tries some: the first {@code n} of some points of a lattice. */
    void some(int[] chosen, Lattice lattice, int[] points, int n, Aim aim, Near near) {
        for (int from = 0; from < n; from += ABREAST) {
            int many = Math.min(ABREAST, n - from);
            for (int i = 0; i < 4; i++) {
                float[] of = lattice.floats[i];
                float[] to = part[i];
                for (int at = 0; at < many; at++) {
                    to[at] = of[points[from + at]];
                }
            }
            run(chosen, many, from, aim, near);
        }
    }

    private void run(int[] chosen, int many, int from, Aim aim, Near near) {
        int n = (many + WHOLE - 1) / WHOLE * WHOLE;
        int c0 = chosen[0];
        int c1 = chosen[1];
        int c2 = chosen[2];
        int c3 = chosen[3];
        boolean level = kernel.flat[c0] && kernel.flat[c1] && kernel.flat[c2] && kernel.flat[c3];
        if (level) {
            shares(n, c0, c1, c2, c3);
        }
        Arrays.fill(x, 0, n, 0);
        Arrays.fill(y, 0, n, 0);
        Arrays.fill(z, 0, n, 0);
        for (int b = 0; b < Kernel.BANDS; b += TOGETHER) {
            for (int i = b; i < b + TOGETHER; i++) {
                float[] out = seen[i - b];
                if (level) {
                    level(n, ratio[c0][i], ratio[c1][i], ratio[c2][i], ratio[c3][i], out);
                } else {
                    weigh(n, k[c0][i], k[c1][i], k[c2][i], k[c3][i], over);
                    weigh(n, s[c0][i], s[c1][i], s[c2][i], s[c3][i], under);
                    see(n, out);
                }
            }
            add(n, w[0], b, x);
            add(n, w[1], b, y);
            add(n, w[2], b, z);
        }
        float veil = (float) kernel.veil;
        float t = (float) kernel.t;
        for (int at = 0; at < many; at++) {
            if (inside(aim, veil + t * x[at], veil + t * y[at], veil + t * z[at])) {
                near.at(from + at);
            }
        }
    }

    /** Makes shares by S of drops. */
    private void shares(int n, int c0, int c1, int c2, int c3) {
        float l0 = (float) kernel.level[c0];
        float l1 = (float) kernel.level[c1];
        float l2 = (float) kernel.level[c2];
        float l3 = (float) kernel.level[c3];
        weigh(n, l0, l1, l2, l3, under);
        share(n, l0, part[0]);
        share(n, l1, part[1]);
        share(n, l2, part[2]);
        share(n, l3, part[3]);
    }

    private void share(int n, float level, float[] of) {
        float[] all = under;
        for (int i = 0; i < n; i++) {
            of[i] = level * of[i] / all[i];
        }
    }

    /**
     * What is seen in one band where S is level. Two bands at once would save reading the parts
     * again, but a loop with so many numbers beside its arrays is no longer done many at a time.
     */
    private void level(int n, float q0, float q1, float q2, float q3, float[] out) {
        float[] d0 = part[0];
        float[] d1 = part[1];
        float[] d2 = part[2];
        float[] d3 = part[3];
        float c = inner;
        for (int i = 0; i < n; i++) {
            float q = d0[i] * q0 + d1[i] * q1 + (d2[i] * q2 + d3[i] * q3);
            out[i] = 1 / (c + q + (float) Math.sqrt(q * (q + 2)));
        }
    }

    private void weigh(int n, float w0, float w1, float w2, float w3, float[] out) {
        float[] d0 = part[0];
        float[] d1 = part[1];
        float[] d2 = part[2];
        float[] d3 = part[3];
        for (int i = 0; i < n; i++) {
            out[i] = d0[i] * w0 + d1[i] * w1 + (d2[i] * w2 + d3[i] * w3);
        }
    }

    private void see(int n, float[] out) {
        float[] kk = over;
        float[] ss = under;
        float c = inner;
        for (int i = 0; i < n; i++) {
            float k = kk[i];
            float s = ss[i];
            out[i] = s / (c * s + k + (float) Math.sqrt(k * (k + 2 * s)));
        }
    }

    private void add(int n, float[] weights, int b, float[] to) {
        add(n, weights[b], weights[b + 1], weights[b + 2], weights[b + 3], to);
    }

    private void add(int n, float w0, float w1, float w2, float w3, float[] to) {
        float[] r0 = seen[0];
        float[] r1 = seen[1];
        float[] r2 = seen[2];
        float[] r3 = seen[3];
        for (int i = 0; i < n; i++) {
            to[i] += w0 * r0[i] + w1 * r1[i] + (w2 * r2[i] + w3 * r3[i]);
        }
    }

    /** What ruled out the last one is asked first. */
    private boolean inside(Aim aim, float x, float y, float z) {
        int many = aim.directions.length;
        int asked = first;
        for (int i = 0; i < many; i++) {
            double[] a = aim.directions[asked];
            if (a[0] * x + a[1] * y + a[2] * z > aim.nears[asked] + Slice.ROUNDING) {
                first = asked;
                return false;
            }
            asked = asked + 1 == many ? 0 : asked + 1;
        }
        return true;
    }
}
