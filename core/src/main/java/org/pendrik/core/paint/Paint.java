package org.pendrik.core.paint;

import java.util.List;
import org.pendrik.core.colour.Lab;

/**
 * A pigmented paint: how much it absorbs (K) and scatters (S) in each band, per micrometre of dry
 * film.
 *
 * <p>A paint of which only one colour is known has the smoothest K/S of that colour ({@link
 * RatioFit}) and an S so large that a normal coat hides as it is said to. S is level, but for
 * paints that can only be mostly white pigment, because they reflect most of every band: rutile
 * scatters short waves more (H. G. Völz, "Industrial Color Testing", 2nd edition, Wiley-VCH 2001),
 * taken here as 1/λ, which is why white makes paints bluer. Mixtures are estimates. Over two
 * grounds, or in several dilutions with a known paint, K and S are both measured.
 */
public final class Paint {
    private static final int N = Reflectance.BANDS;

    /** Scattering depth beyond which more makes no difference. */
    private static final double OPAQUE_DEPTH = 400;

    /** S must be above 0, and a coat that hides next to nothing scatters next to nothing. */
    private static final double LEAST_DEPTH = 1e-9;

    /** Least inside reflectance from which a paint is partly and wholly white pigment. */
    private static final double COLOURED = 0.65;

    private static final double WHITE = 0.85;
    private static final double MIDDLE_NM = 550;
    private static final double BLACK_GROUND = 0.02;
    private static final double WHITE_GROUND = 0.85;

    private final double[] absorbs;
    private final double[] scatters;
    private final Origin origin;

    /** Where the spectrum comes from; estimated and measured never look the same to the user. */
    public enum Origin {
        /** From one colour: the spectrum is the smoothest of that colour, hiding is a prior. */
        ESTIMATED("estimated"),
        /** From a layer over black and over white. */
        GROUNDS("measured over black and white"),
        /** From several dilutions with a paint that is known. */
        DILUTIONS("measured in dilutions"),
        /** Of paints, the least sure of which decides what may be said. */
        MIXED("mixed");

        private final String title;

        Origin(String title) {
            this.title = title;
        }

        /** In a sentence. */
        public String title() {
            return title;
        }
    }

    private Paint(double[] absorbs, double[] scatters, Origin origin) {
        for (int i = 0; i < N; i++) {
            if (!(absorbs[i] >= 0 && scatters[i] > 0)
                    || Double.isInfinite(absorbs[i])
                    || Double.isInfinite(scatters[i])) {
                throw new IllegalArgumentException(
                        "K must not be negative and S above 0 at " + Reflectance.nm(i) + " nm");
            }
        }
        this.absorbs = absorbs;
        this.scatters = scatters;
        this.origin = origin;
    }

    /**
     * A paint of K and S.
     *
     * @param absorbs K per micrometre in each of 36 bands
     * @param scatters S per micrometre, above 0
     */
    public static Paint of(double[] absorbs, double[] scatters, Origin origin) {
        if (absorbs.length != N || scatters.length != N) {
            throw new IllegalArgumentException("K and S have " + N + " bands");
        }
        return new Paint(absorbs.clone(), scatters.clone(), origin);
    }

    /**
     * A paint of which one colour is known.
     *
     * @param seen the colour of a hiding coat under D65, as seen with its surface
     * @param surface of the swatch
     * @param hiding the share of the contrast between black and white that a normal coat hides, 0
     *     to 1; taken as 0.01 to 0.999
     * @param micrometres of a normal coat, dry, above 0
     */
    public static Paint estimated(Lab seen, Surface surface, double hiding, double micrometres) {
        return estimated(seen, surface, hiding, micrometres, RatioFit.TINT_CHROMA);
    }

    /** The same with duller or more vivid tints where the colour says little of them. */
    static Paint estimated(
            Lab seen, Surface surface, double hiding, double micrometres, double tintChroma) {
        double[] ratio = RatioFit.of(seen, surface, tintChroma);
        double[] inside = new double[N];
        for (int i = 0; i < N; i++) {
            inside[i] = KubelkaMunk.masstone(ratio[i]);
        }
        return ofRatio(ratio, Reflectance.of(inside), hiding, micrometres);
    }

    /** As {@link #estimated(Lab, Surface, double, double)} from a spectrum of the hiding coat. */
    public static Paint estimated(
            Reflectance seen, Surface surface, double hiding, double micrometres) {
        Reflectance inside = surface.inside(seen);
        double[] ratio = new double[N];
        for (int i = 0; i < N; i++) {
            ratio[i] = KubelkaMunk.ratio(inside.at(i));
        }
        return ofRatio(ratio, inside, hiding, micrometres);
    }

    private static Paint ofRatio(
            double[] ratio, Reflectance inside, double hiding, double micrometres) {
        if (!(micrometres > 0)) {
            throw new IllegalArgumentException("a coat has a thickness: " + micrometres);
        }
        double[] shape = shape(inside);
        double depth = depthThatHides(ratio, shape, Math.clamp(hiding, 0.01, 0.999));
        double[] k = new double[N];
        double[] s = new double[N];
        for (int i = 0; i < N; i++) {
            s[i] = shape[i] * depth / micrometres;
            k[i] = ratio[i] * s[i];
        }
        return new Paint(k, s, Origin.ESTIMATED);
    }

    /** How S runs over the bands, 1 on average. */
    private static double[] shape(Reflectance inside) {
        double least = 1;
        for (int i = 0; i < N; i++) {
            least = Math.min(least, inside.at(i));
        }
        double white = Math.clamp((least - COLOURED) / (WHITE - COLOURED), 0, 1);
        double[] shape = new double[N];
        double sum = 0;
        for (int i = 0; i < N; i++) {
            shape[i] = Math.pow(MIDDLE_NM / Reflectance.nm(i), white);
            sum += shape[i];
        }
        for (int i = 0; i < N; i++) {
            shape[i] *= N / sum;
        }
        return shape;
    }

    /** Scattering depth S·x at which a level S hides a share of the contrast; by halving. */
    private static double depthThatHides(double[] ratio, double[] shape, double hiding) {
        double from = 0;
        double to = OPAQUE_DEPTH;
        for (int i = 0; i < 60; i++) {
            double mid = (from + to) / 2;
            if (hides(ratio, shape, mid) < hiding) {
                from = mid;
            } else {
                to = mid;
            }
        }
        return Math.max(LEAST_DEPTH, (from + to) / 2);
    }

    private static double hides(double[] ratio, double[] shape, double whole) {
        double[] k = new double[N];
        double[] s = new double[N];
        for (int i = 0; i < N; i++) {
            s[i] = shape[i] * whole;
            k[i] = ratio[i] * s[i];
        }
        return hidden(k, s, 1);
    }

    /** The share of the contrast between black and white that a coat hides, 0 to 1. */
    public double hiding(double micrometres) {
        return hidden(absorbs, scatters, micrometres);
    }

    private static double hidden(double[] k, double[] s, double micrometres) {
        double gap = 0;
        double whole = 0;
        double[] w = Light.D65.weights(1);
        for (int i = 0; i < N; i++) {
            double white = KubelkaMunk.over(WHITE_GROUND, k[i], s[i], micrometres);
            double black = KubelkaMunk.over(BLACK_GROUND, k[i], s[i], micrometres);
            gap += w[i] * (white - black);
            whole += w[i] * (WHITE_GROUND - BLACK_GROUND);
        }
        return 1 - gap / whole;
    }

    /**
     * One part of a mix.
     *
     * @param paint what
     * @param amount by volume × tinting strength, not negative
     */
    public record Part(Paint paint, double amount) {
        public Part {
            if (!(amount >= 0) || Double.isInfinite(amount)) {
                throw new IllegalArgumentException("amount must not be negative: " + amount);
            }
        }
    }

    /** The mix of some parts, by volume; at least one amount is above 0. */
    public static Paint mix(List<Part> parts) {
        double[] k = new double[N];
        double[] s = new double[N];
        double all = parts.stream().mapToDouble(Part::amount).sum();
        for (Part p : parts) {
            for (int i = 0; i < N; i++) {
                k[i] += p.paint.absorbs[i] * p.amount / all;
                s[i] += p.paint.scatters[i] * p.amount / all;
            }
        }
        return new Paint(k, s, Origin.MIXED);
    }

    /** K per micrometre, a copy. */
    public double[] absorbs() {
        return absorbs.clone();
    }

    /** S per micrometre, a copy. */
    public double[] scatters() {
        return scatters.clone();
    }

    /** Where it comes from. */
    public Origin origin() {
        return origin;
    }

    /** The inside reflectance of a coat that hides fully. */
    public Reflectance masstone() {
        double[] r = new double[N];
        for (int i = 0; i < N; i++) {
            r[i] = KubelkaMunk.masstone(absorbs[i] / scatters[i]);
        }
        return Reflectance.of(r);
    }

    /** The inside reflectance of a coat over something else. */
    public Reflectance over(Reflectance beneath, double micrometres) {
        double[] r = new double[N];
        for (int i = 0; i < N; i++) {
            r[i] =
                    Math.clamp(
                            KubelkaMunk.over(beneath.at(i), absorbs[i], scatters[i], micrometres),
                            0,
                            1);
        }
        return Reflectance.of(r);
    }
}
