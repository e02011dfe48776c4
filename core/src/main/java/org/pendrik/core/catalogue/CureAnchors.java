package org.pendrik.core.catalogue;

import java.time.Duration;

/** When a normal coat at 21 °C and 50 % relative humidity reaches its states. */
public final class CureAnchors {
    /** Cure fraction at which a coat is touch dry. */
    public static final double Q_TOUCH = 0.30;

    static final double Q_HANDLE = 0.50;

    /** Cure fraction at which the next coat may follow. */
    public static final double Q_RECOAT = 0.70;

    static final double Q_FULL = 0.98;

    private final double touchMinutes;
    private final double handleMinutes;
    private final double recoatMinutes;
    private final double fullMinutes;

    // the curve is asked for thousands of times in a search: the logarithms are taken once
    private final double touchLog;
    private final double handleLog;
    private final double recoatLog;
    private final double fullLog;

    /**
     * Minutes from the end of the coat, each more than the one before.
     *
     * @param touchMinutes dry to a light touch
     * @param handleMinutes may be handled
     * @param recoatMinutes takes the next coat
     * @param fullMinutes fully cured, less than ten years
     */
    public CureAnchors(
            double touchMinutes, double handleMinutes, double recoatMinutes, double fullMinutes) {
        if (!(touchMinutes > 0
                && handleMinutes > touchMinutes
                && recoatMinutes > handleMinutes
                && fullMinutes > recoatMinutes
                && fullMinutes < Duration.ofDays(3650).toMinutes())) {
            throw new IllegalArgumentException(
                    "drying times must grow from touch over handle and recoat to full: "
                            + touchMinutes
                            + ", "
                            + handleMinutes
                            + ", "
                            + recoatMinutes
                            + ", "
                            + fullMinutes);
        }
        this.touchMinutes = touchMinutes;
        this.handleMinutes = handleMinutes;
        this.recoatMinutes = recoatMinutes;
        this.fullMinutes = fullMinutes;
        touchLog = log(touchMinutes);
        handleLog = log(handleMinutes);
        recoatLog = log(recoatMinutes);
        fullLog = log(fullMinutes);
    }

    /** Dry to a light touch. */
    public double touchMinutes() {
        return touchMinutes;
    }

    /** May be handled. */
    public double handleMinutes() {
        return handleMinutes;
    }

    /** Takes the next coat. */
    public double recoatMinutes() {
        return recoatMinutes;
    }

    /** Fully cured. */
    public double fullMinutes() {
        return fullMinutes;
    }

    /**
     * Cure fraction after a time at reference conditions: 0 at 0, the anchors' values at the
     * anchors, linear in log(1 + t) between them, and tending to 1 beyond the last as 1 / (1 + t).
     * Monotone and continuous.
     *
     * @param minutes not negative
     */
    public double fraction(double minutes) {
        if (minutes <= 0) {
            return 0;
        }
        if (minutes > fullMinutes) {
            return 1 - (1 - Q_FULL) * (1 + fullMinutes) / (1 + minutes);
        }
        double x = log(minutes);
        if (minutes <= touchMinutes) {
            return Q_TOUCH * x / touchLog;
        }
        if (minutes <= handleMinutes) {
            return between(x, touchLog, handleLog, Q_TOUCH, Q_HANDLE);
        }
        if (minutes <= recoatMinutes) {
            return between(x, handleLog, recoatLog, Q_HANDLE, Q_RECOAT);
        }
        return between(x, recoatLog, fullLog, Q_RECOAT, Q_FULL);
    }

    /**
     * Minutes at reference conditions until a cure fraction is reached: the inverse of {@link
     * #fraction}.
     *
     * @param q from 0 to below 1
     */
    public double minutesTo(double q) {
        if (!(q >= 0 && q < 1)) {
            throw new IllegalArgumentException("cure fraction must be from 0 to below 1: " + q);
        }
        double x;
        if (q <= Q_TOUCH) {
            x = touchLog * q / Q_TOUCH;
        } else if (q <= Q_HANDLE) {
            x = between(q, Q_TOUCH, Q_HANDLE, touchLog, handleLog);
        } else if (q <= Q_RECOAT) {
            x = between(q, Q_HANDLE, Q_RECOAT, handleLog, recoatLog);
        } else if (q <= Q_FULL) {
            x = between(q, Q_RECOAT, Q_FULL, recoatLog, fullLog);
        } else {
            x = fullLog - Math.log((1 - q) / (1 - Q_FULL));
        }
        return Math.expm1(x);
    }

    /** Of 1 + t, as it is written: times count in minutes, and the plain logarithm is quicker. */
    private static double log(double minutes) {
        return Math.log(1 + minutes);
    }

    private static double between(double x, double from, double to, double low, double high) {
        return low + (high - low) * (x - from) / (to - from);
    }
}
