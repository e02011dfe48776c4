package org.pendrik.core.film;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.pendrik.core.catalogue.Action;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.BiteTable;
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.catalogue.WashBehaviour;
import org.pendrik.core.film.Finding.Severity;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

/** Properties that hold for every column, tried on seeded random ones. */
public class FilmPropertiesTest {
    private static final Catalogue CATALOGUE = Bench.CATALOGUE;
    private static final BiteTable BITES = CATALOGUE.bite();

    private static final List<String> COATS =
            List.of(
                    "seal-satin",
                    "seal-matte",
                    "seal-gloss",
                    "mist-fade",
                    "pin-wash",
                    "sponge-chip",
                    "oil-streak",
                    "airbrush-dust",
                    "powder",
                    "final-flat");

    static FilmCase random(Random r, int coats, boolean done) {
        List<Act> acts = new ArrayList<>();
        long at = 0;
        for (int i = 0; i < coats; i++) {
            Technique t = CATALOGUE.technique(COATS.get(r.nextInt(COATS.size())));
            Material m = CATALOGUE.material(t.materials().get(r.nextInt(t.materials().size())));
            Thickness h =
                    List.of(Thickness.MIST, Thickness.LIGHT, Thickness.NORMAL).get(r.nextInt(3));
            int minutes = t.minutes(1, 0.25);
            acts.add(new Act(new StepId("a" + i), t, m, h, Set.of("side"), at, minutes, done));
            at += minutes + (long) Math.exp(r.nextDouble() * 9);
        }
        Zone z =
                new Zone(
                        "side",
                        "side",
                        List.of(Substrate.values()).get(r.nextInt(4)),
                        r.nextBoolean(),
                        Substrate.UNKNOWN_COLOUR);
        return new FilmCase(
                List.of(z), acts, new Climate(10 + r.nextInt(20), 0.2 + 0.6 * r.nextDouble()));
    }

    @Test
    public void cureRisesFromZeroToOneThroughItsAnchors() {
        for (Material m : CATALOGUE.materials()) {
            m.cure()
                    .ifPresent(
                            c -> {
                                assertEquals(c.fraction(0), 0.0);
                                assertEquals(c.fraction(c.touchMinutes()), 0.30, 1e-9);
                                assertEquals(c.fraction(c.handleMinutes()), 0.50, 1e-9);
                                assertEquals(c.fraction(c.recoatMinutes()), 0.70, 1e-9);
                                assertEquals(c.fraction(c.fullMinutes()), 0.98, 1e-9);
                                double last = 0;
                                for (double t = 1; t < 1e6; t *= 1.1) {
                                    double q = c.fraction(t);
                                    assertTrue(q > last && q < 1, m.name() + " at " + t);
                                    last = q;
                                }
                                assertTrue(c.fraction(1e7) > 0.998);
                            });
        }
    }

    @Test
    public void warmthHastensAndDampSlows() {
        for (Binder b : Binder.values()) {
            double last = Double.MAX_VALUE;
            for (double t = 5; t <= 40; t += 5) {
                double s = CureClock.slowing(b, new Climate(t, 0.5));
                assertTrue(b.drying() == Binder.Drying.NONE || s < last, b + " at " + t);
                last = s;
            }
        }
        double dry = CureClock.slowing(Binder.WATERBORNE_ACRYLIC, new Climate(21, 0.5));
        assertEquals(dry, 1.0, 1e-12);
        assertEquals(CureClock.slowing(Binder.WATERBORNE_ACRYLIC, new Climate(21, 0.75)), 2, 1e-9);
        assertEquals(CureClock.slowing(Binder.WATERBORNE_ACRYLIC, new Climate(21, 1)), 4, 1e-9);
        assertEquals(CureClock.slowing(Binder.OIL, new Climate(11, 0.9)), 2, 1e-9);
        assertEquals(
                CureClock.slowing(Binder.LACQUER, Climate.REFERENCE, 2, 1), Math.pow(2, 1.3), 1e-9);
    }

    @Test
    public void alcoholIsInterpolatedThroughTheTable() {
        assertEquals(BITES.bite(new Carrier.Alcohol(0), Binder.FLOOR_POLISH, 1), 0, 1e-12);
        assertEquals(BITES.bite(new Carrier.Alcohol(35), Binder.FLOOR_POLISH, 1), 0.35, 1e-12);
        assertEquals(BITES.bite(new Carrier.Alcohol(70), Binder.FLOOR_POLISH, 1), 0.9, 1e-12);
        assertEquals(BITES.bite(new Carrier.Alcohol(52.5), Binder.FLOOR_POLISH, 1), 0.625, 1e-12);
        double last = -1;
        for (int p = 0; p <= 100; p++) {
            double b = BITES.bite(new Carrier.Alcohol(p), Binder.WATERBORNE_ACRYLIC, 0.6);
            assertTrue(b >= last && b <= 1);
            last = b;
        }
    }

    @Test
    public void aCuredInertBarrierNeverDeepensAReach() {
        Random r = new Random(42);
        Technique seal = CATALOGUE.technique("seal-satin");
        for (int i = 0; i < 2000; i++) {
            FilmCase c = random(r, 1 + r.nextInt(6), true);
            Column bare = Bench.check(c).columns().getFirst();
            long top = c.acts().getLast().endMinute();
            Act coat =
                    Act.planned(
                                    new StepId("seal"),
                                    seal,
                                    CATALOGUE.startingMaterial(seal),
                                    c.zones())
                            .at(top + 60);
            List<Act> acts = new ArrayList<>(c.acts());
            acts.add(coat);
            Column covered = Bench.check(c.with(acts)).columns().getFirst();
            long now = top + 60 + 10 * Bench.DAY;
            for (Carrier carrier : List.of(Carrier.Named.ODOURLESS_SPIRIT, Carrier.Named.WATER)) {
                int without = broken(bare, carrier, now);
                assertTrue(broken(covered, carrier, now) <= without, c.toString());
            }
        }
    }

    private static int broken(Column column, Carrier carrier, long now) {
        return (int)
                Reach.into(column, carrier, Action.BRUSH, BITES, l -> (double) (now - l.laidAt()))
                        .met()
                        .stream()
                        .filter(m -> m.effect() != Reach.Effect.UNTOUCHED)
                        .count();
    }

    @Test
    public void waitingNeverMakesWorseWhatWaitingHeals() {
        Random r = new Random(5);
        for (int i = 0; i < 500; i++) {
            FilmCase c = random(r, 2 + r.nextInt(6), false);
            Act last = c.acts().getLast();
            FilmCase before = c.with(c.acts().subList(0, c.acts().size() - 1));
            Column column = Bench.check(before).columns().getFirst();
            if (seeksOpenCoats(last, column)) {
                continue;
            }
            ActJudge judge = new ActJudge(BITES, c.air());
            List<Layer> means = ActJudge.means(last, column);
            int weight = Integer.MAX_VALUE;
            for (long t = last.atMinute(); t < 90 * Bench.DAY; t = t + 30 + t / 20) {
                long at = t;
                int w = judge.healable(last, column, means, l -> (double) (at - l.laidAt()));
                assertTrue(w <= weight, "at " + t + " of " + c);
                weight = w;
            }
        }
    }

    @Test
    public void whatTimeHealsIsTheWeightOfItsFindings() {
        Random r = new Random(15);
        for (int i = 0; i < 500; i++) {
            FilmCase c = random(r, 2 + r.nextInt(6), true);
            Act last = c.acts().getLast();
            FilmCase before = c.with(c.acts().subList(0, c.acts().size() - 1));
            Column column = Bench.check(before).columns().getFirst();
            int expected =
                    new ActJudge(BITES, c.air())
                                    .judge(
                                            last,
                                            column,
                                            l -> (double) (last.atMinute() - l.laidAt()))
                                    .findings()
                                    .stream()
                                    .filter(f -> f.rule().timeHeals())
                                    .mapToInt(f -> f.severity().weight())
                                    .sum();
            assertEquals(healable(before, last, last.atMinute()), expected, c.toString());
        }
    }

    @Test
    public void aLedgerThatGrowsFindsWhatTheCheckOfTheWholeFinds() {
        Random r = new Random(16);
        for (int i = 0; i < 500; i++) {
            FilmCase c = random(r, 1 + r.nextInt(8), true);
            FilmReport whole = Bench.check(c);
            Ledger ledger = Ledger.of(c.with(List.of()), CATALOGUE);
            for (Act a : c.acts()) {
                List<Finding> expected =
                        whole.about(a.id()).stream()
                                .filter(f -> f.rule() != Finding.Rule.OPEN_WINDOW)
                                .filter(f -> f.rule() != Finding.Rule.CONTRAST)
                                .toList();
                List<Finding> found = new ArrayList<>(ledger.against(a));
                found.sort(Comparator.comparingInt(f -> -f.severity().weight()));
                assertEquals(found, expected, c.toString());
                Ledger next = ledger.and(a);
                assertEquals(
                        ledger.on(c.zones().getFirst().key()).layers().size()
                                + (a.material().deposits() ? 1 : 0),
                        next.on(c.zones().getFirst().key()).layers().size());
                ledger = next;
            }
        }
    }

    @Test
    public void theEarliestMinuteIsGoodAndTheOneBeforeIsNot() {
        Random r = new Random(6);
        Timing timing = new Timing(CATALOGUE);
        for (int i = 0; i < 300; i++) {
            FilmCase c = random(r, 2 + r.nextInt(5), false);
            Act last = c.acts().getLast();
            FilmCase before = c.with(c.acts().subList(0, c.acts().size() - 1));
            long at = timing.earliest(before, last, last.atMinute());
            if (seeksOpenCoats(last, Bench.check(before).columns().getFirst())) {
                continue;
            }
            int settled = healable(before, last, 600 * Bench.DAY);
            assertEquals(healable(before, last, at), settled);
            assertTrue(at == last.atMinute() || healable(before, last, at - 1) > settled);
        }
    }

    /** Whoever blends wants the coat open: that does not get better with waiting. */
    private static boolean seeksOpenCoats(Act act, Column column) {
        return column.layers().stream().anyMatch(l -> Column.mayBlend(act, l));
    }

    /** A case in a line. */
    static String said(FilmCase c) {
        StringBuilder out = new StringBuilder();
        for (Act a : c.acts()) {
            out.append(a.technique().key())
                    .append(' ')
                    .append(a.material().key())
                    .append(' ')
                    .append(a.thickness())
                    .append(' ')
                    .append(a.endMinute())
                    .append(" > ");
        }
        return out.toString();
    }

    private static int healable(FilmCase before, Act act, long minute) {
        Column column = Bench.check(before).columns().getFirst();
        return new ActJudge(BITES, before.air())
                .healable(
                        act,
                        column,
                        ActJudge.means(act, column),
                        l -> (double) (minute + act.lead("side") - l.laidAt()));
    }

    @Test
    public void keepingTheLagsLeavesNothingForTimeToHeal() {
        Random r = new Random(8);
        Timing timing = new Timing(CATALOGUE);
        for (int i = 0; i < 300; i++) {
            FilmCase c = random(r, 2 + r.nextInt(6), false);
            List<Lag> lags = timing.lags(c);
            List<Act> placed = new ArrayList<>();
            for (Act a : c.acts()) {
                long at = placed.isEmpty() ? 0 : placed.getLast().endMinute();
                for (Act p : placed) {
                    for (Lag l : lags) {
                        if (l.fromActId().equals(p.id()) && l.toActId().equals(a.id())) {
                            at = Math.max(at, p.endMinute() + l.minMinutes());
                        }
                    }
                }
                placed.add(a.at(at));
            }
            for (int k = 1; k < placed.size(); k++) {
                FilmCase before = c.with(placed.subList(0, k));
                Act a = placed.get(k);
                if (seeksOpenCoats(a, Bench.check(before).columns().getFirst())) {
                    continue;
                }
                assertEquals(
                        healable(before, a, a.atMinute()),
                        healable(before, a, 900 * Bench.DAY),
                        said(before) + a.technique().key() + " in " + a.atMinute());
            }
        }
    }

    @Test
    public void anOfferedMendRemovesItsFindingAndMakesNothingWorse() {
        Random r = new Random(12);
        Mends mends = new Mends(CATALOGUE);
        int offered = 0;
        for (int i = 0; i < 150; i++) {
            FilmCase c = random(r, 2 + r.nextInt(5), false);
            FilmReport report = Bench.check(c);
            for (Finding f : report.findings()) {
                for (var m : mends.forFinding(c, report, f)) {
                    offered++;
                    FilmCase mended = mends.apply(c, m.mend()).orElseThrow();
                    FilmReport after = Bench.check(mended);
                    assertTrue(after.weight() < report.weight(), m.mend() + " on " + c);
                    assertTrue(
                            after.findings().stream()
                                    .noneMatch(
                                            g ->
                                                    g.rule() == f.rule()
                                                            && g.actId().equals(f.actId())
                                                            && g.coats().equals(f.coats())
                                                            && g.severity() == f.severity()),
                            m.mend() + " keeps " + f);
                    if (!(m.mend() instanceof Mend.Wait || m.mend() instanceof Mend.TakeOut)) {
                        assertTrue(
                                Bench.check(asIsAtTheMinutesOf(mended, c)).findings().stream()
                                        .anyMatch(
                                                g ->
                                                        g.rule() == f.rule()
                                                                && g.actId().equals(f.actId())),
                                m.mend() + " only waits: " + f + " on " + c);
                    }
                }
            }
        }
        assertTrue(offered > 300, "only " + offered);
    }

    /** The steps as they were, none before the minute that it has in the mended case. */
    private static FilmCase asIsAtTheMinutesOf(FilmCase mended, FilmCase asIs) {
        List<Act> acts = new ArrayList<>();
        long clock = Long.MIN_VALUE;
        for (Act a : asIs.acts()) {
            long there =
                    mended.acts().stream()
                            .filter(b -> b.id().equals(a.id()))
                            .mapToLong(Act::atMinute)
                            .findFirst()
                            .orElse(a.atMinute());
            clock = a.done() ? a.atMinute() : Math.max(clock, Math.max(there, a.atMinute()));
            acts.add(a.done() ? a : a.at(clock));
        }
        return asIs.with(acts);
    }

    @Test
    public void notesHaveNoMends() {
        FilmCase c =
                Bench.on(Substrate.FACTORY_FLAT).then(0, "pin-wash", "wash-warm-brown").build();
        FilmReport report = Bench.check(c);
        Finding note =
                report.findings().stream()
                        .filter(f -> f.severity() == Severity.NOTE)
                        .findFirst()
                        .orElseThrow();
        assertTrue(note.why().contains("stain"), note.why());
        assertTrue(new Mends(CATALOGUE).forFinding(c, report, note).isEmpty());
    }

    @Test
    public void washBehaviourPassesThroughTheThreeFinishes() {
        assertEquals(WashBehaviour.on(0.10), new WashBehaviour(1.0, 0.25, 1.0));
        assertEquals(WashBehaviour.on(0.85).grip(), 0.90, 1e-12);
        assertEquals(WashBehaviour.on(0.45).removability(), 0.55, 1e-12);
    }

    @Test
    public void aCaseThatContradictsItselfIsRefusedByName() {
        var bench =
                Bench.on(Substrate.BARE)
                        .then(50, "seal-satin", "clear-satin")
                        .then(10, "powder", "powder-kiln-dust");
        var e = expectThrows(InvalidInput.class, bench::build);
        assertTrue(e.getMessage().contains("Step powder (minute 10)"), e.getMessage());
        assertTrue(
                expectThrows(InvalidInput.class, () -> CATALOGUE.material("chalk"))
                        .getMessage()
                        .contains("chalk"));
    }
}
