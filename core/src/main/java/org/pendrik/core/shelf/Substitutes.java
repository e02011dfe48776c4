package org.pendrik.core.shelf;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Look;
import org.pendrik.core.paint.Reflectance;
import org.pendrik.core.paint.Surface;

/** What can stand in for a bottle: the same family, the nearest spectrum first. */
public final class Substitutes {
    private Substitutes() {}

    /**
     * A bottle that may stand in.
     *
     * @param key of it
     * @param deltaE00 of hiding coats, D65
     * @param worst ΔE00 under the light where they differ most
     */
    public record Substitute(String key, double deltaE00, double worst) {}

    /** The nearest, at most {@code most}, of those with something in them. */
    public static List<Substitute> of(String key, Map<String, Bottle> shelf, int most) {
        Bottle b = shelf.get(key);
        if (b == null || !b.mixes()) {
            return List.of();
        }
        Reflectance own = seen(b);
        return shelf.entrySet().stream()
                .filter(e -> !e.getKey().equals(key))
                .filter(e -> e.getValue().mixes() && e.getValue().amountMl() > 0)
                .filter(e -> e.getValue().family().equals(b.family()))
                .sorted(
                        Comparator.comparingDouble(
                                (Map.Entry<String, Bottle> e) -> own.distance(seen(e.getValue()))))
                .limit(most)
                .map(e -> compared(e.getKey(), own, seen(e.getValue())))
                .toList();
    }

    private static Reflectance seen(Bottle b) {
        return new Look(b.paint().masstone(), Surface.of(b.finish())).seen();
    }

    private static Substitute compared(String key, Reflectance own, Reflectance other) {
        double worst = 0;
        for (Light l : Light.values()) {
            worst = Math.max(worst, ColourDifference.ciede2000(l.lab(own), l.lab(other)));
        }
        return new Substitute(
                key, ColourDifference.ciede2000(Light.D65.lab(own), Light.D65.lab(other)), worst);
    }
}
