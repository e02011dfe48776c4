package org.pendrik.core.colour;

/**
 * The mean colour of a surface that a second colour covers in part, as the eye averages it from
 * further off.
 *
 * <p>Light adds linearly, so the mean is taken over XYZ by area (A. Murray, "Monochrome
 * reproduction in photoengraving", Journal of the Franklin Institute 221 (1936), 721–744). It holds
 * for chips, specks, dots and broken coats. It is not a model of mixed paint.
 */
public final class PartialCover {
    private PartialCover() {}

    /**
     * The mean colour by area.
     *
     * @param base the colour beneath
     * @param film the colour of the cover
     * @param share how much of the area is covered, 0 to 1
     */
    public static Lab over(Lab base, Lab film, double share) {
        if (!(share >= 0 && share <= 1)) {
            throw new IllegalArgumentException("share must be from 0 to 1: " + share);
        }
        double[] under = Srgb.labToLinear(base);
        double[] above = Srgb.labToLinear(film);
        double[] mean = new double[3];
        for (int i = 0; i < 3; i++) {
            mean[i] = under[i] + (above[i] - under[i]) * share;
        }
        return Srgb.linearToLab(mean[0], mean[1], mean[2]);
    }
}
