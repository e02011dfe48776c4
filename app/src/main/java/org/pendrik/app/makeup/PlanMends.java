package org.pendrik.app.makeup;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Mend;
import org.pendrik.core.film.Mends;
import org.pendrik.core.film.StepId;
import org.pendrik.core.plan.PlanCheck;
import org.pendrik.core.plan.PlanStep;
import org.pendrik.core.plan.Repair;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Mends what the film check finds in a plan, one finding or all of it. */
@Service
@Transactional
public class PlanMends {
    private final JobSnapshots snapshots;
    private final PlanStore plans;
    private final PlanJudge judge;
    private final Engines engines;

    PlanMends(JobSnapshots snapshots, PlanStore plans, PlanJudge judge, Engines engines) {
        this.snapshots = snapshots;
        this.plans = plans;
        this.judge = judge;
        this.engines = engines;
    }

    /** The mends for a finding that make sense without a clock: a plan waits by itself. */
    public List<Mends.Checked> mendsFor(PlanCheck.Judgement judgement, Finding finding) {
        return engines.mends().forFinding(judgement.timed(), judgement.film(), finding).stream()
                .filter(m -> !(m.mend() instanceof Mend.Wait))
                .toList();
    }

    /** Makes a mend, named by the place of its finding, its own place and its label. */
    JobSnapshot mend(UUID jobId, int finding, int mend, String label, int version) {
        JobSnapshot job = snapshots.of(jobId);
        job.plan().at(version);
        PlanCheck.Judgement judged = judge.judge(job);
        var findings = judged.film().findings();
        if (finding < 0 || finding >= findings.size()) {
            throw new StaleVersion("The plan");
        }
        var offered = mendsFor(judged, findings.get(finding));
        if (mend < 0 || mend >= offered.size() || !offered.get(mend).mend().label().equals(label)) {
            throw new StaleVersion("The plan");
        }
        Mend chosen = offered.get(mend).mend();
        FilmCase mended =
                engines.mends()
                        .apply(judged.timed(), chosen)
                        .orElseThrow(() -> new StaleVersion("The plan"));
        return storeMended(job, mended, findings.get(finding).why());
    }

    private JobSnapshot storeMended(JobSnapshot job, FilmCase mended, String why) {
        Map<StepId, StoredStep> known = job.plan().byId();
        List<StoredStep> steps = new ArrayList<>();
        for (Act a : mended.acts()) {
            StoredStep s = known.get(a.id());
            if (s == null) {
                steps.add(StoredStep.of(a, PlanStep.Origin.INSERTED, why, engines.catalogue()));
            } else {
                steps.add(
                        s.done()
                                ? s
                                : StoredStep.of(a, s.origin(), s.reason(), engines.catalogue())
                                        .remembering(s));
            }
        }
        return job.with(plans.store(job.job().id(), job.plan(), job.plan().with(steps)));
    }

    /** Makes the cheapest changes after which nothing is left to stop or to warn of. */
    Repaired repair(UUID jobId, int version) {
        JobSnapshot job = snapshots.of(jobId);
        job.plan().at(version);
        PlanCheck.Judgement judged = judge.judge(job);
        Repair.Offer offer =
                engines.repair()
                        .of(judged.timed())
                        .orElseThrow(
                                () ->
                                        new InvalidInput(
                                                "Plan",
                                                judged.film().isClean() ? "as it is" : "this order",
                                                judged.film().isClean()
                                                        ? "has nothing to mend"
                                                        : "cannot be mended by a few changes",
                                                judged.film().isClean()
                                                        ? "Leave it as it is."
                                                        : "Make it anew from the effects."));
        return new Repaired(
                offer.mends().stream().map(Mend::label).toList(),
                storeMended(job, offer.mended(), "It mends the plan as a whole."));
    }

    /**
     * A plan mended as a whole.
     *
     * @param labels what was changed, in words
     */
    record Repaired(List<String> labels, JobSnapshot job) {}
}
