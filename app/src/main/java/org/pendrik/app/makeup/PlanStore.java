package org.pendrik.app.makeup;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.app.school.SchoolSheet;
import org.pendrik.app.store.Versioned;
import org.pendrik.core.film.StepId;
import org.pendrik.core.plan.Pin;
import org.pendrik.core.plan.Pins;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Plans as they are kept, each under its version. */
@Component
@Transactional
class PlanStore {
    private static final int MOST_STEPS = 80;
    private static final int MOST_KEPT = 2_000;

    private final PlanMapper mapper;
    private final Jobs jobs;
    private final SchoolSheet schools;
    private final Engines engines;
    private final Versioned<Plan> kept = new Versioned<>(MOST_KEPT);

    PlanStore(PlanMapper mapper, Jobs jobs, SchoolSheet schools, Engines engines) {
        this.mapper = mapper;
        this.jobs = jobs;
        this.schools = schools;
        this.engines = engines;
    }

    /** The plan of a job, of the moment in which its row was read. */
    Plan of(Job job) {
        return kept.get(
                job.id(),
                job.planVersion(),
                () ->
                        new Plan(
                                mapper.steps(job.id()),
                                mapper.pins(job.id()),
                                schools.own(job.id()),
                                jobs.planGap(job.id()),
                                job.planVersion()));
    }

    /**
     * Replaces a plan. A pin of a step that is gone goes with it.
     *
     * @param old as it was read in this transaction
     * @return the plan as it is kept now
     * @throws InvalidInput when a step stands there twice, there are too many, or pins run in a
     *     circle
     * @throws StaleVersion when another change came first
     */
    Plan store(UUID jobId, Plan old, Plan wanted) {
        List<StoredStep> steps = wanted.steps();
        if (steps.size() > MOST_STEPS) {
            throw new InvalidInput(
                    "Plan",
                    steps.size() + " steps",
                    "must have at most " + MOST_STEPS,
                    "Join zones in one step.");
        }
        List<Pin> pins = alive(steps, wanted.pins());
        jobs.stepPlan(jobId, old.version(), wanted.gapMinutes());
        if (!steps.equals(old.steps())) {
            mapper.clearSteps(jobId);
            if (!steps.isEmpty()) {
                mapper.addSteps(jobId, steps);
            }
        }
        if (!pins.equals(old.pins())) {
            mapper.clearPins(jobId);
            pins.forEach(p -> mapper.addPin(jobId, p));
        }
        if (!wanted.schools().equals(old.schools())) {
            schools.saveOwn(jobId, wanted.schools());
        }
        Plan stored =
                new Plan(steps, pins, wanted.schools(), wanted.gapMinutes(), old.version() + 1);
        kept.whenStored(jobId, stored.version(), stored);
        return stored;
    }

    private List<Pin> alive(List<StoredStep> steps, List<Pin> pins) {
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
        // in the order in which they are read
        return alive.stream()
                .sorted(
                        Comparator.comparing((Pin p) -> p.firstId().value())
                                .thenComparing(p -> p.thenId().value()))
                .toList();
    }
}
