package org.pendrik.core.diary;

import java.util.HashSet;
import java.util.List;
import java.util.OptionalLong;
import java.util.Set;
import org.pendrik.core.units.InvalidInput;

/**
 * One subject and the steps that are done to it.
 *
 * @param id names it
 * @param name as the user calls it
 * @param tasks in the order in which they are done, done ones first; ids unique
 * @param lags between them; those that name no task are ignored
 * @param dueMinute it is to be ready by then, minutes since 1970-01-01 UTC
 * @param weight what an hour late costs against other jobs, 1 to 100
 * @param promised somebody else counts on its dates, so it is moved last
 */
public record DiaryJob(
        String id,
        String name,
        List<DiaryTask> tasks,
        List<TimeLag> lags,
        OptionalLong dueMinute,
        int weight,
        boolean promised) {
    public DiaryJob {
        tasks = List.copyOf(tasks);
        lags = List.copyOf(lags);
        InvalidInput.requireWithin(
                "Weight of " + name, weight, "", 1, 100, "1 is a job without anyone waiting.");
        Set<String> ids = new HashSet<>();
        boolean open = false;
        for (DiaryTask t : tasks) {
            if (!ids.add(t.id())) {
                throw new InvalidInput(
                        "Step",
                        t.id(),
                        "stands in " + name + " twice",
                        "Give each step its own id.");
            }
            if (open && !t.open()) {
                throw new InvalidInput(
                        "Step",
                        t.id(),
                        "of " + name + " is done and stands behind one that is not",
                        "Put what is done in front.");
            }
            open |= t.open();
        }
    }
}
