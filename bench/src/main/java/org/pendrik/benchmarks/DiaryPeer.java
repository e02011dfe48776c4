package org.pendrik.benchmarks;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import org.pendrik.core.diary.Changes;
import org.pendrik.core.diary.DiaryBounds;
import org.pendrik.core.diary.DiaryCase;
import org.pendrik.core.diary.DiaryCheck;
import org.pendrik.core.diary.DiaryJob;
import org.pendrik.core.diary.DiaryPlan;
import org.pendrik.core.diary.DiaryScore;
import org.pendrik.core.diary.DiarySolver;
import org.pendrik.core.diary.DiarySolver.Answer;
import org.pendrik.core.diary.DiaryStage;
import org.pendrik.core.diary.DiaryTask;
import org.pendrik.core.diary.DiaryTaskBuilder;
import org.pendrik.core.units.Watch;

/**
 * The solver of the diary beside a list scheduler by dates, on the same workshops in one run. Times
 * are wall-clock times on this machine; each is the second of two runs, so that nothing is compiled
 * or loaded in it. Every diary of either side is looked at by {@link DiaryCheck}.
 */
public final class DiaryPeer {
    private static final long SECONDS_MS = 10_000;
    private static final double EFFORT = 30;
    private static final double REPLAN_EFFORT = 0.6;
    private static final int LATE_MINUTES = 45;

    private DiaryPeer() {}

    /**
     * Prints a line for each workshop.
     *
     * @param args file of workshops
     */
    public static void main(String[] args) throws Exception {
        System.out.printf(
                Locale.ROOT,
                "%-58s | %22s | %40s | %s%n",
                "workshop",
                "by dates: dates, fill.",
                "solver: dates, proven in, fillings / bound",
                "one step late");
        for (DiaryCases.Workshop w : DiaryCases.read(Path.of(args[0]))) {
            line(w);
        }
    }

    private static void line(DiaryCases.Workshop w) {
        DiaryCase asked = w.asked();
        DateListScheduler.plan(asked);
        long t0 = System.nanoTime();
        Optional<DiaryPlan> listed = DateListScheduler.plan(asked);
        double listMs = ms(t0);
        listed.ifPresent(p -> checked(asked, p));
        Timed found = solve(asked, Optional.empty(), EFFORT);
        DiaryPlan plan = found.answer().plan();
        DiaryStage dates = found.answer().stages().getFirst();
        int bound = DiaryBounds.fewestSetUps(asked);
        DiaryScore score = found.answer().score();
        Timed again = late(asked, plan);
        System.out.printf(
                Locale.ROOT,
                "%-58s | %s, %5.0f ms | %s of %d, %s%5.0f ms (%.1f x), %3d / %d = %.2f after %.1f s | %4.0f ms%n",
                w.name(),
                listed.map(p -> kept(asked, p) + " " + DiaryScore.of(asked, p).setUps())
                        .orElse("no place"),
                listMs,
                kept(asked, plan),
                asked.jobs().stream().filter(j -> j.dueMinute().isPresent()).count(),
                dates.proven() ? "proven " : "open   ",
                found.datesMs(),
                found.datesMs() / listMs,
                score.setUps(),
                bound,
                (double) score.setUps() / bound,
                found.allMs() / 1000,
                again.allMs());
    }

    /** Jobs with a date that is kept. */
    private static long kept(DiaryCase asked, DiaryPlan plan) {
        long kept = 0;
        for (int j = 0; j < asked.jobs().size(); j++) {
            DiaryJob job = asked.jobs().get(j);
            long ready = asked.fromMinute();
            for (int t = 0; t < job.tasks().size(); t++) {
                DiaryTask task = job.tasks().get(t);
                ready = Math.max(ready, plan.start(j, t) + task.minutes() + task.cureMinutes());
            }
            if (job.dueMinute().isPresent() && ready <= job.dueMinute().getAsLong()) {
                kept++;
            }
        }
        return kept;
    }

    /**
     * The first step of all took longer; the diary is planned again, as little as possible moves.
     */
    private static Timed late(DiaryCase asked, DiaryPlan plan) {
        int job = 0;
        for (int j = 0; j < asked.jobs().size(); j++) {
            job = plan.start(j, 0) < plan.start(job, 0) ? j : job;
        }
        List<DiaryJob> jobs = new ArrayList<>(asked.jobs());
        DiaryJob of = jobs.get(job);
        List<DiaryTask> tasks = new ArrayList<>(of.tasks());
        long begun = plan.start(job, 0) + LATE_MINUTES;
        tasks.set(
                0,
                DiaryTaskBuilder.builder(tasks.getFirst())
                        .doneAtMinute(OptionalLong.of(begun))
                        .build());
        jobs.set(
                job,
                new DiaryJob(
                        of.id(),
                        of.name(),
                        tasks,
                        of.lags(),
                        of.dueMinute(),
                        of.weight(),
                        of.promised()));
        long now = Math.ceilDiv(begun + tasks.getFirst().minutes(), 5L) * 5;
        DiaryCase then = new DiaryCase(jobs, asked.bench(), asked.resources(), now);
        Changes known =
                new Changes(
                        plan.starts().stream()
                                .map(s -> s.stream().map(OptionalLong::of).toList())
                                .toList());
        return solve(then, Optional.of(known), REPLAN_EFFORT);
    }

    private record Timed(Answer.Found answer, double datesMs, double allMs) {}

    private static Timed solve(DiaryCase asked, Optional<Changes> before, double effort) {
        solveOnce(asked, before, 0.3);
        return solveOnce(asked, before, effort);
    }

    private static Timed solveOnce(DiaryCase asked, Optional<Changes> before, double effort) {
        long t0 = System.nanoTime();
        double[] dates = {-1};
        Watch watch =
                (what, share) -> {
                    if (!"dates".equals(what) && dates[0] < 0) {
                        dates[0] = ms(t0);
                    }
                    if (ms(t0) > SECONDS_MS) {
                        throw new Watch.TimeUp(what);
                    }
                };
        Answer answer =
                DiarySolver.solve(
                        asked,
                        before,
                        new DiarySolver.Effort(effort),
                        DiarySolver.Follower.NOBODY,
                        watch);
        double all = ms(t0);
        if (!(answer instanceof Answer.Found found)) {
            throw new IllegalStateException("no diary: " + answer);
        }
        checked(asked, found.plan());
        return new Timed(found, dates[0] < 0 ? all : dates[0], all);
    }

    private static void checked(DiaryCase asked, DiaryPlan plan) {
        List<String> faults = DiaryCheck.faults(asked, plan);
        if (!faults.isEmpty()) {
            throw new IllegalStateException("a diary does not hold: " + faults.getFirst());
        }
    }

    private static double ms(long from) {
        return (System.nanoTime() - from) / 1e6;
    }
}
