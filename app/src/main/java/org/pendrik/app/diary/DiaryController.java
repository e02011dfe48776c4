package org.pendrik.app.diary;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.makeup.Planner;
import org.pendrik.app.task.Tasks;
import org.pendrik.core.film.StepId;
import org.pendrik.core.plan.Alternatives;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class DiaryController {
    private final Diaries diaries;
    private final Planner planner;
    private final Engines engines;
    private final Tasks tasks;
    private final WorkshopDiary workshop;

    DiaryController(
            Diaries diaries,
            Planner planner,
            Engines engines,
            Tasks tasks,
            WorkshopDiary workshop) {
        this.workshop = workshop;
        this.tasks = tasks;
        this.diaries = diaries;
        this.planner = planner;
        this.engines = engines;
    }

    @GetMapping("/api/jobs/{jobId}/diary")
    Diaries.Diary diary(@PathVariable UUID jobId) {
        return diaries.of(jobId);
    }

    /**
     * Plans laid beside one another.
     *
     * @param untried other ways that were not tried, since the time was up; 0 when all were
     */
    record AlternativesView(List<AlternativeView> ways, int untried) {}

    @GetMapping("/api/jobs/{jobId}/alternatives")
    AlternativesView alternatives(@PathVariable UUID jobId, @RequestParam @Nullable UUID task) {
        return tasks.run(
                task,
                watch -> {
                    Alternatives.Answer found =
                            engines.alternatives()
                                    .of(planner.request(jobId), diaries::readyMinute, watch);
                    return new AlternativesView(
                            found.ways().stream().map(AlternativeView::of).toList(),
                            found.untried());
                });
    }

    /** The diary of the whole workshop. */
    @GetMapping("/api/diary")
    WorkshopView workshop() {
        return workshop.view();
    }

    /**
     * Decides all evenings anew.
     *
     * @param fromScratch whatever was decided before; otherwise as little as possible moves
     */
    @PostMapping("/api/diary/decided")
    WorkshopView decide(
            @RequestParam(defaultValue = "false") boolean fromScratch,
            @RequestParam @Nullable UUID task) {
        return tasks.run(task, watch -> workshop.decide(fromScratch, watch));
    }

    /** Nothing is decided any more: steps are as early as they can be again. */
    @DeleteMapping("/api/diary/decided")
    WorkshopView forget() {
        return workshop.forget();
    }

    /**
     * A step in another sitting.
     *
     * @param to a moment of that sitting
     */
    record MoveTo(UUID jobId, StepId stepId, Instant to) {}

    /** What would move with it; nothing is changed. */
    @PostMapping("/api/diary/move-tried")
    WorkshopDiary.Move tried(@RequestBody MoveTo move) {
        return workshop.move(move.jobId(), move.stepId(), move.to());
    }

    /** A step is held to its sitting no more. */
    @DeleteMapping("/api/diary/held/{jobId}/{stepId}")
    WorkshopView loosen(@PathVariable UUID jobId, @PathVariable StepId stepId) {
        return workshop.loosen(jobId, stepId);
    }

    /** Moves it and holds it there. */
    @PostMapping("/api/diary/move")
    WorkshopView move(@RequestBody MoveTo move) {
        return workshop.keep(move.jobId(), move.stepId(), move.to());
    }
}
