package org.pendrik.core.recipe;

/**
 * Rules out a choice of paints by those of its mixes that are neither too light nor too dark.
 *
 * <p>Light and dark paints make the mixes of a choice span far more than any tangent or chord can
 * follow. So the simplex of the mixes is cut twice. First where a tangent of Y reaches the lightest
 * near colour: what is left has the dark corners and, on each edge from a light corner to a dark
 * one, the point of the cut. Over these the chords are a linear function that no Y exceeds; where
 * it falls below the darkest near colour is the second cut. The few points that remain as corners
 * lie close together, and one tangent in their middle and the chords between them bound X, Y and Z
 * well: a half-space of {@link Aim} in which all of them lie outside rules the choice out. A thick
 * slice that stays is halved in Y, each half with the tangent of the whole.
 *
 * <p>Where S runs differently from corner to corner, a tangent is continued with the least S to
 * darker and with the most S to lighter corners, and chords are raised by half the product of the
 * spans of S and of reflectance.
 *
 * <p>Cost: at most a dozen spectra for each slice. Guarantee: a choice is ruled out only when each
 * of its mixes lies outside one of the half-spaces.
 */
final class Slice {
    private static final int BANDS = Kernel.BANDS;

    /** Two cuts of four corners leave eight points at most, and the dark corners four. */
    private static final int MOST = 16;

    private final Kernel kernel;
    private final Slice[] thinner;
    private final double least;

    // the tangent that makes the first cut
    private final double[] cutRatio = new double[BANDS];
    private final double[] cutSeen = new double[BANDS];
    private final double[] cutSlope = new double[BANDS];

    private final Corner[] spare = new Corner[MOST];
    private final Corner[] left = new Corner[MOST];
    private int many;
    private final double[] lowest = new double[4];
    private final double[] highest = new double[4];
    private final double[][] low = new double[MOST][3];
    private final double[][] high = new double[MOST][3];
    private final double[] ratio = new double[BANDS];
    private final double[] seen = new double[BANDS];
    private final double[] slope = new double[BANDS];

    /** 1 over the least and the most S. */
    private final double[] perLeast = new double[BANDS];

    private final double[] perMost = new double[BANDS];
    private final double[] leastS = new double[BANDS];
    private final double[] mostS = new double[BANDS];
    private final double[] leastR = new double[BANDS];
    private final double[] mostR = new double[BANDS];
    private final double[] raised = new double[BANDS];
    private final double[] lows = new double[BANDS];
    private final double[] rise = new double[3];

    /** Directions as they were last of use, so that the likely ones are asked first. */
    private final int[] order = new int[Aim.DIRECTIONS];

    /**
     * A slice for one target.
     *
     * @param targetRatio its K/S in each band
     * @param halvings how often a thick slice is halved
     * @param thick Y from darkest to lightest of a thick one
     */
    Slice(Kernel kernel, double[] targetRatio, int halvings, double thick) {
        this.kernel = kernel;
        least = thick;
        System.arraycopy(targetRatio, 0, cutRatio, 0, BANDS);
        tangent(cutRatio, cutSeen, cutSlope);
        for (int i = 0; i < MOST; i++) {
            spare[i] = new Corner();
        }
        for (int i = 0; i < order.length; i++) {
            order[i] = i;
        }
        thinner = new Slice[halvings > 0 ? 1 : 0];
        if (halvings > 0) {
            thinner[0] = new Slice(kernel, targetRatio, halvings - 1, thick);
        }
    }

    private void tangent(double[] q, double[] outSeen, double[] outSlope) {
        double v = kernel.veil;
        double t = kernel.t;
        double inner = kernel.c;
        for (int b = 0; b < BANDS; b++) {
            double root = Math.sqrt(q[b] * (q[b] + 2));
            double under = 1 / (inner + q[b] + root);
            outSeen[b] = v + t * under;
            outSlope[b] = -t * (root + q[b] + 1) / root * under * under;
        }
    }

    /** Whether all mixes of p corners lie outside one of the half-spaces each. */
    boolean out(Corner[] corners, int p, Aim aim) {
        boolean flat = true;
        for (int i = 0; i < p; i++) {
            flat &= corners[i].flat;
        }
        return out(corners, p, aim, flat, aim.darkest, aim.lightest);
    }

    private boolean out(
            Corner[] corners, int p, Aim aim, boolean flat, double darkest, double lightest) {
        if (!cut(corners, p, flat, darkest, lightest) || apart(aim, flat)) {
            return true;
        }
        if (thinner.length == 0 || lightest - darkest < least) {
            return false;
        }
        Slice next = thinner[0];
        System.arraycopy(ratio, 0, next.cutRatio, 0, BANDS);
        System.arraycopy(seen, 0, next.cutSeen, 0, BANDS);
        System.arraycopy(slope, 0, next.cutSlope, 0, BANDS);
        double middle = (darkest + lightest) / 2;
        if (!next.out(corners, p, aim, flat, darkest, middle)) {
            return false;
        }
        System.arraycopy(ratio, 0, next.cutRatio, 0, BANDS);
        System.arraycopy(seen, 0, next.cutSeen, 0, BANDS);
        System.arraycopy(slope, 0, next.cutSlope, 0, BANDS);
        return next.out(corners, p, aim, flat, middle, lightest);
    }

    /** Cuts twice; false when nothing is left. */
    private boolean cut(Corner[] corners, int p, boolean flat, double darkest, double lightest) {
        many = 0;
        if (!flat) {
            spans(corners, p, false);
        }
        boolean dark = false;
        for (int i = 0; i < p; i++) {
            lowest[i] = lowest(corners[i], flat);
            dark |= lowest[i] <= lightest;
        }
        if (!dark) {
            return false;
        }
        for (int i = 0; i < p; i++) {
            for (int j = 0; j < p && lowest[i] > lightest; j++) {
                if (lowest[j] <= lightest) {
                    double share = (lightest - lowest[j]) / (lowest[i] - lowest[j]);
                    put(corners[i], corners[j], share);
                }
            }
        }
        int cuts = many;
        for (int i = 0; i < p; i++) {
            if (lowest[i] <= lightest) {
                corners[i].see(kernel);
                left[many++] = corners[i];
            }
        }
        rise(flat);
        many = cuts;
        return darker(corners, p, darkest, lightest);
    }

    /** The second cut: what may be as light as the darkest near colour. */
    private boolean darker(Corner[] corners, int p, double darkest, double lightest) {
        int at = 0;
        double most = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < p; i++) {
            if (lowest[i] <= lightest) {
                highest[i] = corners[i].xyz[1] + rise[1];
                most = Math.max(most, highest[i]);
            }
        }
        for (int i = 0; i < p; i++) {
            if (lowest[i] <= lightest) {
                continue;
            }
            highest[i] = Double.NEGATIVE_INFINITY;
            for (int j = 0; j < p; j++) {
                if (lowest[j] <= lightest) {
                    // continued from the dark corner through the first cut
                    double share = (lightest - lowest[j]) / (lowest[i] - lowest[j]);
                    double there = left[at++].xyz[1] + rise[1];
                    highest[i] = Math.max(highest[i], highest[j] + (there - highest[j]) / share);
                }
            }
            most = Math.max(most, highest[i]);
        }
        if (most < darkest) {
            return false;
        }
        for (int j = 0; j < p; j++) {
            if (lowest[j] > lightest) {
                continue;
            }
            if (highest[j] >= darkest) {
                left[many++] = corners[j];
                continue;
            }
            for (int i = 0; i < p; i++) {
                if (highest[i] >= darkest) {
                    double share = (darkest - highest[j]) / (highest[i] - highest[j]);
                    put(corners[i], corners[j], share);
                }
            }
        }
        return true;
    }

    private void put(Corner one, Corner other, double share) {
        Corner c = spare[many];
        c.between(one, other, share);
        c.see(kernel);
        left[many++] = c;
    }

    /** Spans of S over some corners, and by how much chords between them have to be raised. */
    private void spans(Corner[] all, int n, boolean chords) {
        double[] low = leastS;
        double[] high = mostS;
        System.arraycopy(all[0].s, 0, low, 0, BANDS);
        System.arraycopy(all[0].s, 0, high, 0, BANDS);
        for (int i = 1; i < n; i++) {
            span(all[i].s, low, high);
        }
        for (int b = 0; b < BANDS; b++) {
            perLeast[b] = 1 / low[b];
            perMost[b] = 1 / high[b];
        }
        if (chords) {
            System.arraycopy(all[0].r, 0, leastR, 0, BANDS);
            System.arraycopy(all[0].r, 0, mostR, 0, BANDS);
            for (int i = 1; i < n; i++) {
                span(all[i].r, leastR, mostR);
            }
            for (int b = 0; b < BANDS; b++) {
                raised[b] = (high[b] * perLeast[b] - 1) * (mostR[b] - leastR[b]) / 2;
            }
            for (int a = 0; a < 3; a++) {
                rise[a] = Kernel.dot(kernel.w[a], raised);
            }
        }
    }

    private static void span(double[] v, double[] low, double[] high) {
        for (int b = 0; b < BANDS; b++) {
            low[b] = Math.min(low[b], v[b]);
            high[b] = Math.max(high[b], v[b]);
        }
    }

    /** Y of the cutting tangent at a corner. */
    private double lowest(Corner c, boolean flat) {
        below(c, flat, cutRatio, cutSeen, cutSlope);
        return Kernel.dot(kernel.w[1], lows);
    }

    /** A tangent continued to a corner. */
    private void below(Corner c, boolean flat, double[] q, double[] f, double[] g) {
        double[] k = c.k;
        double[] s = c.s;
        double[] out = lows;
        if (flat) {
            for (int b = 0; b < BANDS; b++) {
                out[b] = f[b] + g[b] * (k[b] - q[b]);
            }
            return;
        }
        double[] dark = perLeast;
        double[] light = perMost;
        for (int b = 0; b < BANDS; b++) {
            double away = k[b] - q[b] * s[b];
            // the larger of the two: 1 over the least S where it is darker, over the most where not
            out[b] = f[b] + g[b] * Math.max(away * dark[b], away * light[b]);
        }
    }

    private void rise(boolean flat) {
        if (flat) {
            rise[0] = 0;
            rise[1] = 0;
            rise[2] = 0;
        } else {
            spans(left, many, true);
        }
    }

    /** Whether a half-space has all that is left outside. */
    private boolean apart(Aim aim, boolean flat) {
        rise(flat);
        for (int b = 0; b < BANDS; b++) {
            double k = 0;
            double s = 0;
            for (int i = 0; i < many; i++) {
                k += left[i].k[b];
                s += left[i].s[b];
            }
            ratio[b] = k / s;
        }
        tangent(ratio, seen, slope);
        for (int i = 0; i < many; i++) {
            low(left[i], flat, low[i]);
            for (int a = 0; a < 3; a++) {
                high[i][a] = left[i].xyz[a] + rise[a];
            }
        }
        for (int o = 0; o < order.length; o++) {
            int d = order[o];
            if (outside(aim.directions[d], aim.supports[d])) {
                int before = order[o / 2];
                order[o / 2] = d;
                order[o] = before;
                return true;
            }
        }
        return false;
    }

    private boolean outside(double[] u, double most) {
        double[][] ax = u[0] > 0 ? low : high;
        double[][] ay = u[1] > 0 ? low : high;
        double[][] az = u[2] > 0 ? low : high;
        for (int i = 0; i < many; i++) {
            if (u[0] * ax[i][0] + u[1] * ay[i][1] + u[2] * az[i][2] <= most) {
                return false;
            }
        }
        return true;
    }

    private void low(Corner c, boolean flat, double[] out) {
        below(c, flat, ratio, seen, slope);
        for (int a = 0; a < 3; a++) {
            out[a] = Kernel.dot(kernel.w[a], lows);
        }
    }
}
