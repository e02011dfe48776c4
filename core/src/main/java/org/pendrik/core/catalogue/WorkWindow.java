package org.pendrik.core.catalogue;

/**
 * The span after laying in which a coat may be worked.
 *
 * @param fromMinutes opens
 * @param untilMinutes closes, after it opens
 */
public record WorkWindow(double fromMinutes, double untilMinutes) {
    public WorkWindow {
        if (!(fromMinutes >= 0 && untilMinutes > fromMinutes)) {
            throw new IllegalArgumentException(
                    "a window must open before it closes: " + fromMinutes + ", " + untilMinutes);
        }
    }
}
