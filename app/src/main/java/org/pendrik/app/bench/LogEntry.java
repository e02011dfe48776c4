package org.pendrik.app.bench;

import io.soabase.recordbuilder.core.RecordBuilder;
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
@RecordBuilder
@RecordBuilder.Options(
        builderClassModifiers = {},
        enableWither = false)
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
        return LogEntryBuilder.builder(this).finishedAt(end).zoneTimes(over).build();
    }
}
