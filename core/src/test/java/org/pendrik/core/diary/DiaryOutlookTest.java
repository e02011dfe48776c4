package org.pendrik.core.diary;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.pendrik.core.diary.DiaryOutcome.Driver;
import org.testng.annotations.Test;

/** What a diary means for its jobs. */
public class DiaryOutlookTest {
    private static final DiaryRisk.Spread SURE = new DiaryRisk.Spread(0, 0, 0);

    @Test
    public void whatTheTimeGoesIntoAddsUpToTheTime() {
        int jobs = 0;
        for (int seed = 0; seed < 60; seed++) {
            DiaryCase asked = new RandomWorkshops(seed).large(3, 9, 5);
            Optional<DiaryPlan> plan = Solving.atOnce(asked);
            if (plan.isEmpty()) {
                continue;
            }
            for (DiaryOutlook.OfJob of : DiaryOutlook.of(asked, plan.get(), SURE, 1)) {
                long sum = of.chain().stream().mapToLong(Driver::minutes).sum();
                assertEquals(sum, of.readyMinute() - asked.fromMinute(), seed + " " + of);
                jobs++;
            }
        }
        assertTrue(jobs > 100, jobs + " jobs");
    }

    @Test
    public void onceThingsGoAsPlannedDatesAreKeptOrNot() {
        int kept = 0;
        int missed = 0;
        for (int seed = 0; seed < 60; seed++) {
            DiaryCase asked = new RandomWorkshops(seed).large(7, 14, 4);
            Optional<DiaryPlan> plan = Solving.atOnce(asked);
            if (plan.isEmpty()) {
                continue;
            }
            List<DiaryOutlook.OfJob> all = DiaryOutlook.of(asked, plan.get(), SURE, 3);
            for (int j = 0; j < all.size(); j++) {
                OptionalLong due = asked.jobs().get(j).dueMinute();
                if (due.isEmpty()) {
                    assertEquals(all.get(j).chance(), OptionalDouble.empty());
                    continue;
                }
                boolean inTime = all.get(j).readyMinute() <= due.getAsLong();
                assertEquals(all.get(j).chance().getAsDouble(), inTime ? 1.0 : 0.0, seed + "." + j);
                kept += inTime ? 1 : 0;
                missed += inTime ? 0 : 1;
            }
        }
        assertTrue(kept > 30 && missed > 2, kept + " kept, " + missed + " missed");
    }

    /** Held to begin one slot later, the job is late or finds no place; at the latest it is not. */
    @Test
    public void theLatestSafeStartIsTheLastOne() {
        int tried = 0;
        for (int seed = 0; seed < 80; seed++) {
            DiaryCase asked = new RandomWorkshops(seed).large(2, 7, 5);
            Optional<DiaryPlan> plan = Solving.atOnce(asked);
            if (plan.isEmpty()) {
                continue;
            }
            List<DiaryOutlook.OfJob> all = DiaryOutlook.of(asked, plan.get(), SURE, 1);
            for (int j = 0; j < all.size(); j++) {
                OptionalLong latest = all.get(j).latestStartMinute();
                boolean places =
                        asked.jobs().stream()
                                .flatMap(job -> job.tasks().stream())
                                .flatMap(t -> t.needs().stream())
                                .anyMatch(n -> n.minutesAfter() > 0);
                if (latest.isPresent() && !places) {
                    assertTrue(inTime(asked, plan.get(), j, latest.getAsLong()), seed + "." + j);
                    assertTrue(
                            !inTime(asked, plan.get(), j, latest.getAsLong() + 5), seed + "." + j);
                    tried++;
                }
            }
        }
        assertTrue(tried > 15, tried + " jobs");
    }

    private static boolean inTime(DiaryCase asked, DiaryPlan plan, int job, long from) {
        List<DiaryJob> jobs = new ArrayList<>(asked.jobs());
        DiaryJob of = jobs.get(job);
        List<DiaryTask> tasks = new ArrayList<>(of.tasks());
        DiaryTask first = tasks.getFirst();
        long notBefore = Math.max(from, first.notBefore().orElse(from));
        tasks.set(0, DiaryTaskBuilder.builder(first).notBefore(OptionalLong.of(notBefore)).build());
        jobs.set(
                job,
                new DiaryJob(
                        of.id(), of.name(), tasks, of.lags(), of.dueMinute(), of.weight(), false));
        DiaryCase later = new DiaryCase(jobs, asked.bench(), asked.resources(), asked.fromMinute());
        Grid grid = new Grid(later);
        int[] start = grid.starts(plan);
        return ListSchedule.again(grid, start, job, grid.earliest)
                && DiaryScore.readyMinute(jobs.get(job), grid.plan(start).starts().get(job), 0)
                        <= of.dueMinute().getAsLong();
    }

    @Test
    public void moreSpreadMakesATightDateLessLikelyAndALooseOneNot() {
        DiaryCase asked = new RandomWorkshops(2).large(3, 9, 5);
        DiaryPlan plan = Solving.atOnce(asked).orElseThrow();
        List<DiaryJob> jobs = new ArrayList<>();
        for (int j = 0; j < 3; j++) {
            DiaryJob of = asked.jobs().get(j);
            long ready = DiaryScore.readyMinute(of, plan.starts().get(j), asked.fromMinute());
            long spare = j == 0 ? 5 : 20L * 1440;
            jobs.add(
                    new DiaryJob(
                            of.id(),
                            of.name(),
                            of.tasks(),
                            of.lags(),
                            OptionalLong.of(ready + spare),
                            1,
                            false));
        }
        DiaryCase tight = new DiaryCase(jobs, asked.bench(), asked.resources(), asked.fromMinute());
        List<DiaryOutlook.OfJob> all =
                DiaryOutlook.of(tight, plan, new DiaryRisk.Spread(0.4, 0.4, 0), 500);
        assertTrue(all.get(0).chance().getAsDouble() < 0.7, all.get(0).toString());
        assertTrue(all.get(1).chance().getAsDouble() > 0.9, all.get(1).toString());
        assertEquals(
                DiaryOutlook.of(tight, plan, new DiaryRisk.Spread(0.4, 0.4, 0), 500),
                all,
                "the same luck each time");
    }
}
