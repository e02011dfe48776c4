package org.pendrik.core.photo;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.ejml.simple.SimpleMatrix;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * How the light falls off over a side, told from paint that is known to be one colour.
 *
 * <p>The side is looked at in cells. Where most of a cell is the sampled paint, brighter or darker,
 * the median of how much brighter says how much light falls there. The logarithm of the level is a
 * surface of six terms: level, two slopes, the bowl x² + y² of a lens's vignetting or of a lamp,
 * and two terms of the same order that are held near 0 so that the surface does not run away where
 * no paint is seen. Least squares with Tukey's biweight (P. J. Huber, "Robust Statistics", Wiley
 * 1981, chapter 7), since films and lettering of nearly the same colour are taken for paint here
 * and there. O(pixels).
 *
 * <p>Paint that is bleached grows lighter as well. Light leaves the ratios of X, Y and Z alone,
 * bleaching takes chroma away; where chroma goes as the level rises, the light is left as it is. A
 * grey paint has no chroma to lose: there the two cannot be told apart.
 */
public final class LightFall {
    private static final int CELLS_ALONG = 64;
    private static final int MOST_OF_A_CELL = 100;

    /** Terms of the surface … */
    private static final int TERMS = 6;

    /** … and of what a thin film adds: so much by its a*, so much by its b*. */
    private static final int ALL_TERMS = 8;

    private static final int ROUNDS = 12;

    /** Share of a cell that has to be paint. */
    private static final double LEAST_PAINT = 0.5;

    /** a*, b* of a pixel may be off those of the paint by this, once its level is taken out. */
    private static final double SAME_COLOUR = 4.5;

    /** A thin film turns the colour of a cell: it may be off by so many times the median … */
    private static final double MOST_OFF = 2;

    /** … or by this, in a*, b*. */
    private static final double LEAST_OFF = 0.7;

    private static final double DARKEST = 0.55;
    private static final double BRIGHTEST = 1.8;

    private static final int FEWEST_CELLS = 60;

    /** Share of the side's length over which paint has to be seen. */
    private static final double LEAST_SPAN = 0.6;

    /** What is taken for possible of each term, one standard deviation of the logarithm. */
    private static final double[] EXPECTED = {3, 0.2, 0.2, 0.2, 0.03, 0.03, 0.06, 0.06};

    /** Neighbouring cells share the mottle of the paint: this many count as one. */
    private static final double CORRELATED = 20;

    /** So many cells round what is not the paint are not trusted. */
    private static final double WARY_CELLS = 2.5;

    private static final double LEAST_SCATTER = 0.006;
    private static final double TUKEY = 4.685;

    /**
     * The light on a side that was not evened out: one standard deviation of its level at a place,
     * as a share of that where it was taken.
     */
    public static final double UNEVEN = 0.05;

    /** A fall that nobody sees. */
    public static final double EVEN = 0.015;

    /** More than this between the brightest and the darkest place is a shadow, not a fall. */
    private static final double MOST_FALL = 0.55;

    private static final double COLOURED = 8;

    /** Bleaching takes about all of the chroma that it adds in level. */
    private static final double BLEACHED = 0.4;

    /** Chroma that has to be lost over the side before that is believed. */
    private static final double SEEN_PALER = 1.5;

    /** What came of looking for it. */
    public sealed interface Outcome {
        /** The light falls off. */
        record Found(LightFall fall) implements Outcome {}

        /**
         * The light is left as it is.
         *
         * @param reason a sentence
         */
        record Left(String reason) implements Outcome {}
    }

    /** The level is taken for straight over so many pixels along. */
    private static final int STEP_PX = 16;

    /** Encoded values by the square root of the light, which they nearly follow. */
    private static final int[] ENCODED =
            IntStream.range(0, 4096)
                    .map(i -> (int) Math.round(255 * Srgb.encode(Math.pow(i / 4095.0, 2))))
                    .toArray();

    /**
     * A part of the side that shows the paint.
     *
     * @param log logarithm of how much brighter it is than the sample
     * @param a how much more a* it has, its level taken out
     * @param b how much more b*
     */
    private record Cell(double xMm, double yMm, double log, double a, double b) {
        double off() {
            return Math.hypot(a, b);
        }
    }

    private final double lengthMm;
    private final double heightMm;
    private final double[] terms;
    private final SimpleMatrix covariance;
    private final double[] card;
    private final int cells;

    private LightFall(
            double lengthMm,
            double heightMm,
            double[] terms,
            SimpleMatrix covariance,
            Point card,
            int cells) {
        this.lengthMm = lengthMm;
        this.heightMm = heightMm;
        this.terms = terms;
        this.covariance = covariance;
        this.card = basis(card.x(), card.y(), lengthMm, heightMm);
        this.cells = cells;
    }

    /**
     * Fits the fall of the light.
     *
     * @param side laid flat
     * @param light takes the colour of the light out
     * @param paint colour of one and the same paint: X, Y, Z over white; its level says nothing
     * @param card where the level of the light was taken, prototype mm; it may lie beside the side
     */
    public static Outcome of(
            Raster side, double pxPerMm, GreyBalance light, double[] paint, Point card) {
        double[] clean = paint.clone();
        List<Cell> cells = cells(side, pxPerMm, light, clean);
        double first = cells.stream().mapToDouble(Cell::xMm).min().orElse(0);
        double last = cells.stream().mapToDouble(Cell::xMm).max().orElse(0);
        double length = side.width() / pxPerMm;
        if (cells.size() < FEWEST_CELLS || last - first < LEAST_SPAN * length) {
            return new Outcome.Left(
                    "Too little of the sampled paint is seen along the side to tell how the light falls.");
        }
        return fit(
                cells,
                length,
                side.height() / pxPerMm,
                card,
                Srgb.relativeToLab(clean[0], clean[1], clean[2]),
                cellPx(side) / pxPerMm);
    }

    private static boolean lit(int p) {
        int most = Math.max(p >> 16 & 255, Math.max(p >> 8 & 255, p & 255));
        return p >>> 24 != 0 && most < 254 && most > 0;
    }

    private static int cellPx(Raster side) {
        return Math.max(4, side.width() / CELLS_ALONG);
    }

    private static List<Cell> cells(
            Raster side, double pxPerMm, GreyBalance light, double[] clean) {
        int size = cellPx(side);
        int down = side.height() / size;
        int along = side.width() / size;
        Cell[] out = new Cell[down * along];
        IntStream.range(0, down)
                .parallel()
                .forEach(
                        j -> {
                            for (int i = 0; i < along; i++) {
                                out[j * along + i] =
                                        cell(side, i * size, j * size, size, pxPerMm, light, clean);
                            }
                        });
        List<Cell> seen = Arrays.stream(out).filter(java.util.Objects::nonNull).toList();
        double[] off = seen.stream().mapToDouble(Cell::off).sorted().toArray();
        double most = off.length == 0 ? 0 : Math.max(LEAST_OFF, MOST_OFF * off[off.length / 2]);
        return seen.stream().filter(c -> c.off() <= most).toList();
    }

    private static @org.jspecify.annotations.Nullable Cell cell(
            Raster side,
            int left,
            int top,
            int size,
            double pxPerMm,
            GreyBalance light,
            double[] clean) {
        Lab paint = Srgb.relativeToLab(clean[0], clean[1], clean[2]);
        double square = clean[0] * clean[0] + clean[1] * clean[1] + clean[2] * clean[2];
        int stride = Math.max(1, (int) Math.ceil(size / Math.sqrt(MOST_OF_A_CELL)));
        int places = Math.ceilDiv(size, stride);
        double[] level = new double[places * places];
        double[] v = new double[3];
        double a = 0;
        double b = 0;
        int n = 0;
        int all = 0;
        for (int y = top; y < top + size; y += stride) {
            for (int x = left; x < left + size; x += stride) {
                if (!lit(side.at(x, y))) {
                    continue;
                }
                all++;
                light.relative(side.at(x, y), v);
                double f = (v[0] * clean[0] + v[1] * clean[1] + v[2] * clean[2]) / square;
                if (f < DARKEST || f > BRIGHTEST) {
                    continue;
                }
                Lab c = Srgb.relativeToLab(v[0] / f, v[1] / f, v[2] / f);
                if (Math.hypot(c.a() - paint.a(), c.b() - paint.b()) > SAME_COLOUR) {
                    continue;
                }
                level[n++] = f;
                a += c.a() - paint.a();
                b += c.b() - paint.b();
            }
        }
        if (all < places * places / 2 || n < LEAST_PAINT * all) {
            return null;
        }
        Arrays.sort(level, 0, n);
        double middle = n % 2 == 1 ? level[n / 2] : (level[n / 2 - 1] + level[n / 2]) / 2;
        return new Cell(
                (left + size / 2.0) / pxPerMm,
                (top + size / 2.0) / pxPerMm,
                Math.log(middle),
                a / n,
                b / n);
    }

    private static double[] basis(double xMm, double yMm, double lengthMm, double heightMm) {
        double x = 2 * xMm / lengthMm - 1;
        double y = (2 * yMm - heightMm) / lengthMm;
        return new double[] {1, x, y, x * x + y * y, x * x - y * y, x * y};
    }

    private static Outcome fit(
            List<Cell> cells, double length, double height, Point card, Lab paint, double cellMm) {
        Surface rough = Surface.of(cells, length, height);
        List<Cell> sure = awayFromOthers(cells, rough.weight(), WARY_CELLS * cellMm);
        List<Cell> kept = sure.size() < FEWEST_CELLS ? cells : sure;
        Surface s = kept == cells ? rough : Surface.of(kept, length, height);
        var fall =
                new LightFall(
                        length,
                        height,
                        Arrays.copyOf(s.terms(), TERMS),
                        s.inverse().extractMatrix(0, TERMS, 0, TERMS),
                        card,
                        kept.size());
        if (bleached(kept, fall, s.weight(), paint)) {
            return new Outcome.Left(
                    "Where the paint is lighter it is also paler: it is bleached there, and the light cannot be"
                            + " told from that.");
        }
        double range = fall.range();
        if (range > MOST_FALL) {
            return new Outcome.Left(
                    "The paint is "
                            + Math.round(100 * range)
                            + " % darker in one place than in another: that is a shadow or another paint.");
        }
        return new Outcome.Found(fall);
    }

    /** Cells that are not near one that is something else: a film thins out slowly. */
    private static List<Cell> awayFromOthers(List<Cell> cells, double[] weight, double reachMm) {
        List<Cell> others = new ArrayList<>();
        for (int i = 0; i < weight.length; i++) {
            if (weight[i] == 0) {
                others.add(cells.get(i));
            }
        }
        return cells.stream()
                .filter(
                        c ->
                                others.stream()
                                        .noneMatch(
                                                o ->
                                                        Math.max(
                                                                        Math.abs(o.xMm() - c.xMm()),
                                                                        Math.abs(o.yMm() - c.yMm()))
                                                                <= reachMm))
                .toList();
    }

    /** The terms that fit the cells best, and how much each cell counts in the end. */
    @SuppressWarnings("ArrayRecordComponent") // passed on once, never compared
    private record Surface(double[] terms, SimpleMatrix inverse, double[] weight) {
        static Surface of(List<Cell> cells, double length, double height) {
            int n = cells.size();
            double[][] rows = new double[n][];
            double[] weight = new double[n];
            Arrays.fill(weight, 1);
            for (int i = 0; i < n; i++) {
                Cell c = cells.get(i);
                rows[i] = Arrays.copyOf(basis(c.xMm(), c.yMm(), length, height), ALL_TERMS);
                rows[i][TERMS] = c.a();
                rows[i][TERMS + 1] = c.b();
            }
            double[] terms = new double[ALL_TERMS];
            SimpleMatrix inverse = SimpleMatrix.identity(ALL_TERMS);
            double scatter = 0.05;
            for (int round = 0; round < ROUNDS; round++) {
                SimpleMatrix normal = new SimpleMatrix(ALL_TERMS, ALL_TERMS);
                SimpleMatrix right = new SimpleMatrix(ALL_TERMS, 1);
                double each = 1 / (CORRELATED * scatter * scatter);
                for (int j = 0; j < ALL_TERMS; j++) {
                    normal.set(j, j, 1 / (EXPECTED[j] * EXPECTED[j]));
                }
                for (int i = 0; i < n; i++) {
                    double w = weight[i] * each;
                    for (int j = 0; j < ALL_TERMS; j++) {
                        right.set(j, right.get(j) + w * rows[i][j] * cells.get(i).log());
                        for (int k = 0; k < ALL_TERMS; k++) {
                            normal.set(j, k, normal.get(j, k) + w * rows[i][j] * rows[i][k]);
                        }
                    }
                }
                inverse = normal.invert();
                terms = inverse.mult(right).getDDRM().getData().clone();
                double[] off = new double[n];
                for (int i = 0; i < n; i++) {
                    off[i] = cells.get(i).log() - dot(terms, rows[i]);
                }
                double[] sorted = Arrays.stream(off).map(Math::abs).sorted().toArray();
                scatter = Math.max(LEAST_SCATTER, 1.4826 * sorted[n / 2]);
                for (int i = 0; i < n; i++) {
                    double t = off[i] / (TUKEY * scatter);
                    weight[i] = Math.abs(t) >= 1 ? 0 : (1 - t * t) * (1 - t * t);
                }
            }
            return new Surface(terms, inverse, weight);
        }
    }

    /** Whether chroma goes as the level rises. */
    private static boolean bleached(List<Cell> cells, LightFall fall, double[] weight, Lab paint) {
        double chroma = Math.hypot(paint.a(), paint.b());
        if (chroma < COLOURED) {
            return false;
        }
        int n = cells.size();
        double[] level = new double[n];
        double[] more = new double[n];
        double sum = 0;
        double levels = 0;
        double mores = 0;
        for (int i = 0; i < n; i++) {
            Cell c = cells.get(i);
            level[i] = fall.logAt(c.xMm(), c.yMm());
            more[i] = (c.a() * paint.a() + c.b() * paint.b()) / chroma;
            sum += weight[i];
            levels += weight[i] * level[i];
            mores += weight[i] * more[i];
        }
        double up = 0;
        double square = 0;
        for (int i = 0; i < n; i++) {
            double l = level[i] - levels / sum;
            up += weight[i] * l * (more[i] - mores / sum);
            square += weight[i] * l * l;
        }
        double paler = -up / square;
        double risen = Math.sqrt(12 * square / sum);
        return paler > BLEACHED * chroma && paler * risen > SEEN_PALER;
    }

    private static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += a[i] * b[i];
        }
        return sum;
    }

    private double logAt(double xMm, double yMm) {
        double[] b = basis(xMm, yMm, lengthMm, heightMm);
        return dot(terms, b) - dot(terms, card);
    }

    /** The level of the light at a place over that where it was taken. */
    public double at(double xMm, double yMm) {
        return Math.exp(logAt(xMm, yMm));
    }

    /** One standard deviation of the level at a place, as a share of it. */
    public double sdAt(double xMm, double yMm) {
        double[] b = basis(xMm, yMm, lengthMm, heightMm);
        SimpleMatrix d = new SimpleMatrix(TERMS, 1);
        for (int j = 0; j < TERMS; j++) {
            d.set(j, b[j] - card[j]);
        }
        return Math.sqrt(Math.max(0, d.transpose().mult(covariance).mult(d).get(0)));
    }

    /** The same in the middle of the side's lower edge, where dust lies. */
    public double sdAtFoot() {
        return sdAt(lengthMm / 2, heightMm);
    }

    /** How much darker the darkest place of the side is than its brightest, 0 to 1. */
    public double range() {
        double least = Double.POSITIVE_INFINITY;
        double most = 0;
        for (int i = 0; i <= 16; i++) {
            for (int j = 0; j <= 8; j++) {
                double v = at(lengthMm * i / 16, heightMm * j / 8);
                least = Math.min(least, v);
                most = Math.max(most, v);
            }
        }
        return 1 - least / most;
    }

    /** In how many places of the side the paint told the light. */
    public int places() {
        return cells;
    }

    /**
     * The side as it would look were the light as it is where it was taken. Pixels at their end
     * stay so, and no other comes there.
     */
    public Raster evened(Raster side) {
        int[] out = new int[side.argb().length];
        double mm = lengthMm / side.width();
        IntStream.range(0, side.height())
                .parallel()
                .forEach(
                        y -> {
                            int row = y * side.width();
                            for (int from = 0; from < side.width(); from += STEP_PX) {
                                double here = at(from * mm, (y + 0.5) * mm);
                                double next = at((from + STEP_PX) * mm, (y + 0.5) * mm);
                                int to = Math.min(side.width(), from + STEP_PX);
                                for (int x = from; x < to; x++) {
                                    int p = side.at(x, y);
                                    double t = (x - from + 0.5) / STEP_PX;
                                    out[row + x] = lit(p) ? evened(p, here + t * (next - here)) : p;
                                }
                            }
                        });
        return new Raster(side.width(), side.height(), out);
    }

    private static int evened(int p, double level) {
        int out = p >>> 24;
        for (int shift = 16; shift >= 0; shift -= 8) {
            int v = p >> shift & 255;
            double linear = Math.min(1, Srgb.linear(v) / level);
            int even = ENCODED[(int) (Math.sqrt(linear) * (ENCODED.length - 1) + 0.5)];
            out = out << 8 | Math.clamp(even, v == 0 ? 0 : 1, 253);
        }
        return out;
    }
}
