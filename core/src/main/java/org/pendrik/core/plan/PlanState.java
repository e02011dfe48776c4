package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Layer;
import org.pendrik.core.film.Ledger;
import org.pendrik.core.film.Placing;

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
 * @param leastCost what a whole plan from here costs at least, in minutes and clears
 * @param stop the first stop that speaks against it, or null
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
        long leastCost,
        @Nullable Finding stop) {
    static final long STOP_WEIGHT = 1000;

    /** By what a whole plan from here costs at least; of equals the one that is further. */
    static final Comparator<PlanState> BEST_FIRST =
            Comparator.comparingLong(PlanState::weight)
                    .thenComparingLong(PlanState::leastCost)
                    .thenComparingLong(s -> -Long.bitCount(s.done()));

    /**
     * What does not change during a search.
     *
     * @param clearMinutes waiting that one clear coat is worth
     */
    record Rules(Outlook outlook, HouseRules house, long clearMinutes) {
        long cost(long done, long end, long flatFrom, int clears, Ledger lies) {
            int more = outlook.leastClears(done, lies);
            return costWith(more, done, end, flatFrom, clears);
        }

        private long costWith(int more, long done, long end, long flatFrom, int clears) {
            return outlook.leastEnd(done, end, flatFrom, more) + (clears + more) * clearMinutes;
        }
    }

    static PlanState before(FilmCase start, long fromMinute, Rules rules, Catalogue catalogue) {
        Map<String, String> stacks = new LinkedHashMap<>();
        start.zones().forEach(z -> stacks.put(z.key(), ""));
        long end = fromMinute;
        for (Act a : start.acts()) {
            end = Math.max(end, a.freeMinute());
        }
        Ledger lies = Ledger.of(start, catalogue);
        return new PlanState(
                0,
                null,
                List.of(),
                lies,
                stacks,
                0,
                0,
                end,
                end,
                rules.cost(0, end, end, 0, lies),
                null);
    }

    /**
     * A state and what speaks against its last steps.
     *
     * @param visits how often a step was put on a zone to get there
     */
    record Tried(PlanState state, List<Finding> against, int visits) {}

    /** The state after a group and the clears in front of it, each step as early as it can be. */
    Tried then(int group, EffectGroup effect, List<PlanStep> clearsBefore, Rules rules) {
        List<PlanStep> todo = new ArrayList<>(clearsBefore);
        todo.addAll(effect.steps());
        Placing placing = Placing.of(ledger, todo.stream().map(PlanStep::act).toList(), end, false);
        List<PlanStep> placed = new ArrayList<>();
        List<Finding> against = new ArrayList<>();
        Ledger lies = ledger;
        Map<String, String> grown = new LinkedHashMap<>(stacks);
        long heavier = weight;
        Finding worst = stop;
        for (int i = 0; i < todo.size(); i++) {
            PlanStep p = todo.get(i);
            Act act = placing.acts().get(i);
            int found = lies.weight(act);
            List<Finding> house = rules.house().against(act, lies);
            if (found > 0 || !house.isEmpty()) {
                List<Finding> said = new ArrayList<>(lies.against(act));
                said.addAll(house);
                for (Finding f : said) {
                    heavier +=
                            switch (f.severity()) {
                                case STOP -> STOP_WEIGHT;
                                case WARN -> 1;
                                case NOTE -> 0;
                            };
                    worst = worst == null && f.severity() == Finding.Severity.STOP ? f : worst;
                }
                against.addAll(said);
            }
            lies = lies.and(act);
            placed.add(new PlanStep(act, p.origin(), p.reason()));
            if (act.material().deposits()) {
                String coat = "/" + act.technique().key() + act.material().key() + act.thickness();
                act.zones().forEach(z -> grown.merge(z, coat, String::concat));
            }
        }
        long clock = placed.getLast().act().freeMinute();
        long firstLaid = Outlook.firstLaid(placed.get(clearsBefore.size()).act());
        long flat = Math.max(flatFrom, rules.outlook().flatFrom(group, firstLaid));
        long all = done | 1L << group;
        int laid = clears + clearsBefore.size() + effect.ownClears();
        PlanState next =
                new PlanState(
                        all,
                        this,
                        placed,
                        lies,
                        grown,
                        heavier,
                        laid,
                        clock,
                        flat,
                        Math.max(leastCost, rules.cost(all, clock, flat, laid, lies)),
                        worst);
        return new Tried(next, against, placing.visits());
    }

    /**
     * Whether a plan from here, with so many clears in front of the next group, may cost less than
     * the least that another state takes.
     */
    boolean mayBeat(PlanState other, int more, Rules rules) {
        if (weight != other.weight) {
            return weight < other.weight;
        }
        return leastCost < other.leastCost
                && rules.costWith(more, done, end, flatFrom, clears) < other.leastCost;
    }

    /** The first stop; there is one when the weight says so. */
    Finding firstStop() {
        if (stop == null) {
            throw new IllegalStateException("no stop");
        }
        return stop;
    }

    /** When every coat was laid, zone by zone from below: older is never worse for what follows. */
    long[] laidAt() {
        return stacks.keySet().stream()
                .flatMap(z -> ledger.on(z).layers().stream())
                .mapToLong(Layer::laidAt)
                .toArray();
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
