package org.pendrik.core.paper;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.pendrik.core.photo.Point;
import org.pendrik.core.units.InvalidInput;

/**
 * Pieces to cut from film or paper, as paths of an SVG in millimetres.
 *
 * <p>A blade or beam takes half its width from both sides of a line. The line is moved by that half
 * so that what is kept comes out at its size: outwards for a piece, inwards for an opening. Corners
 * stay sharp.
 */
public final class CutSheet {
    /** The widest cut that is compensated, mm. */
    public static final double MOST_KERF_MM = 1;

    static final GeometryFactory PLANE = new GeometryFactory();
    private static final double MARGIN_MM = 3;

    /** What is kept of a cut. */
    public enum Kept {
        /** What lies inside the line: a mask, a patch. */
        PIECE,
        /** What lies outside: a stencil. */
        OPENING
    }

    /**
     * A piece as it has to come out.
     *
     * @param outline its corners, model mm
     */
    public record Piece(String name, List<Point> outline) {
        public Piece {
            outline = List.copyOf(outline);
        }
    }

    private final List<Cut> cuts;
    private final Envelope all;

    private record Cut(String name, Geometry lines) {}

    private CutSheet(List<Cut> cuts) {
        this.cuts = cuts;
        this.all = new Envelope();
        cuts.forEach(c -> all.expandToInclude(c.lines().getEnvelopeInternal()));
    }

    /**
     * Lays pieces out as they stand to each other.
     *
     * @param kerfMm width of the cut, 0 to 1
     * @throws InvalidInput when there is no piece, one has no area, or the kerf leaves nothing of
     *     it
     */
    public static CutSheet of(List<Piece> pieces, double kerfMm, Kept kept) {
        InvalidInput.requireWithin(
                "Kerf", kerfMm, " mm", 0, MOST_KERF_MM, "A knife has 0, a laser about 0.1.");
        if (pieces.isEmpty()) {
            throw new InvalidInput(
                    "Mask", "no pieces", "must have at least one", "Choose what to cut.");
        }
        List<Cut> cuts = new ArrayList<>();
        for (Piece p : pieces) {
            Geometry shape = polygon(p);
            double by = kept == Kept.PIECE ? kerfMm / 2 : -kerfMm / 2;
            Geometry lines = by == 0 ? shape : moved(shape, by);
            if (lines.isEmpty()) {
                throw new InvalidInput(
                        "Piece " + p.name(),
                        "as drawn",
                        "is too small for a cut of " + kerfMm + " mm",
                        "Cut it with a knife, kerf 0.");
            }
            cuts.add(new Cut(p.name(), lines));
        }
        return new CutSheet(cuts);
    }

    private static Geometry moved(Geometry shape, double by) {
        var corners =
                new BufferParameters(
                        BufferParameters.DEFAULT_QUADRANT_SEGMENTS,
                        BufferParameters.CAP_FLAT,
                        BufferParameters.JOIN_MITRE,
                        10);
        return BufferOp.bufferOp(shape, by, corners);
    }

    private static Geometry polygon(Piece p) {
        Geometry shape =
                p.outline().size() < 3
                        ? PLANE.createPolygon()
                        : PLANE.createPolygon(ring(p.outline())).buffer(0);
        if (shape.isEmpty() || shape.getArea() < 1e-4) {
            throw new InvalidInput(
                    "Piece " + p.name(),
                    p.outline().size() + " corners",
                    "has no area",
                    "Draw it round what is to be covered.");
        }
        return shape;
    }

    private static Coordinate[] ring(List<Point> outline) {
        Coordinate[] out = new Coordinate[outline.size() + 1];
        for (int i = 0; i < out.length; i++) {
            Point p = outline.get(i % outline.size());
            out[i] = new Coordinate(p.x(), p.y());
        }
        return out;
    }

    /** Width of the sheet, mm. */
    public double widthMm() {
        return all.getWidth() + 2 * MARGIN_MM;
    }

    /** Height of the sheet, mm. */
    public double heightMm() {
        return all.getHeight() + 2 * MARGIN_MM;
    }

    /** The sheet as SVG 1.1 in millimetres; every piece is one closed path with its name. */
    public String svg() {
        StringBuilder out = new StringBuilder();
        out.append("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n");
        out.append(
                String.format(
                        Locale.ROOT,
                        "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%.3fmm\" height=\"%.3fmm\" viewBox=\"0 0 %.3f %.3f\">%n",
                        widthMm(),
                        heightMm(),
                        widthMm(),
                        heightMm()));
        for (Cut c : cuts) {
            out.append("  <path fill=\"none\" stroke=\"#000\" stroke-width=\"0.05\" d=\"");
            for (int i = 0; i < c.lines().getNumGeometries(); i++) {
                path(out, (Polygon) c.lines().getGeometryN(i));
            }
            out.append("\"><title>").append(escaped(c.name())).append("</title></path>\n");
        }
        return out.append("</svg>\n").toString();
    }

    private void path(StringBuilder out, Polygon p) {
        ring(out, p.getExteriorRing());
        for (int i = 0; i < p.getNumInteriorRing(); i++) {
            ring(out, p.getInteriorRingN(i));
        }
    }

    private void ring(StringBuilder out, LinearRing ring) {
        Coordinate[] at = ring.getCoordinates();
        for (int i = 0; i < at.length - 1; i++) {
            out.append(i == 0 ? 'M' : 'L')
                    .append(
                            String.format(
                                    Locale.ROOT,
                                    "%.4f %.4f",
                                    at[i].x - all.getMinX() + MARGIN_MM,
                                    at[i].y - all.getMinY() + MARGIN_MM));
        }
        out.append('Z');
    }

    private static String escaped(String s) {
        // XML 1.0 knows no other control characters (section 2.2)
        return s.replaceAll(
                        "[^\\t\\n\\r\\x{20}-\\x{D7FF}\\x{E000}-\\x{FFFD}\\x{10000}-\\x{10FFFF}]",
                        "")
                .replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;");
    }
}
