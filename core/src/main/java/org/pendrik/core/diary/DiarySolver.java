package org.pendrik.core.diary;

import java.util.List;
import java.util.Optional;
import org.pendrik.core.units.Watch;

/**
 * The diary of a whole workshop: a resource-constrained project schedule with least and most lags
 * (RCPSP/max; K. Neumann, C. Schwindt, J. Zimmermann, "Project Scheduling with Time Windows and
 * Scarce Resources", Springer 2003), solved goal by goal.
 *
 * <p>A list schedule by dates gives a diary at once. The goals of {@link DiaryStage.Goal} then
 * follow one after the other, each without giving up anything of those before. A small case is
 * solved whole; a large one is improved by solving parts of it, some tasks free and the others in
 * their sittings (large-neighbourhood search; P. Shaw, "Using constraint programming and local
 * search methods to solve vehicle routing problems", CP98, LNCS 1520, 417–431). The parts are
 * solved by CP-SAT with one worker, a fixed seed and limits in deterministic time, so the same
 * question gives the same answer on any machine, unless somebody stops it.
 */
public final class DiarySolver {
    private DiarySolver() {}

    /**
     * How long to search.
     *
     * @param seconds about so many on a usual machine, counted in the solver's own deterministic
     *     time; 0 for the list schedule alone
     */
    public record Effort(double seconds) {
        /** As long as somebody watches a diary get better. */
        public static final Effort USUAL = new Effort(8);
    }

    /** What came of it. */
    public sealed interface Answer {
        /**
         * A diary that {@link DiaryCheck} accepts.
         *
         * @param stages how far each goal is
         * @param missed work in windows of coats that lie, which can be kept no more; it is done as
         *     soon as it can be
         */
        record Found(
                DiaryPlan plan,
                DiaryScore score,
                List<DiaryStage> stages,
                List<DiaryPlan.Place> missed)
                implements Answer {
            public Found {
                missed = List.copyOf(missed);
                stages = List.copyOf(stages);
            }
        }

        /**
         * A task finds no place at all.
         *
         * @param job its job
         * @param task the task
         */
        record CannotPlace(DiaryJob job, DiaryTask task) implements Answer {}
    }

    /** Sees each better diary as it is found. */
    @FunctionalInterface
    public interface Follower {
        /** Nobody looks. */
        Follower NOBODY = _ -> {};

        /** A diary better than those before. */
        void better(Answer.Found found);
    }

    /**
     * The best diary that is found.
     *
     * @param before the diary that people know, of the same jobs and tasks; as little as possible
     *     moves against it
     * @param watch stops the search; when its time is up, the best so far is the answer
     */
    public static Answer solve(
            DiaryCase asked,
            Optional<Changes> before,
            Effort effort,
            Follower follower,
            Watch watch) {
        return new DiarySearch(asked, before, effort, follower, watch).run();
    }
}
