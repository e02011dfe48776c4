package org.pendrik.core.measure;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Region;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Watch;
import org.testng.annotations.Test;

public class SideMeasurerTest {
    private static final Region BODY = new Region("body", 400, 200, 1600, 800);
    private static final List<ClassSample> TWO =
            List.of(
                    Painted.sample(WeatherClass.PAINT, 40, 40),
                    Painted.sample(WeatherClass.FRESH_RUST, 40, 340));

    private static boolean patch(double x, double y) {
        return x < 200 && y > 300 && y < 460;
    }

    @Test
    public void coverSpotsAndTheirDiameters() {
        // a grid of discs of 60 mm: 32 of them
        Painted p =
                Painted.by(
                        (x, y) -> {
                            boolean disc =
                                    x > 400
                                            && Math.hypot((x % 200) - 100, (y % 200) - 100) < 30
                                            && x < 2000
                                            && y > 200
                                            && y < 1000;
                            return disc || patch(x, y) ? Painted.RUST : Painted.GREEN;
                        });
        MeasuredRegion r = Painted.measure(p.plane(), TWO, BODY).regions().getFirst();
        double truth = 32 * Math.PI * 900 / (1600.0 * 800);
        assertEquals(
                r.toldCover().orElseThrow().share(WeatherClass.FRESH_RUST).orElseThrow(),
                truth,
                0.004);
        Spots s = r.spots().get(WeatherClass.FRESH_RUST).told().orElseThrow();
        assertEquals(s.count(), 32);
        assertEquals(s.medianMm(), 60, 2);
        assertEquals(s.areaMm2(), 32 * Math.PI * 900, 4000);
        assertEquals(s.perSquareMetre(), 32 / 1.28, 0.6);
    }

    @Test
    public void componentsEqualAFloodFill() {
        var random = new java.util.SplittableRandom(12);
        for (int round = 0; round < 40; round++) {
            int w = 23;
            int h = 17;
            float[] part = new float[w * h];
            for (int i = 0; i < part.length; i++) {
                part[i] = random.nextDouble() < 0.42 ? 1 : random.nextInt(20) == 0 ? Float.NaN : 0;
            }
            int[] found = Marks.components(part, w, h);
            int[] flood = new int[part.length];
            int count = 0;
            for (int i = 0; i < part.length; i++) {
                if (part[i] >= 0.5f && flood[i] == 0) {
                    fill(part, flood, i, ++count, w, h);
                }
            }
            for (int i = 0; i < part.length; i++) {
                for (int j = 0; j < part.length; j++) {
                    assertEquals(
                            found[i] != 0 && found[i] == found[j],
                            flood[i] != 0 && flood[i] == flood[j]);
                }
            }
        }
    }

    private static void fill(float[] part, int[] label, int i, int n, int w, int h) {
        if (!(part[i] >= 0.5f) || label[i] != 0) {
            return;
        }
        label[i] = n;
        for (int dy = -1; dy <= 1; dy++) {
            for (int dx = -1; dx <= 1; dx++) {
                int x = i % w + dx;
                int y = i / w + dy;
                if (x >= 0 && y >= 0 && x < w && y < h) {
                    fill(part, label, y * w + x, n, w, h);
                }
            }
        }
    }

    @Test
    public void streaksRunAsTheyWereDrawn() {
        for (double angle : new double[] {-30, -8, 0, 12, 25}) {
            double slope = Math.tan(Math.toRadians(angle));
            Painted p =
                    Painted.by(
                            (x, y) -> {
                                double across = x - slope * (y - 350);
                                boolean on =
                                        y > 350
                                                && y < 750
                                                && Math.abs(Math.floorMod((int) across, 160) - 80)
                                                        < 12
                                                && x > 420
                                                && x < 1980;
                                return on || patch(x, y) ? Painted.RUST : Painted.GREEN;
                            });
            Streaks s =
                    Painted.measure(p.plane(), TWO, BODY)
                            .regions()
                            .getFirst()
                            .streaks()
                            .get(WeatherClass.FRESH_RUST)
                            .told()
                            .orElseThrow();
            assertEquals(s.angleDegrees(), angle, 1.0);
            assertTrue(s.coherence() > 0.6, "" + s.coherence());
            assertEquals(s.lengthMm(), 400, 40);
            assertEquals(s.spacingMm(), 160, 12);
            assertEquals(s.startMm(), 350, 25);
            assertTrue(s.count() >= 7 && s.count() <= 12, s.count() + " at " + angle);
        }
    }

    @Test
    public void discsHaveNoDirection() {
        Painted p =
                Painted.by(
                        (x, y) ->
                                Math.hypot((x % 160) - 80, (y % 160) - 80) < 35 || patch(x, y)
                                        ? Painted.RUST
                                        : Painted.GREEN);
        var s =
                Painted.measure(p.plane(), TWO, BODY)
                        .regions()
                        .getFirst()
                        .streaks()
                        .get(WeatherClass.FRESH_RUST);
        assertTrue(s.refusal().orElseThrow().startsWith("No direction stands out"), s.toString());
    }

    @Test
    public void dustStandsAsHighAsItWasLaid() {
        for (double half : new double[] {150, 300, 420}) {
            double decay = 55;
            Painted p =
                    Painted.by(
                            (x, y) -> {
                                double s = 0.8 / (1 + Math.exp((1000 - y - half) / decay));
                                return Painted.mixed(Painted.GREEN, Painted.DUST, s);
                            });
            DustHeight d =
                    Painted.measure(p.plane(), List.of(), BODY)
                            .regions()
                            .getFirst()
                            .dust()
                            .told()
                            .orElseThrow();
            double truth = half + decay * Math.log(1 + 2 * Math.exp(-half / decay));
            assertEquals(d.halfHeightMm(), truth, 16);
            assertTrue(d.relative());
        }
    }

    @Test
    public void paintThatIsALittleOffItsSampleIsNotDust() {
        Painted p =
                Painted.by(
                        (x, y) -> {
                            if (x < 200) {
                                return y < 300 ? Painted.GREEN : Painted.DUST;
                            }
                            // towards the dust all over, and hardly more at the foot
                            return Painted.mixed(
                                    Painted.GREEN, Painted.DUST, 0.25 + 0.05 * y / 1200);
                        });
        var samples =
                List.of(
                        Painted.sample(WeatherClass.PAINT, 40, 40),
                        Painted.sample(WeatherClass.DUST, 40, 400));
        var dust = Painted.measure(p.plane(), samples, BODY).regions().getFirst().dust();
        assertTrue(dust.refusal().orElseThrow().contains("no dustier"), dust.toString());
    }

    @Test
    public void cleanPaintHasNoDustHeight() {
        Painted p = Painted.by((x, y) -> Painted.GREEN);
        var d = Painted.measure(p.plane(), List.of(), BODY).regions().getFirst().dust();
        assertTrue(d.refusal().isPresent());
    }

    @Test
    public void kickUpStandsInAUAndSootTrailsOff() {
        Painted ends =
                Painted.by(
                        (x, y) -> {
                            double u = Math.abs(x - 1200) / 800;
                            return Painted.mixed(Painted.GREEN, Painted.DUST, u > 0.7 ? 0.7 : 0.15);
                        });
        AlongLength u =
                Painted.measure(ends.plane(), List.of(), new Region("end", 400, 200, 1600, 800))
                        .regions()
                        .getFirst()
                        .along()
                        .told()
                        .orElseThrow();
        assertTrue(u.standsInU(), u.toString());
        Painted soot =
                Painted.by(
                        (x, y) ->
                                Painted.mixed(
                                        Painted.GREEN,
                                        Painted.BLACK,
                                        x < 700 ? 0.05 : 0.05 + 0.85 * Math.exp(-(x - 700) / 430)));
        AlongLength s =
                SideMeasurer.measure(
                                new SideMeasurer.Question(
                                        soot.plane(),
                                        Painted.resolution(0.5),
                                        List.of(BODY),
                                        Optional.empty(),
                                        List.of(),
                                        Optional.empty(),
                                        true),
                                Watch.NOBODY)
                        .regions()
                        .getFirst()
                        .along()
                        .told()
                        .orElseThrow();
        assertEquals(s.peakMm(), 720, 60);
        assertEquals(s.halfRightMm().orElseThrow(), 430 * Math.log(2), 70);
        assertFalse(s.standsInU());
    }

    @Test
    public void wornEdgesAreCountedAlongTheirLength() {
        Painted p =
                Painted.by(
                        (x, y) -> {
                            boolean scrape = Math.abs(y - 600) < 14 && x % 400 < 100 && x > 400;
                            return scrape || patch(x, y) ? Painted.RUST : Painted.GREEN;
                        });
        var q =
                new SideMeasurer.Question(
                        p.plane(),
                        Painted.resolution(0.5),
                        List.of(),
                        Painted.learn(p.plane(), TWO),
                        List.of(
                                new EdgeWear.Edge(
                                        "sill", new Point(400, 600), new Point(2000, 600)),
                                new EdgeWear.Edge(
                                        "sill", new Point(400, 900), new Point(2000, 900))),
                        Optional.empty(),
                        false);
        List<Answer<EdgeWear>> edges = SideMeasurer.measure(q, Watch.NOBODY).edges();
        EdgeWear e = edges.getFirst().told().orElseThrow();
        // of the same name, and apart
        assertEquals(edges.get(1).told().orElseThrow().scrapes(), 0);
        assertEquals(e.wornShare(), 0.25, 0.03);
        assertEquals(e.scrapes(), 4);
        assertEquals(e.longestMm(), 100, 12);
        assertEquals(e.depthMm(), 28, 8);
    }

    @Test
    public void blackPaintAndGrimeAreNotToldApart() {
        Painted p = Painted.by((x, y) -> x > 1200 ? Painted.GRIME : Painted.BLACK);
        var samples =
                List.of(
                        Painted.sample(WeatherClass.PAINT, 100, 100),
                        Painted.sample(WeatherClass.GRIME, 1500, 100));
        var result = Painted.measure(p.plane(), samples, BODY);
        assertTrue(result.pairs().getFirst().inseparable(), result.pairs().toString());
        var cover = result.regions().getFirst().toldCover().orElseThrow();
        assertTrue(cover.share(WeatherClass.GRIME).isEmpty());
        assertTrue(
                cover.classes().getFirst().note().startsWith("Cannot be told from grime"),
                cover.toString());
    }

    @Test
    public void greenPaintAndRustAreToldApart() {
        Painted p = Painted.by((x, y) -> patch(x, y) ? Painted.RUST : Painted.GREEN);
        var pair = Painted.measure(p.plane(), TWO, BODY).pairs().getFirst();
        assertTrue(pair.confused() < 0.001, pair.toString());
    }

    @Test
    public void letteringIsRejectedUntilACounterSampleClaimsIt() {
        Lab cream = new Lab(86, 1, 14);
        Painted p =
                Painted.by(
                        (x, y) -> {
                            boolean letter = x > 800 && x < 1200 && y > 400 && y < 500;
                            return letter ? cream : patch(x, y) ? Painted.RUST : Painted.GREEN;
                        });
        var plane = p.plane();
        var before = Painted.measure(plane, TWO, BODY).regions().getFirst();
        double share = 400.0 * 100 / (1600 * 800);
        assertEquals(
                before.toldCover().orElseThrow().share(WeatherClass.OTHER).orElseThrow(),
                share,
                0.004);
        List<ClassSample> more = new ArrayList<>(TWO);
        more.add(Painted.sample(WeatherClass.WHITE_MINERAL, 900, 410));
        var after = Painted.measure(plane, more, BODY).regions().getFirst();
        assertEquals(
                after.toldCover().orElseThrow().share(WeatherClass.WHITE_MINERAL).orElseThrow(),
                share,
                0.004);
    }

    @Test
    public void anExcludedPlaceIsNotCounted() {
        Painted p = Painted.by((x, y) -> x < 1200 ? Painted.RUST : Painted.GREEN);
        Region left = new Region("shadow", 400, 200, 800, 800);
        MeasuredRegion r = Painted.measure(p.plane(left), List.of(), BODY).regions().getFirst();
        assertEquals(r.base().orElseThrow().median().distance(Painted.GREEN), 0, 1.5);
        assertEquals(r.excludedShare(), 0.5, 0.01);
    }

    @Test
    public void aPhotographTooSmallSaysHowManyPixelsItNeeds() {
        Painted p =
                Painted.by(
                        (x, y) ->
                                Math.hypot((x % 160) - 80, (y % 160) - 80) < 35 || patch(x, y)
                                        ? Painted.RUST
                                        : Painted.GREEN);
        var q =
                new SideMeasurer.Question(
                        p.plane(),
                        Painted.resolution(0.05),
                        List.of(BODY),
                        Painted.learn(p.plane(), TWO),
                        List.of(),
                        Optional.empty(),
                        false);
        String said =
                SideMeasurer.measure(q, Watch.NOBODY)
                        .regions()
                        .getFirst()
                        .spots()
                        .get(WeatherClass.FRESH_RUST)
                        .refusal()
                        .orElseThrow();
        // 2 px over 15.2 mm on 2400 mm
        assertTrue(said.contains("at least 316 px long; here it is 120"), said);
    }

    @Test
    public void aSampleOfNothingIsRefusedByName() {
        Painted p = Painted.by((x, y) -> Painted.GREEN);
        var q = List.of(new ClassSample(WeatherClass.SOOT, new Region("speck", 100, 100, 5, 5)));
        InvalidInput e = expectThrows(InvalidInput.class, () -> ClassModel.learn(p.plane(), q));
        assertTrue(e.getMessage().startsWith("Sample of soot (1 pixels)"), e.getMessage());
    }

    @Test
    public void longWorkCanBeStopped() {
        Painted p = Painted.by((x, y) -> Painted.GREEN);
        List<String> said = Collections.synchronizedList(new ArrayList<>());
        var q =
                new SideMeasurer.Question(
                        p.plane(),
                        Painted.resolution(0.5),
                        Collections.nCopies(40, BODY),
                        Optional.empty(),
                        List.of(),
                        Optional.empty(),
                        false);
        expectThrows(
                CancellationException.class,
                () ->
                        SideMeasurer.measure(
                                q,
                                (what, share) -> {
                                    said.add(what);
                                    if (share > 0.42) {
                                        throw new CancellationException(what);
                                    }
                                }));
        // pieces that had begun may still end meanwhile
        List<String> begun = List.copyOf(said);
        assertEquals(begun.subList(0, 2), List.of("Focus along the side", "Measuring body"));
        assertTrue(begun.size() < 30, "the pieces that follow are not begun: " + begun.size());
    }

    @Test
    public void theSmallestMarkFollowsTheEye() {
        Sight s = new Sight(600, 87.1);
        assertEquals(s.smallestModelMm(), 0.1745, 1e-4);
        assertEquals(s.smallestPrototypeMm(), 15.2, 0.01);
        assertTrue(Sight.toolFor(Sight.Mark.SPOT, 0.5).orElseThrow().name().contains("sponge"));
        assertTrue(Sight.toolFor(Sight.Mark.SPOT, 0.02).orElseThrow().name().contains("finest"));
        assertEquals(Sight.toolFor(Sight.Mark.SPOT, 500), Optional.empty());
    }
}
