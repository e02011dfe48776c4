package org.pendrik.app.diary;

import java.util.List;
import java.util.UUID;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.makeup.Plans;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class DiaryController {
    private final Diaries diaries;
    private final Plans plans;
    private final Engines engines;

    DiaryController(Diaries diaries, Plans plans, Engines engines) {
        this.diaries = diaries;
        this.plans = plans;
        this.engines = engines;
    }

    @GetMapping("/api/jobs/{jobId}/diary")
    Diaries.Diary diary(@PathVariable UUID jobId) {
        return diaries.of(jobId);
    }

    @GetMapping("/api/jobs/{jobId}/alternatives")
    List<AlternativeView> alternatives(@PathVariable UUID jobId) {
        return engines.alternatives().of(plans.request(jobId), diaries::readyMinute).stream()
                .map(AlternativeView::of)
                .toList();
    }
}
