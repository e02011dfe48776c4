package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import org.pendrik.core.units.Climate;

/**
 * Answers: how long must each act wait for the coats beneath it?
 *
 * <p>What waiting heals gets better with age and never worse, so the shortest wait that leaves
 * nothing for time to heal is found by bisection over whole minutes. Cost O(log horizon) judgements
 * for an act.
 */
public final class Timing {
    /** Longer than any coat of the shelf needs in the coldest admitted air. */
    private static final long HORIZON_MINUTES = 400L * 1440;

    private final Catalogue catalogue;

    public Timing(Catalogue catalogue) {
        this.catalogue = catalogue;
    }

    /**
     * The earliest minute, not before the one given, from which waiting longer would help no more.
     *
     * @param before the case up to this act
     */
    public long earliest(FilmCase before, Act act, long notBefore) {
        Map<String, Column> columns = laid(before, before.acts().size());
        return earliest(columns, before.air(), act, notBefore, catalogue.bite());
    }

    static long earliest(
            Map<String, Column> columns, Climate air, Act act, long notBefore, BiteTable bites) {
        ActJudge judge = new ActJudge(bites, air);
        long from = notBefore;
        if (act.technique().keepsWindow()) {
            for (Layer t : targets(columns, act)) {
                if (t.material().window().isPresent()) {
                    double opens = ActJudge.windowOf(t, air).fromMinutes();
                    from = Math.max(from, t.laidAt() + (long) Math.ceil(opens));
                }
            }
        }
        // zones under the same coats need the same wait, and the longest of all counts
        long at = from;
        List<Column> asked = new ArrayList<>();
        for (String zone : act.zones()) {
            Column c = columns.get(zone);
            if (c != null && asked.stream().noneMatch(c::agesAs)) {
                asked.add(c);
                at += shortest(from(judge, c, act, at));
            }
        }
        return at;
    }

    private static Weight from(ActJudge judge, Column column, Act act, long base) {
        return a -> judge.healable(act, column, l -> (double) (base + a - l.laidAt()));
    }

    /**
     * The acts placed one after the other as early as the coats allow, without regard to anyone's
     * evenings.
     *
     * @param keep whether an act that is still to do may stay later than it has to
     * @param from index of the first act that may move; acts that are done never move
     */
    public FilmCase settle(FilmCase question, int from, boolean keep) {
        List<Act> placed = new ArrayList<>();
        Map<String, Column> columns = FilmCheck.columns(question);
        long clock = Long.MIN_VALUE;
        for (int i = 0; i < question.acts().size(); i++) {
            Act act = question.acts().get(i);
            if (i >= from && !act.done()) {
                long floor = clock == Long.MIN_VALUE ? act.atMinute() : clock;
                act =
                        act.at(
                                earliest(
                                        columns,
                                        question.air(),
                                        act,
                                        keep ? Math.max(floor, act.atMinute()) : floor,
                                        catalogue.bite()));
            }
            placed.add(act);
            FilmCheck.lay(act, columns, question.air());
            clock = Math.max(clock, act.endMinute());
        }
        return question.with(placed);
    }

    /** The lags that the coats demand between the acts of a case, whatever their times. */
    public List<Lag> lags(FilmCase question) {
        ActJudge judge = new ActJudge(catalogue.bite(), question.air());
        List<Lag> out = new ArrayList<>();
        Map<String, Column> columns = FilmCheck.columns(question);
        for (Act act : question.acts()) {
            Set<Layer> beneath = new LinkedHashSet<>();
            for (String z : act.zones()) {
                Optional.ofNullable(columns.get(z)).ifPresent(c -> beneath.addAll(c.live()));
            }
            List<Layer> targets = act.technique().keepsWindow() ? targets(columns, act) : List.of();
            for (Layer layer : beneath) {
                String coat = layer.material().name();
                if (targets.contains(layer) && layer.material().window().isPresent()) {
                    WorkWindow w = ActJudge.windowOf(layer, question.air());
                    out.add(
                            new Lag(
                                    layer.actId(),
                                    act.id(),
                                    (long) Math.ceil(w.fromMinutes()),
                                    OptionalLong.of((long) Math.floor(w.untilMinutes())),
                                    "window of the " + coat));
                    continue;
                }
                long wait =
                        shortest(
                                a ->
                                        weight(
                                                judge,
                                                columns,
                                                act,
                                                l ->
                                                        (double)
                                                                (l.equals(layer)
                                                                        ? a
                                                                        : HORIZON_MINUTES)));
                if (wait > 0) {
                    out.add(
                            new Lag(
                                    layer.actId(),
                                    act.id(),
                                    wait,
                                    OptionalLong.empty(),
                                    coat + " dries"));
                }
            }
            FilmCheck.lay(act, columns, question.air());
        }
        return List.copyOf(out);
    }

    private static List<Layer> targets(Map<String, Column> columns, Act act) {
        List<Layer> out = new ArrayList<>();
        act.technique()
                .actsOn()
                .ifPresent(
                        key -> {
                            for (String z : act.zones()) {
                                Optional.ofNullable(columns.get(z))
                                        .flatMap(c -> c.laidBy(key))
                                        .ifPresent(out::add);
                            }
                        });
        return out;
    }

    private interface Weight {
        int afterMinutes(long minutes);
    }

    private static long shortest(Weight weight) {
        int best = weight.afterMinutes(HORIZON_MINUTES);
        if (weight.afterMinutes(0) <= best) {
            return 0;
        }
        long bad = 0;
        long good = HORIZON_MINUTES;
        while (good - bad > 1) {
            long mid = (bad + good) >>> 1;
            if (weight.afterMinutes(mid) <= best) {
                good = mid;
            } else {
                bad = mid;
            }
        }
        return good;
    }

    private static int weight(
            ActJudge judge, Map<String, Column> columns, Act act, ToDoubleFunction<Layer> ageOf) {
        int sum = 0;
        for (String z : act.zones()) {
            Column c = columns.get(z);
            sum += c == null ? 0 : judge.healable(act, c, ageOf);
        }
        return sum;
    }

    private static Map<String, Column> laid(FilmCase question, int count) {
        Map<String, Column> columns = FilmCheck.columns(question);
        question.acts().subList(0, count).forEach(a -> FilmCheck.lay(a, columns, question.air()));
        return columns;
    }
}
