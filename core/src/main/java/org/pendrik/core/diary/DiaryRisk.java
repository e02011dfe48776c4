package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.pendrik.core.diary.Availability.Span;

/**
 * The chance that a date is kept: the diary is gone through many times with other times for work
 * and drying, both log-normal about what is planned. Whoever is late goes on as soon as the coats,
 * the bench time and what is being done allow, in the planned order, and lays a coat with a window
 * only where the work in it still fits. The same seed goes with the same task, so two diaries meet
 * the same luck (common random numbers; A. Law, "Simulation Modeling and Analysis", 5th ed. 2015,
 * section 11.2). Cost O(runs × tasks).
 */
public final class DiaryRisk {
    /**
     * How far times are from what is planned.
     *
     * @param handsOn standard deviation of the logarithm of hands-on minutes, 0 to 2
     * @param cure the same of drying times
     */
    public record Spread(double handsOn, double cure) {
        /** Where no log tells more. Workshop prior. */
        public static final Spread USUAL = new Spread(0.3, 0.2);
    }

    private final DiaryCase asked;
    private final Spread spread;

    /** Work that follows its coat in a window is begun with it or not at all. */
    private record Block(List<Work> work) {
        /** Planned minutes of all of it. */
        private double minutes() {
            Work last = work.getLast();
            return last.planned() + (double) last.task().minutes() - work.getFirst().planned();
        }
    }

    /**
     * Work to be done.
     *
     * @param number of the task among all
     * @param after numbers of the tasks that it waits for, in the order of the lags
     */
    private record Work(
            int number,
            int job,
            DiaryTask task,
            long planned,
            List<TimeLag> lags,
            List<Integer> after) {}

    /** All that is to be done, in its planned order. */
    private final List<Work> inOrder;

    /** By number of a task the minutes of the block that it begins; 0 for one that begins none. */
    private final double[] begins;

    /** By number of a task when it was over, if it is done. */
    private final double[] doneUntil;

    private final long[] readyAnyway;

    private DiaryRisk(DiaryCase asked, DiaryPlan plan, Spread spread) {
        this.asked = asked;
        this.spread = spread;
        readyAnyway = new long[asked.jobs().size()];
        List<Work> all = new ArrayList<>();
        int tasks = asked.jobs().stream().mapToInt(j -> j.tasks().size()).sum();
        begins = new double[tasks];
        doneUntil = new double[tasks];
        int number = 0;
        for (int j = 0; j < asked.jobs().size(); j++) {
            DiaryJob job = asked.jobs().get(j);
            Map<String, Integer> numbers = new HashMap<>();
            readyAnyway[j] = asked.fromMinute();
            for (int t = 0; t < job.tasks().size(); t++) {
                DiaryTask task = job.tasks().get(t);
                if (task.open()) {
                    List<TimeLag> into =
                            job.lags().stream()
                                    .filter(
                                            l ->
                                                    l.toId().equals(task.id())
                                                            && numbers.containsKey(l.fromId()))
                                    .toList();
                    List<Integer> after = into.stream().map(l -> numbers.get(l.fromId())).toList();
                    all.add(new Work(number, j, task, plan.start(j, t), into, after));
                } else {
                    long end = task.doneAtMinute().getAsLong() + task.minutes();
                    doneUntil[number] = end;
                    readyAnyway[j] = Math.max(readyAnyway[j], end + task.cureMinutes());
                }
                numbers.put(task.id(), number++);
            }
        }
        all.sort(Comparator.comparingLong(Work::planned));
        inOrder = List.copyOf(all);
        Map<Integer, Block> blockOf = new HashMap<>();
        for (Work w : all) {
            Block with = null;
            for (int k = 0; k < w.lags().size(); k++) {
                if (w.lags().get(k).maxMinutes().isPresent()) {
                    with = blockOf.getOrDefault(w.after().get(k), with);
                }
            }
            if (with == null) {
                with = new Block(new ArrayList<>());
            }
            with.work().add(w);
            blockOf.put(w.number(), with);
        }
        blockOf.values().forEach(b -> begins[b.work().getFirst().number()] = b.minutes());
    }

    /** By job the share of runs in which its date was kept; empty for one without a date. */
    static List<OptionalDouble> chances(DiaryCase asked, DiaryPlan plan, Spread spread, int runs) {
        DiaryRisk risk = new DiaryRisk(asked, plan, spread);
        int[] kept = new int[asked.jobs().size()];
        for (int r = 0; r < runs; r++) {
            long[] ready = risk.run(r);
            for (int j = 0; j < kept.length; j++) {
                if (ready[j] <= asked.jobs().get(j).dueMinute().orElse(Long.MAX_VALUE)) {
                    kept[j]++;
                }
            }
        }
        List<OptionalDouble> out = new ArrayList<>();
        for (int j = 0; j < kept.length; j++) {
            out.add(
                    asked.jobs().get(j).dueMinute().isPresent() && runs > 0
                            ? OptionalDouble.of((double) kept[j] / runs)
                            : OptionalDouble.empty());
        }
        return out;
    }

    /** One way that it may go: by job the minute in which it is ready. */
    private long[] run(int number) {
        long[] ready = readyAnyway.clone();
        double[] jobFree = new double[ready.length];
        double[] ends = doneUntil.clone();
        double person = asked.fromMinute();
        for (Work w : inOrder) {
            double at = Math.max(Math.max(person, jobFree[w.job()]), (double) w.planned());
            for (int k = 0; k < w.lags().size(); k++) {
                TimeLag l = w.lags().get(k);
                if (l.minMinutes() > 0) {
                    at = Math.max(at, ends[w.after().get(k)] + l.minMinutes() * cure(w, k, number));
                }
            }
            if (begins[w.number()] > 0 || w.task().minutes() == 0) {
                at = atTheBench(w, at, Math.max(begins[w.number()], w.task().minutes()));
            }
            double end = at + w.task().minutes() * handsOn(w, number);
            person = end;
            jobFree[w.job()] = end;
            ends[w.number()] = end;
            long cured = (long) Math.ceil(end + w.task().cureMinutes());
            ready[w.job()] = Math.max(ready[w.job()], cured);
        }
        return ready;
    }

    /** The first minute from one on in which so much fits into a stretch. */
    private double atTheBench(Work w, double from, double minutes) {
        for (int k = asked.bench().isEmpty() ? 0 : DiaryScore.sitting(asked.bench(), (long) from);
                k < asked.bench().size();
                k++) {
            Span s = asked.bench().get(k);
            double at = Math.max(from, (double) s.fromMinute());
            if (at + minutes <= s.untilMinute() + 1e-9 && allowed(w, at)) {
                return at;
            }
        }
        return from + 366.0 * 1440;
    }

    private boolean allowed(Work w, double at) {
        if (at < w.task().notBefore().orElse(Long.MIN_VALUE)) {
            return false;
        }
        for (DiaryTask.Need need : w.task().needs()) {
            for (DiaryCase.Resource r : asked.resources()) {
                if (r.key().equals(need.resource())
                        && r.closed().stream()
                                .anyMatch(
                                        c ->
                                                at < c.untilMinute()
                                                        && c.fromMinute()
                                                                < at + w.task().minutes())) {
                    return false;
                }
            }
        }
        return true;
    }

    private double handsOn(Work w, int number) {
        return factor(seed(w), number, spread.handsOn());
    }

    /** Of a task, whatever diary it stands in. */
    private long seed(Work w) {
        return 31L * asked.jobs().get(w.job()).id().hashCode() + w.task().id().hashCode();
    }

    private double cure(Work w, int lag, int number) {
        return factor(seed(w) * 31 + w.lags().get(lag).fromId().hashCode(), number, spread.cure());
    }

    private static double factor(long seed, int number, double sd) {
        if (sd == 0) {
            return 1;
        }
        return Math.exp(sd * new SplittableRandom(seed * 1_000_003 + number).nextGaussian());
    }
}
