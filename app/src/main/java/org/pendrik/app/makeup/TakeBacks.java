package org.pendrik.app.makeup;

import java.util.Set;
import java.util.UUID;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.shelf.StepMixes;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.film.TakeBack;
import org.pendrik.core.plan.PlanStep;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes coats back that became too much: asks how, and puts a way into the plan. */
@Service
@Transactional
public class TakeBacks {
    private final JobSnapshots snapshots;
    private final PlanEdits edits;
    private final PlanJudge judge;
    private final Engines engines;
    private final StepMixes mixes;

    TakeBacks(
            JobSnapshots snapshots,
            PlanEdits edits,
            PlanJudge judge,
            Engines engines,
            StepMixes mixes) {
        this.snapshots = snapshots;
        this.edits = edits;
        this.judge = judge;
        this.engines = engines;
        this.mixes = mixes;
    }

    /** Which coats can be taken back on which zones, and how. */
    public TakeBack.Answer ask(UUID jobId, StepId stepId, Set<String> zones, double share) {
        return ask(snapshots.of(jobId), stepId, zones, share);
    }

    private TakeBack.Answer ask(JobSnapshot job, StepId stepId, Set<String> zones, double share) {
        FilmCase laid = judge.done(job);
        Set<String> atHand = mixes.cupboard().atHand(engines.catalogue().materials());
        long now = laid.acts().stream().mapToLong(Act::endMinute).reduce(judge.now(), Math::max);
        return engines.takeBack()
                .answer(new TakeBack.Question(laid, stepId, zones, share, now, atHand));
    }

    /** Puts a way of taking a coat back in as the next step. */
    JobSnapshot insert(
            UUID jobId,
            StepId stepId,
            Set<String> zones,
            double share,
            String technique,
            String material,
            int version) {
        JobSnapshot job = snapshots.of(jobId);
        Plan old = job.plan().at(version);
        Act act =
                ask(job, stepId, zones, share).ways().stream()
                        .map(TakeBack.Way::act)
                        .filter(
                                a ->
                                        a.technique().key().equals(technique)
                                                && a.material().key().equals(material))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        new InvalidInput(
                                                "Way",
                                                engines.catalogue().material(material).name(),
                                                "no longer does it",
                                                "Ask again what takes it back now."));
        String coat =
                old.steps().stream()
                        .filter(s -> s.id().equals(stepId))
                        .findFirst()
                        .map(s -> engines.catalogue().material(s.material()).name())
                        .orElse("coat");
        StepId id = StepIds.besides(old.steps().stream().map(StoredStep::id)).takingBack(stepId);
        return edits.next(
                job,
                StoredStep.of(
                        act.named(id),
                        PlanStep.Origin.MANUAL,
                        share < 1
                                ? "The " + coat + " is too heavy: thin it."
                                : "The " + coat + " is too heavy: take it off.",
                        engines.catalogue()));
    }
}
