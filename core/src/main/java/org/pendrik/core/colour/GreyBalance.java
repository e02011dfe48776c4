package org.pendrik.core.colour;

/**
 * Takes the colour and level of the light out of a photograph, from one patch whose colour is
 * known, usually a neutral card.
 *
 * <p>White is moved by the linear Bradford adaptation (K. M. Lam, "Metamerism and colour
 * constancy", PhD thesis, University of Bradford 1985; matrix as in CIE 159:2004), then the level
 * is set so that the patch gets its known lightness. Guarantee: the patch itself comes out in the
 * colour that it is known to have.
 */
public final class GreyBalance {
    private static final double[][] BRADFORD = {
        {0.8951, 0.2664, -0.1614}, {-0.7502, 1.7135, 0.0367}, {0.0389, -0.0685, 1.0296}
    };
    private static final double[][] BRADFORD_INVERSE = {
        {0.9869929, -0.1470543, 0.1599627},
        {0.4323053, 0.5183603, 0.0492912},
        {-0.0085287, 0.0400428, 0.9684867}
    };

    /** Leaves every colour as it is. */
    public static final GreyBalance NONE =
            new GreyBalance(
                    new double[][] {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}},
                    new double[] {1, 1, 1},
                    LightKnown.NOTHING);

    private final double[][] matrix;
    private final LightKnown known;

    /** What each channel of linear sRGB would be multiplied by instead. */
    private final double[] gains;

    /** From linear sRGB to XYZ over white, balanced: one product where there were three. */
    private final double[][] toRelative;

    private GreyBalance(double[][] matrix, double[] gains, LightKnown known) {
        this.matrix = matrix;
        this.known = known;
        this.gains = gains;
        double[] white = {Srgb.WHITE_X, Srgb.WHITE_Y, Srgb.WHITE_Z};
        toRelative = new double[3][3];
        for (int j = 0; j < 3; j++) {
            double[] primary = Srgb.linearToXyz(j == 0 ? 1 : 0, j == 1 ? 1 : 0, j == 2 ? 1 : 0);
            for (int i = 0; i < 3; i++) {
                toRelative[i][j] = row(i, primary) / white[i];
            }
        }
    }

    /**
     * The balance that turns one measured patch into the grey that it is known to be.
     *
     * @param red linear sRGB mean of the patch, above 0
     * @param green as red
     * @param blue as red
     * @param patchL the known lightness of the patch, 5 to 95
     */
    public static GreyBalance of(double red, double green, double blue, double patchL) {
        return of(red, green, blue, new Lab(patchL, 0, 0));
    }

    /**
     * The balance that turns one measured patch into the colour that it is known to be.
     *
     * @param known the colour of the patch under D65, L* 5 to 95
     */
    public static GreyBalance of(double red, double green, double blue, Lab known) {
        if (!(red > 0 && green > 0 && blue > 0)) {
            throw new IllegalArgumentException("a grey patch must reflect in all channels");
        }
        double[] from = cone(Srgb.linearToXyz(red, green, blue));
        double[] wanted = Srgb.labToLinear(known);
        double[] to = cone(Srgb.linearToXyz(wanted[0], wanted[1], wanted[2]));
        double[][] scaled = new double[3][3];
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                scaled[i][j] = BRADFORD[i][j] * to[i] / from[i];
            }
        }
        double[][] m = new double[3][3];
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                for (int k = 0; k < 3; k++) {
                    m[i][j] += BRADFORD_INVERSE[i][k] * scaled[k][j];
                }
            }
        }
        double[] gains = {wanted[0] / red, wanted[1] / green, wanted[2] / blue};
        return new GreyBalance(m, gains, LightKnown.CARD);
    }

    /** The same, the patch being something else than a card in this picture. */
    public GreyBalance by(LightKnown what) {
        return new GreyBalance(matrix, gains, what);
    }

    /** What the light is known by. */
    public LightKnown known() {
        return known;
    }

    /** The colour that linear sRGB values stand for once the light is taken out. */
    public Lab toLab(double red, double green, double blue) {
        double[] x = toRelative[0];
        double[] y = toRelative[1];
        double[] z = toRelative[2];
        return Srgb.relativeToLab(
                x[0] * red + x[1] * green + x[2] * blue,
                y[0] * red + y[1] * green + y[2] * blue,
                z[0] * red + z[1] * green + z[2] * blue);
    }

    /**
     * How far two ways of taking the light out differ for a colour, ΔE*ab: the one used here, and
     * scaling the channels. What the sensor's own curves do lies somewhere between, so it says how
     * much the colour of the lamp leaves open. 0 under neutral light, and for the patch itself.
     */
    public double doubt(double red, double green, double blue) {
        Lab scaled = Srgb.linearToLab(red * gains[0], green * gains[1], blue * gains[2]);
        return scaled.distance(toLab(red, green, blue));
    }

    /** The colour of a packed pixel once the light is taken out. */
    public Lab toLab(int rgb) {
        return toLab(Srgb.linear(rgb >> 16), Srgb.linear(rgb >> 8), Srgb.linear(rgb));
    }

    /** Y of a packed pixel once the light is taken out; 1 is a perfect white. */
    public double luminance(int rgb) {
        double[] y = toRelative[1];
        return y[0] * Srgb.linear(rgb >> 16)
                + y[1] * Srgb.linear(rgb >> 8)
                + y[2] * Srgb.linear(rgb);
    }

    /**
     * X, Y and Z over those of white of a packed pixel once the light is taken out, written to
     * {@code out}.
     */
    public void relative(int rgb, double[] out) {
        double red = Srgb.linear(rgb >> 16);
        double green = Srgb.linear(rgb >> 8);
        double blue = Srgb.linear(rgb);
        for (int i = 0; i < 3; i++) {
            double[] row = toRelative[i];
            out[i] = row[0] * red + row[1] * green + row[2] * blue;
        }
    }

    /** A packed pixel as it would look in neutral light, clamped to what a screen shows. */
    public int toPixel(int rgb) {
        double[] xyz =
                Srgb.linearToXyz(Srgb.linear(rgb >> 16), Srgb.linear(rgb >> 8), Srgb.linear(rgb));
        double[] v = Srgb.xyzToLinear(row(0, xyz), row(1, xyz), row(2, xyz));
        return Srgb.pack(v[0], v[1], v[2]);
    }

    private double row(int i, double[] v) {
        return matrix[i][0] * v[0] + matrix[i][1] * v[1] + matrix[i][2] * v[2];
    }

    private static double[] cone(double[] xyz) {
        double[] out = new double[3];
        for (int i = 0; i < 3; i++) {
            out[i] = BRADFORD[i][0] * xyz[0] + BRADFORD[i][1] * xyz[1] + BRADFORD[i][2] * xyz[2];
        }
        return out;
    }
}
