package org.pendrik.core.film;

import java.util.List;
import java.util.function.ToDoubleFunction;
import org.pendrik.core.catalogue.BiteTable;
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.CureAnchors;
import org.pendrik.core.catalogue.Must;
import org.pendrik.core.catalogue.WorkWindow;
import org.pendrik.core.catalogue.Works;
import org.pendrik.core.units.Climate;

/**
 * When an act can work the coats that it means on one zone: the one answer from which the check,
 * the clock at the bench, the diary and the plan take theirs.
 *
 * @param targets what it means there, topmost first, at least one
 */
record Workable(Act act, Column column, List<Layer> targets, BiteTable bites, Climate air) {
    /** What stands in the way at some ages of the coats. */
    enum State {
        /** The top coat that comes off with the rest is not touch dry. */
        SMEARS,
        /** The window of a coat has not opened. */
        EARLY,
        OPEN,
        /** The carrier does less than what must happen. */
        STUCK,
        /** The window of a coat has closed: it still gives way, but is hard to shift. */
        LATE
    }

    private boolean together() {
        Layer top = targets.getFirst();
        return act.must() == Must.LIFTED
                && column.coats(targets) > 1
                && !targets.stream().allMatch(l -> l.liesBeside(top.binder(), top.madeFor()));
    }

    /** What is laid into a coat need not wait until that can be wiped. */
    private boolean waitsToOpen() {
        return act.window() == Works.Window.MATERIAL && act.must() != Must.NOTHING;
    }

    /** The state at these ages: it goes from early over open to stuck or late and never back. */
    State at(ToDoubleFunction<Layer> ageOf) {
        State open = opened(ageOf);
        return open == State.OPEN ? closed(ageOf) : open;
    }

    State opened(ToDoubleFunction<Layer> ageOf) {
        Layer top = targets.getFirst();
        if (together() && top.cureAfter(ageOf.applyAsDouble(top)) < CureAnchors.Q_TOUCH) {
            return State.SMEARS;
        }
        if (waitsToOpen()) {
            for (Layer l : targets) {
                if (hasWindow(l) && ageOf.applyAsDouble(l) < windowOf(l, air).fromMinutes()) {
                    return State.EARLY;
                }
            }
        }
        return State.OPEN;
    }

    State closed(ToDoubleFunction<Layer> ageOf) {
        if (stuck(ageOf) != null) {
            return State.STUCK;
        }
        if (act.window() == Works.Window.MATERIAL) {
            for (Layer l : targets) {
                if (hasWindow(l) && ageOf.applyAsDouble(l) > windowOf(l, air).untilMinutes()) {
                    return State.LATE;
                }
            }
        }
        return State.OPEN;
    }

    /**
     * The first coat, of those that have to give way, that does not; null when all do. What is
     * drawn down through several gives way with the topmost; what lifts or comes off, with the
     * deepest.
     */
    @org.jspecify.annotations.Nullable
    Layer stuck(ToDoubleFunction<Layer> ageOf) {
        if (act.must() == Must.NOTHING) {
            return null;
        }
        if (act.carrier() instanceof Carrier.Dry) {
            Layer deepest = targets.getLast();
            return givesWayDry(deepest, ageOf) ? null : deepest;
        }
        Reach reach = Reach.into(act, column, targets, bites, ageOf);
        for (Layer l : needed()) {
            if (!reach.does(column.live().indexOf(l), act.must())) {
                return l;
            }
        }
        return null;
    }

    private List<Layer> needed() {
        if (act.technique().works().meansWhatever()) {
            return targets;
        }
        return List.of(act.must() == Must.MOVED ? targets.getFirst() : targets.getLast());
    }

    /**
     * A dry swab moves powder, what is not touch dry, and what has a window: in it, and with effort
     * until the coat takes the next one.
     */
    private boolean givesWayDry(Layer l, ToDoubleFunction<Layer> ageOf) {
        double age = ageOf.applyAsDouble(l);
        double q = l.cureAfter(age);
        return l.isLoose()
                || q < CureAnchors.Q_TOUCH
                || (act.window() == Works.Window.MATERIAL
                        && hasWindow(l)
                        && (q < CureAnchors.Q_RECOAT || age <= windowOf(l, air).untilMinutes()));
    }

    /** The least age of a coat at which it is open as far as itself goes, in minutes. */
    double opensAtAge(Layer l) {
        double from = 0;
        if (together() && l.equals(targets.getFirst()) && l.material().cure().isPresent()) {
            from = l.material().cure().get().touchMinutes() * l.slowing();
        }
        if (waitsToOpen() && hasWindow(l)) {
            from = Math.max(from, windowOf(l, air).fromMinutes());
        }
        return from;
    }

    static boolean hasWindow(Layer l) {
        return l.material().window().isPresent();
    }

    /** The work window of a coat in this air; thickness does not move it, the bench's pace does. */
    static WorkWindow windowOf(Layer coat, Climate air) {
        WorkWindow w = coat.material().window().orElseThrow();
        double slow = CureClock.slowing(coat.binder(), air) * coat.material().pace();
        return new WorkWindow(w.fromMinutes() * slow, w.untilMinutes() * slow);
    }
}
