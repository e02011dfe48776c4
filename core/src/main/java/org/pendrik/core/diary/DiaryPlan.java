package org.pendrik.core.diary;

import java.util.List;

/**
 * When each task of a case begins.
 *
 * @param starts by job, by task, in the orders of the case, minutes since 1970-01-01 UTC; tasks
 *     that are done where they were
 */
public record DiaryPlan(List<List<Long>> starts) {
    /**
     * A task of a case.
     *
     * @param job its place among the jobs, from 0
     * @param task its place in the job, from 0
     */
    public record Place(int job, int task) {}

    public DiaryPlan {
        starts = starts.stream().map(List::copyOf).toList();
    }

    /** When a task begins. */
    public long start(int job, int task) {
        return starts.get(job).get(task);
    }
}
