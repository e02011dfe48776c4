package org.pendrik.core.recipe;

import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.testng.annotations.Test;

public class RegionTest {
    /** Nothing that is near enough lies beyond the region in any direction. */
    @Test
    public void holdsEveryColourThatIsNearEnough() {
        SplittableRandom r = new SplittableRandom(3);
        int inside = 0;
        for (int trial = 0; trial < 90; trial++) {
            double hue = r.nextDouble() * 2 * Math.PI;
            double chroma = trial % 5 == 0 ? 0.5 : r.nextDouble() * 90;
            Lab target =
                    new Lab(
                            5 + 90 * r.nextDouble(),
                            chroma * Math.cos(hue),
                            chroma * Math.sin(hue));
            double reach = Math.pow(10, r.nextDouble() * 2.6 - 1.3);
            Region region = new Region(new AbPlane(target), reach);
            double[][] directions = new double[32][];
            System.arraycopy(Directions.all(target), 0, directions, 0, 26);
            for (int i = 26; i < 32; i++) {
                Lab other = near(target, 30, r);
                directions[i] = Directions.away(target, other);
            }
            for (int i = 0; i < 4000; i++) {
                Lab c = near(target, reach * 6, r);
                if (ColourDifference.ciede2000(target, c) > reach) {
                    continue;
                }
                inside++;
                double[] xyz = Srgb.labToRelative(c);
                for (double[] d : directions) {
                    double most = region.support(d[0], d[1], d[2]);
                    double at = d[0] * xyz[0] + d[1] * xyz[1] + d[2] * xyz[2];
                    assertTrue(at <= most + 1e-9, target + " reach " + reach + " misses " + c);
                }
            }
        }
        assertTrue(inside > 6_000, "only " + inside);
    }

    /**
     * Nothing that is near enough lies beyond what its slice of its strip leaves; slices leave
     * less.
     */
    @Test
    public void slicesHoldEveryNearColourOfTheirs() {
        SplittableRandom r = new SplittableRandom(5);
        int[] inside = new int[2];
        int tighter = 0;
        for (int trial = 0; trial < 40; trial++) {
            boolean blue = trial % 3 == 0;
            Lab target =
                    blue
                            ? AbPlaneTest.vividBlue(r)
                            : new Lab(
                                    20 + 60 * r.nextDouble(),
                                    70 * r.nextDouble(),
                                    -60 * r.nextDouble());
            double off = blue ? 10 + 4 * r.nextDouble() : 0.9 + 14 * r.nextDouble();
            Lab best = near(target, 2 * off, r);
            var strips = new AbPlane(target).strips(off - 0.1);
            for (int at = 0; at < strips.size(); at++) {
                var strip = strips.get(at);
                Aim aim = new Aim(new AbPlane(target), off, 0.1, best, strip);
                for (int i = 0; i < (at > 0 ? 60_000 : 6000); i++) {
                    // regions of vivid targets have lobes about grey
                    Lab grey = new Lab(target.l(), 0, at * -10);
                    Lab c = i % 3 == 0 || at > 0 ? near(grey, 40, r) : near(target, off * 6, r);
                    if (ColourDifference.ciede2000(target, c) > aim.reach()
                            || !strip.meets(target, c.a(), c.b(), 0)) {
                        continue;
                    }
                    inside[at]++;
                    tighter += tighter(aim, Srgb.labToRelative(c), target + " off " + off);
                }
            }
        }
        assertTrue(inside[0] > 3_000, "only " + inside[0]);
        assertTrue(inside[1] > 300, "only " + inside[1] + " in lobes");
        assertTrue(tighter > inside[0] * Aim.DIRECTIONS, "only " + tighter);
    }

    /** How many directions of the slices of a near colour are less than those of all slices. */
    private static int tighter(Aim aim, double[] xyz, String of) {
        int tighter = 0;
        for (int halvings = 0; halvings <= 6; halvings++) {
            double share = (xyz[1] - aim.darkest) / (aim.lightest - aim.darkest);
            int slice = (int) (share * (1 << halvings));
            double[] most = aim.supports(halvings, slice);
            for (int d = 0; d < Aim.DIRECTIONS; d++) {
                double[] u = aim.directions[d];
                double at = u[0] * xyz[0] + u[1] * xyz[1] + u[2] * xyz[2];
                assertTrue(at <= most[d] + 1e-9, of + " misses " + Arrays.toString(xyz));
                tighter += most[d] < aim.supports[d] - 1e-3 ? 1 : 0;
            }
        }
        return tighter;
    }

    /** Where a strip has no near colour the region is empty, and nothing would be better. */
    @Test
    public void stripsMayBeEmpty() {
        Lab target = new Lab(60, 50, 50);
        AbPlane.Strip dull = new AbPlane.Strip(Double.NEGATIVE_INFINITY, 10);
        Lab best = new Lab(60, 30, 30);
        assertTrue(new Aim(new AbPlane(target), 6, 0.1, best, dull).empty());
        assertTrue(new Aim(new AbPlane(target), 0.6, 0.1, best, dull).empty());
        AbPlane.Strip vivid = new AbPlane.Strip(10, Double.POSITIVE_INFINITY);
        assertFalse(new Aim(new AbPlane(target), 6, 0.1, best, vivid).empty());
        assertFalse(new Aim(new AbPlane(target), 0.6, 0.1, best, vivid).empty());
    }

    static Lab near(Lab c, double far, SplittableRandom r) {
        return new Lab(
                c.l() + far * (r.nextDouble() - 0.5),
                c.a() + far * (r.nextDouble() - 0.5),
                c.b() + far * (r.nextDouble() - 0.5));
    }
}
