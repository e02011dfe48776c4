package org.pendrik.core.film;

import java.time.Duration;

/**
 * When a normal coat at 21 °C and 50 % relative humidity reaches its states.
 *
 * @param touchMinutes dry to a light touch
 * @param handleMinutes may be handled
 * @param recoatMinutes takes the next coat
 * @param fullMinutes fully cured
 */
public record CureAnchors(
        double touchMinutes, double handleMinutes, double recoatMinutes, double fullMinutes) {
    static final double Q_TOUCH = 0.30;
    static final double Q_HANDLE = 0.50;
    static final double Q_RECOAT = 0.70;
    static final double Q_FULL = 0.98;

    public CureAnchors {
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
        double x = Math.log1p(minutes);
        double touch = Math.log1p(touchMinutes);
        double handle = Math.log1p(handleMinutes);
        double recoat = Math.log1p(recoatMinutes);
        double full = Math.log1p(fullMinutes);
        if (x <= touch) {
            return Q_TOUCH * x / touch;
        }
        if (x <= handle) {
            return between(x, touch, handle, Q_TOUCH, Q_HANDLE);
        }
        if (x <= recoat) {
            return between(x, handle, recoat, Q_HANDLE, Q_RECOAT);
        }
        if (x <= full) {
            return between(x, recoat, full, Q_RECOAT, Q_FULL);
        }
        return 1 - (1 - Q_FULL) * Math.exp(full - x);
    }

    private static double between(double x, double from, double to, double low, double high) {
        return low + (high - low) * (x - from) / (to - from);
    }
}
