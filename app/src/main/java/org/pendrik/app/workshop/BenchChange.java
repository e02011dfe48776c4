package org.pendrik.app.workshop;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.diary.Availability;

/**
 * A stretch of one day on which bench time is otherwise than in the week.
 *
 * @param id chosen by who makes it, so that making it twice makes it once
 * @param onDay on the wall's calendar
 * @param fromTime begins
 * @param untilTime ends; null at midnight
 * @param there at the bench then, or away
 */
public record BenchChange(
        UUID id,
        LocalDate onDay,
        LocalTime fromTime,
        @Nullable LocalTime untilTime,
        boolean there) {
    public BenchChange {
        new Availability.Change(onDay, fromTime, Optional.ofNullable(untilTime), there);
    }

    Availability.Change asAsked() {
        return new Availability.Change(onDay, fromTime, Optional.ofNullable(untilTime), there);
    }
}
