package org.pendrik.core.recipe;

import java.util.Arrays;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * Finds every recipe of one choice of paints that is nearer than a bound, without trying them all.
 *
 * <p>The mixes of some paints, each with at least one drop, fill a simplex. Over a cell of it the
 * reflectance of each band, convex in K/S, lies between its tangent at the middle and its chords
 * between the corners; where S changes from corner to corner, both are widened by the product of
 * two spans, which is of second order like the gap itself. Summed over the bands, X, Y and Z of
 * every mix lie between two planes. A direction of {@link Region} in which all corners lie outside
 * rules the cell out; else each direction is one linear inequality on the drops. The whole numbers
 * of drops that satisfy all of them are tried; where they are many, the cell is halved at its
 * longest edge, and each half is asked by a {@link Slice} first.
 *
 * <p>Guarantee: no recipe inside the half-spaces of the region is passed over, up to rounding (1e-9
 * of the drops). That the half-spaces hold all near colours rests on {@link Region}'s samples and
 * margin.
 */
final class Prover {
    private static final int BANDS = Kernel.BANDS;

    /** How often a slice that stays is halved, and from which Y on. */
    private static final int HALVINGS = 6;

    private static final double THICK = 0.0005;
    private static final int DEPTH = 24;

    /** Directions asked before a difference is computed: the plain ones, which come first. */
    private static final int PLAIN = 6;

    private static final int DIRECTIONS = Aim.DIRECTIONS;

    /** A region that has shrunk less is not drawn anew. */
    private static final double SHRUNK = 0.93;

    /** From this many drops sets on it is cheaper to halve the cell. */
    private static final int MANY = 60;

    /** With more recipes than this in a cell, its inequalities would not be worth their time. */
    private static final int LARGE = 100;

    /** Steps towards the nearest point. */
    private static final int ROUNDS = 8;

    /** No two colours are farther apart. */
    private static final double FARTHEST = 200;

    private final Kernel kernel;
    private final Limits limits;
    private final Lab target;
    private final double tolerance;
    private @Nullable Aim aim;
    private Found best;

    private final int[] chosen = new int[4];
    private int p;
    private final Cell[] cells = new Cell[DEPTH + 1];

    private final double[] r = new double[BANDS];
    private final double[] kk = new double[BANDS];
    private final double[] ss = new double[BANDS];
    private final Planes planes;
    private final Rows rows = new Rows();

    private final double[] nearest = new double[3];
    private final double[] weights = new double[4];
    private final double[][] placed = new double[4][3];
    private final double[][] steps;
    private final double[] centre;
    private final int[] order = new int[DIRECTIONS];
    private final double[][] outside = new double[4][DIRECTIONS];

    /** The positive and negative parts of the directions, by axis. */
    private final double[][] up = new double[3][DIRECTIONS];

    private final double[][] down = new double[3][DIRECTIONS];
    private final Lattice[] lattices;

    private final Slice slice;
    private final BandMath bands;
    private double[] supports = new double[0];
    private long tried;
    private long choices;

    Prover(
            Kernel kernel,
            Limits limits,
            Lattice[] lattices,
            Lab target,
            double tolerance,
            double[] targetRatio,
            Found start) {
        planes = new Planes(kernel);
        bands = new BandMath(kernel);
        slice = new Slice(kernel, bands, targetRatio, HALVINGS, THICK);
        this.lattices = lattices;
        this.kernel = kernel;
        this.limits = limits;
        this.target = target;
        this.tolerance = tolerance;
        best = start;
        steps = Region.steps(target);
        centre = Srgb.labToRelative(target);
        for (int i = 0; i <= DEPTH; i++) {
            cells[i] = new Cell();
        }
        for (int i = 0; i < 4; i++) {
            cells[0].corners[i] = new Corner();
        }
    }

    Found best() {
        return best;
    }

    /** Takes over what another has found when it is better. */
    void heed(Prover other) {
        if (other.best.off() < best.off()) {
            best = other.best;
        }
        if (other.aim != null && (aim == null || other.aim.reach() < aim.reach())) {
            aim = other.aim;
            turn();
        }
    }

    /** Draws the region anew when it has shrunk enough; before the first choice, too. */
    void renew() {
        double reach = best.off() - tolerance;
        boolean little = aim != null && reach > aim.reach() * SHRUNK;
        if (!little && reach > 0 && reach < FARTHEST) {
            aim = new Aim(target, best.off(), tolerance, colour(best.drops()));
            turn();
        }
    }

    /** Keeps the parts of the directions as they are used. */
    private void turn() {
        Aim now = aim;
        if (now == null) {
            return;
        }
        supports = now.supports;
        for (int i = 0; i < DIRECTIONS; i++) {
            double[] d = now.directions[i];
            for (int x = 0; x < 3; x++) {
                up[x][i] = Math.max(0, d[x]);
                down[x][i] = Math.min(0, d[x]);
            }
        }
    }

    private Lab colour(int[] drops) {
        Arrays.fill(kk, 0);
        Arrays.fill(ss, 0);
        for (int i = 0; i < drops.length; i++) {
            add(kk, kernel.k[i], drops[i]);
            add(ss, kernel.s[i], drops[i]);
        }
        kernel.seen(kk, ss, r);
        return kernel.lab(r);
    }

    /** What is still better than the best; none while nothing is known. */
    @Nullable Aim aim() {
        return aim;
    }

    long tried() {
        return tried;
    }

    long choices() {
        return choices;
    }

    boolean done() {
        return best.off() - tolerance <= 0;
    }

    /** Goes through the recipes of some paints, by index, each with a drop at least. */
    void prove(int... paints) {
        if (done()) {
            return;
        }
        choices++;
        p = paints.length;
        rows.p = p;
        System.arraycopy(paints, 0, chosen, 0, p);
        int n = limits.mostDrops;
        Aim now = aim;
        if (p < 2 || n < p + 2 || now == null) {
            all();
            return;
        }
        if (slice.out(chosen, p, n - p, now)) {
            return;
        }
        if (p == 2) {
            all();
            return;
        }
        start(n);
        for (int i = 0; i < p; i++) {
            cells[0].corners[i].see(kernel);
        }
        forms(cells[0], n);
        System.arraycopy(slice.own, 0, cells[0].points, 0, 4);
        cell(0);
    }

    private void start(int n) {
        Cell c = cells[0];
        Arrays.fill(kk, 0);
        Arrays.fill(ss, 0);
        double all = 0;
        for (int i = 0; i < p; i++) {
            add(kk, kernel.k[chosen[i]], 1);
            add(ss, kernel.s[chosen[i]], 1);
            all += kernel.level[chosen[i]];
        }
        double more = n - p;
        boolean flat = true;
        for (int i = 0; i < p; i++) {
            flat &= kernel.flat[chosen[i]];
        }
        for (int i = 0; i < p; i++) {
            Corner v = c.corners[i];
            double level = all + more * kernel.level[chosen[i]];
            v.level = level;
            v.flat = flat;
            blend(kk, kernel.k[chosen[i]], more, 1 / level, v.k);
            blend(ss, kernel.s[chosen[i]], more, 1 / level, v.s);
            v.changed();
        }
    }

    /** Drops d = Σ y v with v = 1 + more · e, so y = (d − Σd / n) / more. */
    private void forms(Cell c, int n) {
        double more = n - p;
        for (int i = 0; i < p; i++) {
            for (int j = 0; j < p; j++) {
                c.forms[i][j] = ((i == j ? 1 : 0) - 1.0 / n) / more;
            }
        }
    }

    private static void blend(
            double[] one, double[] more, double times, double scale, double[] out) {
        for (int b = 0; b < BANDS; b++) {
            out[b] = (one[b] + times * more[b]) * scale;
        }
    }

    private static void add(double[] to, double[] what, double times) {
        for (int b = 0; b < BANDS; b++) {
            to[b] += times * what[b];
        }
    }

    private void cell(int depth) {
        Cell c = cells[depth];
        if (depth > 0 && slice.out(c.points, p, c.corners[0].flat, Objects.requireNonNull(aim))) {
            return;
        }
        if (lattices[p].drops.length >> depth > LARGE && depth < DEPTH) {
            halve(depth);
            return;
        }
        planes.bound(c.corners, p);
        if (!open(c) || apart(c)) {
            return;
        }
        points(c, depth);
        if (rows.found <= MANY || depth == DEPTH) {
            int[][] drops = lattices[p].drops;
            for (int i = 0; i < rows.found; i++) {
                judge(drops[rows.points[i]]);
            }
            return;
        }
        halve(depth);
    }

    /** Whether no direction rules the cell out; gathers the inequalities on drops. */
    private boolean open(Cell c) {
        for (int i = 0; i < p; i++) {
            measure(planes.low[i], planes.high[i], outside[i]);
        }
        double[] o0 = outside[0];
        double[] o1 = outside[1];
        double[] o2 = outside[2];
        double[] o3 = outside[p - 1];
        int at = 0;
        for (int corners = p - 1; corners >= 1; corners--) {
            for (int d = 0; d < DIRECTIONS; d++) {
                int out =
                        (o0[d] > 0 ? 1 : 0)
                                + (o1[d] > 0 ? 1 : 0)
                                + (o2[d] > 0 ? 1 : 0)
                                + (p == 4 && o3[d] > 0 ? 1 : 0);
                if (out == p) {
                    return false;
                }
                if (out == corners) {
                    order[at++] = d;
                }
            }
        }
        rows.many = at;
        for (int i = 0; i < at; i++) {
            int d = order[i];
            double[] h = rows.half[i];
            for (int j = 0; j < p; j++) {
                double sum = 0;
                for (int x = 0; x < p; x++) {
                    sum += outside[x][d] * c.corners[x].level * c.forms[x][j];
                }
                h[j] = sum;
            }
            rows.finish(h);
        }
        return true;
    }

    /**
     * Asks one more direction, made for this cell: that in which ΔE00 grows at the point of the
     * corners' hull that is nearest to the target. True when it rules the cell out; else it is one
     * more row, the first. The point is found by a few steps of E. G. Gilbert's method ("An
     * iterative procedure for computing the minimum of a quadratic form on a convex set", SIAM
     * Journal on Control 4 (1966), 61–80), with weights of the corners; whatever they come to, the
     * direction is judged by the same bounds as the others.
     */
    private boolean apart(Cell cell) {
        double[] v = nearest;
        for (int i = 0; i < p; i++) {
            for (int f = 0; f < 3; f++) {
                double sum = 0;
                for (int x = 0; x < 3; x++) {
                    sum += steps[f][x] * ((planes.low[i][x] + planes.high[i][x]) / 2 - centre[x]);
                }
                placed[i][f] = sum;
            }
            weights[i] = i == 0 ? 1 : 0;
        }
        System.arraycopy(placed[0], 0, v, 0, 3);
        for (int round = 0; round < ROUNDS; round++) {
            int best = 0;
            double least = Double.POSITIVE_INFINITY;
            for (int i = 0; i < p; i++) {
                double[] x = placed[i];
                double along = v[0] * x[0] + v[1] * x[1] + v[2] * x[2];
                if (along < least) {
                    least = along;
                    best = i;
                }
            }
            double size = v[0] * v[0] + v[1] * v[1] + v[2] * v[2];
            if (size - least < 1e-3 * size) {
                break;
            }
            double[] x = placed[best];
            double dx = x[0] - v[0];
            double dy = x[1] - v[1];
            double dz = x[2] - v[2];
            double go =
                    Math.clamp(
                            -(v[0] * dx + v[1] * dy + v[2] * dz) / (dx * dx + dy * dy + dz * dz),
                            0,
                            1);
            v[0] += go * dx;
            v[1] += go * dy;
            v[2] += go * dz;
            for (int i = 0; i < p; i++) {
                weights[i] = (1 - go) * weights[i] + (i == best ? go : 0);
            }
        }
        double size = v[0] * v[0] + v[1] * v[1] + v[2] * v[2];
        Region now = Objects.requireNonNull(aim).region;
        if (size < now.reach() * now.reach() / 4) {
            return false;
        }
        double px = 0;
        double py = 0;
        double pz = 0;
        for (int i = 0; i < p; i++) {
            px += weights[i] * (planes.low[i][0] + planes.high[i][0]) / 2;
            py += weights[i] * (planes.low[i][1] + planes.high[i][1]) / 2;
            pz += weights[i] * (planes.low[i][2] + planes.high[i][2]) / 2;
        }
        double[] d = Region.away(target, Srgb.relativeToLab(px, py, pz));
        double most = now.support(d[0], d[1], d[2]);
        double[] h = rows.half[rows.many];
        Arrays.fill(h, 0);
        boolean out = true;
        for (int i = 0; i < p; i++) {
            double m = -most;
            for (int x = 0; x < 3; x++) {
                m += d[x] * (d[x] > 0 ? planes.low[i][x] : planes.high[i][x]);
            }
            out &= m > 0;
            double weight = m * cell.corners[i].level;
            for (int j = 0; j < p; j++) {
                h[j] += weight * cell.forms[i][j];
            }
        }
        if (out) {
            return true;
        }
        rows.finish(h);
        rows.half[rows.many] = rows.half[0];
        rows.half[0] = h;
        rows.many++;
        return false;
    }

    /** How far outside a corner is in each direction, at the least. */
    private void measure(double[] under, double[] over, double[] out) {
        double l0 = under[0];
        double l1 = under[1];
        double l2 = under[2];
        double h0 = over[0];
        double h1 = over[1];
        double h2 = over[2];
        double[] p0 = up[0];
        double[] p1 = up[1];
        double[] p2 = up[2];
        double[] n0 = down[0];
        double[] n1 = down[1];
        double[] n2 = down[2];
        double[] most = supports;
        for (int d = 0; d < DIRECTIONS; d++) {
            out[d] =
                    p0[d] * l0
                            + p1[d] * l1
                            + p2[d] * l2
                            + n0[d] * h0
                            + n1[d] * h1
                            + n2[d] * h2
                            - most[d];
        }
    }

    /** The recipes in the cell that satisfy all rows, at most MANY + 1 of them. */
    private void points(Cell cell, int depth) {
        // the first cell is all there is
        for (int i = 0; i < p && depth > 0; i++) {
            double[] h = rows.half[rows.many++];
            for (int j = 0; j < p; j++) {
                h[j] = -cell.forms[i][j];
            }
            rows.finish(h);
        }
        Lattice all = lattices[p];
        rows.find(all, limits.mostDrops, depth == DEPTH ? all.drops.length : MANY + 1);
    }

    /** All recipes of the chosen paints. */
    private void all() {
        int[] d = new int[4];
        fill(d, 0, limits.mostDrops);
    }

    private void fill(int[] d, int at, int left) {
        if (at == p) {
            judge(d);
            return;
        }
        for (int x = 1; x <= left - (p - at - 1); x++) {
            d[at] = x;
            fill(d, at + 1, left - x);
        }
        d[at] = 0;
    }

    private void judge(int[] d) {
        tried++;
        kernel.seen(
                kernel.k[chosen[0]],
                kernel.s[chosen[0]],
                d[0],
                p > 1 ? chosen[1] : chosen[0],
                p > 1 ? d[1] : 0,
                p > 2 ? chosen[2] : chosen[0],
                p > 2 ? d[2] : 0,
                p > 3 ? chosen[3] : chosen[0],
                p > 3 ? d[3] : 0,
                r);
        double x = Kernel.dot(kernel.w[0], r);
        double y = Kernel.dot(kernel.w[1], r);
        double z = Kernel.dot(kernel.w[2], r);
        Aim now = aim;
        for (int i = 0; now != null && i < PLAIN; i++) {
            double[] a = now.directions[i];
            if (a[0] * x + a[1] * y + a[2] * z > now.nears[i]) {
                return;
            }
        }
        double off = kernel.difference(target, x, y, z);
        if (off >= best.off()) {
            return;
        }
        take(d, off);
    }

    /** Keeps a better recipe when the limits allow it. */
    private void take(int[] d, double off) {
        int total = 0;
        for (int i = 0; i < p; i++) {
            total += d[i];
        }
        for (int i = 0; i < p; i++) {
            if (!limits.enough(chosen[i], d[i], total)) {
                return;
            }
        }
        int[] drops = new int[kernel.paints];
        Arrays.fill(kk, 0);
        Arrays.fill(ss, 0);
        for (int i = 0; i < p; i++) {
            drops[chosen[i]] = d[i];
            add(kk, kernel.k[chosen[i]], d[i]);
            add(ss, kernel.s[chosen[i]], d[i]);
        }
        if (!limits.opaque(drops, kk, ss)) {
            return;
        }
        best = new Found(drops, off);
        renew();
    }

    /** Halves the cell at the edge whose corners look most different. */
    private void halve(int depth) {
        Cell c = cells[depth];
        int one = 0;
        int two = 1;
        double longest = -1;
        for (int i = 0; i < p; i++) {
            for (int j = i + 1; j < p; j++) {
                double length = 0;
                for (int b = 0; b < BANDS; b++) {
                    double d = c.corners[i].r[b] - c.corners[j].r[b];
                    length += d * d;
                }
                if (length > longest) {
                    longest = length;
                    one = i;
                    two = j;
                }
            }
        }
        Corner a = c.corners[one];
        Corner z = c.corners[two];
        Corner m = c.middle;
        // corners weigh by their mean S, so equal weights are y · level = 1 each
        double ya = 1 / a.level;
        double yz = 1 / z.level;
        m.level = 2;
        m.flat = a.flat && z.flat;
        for (int b = 0; b < BANDS; b++) {
            m.k[b] = (a.k[b] + z.k[b]) / 2;
            m.s[b] = (a.s[b] + z.s[b]) / 2;
        }
        m.changed();
        m.see(kernel);
        bands.between(c.points[one], c.points[two], 0.5f, c.point);
        child(depth, one, two, ya, yz);
        child(depth, two, one, yz, ya);
    }

    /**
     * The half that keeps corner {@code kept}; the middle takes the place of {@code gone}. With m =
     * g · gone + e · kept, a mix of y(gone), y(kept) has y(gone)/g of m and y(kept) − e ·
     * y(gone)/g.
     */
    private void child(int depth, int gone, int kept, double g, double e) {
        Cell from = cells[depth];
        Cell to = cells[depth + 1];
        for (int i = 0; i < p; i++) {
            to.corners[i] = i == gone ? from.middle : from.corners[i];
            to.points[i] = i == gone ? from.point : from.points[i];
            for (int j = 0; j < p; j++) {
                double y = from.forms[i][j];
                if (i == gone) {
                    y = y / g;
                } else if (i == kept) {
                    y -= e / g * from.forms[gone][j];
                }
                to.forms[i][j] = y;
            }
        }
        cell(depth + 1);
    }
}
