package org.pendrik.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.fail;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.FilmReport;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.film.Timing;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;
import org.testng.annotations.Test;

/** The compiler against every plan there is, and against a stranger who goes through its plans. */
public class PlanOracleTest {
    private static final Catalogue CATALOGUE = Catalogue.load();
    private static final FilmCheck CHECK = new FilmCheck(CATALOGUE);
    private static final Timing TIMING = new Timing(CATALOGUE);

    private static List<Zone> zones(Random random, int count) {
        List<Zone> out = new ArrayList<>();
        Substrate all = List.of(Substrate.values()).get(random.nextInt(4));
        for (int i = 0; i < count; i++) {
            Substrate own = random.nextInt(4) == 0 ? Substrate.FACTORY_FLAT : all;
            out.add(
                    new Zone(
                            "z" + i,
                            "zone " + i,
                            own,
                            random.nextInt(3) == 0,
                            Substrate.UNKNOWN_COLOUR,
                            500 + 3000 * random.nextDouble(),
                            i == 0));
        }
        return out;
    }

    private static PlanRequest random(
            Random random, List<EffectKind> kinds, int zones, int effects, boolean schools) {
        List<Zone> subject = zones(random, zones);
        List<Effect> wanted = new ArrayList<>();
        for (int i = 0; i < effects; i++) {
            Set<String> on = new LinkedHashSet<>();
            int many = 1 + random.nextInt(Math.min(3, zones));
            while (on.size() < many) {
                on.add("z" + random.nextInt(zones));
            }
            EffectKind kind = kinds.get(random.nextInt(kinds.size()));
            wanted.add(new Effect("e" + i, kind, on, 1 + random.nextInt(3), Optional.empty()));
        }
        Schools.Choice choice = Schools.Choice.START;
        for (Schools.Question q : Schools.all()) {
            if (schools && random.nextInt(3) == 0) {
                choice =
                        choice.with(
                                q.key(), q.answers().get(random.nextInt(q.answers().size())).key());
            }
        }
        Climate air = new Climate(14 + random.nextInt(12), 0.3 + 0.4 * random.nextDouble());
        return new PlanRequest(subject, List.of(), wanted, List.of(), air, 100, choice, List.of());
    }

    private static final List<EffectKind> SMALL =
            List.of(
                    EffectKind.FADE,
                    EffectKind.JOINT_SHADE,
                    EffectKind.GRIME,
                    EffectKind.DECAL,
                    EffectKind.CHIPS,
                    EffectKind.RUST_STREAKS,
                    EffectKind.ROAD_DIRT,
                    EffectKind.PATCH,
                    EffectKind.DUST,
                    EffectKind.POWDER,
                    EffectKind.SPILL,
                    EffectKind.SALT_PITS);

    @Test
    public void nothingThatCanBeEnumeratedIsCheaper() {
        Random random = new Random(4);
        PlanCompiler compiler = new PlanCompiler(CATALOGUE, Integer.MAX_VALUE);
        PlanAudit audit = new PlanAudit(CATALOGUE);
        int made = 0;
        for (int i = 0; i < 300; i++) {
            int effects = 1 + random.nextInt(3);
            int zones = 1 + random.nextInt(effects == 3 ? 2 : 3);
            PlanRequest r = random(random, SMALL, zones, effects, false);
            PlanOutcome outcome = compiler.compile(r);
            if (outcome instanceof PlanOutcome.Compiled plan) {
                made++;
                assertTrue(plan.proven());
                assertEquals(String.join("; ", audit.faults(r, plan)), "", said(i, r));
                // where a plan warns, nothing without a warning may exist at any cost
                long toBeat = plan.warnings() == 0 ? cost(plan) : Long.MAX_VALUE;
                requireEverySealedZone(r, plan, said(i, r) + made(plan));
                new Enumeration(r, toBeat).requireNothingCheaper(said(i, r) + made(plan));
            } else {
                new Enumeration(r, Long.MAX_VALUE).requireNothingCheaper(i + ": " + outcome);
            }
        }
        assertTrue(made > 250, "only " + made + " could be made");
    }

    /** No clear does as well, and for less, on one zone less. */
    private static void requireEverySealedZone(
            PlanRequest r, PlanOutcome.Compiled plan, String what) {
        List<Act> acts = plan.timed().acts();
        for (int at = 0; at < acts.size(); at++) {
            Act clear = acts.get(at);
            if (!Seals.isPutIn(clear)) {
                continue;
            }
            for (String zone : clear.zones()) {
                List<Zone> left =
                        r.zones().stream()
                                .filter(z -> clear.zones().contains(z.key()))
                                .filter(z -> !z.key().equals(zone))
                                .toList();
                List<Act> fewer = new ArrayList<>(acts.subList(0, at));
                if (!left.isEmpty()) {
                    fewer.add(
                            Act.planned(clear.id(), clear.technique(), clear.material(), left)
                                    .madeFor(clear.madeFor()));
                }
                fewer.addAll(acts.subList(at + 1, acts.size()));
                long clock = at == 0 ? r.fromMinute() : acts.get(at - 1).endMinute();
                for (int i = at; i < fewer.size(); i++) {
                    fewer.set(i, fewer.get(i).at(clock));
                }
                FilmCase timed = TIMING.settle(new FilmCase(r.zones(), fewer, r.air()), at, false);
                FilmReport report = CHECK.check(timed);
                long weight =
                        report.findings().stream()
                                .filter(f -> f.severity() != Finding.Severity.NOTE)
                                .count();
                if (report.stops() == 0 && weight <= plan.warnings()) {
                    int clears = plan.clears() - (left.isEmpty() ? 1 : 0);
                    long cost =
                            timed.acts().getLast().endMinute()
                                    - r.fromMinute()
                                    + clears * PlanCompiler.CLEAR_WORTH_MINUTES;
                    assertTrue(
                            cost >= cost(plan),
                            what
                                    + " needs no "
                                    + clear.technique().key()
                                    + " on "
                                    + zone
                                    + ": "
                                    + cost
                                    + " instead of "
                                    + cost(plan));
                }
            }
        }
    }

    private static List<String> made(PlanOutcome.Compiled plan) {
        return plan.steps().stream()
                .map(s -> s.act())
                .map(a -> a.atMinute() + " " + a.technique().key() + a.zones())
                .toList();
    }

    private static String said(int i, PlanRequest r) {
        StringBuilder out = new StringBuilder(i + ":");
        r.effects().forEach(e -> out.append(' ').append(e.kind()).append(e.zones()));
        return out.append(' ').append(r.schools().answers()).toString();
    }

    private static long cost(PlanOutcome.Compiled plan) {
        return plan.minutes() + plan.clears() * PlanCompiler.CLEAR_WORTH_MINUTES;
    }

    /**
     * Every order that age allows, and in front of every effect none, one or two of the usual
     * clears or the primer on every choice of zones with one among them that needs it or waits; a
     * branch ends where it costs no less than the plan to beat.
     */
    private static final class Enumeration {
        private final PlanRequest request;
        private final long toBeat;
        private final List<EffectGroup> groups = new ArrayList<>();
        private final StepIds ids = StepIds.fresh();
        private final List<Set<String>> subsets = new ArrayList<>();
        private final List<Seals.Seal> seals;

        Enumeration(PlanRequest request, long toBeat) {
            this.request = request;
            this.toBeat = toBeat;
            this.seals =
                    Seals.of(request.schools(), CATALOGUE).stream()
                            .filter(x -> x.usual() || x.primer())
                            .toList();
            groups.addAll(Groups.of(request, CATALOGUE, ids));
            int n = request.zones().size();
            for (int bits = 1; bits < 1 << n; bits++) {
                Set<String> s = new LinkedHashSet<>();
                for (int z = 0; z < n; z++) {
                    if ((bits & 1 << z) != 0) {
                        s.add("z" + z);
                    }
                }
                subsets.add(s);
            }
        }

        void requireNothingCheaper(String what) {
            go(new ArrayList<>(groups), List.of(), 0, what);
        }

        private void go(List<EffectGroup> left, List<Act> acts, int clears, String what) {
            if (left.isEmpty()) {
                fail(
                        what
                                + " can be had for less than "
                                + toBeat
                                + ": "
                                + acts.stream()
                                        .map(
                                                a ->
                                                        a.atMinute()
                                                                + " "
                                                                + a.technique().key()
                                                                + a.zones())
                                        .toList());
            }
            for (EffectGroup g : left) {
                if (left.stream().anyMatch(o -> comesBefore(o, g))) {
                    continue;
                }
                List<EffectGroup> rest = new ArrayList<>(left);
                rest.remove(g);
                step(rest, g, List.of(), Set.of(), acts, clears, what);
                Set<String> needed = needed(g, acts);
                for (Set<String> on : subsets) {
                    if (on.stream().noneMatch(needed::contains)) {
                        continue;
                    }
                    for (Seals.Seal one : seals) {
                        step(rest, g, List.of(one), on, acts, clears, what);
                        for (Seals.Seal two : seals) {
                            step(rest, g, List.of(one, two), on, acts, clears, what);
                        }
                    }
                }
            }
        }

        /** The older first where they meet; two of one kind and age as they were noted. */
        private boolean comesBefore(EffectGroup o, EffectGroup g) {
            if (o.age() < g.age()) {
                return o.sharesZoneWith(g) || o.isFinalFlat();
            }
            return groups.indexOf(o) < groups.indexOf(g)
                    && o.age() == g.age()
                    && o.name().equals(g.name())
                    && o.sharesZoneWith(g);
        }

        /** Where something speaks against an effect as it is, or it would have to wait. */
        private Set<String> needed(EffectGroup g, List<Act> acts) {
            long clock = acts.isEmpty() ? request.fromMinute() : acts.getLast().endMinute();
            Set<String> out = new LinkedHashSet<>();
            List<Act> bare = new ArrayList<>(acts);
            g.acts().forEach(a -> bare.add(a.at(clock)));
            FilmCase timed =
                    TIMING.settle(
                            new FilmCase(request.zones(), bare, request.air()), acts.size(), false);
            CHECK.check(timed).findings().stream()
                    .filter(f -> f.severity() != Finding.Severity.NOTE && g.has(f.actId()))
                    .forEach(f -> out.addAll(f.zones()));
            if (!out.isEmpty()) {
                return out;
            }
            FilmCase laid = new FilmCase(request.zones(), acts, request.air());
            for (Act a : g.acts()) {
                for (String z : a.zones()) {
                    if (TIMING.earliest(laid, a.on(Set.of(z)), clock) > clock) {
                        out.add(z);
                    }
                }
            }
            return out;
        }

        private void step(
                List<EffectGroup> rest,
                EffectGroup g,
                List<Seals.Seal> before,
                Set<String> on,
                List<Act> acts,
                int clears,
                String what) {
            int all = clears + before.size() + g.ownClears();
            // what is left needs its own hands and its own clears at least
            long left = rest.stream().mapToLong(EffectGroup::minutes).sum();
            int ownLeft = rest.stream().mapToInt(EffectGroup::ownClears).sum();
            long spent = acts.isEmpty() ? 0 : acts.getLast().endMinute() - request.fromMinute();
            long clearCost = (all + ownLeft) * PlanCompiler.CLEAR_WORTH_MINUTES;
            if (spent + g.minutes() + left + clearCost >= toBeat) {
                return;
            }
            List<Act> out = new ArrayList<>(acts);
            for (Seals.Seal s : before) {
                out.add(
                        Act.planned(
                                new StepId(g.main() + "-" + out.size()),
                                s.technique(),
                                s.material(),
                                request.zones().stream()
                                        .filter(z -> on.contains(z.key()))
                                        .toList()));
            }
            out.addAll(g.acts());
            long clock = acts.isEmpty() ? request.fromMinute() : acts.getLast().endMinute();
            for (int i = acts.size(); i < out.size(); i++) {
                out.set(i, out.get(i).at(clock));
            }
            FilmCase timed =
                    TIMING.settle(
                            new FilmCase(request.zones(), out, request.air()), acts.size(), false);
            long end = timed.acts().getLast().endMinute() - request.fromMinute();
            if (end + left + clearCost < toBeat && CHECK.check(timed).isClean()) {
                go(rest, timed.acts(), all, what);
            }
        }
    }

    @Test
    public void aStrangerFindsNoFaultInRandomPlans() {
        Random random = new Random(41);
        PlanCompiler compiler = new PlanCompiler(CATALOGUE, 60, 3);
        PlanAudit audit = new PlanAudit(CATALOGUE);
        List<EffectKind> kinds = new ArrayList<>(List.of(EffectKind.values()));
        kinds.remove(EffectKind.STRIPPED_LETTERING);
        kinds.remove(EffectKind.RENEWED_PANEL);
        int made = 0;
        for (int i = 0; i < 2000; i++) {
            PlanRequest r =
                    random(random, kinds, 2 + random.nextInt(8), 1 + random.nextInt(7), true);
            if (compiler.compile(r) instanceof PlanOutcome.Compiled plan) {
                made++;
                assertEquals(String.join("; ", audit.faults(r, plan)), "", said(i, r));
            }
        }
        assertTrue(made > 1500, "only " + made + " could be made");
    }
}
