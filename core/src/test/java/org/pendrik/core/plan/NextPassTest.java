package org.pendrik.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.measure.Gap;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.ColourSample;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.RegionVerdict;
import org.pendrik.core.photo.Verdict;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class NextPassTest {
    private static RegionVerdict colour(Verdict v, double progress) {
        var one = new ColourSample(new Lab(50, 10, 10), true, 1, 1, 1, 900, 0);
        var two = new ColourSample(new Lab(46, 12, 10), true, 1, 1, 1, 900, 0);
        return new RegionVerdict(
                new Region("door", 0, 0, 100, 100),
                v,
                one,
                two,
                ColourDifference.between(one.median(), two.median()),
                progress,
                0,
                1.5);
    }

    private static Gap gap(Gap.Kind kind, WeatherClass of, double prototype, double model) {
        Verdict v =
                model < prototype - 2
                        ? Verdict.LIGHTER
                        : model > prototype + 2 ? Verdict.HEAVIER : Verdict.AS_PROTOTYPE;
        return new Gap(kind, Optional.ofNullable(of), prototype, model, 1, 2, v);
    }

    @DataProvider
    public Object[][] byColourAlone() {
        return new Object[][] {
            {Verdict.AS_PROTOTYPE, 1.0, NextPass.Do.STOP, 0},
            {Verdict.LIGHTER, 0.8, NextPass.Do.AGAIN, 1},
            {Verdict.LIGHTER, 0.5, NextPass.Do.AGAIN, 2},
            {Verdict.LIGHTER, 0.1, NextPass.Do.AGAIN, 3},
            {Verdict.LIGHTER, Double.NaN, NextPass.Do.AGAIN, 1},
            {Verdict.OTHER_COLOUR, 1.0, NextPass.Do.OTHER_COLOUR, 0},
            {Verdict.HEAVIER, 1.4, NextPass.Do.TAKE_BACK, 0},
            {Verdict.CANNOT_TELL, Double.NaN, NextPass.Do.CANNOT_TELL, 0},
        };
    }

    @Test(dataProvider = "byColourAlone")
    public void withoutAmountsTheColourDecides(
            Verdict v, double progress, NextPass.Do what, int strength) {
        NextPass.Advice a = NextPass.in(colour(v, progress), List.of()).getFirst();
        assertEquals(a.what(), what);
        assertEquals(a.strength(), strength);
        assertTrue(a.why().startsWith("ΔE00 "), a.why());
    }

    @Test
    public void whatIsMissingIsLaidOnAgainByAsMuchAsIsMissing() {
        var a =
                NextPass.in(
                        colour(Verdict.AS_PROTOTYPE, 1),
                        List.of(gap(Gap.Kind.COVER, WeatherClass.FRESH_RUST, 20, 4)));
        assertEquals(a.size(), 1);
        assertEquals(a.getFirst().what(), NextPass.Do.AGAIN);
        assertEquals(a.getFirst().kind(), Optional.of(EffectKind.RUST_STREAKS));
        assertEquals(a.getFirst().strength(), 3);
        assertEquals(
                a.getFirst().why(),
                "fresh rust 4.0 % on the model, 20.0 % on the prototype (± 2.0)");
    }

    @Test
    public void whatDiffersMostComesFirstAndEveryEffectOnce() {
        var a =
                NextPass.in(
                        colour(Verdict.HEAVIER, 1.5),
                        List.of(
                                gap(Gap.Kind.COVER, WeatherClass.DUST, 20, 15),
                                gap(Gap.Kind.DUST_STRENGTH, WeatherClass.DUST, 60, 20),
                                gap(Gap.Kind.KICK_UP, WeatherClass.DUST, 30, 22),
                                gap(Gap.Kind.COVER, WeatherClass.GRIME, 3, 12)));
        assertEquals(
                a.stream().map(x -> x.kind().orElseThrow()).toList(),
                List.of(EffectKind.DUST, EffectKind.JOINT_SHADE));
        assertEquals(a.getFirst().what(), NextPass.Do.AGAIN);
        assertEquals(a.getLast().what(), NextPass.Do.TAKE_BACK);
    }

    @Test
    public void oldRustThatRunsIsStreaksAndElseChips() {
        Gap old = gap(Gap.Kind.COVER, WeatherClass.OLD_RUST, 9, 2);
        Gap runs = gap(Gap.Kind.STREAK_LENGTH, WeatherClass.OLD_RUST, 300, 300);
        RegionVerdict v = colour(Verdict.LIGHTER, 0.5);
        assertEquals(NextPass.in(v, List.of(old)).getFirst().kind(), Optional.of(EffectKind.CHIPS));
        assertEquals(
                NextPass.in(v, List.of(old, runs)).getFirst().kind(),
                Optional.of(EffectKind.RUST_STREAKS));
    }

    @Test
    public void anglesAndSizesAreNotMadeRightByAnotherPassAndNoReasonToStop() {
        List<Gap> gaps =
                List.of(
                        gap(Gap.Kind.STREAK_ANGLE, WeatherClass.FRESH_RUST, 20, 2),
                        gap(Gap.Kind.SPOT_DIAMETER, WeatherClass.OLD_RUST, 20, 60),
                        gap(Gap.Kind.DUST_HEIGHT, WeatherClass.DUST, 200, 500));
        var a = NextPass.in(colour(Verdict.AS_PROTOTYPE, 1), gaps);
        assertEquals(a.size(), 1);
        assertEquals(a.getFirst().what(), NextPass.Do.DIFFERS);
        assertTrue(a.getFirst().why().startsWith("dust up to 500"), a.getFirst().why());
        for (Gap one : gaps) {
            assertEquals(
                    NextPass.in(colour(Verdict.AS_PROTOTYPE, 1), List.of(one)).getFirst().what(),
                    NextPass.Do.DIFFERS);
        }
        assertEquals(
                NextPass.in(colour(Verdict.LIGHTER, 0.5), gaps).stream()
                        .map(NextPass.Advice::what)
                        .toList(),
                List.of(NextPass.Do.AGAIN, NextPass.Do.DIFFERS));
    }

    @Test
    public void anEdgeWithOneLongScrapeIsNotDone() {
        var a =
                NextPass.along(
                        List.of(
                                gap(Gap.Kind.EDGE_WORN, null, 20, 21),
                                gap(Gap.Kind.LONGEST_SCRAPE, null, 40, 400)));
        assertEquals(a.getFirst().what(), NextPass.Do.DIFFERS);
        assertEquals(a.size(), 1);
    }

    @DataProvider
    public Object[][] edges() {
        return new Object[][] {
            {40.0, 10.0, NextPass.Do.AGAIN, 3},
            {10.0, 40.0, NextPass.Do.TAKE_BACK, 0},
            {20.0, 21.0, NextPass.Do.STOP, 0},
        };
    }

    @Test(dataProvider = "edges")
    public void edgesAskForChips(double prototype, double model, NextPass.Do what, int strength) {
        var a = NextPass.along(List.of(gap(Gap.Kind.EDGE_WORN, null, prototype, model))).getFirst();
        assertEquals(a.what(), what);
        assertEquals(a.strength(), strength);
        assertTrue(a.why().startsWith("worn along the edge " + model + " % on the model"), a.why());
        assertTrue(NextPass.along(List.of()).isEmpty());
    }
}
