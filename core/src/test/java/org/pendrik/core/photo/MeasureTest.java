package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import java.util.SplittableRandom;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.LightKnown;
import org.pendrik.core.colour.Srgb;
import org.testng.annotations.Test;

public class MeasureTest {
    private static final Region ALL = new Region("all", 0, 0, 1000, 1000);
    private static final double PX_PER_MM = 0.1;
    private static final Lab FACTORY = new Lab(40, 30, 20);
    private static final Lab WEATHERED = new Lab(48, 18, 16);

    private static Raster painted(Lab colour, double noise, double specks, long seed) {
        Random random = new Random(seed);
        Raster r = Raster.empty(100, 100);
        for (int i = 0; i < r.argb().length; i++) {
            Lab c =
                    random.nextDouble() < specks
                            ? new Lab(90, 0, 5)
                            : new Lab(
                                    colour.l() + noise * random.nextGaussian(),
                                    colour.a() + noise * random.nextGaussian(),
                                    colour.b() + noise * random.nextGaussian());
            r.argb()[i] = Raster.OPAQUE | Srgb.toPixel(c);
        }
        return r;
    }

    /** As under a card that leaves the light as it is. */
    private static final GreyBalance CARD = GreyBalance.NONE.by(LightKnown.CARD);

    private static ColourSample sample(Lab colour) {
        return sample(colour, CARD);
    }

    private static ColourSample sample(Lab colour, GreyBalance light) {
        return RegionSampler.measure(painted(colour, 2, 0, 1), PX_PER_MM, ALL, light).orElseThrow();
    }

    /** The same picture twice, but nothing says what the lamps were. */
    @Test
    public void withoutACardNothingIsAsThePrototype() {
        for (LightKnown by : LightKnown.values()) {
            GreyBalance light = GreyBalance.NONE.by(by);
            var v =
                    SideComparison.judge(
                            ALL, sample(WEATHERED, light), sample(WEATHERED, light), FACTORY);
            assertEquals(
                    v.verdict(),
                    by == LightKnown.CARD ? Verdict.AS_PROTOTYPE : Verdict.CANNOT_TELL,
                    by + " ± " + v.plusMinus());
        }
    }

    @Test
    public void theMedianIgnoresAThirdOfSpecks() {
        var s =
                RegionSampler.measure(
                                painted(FACTORY, 1.5, 0.33, 4), PX_PER_MM, ALL, GreyBalance.NONE)
                        .orElseThrow();
        assertTrue(ColourDifference.ciede2000(s.median(), FACTORY) < 1.2, s.toString());
    }

    @Test
    public void spreadGrowsWithTheScatter() {
        double last = 0;
        for (double noise : new double[] {0.5, 2, 5}) {
            var s =
                    RegionSampler.measure(
                                    painted(FACTORY, noise, 0, 9), PX_PER_MM, ALL, GreyBalance.NONE)
                            .orElseThrow();
            assertTrue(s.spread() > last);
            last = s.spread();
        }
    }

    @Test
    public void glareIsLeftOutAndSaid() {
        Raster r = painted(FACTORY, 1, 0, 2);
        Arrays.fill(r.argb(), 0, 3000, 0xffffffff);
        var s = RegionSampler.measure(r, PX_PER_MM, ALL, GreyBalance.NONE).orElseThrow();
        assertEquals(s.leftOutShare(), 0.3, 1e-9);
        assertTrue(ColourDifference.ciede2000(s.median(), FACTORY) < 1);
    }

    @Test
    public void aRegionOffThePhotographGivesNothing() {
        assertTrue(
                RegionSampler.measure(Raster.empty(50, 50), PX_PER_MM, ALL, GreyBalance.NONE)
                        .isEmpty());
        assertTrue(
                RegionSampler.measure(
                                painted(FACTORY, 1, 0, 2),
                                PX_PER_MM,
                                new Region("far", 5000, 5000, 10, 10),
                                GreyBalance.NONE)
                        .isEmpty());
    }

    @Test
    public void theVerdictFollowsTheWayOfWeathering() {
        ColourSample prototype = sample(WEATHERED);
        assertEquals(verdict(prototype, FACTORY.towards(WEATHERED, 0.4)), Verdict.LIGHTER);
        assertEquals(verdict(prototype, WEATHERED), Verdict.AS_PROTOTYPE);
        assertEquals(verdict(prototype, FACTORY.towards(WEATHERED, 1.6)), Verdict.HEAVIER);
    }

    private static Verdict verdict(ColourSample prototype, Lab model) {
        var v = SideComparison.judge(ALL, prototype, sample(model), FACTORY);
        double expected = (model.l() - FACTORY.l()) / (WEATHERED.l() - FACTORY.l());
        assertEquals(v.progress(), expected, 0.06);
        return v.verdict();
    }

    /** Beside the way by as much as to be seen, whichever way that is; nearer it is the same. */
    @Test
    public void asFarAlongInAnotherColourIsNotAsThePrototype() {
        ColourSample prototype = sample(WEATHERED);
        SplittableRandom random = new SplittableRandom(7);
        double[] way = {
            WEATHERED.l() - FACTORY.l(), WEATHERED.a() - FACTORY.a(), WEATHERED.b() - FACTORY.b()
        };
        for (int i = 0; i < 60; i++) {
            double[] beside = besideOf(way, random);
            for (double by : new double[] {1, 14}) {
                Lab model =
                        new Lab(
                                WEATHERED.l() + by * beside[0],
                                WEATHERED.a() + by * beside[1],
                                WEATHERED.b() + by * beside[2]);
                var v = SideComparison.judge(ALL, prototype, sample(model), FACTORY);
                assertEquals(
                        v.verdict(),
                        by < 2 ? Verdict.AS_PROTOTYPE : Verdict.OTHER_COLOUR,
                        model + ": " + v);
            }
        }
    }

    /** A unit vector at right angles to another one. */
    private static double[] besideOf(double[] way, SplittableRandom random) {
        double[] v = random.doubles(3, -1, 1).toArray();
        double dot = 0;
        double square = 0;
        for (int k = 0; k < 3; k++) {
            dot += v[k] * way[k];
            square += way[k] * way[k];
        }
        double length = 0;
        for (int k = 0; k < 3; k++) {
            v[k] -= dot / square * way[k];
            length = Math.hypot(length, v[k]);
        }
        for (int k = 0; k < 3; k++) {
            v[k] /= length;
        }
        return v;
    }

    @Test
    public void aCleanPrototypeMakesAnyDirtTooMuch() {
        ColourSample clean = sample(FACTORY);
        assertEquals(
                SideComparison.judge(ALL, clean, sample(WEATHERED), FACTORY).verdict(),
                Verdict.HEAVIER);
        assertEquals(
                SideComparison.judge(ALL, clean, clean, FACTORY).verdict(), Verdict.AS_PROTOTYPE);
    }

    /**
     * Whatever is said to be as the prototype is near it, and the photographs would show if not.
     */
    @Test
    public void whatIsAsThePrototypeIsNearIt() {
        SplittableRandom random = new SplittableRandom(31);
        int same = 0;
        int other = 0;
        int open = 0;
        for (int i = 0; i < 4000; i++) {
            Lab factory = near(new Lab(50, 0, 0), 40, random);
            ColourSample prototype = measured(near(factory, 12, random), random);
            double reach = random.nextInt(4) == 0 ? 2 : 12;
            ColourSample model = measured(near(prototype.median(), reach, random), random);
            RegionVerdict v =
                    SideComparison.judge(
                            ALL, prototype, model, random.nextInt(5) == 0 ? null : factory);
            double apart = prototype.median().distance(model.median());
            double seen = v.difference().deltaE00();
            assertEquals(v.open().isPresent(), v.verdict() == Verdict.CANNOT_TELL);
            if (v.verdict() == Verdict.AS_PROTOTYPE) {
                same++;
                assertTrue(seen <= 2.3 && v.plusMinus() <= 4.6, v.toString());
            } else if (v.verdict() == Verdict.OTHER_COLOUR) {
                other++;
                assertTrue(Math.min(apart, seen) > v.tolerance(), v.toString());
            } else if (v.open().equals(Optional.of(RegionVerdict.Open.TOO_UNSURE))) {
                open++;
                assertTrue(seen > 2.3 || v.plusMinus() > 4.6, v.toString());
                assertFalse(v.isSeen());
            }
        }
        assertTrue(
                same > 200 && other > 200 && open > 200,
                same + " alike, " + other + " in another colour, " + open + " open");
    }

    private static ColourSample measured(Lab colour, SplittableRandom random) {
        double open = 0.6 + 4 * random.nextDouble();
        return new ColourSample(colour, true, 1, open, open, 5000, 0);
    }

    private static Lab near(Lab c, double reach, SplittableRandom random) {
        return new Lab(
                c.l() + reach * (2 * random.nextDouble() - 1),
                c.a() + reach * (2 * random.nextDouble() - 1),
                c.b() + reach * (2 * random.nextDouble() - 1));
    }

    @Test
    public void withoutTheFactoryColourNoDirectionIsClaimed() {
        var far = SideComparison.judge(ALL, sample(WEATHERED), sample(FACTORY), null);
        assertEquals(far.verdict(), Verdict.CANNOT_TELL);
        assertTrue(Double.isNaN(far.progress()));
        assertEquals(far.open(), Optional.of(RegionVerdict.Open.NO_FACTORY_COLOUR));
        assertTrue(far.isSeen());
        assertEquals(
                SideComparison.judge(ALL, sample(WEATHERED), sample(WEATHERED), null).verdict(),
                Verdict.AS_PROTOTYPE);
    }

    @Test
    public void theMapIsTheDifferenceOfPlainColours() {
        Raster one = painted(FACTORY, 0, 0, 1);
        Raster two = painted(WEATHERED, 0, 0, 1);
        two.argb()[0] = 0;
        for (double blur : new double[] {0, 3}) {
            var map = SideComparison.map(one, GreyBalance.NONE, two, GreyBalance.NONE, blur);
            double expected =
                    ColourDifference.ciede2000(
                            Srgb.toLab(Srgb.toPixel(FACTORY)), Srgb.toLab(Srgb.toPixel(WEATHERED)));
            assertEquals(map.deltaE00()[5050], expected, 0.01);
            assertEquals(SideComparison.median(map).orElseThrow(), expected, 0.01);
        }
        assertTrue(
                Float.isNaN(
                        SideComparison.map(one, GreyBalance.NONE, two, GreyBalance.NONE, 0)
                                .deltaE00()[0]));
    }

    @Test
    public void blurTakesFineSpecksAway() {
        Raster plain = painted(FACTORY, 0, 0, 1);
        Raster specked = painted(FACTORY, 0, 0.5, 6);
        double sharp =
                spread(
                        SideComparison.map(plain, GreyBalance.NONE, specked, GreyBalance.NONE, 0)
                                .deltaE00());
        double soft =
                spread(
                        SideComparison.map(plain, GreyBalance.NONE, specked, GreyBalance.NONE, 4)
                                .deltaE00());
        assertTrue(soft < sharp / 4, soft + " against " + sharp);
    }

    private static double spread(float[] v) {
        double mean = 0;
        for (float f : v) {
            mean += f / v.length;
        }
        double sum = 0;
        for (float f : v) {
            sum += (f - mean) * (f - mean) / v.length;
        }
        return Math.sqrt(sum);
    }

    @Test
    public void theEyeBlurIsHalfAnArcMinute() {
        // 1 arc-minute at 600 mm is 0.1745 mm; in H0 half of it is 7.6 mm of the prototype
        assertEquals(SideComparison.eyeBlurMm(600, 87.1), 7.601, 0.005);
    }

    @Test
    public void theShadeOfAMapGetsDarkerWithTheDifference() {
        int last = 256;
        for (float d = 0; d <= 20; d += 2) {
            int grey = SideComparison.shade(d) & 255;
            assertTrue(grey < last, "at " + d);
            last = grey;
        }
        assertEquals(SideComparison.shade(Float.NaN), 0);
    }
}
