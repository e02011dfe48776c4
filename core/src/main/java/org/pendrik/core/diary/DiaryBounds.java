package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;

/**
 * What no diary of a case can do without: sittings and set-ups.
 *
 * <p>Sittings: a job needs one more whenever a task lies further from the first of a sitting than
 * the longest stretch. Set-ups: every job takes its colours in its order, so the order of all
 * fillings is a common supersequence of these; the shortest one is searched by A* with the most
 * that one job still needs of each colour as the estimate, which never says too much (P. Hart, N.
 * Nilsson, B. Raphael, "A formal basis for the heuristic determination of minimum cost paths", IEEE
 * Transactions on Systems Science and Cybernetics 4 (1968), 100–107). When the search is cut off,
 * what it has reached is a bound as well.
 */
public final class DiaryBounds {
    /** States of the search for the shortest supersequence. */
    private static final int MOST_STATES = 200_000;

    private final Grid grid;
    private final int longest;

    DiaryBounds(Grid grid) {
        this.grid = grid;
        int most = 0;
        for (int s = 0; s < grid.sittingFrom.length; s++) {
            most = Math.max(most, grid.sittingUntil[s] - grid.sittingFrom[s]);
        }
        this.longest = most;
    }

    /** So many fillings of the airbrush at least are in any diary of a case. */
    public static int fewestSetUps(DiaryCase asked) {
        return new DiaryBounds(new Grid(asked)).setUps();
    }

    /** Sittings and set-ups in one number, as {@link DiaryScore#effort} counts them. */
    long effort() {
        return (long) DiaryScore.SET_UPS_OF_A_SITTING * sittings() + setUps();
    }

    int sittings() {
        int most = 0;
        int work = 0;
        for (int j = 0; j < grid.jobs; j++) {
            int[] from = new int[grid.tasks];
            int count = 0;
            int first = grid.firstOf[j];
            for (int i = grid.firstOf[j]; i < grid.firstOf[j + 1]; i++) {
                work += grid.slots[i];
                if (count == 0 || from[i] + grid.slots[i] > longest) {
                    count++;
                    first = i;
                    from = apart(first);
                }
            }
            most = Math.max(most, count);
        }
        return Math.max(most, longest == 0 ? 0 : Math.ceilDiv(work, longest));
    }

    /** Slots that lie at least between the begin of a task and those after it in its job. */
    private int[] apart(int first) {
        int[] out = new int[grid.tasks];
        for (int i = first + 1; i < grid.firstOf[grid.jobOf[first] + 1]; i++) {
            for (Grid.Arc a : grid.arcsTo.get(i)) {
                if (a.from() >= first) {
                    out[i] = Math.max(out[i], out[a.from()] + a.least());
                }
            }
        }
        return out;
    }

    int setUps() {
        List<int[]> orders = new ArrayList<>();
        for (int j = 0; j < grid.jobs; j++) {
            int[] order = colours(j);
            if (order.length > 0) {
                orders.add(order);
            }
        }
        return orders.isEmpty() ? 0 : shortestSupersequence(orders, MOST_STATES);
    }

    /** The colours of a job in their order; the same again where it cannot be in one sitting. */
    private int[] colours(int j) {
        List<Integer> out = new ArrayList<>();
        int filledFor = -1;
        for (int i = grid.firstOf[j]; i < grid.firstOf[j + 1]; i++) {
            if (grid.paint[i] < 0) {
                continue;
            }
            if (filledFor < 0
                    || grid.paint[i] != grid.paint[filledFor]
                    || apart(filledFor)[i] + grid.slots[i] > longest) {
                out.add(grid.paint[i]);
                filledFor = i;
            }
        }
        return out.stream().mapToInt(Integer::intValue).toArray();
    }

    private record State(List<Integer> at, int length, int estimate) {}

    /**
     * The length of the shortest sequence that holds each of these in its order, or less when more
     * states would be needed than are given.
     */
    static int shortestSupersequence(List<int[]> orders, int mostStates) {
        int letters = 0;
        for (int[] o : orders) {
            letters = Math.max(letters, Arrays.stream(o).max().orElse(0) + 1);
        }
        Map<List<Integer>, Integer> best = new HashMap<>();
        PriorityQueue<State> open =
                new PriorityQueue<>(
                        Comparator.comparingInt(State::estimate)
                                .thenComparingInt(s -> -s.length()));
        List<Integer> begin = Collections.nCopies(orders.size(), 0);
        open.add(new State(begin, 0, rest(orders, begin, letters)));
        int reached = 0;
        while (!open.isEmpty()) {
            State s = open.poll();
            reached = Math.max(reached, s.estimate());
            if (best.size() > mostStates || s.estimate() == s.length()) {
                return reached;
            }
            for (int c = 0; c < letters; c++) {
                List<Integer> next = new ArrayList<>(s.at());
                boolean moves = false;
                for (int o = 0; o < orders.size(); o++) {
                    int at = next.get(o);
                    if (at < orders.get(o).length && orders.get(o)[at] == c) {
                        next.set(o, at + 1);
                        moves = true;
                    }
                }
                if (!moves) {
                    continue;
                }
                if (best.getOrDefault(next, Integer.MAX_VALUE) > s.length() + 1) {
                    best.put(next, s.length() + 1);
                    open.add(
                            new State(
                                    next,
                                    s.length() + 1,
                                    s.length() + 1 + rest(orders, next, letters)));
                }
            }
        }
        return reached;
    }

    /** Of each colour the most that one order still needs, added up. */
    private static int rest(List<int[]> orders, List<Integer> at, int letters) {
        int[] most = new int[letters];
        int[] count = new int[letters];
        for (int o = 0; o < at.size(); o++) {
            Arrays.fill(count, 0);
            int[] order = orders.get(o);
            for (int k = at.get(o); k < order.length; k++) {
                count[order[k]]++;
            }
            for (int c = 0; c < letters; c++) {
                most[c] = Math.max(most[c], count[c]);
            }
        }
        return Arrays.stream(most).sum();
    }
}
