package org.pendrik.core.plan;

import java.util.Optional;
import org.pendrik.core.measure.MarkForm;
import org.pendrik.core.measure.WeatherClass;

/** Which effect the marks of a class are, by their shape and direction. */
final class MarkEffect {
    /** From here on across a mark is a patch of its own and not one of many, prototype mm. */
    private static final double PATCH_MM = 100;

    private MarkEffect() {}

    /** The effect; empty for a class that is none by itself. */
    static Optional<EffectKind> of(WeatherClass c, MarkForm form) {
        boolean runs = form.runs();
        boolean patches = form.acrossMm() >= PATCH_MM;
        return switch (c) {
            case FRESH_RUST ->
                    Optional.of(
                            runs
                                    ? EffectKind.RUST_STREAKS
                                    : patches ? EffectKind.HEAVY_RUST : EffectKind.RUST_SPOTS);
            case OLD_RUST ->
                    Optional.of(
                            runs
                                    ? EffectKind.RUST_STREAKS
                                    : patches ? EffectKind.HEAVY_RUST : EffectKind.CHIPS);
            case BARE_METAL -> Optional.of(EffectKind.CHIPS);
            case GRIME -> Optional.of(runs ? EffectKind.DIRT_STREAKS : EffectKind.JOINT_SHADE);
            case WHITE_MINERAL -> runs ? Optional.of(EffectKind.MINERAL_STREAKS) : Optional.empty();
            case DUST -> Optional.of(EffectKind.DUST);
            case SOOT -> Optional.of(EffectKind.SOOT);
            case PAINT, OTHER -> Optional.empty();
        };
    }
}
