package org.pendrik.app.diary;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.plan.Alternatives;

/**
 * A plan laid beside the one asked for.
 *
 * @param changed questions answered otherwise, with the answer's key
 * @param title what is done otherwise; empty for the plan asked for
 * @param sentence what that gives and takes
 * @param clears clear coats, the final flat among them
 * @param readyAt when it is ready, as the bench time has it
 * @param steps names of its steps in order
 * @param proven nothing costs less
 */
record AlternativeView(
        Map<String, String> changed,
        String title,
        String sentence,
        Instant readyAt,
        int clears,
        long handsOnMinutes,
        int risk,
        List<String> steps,
        boolean proven) {
    static AlternativeView of(Alternatives.Alternative a) {
        return new AlternativeView(
                a.changed(),
                a.title(),
                a.sentence(),
                Instant.ofEpochSecond(a.readyMinute() * 60),
                (int)
                        a.plan().steps().stream()
                                .filter(x -> x.act().technique().role() == Technique.Role.CLEAR)
                                .count(),
                a.handsOnMinutes(),
                a.risk(),
                a.plan().steps().stream().map(s -> s.act().technique().name()).toList(),
                a.plan().proven());
    }
}
