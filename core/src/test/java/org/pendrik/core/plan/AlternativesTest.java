package org.pendrik.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicInteger;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.Watch;
import org.testng.annotations.Test;

public class AlternativesTest {
    private static final Catalogue CATALOGUE = Catalogue.load();

    private static Effect effect(EffectKind kind, int strength, String... zones) {
        return new Effect(
                kind.name(), kind, new LinkedHashSet<>(List.of(zones)), strength, Optional.empty());
    }

    private static PlanRequest request(Effect... effects) {
        Set<String> names = new LinkedHashSet<>();
        List.of(effects).forEach(e -> names.addAll(e.zones()));
        List<Zone> zones =
                names.stream()
                        .map(
                                n ->
                                        new Zone(
                                                n,
                                                n,
                                                Substrate.FACTORY_SEMI_GLOSS,
                                                false,
                                                Substrate.UNKNOWN_COLOUR))
                        .toList();
        return new PlanRequest(zones, List.of(), List.of(effects), List.of(), Climate.REFERENCE, 0);
    }

    private static long end(FilmCase c) {
        return c.acts().stream().mapToLong(Act::endMinute).max().orElse(0);
    }

    private static List<Alternatives.Alternative> of(PlanRequest r) {
        return new Alternatives(CATALOGUE, 200).of(r, AlternativesTest::end, Watch.NOBODY).ways();
    }

    private static final PlanRequest RUSTY =
            request(
                    effect(EffectKind.JOINT_SHADE, 2, "side"),
                    effect(EffectKind.RUST_STREAKS, 3, "side"),
                    effect(EffectKind.HEAVY_RUST, 2, "roof"));

    @Test
    public void anotherStuffForTheRustIsDaysEarlierAndSaysWhatItTakes() {
        List<Alternatives.Alternative> all = of(RUSTY);
        assertEquals(all.getFirst().changed().size(), 0);
        Alternatives.Alternative faster =
                all.stream()
                        .filter(a -> a.changed().containsKey("streaks"))
                        .findFirst()
                        .orElseThrow(() -> new AssertionError(all.toString()));
        long days = (all.getFirst().readyMinute() - faster.readyMinute()) / 1440;
        assertTrue(days >= 3, days + " days");
        assertTrue(faster.title().contains("instead of artist oil"), faster.title());
        assertTrue(faster.sentence().contains("days earlier"), faster.sentence());
    }

    @Test
    public void nothingOfTheFrontIsBeatenByAnythingElse() {
        List<Alternatives.Alternative> all = of(RUSTY);
        for (Alternatives.Alternative a : all.subList(1, all.size())) {
            for (Alternatives.Alternative o : all) {
                boolean noWorse =
                        o.readyMinute() <= a.readyMinute()
                                && o.plan().clears() <= a.plan().clears()
                                && o.handsOnMinutes() <= a.handsOnMinutes()
                                && o.risk() <= a.risk();
                boolean better =
                        o.readyMinute() < a.readyMinute()
                                || o.plan().clears() < a.plan().clears()
                                || o.handsOnMinutes() < a.handsOnMinutes()
                                || o.risk() < a.risk();
                assertTrue(!(noWorse && better), o.changed() + " beats " + a.changed());
            }
            PlanRequest asked = RUSTY.with(a.schools());
            assertEquals(String.join("; ", new PlanAudit(CATALOGUE).faults(asked, a.plan())), "");
        }
    }

    /** When the time is up, what was tried until then comes, and what was not is counted. */
    @Test
    public void whenTheTimeIsUpTheRestIsCounted() {
        AtomicInteger asked = new AtomicInteger();
        Watch three =
                (what, share) -> {
                    assertTrue(share >= 0 && share <= 1, "share " + share);
                    if (asked.incrementAndGet() > 3) {
                        throw new Watch.TimeUp(what);
                    }
                };
        Alternatives alternatives = new Alternatives(CATALOGUE, 200);
        Alternatives.Answer some = alternatives.of(RUSTY, AlternativesTest::end, three);
        assertTrue(some.untried() > 10, some.untried() + " left");
        assertEquals(some.ways().getFirst().changed().size(), 0);
        List<String> whole = of(RUSTY).stream().map(a -> a.changed().toString()).toList();
        assertTrue(some.ways().size() <= whole.size());
        assertEquals(alternatives.of(RUSTY, AlternativesTest::end, Watch.NOBODY).untried(), 0);
    }

    /** Whoever does not wait any more gets nothing, at once. */
    @Test
    public void whoLeavesIsNotAnswered() {
        Watch gone =
                (what, share) -> {
                    throw new CancellationException(what);
                };
        expectThrows(
                CancellationException.class,
                () -> new Alternatives(CATALOGUE, 200).of(RUSTY, AlternativesTest::end, gone));
    }

    @Test
    public void whereNoSchoolMattersThereIsOnlyThePlanItself() {
        List<Alternatives.Alternative> all = of(request(effect(EffectKind.SPILL, 2, "tank")));
        assertEquals(all.size(), 1);
        assertEquals(all.getFirst().title() + all.getFirst().sentence(), "");
    }

    @Test
    public void aBrokenListIsRepairedByTheFewestChanges() {
        PlanRequest r =
                request(
                        effect(EffectKind.FADE, 2, "side"),
                        effect(EffectKind.JOINT_SHADE, 2, "side"),
                        effect(EffectKind.POWDER, 2, "roof"));
        var plan = (PlanOutcome.Compiled) new PlanCompiler(CATALOGUE).compile(r);
        List<Act> broken =
                plan.timed().acts().stream()
                        .filter(
                                a ->
                                        !a.technique().key().startsWith("seal")
                                                && !a.technique().key().equals("wipe-back"))
                        .toList();
        FilmCase film = plan.timed().with(broken);
        assertFalse(new FilmCheck(CATALOGUE).check(film).isClean());
        Repair repair = new Repair(CATALOGUE);
        Repair.Offer offer = repair.of(film).orElseThrow();
        assertTrue(new FilmCheck(CATALOGUE).check(offer.mended()).isClean());
        assertEquals(offer.clears(), plan.clears(), offer.mends().toString());
        assertTrue(repair.of(offer.mended()).isEmpty(), "nothing is wrong any more");
    }
}
