package org.pendrik.core.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.StepId;

/** Steps that are done at one stretch at the bench: nothing of the subject has to dry for hours. */
public final class Sittings {
    /** Who has to wait longer than this between two steps gets up. Workshop prior. */
    static final long GETS_UP_AFTER_MINUTES = 180;

    private Sittings() {}

    /**
     * The number of the sitting of each act, counted from 1.
     *
     * @param acts in their order, with their times
     */
    public static Map<StepId, Integer> of(List<Act> acts) {
        Map<StepId, Integer> out = new LinkedHashMap<>();
        int sitting = 1;
        for (int i = 0; i < acts.size(); i++) {
            if (i > 0) {
                long wait = acts.get(i).atMinute() - acts.get(i - 1).endMinute();
                sitting += wait > GETS_UP_AFTER_MINUTES ? 1 : 0;
            }
            out.put(acts.get(i).id(), sitting);
        }
        return out;
    }
}
