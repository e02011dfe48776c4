package org.pendrik.app.study;

import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.core.plan.Effect;
import org.pendrik.core.plan.EffectKind;
import org.pendrik.core.units.InvalidInput;

/**
 * An effect noted for a job.
 *
 * @param material key of the material wanted for it, if one was named
 */
public record JobEffect(
        UUID id,
        EffectKind kind,
        ZoneKeys zones,
        int strength,
        @Nullable String material,
        String note) {
    public JobEffect {
        if (note.length() > 500) {
            throw new InvalidInput(
                    "Note", note.length() + " letters", "must have at most 500", "Shorten it.");
        }
        new Effect(id.toString(), kind, zones.set(), strength, Optional.ofNullable(material));
    }

    /** The effect as the compiler takes it. */
    public Effect effect() {
        return new Effect(
                id.toString(), kind, zones.set(), strength, Optional.ofNullable(material));
    }
}
