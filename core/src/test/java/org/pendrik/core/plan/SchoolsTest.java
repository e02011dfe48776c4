package org.pendrik.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Column;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.Ledger;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What each school changes in a plan. */
public class SchoolsTest {
    private static final Catalogue CATALOGUE = Catalogue.load();
    private static final List<Zone> SUBJECT =
            List.of(zone("side", false), zone("roof", true), zone("windows", false));

    private static Zone zone(String key, boolean up) {
        return new Zone(
                key, key, Substrate.FACTORY_SEMI_GLOSS, false, Substrate.UNKNOWN_COLOUR, 2000, up);
    }

    private static Effect effect(EffectKind kind, String... zones) {
        return new Effect(
                kind.name() + zones[0],
                kind,
                new LinkedHashSet<>(List.of(zones)),
                2,
                Optional.empty());
    }

    private static PlanRequest request(Map<String, String> answers, Effect... effects) {
        return new PlanRequest(
                SUBJECT,
                List.of(),
                List.of(effects),
                List.of(),
                Climate.REFERENCE,
                0,
                new Schools.Choice(answers),
                List.of());
    }

    private static PlanOutcome.Compiled plan(PlanRequest r) {
        PlanOutcome outcome = new PlanCompiler(CATALOGUE).compile(r);
        assertTrue(outcome instanceof PlanOutcome.Compiled, outcome.toString());
        var plan = (PlanOutcome.Compiled) outcome;
        assertEquals(String.join("; ", new PlanAudit(CATALOGUE).faults(r, plan)), "");
        return plan;
    }

    private static List<String> keys(PlanOutcome.Compiled plan) {
        return plan.steps().stream().map(s -> s.act().technique().key()).toList();
    }

    /** The tooth of what lies on the side when a technique comes to it. */
    private static double toothUnder(PlanOutcome.Compiled plan, String technique) {
        Ledger lies = Ledger.of(new FilmCase(SUBJECT, List.of(), Climate.REFERENCE), CATALOGUE);
        for (PlanStep s : plan.steps()) {
            if (s.act().technique().key().equals(technique)) {
                return lies.on("side").finish().tooth();
            }
            lies = lies.and(s.act());
        }
        throw new AssertionError(technique + " is not in " + keys(plan));
    }

    @DataProvider
    public Object[][] surfaces() {
        return new Object[][] {
            {"open", 0.0, 1.0}, {"gloss", 0.0, 0.2}, {"satin", 0.3, 0.6}, {"matte", 0.6, 0.9},
        };
    }

    @Test(dataProvider = "surfaces")
    public void aWashLiesOnWhatTheSchoolWants(String answer, double from, double to) {
        var plan = plan(request(Map.of("wash-surface", answer), effect(EffectKind.GRIME, "side")));
        double tooth = toothUnder(plan, "grime-wash");
        assertTrue(tooth >= from && tooth <= to, answer + " gives " + tooth);
        assertEquals(plan.clears(), answer.equals("open") ? 0 : 1, keys(plan).toString());
    }

    @Test
    public void aClearLiesUnderWhatIsWipedWhereTheSchoolWantsOne() {
        Effect joints = effect(EffectKind.JOINT_SHADE, "side");
        assertEquals(plan(request(Map.of(), joints)).clears(), 0);
        var plan = plan(request(Map.of("clear-before-wipe", "yes"), joints));
        assertEquals(plan.clears(), 1);
        assertTrue(
                plan.steps().getFirst().reason().contains("Your school lays a clear"),
                plan.steps().getFirst().reason());
        // acrylic is not wiped with spirit
        assertEquals(
                plan(request(Map.of("clear-before-wipe", "yes", "grime", "acrylic"), joints))
                        .clears(),
                0);
    }

    @Test
    public void whoWouldRatherWaitGetsNoClearThatOnlySavesTime() {
        // a fade in oil bears the spirit of a second one only after more than a week
        Effect[] effects = {effect(EffectKind.FADE, "side"), effect(EffectKind.HEAVY_RUST, "side")};
        var soon = plan(request(Map.of("fade", "dots"), effects));
        var patient = plan(request(Map.of("fade", "dots", "patience", "wait"), effects));
        assertEquals(patient.clears(), 0, patient.steps().toString());
        assertEquals(soon.clears(), 1);
        assertTrue(patient.minutes() > soon.minutes() + 1440, "that is what it waits for");
    }

    @Test
    public void roofAndSidesGoAsTheSchoolSays() {
        Effect side = effect(EffectKind.POWDER, "side");
        Effect roof = effect(EffectKind.POWDER, "roof");
        for (String answer : List.of("roof-first", "sides-first")) {
            var plan = plan(request(Map.of("faces", answer), side, roof));
            List<Set<String>> order =
                    plan.steps().stream()
                            .map(PlanStep::act)
                            .filter(a -> a.technique().key().equals("powder"))
                            .map(Act::zones)
                            .toList();
            assertEquals(order.getFirst(), Set.of(answer.equals("roof-first") ? "roof" : "side"));
        }
    }

    @Test
    public void looseAndPackedContradictEachOtherAndThatIsSaid() {
        var outcome =
                new PlanCompiler(CATALOGUE)
                        .compile(
                                request(
                                        Map.of("powder-fix", "never", "ends", "packed"),
                                        effect(EffectKind.POWDER, "roof")));
        assertTrue(outcome instanceof PlanOutcome.NoPlan, outcome.toString());
        assertTrue(((PlanOutcome.NoPlan) outcome).reason().contains("lies loose"));
        var shelf =
                plan(
                        request(
                                Map.of("powder-fix", "never", "ends", "assembled"),
                                effect(EffectKind.POWDER, "roof")));
        assertEquals(keys(shelf).getLast(), "powder-last");
    }

    @Test
    public void packingWaitsForTheLastCure() {
        Effect rust = effect(EffectKind.RUST_STREAKS, "side");
        var flat = plan(request(Map.of(), rust));
        var packed = plan(request(Map.of("ends", "packed"), rust));
        assertEquals(
                keys(packed).subList(keys(packed).size() - 2, keys(packed).size()),
                List.of("reassemble", "pack"));
        assertTrue(packed.minutes() > flat.minutes() + 1080, packed.minutes() + " min");
    }

    @Test
    public void nothingIsSprayedWhereNothingShallBe() {
        var plan =
                plan(
                        request(
                                Map.of("applicator", "brush"),
                                effect(EffectKind.FADE, "side"),
                                effect(EffectKind.DUST, "side"),
                                effect(EffectKind.REPAINT, "roof")));
        assertTrue(
                plan.steps().stream().noneMatch(s -> s.act().technique().booth()),
                keys(plan).toString());
    }

    @Test
    public void aStepOfMyOwnIsKeptWhereItsPinWantsIt() {
        Technique dry = CATALOGUE.technique("dry-brush");
        Act own =
                Act.planned(
                        new StepId("mine"),
                        dry,
                        CATALOGUE.startingMaterial(dry),
                        SUBJECT.subList(0, 1));
        PlanRequest bare = request(Map.of(), effect(EffectKind.DUST, "side"));
        PlanRequest r =
                new PlanRequest(
                        SUBJECT,
                        List.of(),
                        bare.effects(),
                        List.of(new Pin(new StepId("DUSTside:airbrush-dust"), new StepId("mine"))),
                        Climate.REFERENCE,
                        0,
                        Schools.Choice.START,
                        List.of(own));
        List<String> keys = keys(plan(r));
        assertTrue(keys.indexOf("airbrush-dust") < keys.indexOf("dry-brush"), keys.toString());
        assertEquals(keys.getLast(), "final-flat");
    }

    @Test
    public void everyEffectHasAWayInEverySchool() {
        for (EffectKind kind : EffectKind.values()) {
            for (Schools.Question q : Schools.all()) {
                for (Schools.Answer a : q.answers()) {
                    Schools.Choice choice = Schools.Choice.START.with(q.key(), a.key());
                    Technique shown = Ways.technique(kind, choice, CATALOGUE);
                    assertTrue(Ways.techniques(kind).contains(shown.key()), kind + " " + a.key());
                }
            }
            assertFalse(Ways.materials(kind, CATALOGUE).isEmpty(), kind.toString());
        }
    }

    @Test
    public void aJobOverrulesItsHouseAndTheHouseTheTable() {
        Schools.Choice house = new Schools.Choice(Map.of("streaks", "enamel", "chips", "brush"));
        Schools.Choice own = new Schools.Choice(Map.of("streaks", "powder"));
        Schools.Choice both = own.over(house);
        assertEquals(both.of("streaks"), "powder");
        assertEquals(both.of("chips"), "brush");
        assertEquals(both.of("grime"), "enamel");
        expectThrows(InvalidInput.class, () -> new Schools.Choice(Map.of("streaks", "gouache")));
        expectThrows(InvalidInput.class, () -> Schools.question("weather"));
    }

    @Test
    public void columnsOfOneSubjectKeepTheirOwnInStep() {
        var joined =
                InStep.join(
                        List.of(
                                new InStep.Subject(
                                        "A",
                                        SUBJECT,
                                        List.of(),
                                        List.of(
                                                effect(EffectKind.POWDER, "roof"),
                                                effect(EffectKind.POWDER, "side")),
                                        List.of()),
                                new InStep.Subject(
                                        "B",
                                        SUBJECT,
                                        List.of(),
                                        List.of(effect(EffectKind.POWDER, "roof")),
                                        List.of())),
                        Climate.REFERENCE,
                        0,
                        Schools.Choice.START,
                        CATALOGUE);
        // two like effects of one subject stay two; the other's goes with the first
        assertEquals(joined.request().effects().size(), 2);
        assertEquals(joined.request().effects().getFirst().zones(), Set.of("A/roof", "B/roof"));
        var plan = plan(joined.request());
        Column none = Ledger.of(plan.timed(), CATALOGUE).on("B/windows");
        assertTrue(none.layers().isEmpty(), "what nobody wants is left alone");
        expectThrows(
                InvalidInput.class,
                () -> new InStep.Subject("A/B", SUBJECT, List.of(), List.of(), List.of()));
    }

    /** What each effect starts with in any school: soot is dark, white is white, rust is rust. */
    @Test
    public void noEffectStartsWithAnothersColour() {
        for (Schools.Question q : Schools.all()) {
            for (Schools.Answer a : q.answers()) {
                Schools.Choice choice = Schools.Choice.START.with(q.key(), a.key());
                String said = q.key() + "=" + a.key();
                assertTrue(start(EffectKind.SOOT, choice).l() < 30, "soot with " + said);
                Lab mineral = start(EffectKind.MINERAL_STREAKS, choice);
                assertTrue(mineral.l() > 80, "white streaks with " + said);
                Lab rust = start(EffectKind.RUST_STREAKS, choice);
                assertTrue(rust.a() > 10 && rust.b() > 10, "rust streaks with " + said);
                assertTrue(start(EffectKind.FADE, choice).l() > 70, "fade with " + said);
                assertTrue(start(EffectKind.DUST, choice).l() > 30, "dust with " + said);
            }
        }
    }

    @Test
    public void aChipIsMadeThroughTheCarsOwnColour() {
        for (Object[] x :
                new Object[][] {
                    {new Lab(36, 30, 20), "base-kiln-red"},
                    {new Lab(40, -12, 10), "base-moor-green"},
                    {new Lab(60, 0, 4), "base-plank-grey"}
                }) {
            Zone side = new Zone("side", "side", Substrate.FACTORY_FLAT, false, (Lab) x[0]);
            Effect chips =
                    new Effect(
                            "c", EffectKind.CHIPS, Set.of("side"), 2, java.util.Optional.empty());
            List<EffectGroup> groups =
                    EffectGroup.of(
                            chips,
                            List.of(side),
                            Schools.Choice.START.with("chips", "release"),
                            CATALOGUE,
                            StepIds.fresh());
            Act top =
                    groups.stream()
                            .flatMap(g -> g.acts().stream())
                            .filter(a -> a.technique().key().equals("chip-top"))
                            .findFirst()
                            .orElseThrow();
            assertEquals(top.material().key(), x[1]);
            assertTrue(OwnColour.isTopCoatOf(top, (Lab) x[0], CATALOGUE));
        }
    }

    private static Lab start(EffectKind kind, Schools.Choice choice) {
        return Ways.of(kind, choice).main().materials(CATALOGUE).getFirst().colour().orElseThrow();
    }
}
