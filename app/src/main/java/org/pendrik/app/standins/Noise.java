package org.pendrik.app.standins;

/** Smooth value noise on the integer lattice, 0 to 1, the same for the same place. */
final class Noise {
    private Noise() {}

    static double at(double x, double y) {
        int ix = (int) Math.floor(x);
        int iy = (int) Math.floor(y);
        double u = ease(x - ix);
        double v = ease(y - iy);
        double top = lattice(ix, iy) + (lattice(ix + 1, iy) - lattice(ix, iy)) * u;
        double low = lattice(ix, iy + 1) + (lattice(ix + 1, iy + 1) - lattice(ix, iy + 1)) * u;
        return top + (low - top) * v;
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
