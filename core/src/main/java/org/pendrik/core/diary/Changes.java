package org.pendrik.core.diary;

import java.util.List;
import java.util.OptionalLong;

/**
 * The diary that people know: what has moved against it is what they have to be told.
 *
 * @param starts by job, by task, when the task was to begin; empty for one that had no time yet
 */
public record Changes(List<List<OptionalLong>> starts) {
    /** What a task in another sitting weighs. */
    static final int MOVED = 1;

    /** The same where somebody else counts on it. Workshop prior. */
    static final int MOVED_PROMISED = 10;

    public Changes {
        starts = starts.stream().map(List::copyOf).toList();
    }

    /** What has moved to another sitting, by its weight. */
    long weight(DiaryCase asked, DiaryPlan plan) {
        long sum = 0;
        for (int j = 0; j < asked.jobs().size(); j++) {
            for (int t = 0; t < asked.jobs().get(j).tasks().size(); t++) {
                if (moved(asked, plan, j, t)) {
                    sum += weight(asked.jobs().get(j));
                }
            }
        }
        return sum;
    }

    static int weight(DiaryJob job) {
        return job.promised() ? MOVED_PROMISED : MOVED;
    }

    /** A task stands in another sitting than before. */
    public boolean moved(DiaryCase asked, DiaryPlan plan, int job, int task) {
        OptionalLong was = starts.get(job).get(task);
        return was.isPresent()
                && asked.jobs().get(job).tasks().get(task).open()
                && DiaryScore.sitting(asked.bench(), was.getAsLong())
                        != DiaryScore.sitting(asked.bench(), plan.start(job, task));
    }
}
