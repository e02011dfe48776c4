package org.pendrik.core.diary;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.pendrik.core.diary.Availability.Span;

/**
 * Hands-on work of one step.
 *
 * @param id names it within its job
 * @param name as said at the bench
 * @param minutes without interruption
 * @param doneAtMinute when it began, if it is done; it is not moved then
 * @param setUp what the airbrush holds for it: colour or clear; empty when it takes no airbrush.
 *     Work with the same one after the other in a sitting shares a set-up
 * @param needs what it takes besides the person
 * @param notBefore it cannot begin before, such as when an answer is promised; minutes since
 *     1970-01-01 UTC
 * @param heldTo the stretch in which the user wants it to be done
 * @param cureMinutes how long after its end the subject is not ready to be packed because of it
 */
@RecordBuilder
@RecordBuilder.Options(enableWither = false)
public record DiaryTask(
        String id,
        String name,
        int minutes,
        OptionalLong doneAtMinute,
        Optional<String> setUp,
        List<Need> needs,
        OptionalLong notBefore,
        Optional<Span> heldTo,
        long cureMinutes) {
    /**
     * Something that a task takes.
     *
     * @param resource key of a {@link DiaryCase.Resource}
     * @param minutesAfter how long after its end it keeps it, such as a place in a drying box
     */
    public record Need(String resource, long minutesAfter) {}

    public DiaryTask {
        needs = List.copyOf(needs);
        if (minutes < 0 || cureMinutes < 0) {
            throw new IllegalArgumentException("minutes of " + id + " must not be negative");
        }
    }

    /** One that needs nothing but the person. */
    public DiaryTask(String id, String name, int minutes, OptionalLong doneAtMinute) {
        this(
                id,
                name,
                minutes,
                doneAtMinute,
                Optional.empty(),
                List.of(),
                OptionalLong.empty(),
                Optional.empty(),
                0);
    }

    /** It is still to do. */
    boolean open() {
        return doneAtMinute.isEmpty();
    }
}
