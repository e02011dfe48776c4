package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.pendrik.core.film.Act;
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
     */
    public record Subject(String key, List<Zone> zones, List<Act> done, List<Effect> effects) {
        public Subject {
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
     */
    public record Joined(PlanRequest request, Map<String, Map<String, String>> effectIds) {
        /**
         * The steps of one subject: those that touch its zones, with its own names.
         *
         * <p>A shared step keeps the minutes of all: it is done once.
         */
        public List<PlanStep> stepsOf(String subject, PlanOutcome.Compiled plan) {
            List<PlanStep> out = new ArrayList<>();
            for (PlanStep s : plan.steps()) {
                Set<String> own = new LinkedHashSet<>();
                Set<String> others = new LinkedHashSet<>();
                for (String z : s.act().zones()) {
                    String of = z.substring(0, z.indexOf(IN));
                    if (of.equals(subject)) {
                        own.add(z.substring(z.indexOf(IN) + 1));
                    } else {
                        others.add(of);
                    }
                }
                if (!own.isEmpty()) {
                    Act act = named(s.act(), subject).on(own);
                    String shared =
                            others.isEmpty()
                                    ? ""
                                    : " In step with " + String.join(", ", others) + ".";
                    out.add(new PlanStep(act, s.origin(), s.reason() + shared));
                }
            }
            return out;
        }

        private Act named(Act a, String subject) {
            int cut = a.id().indexOf(':');
            if (cut < 0) {
                return a;
            }
            String id =
                    effectIds
                            .getOrDefault(a.id().substring(0, cut), Map.of())
                            .getOrDefault(subject, a.id().substring(0, cut));
            return a.named(id + a.id().substring(cut));
        }
    }

    /** Joins subjects into one request. */
    public static Joined join(
            List<Subject> subjects, Climate air, long fromMinute, Schools.Choice schools) {
        List<Zone> zones = new ArrayList<>();
        List<Act> done = new ArrayList<>();
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
                                z.up()));
            }
            s.done()
                    .forEach(
                            a ->
                                    done.add(
                                            a.named(s.key() + IN + a.id())
                                                    .on(prefixed(s.key(), a.zones()))));
            for (Effect e : s.effects()) {
                Effect here =
                        new Effect(
                                s.key() + "." + e.id(),
                                e.kind(),
                                prefixed(s.key(), e.zones()),
                                e.strength(),
                                e.material());
                of.put(here, e.id());
                alike.computeIfAbsent(
                                List.of(e.kind(), e.strength(), e.material(), nth(alike, s, e)),
                                _ -> new ArrayList<>())
                        .add(here);
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
            effects.add(
                    new Effect(first.id(), first.kind(), on, first.strength(), first.material()));
            ids.put(first.id(), bySubject);
        }
        return new Joined(
                new PlanRequest(
                        zones, done, effects, List.of(), air, fromMinute, schools, List.of()),
                ids);
    }

    /** Two like effects of one subject stay two: the first goes with the others' first. */
    private static int nth(Map<List<Object>, List<Effect>> alike, Subject s, Effect e) {
        int n = 0;
        while (true) {
            List<Effect> there = alike.get(List.of(e.kind(), e.strength(), e.material(), n));
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
