package org.pendrik.core.units;

import java.util.List;

/**
 * A model scale as prototype millimetres per model millimetre.
 *
 * @param name how modellers call it, such as "H0"
 * @param ratio from 1 to 1000
 */
public record Scale(String name, double ratio) {
    /** The common scales, smallest model first. */
    public static final List<Scale> COMMON =
            List.of(
                    new Scale("Z", 220),
                    new Scale("N", 160),
                    new Scale("N 1:148", 148),
                    new Scale("TT", 120),
                    new Scale("H0", 87.1),
                    new Scale("00", 76.2),
                    new Scale("S", 64),
                    new Scale("0 1:48", 48),
                    new Scale("0", 43.5),
                    new Scale("1", 32),
                    new Scale("G", 22.5));

    public Scale {
        InvalidInput.requireWithin(
                "Scale",
                ratio,
                "",
                1,
                1000,
                "Give the second figure of the ratio: 87.1 for 1:87.1.");
    }

    /**
     * The ratio of a scale as people write it: 87.1, 1:87.1 or 1/87.1.
     *
     * @throws InvalidInput when it is none of these
     */
    public static Rational parseRatio(String text) {
        return Rational.parse("Scale", text.strip().replaceFirst("^1\\s*[:/]\\s*", ""));
    }

    /** The common scale of this ratio, or one named by the ratio. */
    public static Scale ofRatio(double ratio) {
        return COMMON.stream()
                .filter(s -> Math.abs(s.ratio - ratio) < 0.05)
                .findFirst()
                .orElseGet(() -> new Scale("1:" + ratio, ratio));
    }

    /** A prototype length on the model. */
    public Length toModel(Length prototype) {
        return Length.ofMm(prototype.mm() / ratio);
    }

    /** A model length on the prototype. */
    public Length toPrototype(Length model) {
        return Length.ofMm(model.mm() * ratio);
    }
}
