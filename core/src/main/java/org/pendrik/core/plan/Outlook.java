package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Column;
import org.pendrik.core.film.DryingTimes;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Ledger;
import org.pendrik.core.units.Climate;

/**
 * The least that what is still to do can cost. Time: one person's hands on one step after the
 * other, a group only after all that has to come before it, and the last flat over every coat only
 * when it is dry enough to be coated. Clears: on a zone where what is still to come stands in one
 * order, the fewest changes of finish that its bands of tooth allow; of all zones the most, since
 * one clear may serve many; none where powder lies loose. Both hold whatever else lies there. What
 * carriers would bite is left out: a clear between can spare that.
 */
final class Outlook {
    private static final double[] SEALS = {
        Finish.GLOSS.tooth(), Finish.SATIN.tooth(), Finish.MATTE.tooth()
    };

    /** Any of the clears. */
    private static final int ALL = 7;

    /** A bit of its own for a tooth that nobody knows. */
    private static final int ANYTHING = 8;

    private final List<EffectGroup> groups;
    private final long[] flatAfter;
    private final long[] minutes;
    private final long[] allBefore;
    private final int flat;
    private final long sealMinutes;
    private final Map<String, List<Integer>> chains;

    /**
     * For these groups.
     *
     * @param flat index of the final flat, negative when there is none
     * @param sealMinutes the least hands-on minutes of a clear
     * @param pinned whether the user's pins may turn the order of a zone around
     */
    Outlook(
            List<EffectGroup> groups,
            Precedence precedence,
            int flat,
            long sealMinutes,
            boolean pinned,
            Climate air) {
        this.groups = groups;
        this.flat = flat;
        this.sealMinutes = sealMinutes;
        int n = groups.size();
        this.flatAfter = new long[n];
        this.minutes = new long[n];
        this.allBefore = new long[n];
        for (int g = 0; g < n; g++) {
            minutes[g] = groups.get(g).minutes();
            allBefore[g] = precedence.allBefore(g);
            if (g != flat && flat >= 0 && (precedence.before()[flat] & 1L << g) != 0) {
                flatAfter[g] = waitOf(groups.get(g), air);
            }
        }
        this.chains = pinned ? Map.of() : chains(groups);
    }

    /** From the end of the first coat of a group until any clear may go over all of its coats. */
    private static long waitOf(EffectGroup group, Climate air) {
        long wait = 0;
        for (Act a : group.acts()) {
            long recoat = DryingTimes.of(a, air).map(DryingTimes::recoat).orElse(0L);
            wait = Math.max(wait, recoat);
        }
        return wait;
    }

    /**
     * For each zone its groups in the order of age, up to where two of one age could be swapped.
     */
    private static Map<String, List<Integer>> chains(List<EffectGroup> groups) {
        Map<String, List<Integer>> out = new LinkedHashMap<>();
        List<Integer> byAge = new ArrayList<>();
        for (int g = 0; g < groups.size(); g++) {
            byAge.add(g);
        }
        byAge.sort(Comparator.comparingInt(g -> groups.get(g).age()));
        for (int g : byAge) {
            for (String z : groups.get(g).zones()) {
                out.computeIfAbsent(z, _ -> new ArrayList<>()).add(g);
            }
        }
        out.values()
                .forEach(
                        chain -> {
                            for (int i = 1; i < chain.size(); i++) {
                                int age = groups.get(chain.get(i)).age();
                                if (groups.get(chain.get(i - 1)).age() == age) {
                                    chain.subList(i - 1, chain.size()).clear();
                                    return;
                                }
                            }
                        });
        return out;
    }

    /**
     * When the final flat can begin at the earliest, as far as the coats of this group are
     * concerned: what is laid first can be flatted last.
     */
    long flatFrom(int group, long firstZoneLaid) {
        return flatAfter[group] == 0
                ? Long.MIN_VALUE
                : firstZoneLaid + flatAfter[group] - minutes[flat];
    }

    /** When an act is over on the first of its zones. */
    static long firstLaid(Act act) {
        return act.zones().stream().mapToLong(act::endOn).min().orElse(act.endMinute());
    }

    /**
     * The earliest minute in which all can be done.
     *
     * @param done bits of the groups done
     * @param end when the last of them ended
     * @param flatFrom when they let the final flat begin
     * @param clears that are still needed at least
     */
    long leastEnd(long done, long end, long flatFrom, int clears) {
        long hands = clears * sealMinutes;
        long flatBegins = flatFrom;
        long afterFlat = 0;
        for (int g = 0; g < groups.size(); g++) {
            if ((done & 1L << g) != 0) {
                continue;
            }
            hands += minutes[g];
            if (flat >= 0 && g != flat && flatAfter[g] > 0) {
                long begin = end;
                long before = allBefore[g] & ~done;
                while (before != 0) {
                    int b = Long.numberOfTrailingZeros(before);
                    begin += minutes[b];
                    before &= before - 1;
                }
                flatBegins =
                        Math.max(
                                flatBegins,
                                flatFrom(g, firstLaid(groups.get(g).acts().getFirst().at(begin))));
            }
            if (flat >= 0 && g != flat && (allBefore[g] & 1L << flat) != 0) {
                afterFlat += minutes[g];
            }
        }
        if (hands == 0) {
            return end;
        }
        boolean flatToCome = flat >= 0 && (done & 1L << flat) == 0;
        return Math.max(
                end + hands, flatToCome ? flatBegins + minutes[flat] + afterFlat : end + hands);
    }

    /** The fewest clears that are still needed on what lies. */
    int leastClears(long done, Ledger lies) {
        int most = 0;
        for (Map.Entry<String, List<Integer>> chain : chains.entrySet()) {
            Column column = lies.on(chain.getKey());
            // powder that no clear binds offers its own tooth, whatever lies beneath
            boolean powdered = column.isPowdered();
            // the tooth is either what was left, or that of whichever clear still fits
            double only = powdered ? -1 : column.tooth();
            int may = powdered ? ANYTHING : 0;
            int clears = 0;
            for (int g : chain.getValue()) {
                if ((done & 1L << g) != 0) {
                    continue;
                }
                boolean first = true;
                for (Act a : groups.get(g).acts()) {
                    if (a.technique().role() == Technique.Role.EFFECT) {
                        boolean fits = only >= 0 ? holds(a, only) : fitting(may, a) != 0;
                        if (!fits && first) {
                            clears++;
                            only = -1;
                            may = ALL;
                        }
                        if (only < 0) {
                            int kept = fitting(may, a);
                            may = kept == 0 ? may : kept;
                        }
                    }
                    first = false;
                    Optional<Finish> finish = a.material().finish();
                    if (finish.isEmpty()) {
                        continue;
                    }
                    double closed = a.closes();
                    powdered =
                            finish.get() == Finish.LOOSE
                                    || (powdered && !(closed == 1 && a.material().isClear()));
                    if (closed == 1 && !powdered) {
                        only = finish.get().tooth();
                    } else if (closed > 0 || powdered) {
                        // half of a tooth that only a clear to come would fix: anything fits
                        only = -1;
                        may = ANYTHING;
                    }
                }
            }
            most = Math.max(most, clears);
        }
        return most;
    }

    private static int fitting(int may, Act act) {
        int out = may & ANYTHING;
        for (int i = 0; i < SEALS.length; i++) {
            if ((may & 1 << i) != 0 && holds(act, SEALS[i])) {
                out |= 1 << i;
            }
        }
        return out == ANYTHING ? may : out;
    }

    private static boolean holds(Act act, double tooth) {
        return act.onTooth(tooth).filter(s -> s != Finding.Severity.NOTE).isEmpty();
    }
}
