package org.pendrik.core.measure;

import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.paint.KubelkaMunk;
import org.pendrik.core.photo.GaussianFilter;

/**
 * Where a class lies so thinly that the paint shines through, and how much of it.
 *
 * <p>From paint to film a colour runs along the path of a layer that grows thicker: three bands,
 * the film's sample as the layer without end, the same scattering in all (P. Kubelka, Journal of
 * the Optical Society of America 38 (1948), 448–457). A rust that shines through on blue is darker
 * than any mixture of the two lights. Each pixel is laid on the path at its own level of light, v =
 * f q(t), f held near 1 by how uneven a surface is; its share is how far along from paint to sample
 * q(t) is. It counts when that explains its colour. The shares are smoothed, and what is followed
 * begins where the film is plain and ends where it drowns in the scatter of the paint (hysteresis,
 * J. Canny, "A computational approach to edge detection", IEEE Transactions on Pattern Analysis and
 * Machine Intelligence 8 (1986), 679–698). O(pixels).
 */
final class ThinFilm {
    /** Films that run and fade; the others lie in patches, or are measured by height. */
    static final Set<WeatherClass> KINDS =
            Set.of(WeatherClass.FRESH_RUST, WeatherClass.WHITE_MINERAL);

    /** One standard deviation of the level of light from pixel to pixel, and of the mottle. */
    private static final double LEVEL_SD = 0.08;

    /** One standard deviation of a pixel in X, Y, Z: noise and compression. */
    private static final double NOISE = 0.01;

    /** Sine of the angle between paint and film below which a film is only a shadow. */
    private static final double LEAST_ANGLE = 0.15;

    private static final double SMOOTH_PX = 1.5;
    private static final double PLAIN = 0.3;
    private static final double LEAST = 0.05;
    private static final double PLAIN_SD = 6;
    private static final double LEAST_SD = 3;

    /** Steps of the path from paint to the sample, and steps beyond the sample. */
    private static final int STEPS = 21;

    private static final int BEYOND = 4;

    /** Share of a step. */
    private static final double STEP = 1.0 / (STEPS - 1);

    /** The layer is followed in so many steps to so many scattering lengths. */
    private static final int FINE = 400;

    private static final double DEEPEST = 8;
    private static final double DARKEST = 0.003;
    private static final double BRIGHTEST = 0.97;

    /** How far a pixel may be off its mixture, standard deviations in L* … */
    private static final double LIGHTNESS_SD = 2.2;

    /** … and in a*, b*, which cameras blur. */
    private static final double COLOUR_SD = 4;

    /** Squared standard deviations from its mixture at which a pixel is something else. */
    private static final double MOST_OFF = 16;

    private static final int FEWEST_PIXELS = 12;
    private static final int MOST_SAMPLED = 20_000;

    private final LabPlane plane;
    private final int w;
    private final int h;
    private final byte code;

    /** Steps of the path, X, Y, Z over white. */
    private final double[][] path;

    private final float[] share;
    private final float[] off;
    private float[] smooth = new float[0];
    private boolean[] here = new boolean[0];

    private ThinFilm(LabPlane plane, WeatherClass kind, double[] paint, double[] film) {
        this.plane = plane;
        this.w = plane.width();
        this.h = plane.height();
        this.code = ClassMap.code(kind);
        this.path = path(paint, film);
        this.share = new float[w * h];
        this.off = new float[w * h];
    }

    /** The films of a side, pixel by pixel; none is followed yet. */
    static ThinFilm[] of(LabPlane plane, ClassModel model) {
        return model.classes().stream()
                .filter(KINDS::contains)
                .map(c -> of(plane, model, c))
                .flatMap(Optional::stream)
                .toArray(ThinFilm[]::new);
    }

    private static Optional<ThinFilm> of(LabPlane plane, ClassModel model, WeatherClass c) {
        return FilmShare.Way.of(model, c)
                .filter(way -> apart(way.clean(), way.film()) > LEAST_ANGLE)
                .map(
                        way -> {
                            var film = new ThinFilm(plane, c, way.clean(), way.film());
                            IntStream.range(0, film.h).parallel().forEach(film::unmix);
                            return film;
                        });
    }

    private static double apart(double[] p, double[] c) {
        double along = dot(p, c);
        return Math.sqrt(Math.max(0, 1 - along * along / (dot(p, p) * dot(c, c))));
    }

    /** The path in steps of equal share, so that a parabola between them is fair. */
    private static double[][] path(double[] paint, double[] film) {
        double[] from = bands(paint);
        double[] deep = bands(film);
        FilmShare.Way way = new FilmShare.Way(paint, film);
        double[][] out = new double[STEPS + BEYOND][];
        out[0] = paint;
        double[] before = paint;
        double passed = 0;
        int next = 1;
        for (int i = 1; i < FINE && next < STEPS - 1; i++) {
            double t = (double) i / FINE;
            double[] v = new double[3];
            for (int k = 0; k < 3; k++) {
                v[k] = KubelkaMunk.over(from[k], KubelkaMunk.ratio(deep[k]), 1, DEEPEST * t * t);
            }
            double[] here = Srgb.linearToRelative(v[0], v[1], v[2]);
            double share = way.along(here);
            while (next < STEPS - 1 && share > passed && share >= STEP * next) {
                out[next] = between(before, here, (STEP * next - passed) / (share - passed));
                next++;
            }
            before = here;
            passed = Math.max(passed, share);
        }
        for (; next < STEPS + BEYOND; next++) {
            out[next] = between(paint, film, STEP * next);
        }
        return out;
    }

    private static double[] between(double[] a, double[] b, double t) {
        double[] out = new double[3];
        for (int k = 0; k < 3; k++) {
            out[k] = Math.max(DARKEST, a[k] + t * (b[k] - a[k]));
        }
        return out;
    }

    private static double[] bands(double[] relative) {
        double[] v = Srgb.relativeToLinear(relative[0], relative[1], relative[2]);
        return Arrays.stream(v).map(c -> Math.clamp(c, DARKEST, BRIGHTEST)).toArray();
    }

    private void unmix(int y) {
        double held = NOISE * NOISE / (LEVEL_SD * LEVEL_SD);
        double[] squares = Arrays.stream(path).mapToDouble(q -> dot(q, q) + held).toArray();
        double[] misfit = new double[path.length];
        double[] v = new double[3];
        for (int i = y * w; i < (y + 1) * w; i++) {
            if (!plane.usable().at(i - y * w, y)) {
                share[i] = Float.NaN;
                off[i] = Float.MAX_VALUE;
                continue;
            }
            for (int k = 0; k < 3; k++) {
                v[k] = plane.xyz(k)[i];
            }
            int best = 0;
            for (int j = 0; j < path.length; j++) {
                // of |v - f q|² + held (f - 1)², at the f that makes it least
                double along = dot(v, path[j]) + held;
                misfit[j] = -along * along / squares[j];
                if (misfit[j] < misfit[best]) {
                    best = j;
                }
            }
            double to = between(misfit, best);
            double t = STEP * to;
            double f = 0;
            double square = held;
            for (int k = 0; k < 3; k++) {
                double q = band(to, k);
                f += v[k] * q;
                square += q * q;
            }
            f = (f + held) / square;
            Lab mixed = Srgb.relativeToLab(f * band(to, 0), f * band(to, 1), f * band(to, 2));
            double dl = (plane.lab(0)[i] - mixed.l()) / LIGHTNESS_SD;
            double da = (plane.lab(1)[i] - mixed.a()) / COLOUR_SD;
            double db = (plane.lab(2)[i] - mixed.b()) / COLOUR_SD;
            double level = (f - 1) / LEVEL_SD;
            off[i] = (float) (dl * dl + da * da + db * db + level * level);
            share[i] = off[i] > MOST_OFF ? Float.NaN : (float) t;
        }
    }

    /** The step with the least misfit, between steps by the parabola through three. */
    private static double between(double[] misfit, int best) {
        if (best == 0 || best == misfit.length - 1) {
            return best;
        }
        double before = misfit[best - 1] - misfit[best];
        double after = misfit[best + 1] - misfit[best];
        return best + (before + after > 0 ? 0.5 * (before - after) / (before + after) : 0);
    }

    private double band(double to, int k) {
        int j = Math.min(path.length - 2, (int) to);
        return path[j][k] + (to - j) * (path[j + 1][k] - path[j][k]);
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }

    /**
     * Follows the film from where it is plain.
     *
     * @param label the class that each pixel is most like
     * @param rim where another mark lies so near that blur mixes it in
     */
    void follow(byte[] label, boolean[] rim) {
        for (int i = 0; i < share.length; i++) {
            if (rim[i] && label[i] != code) {
                share[i] = Float.NaN;
                off[i] = Float.MAX_VALUE;
            }
        }
        smooth = GaussianFilter.blurred(share, w, h, SMOOTH_PX);
        double scatter = scatter(label);
        double plain = Math.max(PLAIN, PLAIN_SD * scatter);
        double least = Math.max(LEAST, LEAST_SD * scatter);
        here = new boolean[w * h];
        int[] queue = new int[w * h];
        for (int i = 0; i < here.length; i++) {
            if (!here[i] && smooth[i] > plain) {
                spread(i, least, queue);
            }
        }
    }

    private void spread(int seed, double least, int[] queue) {
        int last = 0;
        queue[last++] = seed;
        here[seed] = true;
        for (int next = 0; next < last; next++) {
            int x = queue[next] % w;
            int y = queue[next] / w;
            for (int v = Math.max(0, y - 1); v <= Math.min(h - 1, y + 1); v++) {
                for (int u = Math.max(0, x - 1); u <= Math.min(w - 1, x + 1); u++) {
                    int i = v * w + u;
                    if (!here[i] && smooth[i] > least) {
                        here[i] = true;
                        queue[last++] = i;
                    }
                }
            }
        }
        if (last < FEWEST_PIXELS) {
            for (int next = 0; next < last; next++) {
                here[queue[next]] = false;
            }
        }
    }

    /** Standard deviation of the smoothed share where there is paint. */
    private double scatter(byte[] label) {
        byte clean = ClassMap.code(WeatherClass.PAINT);
        int stride = Math.max(1, smooth.length / MOST_SAMPLED);
        double[] far = new double[smooth.length / stride + 1];
        int n = 0;
        for (int i = 0; i < smooth.length; i += stride) {
            if (label[i] == clean && !Float.isNaN(smooth[i])) {
                far[n++] = smooth[i];
            }
        }
        if (n == 0) {
            return 0;
        }
        Arrays.sort(far, 0, n);
        double middle = far[n / 2];
        for (int i = 0; i < n; i++) {
            far[i] = Math.abs(far[i] - middle);
        }
        Arrays.sort(far, 0, n);
        return 1.4826 * far[n / 2];
    }

    /** The class. */
    byte code() {
        return code;
    }

    /** Whether the film is followed as far as this pixel. */
    boolean at(int i) {
        return here[i] && off[i] <= MOST_OFF;
    }

    /** How much of a pixel is the film, 0 to 1. */
    float share(int i) {
        return Math.clamp(share[i], 0f, 1f);
    }

    /** How far the pixel is off its mixture, squared standard deviations. */
    float off(int i) {
        return off[i];
    }
}
