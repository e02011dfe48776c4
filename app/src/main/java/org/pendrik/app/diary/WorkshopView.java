package org.pendrik.app.diary;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.diary.DiaryOutcome;
import org.pendrik.core.diary.DiaryStage;
import org.pendrik.core.film.StepId;

/**
 * The diary of the whole workshop.
 *
 * @param tracks a job each, in the order in which they get bench time
 * @param sittings in which something is to be done, in order
 * @param sum what it comes to
 * @param stages how far each goal was taken when it was decided last; empty when it was not
 * @param decided every step stands where it was decided
 * @param moved what moved to another sitting by what was just decided
 */
record WorkshopView(
        List<Track> tracks,
        List<Sitting> sittings,
        Sum sum,
        List<DiaryStage> stages,
        boolean decided,
        List<Moved> moved,
        Instant now,
        String zoneId) {
    /**
     * A job.
     *
     * @param latestStart the last moment for its next step so that its date is kept
     * @param slackMinutes from the planned begin of its next step until then
     * @param chance that its date is kept, 0 to 1
     * @param chain what its time goes into along the steps that decide, largest first
     * @param decides ids of these steps
     * @param raises what would make its date more likely, what helps most first; at most two
     * @param waysOut what would save its date, the least bench time first; empty when it is kept
     */
    record Track(
            UUID jobId,
            String jobName,
            Diaries.Diary diary,
            @Nullable Instant latestStart,
            @Nullable Long slackMinutes,
            @Nullable Double chance,
            List<DiaryOutcome.Driver> chain,
            List<String> decides,
            List<Raise> raises,
            List<WayOut> waysOut) {}

    /** What makes a date more likely. */
    enum RaiseKind {
        LONGER,
        WARMED,
        FIRST
    }

    /**
     * Something that makes a date more likely.
     *
     * @param from more bench time begins, where that is it
     * @param until and ends
     * @param stepId whose coat is dried in half the time, where that is it
     * @param step its name
     * @param chance of the date then, 0 to 1
     */
    record Raise(
            RaiseKind kind,
            @Nullable Instant from,
            @Nullable Instant until,
            @Nullable String stepId,
            @Nullable String step,
            double chance) {}

    /** What can be done about a date. */
    enum WayKind {
        MORE_TIME,
        COMES_FIRST,
        LATER_DATE
    }

    /**
     * A way to keep a date, and its price.
     *
     * @param from more bench time begins, where that is the way
     * @param until and ends
     * @param ready when the job is done then
     * @param othersLaterMinutes by which other jobs are done later, added up
     * @param othersLateMinutes more after their dates, added up
     */
    record WayOut(
            WayKind kind,
            @Nullable Instant from,
            @Nullable Instant until,
            Instant ready,
            long othersLaterMinutes,
            long othersLateMinutes) {}

    /**
     * One stretch at the bench.
     *
     * @param from the stretch begins
     * @param until the stretch ends
     * @param workMinutes of it are work
     * @param inCalendar it is bench time; otherwise somebody is there because a window is open
     * @param work in its order
     * @param fillings what the airbrush is filled with, one after the other
     */
    record Sitting(
            Instant from,
            Instant until,
            long workMinutes,
            boolean inCalendar,
            List<Work> work,
            List<Filling> fillings) {}

    /**
     * One step in a sitting.
     *
     * @param fills the airbrush is filled anew for it
     * @param held the user holds it to this sitting
     * @param windowCloses by then the work in its coat's window must be over
     */
    record Work(
            UUID jobId,
            String jobName,
            StepId stepId,
            String name,
            String material,
            @Nullable String hex,
            Instant start,
            Instant end,
            boolean fills,
            boolean held,
            @Nullable Instant windowCloses) {}

    /**
     * One filling of the airbrush.
     *
     * @param jobs names of the jobs that it serves
     */
    record Filling(String material, @Nullable String hex, List<String> jobs) {}

    /** What a diary comes to. */
    record Sum(long lateMinutes, int sittings, int setUps, long workMinutes) {}

    /**
     * A step that moved to another sitting.
     *
     * @param from where it was to begin
     * @param to where it is to begin now
     */
    record Moved(
            UUID jobId, String jobName, StepId stepId, String name, Instant from, Instant to) {}
}
