package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntToDoubleFunction;
import org.pendrik.core.colour.Ciede2000;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * The colours that are nearer to a target than some ΔE00, as half-spaces of X, Y, Z over white.
 *
 * <p>Points about its border are kept; their support in a direction, with a margin for what lies
 * between two of them, bounds the region from outside. A small region is nearly an ellipsoid, and
 * rays from its centre find its border. A large one has lobes, blue ones above all: there the plane
 * of a* and b* is gone through on a grid, the colours of each square that may be near enough reach
 * from a lowest to a highest lightness, because CIEDE2000 keeps lightness apart, and the outermost
 * of these in many directions are kept.
 */
final class Region {
    /** Rings of rays from pole to pole; twice as many rays in a ring. */
    private static final int RINGS = 18;

    /**
     * Rays stand 10° apart, where a sphere bends away by 0.4 %; the rest is for what is no sphere.
     */
    private static final double MARGIN = 1.03;

    /** From this ΔE00 on a region counts as large. */
    private static final double LARGE = 0.8;

    private static final int HALVINGS = 22;

    /** How much further a ray is followed after it has left. */
    private static final int BEYOND = 4;

    private static final double STRIDE = 1.3;

    /** Squares of the grid from end to end. */
    private static final int GRID = 128;

    /** How often a box far from the target is looked at again. */
    private static final int AGAIN = 2;

    /** The cosine of the hue from which on ΔE00 jumps, and the squares left for that elsewhere. */
    private static final double OPPOSITE = -0.8;

    private static final double BETWEEN = 0.15;

    /** Within the border, one square in so many is enough about the target. */
    private static final int INSIDE = 3;

    /** Parts of the reach for which it is kept how far lightness may go. */
    private static final int LIGHTNESSES = 400;

    /** Directions in which the outermost point of a large region is kept. */
    private static final int KEPT = 320;

    private static final double GOLDEN = Math.PI * (3 - Math.sqrt(5));

    /** Less than any direction comes to. */
    private static final double NOWHERE = -1e6;

    private final AbPlane plane;
    private final Lab target;
    private final double reach;
    private final AbPlane.Strip strip;
    private final double[] xs;
    private final double[] ys;
    private final double[] zs;

    /** Of a large region: a*, b* and their steps, and ΔE00 without lightness at these. */
    private double[] box = {};

    private double sideA;
    private double sideB;
    private double[][] offs = {};

    /** The least that ΔE00 without lightness comes to in the squares of a finer grid about grey. */
    private double[][] greys = {};

    /** All colours nearer than {@code reach}. */
    Region(AbPlane plane, double reach) {
        this(plane, reach, AbPlane.Strip.ALL);
    }

    /** Those of them in a strip at least, and when the region is small all. */
    Region(AbPlane plane, double reach, AbPlane.Strip strip) {
        this.plane = plane;
        target = plane.target;
        this.reach = reach;
        this.strip = strip;
        List<double[]> points = large() ? outermost(grid()) : holdsTarget() ? rays() : List.of();
        xs = points.stream().mapToDouble(p -> p[0]).toArray();
        ys = points.stream().mapToDouble(p -> p[1]).toArray();
        zs = points.stream().mapToDouble(p -> p[2]).toArray();
    }

    private List<double[]> rays() {
        double[] frame = Directions.frame(target);
        List<double[]> out = new ArrayList<>();
        for (int i = 0; i < RINGS; i++) {
            double up = Math.PI * (i + 0.5) / RINGS;
            for (int j = 0; j < 2 * RINGS; j++) {
                double round = Math.PI * (j + (i % 2) * 0.5) / RINGS;
                double[] v =
                        Directions.along(
                                frame,
                                Math.cos(up),
                                Math.sin(up) * Math.cos(round),
                                Math.sin(up) * Math.sin(round));
                out.add(at(v, exit(v) * MARGIN));
            }
        }
        return out;
    }

    private double[] at(double[] v, double r) {
        return Srgb.labToRelative(
                new Lab(target.l() + r * v[0], target.a() + r * v[1], target.b() + r * v[2]));
    }

    /** Corners of all squares of a* and b* that may be near enough, at both ends of lightness. */
    private List<double[]> grid() {
        box = box();
        if (noBox(box)) {
            return List.of();
        }
        sideA = (box[1] - box[0]) / GRID;
        sideB = (box[3] - box[2]) / GRID;
        offs = new double[GRID + 1][GRID + 1];
        greys = greys(plane.greys());
        double reaches = Math.hypot(sideA, sideB) / 2;
        boolean[][] near = new boolean[GRID + 1][GRID + 1];
        double[][] left = new double[GRID + 1][GRID + 1];
        for (int i = 0; i <= GRID; i++) {
            for (int j = 0; j <= GRID; j++) {
                double a = box[0] + i * sideA;
                double b = box[2] + j * sideB;
                boolean meets = strip.meets(target, a, b, 2 * reaches);
                double off = meets ? plane.off(a, b) : Double.POSITIVE_INFINITY;
                double least = Math.max(0, off - AbPlane.steepest(a, b) * reaches);
                left[i][j] = Math.sqrt(Math.max(0, reach * reach - least * least));
                offs[i][j] = off;
                near[i][j] = least <= reach;
            }
        }
        double[] lighter = lightnesses(1);
        double[] darker = lightnesses(-1);
        int step = holdsTarget() ? INSIDE : 1;
        List<double[]> out = new ArrayList<>();
        for (int i = 0; i <= GRID; i++) {
            for (int j = 0; j <= GRID; j++) {
                double most = -1;
                boolean border = false;
                for (int x = Math.max(0, i - 1); x <= Math.min(GRID, i + 1); x++) {
                    for (int y = Math.max(0, j - 1); y <= Math.min(GRID, j + 1); y++) {
                        if (near[x][y]) {
                            most = Math.max(most, left[x][y]);
                        } else {
                            border = true;
                        }
                    }
                }
                // within the border the ends of lightness change little from square to square
                if (most >= 0 && (border || (i % step == 0 && j % step == 0))) {
                    double a = box[0] + i * sideA;
                    double b = box[2] + j * sideB;
                    int at = (int) Math.ceil(most / reach * LIGHTNESSES);
                    out.add(Srgb.labToRelative(new Lab(target.l() + lighter[at], a, b)));
                    out.add(Srgb.labToRelative(new Lab(target.l() - darker[at], a, b)));
                }
            }
        }
        return out;
    }

    /**
     * The a* and b* between which near colours lie: least and most. The whole plane of colours is
     * looked at, because CIEDE2000 can be small again far away, on the other side of grey. What is
     * there is small, and looked at again.
     */
    private double[] box() {
        double end = AbPlane.WIDEST;
        double[] out = box(new double[] {-end, end, -end, end}, plane.whole());
        for (int i = 0; i < AGAIN && !holdsTarget() && !noBox(out); i++) {
            out = box(out, plane.over(out));
        }
        return out;
    }

    private static boolean noBox(double[] box) {
        return box[0] > box[1];
    }

    /** The same within others, with ΔE00 over these. */
    private double[] box(double[] in, double[][] over) {
        double[] out = {
            Double.POSITIVE_INFINITY,
            Double.NEGATIVE_INFINITY,
            Double.POSITIVE_INFINITY,
            Double.NEGATIVE_INFINITY
        };
        double alongA = (in[1] - in[0]) / AbPlane.COARSE;
        double alongB = (in[3] - in[2]) / AbPlane.COARSE;
        double reaches = Math.hypot(alongA, alongB) * Math.sqrt(0.5);
        for (int i = 0; i < over.length; i++) {
            for (int j = 0; j < over.length; j++) {
                double a = in[0] + i * alongA;
                double b = in[2] + j * alongB;
                if (strip.meets(target, a, b, reaches)
                        && over[i][j] <= reach + AbPlane.steepest(a, b) * reaches) {
                    out[0] = Math.min(out[0], a - alongA);
                    out[1] = Math.max(out[1], a + alongA);
                    out[2] = Math.min(out[2], b - alongB);
                    out[3] = Math.max(out[3], b + alongB);
                }
            }
        }
        return out;
    }

    /** How far lightness may go one way, when shares of the reach are left for it. */
    private double[] lightnesses(int sign) {
        double[] out = new double[LIGHTNESSES + 1];
        for (int i = 0; i < out.length; i++) {
            out[i] = lightness(reach * i / LIGHTNESSES, sign);
        }
        return out;
    }

    /** How far lightness may go one way when this much ΔE00 is left for it. */
    private double lightness(double left, int sign) {
        double from = 0;
        double to = 1.8 * left + 1e-9;
        for (int i = 0; i < 12; i++) {
            double mid = (from + to) / 2;
            if (off(target.l() + sign * mid, target.a(), target.b()) <= left) {
                from = mid;
            } else {
                to = mid;
            }
        }
        return to;
    }

    /**
     * The points that are outermost in one of many directions, each pushed out a little. Lobes far
     * from the target may be thin, so all their points are kept.
     */
    private List<double[]> outermost(List<double[]> points) {
        if (points.isEmpty()) {
            return points;
        }
        double[][] steps = Directions.steps(target);
        double[] centre = centre(points);
        boolean[] kept = new boolean[points.size()];
        Arrays.fill(kept, !holdsTarget());
        for (int i = 0; i < KEPT && holdsTarget(); i++) {
            double up = 1 - 2 * (i + 0.5) / KEPT;
            double flat = Math.sqrt(1 - up * up);
            double c = flat * Math.cos(GOLDEN * i);
            double h = flat * Math.sin(GOLDEN * i);
            double[] d = new double[3];
            for (int x = 0; x < 3; x++) {
                d[x] = up * steps[0][x] + c * steps[1][x] + h * steps[2][x];
            }
            int best = 0;
            double most = Double.NEGATIVE_INFINITY;
            for (int p = 0; p < kept.length; p++) {
                double[] v = points.get(p);
                double at = d[0] * v[0] + d[1] * v[1] + d[2] * v[2];
                if (at > most) {
                    most = at;
                    best = p;
                }
            }
            kept[best] = true;
        }
        List<double[]> out = new ArrayList<>();
        for (int p = 0; p < kept.length; p++) {
            if (kept[p]) {
                double[] v = points.get(p);
                double[] pushed = new double[3];
                for (int x = 0; x < 3; x++) {
                    pushed[x] = centre[x] + (v[x] - centre[x]) * MARGIN;
                }
                out.add(pushed);
            }
        }
        return out;
    }

    /** Of the points: the target, or when it is in another strip their middle. */
    private double[] centre(List<double[]> points) {
        if (holdsTarget()) {
            return Srgb.labToRelative(target);
        }
        double[] out = new double[3];
        for (double[] point : points) {
            for (int i = 0; i < 3; i++) {
                out[i] += point[i] / points.size();
            }
        }
        return out;
    }

    /** Whether the target is in the strip. When it is not, nothing in it is very near. */
    private boolean holdsTarget() {
        return strip.meets(target, target.a(), target.b(), 0);
    }

    /** The colour from which directions are best taken. */
    Lab middle() {
        return empty() || holdsTarget() ? target : Srgb.relativeToLab(mean(xs), mean(ys), mean(zs));
    }

    private static double mean(double[] of) {
        return Arrays.stream(of).average().orElse(0);
    }

    double reach() {
        return reach;
    }

    boolean large() {
        return large(reach);
    }

    /** Whether ΔE00 is so large that the region is no ellipsoid, and may have lobes. */
    static boolean large(double reach) {
        return reach >= LARGE;
    }

    /** Whether there is no such colour. */
    boolean empty() {
        return xs.length == 0;
    }

    /**
     * The largest values of some directions over those near colours whose Y is in a slice; never
     * more than over all near colours. A slice leaves less for a* and b*: what lightness takes of
     * ΔE00 is the same for all of them.
     */
    double[] supports(double[][] directions, double[] all, double darkest, double lightest) {
        double[] out = all.clone();
        if (offs.length == 0 || empty()) {
            return out;
        }
        double l0 = Srgb.relativeToLab(darkest, darkest, darkest).l();
        double l1 = Srgb.relativeToLab(lightest, lightest, lightest).l();
        double nearest = Math.clamp(target.l(), l0, l1);
        double taken = off(nearest, target.a(), target.b());
        double left = Math.sqrt(Math.max(0, reach * reach - taken * taken));
        // a cube bends by 6 at most, so between both ends it rises by less than this
        double step = (l1 - l0) / 116;
        double bend = 0.75 * step * step;
        Outline outline = new Outline(left);
        Arrays.fill(out, NOWHERE);
        for (double l : new double[] {l0, l1}) {
            outline.extend(directions, l, bend, out);
        }
        for (int d = 0; d < out.length; d++) {
            out[d] = Math.min(out[d], all[d]);
        }
        return out;
    }

    /**
     * Where the edges of the grid cross from near to far: a*, b*, and margins of both for what lies
     * between.
     */
    private final class Outline {
        private final List<double[]> points = new ArrayList<>();

        Outline(double left) {
            if (!holdsTarget()) {
                rows(left);
                return;
            }
            for (int i = 0; i <= GRID; i++) {
                for (int j = 0; j <= GRID; j++) {
                    if (offs[i][j] > left) {
                        continue;
                    }
                    cross(i, j, -1, 0, left);
                    cross(i, j, 1, 0, left);
                    cross(i, j, 0, -1, left);
                    cross(i, j, 0, 1, left);
                }
            }
            double half = AbPlane.GREY / AbPlane.FINE;
            for (int i = 0; i < greys.length; i++) {
                double[] row = greys[i];
                ends(left, i, row.length, j -> row[j], AbPlane::grey, AbPlane::grey, half, half);
            }
            if (points.isEmpty()) {
                // near colours may lie between the points of the grid
                rows(left);
            }
        }

        /**
         * The first and the last square of each row of the grid, by the least that they may have.
         */
        private void rows(double left) {
            double reaches = Math.hypot(sideA, sideB) / 2;
            IntToDoubleFunction a = i -> box[0] + i * sideA;
            IntToDoubleFunction b = j -> box[2] + j * sideB;
            for (int i = 0; i <= GRID; i++) {
                double[] row = offs[i];
                double at = a.applyAsDouble(i);
                ends(
                        left,
                        i,
                        row.length,
                        j -> row[j] - AbPlane.steepest(at, b.applyAsDouble(j)) * reaches,
                        a,
                        b,
                        sideA / 2,
                        sideB / 2);
            }
        }

        private void ends(
                double left,
                int i,
                int many,
                IntToDoubleFunction least,
                IntToDoubleFunction a,
                IntToDoubleFunction b,
                double marginA,
                double marginB) {
            int first = 0;
            int last = many - 1;
            while (first < many && least.applyAsDouble(first) > left) {
                first++;
            }
            while (last > first && least.applyAsDouble(last) > left) {
                last--;
            }
            if (first < many) {
                double at = a.applyAsDouble(i);
                points.add(new double[] {at, b.applyAsDouble(first), marginA, marginB});
                points.add(new double[] {at, b.applyAsDouble(last), marginA, marginB});
            }
        }

        private void cross(int i, int j, int di, int dj, double left) {
            int x = i + di;
            int y = j + dj;
            boolean ends = x < 0 || y < 0 || x > GRID || y > GRID;
            double beyond = ends ? left : offs[x][y];
            if (!ends && beyond <= left) {
                return;
            }
            double t = ends ? 1 : (left - offs[i][j]) / (beyond - offs[i][j]);
            double a = box[0] + (i + di * t) * sideA;
            double b = box[2] + (j + dj * t) * sideB;
            double margin = opposite(a, b) ? 1 : BETWEEN;
            points.add(new double[] {a, b, margin * sideA, margin * sideB});
        }

        /** What the directions come to at most where lightness is l. */
        void extend(double[][] directions, double l, double bend, double[] most) {
            double y = Srgb.labToRelative(new Lab(l, 0, 0))[1];
            for (double[] at : points) {
                // X grows with a*, Z falls with b*
                double[] large = Srgb.labToRelative(new Lab(l, at[0] + at[2], at[1] - at[3]));
                double[] small = Srgb.labToRelative(new Lab(l, at[0] - at[2], at[1] + at[3]));
                for (int d = 0; d < directions.length; d++) {
                    double[] u = directions[d];
                    double sum =
                            u[0] * (u[0] > 0 ? large[0] : small[0])
                                    + u[1] * y
                                    + u[2] * (u[2] > 0 ? large[2] : small[2]);
                    most[d] = Math.max(most[d], sum + bend);
                }
            }
        }

        /** Whether hue is about to turn to the other side: there ΔE00 jumps. */
        private boolean opposite(double a, double b) {
            double along = a * target.a() + b * target.b();
            return along < OPPOSITE * Math.hypot(a, b) * target.chroma();
        }
    }

    /** The least that squares about grey may come to. */
    private double[][] greys(double[][] over) {
        double reaches = Math.sqrt(2) * AbPlane.GREY / AbPlane.FINE;
        double[][] out = new double[over.length][over.length];
        for (int i = 0; i < over.length; i++) {
            for (int j = 0; j < over.length; j++) {
                double a = AbPlane.grey(i);
                double b = AbPlane.grey(j);
                out[i][j] =
                        strip.meets(target, a, b, reaches)
                                ? over[i][j] - AbPlane.steepest(a, b) * reaches
                                : Double.POSITIVE_INFINITY;
            }
        }
        return out;
    }

    /** The largest value of a direction over the region. */
    double support(double x, double y, double z) {
        double most = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < xs.length; i++) {
            most = Math.max(most, x * xs[i] + y * ys[i] + z * zs[i]);
        }
        return most;
    }

    private double exit(double[] v) {
        double r = reach;
        double last = 0;
        int outside = 0;
        double out = r;
        while (outside < BEYOND) {
            if (offAt(v, r) <= reach) {
                last = r;
                outside = 0;
            } else {
                if (outside == 0) {
                    out = r;
                }
                outside++;
            }
            r *= STRIDE;
            if (r > 1e4) {
                break;
            }
        }
        double from = last;
        double to = Math.max(out, last);
        for (int i = 0; i < HALVINGS && to > from; i++) {
            double mid = (from + to) / 2;
            if (offAt(v, mid) <= reach) {
                from = mid;
            } else {
                to = mid;
            }
        }
        return to;
    }

    private double offAt(double[] v, double r) {
        return off(target.l() + r * v[0], target.a() + r * v[1], target.b() + r * v[2]);
    }

    private double off(double l, double a, double b) {
        return Ciede2000.of(target.l(), target.a(), target.b(), l, a, b);
    }
}
