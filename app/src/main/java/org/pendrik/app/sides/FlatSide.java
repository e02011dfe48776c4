package org.pendrik.app.sides;

import java.util.Arrays;
import java.util.List;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.measure.LabPlane;
import org.pendrik.core.photo.Flattening;
import org.pendrik.core.photo.LightFall;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;

/**
 * A side laid flat.
 *
 * @param basis all that it hangs on: two sides of one basis are the same
 * @param fit in full photograph pixels
 * @param raster at {@link #pxPerMm}
 * @param light takes out the light; neutral when no patch is marked
 * @param card where the level of the light was taken, prototype mm; the middle without a patch
 * @param evenness how well the level is known elsewhere
 * @param colourless the photograph is black-and-white or toned: it tells lightness alone
 */
public record FlatSide(
        Object basis,
        Fit fit,
        Raster raster,
        double pxPerMm,
        GreyBalance light,
        Point card,
        LabPlane.Evenness evenness,
        boolean colourless) {
    /** How far the level of the light is known where nobody evened it out. */
    static final LabPlane.Evenness AS_IT_FELL = (_, _) -> LightFall.UNEVEN;

    /** Every side is worked on at this many pixels along its length. */
    public static final int WORKING_WIDTH_PX = 1600;

    /** A high side is worked on at fewer pixels along it: this many in all. */
    static final double MOST_PIXELS = 1_400_000;

    /**
     * Where a side lies in a photograph.
     *
     * @param geometry how it is laid flat
     * @param residualMm misfit of the marks in prototype mm; 0 when nothing checks them
     * @param worstMm the worst of them
     * @param slipMm how far the side moves when a mark is one pixel off
     * @param finestPxPerMm the highest resolution on it
     */
    public record Fit(
            Flattening geometry,
            double residualMm,
            double worstMm,
            double slipMm,
            double finestPxPerMm) {}

    /** Sides are compared by what they hang on, never pixel by pixel. */
    @Override
    public boolean equals(Object o) {
        return o instanceof FlatSide other && other.basis.equals(basis);
    }

    @Override
    public int hashCode() {
        return basis.hashCode();
    }

    /** The side as it would look without the colour of the light. */
    @SuppressWarnings("ReferenceEquality") // NONE is one object and means: no patch
    public Raster inNeutralLight() {
        return light == GreyBalance.NONE ? raster : inNeutralLight(raster);
    }

    /** A picture of the same light without its colour. */
    public Raster inNeutralLight(Raster picture) {
        int[] out = new int[picture.argb().length];
        Arrays.parallelSetAll(
                out,
                i -> {
                    int p = picture.argb()[i];
                    return (p & Raster.OPAQUE) | light.toPixel(p);
                });
        return new Raster(picture.width(), picture.height(), out);
    }

    /** In neutral light, each pixel as grey as it is light. */
    Raster inGrey() {
        int[] out = new int[raster.argb().length];
        Arrays.parallelSetAll(
                out,
                i -> {
                    int p = raster.argb()[i];
                    Lab c = Srgb.toLab(light.toPixel(p));
                    return (p & Raster.OPAQUE) | Srgb.toPixel(new Lab(c.l(), 0, 0));
                });
        return new Raster(raster.width(), raster.height(), out);
    }

    /** Its colours, pixel by pixel, without what is left out. */
    public LabPlane plane(List<Region> excluded) {
        return LabPlane.of(raster, pxPerMm, light, excluded, colourless, evenness);
    }

    /**
     * The side as it would look were the light as it is on the card.
     *
     * @param basis names what comes of it
     */
    FlatSide evened(LightFall fall, Object basis) {
        return new FlatSide(
                basis, fit, fall.evened(raster), pxPerMm, light, card, fall::sdAt, colourless);
    }

    /**
     * A part of it as a side of its own, in the light as it fell.
     *
     * @param geometry of the part
     * @param window the part, prototype mm
     * @param pxPerMm what it is laid flat at
     * @param picture its photograph
     * @param basis names what comes of it
     */
    FlatSide part(
            Flattening geometry,
            Region window,
            double pxPerMm,
            WholePicture picture,
            Object basis) {
        return new FlatSide(
                basis,
                new Fit(
                        geometry,
                        fit.residualMm(),
                        fit.worstMm(),
                        fit.slipMm(),
                        fit.finestPxPerMm()),
                geometry.flat(picture.raster(), picture.step(), pxPerMm),
                pxPerMm,
                light,
                new Point(card.x() - window.xMm(), card.y() - window.yMm()),
                AS_IT_FELL,
                colourless);
    }

    /** What it takes of memory, in bytes. */
    long bytes() {
        return 4L * raster.argb().length;
    }
}
