package org.pendrik.app.diary;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.makeup.JobSnapshots;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.diary.DiaryCheck;
import org.pendrik.core.diary.DiaryPlan;
import org.pendrik.core.diary.DiaryScore;
import org.pendrik.core.diary.DiarySolver;
import org.pendrik.core.diary.DiarySolver.Answer;
import org.pendrik.core.diary.DiaryStage;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.StepId;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Watch;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** The diary across all jobs: shown, decided anew, and changed by hand. */
@Service
class WorkshopDiary {
    /** Where nothing is late, nobody looks further ahead than this past the last step. */
    private static final long AHEAD_MINUTES = 21L * 1440;

    private static final DiarySolver.Effort FOR_A_MOVE = new DiarySolver.Effort(1.5);

    private final JobSnapshots snapshots;
    private final Diaries diaries;
    private final DecidedDiary decided;
    private final Workshops workshops;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private volatile List<DiaryStage> stages = List.of();

    WorkshopDiary(
            JobSnapshots snapshots,
            Diaries diaries,
            DecidedDiary decided,
            Workshops workshops,
            Clock clock,
            PlatformTransactionManager transactions) {
        this.snapshots = snapshots;
        this.diaries = diaries;
        this.decided = decided;
        this.workshops = workshops;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** As of one moment: the case, and the diaries that it was read from. */
    private record Seen(WorkshopCase of, Map<UUID, Diaries.Diary> diaries, List<UUID> order) {}

    private Seen see() {
        return Objects.requireNonNull(
                transaction.execute(
                        _ -> {
                            var all = snapshots.inWork();
                            List<Diaries.Planned> order = diaries.order(all);
                            Map<UUID, Diaries.Diary> placed = diaries.of(all);
                            WorkshopCase of =
                                    WorkshopCase.of(
                                            order,
                                            placed,
                                            diaries.bench(),
                                            ZoneId.of(workshops.current().zoneId()),
                                            StoredStep.minute(clock.instant()));
                            return new Seen(
                                    of, placed, order.stream().map(p -> p.job().id()).toList());
                        }));
    }

    /** As things stand. */
    WorkshopView view() {
        return view(see(), List.of());
    }

    /** Decides all evenings anew; as little as possible moves of what was decided before. */
    WorkshopView decide(boolean fromScratch, Watch watch) {
        Seen seen = see();
        WorkshopCase of = seen.of();
        boolean before = !fromScratch && of.of().stream().anyMatch(p -> !p.decided().isEmpty());
        return store(seen, solve(ahead(of), before, DiarySolver.Effort.USUAL, watch), Map.of());
    }

    /** Nothing is decided any more. */
    WorkshopView forget() {
        decided.forget();
        stages = List.of();
        return view();
    }

    /**
     * What it takes to have a step in another sitting.
     *
     * @param possible it can be done
     * @param problem why it cannot
     * @param remedy what helps
     * @param moved what else moves, the step itself first
     * @param lateMinutes after the dates, all jobs together, as they stand
     * @param lateMinutesThen the same once it is moved
     */
    record Move(
            boolean possible,
            @Nullable String problem,
            @Nullable String remedy,
            List<WorkshopView.Moved> moved,
            long lateMinutes,
            long lateMinutesThen) {}

    private record Found(Seen seen, Optional<Answer.Found> answer, Move move) {}

    /** Looks what moves when a step is held to the sitting of a moment. */
    Move move(UUID jobId, StepId stepId, Instant to) {
        return find(jobId, stepId, to).move();
    }

    /** Moves it, and holds it there. */
    WorkshopView keep(UUID jobId, StepId stepId, Instant to) {
        Found found = find(jobId, stepId, to);
        if (found.answer().isEmpty()) {
            throw new InvalidInput(
                    "Sitting",
                    to.toString(),
                    Optional.ofNullable(found.move().problem()).orElse("does not do"),
                    Optional.ofNullable(found.move().remedy()).orElse("Choose another one."));
        }
        return store(found.seen(), found.answer().get(), Map.of(jobId, stepId));
    }

    /** A step is held to its sitting no more; loosening it twice does nothing. */
    WorkshopView loosen(UUID jobId, StepId stepId) {
        decided.loosen(jobId, stepId);
        return view();
    }

    private Found find(UUID jobId, StepId stepId, Instant to) {
        Seen seen = see();
        WorkshopCase of = seen.of();
        int j = index(of, jobId);
        List<Act> acts = of.of().get(j).prepared().film().acts();
        int t = 0;
        while (t < acts.size() && !acts.get(t).id().equals(stepId)) {
            t++;
        }
        if (t == acts.size() || acts.get(t).done()) {
            throw new InvalidInput(
                    "Step",
                    stepId.value(),
                    "is not among those still to do",
                    "Load the page again.");
        }
        long late = DiaryScore.of(of.asked(), of.shown()).late();
        Optional<Span> stretch = WorkshopCase.stretch(of.asked().bench(), StoredStep.minute(to));
        if (stretch.isEmpty()) {
            return new Found(
                    seen,
                    Optional.empty(),
                    new Move(
                            false,
                            "There is no bench time then.",
                            "Give that evening bench time first.",
                            List.of(),
                            late,
                            late));
        }
        WorkshopCase held = ahead(of.holding(j, t, stretch.get()));
        Answer answer =
                DiarySolver.solve(
                        held.asked(),
                        Optional.of(held.known()),
                        FOR_A_MOVE,
                        DiarySolver.Follower.NOBODY,
                        Watch.NOBODY);
        return switch (answer) {
            case Answer.CannotPlace no ->
                    new Found(
                            seen,
                            Optional.empty(),
                            new Move(
                                    false,
                                    no.task().name()
                                            + " of "
                                            + no.job().name()
                                            + " would find no place: what it waits for is not dry, or its window would be missed.",
                                    "Choose a later sitting, or move what stands before it first.",
                                    List.of(),
                                    late,
                                    late));
            case Answer.Found f ->
                    new Found(
                            seen,
                            Optional.of(f),
                            new Move(
                                    true,
                                    null,
                                    null,
                                    moved(held, f.plan()),
                                    late,
                                    f.score().late()));
        };
    }

    private static int index(WorkshopCase of, UUID jobId) {
        for (int j = 0; j < of.of().size(); j++) {
            if (of.of().get(j).job().id().equals(jobId)) {
                return j;
            }
        }
        throw new InvalidInput(
                "Job", jobId.toString(), "has nothing to do", "Load the page again.");
    }

    /** Bench time as far as anything stands, and some weeks more. */
    private static WorkshopCase ahead(WorkshopCase of) {
        long last = of.asked().fromMinute();
        for (int j = 0; j < of.asked().jobs().size(); j++) {
            last = Math.max(last, of.asked().jobs().get(j).dueMinute().orElse(last));
            for (long start : of.shown().starts().get(j)) {
                last = Math.max(last, start);
            }
        }
        return of.until(last + AHEAD_MINUTES);
    }

    private static Answer.Found solve(
            WorkshopCase of, boolean before, DiarySolver.Effort effort, Watch watch) {
        Answer answer =
                DiarySolver.solve(
                        of.asked(),
                        before ? Optional.of(of.known()) : Optional.empty(),
                        effort,
                        DiarySolver.Follower.NOBODY,
                        watch);
        if (answer instanceof Answer.CannotPlace no) {
            throw new InvalidInput(
                    "Step " + no.task().name() + " of " + no.job().name(),
                    no.task().minutes() + " min",
                    "finds no place in the evenings that there are",
                    "Give one evening more time, or let a step go that is held to a sitting.");
        }
        Answer.Found found = (Answer.Found) answer;
        List<String> faults = DiaryCheck.faults(of.asked(), found.plan(), found.missed());
        if (!faults.isEmpty()) {
            throw new IllegalStateException("the diary does not hold: " + faults.getFirst());
        }
        return found;
    }

    private WorkshopView store(Seen seen, Answer.Found found, Map<UUID, StepId> held) {
        WorkshopCase of = seen.of();
        List<DecidedMapper.Row> rows = new ArrayList<>();
        for (int j = 0; j < of.of().size(); j++) {
            Diaries.Planned p = of.of().get(j);
            UUID id = p.job().id();
            List<Act> acts = p.prepared().film().acts();
            for (int t = 0; t < acts.size(); t++) {
                Act a = acts.get(t);
                DecidedDiary.Decided was = p.decided().get(a.id());
                if (!a.done()) {
                    rows.add(
                            new DecidedMapper.Row(
                                    id,
                                    a.id(),
                                    at(found.plan().start(j, t)),
                                    a.id().equals(held.get(id)) || (was != null && was.held())));
                }
            }
        }
        List<WorkshopView.Moved> moved = moved(of, found.plan());
        decided.decide(rows);
        stages = found.stages();
        return view(see(), moved);
    }

    private static List<WorkshopView.Moved> moved(WorkshopCase of, DiaryPlan plan) {
        List<WorkshopView.Moved> out = new ArrayList<>();
        var known = of.known();
        for (int j = 0; j < of.of().size(); j++) {
            Diaries.Planned p = of.of().get(j);
            List<Act> acts = p.prepared().film().acts();
            for (int t = 0; t < acts.size(); t++) {
                if (known.moved(of.asked(), plan, j, t)) {
                    out.add(
                            new WorkshopView.Moved(
                                    p.job().id(),
                                    p.job().name(),
                                    acts.get(t).id(),
                                    acts.get(t).name(),
                                    at(of.shown().start(j, t)),
                                    at(plan.start(j, t))));
                }
            }
        }
        return out;
    }

    private WorkshopView view(Seen seen, List<WorkshopView.Moved> moved) {
        return new WorkshopViews(ahead(seen.of()), seen.diaries(), seen.order(), diaries.bench())
                .view(stages, moved, clock.instant(), workshops.current().zoneId());
    }

    static Instant at(long minute) {
        return Instant.ofEpochSecond(minute * 60);
    }
}
