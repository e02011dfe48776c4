package org.pendrik.core.recipe.bound;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import org.pendrik.core.colour.Ciede2000;
import org.pendrik.core.colour.Lab;

/**
 * The colours nearer to a target than some ΔE00, enclosed in boxes of L*, a* and b*.
 *
 * <p>The square of CIEDE2000 is a part of L* plus a part of a* and b*. So the plane of a* and b* is
 * cut into cells, cells that may hold near colours are cut in four again and again, and what a cell
 * leaves of the square is left for lightness. Cells are of chroma and hue, since the difference
 * jumps where hues are opposite and turns fast about grey: both are edges of cells. The least in a
 * cell is taken to lie below the least at its middle and corners by a part of what these differ by.
 *
 * <p>Saturated colours may be "near" to a grey beyond all others, so near colours may fall into
 * {@link #parts}; the part away from the target is small and is cut finer.
 *
 * <p>Guarantee: sampled with that margin, shown by a test that looks for near colours outside; no
 * formula. Cost: with the supports in all directions, four to eight milliseconds, whatever the
 * reach.
 */
final class NearColours {
    /** Beyond the chroma of the most vivid surface there can be (MacAdam 1935). */
    private static final double MOST_CHROMA = 200;

    /** Cells of chroma and of hue to begin with; the target's hue is in the middle. */
    private static final int CHROMAS = 50;

    private static final int HUES = 48;
    private static final double CHROMA_STEP = MOST_CHROMA / CHROMAS;
    private static final double HUE_STEP = 2 * Math.PI / HUES;

    /** The difference may vary by so much over a cell, as a part of what near colours span. */
    private static final double FINE = 0.08;

    /** What a part away from the target is taken to span at least, as a part of the reach. */
    private static final double SHALLOWEST = 0.02;

    /** How often such a part is cut anew, as it turns out to be smaller. */
    private static final int AGAIN = 3;

    /**
     * How far the least of a cell may lie below the least of its middle and corners, in parts of
     * what these differ by: of a small cell, over which the difference hardly bends, and of others,
     * in which the target itself may lie.
     */
    private static final double MARGIN = 0.5;

    private static final double COARSE_MARGIN = 1;
    private static final int DEEPEST = 16;

    /** Steps of the reach for which it is kept how far lightness may go. */
    private static final int LIGHTNESSES = 400;

    private static final int HALVINGS = 12;

    /** No step of one ΔE00 in lightness is larger, S_L of L* 0 and 100. */
    private static final double STEEPEST = 1.8;

    /** Hues just short of opposite. */
    private static final double SHORT = 1e-9;

    /** The cube root of Y under which L* runs straight (CIE 15:2018). */
    private static final double STRAIGHT = 6.0 / 29;

    private final Lab target;
    private final double reach;
    private final double fine;
    private final double hue;
    private final double[] lighter;
    private final double[] darker;
    private final List<Box> boxes = new ArrayList<>();
    private double least = Double.POSITIVE_INFINITY;

    /** Colours, with the first cell that they are in. */
    private record Box(
            int cell,
            double a,
            double b,
            double halfA,
            double halfB,
            double darkest,
            double lightest) {}

    /** Chroma and turn from the target's hue between which a cell lies. */
    private record Cell(double c0, double c1, double h0, double h1) {
        double chroma() {
            return (c0 + c1) / 2;
        }

        double turn() {
            return (h0 + h1) / 2;
        }
    }

    private NearColours(Lab target, double reach, double fine, boolean[] cells) {
        this.target = target;
        this.reach = reach;
        this.fine = fine;
        hue = target.chroma() > 0 ? Math.atan2(target.b(), target.a()) : 0;
        lighter = lightnesses(1);
        darker = lightnesses(-1);
        double[][] at = new double[CHROMAS + 1][HUES + 1];
        for (int i = 0; i <= CHROMAS; i++) {
            for (int j = 0; j <= HUES; j++) {
                at[i][j] = off(i * CHROMA_STEP, turn(j));
            }
        }
        for (int i = 0; i < CHROMAS; i++) {
            for (int j = 0; j < HUES; j++) {
                if (cells[i * HUES + j]) {
                    Cell cell =
                            new Cell(i * CHROMA_STEP, (i + 1) * CHROMA_STEP, turn(j), turn(j + 1));
                    double[] corners = {at[i][j], at[i][j + 1], at[i + 1][j], at[i + 1][j + 1]};
                    cut(i * HUES + j, cell, corners, 0);
                }
            }
        }
    }

    private static double turn(int j) {
        return (j - HUES / 2.0) * HUE_STEP;
    }

    /**
     * All colours nearer to a target than a reach: those about the target, and when there are any
     * that these do not touch, those too.
     *
     * @param reach ΔE00, above 0
     */
    static List<NearColours> parts(Lab target, double reach) {
        boolean[] everywhere = new boolean[CHROMAS * HUES];
        Arrays.fill(everywhere, true);
        NearColours all = new NearColours(target, reach, FINE * reach, everywhere);
        boolean[] about = all.aboutTarget();
        boolean[] away = new boolean[CHROMAS * HUES];
        boolean some = false;
        for (Box box : all.boxes) {
            away[box.cell] = !about[box.cell];
            some |= away[box.cell];
        }
        if (!some) {
            return List.of(all);
        }
        NearColours far = new NearColours(target, reach, FINE * reach, away);
        for (int i = 0; i < AGAIN && !far.empty(); i++) {
            double spans = Math.max(reach - far.least, SHALLOWEST * reach);
            far = new NearColours(target, reach, FINE * spans, away);
        }
        NearColours near = new NearColours(target, reach, FINE * reach, about);
        return far.empty() ? List.of(near) : List.of(near, far);
    }

    /** The first cells that are connected with the target's. */
    private boolean[] aboutTarget() {
        boolean[] some = new boolean[CHROMAS * HUES];
        for (Box box : boxes) {
            some[box.cell] = true;
        }
        boolean[] out = new boolean[some.length];
        int ring = (int) Math.min(CHROMAS - 1.0, target.chroma() / CHROMA_STEP);
        Deque<Integer> open = new ArrayDeque<>(List.of(ring * HUES + HUES / 2));
        out[open.element()] = true;
        while (!open.isEmpty()) {
            int at = open.remove();
            for (int dc = -1; dc <= 1; dc++) {
                for (int dh = -1; dh <= 1; dh++) {
                    int c = at / HUES + dc;
                    int to = c * HUES + Math.floorMod(at % HUES + dh, HUES);
                    if (c >= 0 && c < CHROMAS && some[to] && !out[to]) {
                        out[to] = true;
                        open.add(to);
                    }
                }
            }
        }
        return out;
    }

    /** ΔE00 without lightness, at a chroma and a turn from the hue of the target. */
    private double off(double c, double turn) {
        double h = hue + Math.clamp(turn, SHORT - Math.PI, Math.PI - SHORT);
        return off(target.l(), c * Math.cos(h), c * Math.sin(h));
    }

    private double off(double l, double a, double b) {
        return Ciede2000.of(target.l(), target.a(), target.b(), l, a, b);
    }

    /**
     * Cuts a cell until it is fine, or free of near colours.
     *
     * @param corners the difference at c0 and h0, c0 and h1, c1 and h0, c1 and h1
     */
    private void cut(int first, Cell cell, double[] corners, int depth) {
        double c = cell.chroma();
        double h = cell.turn();
        double middle = off(c, h);
        double low = middle;
        double high = middle;
        for (double corner : corners) {
            low = Math.min(low, corner);
            high = Math.max(high, corner);
        }
        boolean small = high - low <= fine || depth == DEEPEST;
        double bound = Math.max(0, low - (small ? MARGIN : COARSE_MARGIN) * (high - low));
        if (bound > reach) {
            return;
        }
        if (small) {
            least = Math.min(least, low);
            add(first, cell, bound);
            return;
        }
        double inner = off(cell.c0, h);
        double outer = off(cell.c1, h);
        double left = off(c, cell.h0);
        double right = off(c, cell.h1);
        int next = depth + 1;
        Cell one = new Cell(cell.c0, c, cell.h0, h);
        cut(first, one, new double[] {corners[0], inner, left, middle}, next);
        Cell two = new Cell(cell.c0, c, h, cell.h1);
        cut(first, two, new double[] {inner, corners[1], middle, right}, next);
        Cell three = new Cell(c, cell.c1, cell.h0, h);
        cut(first, three, new double[] {left, middle, corners[2], outer}, next);
        Cell four = new Cell(c, cell.c1, h, cell.h1);
        cut(first, four, new double[] {middle, right, outer, corners[3]}, next);
    }

    private void add(int first, Cell cell, double least) {
        double h = hue + cell.turn();
        double along = (cell.c1 - cell.c0) / 2;
        double across = cell.c1 * Math.sin((cell.h1 - cell.h0) / 2);
        double cos = Math.cos(h);
        double sin = Math.sin(h);
        double left = Math.sqrt(reach * reach - least * least) / reach;
        int at = (int) Math.ceil(left * LIGHTNESSES);
        boxes.add(
                new Box(
                        first,
                        cell.chroma() * cos,
                        cell.chroma() * sin,
                        along * Math.abs(cos) + across * Math.abs(sin),
                        along * Math.abs(sin) + across * Math.abs(cos),
                        Math.max(0, target.l() - darker[at]),
                        target.l() + lighter[at]));
    }

    /** How far lightness may go one way, when steps of the reach are left for it. */
    private double[] lightnesses(int sign) {
        double[] out = new double[LIGHTNESSES + 1];
        for (int i = 0; i < out.length; i++) {
            double left = reach * i / LIGHTNESSES;
            double from = 0;
            double to = STEEPEST * left + 1e-9;
            for (int x = 0; x < HALVINGS; x++) {
                double mid = (from + to) / 2;
                if (off(target.l() + sign * mid, target.a(), target.b()) <= left) {
                    from = mid;
                } else {
                    to = mid;
                }
            }
            out[i] = to;
        }
        return out;
    }

    boolean empty() {
        return boxes.isEmpty();
    }

    /** The middle of these colours. */
    Lab middle() {
        return new Lab(
                boxes.stream().mapToDouble(x -> (x.darkest + x.lightest) / 2).average().orElse(0),
                boxes.stream().mapToDouble(Box::a).average().orElse(0),
                boxes.stream().mapToDouble(Box::b).average().orElse(0));
    }

    /** The largest values of some directions in X, Y, Z over these colours. */
    double[] supports(double[][] directions) {
        double[] out = new double[directions.length];
        Arrays.fill(out, Double.NEGATIVE_INFINITY);
        for (Box box : boxes) {
            for (int d = 0; d < out.length; d++) {
                out[d] = Math.max(out[d], support(box, directions[d]));
            }
        }
        return out;
    }

    /**
     * With f = (L* + 16) / 116, X is the cube of f + a/500 and Z that of f − b/200, so a direction
     * is a cubic in f: largest at an end of its range, or where its slope, a quadratic, is 0.
     */
    private static double support(Box box, double[] u) {
        double low = (box.darkest + 16) / 116;
        double high = (box.lightest + 16) / 116;
        double a = (box.a + Math.copySign(box.halfA, u[0])) / 500;
        double b = (box.b - Math.copySign(box.halfB, u[2])) / 200;
        double most = Math.max(value(u, low, a, b), value(u, high, a, b));
        double square = u[0] + u[1] + u[2];
        double linear = 2 * (u[0] * a - u[2] * b);
        double constant = u[0] * a * a + u[2] * b * b;
        double inner = linear * linear - 4 * square * constant;
        if (inner > 0 && square != 0) {
            double root = Math.sqrt(inner);
            double one = (-linear - root) / (2 * square);
            double other = (-linear + root) / (2 * square);
            if (one > low && one < high) {
                most = Math.max(most, value(u, one, a, b));
            }
            if (other > low && other < high) {
                most = Math.max(most, value(u, other, a, b));
            }
        }
        return most;
    }

    private static double value(double[] u, double f, double a, double b) {
        return u[0] * relative(f + a) + u[1] * relative(f) + u[2] * relative(f - b);
    }

    private static double relative(double f) {
        return f > STRAIGHT ? f * f * f : (116 * f - 16) * 27 / 24389;
    }
}
