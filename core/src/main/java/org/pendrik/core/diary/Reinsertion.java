package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Random;

/**
 * Many quick trials: one job is taken out and put in again, some of its coats waiting for an
 * evening in which another job has the same colour on. What is worse is kept now and then, less and
 * less often (simulated annealing; S. Kirkpatrick, C. Gelatt, M. Vecchi, "Optimization by simulated
 * annealing", Science 220 (1983), 671–680). A trial costs O(tasks log tasks); their number, not a
 * clock, ends it.
 */
final class Reinsertion {
    /** What is taken as that much worse at the begin is kept in one of e trials; in set-ups. */
    private static final double WARM = 1.5;

    private static final double COLD = 0.08;

    private final Grid grid;
    private final Random random;
    private final Integer[] byStart;

    /** By sitting and colour the slot after the first task there that has it, or -1. */
    private final int[] behind;

    Reinsertion(Grid grid, Random random) {
        this.grid = grid;
        this.random = random;
        this.byStart = new Integer[grid.tasks];
        Arrays.setAll(byStart, i -> i);
        this.behind = new int[grid.sittingFrom.length * Math.max(1, grid.paints)];
    }

    /**
     * The best that came of so many trials, no later than the given one with any date.
     *
     * @param known a diary that holds
     */
    int[] improve(int[] known, int trials) {
        int[] current = known.clone();
        int[] best = known.clone();
        double now = worth(current);
        double least = now;
        long late = late(known);
        List<Integer> jobs = new ArrayList<>();
        for (int j = 0; j < grid.jobs; j++) {
            if (grid.firstOf[j] < grid.firstOf[j + 1]) {
                jobs.add(j);
            }
        }
        for (int k = 0; k < trials && !jobs.isEmpty(); k++) {
            int j = jobs.get(random.nextInt(jobs.size()));
            int[] next = current.clone();
            if (!ListSchedule.again(grid, next, j, notBefore(current, j)) || late(next) > late) {
                continue;
            }
            double then = worth(next);
            double warmth = WARM * Math.pow(COLD / WARM, (double) k / trials);
            if (then <= now || random.nextDouble() < Math.exp((now - then) / warmth)) {
                current = next;
                now = then;
                if (now < least) {
                    least = now;
                    best = current.clone();
                }
            }
        }
        return best;
    }

    /** Sittings and set-ups, and as a last figure how soon all is ready. */
    private double worth(int[] start) {
        Arrays.sort(byStart, Comparator.comparingInt(i -> start[i]));
        int effort = 0;
        int sitting = -1;
        int paint = -1;
        long sum = 0;
        for (int i : byStart) {
            int s = grid.sitting(i, start[i]);
            if (s != sitting) {
                sitting = s;
                paint = -1;
                effort += DiaryScore.SET_UPS_OF_A_SITTING;
            }
            if (grid.paint[i] >= 0 && grid.paint[i] != paint) {
                paint = grid.paint[i];
                effort++;
            }
            sum += start[i];
        }
        long horizon = Math.max(1, grid.sittingUntil[grid.sittingUntil.length - 1]);
        return effort + 0.5 * sum / ((double) horizon * grid.tasks);
    }

    private long late(int[] start) {
        long sum = 0;
        for (int j = 0; j < grid.jobs; j++) {
            if (grid.due[j] == Grid.NEVER) {
                continue;
            }
            long at = grid.readyAnyway[j];
            for (int i = grid.firstOf[j]; i < grid.firstOf[j + 1]; i++) {
                at = Math.max(at, (long) start[i] * Grid.SLOT_MINUTES + grid.readyAfter[i]);
            }
            sum += grid.asked.jobs().get(j).weight() * Math.max(0, at - grid.due[j]);
        }
        return sum;
    }

    /** Some coats wait for a sitting in which another job has their colour on. */
    private int[] notBefore(int[] start, int job) {
        Arrays.fill(behind, -1);
        boolean[] used = new boolean[grid.sittingFrom.length];
        for (int i = 0; i < grid.tasks; i++) {
            if (grid.jobOf[i] == job) {
                continue;
            }
            int s = grid.sitting(i, start[i]);
            used[s] = true;
            if (grid.paint[i] >= 0) {
                int at = s * grid.paints + grid.paint[i];
                int end = start[i] + grid.slots[i];
                behind[at] = behind[at] < 0 ? end : Math.min(behind[at], end);
            }
        }
        double patience = random.nextDouble();
        int[] out = grid.earliest.clone();
        int clock = 0;
        for (int i = grid.firstOf[job]; i < grid.firstOf[job + 1]; i++) {
            clock = Math.max(clock, out[i]);
            for (Grid.Arc a : grid.arcsTo.get(i)) {
                clock = Math.max(clock, out[a.from()] + a.least());
            }
            if (random.nextDouble() < patience) {
                clock = Math.max(clock, inCompany(i, clock, used));
            }
            out[i] = clock;
        }
        return out;
    }

    /** A slot from one on in a sitting that has this colour on, or that is used at all. */
    private int inCompany(int i, int from, boolean[] used) {
        int skip = random.nextInt(3) == 0 ? 1 : 0;
        for (Grid.Window w : grid.windows.get(i)) {
            int at = grid.paint[i] < 0 ? -1 : behind[w.sitting() * grid.paints + grid.paint[i]];
            boolean company = grid.paint[i] < 0 ? used[w.sitting()] : at >= 0;
            if (w.last() >= from && company && skip-- == 0) {
                return Math.max(from, Math.max(w.from(), Math.min(at, w.last())));
            }
        }
        return from;
    }
}
