package org.pendrik.core.plan;

import org.pendrik.core.film.StepId;

/**
 * The user's own word on order.
 *
 * @param firstId id of the step that goes first
 * @param thenId id of the step that comes later
 */
public record Pin(StepId firstId, StepId thenId) {}
