package org.pendrik.app.bench;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.app.store.ZoneTimes;
import org.pendrik.core.film.StepId;

/**
 * What was really done.
 *
 * @param finishedAt null while it goes on
 * @param zoneTimes when it was on each zone so far, if it is noted zone by zone
 */
public record LogEntry(
        UUID id,
        UUID jobId,
        StepId stepId,
        String technique,
        String material,
        ZoneKeys zones,
        Instant startedAt,
        @Nullable Instant finishedAt,
        String note,
        @Nullable UUID photographId,
        int version,
        @Nullable ZoneTimes zoneTimes) {
    /** The same with other zones over; it goes on where {@code end} is null. */
    LogEntry with(ZoneTimes over, String material, @Nullable Instant end) {
        return new LogEntry(
                id,
                jobId,
                stepId,
                technique,
                material,
                zones,
                startedAt,
                end,
                note,
                photographId,
                version,
                over);
    }
}
