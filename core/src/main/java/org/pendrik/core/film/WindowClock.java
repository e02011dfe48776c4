package org.pendrik.core.film;

import java.time.Duration;
import java.time.Instant;

/**
 * What a window clock shows at a moment. A pure function of when the coat was laid, so it reads the
 * same after a restart.
 *
 * @param phase where the moment lies
 * @param toNext time to the next change: to the opening before it, to the closing inside it, since
 *     the closing after it
 * @param opensAt when the window opens
 * @param closesAt when it closes
 */
public record WindowClock(Phase phase, Duration toNext, Instant opensAt, Instant closesAt) {
    /** The last part of a window, in which it says that it is closing. */
    private static final double CLOSING_SHARE = 0.25;

    /** Where a moment lies. */
    public enum Phase {
        /** Too early. */
        WAITING,
        /** Work now. */
        OPEN,
        /** Work now, little time is left. */
        CLOSING,
        /** Too late. */
        CLOSED
    }

    /**
     * Reads the clock.
     *
     * @param laidAt when the coat was laid
     * @param from after which the window opens
     * @param until after which it closes, longer than {@code from}
     */
    public static WindowClock read(Instant laidAt, Duration from, Duration until, Instant now) {
        if (until.compareTo(from) <= 0) {
            throw new IllegalArgumentException("a window must open before it closes");
        }
        Instant opens = laidAt.plus(from);
        Instant closes = laidAt.plus(until);
        Instant closing = closes.minusMillis((long) (until.minus(from).toMillis() * CLOSING_SHARE));
        if (now.isBefore(opens)) {
            return new WindowClock(Phase.WAITING, Duration.between(now, opens), opens, closes);
        }
        if (now.isBefore(closes)) {
            Phase p = now.isBefore(closing) ? Phase.OPEN : Phase.CLOSING;
            return new WindowClock(p, Duration.between(now, closes), opens, closes);
        }
        return new WindowClock(Phase.CLOSED, Duration.between(closes, now), opens, closes);
    }
}
