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

    private final float[] wx;
    private final float[] wy;
    private final float[] wz;
    private final float veil;
    private final float t;
    private final float c;

    private final float[] one = new float[SIZE];
    private final float[] other = new float[SIZE];
    private final float[] least = ones();
    private final float[] most = ones();
    private final float[] quarter = new float[QUARTER];

    BandMath(Kernel kernel) {
        wx = weights(kernel.w[0]);
        wy = weights(kernel.w[1]);
        wz = weights(kernel.w[2]);
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

    /** Fills in what is seen of k and s, unless it is known. */
    void see(Mixes m, boolean level) {
        if (m.seen) {
            return;
        }
        if (level) {
            seeLevel(m.k, m.r);
        } else {
            see(m.k, m.s, m.r);
        }
        sums(m.r, m.xyz);
        m.seen = true;
    }

    private void seeLevel(float[] k, float[] r) {
        float v = veil;
        float through = t;
        float inner = c;
        for (int i = 0; i < SIZE; i++) {
            float q = k[i];
            r[i] = v + through / (inner + q + (float) Math.sqrt(q * (q + 2)));
        }
    }

    private void see(float[] k, float[] s, float[] r) {
        float v = veil;
        float through = t;
        float inner = c;
        for (int i = 0; i < SIZE; i++) {
            float kb = k[i];
            float sb = s[i];
            r[i] = v + through * sb / (inner * sb + kb + (float) Math.sqrt(kb * (kb + 2 * sb)));
        }
    }

    /** X, Y, Z of a spectrum in each lane. */
    private void sums(float[] r, float[][] out) {
        sum(wx, r, out[0]);
        sum(wy, r, out[1]);
        sum(wz, r, out[2]);
    }

    private void sum(float[] w, float[] r, float[] out) {
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

    /** The sum of the nine rows of a quarter. */
    private static void fold(float[] v, float[] out) {
        for (int x = 0; x < ABREAST; x++) {
            out[x] =
                    v[x]
                            + v[x + ABREAST]
                            + v[x + 2 * ABREAST]
                            + (v[x + 3 * ABREAST] + v[x + 4 * ABREAST] + v[x + 5 * ABREAST])
                            + (v[x + 6 * ABREAST] + v[x + 7 * ABREAST] + v[x + 8 * ABREAST]);
        }
    }

    /** Becomes what lies between two, where the first has this share of S, and is seen. */
    void between(Mixes a, Mixes b, float[] share, boolean level, Mixes out) {
        spread(share, one);
        mean(a.k, b.k, one, out.k);
        if (!level) {
            mean(a.s, b.s, one, out.s);
        }
        out.seen = false;
        see(out, level);
    }

    private static void mean(float[] a, float[] b, float[] share, float[] out) {
        for (int i = 0; i < SIZE; i++) {
            out[i] = b[i] + share[i] * (a[i] - b[i]);
        }
    }

    /** The tangent at the mean of p mixes, each with a weight by lane. */
    void middle(Mixes[] of, int p, float[][] weights, boolean level, Tangent out) {
        float[] kk = other;
        weigh(of[0].k, weights[0], of[1].k, weights[1], kk);
        for (int i = 2; i < p; i++) {
            weighMore(of[i].k, weights[i], kk);
        }
        if (!level) {
            float[] ss = most;
            weigh(of[0].s, weights[0], of[1].s, weights[1], ss);
            for (int i = 2; i < p; i++) {
                weighMore(of[i].s, weights[i], ss);
            }
            for (int i = 0; i < SIZE; i++) {
                kk[i] /= ss[i];
            }
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

    /**
     * X, Y, Z of a tangent continued to a mix, with the least S to darker and the most to lighter
     * ones.
     */
    void below(Mixes m, Tangent at, Span span, boolean level, float[][] out) {
        under(m, at, span, level);
        sums(one, out);
    }

    /** The same, of Y alone. */
    void belowY(Mixes m, Tangent at, Span span, boolean level, float[] out) {
        under(m, at, span, level);
        sum(wy, one, out);
    }

    private void under(Mixes m, Tangent at, Span span, boolean level) {
        if (level) {
            under(m.k, at, one);
        } else {
            under(m.k, m.s, at, span, one);
        }
    }

    private static void under(float[] k, Tangent at, float[] out) {
        float[] ratio = at.ratio;
        float[] seen = at.seen;
        float[] slope = at.slope;
        for (int i = 0; i < SIZE; i++) {
            out[i] = seen[i] + slope[i] * (k[i] - ratio[i]);
        }
    }

    private static void under(float[] k, float[] s, Tangent at, Span span, float[] out) {
        float[] ratio = at.ratio;
        float[] seen = at.seen;
        float[] slope = at.slope;
        float[] per = span.per;
        float[] half = span.half;
        for (int i = 0; i < SIZE; i++) {
            float away = k[i] - ratio[i] * s[i];
            // 1 over the least S where it is darker, over the most where not
            out[i] = seen[i] + slope[i] * (away * per[i] + Math.abs(away) * half[i]);
        }
    }

    /** Spans of S over the first n. */
    void spans(Mixes[] of, int n, Span out) {
        float[] low = least;
        float[] high = most;
        System.arraycopy(of[0].s, 0, low, 0, SIZE);
        System.arraycopy(of[0].s, 0, high, 0, SIZE);
        for (int i = 1; i < n; i++) {
            extend(of[i].s, low, high);
        }
        float[] per = out.per;
        float[] half = out.half;
        for (int i = 0; i < SIZE; i++) {
            float a = 0.5f / low[i];
            float b = 0.5f / high[i];
            per[i] = a + b;
            half[i] = a - b;
        }
    }

    private static void extend(float[] by, float[] low, float[] high) {
        for (int i = 0; i < SIZE; i++) {
            // min and max, which are slow for floats since they think of the sign of zero
            float v = by[i];
            float l = low[i];
            float h = high[i];
            low[i] = (l + v - Math.abs(l - v)) * 0.5f;
            high[i] = (h + v + Math.abs(h - v)) * 0.5f;
        }
    }

    /** The same, and by how much chords between them have to be raised; all have to be seen. */
    void rise(Mixes[] of, int n, Span out) {
        spans(of, n, out);
        float[] low = least;
        float[] high = most;
        System.arraycopy(of[0].r, 0, low, 0, SIZE);
        System.arraycopy(of[0].r, 0, high, 0, SIZE);
        for (int i = 1; i < n; i++) {
            extend(of[i].r, low, high);
        }
        float[] per = out.per;
        float[] half = out.half;
        float[] up = one;
        for (int i = 0; i < SIZE; i++) {
            up[i] = half[i] * (high[i] - low[i]) / (2 * (per[i] - half[i]));
        }
        sums(up, out.rise);
    }
}
