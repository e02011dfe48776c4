package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.pendrik.core.measure.Gap;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.RegionVerdict;
import org.pendrik.core.photo.Verdict;

/** What to do in a region of the model, from how it differs from the prototype. */
public final class NextPass {
    /** Missing shares up to which a trace, and a plain pass, make up for what is missing. */
    private static final double TRACE = 0.3;

    private static final double PLAIN = 0.65;

    /** What to do. */
    public enum Do {
        STOP,
        AGAIN,
        TAKE_BACK,
        /** It differs in something that neither another pass nor taking back makes right. */
        DIFFERS,
        /** As far along, in a colour that is another one. */
        OTHER_COLOUR,
        CANNOT_TELL
    }

    /**
     * An advice.
     *
     * @param kind the effect that it is about; empty for all but again and take back
     * @param strength of another pass, 1 to 3; 0 when none is advised
     * @param why the numbers that led to it, one sentence
     */
    public record Advice(Do what, Optional<EffectKind> kind, int strength, String why) {}

    private NextPass() {}

    /**
     * Everything that is to be done in a region, what differs most first; never empty, and never
     * stop while something is seen to differ.
     */
    public static List<Advice> in(RegionVerdict colour, List<Gap> gaps) {
        List<Advice> out = byAmounts(gaps);
        Optional<Advice> differs = differs(gaps);
        if (out.isEmpty()) {
            Advice a = byColour(colour);
            if (a.what() != Do.STOP || differs.isEmpty()) {
                out.add(a);
            }
        }
        differs.ifPresent(out::add);
        return out;
    }

    /** The same along an edge, which has no colour to judge by; empty when it has no measures. */
    public static List<Advice> along(List<Gap> gaps) {
        List<Advice> out = byAmounts(gaps);
        differs(gaps).ifPresent(out::add);
        if (out.isEmpty() && !gaps.isEmpty()) {
            out.add(new Advice(Do.STOP, Optional.empty(), 0, numbers(gaps.getFirst())));
        }
        return out;
    }

    private static List<Advice> byAmounts(List<Gap> gaps) {
        List<Advice> out = new ArrayList<>();
        gaps.stream()
                .filter(Gap::isSeen)
                .sorted(Comparator.comparingDouble((Gap g) -> -Math.abs(g.inTolerances())))
                .forEach(
                        g ->
                                kind(g, gaps)
                                        .filter(k -> out.stream().noneMatch(a -> is(a, k)))
                                        .ifPresent(k -> out.add(advice(g, k))));
        return out;
    }

    /** What differs most of all that no pass makes right. */
    private static Optional<Advice> differs(List<Gap> gaps) {
        return gaps.stream()
                .filter(g -> g.isSeen() && kind(g, gaps).isEmpty())
                .max(Comparator.comparingDouble(g -> Math.abs(g.inTolerances())))
                .map(g -> new Advice(Do.DIFFERS, Optional.empty(), 0, numbers(g)));
    }

    private static boolean is(Advice a, EffectKind k) {
        return a.kind().filter(k::equals).isPresent();
    }

    /** Amounts say what to do; angles and sizes are told, but cannot be mended by another pass. */
    private static Optional<EffectKind> kind(Gap g, List<Gap> all) {
        return switch (g.kind()) {
            case COVER, DUST_STRENGTH, KICK_UP, FILM_STRENGTH -> kindOf(g.of().orElseThrow(), all);
            case EDGE_WORN -> Optional.of(EffectKind.CHIPS);
            case SPOT_DIAMETER,
                    SPOT_DENSITY,
                    STREAK_ANGLE,
                    STREAK_LENGTH,
                    DUST_HEIGHT,
                    FILM_PLACE,
                    LONGEST_SCRAPE ->
                    Optional.empty();
        };
    }

    private static Optional<EffectKind> kindOf(WeatherClass c, List<Gap> all) {
        boolean runs =
                all.stream()
                        .anyMatch(
                                o ->
                                        o.kind() == Gap.Kind.STREAK_LENGTH
                                                && o.of().filter(c::equals).isPresent());
        return switch (c) {
            case FRESH_RUST -> Optional.of(EffectKind.RUST_STREAKS);
            case OLD_RUST -> Optional.of(runs ? EffectKind.RUST_STREAKS : EffectKind.CHIPS);
            case BARE_METAL -> Optional.of(EffectKind.CHIPS);
            case GRIME -> Optional.of(EffectKind.JOINT_SHADE);
            case DUST -> Optional.of(EffectKind.DUST);
            case SOOT -> Optional.of(EffectKind.POWDER);
            case PAINT, WHITE_MINERAL, OTHER -> Optional.empty();
        };
    }

    private static Advice advice(Gap g, EffectKind kind) {
        if (g.verdict() == Verdict.HEAVIER) {
            return new Advice(Do.TAKE_BACK, Optional.of(kind), 0, numbers(g));
        }
        return new Advice(
                Do.AGAIN, Optional.of(kind), strength(1 - g.model() / g.prototype()), numbers(g));
    }

    /** Covers go by the name of what covers; everything else says what it is too. */
    private static String numbers(Gap g) {
        String of = g.of().map(WeatherClass::label).orElse("");
        String what =
                g.kind() == Gap.Kind.COVER || g.kind() == Gap.Kind.DUST_STRENGTH
                        ? of
                        : g.kind().label().startsWith(of)
                                ? g.kind().label()
                                : of + " " + g.kind().label();
        return String.format(
                Locale.ROOT,
                "%s %.1f %s on the model, %.1f %s on the prototype (± %.1f)",
                what,
                g.model(),
                g.kind().unit(),
                g.prototype(),
                g.kind().unit(),
                g.tolerance());
    }

    private static int strength(double missing) {
        return missing < TRACE ? 1 : missing < PLAIN ? 2 : 3;
    }

    private static Advice byColour(RegionVerdict v) {
        String numbers =
                v.model().hue()
                        ? String.format(
                                Locale.ROOT,
                                "ΔE00 %.1f between model and prototype",
                                v.difference().deltaE00())
                        : String.format(
                                Locale.ROOT,
                                "L* %.1f on the model, %.1f on the prototype (± %.1f)",
                                v.model().median().l(),
                                v.prototype().median().l(),
                                v.tolerance());
        return switch (v.verdict()) {
            case AS_PROTOTYPE -> new Advice(Do.STOP, Optional.empty(), 0, numbers);
            case OTHER_COLOUR -> new Advice(Do.OTHER_COLOUR, Optional.empty(), 0, numbers);
            case LIGHTER ->
                    new Advice(
                            Do.AGAIN,
                            Optional.empty(),
                            Double.isFinite(v.progress()) ? strength(1 - v.progress()) : 1,
                            numbers);
            case HEAVIER -> new Advice(Do.TAKE_BACK, Optional.empty(), 0, numbers);
            case CANNOT_TELL -> new Advice(Do.CANNOT_TELL, Optional.empty(), 0, numbers);
        };
    }
}
