package org.pendrik.core.recipe.search;

import org.pendrik.core.paint.Paint;

/** What a recipe may be, for the paints of one search by index. */
public final class Limits {
    private final int mostPaints;
    private final int mostDrops;

    /** Bit j of entry i: paints i and j may be in one cup. */
    private final boolean[][] together;

    private final boolean[] must;
    private final int musts;

    /** The largest share of the drops that a paint may have, 0 to 1. */
    private final double[] mostShare;

    /** Volume by strength of a drop. */
    private final double[] weights;

    private final double opacity;
    private final double micrometres;

    /**
     * The limits of one search.
     *
     * @param together by pair, whether both may be in one cup
     * @param must by paint, whether it has to be in
     * @param mostShare by paint, of the drops of a recipe
     * @param weights by paint, volume by strength of a drop
     * @param opacity the share of contrast that a coat has to hide; 0 asks nothing
     * @param micrometres of that coat
     */
    public Limits(
            int mostPaints,
            int mostDrops,
            boolean[][] together,
            boolean[] must,
            double[] mostShare,
            double[] weights,
            double opacity,
            double micrometres) {
        this.mostPaints = mostPaints;
        this.mostDrops = mostDrops;
        this.together = together;
        this.must = must;
        this.mostShare = mostShare;
        this.weights = weights;
        this.opacity = opacity;
        this.micrometres = micrometres;
        int m = 0;
        for (boolean b : must) {
            m += b ? 1 : 0;
        }
        musts = m;
    }

    /** Whether two paints may be in one cup. */
    boolean together(int i, int j) {
        return together[i][j];
    }

    int mostPaints() {
        return mostPaints;
    }

    int mostDrops() {
        return mostDrops;
    }

    int musts() {
        return musts;
    }

    /** Whether a paint has to be in. */
    boolean must(int i) {
        return must[i];
    }

    /** Whether all that has to be in is among some paints, which are all different. */
    boolean hasMusts(int... paints) {
        int found = 0;
        for (int paint : paints) {
            found += must[paint] ? 1 : 0;
        }
        return found == musts;
    }

    /** Whether a share of drops is allowed for one paint. */
    boolean enough(int paint, int drops, int total) {
        return drops <= mostShare[paint] * total + 1e-9;
    }

    /** Whether a coat of the mix is as opaque as asked for; K and S are those of the drops. */
    boolean opaque(int[] d, double[] k, double[] s) {
        if (opacity <= 0) {
            return true;
        }
        double all = 0;
        for (int i = 0; i < d.length; i++) {
            all += d[i] * weights[i];
        }
        double[] kk = k.clone();
        double[] ss = s.clone();
        for (int b = 0; b < kk.length; b++) {
            kk[b] /= all;
            ss[b] /= all;
        }
        return Paint.of(kk, ss, Paint.Origin.MIXED).hiding(micrometres) >= opacity;
    }

    /** Whether drops by paint keep to all limits but the opacity. */
    boolean allow(int[] d) {
        int paints = 0;
        int total = 0;
        int found = 0;
        for (int i = 0; i < d.length; i++) {
            if (d[i] > 0) {
                paints++;
                total += d[i];
                found += must[i] ? 1 : 0;
            }
        }
        if (paints == 0 || paints > mostPaints || total > mostDrops || found < musts) {
            return false;
        }
        for (int i = 0; i < d.length; i++) {
            if (d[i] == 0) {
                continue;
            }
            if (!enough(i, d[i], total)) {
                return false;
            }
            for (int j = 0; j < i; j++) {
                if (d[j] > 0 && !together[i][j]) {
                    return false;
                }
            }
        }
        return true;
    }
}
