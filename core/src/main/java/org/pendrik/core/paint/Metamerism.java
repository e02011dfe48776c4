package org.pendrik.core.paint;

import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * How far two things that match under one light part under another.
 *
 * <p>Source: CIE 15:2004, section 9.2.2.3, special index of metamerism for a change of illuminant.
 * What is left between the two under the first light is taken out first, by scaling X, Y and Z of
 * the sample (H. S. Fairman, "Metameric correction using parameric decomposition", Color Research
 * and Application 12 (1987), 261–265, names the alternatives). The difference is CIEDE2000.
 */
public final class Metamerism {
    private Metamerism() {}

    /** The index, ΔE00, not negative; 0 for equal spectra. */
    public static double index(Reflectance standard, Reflectance sample, Light from, Light to) {
        double[] standardFrom = from.xyz(standard);
        double[] sampleFrom = from.xyz(sample);
        double[] sampleTo = to.xyz(sample);
        double[] white = to.white();
        double[] corrected = new double[3];
        for (int i = 0; i < 3; i++) {
            double scale = sampleFrom[i] > 1e-9 ? standardFrom[i] / sampleFrom[i] : 1;
            corrected[i] = sampleTo[i] * scale / white[i];
        }
        Lab there = Srgb.relativeToLab(corrected[0], corrected[1], corrected[2]);
        return ColourDifference.ciede2000(to.lab(standard), there);
    }
}
