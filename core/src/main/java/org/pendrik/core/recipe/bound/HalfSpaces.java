package org.pendrik.core.recipe.bound;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * Half-spaces of X, Y, Z that hold all of some {@link NearColours}, as weights over the bands.
 *
 * <p>X, Y and Z share bands, and in a direction much of one takes back what the other adds. So a
 * direction is bounded band by band: where its weight is positive by reflectances from below (a
 * tangent), where it is negative by those from above (a chord).
 *
 * <p>As 1 over reflectance is concave in K/S, so is 1 over any sum P of reflectances with positive
 * weights (parallel sums are: W. N. Anderson and R. J. Duffin, J. Math. Anal. Appl. 26, 1969,
 * 576–594). A tangent T that touches at P may so be taken at another depth: y² T + 2 P y (1 − y)
 * stays below the sum for every y above 0, and at y below 1 falls less towards dark mixes. Which
 * depth serves best is tried. All of it is without the veil, which only shifts the half-spaces.
 *
 * <p>Guarantee: as good as that of the near colours, with {@link #ROUNDING} left for floats.
 */
final class HalfSpaces {
    /** Room for half-spaces, in whole vectors; those not in use have nothing outside. */
    static final int ROOM = 32;

    /** What floats may be off by, in parts of white. */
    static final float ROUNDING = 1e-5f;

    /** The depths at which tangents are tried, the usual one first. */
    static final List<Depth> DEPTHS = Stream.of(1f, 0.5f, 0.7f, 0.3f, 1.4f).map(Depth::of).toList();

    /** From this ΔE00 on, half-spaces face what was found rather than all ways. */
    private static final double LARGE = 0.8;

    /** Of all ways, the first are the plain ones: lightness, chroma and hue, up and down. */
    private static final int PLAIN = 6;

    private static final int BANDS = MixColour.BANDS;

    /** A depth y: what it makes of a tangent, y², and of the sum where it touches, 2 y (1 − y). */
    record Depth(float square, float rest) {
        static Depth of(float y) {
            return new Depth(y * y, 2 * y * (1 - y));
        }
    }

    private final double[][] directions;
    private final double[] better;
    private final float[] most = new float[ROOM];
    private final float[][] up = new float[BANDS][ROOM];
    private final float[][] down = new float[BANDS][ROOM];
    private final float[][] upOf = new float[ROOM][BANDS];
    private final float[][] downOf = new float[ROOM][BANDS];
    private int first;

    /**
     * The half-spaces of some near colours.
     *
     * @param target of which they are near, when it is one of them; else their middle
     * @param about whether it is
     * @param reach ΔE00 within which they are near
     * @param off ΔE00 of the incumbent, no less than the reach
     * @param incumbent its colour
     */
    HalfSpaces(
            MixColour mix,
            NearColours near,
            Lab target,
            boolean about,
            double reach,
            double off,
            Lab incumbent) {
        directions = directions(target, about && reach >= LARGE, off, incumbent);
        double[] supports = near.supports(directions);
        double[] middle = Srgb.labToRelative(target);
        better = new double[directions.length];
        Arrays.fill(most, Float.MAX_VALUE);
        for (int d = 0; d < directions.length; d++) {
            double[] u = directions[d];
            double at = u[0] * middle[0] + u[1] * middle[1] + u[2] * middle[2];
            better[d] = at + (supports[d] - at) * off / reach + ROUNDING;
            double veil = 0;
            for (int b = 0; b < BANDS; b++) {
                double weight = mix.weight(u, b);
                up[b][d] = (float) Math.max(weight, 0);
                down[b][d] = (float) Math.min(weight, 0);
                upOf[d][b] = up[b][d];
                downOf[d][b] = down[b][d];
                veil += weight * mix.veil();
            }
            most[d] = (float) (supports[d] - veil) + ROUNDING;
        }
    }

    /** Each of length 1 in the sum of its absolute values. */
    private static double[][] directions(Lab target, boolean facing, double off, Lab incumbent) {
        List<double[]> all = new ArrayList<>(List.of(Directions.all(target)));
        if (facing) {
            all.subList(PLAIN, all.size()).clear();
            all.addAll(Directions.around(target, off, incumbent));
        }
        all.add(Directions.away(target, incumbent));
        for (int sign = -1; sign <= 1; sign += 2) {
            all.add(Directions.covector(incumbent, 0, sign, 0));
            all.add(Directions.covector(incumbent, 0, 0, sign));
        }
        for (double[] d : all) {
            double size = Math.abs(d[0]) + Math.abs(d[1]) + Math.abs(d[2]);
            for (int x = 0; x < 3 && size > 0; x++) {
                d[x] /= size;
            }
        }
        return all.toArray(double[][]::new);
    }

    /** How many half-spaces. */
    int many() {
        return directions.length;
    }

    /**
     * Whether a colour may be nearer than the incumbent, by these half-spaces moved outwards from
     * the target as the incumbent is farther than the reach. What was moved too little costs an
     * improvement smaller than the tolerance, never the proof.
     */
    boolean mayBeBetter(double x, double y, double z) {
        int asked = first;
        for (int i = 0; i < directions.length; i++) {
            double[] a = directions[asked];
            if (a[0] * x + a[1] * y + a[2] * z > better[asked]) {
                first = asked;
                return false;
            }
            asked = asked + 1 == directions.length ? 0 : asked + 1;
        }
        return true;
    }

    /** The positive parts of all directions of bare reflectances, to be bounded from below. */
    void positive(float[] bare, float[] out) {
        add(up, bare, out);
    }

    /** The negative parts, to be bounded from above. */
    void negative(float[] bare, float[] out) {
        add(down, bare, out);
    }

    /** The positive part of one direction. */
    float positive(int d, float[] bare) {
        return dot(upOf[d], bare);
    }

    /** The negative part of one direction. */
    float negative(int d, float[] bare) {
        return dot(downOf[d], bare);
    }

    /** Four bands at a time, so that sums are read and written less often. */
    private static void add(float[][] weights, float[] bare, float[] out) {
        Arrays.fill(out, 0);
        for (int b = 0; b < BANDS; b += 4) {
            float r0 = bare[b];
            float r1 = bare[b + 1];
            float r2 = bare[b + 2];
            float r3 = bare[b + 3];
            add(weights[b], weights[b + 1], weights[b + 2], weights[b + 3], r0, r1, r2, r3, out);
        }
    }

    private static void add(
            float[] w0,
            float[] w1,
            float[] w2,
            float[] w3,
            float r0,
            float r1,
            float r2,
            float r3,
            float[] out) {
        for (int d = 0; d < ROOM; d++) {
            out[d] += w0[d] * r0 + w1[d] * r1 + (w2[d] * r2 + w3[d] * r3);
        }
    }

    private static float dot(float[] a, float[] b) {
        float one = 0;
        float two = 0;
        float three = 0;
        float four = 0;
        for (int i = 0; i < BANDS; i += 4) {
            one += a[i] * b[i];
            two += a[i + 1] * b[i + 1];
            three += a[i + 2] * b[i + 2];
            four += a[i + 3] * b[i + 3];
        }
        return one + two + (three + four);
    }

    /** What the bare part of each direction comes to at most; not to be changed. */
    float[] most() {
        return most;
    }
}
