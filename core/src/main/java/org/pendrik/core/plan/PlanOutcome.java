package org.pendrik.core.plan;

import java.util.List;
import org.pendrik.core.film.FilmCase;

/** What came of compiling. */
public sealed interface PlanOutcome {
    /**
     * A plan.
     *
     * @param steps those still to do, in order
     * @param timed all acts, done ones first, each as early as the coats allow
     * @param clears how many clear coats it takes
     * @param minutes from its first minute to its last, drying included
     * @param warnings that nothing helped against
     * @param proven whether the search was finished, so that no plan costs less
     * @param gapMinutes how much less a plan could cost at most, in minutes of the documented cost;
     *     0 when proven
     */
    record Compiled(
            List<PlanStep> steps,
            FilmCase timed,
            int clears,
            long minutes,
            long warnings,
            boolean proven,
            long gapMinutes)
            implements PlanOutcome {
        public Compiled {
            steps = List.copyOf(steps);
        }
    }

    /**
     * No order keeps the rules.
     *
     * @param reason what stands against it
     * @param remedy what helps
     */
    record NoPlan(String reason, String remedy) implements PlanOutcome {}
}
