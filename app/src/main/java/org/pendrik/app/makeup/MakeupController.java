package org.pendrik.app.makeup;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.school.SchoolSheet;
import org.pendrik.app.shelf.StepMixes;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.app.study.Studies;
import org.pendrik.core.film.Thickness;
import org.pendrik.core.plan.Pin;
import org.pendrik.core.plan.PlanCheck;
import org.pendrik.core.units.Climate;
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
    private final Engines engines;
    private final SchoolSheet schools;
    private final StepMixes mixes;
    private final Clock clock;

    MakeupController(
            Plans plans,
            Studies studies,
            Engines engines,
            SchoolSheet schools,
            StepMixes mixes,
            Clock clock) {
        this.mixes = mixes;
        this.plans = plans;
        this.studies = studies;
        this.engines = engines;
        this.schools = schools;
        this.clock = clock;
    }

    record PlanDraft(
            List<Plans.StepDraft> steps,
            List<Pin> pins,
            @Nullable Map<String, String> schools,
            int version) {}

    record CompileOrder(int version) {}

    record ChooseOrder(Map<String, String> schools, int version) {}

    record InStepOrder(List<UUID> with, int version) {}

    record MendOrder(int finding, int mend, String label, int version) {}

    record WhatIfQuestion(
            double celsius,
            double humidity,
            @Nullable String thicker,
            @Nullable Thickness thickness) {}

    record TakeBackAsk(String stepId, ZoneKeys zones, double share) {}

    record TakeBackOrder(
            String stepId,
            ZoneKeys zones,
            double share,
            String technique,
            String material,
            int version) {}

    /** What changed all at once, in words, and the plan after it. */
    record RepairedView(List<String> labels, MakeupView makeup) {}

    @GetMapping
    MakeupView makeup(@PathVariable UUID jobId) {
        return view(jobId, plans.judge(jobId));
    }

    private MakeupView view(UUID jobId, PlanCheck.Judgement judged) {
        return MakeupView.of(
                plans.of(jobId),
                judged,
                engines.catalogue(),
                f -> plans.mendsFor(judged, f),
                studies.of(jobId).effects().size(),
                schools.own(jobId).answers(),
                schools.house().answers(),
                mixes.ofJob(jobId),
                StoredStep.minute(clock.instant()));
    }

    @PutMapping
    MakeupView save(@PathVariable UUID jobId, @RequestBody PlanDraft draft) {
        plans.save(jobId, draft.steps(), draft.pins(), draft.schools(), draft.version());
        return makeup(jobId);
    }

    @PostMapping("/compile")
    MakeupView compile(@PathVariable UUID jobId, @RequestBody CompileOrder order) {
        plans.compile(jobId, order.version());
        return makeup(jobId);
    }

    @PostMapping("/choose")
    MakeupView choose(@PathVariable UUID jobId, @RequestBody ChooseOrder order) {
        plans.choose(jobId, order.schools(), order.version());
        return makeup(jobId);
    }

    @PostMapping("/in-step")
    MakeupView inStep(@PathVariable UUID jobId, @RequestBody InStepOrder order) {
        plans.compileInStep(jobId, order.with(), order.version());
        return makeup(jobId);
    }

    @PostMapping("/mend")
    MakeupView mend(@PathVariable UUID jobId, @RequestBody MendOrder order) {
        plans.mend(jobId, order.finding(), order.mend(), order.label(), order.version());
        return makeup(jobId);
    }

    @PostMapping("/repair")
    RepairedView repair(@PathVariable UUID jobId, @RequestBody CompileOrder order) {
        Plans.Repaired done = plans.repair(jobId, order.version());
        return new RepairedView(done.labels(), makeup(jobId));
    }

    @PostMapping("/what-if")
    WhatIfView whatIf(@PathVariable UUID jobId, @RequestBody WhatIfQuestion q) {
        PlanCheck.Judgement now = plans.judge(jobId);
        PlanCheck.Judgement then =
                plans.whatIf(
                        jobId, new Climate(q.celsius(), q.humidity()), q.thicker(), q.thickness());
        return WhatIfView.of(now, then, view(jobId, then));
    }

    @PostMapping("/take-back")
    TakeBackView takeBack(@PathVariable UUID jobId, @RequestBody TakeBackAsk q) {
        return TakeBackView.of(
                plans.takeBack(jobId, q.stepId(), q.zones().set(), q.share()),
                StoredStep.minute(clock.instant()));
    }

    @PostMapping("/take-back/step")
    MakeupView insertTakeBack(@PathVariable UUID jobId, @RequestBody TakeBackOrder o) {
        plans.insertTakeBack(
                jobId,
                o.stepId(),
                o.zones().set(),
                o.share(),
                o.technique(),
                o.material(),
                o.version());
        return makeup(jobId);
    }
}
