package org.pendrik.core.recipe.search;

import java.util.Arrays;
import java.util.function.IntConsumer;
import org.pendrik.core.recipe.bound.Lattice;
import org.pendrik.core.recipe.bound.MixColour;
import org.pendrik.core.recipe.bound.Relaxation;

/**
 * Tries recipes of one choice of paints side by side, in floats, a few bands at a time, and tells
 * of those that may be better than the incumbent.
 *
 * <p>Cost: about 150 nanoseconds for a recipe in cells of some sixty. Guarantee: what is in the
 * relaxation is told of. Not for several threads.
 */
final class Trial {
    /** Recipes side by side: what is read and written for them stays close to the processor. */
    private static final int ABREAST = 512;

    /** Bands at a time. */
    private static final int TOGETHER = 4;

    private final MixColour mix;

    /** Drops by paint, then recipe; none of paints that are not in the choice. */
    private final float[][] drops = new float[4][ABREAST];

    /** K and S of recipes in one band. */
    private final float[] absorption = new float[ABREAST];

    private final float[] scattering = new float[ABREAST];

    /** Reflectance by band of those at a time, then recipe. */
    private final float[][] bare = new float[TOGETHER][ABREAST];

    /** X, Y and Z by recipe. */
    private final float[][] xyz = new float[3][ABREAST];

    Trial(MixColour mix) {
        this.mix = mix;
    }

    /**
     * Tries the recipes of a cell.
     *
     * @param chosen paints by index, as many as the lattice has
     * @param near told of recipes of the lattice that may be better
     */
    void of(
            int[] chosen,
            Lattice lattice,
            Lattice.Cell cell,
            Relaxation relaxation,
            IntConsumer near) {
        for (int from = cell.from(); from < cell.end(); from += ABREAST) {
            int n = Math.min(ABREAST, cell.end() - from);
            for (int i = 0; i < chosen.length; i++) {
                System.arraycopy(lattice.dropsOf(i), from, drops[i], 0, n);
            }
            mix(chosen, n);
            float veil = (float) mix.veil();
            for (int at = 0; at < n; at++) {
                double x = veil + xyz[0][at];
                double y = veil + xyz[1][at];
                double z = veil + xyz[2][at];
                if (relaxation.mayBeBetter(x, y, z)) {
                    near.accept(from + at);
                }
            }
        }
    }

    /** X, Y and Z of the first n recipes, without the veil. */
    private void mix(int[] chosen, int n) {
        for (float[] of : xyz) {
            Arrays.fill(of, 0, n, 0);
        }
        float[] k = new float[drops.length];
        float[] s = new float[drops.length];
        for (int b = 0; b < MixColour.BANDS; b += TOGETHER) {
            for (int t = 0; t < TOGETHER; t++) {
                for (int i = 0; i < chosen.length; i++) {
                    k[i] = mix.absorption(chosen[i])[b + t];
                    s[i] = mix.scattering(chosen[i])[b + t];
                }
                sum(drops, k[0], k[1], k[2], k[3], n, absorption);
                sum(drops, s[0], s[1], s[2], s[3], n, scattering);
                mix.bare(absorption, scattering, n, bare[t]);
            }
            for (int a = 0; a < xyz.length; a++) {
                float[] w = mix.weights(a);
                add(bare, w[b], w[b + 1], w[b + 2], w[b + 3], n, xyz[a]);
            }
        }
    }

    private static void sum(
            float[][] of, float w0, float w1, float w2, float w3, int n, float[] out) {
        Arrays.fill(out, 0, n, 0);
        add(of, w0, w1, w2, w3, n, out);
    }

    private static void add(
            float[][] of, float w0, float w1, float w2, float w3, int n, float[] out) {
        float[] f0 = of[0];
        float[] f1 = of[1];
        float[] f2 = of[2];
        float[] f3 = of[3];
        for (int i = 0; i < n; i++) {
            out[i] += w0 * f0[i] + w1 * f1[i] + (w2 * f2[i] + w3 * f3[i]);
        }
    }
}
