package org.pendrik.core.measure;

import java.util.Optional;
import org.pendrik.core.photo.Flattening;
import org.pendrik.core.photo.Region;

/**
 * What a photograph can resolve on a side, and what is worth resolving.
 *
 * @param geometry where the side lies in the photograph
 * @param sight how the model will be looked at
 */
public record Resolution(Flattening geometry, Sight sight) {
    /** A mark has to be this many photograph pixels across to be counted, and to be traced. */
    private static final double PX_TO_COUNT = 2;

    private static final double PX_TO_TRACE = 1;

    /** A question about marks. */
    enum Question {
        SPOTS("Spots", PX_TO_COUNT),
        STREAKS("Streaks", PX_TO_TRACE),
        EDGES("Worn edges", PX_TO_TRACE);

        private final String label;
        private final double px;

        Question(String label, double px) {
            this.label = label;
            this.px = px;
        }
    }

    /** Why the photograph is too small for a question in a region; empty when it is not. */
    <T> Optional<Answer<T>> tooSmallFor(Question q, Region r) {
        double x = r.xMm() + r.widthMm() / 2;
        double y = r.yMm() + r.heightMm() / 2;
        double has = geometry.pxPerMm(x, y);
        double needs = q.px / sight.smallestPrototypeMm();
        if (has >= needs) {
            return Optional.empty();
        }
        long length = Math.round(geometry.length().mm() * needs);
        long is = Math.round(geometry.length().mm() * has);
        return Optional.of(
                new Answer.CannotTell<>(
                        q.label
                                + " in "
                                + r.name()
                                + " need "
                                + Math.round(q.px)
                                + (q.px == 1 ? " pixel" : " pixels")
                                + " across the smallest visible mark of "
                                + Math.round(sight.smallestPrototypeMm())
                                + " mm; the photograph has "
                                + (Math.round(10 * has * sight.smallestPrototypeMm()) / 10.0)
                                + ".",
                        "Take one in which the side is at least "
                                + length
                                + " px long; here it is "
                                + is
                                + "."));
    }
}
