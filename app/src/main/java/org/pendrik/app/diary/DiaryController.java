package org.pendrik.app.diary;

import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class DiaryController {
    private final Diaries diaries;

    DiaryController(Diaries diaries) {
        this.diaries = diaries;
    }

    @GetMapping("/api/jobs/{jobId}/diary")
    Diaries.Diary diary(@PathVariable UUID jobId) {
        return diaries.of(jobId);
    }
}
