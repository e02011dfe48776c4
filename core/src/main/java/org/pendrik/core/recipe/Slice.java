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
 * lie close together, and one tangent in their middle and the chords between them bound X, Y and Z
 * well; Y is also bound by the slice itself. A half-space in which all of them lie outside rules
 * them out; {@link Aim} has half-spaces for each slice. A thick slice that stays is halved in Y,
 * each half with the tangent of the whole.
 *
 * <p>Where S runs differently from corner to corner, a tangent is continued with the least S to
 * darker and with the most S to lighter corners, and chords are raised by a quarter of the product
 * of the spans of S and of reflectance, which no covariance of the two exceeds (G. Grüss,
 * Mathematische Zeitschrift 39 (1935), 215–226).
 *
 * <p>Cost: at most sixteen spectra of floats for each choice and slice, about a microsecond where
 * all lanes are in use. Guarantee: a choice is ruled out only when each of its mixes lies outside a
 * half-space of its slice, by more than floats round.
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
    private int last;
    private @Nullable Leaf leaf;

    /** Y of the tangent at the target for the masstone of each paint, times the mean of its S. */
    private final double[] lightness;

    private @Nullable Aim aimed;
    private final HalfSpaces sides = new HalfSpaces();

    /** What is left of one choice. */
    private final Piece piece = new Piece();

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
        /** What is left of the choice of a lane in a slice that has these supports. */
        void open(int lane, Piece piece, Aim aim, double[] supports);
    }

    /**
     * Looks at some choices: a choice is out when all mixes of its p paints, one drop at least of
     * each and {@code more} beyond that, lie outside a half-space of their slice each.
     *
     * @param chosen n choices, at most {@link BandMath#ABREAST}
     * @param halvings how often the range of Y may be halved
     * @param leaf told of each thinnest slice of each choice that is not ruled out, when there are
     *     halvings left
     * @return bit i when choice i is not ruled out by the whole range of Y
     */
    int look(int[][] chosen, int n, int p, int more, Aim aim, int halvings, @Nullable Leaf leaf) {
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
        return look(n, p, level, aim, halvings, leaf);
    }

    /** Puts a corner of a cell into a lane. */
    void place(int lane, int corner, Cell.Corner at) {
        BandMath.load(at.k, lane, corners[corner].k);
        BandMath.load(at.s, lane, corners[corner].s);
        corners[corner].seen = false;
    }

    /** Looks at the first n lanes, whose p corners have been placed. */
    int look(int n, int p, boolean level, Aim aim, int halvings, @Nullable Leaf leaf) {
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
        double high = (aim.lightest - aim.darkest) / (1 << depth);
        float darkest = (float) (aim.darkest + slice * high) - ROUNDING;
        float lightest = (float) (aim.darkest + (slice + 1) * high) + ROUNDING;
        Layer layer = layers[depth];
        int left = layer.cut(depth == 0 ? null : layers[depth - 1], darkest, lightest, lanes);
        if (left == 0) {
            return 0;
        }
        sides.slice(aim.supports(depth, slice), darkest, lightest, ROUNDING);
        int stay = left & ~layer.apart(left);
        if (stay == 0 || leaf == null) {
            return stay;
        }
        if (depth == last || lightest - darkest < thick) {
            for (int rest = stay; rest != 0; rest &= rest - 1) {
                int lane = Integer.numberOfTrailingZeros(rest);
                layer.gather(lane);
                layer.share(lane);
                piece.darkest = darkest;
                piece.lightest = lightest;
                leaf.open(lane, piece, aim, aim.supports(depth, slice));
            }
            return stay;
        }
        look(aim, depth + 1, 2 * slice, stay);
        look(aim, depth + 1, 2 * slice + 1, stay);
        return stay;
    }

    /** What is left of the simplexes between two Y. Sets of lanes are bits. */
    private final class Layer {
        final Tangent middle = new Tangent();

        /** X, Y, Z of the tangent in the middle, continued to the corners of level mixes. */
        final float[][][] low = new float[4][3][ABREAST];

        private final Span span = new Span();
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
        private final Mixes[] kept = new Mixes[Piece.MOST];
        private final float[][][] keptLow = new float[Piece.MOST][3][ABREAST];

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
                    bands.see(corners[i], level);
                }
            }
            Arrays.fill(secondIn, 0);
            rise();
            return darker(darkest, lightest, left);
        }

        /** How dark each corner is at least, by a tangent of Y. */
        private void below(@Nullable Layer above) {
            if (above != null && level) {
                for (int i = 0; i < p; i++) {
                    System.arraycopy(above.low[i][1], 0, lowest[i], 0, ABREAST);
                }
                return;
            }
            if (!level) {
                bands.spans(corners, p, span);
            }
            for (int i = 0; i < p; i++) {
                Tangent at = above == null ? target : above.middle;
                bands.belowY(corners[i], at, span, level, lowest[i]);
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
            bands.between(corners[FROM[edge]], corners[TO[edge]], share, level, out);
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
                    highest[i][x] = corners[i].xyz[1][x] + span.rise[1][x];
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
                        float there = first[EDGE[i][j]].xyz[1][x] + span.rise[1][x];
                        float from = highest[j][x];
                        high = Math.max(high, from + (there - from) / share);
                    }
                }
                highest[i][x] = high;
                most = Math.max(most, high);
            }
            return most;
        }

        /** By how much chords between what is left have to be raised. */
        private void rise() {
            if (level) {
                for (float[] axis : span.rise) {
                    Arrays.fill(axis, 0);
                }
                return;
            }
            bands.rise(kept, keep(), span);
        }

        /** Gathers what is left in some lane. */
        private int keep() {
            int n = 0;
            for (int i = 0; i < p; i++) {
                if (cornerIn[i] != 0) {
                    kept[n++] = corners[i];
                }
            }
            for (int e = 0; e < EDGES[p]; e++) {
                if (firstIn[e] != 0) {
                    kept[n++] = first[e];
                }
                if (secondIn[e] != 0) {
                    kept[n++] = second[e];
                }
            }
            return n;
        }

        /** The lanes in which a half-space has all that is left outside. */
        int apart(int lanes) {
            rise();
            weigh();
            bands.middle(corners, p, weights, level, middle);
            if (level) {
                for (int i = 0; i < p; i++) {
                    bands.below(corners[i], middle, span, true, low[i]);
                }
            } else {
                int n = keep();
                for (int i = 0; i < n; i++) {
                    bands.below(kept[i], middle, span, false, keptLow[i]);
                }
            }
            int out = 0;
            for (int x = 0; x < ABREAST; x++) {
                if ((lanes >> x & 1) != 0) {
                    gather(x);
                    out |= sides.apart(piece.low, piece.high, piece.points) ? 1 << x : 0;
                }
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
        private void gather(int x) {
            int n = 0;
            int at = 0;
            for (int i = 0; i < p; i++) {
                if (cornerIn[i] == 0) {
                    continue;
                }
                if ((cornerIn[i] >> x & 1) != 0) {
                    for (int a = 0; a < 3; a++) {
                        piece.low[a][n] = level ? low[i][a][x] : keptLow[at][a][x];
                        piece.high[a][n] = corners[i].xyz[a][x] + span.rise[a][x];
                    }
                    n++;
                }
                at++;
            }
            for (int e = 0; e < EDGES[p]; e++) {
                if (firstIn[e] != 0) {
                    n += gather(x, n, e, firstIn[e], firstShare[e][x], first[e], at++);
                }
                if (secondIn[e] != 0) {
                    n += gather(x, n, e, secondIn[e], secondShare[e][x], second[e], at++);
                }
            }
            piece.points = n;
        }

        private int gather(int x, int n, int edge, int in, float share, Mixes m, int at) {
            if ((in >> x & 1) == 0) {
                return 0;
            }
            float[][] one = low[FROM[edge]];
            float[][] other = low[TO[edge]];
            for (int a = 0; a < 3; a++) {
                piece.low[a][n] =
                        level ? other[a][x] + share * (one[a][x] - other[a][x]) : keptLow[at][a][x];
                piece.high[a][n] = m.xyz[a][x] + span.rise[a][x];
            }
            return 1;
        }

        /** How much of the corners is in the points of a lane, in the same order, and both cuts. */
        private void share(int x) {
            piece.p = p;
            int n = 0;
            for (int i = 0; i < p; i++) {
                Arrays.fill(piece.share[i], 0);
                piece.lowest[i] = lowest[i][x];
                piece.highest[i] = highest[i][x];
            }
            for (int i = 0; i < p; i++) {
                if ((cornerIn[i] >> x & 1) != 0) {
                    piece.share[i][n++] = 1;
                }
            }
            for (int e = 0; e < EDGES[p]; e++) {
                n += share(n, e, firstIn[e] >> x & 1, firstShare[e][x]);
                n += share(n, e, secondIn[e] >> x & 1, secondShare[e][x]);
            }
        }

        private int share(int n, int edge, int in, float share) {
            if (in != 0) {
                piece.share[FROM[edge]][n] = share;
                piece.share[TO[edge]][n] = 1.0 - share;
            }
            return in;
        }
    }
}
