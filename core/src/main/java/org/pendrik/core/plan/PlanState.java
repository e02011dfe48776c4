package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Ledger;

/**
 * Part of a plan: some groups done, the rest to come.
 *
 * @param done bits of the groups done
 * @param from the state before the last group, or null
 * @param added the steps that the last group took
 * @param ledger what lies on the subject
 * @param stacks for each zone the coats on it, as text to compare by
 * @param weight of stops and warnings so far
 * @param clears inserted so far
 * @param end the minute in which the last step ends
 * @param flatFrom when the coats so far let the final flat begin
 * @param leastEnd when a whole plan from here can end at the earliest
 */
record PlanState(
        long done,
        @Nullable PlanState from,
        List<PlanStep> added,
        Ledger ledger,
        Map<String, String> stacks,
        long weight,
        int clears,
        long end,
        long flatFrom,
        long leastEnd) {
    /** A clear coat is laid when it saves this much waiting. */
    private static final long CLEAR_WORTH_MINUTES = 1440;

    private static final long STOP_WEIGHT = 1000;

    /** By what a whole plan from here costs at least; of equals the one that is further. */
    static final Comparator<PlanState> BEST_FIRST =
            Comparator.comparingLong(PlanState::weight)
                    .thenComparingLong(PlanState::leastCost)
                    .thenComparingLong(s -> -Long.bitCount(s.done()));

    static PlanState before(FilmCase start, long fromMinute, Outlook outlook, Catalogue catalogue) {
        Map<String, String> stacks = new LinkedHashMap<>();
        start.zones().forEach(z -> stacks.put(z.key(), ""));
        long end = fromMinute;
        for (Act a : start.acts()) {
            end = Math.max(end, a.endMinute());
        }
        return new PlanState(
                0,
                null,
                List.of(),
                Ledger.of(start, catalogue),
                stacks,
                0,
                0,
                end,
                end,
                outlook.leastEnd(0, end, end));
    }

    private long leastCost() {
        return leastEnd + clears * CLEAR_WORTH_MINUTES;
    }

    /** A state and what speaks against its last steps. */
    record Tried(PlanState state, List<Finding> against) {}

    /** The state after a group and the clears in front of it, each step as early as it can be. */
    Tried then(int group, EffectGroup effect, List<PlanStep> clearsBefore, Outlook outlook) {
        List<PlanStep> todo = new ArrayList<>(clearsBefore);
        todo.addAll(effect.steps());
        List<PlanStep> placed = new ArrayList<>();
        List<Finding> against = new ArrayList<>();
        Ledger lies = ledger;
        Map<String, String> grown = new LinkedHashMap<>(stacks);
        long clock = end;
        long heavier = weight;
        for (PlanStep p : todo) {
            Act act = p.act().at(lies.earliest(p.act(), clock));
            for (Finding f : lies.against(act)) {
                against.add(f);
                heavier +=
                        switch (f.severity()) {
                            case STOP -> STOP_WEIGHT;
                            case WARN -> 1;
                            case NOTE -> 0;
                        };
            }
            lies = lies.and(act);
            placed.add(new PlanStep(act, p.origin(), p.reason()));
            clock = act.endMinute();
            if (act.material().deposits()) {
                String coat = act.material().key() + act.thickness();
                act.zones().forEach(z -> grown.merge(z, coat, String::concat));
            }
        }
        long coatEnds = placed.get(clearsBefore.size()).act().endMinute();
        long flat = Math.max(flatFrom, outlook.flatFrom(group, coatEnds));
        long all = done | 1L << group;
        PlanState next =
                new PlanState(
                        all,
                        this,
                        placed,
                        lies,
                        grown,
                        heavier,
                        clears + clearsBefore.size(),
                        clock,
                        flat,
                        Math.max(leastEnd, outlook.leastEnd(all, clock, flat)));
        return new Tried(next, against);
    }

    /** All steps so far, in order. */
    List<PlanStep> steps() {
        List<PlanStep> out = new ArrayList<>();
        for (PlanState s = this; s != null; s = s.from()) {
            out.addAll(s.added().reversed());
        }
        Collections.reverse(out);
        return out;
    }
}
