package org.pendrik.app.compare;

import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CompareController {
    private final Comparisons comparisons;

    CompareController(Comparisons comparisons) {
        this.comparisons = comparisons;
    }

    @GetMapping("/api/jobs/{jobId}/compare")
    Comparisons.Comparison compare(@PathVariable UUID jobId) {
        return comparisons.of(jobId);
    }

    @GetMapping(value = "/api/jobs/{jobId}/compare/map", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> map(@PathVariable UUID jobId) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .body(comparisons.picture(jobId));
    }
}
