package org.pendrik.core.plan;

import java.util.List;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.DryingTimes;
import org.pendrik.core.units.Climate;

/**
 * The least time that what is still to do can take: one person's hands on one step after the other,
 * and the last flat over every coat only when it is dry enough to be coated. Both hold whatever
 * else lies there. What the flat's carrier would bite is left out: a clear between can spare that
 * wait.
 */
final class Outlook {
    private final List<EffectGroup> groups;
    private final long[] flatAfter;
    private final long flatMinutes;

    /**
     * For these groups.
     *
     * @param groups the last of them the final flat
     */
    Outlook(List<EffectGroup> groups, Climate air) {
        this.groups = groups;
        this.flatMinutes = groups.getLast().minutes();
        this.flatAfter = new long[groups.size()];
        for (int g = 0; g < groups.size() - 1; g++) {
            Act coat = groups.get(g).acts().getFirst();
            flatAfter[g] = DryingTimes.of(coat, air).map(DryingTimes::recoat).orElse(0L);
        }
    }

    /** When the final flat can begin, as far as the coat of this group is concerned. */
    long flatFrom(int group, long coatEnds) {
        return coatEnds + flatAfter[group];
    }

    /**
     * The earliest minute in which all can be done.
     *
     * @param done bits of the groups done
     * @param end when the last of them ended
     * @param flatFrom when they let the final flat begin
     */
    long leastEnd(long done, long end, long flatFrom) {
        long hands = 0;
        long flat = flatFrom;
        for (int g = 0; g < groups.size(); g++) {
            if ((done & 1L << g) == 0) {
                hands += groups.get(g).minutes();
                // the last of the groups is the flat itself
                if (g < groups.size() - 1) {
                    long coat = groups.get(g).acts().getFirst().minutes();
                    flat = Math.max(flat, flatFrom(g, end + coat));
                }
            }
        }
        return hands == 0 ? end : Math.max(end + hands, flat + flatMinutes);
    }
}
