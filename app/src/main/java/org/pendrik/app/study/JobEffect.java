package org.pendrik.app.study;

import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.core.plan.Effect;
import org.pendrik.core.plan.EffectKind;
import org.pendrik.core.units.InvalidInput;

/**
 * An effect noted for a job.
 *
 * @param material key of the material wanted for it, if one was named
 * @param colour as measured, {@code #rrggbb}
 * @param marks how large its marks are on the model
 * @param regionId the region that shows it
 */
public record JobEffect(
        UUID id,
        EffectKind kind,
        ZoneKeys zones,
        int strength,
        @Nullable String material,
        String note,
        @Nullable String colour,
        @Nullable String marks,
        @Nullable UUID regionId) {
    private static final Pattern HEX = Pattern.compile("#[0-9a-f]{6}");

    /** An effect that was seen and not measured. */
    public static JobEffect seen(
            UUID id,
            EffectKind kind,
            ZoneKeys zones,
            int strength,
            @Nullable String material,
            String note) {
        return new JobEffect(id, kind, zones, strength, material, note, null, "", null);
    }

    public JobEffect {
        if (colour != null && !HEX.matcher(colour).matches()) {
            throw new InvalidInput(
                    "Colour", colour, "must be # and six digits", "Write it like #6b5a40.");
        }
        marks = marks == null ? "" : marks;
        if (marks.length() > 300) {
            throw new InvalidInput(
                    "Marks", marks.length() + " letters", "must have at most 300", "Shorten it.");
        }
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
