package org.pendrik.app.makeup;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.film.TakeBack;

/**
 * What takes a coat back, best first.
 *
 * @param ways that do; empty when nothing does
 * @param mustNotTouch what lies beneath and stays
 * @param nearest of the ways that fail, the one that fails by least
 * @param instead what helps when nothing takes it back
 */
public record TakeBackView(
        List<WayView> ways, List<String> mustNotTouch, List<String> nearest, String instead) {
    /** As many ways as anybody reads. */
    private static final int MOST = 8;

    /**
     * One way.
     *
     * @param now it can be done at once
     * @param from from when on it can be done
     * @param until until when; null when it does for as long as anybody waits
     * @param margin how far from too little or too much, 0 to 1
     * @param atHand a bottle of it stands on the shelf, or it is water
     * @param takesWithIt coats above that come off or soften with it
     */
    public record WayView(
            String technique,
            String name,
            String material,
            String materialName,
            boolean now,
            Instant from,
            @Nullable Instant until,
            double margin,
            boolean atHand,
            List<String> takesWithIt,
            String stroke,
            String caution) {}

    static TakeBackView of(TakeBack.Answer a, long nowMinute) {
        return new TakeBackView(
                a.ways().stream().limit(MOST).map(w -> way(w, nowMinute)).toList(),
                a.mustNotTouch(),
                a.nearest(),
                a.instead());
    }

    private static WayView way(TakeBack.Way w, long nowMinute) {
        return new WayView(
                w.act().technique().key(),
                w.act().technique().name(),
                w.act().material().key(),
                w.act().material().name(),
                w.fromMinute() <= nowMinute,
                Instant.ofEpochSecond(w.fromMinute() * 60),
                w.untilMinute().isPresent()
                        ? Instant.ofEpochSecond(w.untilMinute().getAsLong() * 60)
                        : null,
                w.margin(),
                w.atHand(),
                w.takesWithIt(),
                w.act().technique().texts().stroke(),
                w.act().material().safety().text());
    }
}
