package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.PriorityQueue;
import java.util.Set;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.FilmCase;

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
    /** Enough to prove nine effects on twelve zones, and tried in about half a second. */
    private static final int MOST_TRIES = 10_000;

    private static final int BEAM = 12;

    private final Catalogue catalogue;
    private final int mostTries;

    /** A compiler that gives up proving after about half a second. */
    public PlanCompiler(Catalogue catalogue) {
        this(catalogue, MOST_TRIES);
    }

    /**
     * A compiler that gives up proving after trying this many steps on from a state.
     *
     * @param mostTries not negative; 0 takes the plan of the beam as it is
     */
    public PlanCompiler(Catalogue catalogue, int mostTries) {
        this.catalogue = catalogue;
        this.mostTries = mostTries;
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
        Precedence precedence = Precedence.of(groups, request.pins());
        if (!precedence.holds()) {
            return new PlanOutcome.NoPlan(
                    "The pins and the age of the effects contradict each other.",
                    "Take a pin out and compile again.");
        }
        Outlook outlook = new Outlook(groups, request.air());
        Moves moves = new Moves(groups, precedence, outlook, catalogue);
        PlanState first = PlanState.before(start, request.fromMinute(), outlook, catalogue);
        PlanState incumbent = beam(first, moves);
        PriorityQueue<PlanState> open = new PriorityQueue<>(PlanState.BEST_FIRST);
        Frontier seen = new Frontier();
        open.add(first);
        while (!open.isEmpty()) {
            PlanState s = open.remove();
            if (PlanState.BEST_FIRST.compare(s, incumbent) >= 0) {
                break;
            }
            if (moves.tried() >= mostTries) {
                return result(incumbent, start, request, false);
            }
            for (PlanState next : moves.from(s)) {
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
        return result(incumbent, start, request, true);
    }

    /** The best whole plan that comes of keeping a few states for each number of effects done. */
    private static PlanState beam(PlanState first, Moves moves) {
        List<PlanState> level = List.of(first);
        while (!moves.isWhole(level.getFirst())) {
            Frontier seen = new Frontier();
            List<PlanState> next = new ArrayList<>();
            for (PlanState s : level) {
                for (PlanState n : moves.from(s)) {
                    if (seen.admits(n)) {
                        next.add(n);
                    }
                }
            }
            next.sort(PlanState.BEST_FIRST);
            level = next.subList(0, Math.min(BEAM, next.size()));
        }
        return level.getFirst();
    }

    private static PlanOutcome result(
            PlanState s, FilmCase start, PlanRequest request, boolean proven) {
        List<Act> acts = new ArrayList<>(start.acts());
        s.steps().forEach(p -> acts.add(p.act()));
        return new PlanOutcome.Compiled(
                s.steps(), start.with(acts), s.clears(), s.end() - request.fromMinute(), proven);
    }
}
