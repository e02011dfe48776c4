package org.pendrik.app.truth.spectral;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;

/**
 * A side of which everything is known at every place, in prototype mm from its upper left corner:
 * seams, lettering, patches and spots of old rust that hide what is below, streaks of fresh rust
 * that shine through and fade downwards, dust that thins out upwards.
 */
final class SpectralSide {
    static final double LENGTH_MM = 6000;
    static final double HEIGHT_MM = 2200;

    static final Box COVER = new Box(300, 250, 1650, 1050);
    static final Box SPOTS = new Box(2150, 250, 1250, 1050);
    static final Box STREAKS = new Box(3560, 180, 2080, 1220);
    static final Box DUST = new Box(300, 1450, 5400, 730);

    /** Loose dust on the ends of the sill, deep enough to hide the paint. */
    static final Box HEAP = new Box(40, 2080, 200, 110);

    static final Box CLEAN = new Box(2030, 300, 90, 600);
    static final Box CLEAN_END = new Box(5710, 500, 230, 300);

    /** What lies under the films. */
    static final int PAINT = 0;

    static final int LETTER = 1;
    static final int OLD_RUST = 2;
    static final int SEAM = 3;
    static final int KINDS = 4;

    private static final double DEEPEST_RUST = 3;
    private static final double DEEPEST_DUST = 6;

    /** A rectangle in mm. */
    record Box(double x, double y, double width, double height) {
        boolean has(double px, double py) {
            return px >= x && py >= y && px < x + width && py < y + height;
        }

        double low() {
            return y + height;
        }
    }

    /**
     * How one and the same side is weathered.
     *
     * @param amount how much rust and dust, 1 as on the prototype
     * @param shade another mix of rust: how far its colour is turned, −1 to 1
     */
    record Look(double amount, double shade) {
        static final Look PROTOTYPE = new Look(1, 0);
    }

    /** A streak: where its crest begins, how it fades. */
    private record Streak(
            double x, double y, double length, double sigma, double peak, double power) {}

    /** A mark that hides the paint: a circle, or a ragged one. */
    private record Mark(double x, double y, double radius, double ragged, double phase) {
        boolean has(double px, double py) {
            double dx = px - x;
            double dy = py - y;
            double square = dx * dx + dy * dy;
            double outer = radius * (1 + ragged);
            double inner = radius * (1 - ragged);
            if (square >= outer * outer) {
                return false;
            }
            if (square < inner * inner) {
                return true;
            }
            double r = Math.sqrt(square);
            double turn = Math.atan2(dy, dx);
            double rim = 1 + ragged * (0.6 * Math.sin(5 * turn + phase) + 0.4 * Math.cos(2 * turn));
            return r < radius * rim;
        }
    }

    /** What one place shows; filled anew for every place. */
    static final class Seen {
        int kind;
        double rust;
        double dust;
        double level;
    }

    final int seed;
    final Look look;
    final double streakAngle;
    final double[] paint;
    private final Film rust;
    private final Film dust;
    private final double[][] grounds;
    private final List<Streak> streaks = new ArrayList<>();
    private final List<Mark> marks = new ArrayList<>();
    private final List<Mark> spots = new ArrayList<>();
    private final boolean lettered;
    private final double dustHeight;
    private final double dustFade;
    private final double dustDepth;
    private final double slope;
    private final double[] mottle = new double[64 * 64];

    /** X, Y, Z over white of what is under the films, under rust and dust. */
    private final Table colours;

    SpectralSide(int seed, Look look) {
        this.seed = seed;
        this.look = look;
        RandomGenerator random = new SplittableRandom(9_000_017L * (seed + 1));
        paint = paint(seed, random);
        double edge = 586 + 10 * random.nextDouble() + 9 * look.shade();
        double bright = 0.30 + 0.06 * random.nextDouble() - 0.05 * look.shade();
        rust = new Film(Spectrum.of(l -> 0.035 + bright / (1 + Math.exp((edge - l) / 17))));
        double sand = 0.3 + 0.12 * random.nextDouble();
        dust = new Film(Spectrum.of(l -> sand * (0.55 + 0.45 / (1 + Math.exp((540 - l) / 45)))));
        double[] oldRust = Spectrum.of(l -> 0.035 + 0.07 / (1 + Math.exp((600 - l) / 24)));
        grounds =
                new double[][] {
                    paint,
                    Spectrum.of(l -> 0.72 - 0.12 * Spectrum.lobe(l, 380, 30, 45)),
                    oldRust,
                    Arrays.stream(paint).map(v -> 0.45 * v).toArray()
                };
        lettered = random.nextInt(2) == 0;
        streakAngle = -12 + 24 * random.nextDouble();
        slope = Math.tan(Math.toRadians(streakAngle));
        double h0 = 110 + 260 * random.nextDouble();
        double fade = 28 + 50 * random.nextDouble();
        dustHeight = h0;
        dustFade = fade;
        dustDepth = (0.8 + 1.2 * random.nextDouble()) * look.amount();
        for (int i = 0; i < mottle.length; i++) {
            mottle[i] = random.nextDouble();
        }
        layStreaks(random);
        layPatches(random);
        laySpots(random);
        colours = table(Spectrum::relative);
    }

    private static double[] paint(int seed, RandomGenerator random) {
        double d = 0.045 + 0.03 * random.nextDouble();
        double s = 0.16 + 0.1 * random.nextDouble();
        return switch (seed % 6) {
            case 0 -> Spectrum.of(l -> d + 0.6 * s * Spectrum.lobe(l, 530, 34, 42));
            case 1 -> Spectrum.of(l -> d + 0.8 * s / (1 + Math.exp((612 - l) / 11)));
            case 2 -> Spectrum.of(l -> 0.2 + s + 0.0001 * (l - 550));
            case 3 -> Spectrum.of(l -> d + s * Spectrum.lobe(l, 462, 40, 38));
            case 4 -> Spectrum.of(l -> 2 * d + 1.6 * s / (1 + Math.exp((505 - l) / 18)));
            default -> Spectrum.of(l -> 0.055 + d / 2 + 0.00005 * (l - 550));
        };
    }

    private void layStreaks(RandomGenerator random) {
        int wanted = 3 + random.nextInt(6);
        double pitch = (STREAKS.width() - 500) / wanted;
        for (int i = 0; i < wanted; i++) {
            double fwhm = 26 + 40 * random.nextDouble();
            double length = 280 + 640 * random.nextDouble();
            streaks.add(
                    new Streak(
                            STREAKS.x()
                                    + 250
                                    + pitch * (i + 0.5 + 0.4 * (random.nextDouble() - 0.5)),
                            STREAKS.y() + 60 + 120 * random.nextDouble(),
                            length,
                            fwhm / 2.355,
                            (0.5 + 0.8 * random.nextDouble()) * look.amount(),
                            0.7 + 0.6 * random.nextDouble()));
        }
    }

    private void layPatches(RandomGenerator random) {
        int wanted = 5 + random.nextInt(9);
        for (int i = 0; i < wanted; i++) {
            double r = 25 + 85 * Math.pow(random.nextDouble(), 1.5);
            marks.add(
                    new Mark(
                            COVER.x() + 150 + random.nextDouble() * (COVER.width() - 300),
                            COVER.y() + 150 + random.nextDouble() * (COVER.height() - 300),
                            r * Math.sqrt(look.amount()),
                            0.28,
                            6.28 * random.nextDouble()));
        }
    }

    private void laySpots(RandomGenerator random) {
        double middle = 34 + 26 * random.nextDouble();
        for (int i = 0; i < 900 && spots.size() < 70; i++) {
            double r = middle / 2 * Math.exp(0.3 * random.nextGaussian());
            double x = SPOTS.x() + r + 25 + random.nextDouble() * (SPOTS.width() - 2 * r - 50);
            double y = SPOTS.y() + r + 25 + random.nextDouble() * (SPOTS.height() - 2 * r - 50);
            if (spots.stream()
                    .allMatch(s -> Math.hypot(s.x() - x, s.y() - y) > s.radius() + r + 30)) {
                spots.add(new Mark(x, y, r, 0, 0));
            }
        }
    }

    /** What is seen at a place of the side. */
    void see(double x, double y, Seen out) {
        out.kind = ground(x, y);
        out.rust = STREAKS.has(x, y) ? rustAt(x, y) : 0;
        out.dust = HEAP.has(x, y) ? DEEPEST_DUST : dustAt(x, y);
        out.level =
                1 + 0.05 * (mottled(x / 70, y / 70) - 0.5) + 0.05 * (mottled(x / 9, y / 9) - 0.5);
    }

    private int ground(double x, double y) {
        if (COVER.has(x, y)) {
            for (Mark m : marks) {
                if (m.has(x, y)) {
                    return OLD_RUST;
                }
            }
        } else if (SPOTS.has(x, y)) {
            for (Mark m : spots) {
                if (m.has(x, y)) {
                    return OLD_RUST;
                }
            }
        }
        if (lettered && y > 60 && y < 150 && x > 600 && x < 2400 && (x % 150) < 60) {
            return LETTER;
        }
        return x % 1995 < 8 ? SEAM : PAINT;
    }

    private double rustAt(double x, double y) {
        double sum = 0;
        for (Streak s : streaks) {
            sum += rustOf(s, x, y);
        }
        return Math.min(sum, DEEPEST_RUST);
    }

    private double rustOf(Streak s, double x, double y) {
        double down = y - s.y();
        double t = down / s.length();
        if (t <= 0 || t >= 1) {
            return 0;
        }
        double v = (x - s.x() - slope * down) / s.sigma();
        return Math.abs(v) > 5
                ? 0
                : s.peak()
                        * Math.min(1, down / 25)
                        * Math.pow(1 - t, s.power())
                        * Math.exp(-0.5 * v * v);
    }

    private double dustAt(double x, double y) {
        double up = HEIGHT_MM - y;
        if (up > 1200) {
            return 0;
        }
        double even = 0.88 + 0.24 * mottled(x / 130, y / 45);
        return even * dustDepth / (1 + Math.exp((up - dustHeight) / dustFade));
    }

    private double mottled(double u, double v) {
        int i = (int) Math.floor(u);
        int j = (int) Math.floor(v);
        double a = u - i;
        double b = v - j;
        double top = (1 - a) * knot(i, j) + a * knot(i + 1, j);
        double low = (1 - a) * knot(i, j + 1) + a * knot(i + 1, j + 1);
        return (1 - b) * top + b * low;
    }

    private double knot(int i, int j) {
        return mottle[(j & 63) * 64 + (i & 63)];
    }

    /** What an observer makes of a spectrum. */
    @FunctionalInterface
    interface Eye {
        double[] of(double[] reflectance);
    }

    /** Three values for every ground under every depth of both films, between steps by lines. */
    static final class Table {
        private static final int RUSTS = 40;
        private static final int DUSTS = 40;
        private final double[] values = new double[3 * KINDS * RUSTS * DUSTS];

        /** Depths are closer together where they are small. */
        private static double depth(int step, int steps, double deepest) {
            double t = (double) step / (steps - 1);
            return deepest * t * t;
        }

        void at(int kind, double rust, double dust, double[] out) {
            double u = Math.sqrt(Math.min(1, rust / DEEPEST_RUST)) * (RUSTS - 1);
            double v = Math.sqrt(Math.min(1, dust / DEEPEST_DUST)) * (DUSTS - 1);
            int i = Math.min(RUSTS - 2, (int) u);
            int j = Math.min(DUSTS - 2, (int) v);
            double a = u - i;
            double b = v - j;
            int at = 3 * ((kind * RUSTS + i) * DUSTS + j);
            for (int k = 0; k < 3; k++) {
                double thin = (1 - b) * values[at + k] + b * values[at + 3 + k];
                double deep =
                        (1 - b) * values[at + 3 * DUSTS + k] + b * values[at + 3 * DUSTS + 3 + k];
                out[k] = (1 - a) * thin + a * deep;
            }
        }
    }

    Table table(Eye eye) {
        Table out = new Table();
        int at = 0;
        for (double[] ground : grounds) {
            for (int i = 0; i < Table.RUSTS; i++) {
                double[] rusty = rust.over(ground, Table.depth(i, Table.RUSTS, DEEPEST_RUST));
                for (int j = 0; j < Table.DUSTS; j++) {
                    double[] seen =
                            eye.of(dust.over(rusty, Table.depth(j, Table.DUSTS, DEEPEST_DUST)));
                    for (int k = 0; k < 3; k++) {
                        out.values[at++] = seen[k];
                    }
                }
            }
        }
        return out;
    }

    /** A place on the strongest streak, of half its width, as a user would draw it. */
    Box strongest() {
        Streak s =
                streaks.stream()
                        .max(java.util.Comparator.comparingDouble(Streak::peak))
                        .orElseThrow();
        double half = 0.45 * s.sigma();
        double from = s.y() + 35;
        return new Box(s.x() + slope * 60 - half, from, 2 * half, 50);
    }

    /** The largest patch of old rust, well within its rim. */
    Box patch() {
        Mark m =
                marks.stream()
                        .max(java.util.Comparator.comparingDouble(Mark::radius))
                        .orElseThrow();
        double half = 0.42 * m.radius();
        return new Box(m.x() - half, m.y() - half, 2 * half, 2 * half);
    }

    /** How much of what is between clean paint and a colour a place shows, 0 to 1. */
    private double share(double[] xyz, double[] clean, double[] film) {
        double up = 0;
        double down = 0;
        for (int k = 0; k < 3; k++) {
            up += (xyz[k] - clean[k]) * (film[k] - clean[k]);
            down += (film[k] - clean[k]) * (film[k] - clean[k]);
        }
        return up / down;
    }

    private double[] seen(int kind, double rustDepth, double dustDepthThere) {
        double[] out = new double[3];
        colours.at(kind, rustDepth, dustDepthThere, out);
        return out;
    }

    /** Mean X, Y, Z over white in a box. */
    double[] mean(Box b) {
        double[] sum = new double[3];
        double[] one = new double[3];
        Seen s = new Seen();
        int n = 0;
        for (double y = b.y() + 1; y < b.low(); y += 2) {
            for (double x = b.x() + 1; x < b.x() + b.width(); x += 2) {
                see(x, y, s);
                colours.at(s.kind, s.rust, s.dust, one);
                for (int k = 0; k < 3; k++) {
                    sum[k] += one[k] * s.level;
                }
                n++;
            }
        }
        for (int k = 0; k < 3; k++) {
            sum[k] /= n;
        }
        return sum;
    }

    /** L*, a*, b* of the paint. */
    double[] paintLab() {
        return Spectrum.lab(seen(PAINT, 0, 0));
    }

    /** L*, a*, b* of the rust without end. */
    double[] rustLab() {
        return Spectrum.lab(Spectrum.relative(rust.deep()));
    }

    /** Share of a box that old rust hides, 0 to 1. */
    double oldRust(Box b) {
        int n = 0;
        int all = 0;
        for (double y = b.y() + 1.5; y < b.low(); y += 3) {
            for (double x = b.x() + 1.5; x < b.x() + b.width(); x += 3) {
                all++;
                n += ground(x, y) == OLD_RUST ? 1 : 0;
            }
        }
        return (double) n / all;
    }

    /** The part of the streaks' box that fresh rust makes up, counted by what the sample shows. */
    double freshRust() {
        double[] clean = seen(PAINT, 0, 0);
        double[] film = mean(strongest());
        double sum = 0;
        int all = 0;
        for (double y = STREAKS.y() + 2; y < STREAKS.low(); y += 4) {
            for (double x = STREAKS.x() + 2; x < STREAKS.x() + STREAKS.width(); x += 4) {
                double depth = rustAt(x, y);
                sum += depth == 0 ? 0 : share(seen(PAINT, depth, 0), clean, film);
                all++;
            }
        }
        return sum / all;
    }

    /** The same, counted from paint to sample by the way that another look of it has. */
    double freshRust(SpectralSide other) {
        double far = distance(other.seen(PAINT, 0, 0), other.mean(other.strongest()));
        double[] clean = seen(PAINT, 0, 0);
        double own = distance(clean, mean(strongest()));
        return freshRust() * own / far;
    }

    private static double distance(double[] a, double[] b) {
        return Math.hypot(Math.hypot(a[0] - b[0], a[1] - b[1]), a[2] - b[2]);
    }

    int streakCount() {
        return streaks.size();
    }

    /**
     * Median of how far down the streaks show at least a tenth of what they show at their
     * strongest.
     */
    double streakLength() {
        return median(streaks.stream().mapToDouble(this::length).toArray());
    }

    private double length(Streak s) {
        double most = 0;
        List<Double> along = new ArrayList<>();
        for (double y = s.y(); y < s.y() + s.length(); y += 2) {
            double v = shareOf(rustOf(s, s.x() + slope * (y - s.y()), y));
            along.add(v);
            most = Math.max(most, v);
        }
        double least = 0.1 * most;
        return 2.0 * along.stream().filter(v -> v >= least).count();
    }

    private double shareOf(double depth) {
        return share(seen(PAINT, depth, 0), seen(PAINT, 0, 0), Spectrum.relative(rust.deep()));
    }

    /** Median of their widths at half strength, over their length, along the side. */
    double streakWidth() {
        return median(streaks.stream().mapToDouble(this::width).toArray());
    }

    private double width(Streak s) {
        double[] profile = new double[200];
        for (int i = 0; i < profile.length; i++) {
            for (double y = s.y(); y < s.y() + s.length(); y += 5) {
                profile[i] += shareOf(rustOf(s, s.x() + i + slope * (y - s.y()), y));
            }
        }
        int i = 0;
        while (profile[i + 1] > profile[0] / 2) {
            i++;
        }
        double half = i + (profile[i] - profile[0] / 2) / (profile[i] - profile[i + 1]);
        return 2 * half;
    }

    /** Median diameter of the spots that are not smaller than a limit. */
    double spotMedian(double smallest) {
        return median(
                spots.stream()
                        .mapToDouble(s -> 2 * s.radius())
                        .filter(d -> d >= smallest)
                        .toArray());
    }

    int spotCount() {
        return spots.size();
    }

    /** Share of dust at a height above the lower edge of its box, counted by the heap. */
    private double dusty(double up) {
        double depth =
                dustDepth / (1 + Math.exp((up + HEIGHT_MM - DUST.low() - dustHeight) / dustFade));
        double[] heap = seen(PAINT, 0, DEEPEST_DUST);
        return share(seen(PAINT, 0, depth), seen(PAINT, 0, 0), heap);
    }

    double dustAtFoot() {
        return dusty(0);
    }

    /** Where the dust has half of its strength at the lower edge, above it. */
    double dustHalfHeight() {
        double half = dusty(0) / 2;
        double up = 0;
        while (dusty(up) > half) {
            up += 1;
        }
        return up;
    }

    private static double median(double[] v) {
        Arrays.sort(v);
        int n = v.length;
        return n % 2 == 1 ? v[n / 2] : (v[n / 2 - 1] + v[n / 2]) / 2;
    }
}
