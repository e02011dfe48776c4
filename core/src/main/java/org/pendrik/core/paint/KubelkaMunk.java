package org.pendrik.core.paint;

/**
 * Light in a layer that absorbs and scatters, in two opposite streams.
 *
 * <p>Source: P. Kubelka, "New contributions to the optics of intensely light-scattering materials,
 * part I", Journal of the Optical Society of America 38 (1948), 448–457. Absorption K and
 * scattering S add by volume (D. R. Duncan, "The colour of pigment mixtures", Proceedings of the
 * Physical Society 52 (1940), 390–401). All reflectances are inside the film, without its surface.
 */
public final class KubelkaMunk {
    private KubelkaMunk() {}

    /** K/S of a layer so thick that nothing shows through, from its reflectance in (0, 1]. */
    public static double ratio(double reflectance) {
        return (1 - reflectance) * (1 - reflectance) / (2 * reflectance);
    }

    /** The reflectance of such a layer from K/S, not negative; decreasing and convex. */
    public static double masstone(double ratio) {
        return 1 / (1 + ratio + Math.sqrt(ratio * (ratio + 2)));
    }

    /**
     * The reflectance of a layer over something else.
     *
     * @param beneath reflectance of what lies beneath, 0 to 1
     * @param absorbs K per micrometre, not negative
     * @param scatters S per micrometre, not negative
     * @param micrometres thickness, not negative; 0 leaves what is beneath
     */
    public static double over(double beneath, double absorbs, double scatters, double micrometres) {
        if (scatters <= 0) {
            return beneath * Math.exp(-2 * absorbs * micrometres);
        }
        double ratio = absorbs / scatters;
        double a = 1 + ratio;
        double b = Math.sqrt(ratio * (ratio + 2));
        double depth = scatters * micrometres;
        double u = b < 1e-9 ? depth : Math.tanh(b * depth) / b;
        return (u * (1 - beneath * a) + beneath) / (u * (a - beneath) + 1);
    }
}
