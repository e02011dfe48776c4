package org.pendrik.app.makeup;

import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.pendrik.app.study.Studies;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.plan.Pin;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/jobs/{jobId}/makeup")
class MakeupController {
    private final Plans plans;
    private final Studies studies;
    private final Catalogue catalogue;
    private final Clock clock;

    MakeupController(Plans plans, Studies studies, Catalogue catalogue, Clock clock) {
        this.plans = plans;
        this.studies = studies;
        this.catalogue = catalogue;
        this.clock = clock;
    }

    record PlanDraft(List<Plans.StepDraft> steps, List<Pin> pins, int version) {}

    record CompileOrder(int version) {}

    record MendOrder(int finding, int mend, String label, int version) {}

    @GetMapping
    MakeupView makeup(@PathVariable UUID jobId) {
        var judged = plans.judge(jobId);
        return MakeupView.of(
                plans.of(jobId),
                judged,
                catalogue,
                f -> plans.mendsFor(judged, f),
                studies.of(jobId).effects().size(),
                StoredStep.minute(clock.instant()));
    }

    @PutMapping
    MakeupView save(@PathVariable UUID jobId, @RequestBody PlanDraft draft) {
        plans.save(jobId, draft.steps(), draft.pins(), draft.version());
        return makeup(jobId);
    }

    @PostMapping("/compile")
    MakeupView compile(@PathVariable UUID jobId, @RequestBody CompileOrder order) {
        plans.compile(jobId, order.version());
        return makeup(jobId);
    }

    @PostMapping("/mend")
    MakeupView mend(@PathVariable UUID jobId, @RequestBody MendOrder order) {
        plans.mend(jobId, order.finding(), order.mend(), order.label(), order.version());
        return makeup(jobId);
    }
}
