package org.pendrik.core.photo;

import java.util.stream.IntStream;

/**
 * The discrete Fourier transform of a plane whose sides are powers of two (J. W. Cooley, J. W.
 * Tukey, "An algorithm for the machine calculation of complex Fourier series", Mathematics of
 * Computation 19 (1965), 297–301). O(n log n).
 *
 * <p>Every step of it works on whole lines of the plane, so that the compiler can turn it into
 * operations on several points at once; for the other direction the plane is turned.
 */
final class Fourier {
    /** Columns that go through all steps together: they fit the processor's own memory. */
    private static final int STRIP = 64;

    private final int width;
    private final int height;
    private final float[] cos;
    private final float[] sin;
    private final float[] turnedRe;
    private final float[] turnedIm;

    /** For planes of this size. Not for two threads at once. */
    Fourier(int width, int height) {
        if (Integer.bitCount(width) != 1 || Integer.bitCount(height) != 1) {
            throw new IllegalArgumentException(width + " × " + height + " are no powers of two");
        }
        this.width = width;
        this.height = height;
        turnedRe = new float[width * height];
        turnedIm = new float[width * height];
        int n = Math.max(width, height);
        cos = new float[n];
        sin = new float[n];
        for (int i = 0; i < n; i++) {
            cos[i] = (float) Math.cos(2 * Math.PI * i / n);
            sin[i] = (float) Math.sin(2 * Math.PI * i / n);
        }
    }

    /** Transforms both parts in place; backwards it divides by the number of points. */
    void transform(float[] re, float[] im, boolean back) {
        downAndTurned(re, im, turnedRe, turnedIm, width, height, back);
        downAndTurned(turnedRe, turnedIm, re, im, height, width, back);
        if (back) {
            for (int i = 0; i < re.length; i++) {
                re[i] /= re.length;
                im[i] /= re.length;
            }
        }
    }

    /** Transforms every column of {@code lines} lines of {@code w} points and lays it along. */
    private void downAndTurned(
            float[] re, float[] im, float[] outRe, float[] outIm, int w, int lines, boolean back) {
        int wide = Math.min(STRIP, w);
        IntStream.range(0, w / wide)
                .parallel()
                .forEach(
                        k -> {
                            int left = k * wide;
                            float[][] r = strip(re, left, wide, w, lines);
                            float[][] m = strip(im, left, wide, w, lines);
                            transform(r, m, back);
                            layAlong(r, outRe, left);
                            layAlong(m, outIm, left);
                        });
    }

    /** Columns next to each other, line by line in the order of reversed bits. */
    private static float[][] strip(float[] in, int left, int wide, int w, int lines) {
        float[][] out = new float[lines][wide];
        int bits = Integer.numberOfTrailingZeros(lines);
        for (int i = 0; i < lines; i++) {
            int j = bits == 0 ? 0 : Integer.reverse(i) >>> (32 - bits);
            System.arraycopy(in, left + i * w, out[j], 0, wide);
        }
        return out;
    }

    private static void layAlong(float[][] strip, float[] out, int left) {
        int lines = strip.length;
        for (int i = 0; i < lines; i++) {
            float[] line = strip[i];
            for (int x = 0; x < line.length; x++) {
                out[(left + x) * lines + i] = line[x];
            }
        }
    }

    private void transform(float[][] re, float[][] im, boolean back) {
        for (int half = 1; half < re.length; half *= 2) {
            int stride = cos.length / (2 * half);
            for (int block = 0; block < re.length; block += 2 * half) {
                for (int k = 0; k < half; k++) {
                    float s = back ? sin[k * stride] : -sin[k * stride];
                    int a = block + k;
                    int b = a + half;
                    butterfly(re[a], im[a], re[b], im[b], cos[k * stride], s);
                }
            }
        }
    }

    private static void butterfly(
            float[] reA, float[] imA, float[] reB, float[] imB, float c, float s) {
        for (int x = 0; x < reA.length; x++) {
            float tr = reB[x] * c - imB[x] * s;
            float ti = reB[x] * s + imB[x] * c;
            reB[x] = reA[x] - tr;
            imB[x] = imA[x] - ti;
            reA[x] += tr;
            imA[x] += ti;
        }
    }
}
