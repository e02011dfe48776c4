package org.pendrik.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;
import org.testng.annotations.Test;

/** What the search leans on: the order that is allowed, the bound, and what counts as worse. */
public class PrecedenceTest {
    private static final Catalogue CATALOGUE = Catalogue.load();
    private static final List<String> ZONES = List.of("roof", "side", "ends", "sill");

    /** What comes after the final flat. */
    private static final Set<EffectKind> LATE =
            Set.of(
                    EffectKind.SPILL,
                    EffectKind.WHEEL_FACES,
                    EffectKind.WINDOWS,
                    EffectKind.LOAD,
                    EffectKind.STRIPPED_LETTERING);

    private static EffectGroup group(EffectKind kind, String... zones) {
        return EffectGroup.of(
                        new Effect(kind.name(), kind, Set.of(zones), 2, Optional.empty()),
                        bare(Climate.REFERENCE).zones(),
                        Schools.Choice.START,
                        CATALOGUE,
                        StepIds.fresh())
                .getFirst();
    }

    private static EffectGroup flat(List<Zone> zones) {
        return EffectGroup.ends(
                        zones, zones, Schools.Choice.START, CATALOGUE, StepIds.fresh(), List.of())
                .getFirst();
    }

    private static Precedence precedence(List<EffectGroup> groups, Pin... pins) {
        return Precedence.of(groups, List.of(pins), Schools.Choice.START);
    }

    private static PlanState.Rules rules(List<EffectGroup> groups, Climate air) {
        Outlook outlook =
                new Outlook(groups, precedence(groups), groups.size() - 1, 10, false, air);
        return new PlanState.Rules(
                outlook, HouseRules.of(Schools.Choice.START), PlanCompiler.CLEAR_WORTH_MINUTES);
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
        Precedence p = precedence(meet);
        assertFalse(p.admits(0, 0));
        assertTrue(p.admits(1, 0));
        assertTrue(p.admits(0, 0b10));
        assertFalse(p.admits(1, 0b10), "what is done is not done again");
        var apart = List.of(group(EffectKind.DUST, "sill"), group(EffectKind.FADE, "roof"));
        assertTrue(precedence(apart).admits(0, 0));
    }

    @Test
    public void aPinTurnsTheAgeRound() {
        var meet = List.of(group(EffectKind.DUST, "side"), group(EffectKind.FADE, "side"));
        Pin pin = new Pin(new StepId("DUST:airbrush-dust"), new StepId("FADE:mist-fade"));
        Precedence p = precedence(meet, pin);
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
        Pin a = new Pin(new StepId("DUST:airbrush-dust"), new StepId("FADE:mist-fade"));
        Pin b = new Pin(new StepId("FADE:mist-fade"), new StepId("CHIPS:sponge-chip"));
        Pin c = new Pin(new StepId("CHIPS:sponge-chip"), new StepId("DUST:airbrush-dust"));
        assertTrue(precedence(three, a, b).holds());
        assertFalse(precedence(three, a, b, c).holds());
    }

    private static List<EffectGroup> any(Random random) {
        List<EffectGroup> out = new ArrayList<>();
        for (EffectKind k : EffectKind.values()) {
            if (random.nextInt(4) == 0 && !LATE.contains(k)) {
                out.add(group(k, ZONES.get(random.nextInt(4))));
            }
        }
        if (out.isEmpty()) {
            out.add(group(EffectKind.RUST_STREAKS, "side"));
        }
        out.add(flat(bare(Climate.REFERENCE).zones()));
        return out;
    }

    @Test
    public void theBoundNeverLiesAboveWhatAWalkThroughTakesAndNeverFalls() {
        Random random = new Random(44);
        int walked = 0;
        for (int i = 0; i < 600; i++) {
            Climate air = new Climate(12 + random.nextInt(15), 0.3 + 0.4 * random.nextDouble());
            List<EffectGroup> groups = any(random);
            FilmCase start = bare(air);
            PlanState.Rules rules = rules(groups, air);
            Moves moves =
                    new Moves(
                            groups,
                            precedence(groups),
                            rules,
                            Seals.of(Schools.Choice.START, CATALOGUE),
                            start.zones(),
                            StepIds.fresh());
            PlanState s = PlanState.before(start, 0, rules, CATALOGUE);
            List<Long> bounds = new ArrayList<>(List.of(s.leastCost()));
            while (!moves.isWhole(s)) {
                List<PlanState> next = moves.from(s, null);
                s = next.get(random.nextInt(next.size()));
                bounds.add(s.leastCost());
            }
            if (s.weight() > 0) {
                // what has stops may be cheaper than anything that holds
                continue;
            }
            walked++;
            long cost = s.end() + s.clears() * PlanCompiler.CLEAR_WORTH_MINUTES;
            for (int k = 0; k < bounds.size(); k++) {
                assertTrue(bounds.get(k) <= cost, bounds + " above " + cost);
                assertTrue(k == 0 || bounds.get(k - 1) <= bounds.get(k), bounds.toString());
            }
            assertEquals(bounds.getLast().longValue(), cost);
        }
        assertTrue(walked > 30, "only " + walked + " walks without a stop");
    }

    @Test
    public void theStepsOfAStateAreThoseOfItsWayInOrder() {
        Random random = new Random(45);
        List<EffectGroup> groups = any(random);
        FilmCase start = bare(Climate.REFERENCE);
        PlanState.Rules rules = rules(groups, start.air());
        PlanState s = PlanState.before(start, 300, rules, CATALOGUE);
        assertEquals(s.steps(), List.of());
        long clock = 300;
        for (int g = 0; g < groups.size(); g++) {
            s = s.then(g, groups.get(g), List.of(), rules).state();
        }
        for (PlanStep p : s.steps()) {
            assertTrue(p.act().atMinute() >= clock, p.toString());
            clock = p.act().endMinute();
        }
        List<StepId> expected =
                groups.stream().flatMap(g -> g.acts().stream()).map(Act::id).toList();
        assertEquals(s.steps().stream().map(p -> p.act().id()).toList(), expected);
        assertEquals(s.end(), clock);
    }

    @Test
    public void onlyWhatIsBetterSomewhereIsLookedAtAgain() {
        List<EffectGroup> groups =
                List.of(
                        group(EffectKind.FADE, "side"),
                        flat(
                                bare(Climate.REFERENCE).zones().stream()
                                        .filter(z -> z.key().equals("side"))
                                        .toList()));
        FilmCase start = bare(Climate.REFERENCE);
        PlanState.Rules rules = rules(groups, start.air());
        PlanState early = PlanState.before(start, 0, rules, CATALOGUE);
        PlanState late = PlanState.before(start, 60, rules, CATALOGUE);
        Frontier lateFirst = new Frontier();
        assertTrue(lateFirst.admits(late));
        assertTrue(lateFirst.admits(early));
        assertFalse(lateFirst.admits(late));
        assertFalse(lateFirst.admits(early), "an equal is not new");
        PlanState further = early.then(0, groups.getFirst(), List.of(), rules).state();
        assertTrue(lateFirst.admits(further), "more done is another place");
    }
}
