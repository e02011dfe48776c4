package org.pendrik.core.recipe;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/**
 * Rules out a choice of paints by those of its mixes that are neither too light nor too dark.
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
 * <p>Cost: at most a dozen spectra of floats for each slice. Guarantee: a choice is ruled out only
 * when each of its mixes lies outside a half-space of its slice, by more than floats round.
 */
final class Slice {
    /** Two cuts of four corners leave eight points at most, and the dark corners four. */
    private static final int MOST = 16;

    /** What floats are off by, in parts of white. */
    private static final float ROUNDING = 1e-5f;

    private final Kernel kernel;
    private final BandMath bands;

    /** The corners of the choice that was asked for last. */
    final Point[] own = {new Point(), new Point(), new Point(), new Point()};

    private final Tangent target = new Tangent();
    private final Layer[] layers;
    private final double thick;
    private Point[] corners = own;
    private int p;
    private boolean level;

    private @Nullable Aim aimed;
    private final HalfSpaces sides = new HalfSpaces();

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
        Point at = new Point();
        System.arraycopy(Point.padded(targetRatio, 1), 0, at.k, 0, at.k.length);
        Arrays.fill(at.s, 1);
        bands.middle(new Point[] {at}, 1, target);
        layers = new Layer[halvings + 1];
        for (int i = 0; i <= halvings; i++) {
            layers[i] = new Layer();
        }
    }

    /**
     * Whether all mixes of p paints, one drop at least of each and {@code more} beyond that, lie
     * outside a half-space of their slice each.
     */
    boolean out(int[] chosen, int p, int more, Aim aim) {
        boolean level = true;
        for (int i = 0; i < p; i++) {
            level &= kernel.flat[chosen[i]];
        }
        bands.corners(chosen, p, more, own);
        return out(own, p, level, aim);
    }

    /** The same of the mixes of p corners. */
    boolean out(Point[] corners, int p, boolean level, Aim aim) {
        this.corners = corners;
        this.p = p;
        this.level = level;
        if (aim != aimed) {
            aimed = aim;
            sides.aim(aim);
        }
        return out(aim, 0, 0, target);
    }

    /** One slice of those that so many halvings make, counted from the darkest. */
    private boolean out(Aim aim, int depth, int slice, Tangent cut) {
        double high = (aim.lightest - aim.darkest) / (1 << depth);
        float darkest = (float) (aim.darkest + slice * high) - ROUNDING;
        float lightest = (float) (aim.darkest + (slice + 1) * high) + ROUNDING;
        Layer layer = layers[depth];
        if (!layer.cut(cut, darkest, lightest)) {
            return true;
        }
        sides.slice(aim.supports(depth, slice), darkest, lightest, ROUNDING);
        if (layer.apart()) {
            return true;
        }
        if (depth + 1 == layers.length || lightest - darkest < thick) {
            return false;
        }
        return out(aim, depth + 1, 2 * slice, layer.middle)
                && out(aim, depth + 1, 2 * slice + 1, layer.middle);
    }

    /** What is left of the simplex between two Y. */
    private final class Layer {
        final Tangent middle = new Tangent();
        private final Span span = new Span();
        private final Point[] spare = new Point[MOST];
        private final Point[] left = new Point[MOST];
        private int many;
        private final float[] lowest = new float[4];
        private final float[] highest = new float[4];
        private final float[][] low = new float[MOST][3];

        Layer() {
            for (int i = 0; i < MOST; i++) {
                spare[i] = new Point();
            }
        }

        /** Cuts twice; false when nothing is left. */
        boolean cut(Tangent at, float darkest, float lightest) {
            many = 0;
            if (level) {
                span.level();
            } else {
                bands.spans(corners, p, span);
            }
            boolean dark = false;
            bands.below(corners, p, at, span, low);
            for (int i = 0; i < p; i++) {
                lowest[i] = low[i][1];
                dark |= lowest[i] <= lightest;
            }
            if (!dark) {
                return false;
            }
            for (int i = 0; i < p; i++) {
                for (int j = 0; j < p && lowest[i] > lightest; j++) {
                    if (lowest[j] <= lightest) {
                        put(i, j, (lightest - lowest[j]) / (lowest[i] - lowest[j]));
                    }
                }
            }
            int cuts = many;
            for (int i = 0; i < p; i++) {
                if (lowest[i] <= lightest) {
                    if (!corners[i].seen) {
                        bands.see(corners[i]);
                    }
                    left[many++] = corners[i];
                }
            }
            rise();
            many = cuts;
            return darker(darkest, lightest);
        }

        /** The second cut: what may be as light as the darkest near colour. */
        private boolean darker(float darkest, float lightest) {
            int at = 0;
            float lightestLeft = Float.NEGATIVE_INFINITY;
            for (int i = 0; i < p; i++) {
                if (lowest[i] <= lightest) {
                    highest[i] = corners[i].xyz[1] + span.rise[1];
                    lightestLeft = Math.max(lightestLeft, highest[i]);
                }
            }
            for (int i = 0; i < p; i++) {
                if (lowest[i] <= lightest) {
                    continue;
                }
                highest[i] = Float.NEGATIVE_INFINITY;
                for (int j = 0; j < p; j++) {
                    if (lowest[j] <= lightest) {
                        // continued from the dark corner through the first cut
                        float share = (lightest - lowest[j]) / (lowest[i] - lowest[j]);
                        float there = left[at++].xyz[1] + span.rise[1];
                        highest[i] =
                                Math.max(highest[i], highest[j] + (there - highest[j]) / share);
                    }
                }
                lightestLeft = Math.max(lightestLeft, highest[i]);
            }
            if (lightestLeft < darkest) {
                return false;
            }
            for (int j = 0; j < p; j++) {
                if (lowest[j] > lightest) {
                    continue;
                }
                if (highest[j] >= darkest) {
                    left[many++] = corners[j];
                    continue;
                }
                for (int i = 0; i < p; i++) {
                    if (highest[i] >= darkest) {
                        put(i, j, (darkest - highest[j]) / (highest[i] - highest[j]));
                    }
                }
            }
            return true;
        }

        private void put(int one, int other, float share) {
            Point c = spare[many];
            bands.between(corners[one], corners[other], share, c);
            left[many++] = c;
        }

        private void rise() {
            if (!level) {
                bands.rise(left, many, span);
            }
        }

        /** Whether a half-space has all that is left outside. */
        boolean apart() {
            rise();
            bands.middle(left, many, middle);
            bands.below(left, many, middle, span, low);
            return bands.apart(sides, low, left, many, span.rise);
        }
    }
}
