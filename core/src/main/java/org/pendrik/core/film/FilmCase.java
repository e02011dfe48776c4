package org.pendrik.core.film;

import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.InvalidInput;

/**
 * A question to the film engine: zones, what is done to them in which order and when, and the air
 * they dry in.
 *
 * @param zones at least one, keys unique
 * @param acts in the order in which they happen; times must not go back
 * @param air temperature and humidity while they dry
 * @param answers warnings that the user knows of
 */
public record FilmCase(List<Zone> zones, List<Act> acts, Climate air, Set<Finding.Answer> answers) {
    /** A question of which no warning was answered before. */
    public FilmCase(List<Zone> zones, List<Act> acts, Climate air) {
        this(zones, acts, air, Set.of());
    }

    public FilmCase {
        answers = Set.copyOf(answers);
        zones = List.copyOf(zones);
        acts = List.copyOf(acts);
        Set<String> keys = zones.stream().map(Zone::key).collect(Collectors.toSet());
        if (keys.size() != zones.size() || zones.isEmpty()) {
            throw new InvalidInput(
                    "Zones",
                    zones.size() + " given",
                    "must be at least one and each only once",
                    "Name each zone once.");
        }
        Set<StepId> ids = new HashSet<>();
        long clock = Long.MIN_VALUE;
        for (Act a : acts) {
            if (!ids.add(a.id())) {
                throw new InvalidInput(
                        "Step",
                        a.id().value(),
                        "stands in the plan twice",
                        "Give each step its own id.");
            }
            requireAmong(keys, a.zones());
            if (a.atMinute() < clock) {
                throw new InvalidInput(
                        "Step " + a.technique().name(),
                        "minute " + a.atMinute(),
                        "must not begin before the step in front of it",
                        "Put the steps in the order of their times.");
            }
            clock = a.atMinute();
        }
    }

    /**
     * @throws InvalidInput when one of these keys is none of the zones; it names those that are
     */
    void requireZones(Collection<String> wanted) {
        requireAmong(zones.stream().map(Zone::key).collect(Collectors.toSet()), wanted);
    }

    private static void requireAmong(Set<String> keys, Collection<String> wanted) {
        for (String z : wanted) {
            if (!keys.contains(z)) {
                throw new InvalidInput(
                        "Zone",
                        z,
                        "is not part of the subject",
                        "Use one of " + String.join(", ", keys) + ".");
            }
        }
    }

    /** The same zones and air with other acts. */
    public FilmCase with(List<Act> others) {
        return new FilmCase(zones, others, air, answers);
    }

    /** The same with warnings that the user knows of. */
    public FilmCase knowing(Set<Finding.Answer> known) {
        return new FilmCase(zones, acts, air, known);
    }

    int indexOf(StepId actId) {
        for (int i = 0; i < acts.size(); i++) {
            if (acts.get(i).id().equals(actId)) {
                return i;
            }
        }
        throw new IllegalArgumentException("no act " + actId);
    }
}
