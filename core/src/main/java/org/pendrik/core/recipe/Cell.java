package org.pendrik.core.recipe;

/**
 * A part of the simplex of some paints: its corners, and for each the linear form over drops that
 * says how much of it is in a mix.
 */
final class Cell {
    /** Which paints, by index. */
    final int[] chosen = new int[4];

    final Corner[] corners = new Corner[4];
    final double[][] forms = new double[4][4];

    /** How often the simplex was halved. */
    int depth;

    /** Whether S of each paint is the same in all bands. */
    boolean level;

    /** One mix as arrays over the bands: K and S over the mean of S, and what is seen. */
    static final class Corner {
        final double[] k = new double[Kernel.BANDS];
        final double[] s = new double[Kernel.BANDS];
        final double[] r = new double[Kernel.BANDS];

        /** Mean of S before it was divided out. */
        double level;
    }

    /** The mixes of n drops of p paints, with at least one of each. */
    static Cell all(Kernel kernel, int[] chosen, int p, int n) {
        Cell out = new Cell();
        System.arraycopy(chosen, 0, out.chosen, 0, p);
        forms(p, n, out.forms);
        out.level = true;
        for (int i = 0; i < p; i++) {
            Corner v = new Corner();
            for (int j = 0; j < p; j++) {
                double drops = i == j ? n - p + 1 : 1;
                v.level += drops * kernel.level[chosen[j]];
                for (int b = 0; b < Kernel.BANDS; b++) {
                    v.k[b] += drops * kernel.k[chosen[j]][b];
                    v.s[b] += drops * kernel.s[chosen[j]][b];
                }
            }
            for (int b = 0; b < Kernel.BANDS; b++) {
                v.k[b] /= v.level;
                v.s[b] /= v.level;
            }
            kernel.seen(v.k, v.s, v.r);
            out.corners[i] = v;
            out.level &= kernel.flat[chosen[i]];
        }
        return out;
    }

    /**
     * The forms of a whole simplex: drops d are Σ y v with v = 1 + more · e, the drops of a corner,
     * so y = (d − Σd / n) / more.
     */
    static void forms(int p, int n, double[][] out) {
        double more = n - p;
        for (int i = 0; i < p; i++) {
            for (int j = 0; j < p; j++) {
                out[i][j] = ((i == j ? 1 : 0) - 1.0 / n) / more;
            }
        }
    }

    /** Halves it at the edge whose ends look most different. */
    Cell[] halves(Kernel kernel, int p) {
        int one = 0;
        int two = 1;
        double longest = -1;
        for (int i = 0; i < p; i++) {
            for (int j = i + 1; j < p; j++) {
                double length = 0;
                for (int b = 0; b < Kernel.BANDS; b++) {
                    double d = corners[i].r[b] - corners[j].r[b];
                    length += d * d;
                }
                if (length > longest) {
                    longest = length;
                    one = i;
                    two = j;
                }
            }
        }
        Corner a = corners[one];
        Corner z = corners[two];
        Corner middle = new Corner();
        // corners weigh by their mean S, so equal weights are y · level = 1 each
        middle.level = 2;
        for (int b = 0; b < Kernel.BANDS; b++) {
            middle.k[b] = (a.k[b] + z.k[b]) / 2;
            middle.s[b] = (a.s[b] + z.s[b]) / 2;
        }
        kernel.seen(middle.k, middle.s, middle.r);
        return new Cell[] {
            half(p, one, two, middle, 1 / a.level, 1 / z.level),
            half(p, two, one, middle, 1 / z.level, 1 / a.level)
        };
    }

    /**
     * The half that keeps corner {@code kept}; the middle takes the place of {@code gone}. With m =
     * g · gone + e · kept, a mix of y(gone), y(kept) has y(gone)/g of m and y(kept) − e ·
     * y(gone)/g.
     */
    private Cell half(int p, int gone, int kept, Corner middle, double g, double e) {
        Cell to = new Cell();
        System.arraycopy(chosen, 0, to.chosen, 0, p);
        to.depth = depth + 1;
        to.level = level;
        for (int i = 0; i < p; i++) {
            to.corners[i] = i == gone ? middle : corners[i];
            for (int j = 0; j < p; j++) {
                double y = forms[i][j];
                if (i == gone) {
                    y = y / g;
                } else if (i == kept) {
                    y -= e / g * forms[gone][j];
                }
                to.forms[i][j] = y;
            }
        }
        return to;
    }
}
