package org.pendrik.core.recipe.bound;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.SplittableRandom;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Light;
import org.pendrik.core.recipe.Shelves;
import org.testng.annotations.Test;

public final class MixColourTest {
    private static final double NEAR = 5e-6;

    /** Sums of drops have the colour that mixing paint by paint gives. */
    @Test
    public void coloursAreThoseOfMixedPaint() {
        SplittableRandom r = new SplittableRandom(6);
        Mixes mixes = Mixes.of(Shelves.random(9, 4));
        double[] kk = new double[MixColour.BANDS];
        double[] ss = new double[MixColour.BANDS];
        for (int trial = 0; trial < 200; trial++) {
            int[] paints = mixes.choice(1 + trial % 4, r);
            int[] drops = r.ints(paints.length, 1, 7).toArray();
            mixes.mix().add(paints, drops, kk, ss);
            Lab seen = mixes.mix().colour(kk, ss);
            var paint = mixes.recipe(paints, drops).paint();
            Lab expected = Light.D65.lab(Shelves.FLAT.seen(paint.masstone()));
            assertEquals(seen.l(), expected.l(), 1e-6);
            assertEquals(seen.a(), expected.a(), 1e-6);
            assertEquals(seen.b(), expected.b(), 1e-6);
        }
    }

    /** Floats give what doubles give, less the veil; tangents touch it and stay below. */
    @Test
    public void tangentsStayBelow() {
        SplittableRandom r = new SplittableRandom(12);
        MixColour mix = Mixes.of(Shelves.random(4, 1)).mix();
        int bands = MixColour.BANDS;
        float[] ones = new float[bands];
        float[] at = new float[bands];
        float[] q = new float[bands];
        float[] bare = new float[bands];
        float[] touched = new float[bands];
        float[] low = new float[bands];
        for (int trial = 0; trial < 300; trial++) {
            for (int b = 0; b < bands; b++) {
                ones[b] = 1;
                at[b] = (float) Math.pow(10, r.nextDouble() * 5 - 3);
                q[b] = (float) Math.pow(10, r.nextDouble() * 5 - 3);
            }
            MixColour.Tangent tangent = mix.new Tangent().touch(at);
            tangent.at(q, low);
            mix.bare(q, ones, bands, bare);
            for (int b = 0; b < bands; b++) {
                double x = q[b];
                double inside = 1 / (1 + x + Math.sqrt(x * (x + 2)));
                double through =
                        Shelves.FLAT.through() * inside / (1 - Shelves.FLAT.inner() * inside);
                assertEquals(bare[b], through, NEAR);
                assertTrue(low[b] <= bare[b] + NEAR * Math.max(1, -low[b]), low[b] + " " + bare[b]);
            }
            mix.bare(at, ones, bands, bare);
            tangent.at(tangent.ratio(), touched);
            for (int b = 0; b < bands; b++) {
                assertEquals(touched[b], bare[b], NEAR);
            }
        }
    }
}
