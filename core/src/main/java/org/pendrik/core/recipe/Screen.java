package org.pendrik.core.recipe;

import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Rules out choices of paints without looking at their mixes: with a {@link Sieve} for paints whose
 * S is level, and one for choices with others, which has wider bounds.
 */
final class Screen {
    /** What has shrunk less is not aimed at anew: what was ruled out stays so. */
    private static final double SHRUNK = 0.75;

    private final boolean[] plain;
    private final Sieve narrow;
    private final Sieve wide;
    private @Nullable Aim aimed;

    /**
     * A screen for choices of a size.
     *
     * @param p how many paints are chosen, 3 or 4
     * @param drops at most, at least p + 1
     * @param tangents K/S at which the planes below touch
     */
    Screen(Kernel kernel, int p, int drops, double[][] tangents) {
        plain = kernel.flat;
        narrow = new Sieve(kernel, p, drops, tangents, false);
        wide = new Sieve(kernel, p, drops, tangents, true);
    }

    /** Sets the numbers for a region. */
    void aim(Aim at) {
        if (aimed == null || at.reach() <= aimed.reach() * SHRUNK) {
            aimed = at;
            Stream.of(narrow, wide).parallel().forEach(sieve -> sieve.aim(at));
        }
    }

    /** Whether three paints are ruled out. */
    boolean out(int i, int j, int k) {
        return (plain[i] && plain[j] && plain[k] ? narrow : wide).out(i, j, k);
    }

    /** Three paints, for all choices with a fourth. */
    final class Triple {
        private final int[] ofNarrow = new int[Sieve.SUMS];
        private final int[] ofWide = new int[Sieve.SUMS];
        private int i;
        private int j;
        private int k;
        private boolean level;

        void set(int i, int j, int k) {
            this.i = i;
            this.j = j;
            this.k = k;
            level = plain[i] && plain[j] && plain[k];
            wide.sum(i, j, k, ofWide);
            if (level) {
                narrow.sum(i, j, k, ofNarrow);
            }
        }

        /** Whether they are ruled out with another. */
        boolean out(int l) {
            if (level && plain[l]) {
                return narrow.out(i, j, k, l, ofNarrow);
            }
            return wide.out(i, j, k, l, ofWide);
        }
    }
}
