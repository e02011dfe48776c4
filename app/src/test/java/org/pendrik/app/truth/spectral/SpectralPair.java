package org.pendrik.app.truth.spectral;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.pendrik.app.truth.MarkedPhotograph;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.measure.Gap;
import org.pendrik.core.measure.Gaps;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.Verdict;

/**
 * A prototype and its model, photographed by two makes of cameras in two lights. The model's rust
 * is another mix, and there is less, as much or more of everything.
 */
public final class SpectralPair {
    private static final double[] AMOUNTS = {1, 0.5, 1.6};

    /**
     * What was told of one measure.
     *
     * @param amount how much of it the model has over the prototype
     * @param truth how it is
     * @param told how it was told to be
     * @param figures what the comparison counted
     */
    public record Told(String measure, double amount, Verdict truth, Verdict told, String figures) {
        /** Whether there is more or less of it. */
        public boolean differs() {
            return truth != Verdict.AS_PROTOTYPE;
        }

        /** Whether more was told where there is not more, or less where there is not less. */
        public boolean isWrong() {
            return (told == Verdict.LIGHTER || told == Verdict.HEAVIER) && told != truth;
        }
    }

    /**
     * What came of a pair.
     *
     * @param shade ΔE00 between the two rusts
     */
    public record Outcome(double shade, List<Told> told) {}

    private SpectralPair() {}

    /** Renders and measures the model of a prototype, and compares. */
    static Outcome of(int seed, SpectralSide prototype, MarkedPhotograph.Measured first) {
        double amount = AMOUNTS[seed % AMOUNTS.length];
        double shade = -1 + 2 * (seed * 0.618 % 1);
        var model = new SpectralSide(seed, new SpectralSide.Look(amount, shade));
        MarkedPhotograph.Measured second =
                SpectralTrial.flat(model, new SpectralCamera(seed + 1000), seed)
                        .measured(SpectralTrial.SIGHT, first.model(), SpectralTrial.REGIONS);
        List<Told> out = new ArrayList<>();
        double[] wanted = {
            model.freshRust(prototype) / prototype.freshRust(),
            model.oldRust(SpectralSide.COVER) / prototype.oldRust(SpectralSide.COVER),
            model.dustAtFoot() / prototype.dustAtFoot()
        };
        told(out, first, second, 2, Gap.Kind.COVER, WeatherClass.FRESH_RUST, wanted[0]);
        told(out, first, second, 0, Gap.Kind.COVER, WeatherClass.OLD_RUST, wanted[1]);
        told(out, first, second, 2, Gap.Kind.STREAK_ANGLE, WeatherClass.FRESH_RUST, 1);
        told(out, first, second, 3, Gap.Kind.DUST_STRENGTH, WeatherClass.DUST, wanted[2]);
        double[] a = prototype.rustLab();
        double[] b = model.rustLab();
        return new Outcome(
                ColourDifference.ciede2000(new Lab(a[0], a[1], a[2]), new Lab(b[0], b[1], b[2])),
                out);
    }

    private static void told(
            List<Told> out,
            MarkedPhotograph.Measured first,
            MarkedPhotograph.Measured second,
            int region,
            Gap.Kind kind,
            WeatherClass c,
            double ratio) {
        Verdict truth =
                Math.abs(ratio - 1) < 0.02
                        ? Verdict.AS_PROTOTYPE
                        : ratio < 1 ? Verdict.LIGHTER : Verdict.HEAVIER;
        Optional<Gap> gap =
                Gaps.between(first.regions().get(region), second.regions().get(region))
                        .told()
                        .stream()
                        .filter(g -> g.kind() == kind && g.of().equals(Optional.of(c)))
                        .findFirst();
        out.add(
                new Told(
                        c.label() + ", " + kind.label(),
                        ratio,
                        truth,
                        gap.map(Gap::verdict).orElse(Verdict.CANNOT_TELL),
                        gap.map(
                                        g ->
                                                String.format(
                                                        "%.2f against %.2f ± %.2f, not seen %.2f",
                                                        g.model(),
                                                        g.prototype(),
                                                        g.plusMinus(),
                                                        g.notSeen()))
                                .orElse("")));
    }
}
