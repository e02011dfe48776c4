package org.pendrik.core.recipe.bound;

import java.util.ArrayList;
import java.util.List;
import org.pendrik.core.colour.Ciede2000;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * Directions in X, Y, Z over white in which {@link NearColours} are bounded: three numbers that
 * weigh X, Y and Z. About a colour CIEDE2000 is nearly an ellipsoid whose axes are lightness,
 * chroma and hue; its weights S_L, S_C and S_H say how long they are.
 */
final class Directions {
    /** How far the tangents of {@link #around} are tilted, in degrees, and how many by each. */
    private static final double[] TILTS = {15, 40};

    private static final int[] TILTED = {8, 12};

    private Directions() {}

    /** Steps of one ΔE00 about a colour: in lightness, chroma and hue, and the hue's direction. */
    static double[] frame(Lab c) {
        double chroma = c.chroma();
        double fifty = (c.l() - 50) * (c.l() - 50);
        double sl = 1 + 0.015 * fifty / Math.sqrt(20 + fifty);
        double cos = chroma > 0 ? c.a() / chroma : 1;
        double sin = chroma > 0 ? c.b() / chroma : 0;
        return new double[] {sl, 1 + 0.045 * chroma, 1 + 0.015 * chroma, cos, sin};
    }

    /** Steps of so many ΔE00 in lightness, chroma and hue as one of L*, a* and b*. */
    static double[] along(double[] frame, double l, double c, double h) {
        double dc = c * frame[1];
        double dh = h * frame[2];
        return new double[] {
            l * frame[0], dc * frame[3] - dh * frame[4], dc * frame[4] + dh * frame[3]
        };
    }

    /**
     * Directions in X, Y, Z that look from a colour towards lightness, chroma and hue, both ways,
     * and between them: 26, the plain ones first.
     */
    static double[][] all(Lab c) {
        double[] frame = frame(c);
        double[][] out = new double[26][];
        int at = 0;
        for (int many = 1; many <= 3; many++) {
            for (int l = -1; l <= 1; l++) {
                for (int h = -1; h <= 1; h++) {
                    for (int k = -1; k <= 1; k++) {
                        if (Math.abs(l) + Math.abs(h) + Math.abs(k) == many) {
                            out[at++] = covector(c, frame, l, k, h);
                        }
                    }
                }
            }
        }
        return out;
    }

    private static double[] covector(Lab c, double[] frame, double l, double k, double h) {
        double dc = k / frame[1];
        double dh = h / frame[2];
        return covector(
                c, l / frame[0], dc * frame[3] - dh * frame[4], dc * frame[4] + dh * frame[3]);
    }

    /** A slope over L*, a*, b* at a colour as one over X, Y, Z. */
    static double[] covector(Lab c, double dl, double da, double db) {
        double[] xyz = Srgb.labToRelative(c);
        double fx = slope(xyz[0]);
        double fy = slope(xyz[1]);
        double fz = slope(xyz[2]);
        return new double[] {500 * da * fx, (116 * dl - 500 * da + 200 * db) * fy, -200 * db * fz};
    }

    /** The direction in which ΔE00 from a target grows fastest at another colour. */
    static double[] away(Lab target, Lab at) {
        double h = 1e-4;
        double l = at.l();
        double a = at.a();
        double b = at.b();
        return covector(
                at,
                off(target, l + h, a, b) - off(target, l - h, a, b),
                off(target, l, a + h, b) - off(target, l, a - h, b),
                off(target, l, a, b + h) - off(target, l, a, b - h));
    }

    /**
     * Directions across the border of a large region where it faces another colour. What is found
     * of colours out of reach lies on that side, mixes of any choice with it, and which of a few
     * nearly parallel planes is free of them differs from choice to choice.
     *
     * @param off ΔE00 from the target to the border, about
     */
    static List<double[]> around(Lab target, double off, Lab other) {
        double[] frame = frame(target);
        double da = other.a() - target.a();
        double db = other.b() - target.b();
        double[] to =
                unit(
                        (other.l() - target.l()) / frame[0],
                        (da * frame[3] + db * frame[4]) / frame[1],
                        (db * frame[3] - da * frame[4]) / frame[2]);
        double[] aside =
                Math.abs(to[0]) < Math.abs(to[1]) ? unit(0, to[2], -to[1]) : unit(-to[2], 0, to[0]);
        double[] across = {
            to[1] * aside[2] - to[2] * aside[1],
            to[2] * aside[0] - to[0] * aside[2],
            to[0] * aside[1] - to[1] * aside[0]
        };
        List<double[]> out = new ArrayList<>();
        for (int t = 0; t < TILTS.length; t++) {
            double cos = off * Math.cos(Math.toRadians(TILTS[t]));
            double sin = off * Math.sin(Math.toRadians(TILTS[t]));
            for (int j = 0; j < TILTED[t]; j++) {
                double round = 2 * Math.PI * j / TILTED[t];
                double[] v = new double[3];
                for (int i = 0; i < 3; i++) {
                    double tilted = Math.cos(round) * aside[i] + Math.sin(round) * across[i];
                    v[i] = cos * to[i] + sin * tilted;
                }
                double[] step = along(frame, v[0], v[1], v[2]);
                out.add(
                        away(
                                target,
                                new Lab(
                                        Math.max(0, target.l() + step[0]),
                                        target.a() + step[1],
                                        target.b() + step[2])));
            }
        }
        return out;
    }

    private static double[] unit(double x, double y, double z) {
        double size = Math.sqrt(x * x + y * y + z * z);
        return new double[] {x / size, y / size, z / size};
    }

    private static double off(Lab t, double l, double a, double b) {
        return Ciede2000.of(t.l(), t.a(), t.b(), l, a, b);
    }

    private static double slope(double t) {
        return t > 216.0 / 24389 ? 1 / (3 * Math.cbrt(t * t)) : 24389.0 / 27 / 116;
    }
}
