package org.pendrik.core.recipe.bound;

import java.util.List;

/**
 * Prunes choices of paints before any of their recipes is looked at: by a {@link PairBound} for
 * each part of a relaxation.
 */
public final class ChoiceBound {
    private final double reach;
    private final List<PairBound> parts;

    /**
     * A bound for choices of so many paints.
     *
     * @param p paints of a choice, 3 or 4
     * @param drops of a recipe at most, more than p
     * @param touch K/S by band at which tangents may touch
     */
    public ChoiceBound(
            MixColour mix, int p, int drops, List<float[]> touch, Relaxation relaxation) {
        reach = relaxation.reach();
        var tangents = touch.stream().map(at -> mix.new Tangent().touch(at)).toList();
        parts =
                relaxation.parts().stream()
                        .map(half -> new PairBound(mix, p, drops, tangents, half))
                        .toList();
    }

    /** ΔE00 for which it was made. */
    public double reach() {
        return reach;
    }

    /** A view of it for one thread. */
    public Choices choices() {
        return new Choices();
    }

    /** Three paints, alone or with any fourth. */
    public final class Choices {
        private final int[][] sums = new int[parts.size()][PairBound.SUMS];
        private int i;
        private int j;
        private int k;

        /** Turns to three paints, by index. */
        public void choose(int i, int j, int k) {
            this.i = i;
            this.j = j;
            this.k = k;
            for (int x = 0; x < sums.length; x++) {
                parts.get(x).sum(i, j, k, sums[x]);
            }
        }

        /** Whether no recipe of the three alone is in the relaxation. */
        public boolean prunesThree() {
            for (int[] of : sums) {
                if (!PairBound.prunes(of)) {
                    return false;
                }
            }
            return true;
        }

        /** Whether no recipe of the three with a fourth is. */
        public boolean prunes(int l) {
            for (int x = 0; x < sums.length; x++) {
                if (!parts.get(x).prunes(i, j, k, l, sums[x])) {
                    return false;
                }
            }
            return true;
        }
    }
}
