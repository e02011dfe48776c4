package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.pendrik.core.diary.Availability.Span;

/**
 * How good a diary is; less is better, and what stands in front counts first.
 *
 * @param late minutes after the dates, each job's times its weight
 * @param moved weight of the tasks that stand in another sitting than in the diary before
 * @param sittings stretches of bench time in which something is to be done
 * @param setUps colours and clears that the airbrush is filled with; it is cleaned after each
 *     sitting
 * @param ready minutes from the begin of the case until each job is ready, added up
 * @param fullest minutes of work in the fullest sitting
 */
public record DiaryScore(
        long late, long moved, int sittings, int setUps, long ready, long fullest) {
    /** A sitting more is worth as much as so many set-ups. Workshop prior. */
    public static final int SET_UPS_OF_A_SITTING = 2;

    /** Sittings and set-ups in one number. */
    public long effort() {
        return (long) SET_UPS_OF_A_SITTING * sittings + setUps;
    }

    /** Which of two is better; equal ones differ in nothing that counts. */
    public static final Comparator<DiaryScore> BETTER_FIRST =
            Comparator.comparingLong(DiaryScore::late)
                    .thenComparingLong(DiaryScore::moved)
                    .thenComparingLong(DiaryScore::effort)
                    .thenComparingLong(DiaryScore::ready)
                    .thenComparingLong(DiaryScore::fullest);

    private record Work(long start, long end, int sitting, Optional<String> setUp) {}

    /** Of a diary that holds, with nothing moved. */
    public static DiaryScore of(DiaryCase asked, DiaryPlan plan) {
        return of(asked, plan, Optional.empty());
    }

    /**
     * Of a diary that holds.
     *
     * @param before the diary that people know, of the same tasks
     */
    public static DiaryScore of(DiaryCase asked, DiaryPlan plan, Optional<Changes> before) {
        long late = 0;
        long ready = 0;
        List<Work> work = new ArrayList<>();
        for (int j = 0; j < asked.jobs().size(); j++) {
            DiaryJob job = asked.jobs().get(j);
            long at = readyMinute(job, plan.starts().get(j), asked.fromMinute());
            ready += at - asked.fromMinute();
            if (job.dueMinute().isPresent()) {
                late += job.weight() * Math.max(0, at - job.dueMinute().getAsLong());
            }
            for (int t = 0; t < job.tasks().size(); t++) {
                DiaryTask task = job.tasks().get(t);
                if (task.open()) {
                    long start = plan.start(j, t);
                    work.add(
                            new Work(
                                    start,
                                    start + task.minutes(),
                                    sitting(asked.bench(), start),
                                    task.setUp()));
                }
            }
        }
        work.sort(Comparator.comparingLong(Work::start).thenComparingLong(Work::end));
        long[] load = new long[asked.bench().size()];
        int sittings = 0;
        int setUps = 0;
        int at = -1;
        Optional<String> held = Optional.empty();
        for (Work w : work) {
            if (w.sitting() != at) {
                sittings++;
                at = w.sitting();
                held = Optional.empty();
            }
            load[w.sitting()] += w.end() - w.start();
            if (w.setUp().isPresent() && !w.setUp().equals(held)) {
                setUps++;
                held = w.setUp();
            }
        }
        long fullest = java.util.Arrays.stream(load).max().orElse(0);
        return new DiaryScore(
                late,
                before.map(b -> b.weight(asked, plan)).orElse(0L),
                sittings,
                setUps,
                ready,
                fullest);
    }

    /** When a job is ready: all is done, and cured where it has to be. */
    static long readyMinute(DiaryJob job, List<Long> starts, long fromMinute) {
        long at = fromMinute;
        for (int t = 0; t < job.tasks().size(); t++) {
            DiaryTask task = job.tasks().get(t);
            at = Math.max(at, starts.get(t) + task.minutes() + task.cureMinutes());
        }
        return at;
    }

    /** The stretch that a minute lies in. */
    static int sitting(List<Span> bench, long minute) {
        int low = 0;
        int high = bench.size() - 1;
        while (low < high) {
            int mid = (low + high) >>> 1;
            if (bench.get(mid).untilMinute() <= minute) {
                low = mid + 1;
            } else {
                high = mid;
            }
        }
        return low;
    }
}
