package org.pendrik.app.study;

import java.util.List;
import java.util.UUID;
import org.pendrik.app.problem.NotFound;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class StudyController {
    private final Studies studies;

    StudyController(Studies studies) {
        this.studies = studies;
    }

    record RegionsDraft(List<JobRegion> regions, int version) {}

    record EffectsDraft(List<JobEffect> effects, int version) {}

    @GetMapping("/api/jobs/{jobId}/study")
    Studies.Study study(@PathVariable UUID jobId) {
        return studies.of(jobId);
    }

    @PutMapping("/api/jobs/{jobId}/study/regions")
    Studies.Study saveRegions(@PathVariable UUID jobId, @RequestBody RegionsDraft draft) {
        return studies.saveRegions(jobId, draft.regions(), draft.version());
    }

    @PutMapping("/api/jobs/{jobId}/study/effects")
    Studies.Study saveEffects(@PathVariable UUID jobId, @RequestBody EffectsDraft draft) {
        return studies.saveEffects(jobId, draft.effects(), draft.version());
    }

    @GetMapping("/api/photographs/{photographId}/measures")
    Studies.Measures measures(@PathVariable UUID photographId) {
        return studies.measure(photographId)
                .orElseThrow(() -> new NotFound("The side of this photograph"));
    }
}
