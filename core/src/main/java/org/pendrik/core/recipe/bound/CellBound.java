package org.pendrik.core.recipe.bound;

import java.util.Arrays;
import java.util.List;

/**
 * Prunes cells of the recipes of one choice of paints.
 *
 * <p>In a cell a tangent at the middle of its corners bounds reflectances from below, chords
 * between the corners bound them from above. How far mixes lie outside a half-space is then at
 * least a function that is concave over them when they are weighed by S: positive in the whole cell
 * when it is at the corners. The half-spaces that pruned last are asked first, then all side by
 * side.
 *
 * <p>Where S of the paints runs differently over the bands, K/S of a mix is no linear function of
 * the shares. Over the lightest corner, each corner counts by its own S over that of the mix; with
 * the least and the most S of the corners K/S lies between two linear functions. Chords are taken
 * of the lower, tangents of the upper.
 *
 * <p>Cost: one to five microseconds for a cell. Not for several threads.
 */
public final class CellBound {
    private static final int BANDS = MixColour.BANDS;
    private static final int ROOM = HalfSpaces.ROOM;

    /** How many half-spaces are asked before all. */
    private static final int ASKED = 2;

    private final MixColour mix;
    private final Lattice lattice;
    private final int p;
    private final float part;
    private int[] chosen = {};
    private boolean level;

    /** The choice for which a corner of the lattice was mixed. */
    private final int[] mixed;

    private int choice;

    /** By corner of the lattice: K/S, S over its mean, and when S is level what is seen. */
    private final float[][] ratio;

    private final float[][] scattering;
    private final float[][] bare;

    /** By corner of the cell: what is seen at least and at most, where S is not level of what. */
    private final float[][] low;

    private final float[][] high;
    private final float[][] most;
    private final float[][] highUneven;
    private final float[][] mostUneven;

    private final MixColour.Tangent tangent;
    private final float[] middle = new float[BANDS];
    private final float[] least = new float[BANDS];
    private final float[] lightest = new float[BANDS];
    private final float[] little = new float[BANDS];
    private final float[] much = new float[BANDS];
    private final float[] ones = new float[BANDS];

    /** By corner of the cell, then direction: the parts that are bounded from below and above. */
    private final float[][] positive;

    private final float[][] negative;
    private final float[] touch = new float[ROOM];
    private final float[] past = new float[ROOM];
    private final float[] positiveOfOne;
    private final float[] negativeOfOne;

    /** By part of the relaxation: directions, those that pruned last first. */
    private final int[][] order = new int[Relaxation.MOST_PARTS][ROOM];

    /**
     * A bound for choices of as many paints as a lattice has.
     *
     * @param mix of all paints
     */
    public CellBound(MixColour mix, Lattice lattice) {
        this.mix = mix;
        this.lattice = lattice;
        p = lattice.paints();
        part = 1f / p;
        int n = lattice.corners();
        mixed = new int[n];
        ratio = new float[n][BANDS];
        scattering = new float[n][BANDS];
        bare = new float[n][BANDS];
        low = new float[p][BANDS];
        high = new float[p][];
        most = new float[p][];
        highUneven = new float[p][BANDS];
        mostUneven = new float[p][BANDS];
        positive = new float[p][ROOM];
        negative = new float[p][ROOM];
        positiveOfOne = new float[p];
        negativeOfOne = new float[p];
        tangent = mix.new Tangent();
        Arrays.fill(ones, 1);
        for (int[] of : order) {
            Arrays.setAll(of, d -> d);
        }
    }

    /** Turns to a choice of paints, by index. */
    public void choose(int... paints) {
        chosen = paints;
        level = mix.level(paints);
        choice++;
    }

    /** Whether no recipe of a cell is in a relaxation. */
    public boolean prunes(Lattice.Cell cell, Relaxation relaxation) {
        bound(cell.corners());
        List<HalfSpaces> parts = relaxation.parts();
        for (int i = 0; i < parts.size(); i++) {
            if (!outsideOne(parts.get(i), order[i]) && !outsideAny(parts.get(i), order[i])) {
                return false;
            }
        }
        return true;
    }

    /** Sets what the corners of a cell come to at least and at most. */
    private void bound(int[] corners) {
        for (int i = 0; i < p; i++) {
            int corner = corners[i];
            if (mixed[corner] != choice) {
                mixed[corner] = choice;
                mix(corner);
            }
            most[i] = ratio[corner];
            high[i] = bare[corner];
        }
        if (!level) {
            uneven(corners);
        }
        Arrays.fill(middle, 0);
        for (float[] q : most) {
            for (int b = 0; b < BANDS; b++) {
                middle[b] += q[b] * part;
            }
        }
        tangent.touch(middle);
        for (int i = 0; i < p; i++) {
            tangent.at(most[i], low[i]);
        }
    }

    private void mix(int corner) {
        double[] share = lattice.shares(corner);
        float[] q = ratio[corner];
        float[] s = scattering[corner];
        Arrays.fill(q, 0);
        Arrays.fill(s, 0);
        double mean = 0;
        for (int i = 0; i < p; i++) {
            mean += share[i] * mix.scatter(chosen[i]);
            float of = (float) share[i];
            float[] ki = mix.absorption(chosen[i]);
            float[] si = mix.scattering(chosen[i]);
            for (int b = 0; b < BANDS; b++) {
                q[b] += of * ki[b];
                s[b] += of * si[b];
            }
        }
        float per = (float) (1 / mean);
        for (int b = 0; b < BANDS; b++) {
            q[b] /= s[b];
            s[b] *= per;
        }
        if (level) {
            mix.bare(q, ones, BANDS, bare[corner]);
        }
    }

    private void uneven(int[] corners) {
        for (int i = 0; i < p; i++) {
            most[i] = mostUneven[i];
            high[i] = highUneven[i];
        }
        System.arraycopy(ratio[corners[0]], 0, lightest, 0, BANDS);
        System.arraycopy(scattering[corners[0]], 0, little, 0, BANDS);
        System.arraycopy(scattering[corners[0]], 0, much, 0, BANDS);
        for (int corner : corners) {
            float[] q = ratio[corner];
            float[] s = scattering[corner];
            for (int b = 0; b < BANDS; b++) {
                lightest[b] = Math.min(lightest[b], q[b]);
                little[b] = Math.min(little[b], s[b]);
                much[b] = Math.max(much[b], s[b]);
            }
        }
        for (int i = 0; i < p; i++) {
            float[] q = ratio[corners[i]];
            float[] s = scattering[corners[i]];
            float[] to = high[i];
            float[] and = most[i];
            for (int b = 0; b < BANDS; b++) {
                float over = (q[b] - lightest[b]) * s[b];
                to[b] = lightest[b] + over / much[b];
                and[b] = lightest[b] + over / little[b];
            }
        }
        for (float[] of : high) {
            System.arraycopy(of, 0, least, 0, BANDS);
            mix.bare(least, ones, BANDS, of);
        }
    }

    /** Whether one of the half-spaces that pruned last has all corners outside. */
    private boolean outsideOne(HalfSpaces half, int[] asked) {
        for (int x = 0; x < ASKED; x++) {
            if (outside(half, asked[x])) {
                first(asked, x);
                return true;
            }
        }
        return false;
    }

    private boolean outside(HalfSpaces half, int d) {
        float mean = 0;
        for (int i = 0; i < p; i++) {
            positiveOfOne[i] = half.positive(d, low[i]);
            negativeOfOne[i] = half.negative(d, high[i]);
            mean += positiveOfOne[i] / p;
        }
        for (HalfSpaces.Depth depth : HalfSpaces.DEPTHS) {
            float all = Float.MAX_VALUE;
            for (int i = 0; i < p; i++) {
                all = Math.min(all, depth.square() * positiveOfOne[i] + negativeOfOne[i]);
            }
            if (all + depth.rest() * mean > half.most()[d]) {
                return true;
            }
        }
        return false;
    }

    /** Whether any half-space has all corners outside. */
    private boolean outsideAny(HalfSpaces half, int[] asked) {
        Arrays.fill(touch, 0);
        for (int i = 0; i < p; i++) {
            half.positive(low[i], positive[i]);
            half.negative(high[i], negative[i]);
            for (int d = 0; d < ROOM; d++) {
                touch[d] += positive[i][d] * part;
            }
        }
        float[] limit = half.most();
        for (HalfSpaces.Depth depth : HalfSpaces.DEPTHS) {
            Arrays.fill(past, Float.MAX_VALUE);
            for (int i = 0; i < p; i++) {
                lower(depth.square(), positive[i], negative[i]);
            }
            for (int d = 0; d < ROOM; d++) {
                if (past[d] + depth.rest() * touch[d] > limit[d]) {
                    int at = 0;
                    while (asked[at] != d) {
                        at++;
                    }
                    first(asked, at);
                    return true;
                }
            }
        }
        return false;
    }

    private void lower(float square, float[] from, float[] and) {
        for (int d = 0; d < ROOM; d++) {
            past[d] = Math.min(past[d], square * from[d] + and[d]);
        }
    }

    /** Moves an entry to the front. */
    private static void first(int[] of, int at) {
        int moved = of[at];
        System.arraycopy(of, 0, of, 1, at);
        of[0] = moved;
    }
}
