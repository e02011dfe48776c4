package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The states met so far: of those with the same groups done and the same coats, the undominated.
 * One state dominates another when nothing about it is worse: weight, clears, the minute in which
 * it ends, and the age of every coat.
 */
final class Frontier {
    private record Place(long done, List<String> stacks) {
        static Place of(long done, Collection<String> stacks) {
            return new Place(done, List.copyOf(stacks));
        }
    }

    @SuppressWarnings("ArrayRecordComponent") // never compared as a whole
    private record Met(PlanState state, long[] laidAt) {
        boolean isAsGoodAs(PlanState s, long[] laid) {
            return state.weight() <= s.weight()
                    && state.clears() <= s.clears()
                    && state.end() <= s.end()
                    && isAsOldAs(laid);
        }

        private boolean isAsOldAs(long[] laid) {
            for (int i = 0; i < laid.length; i++) {
                if (laidAt[i] > laid[i]) {
                    return false;
                }
            }
            return true;
        }
    }

    private final Map<Place, List<Met>> met = new HashMap<>();

    /** Whether nothing met before is as good in every respect; keeps the state if so. */
    boolean admits(PlanState s) {
        List<Met> others =
                met.computeIfAbsent(
                        Place.of(s.done(), s.stacks().values()), _ -> new ArrayList<>(1));
        long[] laid = s.laidAt();
        for (Met o : others) {
            if (o.isAsGoodAs(s, laid)) {
                return false;
            }
        }
        others.add(new Met(s, laid));
        return true;
    }
}
