package org.pendrik.app.diary;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.makeup.Planner;
import org.pendrik.app.task.Tasks;
import org.pendrik.core.plan.Alternatives;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class DiaryController {
    private final Diaries diaries;
    private final Planner planner;
    private final Engines engines;
    private final Tasks tasks;

    DiaryController(Diaries diaries, Planner planner, Engines engines, Tasks tasks) {
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
}
