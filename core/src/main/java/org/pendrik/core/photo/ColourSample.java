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
 * @param plusMinus two standard deviations of the median in ΔE*ab: a floor for 8-bit encoding and
 *     compression, what the colour of the lamp leaves open and what the light is known by, how well
 *     the level of the light is known there, and that cameras do not see as people do
 * @param pairPlusMinus the same of its difference from a colour like it in another photograph: what
 *     cameras make of a colour they make of one beside it, so most of that part falls away
 * @param pixels how many pixels were used
 * @param leftOutShare share of the region's pixels that were left out, because they are not paint,
 *     a channel was at its end, they were glare, or the user excluded them; 0 to 1
 */
public record ColourSample(
        Lab median,
        boolean hue,
        double spread,
        double plusMinus,
        double pairPlusMinus,
        int pixels,
        double leftOutShare) {
    /**
     * The same where the level of the light is known to so much only.
     *
     * @param sd one standard deviation of the level as a share of it; a colour under a level that
     *     is higher by δ moves by δ / 3 of (L* + 16, a*, b*), since those go with cube roots
     */
    public ColourSample underLevel(double sd) {
        double moved = Math.hypot(median.l() + 16, Math.hypot(median.a(), median.b())) / 3;
        return new ColourSample(
                median,
                hue,
                spread,
                Math.hypot(plusMinus, 2 * sd * moved),
                Math.hypot(pairPlusMinus, 2 * sd * moved),
                pixels,
                leftOutShare);
    }

    /** The same of a photograph that tells lightness alone. */
    public ColourSample lightnessAlone() {
        return new ColourSample(
                new Lab(median.l(), 0, 0),
                false,
                spread,
                plusMinus,
                pairPlusMinus,
                pixels,
                leftOutShare);
    }
}
