package org.pendrik.core.photo;

import org.pendrik.core.colour.Lab;

/**
 * The colour of a region as measured.
 *
 * @param median L*a*b* under D65 of the channel medians; a* and b* are 0 and say nothing without
 *     {@code hue}
 * @param hue whether the photograph tells more than lightness
 * @param spread how far its pixels scatter: 1.4826 times the median ΔE*ab to the median, which is a
 *     standard deviation for a normal scatter along one axis
 * @param plusMinus two standard deviations of the median in ΔE*ab, with a floor for 8-bit encoding
 *     and compression, and what the colour of the lamp leaves open
 * @param pixels how many pixels were used
 * @param leftOutShare share of the region's pixels that were left out, because they are not paint,
 *     a channel was at its end, they were glare, or the user excluded them; 0 to 1
 */
public record ColourSample(
        Lab median, boolean hue, double spread, double plusMinus, int pixels, double leftOutShare) {
    /** The same of a photograph that tells lightness alone. */
    public ColourSample lightnessAlone() {
        return new ColourSample(
                new Lab(median.l(), 0, 0), false, spread, plusMinus, pixels, leftOutShare);
    }
}
