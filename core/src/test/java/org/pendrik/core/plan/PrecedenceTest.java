package org.pendrik.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.Substrate;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;
import org.testng.annotations.Test;

/** What the search leans on: the order that is allowed, the bound, and what counts as worse. */
public class PrecedenceTest {
    private static final Catalogue CATALOGUE = Catalogue.load();
    private static final List<String> ZONES = List.of("roof", "side", "ends", "sill");

    private static EffectGroup group(EffectKind kind, String... zones) {
        return EffectGroup.of(
                new Effect(kind.name(), kind, Set.of(zones), 2, Optional.empty()), CATALOGUE);
    }

    private static FilmCase bare(Climate air) {
        List<Zone> zones =
                ZONES.stream()
                        .map(
                                z ->
                                        new Zone(
                                                z,
                                                z,
                                                Substrate.FACTORY_SEMI_GLOSS,
                                                false,
                                                Substrate.UNKNOWN_COLOUR))
                        .toList();
        return new FilmCase(zones, List.of(), air);
    }

    @Test
    public void theOlderEffectComesFirstWhereTheyMeet() {
        var meet = List.of(group(EffectKind.DUST, "side"), group(EffectKind.FADE, "side", "roof"));
        Precedence p = Precedence.of(meet, List.of());
        assertFalse(p.admits(0, 0));
        assertTrue(p.admits(1, 0));
        assertTrue(p.admits(0, 0b10));
        assertFalse(p.admits(1, 0b10), "what is done is not done again");
        var apart = List.of(group(EffectKind.DUST, "sill"), group(EffectKind.FADE, "roof"));
        assertTrue(Precedence.of(apart, List.of()).admits(0, 0));
    }

    @Test
    public void aPinTurnsTheAgeRound() {
        var meet = List.of(group(EffectKind.DUST, "side"), group(EffectKind.FADE, "side"));
        Pin pin = new Pin("DUST:airbrush-dust", "FADE:mist-fade");
        Precedence p = Precedence.of(meet, List.of(pin));
        assertTrue(p.admits(0, 0));
        assertFalse(p.admits(1, 0));
        assertTrue(p.holds());
    }

    @Test
    public void pinsInACircleHaveNoOrder() {
        var three =
                List.of(
                        group(EffectKind.DUST, "sill"),
                        group(EffectKind.FADE, "roof"),
                        group(EffectKind.CHIPS, "ends"));
        Pin a = new Pin("DUST:airbrush-dust", "FADE:mist-fade");
        Pin b = new Pin("FADE:mist-fade", "CHIPS:sponge-chip");
        Pin c = new Pin("CHIPS:sponge-chip", "DUST:airbrush-dust");
        assertTrue(Precedence.of(three, List.of(a, b)).holds());
        assertFalse(Precedence.of(three, List.of(a, b, c)).holds());
    }

    private static List<EffectGroup> any(Random random) {
        List<EffectGroup> out = new ArrayList<>();
        for (EffectKind k : EffectKind.values()) {
            if (random.nextBoolean()) {
                out.add(group(k, ZONES.get(random.nextInt(4))));
            }
        }
        if (out.isEmpty()) {
            out.add(group(EffectKind.RUST_STREAKS, "side"));
        }
        out.add(EffectGroup.finalFlat(Set.copyOf(ZONES), CATALOGUE));
        return out;
    }

    @Test
    public void theBoundNeverLiesAboveWhatAWalkThroughTakesAndNeverFalls() {
        Random random = new Random(44);
        for (int i = 0; i < 60; i++) {
            Climate air = new Climate(12 + random.nextInt(15), 0.3 + 0.4 * random.nextDouble());
            List<EffectGroup> groups = any(random);
            FilmCase start = bare(air);
            Outlook outlook = new Outlook(groups, start.air());
            Precedence precedence = Precedence.of(groups, List.of());
            Moves moves = new Moves(groups, precedence, outlook, CATALOGUE);
            PlanState s = PlanState.before(start, 0, outlook, CATALOGUE);
            List<Long> bounds = new ArrayList<>(List.of(s.leastEnd()));
            while (!moves.isWhole(s)) {
                List<PlanState> next = moves.from(s);
                s = next.get(random.nextInt(next.size()));
                bounds.add(s.leastEnd());
            }
            for (int k = 0; k < bounds.size(); k++) {
                assertTrue(bounds.get(k) <= s.end(), bounds + " above " + s.end());
                assertTrue(k == 0 || bounds.get(k - 1) <= bounds.get(k), bounds.toString());
            }
            assertEquals(bounds.getLast().longValue(), s.end());
        }
    }

    @Test
    public void theStepsOfAStateAreThoseOfItsWayInOrder() {
        Random random = new Random(45);
        List<EffectGroup> groups = any(random);
        FilmCase start = bare(Climate.REFERENCE);
        Outlook outlook = new Outlook(groups, start.air());
        PlanState s = PlanState.before(start, 300, outlook, CATALOGUE);
        assertEquals(s.steps(), List.of());
        long clock = 300;
        for (int g = 0; g < groups.size(); g++) {
            s = s.then(g, groups.get(g), List.of(), outlook).state();
        }
        for (PlanStep p : s.steps()) {
            assertTrue(p.act().atMinute() >= clock, p.toString());
            clock = p.act().endMinute();
        }
        List<String> expected =
                groups.stream().flatMap(g -> g.acts().stream()).map(Act::id).toList();
        assertEquals(s.steps().stream().map(p -> p.act().id()).toList(), expected);
        assertEquals(s.end(), clock);
    }

    @Test
    public void onlyWhatIsBetterSomewhereIsLookedAtAgain() {
        List<EffectGroup> groups =
                List.of(
                        group(EffectKind.FADE, "side"),
                        EffectGroup.finalFlat(Set.of("side"), CATALOGUE));
        FilmCase start = bare(Climate.REFERENCE);
        Outlook outlook = new Outlook(groups, start.air());
        PlanState early = PlanState.before(start, 0, outlook, CATALOGUE);
        PlanState late = PlanState.before(start, 60, outlook, CATALOGUE);
        Frontier lateFirst = new Frontier();
        assertTrue(lateFirst.admits(late));
        assertTrue(lateFirst.admits(early));
        assertFalse(lateFirst.admits(late));
        assertFalse(lateFirst.admits(early), "an equal is not new");
        PlanState further = early.then(0, groups.getFirst(), List.of(), outlook).state();
        assertTrue(lateFirst.admits(further), "more done is another place");
    }
}
