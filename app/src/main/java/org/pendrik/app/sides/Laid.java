package org.pendrik.app.sides;

import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Registration;
import org.pendrik.core.photo.SideComparison;

/**
 * One side laid over another.
 *
 * @param side the second, moved
 * @param fit how it had to be moved
 */
public record Laid(FlatSide side, Registration.Fit fit) {
    /**
     * Lays a side over another by what both show.
     *
     * @param basis names the moved side
     */
    public static Laid of(FlatSide first, FlatSide second, Object basis) {
        Registration.Fit fit = Registration.find(first.raster(), second.raster());
        Raster moved = Registration.moved(second.raster(), fit);
        return new Laid(
                new FlatSide(
                        basis,
                        second.fit(),
                        moved,
                        second.pxPerMm(),
                        second.light(),
                        second.card(),
                        second.evenness(),
                        second.colourless()),
                fit);
    }

    /**
     * The differences of the two as an eye sees them, without what their edges alone make; those of
     * lightness where one of the photographs has no colour.
     *
     * @param first what it was laid over
     * @param blurPx what an eye cannot tell apart, in pixels of the flat side
     */
    public SideComparison.DifferenceMap differences(FlatSide first, double blurPx) {
        var whole =
                first.colourless() || side.colourless()
                        ? SideComparison.map(
                                first.inGrey(),
                                GreyBalance.NONE,
                                side.inGrey(),
                                GreyBalance.NONE,
                                blurPx)
                        : SideComparison.map(
                                first.raster(), first.light(), side.raster(), side.light(), blurPx);
        return SideComparison.withoutEdges(whole, first.raster(), blurPx, fit.slackPx());
    }
}
