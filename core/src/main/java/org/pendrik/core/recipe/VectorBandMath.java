package org.pendrik.core.recipe;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;

/**
 * Eight bands at a time; the same as {@link PlainBandMath} but for the order of its sums.
 *
 * <p>What is called most is written out long on purpose: beyond 325 bytes of code a method is
 * compiled by itself. Inlined into its callers it overran the compiler's limits, which then put
 * every vector on the heap and took ten times as long.
 */
final class VectorBandMath extends BandMath {
    private static final VectorSpecies<Float> EIGHT = FloatVector.SPECIES_256;
    private static final int LANES = 8;

    private final float[] sumK = new float[SIZE];
    private final float[] sumS = new float[SIZE];
    private final float[] least = new float[SIZE];
    private final float[] most = new float[SIZE];
    private final float[] wx = w[0];
    private final float[] wy = w[1];
    private final float[] wz = w[2];

    VectorBandMath(Kernel kernel) {
        super(kernel);
    }

    private static FloatVector load(float[] v, int b) {
        return FloatVector.fromArray(EIGHT, v, b);
    }

    @Override
    void corners(int[] chosen, int p, int more, Point[] out) {
        float all = 0;
        for (int i = 0; i < p; i++) {
            all += level[chosen[i]];
        }
        // what is not there counts nothing
        int two = chosen[Math.min(2, p - 1)];
        int three = chosen[p - 1];
        float third = p >= 3 ? 1 : 0;
        float last = p == 4 ? 1 : 0;
        for (int b = 0; b < SIZE; b += LANES) {
            FloatVector kk = load(k[chosen[0]], b).add(load(k[chosen[1]], b));
            FloatVector ss = load(s[chosen[0]], b).add(load(s[chosen[1]], b));
            load(k[two], b).mul(third).add(load(k[three], b).mul(last)).add(kk).intoArray(sumK, b);
            load(s[two], b).mul(third).add(load(s[three], b).mul(last)).add(ss).intoArray(sumS, b);
        }
        for (int i = 0; i < p; i++) {
            int paint = chosen[i];
            corner(k[paint], s[paint], more, 1 / (all + more * level[paint]), out[i]);
        }
    }

    private void corner(float[] k, float[] s, float more, float per, Point out) {
        for (int b = 0; b < SIZE; b += LANES) {
            load(k, b).mul(more).add(load(sumK, b)).mul(per).intoArray(out.k, b);
            load(s, b).mul(more).add(load(sumS, b)).mul(per).intoArray(out.s, b);
        }
        out.seen = false;
    }

    @Override
    void see(Point p) {
        between(p, p, 1, p);
    }

    @Override
    void between(Point one, Point other, float share, Point out) {
        float rest = 1 - share;
        float[] k1 = one.k;
        float[] s1 = one.s;
        float[] k2 = other.k;
        float[] s2 = other.s;
        FloatVector x = FloatVector.zero(EIGHT);
        FloatVector y = FloatVector.zero(EIGHT);
        FloatVector z = FloatVector.zero(EIGHT);
        for (int b = 0; b < SIZE; b += LANES) {
            FloatVector kb = FloatVector.fromArray(EIGHT, k1, b).mul(share);
            kb = FloatVector.fromArray(EIGHT, k2, b).mul(rest).add(kb);
            FloatVector sb = FloatVector.fromArray(EIGHT, s1, b).mul(share);
            sb = FloatVector.fromArray(EIGHT, s2, b).mul(rest).add(sb);
            kb.intoArray(out.k, b);
            sb.intoArray(out.s, b);
            FloatVector under = sb.add(sb).add(kb).mul(kb).sqrt();
            under = sb.mul(c).add(kb).add(under);
            FloatVector v = sb.mul(t).div(under).add(veil);
            v.intoArray(out.r, b);
            x = v.fma(FloatVector.fromArray(EIGHT, wx, b), x);
            y = v.fma(FloatVector.fromArray(EIGHT, wy, b), y);
            z = v.fma(FloatVector.fromArray(EIGHT, wz, b), z);
        }
        out.xyz[0] = x.reduceLanes(VectorOperators.ADD);
        out.xyz[1] = y.reduceLanes(VectorOperators.ADD);
        out.xyz[2] = z.reduceLanes(VectorOperators.ADD);
        out.seen = true;
    }

    @Override
    void middle(Point[] all, int n, Tangent out) {
        for (int b = 0; b < SIZE; b += LANES) {
            FloatVector.fromArray(EIGHT, all[0].k, b).intoArray(sumK, b);
            FloatVector.fromArray(EIGHT, all[0].s, b).intoArray(sumS, b);
        }
        for (int i = 1; i < n; i++) {
            float[] k = all[i].k;
            float[] s = all[i].s;
            for (int b = 0; b < SIZE; b += LANES) {
                FloatVector kk = FloatVector.fromArray(EIGHT, sumK, b);
                kk.add(FloatVector.fromArray(EIGHT, k, b)).intoArray(sumK, b);
                FloatVector ss = FloatVector.fromArray(EIGHT, sumS, b);
                ss.add(FloatVector.fromArray(EIGHT, s, b)).intoArray(sumS, b);
            }
        }
        FloatVector through = FloatVector.broadcast(EIGHT, t);
        for (int b = 0; b < SIZE; b += LANES) {
            FloatVector q = FloatVector.fromArray(EIGHT, sumK, b);
            q = q.div(FloatVector.fromArray(EIGHT, sumS, b));
            FloatVector root = q.add(2).mul(q).sqrt();
            FloatVector sum = q.add(root);
            FloatVector under = sum.add(c);
            FloatVector rooted = under.mul(root);
            FloatVector per = through.div(rooted.mul(under));
            q.intoArray(out.ratio, b);
            per.mul(rooted).add(veil).intoArray(out.seen, b);
            per.mul(sum.add(1)).neg().intoArray(out.slope, b);
        }
    }

    @Override
    void below(Point[] all, int n, Tangent at, Span span, float[][] out) {
        float[] ratio = at.ratio;
        float[] seen = at.seen;
        float[] slope = at.slope;
        float[] per = span.per;
        float[] half = span.half;
        for (int i = 0; i < n; i++) {
            float[] k = all[i].k;
            float[] s = all[i].s;
            FloatVector x = FloatVector.zero(EIGHT);
            FloatVector y = FloatVector.zero(EIGHT);
            FloatVector z = FloatVector.zero(EIGHT);
            for (int b = 0; b < SIZE; b += LANES) {
                FloatVector q = FloatVector.fromArray(EIGHT, ratio, b);
                FloatVector away = q.mul(FloatVector.fromArray(EIGHT, s, b)).neg();
                away = away.add(FloatVector.fromArray(EIGHT, k, b));
                // 1 over the least S where it is darker, over the most where not
                FloatVector far = away.mul(FloatVector.fromArray(EIGHT, per, b));
                far = away.abs().fma(FloatVector.fromArray(EIGHT, half, b), far);
                FloatVector v = FloatVector.fromArray(EIGHT, seen, b);
                v = far.fma(FloatVector.fromArray(EIGHT, slope, b), v);
                x = v.fma(FloatVector.fromArray(EIGHT, wx, b), x);
                y = v.fma(FloatVector.fromArray(EIGHT, wy, b), y);
                z = v.fma(FloatVector.fromArray(EIGHT, wz, b), z);
            }
            out[i][0] = x.reduceLanes(VectorOperators.ADD);
            out[i][1] = y.reduceLanes(VectorOperators.ADD);
            out[i][2] = z.reduceLanes(VectorOperators.ADD);
        }
    }

    @Override
    void spans(Point[] all, int n, Span out) {
        FloatVector half = FloatVector.broadcast(EIGHT, 0.5f);
        for (int b = 0; b < SIZE; b += LANES) {
            FloatVector s = FloatVector.fromArray(EIGHT, all[0].s, b);
            s.intoArray(least, b);
            s.intoArray(most, b);
        }
        for (int i = 1; i < n; i++) {
            extend(all[i].s);
        }
        for (int b = 0; b < SIZE; b += LANES) {
            FloatVector one = half.div(FloatVector.fromArray(EIGHT, least, b));
            FloatVector other = half.div(FloatVector.fromArray(EIGHT, most, b));
            one.add(other).intoArray(out.per, b);
            one.sub(other).intoArray(out.half, b);
        }
    }

    private void extend(float[] by) {
        for (int b = 0; b < SIZE; b += LANES) {
            FloatVector v = FloatVector.fromArray(EIGHT, by, b);
            FloatVector.fromArray(EIGHT, least, b).min(v).intoArray(least, b);
            FloatVector.fromArray(EIGHT, most, b).max(v).intoArray(most, b);
        }
    }

    @Override
    void rise(Point[] all, int n, Span out) {
        spans(all, n, out);
        for (int b = 0; b < SIZE; b += LANES) {
            FloatVector r = FloatVector.fromArray(EIGHT, all[0].r, b);
            r.intoArray(least, b);
            r.intoArray(most, b);
        }
        for (int i = 1; i < n; i++) {
            extend(all[i].r);
        }
        FloatVector x = FloatVector.zero(EIGHT);
        FloatVector y = FloatVector.zero(EIGHT);
        FloatVector z = FloatVector.zero(EIGHT);
        for (int b = 0; b < SIZE; b += LANES) {
            FloatVector half = FloatVector.fromArray(EIGHT, out.half, b);
            FloatVector wide = half.div(FloatVector.fromArray(EIGHT, out.per, b).sub(half));
            FloatVector v = FloatVector.fromArray(EIGHT, most, b);
            v = v.sub(FloatVector.fromArray(EIGHT, least, b)).mul(wide).mul(0.5f);
            x = v.fma(FloatVector.fromArray(EIGHT, wx, b), x);
            y = v.fma(FloatVector.fromArray(EIGHT, wy, b), y);
            z = v.fma(FloatVector.fromArray(EIGHT, wz, b), z);
        }
        out.rise[0] = x.reduceLanes(VectorOperators.ADD);
        out.rise[1] = y.reduceLanes(VectorOperators.ADD);
        out.rise[2] = z.reduceLanes(VectorOperators.ADD);
    }

    @Override
    boolean apart(HalfSpaces sides, float[][] low, Point[] all, int n, float[] rise) {
        for (int d = 0; d < HalfSpaces.LANES; d += LANES) {
            FloatVector most = FloatVector.fromArray(EIGHT, sides.most, d);
            FloatVector rest = FloatVector.fromArray(EIGHT, sides.rest, d);
            FloatVector ux = FloatVector.fromArray(EIGHT, sides.up[0], d);
            FloatVector uy = FloatVector.fromArray(EIGHT, sides.up[1], d);
            FloatVector uz = FloatVector.fromArray(EIGHT, sides.up[2], d);
            FloatVector dx = FloatVector.fromArray(EIGHT, sides.down[0], d);
            FloatVector dy = FloatVector.fromArray(EIGHT, sides.down[1], d);
            FloatVector dz = FloatVector.fromArray(EIGHT, sides.down[2], d);
            long out = 0xffff;
            for (int i = 0; i < n && out != 0; i++) {
                float[] at = low[i];
                float[] xyz = all[i].xyz;
                FloatVector xz = ux.mul(at[0]).add(dx.mul(xyz[0] + rise[0]));
                xz = uz.mul(at[2]).add(dz.mul(xyz[2] + rise[2])).add(xz);
                FloatVector y = uy.mul(at[1]).add(dy.mul(xyz[1] + rise[1]));
                long one = y.add(xz).compare(VectorOperators.GT, most).toLong();
                out &= one | xz.compare(VectorOperators.GT, rest).toLong() << LANES;
            }
            if (out != 0) {
                return true;
            }
        }
        return false;
    }
}
