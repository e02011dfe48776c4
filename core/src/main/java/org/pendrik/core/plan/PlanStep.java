package org.pendrik.core.plan;

import org.pendrik.core.film.Act;

/**
 * A step of a plan.
 *
 * @param act what is done
 * @param origin how it came into the plan
 * @param reason why it is there, one sentence
 */
public record PlanStep(Act act, Origin origin, String reason) {
    /** How a step came into a plan. */
    public enum Origin {
        /** Makes an effect. */
        EFFECT,
        /** The film engine needs it. */
        INSERTED,
        /** The user put it there. */
        MANUAL,
        /** It lay there when the job began. */
        FOUND
    }
}
