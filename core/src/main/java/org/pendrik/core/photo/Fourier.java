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
    private static final int TILE = 16;

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
        acrossLines(re, im, width, height, back);
        turn(re, turnedRe, width, height);
        turn(im, turnedIm, width, height);
        acrossLines(turnedRe, turnedIm, height, width, back);
        turn(turnedRe, re, height, width);
        turn(turnedIm, im, height, width);
        if (back) {
            for (int i = 0; i < re.length; i++) {
                re[i] /= re.length;
                im[i] /= re.length;
            }
        }
    }

    /** Transforms every column of {@code lines} lines of {@code w} points. */
    private void acrossLines(float[] re, float[] im, int w, int lines, boolean back) {
        IntStream.range(0, Math.ceilDiv(w, STRIP))
                .parallel()
                .forEach(
                        k -> {
                            int wide = Math.min(STRIP, w - k * STRIP);
                            strip(re, im, k * STRIP, wide, w, lines, back);
                        });
    }

    private void strip(float[] re, float[] im, int left, int wide, int w, int lines, boolean back) {
        int bits = Integer.numberOfTrailingZeros(lines);
        for (int i = 0; i < lines; i++) {
            int j = bits == 0 ? 0 : Integer.reverse(i) >>> (32 - bits);
            if (i < j) {
                swap(re, left + i * w, left + j * w, wide);
                swap(im, left + i * w, left + j * w, wide);
            }
        }
        for (int half = 1; half < lines; half *= 2) {
            int stride = cos.length / (2 * half);
            for (int block = 0; block < lines; block += 2 * half) {
                for (int k = 0; k < half; k++) {
                    float c = cos[k * stride];
                    float s = back ? sin[k * stride] : -sin[k * stride];
                    int a = left + (block + k) * w;
                    butterfly(re, im, a, a + half * w, wide, c, s);
                }
            }
        }
    }

    private static void butterfly(
            float[] re, float[] im, int a, int b, int count, float c, float s) {
        for (int x = 0; x < count; x++) {
            float tr = re[b + x] * c - im[b + x] * s;
            float ti = re[b + x] * s + im[b + x] * c;
            float ar = re[a + x];
            float ai = im[a + x];
            re[b + x] = ar - tr;
            im[b + x] = ai - ti;
            re[a + x] = ar + tr;
            im[a + x] = ai + ti;
        }
    }

    private static void swap(float[] v, int a, int b, int count) {
        for (int x = 0; x < count; x++) {
            float kept = v[a + x];
            v[a + x] = v[b + x];
            v[b + x] = kept;
        }
    }

    private static void turn(float[] in, float[] out, int w, int h) {
        for (int top = 0; top < h; top += TILE) {
            for (int left = 0; left < w; left += TILE) {
                for (int y = top; y < Math.min(h, top + TILE); y++) {
                    for (int x = left; x < Math.min(w, left + TILE); x++) {
                        out[x * h + y] = in[y * w + x];
                    }
                }
            }
        }
    }
}
