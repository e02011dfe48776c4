package org.pendrik.app.store;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.units.InvalidInput;

/**
 * Dates that people can mean. A year of nine digits is a slip that every calendar would carry on.
 */
public final class Years {
    /** The oldest photograph. */
    public static final int OF_PHOTOGRAPHS = 1826;

    /** Before any workshop was kept here. */
    public static final int OF_WORK = 1950;

    private static final int LAST = 2100;
    private static final long LAST_SECOND_OF_CALENDAR = 31_000_000_000_000_000L;

    private Years() {}

    /**
     * Refuses a date that nobody can mean.
     *
     * @param first year that is taken; the last is {@value #LAST}
     */
    public static void require(String field, @Nullable LocalDate date, int first) {
        if (date != null && (date.getYear() < first || date.getYear() > LAST)) {
            throw new InvalidInput(
                    field,
                    date.toString(),
                    "must lie between the years " + first + " and " + LAST,
                    "Write the year with four digits.");
        }
    }

    /** As {@link #require(String, LocalDate, int)}, for a moment. */
    public static void require(String field, @Nullable Instant at, int first) {
        if (at == null) {
            return;
        }
        // the calendar ends before the clock does
        boolean beyond = Math.abs(at.getEpochSecond()) > LAST_SECOND_OF_CALENDAR;
        require(field, beyond ? LocalDate.MAX : LocalDate.ofInstant(at, ZoneOffset.UTC), first);
    }
}
