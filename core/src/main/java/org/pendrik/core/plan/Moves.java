package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Column;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.MadeFor;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.film.Zone;

/** What can come next in a plan: a group whose turn it is, bare or behind one or two clears. */
final class Moves {
    /** Up to so many zones every choice among them is tried. */
    private static final int FEW_ZONES = 3;

    /**
     * Most ways on put a step on a zone less often than this. One that places its steps again and
     * again to meet a window costs more, and counts as several.
     */
    private static final int VISITS_OF_A_TRY = 20;

    private final List<EffectGroup> groups;
    private final Precedence precedence;
    private final PlanState.Rules rules;
    private final List<Seals.Seal> seals;
    private final List<Zone> zones;
    private final StepIds ids;
    private final Map<Integer, Map<String, Long>> waits = new HashMap<>();
    private @Nullable PlanState asked;
    private long tried;
    private long visits;

    Moves(
            List<EffectGroup> groups,
            Precedence precedence,
            PlanState.Rules rules,
            List<Seals.Seal> seals,
            List<Zone> zones,
            StepIds ids) {
        this.groups = groups;
        this.precedence = precedence;
        this.rules = rules;
        this.seals = seals;
        this.zones = zones;
        this.ids = ids;
    }

    boolean isWhole(PlanState s) {
        return s.done() == (1L << groups.size()) - 1;
    }

    /** How many ways on were looked at so far, the costly ones counted several times. */
    long tried() {
        return tried;
    }

    /**
     * All states one group further, without those whose clears alone cost more than another state.
     *
     * @param toBeat that state, or null
     */
    List<PlanState> from(PlanState s, @Nullable PlanState toBeat) {
        int clears = 2;
        while (toBeat != null && clears >= 0 && !s.mayBeat(toBeat, clears, rules)) {
            clears--;
        }
        List<PlanState> out = new ArrayList<>();
        if (clears < 0) {
            return out;
        }
        visits = 0;
        for (int g = 0; g < groups.size(); g++) {
            if (precedence.admits(g, s.done())) {
                of(s, g, clears, out);
            }
        }
        tried += Math.max(out.size(), visits / VISITS_OF_A_TRY);
        return out;
    }

    private PlanState.Tried then(PlanState s, int g, List<PlanStep> clears) {
        PlanState.Tried next = s.then(g, groups.get(g), clears, rules);
        visits += next.visits();
        return next;
    }

    private void of(PlanState s, int g, int mostClears, List<PlanState> out) {
        PlanState.Tried bare = then(s, g, List.of());
        out.add(bare.state());
        boolean clean = bare.state().weight() == s.weight();
        if (mostClears == 0 || !sealable(groups.get(g))) {
            return;
        }
        Map<String, Long> waiting = waitingOf(s, g);
        if (isBare(s, groups.get(g))) {
            primed(s, g, out);
        }
        if (clean && waiting.isEmpty()) {
            // nothing speaks against it and nothing is waited for: no clear can help here
            return;
        }
        for (Seals.Seal seal : seals) {
            if (seal.usual()) {
                clean |= sealed(s, g, bare, waiting, List.of(seal), out);
            }
        }
        boolean bareGround = bare.against().stream().anyMatch(f -> f.rule() == Finding.Rule.NO_KEY);
        if (!clean) {
            for (Seals.Seal seal : seals) {
                if (!seal.usual() && (bareGround || !seal.primer())) {
                    clean |= sealed(s, g, bare, waiting, List.of(seal), out);
                }
            }
        }
        if (!clean && mostClears > 1) {
            for (Seals.Seal first : seals) {
                if (first.primer() && !isBare(s, groups.get(g))) {
                    continue;
                }
                for (Seals.Seal second : seals) {
                    if (second.usual()) {
                        sealed(s, g, bare, waiting, List.of(first, second), out);
                    }
                }
            }
        }
    }

    /** A bare surface may be primed before anything else, whoever needs it. */
    private void primed(PlanState s, int g, List<PlanState> out) {
        EffectGroup group = groups.get(g);
        Set<String> on = new LinkedHashSet<>();
        for (String z : group.zones()) {
            if (isBare(s.ledger().on(z))) {
                on.add(z);
            }
        }
        Set<String> all = new LinkedHashSet<>(on);
        zones.stream().map(Zone::key).filter(z -> isBare(s.ledger().on(z))).forEach(all::add);
        String why = "Nothing that is laid over it has a hold on a bare surface.";
        for (Seals.Seal seal : seals) {
            for (Set<String> where :
                    seal.primer() ? new LinkedHashSet<>(List.of(on, all)) : Set.<Set<String>>of()) {
                PlanStep step = insert(group, seal, where, why, ids.copy());
                out.add(then(s, g, List.of(step)).state());
            }
        }
    }

    private static boolean isBare(Column c) {
        return c.zone().substrate().needsPrimer() && !c.isCovered();
    }

    /** Zones with powder that the clears would blow away. */
    private static Set<String> blown(PlanState.Tried tried, List<PlanStep> clears) {
        Set<String> out = new LinkedHashSet<>();
        for (Finding f : tried.against()) {
            boolean ofClear = clears.stream().anyMatch(c -> c.act().id().equals(f.actId()));
            if (ofClear && f.rule() == Finding.Rule.LOOSE) {
                out.addAll(f.zones());
            }
        }
        return out;
    }

    /** Whether something of a group would be the first to close a bare surface. */
    private static boolean isBare(PlanState s, EffectGroup group) {
        return group.zones().stream().anyMatch(z -> isBare(s.ledger().on(z)));
    }

    private static double tooth(Seals.Seal seal) {
        return seal.material().finish().map(Finish::tooth).orElse(0.0);
    }

    /** Nobody lays a clear to put a model together or to pack it. */
    private static boolean sealable(EffectGroup group) {
        return group.age() < EffectGroup.AGE_OF_HANDING_OVER
                || group.acts().getFirst().technique().role() != Technique.Role.HANDLING;
    }

    /** Adds the states behind some clears, one for each choice of zones; whether one is clean. */
    private boolean sealed(
            PlanState s,
            int g,
            PlanState.Tried bare,
            Map<String, Long> waiting,
            List<Seals.Seal> chosen,
            List<PlanState> out) {
        EffectGroup group = groups.get(g);
        Set<String> found = new LinkedHashSet<>();
        String why = "";
        for (Finding f : bare.against()) {
            if (f.severity() != Finding.Severity.NOTE) {
                found.addAll(f.zones());
                why = why.isEmpty() ? f.why() : why;
            }
        }
        if (found.isEmpty()) {
            // nothing is wrong without it: only time could be saved, by keeping the carrier from
            // what is beneath
            why =
                    "It keeps the next carrier from coats that would otherwise need days to resist it.";
        }
        String reason = why;
        double tooth = tooth(chosen.getLast());
        Set<String> next = shared(s, g, tooth, false);
        Set<String> later = shared(s, g, tooth, true);
        Set<Set<String>> choices = new LinkedHashSet<>();
        for (Set<String> needed : needed(found, waiting)) {
            choices.add(needed);
            choices.add(with(needed, next));
            choices.add(with(needed, later));
        }
        // while something is waited for anyway, a clear can be laid that only others need
        choices.add(next);
        choices.add(later);
        choices.remove(Set.<String>of());
        boolean clean = false;
        for (Set<String> on : choices) {
            List<PlanStep> inserted = new ArrayList<>();
            // each way on names its clears anew: only one of them comes true
            StepIds free = ids.copy();
            for (Seals.Seal seal : chosen) {
                inserted.add(insert(group, seal, on, why, free));
            }
            PlanState.Tried tried = then(s, g, inserted);
            clean |= tried.state().weight() == s.weight();
            out.add(tried.state());
            Set<String> blown = blown(tried, inserted);
            if (!on.containsAll(blown)) {
                // what its air would blow away it can bind as well
                StepIds others = ids.copy();
                List<PlanStep> wider =
                        chosen.stream()
                                .map(x -> insert(group, x, with(on, blown), reason, others))
                                .toList();
                PlanState bound = then(s, g, wider).state();
                clean |= bound.weight() == s.weight();
                out.add(bound);
            }
        }
        return clean;
    }

    /** As {@link #waiting}, kept for the state at hand. */
    @SuppressWarnings("ReferenceEquality") // the very state, not one like it
    private Map<String, Long> waitingOf(PlanState s, int group) {
        if (asked != s) {
            asked = s;
            waits.clear();
        }
        return waits.computeIfAbsent(group, g -> waiting(s, groups.get(g)));
    }

    /**
     * For zones on which some act of a group would have to wait for what lies there, until when;
     * and those on which its first coat would run into an open one, which then dries longer.
     */
    private static Map<String, Long> waiting(PlanState s, EffectGroup group) {
        Map<String, Long> out = new LinkedHashMap<>();
        for (Act a : group.acts()) {
            for (String z : a.zones()) {
                long ready = s.ledger().earliest(a.on(Set.of(z)), s.end());
                if (ready > s.end()) {
                    out.merge(z, ready, Math::max);
                }
            }
        }
        Act first = group.acts().getFirst();
        for (String z : first.zones()) {
            if (s.ledger().runsInto(first, z, s.end())) {
                out.merge(z, s.end() + 1, Math::max);
            }
        }
        return out;
    }

    /**
     * The zones that a clear could be needed on: those with something against it, alone and with
     * any of those that would have to wait; of many, with those that would have to wait longest.
     */
    private static List<Set<String>> needed(Set<String> found, Map<String, Long> waiting) {
        List<Set<String>> out = new ArrayList<>();
        if (!found.isEmpty()) {
            out.add(found);
        }
        if (waiting.size() <= FEW_ZONES) {
            subsets(List.copyOf(waiting.keySet())).forEach(s -> out.add(with(found, s)));
            return out;
        }
        waiting.values().stream()
                .distinct()
                .sorted(Comparator.reverseOrder())
                .forEach(
                        from -> {
                            Set<String> zones = new LinkedHashSet<>(found);
                            waiting.forEach(
                                    (z, ready) -> {
                                        if (ready >= from) {
                                            zones.add(z);
                                        }
                                    });
                            out.add(zones);
                        });
        return out;
    }

    private static List<Set<String>> subsets(List<String> zones) {
        List<Set<String>> out = new ArrayList<>();
        for (int bits = 1; bits < 1 << zones.size(); bits++) {
            Set<String> some = new LinkedHashSet<>();
            for (int z = 0; z < zones.size(); z++) {
                if ((bits & 1 << z) != 0) {
                    some.add(zones.get(z));
                }
            }
            out.add(some);
        }
        return out;
    }

    private PlanStep insert(
            EffectGroup group, Seals.Seal seal, Set<String> on, String why, StepIds free) {
        Act first = group.acts().getFirst();
        List<Zone> where = zones.stream().filter(z -> on.contains(z.key())).toList();
        return new PlanStep(
                Act.planned(
                                free.ofStep(first.id(), seal.technique()),
                                seal.technique(),
                                seal.material(),
                                where)
                        .madeFor(new MadeFor.OfStep(first.id())),
                PlanStep.Origin.INSERTED,
                "For " + first.technique().name() + ": " + why);
    }

    private static Set<String> with(Set<String> a, Set<String> b) {
        Set<String> out = new LinkedHashSet<>(a);
        out.addAll(b);
        return out;
    }

    /**
     * Zones where another effect needs this clear as well, for its finish or against waiting, so
     * that one coat serves both.
     *
     * @param later counts effects whose turn has not come yet, where nothing before them minds
     */
    private Set<String> shared(PlanState s, int g, double tooth, boolean later) {
        Set<String> out = new LinkedHashSet<>();
        for (int other = 0; other < groups.size(); other++) {
            Act a = groups.get(other).acts().getFirst();
            Technique t = a.technique();
            boolean done = (s.done() & 1L << other) != 0;
            boolean next = precedence.admits(other, s.done() | 1L << g);
            if (other == g || done || !(next || later) || t.role() != Technique.Role.EFFECT) {
                continue;
            }
            for (String z : groups.get(other).zones()) {
                Column c = s.ledger().on(z);
                boolean needs =
                        !t.tooth().isTolerable(c.tooth()) || waitingOf(s, other).containsKey(z);
                if (needs && t.tooth().isTolerable(tooth) && nobodyMinds(s, g, other, z, tooth)) {
                    out.add(z);
                }
            }
        }
        return out;
    }

    private static boolean isBad(Act act, double tooth) {
        return act.onTooth(tooth).filter(x -> x != Finding.Severity.NOTE).isPresent();
    }

    /** Whether everything on a zone that comes before an effect takes this tooth too. */
    private boolean nobodyMinds(PlanState s, int g, int effect, String zone, double tooth) {
        for (int other = 0; other < groups.size(); other++) {
            EffectGroup o = groups.get(other);
            boolean between =
                    other != g
                            && other != effect
                            && (s.done() & 1L << other) == 0
                            && o.zones().contains(zone)
                            && (precedence.allBefore(effect) & 1L << other) != 0;
            if (between && isBad(o.acts().getFirst(), tooth)) {
                return false;
            }
        }
        return true;
    }
}
