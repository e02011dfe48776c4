package org.pendrik.core.film;

/** What a step is there for. */
public sealed interface MadeFor {
    /**
     * One of the steps that make an effect.
     *
     * @param effectId id of the effect
     */
    record OfEffect(String effectId) implements MadeFor {}

    /**
     * A coat or a work that another step needs to hold.
     *
     * @param step that one
     */
    record OfStep(StepId step) implements MadeFor {}

    /** Itself: the user wants it, or it ends a plan. */
    record Itself() implements MadeFor {}

    /** Nothing that was planned: it lay there when the job began, and nobody is asked about it. */
    record Found() implements MadeFor {}

    /** For itself. */
    MadeFor ITSELF = new Itself();

    /** What lay there. */
    MadeFor FOUND = new Found();
}
