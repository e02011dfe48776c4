package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.pendrik.core.diary.DiaryOutcome.Driver;

/**
 * What a diary means for each job: when it is ready, what holds it, how long it may still be put
 * off, and how likely its date is.
 */
public final class DiaryOutlook {
    /** With common luck, fewer runs tell two chances apart than tell one well. */
    private static final int RUNS_TO_COMPARE = 300;

    private DiaryOutlook() {}

    /**
     * Of one job.
     *
     * @param readyMinute all is done, and cured where it has to be; minutes since 1970-01-01 UTC
     * @param latestStartMinute the last minute in which its next task can begin so that its date is
     *     kept with all other jobs where they are; empty without a date, with nothing to do, or
     *     when the date cannot be kept
     * @param slackMinutes from the planned begin of its next task until then
     * @param chance that its date is kept, 0 to 1; empty without a date
     * @param chain what its time goes into along the tasks that decide when it is ready, largest
     *     first
     * @param decides ids of these tasks, in order
     * @param raises what would make its date more likely, what helps most first; at most two
     */
    public record OfJob(
            long readyMinute,
            OptionalLong latestStartMinute,
            OptionalLong slackMinutes,
            OptionalDouble chance,
            List<Driver> chain,
            List<String> decides,
            List<DiaryRisk.Raise> raises) {
        public OfJob {
            raises = List.copyOf(raises);
            chain = List.copyOf(chain);
            decides = List.copyOf(decides);
        }
    }

    /**
     * By job, in the order of the case.
     *
     * @param plan one that {@link DiaryCheck} accepts
     * @param spread how far times are from what is planned
     * @param runs how often it is gone through to tell the chances, such as 2,000
     */
    public static List<OfJob> of(
            DiaryCase asked, DiaryPlan plan, DiaryRisk.Spread spread, int runs) {
        Grid grid = new Grid(asked);
        int[] start = grid.starts(plan);
        List<OptionalDouble> chances = DiaryRisk.chances(asked, plan, spread, runs);
        List<OfJob> out = new ArrayList<>();
        for (int j = 0; j < grid.jobs; j++) {
            DiaryJob job = asked.jobs().get(j);
            DecidingChain chain = DecidingChain.of(grid, start, j);
            OptionalLong latest = OptionalLong.empty();
            OptionalLong slack = OptionalLong.empty();
            int next = grid.firstOf[j];
            if (job.dueMinute().isPresent() && next < grid.firstOf[j + 1]) {
                LatestSchedule late = new LatestSchedule(grid, start, j);
                if (late.found()) {
                    long minute = grid.minute(next, late.start(next));
                    latest = OptionalLong.of(minute);
                    slack = OptionalLong.of(Math.max(0, minute - grid.minute(next, start[next])));
                }
            }
            out.add(
                    new OfJob(
                            DiaryScore.readyMinute(job, plan.starts().get(j), asked.fromMinute()),
                            latest,
                            slack,
                            chances.get(j),
                            chain.drivers(),
                            chain.ids(),
                            DiaryRisk.raises(
                                    asked,
                                    plan,
                                    spread,
                                    Math.min(runs, RUNS_TO_COMPARE),
                                    j,
                                    chain.ids())));
        }
        return List.copyOf(out);
    }
}
