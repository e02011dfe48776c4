package org.pendrik.core.measure;

import java.util.Optional;
import org.pendrik.core.photo.Flattening;
import org.pendrik.core.photo.Region;

/**
 * Where the marks of a class lie in a region: the middle of all of them, and how far they lie about
 * it. Marks of fewer than 6 pixels are left out, so that grain all over the region does not draw
 * the middle to its own.
 *
 * @param alongMm the middle from the region's left end, prototype mm
 * @param upMm the middle above its lower edge
 * @param spreadMm root mean square distance of the marks' area from the middle
 * @param acrossMm diameter of a round mark as large as most of the area is in: Σ area² / Σ area
 * @param marks how many equally large marks would scatter as much: (Σ area)² / Σ area²
 * @param sdMm one standard deviation of the middle, each way: where places lie in the photograph,
 *     half a pixel, and marks too faint to be seen
 */
public record MarkPlace(
        double alongMm, double upMm, double spreadMm, double acrossMm, double marks, double sdMm) {
    /** Share of the marks' area that may be missed, or be something else. */
    private static final double MISSED = 0.05;

    /** The place of the marks; empty when none is large enough. */
    static Optional<MarkPlace> of(Marks m, Region r, Flattening geometry) {
        int w = m.box().width();
        double[] mass = new double[m.count() + 1];
        int[] size = new int[m.count() + 1];
        double[] x = new double[m.count() + 1];
        double[] y = new double[m.count() + 1];
        double[] square = new double[m.count() + 1];
        for (int i = 0; i < m.part().length; i++) {
            int n = m.number()[i];
            if (n == 0) {
                continue;
            }
            double u = Math.floorMod(i, w) + 0.5;
            double v = Math.floorDiv(i, w) + 0.5;
            double p = m.part()[i];
            size[n]++;
            mass[n] += p;
            x[n] += p * u;
            y[n] += p * v;
            square[n] += p * (u * u + v * v);
        }
        double all = 0;
        double masses = 0;
        double sx = 0;
        double sy = 0;
        double squares = 0;
        for (int n = 1; n <= m.count(); n++) {
            if (size[n] >= Marks.FEWEST_PX) {
                all += mass[n];
                masses += mass[n] * mass[n];
                sx += x[n];
                sy += y[n];
                squares += square[n];
            }
        }
        if (all == 0) {
            return Optional.empty();
        }
        double mx = sx / all;
        double my = sy / all;
        double mm = 1 / m.pxPerMm();
        double spread = mm * Math.sqrt(Math.max(0, squares / all - mx * mx - my * my));
        double onSideX = (m.box().left() + mx) * mm;
        double onSideY = (m.box().top() + my) * mm;
        double place = geometry.placeSdMm(onSideX, onSideY);
        return Optional.of(
                new MarkPlace(
                        onSideX - r.xMm(),
                        r.yMm() + r.heightMm() - onSideY,
                        spread,
                        2 * mm * Math.sqrt(masses / all / Math.PI),
                        all * all / masses,
                        Math.hypot(Math.hypot(place, mm / 2), MISSED * spread)));
    }

    /**
     * How far the middle may be off another one's without being seen, when the marks are as many as
     * a scatter: two scatters over the same place lie that far from each other by chance (2
     * standard deviations of the difference of two means). A few marks are looked at one by one.
     */
    double byChanceMm() {
        return marks < FEWEST_OF_A_SCATTER
                ? spreadMm * SEEN_OF_ITSELF
                : 2 * spreadMm * Math.sqrt(1 / marks);
    }

    /** The same of the spread. */
    double spreadByChanceMm() {
        return marks < FEWEST_OF_A_SCATTER ? 0 : 2 * spreadMm / Math.sqrt(marks);
    }

    private static final double FEWEST_OF_A_SCATTER = 4;

    /** A mark that moved by this share of its own spread still lies where it lay. */
    private static final double SEEN_OF_ITSELF = 0.5;
}
