package org.pendrik.core.paper;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.simplify.TopologyPreservingSimplifier;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;

/**
 * The outline of the white that has to lie under translucent printed ink: round everything in the
 * artwork that is not transparent, drawn in a little so that no white shows beside the ink.
 */
public final class Underlay {
    private static final int HALF = 128;
    private static final GeometryFactory PLANE = new GeometryFactory();

    private Underlay() {}

    /**
     * The outlines.
     *
     * @param artwork with transparency
     * @param widthMm width that it is printed at, model mm
     * @param chokeMm how far it is drawn in, 0 to 1 mm
     * @return closed rings in model mm from the upper left of the artwork, holes included; empty
     *     when nothing is left
     */
    public static List<List<Point>> outline(Raster artwork, double widthMm, double chokeMm) {
        double mm = widthMm / artwork.width();
        List<Polygon> squares = new ArrayList<>();
        for (List<int[]> ring : rings(artwork)) {
            Coordinate[] at = new Coordinate[ring.size() + 1];
            for (int i = 0; i <= ring.size(); i++) {
                int[] p = ring.get(i % ring.size());
                at[i] = new Coordinate(p[0] * mm, p[1] * mm);
            }
            squares.add(PLANE.createPolygon(at));
        }
        // rings wind the same way round holes as round pieces, so holes are found by parity
        Geometry all = PLANE.createPolygon();
        for (Polygon p : squares) {
            all = all.symDifference(p);
        }
        Geometry smooth = TopologyPreservingSimplifier.simplify(all, 0.75 * mm).buffer(-chokeMm);
        List<List<Point>> out = new ArrayList<>();
        for (int i = 0; i < smooth.getNumGeometries(); i++) {
            if (smooth.getGeometryN(i) instanceof Polygon p && !p.isEmpty()) {
                out.add(points(p.getExteriorRing().getCoordinates()));
                for (int k = 0; k < p.getNumInteriorRing(); k++) {
                    out.add(points(p.getInteriorRingN(k).getCoordinates()));
                }
            }
        }
        return out;
    }

    private static List<Point> points(Coordinate[] at) {
        List<Point> out = new ArrayList<>();
        for (int i = 0; i < at.length - 1; i++) {
            out.add(new Point(at[i].x, at[i].y));
        }
        return out;
    }

    /** The borders between opaque and transparent pixels, chained with the opaque on the right. */
    private static List<List<int[]>> rings(Raster r) {
        Map<Long, List<int[]>> from = new HashMap<>();
        for (int y = 0; y < r.height(); y++) {
            for (int x = 0; x < r.width(); x++) {
                if (!opaque(r, x, y)) {
                    continue;
                }
                if (!opaque(r, x, y - 1)) {
                    edge(from, x, y, x + 1, y);
                }
                if (!opaque(r, x + 1, y)) {
                    edge(from, x + 1, y, x + 1, y + 1);
                }
                if (!opaque(r, x, y + 1)) {
                    edge(from, x + 1, y + 1, x, y + 1);
                }
                if (!opaque(r, x - 1, y)) {
                    edge(from, x, y + 1, x, y);
                }
            }
        }
        List<List<int[]>> out = new ArrayList<>();
        for (Map.Entry<Long, List<int[]>> e : List.copyOf(from.entrySet())) {
            while (!e.getValue().isEmpty()) {
                out.add(chain(from, e.getKey()));
            }
        }
        return out;
    }

    private static List<int[]> chain(Map<Long, List<int[]>> from, long start) {
        List<int[]> ring = new ArrayList<>();
        long at = start;
        int[] came = {0, 0};
        do {
            int x = (int) (at >> 32);
            int y = (int) at;
            ring.add(new int[] {x, y});
            List<int[]> next = from.getOrDefault(at, List.of());
            int pick = 0;
            for (int i = 0; i < next.size(); i++) {
                // where two pixels touch at a corner, turn right: each keeps its own ring
                int dx = next.get(i)[0] - x;
                int dy = next.get(i)[1] - y;
                pick = came[0] * dy - came[1] * dx > 0 ? i : pick;
            }
            int[] to = next.remove(pick);
            came = new int[] {to[0] - x, to[1] - y};
            at = key(to[0], to[1]);
        } while (at != start);
        return ring;
    }

    private static void edge(Map<Long, List<int[]>> from, int x0, int y0, int x1, int y1) {
        from.computeIfAbsent(key(x0, y0), k -> new ArrayList<>()).add(new int[] {x1, y1});
    }

    private static long key(int x, int y) {
        return (long) x << 32 | y;
    }

    private static boolean opaque(Raster r, int x, int y) {
        return x >= 0 && y >= 0 && x < r.width() && y < r.height() && r.at(x, y) >>> 24 >= HALF;
    }
}
