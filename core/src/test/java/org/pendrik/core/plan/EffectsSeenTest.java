package org.pendrik.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.measure.AlongLength;
import org.pendrik.core.measure.Answer;
import org.pendrik.core.measure.Cover;
import org.pendrik.core.measure.DustHeight;
import org.pendrik.core.measure.EdgeWear;
import org.pendrik.core.measure.MarkPlace;
import org.pendrik.core.measure.MeasuredRegion;
import org.pendrik.core.measure.Sight;
import org.pendrik.core.measure.Spots;
import org.pendrik.core.measure.Streaks;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.ColourSample;
import org.pendrik.core.photo.Region;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class EffectsSeenTest {
    private static final Lab FACTORY = new Lab(40, -14, 12);
    private static final Lab RUST = new Lab(42, 26, 30);
    private static final EffectsSeen SEEN = new EffectsSeen(Catalogue.load(), new Sight(600, 87.1));

    /** A region of which only what a test is about is told. */
    private static final class Told {
        private Lab base = FACTORY;
        private final Map<WeatherClass, Double> cover = new java.util.EnumMap<>(WeatherClass.class);
        private Optional<Spots> spots = Optional.empty();
        private Optional<Streaks> streaks = Optional.empty();
        private Optional<MarkPlace> place = Optional.empty();
        private WeatherClass marks = WeatherClass.OLD_RUST;
        private Answer<DustHeight> dust = cannot();

        Told covers(WeatherClass c, double share) {
            cover.put(c, share);
            return this;
        }

        EffectsSeen.Seen on(String zone) {
            var classes =
                    cover.entrySet().stream()
                            .map(
                                    e ->
                                            new Cover.ClassCover(
                                                    e.getKey(),
                                                    Optional.of(e.getValue()),
                                                    0.005,
                                                    ""))
                            .toList();
            return new EffectsSeen.Seen(
                    new MeasuredRegion(
                            new Region("door of " + zone, 0, 0, 1000, 800),
                            Optional.of(new ColourSample(base, true, 1, 1, 1, 900, 0)),
                            Optional.of(ColourDifference.between(FACTORY, base)),
                            Optional.of(new Answer.Told<>(new Cover(classes, 0.01, 9000))),
                            spots.<Map<WeatherClass, Answer<Spots>>>map(
                                            s -> Map.of(marks, new Answer.Told<>(s)))
                                    .orElse(Map.of()),
                            streaks.<Map<WeatherClass, Answer<Streaks>>>map(
                                            s -> Map.of(marks, new Answer.Told<>(s)))
                                    .orElse(Map.of()),
                            place.<Map<WeatherClass, MarkPlace>>map(p -> Map.of(marks, p))
                                    .orElse(Map.of()),
                            dust,
                            EffectsSeenTest.<AlongLength>cannot(),
                            0,
                            0,
                            0,
                            false,
                            2,
                            2),
                    zone,
                    Map.of(WeatherClass.OLD_RUST, RUST, WeatherClass.BARE_METAL, new Lab(68, 0, 0)),
                    "id of " + zone);
        }
    }

    private static <T> Answer<T> cannot() {
        return new Answer.CannotTell<>("Nothing is told.", "Tell it.");
    }

    private static List<EffectsSeen.Proposal> in(EffectsSeen.Seen... regions) {
        return SEEN.in(List.of(regions), List.of());
    }

    @DataProvider
    public Object[][] paints() {
        return new Object[][] {
            {"as it was", new Lab(40.5, -13.8, 12), 0},
            {"hardly lighter", new Lab(43.5, -13, 11), 1},
            {"lighter and greyer", new Lab(48, -9, 9), 2},
            {"bleached", new Lab(58, -5, 7), 3},
            {"darker: dirt, not sun", new Lab(30, -9, 8), 0},
            {"lighter, but turned red: something lies on it", new Lab(46, 14, 14), 0},
        };
    }

    @Test(dataProvider = "paints")
    public void onlyPaintThatSunMadeLighterHasFaded(String what, Lab now, int strength) {
        Told t = new Told().covers(WeatherClass.PAINT, 0.9);
        t.base = now;
        var fades = in(t.on("side")).stream().filter(p -> p.kind() == EffectKind.FADE).toList();
        assertEquals(fades.isEmpty() ? 0 : fades.getFirst().strength(), strength, what);
    }

    @Test
    public void whereHardlyAnyPaintIsLeftNothingIsSaidOfFading() {
        Told t = new Told().covers(WeatherClass.PAINT, 0.1);
        t.base = new Lab(58, -5, 7);
        assertTrue(in(t.on("side")).isEmpty());
    }

    @Test
    public void oldRustThatSitsIsChipsWithItsColourAndTool() {
        Told t = new Told().covers(WeatherClass.OLD_RUST, 0.02);
        t.spots = Optional.of(new Spots(30, 40, 5000, 35, 25, 45, 2, 8));
        EffectsSeen.Proposal p = in(t.on("side")).getFirst();
        assertEquals(p.kind(), EffectKind.CHIPS);
        assertEquals(p.strength(), 2);
        assertEquals(p.colour(), Optional.of(RUST));
        assertEquals(p.material(), Optional.of("chip-rust-brown"));
        assertTrue(p.marks().startsWith("0.40 mm on the model: "), p.marks());
        assertEquals(p.why(), "old rust covers 2.0 %, 30 spots, median 35 mm across");
        assertEquals(p.zones(), Set.of("side"));
    }

    @Test
    public void oldRustThatRunsIsStreaksAndNoChips() {
        Told t = new Told().covers(WeatherClass.OLD_RUST, 0.12);
        t.spots = Optional.of(new Spots(30, 40, 5000, 35, 25, 45, 2, 8));
        t.streaks = Optional.of(new Streaks(4, 1, 0.8, 12, 400, 60, 20, 4, 90, 300));
        var all = in(t.on("side"));
        assertEquals(
                all.stream().map(EffectsSeen.Proposal::kind).toList(),
                List.of(EffectKind.RUST_STREAKS));
        assertEquals(all.getFirst().strength(), 3);
        assertTrue(all.getFirst().marks().startsWith("0.23 × 4.6 mm on the model"), all.toString());
    }

    /** Rust is told by its shape and direction, and is not always a streak. */
    @DataProvider
    public Object[][] shapes() {
        Streaks running = new Streaks(4, 1, 0.8, 12, 400, 60, 20, 4, 90, 300);
        Streaks stubby = new Streaks(4, 1, 0.8, 12, 60, 60, 50, 4, 90, 300);
        Spots small = new Spots(30, 40, 5000, 35, 25, 45, 2, 8);
        MarkPlace few = new MarkPlace(400, 300, 220, 180, 3, 4);
        return new Object[][] {
            {WeatherClass.FRESH_RUST, running, small, null, EffectKind.RUST_STREAKS},
            {WeatherClass.FRESH_RUST, null, small, few, EffectKind.RUST_SPOTS},
            {WeatherClass.FRESH_RUST, stubby, null, few, EffectKind.HEAVY_RUST},
            {WeatherClass.FRESH_RUST, null, null, few, EffectKind.HEAVY_RUST},
            {WeatherClass.OLD_RUST, null, small, few, EffectKind.CHIPS},
            {WeatherClass.OLD_RUST, null, null, few, EffectKind.HEAVY_RUST},
            {WeatherClass.BARE_METAL, null, null, few, EffectKind.CHIPS},
            {WeatherClass.GRIME, running, null, few, EffectKind.DIRT_STREAKS},
            {WeatherClass.GRIME, null, null, few, EffectKind.JOINT_SHADE},
            {WeatherClass.WHITE_MINERAL, running, null, few, EffectKind.MINERAL_STREAKS},
            {WeatherClass.WHITE_MINERAL, null, null, few, null},
        };
    }

    @Test(dataProvider = "shapes")
    public void marksAreAnEffectByTheirShapeAndDirection(
            WeatherClass c,
            @Nullable Streaks streaks,
            @Nullable Spots spots,
            @Nullable MarkPlace place,
            @Nullable EffectKind kind) {
        Told t = new Told().covers(c, 0.073);
        t.marks = c;
        t.streaks = Optional.ofNullable(streaks);
        t.spots = Optional.ofNullable(spots);
        t.place = Optional.ofNullable(place);
        assertEquals(
                in(t.on("side")).stream().map(EffectsSeen.Proposal::kind).toList(),
                kind == null ? List.of() : List.of(kind));
        for (EffectsSeen.Proposal p : in(t.on("side"))) {
            assertTrue(p.why().startsWith(c.label() + " covers 7.3 %"), p.why());
        }
    }

    @Test
    public void fewLargePatchesSayWhereTheyLie() {
        Told t = new Told().covers(WeatherClass.OLD_RUST, 0.073);
        t.place = Optional.of(new MarkPlace(400, 300, 220, 180, 3, 4));
        assertEquals(
                in(t.on("side")).getFirst().why(),
                "old rust covers 7.3 %, about as much as 3 marks of 180 mm across, the middle of"
                        + " them 400 mm from the left and 300 mm up");
    }

    @Test
    public void grimeThatIsNearlyEverywhereIsAFilm() {
        var p = in(new Told().covers(WeatherClass.GRIME, 0.4).on("side")).getFirst();
        assertEquals(p.kind(), EffectKind.GRIME);
    }

    @Test
    public void aMarkNobodySeesIsMadeAsATint() {
        Told t = new Told().covers(WeatherClass.OLD_RUST, 0.02);
        t.spots = Optional.of(new Spots(30, 40, 5000, 9, 7, 11, 2, 8));
        assertTrue(in(t.on("side")).getFirst().marks().endsWith("make it as a tint"));
    }

    @Test
    public void dustGoesByItsHeightOnlyWhenASampleTellsItsStrength() {
        Told sampled = new Told();
        sampled.dust = new Answer.Told<>(new DustHeight(240, 20, 90, 0.6, 0.04, false));
        var p = in(sampled.on("side")).getFirst();
        assertEquals(p.kind(), EffectKind.DUST);
        assertEquals(p.strength(), 3);
        assertEquals(p.why(), "60 % dust at the foot, half of it 240 mm up");
        Told relative = new Told();
        relative.dust = new Answer.Told<>(new DustHeight(240, 20, 90, 0.6, 0.04, true));
        assertTrue(in(relative.on("side")).isEmpty());
    }

    @Test
    public void ofTwoRegionsOnOneZoneTheStrongerCounts() {
        var weak = new Told().covers(WeatherClass.GRIME, 0.01).on("side");
        var strong = new Told().covers(WeatherClass.GRIME, 0.2).on("side");
        var end = new Told().covers(WeatherClass.GRIME, 0.05).on("end");
        var all = in(weak, strong, end);
        assertEquals(all.size(), 2);
        assertEquals(all.get(0).strength(), 3);
        assertEquals(all.get(1).zones(), Set.of("end"));
        assertEquals(all.get(1).strength(), 2);
    }

    @Test
    public void aWornEdgeIsChipsOfWhatShowsOnIt() {
        var wear = new EdgeWear(0.3, 0.02, 7, 120, 8, Optional.of(WeatherClass.BARE_METAL), 26);
        var edge =
                new EffectsSeen.SeenEdge(
                        "sill",
                        wear,
                        "side",
                        Map.of(WeatherClass.BARE_METAL, new Lab(68, 0, 0)),
                        "seven");
        var p = SEEN.in(List.of(), List.of(edge)).getFirst();
        assertEquals(p.kind(), EffectKind.CHIPS);
        assertEquals(p.strength(), 2);
        assertEquals(p.region(), "sill");
        assertEquals(p.source(), "seven");
        assertEquals(p.colour(), Optional.of(new Lab(68, 0, 0)));
        assertEquals(p.why(), "worn on 30 % of its length in 7 places, the longest 120 mm");
        var clean = new EdgeWear(0.02, 0.02, 1, 20, 8, Optional.of(WeatherClass.BARE_METAL), 26);
        assertTrue(
                SEEN.in(
                                List.of(),
                                List.of(
                                        new EffectsSeen.SeenEdge(
                                                "sill", clean, "side", Map.of(), "eight")))
                        .isEmpty());
    }
}
