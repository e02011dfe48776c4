package org.pendrik.core.recipe.bound;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.SplittableRandom;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.testng.annotations.Test;

public final class DirectionsTest {
    /** A step of so many ΔE00 in lightness, chroma or hue is about that large. */
    @Test
    public void stepsAreDifferences() {
        SplittableRandom r = new SplittableRandom(2);
        for (int trial = 0; trial < 50; trial++) {
            // the term that turns blue towards purple is no part of it
            Lab c = new Lab(30 + 50 * r.nextDouble(), 40 * r.nextDouble(), 30 * r.nextDouble());
            double[] frame = Directions.frame(c);
            for (int axis = 0; axis < 3; axis++) {
                double[] of = new double[3];
                of[axis] = 0.1;
                double[] step = Directions.along(frame, of[0], of[1], of[2]);
                Lab there = new Lab(c.l() + step[0], c.a() + step[1], c.b() + step[2]);
                // G stretches a* of dull colours and T shrinks hues
                double off = ColourDifference.ciede2000(c, there);
                assertTrue(off > 0.07 && off < 0.16, c + " axis " + axis + ": " + off);
            }
        }
    }

    /** A slope over L*, a*, b* says the same over X, Y, Z. */
    @Test
    public void covectorsAreSlopes() {
        SplittableRandom r = new SplittableRandom(5);
        for (int trial = 0; trial < 50; trial++) {
            Lab c = new Lab(2 + 90 * r.nextDouble(), 80 * r.nextDouble() - 40, 20);
            double[] slope = r.doubles(3, -1, 1).toArray();
            double[] over = Directions.covector(c, slope[0], slope[1], slope[2]);
            Lab there = new Lab(c.l() + 1e-4, c.a() - 2e-4, c.b() + 1e-4);
            double[] from = Srgb.labToRelative(c);
            double[] to = Srgb.labToRelative(there);
            double rise = 0;
            for (int i = 0; i < 3; i++) {
                rise += over[i] * (to[i] - from[i]);
            }
            assertEquals(rise, 1e-4 * (slope[0] - 2 * slope[1] + slope[2]), 2e-8, c + "");
        }
    }

    /** The tangents about a colour out of reach all rise towards it. */
    @Test
    public void directionsAroundFaceTheColour() {
        SplittableRandom r = new SplittableRandom(11);
        for (int trial = 0; trial < 50; trial++) {
            Lab target = new Lab(30 + 50 * r.nextDouble(), 60 * r.nextDouble() - 20, 40);
            Lab other = new Lab(target.l() - 3, target.a() * 0.7, target.b() * 0.7);
            double off = ColourDifference.ciede2000(target, other);
            double[] from = Srgb.labToRelative(target);
            double[] to = Srgb.labToRelative(other);
            var all = Directions.around(target, off, other);
            assertEquals(all.size(), 20);
            for (double[] d : all) {
                double rise = 0;
                for (int i = 0; i < 3; i++) {
                    rise += d[i] * (to[i] - from[i]);
                }
                assertTrue(rise > 0, target + " and " + other);
            }
        }
    }
}
