package org.pendrik.core.photo;

import org.pendrik.core.units.Length;

/** How a side, flat or curved, is laid flat from a photograph, and how well that is known. */
public interface Flattening {
    /** Prototype length of the flat picture. */
    Length length();

    /** Prototype height of the flat picture; along the arc where the side is curved. */
    Length height();

    /** Where a place of the flat side, in prototype mm, is seen. */
    Point toPhoto(Point sideMm);

    /** Photograph pixels per prototype mm at a place, the mean of along and down. */
    double pxPerMm(double xMm, double yMm);

    /** How well a place is known, one standard deviation in prototype mm. */
    double placeSdMm(double xMm, double yMm);

    /** How well the scale along the side is known, one standard deviation as a share of it. */
    double scaleSd();

    /**
     * Renders the side flat; what is not in the photograph has alpha 0.
     *
     * @param photo the photograph, or the same shrunk
     * @param step how many pixels of the photograph that the marks were set on make one of {@code
     *     photo}, 1 or more
     * @param pxPerMm output pixels per prototype mm, at most 16 million pixels in all
     */
    Raster flat(Raster photo, int step, double pxPerMm);

    /** The same of the photograph that the marks were set on. */
    default Raster flat(Raster photo, double pxPerMm) {
        return flat(photo, 1, pxPerMm);
    }
}
