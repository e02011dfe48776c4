package org.pendrik.app.makeup;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.school.SchoolSheet;
import org.pendrik.app.shelf.StepMixes;
import org.pendrik.app.study.FactoryColours;
import org.pendrik.app.study.Studies;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.catalogue.Substrate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Reads what the plan of a job hangs on. What has a version (zones, plan, study) is read again only
 * when that has changed, so that looking across all jobs costs a few statements.
 */
@Service
@Transactional
public class JobSnapshots {
    private final Jobs jobs;
    private final PlanStore plans;
    private final Studies studies;
    private final FactoryColours colours;
    private final Answers answers;
    private final StepMixes mixes;
    private final SchoolSheet schools;
    private final Workshops workshops;

    JobSnapshots(
            Jobs jobs,
            PlanStore plans,
            Studies studies,
            FactoryColours colours,
            Answers answers,
            StepMixes mixes,
            SchoolSheet schools,
            Workshops workshops) {
        this.jobs = jobs;
        this.plans = plans;
        this.studies = studies;
        this.colours = colours;
        this.answers = answers;
        this.mixes = mixes;
        this.schools = schools;
        this.workshops = workshops;
    }

    /** A job as of now. */
    public JobSnapshot of(UUID jobId) {
        Job job = jobs.get(jobId);
        return new JobSnapshot(
                job,
                jobs.zones(job),
                plans.of(job),
                studies.of(job),
                colours.of(job).orElse(Substrate.UNKNOWN_COLOUR),
                answers.known(jobId),
                mixes.ofJob(jobId),
                schools.house(),
                workshops.current());
    }

    /** The plan of a job as of now. */
    public Plan plan(UUID jobId) {
        return plans.of(jobs.get(jobId));
    }

    /** The plan of a job, of the moment in which its row was read. */
    public Plan plan(Job job) {
        return plans.of(job);
    }

    /**
     * All jobs that are not put away and have something to do, in the order of {@link Jobs#all}.
     */
    public List<JobSnapshot> inWork() {
        List<Job> wanted = new ArrayList<>();
        for (Job job : jobs.all()) {
            if (!job.archived() && !plans.of(job).open().isEmpty()) {
                wanted.add(job);
            }
        }
        if (wanted.isEmpty()) {
            return List.of();
        }
        var known = answers.known();
        var recipes = mixes.ofJobs(wanted.stream().map(Job::id).collect(Collectors.toSet()));
        var paints = colours.of(wanted);
        List<JobSnapshot> out = new ArrayList<>();
        for (Job job : wanted) {
            out.add(
                    new JobSnapshot(
                            job,
                            jobs.zones(job),
                            plans.of(job),
                            studies.of(job),
                            paints.getOrDefault(job.id(), Substrate.UNKNOWN_COLOUR),
                            known.getOrDefault(job.id(), Set.of()),
                            recipes.getOrDefault(job.id(), Map.of()),
                            schools.house(),
                            workshops.current()));
        }
        return out;
    }
}
