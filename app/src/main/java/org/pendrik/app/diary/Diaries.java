package org.pendrik.app.diary;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.makeup.Plans;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.workshop.Workshop;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.diary.DiaryOutcome;
import org.pendrik.core.diary.DiaryPlacer;
import org.pendrik.core.diary.DiaryTask;
import org.pendrik.core.diary.Gap;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.DryingTimes;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Timing;
import org.springframework.stereotype.Service;

/** Places the steps of a job into the bench time of the workshop. */
@Service
public class Diaries {
    private final Plans plans;
    private final Jobs jobs;
    private final Workshops workshops;
    private final Timing timing;
    private final FilmCheck check;
    private final Clock clock;

    Diaries(
            Plans plans,
            Jobs jobs,
            Workshops workshops,
            Timing timing,
            FilmCheck check,
            Clock clock) {
        this.plans = plans;
        this.jobs = jobs;
        this.workshops = workshops;
        this.timing = timing;
        this.check = check;
        this.clock = clock;
    }

    /**
     * A step with its time.
     *
     * @param touchAt when its coat is touch dry, if it leaves one that dries
     * @param windowOpens when its coat may be worked, if it may
     */
    public record Slot(
            String stepId,
            String name,
            String material,
            @Nullable String hex,
            Instant start,
            Instant end,
            boolean done,
            @Nullable Instant touchAt,
            @Nullable Instant recoatAt,
            @Nullable Instant fullAt,
            @Nullable Instant windowOpens,
            @Nullable Instant windowCloses,
            List<String> warnings) {}

    /** A stretch of bench time. */
    public record BenchSpan(Instant from, Instant until) {}

    /**
     * The diary of a job.
     *
     * @param problem why nothing could be placed, or null
     * @param remedy what helps against it
     * @param finish end of the last step
     * @param packFrom when the last coat is fully cured
     * @param deadline end of the day that it is wanted on
     * @param lateMinutes minutes from the deadline to the finish, 0 when in time
     */
    public record Diary(
            List<Slot> slots,
            List<BenchSpan> bench,
            @Nullable String problem,
            @Nullable String remedy,
            @Nullable Instant finish,
            @Nullable Instant packFrom,
            @Nullable Instant deadline,
            @Nullable LocalDate wantedOn,
            long lateMinutes,
            List<DiaryOutcome.Driver> drivers,
            Instant now,
            String zoneId,
            Map<String, String> lags) {}

    /** The diary of a job as of now. */
    public Diary of(UUID jobId) {
        Job job = jobs.get(jobId);
        Workshop workshop = workshops.current();
        long now = StoredStep.minute(clock.instant());
        List<StoredStep> steps = plans.of(jobId).steps();
        FilmCase film = plans.filmCase(jobId, steps);
        List<DiaryTask> tasks = new ArrayList<>();
        for (Act a : film.acts()) {
            tasks.add(
                    new DiaryTask(
                            a.id(),
                            a.technique().name(),
                            a.minutes(),
                            a.done() ? OptionalLong.of(a.atMinute()) : OptionalLong.empty()));
        }
        Map<String, String> why = new HashMap<>();
        List<Gap> gaps =
                timing.lags(film).stream()
                        .map(
                                l -> {
                                    why.merge(
                                            l.toActId(),
                                            l.why(),
                                            (x, y) -> x.contains(y) ? x : x + ", " + y);
                                    return new Gap(
                                            l.fromActId(),
                                            l.toActId(),
                                            l.minMinutes(),
                                            l.maxMinutes(),
                                            l.why());
                                })
                        .toList();
        ZoneId zone = ZoneId.of(workshop.zoneId());
        Instant deadline =
                job.wantedOn() == null
                        ? null
                        : job.wantedOn().plusDays(1).atStartOfDay(zone).toInstant();
        var outcome = DiaryPlacer.place(tasks, gaps, workshop.availability(), now);
        return switch (outcome) {
            case DiaryOutcome.CannotPlace no ->
                    new Diary(
                            List.of(),
                            bench(workshop, now, 14),
                            no.reason(),
                            no.remedy(),
                            null,
                            null,
                            deadline,
                            job.wantedOn(),
                            0,
                            List.of(),
                            clock.instant(),
                            workshop.zoneId(),
                            why);
            case DiaryOutcome.Placed p -> {
                List<Slot> slots = slots(p, film);
                Instant finish = slots.isEmpty() ? null : at(p.finishMinute());
                Instant pack = finish;
                for (Slot s : slots) {
                    if (pack != null && s.fullAt() != null && s.fullAt().isAfter(pack)) {
                        pack = s.fullAt();
                    }
                }
                long late =
                        deadline == null || finish == null || !finish.isAfter(deadline)
                                ? 0
                                : java.time.Duration.between(deadline, finish).toMinutes();
                int days = (int) Math.max(7, (p.finishMinute() - now) / 1440 + 3);
                yield new Diary(
                        slots,
                        bench(workshop, now, days),
                        null,
                        null,
                        finish,
                        pack,
                        deadline,
                        job.wantedOn(),
                        late,
                        p.drivers(),
                        clock.instant(),
                        workshop.zoneId(),
                        why);
            }
        };
    }

    private List<Slot> slots(DiaryOutcome.Placed placed, FilmCase film) {
        List<Act> timed = new ArrayList<>();
        for (int i = 0; i < film.acts().size(); i++) {
            timed.add(film.acts().get(i).at(placed.placed().get(i).startMinute()));
        }
        Map<String, List<String>> warnings = new HashMap<>();
        for (Finding f : check.check(film.with(timed)).findings()) {
            if (f.severity() != Finding.Severity.NOTE) {
                warnings.computeIfAbsent(f.actId(), _ -> new ArrayList<>()).add(f.why());
            }
        }
        List<Slot> out = new ArrayList<>();
        for (Act a : timed) {
            var dry = DryingTimes.of(a, film.air());
            long end = a.endMinute();
            out.add(
                    new Slot(
                            a.id(),
                            a.technique().name(),
                            a.material().name(),
                            a.material().colour().map(Srgb::toHex).orElse(null),
                            at(a.atMinute()),
                            at(end),
                            a.done(),
                            dry.map(d -> at(end + d.touch())).orElse(null),
                            dry.map(d -> at(end + d.recoat())).orElse(null),
                            dry.map(d -> at(end + d.full())).orElse(null),
                            dry.flatMap(DryingTimes::window)
                                    .map(w -> at(end + (long) Math.ceil(w.fromMinutes())))
                                    .orElse(null),
                            dry.flatMap(DryingTimes::window)
                                    .map(w -> at(end + (long) Math.floor(w.untilMinutes())))
                                    .orElse(null),
                            warnings.getOrDefault(a.id(), List.of())));
        }
        return out;
    }

    private static List<BenchSpan> bench(Workshop w, long fromMinute, int days) {
        List<BenchSpan> out = new ArrayList<>();
        for (Span s : w.availability().spans(fromMinute, Math.min(days, 120))) {
            out.add(new BenchSpan(at(s.fromMinute()), at(s.untilMinute())));
        }
        return out;
    }

    private static Instant at(long minute) {
        return Instant.ofEpochSecond(minute * 60);
    }
}
