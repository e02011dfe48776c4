package org.pendrik.core.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.units.InvalidInput;

/**
 * An effect seen on the prototype and wanted on the model: what, where, how strong, in which tones,
 * made how.
 *
 * @param id names it in the plan
 * @param kind what it is
 * @param zones keys of the zones where it is seen, at least one
 * @param strength 1 a trace, 2 plain, 3 heavy
 * @param tones what is asked for is what is taken
 * @param made how, where the schools would do it otherwise
 * @param colour as measured: without tones the material of the way that is nearest to it is taken
 * @param set name of the set that it is placed, moved and sized with; empty for none
 * @param phase when it happened, where that is not as usual
 */
@RecordBuilder
@RecordBuilder.Options(
        builderClassModifiers = {},
        enableWither = false)
public record Effect(
        String id,
        EffectKind kind,
        Set<String> zones,
        int strength,
        Tones tones,
        Made made,
        Optional<Lab> colour,
        String set,
        Phase phase) {
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

    /**
     * An effect made as the schools have it.
     *
     * @param material key of the material wanted for it; empty takes the way's own
     */
    public Effect(
            String id,
            EffectKind kind,
            Set<String> zones,
            int strength,
            Optional<String> material) {
        this(
                id,
                kind,
                zones,
                strength,
                material.map(Tones::of).orElse(Tones.USUAL),
                Made.BY_SCHOOL,
                Optional.empty(),
                "",
                Phase.USUAL);
    }

    /** The same in other tones. */
    public Effect in(Tones others) {
        return EffectBuilder.builder(this).tones(others).build();
    }

    /** The same made otherwise. */
    public Effect made(Made otherwise) {
        return EffectBuilder.builder(this).made(otherwise).build();
    }

    /** The same at another time in the life of the prototype. */
    public Effect at(Phase other) {
        return EffectBuilder.builder(this).phase(other).build();
    }

    /** The same as part of a set. */
    public Effect inSet(String name) {
        return EffectBuilder.builder(this).set(name).build();
    }

    /** The same under another id on other zones. */
    Effect as(String otherId, Set<String> otherZones) {
        return EffectBuilder.builder(this).id(otherId).zones(otherZones).build();
    }
}
