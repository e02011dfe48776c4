package org.pendrik.core.diary;

import java.util.List;

/** What came of placing the tasks. */
public sealed interface DiaryOutcome {
    /**
     * All tasks have their time.
     *
     * @param placed in the order of the tasks
     * @param finishMinute when the last one ends
     * @param drivers what the time from the first minute to the finish goes into, largest first
     */
    record Placed(List<Placement> placed, long finishMinute, List<Driver> drivers)
            implements DiaryOutcome {
        public Placed {
            placed = List.copyOf(placed);
            drivers = List.copyOf(drivers);
        }
    }

    /**
     * It cannot be done in this pattern of bench time.
     *
     * @param reason names the task
     * @param remedy what helps
     */
    record CannotPlace(String reason, String remedy) implements DiaryOutcome {}

    /** A task with its time, in minutes since 1970-01-01 UTC. */
    record Placement(String id, long startMinute, long endMinute, boolean done) {}

    /**
     * A reason for the length of the whole.
     *
     * @param kind of reason
     * @param label what it is, for the user
     * @param minutes how much of the time it takes
     */
    record Driver(Kind kind, String label, long minutes) {
        /** Kinds of reason. */
        public enum Kind {
            DRYING,
            NO_BENCH_TIME,
            OTHER_WORK,
            WORK
        }
    }
}
