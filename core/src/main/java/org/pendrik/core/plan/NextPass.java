package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.pendrik.core.measure.Gap;
import org.pendrik.core.measure.Gaps;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.RegionVerdict;
import org.pendrik.core.photo.Verdict;

/**
 * How a region of the model stands against the prototype in all that was measured, and what to do.
 */
public final class NextPass {
    /** Missing shares up to which a trace, and a plain pass, make up for what is missing. */
    private static final double TRACE = 0.3;

    private static final double PLAIN = 0.65;

    private static final String COLOUR = "colour";

    private static final String NARROWER =
            "Measure a larger region, or take a sharper and larger photograph, to narrow the ±.";

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
     * @param remedy what would tell, where it cannot be told; else empty
     */
    public record Advice(
            Do what, Optional<EffectKind> kind, int strength, String why, String remedy) {
        private static Advice of(Do what, String why) {
            return new Advice(what, Optional.empty(), 0, why, "");
        }

        private static Advice cannotTell(String why, String remedy) {
            return new Advice(Do.CANNOT_TELL, Optional.empty(), 0, why, remedy);
        }
    }

    /**
     * One verdict from all measures.
     *
     * @param verdict of what differs most; as the prototype only where everything was told
     * @param by what differs most or cannot be told, as said at the bench; empty when nothing
     * @param others how many more measures differ, or cannot be told where none differs
     * @param advice what to do, about what differs most first; never empty, and never to stop while
     *     something differs or cannot be told
     * @param open what cannot be told besides, where something differs
     */
    public record Judgement(
            Verdict verdict, String by, int others, List<Advice> advice, List<Advice> open) {}

    private NextPass() {}

    /** A region by its colour and by all its measures. */
    public static Judgement in(RegionVerdict colour, Gaps gaps) {
        return judgement(Optional.of(colour), gaps);
    }

    /** The same along an edge, which has no colour to judge by. */
    public static Judgement along(Gaps gaps) {
        return judgement(Optional.empty(), gaps);
    }

    private static Judgement judgement(Optional<RegionVerdict> colour, Gaps gaps) {
        Optional<RegionVerdict> another = colour.filter(RegionVerdict::isSeen);
        Optional<RegionVerdict> openColour =
                colour.filter(c -> !c.isSeen() && c.open().isPresent());
        List<Advice> advice = byAmounts(gaps);
        if (advice.isEmpty()) {
            another.map(NextPass::byColour).ifPresent(advice::add);
        }
        differs(gaps).ifPresent(advice::add);
        List<Advice> open = new ArrayList<>();
        openColour.map(NextPass::byOpenColour).ifPresent(open::add);
        open.addAll(open(gaps));

        List<Standing> seen = new ArrayList<>();
        another.map(Standing::of).ifPresent(seen::add);
        gaps.seen().forEach(g -> seen.add(Standing.of(g, gaps)));
        if (!seen.isEmpty()) {
            Standing worst = seen.stream().max(Standing.WORST).orElseThrow();
            return new Judgement(worst.verdict(), worst.what(), seen.size() - 1, advice, open);
        }
        List<String> unsure = new ArrayList<>();
        openColour.ifPresent(_ -> unsure.add(COLOUR));
        gaps.unsure().forEach(g -> unsure.add(named(g)));
        gaps.open().forEach(u -> unsure.add(u.what()));
        if (!unsure.isEmpty()) {
            return new Judgement(
                    Verdict.CANNOT_TELL, unsure.getFirst(), unsure.size() - 1, open, List.of());
        }
        String numbers =
                colour.map(NextPass::numbers)
                        .orElseGet(
                                () ->
                                        gaps.told().stream()
                                                .findFirst()
                                                .map(NextPass::numbers)
                                                .orElse(""));
        return new Judgement(
                Verdict.AS_PROTOTYPE, "", 0, List.of(Advice.of(Do.STOP, numbers)), List.of());
    }

    /**
     * What is seen to differ.
     *
     * @param by in tolerances
     * @param follows the form of what there is too little or too much of: the amount is said first
     */
    private record Standing(Verdict verdict, String what, double by, boolean follows) {
        static final Comparator<Standing> WORST =
                Comparator.comparing(Standing::follows)
                        .reversed()
                        .thenComparingDouble(Standing::by);

        static Standing of(RegionVerdict v) {
            double apart = v.prototype().median().distance(v.model().median());
            return new Standing(
                    v.open().isPresent() ? Verdict.DIFFERS : v.verdict(),
                    COLOUR,
                    Math.min(apart, v.difference().deltaE00()) / v.tolerance(),
                    false);
        }

        static Standing of(Gap g, Gaps gaps) {
            boolean amount = kind(g, gaps).isPresent();
            boolean follows =
                    !amount
                            && gaps.seen().stream()
                                    .anyMatch(
                                            o ->
                                                    o.of().equals(g.of())
                                                            && kind(o, gaps).isPresent());
            return new Standing(
                    amount ? g.verdict() : Verdict.DIFFERS,
                    named(g),
                    Math.abs(g.inTolerances()),
                    follows);
        }
    }

    /** What cannot be told, what would tell it the same way together. */
    private static List<Advice> open(Gaps gaps) {
        Map<String, List<String>> byRemedy = new LinkedHashMap<>();
        for (Gap g : gaps.unsure()) {
            byRemedy.computeIfAbsent(NARROWER, _ -> new ArrayList<>()).add(numbers(g));
        }
        for (Gaps.Unmeasured u : gaps.open()) {
            byRemedy.computeIfAbsent(u.remedy(), _ -> new ArrayList<>())
                    .add(capital(u.what()) + ": " + u.why());
        }
        List<Advice> out = new ArrayList<>();
        byRemedy.forEach(
                (remedy, why) -> out.add(Advice.cannotTell(String.join("; ", why), remedy)));
        return out;
    }

    private static String capital(String s) {
        return s.substring(0, 1).toUpperCase(Locale.ROOT) + s.substring(1);
    }

    private static List<Advice> byAmounts(Gaps gaps) {
        List<Advice> out = new ArrayList<>();
        for (Gap g : gaps.seen()) {
            kind(g, gaps)
                    .filter(k -> out.stream().noneMatch(a -> is(a, k)))
                    .ifPresent(k -> out.add(advice(g, k)));
        }
        return out;
    }

    /** What differs most of all that no pass makes right. */
    private static Optional<Advice> differs(Gaps gaps) {
        return gaps.seen().stream()
                .filter(g -> kind(g, gaps).isEmpty())
                .findFirst()
                .map(g -> Advice.of(Do.DIFFERS, numbers(g)));
    }

    private static boolean is(Advice a, EffectKind k) {
        return a.kind().filter(k::equals).isPresent();
    }

    /** Amounts say what to do; angles and sizes are told, but cannot be mended by another pass. */
    private static Optional<EffectKind> kind(Gap g, Gaps gaps) {
        return switch (g.kind()) {
            case COVER, DUST_STRENGTH, KICK_UP, FILM_STRENGTH ->
                    g.of().flatMap(c -> MarkEffect.of(c, gaps.form(c)));
            case EDGE_WORN -> Optional.of(EffectKind.CHIPS);
            case SPOT_DIAMETER,
                    SPOT_DENSITY,
                    STREAK_ANGLE,
                    STREAK_LENGTH,
                    DUST_HEIGHT,
                    FILM_PLACE,
                    PLACE_ALONG,
                    PLACE_UP,
                    SPREAD,
                    LONGEST_SCRAPE ->
                    Optional.empty();
        };
    }

    private static Advice advice(Gap g, EffectKind kind) {
        if (g.verdict() == Verdict.HEAVIER) {
            return new Advice(Do.TAKE_BACK, Optional.of(kind), 0, numbers(g), "");
        }
        return new Advice(
                Do.AGAIN,
                Optional.of(kind),
                strength(1 - g.model() / g.prototype()),
                numbers(g),
                "");
    }

    /** Covers go by the name of what covers; everything else says what it is too. */
    private static String named(Gap g) {
        String of = g.of().map(WeatherClass::label).orElse("");
        return g.kind() == Gap.Kind.COVER || g.kind() == Gap.Kind.DUST_STRENGTH
                ? of
                : g.kind().label().startsWith(of) ? g.kind().label() : of + " " + g.kind().label();
    }

    private static String numbers(Gap g) {
        return String.format(
                Locale.ROOT,
                "%s %.1f %s on the model, %.1f %s on the prototype (± %.1f)",
                named(g),
                g.model(),
                g.kind().unit(),
                g.prototype(),
                g.kind().unit(),
                g.plusMinus());
    }

    private static int strength(double missing) {
        return missing < TRACE ? 1 : missing < PLAIN ? 2 : 3;
    }

    private static String numbers(RegionVerdict v) {
        return String.format(
                Locale.ROOT, "ΔE00 %.1f between model and prototype", v.difference().deltaE00());
    }

    private static Advice byColour(RegionVerdict v) {
        String numbers = numbers(v);
        return switch (v.verdict()) {
            case LIGHTER ->
                    new Advice(
                            Do.AGAIN,
                            Optional.empty(),
                            Double.isFinite(v.progress()) ? strength(1 - v.progress()) : 1,
                            numbers,
                            "");
            case HEAVIER -> Advice.of(Do.TAKE_BACK, numbers);
            case OTHER_COLOUR -> Advice.of(Do.OTHER_COLOUR, numbers);
            case AS_PROTOTYPE, DIFFERS, CANNOT_TELL ->
                    Advice.cannotTell(
                            numbers,
                            "Name the factory colour in Study to judge whether that is too much or"
                                    + " too little.");
        };
    }

    /** The colour of a region that is not seen to differ, and may. */
    private static Advice byOpenColour(RegionVerdict v) {
        if (v.open().equals(Optional.of(RegionVerdict.Open.NO_HUE))) {
            return Advice.cannotTell(
                    String.format(
                            Locale.ROOT,
                            "L* %.1f on the model, %.1f on the prototype (± %.1f)",
                            v.model().median().l(),
                            v.prototype().median().l(),
                            v.plusMinus()),
                    "A photograph without colour tells how light it is and where marks lie: judge"
                            + " the hue by eye.");
        }
        return Advice.cannotTell(
                String.format(
                        Locale.ROOT,
                        "%s, and the photographs leave ± %.1f open",
                        numbers(v),
                        v.plusMinus()),
                "Photograph both in even light with a grey card in it; until then judge the colour by"
                        + " eye.");
    }
}
