package org.pendrik.core.recipe;

import java.util.Arrays;

/**
 * The arithmetic of a {@link Slice}: floats, in loops over the bands that do the same for each of
 * them, so that the compiler takes many at a time. Floats are off by about 1e-6 of a white here;
 * who asks leaves that much room.
 */
final class BandMath {
    /** Bands with room for whole vectors. */
    static final int SIZE = 40;

    private final float[][] k;
    private final float[][] s;
    private final float[] level;
    private final float[] wx;
    private final float[] wy;
    private final float[] wz;
    private final float veil;
    private final float t;
    private final float c;

    private final float[] sumK = new float[SIZE];
    private final float[] sumS = new float[SIZE];
    private final float[] least = new float[SIZE];
    private final float[] most = new float[SIZE];
    private final float[] all = new float[HalfSpaces.LANES];
    private final float[] rest = new float[HalfSpaces.LANES];

    BandMath(Kernel kernel) {
        k = new float[kernel.paints][];
        s = new float[kernel.paints][];
        level = new float[kernel.paints];
        for (int i = 0; i < k.length; i++) {
            k[i] = Point.padded(kernel.k[i], 1);
            s[i] = Point.padded(kernel.s[i], 1);
            level[i] = (float) kernel.level[i];
        }
        wx = weights(kernel.w[0]);
        wy = weights(kernel.w[1]);
        wz = weights(kernel.w[2]);
        veil = (float) kernel.veil;
        t = (float) kernel.t;
        c = (float) kernel.c;
    }

    private static float[] weights(double[] w) {
        float[] out = new float[SIZE];
        for (int b = 0; b < w.length; b++) {
            out[b] = (float) w[b];
        }
        return out;
    }

    /** The mixes of one drop of each chosen paint and {@code more} of one of them, by paint. */
    void corners(int[] chosen, int p, int more, Point[] out) {
        float drops = 0;
        Arrays.fill(sumK, 0);
        Arrays.fill(sumS, 0);
        for (int i = 0; i < p; i++) {
            drops += level[chosen[i]];
            add(sumK, k[chosen[i]]);
            add(sumS, s[chosen[i]]);
        }
        for (int i = 0; i < p; i++) {
            float per = 1 / (drops + more * level[chosen[i]]);
            blend(sumK, per, k[chosen[i]], more * per, out[i].k);
            blend(sumS, per, s[chosen[i]], more * per, out[i].s);
            out[i].seen = false;
        }
    }

    private static void add(float[] to, float[] what) {
        for (int b = 0; b < SIZE; b++) {
            to[b] += what[b];
        }
    }

    private static void blend(float[] one, float share, float[] other, float rest, float[] out) {
        for (int b = 0; b < SIZE; b++) {
            out[b] = share * one[b] + rest * other[b];
        }
    }

    /** Fills in what is seen of k and s. */
    void see(Point p) {
        float[] kk = p.k;
        float[] ss = p.s;
        float[] r = p.r;
        float v = veil;
        float through = t;
        float inner = c;
        for (int b = 0; b < SIZE; b++) {
            float kb = kk[b];
            float sb = ss[b];
            r[b] = v + through * sb / (inner * sb + kb + (float) Math.sqrt(kb * (kb + 2 * sb)));
        }
        sums(r, p.xyz);
        p.seen = true;
    }

    private void sums(float[] r, float[] out) {
        float[] ax = wx;
        float[] ay = wy;
        float[] az = wz;
        float x = 0;
        float y = 0;
        float z = 0;
        for (int b = 0; b < Kernel.BANDS; b += 4) {
            float r0 = r[b];
            float r1 = r[b + 1];
            float r2 = r[b + 2];
            float r3 = r[b + 3];
            x += ax[b] * r0 + ax[b + 1] * r1 + (ax[b + 2] * r2 + ax[b + 3] * r3);
            y += ay[b] * r0 + ay[b + 1] * r1 + (ay[b + 2] * r2 + ay[b + 3] * r3);
            z += az[b] * r0 + az[b + 1] * r1 + (az[b + 2] * r2 + az[b + 3] * r3);
        }
        out[0] = x;
        out[1] = y;
        out[2] = z;
    }

    /** Becomes what lies between two, where the first has this share of S, and is seen. */
    void between(Point one, Point other, float share, Point out) {
        blend(one.k, share, other.k, 1 - share, out.k);
        blend(one.s, share, other.s, 1 - share, out.s);
        see(out);
    }

    /** The tangent in the middle of the first n. */
    void middle(Point[] points, int n, Tangent out) {
        Arrays.fill(sumK, 0);
        Arrays.fill(sumS, 0);
        for (int i = 0; i < n; i++) {
            add(sumK, points[i].k);
            add(sumS, points[i].s);
        }
        float[] kk = sumK;
        float[] ss = sumS;
        float[] ratio = out.ratio;
        float[] seen = out.seen;
        float[] slope = out.slope;
        float v = veil;
        float through = t;
        float inner = c;
        for (int b = 0; b < SIZE; b++) {
            float q = kk[b] / ss[b];
            float root = (float) Math.sqrt(q * (q + 2));
            float under = inner + q + root;
            float per = through / (under * under * root);
            ratio[b] = q;
            seen[b] = v + per * under * root;
            slope[b] = -per * (root + q + 1);
        }
    }

    /**
     * X, Y, Z of a tangent continued to each of the first n, with the least S to darker and the
     * most to lighter ones.
     */
    void below(Point[] points, int n, Tangent at, Span span, float[][] out) {
        for (int i = 0; i < n; i++) {
            below(points[i].k, points[i].s, at, span, sumK);
            sums(sumK, out[i]);
        }
    }

    private static void below(float[] kk, float[] ss, Tangent at, Span span, float[] out) {
        float[] ratio = at.ratio;
        float[] seen = at.seen;
        float[] slope = at.slope;
        float[] per = span.per;
        float[] half = span.half;
        for (int b = 0; b < SIZE; b++) {
            float away = kk[b] - ratio[b] * ss[b];
            // 1 over the least S where it is darker, over the most where not
            out[b] = seen[b] + slope[b] * (away * per[b] + Math.abs(away) * half[b]);
        }
    }

    /** Spans of S over the first n. */
    void spans(Point[] points, int n, Span out) {
        System.arraycopy(points[0].s, 0, least, 0, SIZE);
        System.arraycopy(points[0].s, 0, most, 0, SIZE);
        for (int i = 1; i < n; i++) {
            extend(points[i].s);
        }
        for (int b = 0; b < SIZE; b++) {
            out.per[b] = 0.5f / least[b] + 0.5f / most[b];
            out.half[b] = 0.5f / least[b] - 0.5f / most[b];
        }
    }

    private void extend(float[] by) {
        float[] low = least;
        float[] high = most;
        for (int b = 0; b < SIZE; b++) {
            // min and max, which are slow for floats since they think of the sign of zero
            float v = by[b];
            low[b] = (low[b] + v - Math.abs(low[b] - v)) * 0.5f;
            high[b] = (high[b] + v + Math.abs(high[b] - v)) * 0.5f;
        }
    }

    /** The same, and by how much chords between them have to be raised; all have to be seen. */
    void rise(Point[] points, int n, Span out) {
        spans(points, n, out);
        System.arraycopy(points[0].r, 0, least, 0, SIZE);
        System.arraycopy(points[0].r, 0, most, 0, SIZE);
        for (int i = 1; i < n; i++) {
            extend(points[i].r);
        }
        for (int b = 0; b < SIZE; b++) {
            float wide = 2 * out.half[b] / (out.per[b] - out.half[b]);
            sumK[b] = wide * (most[b] - least[b]) / 4;
        }
        sums(sumK, out.rise);
    }

    /**
     * Whether one direction leaves everything outside that lies between the low and the high X, Y,
     * Z of the first n, or does so with X, Z and what is known of the slice.
     */
    boolean apart(HalfSpaces sides, float[][] low, Point[] points, int n, float[] rise) {
        Arrays.fill(all, 0);
        Arrays.fill(rest, 0);
        for (int i = 0; i < n; i++) {
            float[] high = points[i].xyz;
            beyond(sides, low[i], high[0] + rise[0], high[1] + rise[1], high[2] + rise[2]);
        }
        boolean out = false;
        for (int d = 0; d < HalfSpaces.LANES; d++) {
            out |= all[d] == 0 || rest[d] == 0;
        }
        return out;
    }

    /** Adds what is missing until a direction leaves it outside, as a negative number. */
    private void beyond(HalfSpaces sides, float[] low, float hx, float hy, float hz) {
        float[] ux = sides.up[0];
        float[] uy = sides.up[1];
        float[] uz = sides.up[2];
        float[] dx = sides.down[0];
        float[] dy = sides.down[1];
        float[] dz = sides.down[2];
        float lx = low[0];
        float ly = low[1];
        float lz = low[2];
        float[] whole = all;
        float[] others = rest;
        float[] most = sides.most;
        float[] mostRest = sides.rest;
        for (int d = 0; d < HalfSpaces.LANES; d++) {
            float xz = ux[d] * lx + uz[d] * lz + (dx[d] * hx + dz[d] * hz);
            float past = xz - mostRest[d];
            float pastAll = xz + (uy[d] * ly + dy[d] * hy) - most[d];
            others[d] += past - Math.abs(past);
            whole[d] += pastAll - Math.abs(pastAll);
        }
    }
}
