package org.pendrik.app.makeup;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.JobZone;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.store.WorksOn;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.app.store.ZoneTimes;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.plan.Pin;
import org.pendrik.core.plan.PlanStep;
import org.pendrik.core.plan.Schools;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Changes the plan of a job by hand, and marks it as it is done. Each edit answers what it left.
 */
@Service
@Transactional
public class PlanEdits {
    private final JobSnapshots snapshots;
    private final PlanStore plans;
    private final PlanJudge judge;
    private final Engines engines;
    private final Answers answers;
    private final Clock clock;

    PlanEdits(
            JobSnapshots snapshots,
            PlanStore plans,
            PlanJudge judge,
            Engines engines,
            Answers answers,
            Clock clock) {
        this.snapshots = snapshots;
        this.plans = plans;
        this.judge = judge;
        this.engines = engines;
        this.answers = answers;
        this.clock = clock;
    }

    /**
     * A step as the user sets it.
     *
     * @param origin how it once came into the plan, when it comes back by undo
     * @param reason why it was there then
     * @param worksOn coats of other steps that it is meant for; null takes what its technique means
     * @param extra what is particular about it; null when nothing is
     */
    public record StepDraft(
            StepId id,
            String technique,
            String material,
            Thickness thickness,
            ZoneKeys zones,
            PlanStep.@Nullable Origin origin,
            @Nullable String reason,
            @Nullable StepId takesBack,
            @Nullable Double backShare,
            @Nullable String madeForEffect,
            @Nullable StepId madeForStep,
            @Nullable WorksOn worksOn,
            @Nullable StepExtra extra) {}

    private JobSnapshot store(JobSnapshot job, Plan wanted) {
        return job.with(plans.store(job.job().id(), job.plan(), wanted));
    }

    /** Replaces what is still to do; what is done stays in front as it is. */
    JobSnapshot save(
            UUID jobId,
            List<StepDraft> drafts,
            List<Pin> pins,
            @Nullable Map<String, String> answers,
            int version) {
        JobSnapshot job = snapshots.of(jobId);
        Plan old = job.plan().at(version);
        Map<StepId, StoredStep> known = old.byId();
        List<StoredStep> done = old.done();
        List<StepId> front = drafts.stream().limit(done.size()).map(StepDraft::id).toList();
        if (!front.equals(done.stream().map(StoredStep::id).toList())) {
            throw new InvalidInput(
                    "Order",
                    "as sent",
                    "moves a step that is done",
                    "Move only what is still to do.");
        }
        List<StoredStep> steps = new ArrayList<>(done);
        drafts.stream().skip(done.size()).forEach(d -> steps.add(step(job, d, known.get(d.id()))));
        Schools.Choice schools = answers == null ? old.schools() : new Schools.Choice(answers);
        return store(job, old.with(steps, pins, schools));
    }

    private StoredStep step(JobSnapshot job, StepDraft d, @Nullable StoredStep before) {
        var t = engines.catalogue().technique(d.technique());
        var m = engines.catalogue().material(d.material(), t);
        judge.requireUsable(t, m);
        Set<String> zones = job.zones().stream().map(JobZone::zoneKey).collect(Collectors.toSet());
        if (d.zones().keys().isEmpty() || !zones.containsAll(d.zones().keys())) {
            throw new InvalidInput(
                    "Zones of " + t.name(),
                    String.join(", ", d.zones().keys()),
                    "must be at least one zone of this subject",
                    "Choose where it goes.");
        }
        return new StoredStep(
                d.id(),
                t.key(),
                m.key(),
                d.thickness(),
                d.zones(),
                before == null
                        ? d.origin() == null ? PlanStep.Origin.MANUAL : d.origin()
                        : before.origin(),
                before == null
                        ? d.reason() == null ? "You put it here." : d.reason()
                        : before.reason(),
                null,
                null,
                d.takesBack(),
                d.backShare(),
                before == null ? d.madeForEffect() : before.madeForEffect(),
                before == null ? d.madeForStep() : before.madeForStep(),
                d.worksOn(),
                null,
                d.extra());
    }

    /**
     * What lay on the subject before: a coat that somebody else laid, or that was laid before this
     * was kept.
     *
     * @param minutesAgo how long ago it was laid
     * @param share part of the zone that it covers; null as its technique does
     */
    public record LyingCoat(
            StepId id,
            String technique,
            String material,
            Thickness thickness,
            ZoneKeys zones,
            long minutesAgo,
            @Nullable Double share) {}

    private static final long OLDEST_COAT_MINUTES = 50L * 366 * 1440;

    /** Puts a coat that lies already among what is done, by its age. */
    JobSnapshot lies(UUID jobId, LyingCoat coat, int version) {
        JobSnapshot job = snapshots.of(jobId);
        Plan plan = job.plan().at(version);
        InvalidInput.requireWithin(
                "Age of the coat",
                (double) coat.minutesAgo(),
                " min",
                0,
                OLDEST_COAT_MINUTES,
                "When nobody knows, say a year.");
        Technique t = engines.catalogue().technique(coat.technique());
        if (t.role() != Technique.Role.CLEAR && t.role() != Technique.Role.EFFECT) {
            throw new InvalidInput(
                    "What lies on it",
                    t.name(),
                    "leaves no coat",
                    "Choose a clear, a paint, a wash or a powder.");
        }
        StoredStep draft =
                step(
                        job,
                        new StepDraft(
                                coat.id(),
                                coat.technique(),
                                coat.material(),
                                coat.thickness(),
                                coat.zones(),
                                PlanStep.Origin.FOUND,
                                "It lay there when the job began.",
                                null,
                                null,
                                null,
                                null,
                                null,
                                coat.share() == null ? null : StepExtra.NONE.sharing(coat.share())),
                        null);
        Instant at = clock.instant().minusSeconds(60 * coat.minutesAgo());
        List<StoredStep> steps = new ArrayList<>(plan.steps());
        steps.add(draft.doneWith(coat.material(), at, at, null));
        return store(job, plan.with(doneFirst(steps)));
    }

    /** Takes a coat that lay already out again: it was not so. */
    JobSnapshot liesNot(UUID jobId, StepId id, int version) {
        JobSnapshot job = snapshots.of(jobId);
        Plan plan = job.plan().at(version);
        List<StoredStep> steps = new ArrayList<>(plan.steps());
        if (!steps.removeIf(s -> s.id().equals(id) && s.origin() == PlanStep.Origin.FOUND)) {
            throw new NotFound("The coat");
        }
        return store(job, plan.with(steps));
    }

    /** Answers a warning with "I know, I do it so", or takes that back. */
    JobSnapshot answer(UUID jobId, Finding.Answer answer, boolean known) {
        JobSnapshot job = snapshots.of(jobId);
        job.plan().step(answer.actId());
        boolean warned =
                judge.judge(job).film().about(answer.actId()).stream()
                        .anyMatch(
                                f ->
                                        f.answer().equals(answer)
                                                && (f.severity() == Finding.Severity.WARN
                                                        || f.answered()));
        if (known && !warned) {
            throw new InvalidInput(
                    "Warning",
                    answer.rule() + " about " + answer.actId(),
                    "does not stand in this plan",
                    "Stops cannot be answered; what is gone needs no answer.");
        }
        answers.set(jobId, answer, known);
        Set<Finding.Answer> all = new HashSet<>(job.known());
        if (known) {
            all.add(answer);
        } else {
            all.remove(answer);
        }
        return job.knowing(Set.copyOf(all));
    }

    /** Puts another round of a step that is done, in a tone of its own, first of what is open. */
    public void another(JobSnapshot job, StoredStep lies, String material) {
        Technique t = engines.catalogue().technique(lies.technique());
        Material tone = engines.catalogue().material(material, t);
        judge.requireUsable(t, tone);
        StepIds ids = StepIds.besides(job.plan().steps().stream().map(StoredStep::id));
        StoredStep round =
                new StoredStep(
                        ids.keeping(lies.id()),
                        lies.technique(),
                        tone.key(),
                        lies.thickness(),
                        lies.zones(),
                        PlanStep.Origin.MANUAL,
                        "Another round while it lies open.",
                        null,
                        null,
                        null,
                        null,
                        lies.madeForEffect(),
                        lies.madeForStep(),
                        null,
                        null,
                        lies.extra());
        next(job, round);
    }

    /** Puts a step in front of all that is still to do. */
    JobSnapshot next(JobSnapshot job, StoredStep step) {
        List<StoredStep> steps = new ArrayList<>(job.plan().done());
        steps.add(step);
        steps.addAll(job.plan().open());
        return store(job, job.plan().with(steps));
    }

    /** Marks a step as done with what was really used. */
    public void markDone(
            UUID jobId,
            StepId stepId,
            String material,
            Instant from,
            Instant until,
            @Nullable ZoneTimes times) {
        change(jobId, stepId, s -> s.doneWith(material, from, until, times));
    }

    /** Takes the mark of being done off again. */
    public void markOpen(UUID jobId, StepId stepId) {
        change(jobId, stepId, StoredStep::undone);
    }

    private void change(UUID jobId, StepId stepId, UnaryOperator<StoredStep> how) {
        Plan plan = snapshots.plan(jobId);
        plan.step(stepId);
        List<StoredStep> steps = new ArrayList<>();
        for (StoredStep s : plan.steps()) {
            steps.add(s.id().equals(stepId) ? how.apply(s) : s);
        }
        plans.store(jobId, plan, plan.with(doneFirst(steps)));
    }

    /** What is done stands in front, in the order in which it was done. */
    private static List<StoredStep> doneFirst(List<StoredStep> steps) {
        List<StoredStep> ordered =
                new ArrayList<>(
                        steps.stream()
                                .filter(StoredStep::done)
                                .sorted(
                                        Comparator.comparing(
                                                s -> Objects.requireNonNull(s.startedAt())))
                                .toList());
        steps.stream().filter(s -> !s.done()).forEach(ordered::add);
        return ordered;
    }

    /** Stores steps of a record that is read in. */
    public void insert(UUID jobId, List<StoredStep> steps, List<Pin> pins) {
        Plan plan = snapshots.plan(jobId);
        plans.store(jobId, plan, plan.with(steps, pins, plan.schools()));
    }
}
