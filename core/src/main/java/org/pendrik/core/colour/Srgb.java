package org.pendrik.core.colour;

/**
 * sRGB as defined by IEC 61966-2-1 and its way to XYZ and L*a*b* under D65.
 *
 * <p>Pixels are packed {@code 0xRRGGBB}. Linear values run from 0 to 1. Going back from L*a*b*,
 * values outside the sRGB gamut are clamped; {@link #inGamut} tells beforehand.
 */
public final class Srgb {
    static final double WHITE_X = 0.95047;
    static final double WHITE_Y = 1.0;
    static final double WHITE_Z = 1.08883;
    private static final double EPSILON = 216.0 / 24389;
    private static final double KAPPA = 24389.0 / 27;
    private static final double GAMUT_SLACK = 5e-4;

    /** Two thirds of the exponent's bias, and a little that halves the worst error of the guess. */
    private static final long THIRD_OF_BIAS = 0x2A9F7893782DA1CEL;

    private static final double[] TO_LINEAR = new double[256];

    static {
        for (int i = 0; i < 256; i++) {
            TO_LINEAR[i] = decode(i / 255.0);
        }
    }

    private Srgb() {}

    /** The linear value of an 8-bit channel, 0 to 1. */
    public static double linear(int channel) {
        return TO_LINEAR[channel & 0xff];
    }

    /** The linear value of an encoded one, both 0 to 1. */
    public static double decode(double v) {
        return v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
    }

    /** The encoded value of a linear one, clamped to 0 to 1. */
    public static double encode(double v) {
        double c = Math.clamp(v, 0.0, 1.0);
        return c <= 0.0031308 ? c * 12.92 : 1.055 * Math.pow(c, 1 / 2.4) - 0.055;
    }

    /** Packs linear values into a pixel, rounding to nearest. */
    public static int pack(double r, double g, double b) {
        return eight(r) << 16 | eight(g) << 8 | eight(b);
    }

    /** Bins of linear light, so fine that at most a step or two begins in one. */
    private static final int BINS = 4096;

    /** Where the rounding of the encoded value goes up to the next step. */
    private static final double[] UP = new double[256];

    /** The step at the lower end of a bin. */
    private static final short[] FIRST = new short[BINS + 1];

    static {
        for (int step = 0; step < 255; step++) {
            UP[step] = decode((step + 0.5) / 255);
        }
        UP[255] = Double.POSITIVE_INFINITY;
        for (int bin = 0; bin <= BINS; bin++) {
            FIRST[bin] = (short) Math.round(encode((double) bin / BINS) * 255);
        }
    }

    private static int eight(double v) {
        double c = v > 0 ? v < 1 ? v : 1 : 0;
        int step = FIRST[(int) (c * BINS)];
        while (c >= UP[step]) {
            step++;
        }
        return step;
    }

    /** The L*a*b* of a packed pixel. */
    public static Lab toLab(int rgb) {
        return linearToLab(linear(rgb >> 16), linear(rgb >> 8), linear(rgb));
    }

    /** The L*a*b* of linear sRGB values, which may lie outside 0 to 1. */
    public static Lab linearToLab(double r, double g, double b) {
        double[] xyz = linearToXyz(r, g, b);
        return xyzToLab(xyz[0], xyz[1], xyz[2]);
    }

    /** XYZ (Y of white 1) of linear sRGB. */
    public static double[] linearToXyz(double r, double g, double b) {
        return new double[] {
            0.4124564 * r + 0.3575761 * g + 0.1804375 * b,
            0.2126729 * r + 0.7151522 * g + 0.0721750 * b,
            0.0193339 * r + 0.1191920 * g + 0.9503041 * b
        };
    }

    /** Linear sRGB of XYZ, not clamped. */
    public static double[] xyzToLinear(double x, double y, double z) {
        return new double[] {
            3.2404542 * x - 1.5371385 * y - 0.4985314 * z,
            -0.9692660 * x + 1.8760108 * y + 0.0415560 * z,
            0.0556434 * x - 0.2040259 * y + 1.0572252 * z
        };
    }

    /** X, Y and Z each over that of white, of linear sRGB. */
    public static double[] linearToRelative(double r, double g, double b) {
        double[] v = linearToXyz(r, g, b);
        return new double[] {v[0] / WHITE_X, v[1] / WHITE_Y, v[2] / WHITE_Z};
    }

    /** Linear sRGB of X, Y and Z each over that of white, not clamped. */
    public static double[] relativeToLinear(double x, double y, double z) {
        return xyzToLinear(WHITE_X * x, WHITE_Y * y, WHITE_Z * z);
    }

    /** L*a*b* of XYZ relative to D65. */
    public static Lab xyzToLab(double x, double y, double z) {
        return relativeToLab(x / WHITE_X, y / WHITE_Y, z / WHITE_Z);
    }

    /** L*a*b* of X, Y and Z each over that of white. */
    public static Lab relativeToLab(double x, double y, double z) {
        double fx = f(x);
        double fy = f(y);
        double fz = f(z);
        return new Lab(116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz));
    }

    /** X, Y and Z each over that of white, of a colour; not clamped. */
    public static double[] labToRelative(Lab c) {
        double fy = (c.l() + 16) / 116;
        return new double[] {inverse(fy + c.a() / 500), inverse(fy), inverse(fy - c.b() / 200)};
    }

    /** Linear sRGB of a colour, not clamped. */
    public static double[] labToLinear(Lab c) {
        double[] v = labToRelative(c);
        return relativeToLinear(v[0], v[1], v[2]);
    }

    /** The nearest pixel by clamping each channel. */
    public static int toPixel(Lab c) {
        double[] v = labToLinear(c);
        return pack(v[0], v[1], v[2]);
    }

    /** The colour as {@code #rrggbb}, clamped. */
    public static String toHex(Lab c) {
        return String.format("#%06x", toPixel(c));
    }

    /** Whether sRGB can show the colour. */
    public static boolean inGamut(Lab c) {
        for (double v : labToLinear(c)) {
            if (v < -GAMUT_SLACK || v > 1 + GAMUT_SLACK) {
                return false;
            }
        }
        return true;
    }

    private static double f(double t) {
        return t > EPSILON ? cubeRoot(t) : (KAPPA * t + 16) / 116;
    }

    /**
     * The cube root of a number above 0 to 1e-11: a third of its exponent, then two steps of
     * Halley, each of which cubes the error. Three of these stand behind every pixel.
     */
    private static double cubeRoot(double t) {
        double y = Double.longBitsToDouble(Double.doubleToRawLongBits(t) / 3 + THIRD_OF_BIAS);
        for (int i = 0; i < 2; i++) {
            double cube = y * y * y;
            y *= (cube + 2 * t) / (2 * cube + t);
        }
        return y;
    }

    private static double inverse(double f) {
        double cube = f * f * f;
        return cube > EPSILON ? cube : (116 * f - 16) / KAPPA;
    }
}
