package org.pendrik.app.truth.spectral;

/**
 * A layer of pigment over a ground (P. Kubelka, "New contributions to the optics of intensely
 * light-scattering materials", Journal of the Optical Society of America 38 (1948), 448–457), with
 * one scattering power at all wavelengths.
 */
final class Film {
    /** Reflectance of a layer without end. */
    private final double[] deep;

    Film(double[] deep) {
        this.deep = deep.clone();
    }

    double[] deep() {
        return deep.clone();
    }

    /**
     * Reflectance over a ground.
     *
     * @param thickness in scattering lengths, from 0
     */
    double[] over(double[] ground, double thickness) {
        double[] out = new double[Spectrum.COUNT];
        for (int i = 0; i < out.length; i++) {
            double a = (deep[i] + 1 / deep[i]) / 2;
            double b = (1 / deep[i] - deep[i]) / 2;
            if (thickness * b < 1e-9) {
                out[i] = ground[i];
            } else {
                double coth = 1 / Math.tanh(b * thickness);
                out[i] = (1 - ground[i] * (a - b * coth)) / (a - ground[i] + b * coth);
            }
        }
        return out;
    }
}
