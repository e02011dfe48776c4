package org.pendrik.app.study;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.apache.ibatis.type.MappedTypes;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.TextTypeHandler;
import org.pendrik.core.plan.Made;
import org.pendrik.core.plan.Phase;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Component;

/**
 * How an effect is made where the schools would do it otherwise, and when it happened.
 *
 * @param rounds its tones are laid as rounds over days, not in one sitting
 * @param way key of a way of its kind
 * @param technique key of the technique that shows it
 * @param applicator answer to the school question of that name, for this effect alone
 * @param thinner key of the liquid that its paint is let down with
 * @param liquid key of the liquid that works its coat
 * @param set name of the set that it belongs to; empty for none
 * @param phase when it happened
 * @param beside by technique, keys of materials for steps that show no tone; null for none
 */
public record EffectHow(
        boolean rounds,
        @Nullable String way,
        @Nullable String technique,
        @Nullable String applicator,
        @Nullable String thinner,
        @Nullable String liquid,
        String set,
        Phase phase,
        @Nullable Map<String, String> beside) {
    /** As the schools have it. */
    public static final EffectHow USUAL =
            new EffectHow(false, null, null, null, null, null, "", Phase.USUAL, null);

    private static final int LONGEST = 80;
    private static final int MOST_BESIDE = 10;

    public EffectHow {
        set = set.strip();
        for (String s : Arrays.asList(way, technique, applicator, thinner, liquid, set)) {
            requireOneLine(s);
        }
        if (beside != null) {
            beside = new LinkedHashMap<>(beside);
            beside.forEach(
                    (step, material) -> {
                        requireOneLine(step.replace('=', '\n'));
                        requireOneLine(material);
                    });
            InvalidInput.requireWithin(
                    "Materials beside the tones", beside.size(), "", 0, MOST_BESIDE, "");
        }
    }

    private static void requireOneLine(@Nullable String s) {
        if (s != null && (s.length() > LONGEST || s.contains("\n"))) {
            throw new InvalidInput(
                    "How it is made",
                    s.length() + " letters",
                    "must have at most " + LONGEST + " in one line",
                    "Choose it from the list.");
        }
    }

    /** As the compiler takes it. */
    Made made() {
        return new Made(
                Optional.ofNullable(way),
                Optional.ofNullable(technique),
                Optional.ofNullable(applicator),
                Optional.ofNullable(thinner),
                Optional.ofNullable(liquid),
                beside == null ? Map.of() : beside);
    }

    /**
     * Kept as one field a line, an empty line for what is not said; then a line for each material
     * beside the tones.
     */
    @Component
    @MappedTypes(EffectHow.class)
    public static class Handler extends TextTypeHandler<EffectHow> {
        private static final int FIELDS = 8;

        @Override
        protected String write(EffectHow h) {
            return String.join(
                    "",
                    String.join(
                            "\n",
                            h.rounds() ? "rounds" : "",
                            line(h.way()),
                            line(h.technique()),
                            line(h.applicator()),
                            line(h.thinner()),
                            line(h.liquid()),
                            h.set(),
                            h.phase().name()),
                    h.beside() == null
                            ? ""
                            : h.beside().entrySet().stream()
                                    .map(e -> "\n" + e.getKey() + "=" + e.getValue())
                                    .collect(Collectors.joining()));
        }

        private static String line(@Nullable String s) {
            return s == null ? "" : s;
        }

        private static @Nullable String said(String s) {
            return s.isEmpty() ? null : s;
        }

        @Override
        protected EffectHow read(String text) {
            List<String> l = Arrays.asList(text.split("\n", -1));
            return new EffectHow(
                    !l.get(0).isEmpty(),
                    said(l.get(1)),
                    said(l.get(2)),
                    said(l.get(3)),
                    said(l.get(4)),
                    said(l.get(5)),
                    l.get(6),
                    Phase.valueOf(l.get(7)),
                    l.size() == FIELDS ? null : beside(l.subList(FIELDS, l.size())));
        }

        private static Map<String, String> beside(List<String> lines) {
            Map<String, String> out = new LinkedHashMap<>();
            for (String line : lines) {
                int at = line.indexOf('=');
                out.put(line.substring(0, at), line.substring(at + 1));
            }
            return out;
        }
    }
}
