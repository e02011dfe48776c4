package org.pendrik.app.bench;

import static org.pendrik.app.store.Conflicts.retried;

import java.util.List;
import java.util.UUID;
import org.pendrik.core.film.StepId;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class BenchController {
    private final Benches benches;
    private final BenchLog log;
    private final StepCups cups;
    private final Again again;

    BenchController(Benches benches, BenchLog log, StepCups cups, Again again) {
        this.again = again;
        this.benches = benches;
        this.log = log;
        this.cups = cups;
    }

    /**
     * A zone that is over.
     *
     * @param material that was really used
     */
    record ZoneOrder(StepId stepId, String zone, String material) {}

    /** Another round of a coat that lies open, in one of its tones. */
    record AgainOrder(StepId stepId, String material) {}

    /** Whether a coat that was reached gave way. */
    record OutcomeOrder(StepId stepId, boolean lifted) {}

    @PutMapping("/api/jobs/{jobId}/bench/zone")
    Benches.Bench zoneOver(@PathVariable UUID jobId, @RequestBody ZoneOrder o) {
        return retried(() -> benches.zoneOver(jobId, o.stepId(), o.zone(), o.material()));
    }

    @DeleteMapping("/api/jobs/{jobId}/bench/zone")
    Benches.Bench zoneOpen(
            @PathVariable UUID jobId, @RequestParam StepId stepId, @RequestParam String zone) {
        return retried(() -> benches.after(jobId, () -> log.zoneOpen(jobId, stepId, zone)));
    }

    @PostMapping("/api/jobs/{jobId}/bench/again")
    Benches.Bench again(@PathVariable UUID jobId, @RequestBody AgainOrder o) {
        return retried(
                () -> benches.after(jobId, () -> again.another(jobId, o.stepId(), o.material())));
    }

    @PutMapping("/api/jobs/{jobId}/bench/outcome")
    Benches.Bench outcome(@PathVariable UUID jobId, @RequestBody OutcomeOrder o) {
        return paced(jobId, () -> again.cameOut(jobId, o.stepId(), o.lifted()));
    }

    @DeleteMapping("/api/jobs/{jobId}/bench/outcome/{stepId}")
    Benches.Bench noOutcome(@PathVariable UUID jobId, @PathVariable StepId stepId) {
        return paced(jobId, () -> again.notCameOut(jobId, stepId));
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
