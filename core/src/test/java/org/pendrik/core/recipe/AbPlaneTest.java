package org.pendrik.core.recipe;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.SplittableRandom;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.testng.annotations.Test;

public final class AbPlaneTest {
    /** Colours of which some have a lobe of near ones beyond grey. */
    static Lab vividBlue(SplittableRandom r) {
        return new Lab(
                30 + 30 * r.nextDouble(), 40 + 20 * r.nextDouble(), -50 - 25 * r.nextDouble());
    }

    /** Each near colour is in a strip; there are two only where none lies about their border. */
    @Test
    public void stripsHoldAllNearColours() {
        SplittableRandom r = new SplittableRandom(9);
        int two = 0;
        for (int trial = 0; trial < 60; trial++) {
            Lab target = vividBlue(r);
            double reach = 10 + 4 * r.nextDouble();
            var strips = new AbPlane(target).strips(reach);
            assertEquals(strips.getFirst().to(), Double.POSITIVE_INFINITY);
            assertEquals(strips.getLast().from(), Double.NEGATIVE_INFINITY);
            if (strips.size() == 1) {
                continue;
            }
            two++;
            assertEquals(strips.get(0).from(), strips.get(1).to());
            for (int i = 0; i < 20_000; i++) {
                Lab c =
                        RegionTest.near(
                                new Lab(target.l(), target.a() / 2, target.b() / 2), 120, r);
                boolean both =
                        strips.get(0).meets(target, c.a(), c.b(), 1)
                                && strips.get(1).meets(target, c.a(), c.b(), 1);
                assertTrue(!both || ColourDifference.ciede2000(target, c) > reach);
            }
        }
        assertTrue(two > 5, "only " + two);
        assertEquals(new AbPlane(new Lab(50, 0, 0)).strips(5).size(), 1);
        assertEquals(new AbPlane(new Lab(50, 60, -70)).strips(0.5).size(), 1);
    }

    /** Grids hold ΔE00 at their places. */
    @Test
    public void gridsHoldDifferences() {
        Lab target = new Lab(52, 30, -20);
        AbPlane plane = new AbPlane(target);
        for (int i = 0; i <= AbPlane.COARSE; i += 25) {
            Lab there = new Lab(52, AbPlane.place(i), AbPlane.place(7));
            assertEquals(plane.whole()[i][7], ColourDifference.ciede2000(target, there), 1e-9);
        }
        for (int i = 0; i <= AbPlane.FINE; i += 16) {
            Lab there = new Lab(52, AbPlane.grey(9), AbPlane.grey(i));
            assertEquals(plane.greys()[9][i], ColourDifference.ciede2000(target, there), 1e-9);
        }
        double[] box = {-10, 30, 5, 8};
        Lab end = new Lab(52, 30, 8);
        assertEquals(
                plane.over(box)[AbPlane.COARSE][AbPlane.COARSE],
                ColourDifference.ciede2000(target, end),
                1e-9);
    }
}
