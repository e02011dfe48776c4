package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongToIntFunction;
import java.util.function.ToDoubleFunction;
import org.pendrik.core.units.Climate;

/**
 * What lies on every zone after some acts, as a value that grows act by act: a search keeps many of
 * them, and each shares the columns that an act does not touch with the one before. Judging an act
 * costs O(its zones × coats) where {@link FilmCheck} judges all acts of a case, and finds the same.
 */
public final class Ledger {
    /** Longer than any coat of the shelf needs in the coldest admitted air. */
    private static final long HORIZON_MINUTES = 400L * 1440;

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

    /** What speaks against an act in its minute, one finding for all zones in which it holds. */
    public List<Finding> against(Act act) {
        ActJudge judge = new ActJudge(bites, air);
        List<Finding> found = new ArrayList<>();
        for (String zone : act.zones()) {
            found.addAll(
                    judge.judge(act, on(zone), l -> (double) (act.atMinute() - l.laidAt()))
                            .findings());
        }
        found.addAll(ActJudge.elsewhere(act, columns.values()));
        return FilmCheck.joined(found);
    }

    /** Weight of {@link #against}, zone by zone; 0 when there are neither stops nor warnings. */
    public int weight(Act act) {
        ActJudge judge = new ActJudge(bites, air);
        int sum = ActJudge.weightElsewhere(act, columns.values());
        for (String zone : act.zones()) {
            sum += judge.weight(act, on(zone), l -> (double) (act.atMinute() - l.laidAt()));
        }
        return sum;
    }

    /** This with one more act. */
    public Ledger and(Act act) {
        if (!Column.isChangedBy(act)) {
            return this;
        }
        Map<String, Column> next = new LinkedHashMap<>(columns);
        for (String z : act.zones()) {
            Column grown = on(z).copy();
            grown.leave(act, air);
            next.put(z, grown);
        }
        return new Ledger(bites, air, next);
    }

    /** As {@link Timing#earliest}, for the act that comes next. */
    public long earliest(Act act, long notBefore) {
        ActJudge judge = new ActJudge(bites, air);
        long at = notBefore;
        if (act.technique().keepsWindow()) {
            for (Map.Entry<StepId, WorkWindow> w : windows(act).entrySet()) {
                for (String z : act.zones()) {
                    for (Layer l : on(z).live()) {
                        if (l.actId().equals(w.getKey())) {
                            long opens = (long) Math.ceil(w.getValue().fromMinutes());
                            at = Math.max(at, l.laidAt() + opens);
                        }
                    }
                }
            }
        }
        for (String zone : act.zones()) {
            at = healedFrom(judge, act, on(zone), at);
        }
        return at;
    }

    /**
     * From when on waiting helps an act on a column no more. What the drying alone asks for is
     * known by inverting the cure curves; only where a carrier still bites then is it searched for.
     */
    private static long healedFrom(ActJudge judge, Act act, Column c, long notBefore) {
        int now = judge.healable(act, c, l -> (double) (notBefore - l.laidAt()));
        if (now == 0) {
            return notBefore;
        }
        int best = judge.healable(act, c, l -> (double) HORIZON_MINUTES);
        if (now == best) {
            return notBefore;
        }
        long dry = Math.max(notBefore, driedAt(act, c));
        if (judge.healable(act, c, l -> (double) (dry - l.laidAt())) == best) {
            return dry;
        }
        return dry + shortest(a -> judge.healable(act, c, l -> (double) (dry + a - l.laidAt())));
    }

    private static long driedAt(Act act, Column c) {
        double needed =
                Math.max(
                        act.technique().handling().needsCure(),
                        act.material().deposits() ? CureAnchors.Q_RECOAT : 0);
        List<Layer> targets = act.technique().keepsWindow() ? c.targets(act) : List.of();
        long at = Long.MIN_VALUE;
        for (Layer l : c.live()) {
            if (l.material().cure().isPresent() && !targets.contains(l)) {
                double minutes = l.material().cure().get().minutesTo(needed) * l.slowing();
                at = Math.max(at, l.laidAt() + (long) Math.ceil(minutes - 1e-9));
            }
        }
        return at;
    }

    /** The least age of one coat at which an act may follow when all others are old. */
    long waitFor(Layer layer, Act act) {
        ActJudge judge = new ActJudge(bites, air);
        return shortest(
                a -> {
                    ToDoubleFunction<Layer> ageOf =
                            l -> (double) (l.equals(layer) ? a : HORIZON_MINUTES);
                    int sum = 0;
                    for (String z : act.zones()) {
                        sum += judge.healable(act, on(z), ageOf);
                    }
                    return sum;
                });
    }

    /** The span that an act has to keep; empty when it works nothing that has one. */
    Optional<Timing.WorkSpan> span(Act act) {
        @org.jspecify.annotations.Nullable StepId coatId = null;
        String coat = "";
        long opens = Long.MIN_VALUE;
        long closes = Long.MAX_VALUE;
        Map<StepId, WorkWindow> windows = windows(act);
        long latest = Long.MIN_VALUE;
        for (String z : act.zones()) {
            for (Layer l : on(z).live()) {
                WorkWindow w = windows.get(l.actId());
                if (w == null) {
                    continue;
                }
                opens = Math.max(opens, l.laidAt() + (long) Math.ceil(w.fromMinutes()));
                closes = Math.min(closes, l.laidAt() + (long) Math.floor(w.untilMinutes()));
                if (l.laidAt() >= latest) {
                    latest = l.laidAt();
                    coatId = l.actId();
                    coat = l.material().name();
                }
            }
        }
        return coatId == null
                ? Optional.empty()
                : Optional.of(new Timing.WorkSpan(coatId, act.id(), coat, opens, closes));
    }

    /** The work windows of the coats that an act works, by the acts that laid them. */
    Map<StepId, WorkWindow> windows(Act act) {
        Map<StepId, WorkWindow> out = new HashMap<>();
        for (String z : act.zones()) {
            Column column = on(z);
            List<Layer> targets = column.targets(act);
            if (targets.isEmpty()) {
                continue;
            }
            switch (act.technique().works().window()) {
                case NONE -> {}
                case MATERIAL -> {
                    for (Layer l : targets) {
                        if (l.material().window().isPresent()) {
                            out.merge(l.actId(), ActJudge.windowOf(l, air), Ledger::both);
                        }
                    }
                }
                case BITE ->
                        biteWindow(act, column, targets)
                                .ifPresent(
                                        w ->
                                                out.merge(
                                                        targets.getFirst().actId(),
                                                        w,
                                                        Ledger::both));
            }
        }
        return out;
    }

    private static WorkWindow both(WorkWindow a, WorkWindow b) {
        double from = Math.max(a.fromMinutes(), b.fromMinutes());
        return new WorkWindow(
                from, Math.max(from + 1, Math.min(a.untilMinutes(), b.untilMinutes())));
    }

    /**
     * From touch dry of the topmost coat for as long as the carrier gets through to the deepest;
     * the coat above it closes with time and never opens again, so the end is found by bisection.
     */
    private Optional<WorkWindow> biteWindow(Act act, Column column, List<Layer> targets) {
        Layer top = targets.getFirst();
        int deepest = column.live().indexOf(targets.getLast());
        if (top.material().cure().isEmpty()) {
            return Optional.empty();
        }
        double touch = top.material().cure().get().touchMinutes() * top.slowing();
        long good = (long) Math.ceil(touch);
        long bad = HORIZON_MINUTES;
        if (!gets(act, column, deepest, top, good)) {
            return Optional.of(new WorkWindow(touch, touch + 1));
        }
        if (gets(act, column, deepest, top, bad)) {
            return Optional.of(new WorkWindow(touch, (double) HORIZON_MINUTES));
        }
        while (bad - good > 1) {
            long mid = (good + bad) >>> 1;
            if (gets(act, column, deepest, top, mid)) {
                good = mid;
            } else {
                bad = mid;
            }
        }
        return Optional.of(new WorkWindow(touch, Math.max(touch + 1, (double) good)));
    }

    private boolean gets(Act act, Column column, int deepest, Layer top, long age) {
        return Reach.into(
                        column,
                        act.carrier(),
                        act.technique().action(),
                        bites,
                        l -> (double) (l.equals(top) ? age : HORIZON_MINUTES))
                .does(deepest, act.technique().works().wanted());
    }

    private static long shortest(LongToIntFunction weight) {
        int best = weight.applyAsInt(HORIZON_MINUTES);
        if (weight.applyAsInt(0) <= best) {
            return 0;
        }
        long bad = 0;
        long good = HORIZON_MINUTES;
        while (good - bad > 1) {
            long mid = (bad + good) >>> 1;
            if (weight.applyAsInt(mid) <= best) {
                good = mid;
            } else {
                bad = mid;
            }
        }
        return good;
    }
}
