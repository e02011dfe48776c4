package org.pendrik.core.recipe.bound;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.testng.annotations.Test;

public final class NearColoursTest {
    static Lab near(Lab c, double far, SplittableRandom r) {
        return new Lab(
                c.l() + far * (r.nextDouble() - 0.5),
                c.a() + far * (r.nextDouble() - 0.5),
                c.b() + far * (r.nextDouble() - 0.5));
    }

    /** Colours of which some have near ones beyond grey. */
    private static Lab vividBlue(SplittableRandom r) {
        return new Lab(
                30 + 30 * r.nextDouble(), 40 + 20 * r.nextDouble(), -50 - 25 * r.nextDouble());
    }

    private static Lab any(SplittableRandom r, double most) {
        double hue = r.nextDouble() * 2 * Math.PI;
        double chroma = r.nextDouble() * most;
        return new Lab(5 + 90 * r.nextDouble(), chroma * Math.cos(hue), chroma * Math.sin(hue));
    }

    private static double[][] directions(Lab target, SplittableRandom r) {
        double[][] out = new double[40][];
        System.arraycopy(Directions.all(target), 0, out, 0, 26);
        for (int i = 26; i < out.length; i++) {
            out[i] = r.doubles(3, -1, 1).toArray();
        }
        return out;
    }

    private static double value(double[] d, double[] xyz) {
        return d[0] * xyz[0] + d[1] * xyz[1] + d[2] * xyz[2];
    }

    /** In each direction, no colour that is near enough lies beyond the part it is in. */
    @Test
    public void holdAllNearColours() {
        SplittableRandom r = new SplittableRandom(3);
        int inside = 0;
        int away = 0;
        for (int trial = 0; trial < 240; trial++) {
            boolean blue = trial % 4 == 0;
            Lab target = blue ? vividBlue(r) : any(r, trial % 4 == 1 ? 3 : 125);
            double reach = blue ? 9 + 5 * r.nextDouble() : Math.pow(10, r.nextDouble() * 3 - 1.7);
            List<NearColours> parts = NearColours.parts(target, reach);
            double[][] directions = directions(target, r);
            double[][] supports =
                    parts.stream().map(x -> x.supports(directions)).toArray(double[][]::new);
            Lab dull = new Lab(target.l(), -target.a() / 10, -target.b() / 10);
            for (int i = 0; i < 6_000; i++) {
                Lab c = i % 3 == 0 ? near(dull, 40, r) : near(target, reach * 6, r);
                if (c.l() < 0 || c.l() > 100 || ColourDifference.ciede2000(target, c) > reach) {
                    continue;
                }
                inside++;
                away += i % 3 == 0 ? 1 : 0;
                double[] xyz = Srgb.labToRelative(c);
                boolean held =
                        Arrays.stream(supports).anyMatch(most -> holds(directions, most, xyz));
                assertTrue(held, target + " within " + reach + " misses " + c);
            }
        }
        assertTrue(inside > 20_000, "only " + inside);
        assertTrue(away > 500, "only " + away + " beyond grey");
    }

    private static boolean holds(double[][] directions, double[] most, double[] xyz) {
        for (int d = 0; d < most.length; d++) {
            if (value(directions[d], xyz) > most[d] + 1e-9) {
                return false;
            }
        }
        return true;
    }

    /** They hold little else: no direction goes a third beyond the outermost near colour. */
    @Test
    public void areTight() {
        SplittableRandom r = new SplittableRandom(8);
        for (int trial = 0; trial < 15; trial++) {
            Lab target = any(r, 60);
            double reach = 0.05 + 3 * r.nextDouble();
            double[][] directions = Directions.all(target);
            double[] most = NearColours.parts(target, reach).getFirst().supports(directions);
            double[] outermost = new double[most.length];
            double[] middle = Srgb.labToRelative(target);
            for (int i = 0; i < 12_000; i++) {
                // on the border, where a ray leaves
                Lab ray = near(new Lab(0, 0, 0), 1, r);
                double far = border(target, ray, reach);
                double[] xyz = Srgb.labToRelative(along(target, ray, far));
                for (int d = 0; d < most.length; d++) {
                    double at = value(directions[d], xyz) - value(directions[d], middle);
                    outermost[d] = Math.max(outermost[d], at);
                }
            }
            for (int d = 0; d < most.length; d++) {
                double at = most[d] - value(directions[d], middle);
                assertTrue(
                        at < 1.34 * outermost[d],
                        target + " within " + reach + ": " + at + " for " + outermost[d]);
            }
        }
    }

    private static Lab along(Lab from, Lab ray, double far) {
        return new Lab(
                from.l() + far * ray.l(), from.a() + far * ray.a(), from.b() + far * ray.b());
    }

    private static double border(Lab target, Lab ray, double reach) {
        double low = 0;
        double high = 1000;
        for (int i = 0; i < 30; i++) {
            double mid = (low + high) / 2;
            if (ColourDifference.ciede2000(target, along(target, ray, mid)) <= reach) {
                low = mid;
            } else {
                high = mid;
            }
        }
        return low;
    }

    /** There are two parts only where saturated colours have near ones beyond grey. */
    @Test
    public void fallIntoTwoPartsWhereSomeLieBeyondGrey() {
        SplittableRandom r = new SplittableRandom(9);
        int two = 0;
        for (int trial = 0; trial < 60; trial++) {
            Lab target = vividBlue(r);
            List<NearColours> parts = NearColours.parts(target, 10 + 4 * r.nextDouble());
            parts.forEach(part -> assertFalse(part.empty()));
            if (parts.size() == 2) {
                two++;
                assertTrue(parts.get(1).middle().chroma() < target.chroma() / 2);
            }
        }
        assertTrue(two > 5, "only " + two);
        assertEquals(NearColours.parts(new Lab(50, 0, 0), 5).size(), 1);
        assertEquals(NearColours.parts(new Lab(50, 60, -70), 0.5).size(), 1);
        assertEquals(NearColours.parts(new Lab(50, 60, -70), 1e-7).size(), 1);
    }
}
