package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.pendrik.core.units.Climate;

/**
 * What lies on every zone after some acts, as a value that grows act by act: a search keeps many of
 * them, and each shares the columns that an act does not touch with the one before. Judging an act
 * costs O(its zones × coats) where {@link FilmCheck} judges all acts of a case, and finds the same.
 */
public final class Ledger {
    private final BiteTable bites;
    private final Climate air;
    private final Map<String, Column> columns;

    private Ledger(BiteTable bites, Climate air, Map<String, Column> columns) {
        this.bites = bites;
        this.air = air;
        this.columns = columns;
    }

    /** What lies after the acts of a case. */
    public static Ledger of(FilmCase laid, Catalogue catalogue) {
        Map<String, Column> columns = FilmCheck.columns(laid);
        laid.acts().forEach(a -> FilmCheck.lay(a, columns, laid.air()));
        return new Ledger(catalogue.bite(), laid.air(), columns);
    }

    /** The column of a zone of the case. */
    public Column on(String zone) {
        Column c = columns.get(zone);
        if (c == null) {
            throw new IllegalArgumentException("no zone " + zone);
        }
        return c;
    }

    /** As {@link Timing#earliest}, for the act that comes next. */
    public long earliest(Act act, long notBefore) {
        return Timing.earliest(columns, air, act, notBefore, bites);
    }

    /** What speaks against an act in its minute, one finding for all zones in which it holds. */
    public List<Finding> against(Act act) {
        ActJudge judge = new ActJudge(bites, air);
        List<Finding> found = new ArrayList<>();
        for (String zone : act.zones()) {
            found.addAll(
                    judge.judge(act, on(zone), l -> (double) (act.atMinute() - l.laidAt()))
                            .findings());
        }
        return FilmCheck.joined(found);
    }

    /** This with one more act. */
    public Ledger and(Act act) {
        if (act.material().binder().isEmpty()) {
            return this;
        }
        Layer layer = Layer.of(act, act.material().binder().get(), air);
        Map<String, Column> next = new LinkedHashMap<>(columns);
        act.zones().forEach(z -> next.put(z, on(z).and(layer)));
        return new Ledger(bites, air, next);
    }
}
