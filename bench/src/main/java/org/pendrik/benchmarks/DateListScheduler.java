package org.pendrik.benchmarks;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.diary.DiaryCase;
import org.pendrik.core.diary.DiaryJob;
import org.pendrik.core.diary.DiaryPlan;
import org.pendrik.core.diary.DiaryTask;
import org.pendrik.core.diary.TimeLag;

/**
 * What a careful person with a calendar does, and what project programs offer: the job that is
 * wanted first is put in first, each of its tasks as early as it can be (earliest due date, serial
 * schedule generation; R. Kolisch, "Serial and parallel resource-constrained project scheduling
 * methods revisited", European Journal of Operational Research 90 (1996), 320–333). Where a most
 * lag is missed, its first task is put later by what is missing. It shares no code with the solver.
 */
final class DateListScheduler {
    private static final int GRID = 5;
    private static final int MOST_ROUNDS = 2_000;

    private final DiaryCase asked;
    private final List<long[]> busy = new ArrayList<>();
    private final List<List<long[]>> held = new ArrayList<>();

    private DateListScheduler(DiaryCase asked) {
        this.asked = asked;
        asked.resources().forEach(_ -> held.add(new ArrayList<>()));
    }

    /** A diary; empty when some task finds no place. */
    static Optional<DiaryPlan> plan(DiaryCase asked) {
        return new DateListScheduler(asked).all();
    }

    private Optional<DiaryPlan> all() {
        List<Integer> order = new ArrayList<>();
        List<List<Long>> starts = new ArrayList<>();
        for (int j = 0; j < asked.jobs().size(); j++) {
            order.add(j);
            starts.add(List.of());
        }
        order.sort(
                Comparator.comparingLong(
                        j -> asked.jobs().get(j).dueMinute().orElse(Long.MAX_VALUE)));
        for (int j : order) {
            Optional<List<Long>> placed = job(asked.jobs().get(j));
            if (placed.isEmpty()) {
                return Optional.empty();
            }
            starts.set(j, placed.get());
        }
        return Optional.of(new DiaryPlan(starts));
    }

    private Optional<List<Long>> job(DiaryJob job) {
        long[] notBefore = new long[job.tasks().size()];
        for (int round = 0; round < MOST_ROUNDS; round++) {
            List<Long> starts = new ArrayList<>();
            int missed = -1;
            for (int t = 0; t < notBefore.length && missed < 0; t++) {
                long from = Math.max(asked.fromMinute(), notBefore[t]);
                if (t > 0) {
                    from = Math.max(from, starts.get(t - 1) + job.tasks().get(t - 1).minutes());
                }
                for (TimeLag l : job.lags()) {
                    int before = index(job, l.fromId());
                    if (l.toId().equals(job.tasks().get(t).id())) {
                        from = Math.max(from, end(job, starts, before) + l.minMinutes());
                    }
                }
                long at = earliest(job, t, from, starts);
                if (at < 0) {
                    return Optional.empty();
                }
                starts.add(at);
                for (TimeLag l : job.lags()) {
                    int before = index(job, l.fromId());
                    if (l.toId().equals(job.tasks().get(t).id()) && l.maxMinutes().isPresent()) {
                        long over = at - end(job, starts, before) - l.maxMinutes().getAsLong();
                        if (over > 0) {
                            missed = before;
                            notBefore[before] = starts.get(before) + over;
                        }
                    }
                }
            }
            if (missed < 0) {
                take(job, starts);
                return Optional.of(starts);
            }
        }
        return Optional.empty();
    }

    private static int index(DiaryJob job, String id) {
        for (int t = 0; t < job.tasks().size(); t++) {
            if (job.tasks().get(t).id().equals(id)) {
                return t;
            }
        }
        throw new IllegalArgumentException(id);
    }

    private static long end(DiaryJob job, List<Long> starts, int t) {
        return starts.get(t) + job.tasks().get(t).minutes();
    }

    /** The first moment that fits; -1 for none. */
    private long earliest(DiaryJob job, int t, long from, List<Long> starts) {
        DiaryTask task = job.tasks().get(t);
        // a started five minutes is not shared
        long minutes = Math.ceilDiv(task.minutes(), GRID) * (long) GRID;
        for (Span s : asked.bench()) {
            long at =
                    Math.ceilDiv(
                                    Math.max(
                                            from,
                                            Math.max(s.fromMinute(), task.notBefore().orElse(0))),
                                    (long) GRID)
                            * GRID;
            while (at + minutes <= s.untilMinute()) {
                long next = conflict(job, task, at, minutes, starts);
                if (next == at) {
                    return at;
                }
                at = Math.ceilDiv(next, (long) GRID) * GRID;
            }
        }
        return -1;
    }

    /** The moment itself where nothing is in the way; otherwise when that is over. */
    private long conflict(DiaryJob job, DiaryTask task, long at, long minutes, List<Long> starts) {
        for (long[] b : busy) {
            if (at < b[1] && b[0] < at + minutes) {
                return b[1];
            }
        }
        for (DiaryTask.Need n : task.needs()) {
            for (int r = 0; r < held.size(); r++) {
                DiaryCase.Resource of = asked.resources().get(r);
                if (!of.key().equals(n.resource())) {
                    continue;
                }
                for (Span c : of.closed()) {
                    if (at < c.untilMinute() && c.fromMinute() < at + minutes) {
                        return c.untilMinute();
                    }
                }
                List<long[]> others = new ArrayList<>(held.get(r));
                for (int t = 0; t < starts.size(); t++) {
                    others.addAll(holds(job.tasks().get(t), starts.get(t), of.key()));
                }
                long until = at + minutes + n.minutesAfter();
                List<Long> over =
                        others.stream()
                                .filter(o -> at < o[1] && o[0] < until)
                                .map(o -> o[1])
                                .sorted()
                                .toList();
                if (over.size() >= of.places()) {
                    return over.get(over.size() - of.places());
                }
            }
        }
        return at;
    }

    private static List<long[]> holds(DiaryTask task, long start, String resource) {
        long minutes = Math.ceilDiv(task.minutes(), GRID) * (long) GRID;
        return task.needs().stream()
                .filter(n -> n.resource().equals(resource))
                .map(n -> new long[] {start, start + minutes + n.minutesAfter()})
                .toList();
    }

    private void take(DiaryJob job, List<Long> starts) {
        for (int t = 0; t < starts.size(); t++) {
            DiaryTask task = job.tasks().get(t);
            long minutes = Math.ceilDiv(task.minutes(), GRID) * (long) GRID;
            busy.add(new long[] {starts.get(t), starts.get(t) + minutes});
            for (int r = 0; r < held.size(); r++) {
                held.get(r).addAll(holds(task, starts.get(t), asked.resources().get(r).key()));
            }
        }
    }
}
