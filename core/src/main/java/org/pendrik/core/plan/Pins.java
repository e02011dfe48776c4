package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.pendrik.core.film.StepId;
import org.pendrik.core.units.InvalidInput;

/** What follows from a set of pins. */
public final class Pins {
    private Pins() {}

    /**
     * Refuses pins that run in a circle.
     *
     * @param name how to call a step in the message
     * @throws InvalidInput naming the circle
     */
    public static void requireNoCircle(Collection<Pin> pins, Function<StepId, String> name) {
        circle(pins)
                .ifPresent(
                        ids -> {
                            throw new InvalidInput(
                                    "Pins",
                                    ids.stream().map(name).collect(Collectors.joining(" before ")),
                                    "run in a circle, so no order can keep them",
                                    "Take one of these pins out.");
                        });
    }

    /**
     * A circle among the pins, first id repeated at the end; empty when there is none. Cost
     * O(pins).
     */
    static Optional<List<StepId>> circle(Collection<Pin> pins) {
        Map<StepId, List<StepId>> after = new HashMap<>();
        pins.forEach(
                p -> after.computeIfAbsent(p.firstId(), _ -> new ArrayList<>()).add(p.thenId()));
        Set<StepId> finished = new HashSet<>();
        for (StepId start : pins.stream().map(Pin::firstId).toList()) {
            List<StepId> found = walk(start, after, finished, new ArrayList<>());
            if (!found.isEmpty()) {
                return Optional.of(found);
            }
        }
        return Optional.empty();
    }

    private static List<StepId> walk(
            StepId id, Map<StepId, List<StepId>> after, Set<StepId> finished, List<StepId> path) {
        int seen = path.indexOf(id);
        if (seen >= 0) {
            List<StepId> ring = new ArrayList<>(path.subList(seen, path.size()));
            ring.add(id);
            return ring;
        }
        if (finished.contains(id)) {
            return List.of();
        }
        path.add(id);
        for (StepId next : after.getOrDefault(id, List.of())) {
            List<StepId> found = walk(next, after, finished, path);
            if (!found.isEmpty()) {
                return found;
            }
        }
        path.removeLast();
        finished.add(id);
        return List.of();
    }
}
