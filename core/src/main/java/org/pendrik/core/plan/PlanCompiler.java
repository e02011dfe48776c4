package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.stream.Collectors;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.Column;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.FilmReport;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Technique;
import org.pendrik.core.film.Timing;

/**
 * Finds an order for the effects and the coats that have to go between them.
 *
 * <p>Uniform-cost search (E. W. Dijkstra, "A note on two problems in connexion with graphs",
 * Numerische Mathematik 1 (1959), 269–271). A state is the set of effects done and the coats on
 * every zone; an edge is an effect with no, one or two clears in front of it. Cost in order: stops
 * and warnings, then minutes, where a clear coat counts as much as a day of waiting because it
 * takes a booth session and softens detail. States with the same effects done and the same columns
 * keep only what is not dominated in cost. Guarantee: among orders that keep age, windows and pins,
 * and insert clears right before the effect that needs them, none costs less, unless the outcome
 * says that the search was cut short.
 */
public final class PlanCompiler {
    /** A clear coat is laid when it saves this much waiting. */
    private static final long CLEAR_WORTH_MINUTES = 1440;

    private static final int MOST_STATES = 30_000;
    private static final List<String> SEALS = List.of("seal-satin", "seal-matte", "seal-gloss");

    private final Catalogue catalogue;
    private final FilmCheck check;
    private final Timing timing;

    public PlanCompiler(Catalogue catalogue) {
        this.catalogue = catalogue;
        this.check = new FilmCheck(catalogue);
        this.timing = new Timing(catalogue);
    }

    private record State(long done, List<PlanStep> steps, FilmCase laid, long weight, int clears) {
        long end() {
            return laid.acts().stream().mapToLong(Act::endMinute).max().orElse(0);
        }

        long cost() {
            return end() + clears * CLEAR_WORTH_MINUTES;
        }
    }

    /** Compiles a plan for the effects; an empty list of effects gives an empty plan. */
    public PlanOutcome compile(PlanRequest request) {
        List<EffectGroup> groups = new ArrayList<>();
        request.effects().forEach(e -> groups.add(EffectGroup.of(e, catalogue)));
        FilmCase start = new FilmCase(request.zones(), request.done(), request.air());
        if (groups.isEmpty()) {
            return new PlanOutcome.Compiled(List.of(), start, 0, 0, true);
        }
        Set<String> touched = new LinkedHashSet<>();
        groups.forEach(g -> touched.addAll(g.zones()));
        request.done().stream()
                .filter(a -> a.material().deposits())
                .forEach(a -> touched.addAll(a.zones()));
        groups.add(EffectGroup.finalFlat(touched, catalogue));
        long[] before = precedence(groups, request.pins());
        long all = (1L << groups.size()) - 1;

        PriorityQueue<State> open =
                new PriorityQueue<>(
                        Comparator.comparingLong(State::weight).thenComparingLong(State::cost));
        Map<String, List<State>> seen = new HashMap<>();
        open.add(new State(0, List.of(), start, 0, 0));
        int taken = 0;
        while (!open.isEmpty()) {
            State s = open.remove();
            if (s.done() == all) {
                return result(s, request, true);
            }
            if (++taken > MOST_STATES) {
                return result(greedily(s, groups, before, all, request), request, false);
            }
            for (State next : expand(s, groups, before, request)) {
                if (isNew(seen, next)) {
                    open.add(next);
                }
            }
        }
        return new PlanOutcome.NoPlan(
                "The pins and the age of the effects contradict each other.",
                "Take a pin out and compile again.");
    }

    private State greedily(
            State from, List<EffectGroup> groups, long[] before, long all, PlanRequest request) {
        State s = from;
        while (s.done() != all) {
            s =
                    expand(s, groups, before, request).stream()
                            .min(
                                    Comparator.comparingLong(State::weight)
                                            .thenComparingLong(State::cost))
                            .orElseThrow();
        }
        return s;
    }

    private static PlanOutcome result(State s, PlanRequest request, boolean proven) {
        return new PlanOutcome.Compiled(
                s.steps(), s.laid(), s.clears(), s.end() - request.fromMinute(), proven);
    }

    /** For each group the bits of the groups that must be done first. */
    private static long[] precedence(List<EffectGroup> groups, List<Pin> pins) {
        int n = groups.size();
        long[] before = new long[n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                EffectGroup a = groups.get(i);
                EffectGroup b = groups.get(j);
                boolean younger = a.age() < b.age() && a.sharesZoneWith(b);
                boolean pinned = false;
                boolean against = false;
                for (Pin p : pins) {
                    pinned |= has(a, p.firstId()) && has(b, p.thenId());
                    against |= has(b, p.firstId()) && has(a, p.thenId());
                }
                if (i != j && (pinned || (younger && !against))) {
                    before[j] |= 1L << i;
                }
            }
        }
        return before;
    }

    private static boolean has(EffectGroup g, String id) {
        return g.acts().stream().anyMatch(a -> a.id().equals(id));
    }

    private List<State> expand(
            State s, List<EffectGroup> groups, long[] before, PlanRequest request) {
        List<State> out = new ArrayList<>();
        for (int g = 0; g < groups.size(); g++) {
            boolean open = (s.done() & 1L << g) == 0 && (before[g] & ~s.done()) == 0;
            if (!open) {
                continue;
            }
            State bare = with(s, g, groups, List.of(), request);
            out.add(bare);
            List<State> helped = new ArrayList<>();
            for (String seal : SEALS) {
                helped.add(sealed(s, g, groups, before, bare, List.of(seal), request));
            }
            if (helped.stream().allMatch(h -> h.weight() > s.weight())
                    && bare.weight() > s.weight()) {
                for (String first : SEALS) {
                    for (String second : SEALS) {
                        helped.add(
                                sealed(
                                        s,
                                        g,
                                        groups,
                                        before,
                                        bare,
                                        List.of(first, second),
                                        request));
                    }
                }
            }
            out.addAll(helped);
        }
        return out;
    }

    private State sealed(
            State s,
            int g,
            List<EffectGroup> groups,
            long[] before,
            State bare,
            List<String> seals,
            PlanRequest request) {
        EffectGroup group = groups.get(g);
        FilmReport report = check.check(bare.laid());
        Set<String> zones = new LinkedHashSet<>();
        String why = "";
        for (Finding f : report.findings()) {
            if (has(group, f.actId()) && f.severity() != Finding.Severity.NOTE) {
                zones.addAll(f.zones());
                why = why.isEmpty() ? f.why() : why;
            }
        }
        if (zones.isEmpty()) {
            // nothing is wrong without it: only time could be saved, by keeping the carrier from
            // what is beneath
            zones.addAll(group.zones());
            why =
                    "It keeps the next carrier from coats that would otherwise need days to resist it.";
        }
        Technique last = catalogue.technique(seals.getLast());
        zones.addAll(shared(s, g, groups, before, last));
        List<PlanStep> inserted = new ArrayList<>();
        for (String seal : seals) {
            Technique t = catalogue.technique(seal);
            String id =
                    group.acts().getFirst().id() + "+" + seal + (inserted.isEmpty() ? "" : "-2");
            inserted.add(
                    new PlanStep(
                            Act.planned(id, t, catalogue.startingMaterial(t), zones),
                            PlanStep.Origin.INSERTED,
                            "For " + group.acts().getFirst().technique().name() + ": " + why));
        }
        return with(s, g, groups, inserted, request);
    }

    /** Zones where the next effect needs this clear as well, so that one coat serves both. */
    private Set<String> shared(
            State s, int g, List<EffectGroup> groups, long[] before, Technique seal) {
        double tooth =
                catalogue
                        .startingMaterial(seal)
                        .finish()
                        .map(org.pendrik.core.film.Finish::tooth)
                        .orElse(0.0);
        Map<String, Column> columns =
                check.check(s.laid()).columns().stream()
                        .collect(Collectors.toMap(c -> c.zone().key(), c -> c));
        Set<String> out = new LinkedHashSet<>();
        for (int other = 0; other < groups.size(); other++) {
            boolean next =
                    (s.done() & 1L << other) == 0 && (before[other] & ~(s.done() | 1L << g)) == 0;
            Technique t = groups.get(other).acts().getFirst().technique();
            if (other == g || !next || t.role() != Technique.Role.EFFECT) {
                continue;
            }
            for (String z : groups.get(other).zones()) {
                Column c = columns.get(z);
                if (c != null && !fits(t, c.finish().tooth()) && fits(t, tooth)) {
                    out.add(z);
                }
            }
        }
        return out;
    }

    private static boolean fits(Technique t, double tooth) {
        return tooth >= t.tooth().okMin() && tooth <= t.tooth().okMax();
    }

    private State with(
            State s,
            int g,
            List<EffectGroup> groups,
            List<PlanStep> inserted,
            PlanRequest request) {
        EffectGroup group = groups.get(g);
        List<PlanStep> added = new ArrayList<>(inserted);
        for (Act a : group.acts()) {
            boolean work = a.technique().role() == Technique.Role.WORK;
            String reason =
                    switch (a.technique().role()) {
                        case WORK -> "The coat can be worked only while its window is open.";
                        case EFFECT -> "You want " + group.name() + " here.";
                        case CLEAR ->
                                "It takes the shine off, binds what is loose and protects the whole.";
                    };
            added.add(
                    new PlanStep(
                            a, work ? PlanStep.Origin.INSERTED : PlanStep.Origin.EFFECT, reason));
        }
        List<PlanStep> steps = new ArrayList<>(s.steps());
        List<Act> acts = new ArrayList<>(s.laid().acts());
        long clock =
                Math.max(
                        request.fromMinute(),
                        acts.stream().mapToLong(Act::endMinute).max().orElse(Long.MIN_VALUE));
        for (PlanStep p : added) {
            FilmCase sofar = s.laid().with(acts);
            Act placed = p.act().at(timing.earliest(sofar, p.act(), clock));
            acts.add(placed);
            steps.add(new PlanStep(placed, p.origin(), p.reason()));
            clock = placed.endMinute();
        }
        FilmCase laid = s.laid().with(acts);
        Set<String> fresh = added.stream().map(p -> p.act().id()).collect(Collectors.toSet());
        long weight = s.weight();
        for (Finding f : check.check(laid).findings()) {
            if (fresh.contains(f.actId())) {
                weight +=
                        switch (f.severity()) {
                            case STOP -> 1000;
                            case WARN -> 1;
                            case NOTE -> 0;
                        };
            }
        }
        return new State(s.done() | 1L << g, steps, laid, weight, s.clears() + inserted.size());
    }

    private static boolean isNew(Map<String, List<State>> seen, State s) {
        StringBuilder key = new StringBuilder().append(s.done());
        Map<String, StringBuilder> columns = new HashMap<>();
        for (Act a : s.laid().acts()) {
            if (a.material().deposits()) {
                a.zones()
                        .forEach(
                                z ->
                                        columns.computeIfAbsent(z, _ -> new StringBuilder())
                                                .append(a.material().key())
                                                .append(a.thickness()));
            }
        }
        s.laid()
                .zones()
                .forEach(
                        z ->
                                key.append('|')
                                        .append(
                                                columns.getOrDefault(
                                                        z.key(), new StringBuilder())));
        List<State> others = seen.computeIfAbsent(key.toString(), _ -> new ArrayList<>());
        for (State o : others) {
            if (o.weight() <= s.weight() && o.clears() <= s.clears() && o.end() <= s.end()) {
                return false;
            }
        }
        others.add(s);
        return true;
    }
}
