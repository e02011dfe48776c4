package org.pendrik.app.standins;

/** Smooth value noise on the integer lattice, 0 to 1, the same for the same place. */
final class Noise {
    private Noise() {}

    static double at(double x, double y) {
        int ix = below(x);
        int iy = below(y);
        double u = ease(x - ix);
        double v = ease(y - iy);
        double topLeft = lattice(ix, iy);
        double lowLeft = lattice(ix, iy + 1);
        double top = topLeft + (lattice(ix + 1, iy) - topLeft) * u;
        double low = lowLeft + (lattice(ix + 1, iy + 1) - lowLeft) * u;
        return top + (low - top) * v;
    }

    /** The whole number at or below; places are far from the ends of {@code int}. */
    private static int below(double x) {
        int towardsZero = (int) x;
        return x < towardsZero ? towardsZero - 1 : towardsZero;
    }

    private static double ease(double t) {
        return t * t * (3 - 2 * t);
    }

    private static double lattice(int x, int y) {
        int h = x * 0x27d4eb2d + y * 0x165667b1;
        h = (h ^ (h >>> 15)) * 0x2c1b3c6d;
        h ^= h >>> 13;
        return (h >>> 8) / (double) (1 << 24);
    }
}
