package org.pendrik.core.colour;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Random;
import java.util.SplittableRandom;
import org.testng.annotations.Test;

public class ColourTest {
    @Test
    public void partsOfADifferenceAddUpToItsLength() {
        Random random = new Random(7);
        for (int i = 0; i < 2000; i++) {
            Lab a = any(random);
            Lab b = any(random);
            var d = ColourDifference.between(a, b);
            double whole =
                    d.deltaL() * d.deltaL() + d.deltaC() * d.deltaC() + d.deltaH() * d.deltaH();
            assertEquals(Math.sqrt(whole), a.distance(b), 1e-6);
            assertEquals(ColourDifference.between(a, a).deltaE00(), 0.0);
        }
    }

    @Test
    public void everyPixelSurvivesTheWayToLabAndBack() {
        for (int r = 0; r < 256; r += 15) {
            for (int g = 0; g < 256; g += 15) {
                for (int b = 0; b < 256; b += 15) {
                    int p = r << 16 | g << 8 | b;
                    assertEquals(Srgb.toPixel(Srgb.toLab(p)), p);
                    assertTrue(Srgb.inGamut(Srgb.toLab(p)));
                }
            }
        }
    }

    @Test
    public void greysFollowTheCubeRootOfTheirLight() {
        for (double y = 1e-6; y < 4; y *= 1.0173) {
            double expected = y > 216.0 / 24389 ? 116 * Math.cbrt(y) - 16 : y * 24389 / 27;
            assertEquals(Srgb.xyzToLab(0.95047 * y, y, 1.08883 * y).l(), expected, 1e-9);
        }
    }

    @Test
    public void whiteAndBlackAreWhereTheyBelong() {
        Lab white = Srgb.toLab(0xffffff);
        assertEquals(white.l(), 100, 0.01);
        assertEquals(white.chroma(), 0, 0.02);
        assertEquals(Srgb.toLab(0).l(), 0, 1e-9);
        assertFalse(Srgb.inGamut(new Lab(50, 100, 0)));
    }

    @Test
    public void greyBalanceMakesThePatchNeutralAtItsLevel() {
        var balance = GreyBalance.of(0.31, 0.22, 0.14, 60);
        Lab patch = balance.toLab(0.31, 0.22, 0.14);
        assertEquals(patch.l(), 60, 0.01);
        assertEquals(patch.chroma(), 0, 0.05);
    }

    @Test
    public void greyBalanceUndoesAWarmLamp() {
        // a lamp that scales cone responses is undone exactly by a Bradford adaptation
        Lab paint = new Lab(42, 18, 22);
        double[] seen = Srgb.labToLinear(paint);
        double[] lamp = {1.12, 0.98, 0.71};
        double grey = Srgb.decode(0.5);
        var balance =
                GreyBalance.of(
                        grey * lamp[0],
                        grey * lamp[1],
                        grey * lamp[2],
                        Srgb.linearToLab(grey, grey, grey).l());
        Lab back = balance.toLab(seen[0] * lamp[0], seen[1] * lamp[1], seen[2] * lamp[2]);
        assertTrue(
                ColourDifference.ciede2000(paint, back) < 1.5,
                "ΔE00 " + ColourDifference.ciede2000(paint, back));
    }

    @Test
    public void partialCoverRunsFromBaseToFilm() {
        Lab base = new Lab(30, 10, 5);
        Lab film = new Lab(80, 0, 20);
        assertEquals(PartialCover.over(base, film, 0).distance(base), 0, 1e-4);
        assertEquals(PartialCover.over(base, film, 1).distance(film), 0, 1e-4);
        double last = base.l();
        for (double t = 0.1; t < 1; t += 0.1) {
            double l = PartialCover.over(base, film, t).l();
            assertTrue(l > last);
            last = l;
        }
    }

    private static Lab any(Random r) {
        return new Lab(r.nextDouble() * 100, r.nextDouble() * 160 - 80, r.nextDouble() * 160 - 80);
    }

    @Test
    public void packingRoundsEveryLinearValueToTheNearestStep() {
        SplittableRandom random = new SplittableRandom(4);
        for (int i = 0; i < 200_000; i++) {
            double v = Math.pow(random.nextDouble(), 3) * 1.1 - 0.02;
            long nearest = Math.round(Srgb.encode(v) * 255);
            assertEquals(Srgb.pack(v, 0, 0) >> 16, nearest, "of " + v);
        }
        for (int step = 0; step < 256; step++) {
            double v = Srgb.decode(step / 255.0);
            assertEquals(Srgb.pack(0, v, 0) >> 8, step);
        }
        assertEquals(Srgb.pack(Double.NaN, 1, 2), 0xffff);
    }
}
