package org.pendrik.core.paper;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.pendrik.core.photo.Point;
import org.pendrik.core.units.InvalidInput;

/**
 * The part of a windscreen that its wiper keeps clean: what the blade sweeps, a sector of a ring
 * about the pivot, cut to the pane. Chords stand for arcs so finely that they are off by at most
 * {@value #SAGITTA_MM} mm.
 *
 * @param paneWidthMm model mm
 * @param paneHeightMm model mm
 * @param pivotXMm from the left edge of the pane; may lie outside it
 * @param pivotYMm from the upper edge, downward; may lie outside
 * @param armMm pivot to the middle of the blade
 * @param bladeMm length of the blade, carried in line with the arm
 * @param fromDegrees where the sweep begins, from straight up, negative to the left
 * @param toDegrees where it ends, above {@code fromDegrees}
 */
public record WiperArc(
        double paneWidthMm,
        double paneHeightMm,
        double pivotXMm,
        double pivotYMm,
        double armMm,
        double bladeMm,
        double fromDegrees,
        double toDegrees) {
    private static final double SAGITTA_MM = 0.004;
    private static final double MOST_MM = 500;

    public WiperArc {
        for (double v : new double[] {paneWidthMm, paneHeightMm}) {
            InvalidInput.requireWithin("Pane", v, " mm", 0.5, MOST_MM, "Measure it on the model.");
        }
        for (double v : new double[] {pivotXMm, pivotYMm}) {
            InvalidInput.requireWithin(
                    "Pivot",
                    v,
                    " mm",
                    -MOST_MM,
                    MOST_MM,
                    "Count from the pane's upper left corner.");
        }
        InvalidInput.requireWithin("Blade", bladeMm, " mm", 0.1, MOST_MM, "Measure the blade.");
        InvalidInput.requireWithin(
                "Arm",
                armMm,
                " mm",
                bladeMm / 2,
                MOST_MM,
                "It reaches from the pivot to the middle of the blade.");
        InvalidInput.requireWithin(
                "Sweep from", fromDegrees, "°", -180, 180, "0 is straight up, left is negative.");
        InvalidInput.requireWithin(
                "Sweep to",
                toDegrees,
                "°",
                fromDegrees + 1,
                fromDegrees + 359,
                "It must end after it begins.");
    }

    /** What the wiper keeps clean, as one piece. */
    public CutSheet.Piece piece() {
        Polygon p = clean();
        return new CutSheet.Piece(
                "wiper arc",
                Arrays.stream(p.getExteriorRing().getCoordinates())
                        .limit(p.getExteriorRing().getNumPoints() - 1L)
                        .map(c -> new Point(c.x, c.y))
                        .toList());
    }

    /** How much of the pane that is, above 0 to 1. */
    public double cleanShare() {
        return clean().getArea() / (paneWidthMm * paneHeightMm);
    }

    /** The largest part of the pane that the blade sweeps. */
    private Polygon clean() {
        double out = armMm + bladeMm / 2;
        double in = armMm - bladeMm / 2;
        List<Coordinate> ring = new ArrayList<>();
        arc(ring, out, fromDegrees, toDegrees);
        if (in > SAGITTA_MM) {
            arc(ring, in, toDegrees, fromDegrees);
        } else {
            ring.add(new Coordinate(pivotXMm, pivotYMm));
        }
        ring.add(ring.getFirst());
        Geometry swept = CutSheet.PLANE.createPolygon(ring.toArray(Coordinate[]::new)).buffer(0);
        Geometry pane =
                CutSheet.PLANE.createPolygon(
                        new Coordinate[] {
                            new Coordinate(0, 0),
                            new Coordinate(paneWidthMm, 0),
                            new Coordinate(paneWidthMm, paneHeightMm),
                            new Coordinate(0, paneHeightMm),
                            new Coordinate(0, 0)
                        });
        Geometry clean = swept.intersection(pane);
        Geometry largest = clean;
        for (int i = 0; i < clean.getNumGeometries(); i++) {
            Geometry g = clean.getGeometryN(i);
            largest = i == 0 || g.getArea() > largest.getArea() ? g : largest;
        }
        if (!(largest instanceof Polygon p) || p.isEmpty()) {
            throw new InvalidInput(
                    "Wiper",
                    "as given",
                    "does not reach the pane",
                    "Check the pivot, the arm and the angles.");
        }
        return p;
    }

    private void arc(List<Coordinate> ring, double radius, double from, double to) {
        double widest = 2 * Math.acos(Math.max(0, 1 - SAGITTA_MM / radius));
        double turn = Math.toRadians(Math.abs(to - from));
        int parts = Math.max(2, (int) Math.ceil(turn / widest));
        for (int i = 0; i <= parts; i++) {
            double a = Math.toRadians(from + (to - from) * i / parts);
            ring.add(
                    new Coordinate(
                            pivotXMm + radius * Math.sin(a), pivotYMm - radius * Math.cos(a)));
        }
    }
}
