package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Errand;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.catalogue.Works;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.MadeFor;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.InvalidInput;

/**
 * The acts that make one effect, or a part of it, which stay together: coats, what has to lie
 * between them, and the work in their windows.
 *
 * @param name what it is called in reasons
 * @param age when it happened on the prototype
 * @param acts in order
 * @param main id of the act that shows it
 * @param origin how its acts came into the plan
 * @param up whether it touches something that faces up, false when it only touches sides
 * @param belongs what it is a part of
 * @param said what the strength comes to, in words; empty where nothing was asked for
 */
record EffectGroup(
        String name,
        int age,
        List<Act> acts,
        StepId main,
        PlanStep.Origin origin,
        boolean up,
        Belongs belongs,
        String said) {
    /**
     * What a group is a part of.
     *
     * @param effect id of the effect; empty for none
     * @param part its place among the groups of that effect
     * @param set that is placed and moved together; empty for none
     */
    record Belongs(String effect, int part, String set) {
        static final Belongs NOWHERE = new Belongs("", 0, "");
    }

    EffectGroup {
        acts = List.copyOf(acts);
    }

    /** Lettering that is put on after the weathering belongs between patches and soot. */
    private static final int AGE_OF_LATE_LETTERING = 66;

    /** From here on the model is put together and handed over. */
    static final int AGE_OF_HANDING_OVER = 97;

    /**
     * The groups of an effect under some schools, the older part first.
     *
     * @throws InvalidInput when what is asked for does not go together
     */
    static List<EffectGroup> of(
            Effect effect,
            List<Zone> subject,
            Schools.Choice schools,
            Catalogue catalogue,
            StepIds ids) {
        Ways.Way way = Ways.chosen(effect, schools, catalogue);
        List<Zone> zones = subject.stream().filter(z -> effect.zones().contains(z.key())).toList();
        Expansion all = new Expansion(effect, way, zones, schools, catalogue, ids);
        List<EffectGroup> out = new ArrayList<>();
        List<String> tones = effect.tones().materials();
        boolean inRounds = effect.tones().rounds() && tones.size() > 1;
        for (List<Ways.Spec> part : way.parts()) {
            boolean shows = part.stream().anyMatch(Ways.Spec::main);
            if (shows && inRounds) {
                List<Ways.Spec> first = part.stream().filter(s -> s.tone() != 2).toList();
                // what prepares for the first tone is there for the others, unless each of
                // them is laid into it or comes off with it
                Works works = catalogue.technique(way.main().technique()).works();
                List<Ways.Spec> later =
                        first.stream()
                                .dropWhile(s -> !s.main() && !works.means(s.technique()))
                                .toList();
                for (int i = 0; i < tones.size(); i++) {
                    out.add(all.group(i == 0 ? first : later, List.of(tones.get(i)), out.size()));
                }
            } else {
                out.add(all.group(part, tones, out.size()));
            }
        }
        all.requireAskedUsed();
        return out;
    }

    /** An effect on the way to its acts. */
    private static final class Expansion {
        private final Effect effect;
        private final Ways.Way way;
        private final List<Zone> zones;
        private final Schools.Choice schools;
        private final Catalogue catalogue;
        private final StepIds ids;
        private final int shift;
        private boolean liquidUsed;
        private final Set<String> besideUsed = new LinkedHashSet<>();

        // the part at hand
        private List<Act> acts = new ArrayList<>();
        private @org.jspecify.annotations.Nullable StepId main;
        private @org.jspecify.annotations.Nullable Material coat;

        Expansion(
                Effect effect,
                Ways.Way way,
                List<Zone> zones,
                Schools.Choice schools,
                Catalogue catalogue,
                StepIds ids) {
            this.effect = effect;
            this.way = way;
            this.zones = zones;
            this.schools = schools;
            this.catalogue = catalogue;
            this.ids = ids;
            Technique shown = catalogue.technique(way.main().technique());
            int usual = usualAge(effect, shown, schools);
            this.shift = effect.phase().ageOr(usual) - shown.age();
        }

        EffectGroup group(List<Ways.Spec> part, List<String> tones, int number) {
            acts = new ArrayList<>();
            main = null;
            coat = null;
            for (int i = 0; i < part.size(); i++) {
                Ways.Spec spec = part.get(i);
                Technique t = Seals.as(spec.technique(), schools, catalogue);
                boolean named =
                        i + 1 < part.size()
                                && catalogue.technique(part.get(i + 1).technique()).worksOnCoats();
                lay(spec, t, tones, part);
                if (t.follow().isPresent() && !named) {
                    Technique f = catalogue.technique(t.follow().get());
                    work(f, f.thickness());
                }
            }
            Technique first = acts.getFirst().technique();
            Technique shown =
                    main == null || first.role() == Technique.Role.HANDLING
                            ? first
                            : techniqueOf(acts, main);
            return new EffectGroup(
                    effect.kind().label(),
                    shown.age() + shift,
                    acts,
                    main == null ? acts.getFirst().id() : main,
                    PlanStep.Origin.EFFECT,
                    zones.stream().anyMatch(Zone::up),
                    new Belongs(effect.id(), number, effect.set()),
                    said());
        }

        private void lay(Ways.Spec spec, Technique t, List<String> tones, List<Ways.Spec> part) {
            boolean secondKnown = part.stream().anyMatch(s -> s.tone() == 2);
            Dose dose = spec.equals(way.turned()) ? Dose.of(t, effect.strength()) : Dose.usual(t);
            Technique here = dose.share() == t.share() ? t : t.sharing(dose.share());
            if (t.role() == Technique.Role.WORK && spec.tone() == 0) {
                work(here, dose.thickness());
                return;
            }
            List<Material> with = new ArrayList<>();
            if (spec.main()) {
                with.add(tones.isEmpty() ? unasked(spec, t) : toned(t, tones.getFirst()));
            }
            if (spec.tone() == 2 || (spec.main() && !secondKnown)) {
                tones.stream().skip(1).forEach(k -> with.add(toned(t, k)));
            }
            if (with.isEmpty()) {
                with.add(beside(spec, t));
            }
            Thickness thick = dose.thickness();
            if (spec.tone() > 0 && tones.size() > 1) {
                // tones that are worked into one another, or chipped through, are one coat together
                boolean chipped = t.works().means(OwnColour.RELEASE);
                thick = chipped ? Thickness.MIST : t.blends().isEmpty() ? thick : thinner(thick);
            }
            for (Material m : with) {
                for (int pass = 0; pass < dose.passes(); pass++) {
                    Act act =
                            Act.planned(ids.ofEffect(effect.id(), t), here, m, thick, zones)
                                    .madeFor(new MadeFor.OfEffect(effect.id()));
                    // for the next tone everything is at hand already
                    int setup = m.equals(with.getFirst()) ? 0 : t.minutes(0, 0);
                    acts.add(setup == 0 ? act : act.taking(act.minutes() - setup));
                    if (spec.main() && main == null) {
                        main = act.id();
                    }
                }
                if (m.deposits()) {
                    coat = m;
                }
            }
        }

        private static Thickness thinner(Thickness t) {
            return switch (t) {
                case MIST, LIGHT -> Thickness.MIST;
                case NORMAL -> Thickness.LIGHT;
                case WET, FLOOD -> Thickness.NORMAL;
            };
        }

        private void work(Technique t, Thickness thickness) {
            Material liquid =
                    coat == null
                            ? catalogue.material(t.materials().getFirst())
                            : worker(t, coat, catalogue);
            if (effect.made().liquid().isPresent()) {
                Material asked = catalogue.material(effect.made().liquid().get());
                if (catalogue.canUse(t, asked)) {
                    liquid = asked;
                    liquidUsed = true;
                }
            }
            acts.add(
                    Act.planned(ids.ofEffect(effect.id(), t), t, liquid, thickness, zones)
                            .madeFor(new MadeFor.OfEffect(effect.id())));
        }

        /** A tone that is asked for is what is taken. */
        private Material toned(Technique t, String key) {
            return thinned(t, catalogue.material(key, t));
        }

        private Material thinned(Technique t, Material m) {
            String key = effect.made().thinner().orElse("");
            return key.isEmpty() || catalogue.material(key).carrier().equals(m.carrier())
                    ? m
                    : catalogue.material(m.key() + "~" + key, t);
        }

        /**
         * What a step takes that shows no tone: what is asked for it, else as the school has it.
         */
        private Material beside(Ways.Spec spec, Technique t) {
            String step = spec.technique();
            String asked = effect.made().beside().get(step);
            if (asked != null) {
                besideUsed.add(step);
                Material m = catalogue.material(asked, t);
                requireUsable(t, m);
                return m;
            }
            Material first = spec.materials(catalogue).getFirst();
            return spec.tone() == 0 ? preparing(t, first) : thinned(t, first);
        }

        private void requireUsable(Technique t, Material m) {
            if (!catalogue.canUse(t, m)) {
                throw new InvalidInput(
                        t.name() + " for " + effect.kind().label(),
                        m.name(),
                        "cannot be used for it",
                        "It takes "
                                + String.join(
                                        ", ",
                                        t.materials().stream()
                                                .map(k -> catalogue.material(k).name())
                                                .toList())
                                + ", or what is of the same family.");
            }
        }

        /** A clear that the school lays otherwise is what that is laid with. */
        private Material preparing(Technique t, Material asTold) {
            return catalogue.canUse(t, asTold)
                    ? asTold
                    : catalogue.material(t.materials().getFirst());
        }

        private Material unasked(Ways.Spec spec, Technique t) {
            return thinned(t, spec.unasked(effect, zones.getFirst().colour(), catalogue));
        }

        private String said() {
            Technique t = catalogue.technique(way.turned().technique());
            String how = Dose.of(t, effect.strength()).said(t);
            String where = way.turned().main() ? how : t.name() + " " + how;
            return switch (effect.strength()) {
                case 1 -> "a trace: " + where;
                case 2 -> "plain: " + where;
                default -> "heavy: " + where;
            };
        }

        /** Nothing that is asked for is left out in silence. */
        void requireAskedUsed() {
            for (String step : effect.made().beside().keySet()) {
                if (!besideUsed.contains(step)) {
                    List<String> steps =
                            way.parts().stream()
                                    .flatMap(List::stream)
                                    .filter(Ways.Spec::beside)
                                    .map(s -> catalogue.technique(s.technique()))
                                    .filter(t -> t.role() != Technique.Role.WORK)
                                    .map(Technique::name)
                                    .distinct()
                                    .toList();
                    throw new InvalidInput(
                            Ways.capital(effect.kind().label()),
                            catalogue.technique(step).name(),
                            "is no step of " + way.name(),
                            steps.isEmpty()
                                    ? "That way has nothing beside its tones to choose."
                                    : "Choose for " + String.join(", ", steps) + ".");
                }
            }
            if (effect.made().liquid().isPresent() && !liquidUsed) {
                Material asked = catalogue.material(effect.made().liquid().get());
                List<String> may =
                        way.parts().stream()
                                .flatMap(List::stream)
                                .map(s -> catalogue.technique(s.technique()))
                                .flatMap(
                                        t ->
                                                t.role() == Technique.Role.WORK
                                                        ? java.util.stream.Stream.of(t)
                                                        : t.follow().stream()
                                                                .map(catalogue::technique))
                                .flatMap(t -> t.materials().stream())
                                .map(k -> catalogue.material(k).name())
                                .distinct()
                                .toList();
                throw new InvalidInput(
                        "Liquid for " + effect.kind().label(),
                        asked.name(),
                        "does not work the coat of " + way.name(),
                        may.isEmpty()
                                ? "Nothing is worked afterwards in that way."
                                : "Use one of " + String.join(", ", may) + ".");
            }
        }
    }

    private static Technique techniqueOf(List<Act> acts, StepId id) {
        return acts.stream().filter(a -> a.id().equals(id)).findFirst().orElseThrow().technique();
    }

    private static int usualAge(Effect effect, Technique t, Schools.Choice schools) {
        boolean late =
                switch (effect.kind()) {
                    case DECAL, HOME_DECAL, GRAFFITI ->
                            schools.of(SchoolAnswer.Lettering.class)
                                    == SchoolAnswer.Lettering.AFTER;
                    default -> false;
                };
        return late ? AGE_OF_LATE_LETTERING : t.age();
    }

    /** The liquid that works a coat is the one that carries it, when the technique knows it. */
    private static Material worker(Technique work, Material coat, Catalogue catalogue) {
        for (String key : work.materials()) {
            Material liquid = catalogue.material(key);
            if (liquid.carrier().equals(coat.carrier())) {
                return liquid;
            }
        }
        return catalogue.startingMaterial(work);
    }

    /**
     * What ends a plan: the final flat, and, as the schools have it, putting together and packing.
     *
     * @param partsOff that have to go back on, whatever the schools say
     */
    static List<EffectGroup> ends(
            List<Zone> touched,
            List<Zone> subject,
            Schools.Choice schools,
            Catalogue catalogue,
            StepIds ids,
            List<String> partsOff) {
        Map<String, List<Zone>> last = new LinkedHashMap<>();
        var clear = schools.of(SchoolAnswer.LastClear.class);
        var end = schools.of(SchoolAnswer.Ends.class);
        if (!touched.isEmpty() && clear == SchoolAnswer.LastClear.FLAT) {
            last.put(Seals.finalFlat(schools), touched);
        }
        if (end != SchoolAnswer.Ends.FLAT || !partsOff.isEmpty()) {
            last.put(Parts.ALL_ON, subject);
        }
        if (end == SchoolAnswer.Ends.PACKED) {
            last.put("pack", subject);
        }
        List<EffectGroup> out = new ArrayList<>();
        last.forEach(
                (key, zones) -> {
                    Technique t = catalogue.technique(key);
                    StepId id = ids.ofItself(t);
                    out.add(
                            new EffectGroup(
                                    t.name(),
                                    t.age(),
                                    List.of(
                                            Act.planned(id, t, catalogue.startingMaterial(t), zones)
                                                    .saying(
                                                            new Errand(
                                                                    "",
                                                                    0,
                                                                    key.equals(Parts.ALL_ON)
                                                                            ? partsOff
                                                                            : List.of()))),
                                    id,
                                    PlanStep.Origin.EFFECT,
                                    false,
                                    Belongs.NOWHERE,
                                    ""));
                });
        return out;
    }

    /** A step that the user has put in. */
    static EffectGroup own(Act act) {
        return new EffectGroup(
                act.name(),
                act.technique().age(),
                List.of(act),
                act.id(),
                PlanStep.Origin.MANUAL,
                false,
                Belongs.NOWHERE,
                "");
    }

    Set<String> zones() {
        return acts.getFirst().zones();
    }

    boolean has(StepId actId) {
        return acts.stream().anyMatch(a -> a.id().equals(actId));
    }

    /** Hands-on minutes of all its acts. */
    long minutes() {
        return acts.stream().mapToLong(Act::minutes).sum();
    }

    /** The clear that ends the painting. */
    boolean isFinalFlat() {
        return acts.size() == 1
                && acts.getFirst().technique().role() == Technique.Role.CLEAR
                && origin == PlanStep.Origin.EFFECT;
    }

    /** Clears that the way itself brings along. */
    int ownClears() {
        return (int)
                acts.stream()
                        .filter(a -> a.technique().role() == Technique.Role.CLEAR)
                        .filter(a -> acts.size() > 1)
                        .count();
    }

    /** It lays coats that have to be kept from what would be sprayed over them afterwards. */
    boolean isCoated() {
        return acts.stream().anyMatch(a -> a.material().deposits());
    }

    /** Its acts as steps of a plan, each with the reason why it is there. */
    List<PlanStep> steps() {
        List<PlanStep> out = new ArrayList<>();
        for (Act a : acts) {
            boolean shows = a.id().equals(main);
            if (!shows && isToneLike(a)) {
                out.add(new PlanStep(a, origin, "Another tone of " + name + "."));
            } else {
                out.add(
                        new PlanStep(
                                a, shows ? origin : PlanStep.Origin.INSERTED, reason(a, shows)));
            }
        }
        return out;
    }

    /** It shows the effect as well: another tone, or another coat of the same. */
    private boolean isToneLike(Act a) {
        return a.technique().role() == Technique.Role.EFFECT
                && acts.stream()
                        .filter(x -> x.id().equals(main))
                        .anyMatch(x -> x.technique().key().equals(a.technique().key()));
    }

    private String reason(Act a, boolean shows) {
        if (origin == PlanStep.Origin.MANUAL) {
            return "You put it here.";
        }
        Optional<String> of = shows ? Optional.empty() : Optional.of(name);
        return switch (a.technique().role()) {
            case WORK ->
                    shows
                            ? wanted()
                            : a.technique().keepsWindow()
                                    ? "The coat can be worked only while its window is open."
                                    : "It belongs to "
                                            + name
                                            + ": without it the coat does not settle.";
            case EFFECT ->
                    of.map(n -> "It belongs to " + n + ": the next coat needs it beneath.")
                            .orElse(wanted());
            case CLEAR ->
                    acts.size() > 1
                            ? "It belongs to "
                                    + name
                                    + ": the next coat would reach what lies beneath."
                            : "It takes the shine off, binds what is loose and protects the whole.";
            case HANDLING ->
                    shows && acts.size() == 1
                            ? switch (a.technique().key()) {
                                case Parts.ALL_ON -> back(a);
                                case "pack" ->
                                        "You want it packed: only a fully cured film bears it.";
                                default -> wanted();
                            }
                            : "It belongs to " + name + ".";
        };
    }

    private static String back(Act a) {
        return a.errand().parts().isEmpty()
                ? "Fragile parts wait until nothing wet follows."
                : "What was taken off goes back on: " + String.join(", ", a.errand().parts()) + ".";
    }

    private String wanted() {
        return "You want " + name + " here" + (said.isEmpty() ? "." : ", " + said + ".");
    }

    /** The same with other acts. */
    EffectGroup with(List<Act> others) {
        return new EffectGroup(name, age, others, main, origin, up, belongs, said);
    }

    /** The zones of all its acts. */
    Set<String> allZones() {
        Set<String> out = new LinkedHashSet<>();
        acts.forEach(a -> out.addAll(a.zones()));
        return out;
    }

    boolean sharesZoneWith(EffectGroup other) {
        Set<String> others = other.allZones();
        return allZones().stream().anyMatch(others::contains);
    }
}
