package org.pendrik.core.photo;

/**
 * The discrete Fourier transform of a plane whose sides are powers of two (J. W. Cooley, J. W.
 * Tukey, "An algorithm for the machine calculation of complex Fourier series", Mathematics of
 * Computation 19 (1965), 297–301). In place, O(n log n).
 */
final class Fourier {
    private final int width;
    private final int height;
    private final double[] cos;
    private final double[] sin;

    Fourier(int width, int height) {
        if (Integer.bitCount(width) != 1 || Integer.bitCount(height) != 1) {
            throw new IllegalArgumentException(width + " × " + height + " are no powers of two");
        }
        this.width = width;
        this.height = height;
        int n = Math.max(width, height);
        cos = new double[n];
        sin = new double[n];
        for (int i = 0; i < n; i++) {
            cos[i] = Math.cos(2 * Math.PI * i / n);
            sin[i] = Math.sin(2 * Math.PI * i / n);
        }
    }

    /** Transforms both parts in place; backwards it divides by the number of points. */
    void transform(double[] re, double[] im, boolean back) {
        double[] lineRe = new double[Math.max(width, height)];
        double[] lineIm = new double[Math.max(width, height)];
        for (int y = 0; y < height; y++) {
            line(re, im, y * width, 1, width, back, lineRe, lineIm);
        }
        for (int x = 0; x < width; x++) {
            line(re, im, x, width, height, back, lineRe, lineIm);
        }
        if (back) {
            for (int i = 0; i < re.length; i++) {
                re[i] /= re.length;
                im[i] /= re.length;
            }
        }
    }

    private void line(
            double[] re,
            double[] im,
            int start,
            int step,
            int n,
            boolean back,
            double[] r,
            double[] m) {
        int bits = Integer.numberOfTrailingZeros(n);
        for (int i = 0; i < n; i++) {
            int j = bits == 0 ? 0 : Integer.reverse(i) >>> (32 - bits);
            r[j] = re[start + i * step];
            m[j] = im[start + i * step];
        }
        for (int half = 1; half < n; half *= 2) {
            int stride = cos.length / (2 * half);
            for (int block = 0; block < n; block += 2 * half) {
                for (int k = 0; k < half; k++) {
                    double c = cos[k * stride];
                    double s = back ? sin[k * stride] : -sin[k * stride];
                    int a = block + k;
                    int b = a + half;
                    double tr = r[b] * c - m[b] * s;
                    double ti = r[b] * s + m[b] * c;
                    r[b] = r[a] - tr;
                    m[b] = m[a] - ti;
                    r[a] += tr;
                    m[a] += ti;
                }
            }
        }
        for (int i = 0; i < n; i++) {
            re[start + i * step] = r[i];
            im[start + i * step] = m[i];
        }
    }
}
