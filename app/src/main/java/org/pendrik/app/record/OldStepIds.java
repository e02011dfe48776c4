package org.pendrik.app.record;

import org.pendrik.app.makeup.StoredStep;
import org.pendrik.core.film.StepId;
import org.pendrik.core.plan.PlanStep;

/**
 * Records before version 4 told in the ids of steps what these are made for: {@code
 * effect:technique} for an effect, {@code step+technique} for a step that another one needs.
 */
final class OldStepIds {
    private OldStepIds() {}

    /** The step with what its id says. */
    static StoredStep read(StoredStep s) {
        String id = s.id().value();
        int plus = id.lastIndexOf('+');
        int colon = id.indexOf(':');
        if (s.takesBack() != null || s.origin() == PlanStep.Origin.MANUAL) {
            return s;
        }
        if (plus > 0) {
            return s.madeFor(null, new StepId(id.substring(0, plus)));
        }
        return colon > 0 ? s.madeFor(id.substring(0, colon), null) : s;
    }
}
