package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.diary.DiaryOutcome.Driver;

/**
 * The tasks of a job that decide when it is ready, and what the time between them goes into: from
 * the one that is ready last back along what held each.
 */
final class DecidingChain {
    private final Grid grid;
    private final int[] start;
    private final Map<Driver.Kind, Map<String, Long>> sums = new EnumMap<>(Driver.Kind.class);
    private final List<String> ids = new ArrayList<>();

    private DecidingChain(Grid grid, int[] start) {
        this.grid = grid;
        this.start = start;
    }

    static DecidingChain of(Grid grid, int[] start, int job) {
        DecidingChain out = new DecidingChain(grid, start);
        out.follow(job);
        return out;
    }

    List<String> ids() {
        List<String> inOrder = new ArrayList<>(ids);
        Collections.reverse(inOrder);
        return inOrder;
    }

    List<Driver> drivers() {
        List<Driver> out = new ArrayList<>();
        sums.forEach(
                (kind, byLabel) ->
                        byLabel.forEach((label, m) -> out.add(new Driver(kind, label, m))));
        out.sort(Comparator.comparingLong(Driver::minutes).reversed());
        return out;
    }

    private void follow(int job) {
        int first = grid.firstOf[job];
        int last = -1;
        long ready = Long.MIN_VALUE;
        for (int i = first; i < grid.firstOf[job + 1]; i++) {
            long at = (long) start[i] * Grid.SLOT_MINUTES + grid.readyAfter[i];
            if (at >= ready) {
                ready = at;
                last = i;
            }
        }
        if (last < 0) {
            return;
        }
        add(Driver.Kind.DRYING, grid.task(last).name() + " cures", grid.task(last).cureMinutes());
        int i = last;
        while (i >= first) {
            ids.add(grid.task(i).id());
            add(Driver.Kind.WORK, "hands-on work", grid.task(i).minutes());
            i = before(i, first);
        }
    }

    /** The task that held this one back longest, or -1 when it waited for none that is to do. */
    private int before(int i, int first) {
        long begin = grid.minute(i, start[i]);
        long held = grid.asked.fromMinute();
        int holder = -1;
        @Nullable String why = null;
        for (DiaryTask t : grid.job(i).tasks()) {
            if (!t.open()) {
                held = Math.max(held, t.doneAtMinute().getAsLong() + t.minutes());
            }
        }
        if (i > first) {
            holder = i - 1;
            held = Math.max(held, grid.minute(i - 1, start[i - 1]) + grid.task(i - 1).minutes());
        }
        long reason = held;
        for (TimeLag lag : grid.job(i).lags()) {
            if (!lag.toId().equals(grid.task(i).id())) {
                continue;
            }
            int from = index(i, lag.fromId(), first);
            long until =
                    from >= 0
                            ? grid.minute(from, start[from]) + grid.task(from).minutes()
                            : doneUntil(i, lag.fromId());
            if (until != Long.MIN_VALUE && until + lag.minMinutes() > reason) {
                reason = until + lag.minMinutes();
                held = Math.max(until, grid.asked.fromMinute());
                holder = from;
                why = lag.why();
            }
        }
        if (grid.task(i).notBefore().isPresent() && grid.task(i).notBefore().getAsLong() > reason) {
            reason = grid.task(i).notBefore().getAsLong();
            why = "an answer is waited for";
        }
        if (why != null) {
            add(Driver.Kind.DRYING, why, reason - held);
        }
        notAtTheBench(i, Math.min(reason, begin), begin);
        return holder;
    }

    /** What is left is work on other jobs, and no bench time. */
    private void notAtTheBench(int i, long from, long until) {
        long others = 0;
        for (int k = 0; k < grid.tasks; k++) {
            if (grid.jobOf[k] != grid.jobOf[i]) {
                long a = Math.max(from, grid.minute(k, start[k]));
                long b = Math.min(until, grid.minute(k, start[k]) + grid.task(k).minutes());
                others += Math.max(0, b - a);
            }
        }
        add(Driver.Kind.OTHER_WORK, "work on other jobs", others);
        add(Driver.Kind.NO_BENCH_TIME, "no bench time", until - from - others);
    }

    private int index(int i, String id, int first) {
        for (int k = first; k < i; k++) {
            if (grid.task(k).id().equals(id)) {
                return k;
            }
        }
        return -1;
    }

    private long doneUntil(int i, String id) {
        for (DiaryTask t : grid.job(i).tasks()) {
            if (!t.open() && t.id().equals(id)) {
                return t.doneAtMinute().getAsLong() + t.minutes();
            }
        }
        return Long.MIN_VALUE;
    }

    private void add(Driver.Kind kind, String label, long minutes) {
        if (minutes > 0) {
            sums.computeIfAbsent(kind, _ -> new LinkedHashMap<>()).merge(label, minutes, Long::sum);
        }
    }
}
