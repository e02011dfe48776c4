package org.pendrik.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.measure.Gap;
import org.pendrik.core.measure.Gaps;
import org.pendrik.core.measure.MarkForm;
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
                1.5,
                v == Verdict.CANNOT_TELL
                        ? Optional.of(RegionVerdict.Open.TOO_UNSURE)
                        : Optional.empty());
    }

    private static Gap gap(Gap.Kind kind, WeatherClass of, double prototype, double model) {
        Verdict v =
                model < prototype - 2
                        ? Verdict.LIGHTER
                        : model > prototype + 2 ? Verdict.HEAVIER : Verdict.AS_PROTOTYPE;
        return new Gap(kind, Optional.ofNullable(of), prototype, model, 1, 2, v);
    }

    private static final Map<WeatherClass, MarkForm> FORMS =
            Map.of(
                    WeatherClass.FRESH_RUST, new MarkForm(true, 0),
                    WeatherClass.OLD_RUST, new MarkForm(false, 30));

    private static Gaps told(Gap... gaps) {
        return new Gaps(List.of(gaps), List.of(), FORMS);
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
        NextPass.Advice a = NextPass.in(colour(v, progress), told()).advice().getFirst();
        assertEquals(a.what(), what);
        assertEquals(a.strength(), strength);
        assertTrue(a.why().startsWith("ΔE00 "), a.why());
    }

    @Test
    public void whatIsMissingIsLaidOnAgainByAsMuchAsIsMissing() {
        var a =
                NextPass.in(
                                colour(Verdict.AS_PROTOTYPE, 1),
                                told(gap(Gap.Kind.COVER, WeatherClass.FRESH_RUST, 20, 4)))
                        .advice();
        assertEquals(a.size(), 1);
        assertEquals(a.getFirst().what(), NextPass.Do.AGAIN);
        assertEquals(a.getFirst().kind(), Optional.of(EffectKind.RUST_STREAKS));
        assertEquals(a.getFirst().strength(), 3);
        assertEquals(
                a.getFirst().why(),
                "fresh rust 4.0 % on the model, 20.0 % on the prototype (± 1.0)");
    }

    @Test
    public void whatDiffersMostComesFirstAndEveryEffectOnce() {
        var a =
                NextPass.in(
                                colour(Verdict.HEAVIER, 1.5),
                                told(
                                        gap(Gap.Kind.COVER, WeatherClass.DUST, 20, 15),
                                        gap(Gap.Kind.DUST_STRENGTH, WeatherClass.DUST, 60, 20),
                                        gap(Gap.Kind.KICK_UP, WeatherClass.DUST, 30, 22),
                                        gap(Gap.Kind.COVER, WeatherClass.GRIME, 3, 12)))
                        .advice();
        assertEquals(
                a.stream().map(x -> x.kind().orElseThrow()).toList(),
                List.of(EffectKind.DUST, EffectKind.JOINT_SHADE));
        assertEquals(a.getFirst().what(), NextPass.Do.AGAIN);
        assertEquals(a.getLast().what(), NextPass.Do.TAKE_BACK);
    }

    @DataProvider
    public Object[][] forms() {
        return new Object[][] {
            {WeatherClass.OLD_RUST, false, 30, EffectKind.CHIPS},
            {WeatherClass.OLD_RUST, false, 180, EffectKind.HEAVY_RUST},
            {WeatherClass.OLD_RUST, true, 30, EffectKind.RUST_STREAKS},
            {WeatherClass.FRESH_RUST, false, 30, EffectKind.RUST_SPOTS},
            {WeatherClass.FRESH_RUST, false, 180, EffectKind.HEAVY_RUST},
            {WeatherClass.FRESH_RUST, true, 180, EffectKind.RUST_STREAKS},
            {WeatherClass.GRIME, false, 30, EffectKind.JOINT_SHADE},
            {WeatherClass.GRIME, true, 30, EffectKind.DIRT_STREAKS},
            {WeatherClass.WHITE_MINERAL, true, 30, EffectKind.MINERAL_STREAKS},
            {WeatherClass.SOOT, false, 0, EffectKind.SOOT},
        };
    }

    @Test(dataProvider = "forms")
    public void whatIsLaidOnAgainGoesByTheShapeOfTheMarks(
            WeatherClass c, boolean runs, double across, EffectKind kind) {
        var gaps =
                new Gaps(
                        List.of(gap(Gap.Kind.COVER, c, 9, 2)),
                        List.of(),
                        Map.of(c, new MarkForm(runs, across)));
        assertEquals(
                NextPass.in(colour(Verdict.LIGHTER, 0.5), gaps).advice().getFirst().kind(),
                Optional.of(kind));
    }

    @Test
    public void anglesAndSizesAreNotMadeRightByAnotherPassAndNoReasonToStop() {
        Gap[] gaps = {
            gap(Gap.Kind.STREAK_ANGLE, WeatherClass.FRESH_RUST, 20, 2),
            gap(Gap.Kind.SPOT_DIAMETER, WeatherClass.OLD_RUST, 20, 60),
            gap(Gap.Kind.DUST_HEIGHT, WeatherClass.DUST, 200, 500)
        };
        var j = NextPass.in(colour(Verdict.AS_PROTOTYPE, 1), told(gaps));
        assertEquals(whats(j), List.of(NextPass.Do.DIFFERS));
        assertTrue(j.advice().getFirst().why().startsWith("dust up to 500"), j.toString());
        assertEquals(j.verdict(), Verdict.DIFFERS);
        assertEquals(j.by(), "dust up to");
        assertEquals(j.others(), 2);
        for (Gap one : gaps) {
            assertEquals(
                    whats(NextPass.in(colour(Verdict.AS_PROTOTYPE, 1), told(one))),
                    List.of(NextPass.Do.DIFFERS));
        }
        assertEquals(
                whats(NextPass.in(colour(Verdict.LIGHTER, 0.5), told(gaps))),
                List.of(NextPass.Do.AGAIN, NextPass.Do.DIFFERS));
    }

    private static List<NextPass.Do> whats(NextPass.Judgement j) {
        return j.advice().stream().map(NextPass.Advice::what).toList();
    }

    @Test
    public void theVerdictIsThatOfWhatDiffersMost() {
        Gap rust = gap(Gap.Kind.COVER, WeatherClass.FRESH_RUST, 7.3, 3.1);
        Gap dust = gap(Gap.Kind.DUST_STRENGTH, WeatherClass.DUST, 40, 70);
        var j = NextPass.in(colour(Verdict.AS_PROTOTYPE, 1), told(rust));
        assertEquals(j.verdict(), Verdict.LIGHTER);
        assertEquals(j.by(), "fresh rust");
        assertEquals(j.others(), 0);
        var both = NextPass.in(colour(Verdict.LIGHTER, 0.8), told(rust, dust));
        assertEquals(both.verdict(), Verdict.HEAVIER);
        assertEquals(both.by(), "dust");
        assertEquals(both.others(), 2, "rust, and the colour");
        assertEquals(both.advice().getFirst().kind(), Optional.of(EffectKind.DUST));
        var colour = NextPass.in(colour(Verdict.HEAVIER, 1.4), told());
        assertEquals(colour.verdict(), Verdict.HEAVIER);
        assertEquals(colour.by(), "colour");
        // what there is less of lies otherwise too: that is no news
        Gap lower = gap(Gap.Kind.PLACE_UP, WeatherClass.FRESH_RUST, 700, 300);
        var less = NextPass.in(colour(Verdict.AS_PROTOTYPE, 1), told(rust, lower));
        assertEquals(less.verdict(), Verdict.LIGHTER);
        assertEquals(less.others(), 1);
    }

    @Test
    public void nothingUnmeasuredIsAReasonToStop() {
        var alike = colour(Verdict.AS_PROTOTYPE, 1);
        Gap same = gap(Gap.Kind.COVER, WeatherClass.FRESH_RUST, 7, 7);
        assertEquals(whats(NextPass.in(alike, told(same))), List.of(NextPass.Do.STOP));
        assertEquals(NextPass.in(alike, told(same)).verdict(), Verdict.AS_PROTOTYPE);

        var open =
                new Gaps(
                        List.of(same),
                        List.of(
                                new Gaps.Unmeasured("dust", "It is clipped.", "Draw it larger."),
                                new Gaps.Unmeasured("soot", "It is hidden.", "Draw it larger.")),
                        FORMS);
        var j = NextPass.in(alike, open);
        assertEquals(j.verdict(), Verdict.CANNOT_TELL);
        assertEquals(j.by(), "dust");
        assertEquals(j.others(), 1);
        assertEquals(whats(j), List.of(NextPass.Do.CANNOT_TELL), "one remedy, said once");
        assertEquals(j.advice().getFirst().remedy(), "Draw it larger.");
        assertEquals(j.advice().getFirst().why(), "Dust: It is clipped.; Soot: It is hidden.");

        Gap wide =
                new Gap(
                        Gap.Kind.COVER,
                        Optional.of(WeatherClass.FRESH_RUST),
                        3,
                        1.7,
                        1.9,
                        0.5,
                        Verdict.CANNOT_TELL);
        var wideOne = NextPass.in(alike, told(wide));
        assertEquals(wideOne.verdict(), Verdict.CANNOT_TELL);
        assertEquals(wideOne.by(), "fresh rust");
        assertEquals(NextPass.in(colour(Verdict.CANNOT_TELL, 1), told(same)).by(), "colour");
        // what differs is to be done first; what is open is kept beside it
        var lighter = NextPass.in(colour(Verdict.LIGHTER, 0.5), open);
        assertEquals(whats(lighter), List.of(NextPass.Do.AGAIN));
        assertEquals(lighter.open(), j.advice());
    }

    @Test
    public void anEdgeWithOneLongScrapeIsNotDone() {
        var j =
                NextPass.along(
                        told(
                                gap(Gap.Kind.EDGE_WORN, null, 20, 21),
                                gap(Gap.Kind.LONGEST_SCRAPE, null, 40, 400)));
        assertEquals(whats(j), List.of(NextPass.Do.DIFFERS));
        assertEquals(j.verdict(), Verdict.DIFFERS);
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
        var a =
                NextPass.along(told(gap(Gap.Kind.EDGE_WORN, null, prototype, model)))
                        .advice()
                        .getFirst();
        assertEquals(a.what(), what);
        assertEquals(a.strength(), strength);
        assertTrue(a.why().startsWith("worn along the edge " + model + " % on the model"), a.why());
    }
}
