package org.pendrik.core.photo;

/**
 * A normal curve laid over the lines of a plane, first down and then across. What lies beyond the
 * plane counts as 0.
 *
 * <p>Whole lines are added up at one place of the curve after the other, and always at the same
 * places of both arrays: that is what the compiler turns into operations on several values at once.
 * Without running sums nothing drifts.
 */
final class NormalCurve {
    private static final float[] NOTHING = {};

    /** From the middle to the right end; the whole curve adds up to 1. */
    private final float[] half;

    /**
     * A curve.
     *
     * @param sigma standard deviation in lines, above 0
     * @param cutOff how many of them it reaches
     */
    NormalCurve(double sigma, double cutOff) {
        double[] curve = new double[(int) Math.ceil(cutOff * sigma) + 1];
        double sum = 0;
        for (int k = 0; k < curve.length; k++) {
            curve[k] = Math.exp(-0.5 * k * k / (sigma * sigma));
            sum += k == 0 ? curve[k] : 2 * curve[k];
        }
        half = new float[curve.length];
        for (int k = 0; k < half.length; k++) {
            half[k] = (float) (curve[k] / sum);
        }
    }

    /**
     * One line of the plane under the curve. O(length · reach).
     *
     * @param lines all of one length
     * @param parts values that belong to one place, beside each other
     */
    float[] at(float[][] lines, int y, int parts) {
        float[] down = new float[lines[y].length];
        add(down, lines[y], half[0]);
        for (int k = 1; k < half.length; k++) {
            float[] above = y >= k ? lines[y - k] : NOTHING;
            float[] below = y + k < lines.length ? lines[y + k] : NOTHING;
            if (above != NOTHING && below != NOTHING) {
                add(down, above, below, half[k]);
            } else if (above != below) {
                add(down, above == NOTHING ? below : above, half[k]);
            }
        }
        return across(down, parts);
    }

    /** One line under the curve, along itself. */
    float[] across(float[] line, int parts) {
        int n = line.length;
        float[] out = new float[n];
        float[] left = new float[n];
        float[] right = new float[n];
        add(out, line, half[0]);
        for (int k = 1; k < half.length && parts * k < n; k++) {
            int shift = parts * k;
            // what came in at the ends with a smaller shift has to leave again
            System.arraycopy(line, 0, right, shift, n - shift);
            java.util.Arrays.fill(right, shift - parts, shift, 0);
            System.arraycopy(line, shift, left, 0, n - shift);
            java.util.Arrays.fill(left, n - shift, n - shift + parts, 0);
            add(out, left, right, half[k]);
        }
        return out;
    }

    /** Changes {@code sum} only. */
    private static void add(float[] sum, float[] one, float weight) {
        for (int i = 0; i < sum.length; i++) {
            sum[i] += weight * one[i];
        }
    }

    private static void add(float[] sum, float[] one, float[] two, float weight) {
        for (int i = 0; i < sum.length; i++) {
            sum[i] += weight * (one[i] + two[i]);
        }
    }
}
