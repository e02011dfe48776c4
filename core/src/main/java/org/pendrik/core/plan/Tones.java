package org.pendrik.core.plan;

import java.util.List;
import org.pendrik.core.units.InvalidInput;

/**
 * The colours in which an effect is made, by the materials that carry them.
 *
 * @param materials keys, the first tone first; empty takes what the way starts with
 * @param rounds false: in one sitting, each into the one before while that is open; true: each as a
 *     round of its own when the one before has dried
 */
public record Tones(List<String> materials, boolean rounds) {
    /** What the way starts with. */
    public static final Tones USUAL = new Tones(List.of(), false);

    private static final int MOST = 6;

    /**
     * @throws InvalidInput when there are more than {@value #MOST}
     */
    public Tones {
        materials = List.copyOf(materials);
        if (materials.size() > MOST) {
            throw new InvalidInput(
                    "Tones",
                    materials.size() + " of one effect",
                    "must be at most " + MOST,
                    "Note the rest as an effect of its own.");
        }
    }

    /** One tone. */
    public static Tones of(String material) {
        return new Tones(List.of(material), false);
    }

    /** Some tones worked into one another. */
    public static Tones together(String... materials) {
        return new Tones(List.of(materials), false);
    }

    /** Some tones, each when the one before has dried. */
    public static Tones inRounds(String... materials) {
        return new Tones(List.of(materials), true);
    }
}
