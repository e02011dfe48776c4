package org.pendrik.core.measure;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
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
            assertEquals(g.verdict(), Verdict.AS_PROTOTYPE, g.toString());
            assertEquals(g.difference(), 0.0);
        }
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

    @Test
    public void whatIsAlikeInOneMeasureMayDifferInAnother() {
        List<Gap> alike = Gap.between(worn(0.3, 90), worn(0.31, 95));
        List<Gap> longer = Gap.between(worn(0.3, 90), worn(0.31, 190));
        assertFalse(Gap.differsAllTheSame(Verdict.AS_PROTOTYPE, alike));
        assertTrue(Gap.differsAllTheSame(Verdict.AS_PROTOTYPE, longer));
        assertFalse(Gap.differsAllTheSame(Verdict.LIGHTER, longer), "that is said already");
        assertFalse(Gap.differsAllTheSame(Verdict.AS_PROTOTYPE, List.of()));
    }

    @Test
    public void anEdgeThatOneSideCannotTellIsNotHeldAgainstTheOther() {
        Answer<EdgeWear> told = new Answer.Told<>(worn(0.3));
        Answer<EdgeWear> not = new Answer.CannotTell<>("Too short.", "Draw it longer.");
        assertEquals(Gap.between(told, told).size(), 2);
        assertTrue(Gap.between(told, not).isEmpty());
        assertTrue(Gap.between(not, told).isEmpty());
    }
}
