package org.pendrik.core.diary;

import java.util.Optional;
import org.pendrik.core.diary.DiarySolver.Answer;
import org.pendrik.core.units.Watch;

/** Asks the solver as most tests do: nobody looks, nobody stops it. */
final class Solving {
    private Solving() {}

    static Answer solve(DiaryCase asked, Optional<Changes> before, double seconds) {
        return DiarySolver.solve(
                asked,
                before,
                new DiarySolver.Effort(seconds),
                DiarySolver.Follower.NOBODY,
                Watch.NOBODY);
    }

    /** The list schedule; empty when it finds no place for a step. */
    static Optional<DiaryPlan> atOnce(DiaryCase asked) {
        return solve(asked, Optional.empty(), 0) instanceof Answer.Found f
                ? Optional.of(f.plan())
                : Optional.empty();
    }
}
