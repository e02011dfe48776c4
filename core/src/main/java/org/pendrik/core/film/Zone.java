package org.pendrik.core.film;

import org.pendrik.core.colour.Lab;

/**
 * A named part of the subject as it is before the first coat.
 *
 * @param key stable name
 * @param name as said at the bench
 * @param substrate what it is made of
 * @param lettering whether factory lettering lies on the substrate
 * @param colour the colour it starts with
 */
public record Zone(String key, String name, Substrate substrate, boolean lettering, Lab colour) {}
