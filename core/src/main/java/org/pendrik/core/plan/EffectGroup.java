package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.Material;
import org.pendrik.core.film.Technique;

/**
 * The acts that make one effect, which stay together: the coat and, where it has a work window, the
 * work in it.
 *
 * @param name what it is called in reasons
 * @param age when it happened on the prototype
 * @param acts in order
 */
record EffectGroup(String name, int age, List<Act> acts) {
    static EffectGroup of(Effect effect, Catalogue catalogue) {
        Technique t = catalogue.technique(effect.kind().technique());
        Material m =
                effect.material()
                        .map(catalogue::material)
                        .orElseGet(() -> catalogue.startingMaterial(t));
        List<Act> acts = new ArrayList<>();
        acts.add(
                new Act(
                        effect.id() + ":" + t.key(),
                        t,
                        m,
                        effect.thickness(),
                        effect.zones(),
                        0,
                        t.minutes(effect.zones().size()),
                        false));
        t.follow()
                .ifPresent(
                        key -> {
                            Technique f = catalogue.technique(key);
                            acts.add(
                                    Act.planned(
                                            effect.id() + ":" + key,
                                            f,
                                            worker(f, m, catalogue),
                                            effect.zones()));
                        });
        return new EffectGroup(effect.kind().label(), t.age(), acts);
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

    static EffectGroup finalFlat(Set<String> zones, Catalogue catalogue) {
        Technique t = catalogue.technique("final-flat");
        return new EffectGroup(
                t.name(),
                t.age(),
                List.of(
                        Act.planned(
                                t.key(),
                                t,
                                catalogue.startingMaterial(t),
                                new LinkedHashSet<>(zones))));
    }

    Set<String> zones() {
        return acts.getFirst().zones();
    }

    boolean has(String actId) {
        return acts.stream().anyMatch(a -> a.id().equals(actId));
    }

    /** Hands-on minutes of all its acts. */
    long minutes() {
        return acts.stream().mapToLong(Act::minutes).sum();
    }

    /** Its acts as steps of a plan, each with the reason why it is there. */
    List<PlanStep> steps() {
        List<PlanStep> out = new ArrayList<>();
        for (Act a : acts) {
            boolean work = a.technique().role() == Technique.Role.WORK;
            String reason =
                    switch (a.technique().role()) {
                        case WORK -> "The coat can be worked only while its window is open.";
                        case EFFECT -> "You want " + name + " here.";
                        case CLEAR ->
                                "It takes the shine off, binds what is loose and protects the whole.";
                    };
            out.add(
                    new PlanStep(
                            a, work ? PlanStep.Origin.INSERTED : PlanStep.Origin.EFFECT, reason));
        }
        return out;
    }

    boolean sharesZoneWith(EffectGroup other) {
        return zones().stream().anyMatch(other.zones()::contains);
    }
}
