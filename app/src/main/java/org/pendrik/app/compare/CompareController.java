package org.pendrik.app.compare;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.sides.Side;
import org.pendrik.app.task.Tasks;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CompareController {
    private final Comparisons comparisons;
    private final Tasks tasks;

    CompareController(Comparisons comparisons, Tasks tasks) {
        this.comparisons = comparisons;
        this.tasks = tasks;
    }

    @GetMapping("/api/jobs/{jobId}/compare")
    Comparison compare(
            @PathVariable UUID jobId,
            @RequestParam @Nullable Side side,
            @RequestParam @Nullable UUID model,
            @RequestParam @Nullable UUID task) {
        return tasks.run(task, watch -> comparisons.of(jobId, side, model, watch));
    }

    @GetMapping("/api/jobs/{jobId}/compare/history")
    List<Comparison.Stage> history(
            @PathVariable UUID jobId,
            @RequestParam @Nullable Side side,
            @RequestParam @Nullable UUID task) {
        return tasks.run(task, watch -> comparisons.history(jobId, side, watch));
    }

    @GetMapping(value = "/api/jobs/{jobId}/compare/map", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> map(
            @PathVariable UUID jobId,
            @RequestParam @Nullable Side side,
            @RequestParam @Nullable UUID model) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .body(comparisons.picture(jobId, side, model));
    }

    @GetMapping(value = "/api/jobs/{jobId}/compare/model", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> model(
            @PathVariable UUID jobId,
            @RequestParam @Nullable Side side,
            @RequestParam @Nullable UUID model) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .body(comparisons.modelPicture(jobId, side, model));
    }
}
