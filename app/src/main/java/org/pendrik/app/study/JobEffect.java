package org.pendrik.app.study;

import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.plan.Effect;
import org.pendrik.core.plan.EffectKind;
import org.pendrik.core.plan.Tones;
import org.pendrik.core.units.InvalidInput;

/**
 * An effect noted for a job.
 *
 * @param tones keys of the materials that are wanted for it, in their order; none takes what the
 *     way starts with, nearest to the colour where one was measured
 * @param colour as measured, {@code #rrggbb}
 * @param marks how large its marks are on the model
 * @param regionId the region that shows it
 * @param how made, where that is not as the schools have it; null is as they have it
 */
public record JobEffect(
        UUID id,
        EffectKind kind,
        ZoneKeys zones,
        int strength,
        @Nullable ToneKeys tones,
        String note,
        @Nullable String colour,
        @Nullable String marks,
        @Nullable UUID regionId,
        @Nullable EffectHow how) {
    private static final Pattern HEX = Pattern.compile("#[0-9a-f]{6}");

    /** An effect that was seen and not measured. */
    public static JobEffect seen(
            UUID id,
            EffectKind kind,
            ZoneKeys zones,
            int strength,
            @Nullable String material,
            String note) {
        return new JobEffect(
                id,
                kind,
                zones,
                strength,
                new ToneKeys(material == null ? java.util.List.of() : java.util.List.of(material)),
                note,
                null,
                "",
                null,
                null);
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
        tones = tones == null ? new ToneKeys(java.util.List.of()) : tones;
        how = how == null ? EffectHow.USUAL : how;
        effect(id, kind, zones, strength, tones, how, colour);
    }

    private static Effect effect(
            UUID id,
            EffectKind kind,
            ZoneKeys zones,
            int strength,
            ToneKeys tones,
            EffectHow how,
            @Nullable String colour) {
        return new Effect(
                id.toString(),
                kind,
                zones.set(),
                strength,
                new Tones(tones.keys(), how.rounds()),
                how.made(),
                Optional.ofNullable(colour)
                        .map(c -> Srgb.toLab(Integer.parseInt(c.substring(1), 16))),
                how.set(),
                how.phase());
    }

    /** The same on other zones, at least one. */
    JobEffect on(ZoneKeys others) {
        return new JobEffect(id, kind, others, strength, tones, note, colour, marks, regionId, how);
    }

    /** The effect as the compiler takes it. */
    public Effect effect() {
        return effect(
                id,
                kind,
                zones,
                strength,
                Objects.requireNonNull(tones),
                Objects.requireNonNull(how),
                colour);
    }
}
