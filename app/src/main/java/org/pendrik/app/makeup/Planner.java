package org.pendrik.app.makeup;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.study.JobEffect;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Zone;
import org.pendrik.core.plan.Effect;
import org.pendrik.core.plan.InStep;
import org.pendrik.core.plan.Pin;
import org.pendrik.core.plan.PlanOutcome;
import org.pendrik.core.plan.PlanRequest;
import org.pendrik.core.plan.PlanStep;
import org.pendrik.core.plan.Schools;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes the plan of a job from the effects of its study, alone or in step with other jobs. */
@Service
@Transactional
public class Planner {
    private final JobSnapshots snapshots;
    private final PlanStore plans;
    private final PlanJudge judge;
    private final Engines engines;

    Planner(JobSnapshots snapshots, PlanStore plans, PlanJudge judge, Engines engines) {
        this.snapshots = snapshots;
        this.plans = plans;
        this.judge = judge;
        this.engines = engines;
    }

    /**
     * What a compilation starts from.
     *
     * @param job as it was read
     * @param staying steps that stay as they are: done, or begun with their effect
     * @param request what is asked of the compiler
     */
    private record Start(JobSnapshot job, List<StoredStep> staying, PlanRequest request) {
        /** What is kept and then what is new. */
        List<StoredStep> joined(List<PlanStep> fresh, Engines engines) {
            Map<StepId, StoredStep> before = job.plan().byId();
            return Stream.concat(
                            staying.stream(),
                            fresh.stream()
                                    .map(s -> StoredStep.of(s, engines.catalogue()))
                                    .map(
                                            s ->
                                                    s.origin() == PlanStep.Origin.MANUAL
                                                            ? s.remembering(before.get(s.id()))
                                                            : s))
                    .toList();
        }
    }

    private Start start(JobSnapshot job, Schools.Choice choice) {
        Plan old = job.plan();
        List<StoredStep> staying = new ArrayList<>();
        List<StoredStep> own = new ArrayList<>();
        Set<String> begun = new HashSet<>();
        Map<StepId, StoredStep> known = old.byId();
        for (StoredStep s : old.steps()) {
            String effect = effectOf(s, known);
            if (s.done() && effect != null) {
                begun.add(effect);
            }
            boolean follows = s.madeForEffect() != null && begun.contains(s.madeForEffect());
            if (s.done() || s.takesBack() != null || follows) {
                staying.add(s);
            } else if (s.origin() == PlanStep.Origin.MANUAL) {
                own.add(s);
            }
        }
        List<Effect> open =
                job.study().effects().stream()
                        .map(JobEffect::effect)
                        .filter(e -> !begun.contains(e.id()))
                        .toList();
        FilmCase laid = judge.filmCase(job, staying);
        List<Zone> subject = laid.zones();
        long now = judge.now();
        return new Start(
                job,
                staying,
                new PlanRequest(
                        subject,
                        engines.planCheck().check(laid, List.of(), now).timed().acts(),
                        open,
                        old.pins(),
                        laid.air(),
                        now,
                        choice,
                        own.stream().map(s -> s.act(engines.catalogue(), subject)).toList(),
                        standing(old.steps())));
    }

    /** Where the user's own steps stand: behind and in front of what is not put in for others. */
    private List<Pin> standing(List<StoredStep> steps) {
        List<StoredStep> open =
                steps.stream().filter(s -> !s.done() && s.madeForStep() == null).toList();
        Predicate<StoredStep> ends =
                s -> s.origin() == PlanStep.Origin.EFFECT && s.madeForEffect() == null;
        List<Pin> out = new ArrayList<>();
        for (int i = 0; i < open.size(); i++) {
            if (open.get(i).origin() != PlanStep.Origin.MANUAL) {
                continue;
            }
            // a coat that was put in at the very end still belongs under the last clear
            boolean coat = engines.catalogue().material(open.get(i).material()).deposits();
            if (i > 0 && !(coat && ends.test(open.get(i - 1)))) {
                out.add(new Pin(open.get(i - 1).id(), open.get(i).id()));
            }
            if (i + 1 < open.size()) {
                out.add(new Pin(open.get(i).id(), open.get(i + 1).id()));
            }
        }
        return out;
    }

    /** The effect that a step belongs to, be it by way of the step that needs it. */
    private static @Nullable String effectOf(StoredStep s, Map<StepId, StoredStep> known) {
        StoredStep at = s;
        for (int i = 0; i < known.size() && at != null && at.madeForStep() != null; i++) {
            at = known.get(at.madeForStep());
        }
        return at == null ? null : at.madeForEffect();
    }

    /** What the compiler is asked for this job, for laying plans beside one another. */
    public PlanRequest request(UUID jobId) {
        JobSnapshot job = snapshots.of(jobId);
        return start(job, job.schools()).request();
    }

    /** Compiles the effects of the study into the steps that are still to do. */
    public JobSnapshot compile(UUID jobId, int version) {
        JobSnapshot job = snapshots.of(jobId);
        job.plan().at(version);
        return compile(job, job.plan(), job.schools());
    }

    /** Takes other answers for this job and compiles again. */
    JobSnapshot choose(UUID jobId, Map<String, String> answers, int version) {
        JobSnapshot job = snapshots.of(jobId);
        Plan old = job.plan().at(version);
        Schools.Choice own = new Schools.Choice(answers);
        return compile(job, old.with(old.steps(), old.pins(), own), own.over(job.house()));
    }

    private JobSnapshot compile(JobSnapshot job, Plan wanted, Schools.Choice choice) {
        Start start = start(job, choice);
        PlanOutcome.Compiled plan = compiled(start.request(), "Plan", "these effects");
        return job.with(
                plans.store(
                        job.job().id(),
                        job.plan(),
                        wanted.compiled(start.joined(plan.steps(), engines), plan.gapMinutes())));
    }

    private PlanOutcome.Compiled compiled(PlanRequest request, String what, String value) {
        return switch (engines.compiler().compile(request)) {
            case PlanOutcome.NoPlan no ->
                    throw new InvalidInput(
                            what, value, "cannot be made: " + no.reason(), no.remedy());
            case PlanOutcome.Compiled plan -> plan;
        };
    }

    /** A job that goes along in step, with the version of its plan that was seen. */
    public record Companion(UUID job, int version) {}

    /**
     * Compiles several jobs in step: one mix and one booth visit for all that want the same. Steps
     * of the user's own stay in each of them.
     *
     * @param others jobs that go along with the first
     * @return all of them as they are now, the first in front
     */
    List<JobSnapshot> compileInStep(UUID jobId, List<Companion> others, int version) {
        Map<UUID, Integer> versions = new LinkedHashMap<>(Map.of(jobId, version));
        others.forEach(o -> versions.putIfAbsent(o.job(), o.version()));
        Map<UUID, Start> starts = new LinkedHashMap<>();
        Map<UUID, InStep.Subject> together = new LinkedHashMap<>();
        Set<String> names = new HashSet<>();
        Schools.@Nullable Choice choice = null;
        for (Map.Entry<UUID, Integer> seen : versions.entrySet()) {
            JobSnapshot job = snapshots.of(seen.getKey());
            job.plan().at(seen.getValue());
            choice = choice == null ? job.schools() : choice;
            Start s = start(job, choice);
            starts.put(seen.getKey(), s);
            together.put(seen.getKey(), subject(s, names));
        }
        InStep.Joined joined =
                InStep.join(
                        List.copyOf(together.values()),
                        first(starts).job().workshop().air(),
                        judge.now(),
                        Objects.requireNonNull(choice),
                        engines.catalogue());
        PlanOutcome.Compiled plan =
                compiled(joined.request(), "Plan in step", String.join(", ", names));
        List<JobSnapshot> out = new ArrayList<>();
        starts.forEach(
                (id, s) -> {
                    List<PlanStep> steps =
                            joined.stepsOf(Objects.requireNonNull(together.get(id)), plan);
                    Plan wanted = s.job().plan().with(s.joined(steps, engines));
                    out.add(s.job().with(plans.store(id, s.job().plan(), wanted)));
                });
        return out;
    }

    private static Start first(Map<UUID, Start> starts) {
        return starts.values().iterator().next();
    }

    /** A job under a name that the others do not have. */
    private static InStep.Subject subject(Start s, Set<String> names) {
        String name = s.job().job().name().replace('/', ' ');
        while (!names.add(name)) {
            name = name + " again";
        }
        PlanRequest r = s.request();
        return new InStep.Subject(
                name, r.zones(), r.done(), r.effects(), r.own(), r.pins(), r.standing());
    }
}
