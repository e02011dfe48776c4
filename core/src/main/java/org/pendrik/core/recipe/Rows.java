package org.pendrik.core.recipe;

/**
 * Linear inequalities on the shares of four paints, and the recipes that satisfy all of them: row ·
 * shares at most 0, up to rounding.
 */
final class Rows {
    private static final double SLACK = 1e-9;

    /** How often the rows are gone through to narrow the shares. */
    private static final int SWEEPS = 2;

    /** Rows that a box of recipes is held against; the first ones rule out most. */
    private static final int ASKED = 8;

    /** Rows in use come first; the last entry of one is the sum of the sizes of the others. */
    final double[][] half = new double[48][5];

    /** How many rows are in use. */
    int many;

    /** How many paints the rows are about. */
    int p;

    /** What has been found, by point of the lattice. */
    int[] points = new int[0];

    int found;

    private final double[] least = new double[4];
    private final double[] most = new double[4];

    /** Rows of three paints are rows of four; the last entry is the size of a row. */
    void finish(double[] h) {
        h[4] = 0;
        for (int j = 0; j < 4; j++) {
            if (j >= p) {
                h[j] = 0;
            }
            h[4] += Math.abs(h[j]);
        }
    }

    /** Finds the points that satisfy all rows; stops when there are as many as wanted. */
    void find(Lattice lattice, int mostDrops, int wanted) {
        found = 0;
        if (points.length < wanted) {
            points = new int[wanted];
        }
        if (narrow(mostDrops)) {
            boxes(lattice, lattice.all, wanted);
        }
    }

    private void boxes(Lattice all, Lattice.Box box, int wanted) {
        for (int i = 0; i < p; i++) {
            if (box.least[i] > most[i] + SLACK || box.most[i] < least[i] - SLACK) {
                return;
            }
        }
        int asked = Math.min(many, ASKED);
        for (int i = 0; i < asked; i++) {
            double[] h = half[i];
            if (box.least(h) > SLACK * h[4]) {
                first(i);
                return;
            }
        }
        if (box.halves.isEmpty()) {
            for (int x = box.from; x < box.end && found < wanted; x++) {
                keep(all, x);
            }
            return;
        }
        boxes(all, box.halves.get(0), wanted);
        if (found < wanted) {
            boxes(all, box.halves.get(1), wanted);
        }
    }

    /** A row that has ruled something out is asked sooner. */
    private void first(int row) {
        double[] h = half[row];
        half[row] = half[row / 2];
        half[row / 2] = h;
    }

    private void keep(Lattice all, int x) {
        double[][] share = all.share;
        if (holds(share[0][x], share[1][x], share[2][x], share[3][x])) {
            points[found++] = x;
        }
    }

    /** Whether shares satisfy all rows. */
    private boolean holds(double a, double b, double c, double d) {
        for (int i = 0; i < many; i++) {
            double[] h = half[i];
            if (h[0] * a + h[1] * b + h[2] * c + h[3] * d > SLACK * h[4]) {
                first(i);
                return false;
            }
        }
        return true;
    }

    /**
     * Draws the bounds of each paint's share together: with the others at their best, a row bounds
     * the share that remains. False when no share remains.
     */
    private boolean narrow(int mostDrops) {
        double one = 1.0 / mostDrops;
        for (int i = 0; i < p; i++) {
            least[i] = one;
            most[i] = 1 - (p - 1) * one;
        }
        for (int sweep = 0; sweep < SWEEPS; sweep++) {
            for (int i = 0; i < many; i++) {
                if (!cut(half[i])) {
                    return false;
                }
            }
            double sumLeast = 0;
            double sumMost = 0;
            for (int i = 0; i < p; i++) {
                sumLeast += least[i];
                sumMost += most[i];
            }
            for (int i = 0; i < p; i++) {
                most[i] = Math.min(most[i], 1 - (sumLeast - least[i]) + SLACK);
                least[i] = Math.max(least[i], 1 - (sumMost - most[i]) - SLACK);
                if (least[i] > most[i] + SLACK) {
                    return false;
                }
            }
        }
        return true;
    }

    private boolean cut(double[] h) {
        double all = 0;
        for (int j = 0; j < p; j++) {
            all += h[j] > 0 ? h[j] * least[j] : h[j] * most[j];
        }
        double slack = SLACK * h[4];
        if (all > slack) {
            return false;
        }
        for (int j = 0; j < p; j++) {
            if (h[j] > 0) {
                double rest = all - h[j] * least[j];
                most[j] = Math.min(most[j], (slack - rest) / h[j]);
            } else if (h[j] < 0) {
                double rest = all - h[j] * most[j];
                least[j] = Math.max(least[j], (slack - rest) / h[j]);
            }
        }
        return true;
    }
}
