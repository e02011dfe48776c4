package org.pendrik.core.measure;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * Sorts the pixels of a side into classes.
 *
 * <p>A quadratic discriminant first: the most likely cloud, unless even that is too far away. Then
 * the border between two marks is put right. Blur mixes the light of both there, and a mixture can
 * look like a third class; so a pixel stays what it seems only where that class is really present
 * nearby, as a patch of its own. Any other pixel is tried as a mixture of two classes that are, in
 * linear light, where blur conserves the amounts; what no mixture explains is {@link
 * WeatherClass#OTHER}. Cost O(pixels · samples) and, on borders, O(pairs of classes nearby).
 */
final class PixelSorter {
    /** Five standard deviations: compression rings near borders, and no sample shows everything. */
    private static final float REJECT = 25f;

    /** A second class this near in likelihood makes the pixel a near thing. */
    private static final float NEAR_THING = 3f;

    /** A mixture may be off its line by so many standard deviations, squared, of its two clouds. */
    private static final double MIXTURE = 25;

    /** A mixture with a class that is not seen nearby has to fit better by this. */
    private static final double ABSENT = 3;

    /** How far a pixel between two marks may be off their mixture, standard deviations in L* … */
    private static final double LIGHTNESS_SD = 2.2;

    /** … and in a*, b*, which a camera blurs more. */
    private static final double SOFT_COLOUR_SD = 5;

    /** Squared standard deviations within which 19 of 20 pixels of a class lie (χ², 3 degrees). */
    private static final float WITHIN = 7.8f;

    /** A pixel alone is taken for a mark of its class within this. */
    private static final float WELL_WITHIN = 4;

    /** A thin film explains a pixel better than a class that is there when it is nearer by this. */
    private static final float SURER = 1;

    private static final float RIM_SHARE = 0.5f;

    private final LabPlane plane;
    private final ClassModel model;
    private final Cloud[] clouds;
    private final int w;
    private final int h;
    private final int reach;
    private final byte[] label;
    private final byte[] nearest;
    private final boolean[] unsure;
    private final boolean[] rejected;

    private PixelSorter(LabPlane plane, ClassModel model, int reach) {
        this.plane = plane;
        this.model = model;
        this.clouds = model.clouds().toArray(Cloud[]::new);
        this.w = plane.width();
        this.h = plane.height();
        this.reach = reach;
        this.label = new byte[w * h];
        this.nearest = new byte[w * h];
        this.unsure = new boolean[w * h];
        this.rejected = new boolean[w * h];
    }

    /**
     * Sorts.
     *
     * @param blurPx standard deviation of the blur of the side in its pixels
     */
    static ClassMap sort(LabPlane plane, ClassModel model, double blurPx) {
        PixelSorter s = new PixelSorter(plane, model, 1 + (int) Math.ceil(2 * blurPx));
        IntStream.range(0, s.h).parallel().forEach(s::discriminate);
        return s.mixtures();
    }

    private void discriminate(int y) {
        for (int i = y * w; i < (y + 1) * w; i++) {
            if (!plane.usable().at(i - y * w, y)) {
                label[i] = ClassMap.NONE;
                continue;
            }
            float l = plane.lab(0)[i];
            float a = plane.lab(1)[i];
            float b = plane.lab(2)[i];
            float best = Float.MAX_VALUE;
            float bestSquared = Float.MAX_VALUE;
            float other = Float.MAX_VALUE;
            int at = 0;
            for (int k = 0; k < clouds.length; k++) {
                float m = clouds[k].squared(l, a, b);
                float score = m + clouds[k].width();
                if (score < best) {
                    if (clouds[k].kind() != clouds[at].kind()) {
                        other = best;
                    }
                    best = score;
                    bestSquared = m;
                    at = k;
                } else if (clouds[k].kind() != clouds[at].kind()) {
                    other = Math.min(other, score);
                }
            }
            nearest[i] = (byte) at;
            label[i] = ClassMap.code(clouds[at].kind());
            rejected[i] = bestSquared > REJECT;
            unsure[i] = rejected[i] || other - best < NEAR_THING;
        }
    }

    /** A bit per class that is present as a patch of 3 × 3 pixels at a place. */
    private short[] patches() {
        short[] out = new short[w * h];
        IntStream.range(1, h - 1)
                .parallel()
                .forEach(
                        y -> {
                            for (int x = 1; x < w - 1; x++) {
                                int i = y * w + x;
                                byte c = label[i];
                                boolean whole = c != ClassMap.NONE;
                                for (int dy = -w; whole && dy <= w; dy += w) {
                                    for (int dx = -1; dx <= 1; dx++) {
                                        whole &= label[i + dy + dx] == c && !rejected[i + dy + dx];
                                    }
                                }
                                out[i] = whole ? (short) (1 << c) : 0;
                            }
                        });
        return out;
    }

    private short[] nearby(short[] bits) {
        short[] rows = new short[bits.length];
        short[] out = new short[bits.length];
        IntStream.range(0, h)
                .parallel()
                .forEach(
                        y -> {
                            for (int d = -reach; d <= reach; d++) {
                                int from = y * w + Math.max(0, -d);
                                int to = y * w + Math.min(w, w - d);
                                for (int i = from; i < to; i++) {
                                    rows[i] |= bits[i + d];
                                }
                            }
                        });
        IntStream.range(0, h)
                .parallel()
                .forEach(
                        y -> {
                            for (int v = Math.max(0, y - reach);
                                    v <= Math.min(h - 1, y + reach);
                                    v++) {
                                for (int x = 0; x < w; x++) {
                                    out[y * w + x] |= rows[v * w + x];
                                }
                            }
                        });
        return out;
    }

    private ClassMap mixtures() {
        short[] patches = patches();
        short[] near = nearby(patches);
        byte[] first = new byte[w * h];
        byte[] second = new byte[w * h];
        float[] share = new float[w * h];
        Arrays.fill(share, 1);
        ThinFilm[] films = ThinFilm.of(plane, model);
        for (ThinFilm f : films) {
            f.follow(label, rims(f, patches));
        }
        IntStream.range(0, h)
                .parallel()
                .forEach(
                        y -> {
                            Mixture m = new Mixture();
                            for (int i = y * w; i < (y + 1) * w; i++) {
                                first[i] = label[i];
                                second[i] = label[i];
                                ThinFilm film = film(i, films, near[i]);
                                if (film != null) {
                                    first[i] = film.code();
                                    second[i] = ClassMap.code(WeatherClass.PAINT);
                                    boolean whole =
                                            label[i] == film.code()
                                                    && patches[i] != 0
                                                    && squared(i) < WITHIN;
                                    share[i] = whole ? 1 : film.share(i);
                                    unsure[i] = !whole;
                                    continue;
                                }
                                boolean own =
                                        label[i] != ClassMap.NONE
                                                && !rejected[i]
                                                && (near[i] >> label[i] & 1) != 0;
                                if (label[i] == ClassMap.NONE
                                        || (own && near[i] == (1 << label[i]))) {
                                    continue;
                                }
                                m.of(i, near[i], own);
                                if (own) {
                                    // a mark's rim lies beside it on either side: half of it is
                                    // what blur took from the mark, and looks like the paint
                                    if (m.found) {
                                        first[i] = m.first;
                                        second[i] = m.second;
                                        share[i] = (float) m.share;
                                    }
                                    continue;
                                }
                                if (m.found) {
                                    first[i] = m.first;
                                    second[i] = m.second;
                                    share[i] = (float) m.share;
                                } else if (rejected[i]) {
                                    first[i] = ClassMap.code(WeatherClass.OTHER);
                                    second[i] = rim(i, near[i]);
                                    share[i] = second[i] == first[i] ? 1 : RIM_SHARE;
                                }
                                unsure[i] = true;
                            }
                        });
        return new ClassMap(w, h, plane.pxPerMm(), first, second, share, unsure);
    }

    /** Where a mark that is no thin film lies so near that blur mixes it in. */
    private boolean[] rims(ThinFilm film, short[] patches) {
        int own = 1 << film.code() | 1 << ClassMap.code(WeatherClass.PAINT);
        short[] others = new short[w * h];
        IntStream.range(0, h)
                .parallel()
                .forEach(
                        y -> {
                            for (int i = y * w; i < (y + 1) * w; i++) {
                                if (label[i] == ClassMap.NONE || (own >> label[i] & 1) != 0) {
                                    continue;
                                }
                                boolean patch = patches[i] != 0;
                                double surely = patch ? WITHIN : WELL_WITHIN;
                                if (squared(i)
                                        < Math.max(surely, patch ? film.off(i) - SURER : 0)) {
                                    others[i] = (short) (1 << label[i]);
                                }
                            }
                        });
        short[] zone = nearby(others);
        boolean[] out = new boolean[w * h];
        for (int i = 0; i < out.length; i++) {
            out[i] = zone[i] != 0;
        }
        return out;
    }

    /** The thin film that a pixel shows, or null. */
    private @Nullable ThinFilm film(int i, ThinFilm[] films, int near) {
        ThinFilm best = null;
        for (ThinFilm f : films) {
            if (label[i] != ClassMap.NONE
                    && f.at(i)
                    && (best == null || f.off(i) < best.off(i))
                    && (label[i] == f.code()
                            || label[i] == ClassMap.code(WeatherClass.PAINT)
                            || rejected[i]
                            || (near >> label[i] & 1) == 0
                            || f.off(i) + SURER < squared(i))) {
                best = f;
            }
        }
        return best;
    }

    private float squared(int i) {
        return clouds[nearest[i]].squared(plane.lab(0)[i], plane.lab(1)[i], plane.lab(2)[i]);
    }

    /**
     * What an unexplained pixel shares its place with: something unknown has a rim like any mark,
     * and what that mixes cannot be known, so half of it is given to the class beside it. Inside
     * the unknown thing, where all neighbours are unexplained too, it is all of the pixel.
     */
    private byte rim(int i, int near) {
        byte other = ClassMap.code(WeatherClass.OTHER);
        int x = i % w;
        boolean inside = x > 0 && x < w - 1 && i >= w && i < w * (h - 1);
        for (int dy = -w; inside && dy <= w; dy += w) {
            for (int dx = -1; dx <= 1; dx++) {
                inside &= rejected[i + dy + dx];
            }
        }
        return inside || near == 0
                ? other
                : (near >> label[i] & 1) != 0
                        ? label[i]
                        : (byte) Integer.numberOfTrailingZeros(near & 0xffff);
    }

    /** The best mixture of two classes for one pixel. */
    private final class Mixture {
        private boolean found;
        private byte first;
        private byte second;
        private double share;

        /**
         * Tries them.
         *
         * @param own the pixel's own class is one of the two, and both are near
         */
        void of(int i, int near, boolean own) {
            found = false;
            double best = MIXTURE;
            for (int p = 0; p < clouds.length; p++) {
                byte one = ClassMap.code(clouds[p].kind());
                if ((near >> one & 1) == 0 || (own && one != label[i])) {
                    continue;
                }
                for (int q = 0; q < clouds.length; q++) {
                    byte two = ClassMap.code(clouds[q].kind());
                    boolean alsoNear = (near >> two & 1) != 0;
                    if (one == two || (own ? !alsoNear : alsoNear && q < p)) {
                        continue;
                    }
                    double t = split(i, clouds[p].xyz(), clouds[q].xyz());
                    double off = off(i, clouds[p], clouds[q], t, alsoNear || two == label[i]);
                    if (off < best) {
                        best = off;
                        found = true;
                        first = one;
                        second = two;
                        share = t;
                    }
                }
            }
        }

        /** How much of the first makes this pixel with the second, 0 to 1. */
        private double split(int i, double[] one, double[] two) {
            double up = 0;
            double down = 0;
            for (int k = 0; k < 3; k++) {
                double way = one[k] - two[k];
                up += way * (plane.xyz(k)[i] - two[k]);
                down += way * way;
            }
            return down == 0 ? 1 : Math.clamp(up / down, 0.0, 1.0);
        }

        /**
         * How far the pixel is off a mixture, squared. Cameras keep colour at half the sharpness of
         * lightness, so between two marks that are there a pixel may have the lightness of one and
         * still some of the colour of the other.
         */
        private double off(int i, Cloud one, Cloud two, double t, boolean expected) {
            double[] a = one.xyz();
            double[] b = two.xyz();
            Lab mixed =
                    Srgb.relativeToLab(
                            t * a[0] + (1 - t) * b[0],
                            t * a[1] + (1 - t) * b[1],
                            t * a[2] + (1 - t) * b[2]);
            double dl = plane.lab(0)[i] - mixed.l();
            double da = plane.lab(1)[i] - mixed.a();
            double db = plane.lab(2)[i] - mixed.b();
            if (expected) {
                return (dl * dl) / (LIGHTNESS_SD * LIGHTNESS_SD)
                        + (da * da + db * db) / (SOFT_COLOUR_SD * SOFT_COLOUR_SD);
            }
            // seen from where the mixture lies, the pixel is as far away as from its own cloud
            Cloud scale = t >= 0.5 ? one : two;
            return ABSENT
                    + scale.squared(
                            (float) (dl + scale.mean()[0]),
                            (float) (da + scale.mean()[1]),
                            (float) (db + scale.mean()[2]));
        }
    }
}
