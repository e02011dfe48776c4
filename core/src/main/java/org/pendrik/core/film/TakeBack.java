package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.OptionalLong;
import java.util.Set;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Words;

/**
 * Answers: given what really lies on a zone and how old it is, what takes this coat off or thins
 * it, until when, and what would it touch?
 *
 * <p>Every liquid of the catalogue is tried with every way of taking back. One does when the coat
 * is broken (softened, to thin it) on all zones asked and every coat beneath, the lettering and the
 * substrate stay untouched. What lies above the coat comes off with it and is named. With age a
 * carrier bites any coat less: the coat asked for becomes harder to move, what lies beneath becomes
 * safer; so the minutes in which a way does are one span, and its ends are found by bisection.
 *
 * <p>Guarantee: the film check finds neither stop nor warning against an offered way in any minute
 * of its span. Ranked by what can be done now, by what is at hand, then by margin. Cost O(liquids ×
 * actions × log horizon × zones × coats).
 */
public final class TakeBack {
    private static final List<String> WAYS =
            List.of("take-back-brush", "take-back-wipe", "take-back-soak", "take-back-scrub");

    /** Further ahead nobody plans to take a coat back. */
    private static final long HORIZON_MINUTES = 60L * 1440;

    private final Catalogue catalogue;

    public TakeBack(Catalogue catalogue) {
        this.catalogue = catalogue;
    }

    /**
     * What is asked.
     *
     * @param laid what lies, with the times at which it was laid
     * @param actId the act whose coat is too much
     * @param zones where; must have that coat
     * @param share how much of it shall go, 1 for all
     * @param nowMinute the present, not before the last act
     * @param atHand keys of the liquids that stand on the shelf
     */
    public record Question(
            FilmCase laid,
            StepId actId,
            Set<String> zones,
            double share,
            long nowMinute,
            Set<String> atHand) {
        public Question {
            zones = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(zones));
            atHand = Set.copyOf(atHand);
        }
    }

    /**
     * A way that does.
     *
     * @param act what to do, in its first possible minute
     * @param fromMinute the first minute in which it does, not before the present
     * @param untilMinute the last; empty when it does for as long as anyone would wait
     * @param margin how far from doing too little or too much, in bite times exposure, above 0
     * @param atHand the liquid stands on the shelf
     * @param takesWithIt names of the coats above that come off or soften with it
     */
    public record Way(
            Act act,
            long fromMinute,
            OptionalLong untilMinute,
            double margin,
            boolean atHand,
            List<String> takesWithIt) {
        public Way {
            takesWithIt = List.copyOf(takesWithIt);
        }
    }

    /**
     * The answer.
     *
     * @param ways that do, best first; empty when the coat cannot be taken back any more
     * @param mustNotTouch what lies beneath and has to stay
     * @param nearest of the ways that fail, the one that fails by least, said in a sentence; empty
     *     when one does
     * @param instead what helps when nothing takes it back
     */
    public record Answer(
            List<Way> ways, List<String> mustNotTouch, List<String> nearest, String instead) {
        public Answer {
            ways = List.copyOf(ways);
            mustNotTouch = List.copyOf(mustNotTouch);
            nearest = List.copyOf(nearest);
        }
    }

    private record Hit(double margin, boolean targetMoves, boolean restSafe, String worst) {}

    /** Answers a question. */
    public Answer answer(Question q) {
        Act laid =
                q.laid().acts().stream()
                        .filter(a -> a.id().equals(q.actId()))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        new InvalidInput(
                                                "Step",
                                                q.actId().value(),
                                                "has left no coat",
                                                "Choose one that is done."));
        q.laid().requireZones(q.zones());
        Ledger ledger = Ledger.of(q.laid(), catalogue);
        List<Column> columns = new ArrayList<>();
        for (String z : q.zones()) {
            Column c = ledger.on(z);
            if (layerOf(c, q.actId()) < 0) {
                throw new InvalidInput(
                        Words.capital(laid.material().name()),
                        "on the " + c.zone().name(),
                        "does not lie there",
                        "Choose zones of that step.");
            }
            columns.add(c);
        }
        if (columns.isEmpty()) {
            throw new InvalidInput(
                    "Zones", "none", "must be at least one", "Choose where it is too much.");
        }
        List<Zone> zones = columns.stream().map(Column::zone).toList();
        List<Way> ways = new ArrayList<>();
        String nearest = "";
        double nearestMargin = Double.NEGATIVE_INFINITY;
        for (String key : WAYS) {
            Technique t = catalogue.technique(key);
            for (String m : t.materials()) {
                Material liquid = catalogue.material(m);
                Act planned =
                        Act.planned(
                                StepIds.besides(q.laid().acts()).takingBack(q.actId()),
                                t,
                                liquid,
                                zones);
                // whoever takes something back begins at once
                Act act =
                        planned.inRounds(Rounds.equalParts(planned.zones(), planned.minutes()))
                                .takingBack(new Act.TakenBack(q.actId(), q.share()));
                way(act, q, columns, ledger, ways);
                Hit now = hit(act, columns, q.nowMinute());
                if (now.margin() > nearestMargin && !now.worst().isEmpty()) {
                    nearestMargin = now.margin();
                    nearest =
                            Words.capital(t.name()) + " with " + liquid.name() + ": " + now.worst();
                }
            }
        }
        ways.sort(
                Comparator.comparing((Way w) -> w.fromMinute() > q.nowMinute())
                        .thenComparing(w -> !w.atHand())
                        .thenComparing(Comparator.comparingDouble(Way::margin).reversed()));
        return new Answer(
                ways,
                beneath(columns, q.actId()),
                ways.isEmpty() ? List.of(nearest) : List.of(),
                instead(laid));
    }

    private void way(Act act, Question q, List<Column> columns, Ledger ledger, List<Way> out) {
        long now = q.nowMinute();
        long last = now + HORIZON_MINUTES;
        // from some minute on what lies beneath is safe, and until some minute the coat moves
        long safe = first(now, last, at -> hit(act, columns, at).restSafe());
        if (safe > last || !hit(act, columns, safe).targetMoves()) {
            return;
        }
        long stuck = first(safe, last, at -> !hit(act, columns, at).targetMoves());
        Act when = act.at(safe);
        // loose matter, half-dry coats above and the like are the check's to say
        if (ledger.against(when).stream().anyMatch(f -> f.severity() != Finding.Severity.NOTE)) {
            return;
        }
        out.add(
                new Way(
                        when,
                        safe,
                        stuck > last ? OptionalLong.empty() : OptionalLong.of(stuck - 1),
                        hit(act, columns, safe).margin(),
                        q.atHand().contains(act.material().key()),
                        above(act, columns, q.actId(), safe)));
    }

    private interface At {
        boolean holds(long minute);
    }

    /** The first minute from which something holds that, once it holds, goes on to hold. */
    private static long first(long from, long last, At what) {
        if (what.holds(from)) {
            return from;
        }
        if (!what.holds(last)) {
            return last + 1;
        }
        long bad = from;
        long good = last;
        while (good - bad > 1) {
            long mid = (bad + good) >>> 1;
            if (what.holds(mid)) {
                good = mid;
            } else {
                bad = mid;
            }
        }
        return good;
    }

    private Hit hit(Act act, List<Column> columns, long minute) {
        double needed = act.must().hit();
        double margin = 1;
        boolean moves = true;
        boolean safe = true;
        String worst = "";
        double worstBy = 0;
        for (Column c : columns) {
            List<Layer> targets = c.targets(act);
            int layer = c.live().indexOf(targets.getLast());
            Reach reach = reach(act, c, minute);
            double on = reach.hit(layer) - needed;
            if (on < worstBy) {
                worstBy = on;
                worst = "it no longer moves the " + c.live().get(layer).material().name() + ".";
            }
            moves &= on >= 0;
            margin = Math.min(margin, on);
            for (Reach.Met m : reach.met()) {
                if (m.layer() < layer) {
                    double spare = Reach.SOFTENS - m.bite() * m.exposure();
                    safe &= m.effect() == Reach.Effect.UNTOUCHED;
                    margin = Math.min(margin, spare);
                    if (spare <= worstBy) {
                        worstBy = spare;
                        worst =
                                "it would "
                                        + (m.effect() == Reach.Effect.BROKEN
                                                ? "dissolve"
                                                : "soften")
                                        + " the "
                                        + m.name()
                                        + " beneath.";
                    }
                }
            }
        }
        return new Hit(margin, moves, safe, worst);
    }

    private Reach reach(Act act, Column c, long minute) {
        return Reach.into(
                act,
                c,
                c.targets(act),
                catalogue.bite(),
                l -> (double) (minute + act.lead(c.zone().key()) - l.laidAt()));
    }

    private static int layerOf(Column c, StepId actId) {
        for (int i = c.live().size() - 1; i >= 0; i--) {
            if (c.live().get(i).actId().equals(actId)) {
                return i;
            }
        }
        return -1;
    }

    private List<String> above(Act act, List<Column> columns, StepId actId, long minute) {
        Set<String> out = new LinkedHashSet<>();
        for (Column c : columns) {
            int layer = layerOf(c, actId);
            for (Reach.Met m : reach(act, c, minute).met()) {
                if (m.layer() > layer && m.effect() != Reach.Effect.UNTOUCHED) {
                    out.add(m.name());
                }
            }
        }
        return List.copyOf(out);
    }

    private static List<String> beneath(List<Column> columns, StepId actId) {
        Set<String> out = new LinkedHashSet<>();
        for (Column c : columns) {
            int layer = layerOf(c, actId);
            for (int i = layer - 1; i >= 0; i--) {
                out.add(c.live().get(i).material().name());
            }
            if (c.lettering()) {
                out.add("factory lettering");
            }
            out.add(c.zone().substrate().label());
        }
        return List.copyOf(out);
    }

    /** A coat that covers much is glazed over as a whole, a mark at its own place. */
    private static String instead(Act laid) {
        return laid.technique().share() > 0.3
                ? "Let it harden, then glaze the colour beneath over all of it in thin mists."
                : "Let it harden, then touch it in with the colour beneath, and mist the panel.";
    }
}
