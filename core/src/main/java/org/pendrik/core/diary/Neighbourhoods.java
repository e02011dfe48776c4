package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.pendrik.core.diary.DiaryStage.Goal;

/**
 * Parts of a diary that are solved anew: some tasks are free, the others stay in their sittings. In
 * turns those of a few jobs, those of a few sittings, and those of a colour with what lies between.
 * A part that is solved easily is followed by a larger one.
 */
final class Neighbourhoods {
    private static final int FEWEST = 12;

    private final Grid grid;
    private final Random random;
    private double size = 30;
    private int turn;

    Neighbourhoods(Grid grid, Random random) {
        this.grid = grid;
        this.random = random;
    }

    /** Whether the last part could be solved to its end. */
    void told(boolean solved) {
        size = solved ? Math.min(grid.tasks, size * 1.08) : Math.max(FEWEST, size * 0.85);
    }

    /**
     * By task the windows in which it may begin.
     *
     * @param before by task the sitting that it stood in before, or -1
     */
    List<List<Grid.Window>> next(int[] best, int[] before, Goal goal) {
        Set<Integer> free =
                switch (turn++ % 3) {
                    case 0 -> ofJobs();
                    case 1 -> ofSittings(best);
                    default -> ofColour(best);
                };
        Set<Integer> used = new HashSet<>();
        for (int i = 0; i < grid.tasks; i++) {
            used.add(grid.sitting(i, best[i]));
        }
        Set<Integer> withPaint = new HashSet<>();
        for (int i = 0; i < grid.tasks; i++) {
            if (grid.paint[i] >= 0) {
                withPaint.add(grid.sitting(i, best[i]) * grid.paints + grid.paint[i]);
            }
        }
        boolean only = goal == Goal.SITTINGS && turn % 2 == 0;
        List<List<Grid.Window>> out = new ArrayList<>();
        for (int i = 0; i < grid.tasks; i++) {
            int own = grid.sitting(i, best[i]);
            List<Grid.Window> of = new ArrayList<>();
            for (Grid.Window w : grid.windows.get(i)) {
                boolean here = w.sitting() == own;
                boolean elsewhere =
                        free.contains(i)
                                && (!only
                                        || grid.paint[i] < 0
                                        || withPaint.contains(
                                                w.sitting() * grid.paints + grid.paint[i]))
                                && (used.contains(w.sitting())
                                        || w.sitting() == before[i]
                                        || (goal == Goal.READY && w.sitting() < own));
                if (here || elsewhere) {
                    of.add(w);
                }
            }
            out.add(of);
        }
        return out;
    }

    private Set<Integer> ofJobs() {
        List<Integer> jobs = new ArrayList<>();
        for (int j = 0; j < grid.jobs; j++) {
            jobs.add(j);
        }
        Collections.shuffle(jobs, random);
        Set<Integer> free = new HashSet<>();
        for (int j : jobs) {
            if (!free.isEmpty() && free.size() + grid.firstOf[j + 1] - grid.firstOf[j] > size) {
                break;
            }
            for (int i = grid.firstOf[j]; i < grid.firstOf[j + 1]; i++) {
                free.add(i);
            }
        }
        return free;
    }

    /** All that is done in sittings one after the other. */
    private Set<Integer> ofSittings(int[] best) {
        TreeSet<Integer> used = new TreeSet<>();
        for (int i = 0; i < grid.tasks; i++) {
            used.add(grid.sitting(i, best[i]));
        }
        List<Integer> order = List.copyOf(used);
        int first = random.nextInt(order.size());
        Set<Integer> free = new HashSet<>();
        for (int k = first; k < order.size() && free.size() < size; k++) {
            for (int i = 0; i < grid.tasks; i++) {
                if (grid.sitting(i, best[i]) == order.get(k)) {
                    free.add(i);
                }
            }
        }
        return free;
    }

    /** What takes a colour, and what stands before and after it in its job. */
    private Set<Integer> ofColour(int[] best) {
        if (grid.paints == 0) {
            return ofSittings(best);
        }
        Set<Integer> free = new HashSet<>();
        int tries = 0;
        while (free.size() < size && tries++ < grid.paints) {
            int p = random.nextInt(grid.paints);
            for (int i = 0; i < grid.tasks; i++) {
                if (grid.paint[i] == p) {
                    for (int k = i - 1; k <= i + 1; k++) {
                        if (k >= 0 && k < grid.tasks && grid.jobOf[k] == grid.jobOf[i]) {
                            free.add(k);
                        }
                    }
                }
            }
        }
        return free;
    }
}
