package org.pendrik.core.colour;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.pendrik.core.tables.DomainTable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Both ways to CIEDE2000 against the published table, and the fast one against the plain one. */
public class Ciede2000Test {
    private static final double EQUAL = 1e-9;

    private record Pair(Lab one, Lab two, double expected) {}

    private static List<Pair> table() {
        return DomainTable.load(
                Ciede2000Test.class,
                "ciede2000.csv",
                r ->
                        new Pair(
                                new Lab(r.number("l1"), r.number("a1"), r.number("b1")),
                                new Lab(r.number("l2"), r.number("a2"), r.number("b2")),
                                r.number("de")));
    }

    private static double fast(Lab one, Lab two) {
        return Ciede2000.of(one.l(), one.a(), one.b(), two.l(), two.a(), two.b());
    }

    @Test
    public void equalsThePublishedTableToFourDecimals() {
        assertEquals(table().size(), 34);
        for (Pair p : table()) {
            assertEquals(ColourDifference.ciede2000(p.one, p.two), p.expected, 5e-5, p.toString());
            assertEquals(
                    ColourDifference.ciede2000(p.two, p.one), p.expected, 5e-5, "swapped " + p);
            assertEquals(fast(p.one, p.two), p.expected, 5e-5, "fast " + p);
            assertEquals(fast(p.two, p.one), p.expected, 5e-5, "fast, swapped " + p);
        }
    }

    /**
     * How far the second colour may lie from the first, and the largest chroma axis of the first.
     */
    @DataProvider
    public Object[][] clouds() {
        return new Object[][] {
            {"anywhere", 128.0, 256.0}, {"close together", 90.0, 3.0}, {"nearly grey", 0.5, 1.0},
        };
    }

    @Test(dataProvider = "clouds")
    public void theFastWayEqualsThePlainOne(String name, double axis, double apart) {
        Random random = new Random(20);
        for (int i = 0; i < 50_000; i++) {
            Lab one =
                    new Lab(
                            random.nextDouble() * 100,
                            (random.nextDouble() * 2 - 1) * axis,
                            (random.nextDouble() * 2 - 1) * axis);
            Lab two =
                    new Lab(
                            Math.clamp(one.l() + (random.nextDouble() - 0.5) * apart, 0, 100),
                            one.a() + (random.nextDouble() - 0.5) * apart,
                            one.b() + (random.nextDouble() - 0.5) * apart);
            assertEquals(
                    fast(one, two), ColourDifference.ciede2000(one, two), EQUAL, one + " " + two);
        }
    }

    @Test
    public void theFastWayEqualsThePlainOneAroundBlueAndNearOppositeHues() {
        for (double hue = 0; hue < 360; hue += 0.25) {
            Lab one = at(hue, 40);
            for (double turn : new double[] {0, 0.1, 5, 60, 179, 179.99, 180.01, 181, 300}) {
                Lab two = at(hue + turn, 25);
                assertEquals(
                        fast(one, two),
                        ColourDifference.ciede2000(one, two),
                        EQUAL,
                        "hue " + hue + " turned by " + turn);
            }
        }
    }

    /** What the loops over arrays are off by at most; they count in floats. */
    private static final double FLOATS = 0.002;

    private static void assertManyAtOnceEqual(List<Lab> one, List<Lab> two) {
        float[][] ones = planes(one);
        float[][] twos = planes(two);
        float[] out = new float[one.size() + 1];
        out[one.size()] = -1;
        Ciede2000.differences(ones, twos, out, one.size());
        for (int i = 0; i < one.size(); i++) {
            // of the very colours that floats hold
            Lab p = new Lab(ones[0][i], ones[1][i], ones[2][i]);
            Lab q = new Lab(twos[0][i], twos[1][i], twos[2][i]);
            assertEquals(out[i], ColourDifference.ciede2000(p, q), FLOATS, p + " " + q);
        }
        assertEquals(out[one.size()], -1f, "written beyond what was asked for");
    }

    private static float[][] planes(List<Lab> colours) {
        float[][] out = new float[3][colours.size()];
        for (int i = 0; i < colours.size(); i++) {
            out[0][i] = (float) colours.get(i).l();
            out[1][i] = (float) colours.get(i).a();
            out[2][i] = (float) colours.get(i).b();
        }
        return out;
    }

    @Test
    public void manyAtOnceEqualThePublishedTable() {
        assertManyAtOnceEqual(
                table().stream().map(Pair::one).toList(), table().stream().map(Pair::two).toList());
    }

    @Test(dataProvider = "clouds")
    public void manyAtOnceEqualThePlainWay(String name, double axis, double apart) {
        Random random = new Random(21);
        List<Lab> one = new ArrayList<>();
        List<Lab> two = new ArrayList<>();
        for (int i = 0; i < 100_003; i++) {
            Lab p =
                    new Lab(
                            random.nextDouble() * 100,
                            (random.nextDouble() * 2 - 1) * axis,
                            (random.nextDouble() * 2 - 1) * axis);
            one.add(p);
            two.add(
                    new Lab(
                            Math.clamp(p.l() + (random.nextDouble() - 0.5) * apart, 0, 100),
                            p.a() + (random.nextDouble() - 0.5) * apart,
                            p.b() + (random.nextDouble() - 0.5) * apart));
        }
        assertManyAtOnceEqual(one, two);
    }

    @Test
    public void manyAtOnceEqualThePlainWayAroundBlueOppositeAndWithoutHue() {
        List<Lab> one = new ArrayList<>();
        List<Lab> two = new ArrayList<>();
        for (double hue = 0; hue < 360; hue += 0.25) {
            for (double turn : new double[] {0, 0.1, 5, 60, 179, 179.99, 180.01, 181, 300}) {
                one.add(at(hue, 40));
                two.add(at(hue + turn, 25));
            }
            for (double chroma : new double[] {0, 1e-7, 1e-3, 0.1}) {
                one.add(at(hue, chroma));
                two.add(at(hue + 170, 30));
                one.add(at(hue, 30));
                two.add(at(hue + 185, chroma));
                one.add(at(hue, chroma));
                two.add(at(hue + 180, chroma));
            }
        }
        assertManyAtOnceEqual(one, two);
    }

    private static Lab at(double hueDegrees, double chroma) {
        double h = Math.toRadians(hueDegrees);
        return new Lab(45, chroma * Math.cos(h), chroma * Math.sin(h));
    }

    @Test
    public void greyAgainstGreyIsLightnessAlone() {
        assertEquals(fast(new Lab(50, 0, 0), new Lab(50, 0, 0)), 0.0);
        assertEquals(
                fast(new Lab(50, 0, 0), new Lab(51, 0, 0)),
                ColourDifference.ciede2000(new Lab(50, 0, 0), new Lab(51, 0, 0)),
                EQUAL);
        assertTrue(fast(new Lab(0, 0, 0), new Lab(100, 0, 0)) > 99);
    }
}
