package org.pendrik.core.plan;

import java.util.List;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.Ledger;

/**
 * The least time that what is still to do can take: one person's hands on one step after the other,
 * and the last flat over every coat only when it takes one. Both hold whatever else lies there,
 * since a coat beneath or above never makes another dry sooner.
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
    Outlook(List<EffectGroup> groups, FilmCase start, Catalogue catalogue) {
        this.groups = groups;
        this.flatMinutes = groups.getLast().minutes();
        this.flatAfter = new long[groups.size()];
        Ledger bare = Ledger.of(start.with(List.of()), catalogue);
        Act flat = groups.getLast().acts().getFirst();
        for (int g = 0; g < groups.size() - 1; g++) {
            Act coat = groups.get(g).acts().getFirst().at(0);
            Act over = Act.planned(flat.id(), flat.technique(), flat.material(), coat.zones());
            flatAfter[g] = bare.and(coat).earliest(over, coat.endMinute()) - coat.endMinute();
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
                flat = Math.max(flat, flatFrom(g, end + groups.get(g).acts().getFirst().minutes()));
            }
        }
        return hands == 0 ? end : Math.max(end + hands, flat + flatMinutes);
    }
}
