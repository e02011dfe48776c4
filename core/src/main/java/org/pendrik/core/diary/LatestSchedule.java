package org.pendrik.core.diary;

import java.util.Arrays;
import java.util.List;

/**
 * One job as late as its date lets it be, the others where they are: the mirror image of {@link
 * ListSchedule}. Every demand pulls a start earlier as a monotone function of the others, so the
 * greatest fixed point is the schedule in which each task is as late as it can be at all. Places
 * that tasks keep beyond their work are looked at as they are taken by other jobs.
 */
final class LatestSchedule {
    private final Grid grid;
    private final int job;
    private final int[] start;
    private final boolean found;

    LatestSchedule(Grid grid, int[] planned, int job) {
        this.grid = grid;
        this.job = job;
        this.start = planned.clone();
        this.found = pull();
    }

    /** Whether the date can be kept. */
    boolean found() {
        return found;
    }

    int start(int i) {
        return start[i];
    }

    private boolean pull() {
        int first = grid.firstOf[job];
        int end = grid.firstOf[job + 1];
        if (grid.readyAnyway[job] > grid.due[job]) {
            return false;
        }
        for (int i = first; i < end; i++) {
            start[i] =
                    Math.min(
                            grid.latest[i],
                            Math.floorDiv(grid.due[job] - grid.readyAfter[i], Grid.SLOT_MINUTES));
        }
        boolean moved = true;
        while (moved) {
            moved = false;
            for (int i = end - 1; i >= first; i--) {
                int at = start[i];
                for (Grid.Arc a : grid.arcsFrom.get(i)) {
                    at = Math.min(at, start[a.to()] - a.least());
                }
                for (Grid.Arc a : grid.arcsTo.get(i)) {
                    if (a.most() != Grid.NEVER) {
                        at = Math.min(at, start[a.from()] + a.most());
                    }
                }
                int fitted = fit(i, at);
                if (fitted < grid.earliest[i]) {
                    return false;
                }
                if (fitted != start[i]) {
                    start[i] = fitted;
                    moved = true;
                }
            }
        }
        return true;
    }

    /** The last slot up to one in which a task can begin; negative NEVER when there is none. */
    private int fit(int i, int until) {
        int at = until;
        while (true) {
            at = open(i, at);
            if (at == -Grid.NEVER) {
                return at;
            }
            int before = free(i, at);
            if (before == at) {
                return at;
            }
            at = before;
        }
    }

    private int open(int i, int until) {
        List<Grid.Window> windows = grid.windows.get(i);
        for (int k = windows.size() - 1; k >= 0; k--) {
            if (windows.get(k).from() <= until) {
                return Math.min(until, windows.get(k).last());
            }
        }
        return -Grid.NEVER;
    }

    private int free(int i, int at) {
        for (int k = 0; k < grid.tasks; k++) {
            if (grid.jobOf[k] != job
                    && start[k] < at + grid.slots[i]
                    && at < start[k] + grid.slots[k]) {
                return start[k] - grid.slots[i];
            }
        }
        for (Grid.Hold wanted : grid.holds.get(i)) {
            int until = at + grid.slots[i] + wanted.slotsAfter();
            int[] begins =
                    java.util.stream.IntStream.range(0, grid.tasks)
                            .filter(k -> grid.jobOf[k] != job && holds(k, wanted, at, until))
                            .map(k -> start[k])
                            .toArray();
            int places = grid.asked.resources().get(wanted.resource()).places();
            if (begins.length >= places) {
                Arrays.sort(begins);
                return begins[places - 1] - grid.slots[i] - wanted.slotsAfter();
            }
        }
        return at;
    }

    private boolean holds(int k, Grid.Hold wanted, int at, int until) {
        for (Grid.Hold h : grid.holds.get(k)) {
            if (h.resource() == wanted.resource()
                    && start[k] < until
                    && at < start[k] + grid.slots[k] + h.slotsAfter()) {
                return true;
            }
        }
        return false;
    }
}
