package org.pendrik.app.workshop;

import java.time.Instant;
import java.util.List;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.units.InvalidInput;

/**
 * A calendar that was read in.
 *
 * @param name as the user calls it, up to 80 letters; unique
 * @param readAt when it was read
 * @param busy when its owner is busy elsewhere, minutes since 1970-01-01 UTC
 */
public record BusyCalendar(String name, Instant readAt, List<Span> busy) {
    private static final int LONGEST_NAME = 80;

    public BusyCalendar {
        busy = List.copyOf(busy);
        if (name.isBlank() || name.length() > LONGEST_NAME) {
            throw new InvalidInput(
                    "Name of the calendar",
                    name.length() + " letters",
                    "must have 1 to " + LONGEST_NAME,
                    "Call it by whose it is, such as Work.");
        }
    }
}
