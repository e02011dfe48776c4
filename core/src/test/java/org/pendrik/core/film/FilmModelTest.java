package org.pendrik.core.film;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.pendrik.core.catalogue.Action;
import org.pendrik.core.catalogue.BiteTable;
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.film.Finding.Rule;
import org.pendrik.core.film.Finding.Severity;
import org.pendrik.core.units.Climate;
import org.testng.annotations.Test;

/** What holds of barriers, blends, windows and rounds whatever lies. */
public class FilmModelTest {
    private static final Catalogue CATALOGUE = Bench.CATALOGUE;
    private static final BiteTable BITES = CATALOGUE.bite();
    private static final long DAY = Bench.DAY;

    private static <T> T any(Random r, List<T> all) {
        return all.get(r.nextInt(all.size()));
    }

    private static Act act(String id, String technique, String material, Set<String> zones) {
        Technique t = CATALOGUE.technique(technique);
        return new Act(
                new StepId(id), t, CATALOGUE.material(material), t.thickness(), zones, 0, 0, true);
    }

    private static Column column(FilmCase c) {
        return Bench.check(c).columns().getFirst();
    }

    private static double hit(Column c, int layer, Carrier carrier, Action action, long minute) {
        return Reach.into(c, carrier, action, BITES, l -> (double) (minute - l.laidAt()))
                .hit(layer);
    }

    @Test
    public void aClosedBarrierNeverMakesAReachDeeperAndASparseCoatChangesNothing() {
        Random r = new Random(71);
        for (int i = 0; i < 1500; i++) {
            FilmCase c = TwinTest.column(r, 1 + r.nextInt(5));
            long top = c.acts().getLast().endMinute() + 30;
            Act seal =
                    act(
                                    "seal",
                                    any(r, List.of("seal-satin", "lacquer-matte")),
                                    "clear-satin",
                                    Set.of("side"))
                            .at(top);
            Technique chips = CATALOGUE.technique("sponge-chip");
            Act sparse =
                    new Act(
                            new StepId("chips"),
                            chips.as(
                                    Action.BRUSH,
                                    Optional.empty(),
                                    any(r, List.of(0.03, 0.2, 0.89)),
                                    List.of()),
                            CATALOGUE.material("chip-rust-brown"),
                            any(r, List.of(Thickness.values())),
                            Set.of("side"),
                            top,
                            0,
                            true);
            Column bare = column(c);
            Column sealed = column(with(c, seal));
            Column chipped = column(with(c, sparse));
            long now = top + 5 + (long) Math.exp(r.nextDouble() * 9);
            Carrier liquid =
                    any(
                            r,
                            List.<Carrier>of(
                                    Carrier.Named.WATER,
                                    Carrier.Named.WARM_WATER,
                                    Carrier.Named.ODOURLESS_SPIRIT,
                                    Carrier.Named.LACQUER_THINNER,
                                    new Carrier.Alcohol(50)));
            Action how = any(r, List.of(Action.SPRAY, Action.BRUSH, Action.WIPE, Action.SOAK));
            for (int layer = Reach.SUBSTRATE; layer < bare.layers().size(); layer++) {
                double without = hit(bare, layer, liquid, how, now);
                assertTrue(
                        hit(sealed, layer, liquid, how, now) <= without + 1e-12,
                        layer + " of " + FilmPropertiesTest.said(c));
                assertEquals(hit(chipped, layer, liquid, how, now), without, 1e-12);
            }
        }
    }

    private static FilmCase with(FilmCase c, Act more) {
        List<Act> acts = new ArrayList<>(c.acts());
        acts.add(more);
        return c.with(acts);
    }

    @Test
    public void blendingAndThenWaitingIsNeverSaferThanWaiting() {
        Random r = new Random(72);
        List<String[]> tones =
                List.of(
                        new String[] {"oil-streak", "oil-fresh-rust"},
                        new String[] {"grime-wash", "grime-enamel"},
                        new String[] {"dirt-mist", "dirt-warm"},
                        new String[] {"rust-spots", "streak-enamel-rust"});
        Technique flat = CATALOGUE.technique("final-flat");
        int blended = 0;
        for (int i = 0; i < 800; i++) {
            FilmCase c = TwinTest.column(r, 1 + r.nextInt(3));
            String[] tone = any(r, tones);
            long at = c.acts().getLast().endMinute() + 60;
            FilmCase once = with(c, act("first", tone[0], tone[1], Set.of("side")).at(at));
            long again = at + 1 + r.nextInt(60);
            FilmCase twice = with(once, act("second", tone[0], tone[1], Set.of("side")).at(again));
            if (Bench.check(twice).about(new StepId("second")).stream()
                    .noneMatch(f -> f.rule() == Rule.BLEND)) {
                continue;
            }
            blended++;
            long now = again + (long) Math.exp(r.nextDouble() * 9);
            Act clear =
                    Act.planned(
                                    new StepId("flat"),
                                    flat,
                                    CATALOGUE.material(any(r, flat.materials())),
                                    c.zones())
                            .at(now);
            Layer one = byId(column(once), "first");
            Layer other = byId(column(twice), "first");
            assertTrue(other.cureAt(now) <= one.cureAt(now) + 1e-12);
            int waited = new Ledger2(once).weight(clear);
            int after = new Ledger2(twice).weight(clear);
            assertTrue(after >= waited, FilmPropertiesTest.said(twice));
        }
        assertTrue(blended > 500, "only " + blended);
    }

    /** Short for a ledger of a case. */
    private record Ledger2(FilmCase laid) {
        int weight(Act act) {
            return Ledger.of(laid, CATALOGUE).weight(act);
        }
    }

    private static Layer byId(Column c, String id) {
        return c.layers().stream()
                .filter(l -> l.actId().equals(new StepId(id)))
                .findFirst()
                .orElseThrow();
    }

    /** A coat and the work in its window, on some zones, at some speed. */
    private record Pair(FilmCase laid, Act work) {}

    private static Pair pair(Random r) {
        String[] kind =
                any(
                        r,
                        List.of(
                                new String[] {
                                    "grime-wash", "grime-enamel", "wipe-grime", "spirit-odourless"
                                },
                                new String[] {
                                    "pin-wash", "wash-warm-brown", "wipe-back", "spirit-odourless"
                                },
                                new String[] {
                                    "pin-wash", "wash-warm-brown", "wipe-dry", "swab-dry"
                                },
                                new String[] {
                                    "oil-wash", "oil-umber", "wipe-grime", "thinner-enamel"
                                },
                                new String[] {
                                    "sludge-wash", "wash-sludge", "rub-off", "water-soapy"
                                },
                                new String[] {
                                    "dirt-mist", "dirt-warm", "draw-alcohol", "alcohol-35"
                                },
                                new String[] {
                                    "dirt-mist", "dirt-warm", "draw-alcohol", "alcohol-50"
                                },
                                new String[] {"chip-top", "base-kiln-red", "wet-chip", "water"},
                                new String[] {
                                    "chip-top", "base-moor-green", "wet-chip", "water-warm"
                                },
                                new String[] {
                                    "dot-filter", "oil-white", "blend-dots", "spirit-odourless"
                                }));
        Set<String> zones =
                new LinkedHashSet<>(List.of("a", "b", "c", "d").subList(0, 1 + r.nextInt(4)));
        List<Zone> all =
                zones.stream()
                        .map(
                                z ->
                                        new Zone(
                                                z,
                                                z,
                                                Substrate.FACTORY_FLAT,
                                                false,
                                                Substrate.UNKNOWN_COLOUR))
                        .toList();
        Thickness h = any(r, List.of(Thickness.MIST, Thickness.LIGHT, Thickness.NORMAL));
        List<Act> acts = new ArrayList<>();
        acts.add(act("seal", "seal-satin", "clear-satin", zones));
        long at = 3 * DAY;
        if (kind[0].equals("chip-top")) {
            acts.add(act("release", "release-coat", "release-layer", zones).at(at - 300));
        }
        acts.add(act("coat", kind[0], kind[1], zones).with(h).at(at).doneAt(at, r.nextInt(40)));
        Act work =
                new Act(
                        new StepId("work"),
                        CATALOGUE.technique(kind[2]),
                        CATALOGUE.material(kind[3]),
                        Thickness.MIST,
                        zones,
                        at + 60,
                        r.nextInt(60),
                        false);
        Climate air = new Climate(10 + r.nextInt(20), 0.2 + 0.5 * r.nextDouble());
        return new Pair(new FilmCase(all, acts, air), work);
    }

    private static boolean stands(Pair p, long minute) {
        return Bench.check(with(p.laid, p.work.at(minute))).about(p.work.id()).stream()
                .anyMatch(f -> f.rule() == Rule.WINDOW || f.rule() == Rule.TOO_LITTLE);
    }

    @Test
    public void theWindowOfTheClockIsTheSpanInWhichTheCheckHasNothingAgainstIt() {
        Random r = new Random(73);
        int open = 0;
        for (int i = 0; i < 500; i++) {
            Pair p = pair(r);
            var found = Ledger.of(p.laid, CATALOGUE).span(p.work);
            if (found.isEmpty()) {
                // a mist is half open for ever
                assertTrue(!stands(p, 300 * DAY), FilmPropertiesTest.said(p.laid));
                continue;
            }
            var span = found.get();
            String said = FilmPropertiesTest.said(p.laid) + p.work.technique().key() + span;
            assertEquals(span.closesMinute(), span.lastStartMinute() + p.work.minutes(), said);
            if (span.lastStartMinute() < span.opensMinute()) {
                for (long at = 3 * DAY + 40; at < 3 * DAY + 400; at += 20) {
                    assertTrue(stands(p, at), said + " at " + at);
                }
                continue;
            }
            open++;
            long middle = (span.opensMinute() + span.lastStartMinute()) / 2;
            for (long at : new long[] {span.opensMinute(), middle, span.lastStartMinute()}) {
                assertTrue(!stands(p, at), said + " at " + at);
            }
            assertTrue(stands(p, span.lastStartMinute() + 1), said + " stays open");
            boolean before = span.opensMinute() > p.laid.acts().getLast().endMinute();
            assertTrue(!before || stands(p, span.opensMinute() - 1), said + " opens earlier");
        }
        assertTrue(open > 300, "only " + open);
    }

    @Test
    public void chippingRunsAsLongInColdAndWarmWaterAsItDoesAtTheBench() {
        // minutes after the top coat, to the even minute below
        for (Object[] x :
                new Object[][] {
                    {Thickness.LIGHT, "water", 84},
                    {Thickness.NORMAL, "water", 166},
                    {Thickness.LIGHT, "water-warm", 146},
                    {Thickness.NORMAL, "water-warm", 286}
                }) {
            Bench b =
                    Bench.on(Substrate.FACTORY_FLAT)
                            .done(0, "seal-satin", "clear-satin")
                            .done(3 * DAY, "release-coat", "release-layer")
                            .done(3 * DAY + 60, "chip-top", "base-kiln-red")
                            .then(3 * DAY + 120, "wet-chip", (String) x[1]);
            FilmCase c = b.build();
            List<Act> acts = new ArrayList<>(c.acts());
            acts.set(2, acts.get(2).with((Thickness) x[0]));
            var span =
                    Ledger.of(c.with(acts.subList(0, 3)), CATALOGUE)
                            .span(acts.get(3))
                            .orElseThrow();
            long last = span.lastStartMinute() - (3 * DAY + 60);
            assertEquals(last - last % 2, ((Integer) x[2]).longValue(), x[0] + " " + x[1]);
        }
    }

    @Test
    public void aWashThatCannotBeWipedInOneGoIsWipedInTheFewestRounds() {
        List<Zone> zones = new ArrayList<>();
        for (int i = 0; i < 7; i++) {
            zones.add(
                    new Zone(
                            "z" + i,
                            "panel " + i,
                            Substrate.FACTORY_FLAT,
                            false,
                            Substrate.UNKNOWN_COLOUR));
        }
        Technique wash = CATALOGUE.technique("grime-wash");
        Technique wipe = CATALOGUE.technique("wipe-grime");
        List<Act> acts =
                List.of(
                        Act.planned(
                                new StepId("wash"), wash, CATALOGUE.startingMaterial(wash), zones),
                        Act.planned(
                                new StepId("wipe"), wipe, CATALOGUE.startingMaterial(wipe), zones));
        FilmCase c = new FilmCase(zones, acts, Climate.REFERENCE);
        FilmCase settled = new Timing(CATALOGUE).settle(c, 0, false);
        Act laid = settled.acts().getFirst();
        Act wiped = settled.acts().getLast();
        assertTrue(Bench.check(settled).isClean(), Bench.check(settled).findings().toString());
        int rounds = laid.rounds().groups().size();
        assertTrue(rounds >= 2 && rounds <= 4, laid.rounds().toString());
        assertEquals(wiped.rounds().groups(), laid.rounds().groups());
        for (Zone z : zones) {
            long age = wiped.endOn(z.key()) - laid.endOn(z.key());
            assertTrue(age <= 45, z.key() + " is wiped " + age + " min after laying");
            assertTrue(wiped.beginOn(z.key()) - laid.endOn(z.key()) >= 10);
        }
        // nobody is at two zones at once
        long clock = laid.atMinute();
        for (List<String> round : laid.rounds().groups()) {
            for (String z : round) {
                assertTrue(laid.atMinute() + laid.span(z).from() >= clock);
                clock = laid.endOn(z);
            }
            for (String z : round) {
                assertTrue(wiped.beginOn(z) >= clock);
                clock = wiped.endOn(z);
            }
        }
        assertEquals(clock, wiped.endMinute());
        // one round less, and some zone is too old
        assertTrue(!fits(laid, wiped, rounds - 1), "fewer rounds would do");
        // the same without rounds is said, never silent
        FilmCase oneGo =
                c.with(List.of(acts.getFirst(), acts.getLast().at(acts.getFirst().endMinute())));
        assertTrue(
                Bench.check(oneGo).findings().stream()
                        .anyMatch(f -> f.rule() == Rule.WINDOW && f.severity() != Severity.NOTE),
                "63 minutes of laying and 65 of wiping do not fit in 10 to 45");
    }

    /** Whether some cut of the zones into so many rounds keeps every zone in its window. */
    private static boolean fits(Act laid, Act wiped, int rounds) {
        List<String> zones = List.copyOf(laid.zones());
        int n = zones.size();
        for (int cuts = 0; cuts < 1 << (n - 1); cuts++) {
            if (Integer.bitCount(cuts) != rounds - 1) {
                continue;
            }
            List<List<String>> groups = new ArrayList<>();
            List<String> group = new ArrayList<>();
            for (int i = 0; i < n; i++) {
                group.add(zones.get(i));
                if (i == n - 1 || (cuts & 1 << i) != 0) {
                    groups.add(List.copyOf(group));
                    group.clear();
                }
            }
            if (groups.stream().allMatch(g -> keeps(g, laid, wiped))) {
                return true;
            }
        }
        return false;
    }

    private static boolean keeps(List<String> group, Act laid, Act wiped) {
        for (int wait = 0; wait <= 45; wait++) {
            boolean good = true;
            int lay = group.stream().mapToInt(z -> laid.span(z).minutes()).sum();
            int laidAt = 0;
            int rubbed = lay + wait;
            for (String z : group) {
                laidAt += laid.span(z).minutes();
                good &= rubbed - laidAt >= 10;
                rubbed += wiped.span(z).minutes();
                good &= rubbed - laidAt <= 45;
            }
            if (good) {
                return true;
            }
        }
        return false;
    }
}
