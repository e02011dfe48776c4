package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import java.util.function.Supplier;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.tables.DomainTable;
import org.pendrik.core.units.InvalidInput;

/**
 * The chance that a date is kept: the diary is gone through many times with other times for work
 * and drying, both log-normal about what is planned, and with sittings that do not come about
 * ({@link DiaryRun}). The same task and the same sitting meet the same luck in each run, whatever
 * diary they stand in, so two diaries can be compared (common random numbers; A. Law, "Simulation
 * Modeling and Analysis", 5th ed. 2015, section 11.2). Cost O(runs × tasks × jobs).
 */
public final class DiaryRisk {
    /** Chances beyond these are as good as sure, and nothing is looked for that raises them. */
    private static final double NEARLY_SURE = 0.95;

    private static final double HARDLY = 0.005;

    /** What is worth naming. */
    private static final double WORTH = 0.02;

    private static final int MOST_RAISES = 2;

    /** Everything is tried with few runs, and what looks best with all. */
    private static final int RUNS_TO_SCREEN = 60;

    private static final int MOST_COMPARED = 4;

    /** A coat in a drying box or warmed with care dries in about half the time. */
    private static final double WARM = 0.5;

    private static final int MORE_MINUTES = 60;

    private DiaryRisk() {}

    /**
     * How far evenings are from what is planned.
     *
     * @param handsOn standard deviation of the logarithm of hands-on minutes, 0 to 2
     * @param cure the same of drying times
     * @param lost share of sittings that do not come about, 0 to 1
     */
    public record Spread(double handsOn, double cure, double lost) {
        /** Where no log tells more (spread.csv). */
        public static final Spread USUAL =
                DomainTable.load(
                                DiaryRisk.class,
                                "spread.csv",
                                r ->
                                        new Spread(
                                                r.number("hands_on"),
                                                r.number("cure"),
                                                r.number("lost")))
                        .getFirst();

        /** So many logged entries weigh as much as the prior. */
        private static final double PRIOR_ENTRIES = 10;

        public Spread {
            InvalidInput.requireWithin(
                    "Spread of hands-on time", handsOn, "", 0, 2, "0.3 is usual.");
            InvalidInput.requireWithin("Spread of drying", cure, "", 0, 2, "0.2 is usual.");
            InvalidInput.requireWithin("Lost sittings", lost, "", 0, 1, "0.04 is usual.");
        }

        /**
         * With what a log says of hands-on work: the variance of the logarithm of minutes taken
         * over minutes planned about 0, with the prior as so many entries (the mean of the inverse
         * gamma that is its conjugate prior; A. Gelman et al., "Bayesian Data Analysis", 3rd ed.
         * 2013, section 2.6).
         *
         * @param taken minutes taken over minutes planned, each above 0
         */
        public Spread learned(List<Double> taken) {
            double squares = PRIOR_ENTRIES * handsOn * handsOn;
            for (double t : taken) {
                squares += Math.pow(Math.log(t), 2);
            }
            return new Spread(
                    Math.min(2, Math.sqrt(squares / (PRIOR_ENTRIES + taken.size()))), cure, lost);
        }
    }

    /** Something that makes a date more likely. */
    public sealed interface Raise {
        /** What the chance is with it, 0 to 1. */
        double chance();

        /**
         * A sitting goes on for longer.
         *
         * @param more what is added to it
         */
        record Longer(Span more, double chance) implements Raise {}

        /**
         * A coat dries in half the time, in a drying box or warmed with care.
         *
         * @param taskId the coat
         */
        record Warmed(String taskId, double chance) implements Raise {}

        /** This job before the others in each sitting. */
        record First(double chance) implements Raise {}
    }

    /**
     * By job the share of runs in which its date was kept; empty for one without a date.
     *
     * @param plan one that {@link DiaryCheck} accepts
     * @param runs how often it is gone through
     */
    public static List<OptionalDouble> chances(
            DiaryCase asked, DiaryPlan plan, Spread spread, int runs) {
        int[] kept = new int[asked.jobs().size()];
        DiaryRun run = new DiaryRun(asked, plan, spread);
        for (int r = 0; r < runs; r++) {
            double[] ready = run.ready(r);
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

    /**
     * What would raise the chance of a job's date most, the most first; nothing for a date that is
     * nearly sure or hardly possible.
     *
     * @param decides ids of the tasks that decide when the job is ready
     */
    public static List<Raise> raises(
            DiaryCase asked,
            DiaryPlan plan,
            Spread spread,
            int runs,
            int job,
            List<String> decides) {
        DiaryJob of = asked.jobs().get(job);
        if (of.dueMinute().isEmpty() || runs == 0) {
            return List.of();
        }
        double now = chance(new DiaryRun(asked, plan, spread), job, of, runs);
        if (now > NEARLY_SURE || now < HARDLY) {
            return List.of();
        }
        int few = Math.min(runs, RUNS_TO_SCREEN);
        double screened = chance(new DiaryRun(asked, plan, spread), job, of, few);
        return tries(asked, plan, spread, job, decides).stream()
                .map(t -> new Screened(t, chance(t.run().get(), job, of, few)))
                .filter(t -> t.chance() > screened)
                .sorted(Comparator.comparingDouble(Screened::chance).reversed())
                .limit(MOST_COMPARED)
                .map(t -> t.of().told().apply(chance(t.of().run().get(), job, of, runs)))
                .filter(r -> r.chance() >= now + WORTH)
                .sorted(Comparator.comparingDouble(Raise::chance).reversed())
                .limit(MOST_RAISES)
                .toList();
    }

    /** Something to try: how it goes then, and what is told of it. */
    private record Try(Supplier<DiaryRun> run, DoubleFunction<Raise> told) {}

    private record Screened(Try of, double chance) {}

    private static List<Try> tries(
            DiaryCase asked, DiaryPlan plan, Spread spread, int job, List<String> decides) {
        long due = asked.jobs().get(job).dueMinute().orElseThrow();
        List<Try> all = new ArrayList<>();
        for (int s = 0; s < asked.bench().size(); s++) {
            Span at = asked.bench().get(s);
            Span more = new Span(at.untilMinute(), at.untilMinute() + MORE_MINUTES);
            boolean room =
                    s + 1 == asked.bench().size()
                            || more.untilMinute() <= asked.bench().get(s + 1).fromMinute();
            if (room && at.fromMinute() <= due && works(asked, plan, at)) {
                List<Span> bench = new ArrayList<>(asked.bench());
                bench.set(s, new Span(at.fromMinute(), more.untilMinute()));
                DiaryCase longer =
                        new DiaryCase(asked.jobs(), bench, asked.resources(), asked.fromMinute());
                all.add(
                        new Try(
                                () -> new DiaryRun(longer, plan, spread),
                                c -> new Raise.Longer(more, c)));
            }
        }
        for (String id : decides) {
            DiaryRun warm = new DiaryRun(asked, plan, spread);
            if (warm.dries(job, id, WARM)) {
                all.add(new Try(() -> warm, c -> new Raise.Warmed(id, c)));
            }
        }
        if (asked.jobs().size() > 1) {
            DiaryRun first = new DiaryRun(asked, plan, spread);
            first.comesFirst(job);
            all.add(new Try(() -> first, Raise.First::new));
        }
        return all;
    }

    private static double chance(DiaryRun run, int job, DiaryJob of, int runs) {
        int kept = 0;
        for (int r = 0; r < runs; r++) {
            if (run.ready(r)[job] <= of.dueMinute().orElse(Long.MAX_VALUE)) {
                kept++;
            }
        }
        return (double) kept / runs;
    }

    private static boolean works(DiaryCase asked, DiaryPlan plan, Span at) {
        for (int j = 0; j < asked.jobs().size(); j++) {
            for (int t = 0; t < asked.jobs().get(j).tasks().size(); t++) {
                long start = plan.start(j, t);
                if (asked.jobs().get(j).tasks().get(t).open()
                        && start >= at.fromMinute()
                        && start < at.untilMinute()) {
                    return true;
                }
            }
        }
        return false;
    }
}
