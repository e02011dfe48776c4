package org.pendrik.core.photo;

import org.pendrik.core.colour.Lab;

/**
 * The colour of a region as measured.
 *
 * @param median L*a*b* under D65 of the channel medians
 * @param spread how far its pixels scatter: 1.4826 times the median ΔE*ab to the median, which is a
 *     standard deviation for a normal scatter along one axis
 * @param uncertainty one standard deviation of the median in ΔE*ab, with a floor for 8-bit encoding
 *     and compression, and what the colour of the lamp leaves open
 * @param pixels how many pixels were used
 * @param clippedShare share of the region's pixels that were left out, because a channel was at its
 *     end, they were glare, or the user excluded them; 0 to 1
 */
public record ColourSample(
        Lab median, double spread, double uncertainty, int pixels, double clippedShare) {}
