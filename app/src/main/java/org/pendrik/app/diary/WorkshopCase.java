package org.pendrik.app.diary;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.diary.Changes;
import org.pendrik.core.diary.DiaryCase;
import org.pendrik.core.diary.DiaryJob;
import org.pendrik.core.diary.DiaryPlan;
import org.pendrik.core.diary.DiaryTask;
import org.pendrik.core.diary.DiaryTaskBuilder;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.StepId;

/**
 * The jobs of a workshop as a question to the diary.
 *
 * @param asked jobs in the order of {@code of}
 * @param of the jobs, in the order in which they get bench time
 * @param shown when each step begins as things stand
 */
record WorkshopCase(DiaryCase asked, List<Diaries.Planned> of, DiaryPlan shown) {
    /** What an hour late costs; the same for all as long as nobody says otherwise. */
    private static final int WEIGHT = 1;

    /**
     * Jobs that have steps to do, as they are placed now; one that finds no place is left out.
     *
     * @param all in the order in which they get bench time
     * @param diaries by job
     */
    static WorkshopCase of(
            List<Diaries.Planned> all,
            Map<UUID, Diaries.Diary> diaries,
            List<Span> bench,
            ZoneId zone,
            long now) {
        List<Diaries.Planned> of = new ArrayList<>();
        List<DiaryJob> jobs = new ArrayList<>();
        List<List<Long>> shown = new ArrayList<>();
        List<Span> open = bench;
        for (Diaries.Planned p : all) {
            Diaries.Diary diary = diaries.get(p.job().id());
            if (diary == null || diary.slots().isEmpty()) {
                continue;
            }
            Map<StepId, Instant> starts = new HashMap<>();
            diary.slots().forEach(s -> starts.put(s.stepId(), s.start()));
            of.add(p);
            jobs.add(job(p, bench, zone));
            shown.add(
                    p.prepared().film().acts().stream()
                            .map(
                                    a ->
                                            a.done()
                                                    ? a.atMinute()
                                                    : StoredStep.minute(
                                                            starts.getOrDefault(
                                                                    a.id(), Instant.EPOCH)))
                            .toList());
            open = p.atTheBench(open);
        }
        return new WorkshopCase(
                new DiaryCase(jobs, open, List.of(), now), of, new DiaryPlan(shown));
    }

    private static DiaryJob job(Diaries.Planned p, List<Span> bench, ZoneId zone) {
        List<DiaryTask> tasks = new ArrayList<>();
        for (Act a : p.prepared().film().acts()) {
            DiaryTask t =
                    new DiaryTask(
                            a.id().value(),
                            a.name(),
                            a.minutes(),
                            a.done() ? OptionalLong.of(a.atMinute()) : OptionalLong.empty());
            DiaryTaskBuilder with = DiaryTaskBuilder.builder(t);
            if (a.technique().booth()) {
                with.setUp(Optional.of(a.material().key()));
            }
            DecidedDiary.Decided d = p.decided().get(a.id());
            if (d != null && d.held()) {
                with.heldTo(stretch(bench, StoredStep.minute(d.startsAt())));
            }
            tasks.add(with.build());
        }
        LocalDate wanted = p.job().wantedOn();
        return new DiaryJob(
                p.job().id().toString(),
                p.job().name(),
                tasks,
                Diaries.gaps(p.prepared().lags()),
                wanted == null
                        ? OptionalLong.empty()
                        : OptionalLong.of(
                                StoredStep.minute(
                                        wanted.plusDays(1).atStartOfDay(zone).toInstant())),
                WEIGHT,
                wanted != null);
    }

    /** The stretch of bench time that a minute lies in; none once it is over. */
    static Optional<Span> stretch(List<Span> bench, long minute) {
        return bench.stream()
                .filter(s -> s.fromMinute() <= minute && minute < s.untilMinute())
                .findFirst();
    }

    /** What people know: the diary as it is shown. */
    Changes known() {
        return new Changes(
                shown.starts().stream()
                        .map(job -> job.stream().map(OptionalLong::of).toList())
                        .toList());
    }

    /** The same with bench time up to a minute only, so that nobody looks a year ahead. */
    WorkshopCase until(long minute) {
        return new WorkshopCase(
                new DiaryCase(
                        asked.jobs(),
                        asked.bench().stream().filter(s -> s.fromMinute() < minute).toList(),
                        asked.resources(),
                        asked.fromMinute()),
                of,
                shown);
    }

    /** The same with one step in a stretch of the user's choice. */
    WorkshopCase holding(int job, int task, Span to) {
        List<DiaryJob> jobs = new ArrayList<>(asked.jobs());
        DiaryJob j = jobs.get(job);
        List<DiaryTask> tasks = new ArrayList<>(j.tasks());
        tasks.set(task, DiaryTaskBuilder.builder(tasks.get(task)).heldTo(Optional.of(to)).build());
        jobs.set(
                job,
                new DiaryJob(
                        j.id(),
                        j.name(),
                        tasks,
                        j.lags(),
                        j.dueMinute(),
                        j.weight(),
                        j.promised()));
        return new WorkshopCase(
                new DiaryCase(jobs, asked.bench(), asked.resources(), asked.fromMinute()),
                of,
                shown);
    }
}
