package org.pendrik.core.catalogue;

import java.util.Optional;
import org.pendrik.core.colour.Lab;

/**
 * A bottle of the shelf, a kept recipe or a material of the workshop's own: it dries and bites as
 * the material of the tables that is of its family and that the technique at hand would take.
 *
 * @param key stable name, unlike any of the tables
 * @param name what is said of it
 * @param family as materials.csv groups them
 * @param clear it changes the surface and not the colour
 * @param finish that it leaves; empty as its family does
 * @param colour of a full coat; empty as its family
 * @param cure drying times of its own; empty as its family
 * @param window in which it may be worked; empty as its family
 */
public record Stock(
        String key,
        String name,
        String family,
        boolean clear,
        Optional<Finish> finish,
        Optional<Lab> colour,
        Optional<CureAnchors> cure,
        Optional<WorkWindow> window) {}
