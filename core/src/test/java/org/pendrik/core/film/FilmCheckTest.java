package org.pendrik.core.film;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import org.pendrik.core.catalogue.Action;
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.film.Finding.Rule;
import org.pendrik.core.film.Finding.Severity;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class FilmCheckTest {
    private static final long DAY = Bench.DAY;

    private static Bench semi() {
        return Bench.on(Substrate.FACTORY_SEMI_GLOSS);
    }

    @DataProvider
    public Object[][] refused() {
        return new Object[][] {
            {
                "enamel wash over day-old oil",
                semi().done(0, "seal-satin", "clear-satin")
                        .done(DAY, "oil-streak", "oil-fresh-rust")
                        .then(2 * DAY, "grime-wash", "wash-warm-brown"),
                Rule.REACH,
                "fresh rust oil",
                Severity.STOP
            },
            {
                "powder on factory semi-gloss",
                semi().then(0, "powder", "powder-kiln-dust"),
                Rule.TOOTH,
                "",
                Severity.WARN
            },
            {
                "decal on loose powder",
                Bench.on(Substrate.FACTORY_FLAT)
                        .done(0, "powder", "powder-kiln-dust")
                        .then(60, "decal", "decal-film"),
                Rule.TOOTH,
                "",
                Severity.STOP
            },
            {
                "oil streak on loose powder",
                Bench.on(Substrate.FACTORY_FLAT)
                        .done(0, "powder", "powder-kiln-dust")
                        .then(60, "oil-streak", "oil-fresh-rust"),
                Rule.LOOSE,
                "kiln dust powder",
                Severity.WARN
            },
            {
                "oil wash on loose powder",
                Bench.on(Substrate.FACTORY_FLAT)
                        .done(0, "powder", "powder-kiln-dust")
                        .then(60, "oil-wash", "oil-umber"),
                Rule.LOOSE,
                "kiln dust powder",
                Severity.STOP
            },
            {
                "flat lacquer over half-day-old oil",
                semi().done(0, "seal-satin", "clear-satin")
                        .done(2 * DAY, "oil-streak", "oil-fresh-rust")
                        .then(2 * DAY + 720, "final-flat", "clear-flat-lacquer"),
                Rule.TRAPPED,
                "fresh rust oil",
                Severity.STOP
            },
            {
                "wiping a wash after 90 minutes",
                semi().done(0, "seal-satin", "clear-satin")
                        .done(4 * DAY, "pin-wash", "wash-warm-brown")
                        .then(4 * DAY + 90, "wipe-back", "spirit-odourless"),
                Rule.WINDOW,
                "warm brown wash",
                Severity.WARN
            },
        };
    }

    @Test(dataProvider = "refused")
    public void refusesWithTheReasonAndAMendThatWorks(
            String what, Bench bench, Rule rule, String coat, Severity severity) {
        FilmCase question = bench.build();
        FilmReport report = Bench.check(question);
        Finding stop =
                report.findings().stream()
                        .filter(f -> f.rule() == rule && f.severity() == severity)
                        .findFirst()
                        .orElseThrow(() -> new AssertionError(what + ": " + report.findings()));
        assertTrue(
                coat.isEmpty() ? stop.coats().isEmpty() : stop.coats().contains(coat),
                stop.toString());
        var mends = new Mends(Bench.CATALOGUE);
        var offered = mends.forFinding(question, report, stop);
        assertFalse(offered.isEmpty(), what + " has no mend");
        for (var m : offered) {
            FilmReport after = Bench.check(mends.apply(question, m.mend()).orElseThrow());
            assertTrue(
                    after.findings().stream()
                            .noneMatch(
                                    f ->
                                            f.rule() == rule
                                                    && f.actId().equals(stop.actId())
                                                    && f.severity() == severity),
                    m.mend().label() + " leaves " + after.findings());
            assertTrue(after.weight() < report.weight(), m.mend().label());
        }
        FilmReport best =
                Bench.check(mends.apply(question, offered.getFirst().mend()).orElseThrow());
        assertEquals(best.stops(), 0, what + " still has " + best.findings());
    }

    @DataProvider
    public Object[][] passed() {
        return new Object[][] {
            {
                "enamel wash over cured acrylic satin",
                semi().done(0, "seal-satin", "clear-satin")
                        .then(3 * DAY, "pin-wash", "wash-warm-brown")
                        .then(3 * DAY + 15, "wipe-back", "spirit-odourless")
            },
            {
                "powder on matte",
                semi().done(0, "seal-matte", "clear-matte")
                        .then(2 * DAY, "powder", "powder-kiln-dust")
            },
            {
                "water-based flat over four-day oil",
                semi().done(0, "seal-satin", "clear-satin")
                        .done(2 * DAY, "oil-streak", "oil-fresh-rust")
                        .done(2 * DAY + 30, "draw-down", "spirit-odourless")
                        .then(6 * DAY, "final-flat", "clear-matte")
            },
        };
    }

    @Test(dataProvider = "passed")
    public void letsPass(String what, Bench bench) {
        FilmReport report = Bench.check(bench.build());
        assertTrue(report.isClean(), what + ": " + report.findings());
    }

    @Test
    public void powderOnGlossHasOtherMendsThanOneClear() {
        FilmCase c =
                semi().done(0, "seal-matte", "clear-matte")
                        .then(DAY, "powder", "powder-kiln-dust")
                        .then(DAY + 10, "pin-wash", "wash-warm-brown")
                        .build();
        var loose =
                Bench.check(c).findings().stream()
                        .filter(f -> f.rule() == Rule.LOOSE)
                        .findFirst()
                        .orElseThrow();
        var labels =
                new Mends(Bench.CATALOGUE)
                        .forFinding(c, Bench.check(c), loose).stream()
                                .map(m -> m.mend().label())
                                .toList();
        assertTrue(
                labels.toString().contains("Lay satin clear (water) before it"), labels.toString());
    }

    @Test
    public void aWashThatNobodyWipesIsANoteSinceGoodPeopleDoSo() {
        FilmCase c =
                semi().done(0, "seal-satin", "clear-satin")
                        .then(3 * DAY, "pin-wash", "wash-warm-brown")
                        .build();
        var open =
                Bench.check(c).findings().stream()
                        .filter(f -> f.rule() == Rule.OPEN_WINDOW)
                        .findFirst()
                        .orElseThrow();
        assertEquals(open.severity(), Severity.NOTE);
    }

    @Test
    public void clearsThatFollowAreToldBeforehand() {
        FilmCase c =
                Bench.on(Substrate.FACTORY_FLAT)
                        .then(0, "sponge-chip", "chip-rust-brown")
                        .then(2 * DAY, "seal-satin", "clear-satin")
                        .then(4 * DAY, "final-flat", "clear-matte")
                        .build();
        Finding note =
                Bench.check(c).findings().stream()
                        .filter(f -> f.rule() == Rule.CONTRAST)
                        .findFirst()
                        .orElseThrow();
        // two light clears keep 0.9 each
        assertEquals(note.numbers().getOrDefault("contrast kept", 0.0), 0.81, 1e-9);
    }

    @Test
    public void oneFindingSpeaksForAllItsZones() {
        FilmCase c =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS, "left", "right", "roof")
                        .then(0, "powder", "powder-kiln-dust")
                        .build();
        assertEquals(
                Bench.check(c).findings().getFirst().zones(),
                java.util.List.of("left", "right", "roof"));
    }

    @Test
    public void waterLeaksThroughAFreshTopCoatAndNotThroughATightOne() {
        // wet chipping: release layer under a top coat, scrubbed with water
        for (long wait : new long[] {20, 4 * DAY}) {
            FilmCase c =
                    semi().done(0, "seal-satin", "clear-satin")
                            .done(3 * DAY, "release-coat", "release-layer")
                            .done(3 * DAY + 60, "chip-top", "base-kiln-red")
                            .build();
            Column column = Bench.check(c).columns().getFirst();
            long now = 3 * DAY + 60 + wait;
            Reach r =
                    Reach.into(
                            column,
                            Carrier.Named.WATER,
                            Action.SCRUB,
                            Bench.CATALOGUE.bite(),
                            l -> (double) (now - l.laidAt()));
            Reach.Met release =
                    r.met().stream()
                            .filter(m -> m.name().equals("release layer"))
                            .findFirst()
                            .orElse(null);
            assertEquals(
                    release != null && release.effect() == Reach.Effect.BROKEN,
                    wait == 20,
                    r.toString());
        }
    }

    @Test
    public void alcoholGoesThroughToFactoryLettering() {
        FilmCase c =
                new FilmCase(
                        java.util.List.of(
                                new Zone(
                                        "panel",
                                        "panel",
                                        Substrate.FACTORY_FLAT,
                                        true,
                                        Substrate.UNKNOWN_COLOUR)),
                        java.util.List.of(
                                new Act(
                                        new StepId("rub"),
                                        Bench.CATALOGUE.technique("erase-wash"),
                                        Bench.CATALOGUE.material("alcohol-70"),
                                        Thickness.NORMAL,
                                        java.util.Set.of("panel"),
                                        0,
                                        0,
                                        false)),
                        org.pendrik.core.units.Climate.REFERENCE);
        var reach =
                Bench.check(c).about(new StepId("rub")).stream()
                        .filter(f -> f.rule() == Rule.REACH)
                        .toList();
        assertEquals(reach.size(), 2);
        assertEquals(reach.getFirst().coats(), java.util.List.of("factory lettering"));
        assertEquals(reach.getFirst().severity(), Severity.WARN);
    }
}
