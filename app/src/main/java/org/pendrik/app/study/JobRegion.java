package org.pendrik.app.study;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.sides.Side;
import org.pendrik.core.measure.EdgeWear.Edge;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Region;
import org.pendrik.core.units.InvalidInput;

/**
 * A region of a job's side.
 *
 * @param zoneKey the zone that it lies on, if one was named
 * @param side the side that it is drawn on
 * @param role what it is for
 * @param factory shows the paint as it left the factory
 * @param outline its corners in prototype mm when it is not the whole box; the two ends of an edge
 * @param photographId the photograph that measures it, where that is another one than the leading
 *     one of its side
 */
public record JobRegion(
        UUID id,
        String name,
        @Nullable String zoneKey,
        Side side,
        RegionRole role,
        double xMm,
        double yMm,
        double widthMm,
        double heightMm,
        boolean factory,
        List<Point> outline,
        @Nullable UUID photographId) {
    private static final double BESIDE_MM = 120;

    public JobRegion {
        outline = List.copyOf(outline);
        if (role == RegionRole.EDGE) {
            if (outline.size() != 2) {
                throw new InvalidInput(
                        "Edge " + name,
                        outline.size() + " ends",
                        "must have two",
                        "Draw from one end of the edge to the other.");
            }
            new Edge(name, outline.getFirst(), outline.getLast());
            widthMm = Math.max(1, widthMm);
            heightMm = Math.max(1, heightMm);
            new Region(name, xMm, yMm, widthMm, heightMm);
        } else {
            new Region(name, xMm, yMm, widthMm, heightMm, outline);
        }
        if (factory && role != RegionRole.MEASURE) {
            throw new InvalidInput(
                    "Factory colour",
                    name,
                    "can only be a region that is measured",
                    "Let it be measured first.");
        }
    }

    /** A rectangle on the left side that is measured. */
    public JobRegion(
            UUID id,
            String name,
            @Nullable String zoneKey,
            double xMm,
            double yMm,
            double widthMm,
            double heightMm,
            boolean factory) {
        this(
                id,
                name,
                zoneKey,
                Side.LEFT,
                RegionRole.MEASURE,
                xMm,
                yMm,
                widthMm,
                heightMm,
                factory,
                List.of(),
                null);
    }

    /** The area that is measured, left out or cut. */
    public Region region() {
        return new Region(
                name, xMm, yMm, widthMm, heightMm, role == RegionRole.EDGE ? List.of() : outline);
    }

    /** What is cut out of the side to show it: an edge comes with what lies beside it. */
    Region shown() {
        if (role != RegionRole.EDGE) {
            return region();
        }
        double x = Math.max(0, xMm - BESIDE_MM);
        double y = Math.max(0, yMm - BESIDE_MM);
        return new Region(
                name, x, y, xMm + widthMm + BESIDE_MM - x, yMm + heightMm + BESIDE_MM - y);
    }

    /** The edge along which wear is counted. */
    Edge edge() {
        return new Edge(name, outline.getFirst(), outline.getLast());
    }

    /** The same on another zone, or on none. */
    JobRegion on(@Nullable String zone) {
        return new JobRegion(
                id,
                name,
                zone,
                side,
                role,
                xMm,
                yMm,
                widthMm,
                heightMm,
                factory,
                outline,
                photographId);
    }
}
