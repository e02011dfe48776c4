package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.Material;
import org.pendrik.core.film.Technique;
import org.pendrik.core.tables.DomainTable;
import org.pendrik.core.tables.DomainTable.Row;

/** How each effect is made under which schools, from ways.csv. */
public final class Ways {
    private static final List<Way> ALL = DomainTable.load(Ways.class, "ways.csv", Ways::way);

    private Ways() {}

    /**
     * A step of a way.
     *
     * @param technique its key
     * @param family keeps the material to a family; empty takes any
     * @param start key of the material that it starts with here, where that is not the technique's
     * @param main takes the colour that is wanted for the effect
     */
    record Spec(String technique, Optional<String> family, Optional<String> start, boolean main) {
        /** What the step may use. */
        List<Material> materials(Catalogue catalogue) {
            List<Material> all =
                    catalogue.technique(technique).materials().stream()
                            .map(catalogue::material)
                            .toList();
            List<Material> kept =
                    all.stream().filter(m -> family.map(m.family()::equals).orElse(true)).toList();
            List<Material> may = new ArrayList<>(kept.isEmpty() ? all : kept);
            // a stable sort: the others stay as they are
            may.sort(Comparator.comparing((Material m) -> start.filter(m.key()::equals).isEmpty()));
            return may;
        }
    }

    /**
     * A way to make an effect.
     *
     * @param when the answers that allow it, by question
     * @param parts what is done in one go, one part after another in the life of the prototype
     */
    record Way(
            EffectKind effect,
            String key,
            String name,
            Map<String, Set<String>> when,
            List<List<Spec>> parts) {
        boolean allowedBy(Schools.Choice schools) {
            return when.entrySet().stream()
                    .allMatch(e -> e.getValue().contains(schools.of(e.getKey())));
        }

        Spec main() {
            return parts.stream()
                    .flatMap(List::stream)
                    .filter(Spec::main)
                    .findFirst()
                    .orElseThrow();
        }
    }

    /** The way to make an effect under some schools. */
    static Way of(EffectKind effect, Schools.Choice schools) {
        return ALL.stream()
                .filter(w -> w.effect() == effect && w.allowedBy(schools))
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("ways.csv has no way for " + effect));
    }

    /** The technique that shows the effect, as the schools have it. */
    public static Technique technique(
            EffectKind effect, Schools.Choice schools, Catalogue catalogue) {
        return catalogue.technique(of(effect, schools).main().technique());
    }

    /** Keys of all techniques that show an effect, in any school. */
    public static List<String> techniques(EffectKind effect) {
        return ALL.stream()
                .filter(w -> w.effect() == effect)
                .map(w -> w.main().technique())
                .distinct()
                .toList();
    }

    /** What an effect may be made of, in any school, the starting choice first. */
    public static List<Material> materials(EffectKind effect, Catalogue catalogue) {
        Set<Material> out =
                new LinkedHashSet<>(of(effect, Schools.Choice.START).main().materials(catalogue));
        for (Way w : ALL) {
            if (w.effect() == effect) {
                out.addAll(w.main().materials(catalogue));
            }
        }
        return List.copyOf(out);
    }

    private static Way way(Row r) {
        Map<String, Set<String>> when = new LinkedHashMap<>();
        for (String one : r.text("when").split(" ", -1)) {
            if (!one.isEmpty()) {
                String[] p = one.split("=", -1);
                Schools.Question q = Schools.question(p[0]);
                Set<String> answers = new LinkedHashSet<>(Arrays.asList(p[1].split("\\|", -1)));
                answers.forEach(
                        a -> {
                            if (q.answer(a).isEmpty()) {
                                throw new IllegalArgumentException(
                                        "when (" + one + ") has an answer that is not known");
                            }
                        });
                when.put(q.key(), answers);
            }
        }
        List<List<Spec>> parts = new ArrayList<>();
        for (String part : r.text("steps").split("~", -1)) {
            parts.add(Arrays.stream(part.split(">", -1)).map(Ways::spec).toList());
        }
        Way w =
                new Way(
                        r.of("effect", EffectKind.class),
                        r.text("key"),
                        r.text("name"),
                        when,
                        parts);
        if (parts.stream().flatMap(List::stream).filter(Spec::main).count() != 1) {
            throw new IllegalArgumentException("steps must mark one of them with *");
        }
        return w;
    }

    private static Spec spec(String text) {
        boolean main = text.endsWith("*");
        String bare = main ? text.substring(0, text.length() - 1) : text;
        String[] started = bare.split("=", -1);
        String[] p = started[0].split(":", -1);
        return new Spec(
                p[0],
                p.length > 1 ? Optional.of(p[1]) : Optional.empty(),
                started.length > 1 ? Optional.of(started[1]) : Optional.empty(),
                main);
    }
}
