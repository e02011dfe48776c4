package org.pendrik.core.recipe;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/**
 * Rules out choices of paints by those of their mixes that are neither too light nor too dark;
 * {@link BandMath#ABREAST} choices at a time, one in each lane.
 *
 * <p>Light and dark paints make the mixes of a choice span far more than any tangent or chord can
 * follow. So the simplex of the mixes is cut twice. First where a tangent of Y reaches the lightest
 * near colour: what is left has the dark corners and, on each edge from a light corner to a dark
 * one, the point of the cut. Over these the chords are a linear function that no Y exceeds; where
 * it falls below the darkest near colour is the second cut. The few points that remain as corners
 * lie close together, and one tangent in their middle and the chords between them bound every
 * half-space well, with Y or with what the slice itself says of Y ({@link HalfSpaces}). One in
 * which all of them lie outside rules them out; {@link Aim} has half-spaces for each slice. A few,
 * those that ruled out most of late, are asked for all lanes together. A thick slice that stays is
 * halved in Y, each half with the tangent of the whole.
 *
 * <p>Where S runs differently from corner to corner, K/S of a mix is no linear function of the
 * shares; it lies between two that are ({@link BandMath#bound}). Chords are taken of the lower,
 * tangents of the upper.
 *
 * <p>Cost: at most sixteen spectra of floats for each choice and slice, about two microseconds
 * where all lanes are in use. Guarantee: a choice is ruled out only when each of its mixes lies
 * outside a half-space of its slice, by more than floats round.
 */
final class Slice {
    private static final int ABREAST = BandMath.ABREAST;

    /** The edges of a simplex, those of three corners first: the two corners of each. */
    private static final int[] FROM = {0, 0, 1, 0, 1, 2};

    private static final int[] TO = {1, 2, 2, 3, 3, 3};
    private static final int[] EDGES = {0, 0, 1, 3, 6};

    /** The edge between two corners. */
    private static final int[][] EDGE = {
        {-1, 0, 1, 3}, {0, -1, 2, 4}, {1, 2, -1, 5}, {3, 4, 5, -1}
    };

    /** What floats are off by, in parts of white. */
    static final float ROUNDING = 1e-5f;

    /**
     * How many half-spaces are asked for all lanes together: usually, and where no leaf asks all.
     */
    private static final int ASKED = 3;

    private static final int CLOSELY = 6;

    private final Kernel kernel;
    private final BandMath bands;
    private final Mixes[] corners = mixes(4);
    private final Mixes[] drops = mixes(4);
    private final int[][] loaded = new int[4][ABREAST];
    private final float[][] levels = new float[4][ABREAST];

    private final Tangent target = new Tangent();
    private final Layer[] layers;
    private final double thick;
    private int p;
    private boolean level;
    private boolean known;
    private int last;
    private @Nullable Leaf leaf;

    /** Y of the tangent at the target for the masstone of each paint, times the mean of its S. */
    private final double[] lightness;

    private @Nullable Aim aimed;
    private final HalfSpaces sides;

    /** What is left of one choice. */
    private final Piece piece;

    /**
     * A slice for one target.
     *
     * @param targetRatio its K/S in each band
     * @param halvings how often a thick slice is halved
     * @param thick Y from darkest to lightest of a thick one
     */
    Slice(Kernel kernel, BandMath bands, double[] targetRatio, int halvings, double thick) {
        this.kernel = kernel;
        this.bands = bands;
        this.thick = thick;
        sides = new HalfSpaces(kernel);
        piece = new Piece(sides);
        float[] ratio = BandMath.ones();
        for (int lane = 0; lane < ABREAST; lane++) {
            BandMath.load(targetRatio, lane, ratio);
        }
        bands.touch(ratio, target);
        lightness = new double[kernel.paints];
        for (int i = 0; i < lightness.length; i++) {
            for (int b = 0; b < Kernel.BANDS; b++) {
                int at = b * ABREAST;
                double away = kernel.k[i][b] - target.ratio[at] * kernel.s[i][b];
                lightness[i] +=
                        kernel.w[1][b]
                                * (target.seen[at] * kernel.level[i] + target.slope[at] * away);
            }
        }
        for (int[] slot : loaded) {
            Arrays.fill(slot, -1);
        }
        for (float[] slot : levels) {
            Arrays.fill(slot, 1);
        }
        layers = new Layer[halvings + 1];
        for (int i = 0; i <= halvings; i++) {
            layers[i] = new Layer();
        }
    }

    private static Mixes[] mixes(int n) {
        Mixes[] out = new Mixes[n];
        for (int i = 0; i < n; i++) {
            out[i] = new Mixes();
        }
        return out;
    }

    /** Takes what no half-space rules out. */
    interface Leaf {
        /** What is left of the choice of a lane in a slice. */
        void open(int lane, Piece piece);
    }

    /**
     * Looks at some choices: a choice is out when all mixes of its p paints, one drop at least of
     * each and {@code more} beyond that, lie outside a half-space of their slice each.
     *
     * @param chosen n choices, at most {@link BandMath#ABREAST}
     * @param halvings how often the range of Y may be halved
     * @param known whether the whole range of Y is known not to rule them out
     * @param leaf told of each thinnest slice of each choice that is not ruled out; without one
     *     only some half-spaces are asked
     * @return bit i when choice i is not ruled out in some slice
     */
    int look(
            int[][] chosen,
            int n,
            int p,
            int more,
            Aim aim,
            int halvings,
            boolean known,
            @Nullable Leaf leaf) {
        boolean level = true;
        for (int lane = 0; lane < n; lane++) {
            for (int i = 0; i < p; i++) {
                int paint = chosen[lane][i];
                level &= kernel.flat[paint];
                if (loaded[i][lane] != paint) {
                    loaded[i][lane] = paint;
                    BandMath.load(kernel.k[paint], lane, drops[i].k);
                    BandMath.load(kernel.s[paint], lane, drops[i].s);
                    levels[i][lane] = (float) kernel.level[paint];
                }
            }
        }
        bands.corners(drops, levels, p, more, level, corners);
        this.known = known;
        return cut(n, p, level, aim, halvings, leaf);
    }

    /** Puts a corner of a cell into a lane. */
    void place(int lane, int corner, Cell.Corner at) {
        BandMath.load(at.k, lane, corners[corner].k);
        BandMath.load(at.s, lane, corners[corner].s);
        corners[corner].seen = false;
    }

    /** Looks at the first n lanes, whose p corners have been placed. */
    int look(int n, int p, boolean level, Aim aim, int halvings, @Nullable Leaf leaf) {
        if (!level) {
            bands.bound(corners, p);
        }
        known = false;
        return cut(n, p, level, aim, halvings, leaf);
    }

    private int cut(int n, int p, boolean level, Aim aim, int halvings, @Nullable Leaf leaf) {
        this.p = p;
        this.level = level;
        last = halvings;
        this.leaf = leaf;
        if (aim != aimed) {
            aimed = aim;
            sides.aim(aim);
        }
        return look(aim, 0, 0, (1 << n) - 1);
    }

    /**
     * Sorts the paints of a choice so that those come first whose corners are cut away as too
     * light; choices with as many of these are best looked at together, as they are cut alike.
     *
     * @return how many, about: it is judged by the mean of S
     */
    int lightFirst(int[] chosen, int p, int more, Aim aim) {
        double sum = 0;
        double all = 0;
        for (int i = 0; i < p; i++) {
            sum += lightness[chosen[i]];
            all += kernel.level[chosen[i]];
        }
        int light = 0;
        for (int i = 0; i < p; i++) {
            int paint = chosen[i];
            double at = (sum + more * lightness[paint]) / (all + more * kernel.level[paint]);
            if (at > aim.lightest) {
                chosen[i] = chosen[light];
                chosen[light++] = paint;
            }
        }
        return light;
    }

    /** Whether the whole range of Y is thin enough not to be halved. */
    boolean thin(Aim aim) {
        return aim.lightest - aim.darkest < thick;
    }

    /** One slice of those that so many halvings make, counted from the darkest. */
    private int look(Aim aim, int depth, int slice, int lanes) {
        if (lanes == 0) {
            return 0;
        }
        double high = (aim.lightest - aim.darkest) / (1 << depth);
        float darkest = (float) (aim.darkest + slice * high) - ROUNDING;
        float lightest = (float) (aim.darkest + (slice + 1) * high) + ROUNDING;
        Layer layer = layers[depth];
        int left = layer.cut(depth == 0 ? null : layers[depth - 1], darkest, lightest, lanes);
        if (left == 0) {
            return 0;
        }
        sides.slice(aim.supports(depth, slice), darkest, lightest, ROUNDING);
        piece.darkest = darkest;
        piece.lightest = lightest;
        layer.bound();
        int stay = depth == 0 && known ? left : left & ~layer.apart(left);
        boolean thin = depth == last || lightest - darkest < thick;
        if (thin) {
            return leaf == null ? stay : open(layer, stay, leaf);
        }
        if (stay == 0) {
            return 0;
        }
        int first = look(aim, depth + 1, 2 * slice, stay);
        // one half that leaves a choice is enough unless all of them are wanted
        int second = look(aim, depth + 1, 2 * slice + 1, leaf == null ? stay & ~first : stay);
        return first | second;
    }

    /** Asks all half-spaces, and tells of the lanes that none rules out. */
    private int open(Layer layer, int lanes, Leaf leaf) {
        int open = 0;
        for (int rest = lanes; rest != 0; rest &= rest - 1) {
            int lane = Integer.numberOfTrailingZeros(rest);
            layer.gather(lane);
            if (!piece.apart()) {
                open |= 1 << lane;
                leaf.open(lane, piece);
            }
        }
        return open;
    }

    /** What is left of the simplexes between two Y. Sets of lanes are bits. */
    private final class Layer {
        final Tangent middle = new Tangent();

        private final Mixes[] first = mixes(6);
        private final Mixes[] second = mixes(6);
        private final float[][] firstShare = new float[6][ABREAST];
        private final float[][] secondShare = new float[6][ABREAST];
        private final int[] firstIn = new int[6];
        private final int[] secondIn = new int[6];
        private final int[] cornerIn = new int[4];
        private final int[] dark = new int[4];
        private final float[][] lowest = new float[4][ABREAST];
        private final float[][] highest = new float[4][ABREAST];
        private final float[][] weights = new float[4][ABREAST];

        /** The tangent in the middle, continued to the corners. */
        private final float[][] low = new float[4][BandMath.SIZE];

        private final Half half = new Half();

        /** Cuts twice; the lanes in which something is left. */
        int cut(@Nullable Layer above, float darkest, float lightest, int lanes) {
            below(above);
            int some = 0;
            for (int i = 0; i < p; i++) {
                float[] at = lowest[i];
                int in = 0;
                for (int x = 0; x < ABREAST; x++) {
                    in |= at[x] <= lightest ? 1 << x : 0;
                }
                dark[i] = in;
                some |= in;
            }
            int left = lanes & some;
            if (left == 0) {
                return 0;
            }
            for (int e = 0; e < EDGES[p]; e++) {
                firstIn[e] = (dark[FROM[e]] ^ dark[TO[e]]) & left;
                if (firstIn[e] != 0) {
                    share(lowest[FROM[e]], lowest[TO[e]], lightest, firstIn[e], firstShare[e]);
                    put(e, firstShare[e], first[e]);
                }
            }
            for (int i = 0; i < p; i++) {
                cornerIn[i] = dark[i] & left;
                if (cornerIn[i] != 0) {
                    bands.see(corners[i]);
                }
            }
            Arrays.fill(secondIn, 0);
            return darker(darkest, lightest, left);
        }

        /** How dark each corner is at least, by a tangent of Y. */
        private void below(@Nullable Layer above) {
            for (int i = 0; i < p; i++) {
                Tangent at = above == null ? target : above.middle;
                bands.belowY(corners[i], at, level, lowest[i]);
            }
        }

        /** The share of one end where an edge reaches a value. */
        private void share(float[] one, float[] other, float value, int lanes, float[] out) {
            for (int x = 0; x < ABREAST; x++) {
                float at = (value - other[x]) / (one[x] - other[x]);
                out[x] = (lanes >> x & 1) != 0 ? Math.clamp(at, 0f, 1f) : 0.5f;
            }
        }

        private void put(int edge, float[] share, Mixes out) {
            bands.between(corners[FROM[edge]], corners[TO[edge]], share, out);
        }

        /** The second cut: what may be as light as the darkest near colour. */
        private int darker(float darkest, float lightest, int lanes) {
            int left = 0;
            for (int x = 0; x < ABREAST; x++) {
                if ((lanes >> x & 1) != 0 && heights(x, lightest) >= darkest) {
                    left |= 1 << x;
                }
            }
            if (left == 0) {
                return 0;
            }
            for (int i = 0; i < p; i++) {
                cornerIn[i] = 0;
                for (int x = 0; x < ABREAST; x++) {
                    cornerIn[i] |= highest[i][x] >= darkest ? 1 << x : 0;
                }
            }
            for (int e = 0; e < EDGES[p]; e++) {
                int i = FROM[e];
                int j = TO[e];
                int falls = dark[j] & ~cornerIn[j] & cornerIn[i];
                int rises = dark[i] & ~cornerIn[i] & cornerIn[j];
                firstIn[e] &= left;
                secondIn[e] = (falls | rises) & left;
                if (secondIn[e] != 0) {
                    share(highest[i], highest[j], darkest, secondIn[e], secondShare[e]);
                    put(e, secondShare[e], second[e]);
                }
            }
            for (int i = 0; i < p; i++) {
                cornerIn[i] &= dark[i] & left;
            }
            return left;
        }

        /** How light each corner is at most, by chords; the lightest of it. */
        private float heights(int x, float lightest) {
            float most = Float.NEGATIVE_INFINITY;
            for (int i = 0; i < p; i++) {
                if ((dark[i] >> x & 1) != 0) {
                    highest[i][x] = corners[i].y[x];
                    most = Math.max(most, highest[i][x]);
                }
            }
            for (int i = 0; i < p; i++) {
                if ((dark[i] >> x & 1) != 0) {
                    continue;
                }
                float high = Float.NEGATIVE_INFINITY;
                for (int j = 0; j < p; j++) {
                    if ((dark[j] >> x & 1) != 0) {
                        // continued from the dark corner through the first cut
                        float low = lowest[j][x];
                        float share = (lightest - low) / (lowest[i][x] - low);
                        float there = first[EDGE[i][j]].y[x];
                        float from = highest[j][x];
                        high = Math.max(high, from + (there - from) / share);
                    }
                }
                highest[i][x] = high;
                most = Math.max(most, high);
            }
            return most;
        }

        /** Bounds what is left from below. */
        void bound() {
            weigh();
            bands.middle(corners, p, weights, level, middle);
            for (int i = 0; i < p; i++) {
                bands.below(corners[i], middle, level, low[i]);
            }
        }

        /** The lanes in which one of a few half-spaces has all that is left outside. */
        int apart(int lanes) {
            half.start();
            for (int i = 0; i < p; i++) {
                if (cornerIn[i] != 0) {
                    half.add(i, i, null, corners[i], cornerIn[i]);
                }
            }
            for (int e = 0; e < EDGES[p]; e++) {
                if (firstIn[e] != 0) {
                    half.add(FROM[e], TO[e], firstShare[e], first[e], firstIn[e]);
                }
                if (secondIn[e] != 0) {
                    half.add(FROM[e], TO[e], secondShare[e], second[e], secondIn[e]);
                }
            }
            int out = 0;
            int asked = leaf == null && last > 0 ? CLOSELY : ASKED;
            for (int i = 0; i < asked && (lanes & ~out) != 0; i++) {
                int d = sides.asked(i, asked);
                int now = half.outside(d, middle, low, lanes & ~out) & lanes & ~out;
                sides.found(d, Integer.bitCount(now));
                out |= now;
            }
            return out;
        }

        /** The mean of what is left, as weights of the corners. */
        private void weigh() {
            for (int x = 0; x < ABREAST; x++) {
                float n = 0;
                for (int i = 0; i < p; i++) {
                    float w = cornerIn[i] >> x & 1;
                    weights[i][x] = w;
                    n += w;
                }
                for (int e = 0; e < EDGES[p]; e++) {
                    n += weigh(e, x, firstIn[e], firstShare[e][x]);
                    n += weigh(e, x, secondIn[e], secondShare[e][x]);
                }
                for (int i = 0; i < p; i++) {
                    weights[i][x] = n > 0 ? weights[i][x] / n : 1f / p;
                }
            }
        }

        private int weigh(int edge, int x, int in, float share) {
            if ((in >> x & 1) == 0) {
                return 0;
            }
            weights[FROM[edge]][x] += share;
            weights[TO[edge]][x] += 1 - share;
            return 1;
        }

        /** The points of a lane with their bounds. */
        void gather(int x) {
            piece.start(p);
            piece.touch(middle.seen, x);
            for (int i = 0; i < p; i++) {
                piece.lowest[i] = lowest[i][x];
                piece.highest[i] = highest[i][x];
                piece.corner(i, low[i], x);
            }
            for (int i = 0; i < p; i++) {
                if ((cornerIn[i] >> x & 1) != 0) {
                    piece.add(i, i, 1, corners[i].r, x);
                }
            }
            for (int e = 0; e < EDGES[p]; e++) {
                if ((firstIn[e] >> x & 1) != 0) {
                    piece.add(FROM[e], TO[e], firstShare[e][x], first[e].r, x);
                }
                if ((secondIn[e] >> x & 1) != 0) {
                    piece.add(FROM[e], TO[e], secondShare[e][x], second[e].r, x);
                }
            }
        }
    }

    /**
     * Asks of single half-spaces whether they have all points of a lane outside. Points stand row
     * by row, so that they are gone through in long loops.
     */
    private final class Half {
        private static final int ROOM = Piece.MOST * ABREAST;

        private int n;
        private final int[] from = new int[Piece.MOST];
        private final int[] to = new int[Piece.MOST];
        private final Mixes[] mixes = new Mixes[Piece.MOST];

        /** The share of the first corner, and far outside where a point is not in a lane. */
        private final float[] shares = new float[ROOM];

        private final float[] absent = new float[ROOM];

        private final float[] row = new float[ABREAST];
        private final float[][] corner = new float[4][ABREAST];
        private final float[] one = new float[ROOM];
        private final float[] other = new float[ROOM];
        private final float[] below = new float[ROOM];
        private final float[] above = new float[ROOM];
        private final float[] limit = new float[ROOM];
        private final float[] missing = new float[ROOM];
        private final float[] fold = new float[ROOM];

        void start() {
            n = 0;
        }

        void add(int i, int j, float @Nullable [] share, Mixes m, int in) {
            from[n] = i;
            to[n] = j;
            mixes[n] = m;
            int at = n++ * ABREAST;
            for (int x = 0; x < ABREAST; x++) {
                shares[at + x] = share == null ? 1 : share[x];
                absent[at + x] = (in >> x & 1) != 0 ? 0 : Float.MAX_VALUE;
            }
        }

        /** The lanes in which all lies outside, at some depth of the tangent. */
        int outside(int d, Tangent middle, float[][] low, int lanes) {
            float[] up = sides.up(d);
            float[] down = sides.down(d);
            float base = sides.base(d);
            for (int i = 0; i < p; i++) {
                bands.sum(up, low[i], corner[i]);
            }
            for (int i = 0; i < n; i++) {
                int at = i * ABREAST;
                System.arraycopy(corner[from[i]], 0, one, at, ABREAST);
                System.arraycopy(corner[to[i]], 0, other, at, ABREAST);
                bands.sum(down, mixes[i].r, row);
                System.arraycopy(row, 0, above, at, ABREAST);
            }
            int size = n * ABREAST;
            for (int i = 0; i < size; i++) {
                below[i] = other[i] + shares[i] * (one[i] - other[i]) - base;
                above[i] += absent[i];
            }
            bands.sum(up, middle.seen, row);
            int out = 0;
            for (float y : HalfSpaces.DEPTHS) {
                if ((lanes & ~out) != 0) {
                    out |= outside(y, base, sides.most(d));
                }
            }
            return out;
        }

        private int outside(float y, float base, float most) {
            float rest = 2 * y * (1 - y);
            for (int x = 0; x < ABREAST; x++) {
                limit[x] = rest * (row[x] - base) + base - most;
            }
            int size = n * ABREAST;
            for (int done = ABREAST; done < size; done *= 2) {
                System.arraycopy(limit, 0, limit, done, Math.min(done, size - done));
            }
            float square = y * y;
            for (int i = 0; i < size; i++) {
                float past = square * below[i] + above[i] + limit[i];
                missing[i] = past - Math.abs(past);
            }
            float[] sum = missing;
            float[] next = fold;
            int rows = n;
            while (rows > 1) {
                int keep = (rows + 1) / 2;
                int gone = (rows - keep) * ABREAST;
                int offset = keep * ABREAST;
                for (int i = 0; i < gone; i++) {
                    next[i] = sum[i] + sum[i + offset];
                }
                System.arraycopy(sum, gone, next, gone, offset - gone);
                float[] swap = sum;
                sum = next;
                next = swap;
                rows = keep;
            }
            int out = 0;
            for (int x = 0; x < ABREAST; x++) {
                out |= sum[x] == 0 ? 1 << x : 0;
            }
            return out;
        }
    }
}
