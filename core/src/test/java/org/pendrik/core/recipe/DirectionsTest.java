package org.pendrik.core.recipe;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.SplittableRandom;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.testng.annotations.Test;

public final class DirectionsTest {
    /** A step of so many ΔE00 is about that large, and the map to steps takes it back. */
    @Test
    public void stepsAreDifferences() {
        SplittableRandom r = new SplittableRandom(2);
        for (int trial = 0; trial < 50; trial++) {
            // the term that turns blue towards purple is no part of it
            Lab c = new Lab(30 + 50 * r.nextDouble(), 40 * r.nextDouble(), 30 * r.nextDouble());
            double[] frame = Directions.frame(c);
            double[][] map = Directions.steps(c);
            for (int axis = 0; axis < 3; axis++) {
                double[] of = new double[3];
                of[axis] = 0.1;
                double[] step = Directions.along(frame, of[0], of[1], of[2]);
                Lab there = new Lab(c.l() + step[0], c.a() + step[1], c.b() + step[2]);
                // G stretches a* of dull colours and T shrinks hues
                double off = ColourDifference.ciede2000(c, there);
                assertTrue(off > 0.07 && off < 0.16, c + " axis " + axis + ": " + off);
                double[] from = Srgb.labToRelative(c);
                double[] to = Srgb.labToRelative(there);
                for (int row = 0; row < 3; row++) {
                    double back = 0;
                    for (int i = 0; i < 3; i++) {
                        back += map[row][i] * (to[i] - from[i]);
                    }
                    assertEquals(back, of[row], 0.005, c + " axis " + axis + " row " + row);
                }
            }
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
