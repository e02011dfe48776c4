package org.pendrik.core.photo;

import java.util.Optional;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.colour.Ciede2000;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * Compares the model's side with the prototype's in the same coordinates.
 *
 * <p>A region is judged along the way that weathering takes: the line in L*a*b* from the factory
 * colour to the prototype's measured colour. The model's colour is projected on it; short of the
 * prototype by more than the tolerance is <em>lighter</em>, beyond it by more is <em>heavier</em>;
 * as far along but beside the line by more, and not the same in ΔE00 either, is <em>another
 * colour</em>. Where the prototype itself is as good as the factory colour there is no way: farther
 * from that colour than the prototype by more than the tolerance is heavier. The tolerance is twice
 * the joint standard uncertainty, and never under the just noticeable 2.3. What lies within it is
 * <em>as the prototype</em> only where the colours themselves are within the just noticeable and
 * the tolerance is at most twice that: a wide ± is no likeness. Else it cannot be told, and neither
 * can the colour of a photograph that has none.
 */
public final class SideComparison {
    /**
     * Under this ΔE*ab a difference is not seen (M. Mahy, L. Van Eycken, A. Oosterlinck,
     * "Evaluation of uniform color spaces developed after the adoption of CIELAB and CIELUV", Color
     * Research and Application 19 (1994), 105–121).
     */
    static final double JUST_NOTICEABLE = 2.3;

    /** A ± wider than that by more than this could hide a difference that everyone sees. */
    private static final double MOST_UNSURE = 2;

    private static final int HALF = 16;
    private static final int LOW_BITS = 0xffff;

    private SideComparison() {}

    /**
     * A picture of ΔE00.
     *
     * @param width pixels
     * @param height pixels
     * @param deltaE00 row by row; NaN where one of the two sides is not in its photograph, or an
     *     edge is left out
     */
    @SuppressWarnings("ArrayRecordComponent") // a buffer, never compared
    public record DifferenceMap(int width, int height, float[] deltaE00) {}

    /**
     * Judges one region.
     *
     * @param factory the colour before any weathering, or null when none is named
     */
    public static RegionVerdict judge(
            Region region, ColourSample prototype, ColourSample model, @Nullable Lab factory) {
        double plusMinus = Math.hypot(prototype.pairPlusMinus(), model.pairPlusMinus());
        double tolerance = Math.max(JUST_NOTICEABLE, plusMinus);
        Pair pair = new Pair(region, prototype, model, plusMinus);
        Lab p = prototype.median();
        Lab m = model.median();
        double apart = p.distance(m);
        if (!prototype.hue() || !model.hue()) {
            return new Pair(region, prototype.lightnessAlone(), model.lightnessAlone(), plusMinus)
                    .open(RegionVerdict.Open.NO_HUE, Double.NaN, 0);
        }
        if (factory == null) {
            return pair.difference().deltaE00() > tolerance
                    ? pair.open(RegionVerdict.Open.NO_FACTORY_COLOUR, Double.NaN, apart)
                    : pair.alike(Double.NaN, apart);
        }
        double way = factory.distance(p);
        if (way <= tolerance) {
            double gone = factory.distance(m);
            return gone > tolerance + way
                    ? pair.told(Verdict.HEAVIER, Double.NaN, gone)
                    : pair.besides(Double.NaN, apart);
        }
        double t = dot(factory, p, m) / (way * way);
        double off = m.distance(factory.towards(p, t));
        double ahead = (t - 1) * way;
        if (Math.abs(ahead) > tolerance) {
            return pair.told(ahead < 0 ? Verdict.LIGHTER : Verdict.HEAVIER, t, off);
        }
        return pair.besides(t, off);
    }

    /** Two colours that are held against each other. */
    private record Pair(
            Region region, ColourSample prototype, ColourSample model, double plusMinus) {
        ColourDifference difference() {
            return ColourDifference.between(prototype.median(), model.median());
        }

        RegionVerdict told(Verdict v, double progress, double off) {
            return new RegionVerdict(
                    region,
                    v,
                    prototype,
                    model,
                    difference(),
                    progress,
                    off,
                    plusMinus,
                    Optional.empty());
        }

        RegionVerdict open(RegionVerdict.Open why, double progress, double off) {
            return new RegionVerdict(
                    region,
                    Verdict.CANNOT_TELL,
                    prototype,
                    model,
                    difference(),
                    progress,
                    off,
                    plusMinus,
                    Optional.of(why));
        }

        /** As far along; another colour when both say so: ΔE*ab overstates strong colours. */
        RegionVerdict besides(double progress, double off) {
            double tolerance = Math.max(JUST_NOTICEABLE, plusMinus);
            boolean other = off > tolerance && difference().deltaE00() > tolerance;
            return other ? told(Verdict.OTHER_COLOUR, progress, off) : alike(progress, off);
        }

        /** Within the tolerance, which has to be narrow for a likeness. */
        RegionVerdict alike(double progress, double off) {
            boolean sure =
                    difference().deltaE00() <= JUST_NOTICEABLE
                            && plusMinus <= MOST_UNSURE * JUST_NOTICEABLE;
            return sure
                    ? told(Verdict.AS_PROTOTYPE, progress, off)
                    : open(RegionVerdict.Open.TOO_UNSURE, progress, off);
        }
    }

    /**
     * The spread of a viewer's eye on the side: half of one arc-minute at the viewing distance, in
     * prototype mm.
     *
     * @param viewingMm distance from eye to model
     * @param scaleRatio prototype mm per model mm
     */
    public static double eyeBlurMm(double viewingMm, double scaleRatio) {
        return viewingMm * Math.tan(Math.toRadians(1 / 60.0)) * scaleRatio / 2;
    }

    /**
     * CIEDE2000 at every pixel, both sides first blurred in linear light as the eye would.
     *
     * @param prototype a rectified side
     * @param model a rectified side of the same size in pixels
     * @param blurPx standard deviation of the blur in pixels, 0 for none
     */
    public static DifferenceMap map(
            Raster prototype,
            GreyBalance prototypeLight,
            Raster model,
            GreyBalance modelLight,
            double blurPx) {
        if (prototype.width() != model.width() || prototype.height() != model.height()) {
            throw new IllegalArgumentException("both sides need the same size in pixels");
        }
        int w = prototype.width();
        int h = prototype.height();
        EyeBlur one = new EyeBlur(prototype, blurPx);
        EyeBlur two = new EyeBlur(model, blurPx);
        float[] out = new float[w * h];
        IntStream.range(0, h)
                .parallel()
                .forEach(
                        y -> {
                            float[][] p = labs(one.line(y), prototypeLight, w);
                            float[][] m = labs(two.line(y), modelLight, w);
                            float[] differences = new float[w];
                            Ciede2000.differences(p, m, differences, w);
                            for (int x = 0; x < w; x++) {
                                out[y * w + x] =
                                        one.seen(x, y) && two.seen(x, y)
                                                ? differences[x]
                                                : Float.NaN;
                            }
                        });
        return new DifferenceMap(w, h, out);
    }

    /**
     * The map without the edges of the prototype: where a side that is still off by {@code slackPx}
     * would show a difference in lightness that can be seen, the difference says nothing of dirt.
     *
     * @param slackPx how far the sides may still be off each other, pixels
     */
    public static DifferenceMap withoutEdges(
            DifferenceMap map, Raster prototype, double blurPx, double slackPx) {
        int w = map.width();
        int h = map.height();
        float[] level = new float[w * h];
        for (int i = 0; i < level.length; i++) {
            int p = prototype.argb()[i];
            // encoded values are near lightness: 255 steps for L* 0 to 100
            level[i] =
                    p >>> 24 == 0
                            ? Float.NaN
                            : ((p >> 16 & 255) + 2 * (p >> 8 & 255) + (p & 255)) * 100f / 1020;
        }
        float[] seen = GaussianFilter.blurred(level, w, h, Math.max(0.7, blurPx));
        float[] out = map.deltaE00().clone();
        float most = (float) (2 * JUST_NOTICEABLE / slackPx);
        IntStream.range(1, h - 1)
                .parallel()
                .forEach(
                        y -> {
                            for (int x = 1; x < w - 1; x++) {
                                int i = y * w + x;
                                float gx = seen[i + 1] - seen[i - 1];
                                float gy = seen[i + w] - seen[i - w];
                                if (gx * gx + gy * gy > most * most * 4) {
                                    out[i] = Float.NaN;
                                }
                            }
                        });
        return new DifferenceMap(w, h, out);
    }

    /** L*, a* and b* of a line, an array each; 0 where nothing was seen. */
    private static float[][] labs(float[] line, GreyBalance lamp, int width) {
        float[][] out = new float[3][width];
        for (int x = 0; x < width; x++) {
            int i = EyeBlur.PARTS * x;
            if (line[i + 3] > 0) {
                double share = 1.0 / line[i + 3];
                Lab c = lamp.toLab(line[i] * share, line[i + 1] * share, line[i + 2] * share);
                out[0][x] = (float) c.l();
                out[1][x] = (float) c.a();
                out[2][x] = (float) c.b();
            }
        }
        return out;
    }

    /**
     * The upper median of the finite values of a map; empty when the sides share nothing. Exact:
     * the bits of floats that are not negative stand in their order, so two counts of 16 bits each
     * find it. O(pixels).
     */
    public static Optional<Double> median(DifferenceMap map) {
        int[] high = new int[1 << HALF];
        int seen = 0;
        for (float v : map.deltaE00()) {
            if (!Float.isNaN(v)) {
                high[Float.floatToRawIntBits(v) >>> HALF]++;
                seen++;
            }
        }
        if (seen == 0) {
            return Optional.empty();
        }
        int[] before = new int[1];
        int top = place(high, seen / 2, before);
        int[] low = new int[1 << HALF];
        for (float v : map.deltaE00()) {
            int bits = Float.floatToRawIntBits(v);
            if (!Float.isNaN(v) && bits >>> HALF == top) {
                low[bits & LOW_BITS]++;
            }
        }
        int bottom = place(low, seen / 2 - before[0], new int[1]);
        return Optional.of((double) Float.intBitsToFloat(top << HALF | bottom));
    }

    /** Where the value of this rank lies; {@code before} gets how many lie in lower places. */
    private static int place(int[] counts, int rank, int[] before) {
        int i = 0;
        int below = 0;
        while (below + counts[i] <= rank) {
            below += counts[i++];
        }
        before[0] = below;
        return i;
    }

    /**
     * The colour of a heat scale for a ΔE00, neutral: light is alike, dark is far; black from 20
     * on.
     */
    public static int shade(float deltaE00) {
        if (Float.isNaN(deltaE00)) {
            return 0;
        }
        double t = Math.clamp(deltaE00 / 20.0, 0.0, 1.0);
        return Raster.OPAQUE | Srgb.toPixel(new Lab(96 - 86 * Math.sqrt(t), 0, 0));
    }

    private static double dot(Lab origin, Lab p, Lab q) {
        return (p.l() - origin.l()) * (q.l() - origin.l())
                + (p.a() - origin.a()) * (q.a() - origin.a())
                + (p.b() - origin.b()) * (q.b() - origin.b());
    }
}
