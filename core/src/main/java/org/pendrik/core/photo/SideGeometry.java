package org.pendrik.core.photo;

import java.util.ArrayList;
import java.util.List;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Length;

/**
 * Where a side lies in one photograph, and how well that is known.
 *
 * <p>{@link #rectify} renders it: the photograph is halved while one output pixel would span more
 * than two of its pixels, then sampled bilinearly with weights in 1/256. Cost O(output pixels).
 */
public final class SideGeometry implements Flattening {
    /** Share of the first corner's depth under which a place is as far as the horizon. */
    private static final double HORIZON = 1e-6;

    private static final int LARGEST_OUTPUT_PIXELS = 16_000_000;

    /** A hand sets a mark this well, one standard deviation in photograph pixels. */
    private static final double HAND_PX = 0.7;

    /** What is expected of a hand counts as so many residuals: few of them say little. */
    private static final double EXPECTED_FREE = 4;

    /** A map of planes has eight coefficients. */
    private static final int UNKNOWNS = 8;

    /** A lens is not one radial term; what is left moves the scale by about this share. */
    private static final double LENS_SHARE = 6.5e-4;

    private final Homography toSide;
    private final Homography toPhoto;
    private final Lens lens;

    /** The maps that come out when one coordinate of one mark is moved by its error. */
    private final List<Homography> shaken;

    private final Length length;
    private final Length height;
    private final double residualMm;
    private final double worstMm;
    private final double slipMm;
    private final double finestPxPerMm;

    /** Of four corners and possibly more places of known position. */
    SideGeometry(List<Point> photo, List<Point> sideMm, Length length, Length height, Lens lens) {
        List<Point> flat = photo.stream().map(lens::undistort).toList();
        this.toPhoto = Homography.between(sideMm, flat).refined(sideMm, flat);
        this.toSide = toPhoto.inverse();
        this.lens = lens;
        this.length = length;
        this.height = height;
        double squares = 0;
        double squaresPx = 0;
        double worst = 0;
        for (int i = 0; i < photo.size(); i++) {
            double d = toSide(photo.get(i)).distance(sideMm.get(i));
            squares += d * d;
            worst = Math.max(worst, d);
            squaresPx += Math.pow(toPhoto(sideMm.get(i)).distance(photo.get(i)), 2);
        }
        // two equations a point, eight unknowns: four points fit exactly and leave nothing to judge
        // by
        int free = 2 * photo.size() - UNKNOWNS;
        this.residualMm = free == 0 ? 0 : Math.sqrt(squares / free);
        this.worstMm = free == 0 ? 0 : worst;
        this.shaken = shaken(flat, sideMm, hand(squaresPx, free));
        this.slipMm = slip(photo.subList(0, 4));
        this.finestPxPerMm = finest();
    }

    /** Of places, lines and lengths, as far as they are seen; the lens is taken out of them. */
    SideGeometry(PlaneFit fit, Homography found, Length length, Length height, Lens lens) {
        this.toPhoto = found;
        this.toSide = toPhoto.inverse();
        this.lens = lens;
        this.length = length;
        this.height = height;
        double[] off = fit.residuals(found);
        double squaresPx = 0;
        double worstPx = 0;
        for (double r : off) {
            squaresPx += r * r;
            worstPx = Math.max(worstPx, Math.abs(r));
        }
        int free = off.length - UNKNOWNS;
        this.shaken = fit.shaken(found, hand(squaresPx, free));
        this.slipMm = slip(fit.places().stream().map(lens::distort).toList());
        this.finestPxPerMm = finest();
        this.residualMm = free == 0 ? 0 : Math.sqrt(squaresPx / free) * slipMm;
        this.worstMm = free == 0 ? 0 : worstPx * slipMm;
    }

    /** A part of a side that is known already. */
    private SideGeometry(SideGeometry whole, Homography fromPart, Length length, Length height) {
        Homography toPart = fromPart.inverse();
        this.toPhoto = whole.toPhoto.after(fromPart);
        this.toSide = toPart.after(whole.toSide);
        this.lens = whole.lens;
        this.shaken = whole.shaken.stream().map(toPart::after).toList();
        this.length = length;
        this.height = height;
        this.residualMm = whole.residualMm;
        this.worstMm = whole.worstMm;
        this.slipMm = whole.slipMm;
        this.finestPxPerMm = finest();
    }

    /**
     * A part of the side as a side of its own, places counted from its upper left corner.
     *
     * @param window the part, prototype mm
     * @param moved where places of the side that the part is of lie on this one, prototype mm: x' =
     *     a x + b y + c, y' = d x + e y + f
     */
    public SideGeometry part(Region window, double[] moved) {
        double x = window.xMm();
        double y = window.yMm();
        Homography fromPart =
                Homography.of(
                        new double[] {
                            moved[0],
                            moved[1],
                            moved[0] * x + moved[1] * y + moved[2],
                            moved[3],
                            moved[4],
                            moved[3] * x + moved[4] * y + moved[5],
                            0,
                            0,
                            1
                        });
        return new SideGeometry(
                this, fromPart, Length.ofMm(window.widthMm()), Length.ofMm(window.heightMm()));
    }

    private static double hand(double squaresPx, int free) {
        return Math.sqrt((EXPECTED_FREE * HAND_PX * HAND_PX + squaresPx) / (EXPECTED_FREE + free));
    }

    private double slip(List<Point> marked) {
        double slip = 0;
        for (Point p : marked) {
            Point at = toSide(p);
            slip = Math.max(slip, toSide(new Point(p.x() + 1, p.y())).distance(at));
            slip = Math.max(slip, toSide(new Point(p.x(), p.y() + 1)).distance(at));
        }
        return slip;
    }

    private double finest() {
        double finest = 0;
        for (double x : new double[] {0, length.mm()}) {
            for (double y : new double[] {0, height.mm()}) {
                finest = Math.max(finest, pxPerMm(x, y));
            }
        }
        return finest;
    }

    private static List<Homography> shaken(List<Point> photo, List<Point> sideMm, double hand) {
        List<Homography> out = new ArrayList<>();
        for (int i = 0; i < photo.size(); i++) {
            for (int k = 0; k < 2; k++) {
                List<Point> moved = new ArrayList<>(photo);
                Point p = photo.get(i);
                moved.set(i, new Point(p.x() + (1 - k) * hand, p.y() + k * hand));
                out.add(Homography.between(moved, sideMm));
            }
        }
        return out;
    }

    /**
     * Whether a photograph pixel shows the plane of the side at all: it does not on or beyond the
     * horizon of that plane.
     */
    public boolean seesPlaneAt(Point photo) {
        Point flat = lens.undistort(photo);
        return toSide.depth(flat.x(), flat.y()) > HORIZON;
    }

    /** The place of a photograph pixel on the side, in prototype mm, if {@link #seesPlaneAt}. */
    public Point toSide(Point photo) {
        Point flat = lens.undistort(photo);
        return toSide.map(flat.x(), flat.y());
    }

    /** Where a place of the side, in prototype mm, is seen. */
    @Override
    public Point toPhoto(Point sideMm) {
        return lens.distort(toPhoto.map(sideMm.x(), sideMm.y()));
    }

    /** The lens that it was seen through. */
    public Lens lens() {
        return lens;
    }

    /**
     * How well the place of a point of the side is known, one standard deviation in prototype mm:
     * what the marks leave open and a third of a photograph pixel. It grows where the side recedes.
     */
    @Override
    public double placeSdMm(double xMm, double yMm) {
        Point flat = toPhoto.map(xMm, yMm);
        double sum = 0;
        for (Homography h : shaken) {
            Point p = h.map(flat.x(), flat.y());
            sum += Math.pow(p.x() - xMm, 2) + Math.pow(p.y() - yMm, 2);
        }
        return Math.sqrt(sum / 2 + Math.pow(1 / (3 * pxPerMm(xMm, yMm)), 2));
    }

    /** How well the scale along the side is known, one standard deviation as a share of it. */
    @Override
    public double scaleSd() {
        double y = height.mm() / 2;
        Point a = toPhoto.map(0, y);
        Point b = toPhoto.map(length.mm(), y);
        double sum = LENS_SHARE * LENS_SHARE;
        for (Homography h : shaken) {
            double d = h.map(a.x(), a.y()).distance(h.map(b.x(), b.y()));
            sum += Math.pow(d / length.mm() - 1, 2);
        }
        return Math.sqrt(sum);
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
    @Override
    public Length length() {
        return length;
    }

    /** Prototype height of the side. */
    @Override
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
        return flat(photo, 1, pxPerMm);
    }

    @Override
    public Raster flat(Raster photo, int step, double pxPerMm) {
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
        double shrink = step;
        while (spanned / shrink > 2 && source.width() > 2 && source.height() > 2) {
            source = source.halved();
            shrink *= 2;
        }
        Raster out = Raster.empty((int) w, (int) h);
        Sampler.render(source, shrink, toPhoto, lens, out, pxPerMm);
        return out;
    }

    /** Photograph pixels per prototype mm at a place, the mean of along and down. */
    @Override
    public double pxPerMm(double xMm, double yMm) {
        return Math.sqrt(pxPerMmAlong(xMm, yMm) * pxPerMmDown(xMm, yMm));
    }

    /** Photograph pixels per prototype mm along the length at a place. */
    public double pxPerMmAlong(double xMm, double yMm) {
        return toPhoto(new Point(xMm, yMm)).distance(toPhoto(new Point(xMm + 1, yMm)));
    }

    private double pxPerMmDown(double xMm, double yMm) {
        return toPhoto(new Point(xMm, yMm)).distance(toPhoto(new Point(xMm, yMm + 1)));
    }
}
