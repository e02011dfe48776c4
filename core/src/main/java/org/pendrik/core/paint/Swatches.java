package org.pendrik.core.paint;

import java.util.List;
import org.pendrik.core.units.InvalidInput;

/**
 * K and S out of swatches that were measured band by band.
 *
 * <p>Over two grounds: with u = b coth(b S x) the layer's equation is linear in a = 1 + K/S and u
 * for each ground, so two grounds give both, and S from the area cotangent (P. Kubelka 1948,
 * equations for R over two backgrounds). In dilutions with a known paint: each swatch says K − q S
 * = 0 for its mix, which is linear in K and S of the paint; least squares over all swatches.
 */
public final class Swatches {
    private static final int N = Reflectance.BANDS;

    /** A layer that hides more than this shows no difference of grounds that could be measured. */
    private static final double DEEPEST = 8;

    private static final double LEAST_S = 1e-5;

    private Swatches() {}

    /**
     * A paint from a layer of known thickness over black and over white.
     *
     * @param black reflectance of the black ground, inside (bare of any surface)
     * @param white reflectance of the white ground
     * @param overBlack the layer over black, as it is seen
     * @param overWhite the layer over white, as it is seen
     * @param surface of the dry layer
     * @param micrometres of the layer, above 0
     * @throws InvalidInput when the layer over black is lighter than over white somewhere by more
     *     than readings may be off
     */
    public static Paint overGrounds(
            Reflectance black,
            Reflectance white,
            Reflectance overBlack,
            Reflectance overWhite,
            Surface surface,
            double micrometres) {
        InvalidInput.requireWithin(
                "Film of the swatch", micrometres, " µm", 0.5, 500, "Measure it, or count coats.");
        Reflectance one = surface.inside(overBlack);
        Reflectance two = surface.inside(overWhite);
        double[] k = new double[N];
        double[] s = new double[N];
        for (int i = 0; i < N; i++) {
            double r1 = one.at(i);
            double r2 = two.at(i);
            double g1 = black.at(i);
            double g2 = white.at(i);
            if (r1 > r2 + 0.02 || g1 >= g2) {
                throw new InvalidInput(
                        "Swatch at " + Reflectance.nm(i) + " nm",
                        String.format(java.util.Locale.ROOT, "%.3f over black", r1),
                        "is lighter than over white",
                        "See whether the two were mixed up.");
            }
            if (Math.abs(r1 - g1) < 1e-4 && Math.abs(r2 - g2) < 1e-4) {
                // the grounds show through as they are
                s[i] = LEAST_S;
                continue;
            }
            // u (R − g) + a (R + g) = 1 + R g, for each ground
            double d = (r1 - g1) * (r2 + g2) - (r2 - g2) * (r1 + g1);
            double a;
            double u;
            if (Math.abs(d) < 1e-9) {
                a = 1 + KubelkaMunk.ratio(Math.clamp(r1, Surface.DARKEST, Surface.LIGHTEST));
                u = a;
            } else {
                a = ((r1 - g1) * (1 + r2 * g2) - (r2 - g2) * (1 + r1 * g1)) / d;
                u = ((1 + r1 * g1) * (r2 + g2) - (1 + r2 * g2) * (r1 + g1)) / d;
            }
            a = Math.max(a, 1 + 1e-9);
            double b = Math.sqrt(a * a - 1);
            double depth =
                    u > b * (1 + 1e-9)
                            ? Math.min(DEEPEST, 0.5 * Math.log((u + b) / (u - b)) / b)
                            : DEEPEST;
            s[i] = Math.max(LEAST_S, depth / micrometres);
            k[i] = (a - 1) * s[i];
        }
        return Paint.of(k, s, Paint.Origin.GROUNDS);
    }

    /**
     * A dilution with a known paint.
     *
     * @param share of the unknown paint by volume, above 0 to 1
     * @param seen a hiding coat of it
     */
    public record Dilution(double share, Reflectance seen) {
        public Dilution {
            InvalidInput.requireWithin(
                    "Share of the paint", share * 100, " %", 0.1, 100, "By volume of the mix.");
        }
    }

    /**
     * A paint from hiding coats of several dilutions with a known one.
     *
     * @param known the paint that it was let down with, usually a white
     * @param dilutions two at least; one of them may be the paint alone
     */
    public static Paint inDilutions(Paint known, List<Dilution> dilutions, Surface surface) {
        if (dilutions.size() < 2
                || dilutions.stream().mapToDouble(Dilution::share).distinct().count() < 2) {
            throw new InvalidInput(
                    "Dilutions",
                    Integer.toString(dilutions.size()),
                    "must be two different ones at least",
                    "Paint it alone and one to nine with white.");
        }
        double[] knownK = known.absorbs();
        double[] knownS = known.scatters();
        double[] k = new double[N];
        double[] s = new double[N];
        for (int i = 0; i < N; i++) {
            double kk = 0;
            double ks = 0;
            double ss = 0;
            double kr = 0;
            double sr = 0;
            for (Dilution d : dilutions) {
                double q = KubelkaMunk.ratio(surface.inside(d.seen()).at(i));
                // c K − q c S = (1 − c)(q Sk − Kk), weighed so that dark swatches do not rule
                double weight = 1 / (1 + q);
                double fk = d.share() * weight;
                double fs = -q * d.share() * weight;
                double right = (1 - d.share()) * (q * knownS[i] - knownK[i]) * weight;
                kk += fk * fk;
                ks += fk * fs;
                ss += fs * fs;
                kr += fk * right;
                sr += fs * right;
            }
            double det = kk * ss - ks * ks;
            double bestS = Math.abs(det) < 1e-18 ? knownS[i] : (kk * sr - ks * kr) / det;
            s[i] = Math.max(LEAST_S, bestS);
            k[i] = Math.max(0, (kr - ks * s[i]) / kk);
        }
        return Paint.of(k, s, Paint.Origin.DILUTIONS);
    }
}
