package org.pendrik.app.makeup;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.StepId;
import org.pendrik.core.plan.PlanCheck;
import org.pendrik.core.plan.Schools;
import org.pendrik.core.plan.Ways;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The plan of a job as it is drawn, all of one moment. */
@Service
@Transactional
public class Makeups {
    private final JobSnapshots snapshots;
    private final Planner planner;
    private final PlanJudge judge;
    private final PlanMends mends;
    private final Engines engines;

    Makeups(
            JobSnapshots snapshots,
            Planner planner,
            PlanJudge judge,
            PlanMends mends,
            Engines engines) {
        this.snapshots = snapshots;
        this.planner = planner;
        this.judge = judge;
        this.mends = mends;
        this.engines = engines;
    }

    /** The plan as it is. */
    public MakeupView of(UUID jobId) {
        return view(snapshots.of(jobId));
    }

    private MakeupView view(JobSnapshot job) {
        return view(job, judge.judge(job));
    }

    /** The plan judged in another way than it stands. */
    private MakeupView view(JobSnapshot job, PlanCheck.Judgement judged) {
        return MakeupView.of(
                job, judged, engines.catalogue(), f -> mends.mendsFor(judged, f), judge.now());
    }

    /** The plan as it would be in other air, or with a step laid thicker, beside what it is. */
    WhatIfView whatIf(
            UUID jobId, Climate air, @Nullable StepId thicker, @Nullable Thickness thickness) {
        JobSnapshot job = snapshots.of(jobId);
        PlanCheck.Judgement then = judge.whatIf(job, air, thicker, thickness);
        return WhatIfView.of(judge.judge(job), then, view(job, then));
    }

    /**
     * How an effect of the study is made in this job.
     *
     * @param way key of the way; null when what is asked does not go together
     * @param name of the way
     * @param technique that shows it
     * @param start key of the material that it takes when none is asked for
     * @param startReason why that one; empty when what is asked does not go together
     * @param steps names of the techniques in order
     * @param materials that it takes, the starting choice first
     * @param liquids that can work its coat; empty when nothing is worked
     * @param beside steps of the way that show no tone, with what they can be laid with
     * @param strength what its strength comes to
     * @param problem why it cannot be made as asked; null when it can
     * @param remedy what can
     */
    public record MadeView(
            UUID effect,
            @Nullable String way,
            String name,
            @Nullable String technique,
            @Nullable String start,
            String startReason,
            List<String> steps,
            List<String> materials,
            List<String> liquids,
            List<BesideView> beside,
            String strength,
            @Nullable String problem,
            @Nullable String remedy) {}

    /**
     * A step of a way that shows no tone.
     *
     * @param step key of its technique
     * @param start key of the material that it is laid with when none is asked for
     * @param materials that it takes
     */
    public record BesideView(String step, String name, String start, List<String> materials) {}

    /** How each effect of the study is made, as the schools of this job and the effect have it. */
    public List<MadeView> made(UUID jobId) {
        Catalogue catalogue = engines.catalogue();
        JobSnapshot job = snapshots.of(jobId);
        Schools.Choice choice = job.schools();
        Lab own = job.paint();
        return job.study().effects().stream()
                .map(
                        e -> {
                            try {
                                Ways.Plan p = Ways.plan(e.effect(), own, choice, catalogue);
                                return new MadeView(
                                        e.id(),
                                        p.way(),
                                        p.name(),
                                        p.technique().key(),
                                        p.start(),
                                        p.startReason(),
                                        p.steps(),
                                        catalogue.usable(p.technique()),
                                        p.liquids(),
                                        beside(p, catalogue),
                                        p.strength(),
                                        null,
                                        null);
                            } catch (InvalidInput no) {
                                return new MadeView(
                                        e.id(),
                                        null,
                                        "",
                                        null,
                                        null,
                                        "",
                                        List.of(),
                                        List.of(),
                                        List.of(),
                                        List.of(),
                                        "",
                                        no.field() + ": " + no.value() + " " + no.rule() + ".",
                                        no.remedy());
                            }
                        })
                .toList();
    }

    private static List<BesideView> beside(Ways.Plan p, Catalogue catalogue) {
        return p.beside().stream()
                .map(
                        b ->
                                new BesideView(
                                        b.step(),
                                        b.technique().name(),
                                        b.start(),
                                        catalogue.usable(b.technique())))
                .toList();
    }

    /** Plans jobs in step and draws the first; all of them or none. */
    MakeupController.InStepView inStep(UUID jobId, List<Planner.Companion> others, int version) {
        List<JobSnapshot> left = planner.compileInStep(jobId, others, version);
        List<Planner.Companion> versions = new ArrayList<>();
        MakeupView first = null;
        for (JobSnapshot job : left) {
            // each has to be one that can be drawn
            MakeupView v = view(job);
            first = first == null ? v : first;
            versions.add(new Planner.Companion(job.job().id(), v.version()));
        }
        return new MakeupController.InStepView(Objects.requireNonNull(first), versions);
    }

    /** Makes an edit and draws what it left; an edit that cannot be drawn is not kept. */
    MakeupView after(Supplier<JobSnapshot> edit) {
        return view(edit.get());
    }
}
