package org.pendrik.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Face;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.FilmReport;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.MadeFor;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.film.Timing;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

public class PlanCompilerTest {
    private static final Catalogue CATALOGUE = Catalogue.load();
    private static final PlanCompiler COMPILER = new PlanCompiler(CATALOGUE);
    private static final FilmCheck CHECK = new FilmCheck(CATALOGUE);

    private static final List<EffectKind> SIX =
            List.of(
                    EffectKind.FADE,
                    EffectKind.JOINT_SHADE,
                    EffectKind.CHIPS,
                    EffectKind.RUST_STREAKS,
                    EffectKind.DUST,
                    EffectKind.POWDER);

    private static Effect effect(EffectKind kind, String... zones) {
        return new Effect(
                kind.name(), kind, new LinkedHashSet<>(List.of(zones)), 2, Optional.empty());
    }

    private static PlanRequest request(Substrate substrate, List<Effect> effects, Pin... pins) {
        Set<String> names = new LinkedHashSet<>();
        effects.forEach(e -> names.addAll(e.zones()));
        List<Zone> zones =
                names.stream()
                        .map(n -> new Zone(n, n, substrate, false, Substrate.UNKNOWN_COLOUR))
                        .toList();
        return new PlanRequest(zones, List.of(), effects, List.of(pins), Climate.REFERENCE, 0);
    }

    private static PlanOutcome.Compiled compiled(PlanRequest r) {
        return (PlanOutcome.Compiled) COMPILER.compile(r);
    }

    private static List<String> techniques(PlanOutcome.Compiled plan) {
        return plan.steps().stream().map(s -> s.act().technique().key()).toList();
    }

    private static final List<Effect> HOPPER =
            List.of(
                    effect(EffectKind.FADE, "side", "ends"),
                    effect(EffectKind.JOINT_SHADE, "side"),
                    effect(EffectKind.CHIPS, "side"),
                    effect(EffectKind.RUST_STREAKS, "side"),
                    effect(EffectKind.DUST, "sill", "side"),
                    effect(EffectKind.POWDER, "roof"));

    @Test
    public void sixEffectsOnAHopperComeOutInTheOrderOfTheCraft() {
        var plan = compiled(request(Substrate.FACTORY_SEMI_GLOSS, HOPPER));
        assertTrue(plan.proven());
        List<String> keys = techniques(plan);
        List<String> onSide =
                keys.stream().filter(k -> !k.startsWith("seal") && !k.equals("powder")).toList();
        assertEquals(
                onSide,
                List.of(
                        "mist-fade",
                        "pin-wash",
                        "wipe-back",
                        "sponge-chip",
                        "oil-streak",
                        "draw-down",
                        "airbrush-dust",
                        "final-flat"));
        // semi-gloss takes all but the powder
        assertTrue(
                keys.contains("seal-matte") && keys.indexOf("seal-matte") < keys.indexOf("powder"),
                keys.toString());
        FilmReport report = CHECK.check(plan.timed());
        assertTrue(report.isClean(), report.findings().toString());
    }

    @Test
    public void everyInsertedClearPreventsTheFindingThatItNames() {
        var plan = compiled(request(Substrate.FACTORY_SEMI_GLOSS, HOPPER));
        int clears = 0;
        for (PlanStep s : plan.steps()) {
            if (s.origin() != PlanStep.Origin.INSERTED
                    || s.act().technique().role() != Technique.Role.CLEAR) {
                continue;
            }
            clears++;
            List<Act> without = new ArrayList<>(plan.timed().acts());
            without.removeIf(a -> a.id().equals(s.act().id()));
            FilmReport report = CHECK.check(plan.timed().with(without));
            assertFalse(report.isClean(), "needless: " + s);
            boolean named =
                    report.findings().stream().anyMatch(f -> s.reason().contains(f.why()))
                            || s.reason().contains("need days");
            assertTrue(named, s.reason() + " against " + report.findings());
        }
        assertEquals(clears, plan.clears());
        assertTrue(clears > 0);
    }

    @Test
    public void aFlatFactoryPaintNeedsNoSealForPowder() {
        var plan =
                compiled(
                        request(
                                Substrate.FACTORY_FLAT,
                                List.of(effect(EffectKind.POWDER, "roof"))));
        assertEquals(techniques(plan), List.of("powder", "final-flat"));
        assertEquals(plan.clears(), 0);
    }

    @Test
    public void noEffectsGiveNoPlan() {
        assertTrue(
                compiled(
                                new PlanRequest(
                                        List.of(
                                                new Zone(
                                                        "side",
                                                        "side",
                                                        Substrate.BARE,
                                                        false,
                                                        Substrate.UNKNOWN_COLOUR)),
                                        List.of(),
                                        List.of(),
                                        List.of(),
                                        Climate.REFERENCE,
                                        0))
                        .steps()
                        .isEmpty());
    }

    @Test
    public void whatLiesOnTheModelAlreadyIsCounted() {
        Technique seal = CATALOGUE.technique("seal-matte");
        Act done =
                new Act(
                        new StepId("first"),
                        seal,
                        CATALOGUE.startingMaterial(seal),
                        seal.thickness(),
                        Set.of("side"),
                        0,
                        15,
                        true);
        var bare =
                request(Substrate.FACTORY_SEMI_GLOSS, List.of(effect(EffectKind.POWDER, "side")));
        assertEquals(compiled(bare).clears(), 1);
        var plan =
                compiled(
                        new PlanRequest(
                                bare.zones(),
                                List.of(done),
                                bare.effects(),
                                List.of(),
                                Climate.REFERENCE,
                                2000));
        assertEquals(techniques(plan), List.of("powder", "final-flat"));
        assertTrue(plan.steps().getFirst().act().atMinute() >= 2000);
    }

    @Test
    public void nobodyPlansToHideWhatIsFinished() {
        Technique wash = CATALOGUE.technique("grime-wash");
        Act done =
                new Act(
                        new StepId("first"),
                        wash,
                        CATALOGUE.startingMaterial(wash),
                        wash.thickness(),
                        Set.of("side"),
                        0,
                        15,
                        true);
        var paint = request(Substrate.PRIMED, List.of(effect(EffectKind.REPAINT, "side")));
        assertTrue(COMPILER.compile(paint) instanceof PlanOutcome.Compiled);
        PlanOutcome outcome =
                COMPILER.compile(
                        new PlanRequest(
                                paint.zones(),
                                List.of(done),
                                paint.effects(),
                                List.of(),
                                Climate.REFERENCE,
                                20_000));
        assertTrue(outcome instanceof PlanOutcome.NoPlan, outcome.toString());
        assertTrue(((PlanOutcome.NoPlan) outcome).reason().contains("hides"), outcome.toString());
        // wheels and trucks are painted before dirt falls on them
        var wheels =
                compiled(
                        request(
                                Substrate.FACTORY_FLAT,
                                List.of(
                                        effect(EffectKind.WHEEL_FACES, "side"),
                                        effect(EffectKind.DUST, "side"))));
        List<String> keys = techniques(wheels);
        assertTrue(keys.indexOf("wheels-off") < keys.indexOf("airbrush-dust"), keys.toString());
    }

    @Test
    public void pinsOverruleAgeAndCirclesAreRefused() {
        var effects = List.of(effect(EffectKind.CHIPS, "side"), effect(EffectKind.DUST, "side"));
        Pin dustFirst = new Pin(new StepId("DUST:airbrush-dust"), new StepId("CHIPS:sponge-chip"));
        List<String> keys =
                techniques(compiled(request(Substrate.FACTORY_FLAT, effects, dustFirst)));
        assertTrue(keys.indexOf("airbrush-dust") < keys.indexOf("sponge-chip"), keys.toString());
        var e =
                expectThrows(
                        InvalidInput.class,
                        () ->
                                Pins.requireNoCircle(
                                        List.of(
                                                new Pin(new StepId("a"), new StepId("b")),
                                                new Pin(new StepId("b"), new StepId("c")),
                                                new Pin(new StepId("c"), new StepId("a"))),
                                        id -> "step " + id));
        assertTrue(
                e.getMessage().contains("step a before step b before step c before step a"),
                e.getMessage());
        Pins.requireNoCircle(
                List.of(
                        new Pin(new StepId("a"), new StepId("b")),
                        new Pin(new StepId("a"), new StepId("c")),
                        new Pin(new StepId("b"), new StepId("c"))),
                StepId::value);
    }

    @Test
    public void aPinAgainstAWindowHasNoPlan() {
        var effects = List.of(effect(EffectKind.CHIPS, "side"), effect(EffectKind.DUST, "side"));
        var outcome =
                COMPILER.compile(
                        request(
                                Substrate.FACTORY_FLAT,
                                effects,
                                new Pin(
                                        new StepId("DUST:airbrush-dust"),
                                        new StepId("CHIPS:sponge-chip")),
                                new Pin(
                                        new StepId("CHIPS:sponge-chip"),
                                        new StepId("DUST:airbrush-dust"))));
        assertTrue(outcome instanceof PlanOutcome.NoPlan);
    }

    /**
     * Every order of the effects, every choice of at most two of these clears before each: the
     * cheapest of all.
     */
    private long bruteForce(PlanRequest r, List<Seals.Seal> seals) {
        long[] best = {Long.MAX_VALUE};
        List<EffectGroup> groups = new ArrayList<>();
        StepIds ids = StepIds.fresh();
        r.effects()
                .forEach(
                        e ->
                                groups.addAll(
                                        EffectGroup.of(e, r.zones(), r.schools(), CATALOGUE, ids)));
        Set<String> zones = new LinkedHashSet<>();
        groups.forEach(g -> zones.addAll(g.zones()));
        EffectGroup last =
                EffectGroup.ends(r.zones(), r.zones(), r.schools(), CATALOGUE, ids, List.of())
                        .getFirst();
        orders(r, seals, groups, last, List.of(), 0, best);
        return best[0];
    }

    private void orders(
            PlanRequest r,
            List<Seals.Seal> seals,
            List<EffectGroup> left,
            EffectGroup last,
            List<Act> acts,
            int clears,
            long[] best) {
        if (left.isEmpty()) {
            choices(
                    r,
                    seals,
                    last,
                    acts,
                    clears,
                    best,
                    (done, n) -> {
                        FilmCase c = new FilmCase(r.zones(), done, r.air());
                        if (CHECK.check(c).isClean()) {
                            best[0] = cost(done, n);
                        }
                    });
            return;
        }
        for (EffectGroup g : left) {
            if (left.stream().anyMatch(o -> o.age() < g.age() && o.sharesZoneWith(g))) {
                continue;
            }
            List<EffectGroup> rest = new ArrayList<>(left);
            rest.remove(g);
            choices(
                    r,
                    seals,
                    g,
                    acts,
                    clears,
                    best,
                    (done, n) -> orders(r, seals, rest, last, done, n, best));
        }
    }

    private interface Next {
        void go(List<Act> acts, int clears);
    }

    private void choices(
            PlanRequest r,
            List<Seals.Seal> seals,
            EffectGroup g,
            List<Act> acts,
            int clears,
            long[] best,
            Next next) {
        List<List<Seals.Seal>> all = new ArrayList<>(List.of(List.of()));
        for (Seals.Seal first : seals) {
            all.add(List.of(first));
            seals.stream().filter(Seals.Seal::usual).forEach(two -> all.add(List.of(first, two)));
        }
        for (List<Seals.Seal> before : all) {
            List<Act> out = new ArrayList<>(acts);
            int n = 0;
            for (Seals.Seal s : before) {
                place(
                        r,
                        out,
                        Act.planned(
                                new StepId(g.acts().getFirst().id() + "-" + n++),
                                s.technique(),
                                s.material(),
                                r.zones()));
            }
            g.acts().forEach(a -> place(r, out, a));
            // more steps never cost less
            if (cost(out, clears + n) < best[0]) {
                next.go(out, clears + n);
            }
        }
    }

    private static long cost(List<Act> acts, int clears) {
        return acts.stream().mapToLong(Act::endMinute).max().orElse(0) + clears * 1440L;
    }

    private static boolean isOneOf(List<Seals.Seal> seals, Act a) {
        return seals.stream()
                .anyMatch(
                        s ->
                                s.technique().equals(a.technique())
                                        && s.material().equals(a.material()));
    }

    private static void place(PlanRequest r, List<Act> acts, Act a) {
        long clock = acts.isEmpty() ? 0 : acts.getLast().endMinute();
        FilmCase c = new FilmCase(r.zones(), acts, r.air());
        acts.add(a.at(new Timing(CATALOGUE).earliest(c, a, clock)));
    }

    @Test
    public void equalsBruteForceOnOneZone() {
        Random random = new Random(31);
        for (int i = 0; i < 12; i++) {
            List<EffectKind> kinds = new ArrayList<>(SIX);
            java.util.Collections.shuffle(kinds, random);
            List<Effect> effects =
                    kinds.subList(0, 2).stream().map(k -> effect(k, "side")).toList();
            PlanRequest r = request(List.of(Substrate.values()).get(random.nextInt(4)), effects);
            var plan = compiled(r);
            long cost = plan.minutes() + plan.clears() * 1440L;
            // other clears than the usual are tried only where these do not do
            List<Seals.Seal> all = Seals.of(r.schools(), CATALOGUE);
            List<Seals.Seal> usual = all.stream().filter(s -> s.usual() || s.primer()).toList();
            boolean other =
                    plan.steps().stream()
                            .map(PlanStep::act)
                            .anyMatch(a -> Seals.isPutIn(a) && !isOneOf(usual, a));
            long cheapest = bruteForce(r, usual);
            String said = effects + " " + plan.steps();
            assertTrue(other ? cost <= cheapest : cost == cheapest, cost + ", " + said);
            assertTrue(cost >= bruteForce(r, all), cost + ", " + said);
        }
    }

    @Test
    public void randomPlansHaveNoStopsAndKeepAge() {
        Random random = new Random(77);
        List<String> zones = List.of("roof", "side", "ends", "sill");
        for (int i = 0; i < 25; i++) {
            List<Effect> effects = new ArrayList<>();
            for (EffectKind k : SIX) {
                if (random.nextInt(3) > 0) {
                    String a = zones.get(random.nextInt(4));
                    effects.add(
                            new Effect(
                                    k.name(),
                                    k,
                                    Set.of(a),
                                    1 + random.nextInt(3),
                                    Optional.empty()));
                }
            }
            if (effects.isEmpty()) {
                continue;
            }
            var plan =
                    compiled(request(List.of(Substrate.values()).get(random.nextInt(4)), effects));
            FilmReport report = CHECK.check(plan.timed());
            assertEquals(report.stops(), 0, report.findings().toString());
            assertTrue(
                    report.findings().stream()
                            .noneMatch(f -> f.severity() == Finding.Severity.WARN));
        }
    }

    @Test
    public void aHandMadeOrderIsJudgedAsItStands() {
        var plan = compiled(request(Substrate.FACTORY_SEMI_GLOSS, HOPPER));
        List<Act> turned = new ArrayList<>(plan.timed().acts());
        Act powder =
                turned.stream()
                        .filter(a -> a.technique().key().equals("powder"))
                        .findFirst()
                        .orElseThrow();
        Pin pin = new Pin(turned.getFirst().id(), powder.id());
        turned.remove(powder);
        turned.addFirst(powder);
        List<Act> untimed = turned.stream().map(a -> a.at(0)).toList();
        var judged = new PlanCheck(CATALOGUE).check(plan.timed().with(untimed), List.of(pin), 500);
        assertEquals(judged.brokenPins(), List.of(pin));
        assertTrue(judged.timed().acts().getFirst().atMinute() >= 500);
        assertTrue(
                judged.film().about(powder.id()).stream()
                        .anyMatch(f -> f.rule() == Finding.Rule.TOOTH));
    }

    @Test
    public void theZoneTableIsWhole() {
        Subjects subjects = new Subjects();
        for (SubjectKind k : SubjectKind.values()) {
            var zones = subjects.zones(k);
            assertTrue(zones.size() >= 11, k + " has " + zones.size());
            assertEquals(zones.stream().map(ZoneTemplate::key).distinct().count(), zones.size());
            zones.forEach(
                    z ->
                            z.box()
                                    .ifPresent(
                                            b ->
                                                    assertTrue(
                                                            b.x() >= 0
                                                                    && b.x() + b.width() <= 1.0001,
                                                            z.toString())));
        }
    }

    private static PlanRequest many(int effects, long seed) {
        Random random = new Random(seed);
        List<Zone> zones = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            zones.add(
                    new Zone(
                            "z" + i,
                            "zone " + i,
                            Substrate.FACTORY_SEMI_GLOSS,
                            i % 3 == 0,
                            Substrate.UNKNOWN_COLOUR));
        }
        List<EffectKind> kinds = SIX;
        List<Effect> wanted = new ArrayList<>();
        for (int i = 0; i < effects; i++) {
            Set<String> on = new LinkedHashSet<>();
            for (int k = 0; k < 4; k++) {
                on.add("z" + random.nextInt(12));
            }
            EffectKind kind = kinds.get(i % kinds.size());
            wanted.add(new Effect("e" + i, kind, on, 2, Optional.empty()));
        }
        return new PlanRequest(zones, List.of(), wanted, List.of(), Climate.REFERENCE, 0);
    }

    private static long cost(PlanOutcome.Compiled plan) {
        return plan.minutes() + plan.clears() * 1440L;
    }

    @Test
    public void eightEffectsOnTwelveZonesAreProvenAndTheBeamAloneIsNeverBetter() {
        for (int n = 3; n <= 8; n++) {
            PlanRequest r = many(n, n);
            var proven = compiled(r);
            assertTrue(proven.proven(), n + " effects");
            var beam = (PlanOutcome.Compiled) new PlanCompiler(CATALOGUE, 0).compile(r);
            assertFalse(beam.proven());
            assertEquals(CHECK.check(beam.timed()).stops(), 0);
            assertTrue(cost(beam) >= cost(proven), cost(beam) + " under " + cost(proven));
            assertTrue(cost(beam) <= cost(proven) * 1.25, cost(beam) + " far over " + cost(proven));
        }
    }

    private static Zone side(String key, double areaMm2) {
        return new Zone(
                key,
                key,
                Substrate.FACTORY_SEMI_GLOSS,
                false,
                Substrate.UNKNOWN_COLOUR,
                areaMm2,
                Face.SIDE,
                false);
    }

    private static Effect on(EffectKind kind, int strength, String... zones) {
        return new Effect(
                kind.name(), kind, new LinkedHashSet<>(List.of(zones)), strength, Optional.empty());
    }

    /** Soot would need a matte surface, but not where powder lies that holds it. */
    @Test
    public void onPowderNoClearIsLaidForMorePowder() {
        List<Zone> sides = List.of(side("near", 3435), side("far", 552));
        List<Effect> effects =
                List.of(
                        on(EffectKind.TRUCK_TONES, 1, "near", "far"),
                        on(EffectKind.DETAILS, 1, "near", "far"),
                        on(EffectKind.RUST_STREAKS, 2, "near", "far"),
                        on(EffectKind.SOOT, 2, "near"));
        Schools.Choice schools =
                Schools.Choice.START.with("streaks", "powder").with("applicator", "cans");
        var plan =
                compiled(
                        new PlanRequest(
                                sides,
                                List.of(),
                                effects,
                                List.of(),
                                new Climate(18, 0.61),
                                0,
                                schools,
                                List.of()));
        assertTrue(plan.proven());
        assertEquals(plan.clears(), 0, techniques(plan).toString());
    }

    @Test
    public void twentyEffectsGiveAPlanThatHoldsThoughNotProven() {
        PlanRequest r = many(20, 20);
        var plan = (PlanOutcome.Compiled) new PlanCompiler(CATALOGUE, 50).compile(r);
        assertFalse(plan.proven());
        assertEquals(CHECK.check(plan.timed()).stops(), 0);
        for (Effect e : r.effects()) {
            assertTrue(
                    plan.steps().stream()
                            .anyMatch(s -> s.act().madeFor().equals(new MadeFor.OfEffect(e.id()))),
                    e.id());
        }
    }
}
