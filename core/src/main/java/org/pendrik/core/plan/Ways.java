package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.film.Zone;
import org.pendrik.core.tables.DomainTable;
import org.pendrik.core.tables.DomainTable.Row;
import org.pendrik.core.units.InvalidInput;

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
     * @param tone 1 takes the first tone that is wanted for the effect, 2 the others; 0 takes none
     * @param turned the strength of the effect turns it
     */
    record Spec(
            String technique,
            Optional<String> family,
            Optional<String> start,
            int tone,
            boolean turned) {
        boolean main() {
            return tone == 1;
        }

        /** It shows no tone. */
        boolean beside() {
            return tone == 0;
        }

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

        /**
         * What it is laid with when no tone is asked for: what is nearest to the colour measured,
         * and where the paint of the subject is chipped through, to that.
         *
         * @param own the paint of the subject
         */
        Material unasked(Effect effect, Lab own, Catalogue catalogue) {
            List<Material> may = materials(catalogue);
            Optional<Lab> like = isOwnPaint() ? Optional.of(own) : effect.colour();
            return like.flatMap(c -> EffectsSeen.nearest(may, c)).orElse(may.getFirst());
        }

        private boolean isOwnPaint() {
            return technique.equals(OwnColour.TOP_COAT);
        }

        private String reason(Effect effect) {
            return isOwnPaint()
                    ? "nearest to the paint of the model"
                    : effect.colour().isPresent() ? "nearest to what was measured" : "as it starts";
        }

        /** Whether it can be laid with a material, be it of the tables or of the workshop's own. */
        boolean takes(Material wanted, Catalogue catalogue) {
            Technique t = catalogue.technique(technique);
            return catalogue.canUse(t, wanted)
                    && family.map(
                                    f ->
                                            materials(catalogue).stream()
                                                    .anyMatch(
                                                            m ->
                                                                    m.family().equals(f)
                                                                            && catalogue.isLike(
                                                                                    wanted.family(),
                                                                                    m)))
                            .orElse(true);
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

        private Stream<Spec> specs() {
            return parts.stream().flatMap(List::stream);
        }

        Spec main() {
            return specs().filter(Spec::main).findFirst().orElseThrow();
        }

        /** The step that takes a tone, counted from 0. */
        Spec ofTone(int tone) {
            return tone == 0
                    ? main()
                    : specs().filter(s -> s.tone() == 2).findFirst().orElseGet(this::main);
        }

        /** The step that the strength turns. */
        Spec turned() {
            return specs().filter(Spec::turned).findFirst().orElseGet(this::main);
        }

        boolean takes(List<Material> tones, Catalogue catalogue) {
            for (int i = 0; i < tones.size(); i++) {
                if (!ofTone(i).takes(tones.get(i), catalogue)) {
                    return false;
                }
            }
            return true;
        }

        /** Made with another technique of its kind in place of the one that shows it. */
        private boolean showsBy(String technique) {
            return main().technique().equals(technique);
        }
    }

    /**
     * A way as it is offered.
     *
     * @param key its name in {@link Made}
     * @param technique that shows it
     * @param materials that it takes, of the tables, the starting choice first
     */
    public record Offered(String key, String name, Technique technique, List<Material> materials) {}

    /** All ways to make an effect, in the order of the table. */
    public static List<Offered> offered(EffectKind effect, Catalogue catalogue) {
        return of(effect)
                .map(
                        w ->
                                new Offered(
                                        w.key(),
                                        w.name(),
                                        catalogue.technique(w.main().technique()),
                                        w.main().materials(catalogue)))
                .toList();
    }

    private static Stream<Way> of(EffectKind effect) {
        return ALL.stream().filter(w -> w.effect() == effect);
    }

    /** The way to make an effect under some schools. */
    static Way of(EffectKind effect, Schools.Choice schools) {
        return of(effect)
                .filter(w -> w.allowedBy(schools))
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("ways.csv has no way for " + effect));
    }

    /**
     * The way in which an effect is made: the one that is asked for, else the first that the
     * schools allow and that takes what is asked for.
     *
     * @throws InvalidInput when what is asked for does not go together; it says what does
     */
    static Way chosen(Effect effect, Schools.Choice schools, Catalogue catalogue) {
        Made made = effect.made();
        EffectKind kind = effect.kind();
        Schools.Choice here =
                made.applicator().map(a -> schools.with("applicator", a)).orElse(schools);
        List<Material> tones =
                effect.tones().materials().stream().map(catalogue::material).toList();
        if (made.way().isPresent()) {
            Way way = named(kind, made.way().get());
            if (made.technique().filter(t -> !way.showsBy(t)).isPresent()) {
                throw new InvalidInput(
                        capital(kind.label()),
                        catalogue.technique(made.technique().get()).name(),
                        "is not how " + way.name() + " are made",
                        "Ask for the way or for the technique, not for both.");
            }
            requireTones(way, tones, kind, catalogue);
            return way;
        }
        if (made.technique().isPresent()) {
            return byTechnique(kind, made.technique().get(), tones, here, catalogue);
        }
        List<Way> allowed = of(kind).filter(w -> w.allowedBy(here)).toList();
        for (Way w : allowed) {
            if (w.takes(tones, catalogue)) {
                return w;
            }
        }
        requireTones(allowed.getFirst(), tones, kind, catalogue);
        return allowed.getFirst();
    }

    /**
     * How an effect is made, told before it is planned.
     *
     * @param way its key
     * @param technique that shows it
     * @param start key of the material that it takes when none is asked for
     * @param startReason why that one, in words that the name can follow
     * @param steps names of the techniques in their order
     * @param liquids keys of what can work its coat; empty when nothing is worked
     * @param beside the steps that show no tone, with what they are laid with
     * @param strength what its strength comes to, in words
     */
    public record Plan(
            String way,
            String name,
            Technique technique,
            String start,
            String startReason,
            List<String> steps,
            List<String> liquids,
            List<Beside> beside,
            String strength) {}

    /**
     * A step of a way that shows no tone.
     *
     * @param step key of its technique, its name in {@link Made#beside}
     * @param technique as the schools do it
     * @param start key of the material that it starts with
     */
    public record Beside(String step, Technique technique, String start) {}

    /**
     * How an effect is made under some schools.
     *
     * @param own the paint of the subject
     * @throws InvalidInput when what is asked for does not go together; it says what does
     */
    public static Plan plan(Effect effect, Lab own, Schools.Choice schools, Catalogue catalogue) {
        Way w = chosen(effect, schools, catalogue);
        requireAsAsked(effect, own, schools, catalogue);
        List<String> steps = new ArrayList<>();
        Set<String> liquids = new LinkedHashSet<>();
        List<Beside> beside = new ArrayList<>();
        for (Spec s : w.specs().toList()) {
            Technique t = Seals.as(s.technique(), schools, catalogue);
            steps.add(t.name());
            if (t.role() == Technique.Role.WORK) {
                liquids.addAll(t.materials());
            } else if (s.beside() && t.role() != Technique.Role.HANDLING) {
                Material first = s.materials(catalogue).getFirst();
                beside.add(
                        new Beside(
                                s.technique(),
                                t,
                                catalogue.canUse(t, first)
                                        ? first.key()
                                        : t.materials().getFirst()));
            }
            t.follow()
                    .map(catalogue::technique)
                    .ifPresent(
                            f -> {
                                if (w.specs().noneMatch(x -> x.technique().equals(f.key()))) {
                                    steps.add(f.name());
                                    liquids.addAll(f.materials());
                                }
                            });
        }
        Technique turned = catalogue.technique(w.turned().technique());
        return new Plan(
                w.key(),
                w.name(),
                catalogue.technique(w.main().technique()),
                w.main().unasked(effect, own, catalogue).key(),
                w.main().reason(effect),
                List.copyOf(steps),
                List.copyOf(liquids),
                beside.stream().distinct().toList(),
                (w.turned().main() ? "" : turned.name() + " ")
                        + Dose.of(turned, effect.strength()).said(turned));
    }

    /** What compiling would refuse of it, wherever it is put. */
    private static void requireAsAsked(
            Effect effect, Lab own, Schools.Choice schools, Catalogue catalogue) {
        List<Zone> anywhere =
                effect.zones().stream()
                        .map(z -> new Zone(z, z, Substrate.FACTORY_SEMI_GLOSS, false, own))
                        .toList();
        EffectGroup.of(effect, anywhere, schools, catalogue, StepIds.fresh());
    }

    private static Way byTechnique(
            EffectKind kind,
            String key,
            List<Material> tones,
            Schools.Choice schools,
            Catalogue catalogue) {
        Technique t = catalogue.technique(key);
        List<Way> having = of(kind).filter(w -> w.showsBy(key)).toList();
        Optional<Way> known =
                having.stream()
                        .filter(w -> w.takes(tones, catalogue))
                        .min(Comparator.comparing((Way w) -> !w.allowedBy(schools)));
        if (known.isPresent()) {
            return known.get();
        }
        if (!having.isEmpty()) {
            requireTones(having.getFirst(), tones, kind, catalogue);
        }
        if (t.role() != Technique.Role.EFFECT) {
            throw new InvalidInput(
                    capital(kind.label()),
                    t.name(),
                    "leaves nothing that is seen",
                    "Use "
                            + listed(
                                    of(kind).map(w -> catalogue.technique(w.main().technique()))
                                            .map(Technique::name)
                                            .distinct()
                                            .toList())
                            + ".");
        }
        // a technique that the table does not have for this effect: laid by itself, as asked
        Way own =
                new Way(
                        kind,
                        key,
                        t.name(),
                        Map.of(),
                        List.of(
                                List.of(
                                        new Spec(
                                                key,
                                                Optional.empty(),
                                                Optional.empty(),
                                                1,
                                                false))));
        requireTones(own, tones, kind, catalogue);
        return own;
    }

    private static Way named(EffectKind kind, String key) {
        return of(kind).filter(w -> w.key().equals(key))
                .findFirst()
                .orElseThrow(
                        () ->
                                new InvalidInput(
                                        "Way of making " + kind.label(),
                                        key,
                                        "is not known",
                                        "Use one of "
                                                + listed(of(kind).map(Way::key).toList())
                                                + "."));
    }

    /** Says what cannot be used, what could be used instead, and which other way could use it. */
    private static void requireTones(
            Way way, List<Material> tones, EffectKind kind, Catalogue catalogue) {
        for (int i = 0; i < tones.size(); i++) {
            Material wanted = tones.get(i);
            Spec spec = way.ofTone(i);
            if (spec.takes(wanted, catalogue)) {
                continue;
            }
            List<String> able =
                    of(kind).filter(w -> w.takes(List.of(wanted), catalogue))
                            .map(Way::name)
                            .toList();
            String others =
                    able.isEmpty()
                            ? "No way of making " + kind.label() + " uses it."
                            : "It can be used by " + listed(able) + ".";
            throw new InvalidInput(
                    capital(kind.label()),
                    wanted.name(),
                    "cannot be used for " + way.name(),
                    capital(way.name())
                            + (spec.materials(catalogue).size() == 1 ? " takes " : " take ")
                            + listed(
                                    spec.materials(catalogue).stream().map(Material::name).toList())
                            + ", or what is of the same family. "
                            + others);
        }
    }

    private static String listed(List<String> names) {
        return String.join(", ", names);
    }

    static String capital(String s) {
        return s.substring(0, 1).toUpperCase(Locale.ROOT) + s.substring(1);
    }

    /** Whether some way of making an effect takes a material. */
    public static boolean anyTakes(EffectKind effect, Material material, Catalogue catalogue) {
        return of(effect)
                .anyMatch(
                        w ->
                                w.ofTone(0).takes(material, catalogue)
                                        || w.ofTone(1).takes(material, catalogue));
    }

    /** The technique that shows the effect, as the schools have it. */
    public static Technique technique(
            EffectKind effect, Schools.Choice schools, Catalogue catalogue) {
        return catalogue.technique(of(effect, schools).main().technique());
    }

    /** Keys of all techniques that show an effect, in any school. */
    public static List<String> techniques(EffectKind effect) {
        return of(effect).map(w -> w.main().technique()).distinct().toList();
    }

    /** What an effect may be made of, in any school, the starting choice first. */
    public static List<Material> materials(EffectKind effect, Catalogue catalogue) {
        Set<Material> out =
                new LinkedHashSet<>(of(effect, Schools.Choice.START).main().materials(catalogue));
        of(effect).forEach(w -> out.addAll(w.main().materials(catalogue)));
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
        boolean turned = text.endsWith("!");
        String bare = turned ? text.substring(0, text.length() - 1) : text;
        int tone = bare.endsWith("*") ? 1 : bare.endsWith("*2") ? 2 : 0;
        bare = tone == 0 ? bare : bare.substring(0, bare.indexOf('*'));
        String[] started = bare.split("=", -1);
        String[] p = started[0].split(":", -1);
        return new Spec(
                p[0],
                p.length > 1 ? Optional.of(p[1]) : Optional.empty(),
                started.length > 1 ? Optional.of(started[1]) : Optional.empty(),
                tone,
                turned);
    }
}
