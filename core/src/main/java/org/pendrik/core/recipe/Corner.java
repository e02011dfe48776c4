package org.pendrik.core.recipe;

/** One mix as arrays over the bands: K and S over the mean of S, and what is seen. */
final class Corner {
    final double[] k = new double[Kernel.BANDS];
    final double[] s = new double[Kernel.BANDS];
    final double[] r = new double[Kernel.BANDS];

    /** X, Y, Z of {@code r}. */
    final double[] xyz = new double[3];

    /** Mean of S before it was divided out. */
    double level;

    /** S is the same in all bands. */
    boolean flat;

    private boolean seen;

    /** K and S are new: nothing is known of what is seen. */
    void changed() {
        seen = false;
    }

    /** Fills in what is seen of k and s, unless it is known. */
    void see(Kernel kernel) {
        if (seen) {
            return;
        }
        seen = true;
        kernel.seen(k, s, r);
        for (int a = 0; a < 3; a++) {
            xyz[a] = Kernel.dot(kernel.w[a], r);
        }
    }
}
