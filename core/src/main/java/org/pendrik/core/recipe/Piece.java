package org.pendrik.core.recipe;

import java.util.Arrays;

/**
 * What is left of one choice of paints in a slice: a polytope in the simplex of its mixes, by its
 * points. Over it linear functions are found that lie below how far mixes are outside half-spaces,
 * and of these linear inequalities on the drops.
 */
final class Piece {
    /** Corners and two cuts of each edge. */
    static final int MOST = 4 + 2 * 6;

    /** Inequalities that are kept, beside the two cuts: those that most points do not satisfy. */
    private static final int KEPT = 12;

    /** Keeps a flat polytope from having no one fit; whatever it leaves is added as a shift. */
    private static final double RIDGE = 1e-7;

    private static final int BANDS = Kernel.BANDS;

    /** How many corners the simplex has. */
    private int p;

    /** How many points are in use. */
    int points;

    /** How much of each corner is in a point, by corner, then point; the sum is 1. */
    private final double[][] share = new double[4][MOST];

    /** The two cuts: what mixes between them are at least and at most in Y, by corner. */
    final double[] lowest = new double[4];

    final double[] highest = new double[4];
    double darkest;
    double lightest;

    private final HalfSpaces sides;
    private final HalfSpaces.Outside outside = new HalfSpaces.Outside();

    /** The tangent at the corners, in all half-spaces. */
    private final float[][] corners = new float[4][HalfSpaces.LANES];

    private final float[] seen = new float[BANDS];
    private final double[][] normal = new double[4][4];
    private final int[] beyond = new int[HalfSpaces.LANES];
    private final double[] fit = new double[4];
    private final double[] past = new double[MOST];

    Piece(HalfSpaces sides) {
        this.sides = sides;
    }

    /** Begins with no points, of a simplex of p corners. */
    void start(int p) {
        this.p = p;
        points = 0;
        for (double[] of : share) {
            Arrays.fill(of, 0);
        }
    }

    private static void lane(float[] of, int x, float[] to) {
        for (int b = 0; b < BANDS; b++) {
            to[b] = of[b * BandMath.ABREAST + x];
        }
    }

    /** What is seen where the tangent touches. */
    void touch(float[] of, int x) {
        lane(of, x, seen);
        sides.below(seen, outside.touch);
    }

    /** The tangent at a corner. */
    void corner(int i, float[] of, int x) {
        lane(of, x, seen);
        sides.below(seen, corners[i]);
    }

    /** A point with a share of one corner and the rest of another, and what is seen there. */
    void add(int from, int to, double part, float[] r, int x) {
        int at = points++;
        share[to][at] += 1 - part;
        share[from][at] += part;
        lane(r, x, seen);
        sides.above(seen, outside.above[at]);
        float[] one = corners[from];
        float[] other = corners[to];
        float[] out = outside.below[at];
        float s = (float) part;
        for (int d = 0; d < HalfSpaces.LANES; d++) {
            out[d] = other[d] + s * (one[d] - other[d]);
        }
    }

    /** Whether one half-space has all of it outside. */
    boolean apart() {
        return sides.apart(outside, points);
    }

    /**
     * Sets the rows that all near colours in the slice satisfy, those first that most points do
     * not; after {@link #apart}.
     *
     * @param forms how much of each corner is in a mix, over the drops of the paints
     * @param levels the S of each corner
     */
    void rows(double[][] forms, double[] levels, Rows rows) {
        factor();
        rows.p = p;
        rows.many = 0;
        for (int d = 0; d < beyond.length; d++) {
            beyond[d] = 0;
            for (int x = 0; x < points; x++) {
                beyond[d] += sides.past(outside, x, d) > 0 ? 1 : 0;
            }
        }
        for (int many = points; many > 0 && rows.many < KEPT; many--) {
            for (int d = 0; d < beyond.length && rows.many < KEPT; d++) {
                if (beyond[d] == many) {
                    fit(d);
                    row(fit, forms, levels, rows);
                }
            }
        }
        for (int i = 0; i < p; i++) {
            fit[i] = lowest[i] - lightest;
        }
        row(fit, forms, levels, rows);
        for (int i = 0; i < p; i++) {
            fit[i] = darkest - highest[i];
        }
        row(fit, forms, levels, rows);
    }

    /** Values at the corners, which weigh by their S, as a form of the drops. */
    private void row(double[] values, double[][] forms, double[] levels, Rows rows) {
        double[] out = rows.half[rows.many++];
        Arrays.fill(out, 0);
        for (int i = 0; i < p; i++) {
            double weight = values[i] * levels[i];
            for (int j = 0; j < p; j++) {
                out[j] += weight * forms[i][j];
            }
        }
        rows.finish(out);
    }

    /**
     * A linear function near how far the points lie outside a half-space, by least squares, shifted
     * until none of them lies less far out. That is concave over the shares, so no mix does either.
     */
    private void fit(int lane) {
        Arrays.fill(fit, 0);
        for (int x = 0; x < points; x++) {
            past[x] = sides.past(outside, x, lane);
            for (int i = 0; i < p; i++) {
                fit[i] += share[i][x] * past[x];
            }
        }
        solve(fit);
        double most = 0;
        for (int x = 0; x < points; x++) {
            double at = -past[x];
            for (int i = 0; i < p; i++) {
                at += fit[i] * share[i][x];
            }
            most = Math.max(most, at);
        }
        for (int i = 0; i < p; i++) {
            fit[i] -= most;
        }
    }

    private void factor() {
        for (int i = 0; i < p; i++) {
            for (int j = 0; j <= i; j++) {
                double sum = 0;
                for (int x = 0; x < points; x++) {
                    sum += share[i][x] * share[j][x];
                }
                normal[i][j] = sum;
            }
        }
        decompose();
    }

    /** A. L. Cholesky's factor in place. */
    private void decompose() {
        for (int i = 0; i < p; i++) {
            for (int j = 0; j <= i; j++) {
                double sum = normal[i][j] + (i == j ? RIDGE : 0);
                for (int k = 0; k < j; k++) {
                    sum -= normal[i][k] * normal[j][k];
                }
                normal[i][j] = i == j ? Math.sqrt(Math.max(sum, RIDGE / 2)) : sum / normal[j][j];
            }
        }
    }

    private void solve(double[] b) {
        for (int i = 0; i < p; i++) {
            for (int k = 0; k < i; k++) {
                b[i] -= normal[i][k] * b[k];
            }
            b[i] /= normal[i][i];
        }
        for (int i = p - 1; i >= 0; i--) {
            for (int k = i + 1; k < p; k++) {
                b[i] -= normal[k][i] * b[k];
            }
            b[i] /= normal[i][i];
        }
    }
}
