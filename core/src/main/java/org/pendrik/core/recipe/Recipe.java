package org.pendrik.core.recipe;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Look;
import org.pendrik.core.paint.Metamerism;
import org.pendrik.core.paint.Paint;
import org.pendrik.core.paint.Reflectance;
import org.pendrik.core.paint.Surface;

/**
 * Whole drops of some bottles, and what they make.
 *
 * @param parts drops by bottle, most drops first
 * @param paint the mix
 * @param seen what is seen of a hiding coat of it
 */
public record Recipe(List<Part> parts, Paint paint, Reflectance seen) {
    /**
     * Drops of one bottle.
     *
     * @param bottle which
     * @param drops at least 1
     */
    public record Part(Ingredient bottle, int drops) {
        public Part {
            if (drops < 1) {
                throw new IllegalArgumentException("a part has a drop at least: " + drops);
            }
        }
    }

    /**
     * How the mix stands to a target under one light.
     *
     * @param target its colour there
     * @param mix colour of the mix there
     * @param difference of the mix from the target
     * @param metamerism what the change of light from the one of the match adds, ΔE00
     */
    public record Under(Lab target, Lab mix, ColourDifference difference, double metamerism) {}

    /**
     * The recipe of some drops.
     *
     * @param parts at least one
     * @param surface that the dry mix has
     */
    public static Recipe of(List<Part> parts, Surface surface) {
        List<Part> sorted =
                parts.stream()
                        .sorted(
                                java.util.Comparator.comparingInt((Part p) -> -p.drops())
                                        .thenComparing(p -> p.bottle().key()))
                        .toList();
        Paint mix =
                Paint.mix(
                        sorted.stream()
                                .map(
                                        p ->
                                                new Paint.Part(
                                                        p.bottle().paint(),
                                                        p.drops() * p.bottle().weight()))
                                .toList());
        return new Recipe(sorted, mix, new Look(mix.masstone(), surface).seen());
    }

    /** All drops. */
    public int drops() {
        return parts.stream().mapToInt(Part::drops).sum();
    }

    /** Volume of all drops. */
    public double millilitres() {
        return parts.stream().mapToDouble(p -> p.drops() * p.bottle().millilitresPerDrop()).sum();
    }

    /** Whether a bottle in it is known by one colour only. */
    public boolean estimated() {
        return parts.stream().anyMatch(p -> p.bottle().paint().origin() == Paint.Origin.ESTIMATED);
    }

    /** ΔE00 from a target under a light. */
    public double off(Reflectance target, Light light) {
        return ColourDifference.ciede2000(light.lab(target), light.lab(seen));
    }

    /** How it stands to a target under every light; {@code matched} is the one it was made for. */
    public Map<Light, Under> under(Reflectance target, Light matched) {
        Map<Light, Under> out = new EnumMap<>(Light.class);
        for (Light l : Light.values()) {
            Lab wanted = l.lab(target);
            Lab got = l.lab(seen);
            out.put(
                    l,
                    new Under(
                            wanted,
                            got,
                            ColourDifference.between(wanted, got),
                            l == matched ? 0 : Metamerism.index(target, seen, matched, l)));
        }
        return out;
    }
}
