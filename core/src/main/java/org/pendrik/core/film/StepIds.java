package org.pendrik.core.film;

import java.util.Collection;
import java.util.HashSet;
import java.util.Set;
import java.util.stream.Stream;
import org.pendrik.core.catalogue.Technique;

/**
 * Gives ids to the steps of one case, each only once. The same questions in the same order give the
 * same ids, so that a plan made anew has the ids that pins and recipes know; only this class knows
 * what they are made of, and nobody takes them apart.
 */
public final class StepIds {
    private static final int ROOM_FOR_NUMBER = 12;

    private final Set<StepId> taken;

    private StepIds(Set<StepId> taken) {
        this.taken = taken;
    }

    /** For a case in which nothing stands yet. */
    public static StepIds fresh() {
        return new StepIds(new HashSet<>());
    }

    /** For a case in which these stand. */
    public static StepIds besides(Collection<Act> acts) {
        return besides(acts.stream().map(Act::id));
    }

    /** For a case in which steps of these ids stand. */
    public static StepIds besides(Stream<StepId> ids) {
        StepIds out = fresh();
        ids.forEach(out.taken::add);
        return out;
    }

    /** The same ids taken, to go on from here without changing these. */
    public StepIds copy() {
        return new StepIds(new HashSet<>(taken));
    }

    /** A step that makes an effect by a technique. */
    public StepId ofEffect(String effectId, Technique technique) {
        return free(effectId + ":" + technique.key());
    }

    /** A step that stands there for another one. */
    public StepId ofStep(StepId step, Technique technique) {
        return free(step.value() + "+" + technique.key());
    }

    /** A step that is there for itself. */
    public StepId ofItself(Technique technique) {
        return free(technique.key());
    }

    /** A step that takes a coat back. */
    public StepId takingBack(StepId coat) {
        return free("back:" + coat.value());
    }

    /** The id itself while it is free, else one like it. */
    public StepId keeping(StepId id) {
        return free(id.value());
    }

    private StepId free(String wanted) {
        int most = StepId.LONGEST - ROOM_FOR_NUMBER;
        String base =
                wanted.length() <= most
                        ? wanted
                        : wanted.substring(0, most - ROOM_FOR_NUMBER)
                                + Integer.toHexString(wanted.hashCode());
        StepId id = new StepId(base);
        for (int n = 2; !taken.add(id); n++) {
            id = new StepId(base + "-again" + (n == 2 ? "" : n));
        }
        return id;
    }
}
