package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Acts placed one after the other as early as the coats allow.
 *
 * <p>An act that has to work a coat inside its window, and is kept from it by older coats for
 * longer than the window lasts, holds the coat back: the coat is laid as much later as is missing,
 * and everything from there on is placed again. Waiting only makes older coats harder, so what was
 * missing is missing no more. Where laying and working all zones in one go takes longer than the
 * window, the two go in the fewest rounds.
 *
 * @param acts in their order, with their times
 * @param after what lies when all are done
 * @param visits how often an act was put on a zone until all stood, what was put there anew counted
 *     again: what the placing cost
 */
public record Placing(List<Act> acts, Ledger after, int visits) {
    /** A window that cannot be met however often its coat is held back is left to the check. */
    private static final int MOST_TRIES = 24;

    /**
     * A fresher coat lets more through than the one just tried, so what is missing is more than it
     * seemed; strides that grow get there in a few tries and overshoot by minutes.
     */
    private static final long STRIDE_MINUTES = 3;

    public Placing {
        acts = List.copyOf(acts);
    }

    /**
     * Places acts on top of what lies.
     *
     * @param notBefore nothing begins before
     * @param keep whether an act may stay later than it has to
     */
    public static Placing of(Ledger lies, List<Act> given, long notBefore, boolean keep) {
        List<Act> acts = new ArrayList<>(given);
        acts.replaceAll(a -> a.done() ? a : a.inRounds(a.rounds().inOneGo()));
        int n = acts.size();
        long[] floor = new long[n];
        Arrays.fill(floor, Long.MIN_VALUE);
        List<Act> placed = new ArrayList<>();
        List<Ledger> before = new ArrayList<>();
        Ledger now = lies;
        int tries = 0;
        int visits = 0;
        int i = 0;
        while (i < n) {
            Act act = acts.get(i);
            visits += act.zones().size();
            long clock = i == 0 ? notBefore : Math.max(notBefore, placed.get(i - 1).freeMinute());
            long from = Math.max(clock, floor[i]);
            long at =
                    act.done()
                            ? act.atMinute()
                            : now.earliest(act, keep ? Math.max(from, act.atMinute()) : from);
            if (act.keepsWindow() && !act.done() && tries < MOST_TRIES) {
                var span = now.span(act);
                if (span.isPresent() && at > span.get().lastStartMinute()) {
                    Optional<Rounds.Pair> pair =
                            i == 0 ? Optional.empty() : now.rounds(placed.get(i - 1), act);
                    if (pair.isPresent()) {
                        acts.set(i - 1, acts.get(i - 1).inRounds(pair.get().coat()));
                        acts.set(i, act.inRounds(pair.get().work()));
                        now = before.removeLast();
                        placed.removeLast();
                        i--;
                        continue;
                    }
                    int coat = indexOf(acts, span.get().coatActId(), i);
                    if (coat >= 0 && !acts.get(coat).done()) {
                        tries++;
                        floor[coat] =
                                placed.get(coat).atMinute()
                                        + Math.max(
                                                STRIDE_MINUTES * tries,
                                                at - span.get().lastStartMinute());
                        now = before.get(coat);
                        placed.subList(coat, placed.size()).clear();
                        before.subList(coat, before.size()).clear();
                        i = coat;
                        continue;
                    }
                }
            }
            Act when = act.at(at);
            before.add(now);
            placed.add(when);
            now = now.and(when);
            i++;
        }
        return new Placing(placed, now, visits);
    }

    private static int indexOf(List<Act> acts, StepId id, int before) {
        for (int i = before - 1; i >= 0; i--) {
            if (acts.get(i).id().equals(id)) {
                return i;
            }
        }
        return -1;
    }
}
