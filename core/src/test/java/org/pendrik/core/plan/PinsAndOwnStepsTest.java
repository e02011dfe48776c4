package org.pendrik.core.plan;

import static org.pendrik.core.plan.Practitioner.job;
import static org.pendrik.core.plan.Practitioner.parts;
import static org.pendrik.core.plan.Practitioner.rest;
import static org.pendrik.core.plan.Practitioner.says;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.pendrik.core.catalogue.Errand;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

/** Order as people give it: pins, sets, phases, and steps of their own. */
public class PinsAndOwnStepsTest {
    private static final Substrate FLAT = Substrate.FACTORY_FLAT;

    @Test
    public void aPinMovesWhatStandsInItsWay() {
        // dust before fade, though dirt and rust stand between them by age
        Practitioner.Plan p =
                job().sides(FLAT, "side")
                        .wants(EffectKind.FADE, 2, "side")
                        .wants(EffectKind.CHIPS, 2, "side")
                        .wants(EffectKind.DUST, 2, "side")
                        .pin("e2:airbrush-dust", "e0:mist-fade")
                        .plan();
        p.inOrder("e2:airbrush-dust", "e0:mist-fade");
    }

    @Test
    public void pinsThatContradictNameTheirChainAndItsWeakestLink() {
        String said =
                job().sides(FLAT, "side")
                        .wants(EffectKind.FADE, 2, "side")
                        .wants(EffectKind.CHIPS, 2, "side")
                        .wants(EffectKind.DUST, 2, "side")
                        .pin("e2:airbrush-dust", "e1:sponge-chip")
                        .pin("e1:sponge-chip", "e0:mist-fade")
                        .pin("e0:mist-fade", "e2:airbrush-dust")
                        .refused();
        assertTrue(said.contains("dust and kick-up before chips before fade"), said);
        assertTrue(said.contains("weakest link"), said);
        assertTrue(said.contains("fade before dust and kick-up"), said);
    }

    @Test
    public void oneKindTwiceAtDifferentTimes() {
        Practitioner.Plan p =
                job().sides(FLAT, "side")
                        .wants(EffectKind.GRAFFITI, 2, "side")
                        .wants(EffectKind.GRIME, 2, "side")
                        .wants(e -> e.at(Phase.AFTER_DIRT), EffectKind.GRAFFITI, 1, "side")
                        .plan();
        p.inOrder("e0:stencil-graffiti", "e1:grime-wash", "e1:wipe-grime", "e2:stencil-graffiti");
    }

    @Test
    public void aSetStaysTogether() {
        Practitioner.Plan p =
                job().sides(FLAT, "side")
                        .wants(
                                e -> e.in(Tones.of("patch-grey")).inSet("door"),
                                EffectKind.WORN_EDGES,
                                1,
                                "side")
                        .wants(e -> e.inSet("door"), EffectKind.CHIPS, 1, "side")
                        .wants(
                                e -> e.made(Made.by("pounce")).inSet("door"),
                                EffectKind.RUST_SPOTS,
                                1,
                                "side")
                        .wants(EffectKind.HIGHLIGHTS, 2, "side")
                        .wants(EffectKind.DIRT_STREAKS, 2, "side")
                        .plan();
        List<String> shown =
                p.acts().stream()
                        .map(a -> a.id().value())
                        .filter(
                                i ->
                                        i.matches(
                                                "e[0-2]:(dry-brush|sponge-chip|pounce)|e[34]:(dry-brush|dirt-streak)"))
                        .toList();
        int first = shown.indexOf("e0:dry-brush");
        assertEquals(
                shown.subList(first, first + 3),
                List.of("e0:dry-brush", "e1:sponge-chip", "e2:pounce"),
                shown.toString());
    }

    @Test
    public void usesOfAReleaseLayerShareOneStack() {
        Practitioner.Plan p =
                job().sides(FLAT, "side", "doors")
                        .school("chips", "release")
                        .wants(EffectKind.CHIPS, 2, "side", "doors")
                        .wants(EffectKind.SALT_PITS, 2, "doors")
                        .plan();
        p.times("rust-base", 1).times("chip-top", 1).times("wet-chip", 1);
        p.on("side", "rust-base", "seal-satin", "release-coat", "chip-top", "final-flat");
        p.on("doors", "rust-base", "seal-satin", "release-salt", "chip-top", "final-flat");
        // down to the paint beneath: no second stack
        Practitioner.Plan onPaint =
                job().sides(Substrate.BARE, "side")
                        .wants(EffectKind.REPAINT, 2, "side")
                        .wants(
                                e -> e.made(Made.by("release-on-paint")),
                                EffectKind.CHIPS,
                                2,
                                "side")
                        .plan();
        onPaint.on("side", "prime", "base-coat", "release-coat", "chip-top", "final-flat");
    }

    @Test
    public void partsThatComeOffGoBackOn() {
        Practitioner.Plan p =
                job().sides(FLAT, "side", "trucks")
                        .own("parts-off", parts("couplers", "brake lever", "glass"), -1)
                        .wants(EffectKind.FADE, 2, "side")
                        .own("parts-on", parts("glass"), -1)
                        .between("e0:mist-fade", "")
                        .plan();
        p.inOrder("o0", "e0:mist-fade", "o1", "reassemble");
        assertEquals(p.act("reassemble").errand().parts(), List.of("couplers", "brake lever"));
        assertTrue(
                p.reason("reassemble").contains("couplers, brake lever"), p.reason("reassemble"));
        assertFalse(p.keys().contains("pack"));
        assertEquals(Parts.stillOff(p.acts()), List.of());
    }

    @Test
    public void aWaitOfOnesOwnIsKeptAndCarriedAlong() {
        Practitioner with =
                job().sides(FLAT, "side")
                        .wants(EffectKind.FADE, 2, "side")
                        .wants(EffectKind.CHIPS, 2, "side")
                        .own("wait", rest("a day, to be sure", 1440), 0)
                        .between("e0:mist-fade", "e1:sponge-chip")
                        .own("step", says("look at it by daylight"), 10)
                        .between("o0", "e1:sponge-chip");
        Practitioner.Plan p = with.plan();
        p.inOrder("e0:mist-fade", "o0", "o1", "e1:sponge-chip");
        p.waits("o0", "o1", 1440, 1441);
        assertEquals(p.act("o1").name(), "look at it by daylight");
        assertEquals(p.act("o1").minutes(), 10);
        assertEquals(p.reason("o1"), "You put it here.");
        var lags =
                new org.pendrik.core.film.Timing(Practitioner.CATALOGUE)
                        .lags(p.made().timed()).stream()
                                .filter(l -> l.fromActId().equals(new StepId("o0")))
                                .toList();
        assertEquals(lags.getFirst().minMinutes(), 1440);
        assertTrue(lags.getFirst().why().contains("a day, to be sure"), lags.toString());
        expectThrows(InvalidInput.class, () -> new Errand("x".repeat(201), 0, List.of()));
        expectThrows(InvalidInput.class, () -> new Errand("", -1, List.of()));
        expectThrows(InvalidInput.class, () -> new Errand("", 0, List.of("x".repeat(61))));
    }

    @Test
    public void aStepOfOnesOwnWaitsUntilAllIsAsDryAsItNeeds() {
        Errand packed = says("into the box for the night");
        long before = 0;
        for (Errand.Needs needs : Errand.Needs.values()) {
            Practitioner.Plan p =
                    job().sides(FLAT, "side")
                            .wants(EffectKind.RUST_STREAKS, 2, "side")
                            .school("last-clear", "none")
                            .own("step", packed.needing(needs), 10)
                            .between("e0:draw-down", "")
                            .plan();
            long waits = p.act("o0").atMinute() - p.act("e0:oil-streak").endMinute();
            assertTrue(waits > before, needs + " waits " + waits);
            before = waits;
            List<Finding> early = p.ifAfter("o0", "e0:oil-streak", (int) waits - 30);
            assertTrue(
                    early.stream()
                            .anyMatch(
                                    f ->
                                            f.rule() == Finding.Rule.SOFT
                                                    && f.why().contains("not as dry as this step")),
                    needs + ": " + early);
        }
        assertTrue(before > 3 * 1440, "cured after " + before);
    }

    @Test
    public void aStepOfOnesOwnThatTurnsTheModelThrowsOffWhatIsLoose() {
        for (Technique.Orientation how : Technique.Orientation.values()) {
            List<Finding> found =
                    job().up(FLAT, "roof")
                            .down(FLAT, "frame")
                            .lies("powder-last", "powder-earth", 60, "roof")
                            .ifNow("step", "by-hand", says("look beneath").lying(how), "frame");
            assertEquals(
                    found.stream().anyMatch(f -> f.rule() == Finding.Rule.LOOSE),
                    how != Technique.Orientation.UPRIGHT,
                    how + ": " + found);
        }
    }

    private static InStep.Subject subject(String key, List<Pin> pins) {
        Zone side = new Zone("side", "side", FLAT, false, Substrate.UNKNOWN_COLOUR);
        return new InStep.Subject(
                key,
                List.of(side),
                List.of(),
                List.of(
                        new Effect("f" + key, EffectKind.FADE, Set.of("side"), 2, Optional.empty()),
                        new Effect(
                                "d" + key, EffectKind.DUST, Set.of("side"), 2, Optional.empty())),
                List.of(),
                pins,
                List.of());
    }

    @Test
    public void pinsAreAskedOfJointPlansToo() {
        InStep.Subject a =
                subject(
                        "A",
                        List.of(
                                new Pin(
                                        new StepId("dA:airbrush-dust"),
                                        new StepId("fA:mist-fade"))));
        InStep.Subject b = subject("B", List.of());
        InStep.Joined joined =
                InStep.join(
                        List.of(a, b),
                        Climate.REFERENCE,
                        0,
                        Schools.Choice.START,
                        Practitioner.CATALOGUE);
        var plan =
                (PlanOutcome.Compiled)
                        new PlanCompiler(Practitioner.CATALOGUE).compile(joined.request());
        assertEquals(
                new PlanAudit(Practitioner.CATALOGUE).faults(joined.request(), plan), List.of());
        for (InStep.Subject s : List.of(a, b)) {
            List<String> order =
                    joined.stepsOf(s, plan).stream().map(x -> x.act().technique().key()).toList();
            assertTrue(
                    order.indexOf("airbrush-dust") < order.indexOf("mist-fade"), order.toString());
        }
    }

    @Test
    public void aPlanThatIsNotProvenSaysHowFarItCouldBeOff() {
        String[] zones = {"a", "b", "c", "d", "e", "f"};
        Practitioner long_ = job().sides(Substrate.FACTORY_SEMI_GLOSS, zones);
        List<EffectKind> kinds =
                List.of(
                        EffectKind.FADE,
                        EffectKind.JOINT_SHADE,
                        EffectKind.CHIPS,
                        EffectKind.RUST_STREAKS,
                        EffectKind.DUST,
                        EffectKind.POWDER);
        for (int i = 0; i < kinds.size(); i++) {
            long_.wants(kinds.get(i), 2, zones[i], zones[(i + 1) % 6], zones[(3 * i) % 6]);
        }
        PlanRequest r = long_.request();
        var cut = (PlanOutcome.Compiled) new PlanCompiler(Practitioner.CATALOGUE, 10).compile(r);
        var whole =
                (PlanOutcome.Compiled) new PlanCompiler(Practitioner.CATALOGUE, 200_000).compile(r);
        assertFalse(cut.proven());
        assertTrue(whole.proven());
        assertEquals(whole.gapMinutes(), 0);
        long off = cost(cut) - cost(whole);
        assertTrue(off >= 0 && off <= cut.gapMinutes(), off + " of " + cut.gapMinutes());
    }

    private static long cost(PlanOutcome.Compiled p) {
        return p.minutes() + p.clears() * PlanCompiler.CLEAR_WORTH_MINUTES;
    }

    @Test
    public void masksGoOnDryPaintOnly() {
        Practitioner.Plan p =
                job().sides(FLAT, "side")
                        .wants(EffectKind.REPAINT, 2, "side")
                        .wants(EffectKind.PAINTED_OUT, 2, "side")
                        .plan();
        Act mask = p.act("e1:mask-patch");
        assertTrue(p.between("e0:base-coat", "e1:mask-patch") > 0, p.toString());
        assertTrue(mask.technique().handling().needsCure() >= 0.7);
    }
}
