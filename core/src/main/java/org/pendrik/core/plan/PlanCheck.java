package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.List;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.FilmReport;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Timing;

/**
 * Judges any list of steps, however it came about: settles its times and asks the film engine and
 * the pins.
 */
public final class PlanCheck {
    private final FilmCheck check;
    private final Timing timing;

    public PlanCheck(Catalogue catalogue) {
        this.check = new FilmCheck(catalogue);
        this.timing = new Timing(catalogue);
    }

    /**
     * The judgement of a plan.
     *
     * @param timed all acts, those still to do as early as the coats allow
     * @param film what the film engine says
     * @param brokenPins pins that the order does not keep
     */
    public record Judgement(FilmCase timed, FilmReport film, List<Pin> brokenPins) {}

    /**
     * Judges a plan.
     *
     * @param plan done acts first, then those still to do in their order; their times are not
     *     looked at
     * @param fromMinute nothing that is still to do begins before
     */
    public Judgement check(FilmCase plan, List<Pin> pins, long fromMinute) {
        List<Act> acts = new ArrayList<>();
        int firstOpen = 0;
        for (Act a : plan.acts()) {
            if (a.done()) {
                acts.add(a);
                firstOpen = acts.size();
            } else {
                acts.add(
                        a.at(
                                Math.max(
                                        fromMinute,
                                        acts.isEmpty() ? fromMinute : acts.getLast().atMinute())));
            }
        }
        FilmCase timed = timing.settle(plan.with(acts), firstOpen, true);
        List<StepId> order = timed.acts().stream().map(Act::id).toList();
        List<Pin> broken =
                pins.stream()
                        .filter(
                                p ->
                                        order.contains(p.firstId())
                                                && order.contains(p.thenId())
                                                && order.indexOf(p.firstId())
                                                        > order.indexOf(p.thenId()))
                        .toList();
        return new Judgement(timed, check.check(timed), broken);
    }
}
