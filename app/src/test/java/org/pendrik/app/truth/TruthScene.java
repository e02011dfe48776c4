package org.pendrik.app.truth;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.measure.ClassSample;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.Region;

/**
 * A side on which everything is known: where each class lies, how wide the spots are, which way the
 * streaks run, how high the dust stands. Linear sRGB texture and the class of every texel.
 */
final class TruthScene {
    static final double LENGTH_MM = 4000;
    static final double HEIGHT_MM = 1600;
    static final double PX_PER_MM = 0.7;

    static final Region COVER = new Region("cover", 200, 170, 1300, 640);
    static final Region SPOTS = new Region("spots", 1600, 170, 900, 640);
    static final Region STREAKS = new Region("streaks", 2600, 170, 1250, 640);
    static final Region DUST = new Region("dust", 200, 840, 3600, 740);

    private static final Lab[] PAINTS = {
        new Lab(36, -13, 11),
        new Lab(42, 26, 18),
        new Lab(55, -2, 6),
        new Lab(38, -3, -18),
        new Lab(60, 4, 26),
        new Lab(33, 3, 4),
    };
    private static final Map<WeatherClass, Lab> COLOURS =
            new EnumMap<>(
                    Map.of(
                            WeatherClass.FRESH_RUST, new Lab(46, 27, 36),
                            WeatherClass.OLD_RUST, new Lab(28, 16, 15),
                            WeatherClass.GRIME, new Lab(16, 1, 3),
                            WeatherClass.WHITE_MINERAL, new Lab(82, 0, 5),
                            WeatherClass.BARE_METAL, new Lab(68, -1, -3),
                            WeatherClass.OTHER, new Lab(78, 5, 62),
                            WeatherClass.DUST, new Lab(58, 5, 17)));

    final int width = (int) Math.round(LENGTH_MM * PX_PER_MM);
    final int height = (int) Math.round(HEIGHT_MM * PX_PER_MM);
    final float[] rgb = new float[3 * width * height];
    final WeatherClass[] kind = new WeatherClass[width * height];
    final double streakAngle;
    final double dustHeightMm;
    final double footStrength;
    final WeatherClass spotKind;
    final WeatherClass streakKind;
    private final List<Double> diameters = new ArrayList<>();
    private final List<ClassSample> samples = new ArrayList<>();
    private final Lab paint;
    private final int seed;

    TruthScene(int seed) {
        RandomGenerator random = new SplittableRandom(seed * 7919L + 5);
        this.seed = seed;
        paint = PAINTS[seed % PAINTS.length];
        spotKind = seed % 2 == 0 ? WeatherClass.OLD_RUST : WeatherClass.BARE_METAL;
        streakKind = seed % 3 == 0 ? WeatherClass.FRESH_RUST : WeatherClass.WHITE_MINERAL;
        streakAngle = -25 + 50 * random.nextDouble();
        java.util.Arrays.fill(kind, WeatherClass.PAINT);
        int place = 0;
        for (WeatherClass c : COLOURS.keySet()) {
            if (c == WeatherClass.OTHER) {
                continue;
            }
            Region patch = new Region(c.label(), 240 + 330 * place++, 30, 150, 100);
            fill(patch, c);
            samples.add(new ClassSample(c, inset(patch)));
        }
        samples.add(new ClassSample(WeatherClass.PAINT, new Region("paint", 2250, 40, 250, 80)));
        samples.add(new ClassSample(WeatherClass.PAINT, new Region("paint low", 60, 500, 90, 160)));
        blobs(random);
        letters();
        discs(random);
        lines(random);
        double half = 130 + 230 * random.nextDouble();
        double decay = 25 + 50 * random.nextDouble();
        dustHeightMm = half + decay * Math.log(1 + 2 * Math.exp(-half / decay));
        double strength = 0.55 + 0.35 * random.nextDouble();
        footStrength = strength / (1 + Math.exp(-half / decay));
        paintAll(half, decay, strength);
    }

    private static Region inset(Region r) {
        return new Region(
                r.name(), r.xMm() + 15, r.yMm() + 15, r.widthMm() - 30, r.heightMm() - 30);
    }

    List<ClassSample> samples() {
        return samples;
    }

    double spotMedian(double smallestMm) {
        double[] d =
                diameters.stream()
                        .mapToDouble(Double::doubleValue)
                        .filter(v -> v >= smallestMm)
                        .sorted()
                        .toArray();
        return d.length % 2 == 1 ? d[d.length / 2] : (d[d.length / 2 - 1] + d[d.length / 2]) / 2;
    }

    double cover(WeatherClass c, Region r) {
        int all = 0;
        int n = 0;
        for (int y = (int) (r.yMm() * PX_PER_MM); y < r.lowMm() * PX_PER_MM; y++) {
            for (int x = (int) (r.xMm() * PX_PER_MM);
                    x < (r.xMm() + r.widthMm()) * PX_PER_MM;
                    x++) {
                all++;
                n += kind[y * width + x] == c ? 1 : 0;
            }
        }
        return (double) n / all;
    }

    private void fill(Region r, WeatherClass c) {
        for (int y = (int) (r.yMm() * PX_PER_MM); y < r.lowMm() * PX_PER_MM; y++) {
            for (int x = (int) (r.xMm() * PX_PER_MM);
                    x < (r.xMm() + r.widthMm()) * PX_PER_MM;
                    x++) {
                kind[y * width + x] = c;
            }
        }
    }

    /** Ragged blobs of four classes, the later over the earlier. */
    private void blobs(RandomGenerator random) {
        WeatherClass[] order = {
            WeatherClass.GRIME,
            WeatherClass.OLD_RUST,
            WeatherClass.FRESH_RUST,
            WeatherClass.WHITE_MINERAL
        };
        for (WeatherClass c : order) {
            int count = 4 + random.nextInt(14);
            for (int i = 0; i < count; i++) {
                double r = 14 + 66 * Math.pow(random.nextDouble(), 2);
                double cx = COVER.xMm() + random.nextDouble() * COVER.widthMm();
                double cy = COVER.yMm() + random.nextDouble() * COVER.heightMm();
                double phase = random.nextDouble() * 99;
                disc(
                        cx,
                        cy,
                        1.5 * r,
                        (dx, dy) -> {
                            if (dx * dx + dy * dy > 1.5 * r * r) {
                                return false;
                            }
                            double a = Math.atan2(dy, dx);
                            double edge =
                                    r
                                            * (0.85
                                                    + 0.25 * Math.sin(3 * a + phase)
                                                    + 0.12 * Math.sin(7 * a + 2 * phase));
                            return Math.hypot(dx, dy) < edge;
                        },
                        c,
                        COVER);
            }
        }
    }

    @FunctionalInterface
    private interface Shape {
        boolean has(double dx, double dy);
    }

    private int disc(double cx, double cy, double reach, Shape shape, WeatherClass c, Region in) {
        return mark(cx, cy, reach, reach, shape, c, in);
    }

    private int mark(
            double cx,
            double cy,
            double across,
            double down,
            Shape shape,
            WeatherClass c,
            Region in) {
        int n = 0;
        for (int y = (int) ((cy - down) * PX_PER_MM); y <= (cy + down) * PX_PER_MM; y++) {
            for (int x = (int) ((cx - across) * PX_PER_MM); x <= (cx + across) * PX_PER_MM; x++) {
                double xm = (x + 0.5) / PX_PER_MM;
                double ym = (y + 0.5) / PX_PER_MM;
                if (in.contains(xm, ym) && shape.has(xm - cx, ym - cy)) {
                    kind[y * width + x] = c;
                    n++;
                }
            }
        }
        return n;
    }

    /** Yellow strokes on every second side, which nobody sampled. */
    private void letters() {
        for (int i = 0; i < 9 && seed % 2 == 0; i++) {
            fill(
                    new Region("stroke", 500 + 55 * i + 30 * (i / 3), 330, 28, 190),
                    WeatherClass.OTHER);
        }
    }

    /** Discs of log-normal diameters that do not touch. */
    private void discs(RandomGenerator random) {
        double middle = Math.log(22 + 18 * random.nextDouble());
        List<double[]> kept = new ArrayList<>();
        for (int tries = 0; tries < 4000 && kept.size() < 110; tries++) {
            double r = Math.exp(middle + 0.35 * random.nextGaussian()) / 2;
            double cx = SPOTS.xMm() + r + 20 + random.nextDouble() * (SPOTS.widthMm() - 2 * r - 40);
            double cy =
                    SPOTS.yMm() + r + 20 + random.nextDouble() * (SPOTS.heightMm() - 2 * r - 40);
            boolean free =
                    kept.stream().allMatch(k -> Math.hypot(k[0] - cx, k[1] - cy) > k[2] + r + 18);
            if (free) {
                kept.add(new double[] {cx, cy, r});
                int n = disc(cx, cy, r, (dx, dy) -> dx * dx + dy * dy < r * r, spotKind, SPOTS);
                diameters.add(2 * Math.sqrt(n / (PX_PER_MM * PX_PER_MM) / Math.PI));
            }
        }
    }

    private void lines(RandomGenerator random) {
        double slope = Math.tan(Math.toRadians(streakAngle));
        for (int i = 0; i < 26; i++) {
            double wide = 6 + 9 * random.nextDouble();
            double length = 180 + 300 * random.nextDouble();
            double top =
                    STREAKS.yMm() + 30 + random.nextDouble() * (STREAKS.heightMm() - length - 60);
            double at = STREAKS.xMm() + random.nextDouble() * STREAKS.widthMm();
            mark(
                    at,
                    top + length / 2,
                    wide + Math.abs(slope) * length / 2,
                    length / 2,
                    (dx, dy) -> {
                        double along = dy + length / 2;
                        double narrowing = 1 - 0.5 * along / length;
                        return along >= 0
                                && along < length
                                && Math.abs(dx - slope * dy) < wide * narrowing;
                    },
                    streakKind,
                    STREAKS);
        }
    }

    private void paintAll(double half, double decay, double strength) {
        Map<WeatherClass, Lab> byKind = new EnumMap<>(COLOURS);
        byKind.put(WeatherClass.PAINT, paint);
        double[] dust = Srgb.labToLinear(COLOURS.get(WeatherClass.DUST));
        for (int y = 0; y < height; y++) {
            double ym = (y + 0.5) / PX_PER_MM;
            double above = DUST.lowMm() - ym;
            double film =
                    ym < DUST.yMm() - 200 ? 0 : strength / (1 + Math.exp((above - half) / decay));
            paintRow(y, byKind, film, dust);
        }
    }

    private void paintRow(int y, Map<WeatherClass, Lab> byKind, double film, double[] dust) {
        double ym = (y + 0.5) / PX_PER_MM;
        Cells clouds = new Cells(ym / 60);
        Cells grains = new Cells(ym / 5 + seed);
        Cells dusts = new Cells(ym / 25 + 9);
        WeatherClass last = WeatherClass.PAINT;
        Lab c = paint;
        for (int x = 0; x < width; x++) {
            double xm = (x + 0.5) / PX_PER_MM;
            WeatherClass here = kind[y * width + x];
            c = here == last ? c : byKind.get(here);
            last = here;
            double cloud = clouds.at(xm / 60 + seed) - 0.5;
            double grain = grains.at(xm / 5) - 0.5;
            double[] v =
                    Srgb.labToLinear(
                            new Lab(
                                    c.l() + 2.5 * cloud + 2.5 * grain,
                                    c.a() + 1.2 * grain,
                                    c.b() + 1.5 * cloud));
            double f = film == 0 ? 0 : film * (0.9 + 0.2 * dusts.at(xm / 150));
            for (int k = 0; k < 3; k++) {
                rgb[3 * (y * width + x) + k] = (float) Math.max(0, v[k] + f * (dust[k] - v[k]));
            }
        }
    }

    /** Smooth noise of unit cells along a line, 0 to 1; corners of the cell last met are kept. */
    private static final class Cells {
        private final int iy;
        private final double v;
        private int ix = Integer.MIN_VALUE;
        private double topLeft;
        private double topRight;
        private double lowLeft;
        private double lowRight;

        Cells(double y) {
            iy = (int) Math.floor(y);
            v = smooth(y - iy);
        }

        double at(double x) {
            int cell = (int) Math.floor(x);
            if (cell != ix) {
                ix = cell;
                topLeft = lattice(ix, iy);
                topRight = lattice(ix + 1, iy);
                lowLeft = lattice(ix, iy + 1);
                lowRight = lattice(ix + 1, iy + 1);
            }
            double u = smooth(x - ix);
            double top = topLeft * (1 - u) + topRight * u;
            double low = lowLeft * (1 - u) + lowRight * u;
            return top + (low - top) * v;
        }

        private static double smooth(double part) {
            return part * (part * (3 - 2 * part));
        }

        private static double lattice(int x, int y) {
            int h = x * 0x2545f491 ^ y * 0x9e3779b1;
            h = (h ^ h >>> 16) * 0x7feb352d;
            h = (h ^ h >>> 15) * 0x846ca68b;
            return ((h ^ h >>> 16) >>> 8) / (double) (1 << 24);
        }
    }
}
