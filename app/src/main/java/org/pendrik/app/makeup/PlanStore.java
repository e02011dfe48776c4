package org.pendrik.app.makeup;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.core.film.StepId;
import org.pendrik.core.plan.Pin;
import org.pendrik.core.plan.Pins;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Steps and pins as they are kept, under the version of the plan. */
@Component
@Transactional
class PlanStore {
    private static final int MOST_STEPS = 80;

    private final PlanMapper mapper;
    private final Jobs jobs;
    private final Engines engines;

    PlanStore(PlanMapper mapper, Jobs jobs, Engines engines) {
        this.mapper = mapper;
        this.jobs = jobs;
        this.engines = engines;
    }

    /** The plan of a job and its version, of one moment. */
    Plans.Plan of(UUID jobId) {
        int version = jobs.get(jobId).planVersion();
        return new Plans.Plan(mapper.steps(jobId), mapper.pins(jobId), version);
    }

    /**
     * The plan that an edit rests on.
     *
     * @throws StaleVersion when another change came first
     */
    Plans.Plan at(UUID jobId, int version) {
        Plans.Plan plan = of(jobId);
        if (plan.version() != version) {
            throw new StaleVersion("The plan");
        }
        return plan;
    }

    /**
     * Replaces the plan. A pin of a step that is gone goes with it.
     *
     * @throws InvalidInput when a step stands there twice, there are too many, or pins run in a
     *     circle
     * @throws StaleVersion when another change came first
     */
    void store(UUID jobId, List<StoredStep> steps, List<Pin> pins, int version) {
        if (steps.size() > MOST_STEPS) {
            throw new InvalidInput(
                    "Plan",
                    steps.size() + " steps",
                    "must have at most " + MOST_STEPS,
                    "Join zones in one step.");
        }
        Map<StepId, String> names = new HashMap<>();
        for (StoredStep s : steps) {
            if (names.put(s.id(), engines.catalogue().technique(s.technique()).name()) != null) {
                throw new InvalidInput(
                        "Step", s.id().value(), "stands in the plan twice", "Load the page again.");
            }
        }
        List<Pin> alive =
                pins.stream()
                        .filter(
                                p ->
                                        names.containsKey(p.firstId())
                                                && names.containsKey(p.thenId()))
                        .distinct()
                        .toList();
        Pins.requireNoCircle(alive, id -> names.getOrDefault(id, id.value()));
        jobs.stepPlan(jobId, version);
        jobs.notePlanGap(jobId, null);
        mapper.clearSteps(jobId);
        for (int i = 0; i < steps.size(); i++) {
            mapper.addStep(jobId, steps.get(i), i);
        }
        mapper.clearPins(jobId);
        alive.forEach(p -> mapper.addPin(jobId, p));
    }
}
