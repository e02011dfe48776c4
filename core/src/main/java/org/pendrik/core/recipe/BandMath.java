package org.pendrik.core.recipe;

/**
 * The arithmetic of a {@link Slice}: a few floats for each band, the same for all bands. Floats are
 * off by about 1e-6 of a white here; who asks leaves that much room.
 */
abstract sealed class BandMath permits PlainBandMath, VectorBandMath {
    /** Bands with room for whole vectors. */
    static final int SIZE = 40;

    final float[][] k;
    final float[][] s;
    final float[] level;
    final float[][] w = new float[3][SIZE];
    final float veil;
    final float t;
    final float c;

    BandMath(Kernel kernel) {
        k = new float[kernel.paints][];
        s = new float[kernel.paints][];
        level = new float[kernel.paints];
        for (int i = 0; i < k.length; i++) {
            k[i] = Point.padded(kernel.k[i], 1);
            s[i] = Point.padded(kernel.s[i], 1);
            level[i] = (float) kernel.level[i];
        }
        for (int a = 0; a < 3; a++) {
            for (int b = 0; b < Kernel.BANDS; b++) {
                w[a][b] = (float) kernel.w[a][b];
            }
        }
        veil = (float) kernel.veil;
        t = (float) kernel.t;
        c = (float) kernel.c;
    }

    /** The quickest that this Java has. */
    static BandMath of(Kernel kernel) {
        return ModuleLayer.boot().findModule("jdk.incubator.vector").isPresent()
                ? new VectorBandMath(kernel)
                : new PlainBandMath(kernel);
    }

    /** The mixes of one drop of each chosen paint and {@code more} of one of them, by paint. */
    abstract void corners(int[] chosen, int p, int more, Point[] out);

    /** Fills in what is seen of k and s. */
    abstract void see(Point p);

    /** Becomes what lies between two, where the first has this share of S, and is seen. */
    abstract void between(Point one, Point other, float share, Point out);

    /** The tangent in the middle of the first n. */
    abstract void middle(Point[] all, int n, Tangent out);

    /**
     * X, Y, Z of a tangent continued to each of the first n, with the least S to darker and the
     * most to lighter ones.
     */
    abstract void below(Point[] all, int n, Tangent at, Span span, float[][] out);

    /** Spans of S over the first n. */
    abstract void spans(Point[] all, int n, Span out);

    /** The same, and by how much chords between them have to be raised; all have to be seen. */
    abstract void rise(Point[] all, int n, Span out);

    /**
     * Whether one direction leaves everything outside that lies between the low and the high X, Y,
     * Z of the first n, or does so with X, Z and what is known of the slice.
     */
    abstract boolean apart(HalfSpaces sides, float[][] low, Point[] all, int n, float[] rise);
}
