package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Set;

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
     * @param opensMinute the first minute of the span
     * @param closesMinute the last; before the first when there is no such span
     */
    public record WorkSpan(
            StepId coatActId, StepId workActId, String coat, long opensMinute, long closesMinute) {}

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
                        .mapToLong(Act::endMinute)
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
            if (act.technique().keepsWindow()) {
                ledger.span(act).ifPresent(out::add);
            }
            ledger = ledger.and(act);
        }
        return List.copyOf(out);
    }

    /** The lags that the coats demand between the acts of a case, whatever their times. */
    public List<Lag> lags(FilmCase question) {
        List<Lag> out = new ArrayList<>();
        Ledger ledger = Ledger.of(question.with(List.of()), catalogue);
        for (Act act : question.acts()) {
            Set<Layer> beneath = new LinkedHashSet<>();
            for (String z : act.zones()) {
                beneath.addAll(ledger.on(z).live());
            }
            Map<StepId, WorkWindow> windows = ledger.windows(act);
            for (Layer layer : beneath) {
                String coat = layer.material().name();
                WorkWindow w = windows.get(layer.actId());
                if (w != null) {
                    out.add(
                            new Lag(
                                    layer.actId(),
                                    act.id(),
                                    (long) Math.ceil(w.fromMinutes()),
                                    OptionalLong.of((long) Math.floor(w.untilMinutes())),
                                    "window of the " + coat));
                    continue;
                }
                long wait = ledger.waitFor(layer, act);
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
            ledger = ledger.and(act);
        }
        return List.copyOf(out);
    }
}
