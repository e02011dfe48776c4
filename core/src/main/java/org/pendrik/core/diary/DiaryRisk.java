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

    private record Work(int job, DiaryTask task, long planned, List<TimeLag> lags, long seed) {}

    /** All that is to be done, in its planned order. */
    private final List<Work> inOrder;

    /** By the first work of a block the minutes that the block takes. */
    private final Map<Work, Double> begins = new HashMap<>();

    private DiaryRisk(DiaryCase asked, DiaryPlan plan, Spread spread) {
        this.asked = asked;
        this.spread = spread;
        List<Work> all = new ArrayList<>();
        for (int j = 0; j < asked.jobs().size(); j++) {
            DiaryJob job = asked.jobs().get(j);
            for (int t = 0; t < job.tasks().size(); t++) {
                DiaryTask task = job.tasks().get(t);
                List<TimeLag> into =
                        job.lags().stream().filter(l -> l.toId().equals(task.id())).toList();
                long seed = 31L * job.id().hashCode() + task.id().hashCode();
                all.add(new Work(j, task, plan.start(j, t), into, seed));
            }
        }
        all.removeIf(w -> !w.task().open());
        all.sort(Comparator.comparingLong(Work::planned));
        inOrder = List.copyOf(all);
        List<Block> blocks = new ArrayList<>();
        Map<String, Block> blockOf = new HashMap<>();
        for (Work w : all) {
            Block with = null;
            for (TimeLag l : w.lags()) {
                if (l.maxMinutes().isPresent()) {
                    with = blockOf.getOrDefault(w.job() + " " + l.fromId(), with);
                }
            }
            if (with == null) {
                with = new Block(new ArrayList<>());
                blocks.add(with);
            }
            with.work().add(w);
            blockOf.put(w.job() + " " + w.task().id(), with);
        }
        blocks.forEach(b -> begins.put(b.work().getFirst(), b.minutes()));
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
        long[] ready = new long[asked.jobs().size()];
        long[] jobFree = new long[asked.jobs().size()];
        Map<String, Double> ends = new HashMap<>();
        for (int j = 0; j < ready.length; j++) {
            ready[j] = asked.fromMinute();
            for (DiaryTask t : asked.jobs().get(j).tasks()) {
                if (!t.open()) {
                    long end = t.doneAtMinute().getAsLong() + t.minutes();
                    ends.put(j + " " + t.id(), (double) end);
                    jobFree[j] = Math.max(jobFree[j], end);
                    ready[j] = Math.max(ready[j], end + t.cureMinutes());
                }
            }
        }
        double person = asked.fromMinute();
        for (Work w : inOrder) {
            double at = Math.max(person, (double) Math.max(w.planned(), jobFree[w.job()]));
            for (TimeLag l : w.lags()) {
                Double end = ends.get(w.job() + " " + l.fromId());
                if (end != null) {
                    at = Math.max(at, end + l.minMinutes() * cure(w, l, number));
                }
            }
            Double block = begins.get(w);
            if (block != null) {
                at = atTheBench(w, at, Math.max(block, w.task().minutes()));
            }
            double end = at + w.task().minutes() * handsOn(w, number);
            person = end;
            jobFree[w.job()] = (long) Math.ceil(end);
            ends.put(w.job() + " " + w.task().id(), end);
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
        return factor(w.seed(), number, spread.handsOn());
    }

    private double cure(Work w, TimeLag l, int number) {
        return factor(w.seed() * 31 + l.fromId().hashCode(), number, spread.cure());
    }

    private static double factor(long seed, int number, double sd) {
        if (sd == 0) {
            return 1;
        }
        return Math.exp(sd * new SplittableRandom(seed * 1_000_003 + number).nextGaussian());
    }
}
