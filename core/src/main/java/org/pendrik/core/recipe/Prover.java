package org.pendrik.core.recipe;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.colour.Lab;

/**
 * Finds every recipe of some choices of paints that is nearer than a bound, without trying them
 * all.
 *
 * <p>Choices wait until there are enough to be looked at together by a {@link Slice}: first over
 * the whole range of Y, then, what that leaves, over its halves. What stays is tried, all recipes
 * of a choice side by side ({@link Trial}). Where these are too many, the range of Y is halved
 * again, and in the slices that stay each half-space is a linear inequality on the drops ({@link
 * Piece}); {@link Rows} finds those that satisfy all. Where they still are many, the simplex of the
 * mixes is halved at its longest edge, again and again, and the cells are looked at together.
 *
 * <p>Guarantee: no recipe inside the half-spaces of the region is passed over, up to rounding. That
 * the half-spaces hold all near colours rests on {@link Region}'s samples and margin.
 */
final class Prover {
    private static final int BANDS = Kernel.BANDS;

    /**
     * Choices are looked at together that are cut alike: by their light paints, and level or not.
     */
    private static final int KINDS = 10;

    /** How often a slice that stays is halved, and from which Y on. */
    private static final int HALVINGS = 2;

    private static final double THICK = 0.0005;

    /** From this many recipes on it is cheaper to cut what they are in. */
    private static final int MANY = 50;

    /** So few recipes of a choice are tried without a look at it. */
    private static final int AT_ONCE = 64;

    /** So few are tried after one look. */
    private static final int SMALL = 200;

    /** And so many after two more, rather than looking closer. */
    private static final int MANY_OF_ALL = 1200;

    /** So few are tried one by one. */
    private static final int FEW = 8;

    /** How often a cell is halved at a time, and at most. */
    private static final int SPLIT = 3;

    private static final int DEPTH = 24;

    /** A region that has shrunk less is not drawn anew. */
    private static final double SHRUNK = 0.93;

    /** No two colours are farther apart. */
    private static final double FARTHEST = 200;

    private final Kernel kernel;
    private final Limits limits;
    private final AbPlane plane;
    private final Lab target;
    private final double tolerance;
    private AbPlane.Strip strip = AbPlane.Strip.ALL;
    private @Nullable Aim aim;
    private Found best;

    private final int[] chosen = new int[4];
    private int p;

    private final double[] r = new double[BANDS];
    private final double[] kk = new double[BANDS];
    private final double[] ss = new double[BANDS];
    private final Rows rows = new Rows();
    private final double[] levels = new double[4];
    private final double[][] forms = new double[4][4];
    private final Deque<Cell> cells = new ArrayDeque<>();
    private final Deque<Cell> levelCells = new ArrayDeque<>();
    private final Lattice[] lattices;
    private final Slice slice;
    private final Trial trial;
    private final Waiting[] fresh = waiting();

    /** What the whole range of Y leaves. */
    private final Waiting[] open = waiting();

    private long tried;
    private long choices;

    /**
     * A prover that starts with a recipe already found.
     *
     * @param lattices the recipes of 2, 3 and 4 paints
     */
    Prover(
            Kernel kernel,
            Limits limits,
            Lattice[] lattices,
            AbPlane plane,
            double tolerance,
            double[] targetRatio,
            Found start) {
        slice = new Slice(kernel, new BandMath(kernel), targetRatio, HALVINGS, THICK);
        this.lattices = lattices;
        trial = new Trial(kernel);
        this.kernel = kernel;
        this.limits = limits;
        this.plane = plane;
        target = plane.target;
        this.tolerance = tolerance;
        best = start;
    }

    /** Choices to be looked at together. */
    private static final class Waiting {
        final int[][] chosen = new int[BandMath.ABREAST][4];
        int many;
    }

    private static Waiting[] waiting() {
        Waiting[] out = new Waiting[KINDS];
        for (int i = 0; i < KINDS; i++) {
            out[i] = new Waiting();
        }
        return out;
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
        }
    }

    /** Turns to a strip of the region; no choice waits. */
    void turn(AbPlane.Strip to) {
        strip = to;
        aim = null;
        for (int kind = 0; kind < KINDS; kind++) {
            fresh[kind].many = 0;
            open[kind].many = 0;
        }
    }

    /** Draws the region anew when it has shrunk enough; before the first choice, too. */
    void renew() {
        double reach = best.off() - tolerance;
        boolean little = aim != null && reach > aim.reach() * SHRUNK;
        if (!little && reach > 0 && reach < FARTHEST) {
            aim = new Aim(plane, best.off(), tolerance, colour(best.drops()), strip);
        }
    }

    private static void add(double[] to, double[] what, double times) {
        for (int b = 0; b < BANDS; b++) {
            to[b] += times * what[b];
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
        return best.off() - tolerance <= 0 || (aim != null && aim.empty());
    }

    /**
     * Goes through the recipes of some paints, by index, each with a drop at least; now or until
     * {@link #finish}. All of them are as many until then.
     */
    void prove(int... paints) {
        if (done()) {
            return;
        }
        choices++;
        p = paints.length;
        Aim now = aim;
        if (p < 2 || limits.mostDrops < p + 2 || now == null) {
            choose(paints);
            all();
            return;
        }
        if (lattices[p].drops.length <= AT_ONCE) {
            tryAll(paints);
            return;
        }
        boolean flat = true;
        for (int paint : paints) {
            flat &= kernel.flat[paint];
        }
        int light = slice.lightFirst(paints, p, limits.mostDrops - p, now);
        int kind = 2 * light + (flat ? 1 : 0);
        wait(fresh[kind], paints, kind);
    }

    /** Goes through the recipes of all choices that still wait. */
    void finish() {
        for (int kind = 0; kind < KINDS; kind++) {
            look(fresh[kind], kind);
        }
        for (int kind = 0; kind < KINDS; kind++) {
            look(open[kind], kind);
        }
        look(cells, 1);
        look(levelCells, 1);
        cells.clear();
        levelCells.clear();
    }

    private void wait(Waiting in, int[] paints, int kind) {
        System.arraycopy(paints, 0, in.chosen[in.many++], 0, p);
        if (in.many == BandMath.ABREAST) {
            look(in, kind);
        }
    }

    /** Looks at the choices that wait; what stays is looked at more closely, or tried. */
    private void look(Waiting in, int kind) {
        int n = in.many;
        in.many = 0;
        if (n == 0 || done()) {
            return;
        }
        Aim now = Objects.requireNonNull(aim);
        if (in == open[kind] || slice.thin(now)) {
            closely(in.chosen, n, in == open[kind], now);
            return;
        }
        int stay = slice.look(in.chosen, n, p, limits.mostDrops - p, now, 0, false, null);
        for (int i = 0; i < n; i++) {
            if ((stay >> i & 1) != 0) {
                wait(open[kind], in.chosen[i], kind);
            }
        }
    }

    private void closely(int[][] paints, int n, boolean known, Aim now) {
        int more = limits.mostDrops - p;
        int size = lattices[p].drops.length;
        if (size <= MANY_OF_ALL) {
            int stay = (1 << n) - 1;
            if (size > SMALL) {
                stay = slice.look(paints, n, p, more, now, 1, known, null);
            }
            for (int rest = stay; rest != 0; rest &= rest - 1) {
                tryAll(paints[Integer.numberOfTrailingZeros(rest)]);
            }
            return;
        }
        boolean[] many = new boolean[n];
        slice.look(
                paints,
                n,
                p,
                more,
                now,
                HALVINGS,
                known,
                (lane, piece) -> many[lane] |= !open(paints[lane], piece));
        for (int i = 0; i < n; i++) {
            if (many[i]) {
                split(Cell.all(kernel, paints[i], p, limits.mostDrops));
            }
        }
        look(cells, BandMath.ABREAST);
        look(levelCells, BandMath.ABREAST);
    }

    private void choose(int[] paints) {
        for (int i = 0; i < chosen.length; i++) {
            chosen[i] = paints[i < p ? i : 0];
        }
    }

    private void tryAll(int[] paints) {
        if (done()) {
            return;
        }
        choose(paints);
        int[][] drops = lattices[p].drops;
        tried += drops.length;
        trial.all(chosen, lattices[p], Objects.requireNonNull(aim), at -> judge(drops[at]));
    }

    /**
     * Tries the recipes of a choice that may be near in a slice; false, and none tried, when they
     * are too many.
     */
    private boolean open(int[] paints, Piece piece) {
        choose(paints);
        int n = limits.mostDrops;
        double all = 0;
        for (int i = 0; i < p; i++) {
            all += kernel.level[chosen[i]];
        }
        for (int i = 0; i < p; i++) {
            levels[i] = all + (n - p) * kernel.level[chosen[i]];
        }
        Cell.forms(p, n, forms);
        piece.rows(forms, levels, rows);
        return few(MANY);
    }

    /** The same of a cell. */
    private boolean open(Cell cell, Piece piece) {
        choose(cell.chosen);
        for (int i = 0; i < p; i++) {
            levels[i] = cell.corners[i].level;
        }
        piece.rows(cell.forms, levels, rows);
        for (int i = 0; i < p; i++) {
            double[] h = rows.half[rows.many++];
            for (int j = 0; j < p; j++) {
                h[j] = -cell.forms[i][j];
            }
            rows.finish(h);
        }
        return few(cell.depth < DEPTH ? MANY : Integer.MAX_VALUE);
    }

    private boolean few(int most) {
        int[][] drops = lattices[p].drops;
        rows.find(lattices[p], limits.mostDrops, Math.min(most, drops.length - 1) + 1);
        if (rows.found > most) {
            return false;
        }
        tried += rows.found;
        if (rows.found > FEW) {
            trial.some(
                    chosen,
                    lattices[p],
                    rows.points,
                    rows.found,
                    Objects.requireNonNull(aim),
                    at -> judge(drops[rows.points[at]]));
            return true;
        }
        for (int i = 0; i < rows.found; i++) {
            judge(drops[rows.points[i]]);
        }
        return true;
    }

    /** Cuts a cell into as many as makes it worthwhile to look at them. */
    private void split(Cell cell) {
        Deque<Cell> to = cell.level ? levelCells : cells;
        List<Cell> parts = List.of(cell);
        for (int i = 0; i < SPLIT; i++) {
            parts = parts.stream().flatMap(c -> Arrays.stream(c.halves(kernel, p))).toList();
        }
        parts.forEach(to::push);
    }

    /** Looks at cells as long as there are enough of them. */
    private void look(Deque<Cell> from, int atLeast) {
        Cell[] at = new Cell[BandMath.ABREAST];
        while (from.size() >= atLeast && !done()) {
            int n = 0;
            while (n < at.length && !from.isEmpty()) {
                at[n] = from.pop();
                for (int i = 0; i < p; i++) {
                    slice.place(n, i, at[n].corners[i]);
                }
                n++;
            }
            boolean[] many = new boolean[n];
            slice.look(
                    n,
                    p,
                    at[0].level,
                    Objects.requireNonNull(aim),
                    HALVINGS,
                    (lane, piece) -> many[lane] |= !open(at[lane], piece));
            for (int i = 0; i < n; i++) {
                if (many[i]) {
                    split(at[i]);
                }
            }
        }
    }

    /** All recipes of the chosen paints. */
    private void all() {
        int[] d = new int[4];
        fill(d, 0, limits.mostDrops);
    }

    private void fill(int[] d, int at, int left) {
        if (at == p) {
            tried++;
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
        kernel.seen(chosen, d, r);
        double x = Kernel.dot(kernel.w[0], r);
        double y = Kernel.dot(kernel.w[1], r);
        double z = Kernel.dot(kernel.w[2], r);
        Aim now = aim;
        for (int i = 0; now != null && i < Aim.PLAIN; i++) {
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
}
