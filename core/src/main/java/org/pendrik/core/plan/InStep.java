package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.MadeFor;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.InvalidInput;

/**
 * Several subjects done in step: one mix and one booth visit for all that want the same. They are
 * planned as one subject whose zones carry the name of theirs; effects of one kind, strength and
 * material become one. A clear goes on the zones that need it, so subjects whose columns differ
 * keep their own.
 */
public final class InStep {
    private static final String IN = "/";

    private InStep() {}

    /**
     * One of the subjects.
     *
     * @param key told apart by, without a slash
     * @param own steps that the user has put in, to be kept
     * @param pins the user's word on order
     * @param standing where the user's own steps stood
     */
    public record Subject(
            String key,
            List<Zone> zones,
            List<Act> done,
            List<Effect> effects,
            List<Act> own,
            List<Pin> pins,
            List<Pin> standing) {
        /** One with neither pins nor steps that stand anywhere. */
        public Subject(
                String key, List<Zone> zones, List<Act> done, List<Effect> effects, List<Act> own) {
            this(key, zones, done, effects, own, List.of(), List.of());
        }

        public Subject {
            pins = List.copyOf(pins);
            standing = List.copyOf(standing);
            own = List.copyOf(own);
            zones = List.copyOf(zones);
            done = List.copyOf(done);
            effects = List.copyOf(effects);
            if (key.isEmpty() || key.contains(IN)) {
                throw new InvalidInput(
                        "Subject", key, "must have a name without a slash", "Rename it.");
            }
        }
    }

    /**
     * Subjects joined.
     *
     * @param request for all of them together
     * @param effectIds for each effect of the request the ids of its effects by subject
     * @param own the user's own steps: their ids among those of all subjects, and what they were
     */
    public record Joined(
            PlanRequest request, Map<String, Map<String, String>> effectIds, Map<StepId, Act> own) {
        /**
         * The steps of one subject: those that touch its zones, with names of its own.
         *
         * <p>A shared step keeps the minutes of all: it is done once.
         */
        public List<PlanStep> stepsOf(Subject subject, PlanOutcome.Compiled plan) {
            List<PlanStep> out = new ArrayList<>();
            StepIds ids =
                    StepIds.besides(
                            Stream.concat(subject.done().stream(), subject.own().stream())
                                    .map(Act::id));
            // clears stand in front of what they are for, so the others get their names first
            Map<StepId, Act> here = new LinkedHashMap<>();
            for (PlanStep s : plan.steps()) {
                if (!(s.act().madeFor() instanceof MadeFor.OfStep)) {
                    named(s.act(), subject, ids).ifPresent(a -> here.put(s.act().id(), a));
                }
            }
            for (PlanStep s : plan.steps()) {
                if (s.act().madeFor() instanceof MadeFor.OfStep f) {
                    Act of = here.get(f.step());
                    named(s.act(), subject, ids)
                            .map(
                                    a ->
                                            of == null
                                                    ? a.madeFor(MadeFor.ITSELF)
                                                    : a.named(ids.ofStep(of.id(), a.technique()))
                                                            .madeFor(new MadeFor.OfStep(of.id())))
                            .ifPresent(a -> here.put(s.act().id(), a));
                }
            }
            for (PlanStep s : plan.steps()) {
                Act act = here.get(s.act().id());
                if (act != null) {
                    Set<String> others = new LinkedHashSet<>();
                    s.act().zones().forEach(z -> others.add(subjectOf(z)));
                    others.remove(subject.key());
                    String shared =
                            others.isEmpty()
                                    ? ""
                                    : " In step with " + String.join(", ", others) + ".";
                    out.add(new PlanStep(act, s.origin(), s.reason() + shared));
                }
            }
            return out;
        }

        /** What a subject has of a joint step, under a name of its own; empty when it has none. */
        private Optional<Act> named(Act joint, Subject subject, StepIds ids) {
            Set<String> on = new LinkedHashSet<>();
            for (String z : joint.zones()) {
                if (subjectOf(z).equals(subject.key())) {
                    on.add(z.substring(z.indexOf(IN) + 1));
                }
            }
            if (on.isEmpty()) {
                return Optional.empty();
            }
            Act act = joint.on(on);
            Act kept = own.get(joint.id());
            if (kept != null) {
                return Optional.of(kept.at(joint.atMinute()));
            }
            return Optional.of(
                    switch (joint.madeFor()) {
                        case MadeFor.OfEffect e -> {
                            String effect =
                                    effectIds
                                            .getOrDefault(e.effectId(), Map.of())
                                            .getOrDefault(subject.key(), e.effectId());
                            yield act.named(ids.ofEffect(effect, act.technique()))
                                    .madeFor(new MadeFor.OfEffect(effect));
                        }
                        case MadeFor.OfStep _ -> act;
                        case MadeFor.Found _ -> act;
                        case MadeFor.Itself _ -> act.named(ids.ofItself(act.technique()));
                    });
        }
    }

    private static String subjectOf(String zone) {
        return zone.substring(0, zone.indexOf(IN));
    }

    /** Joins subjects into one request; the pins of all of them are asked of it. */
    public static Joined join(
            List<Subject> subjects,
            Climate air,
            long fromMinute,
            Schools.Choice schools,
            Catalogue catalogue) {
        List<Zone> zones = new ArrayList<>();
        List<Act> done = new ArrayList<>();
        List<Act> own = new ArrayList<>();
        Map<StepId, Act> asTheyWere = new LinkedHashMap<>();
        StepIds stepIds = StepIds.fresh();
        Map<List<Object>, List<Effect>> alike = new LinkedHashMap<>();
        Map<Effect, String> of = new LinkedHashMap<>();
        for (Subject s : subjects) {
            for (Zone z : s.zones()) {
                zones.add(
                        new Zone(
                                s.key() + IN + z.key(),
                                z.name() + " of " + s.key(),
                                z.substrate(),
                                z.lettering(),
                                z.colour(),
                                z.areaMm2(),
                                z.face(),
                                z.keptClean()));
            }
            Map<StepId, StepId> joint = new HashMap<>();
            Stream.concat(s.done().stream(), s.own().stream())
                    .forEach(a -> joint.put(a.id(), stepIds.keeping(a.id())));
            s.done().forEach(a -> done.add(jointly(a, s.key(), joint)));
            for (Act a : s.own()) {
                Act there = jointly(a, s.key(), joint);
                own.add(there);
                asTheyWere.put(there.id(), a);
            }
            for (Effect e : s.effects()) {
                Effect here = e.as(s.key() + "." + e.id(), prefixed(s.key(), e.zones()));
                of.put(here, e.id());
                alike.computeIfAbsent(alike(e, nth(alike, s, e)), _ -> new ArrayList<>()).add(here);
            }
        }
        done.sort(java.util.Comparator.comparingLong(Act::atMinute));
        List<Effect> effects = new ArrayList<>();
        Map<String, Map<String, String>> ids = new LinkedHashMap<>();
        for (List<Effect> same : alike.values()) {
            Effect first = same.getFirst();
            Set<String> on = new LinkedHashSet<>();
            Map<String, String> bySubject = new LinkedHashMap<>();
            for (Effect e : same) {
                on.addAll(e.zones());
                String zone = e.zones().iterator().next();
                bySubject.put(zone.substring(0, zone.indexOf(IN)), of.getOrDefault(e, e.id()));
            }
            effects.add(first.as(first.id(), on));
            ids.put(first.id(), bySubject);
        }
        PlanRequest joint =
                new PlanRequest(zones, done, effects, List.of(), air, fromMinute, schools, own);
        Set<Pin> pins = new LinkedHashSet<>();
        Set<Pin> standing = new LinkedHashSet<>();
        for (Subject s : subjects) {
            Map<StepId, StepId> steps = jointSteps(s, joint, ids, asTheyWere, catalogue);
            s.pins().forEach(p -> pins.add(jointly(p, steps)));
            s.standing().forEach(p -> standing.add(jointly(p, steps)));
        }
        return new Joined(
                new PlanRequest(
                        zones,
                        done,
                        effects,
                        List.copyOf(pins),
                        air,
                        fromMinute,
                        schools,
                        own,
                        List.copyOf(standing)),
                ids,
                asTheyWere);
    }

    private static Pin jointly(Pin p, Map<StepId, StepId> steps) {
        return new Pin(
                steps.getOrDefault(p.firstId(), p.firstId()),
                steps.getOrDefault(p.thenId(), p.thenId()));
    }

    /**
     * The steps of a subject, planned by itself, by those that stand for them in the joint plan.
     */
    private static Map<StepId, StepId> jointSteps(
            Subject s,
            PlanRequest joint,
            Map<String, Map<String, String>> effectIds,
            Map<StepId, Act> own,
            Catalogue catalogue) {
        PlanRequest alone =
                new PlanRequest(
                        s.zones(),
                        s.done(),
                        s.effects(),
                        List.of(),
                        joint.air(),
                        joint.fromMinute(),
                        joint.schools(),
                        s.own());
        Map<String, List<StepId>> here = stepsByEffect(alone, catalogue);
        Map<String, List<StepId>> there = stepsByEffect(joint, catalogue);
        Map<StepId, StepId> out = new HashMap<>();
        effectIds.forEach(
                (jointId, bySubject) -> {
                    List<StepId> mine =
                            here.getOrDefault(bySubject.getOrDefault(s.key(), ""), List.of());
                    List<StepId> shared = there.getOrDefault(jointId, List.of());
                    for (int i = 0; i < Math.min(mine.size(), shared.size()); i++) {
                        out.put(mine.get(i), shared.get(i));
                    }
                });
        own.forEach(
                (jointId, act) -> {
                    if (s.own().contains(act)) {
                        out.put(act.id(), jointId);
                    }
                });
        return out;
    }

    private static Map<String, List<StepId>> stepsByEffect(PlanRequest r, Catalogue catalogue) {
        StepIds ids = Groups.ids(r);
        Map<String, List<StepId>> out = new LinkedHashMap<>();
        for (Effect e : r.effects()) {
            List<StepId> steps = new ArrayList<>();
            try {
                EffectGroup.of(e, r.zones(), r.schools(), catalogue, ids)
                        .forEach(g -> g.acts().forEach(a -> steps.add(a.id())));
            } catch (InvalidInput asked) {
                // the compiler says what does not go together
                continue;
            }
            out.put(e.id(), steps);
        }
        return out;
    }

    /** What two effects have to have in common to be made at once. */
    private static List<Object> alike(Effect e, int nth) {
        return List.of(
                e.kind(), e.strength(), e.tones(), e.made(), e.colour(), e.set(), e.phase(), nth);
    }

    /** A subject's act among those of all subjects. */
    private static Act jointly(Act a, String subject, Map<StepId, StepId> joint) {
        Act there = a.named(joint.getOrDefault(a.id(), a.id())).on(prefixed(subject, a.zones()));
        return a.takesBack()
                .map(
                        t ->
                                there.takingBack(
                                        new Act.TakenBack(
                                                joint.getOrDefault(t.actId(), t.actId()),
                                                t.share())))
                .orElse(there);
    }

    /** Two like effects of one subject stay two: the first goes with the others' first. */
    private static int nth(Map<List<Object>, List<Effect>> alike, Subject s, Effect e) {
        int n = 0;
        while (true) {
            List<Effect> there = alike.get(alike(e, n));
            boolean own =
                    there != null
                            && there.stream()
                                    .anyMatch(
                                            o ->
                                                    o.zones()
                                                            .iterator()
                                                            .next()
                                                            .startsWith(s.key() + IN));
            if (!own) {
                return n;
            }
            n++;
        }
    }

    private static Set<String> prefixed(String subject, Set<String> zones) {
        Set<String> out = new LinkedHashSet<>();
        zones.forEach(z -> out.add(subject + IN + z));
        return out;
    }
}
