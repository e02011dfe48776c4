package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.WorkWindow;

/**
 * Answers: how long must each act wait for the coats beneath it, and until when can it be done?
 *
 * <p>What waiting heals gets better with age and never worse, so the shortest wait that leaves
 * nothing for time to heal is found by bisection over whole minutes. Cost O(log horizon) judgements
 * for an act.
 */
public final class Timing {
    private final Catalogue catalogue;

    public Timing(Catalogue catalogue) {
        this.catalogue = catalogue;
    }

    /**
     * A span in which a coat that lies, or will lie, can be worked.
     *
     * @param coatActId the act that lays it; where several are worked together the last of them
     * @param workActId the act that works it
     * @param coat its name
     * @param opensMinute the first minute in which the work can begin
     * @param closesMinute the last minute in which it must be over
     * @param lastStartMinute the last minute in which it can begin, in the minutes that it takes;
     *     before {@code opensMinute} when there is no such span
     */
    public record WorkSpan(
            StepId coatActId,
            StepId workActId,
            String coat,
            long opensMinute,
            long closesMinute,
            long lastStartMinute) {}

    /**
     * When a coat can be worked on one zone.
     *
     * @param opensMinute the first minute
     * @param closesMinute the last minute in which the work must be over
     */
    public record ZoneWindow(long opensMinute, long closesMinute) {}

    /**
     * By zone, when an act can work what has been laid; a zone without such a window is left out.
     */
    public Map<String, ZoneWindow> zoneWindows(FilmCase laid, Act work) {
        return Ledger.of(laid, catalogue).zoneWindows(work);
    }

    /** Coats that lie open in a minute, so that more can be blended into them, topmost last. */
    public List<Act> open(FilmCase laid, long minute) {
        Ledger lies = Ledger.of(laid, catalogue);
        List<Act> out = new ArrayList<>();
        for (Act a : laid.acts()) {
            boolean blends = !a.technique().blends().isEmpty() && a.laysFilm();
            if (blends && a.zones().stream().anyMatch(z -> lies.isOpen(z, a.id(), minute))) {
                out.add(a);
            }
        }
        return List.copyOf(out);
    }

    /**
     * The earliest minute, not before the one given, from which waiting longer would help no more.
     *
     * @param before the case up to this act
     */
    public long earliest(FilmCase before, Act act, long notBefore) {
        return Ledger.of(before, catalogue).earliest(act, notBefore);
    }

    /**
     * The acts placed one after the other as early as the coats allow, without regard to anyone's
     * evenings. A coat with a window is held back until the work in its window can be done.
     *
     * @param keep whether an act that is still to do may stay later than it has to
     * @param from index of the first act that may move; acts that are done never move
     */
    public FilmCase settle(FilmCase question, int from, boolean keep) {
        List<Act> acts = question.acts();
        int fixed = from;
        while (fixed < acts.size() && acts.get(fixed).done()) {
            fixed++;
        }
        FilmCase laid = question.with(acts.subList(0, Math.min(fixed, acts.size())));
        long clock =
                laid.acts().stream()
                        .mapToLong(Act::freeMinute)
                        .max()
                        .orElse(acts.isEmpty() ? 0 : acts.getFirst().atMinute());
        List<Act> out = new ArrayList<>(laid.acts());
        out.addAll(
                Placing.of(
                                Ledger.of(laid, catalogue),
                                acts.subList(Math.min(fixed, acts.size()), acts.size()),
                                clock,
                                keep)
                        .acts());
        return question.with(out);
    }

    /** The spans of all acts that have to keep one, whatever their own times are. */
    public List<WorkSpan> spans(FilmCase question) {
        List<WorkSpan> out = new ArrayList<>();
        Ledger ledger = Ledger.of(question.with(List.of()), catalogue);
        for (Act act : question.acts()) {
            ledger.span(act).ifPresent(out::add);
            ledger = ledger.and(act);
        }
        return List.copyOf(out);
    }

    /**
     * The acts with rounds where laying a coat and working it in its window do not fit in one go;
     * times stay as they are, and what is done stays as it was.
     */
    public FilmCase inRounds(FilmCase question) {
        List<Act> out = new ArrayList<>();
        Ledger before = Ledger.of(question.with(List.of()), catalogue);
        Ledger ledger = before;
        for (Act act : question.acts()) {
            Act next = act.done() ? act : act.inRounds(act.rounds().inOneGo());
            Optional<Rounds.Pair> pair =
                    out.isEmpty() ? Optional.empty() : ledger.rounds(out.getLast(), next);
            if (pair.isPresent()) {
                Act coat = out.removeLast().inRounds(pair.get().coat());
                out.add(coat);
                ledger = before.and(coat);
                next = next.inRounds(pair.get().work());
            }
            out.add(next);
            before = ledger;
            ledger = ledger.and(next);
        }
        return question.with(out);
    }

    /**
     * The lags that the coats demand between the acts of a case, whatever their times. Coats that
     * may run into each other are taken as one, which dries longer.
     */
    public List<Lag> lags(FilmCase question) {
        Map<List<StepId>, Lag> out = new LinkedHashMap<>();
        Map<StepId, Act> acts = new HashMap<>();
        Ledger ledger = Ledger.of(question.with(List.of()), catalogue);
        long clock = 0;
        @Nullable Act last = null;
        for (Act given : question.acts()) {
            Act act = given.done() ? given : given.at(clock);
            clock = act.freeMinute();
            if (last != null && last.errand().restMinutes() > 0) {
                Lag rest =
                        new Lag(
                                last.id(),
                                act.id(),
                                last.errand().restMinutes(),
                                OptionalLong.empty(),
                                "you wait after " + last.name());
                out.put(List.of(rest.fromActId(), rest.toActId()), rest);
            }
            last = act;
            for (String z : act.zones()) {
                Map<StepId, WorkWindow> windows = ledger.windows(act, z);
                List<Layer> column = ledger.on(z).live();
                for (int i = 0; i < column.size(); i++) {
                    Layer layer = column.get(i);
                    // what has run into one coat dries from its youngest part on
                    int youngest = i;
                    while (youngest + 1 < column.size() && column.get(youngest + 1).fused()) {
                        youngest++;
                    }
                    Act coat = acts.get(column.get(youngest).actId());
                    if (coat == null) {
                        continue;
                    }
                    lag(ledger, act, z, layer, coat, windows.get(layer.actId()))
                            .ifPresent(
                                    l ->
                                            out.merge(
                                                    List.of(l.fromActId(), l.toActId()),
                                                    l,
                                                    Timing::both));
                }
            }
            acts.put(act.id(), act);
            ledger = ledger.and(act);
        }
        return List.copyOf(out.values());
    }

    /**
     * What a coat demands on one zone, counted from the end of its act to the begin of the other.
     */
    private static Optional<Lag> lag(
            Ledger ledger,
            Act act,
            String zone,
            Layer layer,
            Act coat,
            @Nullable WorkWindow window) {
        // the coat lay there before its act was over, and the other act comes there later
        long lead = coat.endOn(zone) - coat.endMinute();
        String name = layer.material().name();
        if (window != null) {
            long min = (long) Math.ceil(window.fromMinutes() - 1e-9) + lead - act.lead(zone);
            long max =
                    (long) Math.floor(window.untilMinutes() + 1e-9) + lead - act.span(zone).until();
            return Optional.of(
                    new Lag(
                            coat.id(),
                            act.id(),
                            Math.max(0, min),
                            OptionalLong.of(Math.max(Math.max(0, min), max)),
                            "window of the " + name));
        }
        long wait = ledger.waitFor(layer, act, zone) + lead - act.lead(zone);
        return wait <= 0
                ? Optional.empty()
                : Optional.of(
                        new Lag(coat.id(), act.id(), wait, OptionalLong.empty(), name + " dries"));
    }

    private static Lag both(Lag a, Lag b) {
        long min = Math.max(a.minMinutes(), b.minMinutes());
        OptionalLong max = a.maxMinutes();
        if (b.maxMinutes().isPresent()) {
            long most = Math.min(b.maxMinutes().getAsLong(), max.orElse(Long.MAX_VALUE));
            max = OptionalLong.of(Math.max(min, most));
        }
        return new Lag(
                a.fromActId(),
                a.toActId(),
                min,
                max,
                a.minMinutes() >= b.minMinutes() ? a.why() : b.why());
    }
}
