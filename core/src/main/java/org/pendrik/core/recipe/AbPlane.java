package org.pendrik.core.recipe;

import java.util.List;
import java.util.function.IntToDoubleFunction;
import org.pendrik.core.colour.Ciede2000;
import org.pendrik.core.colour.Lab;

/**
 * ΔE00 from a target over a* and b*, at the lightness of the target. CIEDE2000 keeps lightness
 * apart, so a colour of any other lightness is that far at least. Grids are kept of the whole plane
 * and, finer, about grey, where hue turns fast.
 */
final class AbPlane {
    /** No surface has an a* or b* beyond this. */
    static final double WIDEST = 150;

    /** Squares of the grid of the whole plane from end to end. */
    static final int COARSE = 100;

    /** Where hue turns from one side to the other, lobes are finer than other grids. */
    static final double GREY = 20;

    /** Squares of the grid about grey from end to end. */
    static final int FINE = 128;

    /** ΔE00 that a step of 1 in a* or b* makes at most: away from grey, and near it. */
    private static final double STEEP = 0.75;

    private static final double STEEPEST = 2.5;

    /** Chroma under which the hue turns fast. */
    private static final double NEAR_GREY = 12;

    /** A gap between near colours counts from this width on. */
    private static final int WIDE = 4;

    final Lab target;
    private double[][] whole = {};
    private double[][] greys = {};

    AbPlane(Lab target) {
        this.target = target;
    }

    double off(double a, double b) {
        return Ciede2000.of(target.l(), target.a(), target.b(), target.l(), a, b);
    }

    /** ΔE00 that a step of 1 in a* or b* makes at most at a place. */
    static double steepest(double a, double b) {
        return Math.hypot(a, b) < NEAR_GREY ? STEEPEST : STEEP;
    }

    /** Over the whole plane, by a* and then b*, at {@link #place}. */
    synchronized double[][] whole() {
        if (whole.length == 0) {
            whole = over(new double[] {-WIDEST, WIDEST, -WIDEST, WIDEST});
        }
        return whole;
    }

    /** About grey, at {@link #grey}. */
    synchronized double[][] greys() {
        if (greys.length == 0) {
            greys = grid(FINE, AbPlane::grey, AbPlane::grey);
        }
        return greys;
    }

    /**
     * Over a part of the plane, {@link #COARSE} squares from end to end, by a* and then b*.
     *
     * @param box the least and the most of a*, then of b*
     */
    double[][] over(double[] box) {
        return grid(
                COARSE,
                i -> box[0] + i * (box[1] - box[0]) / COARSE,
                j -> box[2] + j * (box[3] - box[2]) / COARSE);
    }

    private double[][] grid(int squares, IntToDoubleFunction a, IntToDoubleFunction b) {
        double[][] out = new double[squares + 1][squares + 1];
        for (int i = 0; i <= squares; i++) {
            for (int j = 0; j <= squares; j++) {
                out[i][j] = off(a.applyAsDouble(i), b.applyAsDouble(j));
            }
        }
        return out;
    }

    /** The a* or b* of a row of the whole plane. */
    static double place(int i) {
        return WIDEST * (2.0 * i / COARSE - 1);
    }

    /** The same of the grid about grey. */
    static double grey(int i) {
        return GREY * (2.0 * i / FINE - 1);
    }

    /**
     * What lies between two places along the hue of the target, by the part of a* and b* that
     * points to it.
     */
    record Strip(double from, double to) {
        static final Strip ALL = new Strip(Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);

        /** Whether it has colours of a square of a* and b* that reaches so far from its middle. */
        boolean meets(Lab target, double a, double b, double reaches) {
            double at = along(target, a, b);
            return at + reaches >= from && at - reaches <= to;
        }
    }

    private static double along(Lab target, double a, double b) {
        double chroma = target.chroma();
        return chroma > 0 ? (a * target.a() + b * target.b()) / chroma : a;
    }

    /**
     * Strips that together hold all colours nearer than some ΔE00, the one with the target first.
     * They are two where the near colours have a lobe far from the rest: half-spaces about both
     * would hold all that is between.
     */
    List<Strip> strips(double reach) {
        boolean[] some = new boolean[4 * (int) WIDEST];
        mark(reach, whole(), AbPlane::place, GREY, some);
        mark(reach, greys(), AbPlane::grey, 0, some);
        int last = -1;
        int wide = WIDE - 1;
        double at = Double.NaN;
        for (int i = 0; i < some.length; i++) {
            if (some[i]) {
                if (last >= 0 && i - last - 1 > wide) {
                    wide = i - last - 1;
                    at = (i + last + 1 - some.length) / 2.0;
                }
                last = i;
            }
        }
        return Double.isNaN(at)
                ? List.of(Strip.ALL)
                : List.of(
                        new Strip(at, Double.POSITIVE_INFINITY),
                        new Strip(Double.NEGATIVE_INFINITY, at));
    }

    /** Marks where along the hue of the target there are near colours of a chroma or more. */
    private void mark(
            double reach,
            double[][] grid,
            IntToDoubleFunction place,
            double chroma,
            boolean[] some) {
        double side = place.applyAsDouble(1) - place.applyAsDouble(0);
        double reaches = side * Math.sqrt(0.5);
        for (int i = 0; i < grid.length; i++) {
            for (int j = 0; j < grid.length; j++) {
                double a = place.applyAsDouble(i);
                double b = place.applyAsDouble(j);
                if (Math.hypot(a, b) > chroma - side
                        && grid[i][j] - steepest(a, b) * reaches <= reach) {
                    double at = along(target, a, b) + some.length / 2.0;
                    int to = (int) Math.min(some.length - 1, at + reaches);
                    for (int x = (int) Math.max(0, at - reaches); x <= to; x++) {
                        some[x] = true;
                    }
                }
            }
        }
    }
}
