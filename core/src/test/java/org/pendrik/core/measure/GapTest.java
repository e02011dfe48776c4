package org.pendrik.core.measure;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.Verdict;
import org.pendrik.core.units.Watch;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class GapTest {
    private static final Region BODY = new Region("body", 400, 200, 1600, 800);
    private static final List<ClassSample> SAMPLES =
            List.of(
                    Painted.sample(WeatherClass.PAINT, 20, 20),
                    Painted.sample(WeatherClass.FRESH_RUST, 200, 20),
                    Painted.sample(WeatherClass.DUST, 2200, 20));

    private static Optional<Lab> sampled(double x, double y) {
        if (y < 120 && x > 180 && x < 320) {
            return Optional.of(Painted.RUST);
        }
        return y < 120 && x > 2180 ? Optional.of(Painted.DUST) : Optional.empty();
    }

    /** Spots of rust in rows, every {@code apart} mm. */
    private static MeasuredRegion spotted(double radius, double apart) {
        return measured(
                (x, y) ->
                        Math.hypot(x % apart - apart / 2, y % apart - apart / 2) < radius && y > 150
                                ? Painted.RUST
                                : Painted.GREEN,
                false);
    }

    /** Dust of 0.7 at both ends of the body over a thin film in the middle, 0.1. */
    private static MeasuredRegion kickedUp(double middle, boolean roof) {
        return measured(
                (x, y) -> {
                    double share = Math.abs(x - 1200) > 520 ? 0.7 : middle;
                    return Painted.mixed(Painted.GREEN, Painted.DUST, share);
                },
                roof);
    }

    private static MeasuredRegion measured(Painted.Rule rule, boolean roof) {
        LabPlane plane =
                Painted.by(
                                (x, y) ->
                                        sampled(x, y)
                                                .orElseGet(
                                                        () ->
                                                                y < 120
                                                                        ? Painted.GREEN
                                                                        : rule.at(x, y)))
                        .plane();
        return only(plane, SAMPLES, roof);
    }

    private static MeasuredRegion only(LabPlane plane, List<ClassSample> samples, boolean roof) {
        return SideMeasurer.measure(
                        new SideMeasurer.Question(
                                plane,
                                Painted.resolution(0.5),
                                List.of(BODY),
                                Painted.learn(plane, samples),
                                List.of(),
                                Optional.empty(),
                                roof),
                        Watch.NOBODY)
                .regions()
                .getFirst();
    }

    private static Optional<Gap> of(List<Gap> gaps, Gap.Kind kind) {
        return gaps.stream().filter(g -> g.kind() == kind).findFirst();
    }

    @Test
    public void aSideHeldAgainstItselfHasNoGap() {
        MeasuredRegion r = spotted(24, 160);
        List<Gap> gaps = Gap.between(r, r);
        assertTrue(gaps.size() >= 3, gaps.toString());
        for (Gap g : gaps) {
            Verdict v = g.plusMinus() > g.notSeen() ? Verdict.CANNOT_TELL : Verdict.AS_PROTOTYPE;
            assertEquals(g.verdict(), v, g.toString());
            assertEquals(g.difference(), 0.0);
        }
        assertTrue(gaps.stream().anyMatch(g -> !g.isUnsure()), gaps.toString());
    }

    @Test
    public void moreAndLargerSpotsAreHeavier() {
        MeasuredRegion few = spotted(20, 200);
        MeasuredRegion many = spotted(36, 130);
        List<Gap> gaps = Gap.between(few, many);
        Gap cover = of(gaps, Gap.Kind.COVER).orElseThrow();
        assertEquals(cover.of(), Optional.of(WeatherClass.FRESH_RUST));
        assertEquals(cover.verdict(), Verdict.HEAVIER);
        double truth = 100 * Math.PI * (36 * 36 / (130.0 * 130) - 20 * 20 / (200.0 * 200));
        assertEquals(cover.difference(), truth, 2);
        assertEquals(of(gaps, Gap.Kind.SPOT_DIAMETER).orElseThrow().difference(), 32, 4);
        assertEquals(
                of(gaps, Gap.Kind.SPOT_DENSITY).orElseThrow().difference(),
                1e6 / (130 * 130) - 1e6 / (200 * 200),
                4);
        assertTrue(
                of(Gap.between(many, few), Gap.Kind.COVER).orElseThrow().verdict()
                        == Verdict.LIGHTER);
    }

    @Test
    public void dustTowardsBothEndsIsHeldAgainstDustTowardsBothEnds() {
        Gap g =
                of(Gap.between(kickedUp(0.1, false), kickedUp(0.35, false)), Gap.Kind.KICK_UP)
                        .orElseThrow();
        assertEquals(g.verdict(), Verdict.LIGHTER, g.toString());
        assertEquals(g.difference(), -25, 5);
        assertEquals(g.of(), Optional.of(WeatherClass.DUST));
        assertTrue(
                of(Gap.between(kickedUp(0.1, false), kickedUp(0.1, true)), Gap.Kind.KICK_UP)
                        .isEmpty(),
                "soot on a roof is not held against dust on a side");
    }

    @Test
    public void sootOnARoofIsHeldAgainstSootByItsPlaceAndStrength() {
        List<ClassSample> samples =
                List.of(
                        Painted.sample(WeatherClass.PAINT, 20, 20),
                        Painted.sample(WeatherClass.SOOT, 2200, 20));
        MeasuredRegion far = sooted(samples, 900, 0.8);
        MeasuredRegion near = sooted(samples, 1500, 0.4);
        List<Gap> gaps = Gap.between(far, near);
        Gap place = of(gaps, Gap.Kind.FILM_PLACE).orElseThrow();
        assertEquals(place.difference(), 600, 80);
        assertEquals(place.verdict(), Verdict.HEAVIER, "further along");
        Gap strength = of(gaps, Gap.Kind.FILM_STRENGTH).orElseThrow();
        assertEquals(strength.verdict(), Verdict.LIGHTER);
        assertTrue(of(gaps, Gap.Kind.KICK_UP).isEmpty());
    }

    private static MeasuredRegion sooted(List<ClassSample> samples, double at, double most) {
        LabPlane plane =
                Painted.by(
                                (x, y) ->
                                        y < 120 && x > 2180
                                                ? Painted.BLACK
                                                : Painted.mixed(
                                                        Painted.GREEN,
                                                        Painted.BLACK,
                                                        y < 120
                                                                ? 0
                                                                : most
                                                                        * Math.exp(
                                                                                -Math.abs(x - at)
                                                                                        / 300)))
                        .plane();
        return only(plane, samples, true);
    }

    @DataProvider
    public Object[][] edges() {
        return new Object[][] {
            {0.4, 0.1, Verdict.LIGHTER},
            {0.1, 0.4, Verdict.HEAVIER},
            {0.3, 0.31, Verdict.AS_PROTOTYPE},
            {0.0, 0.0, Verdict.AS_PROTOTYPE},
        };
    }

    @Test(dataProvider = "edges")
    public void wornEdgesAreHeldAgainstEachOther(double prototype, double model, Verdict verdict) {
        List<Gap> gaps = Gap.between(worn(prototype), worn(model));
        assertEquals(gaps.getFirst().kind(), Gap.Kind.EDGE_WORN);
        assertEquals(gaps.getFirst().verdict(), verdict);
        assertEquals(gaps.getFirst().difference(), 100 * (model - prototype), 1e-9);
    }

    private static EdgeWear worn(double share) {
        return worn(share, 300 * share);
    }

    private static EdgeWear worn(double share, double longestMm) {
        return new EdgeWear(share, 0.01, 4, longestMm, 8, Optional.empty(), 20);
    }

    @DataProvider
    public Object[][] covers() {
        return new Object[][] {
            // prototype, model, one standard deviation of each, verdict
            {7.3, 3.1, 0.3, Verdict.LIGHTER},
            {2.3, 1.1, 0.17, Verdict.LIGHTER},
            {7.0, 7.3, 0.3, Verdict.AS_PROTOTYPE},
            {0.0, 0.2, 0.17, Verdict.AS_PROTOTYPE},
            // a difference that would be seen, and is not sure
            {3.1, 1.7, 0.7, Verdict.CANNOT_TELL},
            // none at all, in photographs that would not show one
            {5.0, 5.0, 0.7, Verdict.CANNOT_TELL},
        };
    }

    @Test(dataProvider = "covers")
    public void whatThePhotographsWouldNotShowIsNotAlike(
            double prototype, double model, double sd, Verdict verdict) {
        var rust = Optional.of(WeatherClass.FRESH_RUST);
        Gap g = Gap.of(Gap.Kind.COVER, rust, prototype, sd, model, sd);
        assertEquals(g.verdict(), verdict, g.toString());
        assertEquals(g.plusMinus(), 2 * Math.sqrt(2) * sd, 1e-9);
        assertEquals(g.isUnsure(), verdict == Verdict.CANNOT_TELL);
    }

    @Test
    public void anEdgeThatOneSideCannotTellIsOpen() {
        Answer<EdgeWear> told = new Answer.Told<>(worn(0.3));
        Answer<EdgeWear> not = new Answer.CannotTell<>("Too short.", "Draw it longer.");
        assertEquals(Gaps.between(told, told).told().size(), 2);
        for (Gaps g : List.of(Gaps.between(told, not), Gaps.between(not, told))) {
            assertEquals(g.told(), List.of());
            assertEquals(
                    g.open(),
                    List.of(
                            new Gaps.Unmeasured(
                                    "wear along the edge", "Too short.", "Draw it longer.")));
        }
    }

    @Test
    public void withoutSamplesOnlyTheColourIsCompared() {
        MeasuredRegion bare = only(Painted.by((_, _) -> Painted.GREEN).plane(), List.of(), false);
        Gaps g = Gaps.between(bare, bare);
        assertEquals(g.told(), List.of());
        assertEquals(g.open().getFirst().what(), "rust, dust and chips");
        assertTrue(g.open().getFirst().remedy().contains("sample"), g.toString());
    }

    @Test
    public void aClassThatOnlyOneSideIsSortedByIsOpen() {
        MeasuredRegion rusty = spotted(24, 160);
        LabPlane clean = Painted.by((x, y) -> sampled(x, y).orElse(Painted.GREEN)).plane();
        MeasuredRegion dusted = only(clean, List.of(SAMPLES.get(0), SAMPLES.get(2)), false);
        for (Gaps g : List.of(Gaps.between(rusty, dusted), Gaps.between(dusted, rusty))) {
            assertTrue(
                    g.open().stream().anyMatch(u -> u.what().equals("fresh rust")), g.toString());
        }
        // the other way round there is nothing of it to miss
        MeasuredRegion none = only(clean, SAMPLES, false);
        assertEquals(Gaps.between(none, dusted).open(), List.of());
    }

    /** A patch that lies elsewhere is not as the prototype's, however like it is. */
    @DataProvider
    public Object[][] moved() {
        return new Object[][] {
            {0, 0, false}, {20, 12, false}, {300, 0, true}, {0, -220, true}, {-350, 160, true},
        };
    }

    @Test(dataProvider = "moved")
    public void aPatchIsHeldAgainstItsPlace(int right, int down, boolean differs) {
        Gaps g = Gaps.between(patch(900, 600), patch(900 + right, 600 + down));
        Gap along = of(g.told(), Gap.Kind.PLACE_ALONG).orElseThrow();
        Gap up = of(g.told(), Gap.Kind.PLACE_UP).orElseThrow();
        assertEquals(along.difference(), right, 4);
        assertEquals(up.difference(), -down, 4);
        assertEquals(along.isSeen() || up.isSeen(), differs, g.told().toString());
        assertEquals(of(g.told(), Gap.Kind.SPREAD).orElseThrow().verdict(), Verdict.AS_PROTOTYPE);
        assertFalse(of(g.told(), Gap.Kind.COVER).orElseThrow().isSeen());
    }

    private static MeasuredRegion patch(double x, double y) {
        return measured(
                (u, v) -> Math.hypot(u - x, v - y) < 130 ? Painted.RUST : Painted.GREEN, false);
    }

    /** Many spots scatter anew on every model: only where they crowd is their place. */
    @Test
    public void aScatterIsHeldAgainstWhereItCrowds() {
        MeasuredRegion one = scattered(3, 400, 1600);
        Gaps again = Gaps.between(one, scattered(4, 400, 1600));
        Gaps crowded = Gaps.between(one, scattered(5, 1300, 700));
        for (Gap.Kind k : List.of(Gap.Kind.PLACE_ALONG, Gap.Kind.PLACE_UP, Gap.Kind.SPREAD)) {
            assertFalse(of(again.told(), k).orElseThrow().isSeen(), again.told().toString());
        }
        Gap along = of(crowded.told(), Gap.Kind.PLACE_ALONG).orElseThrow();
        assertEquals(along.verdict(), Verdict.HEAVIER, "further to the right: " + along);
    }

    private static MeasuredRegion scattered(int seed, double from, double wide) {
        SplittableRandom random = new SplittableRandom(seed);
        double[][] spots = new double[40][];
        for (int i = 0; i < spots.length; i++) {
            spots[i] =
                    new double[] {
                        from + 30 + (wide - 60) * random.nextDouble(),
                        240 + 720 * random.nextDouble()
                    };
        }
        return measured(
                (u, v) -> {
                    for (double[] s : spots) {
                        if (Math.hypot(u - s[0], v - s[1]) < 24) {
                            return Painted.RUST;
                        }
                    }
                    return Painted.GREEN;
                },
                false);
    }

    /** As much rust in many spots as in three large ones is not alike. */
    @Test
    public void marksThatOneSideHasTooFewOfAreOpen() {
        MeasuredRegion many = spotted(24, 160);
        double cover = many.toldCover().orElseThrow().share(WeatherClass.FRESH_RUST).orElseThrow();
        double radius = Math.sqrt(cover * BODY.widthMm() * BODY.heightMm() / Math.PI / 3);
        MeasuredRegion three =
                measured(
                        (x, y) ->
                                y > 200 && Math.hypot((x - 400) % 533 - 266, y - 600) < radius
                                        ? Painted.RUST
                                        : Painted.GREEN,
                        false);
        Gaps g = Gaps.between(many, three);
        assertFalse(of(g.told(), Gap.Kind.COVER).orElseThrow().isSeen());
        assertTrue(
                g.open().stream().anyMatch(u -> u.what().equals("fresh rust spots")),
                g.open().toString());
    }
}
