package org.pendrik.core.measure;

import java.util.List;
import java.util.Optional;
import org.pendrik.core.tables.DomainTable;
import org.pendrik.core.units.InvalidInput;

/**
 * How a model is looked at, and what that makes worth making.
 *
 * <p>The eye resolves one minute of arc (visual acuity 1.0, ISO 8596:2017); a mark below that is
 * seen as a tint, not as a mark.
 *
 * @param viewingMm distance of the eye, 50 to 10,000 mm
 * @param ratio prototype mm per model mm
 */
public record Sight(double viewingMm, double ratio) {
    private static final double ARC_MINUTE = Math.toRadians(1 / 60.0);

    /** Marks and the tools that make them. */
    private static final List<Tool> TOOLS =
            DomainTable.load(
                    Sight.class,
                    "tools.csv",
                    r ->
                            new Tool(
                                    r.of("mark", Mark.class),
                                    r.text("tool"),
                                    r.number("from_mm"),
                                    r.number("to_mm")));

    /** A kind of mark. */
    public enum Mark {
        SPOT,
        STREAK,
        FILM
    }

    /**
     * A tool and the widths that it makes.
     *
     * @param fromMm narrowest, model mm
     * @param toMm widest, model mm
     */
    public record Tool(Mark mark, String name, double fromMm, double toMm) {
        public Tool {
            if (!(fromMm > 0 && toMm > fromMm)) {
                throw new IllegalArgumentException(name + " makes from " + fromMm + " to " + toMm);
            }
        }
    }

    public Sight {
        InvalidInput.requireWithin(
                "Viewing distance", viewingMm, " mm", 50, 10_000, "Measure from eye to model.");
        InvalidInput.requireWithin(
                "Scale", ratio, "", 1, 1000, "Give the second figure of the ratio.");
    }

    /** The smallest mark that is seen as one, model mm. */
    public double smallestModelMm() {
        return viewingMm * Math.tan(ARC_MINUTE);
    }

    /** The same on the prototype. */
    public double smallestPrototypeMm() {
        return smallestModelMm() * ratio;
    }

    /** The tool that makes the narrowest mark. */
    public static Tool finest() {
        return TOOLS.stream().min(java.util.Comparator.comparingDouble(Tool::fromMm)).orElseThrow();
    }

    /**
     * The tool for marks of a width: the first that makes it, else the finest when the mark is
     * finer than any tool; empty when it is wider than any.
     */
    public static Optional<Tool> toolFor(Mark mark, double modelMm) {
        Optional<Tool> fits =
                TOOLS.stream()
                        .filter(t -> t.mark() == mark)
                        .filter(t -> modelMm >= t.fromMm() && modelMm <= t.toMm())
                        .findFirst();
        return fits.isPresent()
                ? fits
                : TOOLS.stream()
                        .filter(t -> t.mark() == mark && modelMm < t.fromMm())
                        .min(java.util.Comparator.comparingDouble(Tool::fromMm));
    }
}
