package org.pendrik.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Region;
import org.pendrik.core.units.InvalidInput;

/**
 * How worn an edge is: the share of its length where paint is missing within reach of it.
 *
 * @param wornShare 0 to 1
 * @param sd one standard deviation of the share
 * @param scrapes separate worn places
 * @param longestMm the longest of them, prototype mm
 * @param longestSdMm one standard deviation of it: two pixels of its ends
 * @param kind what shows on most of it; empty when it is not worn
 * @param depthMm median reach of the wear from the edge
 */
public record EdgeWear(
        double wornShare,
        double sd,
        int scrapes,
        double longestMm,
        double longestSdMm,
        Optional<WeatherClass> kind,
        double depthMm) {
    private static final List<WeatherClass> WORN =
            List.of(WeatherClass.BARE_METAL, WeatherClass.FRESH_RUST, WeatherClass.OLD_RUST);

    /** Paint chips off within this of an edge, prototype mm. */
    private static final double REACH_MM = 40;

    private static final int FEWEST_STEPS = 12;

    /**
     * An edge.
     *
     * @param from prototype mm on the side
     * @param to its other end
     */
    public record Edge(String name, Point from, Point to) {
        public Edge {
            if (Math.hypot(to.x() - from.x(), to.y() - from.y()) < 1) {
                throw new InvalidInput(
                        "Edge " + name, "one point", "must have two ends", "Draw along the edge.");
            }
        }

        /** The same, counted from the upper left corner of a part of the side. */
        public Edge from(Region window) {
            return new Edge(
                    name,
                    new Point(from.x() - window.xMm(), from.y() - window.yMm()),
                    new Point(to.x() - window.xMm(), to.y() - window.yMm()));
        }

        double lengthMm() {
            return Math.hypot(to.x() - from.x(), to.y() - from.y());
        }
    }

    static Answer<EdgeWear> of(ClassMap map, Edge e, Resolution resolution) {
        Region around = around(e);
        var small = resolution.<EdgeWear>tooSmallFor(Resolution.Question.EDGES, around);
        if (small.isPresent()) {
            return small.get();
        }
        double px = map.pxPerMm();
        int steps = (int) Math.floor(e.lengthMm() * px);
        double ux = (e.to().x() - e.from().x()) / e.lengthMm();
        double uy = (e.to().y() - e.from().y()) / e.lengthMm();
        int reach = Math.max(2, (int) Math.round(REACH_MM * px));
        int seen = 0;
        int worn = 0;
        int unsure = 0;
        int scrapes = 0;
        int run = 0;
        int longest = 0;
        List<Integer> depth = new ArrayList<>();
        double[] kinds = new double[WORN.size()];
        for (int s = 0; s < steps; s++) {
            double cx = e.from().x() * px + ux * (s + 0.5);
            double cy = e.from().y() * px + uy * (s + 0.5);
            int wear = 0;
            int pixels = 0;
            boolean near = false;
            for (int d = -reach; d <= reach; d++) {
                int x = (int) Math.floor(cx - uy * d);
                int y = (int) Math.floor(cy + ux * d);
                if (x < 0
                        || y < 0
                        || x >= map.width()
                        || y >= map.height()
                        || !map.measured(x, y)) {
                    continue;
                }
                pixels++;
                double part = 0;
                for (int k = 0; k < kinds.length; k++) {
                    double share = map.share(WORN.get(k), x, y);
                    kinds[k] += share;
                    part += share;
                }
                wear += part >= 0.5 ? 1 : 0;
                near |= part > 0.25 && part < 0.75;
            }
            if (pixels == 0) {
                run = 0;
                continue;
            }
            seen++;
            unsure += wear == 0 && near ? 1 : 0;
            if (wear > 0) {
                worn++;
                depth.add(wear);
                run++;
                scrapes += run == 1 ? 1 : 0;
                longest = Math.max(longest, run);
            } else {
                run = 0;
            }
        }
        if (seen < FEWEST_STEPS) {
            return new Answer.CannotTell<>(
                    "Only " + seen + " pixels of the edge " + e.name() + " can be measured.",
                    "Draw it longer, or take a larger photograph.");
        }
        depth.sort(null);
        double share = (double) worn / seen;
        return new Answer.Told<>(
                new EdgeWear(
                        share,
                        Math.hypot(0.01, 0.5 * unsure / seen),
                        scrapes,
                        longest / px,
                        2 / px,
                        worn == 0 ? Optional.empty() : Optional.of(WORN.get(most(kinds))),
                        depth.isEmpty() ? 0 : depth.get(depth.size() / 2) / px));
    }

    private static int most(double[] values) {
        int at = 0;
        for (int k = 1; k < values.length; k++) {
            at = values[k] > values[at] ? k : at;
        }
        return at;
    }

    private static Region around(Edge e) {
        double x = Math.max(0, Math.min(e.from().x(), e.to().x()));
        double y = Math.max(0, Math.min(e.from().y(), e.to().y()));
        return new Region(
                "the edge " + e.name(),
                x,
                y,
                Math.max(1, Math.abs(e.from().x() - e.to().x())),
                Math.max(1, Math.abs(e.from().y() - e.to().y())));
    }
}
