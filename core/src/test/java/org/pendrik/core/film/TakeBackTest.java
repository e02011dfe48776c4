package org.pendrik.core.film;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.pendrik.core.catalogue.Must;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

public class TakeBackTest {
    private static final TakeBack TAKE_BACK = new TakeBack(Bench.CATALOGUE);
    private static final Set<String> AT_HAND = Set.of("spirit-odourless", "water", "alcohol-35");

    private static TakeBack.Answer ask(FilmCase laid, StepId actId, double share, long now) {
        return TAKE_BACK.answer(
                new TakeBack.Question(laid, actId, Set.of("side"), share, now, AT_HAND));
    }

    @Test
    public void aFreshWashOverSatinComesOffWithSpiritAndTheSatinStays() {
        FilmCase c =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .done(0, "seal-satin", "clear-satin")
                        .done(2 * Bench.DAY, "pin-wash", "wash-warm-brown")
                        .build();
        var a = ask(c, new StepId("pin-wash-1"), 1, 2 * Bench.DAY + 120);
        var best = a.ways().getFirst();
        assertEquals(best.act().material().key(), "spirit-odourless");
        assertTrue(best.atHand());
        assertEquals(best.fromMinute(), 2 * Bench.DAY + 120);
        assertTrue(best.untilMinute().isPresent(), "it sets in the end");
        assertTrue(best.margin() > 0.1, best.toString());
        assertTrue(a.mustNotTouch().contains("satin clear (water)"), a.mustNotTouch().toString());
        // after its time it moves no more, whatever is tried with it
        long late = best.untilMinute().getAsLong() + 1;
        assertTrue(
                ask(c, new StepId("pin-wash-1"), 1, late).ways().stream()
                        .noneMatch(
                                w ->
                                        w.act().material().equals(best.act().material())
                                                && w.act()
                                                        .technique()
                                                        .equals(best.act().technique())));
    }

    @Test
    public void onFreshEnamelSpiritMustWaitUntilWhatLiesBeneathBearsItOrNeverDoes() {
        FilmCase c =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .done(0, "oil-streak", "streak-enamel-rust")
                        .done(Bench.DAY, "pin-wash", "wash-warm-brown")
                        .build();
        var a = ask(c, new StepId("pin-wash-1"), 1, Bench.DAY + 60);
        for (var w : a.ways()) {
            if (w.act().material().key().equals("spirit-odourless")) {
                assertTrue(w.fromMinute() > Bench.DAY + 60, "the streak beneath is a day old");
            }
        }
    }

    @Test
    public void whatCannotBeMovedAnyMoreIsSaidWithTheNearestAndWhatHelpsInstead() {
        FilmCase c =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .done(0, "seal-satin", "clear-satin")
                        .done(100, "sponge-chip", "chip-rust-brown")
                        .build();
        var a = ask(c, new StepId("sponge-chip-1"), 1, 60 * Bench.DAY);
        assertTrue(a.ways().isEmpty(), a.ways().toString());
        assertFalse(a.nearest().isEmpty());
        assertTrue(a.instead().contains("touch it in"), a.instead());
    }

    @Test
    public void powderUnderNothingIsWipedOffAndUnderAClearTakesTheClearAlong() {
        FilmCase loose =
                Bench.on(Substrate.FACTORY_FLAT).done(0, "powder", "powder-kiln-dust").build();
        assertFalse(ask(loose, new StepId("powder-0"), 1, 60).ways().isEmpty());
        FilmCase washed =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .done(0, "seal-satin", "clear-satin-lacquer")
                        .done(5 * Bench.DAY, "airbrush-dust", "dust-peat")
                        .done(5 * Bench.DAY + 200, "airbrush-dust", "dust-buff")
                        .build();
        var ways = ask(washed, new StepId("airbrush-dust-1"), 1, 5 * Bench.DAY + 230).ways();
        assertTrue(
                ways.stream().anyMatch(w -> w.takesWithIt().contains("buff dust")),
                ways.toString());
    }

    @Test
    public void whatWasTakenBackIsGoneFromTheColumnAndWhatWasThinnedIsThinner() {
        FilmCase c =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .done(0, "seal-satin", "clear-satin")
                        .done(2 * Bench.DAY, "pin-wash", "wash-warm-brown")
                        .build();
        for (double share : new double[] {1, 0.5}) {
            Act act =
                    ask(c, new StepId("pin-wash-1"), share, 2 * Bench.DAY + 60)
                            .ways()
                            .getFirst()
                            .act();
            List<Act> acts = new ArrayList<>(c.acts());
            acts.add(act);
            FilmReport report = Bench.check(c.with(acts));
            List<Layer> layers = report.columns().getFirst().layers();
            assertEquals(layers.size(), share == 1 ? 1 : 2);
            if (share < 1) {
                assertEquals(layers.getLast().left(), 0.5, 1e-9);
                double whole =
                        Bench.check(c).columns().getFirst().layers().getLast().filmMicrometres();
                assertEquals(layers.getLast().filmMicrometres(), whole / 2, 1e-9);
            }
            assertTrue(
                    report.about(act.id()).stream()
                            .noneMatch(f -> f.severity() != Finding.Severity.NOTE));
        }
    }

    @Test
    public void aCoatThatIsNotThereIsRefusedByName() {
        FilmCase c =
                Bench.on(Substrate.FACTORY_FLAT, "side", "roof")
                        .done(0, "seal-satin", "clear-satin")
                        .build();
        assertTrue(
                expectThrows(InvalidInput.class, () -> ask(c, new StepId("wash"), 1, 10))
                        .getMessage()
                        .contains("wash"));
        assertTrue(
                expectThrows(
                                InvalidInput.class,
                                () ->
                                        TAKE_BACK.answer(
                                                new TakeBack.Question(
                                                        c,
                                                        new StepId("seal-satin-0"),
                                                        Set.of(),
                                                        1,
                                                        9,
                                                        AT_HAND)))
                        .getMessage()
                        .contains("at least one"));
        InvalidInput nowhere =
                expectThrows(
                        InvalidInput.class,
                        () ->
                                TAKE_BACK.answer(
                                        new TakeBack.Question(
                                                c,
                                                new StepId("seal-satin-0"),
                                                Set.of("tender"),
                                                1,
                                                9,
                                                AT_HAND)));
        assertTrue(nowhere.getMessage().contains("tender"), nowhere.getMessage());
        assertTrue(nowhere.remedy().contains("side"), nowhere.remedy());
    }

    /** On random columns: nothing is offered that the check stops, in no minute of its span. */
    @Test
    public void neverOffersWhatTheCheckWouldStop() {
        Random r = new Random(21);
        int offered = 0;
        for (int i = 0; i < 250; i++) {
            FilmCase c = FilmPropertiesTest.random(r, 1 + r.nextInt(6), true);
            Act target = c.acts().get(r.nextInt(c.acts().size()));
            long now = c.acts().getLast().endMinute() + r.nextInt(3000);
            var answer = ask(c, target.id(), r.nextBoolean() ? 1 : 0.5, now);
            for (TakeBack.Way w : answer.ways()) {
                offered++;
                long last = w.untilMinute().orElse(w.fromMinute() + 5 * Bench.DAY);
                for (long at : new long[] {w.fromMinute(), (w.fromMinute() + last) / 2, last}) {
                    List<Act> acts = new ArrayList<>(c.acts());
                    acts.add(w.act().at(at));
                    List<Finding> against = Bench.check(c.with(acts)).about(w.act().id());
                    assertTrue(
                            against.stream().noneMatch(f -> f.severity() != Finding.Severity.NOTE),
                            w + " at " + at + ": " + against);
                }
            }
            if (answer.ways().isEmpty()) {
                assertFalse(answer.nearest().isEmpty(), c.toString());
            }
        }
        assertTrue(offered > 300, "only " + offered);
    }

    /** The span is the one that a walk through its minutes finds. */
    @Test
    public void theSpanIsTheOneThatTryingEveryMinuteFinds() {
        Random r = new Random(22);
        for (int i = 0; i < 20; i++) {
            FilmCase c = FilmPropertiesTest.random(r, 1 + r.nextInt(4), true);
            Act target = c.acts().getLast();
            if (!target.material().deposits()) {
                continue;
            }
            long now = target.endMinute() + 5;
            for (TakeBack.Way w : ask(c, target.id(), 1, now).ways()) {
                long first = -1;
                long last = -1;
                for (long at = now; at < now + 3000; at++) {
                    Column col = Bench.check(c).columns().getFirst();
                    long minute = at;
                    int layer = col.layers().size() - 1;
                    Reach reach =
                            Reach.into(
                                    w.act(),
                                    col,
                                    col.targets(w.act()),
                                    Bench.CATALOGUE.bite(),
                                    l -> (double) (minute - l.laidAt()));
                    boolean safe =
                            reach.met().stream()
                                    .noneMatch(
                                            m ->
                                                    m.layer() < layer
                                                            && m.effect()
                                                                    != Reach.Effect.UNTOUCHED);
                    if (safe && reach.does(layer, Must.REMOVED)) {
                        first = first < 0 ? at : first;
                        last = at;
                    }
                }
                if (first >= 0 && w.fromMinute() < now + 3000) {
                    assertEquals(w.fromMinute(), first, w.toString());
                    if (w.untilMinute().isPresent() && w.untilMinute().getAsLong() < now + 2999) {
                        assertEquals(w.untilMinute().getAsLong(), last, w.toString());
                    }
                }
            }
        }
    }
}
