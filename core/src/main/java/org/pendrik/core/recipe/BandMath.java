package org.pendrik.core.recipe;

import java.util.Arrays;

/**
 * The arithmetic of {@link Slice}: floats, in loops that do the same for each band of each mix, so
 * that the compiler takes many at a time. {@link #ABREAST} mixes go side by side, since sums over
 * the bands are then sums of whole rows. Floats are off by about 1e-6 of a white here; who asks
 * leaves that much room.
 */
final class BandMath {
    /** Mixes side by side. */
    static final int ABREAST = 16;

    /** Length of the arrays. */
    static final int SIZE = Kernel.BANDS * ABREAST;

    /** The bands are summed in four quarters, and those row by row. */
    private static final int QUARTER = SIZE / 4;

    private static final int THIRD = QUARTER / 3;

    private final float[] wy;
    private final float veil;
    private final float t;
    private final float c;

    private final float[] one = new float[SIZE];
    private final float[] other = new float[SIZE];
    private final float[] least = ones();
    private final float[] most = ones();
    private final float[] quarter = new float[QUARTER];
    private final float[] third = new float[THIRD];

    BandMath(Kernel kernel) {
        wy = weights(kernel.w[1]);
        veil = (float) kernel.veil;
        t = (float) kernel.t;
        c = (float) kernel.c;
    }

    static float[] ones() {
        float[] out = new float[SIZE];
        Arrays.fill(out, 1);
        return out;
    }

    private static float[] weights(double[] w) {
        float[] out = new float[SIZE];
        for (int lane = 0; lane < ABREAST; lane++) {
            load(w, lane, out);
        }
        return out;
    }

    /** Puts the bands of one mix into a lane. */
    static void load(double[] bands, int lane, float[] to) {
        for (int b = 0; b < Kernel.BANDS; b++) {
            to[b * ABREAST + lane] = (float) bands[b];
        }
    }

    /** The same number for all bands of a lane. */
    private static void spread(float[] lanes, float[] to) {
        System.arraycopy(lanes, 0, to, 0, ABREAST);
        int done = ABREAST;
        while (done < SIZE) {
            int more = Math.min(done, SIZE - done);
            System.arraycopy(to, 0, to, done, more);
            done += more;
        }
    }

    /**
     * One drop of each paint and {@code more} of one of them, by paint.
     *
     * @param drops K and S of a drop of each of p paints
     * @param levels the mean of its S, by paint and lane
     * @param level whether S is the same in all bands
     */
    void corners(Mixes[] drops, float[][] levels, int p, float more, boolean level, Mixes[] out) {
        float[] kk = one;
        float[] ss = other;
        add(drops[0].k, drops[1].k, kk);
        add(drops[0].s, drops[1].s, ss);
        for (int i = 2; i < p; i++) {
            add(kk, drops[i].k, kk);
            add(ss, drops[i].s, ss);
        }
        float[] per = new float[ABREAST];
        float[] scale = least;
        for (int i = 0; i < p; i++) {
            for (int x = 0; x < ABREAST; x++) {
                float sum = more * levels[i][x];
                for (int j = 0; j < p; j++) {
                    sum += levels[j][x];
                }
                per[x] = 1 / sum;
            }
            spread(per, scale);
            blend(kk, drops[i].k, more, scale, out[i].k);
            if (!level) {
                blend(ss, drops[i].s, more, scale, out[i].s);
            }
            out[i].seen = false;
        }
        if (!level) {
            bound(out, p);
        }
    }

    /**
     * Makes K/S from below and from above of K and S. Between corners the mean of S weighs, and a
     * band in which one has more S than that counts more of its K/S; over the lightest of them by s
     * / S, where S is what the mix has: no less than the least and no more than the most of the
     * corners. So K/S of a mix lies between what is linear over the corners.
     */
    void bound(Mixes[] corners, int p) {
        float[] low = least;
        float[] high = most;
        float[] light = one;
        for (int i = 0; i < p; i++) {
            float[] k = corners[i].k;
            float[] s = corners[i].s;
            for (int x = 0; x < SIZE; x++) {
                k[x] /= s[x];
            }
            if (i == 0) {
                System.arraycopy(s, 0, low, 0, SIZE);
                System.arraycopy(s, 0, high, 0, SIZE);
                System.arraycopy(k, 0, light, 0, SIZE);
            } else {
                extend(s, low, high);
                lower(k, light);
            }
        }
        for (int x = 0; x < SIZE; x++) {
            low[x] = 1 / low[x];
            high[x] = 1 / high[x];
        }
        for (int i = 0; i < p; i++) {
            float[] k = corners[i].k;
            float[] s = corners[i].s;
            float[] most = corners[i].most;
            for (int x = 0; x < SIZE; x++) {
                float over = (k[x] - light[x]) * s[x];
                k[x] = light[x] + over * high[x];
                most[x] = light[x] + over * low[x];
            }
        }
    }

    /** Min and max, which are slow for floats since they think of the sign of zero. */
    private static void extend(float[] by, float[] low, float[] high) {
        for (int i = 0; i < SIZE; i++) {
            float v = by[i];
            float l = low[i];
            float h = high[i];
            low[i] = (l + v - Math.abs(l - v)) * 0.5f;
            high[i] = (h + v + Math.abs(h - v)) * 0.5f;
        }
    }

    /** The same of the least alone, where both may differ by much: never above either. */
    private static void lower(float[] by, float[] low) {
        for (int i = 0; i < SIZE; i++) {
            float away = low[i] - by[i];
            low[i] -= (away + Math.abs(away)) * 0.5f;
        }
    }

    private static void add(float[] a, float[] b, float[] out) {
        for (int i = 0; i < SIZE; i++) {
            out[i] = a[i] + b[i];
        }
    }

    private static void blend(float[] sum, float[] drop, float more, float[] per, float[] out) {
        for (int i = 0; i < SIZE; i++) {
            out[i] = per[i] * (sum[i] + more * drop[i]);
        }
    }

    /** Fills in what is seen of k, unless it is known. */
    void see(Mixes m) {
        if (m.seen) {
            return;
        }
        float v = veil;
        float through = t;
        float inner = c;
        float[] k = m.k;
        float[] r = m.r;
        for (int i = 0; i < SIZE; i++) {
            float q = k[i];
            r[i] = v + through / (inner + q + (float) Math.sqrt(q * (q + 2)));
        }
        sum(wy, r, m.y);
        m.seen = true;
    }

    /** The sum over the bands of weighted reflectances, by lane. */
    void sum(float[] w, float[] r, float[] out) {
        float[] v = quarter;
        for (int i = 0; i < QUARTER; i++) {
            v[i] =
                    w[i] * r[i]
                            + w[i + QUARTER] * r[i + QUARTER]
                            + (w[i + 2 * QUARTER] * r[i + 2 * QUARTER]
                                    + w[i + 3 * QUARTER] * r[i + 3 * QUARTER]);
        }
        fold(v, out);
    }

    /** The sum of the nine rows of a quarter, three of them first. */
    private void fold(float[] v, float[] out) {
        float[] three = third;
        for (int i = 0; i < THIRD; i++) {
            three[i] = v[i] + v[i + THIRD] + v[i + 2 * THIRD];
        }
        for (int x = 0; x < ABREAST; x++) {
            out[x] = three[x] + three[x + ABREAST] + three[x + 2 * ABREAST];
        }
    }

    /** Becomes what lies between two, where the first has this share of S, and is seen. */
    void between(Mixes a, Mixes b, float[] share, Mixes out) {
        spread(share, one);
        mean(a.k, b.k, one, out.k);
        out.seen = false;
        see(out);
    }

    private static void mean(float[] a, float[] b, float[] share, float[] out) {
        for (int i = 0; i < SIZE; i++) {
            out[i] = b[i] + share[i] * (a[i] - b[i]);
        }
    }

    /** The tangent at the mean of p corners, each with a weight by lane. */
    void middle(Mixes[] of, int p, float[][] weights, boolean level, Tangent out) {
        float[] kk = other;
        weigh(of[0].most(level), weights[0], of[1].most(level), weights[1], kk);
        for (int i = 2; i < p; i++) {
            weighMore(of[i].most(level), weights[i], kk);
        }
        touch(kk, out);
    }

    private void weigh(float[] a, float[] wa, float[] b, float[] wb, float[] out) {
        float[] u = one;
        float[] v = least;
        spread(wa, u);
        spread(wb, v);
        for (int i = 0; i < SIZE; i++) {
            out[i] = u[i] * a[i] + v[i] * b[i];
        }
    }

    private void weighMore(float[] a, float[] wa, float[] out) {
        float[] u = one;
        spread(wa, u);
        for (int i = 0; i < SIZE; i++) {
            out[i] += u[i] * a[i];
        }
    }

    /** The tangent at a K/S. */
    void touch(float[] q, Tangent out) {
        float[] ratio = out.ratio;
        float[] seen = out.seen;
        float[] slope = out.slope;
        float v = veil;
        float through = t;
        float inner = c;
        for (int i = 0; i < SIZE; i++) {
            float at = q[i];
            float root = (float) Math.sqrt(at * (at + 2));
            float under = inner + at + root;
            float per = through / (under * under * root);
            ratio[i] = at;
            seen[i] = v + per * under * root;
            slope[i] = -per * (root + at + 1);
        }
    }

    /** Y of a tangent continued to a corner. */
    void belowY(Mixes m, Tangent at, boolean level, float[] out) {
        below(m, at, level, one);
        sum(wy, one, out);
    }

    /** A tangent continued to a corner, by band and lane. */
    void below(Mixes m, Tangent at, boolean level, float[] out) {
        float[] k = m.most(level);
        float[] ratio = at.ratio;
        float[] seen = at.seen;
        float[] slope = at.slope;
        for (int i = 0; i < SIZE; i++) {
            out[i] = seen[i] + slope[i] * (k[i] - ratio[i]);
        }
    }

    /** The same weights for all lanes. */
    static float[] weights(float[] w) {
        float[] out = new float[SIZE];
        for (int b = 0; b < Kernel.BANDS; b++) {
            Arrays.fill(out, b * ABREAST, (b + 1) * ABREAST, w[b]);
        }
        return out;
    }
}
