package org.pendrik.app.makeup;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.school.SchoolSheet;
import org.pendrik.app.shelf.StepMixes;
import org.pendrik.app.study.JobEffect;
import org.pendrik.app.study.Studies;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.plan.PlanCheck;
import org.pendrik.core.plan.Schools;
import org.pendrik.core.plan.Ways;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The plan of a job as it is drawn, all of one moment. */
@Service
@Transactional
public class Makeups {
    private final Plans plans;
    private final PlanMends mends;
    private final Studies studies;
    private final Engines engines;
    private final SchoolSheet schools;
    private final StepMixes mixes;
    private final Jobs jobs;
    private final Clock clock;

    Makeups(
            Plans plans,
            PlanMends mends,
            Studies studies,
            Engines engines,
            SchoolSheet schools,
            StepMixes mixes,
            Jobs jobs,
            Clock clock) {
        this.plans = plans;
        this.mends = mends;
        this.studies = studies;
        this.engines = engines;
        this.schools = schools;
        this.mixes = mixes;
        this.jobs = jobs;
        this.clock = clock;
    }

    /** The plan as it is. */
    public MakeupView of(UUID jobId) {
        return view(jobId, plans.judge(jobId));
    }

    /** The plan judged in another way than it stands. */
    MakeupView view(UUID jobId, PlanCheck.Judgement judged) {
        Map<String, String> sets = new LinkedHashMap<>();
        List<JobEffect> effects = studies.of(jobId).effects();
        effects.forEach(e -> sets.put(e.id().toString(), e.effect().set()));
        return MakeupView.of(
                plans.of(jobId),
                judged,
                engines.catalogue(),
                f -> mends.mendsFor(judged, f),
                effects.size(),
                sets,
                schools.own(jobId).answers(),
                schools.house().answers(),
                jobs.planGap(jobId),
                mixes.ofJob(jobId),
                StoredStep.minute(clock.instant()));
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
        Schools.Choice choice = schools.of(jobId);
        Lab own = plans.paintOf(jobId);
        return studies.of(jobId).effects().stream()
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
    MakeupController.InStepView inStep(UUID jobId, List<Plans.Companion> others, int version) {
        plans.compileInStep(jobId, others, version);
        List<Plans.Companion> versions =
                Stream.concat(Stream.of(jobId), others.stream().map(Plans.Companion::job))
                        .distinct()
                        // each has to be one that can be drawn
                        .map(id -> new Plans.Companion(id, of(id).version()))
                        .toList();
        return new MakeupController.InStepView(of(jobId), versions);
    }

    /** Makes an edit and draws what it left; an edit that cannot be drawn is not kept. */
    MakeupView after(UUID jobId, Runnable edit) {
        edit.run();
        return of(jobId);
    }
}
