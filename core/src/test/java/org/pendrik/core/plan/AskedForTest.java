package org.pendrik.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Errand;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Stock;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Face;
import org.pendrik.core.film.MadeFor;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;
import org.testng.annotations.Test;

/** What is asked for is what stands in the plan, or the answer says why not and what can. */
public class AskedForTest {
    private static final Catalogue CATALOGUE = Catalogue.load();
    private static final PlanCompiler QUICK = new PlanCompiler(CATALOGUE, 100);
    private static final PlanCompiler QUICKEST = new PlanCompiler(CATALOGUE, 60, 2);
    private static final PlanAudit AUDIT = new PlanAudit(CATALOGUE);

    private static Zone zone(String key, Substrate made, Face face) {
        return new Zone(
                key,
                key,
                made,
                made == Substrate.FACTORY_SEMI_GLOSS,
                Substrate.UNKNOWN_COLOUR,
                2000,
                face,
                made == Substrate.GLAZING);
    }

    private static final List<Zone> SUBJECT =
            List.of(
                    zone("side", Substrate.FACTORY_SEMI_GLOSS, Face.SIDE),
                    zone("roof", Substrate.FACTORY_FLAT, Face.UP),
                    zone("glass", Substrate.GLAZING, Face.SIDE));

    private static Set<String> where(EffectKind kind) {
        return Set.of(kind == EffectKind.WINDOWS ? "glass" : "side");
    }

    private static Effect effect(EffectKind kind, Tones tones, Made made) {
        return new Effect(
                "e", kind, where(kind), 2, tones, made, Optional.empty(), "", Phase.USUAL);
    }

    private static PlanRequest request(Effect... effects) {
        return new PlanRequest(
                SUBJECT, List.of(), List.of(effects), List.of(), Climate.REFERENCE, 0);
    }

    /** The plan holds to what was asked, or the reason names what could not be used. */
    private static boolean stands(Effect e, String asked) {
        PlanRequest r = request(e);
        return switch (QUICK.compile(r)) {
            case PlanOutcome.Compiled plan -> {
                assertEquals(String.join("; ", AUDIT.faults(r, plan)), "", e.toString());
                yield true;
            }
            case PlanOutcome.NoPlan no -> {
                assertFalse(no.reason().isBlank() || no.remedy().isBlank(), e.toString());
                yield no.reason().contains(asked);
            }
        };
    }

    @Test
    public void everyWayIsMadeAsItIsAsked() {
        int made = 0;
        for (EffectKind kind : EffectKind.values()) {
            for (Ways.Offered w : Ways.offered(kind, CATALOGUE)) {
                Effect e = effect(kind, Tones.USUAL, Made.by(w.key()));
                PlanRequest r = request(e);
                if (QUICK.compile(r) instanceof PlanOutcome.Compiled plan) {
                    made++;
                    assertEquals(String.join("; ", AUDIT.faults(r, plan)), "", e.toString());
                    assertTrue(
                            plan.steps().stream()
                                    .anyMatch(
                                            s ->
                                                    s.act()
                                                            .technique()
                                                            .key()
                                                            .equals(w.technique().key())),
                            e.toString());
                } else {
                    // there is no powder yet that a panel could be cleaned of
                    assertEquals(kind, EffectKind.RENEWED_PANEL, e.toString());
                }
            }
        }
        assertTrue(made > 90, made + " ways");
    }

    @Test
    public void everyMaterialIsTakenOrRefusedByName() {
        int taken = 0;
        int refused = 0;
        for (EffectKind kind : EffectKind.values()) {
            for (Ways.Offered w : Ways.offered(kind, CATALOGUE)) {
                for (Material m : CATALOGUE.materials()) {
                    Effect e = effect(kind, Tones.of(m.key()), Made.by(w.key()));
                    boolean can;
                    try {
                        Ways.chosen(e, Schools.Choice.START, CATALOGUE);
                        can = true;
                    } catch (org.pendrik.core.units.InvalidInput no) {
                        assertTrue(no.getMessage().contains(m.name()), no.getMessage());
                        assertTrue(no.remedy().contains("take"), no.remedy());
                        refused++;
                        can = false;
                    }
                    if (can) {
                        taken++;
                        List<EffectGroup> groups =
                                EffectGroup.of(
                                        e,
                                        SUBJECT,
                                        Schools.Choice.START,
                                        CATALOGUE,
                                        org.pendrik.core.film.StepIds.fresh());
                        assertTrue(
                                groups.stream()
                                        .flatMap(g -> g.acts().stream())
                                        .anyMatch(
                                                a ->
                                                        a.technique()
                                                                        .key()
                                                                        .equals(w.technique().key())
                                                                && a.material().equals(m)),
                                e + " in " + groups);
                    }
                }
                for (Material own : w.materials()) {
                    Effect e = effect(kind, Tones.of(own.key()), Made.by(w.key()));
                    assertTrue(
                            stands(e, own.name()) || kind == EffectKind.RENEWED_PANEL,
                            e.toString());
                }
            }
        }
        assertTrue(taken > 700 && refused > 4000, taken + " taken, " + refused + " refused");
    }

    @Test
    public void everyTechniqueThatShowsSomethingCanBeAskedFor() {
        for (EffectKind kind : EffectKind.values()) {
            for (Technique t : CATALOGUE.techniques()) {
                Effect e = effect(kind, Tones.USUAL, Made.shownBy(t.key()));
                boolean known = Ways.techniques(kind).contains(t.key());
                try {
                    Ways.Way way = Ways.chosen(e, Schools.Choice.START, CATALOGUE);
                    assertEquals(way.main().technique(), t.key());
                    assertTrue(known || t.role() == Technique.Role.EFFECT, e.toString());
                } catch (org.pendrik.core.units.InvalidInput no) {
                    assertFalse(known || t.role() == Technique.Role.EFFECT, no.getMessage());
                    assertTrue(no.getMessage().contains(t.name()), no.getMessage());
                }
            }
        }
    }

    @Test
    public void everyLiquidThinsOrIsRefusedByName() {
        int thinned = 0;
        for (EffectKind kind : EffectKind.values()) {
            for (Ways.Offered w : Ways.offered(kind, CATALOGUE)) {
                Material paint = w.materials().getFirst();
                for (Material liquid : CATALOGUE.materials()) {
                    if (liquid.deposits() || !paint.deposits()) {
                        continue;
                    }
                    Effect e =
                            effect(kind, Tones.USUAL, Made.by(w.key()).thinnedWith(liquid.key()));
                    boolean may =
                            liquid.carrier().equals(paint.carrier())
                                    || CATALOGUE.thinners(paint).contains(liquid);
                    if (may) {
                        thinned++;
                        assertTrue(
                                EffectGroup.of(
                                                e,
                                                SUBJECT,
                                                Schools.Choice.START,
                                                CATALOGUE,
                                                org.pendrik.core.film.StepIds.fresh())
                                        .stream()
                                        .flatMap(g -> g.acts().stream())
                                        .filter(
                                                a ->
                                                        a.technique()
                                                                .key()
                                                                .equals(w.technique().key()))
                                        .allMatch(
                                                a ->
                                                        a.technique().action().isDry()
                                                                || a.material()
                                                                        .carrier()
                                                                        .equals(liquid.carrier())),
                                e.toString());
                    } else {
                        assertTrue(
                                QUICK.compile(request(e)) instanceof PlanOutcome.NoPlan no
                                        && no.reason().contains(liquid.name()),
                                e.toString());
                    }
                }
            }
        }
        assertTrue(thinned > 300, thinned + " thinned");
        Effect wet =
                effect(
                        EffectKind.GRIME,
                        Tones.USUAL,
                        Made.by("acrylic").workedWith("thinner-lacquer"));
        PlanOutcome no = QUICK.compile(request(wet));
        assertTrue(
                no instanceof PlanOutcome.NoPlan n
                        && n.reason().contains("lacquer thinner")
                        && n.remedy().contains("water"),
                no.toString());
        Effect fine =
                effect(EffectKind.ROAD_DIRT, Tones.USUAL, Made.by("mist").workedWith("alcohol-50"));
        PlanOutcome.Compiled plan = (PlanOutcome.Compiled) QUICK.compile(request(fine));
        assertTrue(
                plan.steps().stream().anyMatch(s -> s.act().material().key().equals("alcohol-50")));
    }

    /** In one sitting and in rounds: what cannot be done twice is all that is refused. */
    @Test
    public void everyWayIsMadeInTwoTonesToo() {
        Set<String> refused = new TreeSet<>();
        int made = 0;
        for (EffectKind kind : EffectKind.values()) {
            for (Ways.Offered w : Ways.offered(kind, CATALOGUE)) {
                List<String> may = w.materials().stream().map(Material::key).limit(2).toList();
                for (boolean rounds : List.of(false, true)) {
                    if (may.size() < 2) {
                        continue;
                    }
                    PlanRequest r = request(effect(kind, new Tones(may, rounds), Made.by(w.key())));
                    switch (QUICK.compile(r)) {
                        case PlanOutcome.Compiled plan -> {
                            made++;
                            assertEquals(AUDIT.faults(r, plan), List.of(), r.effects().toString());
                            may.forEach(
                                    m ->
                                            assertTrue(
                                                    plan.steps().stream()
                                                            .anyMatch(
                                                                    s ->
                                                                            s.act()
                                                                                    .material()
                                                                                    .key()
                                                                                    .equals(m)),
                                                    m + " in " + w.name()));
                        }
                        case PlanOutcome.NoPlan no -> refused.add(kind + " " + w.key());
                    }
                }
            }
        }
        assertTrue(made > 100, made + " ways");
        // lettering comes off once, and the second tone of oil with powder is the powder
        assertEquals(refused, Set.of("HEAVY_RUST oil-powder", "STRIPPED_LETTERING strip"));
    }

    @Test
    public void whatIsToldToStartWithIsWhatIsTaken() {
        List<Lab> colours =
                CATALOGUE.materials().stream()
                        .map(Material::colour)
                        .flatMap(Optional::stream)
                        .distinct()
                        .toList();
        Random random = new Random(6);
        int told = 0;
        for (EffectKind kind : EffectKind.values()) {
            for (Ways.Offered w : Ways.offered(kind, CATALOGUE)) {
                Optional<Lab> measured =
                        random.nextBoolean()
                                ? Optional.of(colours.get(random.nextInt(colours.size())))
                                : Optional.empty();
                Effect e =
                        new Effect(
                                "e",
                                kind,
                                where(kind),
                                2,
                                Tones.USUAL,
                                Made.by(w.key()),
                                measured,
                                "",
                                Phase.USUAL);
                PlanRequest r = request(e);
                Ways.Plan said =
                        Ways.plan(e, Substrate.UNKNOWN_COLOUR, Schools.Choice.START, CATALOGUE);
                if (!(QUICK.compile(r) instanceof PlanOutcome.Compiled plan)) {
                    continue;
                }
                List<String> with =
                        plan.steps().stream()
                                .map(PlanStep::act)
                                .filter(a -> a.technique().equals(said.technique()))
                                .map(a -> a.material().key())
                                .toList();
                if (!with.isEmpty()) {
                    // nobody masks glass when nothing is sprayed
                    told++;
                    assertTrue(with.contains(said.start()), e + " starts with " + said.start());
                }
            }
        }
        assertTrue(told > 60, told + " ways");
    }

    @Test
    public void everyStepBesideTheTonesTakesWhatIsAskedOrRefusesItByName() {
        int taken = 0;
        int refused = 0;
        for (EffectKind kind : EffectKind.values()) {
            for (Ways.Offered w : Ways.offered(kind, CATALOGUE)) {
                Effect usual = effect(kind, Tones.USUAL, Made.by(w.key()));
                for (Ways.Beside b :
                        Ways.plan(usual, Substrate.UNKNOWN_COLOUR, Schools.Choice.START, CATALOGUE)
                                .beside()) {
                    for (Material m : CATALOGUE.materials()) {
                        Effect e = usual.made(Made.by(w.key()).laying(b.step(), m.key()));
                        PlanOutcome got = QUICK.compile(request(e));
                        if (got instanceof PlanOutcome.NoPlan no
                                && no.reason().contains(m.name())) {
                            refused++;
                            continue;
                        }
                        taken++;
                        assertTrue(
                                got instanceof PlanOutcome.Compiled plan
                                        && AUDIT.faults(request(e), plan).isEmpty()
                                        && plan.steps().stream()
                                                .map(PlanStep::act)
                                                .anyMatch(
                                                        a ->
                                                                a.technique().equals(b.technique())
                                                                        && a.material().equals(m)),
                                e + ": " + got);
                    }
                }
            }
        }
        assertTrue(taken > 60 && refused > 500, taken + " taken, " + refused + " refused");
        PlanOutcome no =
                QUICK.compile(
                        request(
                                effect(
                                        EffectKind.GRIME,
                                        Tones.USUAL,
                                        Made.by("oil").laying("release-coat", "hairspray"))));
        assertTrue(
                no instanceof PlanOutcome.NoPlan n && n.remedy().contains("nothing"),
                no.toString());
    }

    @Test
    public void everyStrengthIsADifferentDose() {
        for (EffectKind kind : EffectKind.values()) {
            for (Ways.Offered w : Ways.offered(kind, CATALOGUE)) {
                Set<String> doses = new LinkedHashSet<>();
                Set<String> said = new LinkedHashSet<>();
                for (int strength = 1; strength <= 3; strength++) {
                    Effect e =
                            new Effect("e", kind, where(kind), strength, Optional.empty())
                                    .made(Made.by(w.key()));
                    List<EffectGroup> groups =
                            EffectGroup.of(
                                    e,
                                    SUBJECT,
                                    Schools.Choice.START,
                                    CATALOGUE,
                                    org.pendrik.core.film.StepIds.fresh());
                    StringBuilder dose = new StringBuilder();
                    groups.forEach(
                            g ->
                                    g.acts()
                                            .forEach(
                                                    a ->
                                                            dose.append(a.technique().key())
                                                                    .append(a.thickness())
                                                                    .append(
                                                                            a.technique()
                                                                                    .share())));
                    doses.add(dose.toString());
                    groups.stream()
                            .flatMap(g -> g.steps().stream())
                            .filter(s -> s.origin() == PlanStep.Origin.EFFECT)
                            .forEach(s -> said.add(s.reason()));
                }
                assertEquals(doses.size(), 3, kind + " " + w.key() + doses);
                assertTrue(said.size() >= 3, kind + " " + w.key() + said);
            }
        }
    }

    @Test
    public void aBottleIsAMaterialLikeAnyOther() {
        Stock bottle =
                new Stock(
                        "bottle-7",
                        "dusk brown",
                        "Artist oil",
                        false,
                        Optional.empty(),
                        Optional.of(new Lab(31, 9, 12)),
                        Optional.empty(),
                        Optional.empty());
        Stock clear =
                new Stock(
                        "own-clear",
                        "my clear",
                        "waterborne acrylic",
                        true,
                        Optional.of(Finish.SATIN),
                        Optional.empty(),
                        Optional.of(new org.pendrik.core.catalogue.CureAnchors(5, 10, 20, 900)),
                        Optional.empty());
        Stock strange =
                new Stock(
                        "own-x",
                        "mystery",
                        "gouache",
                        false,
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty());
        Catalogue shelf = CATALOGUE.stocked(List.of(bottle, clear, strange));
        PlanCompiler compiler = new PlanCompiler(shelf, 100);
        Effect streaks = effect(EffectKind.RUST_STREAKS, Tones.of("bottle-7"), Made.BY_SCHOOL);
        PlanRequest r = request(streaks);
        PlanOutcome.Compiled plan = (PlanOutcome.Compiled) compiler.compile(r);
        assertEquals(new PlanAudit(shelf).faults(r, plan), List.of());
        Act act =
                plan.steps().stream()
                        .map(PlanStep::act)
                        .filter(a -> a.technique().key().equals("oil-streak"))
                        .findFirst()
                        .orElseThrow();
        assertEquals(act.material().name(), "dusk brown");
        assertEquals(act.material().window(), CATALOGUE.material("oil-fresh-rust").window());
        assertEquals(act.material().colour(), bottle.colour());
        assertTrue(shelf.canUse(shelf.technique("seal-satin"), shelf.material("own-clear")));
        assertEquals(shelf.material("own-clear").cure(), clear.cure());
        assertFalse(shelf.canUse(shelf.technique("oil-streak"), shelf.material("own-clear")));
        PlanOutcome no =
                compiler.compile(
                        request(effect(EffectKind.GRIME, Tones.of("own-x"), Made.BY_SCHOOL)));
        assertTrue(
                no instanceof PlanOutcome.NoPlan n && n.reason().contains("gouache"),
                no.toString());
        PlanOutcome wrong =
                compiler.compile(
                        request(effect(EffectKind.SOOT, Tones.of("bottle-7"), Made.by("powder"))));
        assertTrue(
                wrong instanceof PlanOutcome.NoPlan n && n.reason().contains("dusk brown"),
                wrong.toString());
    }

    private static <T> T any(Random random, List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    /** Requests as wild as the tables allow, with own ways, tones, zones, pins, steps and coats. */
    static PlanRequest wild(Random random) {
        List<Zone> zones = new ArrayList<>();
        int n = 1 + random.nextInt(9);
        for (int z = 0; z < n; z++) {
            Substrate made = any(random, List.of(Substrate.values()));
            zones.add(zone("z" + z, made, any(random, List.of(Face.values()))));
        }
        List<Act> done = new ArrayList<>();
        long minute = -20_000;
        for (int i = random.nextInt(4); i > 0; i--) {
            Technique t = any(random, List.copyOf(CATALOGUE.techniques()));
            if (t.role() == Technique.Role.CLEAR || t.role() == Technique.Role.EFFECT) {
                minute += random.nextInt(6000);
                done.add(
                        Act.planned(
                                        new StepId("there" + i),
                                        t,
                                        CATALOGUE.material(any(random, t.materials())),
                                        List.of(any(random, zones)))
                                .doneAt(minute, 0));
            }
        }
        List<Effect> effects = new ArrayList<>();
        List<StepId> ids = new ArrayList<>();
        int wanted = 1 + random.nextInt(6);
        for (int i = 0; i < wanted; i++) {
            EffectKind kind = any(random, List.of(EffectKind.values()));
            Ways.Offered way = any(random, Ways.offered(kind, CATALOGUE));
            Set<String> on = new LinkedHashSet<>();
            for (int k = 1 + random.nextInt(3); k > 0; k--) {
                on.add(any(random, zones).key());
            }
            List<String> tones = new ArrayList<>();
            for (int k = random.nextInt(4); k > 0; k--) {
                tones.add(any(random, way.materials()).key());
            }
            Made made = random.nextInt(2) == 0 ? Made.BY_SCHOOL : Made.by(way.key());
            effects.add(
                    new Effect(
                            "e" + i,
                            kind,
                            on,
                            1 + random.nextInt(3),
                            new Tones(tones, random.nextBoolean()),
                            made,
                            Optional.empty(),
                            random.nextInt(5) == 0 ? "set" : "",
                            random.nextInt(4) == 0
                                    ? any(random, List.of(Phase.values()))
                                    : Phase.USUAL));
            ids.add(new StepId("e" + i + ":" + way.technique().key()));
        }
        List<Act> own = new ArrayList<>();
        List<Pin> standing = new ArrayList<>();
        for (int i = random.nextInt(3); i > 0; i--) {
            Technique t =
                    CATALOGUE.technique(
                            any(
                                    random,
                                    List.of(
                                            "wait",
                                            "photograph",
                                            "step",
                                            "parts-off",
                                            "touch-in",
                                            "seal-satin",
                                            "approve")));
            StepId id = new StepId("o" + i);
            own.add(
                    Act.planned(id, t, CATALOGUE.startingMaterial(t), List.of(any(random, zones)))
                            .madeFor(MadeFor.ITSELF)
                            .saying(new Errand("", random.nextInt(2) * 600, List.of("cab"))));
            standing.add(new Pin(any(random, ids), id));
            standing.add(new Pin(id, any(random, ids)));
        }
        List<Pin> pins = new ArrayList<>();
        for (int i = random.nextInt(3); i > 0; i--) {
            pins.add(new Pin(any(random, ids), any(random, ids)));
        }
        Schools.Choice schools = Schools.Choice.START;
        for (Schools.Question q : Schools.all()) {
            if (random.nextInt(4) == 0) {
                schools = schools.with(q.key(), any(random, q.answers()).key());
            }
        }
        Climate air = new Climate(12 + random.nextInt(16), 0.3 + 0.4 * random.nextDouble());
        return new PlanRequest(zones, done, effects, pins, air, 0, schools, own, standing);
    }

    @Test
    public void wildRequestsArePlannedOrRefusedWithAReason() {
        Random random = new Random(2026);
        int made = 0;
        for (int i = 0; i < 2000; i++) {
            PlanRequest r = wild(random);
            switch (QUICKEST.compile(r)) {
                case PlanOutcome.Compiled plan -> {
                    made++;
                    assertEquals(String.join("; ", AUDIT.faults(r, plan)), "", i + ": " + said(r));
                }
                case PlanOutcome.NoPlan no ->
                        assertFalse(no.reason().isBlank() || no.remedy().isBlank(), i + "");
            }
        }
        assertTrue(made > 800, "only " + made + " could be made");
    }

    private static String said(PlanRequest r) {
        StringBuilder out = new StringBuilder();
        r.effects()
                .forEach(
                        e ->
                                out.append(' ')
                                        .append(e.id())
                                        .append(e.kind())
                                        .append(e.made().way().orElse(""))
                                        .append(e.tones().materials())
                                        .append(e.phase())
                                        .append(e.set())
                                        .append(e.zones()));
        return out.append(r.pins()).append(r.standing()).append(r.schools().answers()).toString();
    }
}
