package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.pendrik.core.colour.Lab;

/**
 * What is still worth finding, as half-spaces of X, Y, Z: colours nearer to the target than the
 * best found less the tolerance must satisfy {@link #supports}, colours nearer than the best itself
 * {@link #nears}.
 */
final class Aim {
    /** How many half-spaces. */
    static final int DIRECTIONS = 31;

    /** The first are the plain ones: lightness, chroma and hue, both ways. */
    static final int PLAIN = 6;

    /** Thicknesses of slices for which supports are kept, the whole among them. */
    private static final int SLICINGS = 7;

    final Region region;

    /** Each of length 1 in the sum of its absolute values. */
    final double[][] directions;

    final double[] supports;
    final double[] nears;

    /** The supports of slices, thick ones first: slice s of halving h stands at 2^h − 1 + s. */
    private final double[][] slices;

    /** Y of the lightest and of the darkest colour that still count. */
    final double lightest;

    final double darkest;

    /**
     * The half-spaces of the ΔE00 from a target that still count.
     *
     * @param plane of the target
     * @param off ΔE00 of the best found
     * @param tolerance less than {@code off}
     * @param best the colour of the best found
     * @param strip of what the region must have the colours at least
     */
    Aim(AbPlane plane, double off, double tolerance, Lab best, AbPlane.Strip strip) {
        Lab target = plane.target;
        Region[] both = new Region[2];
        IntStream.range(0, tolerance > 0 ? 2 : 1)
                .parallel()
                .forEach(i -> both[i] = new Region(plane, off - (1 - i) * tolerance, strip));
        region = both[0];
        Region better = tolerance > 0 ? both[1] : region;
        List<double[]> all = directions(target, off, best);
        all.add(Directions.away(target, best));
        // in a slice these are X and Z alone, a box that the others may leave far too open
        for (int sign = -1; sign <= 1; sign += 2) {
            all.add(Directions.covector(best, 0, sign, 0));
            all.add(Directions.covector(best, 0, 0, sign));
        }
        directions = new double[all.size()][3];
        double[] whole = new double[all.size()];
        nears = new double[all.size()];
        for (int i = 0; i < directions.length; i++) {
            double[] d = all.get(i);
            double size = Math.abs(d[0]) + Math.abs(d[1]) + Math.abs(d[2]);
            for (int x = 0; x < 3; x++) {
                directions[i][x] = size > 0 ? d[x] / size : 0;
            }
            double[] u = directions[i];
            whole[i] = region.support(u[0], u[1], u[2]);
            nears[i] = better.support(u[0], u[1], u[2]);
        }
        lightest = region.support(0, 1, 0);
        darkest = -region.support(0, -1, 0);
        slices = new double[(1 << SLICINGS) - 1][];
        int thinnest = 1 << (SLICINGS - 1);
        double thick = (lightest - darkest) / thinnest;
        IntStream.range(0, thinnest)
                .parallel()
                .forEach(
                        i -> {
                            double from = darkest + i * thick;
                            slices[thinnest - 1 + i] =
                                    region.supports(directions, whole, from, from + thick);
                        });
        for (int i = thinnest - 2; i >= 0; i--) {
            slices[i] = new double[directions.length];
            for (int d = 0; d < directions.length; d++) {
                slices[i][d] = Math.max(slices[2 * i + 1][d], slices[2 * i + 2][d]);
            }
        }
        supports = slices[0];
    }

    /** Out of reach, the directions that face what is in reach count. */
    private List<double[]> directions(Lab target, double off, Lab best) {
        Lab middle = region.middle();
        List<double[]> usual = Arrays.asList(Directions.all(middle));
        if (!region.large() || !middle.equals(target)) {
            return new ArrayList<>(usual);
        }
        List<double[]> out = new ArrayList<>(usual.subList(0, PLAIN));
        out.addAll(Directions.around(target, off, best));
        return out;
    }

    /** Whether nothing at all would be better by more than the tolerance. */
    boolean empty() {
        return region.empty();
    }

    /**
     * What the directions come to at most in a slice: the range of Y halved so many times, and of
     * these the one counted from the darkest. Slices that are thinner than any that are kept are
     * part of a thicker one.
     */
    double[] supports(int halvings, int slice) {
        int thinner = Math.max(0, halvings - (SLICINGS - 1));
        int depth = halvings - thinner;
        return slices[(1 << depth) - 1 + (slice >> thinner)];
    }

    /** ΔE00 within which something would be better by more than the tolerance. */
    double reach() {
        return region.reach();
    }
}
