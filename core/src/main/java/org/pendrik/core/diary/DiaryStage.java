package org.pendrik.core.diary;

/**
 * What a diary was improved in, and how far.
 *
 * @param goal what counts
 * @param value of the diary that was found
 * @param bound no diary that is as good in the goals before can be better than this
 * @param proven nothing better exists
 */
public record DiaryStage(Goal goal, long value, long bound, boolean proven) {
    /** Goals in the order in which they count. */
    public enum Goal {
        /** Minutes after the dates, times the weights of the jobs. */
        DATES,
        /** Weight of what is moved to another sitting. */
        CHANGES,
        /** Sittings and set-ups, as {@link DiaryScore#effort} counts them. */
        SITTINGS,
        /** Minutes until the jobs are ready, added up. */
        READY,
        /** Minutes of the fullest sitting. */
        EVEN;

        long of(DiaryScore score) {
            return switch (this) {
                case DATES -> score.late();
                case CHANGES -> score.moved();
                case SITTINGS -> score.effort();
                case READY -> score.ready();
                case EVEN -> score.fullest();
            };
        }
    }

    /** How much of the value may still be saved, 0 to 1. */
    public double gap() {
        return proven || value == 0 ? 0 : (double) (value - bound) / value;
    }
}
