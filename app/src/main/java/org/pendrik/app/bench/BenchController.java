package org.pendrik.app.bench;

import static org.pendrik.app.store.Conflicts.retried;

import java.util.List;
import java.util.UUID;
import org.pendrik.core.film.StepId;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class BenchController {
    private final Benches benches;
    private final BenchLog log;
    private final StepCups cups;

    BenchController(Benches benches, BenchLog log, StepCups cups) {
        this.benches = benches;
        this.log = log;
        this.cups = cups;
    }

    @GetMapping("/api/jobs/{jobId}/bench")
    Benches.Bench bench(@PathVariable UUID jobId) {
        return benches.of(jobId);
    }

    @PutMapping("/api/jobs/{jobId}/log/{id}")
    Benches.Bench write(
            @PathVariable UUID jobId, @PathVariable UUID id, @RequestBody BenchLog.LogDraft draft) {
        return retried(() -> benches.after(jobId, () -> log.write(jobId, id, draft)));
    }

    @PutMapping("/api/jobs/{jobId}/touch-dry/{stepId}")
    Benches.Bench touchDry(@PathVariable UUID jobId, @PathVariable StepId stepId) {
        return paced(jobId, () -> benches.touchDry(jobId, stepId));
    }

    @DeleteMapping("/api/jobs/{jobId}/touch-dry/{stepId}")
    Benches.Bench notTouchDry(@PathVariable UUID jobId, @PathVariable StepId stepId) {
        return paced(jobId, () -> benches.notTouchDry(jobId, stepId));
    }

    /** What is learned of a material counts once it is stored, so the bench is told after it. */
    private Benches.Bench paced(UUID jobId, Runnable note) {
        retried(
                () -> {
                    note.run();
                    return jobId;
                });
        return benches.of(jobId);
    }

    @DeleteMapping("/api/jobs/{jobId}/log/{id}")
    @ResponseStatus(HttpStatus.OK)
    Benches.Bench takeBack(@PathVariable UUID jobId, @PathVariable UUID id) {
        return retried(() -> benches.after(jobId, () -> log.takeBack(jobId, id)));
    }

    /** The mix card of a step, to print. */
    @GetMapping("/api/jobs/{jobId}/steps/{stepId}/mix")
    StepCups.MixSheet mix(@PathVariable UUID jobId, @PathVariable StepId stepId) {
        return cups.sheet(jobId, stepId);
    }

    /** What the plans ahead take, and what of it is short. */
    @GetMapping("/api/shopping")
    List<StepCups.ShoppingLine> shopping() {
        return cups.shopping();
    }
}
