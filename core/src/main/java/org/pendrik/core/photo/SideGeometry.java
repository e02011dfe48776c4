package org.pendrik.core.photo;

import java.util.List;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Length;

/**
 * Where a side lies in one photograph, and how well that is known.
 *
 * <p>{@link #rectify} renders it: the photograph is halved while one output pixel would span more
 * than two of its pixels, then sampled bilinearly with weights in 1/256. Cost O(output pixels).
 */
public final class SideGeometry {
    /** Share of the first corner's depth under which a place is as far as the horizon. */
    private static final double HORIZON = 1e-6;

    private static final int LARGEST_OUTPUT_PIXELS = 16_000_000;

    private final Homography toSide;
    private final Homography toPhoto;
    private final Length length;
    private final Length height;
    private final double residualMm;
    private final double worstMm;
    private final double slipMm;
    private final double finestPxPerMm;

    SideGeometry(
            Homography toSide,
            List<Point> photo,
            List<Point> sideMm,
            Length length,
            Length height) {
        this.toSide = toSide;
        this.toPhoto = toSide.inverse();
        this.length = length;
        this.height = height;
        double squares = 0;
        double worst = 0;
        for (int i = 0; i < photo.size(); i++) {
            double d = toSide.map(photo.get(i).x(), photo.get(i).y()).distance(sideMm.get(i));
            squares += d * d;
            worst = Math.max(worst, d);
        }
        // two equations a point, eight unknowns: four points fit exactly and leave nothing to judge
        // by
        int free = 2 * photo.size() - 8;
        this.residualMm = free == 0 ? 0 : Math.sqrt(squares / free);
        this.worstMm = free == 0 ? 0 : worst;
        double slip = 0;
        double finest = 0;
        for (int i = 0; i < 4; i++) {
            Point p = photo.get(i);
            Point at = sideMm.get(i);
            slip = Math.max(slip, toSide.map(p.x() + 1, p.y()).distance(at));
            slip = Math.max(slip, toSide.map(p.x(), p.y() + 1).distance(at));
            finest = Math.max(finest, pxPerMm(at.x(), at.y()));
        }
        this.slipMm = slip;
        this.finestPxPerMm = finest;
    }

    /**
     * Whether a photograph pixel shows the plane of the side at all: it does not on or beyond the
     * horizon of that plane.
     */
    public boolean seesPlaneAt(Point photo) {
        return toSide.depth(photo.x(), photo.y()) > HORIZON;
    }

    /** The place of a photograph pixel on the side, in prototype mm, if {@link #seesPlaneAt}. */
    public Point toSide(Point photo) {
        return toSide.map(photo.x(), photo.y());
    }

    /** Where a place of the side, in prototype mm, is seen. */
    public Point toPhoto(Point sideMm) {
        return toPhoto.map(sideMm.x(), sideMm.y());
    }

    /**
     * Root mean square misfit of the marks in prototype mm; 0 when four corners fit exactly and
     * nothing checks them.
     */
    public double residualMm() {
        return residualMm;
    }

    /** The worst misfit of a mark in prototype mm. */
    public double worstMm() {
        return worstMm;
    }

    /**
     * How far the side moves, in prototype mm, when a corner is set one photograph pixel off; the
     * worst corner.
     */
    public double slipMm() {
        return slipMm;
    }

    /**
     * The highest resolution that the photograph has anywhere on the side, photograph pixels per
     * prototype mm.
     */
    public double finestPxPerMm() {
        return finestPxPerMm;
    }

    /** Prototype length of the side. */
    public Length length() {
        return length;
    }

    /** Prototype height of the side. */
    public Length height() {
        return height;
    }

    /**
     * Renders the side flat. Pixel (x, y) of the result shows the place ((x + 0.5) / pxPerMm, (y +
     * 0.5) / pxPerMm) of the side; places outside the photograph have alpha 0.
     *
     * @param photo the photograph that the corners were marked on
     * @param pxPerMm output pixels per prototype mm; the output is at most 16 million pixels
     */
    public Raster rectify(Raster photo, double pxPerMm) {
        double w = Math.rint(length.mm() * pxPerMm);
        double h = Math.rint(height.mm() * pxPerMm);
        if (!(w >= 1 && h >= 1 && w * h <= LARGEST_OUTPUT_PIXELS)) {
            throw new InvalidInput(
                    "Resolution",
                    pxPerMm + " px per mm",
                    "must give from 1 to 16 million pixels",
                    "Ask for a picture a few thousand pixels long.");
        }
        double spanned = pxPerMm(length.mm() / 2, height.mm() / 2) / pxPerMm;
        Raster source = photo;
        double shrink = 1;
        while (spanned / shrink > 2 && source.width() > 2 && source.height() > 2) {
            source = source.halved();
            shrink *= 2;
        }
        Raster out = Raster.empty((int) w, (int) h);
        Sampler.render(source, shrink, toPhoto, out, pxPerMm);
        return out;
    }

    private double pxPerMm(double x, double y) {
        Point a = toPhoto.map(x, y);
        double along = a.distance(toPhoto.map(x + 1, y));
        double down = a.distance(toPhoto.map(x, y + 1));
        return Math.sqrt(along * down);
    }
}
