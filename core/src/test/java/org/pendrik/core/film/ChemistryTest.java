package org.pendrik.core.film;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Overrule;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.Finding.Rule;
import org.pendrik.core.film.Finding.Severity;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What the whole shelf does: causes kept apart, windows of both kinds, handling, learning. */
public class ChemistryTest {
    private static List<Finding> last(Bench b) {
        FilmCase c = b.build();
        return Bench.check(c).about(c.acts().getLast().id());
    }

    private static boolean has(List<Finding> found, Rule rule, Severity severity) {
        return found.stream().anyMatch(f -> f.rule() == rule && f.severity() == severity);
    }

    @Test
    public void waterLacquerAndPorousGroundUnderAndOverOilAreThreeCauses() {
        Bench water =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .done(0, "oil-streak", "oil-fresh-rust")
                        .then(4 * Bench.DAY, "airbrush-dust", "dust-peat");
        assertTrue(has(last(water), Rule.SLOW, Severity.NOTE), last(water).toString());
        assertFalse(has(last(water), Rule.TRAPPED, Severity.STOP));
        Bench early =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .done(0, "oil-streak", "oil-fresh-rust")
                        .then(Bench.DAY, "airbrush-dust", "dust-peat");
        assertTrue(has(last(early), Rule.TRAPPED, Severity.WARN), "a thin oil may be shut in");
        Bench fresh =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .done(0, "oil-streak", "oil-fresh-rust")
                        .then(300, "airbrush-dust", "dust-peat");
        assertTrue(has(last(fresh), Rule.TRAPPED, Severity.STOP));
        Bench lacquer =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .done(0, "oil-streak", "oil-fresh-rust")
                        .then(4 * Bench.DAY, "final-flat", "clear-flat-lacquer");
        assertTrue(
                last(lacquer).stream().anyMatch(f -> f.rule() == Rule.REACH),
                last(lacquer).toString());
        Bench porous = Bench.on(Substrate.FACTORY_FLAT).then(0, "grime-wash", "grime-enamel");
        assertTrue(has(last(porous), Rule.STAINS, Severity.NOTE), last(porous).toString());
        assertFalse(has(last(porous), Rule.TOOTH, Severity.NOTE), "one cause is said once");
    }

    @Test
    public void wetChippingIsTooEarlyOpenAndTooLate() {
        for (long[] at : new long[][] {{5, 0}, {25, 1}, {180, 2}}) {
            Bench b =
                    Bench.on(Substrate.FACTORY_FLAT)
                            .done(0, "rust-base", "rust-dark")
                            .done(60, "seal-satin", "clear-satin")
                            .done(300, "release-coat", "release-layer")
                            .done(450, "chip-top", "base-kiln-red")
                            .then(450 + at[0], "wet-chip", "water");
            List<Finding> found = last(b);
            boolean clean = found.stream().allMatch(f -> f.severity() == Severity.NOTE);
            assertEquals(clean, at[1] == 1, at[0] + " min: " + found);
            if (at[1] == 0) {
                assertTrue(has(found, Rule.WINDOW, Severity.STOP), found.toString());
            }
            if (at[1] == 2) {
                assertTrue(has(found, Rule.TOO_LITTLE, Severity.STOP), found.toString());
                assertTrue(found.getFirst().why().contains("no longer gets through"));
            }
        }
    }

    @Test
    public void aSealTooYoungUnderTheReleaseLayerLetsTheWaterAtTheRust() {
        Bench b =
                Bench.on(Substrate.FACTORY_FLAT)
                        .done(0, "rust-base", "rust-dark")
                        .done(5, "seal-satin", "clear-satin")
                        .done(10, "release-coat", "release-layer")
                        .done(20, "chip-top", "base-kiln-red")
                        .then(45, "wet-chip", "water");
        assertTrue(last(b).stream().anyMatch(f -> f.rule() == Rule.REACH), last(b).toString());
    }

    @Test
    public void aCoatIsHeldBackUntilTheWorkInItsWindowCanBeDone() {
        Bench b =
                Bench.on(Substrate.FACTORY_FLAT)
                        .then(0, "rust-base", "rust-dark")
                        .then(0, "seal-satin", "clear-satin")
                        .then(0, "release-coat", "release-layer")
                        .then(0, "chip-top", "base-kiln-red")
                        .then(0, "wet-chip", "water");
        FilmCase settled = new Timing(Bench.CATALOGUE).settle(b.build(), 0, false);
        assertTrue(Bench.check(settled).isClean(), Bench.check(settled).findings().toString());
        var span = new Timing(Bench.CATALOGUE).spans(settled).getLast();
        Act chip = settled.acts().getLast();
        assertTrue(
                span.opensMinute() <= chip.atMinute() && chip.atMinute() <= span.closesMinute(),
                span.toString());
        assertEquals(span.coatActId(), new StepId("chip-top-3"));
        // the lag that the diary keeps is the same window
        Lag lag =
                new Timing(Bench.CATALOGUE)
                        .lags(settled).stream()
                                .filter(l -> l.fromActId().equals(new StepId("chip-top-3")))
                                .filter(l -> l.toActId().equals(chip.id()))
                                .findFirst()
                                .orElseThrow();
        assertTrue(lag.maxMinutes().isPresent());
        assertEquals(
                settled.acts().get(3).endMinute() + lag.maxMinutes().getAsLong(),
                span.closesMinute());
    }

    @Test
    public void aMaskWaitsForTheCureAndPackingForAllOfIt() {
        Bench mask =
                Bench.on(Substrate.FACTORY_FLAT)
                        .done(0, "airbrush-dust", "dust-peat")
                        .then(20, "mask-patch", "mask-film");
        assertTrue(has(last(mask), Rule.SOFT, Severity.STOP), last(mask).toString());
        FilmCase c =
                Bench.on(Substrate.FACTORY_FLAT)
                        .done(0, "oil-streak", "oil-fresh-rust")
                        .then(0, "pack", "by-hand")
                        .build();
        long at =
                new Timing(Bench.CATALOGUE)
                        .earliest(c.with(c.acts().subList(0, 1)), c.acts().getLast(), 0);
        assertEquals(at, 14400, "fully cured after ten days");
    }

    @Test
    public void turningTheModelOverThrowsPowderOffAnotherZone() {
        FilmCase c =
                Bench.on(Substrate.FACTORY_FLAT, "roof", "trucks")
                        .done(0, "powder", "powder-kiln-dust")
                        .build();
        Act roof = c.acts().getFirst().on(Set.of("roof"));
        Technique trucks = Bench.CATALOGUE.technique("truck-tones");
        Act tones =
                Act.planned(
                                new StepId("tones"),
                                trucks,
                                Bench.CATALOGUE.startingMaterial(trucks),
                                List.of(c.zones().getLast()))
                        .at(60);
        List<Finding> found = Bench.check(c.with(List.of(roof, tones))).about(new StepId("tones"));
        assertTrue(
                found.stream()
                        .anyMatch(
                                f ->
                                        f.rule() == Rule.LOOSE
                                                && f.zones().equals(List.of("roof"))
                                                && f.why().contains("turning")),
                found.toString());
    }

    @Test
    public void glassIsCleanedBesideLoosePowderAndAPanelIsNot() {
        Lab grey = Substrate.UNKNOWN_COLOUR;
        Zone side = new Zone("side", "side", Substrate.FACTORY_FLAT, false, grey);
        Zone end = new Zone("other", "other side", Substrate.FACTORY_FLAT, false, grey);
        Zone glass = new Zone("glass", "glass", Substrate.BARE, false, grey, 200, Face.SIDE, true);
        List<Zone> zones = List.of(side, end, glass);
        FilmCase laid =
                Bench.on(Substrate.FACTORY_FLAT)
                        .done(0, "powder", "powder-kiln-dust")
                        .then(60, "clean-glass", "alcohol-70")
                        .build();
        Act powder = laid.acts().getFirst().on(Set.of("side"));
        Act clean = laid.acts().getLast().on(Set.of("glass"));
        Act wipe = clean.on(Set.of("other"));
        assertTrue(loose(zones, powder, clean).isEmpty());
        assertEquals(loose(zones, powder, wipe).size(), 1);
    }

    private static List<Finding> loose(List<Zone> zones, Act powder, Act next) {
        return Bench.check(new FilmCase(zones, List.of(powder, next), Climate.REFERENCE))
                .about(next.id())
                .stream()
                .filter(f -> f.rule() == Rule.LOOSE)
                .toList();
    }

    @Test
    public void powderDroppedIntoWetVarnishIsHeld() {
        Bench b =
                Bench.on(Substrate.FACTORY_FLAT)
                        .done(0, "wet-varnish", "varnish-slow")
                        .done(4, "powder-in-varnish", "powder-rust")
                        .then(600, "thin-top", "base-kiln-red");
        assertTrue(last(b).stream().noneMatch(f -> f.rule() == Rule.LOOSE), last(b).toString());
        Bench late =
                Bench.on(Substrate.FACTORY_FLAT)
                        .done(0, "wet-varnish", "varnish-slow")
                        .then(60, "powder-in-varnish", "powder-rust");
        assertTrue(has(last(late), Rule.WINDOW, Severity.STOP), last(late).toString());
    }

    @Test
    public void lettersComeOffWithSoftenerAndStrongAlcoholEndangersThePaint() {
        Zone side =
                new Zone(
                        "side",
                        "side",
                        Substrate.FACTORY_SEMI_GLOSS,
                        true,
                        Substrate.UNKNOWN_COLOUR);
        Technique strip = Bench.CATALOGUE.technique("strip-lettering");
        for (String liquid : strip.materials()) {
            Act act =
                    Act.planned(
                            new StepId("s"),
                            strip,
                            Bench.CATALOGUE.material(liquid),
                            List.of(side));
            FilmReport report =
                    Bench.check(new FilmCase(List.of(side), List.of(act), Climate.REFERENCE));
            assertEquals(report.stops(), 0, liquid);
            assertEquals(report.isClean(), liquid.equals("decal-softener"), liquid);
            assertFalse(report.columns().getFirst().lettering());
        }
        Zone bare = new Zone("side", "side", Substrate.BARE, false, Substrate.UNKNOWN_COLOUR);
        Act act =
                Act.planned(
                        new StepId("s"),
                        strip,
                        Bench.CATALOGUE.startingMaterial(strip),
                        List.of(bare));
        FilmReport none = Bench.check(new FilmCase(List.of(bare), List.of(act), Climate.REFERENCE));
        assertEquals(none.findings().getFirst().rule(), Rule.NO_TARGET);
    }

    @Test
    public void aColdEveningBreaksAPlanThatHeld() {
        Bench warm =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .done(0, "oil-streak", "streak-enamel-rust")
                        .then(1500, "airbrush-dust", "dust-peat");
        assertTrue(
                last(warm).stream().noneMatch(f -> f.rule() == Rule.TRAPPED),
                last(warm).toString());
        Bench cold =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .air(11, 0.5)
                        .done(0, "oil-streak", "streak-enamel-rust")
                        .then(1500, "airbrush-dust", "dust-peat");
        assertTrue(has(last(cold), Rule.TRAPPED, Severity.WARN), last(cold).toString());
    }

    @Test
    public void aPaceIsLearnedFromWhatWasSeenAndTheTablesAreLeftBehindSlowly() {
        BenchPace nothing = BenchPace.of(List.of());
        assertEquals(nothing.factor(), 1, 1e-12);
        BenchPace one = BenchPace.of(List.of(new BenchPace.Observation(20, 40)));
        // precision 1/0.35² = 8.16 and 1/0.25² = 16: two thirds of the way in the logarithm
        assertEquals(one.factor(), Math.exp(Math.log(2) * 16 / (16 + 1 / 0.1225)), 1e-12);
        BenchPace many =
                BenchPace.of(java.util.Collections.nCopies(30, new BenchPace.Observation(20, 40)));
        assertTrue(many.factor() > 1.95 && many.factor() < 2);
        assertTrue(many.high() / many.low() < one.high() / one.low());
        assertEquals(many.observations(), 30);
        assertTrue(
                expectThrows(InvalidInput.class, () -> new BenchPace.Observation(20, 2000))
                        .getMessage()
                        .contains("ten times"));
        Catalogue slow = Catalogue.load(List.of(), Map.of("clear-satin", 2.0));
        FilmCase c = Bench.on(Substrate.FACTORY_FLAT).done(0, "seal-satin", "clear-satin").build();
        Act act = c.acts().getFirst().with(slow.material("clear-satin"));
        assertEquals(
                DryingTimes.of(act, c.air()).orElseThrow().slowing(),
                2 * DryingTimes.of(c.acts().getFirst(), c.air()).orElseThrow().slowing(),
                1e-12);
    }

    @DataProvider
    public Object[][] badFigures() {
        return new Object[][] {
            {Overrule.Table.MATERIAL, "clear-satin", "touch_min", "soon", "touch_min (soon)"},
            {Overrule.Table.MATERIAL, "clear-satin", "recoat_min", "10", "must grow"},
            {Overrule.Table.MATERIAL, "wash-warm-brown", "work_until_min", "5", "window"},
            {Overrule.Table.TECHNIQUE, "pin-wash", "share", "2", "share"},
            {Overrule.Table.TECHNIQUE, "pin-wash", "ok_max", "0.2", "band"},
        };
    }

    @Test(dataProvider = "badFigures")
    public void aFigureThatMakesNoSenseIsRefusedWithItsName(
            Overrule.Table table, String key, String column, String value, String named) {
        var e =
                expectThrows(
                        InvalidInput.class,
                        () ->
                                Catalogue.load(
                                        List.of(new Overrule(table, key, column, value)),
                                        Map.of()));
        assertTrue(e.getMessage().contains(named), e.getMessage());
    }

    @Test
    public void aWorkshopsOwnFigureCountsAndTheShippedOneIsOneKeyAway() {
        var own = new Overrule(Overrule.Table.MATERIAL, "clear-satin", "recoat_min", "90");
        Catalogue c = Catalogue.load(List.of(own), Map.of());
        assertEquals(c.material("clear-satin").cure().orElseThrow().recoatMinutes(), 90.0);
        assertEquals(
                Catalogue.shipped(Overrule.Table.MATERIAL, "clear-satin", "recoat_min")
                        .orElseThrow(),
                "45");
        assertTrue(Catalogue.shipped(Overrule.Table.MATERIAL, "nothing", "recoat_min").isEmpty());
        expectThrows(
                InvalidInput.class,
                () -> new Overrule(Overrule.Table.MATERIAL, "clear-satin", "binder", "OIL"));
    }

    @Test
    public void theWholeShelfIsThere() {
        Set<String> families = new java.util.TreeSet<>();
        Bench.CATALOGUE.materials().forEach(m -> families.add(m.family()));
        for (String f :
                List.of(
                        "waterborne acrylic",
                        "alcohol-reducible acrylic",
                        "lacquer",
                        "aerosol clear",
                        "enamel paint",
                        "enamel wash",
                        "artist oil",
                        "acrylic wash",
                        "floor-polish acrylic",
                        "release layer",
                        "dry powder",
                        "pencil",
                        "decal film")) {
            assertTrue(families.contains(f), f);
        }
        for (Technique t : Bench.CATALOGUE.techniques()) {
            assertFalse(t.texts().stroke().isEmpty(), t.key());
            assertFalse(t.texts().stopRule().isEmpty(), t.key());
            t.follow()
                    .ifPresent(
                            f ->
                                    assertTrue(
                                            Bench.CATALOGUE.technique(f).works().means(t.key()),
                                            t.key()));
        }
    }

    @Test
    public void hoursGrowWithTheModel() {
        Technique wash = Bench.CATALOGUE.technique("grime-wash");
        assertTrue(wash.minutes(2, 2.5) > wash.minutes(2, 0.2));
        List<Integer> byZones = new ArrayList<>();
        for (int n = 1; n < 5; n++) {
            byZones.add(wash.minutes(n, 1));
        }
        assertEquals(byZones, byZones.stream().sorted().toList());
    }

    @Test
    public void theCureCurveIsInvertedByItsInverse() {
        for (Material m : Bench.CATALOGUE.materials()) {
            m.cure()
                    .ifPresent(
                            c -> {
                                for (double q = 0; q < 0.999; q += 0.013) {
                                    assertEquals(c.fraction(c.minutesTo(q)), q, 1e-9, m.name());
                                }
                            });
        }
    }
}
