package org.pendrik.core.plan;

import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;
import org.pendrik.core.film.Thickness;
import org.pendrik.core.units.InvalidInput;

/**
 * An effect seen on the prototype and wanted on the model.
 *
 * @param id names it in the plan
 * @param kind what it is
 * @param zones keys of the zones where it is seen, at least one
 * @param strength 1 a trace, 2 plain, 3 heavy
 * @param material key of the material wanted for it; empty takes the technique's own
 */
public record Effect(
        String id, EffectKind kind, Set<String> zones, int strength, Optional<String> material) {
    public Effect {
        zones = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(zones));
        InvalidInput.requireWithin(
                "Strength of " + kind.label(),
                strength,
                "",
                1,
                3,
                "1 is a trace, 2 plain, 3 heavy.");
        if (zones.isEmpty()) {
            throw new InvalidInput(
                    "Effect " + kind.label(),
                    "no zone",
                    "must be on at least one zone",
                    "Choose where you see it.");
        }
    }

    /** How thick the coat is that makes it. */
    Thickness thickness() {
        return switch (strength) {
            case 1 -> Thickness.MIST;
            case 2 -> Thickness.LIGHT;
            default -> Thickness.NORMAL;
        };
    }
}
