package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Rules out choices of paints without looking at their mixes: with a {@link Sieve} for paints whose
 * S is level; with others by one for each of some ranges of their share, as S of the mixes of a
 * range spans little.
 */
final class Screen {
    /** What has shrunk less is not aimed at anew: what was ruled out stays so. */
    private static final double SHRUNK = 0.75;

    /** Ranges of the share of paints whose S is not level. */
    private static final int RANGES = 1;

    private final boolean[] plain;
    private final Sieve narrow;
    private final List<Sieve> ranges = new ArrayList<>();
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
        boolean all = true;
        for (boolean of : plain) {
            all &= of;
        }
        narrow = new Sieve(kernel, p, drops, tangents, false, 0, 0);
        for (int i = 0; !all && i < RANGES; i++) {
            double from = (double) i / RANGES;
            double to = (i + 1.0) / RANGES;
            ranges.add(new Sieve(kernel, p, drops, tangents, true, from, to));
        }
    }

    /** Sets the numbers for a region. */
    void aim(Aim at) {
        if (aimed == null || at.reach() <= aimed.reach() * SHRUNK) {
            aimed = at;
            List<Sieve> all = new ArrayList<>(ranges);
            all.add(narrow);
            all.parallelStream().forEach(sieve -> sieve.aim(at));
        }
    }

    /** Whether three paints are ruled out. */
    boolean out(int i, int j, int k) {
        if (plain[i] && plain[j] && plain[k]) {
            return narrow.out(i, j, k);
        }
        for (Sieve range : ranges) {
            if (!range.out(i, j, k)) {
                return false;
            }
        }
        return true;
    }

    /** Whether four paints are ruled out. */
    boolean out(int i, int j, int k, int l) {
        if (plain[i] && plain[j] && plain[k] && plain[l]) {
            return narrow.out(i, j, k, l);
        }
        for (Sieve range : ranges) {
            if (!range.out(i, j, k, l)) {
                return false;
            }
        }
        return true;
    }
}
