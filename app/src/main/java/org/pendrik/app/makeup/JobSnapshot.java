package org.pendrik.app.makeup;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.JobZone;
import org.pendrik.app.shelf.StepMixes;
import org.pendrik.app.study.Studies;
import org.pendrik.app.workshop.Workshop;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Zone;
import org.pendrik.core.plan.Schools;

/**
 * All that plan, diary and bench of a job hang on, of one moment. It is read once for a request and
 * handed on.
 *
 * @param paint that the subject came in
 * @param known warnings that the user has answered
 * @param recipes that steps are mixed by
 * @param house how the house does things
 */
@RecordBuilder
@RecordBuilder.Options(
        builderClassModifiers = {},
        enableWither = false)
public record JobSnapshot(
        Job job,
        List<JobZone> zones,
        Plan plan,
        Studies.Study study,
        Lab paint,
        Set<Finding.Answer> known,
        Map<StepId, StepMixes.StepRecipe> recipes,
        Schools.Choice house,
        Workshop workshop) {

    /** How this job is done. */
    Schools.Choice schools() {
        return plan.schools().over(house);
    }

    /** The same with another plan. */
    JobSnapshot with(Plan other) {
        return JobSnapshotBuilder.builder(this).plan(other).build();
    }

    /** The same with other answers to warnings. */
    JobSnapshot knowing(Set<Finding.Answer> other) {
        return JobSnapshotBuilder.builder(this).known(other).build();
    }

    /** The zones as the film engine takes them. */
    List<Zone> subject() {
        double side =
                job.scale().toModel(job.length()).mm() * job.scale().toModel(job.height()).mm();
        return zones.stream()
                .map(
                        z -> {
                            boolean clean = Boolean.TRUE.equals(z.keptClean());
                            Substrate own = z.substrate() == null ? job.substrate() : z.substrate();
                            return new Zone(
                                    z.zoneKey(),
                                    z.name(),
                                    clean ? Substrate.GLAZING : own,
                                    z.lettering(),
                                    paint,
                                    Math.max(1, side * z.areaShare()),
                                    Objects.requireNonNull(z.face()),
                                    clean);
                        })
                .toList();
    }
}
