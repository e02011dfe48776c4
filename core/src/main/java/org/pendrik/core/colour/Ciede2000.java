package org.pendrik.core.colour;

/**
 * CIEDE2000 for whole pictures: the value of {@link ColourDifference#ciede2000} to 1e-9, in about a
 * third of its time.
 *
 * <p>The idea: no angle is needed. The mean hue is the direction of the sum of the two hue vectors
 * of length 1, and half the length of that sum is the cosine of half the hue difference; the
 * cosines of its multiples follow by the addition theorems. Only the rotation term of blue needs
 * the angle itself, and only where it is not yet below 1e-12. Where the two hues lie nearly
 * opposite the direction of their sum is lost, so the published steps are taken there. O(1), no
 * allocation.
 */
public final class Ciede2000 {
    private static final double BLUE = 275;
    private static final double BLUE_SPREAD = 25;

    /** exp(−5.3²) is below 1e-12. */
    private static final double NO_BLUE_BEYOND = 5.3 * BLUE_SPREAD;

    /** Length of the sum of two opposite unit vectors under which their direction is doubtful. */
    private static final double OPPOSITE = 1e-3;

    /** Sine of the mean hue under which rounding decides between 0° and 360°. */
    private static final double AT_THE_SEAM = 1e-12;

    /** Steps of the table of {@link #turn}; 128 kB. */
    private static final int STEPS = 8192;

    private static final double FARTHEST = Math.tan(Math.toRadians(NO_BLUE_BEYOND) / 2);
    private static final double STEP = 2 * FARTHEST / STEPS;

    /** Values and slopes in turn. */
    private static final double[] TURN = turns();

    private static final double COS_30 = Math.sqrt(0.75);
    private static final double SIN_30 = 0.5;
    private static final double COS_6 = Math.cos(Math.toRadians(6));
    private static final double SIN_6 = Math.sin(Math.toRadians(6));
    private static final double COS_63 = Math.cos(Math.toRadians(63));
    private static final double SIN_63 = Math.sin(Math.toRadians(63));

    /** Where the rotation term can be felt: the cosine of the mean hue's angle to blue. */
    private static final double COS_NO_BLUE = Math.cos(Math.toRadians(NO_BLUE_BEYOND));

    private static final double BLUE_X = Math.cos(Math.toRadians(BLUE));
    private static final double BLUE_Y = Math.sin(Math.toRadians(BLUE));

    private Ciede2000() {}

    /** The difference of two colours given by their L*, a*, b*; finite, symmetric, 0 for equal. */
    public static double of(double l1, double a1, double b1, double l2, double a2, double b2) {
        double chroma1 = Math.sqrt(a1 * a1 + b1 * b1);
        double chroma2 = Math.sqrt(a2 * a2 + b2 * b2);
        double mean7 = ColourDifference.pow7((chroma1 + chroma2) / 2);
        double stretch = 1.5 - 0.5 * Math.sqrt(mean7 / (mean7 + ColourDifference.TWENTY_FIVE_TO_7));
        double x1 = stretch * a1;
        double x2 = stretch * a2;
        double c1 = Math.sqrt(x1 * x1 + b1 * b1);
        double c2 = Math.sqrt(x2 * x2 + b2 * b2);
        double product = c1 * c2;
        double dL = l2 - l1;
        double meanL = (l1 + l2) / 2;
        double fifty = (meanL - 50) * (meanL - 50);
        double l = dL / (1 + 0.015 * fifty / Math.sqrt(20 + fifty));
        double meanC = (c1 + c2) / 2;
        double c = (c2 - c1) / (1 + 0.045 * meanC);
        if (product == 0) {
            return Math.sqrt(l * l + c * c);
        }
        double mx = x1 / c1 + x2 / c2;
        double my = b1 / c1 + b2 / c2;
        double sum = Math.sqrt(mx * mx + my * my);
        boolean seam = mx > 0 && Math.abs(my) < AT_THE_SEAM * sum;
        if (sum < OPPOSITE || seam) {
            return ColourDifference.ciede2000(new Lab(l1, a1, b1), new Lab(l2, a2, b2));
        }
        double dH = 2 * (x1 * b2 - x2 * b1) / (Math.sqrt(product) * sum);
        double cos = mx / sum;
        double sin = my / sum;
        double cos2 = cos * cos - sin * sin;
        double sin2 = 2 * sin * cos;
        double cos3 = cos2 * cos - sin2 * sin;
        double sin3 = sin2 * cos + cos2 * sin;
        double cos4 = cos2 * cos2 - sin2 * sin2;
        double sin4 = 2 * sin2 * cos2;
        double t =
                1
                        - 0.17 * (cos * COS_30 + sin * SIN_30)
                        + 0.24 * cos2
                        + 0.32 * (cos3 * COS_6 - sin3 * SIN_6)
                        - 0.20 * (cos4 * COS_63 + sin4 * SIN_63);
        double h = dH / (1 + 0.015 * meanC * t);
        double squared = l * l + c * c + h * h + rotation(cos, sin, meanC) * c * h;
        return Math.sqrt(Math.max(0, squared));
    }

    private static double rotation(double cos, double sin, double meanC) {
        double towards = cos * BLUE_X + sin * BLUE_Y;
        // hues are counted from 0° to 360°, so just above 0° they are far from blue
        if (towards < COS_NO_BLUE || (sin >= 0 && cos > 0)) {
            return 0;
        }
        double turn = turn((sin * BLUE_X - cos * BLUE_Y) / (1 + towards));
        double mean7 = ColourDifference.pow7(meanC);
        double rc = 2 * Math.sqrt(mean7 / (mean7 + ColourDifference.TWENTY_FIVE_TO_7));
        return -turn * rc;
    }

    /**
     * The sine of the rotation by the tangent of half the angle to blue: cubic between values and
     * slopes that are known, which is as good as 1e-11.
     */
    private static double turn(double halfTangent) {
        double at = (halfTangent + FARTHEST) / STEP;
        int i = Math.clamp((int) at, 0, STEPS - 1);
        double u = at - i;
        double v = 1 - u;
        double one = TURN[2 * i];
        double two = TURN[2 * i + 2];
        double d = two - one;
        double a = TURN[2 * i + 1] * STEP - d;
        double b = d - TURN[2 * i + 3] * STEP;
        return v * one + u * two + u * v * (a * v + b * u);
    }

    private static double[] turns() {
        double[] out = new double[2 * (STEPS + 1)];
        double spread = Math.toRadians(BLUE_SPREAD);
        double most = Math.toRadians(60);
        for (int i = 0; i <= STEPS; i++) {
            double t = i * STEP - FARTHEST;
            double bell = 2 * Math.atan(t) / spread;
            double angle = most * Math.exp(-bell * bell);
            out[2 * i] = Math.sin(angle);
            out[2 * i + 1] = -Math.cos(angle) * angle * 4 * bell / (spread * (1 + t * t));
        }
        return out;
    }

    /** Colours that go through the loops of {@link #differences} together. */
    private static final int BLOCK = 256;

    /** As {@link #OPPOSITE}, where floats are all there is. */
    private static final float OPPOSITE_IN_FLOATS = 0.05f;

    /** A chroma below this has no hue. */
    private static final float NO_CHROMA = 1e-5f;

    /**
     * The differences of many pairs of colours, in floats: within 0.002 of {@link #of}, in about a
     * tenth of its time.
     *
     * <p>The steps that all pairs take are plain loops over arrays, of which the compiler does
     * several pairs at once. Only pairs with a mean hue within a quarter turn of blue get their
     * rotation term afterwards, one by one (beyond, it moves no difference by more than 0.001), and
     * pairs of nearly opposite hues are done in doubles.
     *
     * @param one L*, a*, b* of the first colours, an array each
     * @param two the same of the second
     * @param out takes the differences; its first {@code n} values are written
     */
    public static void differences(float[][] one, float[][] two, float[] out, int n) {
        Block block = new Block();
        for (int from = 0; from < n; from += BLOCK) {
            int size = Math.min(BLOCK, n - from);
            block.take(one, two, from, size);
            block.common(size);
            for (int i = 0; i < size; i++) {
                int at = from + i;
                if (block.together[i] < OPPOSITE_IN_FLOATS) {
                    out[at] = block.inDoubles(i);
                } else {
                    float squared = block.squared[i];
                    if (block.cos[i] * BLUE_X + block.sin[i] * BLUE_Y > 0) {
                        squared += block.rotated(i);
                    }
                    out[at] = (float) Math.sqrt(Math.max(0, squared));
                }
            }
        }
    }

    /** What the loops leave for each pair of a block. */
    private static final class Block {
        private final float[] squared = new float[BLOCK];
        private final float[] chroma = new float[BLOCK];
        private final float[] hue = new float[BLOCK];
        private final float[] meanC = new float[BLOCK];
        private final float[] cos = new float[BLOCK];
        private final float[] sin = new float[BLOCK];
        private final float[] together = new float[BLOCK];
        private final float[] l1 = new float[BLOCK];
        private final float[] a1 = new float[BLOCK];
        private final float[] b1 = new float[BLOCK];
        private final float[] l2 = new float[BLOCK];
        private final float[] a2 = new float[BLOCK];
        private final float[] b2 = new float[BLOCK];
        private final float[] x1 = new float[BLOCK];
        private final float[] x2 = new float[BLOCK];
        private final float[] c1 = new float[BLOCK];
        private final float[] c2 = new float[BLOCK];
        private final float[] length = new float[BLOCK];
        private final float[] weight = new float[BLOCK];

        private float rotated(int i) {
            return (float) rotation(cos[i], sin[i], meanC[i]) * chroma[i] * hue[i];
        }

        private float inDoubles(int i) {
            return (float) of(l1[i], a1[i], b1[i], l2[i], a2[i], b2[i]);
        }

        /** Loops read and write at one index, so that the compiler sees that pairs are apart. */
        private void take(float[][] one, float[][] two, int from, int size) {
            System.arraycopy(one[0], from, l1, 0, size);
            System.arraycopy(one[1], from, a1, 0, size);
            System.arraycopy(one[2], from, b1, 0, size);
            System.arraycopy(two[0], from, l2, 0, size);
            System.arraycopy(two[1], from, a2, 0, size);
            System.arraycopy(two[2], from, b2, 0, size);
        }

        private void common(int size) {
            stretch(size);
            chroma(size);
            hues(size);
            weighed(size);
            lightness(size);
        }

        private void stretch(int size) {
            for (int i = 0; i < size; i++) {
                meanC[i] =
                        ((float) Math.sqrt(a1[i] * a1[i] + b1[i] * b1[i])
                                        + (float) Math.sqrt(a2[i] * a2[i] + b2[i] * b2[i]))
                                / 50;
            }
            for (int i = 0; i < size; i++) {
                float c = meanC[i];
                float c3 = c * c * c;
                float c7 = c3 * c3 * c;
                float factor = 1.5f - 0.5f * (float) Math.sqrt(c7 / (c7 + 1));
                x1[i] = factor * a1[i];
                x2[i] = factor * a2[i];
            }
        }

        // short loops: the compiler does several pairs at once only where a body is small
        private void chroma(int size) {
            for (int i = 0; i < size; i++) {
                c1[i] = (float) Math.sqrt(x1[i] * x1[i] + b1[i] * b1[i]);
                c2[i] = (float) Math.sqrt(x2[i] * x2[i] + b2[i] * b2[i]);
            }
            for (int i = 0; i < size; i++) {
                float mean = (c1[i] + c2[i]) / 2;
                meanC[i] = mean;
                chroma[i] = (c2[i] - c1[i]) / (1 + 0.045f * mean);
            }
            for (int i = 0; i < size; i++) {
                // a grey has no hue, and so none that could be opposite
                together[i] = Math.max(0, NO_CHROMA - Math.min(c1[i], c2[i])) / NO_CHROMA;
                c1[i] = Math.max(c1[i], NO_CHROMA);
                c2[i] = Math.max(c2[i], NO_CHROMA);
            }
        }

        /** The direction of the mean hue, and the difference across it. */
        private void hues(int size) {
            for (int i = 0; i < size; i++) {
                cos[i] = x1[i] / c1[i] + x2[i] / c2[i];
                sin[i] = b1[i] / c1[i] + b2[i] / c2[i];
            }
            for (int i = 0; i < size; i++) {
                float sum = (float) Math.sqrt(cos[i] * cos[i] + sin[i] * sin[i]);
                together[i] += sum;
                length[i] = Math.max(sum, 1e-6f);
            }
            for (int i = 0; i < size; i++) {
                hue[i] =
                        2
                                * (x1[i] * b2[i] - x2[i] * b1[i])
                                / ((float) Math.sqrt(c1[i] * c2[i]) * length[i]);
            }
            for (int i = 0; i < size; i++) {
                cos[i] /= length[i];
                sin[i] /= length[i];
            }
        }

        /** Weighs the difference of hue by the mean hue, and adds it to that of chroma. */
        private void weighed(int size) {
            for (int i = 0; i < size; i++) {
                float c = cos[i];
                float s = sin[i];
                float cc = c * c - s * s;
                float ss = 2 * s * c;
                weight[i] =
                        1
                                - 0.17f * (c * (float) COS_30 + s * (float) SIN_30)
                                + 0.24f * cc
                                + 0.32f
                                        * ((cc * c - ss * s) * (float) COS_6
                                                - (ss * c + cc * s) * (float) SIN_6);
            }
            for (int i = 0; i < size; i++) {
                float c = cos[i];
                float s = sin[i];
                float cc = c * c - s * s;
                float ss = 2 * s * c;
                weight[i] -=
                        0.20f
                                * ((cc * cc - ss * ss) * (float) COS_63
                                        + 2 * ss * cc * (float) SIN_63);
            }
            for (int i = 0; i < size; i++) {
                float h = hue[i] / (1 + 0.015f * meanC[i] * weight[i]);
                hue[i] = h;
                squared[i] = chroma[i] * chroma[i] + h * h;
            }
        }

        private void lightness(int size) {
            for (int i = 0; i < size; i++) {
                float mean = (l1[i] + l2[i]) / 2 - 50;
                float fifty = mean * mean;
                float dL = (l2[i] - l1[i]) / (1 + 0.015f * fifty / (float) Math.sqrt(20 + fifty));
                squared[i] += dL * dL;
            }
        }
    }
}
