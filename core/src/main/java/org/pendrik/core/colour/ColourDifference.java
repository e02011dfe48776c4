package org.pendrik.core.colour;

/**
 * How a colour differs from a reference: CIEDE2000 and its plain parts.
 *
 * <p>Source: G. Sharma, W. Wu, E. N. Dalal, "The CIEDE2000 color-difference formula: implementation
 * notes, supplementary test data, and mathematical observations", Color Research and Application 30
 * (2005), 21–30. kL = kC = kH = 1. The formula jumps where two hues lie 180° apart; doubles
 * throughout keep it on the published side.
 *
 * @param deltaL lightness minus that of the reference, CIE 1976
 * @param deltaC chroma minus that of the reference, CIE 1976
 * @param deltaH hue difference as a distance, CIE 1976, signed by the turn from the reference
 *     (positive towards yellow from red)
 * @param deltaE00 CIEDE2000, not negative
 */
public record ColourDifference(double deltaL, double deltaC, double deltaH, double deltaE00) {
    static final double TWENTY_FIVE_TO_7 = 6103515625.0;

    /** The difference of {@code sample} from {@code reference}. */
    public static ColourDifference between(Lab reference, Lab sample) {
        double dL = sample.l() - reference.l();
        double dC = sample.chroma() - reference.chroma();
        double da = sample.a() - reference.a();
        double db = sample.b() - reference.b();
        double squared = da * da + db * db - dC * dC;
        double turn = reference.a() * sample.b() - reference.b() * sample.a();
        double dH = Math.copySign(Math.sqrt(Math.max(0, squared)), turn);
        return new ColourDifference(dL, dC, dH == 0 ? 0 : dH, ciede2000(reference, sample));
    }

    /** CIEDE2000 alone; symmetric, 0 for equal colours. The formula as published, step by step. */
    public static double ciede2000(Lab one, Lab two) {
        double meanChroma7 = pow7((one.chroma() + two.chroma()) / 2);
        double g = 0.5 * (1 - Math.sqrt(meanChroma7 / (meanChroma7 + TWENTY_FIVE_TO_7)));
        double a1 = (1 + g) * one.a();
        double a2 = (1 + g) * two.a();
        double c1 = Math.hypot(a1, one.b());
        double c2 = Math.hypot(a2, two.b());
        double h1 = hue(a1, one.b());
        double h2 = hue(a2, two.b());
        boolean grey = c1 * c2 == 0;

        double dL = two.l() - one.l();
        double dC = c2 - c1;
        double dh = h2 - h1;
        if (grey) {
            dh = 0;
        } else if (dh > 180) {
            dh -= 360;
        } else if (dh < -180) {
            dh += 360;
        }
        double dH = 2 * Math.sqrt(c1 * c2) * Math.sin(Math.toRadians(dh / 2));

        double meanL = (one.l() + two.l()) / 2;
        double meanC = (c1 + c2) / 2;
        double meanH = h1 + h2;
        if (!grey) {
            if (Math.abs(h1 - h2) <= 180) {
                meanH /= 2;
            } else {
                meanH = meanH < 360 ? (meanH + 360) / 2 : (meanH - 360) / 2;
            }
        }
        double t =
                1
                        - 0.17 * cos(meanH - 30)
                        + 0.24 * cos(2 * meanH)
                        + 0.32 * cos(3 * meanH + 6)
                        - 0.20 * cos(4 * meanH - 63);
        double bell = (meanH - 275) / 25;
        double rotation = 30 * Math.exp(-bell * bell);
        double mean7 = pow7(meanC);
        double rc = 2 * Math.sqrt(mean7 / (mean7 + TWENTY_FIVE_TO_7));
        double fifty = (meanL - 50) * (meanL - 50);
        double sl = 1 + 0.015 * fifty / Math.sqrt(20 + fifty);
        double sc = 1 + 0.045 * meanC;
        double sh = 1 + 0.015 * meanC * t;
        double rt = -Math.sin(Math.toRadians(2 * rotation)) * rc;
        double l = dL / sl;
        double c = dC / sc;
        double h = dH / sh;
        return Math.sqrt(Math.max(0, l * l + c * c + h * h + rt * c * h));
    }

    private static double hue(double a, double b) {
        if (a == 0 && b == 0) {
            return 0;
        }
        double h = Math.toDegrees(Math.atan2(b, a));
        return h < 0 ? h + 360 : h;
    }

    private static double cos(double degrees) {
        return Math.cos(Math.toRadians(degrees));
    }

    static double pow7(double x) {
        double cubed = x * x * x;
        return cubed * cubed * x;
    }
}
