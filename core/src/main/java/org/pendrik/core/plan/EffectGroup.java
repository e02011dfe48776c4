package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.MadeFor;
import org.pendrik.core.film.Material;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.film.Technique;
import org.pendrik.core.film.Thickness;
import org.pendrik.core.film.Zone;

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
 */
record EffectGroup(
        String name, int age, List<Act> acts, StepId main, PlanStep.Origin origin, boolean up) {
    EffectGroup {
        acts = List.copyOf(acts);
    }

    /** Lettering that is put on after the weathering belongs between patches and soot. */
    private static final int AGE_OF_LATE_LETTERING = 66;

    /** From here on the model is put together and handed over. */
    static final int AGE_OF_HANDING_OVER = 97;

    /** The groups of an effect under some schools, the older part first. */
    static List<EffectGroup> of(
            Effect effect,
            List<Zone> subject,
            Schools.Choice schools,
            Catalogue catalogue,
            StepIds ids) {
        MadeFor madeFor = new MadeFor.OfEffect(effect.id());
        Ways.Way way = Ways.of(effect.kind(), schools);
        List<Zone> zones = subject.stream().filter(z -> effect.zones().contains(z.key())).toList();
        boolean up = zones.stream().anyMatch(Zone::up);
        List<EffectGroup> out = new ArrayList<>();
        for (List<Ways.Spec> part : way.parts()) {
            List<Act> acts = new ArrayList<>();
            @org.jspecify.annotations.Nullable StepId main = null;
            @org.jspecify.annotations.Nullable Material coat = null;
            for (int i = 0; i < part.size(); i++) {
                Ways.Spec spec = part.get(i);
                Technique t = Seals.as(spec.technique(), schools, catalogue);
                Material m =
                        spec.main()
                                ? wanted(effect, spec, zones.getFirst().colour(), catalogue)
                                : t.role() == Technique.Role.WORK && coat != null
                                        ? worker(t, coat, catalogue)
                                        : catalogue.material(t.materials().getFirst());
                Thickness thick = spec.main() ? thickness(t, effect) : t.thickness();
                Act act =
                        Act.planned(ids.ofEffect(effect.id(), t), t, m, thick, zones)
                                .madeFor(madeFor);
                acts.add(act);
                if (m.deposits()) {
                    coat = m;
                }
                if (spec.main()) {
                    main = act.id();
                }
                boolean named =
                        i + 1 < part.size()
                                && catalogue.technique(part.get(i + 1).technique()).worksOnCoats();
                if (t.follow().isPresent() && !named) {
                    Technique f = catalogue.technique(t.follow().get());
                    acts.add(
                            Act.planned(
                                            ids.ofEffect(effect.id(), f),
                                            f,
                                            worker(f, m, catalogue),
                                            zones)
                                    .madeFor(madeFor));
                }
            }
            Technique first = acts.getFirst().technique();
            Technique shown =
                    main == null || first.role() == Technique.Role.HANDLING
                            ? first
                            : techniqueOf(acts, main);
            out.add(
                    new EffectGroup(
                            effect.kind().label(),
                            age(effect, shown, schools),
                            acts,
                            main == null ? acts.getFirst().id() : main,
                            PlanStep.Origin.EFFECT,
                            up));
        }
        return out;
    }

    private static Technique techniqueOf(List<Act> acts, StepId id) {
        return acts.stream().filter(a -> a.id().equals(id)).findFirst().orElseThrow().technique();
    }

    private static int age(Effect effect, Technique t, Schools.Choice schools) {
        boolean late =
                switch (effect.kind()) {
                    case DECAL, HOME_DECAL, GRAFFITI -> schools.of("lettering").equals("after");
                    default -> false;
                };
        return late ? AGE_OF_LATE_LETTERING : t.age();
    }

    /**
     * Films grow with strength; powders, marks and coats of paint are as thick as their way asks.
     */
    private static Thickness thickness(Technique t, Effect effect) {
        return switch (effect.kind()) {
            case FADE,
                    JOINT_SHADE,
                    PANEL_LINES,
                    ROAD_DIRT,
                    CHIPS,
                    RUST_STREAKS,
                    MINERAL_STREAKS,
                    SOOT,
                    DUST,
                    POWDER ->
                    t.key().equals("chip-top") ? t.thickness() : effect.thickness();
            // a wash all over is as heavy as the wipe leaves it
            case GRIME -> effect.strength() < 3 ? Thickness.LIGHT : Thickness.NORMAL;
            default -> t.thickness();
        };
    }

    /** The material wanted, or of what the way may use the one that looks most like it. */
    private static Material wanted(Effect effect, Ways.Spec spec, Lab own, Catalogue catalogue) {
        List<Material> may = spec.materials(catalogue);
        if (effect.material().isEmpty()) {
            // what is chipped through is the paint of the car itself
            return spec.technique().equals(OwnColour.TOP_COAT)
                    ? EffectsSeen.nearest(may, own).orElse(may.getFirst())
                    : may.getFirst();
        }
        Material wish = catalogue.material(effect.material().get());
        if (may.contains(wish)) {
            return wish;
        }
        return wish.colour().flatMap(c -> EffectsSeen.nearest(may, c)).orElse(may.getFirst());
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
     */
    static List<EffectGroup> ends(
            List<Zone> touched,
            List<Zone> subject,
            Schools.Choice schools,
            Catalogue catalogue,
            StepIds ids) {
        Map<String, List<Zone>> last = new LinkedHashMap<>();
        if (!touched.isEmpty()) {
            last.put(Seals.finalFlat(schools), touched);
        }
        if (!schools.of("ends").equals("flat")) {
            last.put("reassemble", subject);
        }
        if (schools.of("ends").equals("packed")) {
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
                                            Act.planned(
                                                    id, t, catalogue.startingMaterial(t), zones)),
                                    id,
                                    PlanStep.Origin.EFFECT,
                                    false));
                });
        return out;
    }

    /** A step that the user has put in. */
    static EffectGroup own(Act act) {
        return new EffectGroup(
                act.technique().name(),
                act.technique().age(),
                List.of(act),
                act.id(),
                PlanStep.Origin.MANUAL,
                false);
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
            out.add(new PlanStep(a, shows ? origin : PlanStep.Origin.INSERTED, reason(a, shows)));
        }
        return out;
    }

    private String reason(Act a, boolean shows) {
        if (origin == PlanStep.Origin.MANUAL) {
            return "You put it here.";
        }
        Optional<String> of = shows ? Optional.empty() : Optional.of(name);
        return switch (a.technique().role()) {
            case WORK ->
                    shows
                            ? "You want " + name + " here."
                            : a.technique().keepsWindow()
                                    ? "The coat can be worked only while its window is open."
                                    : "It belongs to "
                                            + name
                                            + ": without it the coat does not settle.";
            case EFFECT ->
                    of.map(n -> "It belongs to " + n + ": the next coat needs it beneath.")
                            .orElse("You want " + name + " here.");
            case CLEAR ->
                    acts.size() > 1
                            ? "It belongs to "
                                    + name
                                    + ": the next coat would reach what lies beneath."
                            : "It takes the shine off, binds what is loose and protects the whole.";
            case HANDLING ->
                    shows && acts.size() == 1
                            ? switch (a.technique().key()) {
                                case "reassemble" ->
                                        "Fragile parts wait until nothing wet follows.";
                                case "pack" ->
                                        "You want it packed: only a fully cured film bears it.";
                                default -> "You want " + name + ".";
                            }
                            : "It belongs to " + name + ".";
        };
    }

    boolean sharesZoneWith(EffectGroup other) {
        return zones().stream().anyMatch(other.zones()::contains);
    }
}
