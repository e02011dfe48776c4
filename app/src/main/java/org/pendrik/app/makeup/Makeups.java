package org.pendrik.app.makeup;

import java.time.Clock;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.school.SchoolSheet;
import org.pendrik.app.shelf.StepMixes;
import org.pendrik.app.study.Studies;
import org.pendrik.core.plan.PlanCheck;
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
    private final Clock clock;

    Makeups(
            Plans plans,
            PlanMends mends,
            Studies studies,
            Engines engines,
            SchoolSheet schools,
            StepMixes mixes,
            Clock clock) {
        this.plans = plans;
        this.mends = mends;
        this.studies = studies;
        this.engines = engines;
        this.schools = schools;
        this.mixes = mixes;
        this.clock = clock;
    }

    /** The plan as it is. */
    public MakeupView of(UUID jobId) {
        return view(jobId, plans.judge(jobId));
    }

    /** The plan judged in another way than it stands. */
    MakeupView view(UUID jobId, PlanCheck.Judgement judged) {
        return MakeupView.of(
                plans.of(jobId),
                judged,
                engines.catalogue(),
                f -> mends.mendsFor(judged, f),
                studies.of(jobId).effects().size(),
                schools.own(jobId).answers(),
                schools.house().answers(),
                mixes.ofJob(jobId),
                StoredStep.minute(clock.instant()));
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
