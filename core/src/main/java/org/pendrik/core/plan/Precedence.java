package org.pendrik.core.plan;

import java.util.List;
import org.pendrik.core.film.Technique;

/**
 * Which groups must be done before which: the older on the prototype first where they share a zone,
 * unless a pin says otherwise, and what the pins say.
 *
 * @param before for each group the bits of the groups that must be done first
 */
@SuppressWarnings("ArrayRecordComponent") // never compared
record Precedence(long[] before) {
    static Precedence of(List<EffectGroup> groups, List<Pin> pins, Schools.Choice schools) {
        int n = groups.size();
        long[] before = new long[n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                EffectGroup a = groups.get(i);
                EffectGroup b = groups.get(j);
                boolean younger =
                        (a.age() < b.age() && (a.sharesZoneWith(b) || everywhere(a, b)))
                                || facesFirst(a, b, schools);
                boolean pinned = false;
                boolean against = false;
                for (Pin p : pins) {
                    pinned |= a.has(p.firstId()) && b.has(p.thenId());
                    against |= b.has(p.firstId()) && a.has(p.thenId());
                }
                if (i != j && (pinned || (younger && !against))) {
                    before[j] |= 1L << i;
                }
            }
        }
        return new Precedence(before);
    }

    /**
     * What goes by age wherever it is done: glass is masked before anything is sprayed, and what
     * comes after the final flat waits for it.
     */
    private static boolean everywhere(EffectGroup a, EffectGroup b) {
        boolean masksFirst =
                a.acts().getFirst().technique().role() == Technique.Role.HANDLING
                        && b.acts().stream().anyMatch(x -> x.technique().booth());
        return masksFirst || a.isFinalFlat();
    }

    /** Where the same is done on the roof and on the sides, the school says which comes first. */
    private static boolean facesFirst(EffectGroup a, EffectGroup b, Schools.Choice schools) {
        if (a.age() != b.age() || a.up() == b.up()) {
            return false;
        }
        return switch (schools.of("faces")) {
            case "roof-first" -> a.up();
            case "sides-first" -> b.up();
            default -> false;
        };
    }

    /** Everything that must be done before a group, however far back. */
    long allBefore(int group) {
        long all = before[group];
        long last = -1;
        while (all != last) {
            last = all;
            for (int g = 0; g < before.length; g++) {
                if ((all & 1L << g) != 0) {
                    all |= before[g];
                }
            }
        }
        return all;
    }

    /** Whether a group can be done when those of {@code done} are. */
    boolean admits(int group, long done) {
        return (done & 1L << group) == 0 && (before[group] & ~done) == 0;
    }

    /** Whether there is an order that keeps all of it. */
    boolean holds() {
        long done = 0;
        for (int round = 0; round < before.length; round++) {
            for (int g = 0; g < before.length; g++) {
                if (admits(g, done)) {
                    done |= 1L << g;
                }
            }
        }
        return done == (1L << before.length) - 1;
    }
}
