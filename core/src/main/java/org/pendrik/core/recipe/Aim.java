package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.pendrik.core.colour.Lab;

/**
 * What is still worth finding, as half-spaces of X, Y, Z: colours nearer to the target than the
 * best found less the tolerance must satisfy {@link #supports}, colours nearer than the best itself
 * {@link #nears}.
 */
final class Aim {
    /** How many half-spaces. */
    static final int DIRECTIONS = 27;

    final Region region;

    /** Each of length 1 in the sum of its absolute values. */
    final double[][] directions;

    final double[] supports;
    final double[] nears;

    /** Y of the lightest and of the darkest colour that still count. */
    final double lightest;

    final double darkest;

    /**
     * The half-spaces of the ΔE00 from a target that still count.
     *
     * @param off ΔE00 of the best found
     * @param tolerance less than {@code off}
     * @param best the colour of the best found
     */
    Aim(Lab target, double off, double tolerance, Lab best) {
        region = new Region(target, off - tolerance);
        Region better = tolerance > 0 ? new Region(target, off) : region;
        List<double[]> all = new ArrayList<>(Arrays.asList(Region.directions(target)));
        all.add(Region.away(target, best));
        directions = new double[all.size()][3];
        supports = new double[all.size()];
        nears = new double[all.size()];
        for (int i = 0; i < directions.length; i++) {
            double[] d = all.get(i);
            double size = Math.abs(d[0]) + Math.abs(d[1]) + Math.abs(d[2]);
            for (int x = 0; x < 3; x++) {
                directions[i][x] = size > 0 ? d[x] / size : 0;
            }
            double[] u = directions[i];
            supports[i] = region.support(u[0], u[1], u[2]);
            nears[i] = better.support(u[0], u[1], u[2]);
        }
        lightest = region.support(0, 1, 0);
        darkest = -region.support(0, -1, 0);
    }

    /** ΔE00 within which something would be better by more than the tolerance. */
    double reach() {
        return region.reach();
    }
}
