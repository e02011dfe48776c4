package org.pendrik.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.FilmReport;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.MadeFor;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;
import org.testng.annotations.Test;

/**
 * Twelve jobs of the Ostrel Valley as somebody at the bench would plan them. Each says which coats
 * it has to have, which it must not have, and why.
 */
public class WorkedJobsTest {
    private static final Catalogue CATALOGUE = Catalogue.load();
    private static final PlanCompiler COMPILER = new PlanCompiler(CATALOGUE);
    private static final PlanAudit AUDIT = new PlanAudit(CATALOGUE);

    /** A job while it is written down. */
    private static final class Job {
        private final Map<String, Zone> zones = new LinkedHashMap<>();
        private final List<Effect> effects = new ArrayList<>();
        private Schools.Choice schools = Schools.Choice.START;

        Job on(Substrate substrate, String... names) {
            for (String n : names) {
                zones.put(
                        n,
                        new Zone(
                                n,
                                n,
                                n.equals("windows") ? Substrate.GLAZING : substrate,
                                n.equals("lettering"),
                                Substrate.UNKNOWN_COLOUR,
                                2000,
                                n.equals("roof")));
            }
            return this;
        }

        Job school(String question, String answer) {
            schools = schools.with(question, answer);
            return this;
        }

        Job wants(EffectKind kind, int strength, String... on) {
            return wants(kind, strength, Optional.empty(), on);
        }

        Job wants(EffectKind kind, int strength, Optional<String> material, String... on) {
            effects.add(
                    new Effect(
                            "e" + effects.size(),
                            kind,
                            new LinkedHashSet<>(List.of(on)),
                            strength,
                            material));
            return this;
        }

        PlanRequest request() {
            return new PlanRequest(
                    List.copyOf(zones.values()),
                    List.of(),
                    effects,
                    List.of(),
                    Climate.REFERENCE,
                    0,
                    schools,
                    List.of());
        }

        Made made() {
            PlanRequest r = request();
            PlanOutcome outcome = COMPILER.compile(r);
            assertTrue(outcome instanceof PlanOutcome.Compiled, outcome.toString());
            PlanOutcome.Compiled plan = (PlanOutcome.Compiled) outcome;
            assertEquals(String.join("; ", AUDIT.faults(r, plan)), "");
            assertEquals(
                    plan.warnings(),
                    0,
                    "no practitioner plans what warns: "
                            + new FilmCheck(CATALOGUE)
                                    .check(plan.timed()).findings().stream()
                                            .filter(f -> f.severity() == Finding.Severity.WARN)
                                            .map(f -> f.actId() + f.why())
                                            .toList()
                            + plan.steps().stream().map(x -> x.act().id()).toList());
            return new Made(plan);
        }
    }

    private record Made(PlanOutcome.Compiled plan) {
        List<String> keys() {
            return plan.steps().stream().map(s -> s.act().technique().key()).toList();
        }

        Act step(String technique) {
            return plan.steps().stream()
                    .map(PlanStep::act)
                    .filter(a -> a.technique().key().equals(technique))
                    .findFirst()
                    .orElseThrow(() -> new AssertionError(technique + " is not in " + keys()));
        }

        /** The coats on a zone from below, by technique. */
        List<String> on(String zone) {
            return plan.steps().stream()
                    .map(PlanStep::act)
                    .filter(a -> a.zones().contains(zone) && a.material().deposits())
                    .map(a -> a.technique().key())
                    .toList();
        }

        void inOrder(String... techniques) {
            List<String> left =
                    keys().stream().filter(k -> List.of(techniques).contains(k)).toList();
            assertEquals(left, List.of(techniques), keys().toString());
        }

        /** Without a coat, this rule speaks. */
        void needs(String technique, Finding.Rule rule) {
            List<Act> without = new ArrayList<>(plan.timed().acts());
            without.removeIf(a -> a.technique().key().equals(technique));
            FilmReport report =
                    new FilmCheck(CATALOGUE)
                            .check(new FilmCase(plan.timed().zones(), without, plan.timed().air()));
            assertTrue(
                    report.findings().stream()
                            .anyMatch(
                                    f -> f.rule() == rule && f.severity() != Finding.Severity.NOTE),
                    technique + " is not there against " + rule + ": " + report.findings());
        }
    }

    private static final String[] LOCO = {
        "left", "right", "cab", "roof", "grilles", "tank", "trucks", "windows", "wheels"
    };

    @Test
    public void aLocomotiveLightlyUsedNeedsNoClearButTheLastAndKeepsItsGlassClean() {
        Made m =
                new Job()
                        .on(Substrate.FACTORY_SEMI_GLOSS, LOCO)
                        .school("ends", "assembled")
                        .wants(EffectKind.WINDOWS, 2, "windows")
                        .wants(EffectKind.FADE, 1, "left", "right", "roof")
                        .wants(EffectKind.JOINT_SHADE, 1, "grilles")
                        .wants(EffectKind.TRUCK_TONES, 2, "trucks", "tank")
                        .wants(EffectKind.SOOT, 1, "roof")
                        .wants(EffectKind.DUST, 1, "trucks", "tank")
                        .wants(EffectKind.WHEEL_FACES, 2, "wheels")
                        .made();
        // factory semi-gloss takes a mist and thin dust as it is
        assertEquals(m.plan().clears(), 0, m.keys().toString());
        // the mask goes on before anything is sprayed and comes off after the last flat
        m.inOrder("mask-windows", "final-flat", "unmask", "reassemble");
        assertFalse(m.on("windows").contains("final-flat"), "nobody flats the glass");
        assertTrue(m.keys().indexOf("mask-windows") < m.keys().indexOf("soot"));
    }

    @Test
    public void aLocomotiveHeavilyUsedWaitsForItsOilsOnlyOnce() {
        Made m = heavy().made();
        List<String> side = m.on("left");
        assertTrue(side.indexOf("pin-wash") < side.indexOf("sponge-chip"), side.toString());
        assertTrue(side.indexOf("sponge-chip") < side.indexOf("oil-streak"), side.toString());
        assertTrue(side.indexOf("oil-streak") < side.indexOf("airbrush-dust"), side.toString());
        assertEquals(side.getLast(), "final-flat");
        // a spill shines, so it comes after the flat, and nothing goes over it
        m.inOrder("final-flat", "gloss-spill");
        // a barrier stands between the enamel of the joints and the spirit of the streaks
        long wash = m.step("pin-wash").endMinute();
        long streak = m.step("oil-streak").atMinute();
        assertTrue(streak - wash < 2 * 1440, "days of waiting where a clear would do");
        assertTrue(m.plan().clears() <= 3, m.keys().toString());
        // the oil is out before the flat shuts it in
        assertTrue(m.step("final-flat").atMinute() - m.step("draw-down").endMinute() > 12 * 60);
    }

    private static Job heavy() {
        return new Job()
                .on(Substrate.FACTORY_SEMI_GLOSS, LOCO)
                .wants(EffectKind.FADE, 2, "left", "right", "roof", "cab")
                .wants(EffectKind.JOINT_SHADE, 2, "left", "right", "grilles")
                .wants(EffectKind.CHIPS, 2, "left", "right", "cab")
                .wants(EffectKind.RUST_STREAKS, 2, "left", "right")
                .wants(EffectKind.TRUCK_TONES, 2, "trucks", "tank")
                .wants(EffectKind.SOOT, 3, "roof")
                .wants(EffectKind.DUST, 2, "left", "right", "trucks", "tank")
                .wants(EffectKind.SPILL, 2, "tank");
    }

    @Test
    public void aHopperWithWhiteMineralStreaksHasThemOnSatinAndYoungerThanItsRust() {
        Made m =
                new Job()
                        .on(Substrate.FACTORY_SEMI_GLOSS, "left", "right", "lettering", "sill")
                        .wants(EffectKind.FADE, 2, "left", "right", "lettering")
                        .wants(EffectKind.RUST_STREAKS, 1, "left", "right")
                        .wants(EffectKind.MINERAL_STREAKS, 2, "left", "right")
                        .wants(EffectKind.DUST, 2, "sill")
                        .made();
        m.inOrder("mist-fade", "oil-streak", "mineral-streak", "final-flat");
        assertEquals(m.step("mineral-streak").material().key(), "oil-white");
        // the second oil must not be drawn through the first: something tight lies between, or the
        // better part of a day, which a trace of oil needs
        List<String> side = m.on("left");
        boolean barrier =
                side.subList(side.indexOf("oil-streak"), side.indexOf("mineral-streak")).stream()
                        .anyMatch(k -> k.startsWith("seal") || k.startsWith("lacquer"));
        long between = m.step("mineral-streak").atMinute() - m.step("draw-down").endMinute();
        assertTrue(barrier || between > 1440, side + " after " + between + " min");
    }

    @Test
    public void aVanWithPatchAndGraffitiHasTheSprayedNameUnderAndThePatchOverTheGrime() {
        Made m =
                new Job()
                        .on(Substrate.FACTORY_SEMI_GLOSS, "left", "right", "lettering")
                        .wants(EffectKind.GRAFFITI, 2, "left")
                        .wants(EffectKind.GRIME, 2, "left", "right", "lettering")
                        .wants(EffectKind.PATCH, 2, "lettering")
                        .wants(EffectKind.DUST, 1, "left", "right")
                        .made();
        m.inOrder(
                "stencil-graffiti",
                "grime-wash",
                "wipe-grime",
                "mask-patch",
                "patch-paint",
                "decal",
                "airbrush-dust",
                "final-flat");
        // the number is a decal: gloss under it, and only there
        List<String> panel = m.on("lettering");
        assertTrue(panel.indexOf("seal-gloss") < panel.indexOf("decal"), panel.toString());
        assertFalse(m.on("left").contains("seal-gloss"), "gloss only under the decal");
        // a mask lifts what has not cured
        long grime = m.step("wipe-grime").endMinute();
        assertTrue(m.step("mask-patch").atMinute() - grime > 6 * 60);
    }

    @Test
    public void aWoodenOpenIsChippedWhileItsTopCoatStillLetsWaterThrough() {
        Made m =
                new Job()
                        .on(Substrate.FACTORY_FLAT, "left", "right", "floor")
                        .school("chips", "release")
                        .wants(EffectKind.CHIPS, 2, Optional.of("base-plank-grey"), "left", "right")
                        .wants(EffectKind.JOINT_SHADE, 2, "left", "right", "floor")
                        .made();
        m.inOrder("rust-base", "release-coat", "chip-top", "wet-chip", "pin-wash", "final-flat");
        assertEquals(m.step("chip-top").material().key(), "base-plank-grey");
        // from touch dry on, for less than three hours in cold water
        long open = m.step("wet-chip").beginOn("left") - m.step("chip-top").endOn("left");
        assertTrue(open >= 20 && open < 166, open + " min");
        // the rust is sealed, and the seal has had the time to bear the water
        List<String> side = m.on("left");
        assertEquals(
                side.subList(0, 4), List.of("rust-base", "seal-satin", "release-coat", "chip-top"));
        long seal = m.step("seal-satin").endMinute();
        assertTrue(m.step("wet-chip").atMinute() - seal > 60, "the seal is too young");
    }

    @Test
    public void aCiderTankIsFadedInPowderAndShinesOnlyWhereItSpilled() {
        Made m =
                new Job()
                        .on(Substrate.FACTORY_SEMI_GLOSS, "shell", "ends", "lettering")
                        .school("fade", "powder")
                        .wants(EffectKind.FADE, 2, "shell", "ends")
                        .wants(EffectKind.RUST_STREAKS, 1, "ends")
                        .wants(EffectKind.SPILL, 3, "shell")
                        .made();
        m.inOrder("powder-fade", "oil-streak", "final-flat", "gloss-spill");
        // powder slides off semi-gloss
        m.needs("seal-matte", Finding.Rule.TOOTH);
        // and lies loose until a clear binds it: the streak's brush would take it along
        List<String> ends = m.on("ends");
        assertTrue(
                ends.subList(ends.indexOf("powder-fade"), ends.indexOf("oil-streak")).stream()
                        .anyMatch(k -> k.startsWith("seal") || k.startsWith("lacquer")),
                ends.toString());
        assertFalse(m.on("lettering").contains("final-flat"), "nothing was laid there");
    }

    @Test
    public void aRoadTrailerWithDirtDrawnDownInAlcoholKeepsItUnderLacquerOrFactoryPaint() {
        Made m =
                new Job()
                        .on(Substrate.FACTORY_SEMI_GLOSS, "left", "right", "doors", "chassis")
                        .on(Substrate.FACTORY_SEMI_GLOSS, "lettering")
                        .wants(EffectKind.ROAD_DIRT, 2, "left", "right", "doors")
                        .wants(EffectKind.DUST, 3, "chassis")
                        .wants(EffectKind.WORN_EDGES, 1, "doors")
                        .made();
        m.inOrder("dirt-mist", "draw-alcohol", "dry-brush", "final-flat");
        // alcohol of a third does nothing to factory paint, so no clear is wanted beneath the dirt
        assertEquals(m.on("left").getFirst(), "dirt-mist");
        // it is drawn down while it is open
        long open = m.step("draw-alcohol").atMinute() - m.step("dirt-mist").endMinute();
        assertTrue(open <= 60, open + " min");
    }

    @Test
    public void aBrickStructureHasItsSignsOnGlossAndItsDirtOverThem() {
        Made m =
                new Job()
                        .on(Substrate.PRIMED, "walls", "roof", "base", "signs", "doors")
                        .school("applicator", "airbrush")
                        .wants(EffectKind.REPAINT, 2, Optional.of("base-kiln-red"), "walls", "base")
                        .wants(EffectKind.DECAL, 2, "signs")
                        .wants(EffectKind.GRIME, 2, "walls", "signs", "base")
                        .wants(EffectKind.WORN_EDGES, 1, "doors")
                        .wants(EffectKind.POWDER, 2, "roof")
                        .made();
        List<String> signs = m.on("signs");
        assertEquals(signs.subList(0, 2), List.of("seal-gloss", "decal"));
        m.needs("seal-gloss", Finding.Rule.TOOTH);
        assertTrue(signs.indexOf("decal") < signs.indexOf("grime-wash"), signs.toString());
        assertFalse(m.on("walls").contains("seal-gloss"), "gloss only under the sign");
        // primer is flat: powder holds on it as it is
        assertEquals(m.on("roof"), List.of("powder", "final-flat"), m.plan().steps().toString());
    }

    @Test
    public void aTinShedRustsInACrustOfPowderWithColourLeftOnTop() {
        Made m =
                new Job()
                        .on(Substrate.PRIMED, "walls", "roof", "gutters")
                        .school("streaks", "enamel")
                        .wants(
                                EffectKind.REPAINT,
                                2,
                                Optional.of("base-moor-green"),
                                "walls",
                                "roof")
                        .wants(EffectKind.HEAVY_RUST, 3, "roof")
                        .wants(EffectKind.RUST_SPOTS, 2, "walls")
                        .wants(EffectKind.RUST_STREAKS, 2, "walls")
                        .made();
        m.inOrder(
                "prime", "base-coat", "wet-varnish", "powder-in-varnish", "thin-top", "final-flat");
        // the powder goes in while the varnish is wet
        long wet = m.step("powder-in-varnish").atMinute() - m.step("wet-varnish").endMinute();
        assertTrue(wet <= 12, wet + " min");
        // what holds in varnish is not loose: it needs no fixing before the mist on top
        assertFalse(m.keys().contains("fix"));
        List<String> walls = m.on("walls");
        assertTrue(walls.indexOf("rust-spots") < walls.indexOf("oil-streak"), walls.toString());
    }

    @Test
    public void aBeginnersVanInPowdersTakesOneEveningAndTwoCans() {
        Made m =
                new Job()
                        .on(Substrate.FACTORY_SEMI_GLOSS, "left", "right", "roof", "trucks")
                        .school("applicator", "hands")
                        .school("streaks", "powder")
                        .wants(EffectKind.RUST_STREAKS, 1, "left", "right")
                        .wants(EffectKind.SOOT, 2, "roof")
                        .wants(EffectKind.DUST, 2, "left", "right", "trucks")
                        .wants(EffectKind.POWDER, 1, "roof")
                        .made();
        // one flat clear under everything, one over it, and one that holds the streaks for the dust
        assertTrue(m.keys().stream().noneMatch(k -> k.startsWith("seal")), "no airbrush");
        assertTrue(m.plan().clears() <= 2, m.keys().toString());
        m.needs("can-matte", Finding.Rule.TOOTH);
        assertTrue(m.plan().minutes() < 6 * 60, m.plan().minutes() + " min");
        assertEquals(m.keys().getLast(), "can-final");
    }

    @Test
    public void aBrushOnlyLocomotiveNeedsNoBoothButForItsClears() {
        Made m =
                new Job()
                        .on(Substrate.FACTORY_SEMI_GLOSS, LOCO)
                        .school("applicator", "hands")
                        .school("grime", "acrylic")
                        .school("windows", "clean")
                        .wants(EffectKind.WINDOWS, 2, "windows")
                        .wants(EffectKind.GRIME, 2, "left", "right", "cab")
                        .wants(EffectKind.CHIPS, 1, "left", "right")
                        .wants(EffectKind.WORN_EDGES, 2, "left", "right", "grilles")
                        .wants(EffectKind.TRUCK_TONES, 2, "trucks")
                        .wants(EffectKind.SOOT, 2, "roof")
                        .made();
        m.plan().steps().stream()
                .map(PlanStep::act)
                .filter(a -> a.technique().booth())
                .forEach(
                        a ->
                                assertEquals(
                                        a.technique().role(),
                                        org.pendrik.core.catalogue.Technique.Role.CLEAR,
                                        a.id().value()));
        // glass is cleaned with alcohol when everything else is over, and bears it
        m.inOrder("sludge-wash", "rub-off", "dry-brush", "sponge-chip", "can-final", "clean-glass");
    }

    @Test
    public void twoLocomotivesInStepShareTheirMixesAndTheirLastFlat() {
        Job one = heavy();
        Job other =
                new Job()
                        .on(Substrate.FACTORY_FLAT, LOCO)
                        .wants(EffectKind.FADE, 2, "left", "right", "roof", "cab")
                        .wants(EffectKind.DUST, 2, "left", "right", "trucks", "tank")
                        .wants(EffectKind.JOINT_SHADE, 2, "left", "right", "grilles");
        var first =
                new InStep.Subject(
                        "OVR 14", one.request().zones(), List.of(), one.effects, List.of());
        var second =
                new InStep.Subject(
                        "OVR 15", other.request().zones(), List.of(), other.effects, List.of());
        InStep.Joined joined =
                InStep.join(
                        List.of(first, second),
                        Climate.REFERENCE,
                        0,
                        Schools.Choice.START,
                        CATALOGUE);
        var plan = (PlanOutcome.Compiled) COMPILER.compile(joined.request());
        assertEquals(String.join("; ", AUDIT.faults(joined.request(), plan)), "");
        List<PlanStep> a = joined.stepsOf(first, plan);
        List<PlanStep> b = joined.stepsOf(second, plan);
        PlanStep fadeA = byTechnique(a, "mist-fade");
        PlanStep fadeB = byTechnique(b, "mist-fade");
        // one mix, one visit to the booth
        assertEquals(fadeA.act().atMinute(), fadeB.act().atMinute());
        assertTrue(fadeA.reason().contains("In step with OVR 15"), fadeA.reason());
        assertEquals(
                byTechnique(b, "final-flat").act().atMinute(),
                byTechnique(a, "final-flat").act().atMinute());
        // factory paint takes the fade as it is
        assertTrue(
                Stream.concat(a.stream(), b.stream())
                        .noneMatch(s -> s.act().technique().key().startsWith("seal")));
        // every step has the name of its own job's effect
        List<String> effects = one.effects.stream().map(Effect::id).toList();
        Set<StepId> ids = new HashSet<>();
        for (PlanStep step : a) {
            assertTrue(ids.add(step.act().id()), step.act().id().value());
            switch (step.act().madeFor()) {
                case MadeFor.OfEffect e -> assertTrue(effects.contains(e.effectId()), e.effectId());
                case MadeFor.OfStep of ->
                        assertTrue(
                                a.stream().anyMatch(o -> o.act().id().equals(of.step())),
                                of.step().value());
                case MadeFor.Itself _, MadeFor.Found _ -> {}
            }
        }
        // what the second does not want is not in its list
        assertTrue(b.stream().noneMatch(s -> s.act().technique().key().equals("oil-streak")));
    }

    private static PlanStep byTechnique(List<PlanStep> steps, String key) {
        return steps.stream()
                .filter(s -> s.act().technique().key().equals(key))
                .findFirst()
                .orElseThrow();
    }
}
