package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The states met so far: of those with the same groups done and the same coats, the undominated.
 */
final class Frontier {
    private record Place(long done, List<String> stacks) {
        static Place of(long done, Collection<String> stacks) {
            return new Place(done, List.copyOf(stacks));
        }
    }

    private final Map<Place, List<PlanState>> met = new HashMap<>();

    /** Whether nothing met before is as good in every respect; keeps the state if so. */
    boolean admits(PlanState s) {
        List<PlanState> others =
                met.computeIfAbsent(
                        Place.of(s.done(), s.stacks().values()), _ -> new ArrayList<>(1));
        for (PlanState o : others) {
            if (o.weight() <= s.weight() && o.clears() <= s.clears() && o.end() <= s.end()) {
                return false;
            }
        }
        others.add(s);
        return true;
    }
}
