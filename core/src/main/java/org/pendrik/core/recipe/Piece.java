package org.pendrik.core.recipe;

import java.util.Arrays;

/**
 * What is left of one choice of paints in a slice: a polytope in the simplex of its mixes, by its
 * points. Over it linear functions are found that X, Y and Z lie above and below, and of these and
 * the half-spaces of an {@link Aim} linear inequalities on the drops.
 */
final class Piece {
    /** Corners and two cuts of each edge. */
    static final int MOST = 4 + 2 * 6;

    /** X, Y, Z from below and from above. */
    private static final int BOUNDS = 6;

    /** Keeps a flat polytope from having no one fit; whatever it leaves is added as a shift. */
    private static final double RIDGE = 1e-7;

    /** How many corners the simplex has. */
    int p;

    /** How many points are in use. */
    int points;

    /** The least and most X, Y, Z that mixes between the points have there, by axis, then point. */
    final float[][] low = new float[3][MOST];

    final float[][] high = new float[3][MOST];

    /** How much of each corner is in a point, by corner, then point; the sum is 1. */
    final double[][] share = new double[4][MOST];

    /** The two cuts: what mixes between them are at least and at most in Y, by corner. */
    final double[] lowest = new double[4];

    final double[] highest = new double[4];
    double darkest;
    double lightest;

    private final double[][] normal = new double[4][4];

    /** X, Y, Z from below, then from above, at the corners. */
    private final double[][] bounds = new double[BOUNDS][4];

    private final double[][] values = new double[Aim.DIRECTIONS + 2][4];
    private final int[] outside = new int[Aim.DIRECTIONS + 2];

    /**
     * Sets the rows that all near colours in the slice satisfy, those first that most corners do
     * not.
     *
     * @param supports of the slice
     * @param forms how much of each corner is in a mix, over the drops of the paints
     * @param levels the S of each corner
     */
    void rows(Aim aim, double[] supports, double[][] forms, double[] levels, Rows rows) {
        fit();
        int all = values.length;
        for (int d = 0; d < Aim.DIRECTIONS; d++) {
            double[] u = aim.directions[d];
            double[] x = bounds[u[0] > 0 ? 0 : 3];
            double[] y = bounds[u[1] > 0 ? 1 : 4];
            double[] z = bounds[u[2] > 0 ? 2 : 5];
            for (int i = 0; i < p; i++) {
                values[d][i] =
                        u[0] * x[i] + u[1] * y[i] + u[2] * z[i] - supports[d] - Slice.ROUNDING;
            }
        }
        for (int i = 0; i < p; i++) {
            values[all - 2][i] = lowest[i] - lightest;
            values[all - 1][i] = darkest - highest[i];
        }
        for (int d = 0; d < all; d++) {
            int out = 0;
            for (int i = 0; i < p; i++) {
                out += values[d][i] > 0 ? 1 : 0;
            }
            outside[d] = out;
        }
        rows.p = p;
        rows.many = 0;
        for (int corners = p; corners > 0; corners--) {
            for (int d = 0; d < all; d++) {
                if (outside[d] == corners) {
                    row(values[d], forms, levels, rows.half[rows.many++]);
                    rows.finish(rows.half[rows.many - 1]);
                }
            }
        }
    }

    /** Values at the corners, which weigh by their S, as a form of the drops. */
    private void row(double[] values, double[][] forms, double[] levels, double[] out) {
        Arrays.fill(out, 0);
        for (int i = 0; i < p; i++) {
            double weight = values[i] * levels[i];
            for (int j = 0; j < p; j++) {
                out[j] += weight * forms[i][j];
            }
        }
    }

    /**
     * Linear functions near the bounds of the points, by least squares, shifted until none of the
     * points lies beyond. X, Y and Z are convex over the shares, so no mix does either.
     */
    private void fit() {
        for (double[] row : normal) {
            Arrays.fill(row, 0);
        }
        for (double[] bound : bounds) {
            Arrays.fill(bound, 0);
        }
        for (int x = 0; x < points; x++) {
            for (int i = 0; i < p; i++) {
                double s = share[i][x];
                for (int j = 0; j <= i; j++) {
                    normal[i][j] += s * share[j][x];
                }
                for (int a = 0; a < 3; a++) {
                    bounds[a][i] += s * low[a][x];
                    bounds[3 + a][i] += s * high[a][x];
                }
            }
        }
        decompose();
        for (int f = 0; f < BOUNDS; f++) {
            solve(bounds[f]);
            shift(bounds[f], f < 3 ? low[f] : high[f - 3], f < 3);
        }
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

    private void shift(double[] bound, float[] values, boolean down) {
        double most = 0;
        for (int x = 0; x < points; x++) {
            double at = 0;
            for (int i = 0; i < p; i++) {
                at += bound[i] * share[i][x];
            }
            most = Math.max(most, down ? at - values[x] : values[x] - at);
        }
        for (int i = 0; i < p; i++) {
            bound[i] += down ? -most : most;
        }
    }
}
