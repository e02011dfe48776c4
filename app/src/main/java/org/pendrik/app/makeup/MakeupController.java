package org.pendrik.app.makeup;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.StepId;
import org.pendrik.core.plan.Pin;
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
    private final PlanEdits edits;
    private final Planner planner;
    private final PlanMends mends;
    private final TakeBacks takeBacks;
    private final Makeups makeups;
    private final Clock clock;

    MakeupController(
            PlanEdits edits,
            Planner planner,
            PlanMends mends,
            TakeBacks takeBacks,
            Makeups makeups,
            Clock clock) {
        this.edits = edits;
        this.planner = planner;
        this.mends = mends;
        this.takeBacks = takeBacks;
        this.makeups = makeups;
        this.clock = clock;
    }

    record PlanDraft(
            List<PlanEdits.StepDraft> steps,
            List<Pin> pins,
            @Nullable Map<String, String> schools,
            int version) {}

    record CompileOrder(int version) {}

    /**
     * "I know, I do it so", or that taken back.
     *
     * @param coat the topmost coat that the finding names, empty when it names none
     */
    record AnswerOrder(StepId stepId, Finding.Rule rule, String coat, boolean known) {}

    record ChooseOrder(Map<String, String> schools, int version) {}

    record InStepOrder(List<Planner.Companion> with, int version) {}

    /**
     * Jobs planned in step.
     *
     * @param versions of the plans of all of them as they are now
     */
    record InStepView(MakeupView makeup, List<Planner.Companion> versions) {}

    record MendOrder(int finding, int mend, String label, int version) {}

    record WhatIfQuestion(
            double celsius,
            double humidity,
            @Nullable StepId thicker,
            @Nullable Thickness thickness) {}

    record TakeBackAsk(StepId stepId, ZoneKeys zones, double share) {}

    record TakeBackOrder(
            StepId stepId,
            ZoneKeys zones,
            double share,
            String technique,
            String material,
            int version) {}

    /** What changed all at once, in words, and the plan after it. */
    record RepairedView(List<String> labels, MakeupView makeup) {}

    @GetMapping
    MakeupView makeup(@PathVariable UUID jobId) {
        return makeups.of(jobId);
    }

    @PutMapping
    MakeupView save(@PathVariable UUID jobId, @RequestBody PlanDraft d) {
        return makeups.after(
                () -> edits.save(jobId, d.steps(), d.pins(), d.schools(), d.version()));
    }

    @GetMapping("/made")
    List<Makeups.MadeView> made(@PathVariable UUID jobId) {
        return makeups.made(jobId);
    }

    record LyingOrder(PlanEdits.LyingCoat coat, int version) {}

    record NotLyingOrder(StepId stepId, int version) {}

    @PostMapping("/lying")
    MakeupView lies(@PathVariable UUID jobId, @RequestBody LyingOrder o) {
        return makeups.after(() -> edits.lies(jobId, o.coat(), o.version()));
    }

    @PostMapping("/lying/undo")
    MakeupView liesNot(@PathVariable UUID jobId, @RequestBody NotLyingOrder o) {
        return makeups.after(() -> edits.liesNot(jobId, o.stepId(), o.version()));
    }

    @PostMapping("/compile")
    MakeupView compile(@PathVariable UUID jobId, @RequestBody CompileOrder order) {
        return makeups.after(() -> planner.compile(jobId, order.version()));
    }

    @PostMapping("/choose")
    MakeupView choose(@PathVariable UUID jobId, @RequestBody ChooseOrder order) {
        return makeups.after(() -> planner.choose(jobId, order.schools(), order.version()));
    }

    @PostMapping("/in-step")
    InStepView inStep(@PathVariable UUID jobId, @RequestBody InStepOrder order) {
        return makeups.inStep(jobId, order.with(), order.version());
    }

    @PostMapping("/mend")
    MakeupView mend(@PathVariable UUID jobId, @RequestBody MendOrder o) {
        return makeups.after(
                () -> mends.mend(jobId, o.finding(), o.mend(), o.label(), o.version()));
    }

    @PutMapping("/answer")
    MakeupView answer(@PathVariable UUID jobId, @RequestBody AnswerOrder o) {
        return makeups.after(
                () ->
                        edits.answer(
                                jobId,
                                new Finding.Answer(o.stepId(), o.rule(), o.coat()),
                                o.known()));
    }

    @PostMapping("/repair")
    RepairedView repair(@PathVariable UUID jobId, @RequestBody CompileOrder order) {
        List<String> labels = new ArrayList<>();
        MakeupView left =
                makeups.after(
                        () -> {
                            PlanMends.Repaired r = mends.repair(jobId, order.version());
                            labels.addAll(r.labels());
                            return r.job();
                        });
        return new RepairedView(labels, left);
    }

    @PostMapping("/what-if")
    WhatIfView whatIf(@PathVariable UUID jobId, @RequestBody WhatIfQuestion q) {
        return makeups.whatIf(
                jobId, new Climate(q.celsius(), q.humidity()), q.thicker(), q.thickness());
    }

    @PostMapping("/take-back")
    TakeBackView takeBack(@PathVariable UUID jobId, @RequestBody TakeBackAsk q) {
        return TakeBackView.of(
                takeBacks.ask(jobId, q.stepId(), q.zones().set(), q.share()),
                StoredStep.minute(clock.instant()));
    }

    @PostMapping("/take-back/step")
    MakeupView insertTakeBack(@PathVariable UUID jobId, @RequestBody TakeBackOrder o) {
        return makeups.after(
                () ->
                        takeBacks.insert(
                                jobId,
                                o.stepId(),
                                o.zones().set(),
                                o.share(),
                                o.technique(),
                                o.material(),
                                o.version()));
    }
}
