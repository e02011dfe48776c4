package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongToIntFunction;
import org.pendrik.core.catalogue.BiteTable;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.CureAnchors;
import org.pendrik.core.catalogue.WorkWindow;
import org.pendrik.core.catalogue.Works;
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
                    judge.judge(act, on(zone), l -> (double) (act.beginOn(zone) - l.laidAt()))
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
            sum += judge.weight(act, on(zone), l -> (double) (act.beginOn(zone) - l.laidAt()));
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
        if (act.keepsWindow()) {
            for (String z : act.zones()) {
                Column c = on(z);
                List<Layer> targets = c.targets(act);
                if (!targets.isEmpty()) {
                    long opens = opens(new Workable(act, c, targets, bites, air));
                    at = Math.max(at, opens - act.lead(z));
                }
            }
        }
        for (String zone : act.zones()) {
            int later = act.lead(zone);
            at = healedFrom(judge, act, on(zone), at + later) - later;
        }
        return at;
    }

    /**
     * From when on waiting helps an act on a column no more, in minutes in which it begins there.
     * What the drying alone asks for is known by inverting the cure curves; only where a carrier
     * still bites then is it searched for.
     */
    private static long healedFrom(ActJudge judge, Act act, Column c, long notBefore) {
        List<Layer> means = ActJudge.means(act, c);
        LongToIntFunction found =
                at -> judge.healable(act, c, means, l -> (double) (at - l.laidAt()));
        int now = found.applyAsInt(notBefore);
        if (now == 0) {
            return notBefore;
        }
        int best = judge.healable(act, c, means, l -> (double) HORIZON_MINUTES);
        if (now == best) {
            return notBefore;
        }
        long dry = Math.max(notBefore, driedAt(act, c));
        if (found.applyAsInt(dry) == best) {
            boolean needed = dry > notBefore && found.applyAsInt(dry - 1) > best;
            // mists and small work do not have to wait until all is dry
            return needed
                    ? dry
                    : notBefore + shortest(dry - notBefore, a -> found.applyAsInt(notBefore + a));
        }
        return dry + shortest(a -> found.applyAsInt(dry + a));
    }

    private static long driedAt(Act act, Column c) {
        double needed =
                Math.max(
                        act.handling().needsCure(),
                        act.material().deposits() ? CureAnchors.Q_RECOAT : 0);
        List<Layer> targets = act.keepsWindow() ? c.targets(act) : List.of();
        long at = Long.MIN_VALUE;
        for (Layer l : c.live()) {
            if (l.material().cure().isPresent() && !targets.contains(l)) {
                double minutes = l.material().cure().get().minutesTo(needed) * l.slowing();
                at = Math.max(at, l.laidAt() + (long) Math.ceil(minutes - 1e-9));
            }
        }
        return at;
    }

    /** The least age of one coat of a zone at which an act may follow when all others are old. */
    long waitFor(Layer layer, Act act, String zone) {
        ActJudge judge = new ActJudge(bites, air);
        Column c = on(zone);
        List<Layer> means = ActJudge.means(act, c);
        return shortest(
                a ->
                        judge.healable(
                                act,
                                c,
                                means,
                                l -> (double) (l.equals(layer) ? a : HORIZON_MINUTES)));
    }

    /** The span that an act has to keep; empty when it works nothing that has one that ends. */
    Optional<Timing.WorkSpan> span(Act act) {
        if (!act.keepsWindow()) {
            return Optional.empty();
        }
        @org.jspecify.annotations.Nullable Layer youngest = null;
        long opens = Long.MIN_VALUE;
        long lastStart = Long.MAX_VALUE;
        for (String z : act.zones()) {
            Column c = on(z);
            List<Layer> targets = c.targets(act);
            if (targets.isEmpty()) {
                continue;
            }
            Workable work = new Workable(act, c, targets, bites, air);
            long from = opens(work);
            opens = Math.max(opens, from - act.lead(z));
            lastStart = Math.min(lastStart, closes(work, from) - act.span(z).until());
            for (Layer l : targets) {
                if (youngest == null || l.laidAt() >= youngest.laidAt()) {
                    youngest = l;
                }
            }
        }
        return youngest == null || lastStart - opens >= HORIZON_MINUTES / 2
                ? Optional.empty()
                : Optional.of(
                        new Timing.WorkSpan(
                                youngest.actId(),
                                act.id(),
                                youngest.material().name(),
                                opens,
                                lastStart + act.minutes(),
                                lastStart));
    }

    /**
     * Whether the coat of an act, laid in a minute, would run into one that lies open on a zone.
     */
    public boolean runsInto(Act act, String zone, long minute) {
        return on(zone).blending(act, l -> (double) (minute - l.laidAt())) > 0;
    }

    /** Whether the coat of an act lies on a zone, on top, and is not touch dry. */
    boolean isOpen(String zone, StepId actId, long minute) {
        List<Layer> layers = on(zone).live();
        for (int i = layers.size() - 1; i >= 0; i--) {
            Layer l = layers.get(i);
            if (l.cureAt(minute) >= CureAnchors.Q_TOUCH) {
                return false;
            }
            if (l.actId().equals(actId)) {
                return true;
            }
        }
        return false;
    }

    /** By zone, when the coats that an act works can be worked there; empty where none lies. */
    Map<String, Timing.ZoneWindow> zoneWindows(Act act) {
        Map<String, Timing.ZoneWindow> out = new LinkedHashMap<>();
        for (String z : act.zones()) {
            Column c = on(z);
            List<Layer> targets = act.keepsWindow() ? c.targets(act) : List.of();
            if (!targets.isEmpty()) {
                Workable work = new Workable(act, c, targets, bites, air);
                long from = opens(work);
                long until = closes(work, from);
                if (until - from < HORIZON_MINUTES / 2) {
                    out.put(z, new Timing.ZoneWindow(from, until));
                }
            }
        }
        return out;
    }

    private static long opens(Workable work) {
        long at = Long.MIN_VALUE;
        for (Layer l : work.targets()) {
            at = Math.max(at, l.laidAt() + (long) Math.ceil(work.opensAtAge(l) - 1e-9));
        }
        return at;
    }

    /**
     * The last minute in which the coats can still be worked; before {@code opens} when none is.
     */
    private static long closes(Workable work, long opens) {
        long last = opens + HORIZON_MINUTES;
        if (work.act().window() == Works.Window.MATERIAL) {
            for (Layer l : work.targets()) {
                if (Workable.hasWindow(l)) {
                    double until = Workable.windowOf(l, work.air()).untilMinutes();
                    last = Math.min(last, l.laidAt() + (long) Math.floor(until + 1e-9));
                }
            }
        }
        return lastOpen(work, opens, last, (l, t) -> (double) (t - l.laidAt()));
    }

    private interface AgeAt {
        double of(Layer layer, long time);
    }

    /** The last time up to {@code last} at which the coats give way: they do so less and less. */
    private static long lastOpen(Workable work, long first, long last, AgeAt age) {
        if (last < first || work.stuck(l -> age.of(l, first)) != null) {
            return first - 1;
        }
        if (work.stuck(l -> age.of(l, last)) == null) {
            return last;
        }
        long good = first;
        long bad = last;
        while (bad - good > 1) {
            long mid = (good + bad) >>> 1;
            if (work.stuck(l -> age.of(l, mid)) == null) {
                good = mid;
            } else {
                bad = mid;
            }
        }
        return good;
    }

    /**
     * The work windows of the coats that an act works on a zone, by the acts that laid them, in
     * minutes after laying there; coats that it does not work are taken as old.
     */
    Map<StepId, WorkWindow> windows(Act act, String zone) {
        Map<StepId, WorkWindow> out = new HashMap<>();
        Column column = on(zone);
        List<Layer> targets = act.keepsWindow() ? column.targets(act) : List.of();
        if (targets.isEmpty()) {
            return out;
        }
        Workable work = new Workable(act, column, targets, bites, air);
        Layer top = targets.getFirst();
        for (Layer l : targets) {
            double from = work.opensAtAge(l);
            double until =
                    act.window() == Works.Window.MATERIAL && Workable.hasWindow(l)
                            ? Workable.windowOf(l, air).untilMinutes()
                            : HORIZON_MINUTES;
            if (l.equals(top)) {
                long first = (long) Math.ceil(from - 1e-9);
                long last =
                        lastOpen(
                                work,
                                first,
                                (long) Math.floor(until + 1e-9),
                                (x, t) ->
                                        targets.contains(x)
                                                ? (double) (t + top.laidAt() - x.laidAt())
                                                : (double) HORIZON_MINUTES);
                until = Math.min(until, (double) last);
            }
            if (until < HORIZON_MINUTES || from > 0) {
                out.merge(l.actId(), new WorkWindow(from, Math.max(from + 1, until)), Ledger::both);
            }
        }
        return out;
    }

    /** For each zone of a coat the window in which an act that follows at once can work it. */
    Map<String, WorkWindow> windowsByZone(Act act, StepId coat) {
        Map<String, WorkWindow> out = new HashMap<>();
        for (String z : act.zones()) {
            WorkWindow w = windows(act, z).get(coat);
            if (w != null) {
                out.put(z, w);
            }
        }
        return out;
    }

    /**
     * Rounds in which a coat that was laid last and the act that works it go over their zones;
     * empty when one go does, when they do not belong together, or when even one zone at a time
     * would not fit.
     */
    Optional<Rounds.Pair> rounds(Act coat, Act work) {
        boolean together =
                !coat.done()
                        && !work.done()
                        && work.keepsWindow()
                        && coat.zones().equals(work.zones())
                        && !coat.rounds().prepared();
        if (!together) {
            return Optional.empty();
        }
        Map<String, WorkWindow> windows = windowsByZone(work, coat.id());
        return windows.isEmpty() || Rounds.fitInOneGo(coat, work, windows)
                ? Optional.empty()
                : Rounds.fewest(coat, work, windows);
    }

    private static WorkWindow both(WorkWindow a, WorkWindow b) {
        double from = Math.max(a.fromMinutes(), b.fromMinutes());
        return new WorkWindow(
                from, Math.max(from + 1, Math.min(a.untilMinutes(), b.untilMinutes())));
    }

    private static long shortest(LongToIntFunction weight) {
        return shortest(HORIZON_MINUTES, weight);
    }

    /** The least wait after which the weight is no more than after the longest one. */
    private static long shortest(long longest, LongToIntFunction weight) {
        int best = weight.applyAsInt(longest);
        if (weight.applyAsInt(0) <= best) {
            return 0;
        }
        long bad = 0;
        long good = longest;
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
