package org.pendrik.app.diary;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalLong;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.Job;
import org.pendrik.app.makeup.JobSnapshot;
import org.pendrik.app.makeup.JobSnapshots;
import org.pendrik.app.makeup.PlanJudge;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.workshop.BenchTimes;
import org.pendrik.app.workshop.Workshop;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.diary.Availability;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.diary.DiaryOutcome;
import org.pendrik.core.diary.DiaryPlacer;
import org.pendrik.core.diary.DiaryTask;
import org.pendrik.core.diary.DiaryTaskBuilder;
import org.pendrik.core.diary.TimeLag;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.DryingTimes;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Lag;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Timing;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Places the steps of a job into the bench time of the workshop. */
@Service
public class Diaries {
    private static final int HORIZON_DAYS = 370;
    private static final int FEWEST_DAYS_SHOWN = 7;

    private static final int MOST_KEPT = 1_500;

    private final JobSnapshots snapshots;
    private final PlanJudge judge;
    private final Workshops workshops;
    private final BenchTimes benchTimes;
    private final DecidedDiary decided;
    private final Engines engines;
    private final Clock clock;
    private final Cache<FilmAt, Prepared> prepared =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();
    private final Cache<PlacedBy, Diary> placed =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    Diaries(
            JobSnapshots snapshots,
            PlanJudge judge,
            Workshops workshops,
            BenchTimes benchTimes,
            DecidedDiary decided,
            Engines engines,
            Clock clock) {
        this.snapshots = snapshots;
        this.judge = judge;
        this.workshops = workshops;
        this.benchTimes = benchTimes;
        this.decided = decided;
        this.engines = engines;
        this.clock = clock;
    }

    /**
     * A step with its time.
     *
     * @param touchAt when its coat is touch dry, if it leaves one that dries
     * @param windowOpens when its coat may be worked, if it may
     */
    public record Slot(
            StepId stepId,
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
            Map<StepId, String> lags) {
        /** The same, told at a moment. */
        private Diary at(Instant moment) {
            return new Diary(
                    slots,
                    bench,
                    problem,
                    remedy,
                    finish,
                    packFrom,
                    deadline,
                    wantedOn,
                    lateMinutes,
                    drivers,
                    moment,
                    zoneId,
                    lags);
        }
    }

    /**
     * The diary of a job as of now; jobs that are wanted earlier have taken their bench time
     * already.
     */
    @Transactional(readOnly = true)
    public Diary of(UUID jobId) {
        List<JobSnapshot> all = new ArrayList<>(snapshots.inWork());
        if (all.stream().noneMatch(s -> s.job().id().equals(jobId))) {
            all.add(snapshots.of(jobId));
        }
        return Objects.requireNonNull(until(all, jobId).get(jobId));
    }

    /** The diaries of jobs that have steps to do, in the order in which they get bench time. */
    public Map<UUID, Diary> of(List<JobSnapshot> all) {
        return until(all, null);
    }

    private Map<UUID, Diary> until(List<JobSnapshot> all, @Nullable UUID last) {
        Map<UUID, Diary> out = new LinkedHashMap<>();
        List<Span> taken = new ArrayList<>();
        Workshop workshop = workshops.current();
        Instant now = clock.instant();
        List<Span> pattern = bench();
        for (Planned p : order(all)) {
            Diary d = placed(p, workshop, pattern, taken).at(now);
            out.put(p.job().id(), d);
            if (p.job().id().equals(last)) {
                return out;
            }
            for (Slot s : d.slots()) {
                if (!s.done()) {
                    taken.add(new Span(StoredStep.minute(s.start()), StoredStep.minute(s.end())));
                }
            }
        }
        return out;
    }

    /** Bench time from now on. */
    List<Span> bench() {
        return benchTimes.spans(StoredStep.minute(clock.instant()), HORIZON_DAYS);
    }

    /** A plan that is asked about in a minute, by the tables of that minute. */
    record FilmAt(FilmCase film, long now, Object catalogue) {}

    /**
     * What the film engine says of a plan's times.
     *
     * @param film in rounds where laying and working in a window do not fit in one go
     * @param openUntil the minute in which the last open window closes, 0 when none is open
     */
    record Prepared(FilmCase film, List<Lag> lags, long openUntil) {}

    /**
     * A job with what the film engine says of its times.
     *
     * @param decided when its steps are to begin, as far as that was decided
     */
    record Planned(
            Job job, FilmAt asked, Prepared prepared, Map<StepId, DecidedDiary.Decided> decided) {
        long openUntil() {
            return prepared.openUntil();
        }

        /** Each of its steps has a time that was decided. */
        boolean allDecided() {
            return prepared.film().acts().stream()
                    .allMatch(a -> a.done() || decided.containsKey(a.id()));
        }

        /**
         * Somebody who has just laid a coat that must be worked soon is at the bench until then.
         */
        List<Span> atTheBench(List<Span> bench) {
            if (openUntil() == 0) {
                return bench;
            }
            int longestStep =
                    prepared.film().acts().stream()
                            .filter(a -> !a.done())
                            .mapToInt(Act::minutes)
                            .max()
                            .orElse(0);
            return Availability.with(bench, new Span(asked.now(), openUntil() + longestStep));
        }
    }

    /** All that the diary of a job hangs on. */
    private record PlacedBy(
            FilmAt asked,
            List<Span> bench,
            @Nullable LocalDate wantedOn,
            String zoneId,
            Map<StepId, DecidedDiary.Decided> decided) {}

    /**
     * Jobs with an open window first, since it cannot wait, and of those the one whose window
     * closes first; then those whose evenings were decided; then by the date wanted.
     */
    List<Planned> order(List<JobSnapshot> all) {
        List<Planned> out = new ArrayList<>();
        for (JobSnapshot job : all) {
            FilmAt asked = new FilmAt(judge.filmCase(job), judge.now(), engines.catalogue());
            out.add(
                    new Planned(
                            job.job(),
                            asked,
                            prepared.get(asked, this::prepare),
                            decided.of(job.job().id())));
        }
        out.sort(
                Comparator.comparing((Planned p) -> p.openUntil() == 0)
                        .thenComparingLong(Planned::openUntil)
                        .thenComparing(p -> p.decided().isEmpty()));
        return out;
    }

    private Prepared prepare(FilmAt a) {
        FilmCase film = inRounds(a.film());
        return new Prepared(film, engines.timing().lags(film), openUntil(film, a.now()));
    }

    private long openUntil(FilmCase film, long now) {
        Set<StepId> done = new HashSet<>();
        film.acts().stream().filter(Act::done).forEach(a -> done.add(a.id()));
        return engines.timing().spans(film).stream()
                .filter(s -> done.contains(s.coatActId()) && !done.contains(s.workActId()))
                .mapToLong(Timing.WorkSpan::closesMinute)
                .filter(closes -> closes > now)
                .max()
                .orElse(0);
    }

    /**
     * When a job would be ready if it were done by this plan, in the bench time that is free now.
     */
    long readyMinute(FilmCase plan) {
        FilmCase film = inRounds(plan);
        long now = StoredStep.minute(clock.instant());
        return switch (DiaryPlacer.place(tasks(film), gaps(film), bench(), now)) {
            case DiaryOutcome.CannotPlace _ -> now + HORIZON_DAYS * 1440L;
            case DiaryOutcome.Placed p -> p.finishMinute();
        };
    }

    /** A plan with rounds where laying and working in a window do not fit in one go. */
    public FilmCase inRounds(FilmCase plan) {
        return engines.timing().inRounds(plan);
    }

    /** The steps as the diary takes them; those that are done stand where they were. */
    public static List<DiaryTask> tasks(FilmCase film) {
        return film.acts().stream()
                .map(
                        a ->
                                new DiaryTask(
                                        a.id().value(),
                                        a.name(),
                                        a.minutes(),
                                        a.done()
                                                ? OptionalLong.of(a.atMinute())
                                                : OptionalLong.empty()))
                .toList();
    }

    /**
     * What was decided stands, if it is still to come; a step that was to begin by now can begin.
     */
    private static DiaryTask notBefore(
            DiaryTask t, Map<StepId, DecidedDiary.Decided> decided, long now) {
        DecidedDiary.Decided d = decided.get(new StepId(t.id()));
        if (d == null || StoredStep.minute(d.startsAt()) <= now) {
            return t;
        }
        return DiaryTaskBuilder.builder(t)
                .notBefore(OptionalLong.of(StoredStep.minute(d.startsAt())))
                .build();
    }

    /** What lies between them at least and at most. */
    public List<TimeLag> gaps(FilmCase film) {
        return gaps(engines.timing().lags(film));
    }

    static List<TimeLag> gaps(List<Lag> lags) {
        return lags.stream()
                .map(
                        l ->
                                new TimeLag(
                                        l.fromActId().value(),
                                        l.toActId().value(),
                                        l.minMinutes(),
                                        l.maxMinutes(),
                                        l.why()))
                .toList();
    }

    private Diary placed(Planned p, Workshop workshop, List<Span> pattern, List<Span> taken) {
        List<Span> bench = p.atTheBench(pattern);
        PlacedBy q =
                new PlacedBy(
                        p.asked(),
                        Availability.without(bench, taken),
                        p.job().wantedOn(),
                        workshop.zoneId(),
                        p.decided());
        return placed.get(q, x -> place(x, p.prepared()));
    }

    private Diary place(PlacedBy q, Prepared plan) {
        FilmCase film = plan.film();
        List<Span> bench = q.bench();
        long now = q.asked().now();
        List<DiaryTask> tasks =
                tasks(film).stream().map(t -> notBefore(t, q.decided(), now)).toList();
        Map<StepId, Lag> longest = new LinkedHashMap<>();
        for (Lag l : plan.lags()) {
            longest.merge(l.toActId(), l, (x, y) -> x.minMinutes() >= y.minMinutes() ? x : y);
        }
        List<TimeLag> gaps = gaps(plan.lags());
        Map<StepId, String> why = new LinkedHashMap<>();
        longest.forEach((id, l) -> why.put(id, l.why()));
        ZoneId zone = ZoneId.of(q.zoneId());
        Instant deadline =
                q.wantedOn() == null
                        ? null
                        : q.wantedOn().plusDays(1).atStartOfDay(zone).toInstant();
        return switch (DiaryPlacer.place(tasks, gaps, bench, now)) {
            case DiaryOutcome.CannotPlace no ->
                    new Diary(
                            List.of(),
                            shown(bench, now + FEWEST_DAYS_SHOWN * 1440L),
                            no.reason(),
                            no.remedy(),
                            null,
                            null,
                            deadline,
                            q.wantedOn(),
                            0,
                            List.of(),
                            at(now),
                            q.zoneId(),
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
                                : Duration.between(deadline, finish).toMinutes();
                long end = Math.max(now + FEWEST_DAYS_SHOWN * 1440L, p.finishMinute() + 3 * 1440L);
                yield new Diary(
                        slots,
                        shown(bench, end),
                        null,
                        null,
                        finish,
                        pack,
                        deadline,
                        q.wantedOn(),
                        late,
                        p.drivers(),
                        at(now),
                        q.zoneId(),
                        why);
            }
        };
    }

    private List<Slot> slots(DiaryOutcome.Placed placed, FilmCase film) {
        List<Act> timed = new ArrayList<>();
        for (int i = 0; i < film.acts().size(); i++) {
            timed.add(film.acts().get(i).at(placed.placed().get(i).startMinute()));
        }
        Map<StepId, List<String>> warnings = new HashMap<>();
        for (Finding f : engines.check().check(film.with(timed)).findings()) {
            if (f.severity() != Finding.Severity.NOTE) {
                warnings.computeIfAbsent(f.actId(), _ -> new ArrayList<>()).add(f.why());
            }
        }
        Map<StepId, Timing.WorkSpan> spans = new HashMap<>();
        engines.timing().spans(film.with(timed)).forEach(s -> spans.put(s.coatActId(), s));
        List<Slot> out = new ArrayList<>();
        for (Act a : timed) {
            var dry = DryingTimes.of(a, film.air());
            long end = a.endMinute();
            Timing.WorkSpan span = spans.get(a.id());
            out.add(
                    new Slot(
                            a.id(),
                            a.name(),
                            a.material().name(),
                            a.material().colour().map(Srgb::toHex).orElse(null),
                            at(a.atMinute()),
                            at(end),
                            a.done(),
                            dry.map(d -> at(end + d.touch())).orElse(null),
                            dry.map(d -> at(end + d.recoat())).orElse(null),
                            dry.map(d -> at(end + d.full())).orElse(null),
                            span == null ? null : at(span.opensMinute()),
                            span == null ? null : at(span.closesMinute()),
                            warnings.getOrDefault(a.id(), List.of())));
        }
        return out;
    }

    private static List<BenchSpan> shown(List<Span> bench, long untilMinute) {
        return bench.stream()
                .filter(s -> s.fromMinute() < untilMinute)
                .map(s -> new BenchSpan(at(s.fromMinute()), at(s.untilMinute())))
                .toList();
    }

    private static Instant at(long minute) {
        return Instant.ofEpochSecond(minute * 60);
    }
}
