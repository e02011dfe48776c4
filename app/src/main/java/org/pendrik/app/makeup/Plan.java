package org.pendrik.app.makeup;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.core.film.StepId;
import org.pendrik.core.plan.Pin;
import org.pendrik.core.plan.Schools;

/**
 * The plan of a job as it is kept.
 *
 * @param steps what is done in front, in the order in which it was done
 * @param pins steps that have to keep behind one another
 * @param schools answers that this job gives otherwise than the house
 * @param gapMinutes how much less another plan could cost at most; null when it was not compiled or
 *     changed since
 * @param version counts every change of it
 */
public record Plan(
        List<StoredStep> steps,
        List<Pin> pins,
        Schools.Choice schools,
        @Nullable Long gapMinutes,
        int version) {
    public Plan {
        steps = List.copyOf(steps);
        pins = List.copyOf(pins);
    }

    /** The same as it rests on what was seen; {@link StaleVersion} when it changed since. */
    Plan at(int seen) {
        if (version != seen) {
            throw new StaleVersion("The plan");
        }
        return this;
    }

    /** Changed by hand: how far it is off the best is no longer known. */
    Plan with(List<StoredStep> other) {
        return new Plan(other, pins, schools, null, version);
    }

    /** Changed by hand, with other pins and answers. */
    Plan with(List<StoredStep> other, List<Pin> otherPins, Schools.Choice otherSchools) {
        return new Plan(other, otherPins, otherSchools, null, version);
    }

    /** Compiled anew. */
    Plan compiled(List<StoredStep> other, @Nullable Long gap) {
        return new Plan(other, pins, schools, gap, version);
    }

    /** A step; {@link NotFound} when there is none. */
    public StoredStep step(StepId id) {
        return steps.stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new NotFound("The step"));
    }

    /** The steps by their id. */
    Map<StepId, StoredStep> byId() {
        Map<StepId, StoredStep> out = new HashMap<>();
        steps.forEach(s -> out.put(s.id(), s));
        return out;
    }

    /** What has happened. */
    List<StoredStep> done() {
        return steps.stream().filter(StoredStep::done).toList();
    }

    /** What is still to do. */
    List<StoredStep> open() {
        return steps.stream().filter(s -> !s.done()).toList();
    }
}
