package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A diary at once: one job after the other, each as early as what is taken already lets it, in the
 * order of their dates.
 *
 * <p>Within a job every demand pushes a start later as a monotone function of the other starts, so
 * its least fixed point is reached by pushing until nothing moves. Cost O(jobs × rounds × tasks ×
 * stretches).
 */
final class ListSchedule {
    private final Grid grid;
    private final int[] start;
    private final int[] notBefore;
    private final List<Integer> taken = new ArrayList<>();

    private ListSchedule(Grid grid, int[] start, int[] notBefore) {
        this.grid = grid;
        this.notBefore = notBefore;
        this.start = start;
    }

    /** What came of it. */
    static final class Result {
        /** Of each task; those of a job that found no place mean nothing. */
        final int[] start;

        /** A task that found no place, the first one. */
        final Optional<Integer> stuck;

        private Result(int[] start, Optional<Integer> stuck) {
            this.start = start;
            this.stuck = stuck;
        }
    }

    /** By date: windows that are open first, then what is wanted first. */
    static Result byDate(Grid grid) {
        return inOrder(grid, datesFirst(grid), grid.earliest);
    }

    /**
     * Jobs in an order of their own.
     *
     * @param notBefore by task, no start before
     */
    static Result inOrder(Grid grid, List<Integer> order, int[] notBefore) {
        ListSchedule out = new ListSchedule(grid, new int[grid.tasks], notBefore);
        @Nullable Integer stuck = null;
        for (int j : order) {
            Optional<Integer> s = out.place(j);
            if (s.isPresent() && stuck == null) {
                stuck = s.get();
            }
            if (s.isEmpty()) {
                for (int i = grid.firstOf[j]; i < grid.firstOf[j + 1]; i++) {
                    out.taken.add(i);
                }
            }
        }
        return new Result(out.start, Optional.ofNullable(stuck));
    }

    /**
     * One job anew, the others where they are.
     *
     * @param start of all tasks; those of the job are changed
     * @return whether it found a place
     */
    static boolean again(Grid grid, int[] start, int job, int[] notBefore) {
        ListSchedule out = new ListSchedule(grid, start, notBefore);
        for (int i = 0; i < grid.tasks; i++) {
            if (grid.jobOf[i] != job) {
                out.taken.add(i);
            }
        }
        return out.place(job).isEmpty();
    }

    static List<Integer> datesFirst(Grid grid) {
        List<Integer> order = new ArrayList<>();
        for (int j = 0; j < grid.jobs; j++) {
            order.add(j);
        }
        order.sort(
                Comparator.comparingInt((Integer j) -> closes(grid, j))
                        .thenComparingInt(j -> grid.due[j])
                        .thenComparingInt(j -> -grid.asked.jobs().get(j).weight()));
        return order;
    }

    /** The last slot in which something of a job can begin that cannot wait. */
    private static int closes(Grid grid, int j) {
        int at = Grid.NEVER;
        for (int i = grid.firstOf[j]; i < grid.firstOf[j + 1]; i++) {
            at = Math.min(at, grid.latest[i]);
            if (grid.task(i).heldTo().isPresent() && !grid.windows.get(i).isEmpty()) {
                at = Math.min(at, grid.windows.get(i).getLast().last());
            }
        }
        return at;
    }

    private Optional<Integer> place(int j) {
        int first = grid.firstOf[j];
        int end = grid.firstOf[j + 1];
        Arrays.fill(start, first, end, 0);
        for (int i = first; i < end; i++) {
            start[i] = Math.max(grid.earliest[i], notBefore[i]);
        }
        boolean moved = true;
        while (moved) {
            moved = false;
            for (int i = first; i < end; i++) {
                int at = start[i];
                for (Grid.Arc a : grid.arcsTo.get(i)) {
                    at = Math.max(at, start[a.from()] + a.least());
                }
                for (Grid.Arc a : grid.arcsFrom.get(i)) {
                    if (a.most() != Grid.NEVER) {
                        at = Math.max(at, start[a.to()] - a.most());
                    }
                }
                int fitted = fit(i, at);
                if (fitted == Grid.NEVER || fitted > grid.latest[i]) {
                    return Optional.of(i);
                }
                if (fitted != start[i]) {
                    start[i] = fitted;
                    moved = true;
                }
            }
        }
        return Optional.empty();
    }

    /** The first slot from one on in which a task can begin; NEVER when there is none. */
    private int fit(int i, int from) {
        int at = from;
        while (true) {
            at = open(i, at);
            if (at == Grid.NEVER) {
                return at;
            }
            int next = free(i, at);
            if (next == at) {
                return at;
            }
            at = next;
        }
    }

    private int open(int i, int from) {
        List<Grid.Window> windows = grid.windows.get(i);
        int low = 0;
        int high = windows.size();
        while (low < high) {
            int mid = (low + high) >>> 1;
            if (windows.get(mid).last() < from) {
                low = mid + 1;
            } else {
                high = mid;
            }
        }
        return low == windows.size() ? Grid.NEVER : Math.max(from, windows.get(low).from());
    }

    /** The slot itself when the person and all places are free then, or the next to try. */
    private int free(int i, int at) {
        int until = at + grid.slots[i];
        for (int k : taken) {
            if (start[k] < until && at < start[k] + grid.slots[k]) {
                return start[k] + grid.slots[k];
            }
        }
        for (Grid.Hold hold : grid.holds.get(i)) {
            int places = grid.asked.resources().get(hold.resource()).places();
            List<Integer> released = new ArrayList<>();
            for (int k : taken) {
                held(k, hold, at, until).ifPresent(released::add);
            }
            for (int k = grid.firstOf[grid.jobOf[i]]; k < i; k++) {
                held(k, hold, at, until).ifPresent(released::add);
            }
            if (released.size() >= places) {
                released.sort(Comparator.naturalOrder());
                return released.get(released.size() - places);
            }
        }
        return at;
    }

    /** When a task lets go of what it still holds while another would have it. */
    private Optional<Integer> held(int k, Grid.Hold wanted, int at, int until) {
        for (Grid.Hold h : grid.holds.get(k)) {
            int release = start[k] + grid.slots[k] + h.slotsAfter();
            if (h.resource() == wanted.resource()
                    && start[k] < until + wanted.slotsAfter()
                    && at < release) {
                return Optional.of(release);
            }
        }
        return Optional.empty();
    }
}
