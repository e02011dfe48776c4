package org.pendrik.core.measure;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What shape the marks of a class have in a region.
 *
 * @param runs down the side, more long than wide
 * @param acrossMm the median spot, or how large most of its area's marks are, prototype mm; 0 when
 *     neither could be measured
 */
public record MarkForm(boolean runs, double acrossMm) {
    /** Of marks that could not be measured. */
    public static final MarkForm UNKNOWN = new MarkForm(false, 0);

    /** Of a direction that marks share; below they sit. */
    private static final double RUNS = 0.4;

    /** Marks that are shorter than this many of their widths sit, whichever way they point. */
    private static final double LEAST_SLENDER = 2;

    private static final double MOST_DEGREES = 45;

    /** Of every class that makes marks in a region. */
    public static Map<WeatherClass, MarkForm> in(MeasuredRegion r) {
        Map<WeatherClass, MarkForm> out = new TreeMap<>();
        for (WeatherClass c : WeatherClass.values()) {
            of(r, c).ifPresent(f -> out.put(c, f));
        }
        return out;
    }

    private static Optional<MarkForm> of(MeasuredRegion r, WeatherClass c) {
        boolean runs =
                Optional.ofNullable(r.streaks().get(c))
                        .flatMap(Answer::told)
                        .filter(MarkForm::runs)
                        .isPresent();
        double across =
                Optional.ofNullable(r.spots().get(c))
                        .flatMap(Answer::told)
                        .map(Spots::medianMm)
                        .or(() -> Optional.ofNullable(r.places().get(c)).map(MarkPlace::acrossMm))
                        .orElse(0.0);
        return runs || across > 0 ? Optional.of(new MarkForm(runs, across)) : Optional.empty();
    }

    /** Whether streaks run down the side. */
    private static boolean runs(Streaks s) {
        return s.coherence() >= RUNS
                && Math.abs(s.angleDegrees()) < MOST_DEGREES
                && s.lengthMm() >= LEAST_SLENDER * s.widthMm();
    }
}
