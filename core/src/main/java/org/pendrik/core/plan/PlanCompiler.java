package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Ledger;
import org.pendrik.core.film.Placing;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.units.InvalidInput;

/**
 * Finds an order for the effects and the coats that have to go between them.
 *
 * <p>A* (P. E. Hart, N. J. Nilsson, B. Raphael, "A formal basis for the heuristic determination of
 * minimum cost paths", IEEE Transactions on Systems Science and Cybernetics 4 (1968), 100–107). A
 * state is the set of effects done and the coats on every zone; an edge is an effect with no, one
 * or two clears in front of it. Cost in order: stops and warnings, then minutes, where a clear coat
 * counts as much as a day of waiting because it takes a booth session and softens detail. What is
 * still to do takes at least what {@link Outlook} says. States with the same effects done and the
 * same columns keep only what is not dominated in cost. A beam search (B. T. Lowerre, "The HARPY
 * speech recognition system", PhD thesis, Carnegie Mellon University 1976) gives a first plan;
 * whatever cannot beat it is not looked at.
 *
 * <p>Guarantee: among orders that keep age, windows and pins, and insert clears right before the
 * effect that needs them, none costs less, unless the outcome says that the search was cut short:
 * then it is the best of the beam.
 */
public final class PlanCompiler {
    /** Enough to prove eight effects on twelve zones, and tried in less than half a second. */
    private static final int MOST_TRIES = 8_000;

    /**
     * Each state of a long plan has more ways on and takes longer, and where pins or steps of the
     * user's own stand, the bound on clears is off: both are rarely proven anyway.
     */
    private static final int MOST_TRIES_OF_A_LONG_PLAN = 2_500;

    private static final int LONG_FROM_GROUPS = 12;

    private static final int BEAM = 12;
    private static final int NARROWEST_BEAM = 4;
    private static final int WAYS_KEPT = 72;

    /** A clear coat is laid when it saves this much waiting: a day. */
    static final long CLEAR_WORTH_MINUTES = 1440;

    /** Who would rather wait than lay a clear waits a year before one is laid. */
    private static final long CLEAR_WORTH_TO_THE_PATIENT = 365L * 1440;

    /** As many as there are bits for. */
    static final int MOST_GROUPS = 60;

    private final Catalogue catalogue;
    private final int mostTries;
    private final int mostTriesOfALongPlan;
    private final int beam;

    /** A compiler that gives up proving after about half a second. */
    public PlanCompiler(Catalogue catalogue) {
        this(catalogue, MOST_TRIES, MOST_TRIES_OF_A_LONG_PLAN, BEAM);
    }

    /**
     * A compiler that gives up proving after trying this many steps on from a state.
     *
     * @param mostTries not negative; 0 takes the plan of the beam as it is
     */
    public PlanCompiler(Catalogue catalogue, int mostTries) {
        this(catalogue, mostTries, mostTries, BEAM);
    }

    /**
     * A compiler that also keeps fewer or more states on the way to its first plan.
     *
     * @param beam at least 1
     */
    PlanCompiler(Catalogue catalogue, int mostTries, int beam) {
        this(catalogue, mostTries, mostTries, beam);
    }

    private PlanCompiler(Catalogue catalogue, int mostTries, int mostTriesOfALongPlan, int beam) {
        this.catalogue = catalogue;
        this.mostTries = mostTries;
        this.mostTriesOfALongPlan = mostTriesOfALongPlan;
        this.beam = beam;
    }

    /**
     * Compiles a plan for the effects; without effects and steps of the user's own it is empty.
     *
     * @throws org.pendrik.core.units.InvalidInput when there are more than {@value #MOST_GROUPS}
     *     effects and steps of the user's own
     */
    public PlanOutcome compile(PlanRequest request) {
        FilmCase start = new FilmCase(request.zones(), request.done(), request.air());
        StepIds ids = Groups.ids(request);
        List<EffectGroup> groups;
        try {
            groups = Groups.of(request, catalogue, ids);
        } catch (InvalidInput asked) {
            // nothing that is asked for is replaced by something else
            return new PlanOutcome.NoPlan(
                    asked.field() + ": " + asked.value() + " " + asked.rule() + ".",
                    asked.remedy());
        }
        if (groups.isEmpty()) {
            return new PlanOutcome.Compiled(List.of(), start, 0, 0, 0, true, 0);
        }
        if (groups.size() > MOST_GROUPS) {
            throw new InvalidInput(
                    "Effects",
                    groups.size() + " with the steps of your own",
                    "must be at most " + MOST_GROUPS,
                    "Join effects of one kind, or plan a part of the subject first.");
        }
        Precedence precedence =
                Precedence.of(groups, request.pins(), request.standing(), request.schools());
        if (precedence.contradiction().isPresent()) {
            return new PlanOutcome.NoPlan(
                    precedence.contradiction().get(), "Take a pin out and compile again.");
        }
        List<Seals.Seal> seals = Seals.of(request.schools(), catalogue);
        PlanState.Rules rules = rules(request, groups, precedence, seals);
        Moves moves = new Moves(groups, precedence, rules, seals, request.zones(), ids);
        PlanState first = PlanState.before(start, request.fromMinute(), rules, catalogue);
        int most =
                groups.size() < LONG_FROM_GROUPS
                                && request.pins().isEmpty()
                                && request.own().isEmpty()
                        ? mostTries
                        : Math.min(mostTries, mostTriesOfALongPlan);
        PlanState incumbent = beam(first, moves, groups.size());
        PriorityQueue<PlanState> open = new PriorityQueue<>(PlanState.BEST_FIRST);
        Frontier seen = new Frontier();
        open.add(first);
        while (!open.isEmpty()) {
            PlanState s = open.remove();
            if (PlanState.BEST_FIRST.compare(s, incumbent) >= 0) {
                break;
            }
            if (moves.tried() >= most) {
                return result(incumbent, start, request, s);
            }
            for (PlanState next : moves.from(s, incumbent)) {
                boolean better = PlanState.BEST_FIRST.compare(next, incumbent) < 0;
                if (better && seen.admits(next)) {
                    if (moves.isWhole(next)) {
                        incumbent = next;
                    } else {
                        open.add(next);
                    }
                }
            }
        }
        return result(incumbent, start, request, null);
    }

    private PlanState.Rules rules(
            PlanRequest request,
            List<EffectGroup> groups,
            Precedence precedence,
            List<Seals.Seal> seals) {
        int flat = -1;
        for (int g = 0; g < groups.size(); g++) {
            if (groups.get(g).isFinalFlat()) {
                flat = g;
            }
        }
        long sealMinutes =
                seals.stream().mapToLong(s -> s.technique().minutes(1, 0)).min().orElse(0);
        Outlook outlook =
                new Outlook(
                        groups,
                        precedence,
                        flat,
                        sealMinutes,
                        !request.pins().isEmpty() || !request.own().isEmpty(),
                        request.air());
        boolean patient =
                request.schools().of(SchoolAnswer.Patience.class) == SchoolAnswer.Patience.WAIT;
        return new PlanState.Rules(
                outlook,
                HouseRules.of(request.schools()),
                patient ? CLEAR_WORTH_TO_THE_PATIENT : CLEAR_WORTH_MINUTES);
    }

    /** The best whole plan that comes of keeping a few states for each number of effects done. */
    private PlanState beam(PlanState first, Moves moves, int groups) {
        // each state of a long plan has more ways on: fewer of them keep the time
        int width = Math.min(beam, Math.max(NARROWEST_BEAM, WAYS_KEPT / groups));
        List<PlanState> level = List.of(first);
        while (!moves.isWhole(level.getFirst())) {
            Frontier seen = new Frontier();
            List<PlanState> next = new ArrayList<>();
            for (PlanState s : level) {
                // what costs more than the worst of a full level would not be kept
                PlanState worst = next.size() == width ? next.getLast() : null;
                for (PlanState n : moves.from(s, worst)) {
                    if (seen.admits(n)) {
                        next.add(n);
                    }
                }
                next.sort(PlanState.BEST_FIRST);
                next = new ArrayList<>(next.subList(0, Math.min(width, next.size())));
            }
            level = next;
        }
        return level.getFirst();
    }

    /**
     * The outcome.
     *
     * @param open the best of what was not looked at any more; null when all was
     */
    private PlanOutcome result(
            PlanState s,
            FilmCase start,
            PlanRequest request,
            @org.jspecify.annotations.Nullable PlanState open) {
        boolean proven = open == null;
        if (s.weight() >= PlanState.STOP_WEIGHT) {
            return refused(s);
        }
        List<Act> acts = new ArrayList<>(start.acts());
        s.steps().forEach(p -> acts.add(p.act()));
        PlanOutcome.Compiled found =
                new PlanOutcome.Compiled(
                        s.steps(),
                        start.with(acts),
                        s.clears(),
                        s.end() - request.fromMinute(),
                        s.weight(),
                        proven,
                        open == null ? 0 : Math.max(0, s.leastCost() - open.leastCost()));
        return withOverspray(proven ? found : polished(found, start, request));
    }

    /** What settles on glass that nobody covers is seen on the whole only. */
    private PlanOutcome.Compiled withOverspray(PlanOutcome.Compiled plan) {
        long on =
                new FilmCheck(catalogue)
                        .check(plan.timed()).findings().stream()
                                .filter(f -> f.rule() == Finding.Rule.OVERSPRAY)
                                .filter(f -> f.severity() == Finding.Severity.WARN)
                                .filter(
                                        f ->
                                                plan.steps().stream()
                                                        .anyMatch(
                                                                s ->
                                                                        s.act()
                                                                                .id()
                                                                                .equals(f.actId())))
                                .count();
        return on == 0
                ? plan
                : new PlanOutcome.Compiled(
                        plan.steps(),
                        plan.timed(),
                        plan.clears(),
                        plan.minutes(),
                        plan.warnings() + on,
                        plan.proven(),
                        plan.gapMinutes());
    }

    /** A plan that was not searched to the end, without the clears that it can do without. */
    private PlanOutcome.Compiled polished(
            PlanOutcome.Compiled plan, FilmCase start, PlanRequest request) {
        PlanOutcome.Compiled best = plan;
        for (PlanStep s : plan.steps()) {
            if (s.origin() == PlanStep.Origin.INSERTED && Seals.isPutIn(s.act())) {
                best = without(s, best, start, request).orElse(best);
            }
        }
        return best;
    }

    private Optional<PlanOutcome.Compiled> without(
            PlanStep clear, PlanOutcome.Compiled plan, FilmCase start, PlanRequest request) {
        List<PlanStep> steps = new ArrayList<>(plan.steps());
        if (!steps.removeIf(s -> s.act().id().equals(clear.act().id()))) {
            return Optional.empty();
        }
        HouseRules house = HouseRules.of(request.schools());
        Ledger lies = Ledger.of(start, catalogue);
        long clock = request.fromMinute();
        for (Act a : start.acts()) {
            clock = Math.max(clock, a.freeMinute());
        }
        List<Act> untimed = steps.stream().map(PlanStep::act).toList();
        List<Act> placed = Placing.of(lies, untimed, clock, false).acts();
        long warnings = 0;
        List<PlanStep> out = new ArrayList<>();
        for (int i = 0; i < placed.size(); i++) {
            Act a = placed.get(i);
            for (Finding f : lies.against(a)) {
                if (f.severity() == Finding.Severity.STOP) {
                    return Optional.empty();
                }
                warnings += f.severity() == Finding.Severity.WARN ? 1 : 0;
            }
            if (!house.against(a, lies).isEmpty()) {
                return Optional.empty();
            }
            lies = lies.and(a);
            out.add(new PlanStep(a, steps.get(i).origin(), steps.get(i).reason()));
        }
        long minutes = placed.getLast().freeMinute() - request.fromMinute();
        long worth =
                request.schools().of(SchoolAnswer.Patience.class) == SchoolAnswer.Patience.WAIT
                        ? CLEAR_WORTH_TO_THE_PATIENT
                        : CLEAR_WORTH_MINUTES;
        if (warnings > plan.warnings() || minutes > plan.minutes() + worth) {
            return Optional.empty();
        }
        List<Act> all = new ArrayList<>(start.acts());
        all.addAll(placed);
        return Optional.of(
                new PlanOutcome.Compiled(
                        out,
                        start.with(all),
                        plan.clears() - 1,
                        minutes,
                        warnings,
                        false,
                        Math.max(0, plan.gapMinutes() - worth - plan.minutes() + minutes)));
    }

    /** The first thing that nothing helped against. */
    private static PlanOutcome refused(PlanState s) {
        Finding stop = s.firstStop();
        return new PlanOutcome.NoPlan(
                stop.why(),
                stop.rule() == Finding.Rule.SCHOOL
                        ? "Choose another answer on the school sheet."
                        : "Choose another way on the school sheet, leave that effect out, or wait until what lies there has cured.");
    }
}
