package org.pendrik.app.photograph;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.ibatis.type.MappedTypes;
import org.pendrik.app.store.TextTypeHandler;
import org.pendrik.core.photo.Point;
import org.pendrik.core.units.InvalidInput;

/** What a person marks on a photograph, and how it is kept. */
public final class Marks {
    private Marks() {}

    /**
     * The corners of the side in photograph pixels: upper left, upper right, lower right, lower
     * left.
     *
     * @param points four
     */
    public record Corners(List<Point> points) {
        public Corners {
            points = List.copyOf(points);
            if (points.size() != 4) {
                throw new InvalidInput(
                        "Corners",
                        points.size() + " points",
                        "must be four",
                        "Mark all four corners of the side.");
            }
        }
    }

    /** A place of known position: where it is seen and where it lies on the side. */
    public record KnownPoint(double xPx, double yPx, double xMm, double yMm) {}

    /** Further places of known position. */
    public record KnownPoints(List<KnownPoint> points) {
        public KnownPoints {
            points = List.copyOf(points);
            if (points.size() > 40) {
                throw new InvalidInput(
                        "Known points",
                        "" + points.size(),
                        "must be at most 40",
                        "Keep the clearest ones.");
            }
        }
    }

    /**
     * A neutral card in the photograph.
     *
     * @param x left edge in photograph pixels
     * @param y upper edge
     * @param width at least 4
     * @param height at least 4
     * @param lightness known L* of the card, 5 to 95
     */
    public record GreyPatch(double x, double y, double width, double height, double lightness) {
        public GreyPatch {
            InvalidInput.requireWithin(
                    "Grey card", lightness, " L*", 5, 95, "An 18 % card has L* 50.");
            for (double v : new double[] {width, height}) {
                InvalidInput.requireWithin(
                        "Grey card", v, " px", 4, 1e5, "Mark an area of the card, not a point.");
            }
            for (double v : new double[] {x, y}) {
                InvalidInput.requireWithin(
                        "Grey card", v, " px", 0, 1e5, "Mark it inside the photograph.");
            }
        }
    }

    static String line(double... values) {
        return Arrays.stream(values).mapToObj(Double::toString).collect(Collectors.joining(" "));
    }

    static double[] numbers(String line) {
        return line.isEmpty()
                ? new double[0]
                : Arrays.stream(line.split(" ", -1)).mapToDouble(Double::parseDouble).toArray();
    }

    /** Corners as eight numbers. */
    @MappedTypes(Corners.class)
    public static class CornersHandler extends TextTypeHandler<Corners> {
        @Override
        protected String write(Corners c) {
            return c.points().stream()
                    .map(p -> line(p.x(), p.y()))
                    .collect(Collectors.joining(" "));
        }

        @Override
        protected Corners read(String text) {
            double[] n = numbers(text);
            return new Corners(
                    java.util.stream.IntStream.range(0, n.length / 2)
                            .mapToObj(i -> new Point(n[2 * i], n[2 * i + 1]))
                            .toList());
        }
    }

    /** Known points as four numbers each. */
    @MappedTypes(KnownPoints.class)
    public static class KnownPointsHandler extends TextTypeHandler<KnownPoints> {
        @Override
        protected String write(KnownPoints k) {
            return k.points().stream()
                    .map(p -> line(p.xPx(), p.yPx(), p.xMm(), p.yMm()))
                    .collect(Collectors.joining(" "));
        }

        @Override
        protected KnownPoints read(String text) {
            double[] n = numbers(text);
            return new KnownPoints(
                    java.util.stream.IntStream.range(0, n.length / 4)
                            .mapToObj(
                                    i ->
                                            new KnownPoint(
                                                    n[4 * i],
                                                    n[4 * i + 1],
                                                    n[4 * i + 2],
                                                    n[4 * i + 3]))
                            .toList());
        }
    }

    /** A grey card as five numbers. */
    @MappedTypes(GreyPatch.class)
    public static class GreyPatchHandler extends TextTypeHandler<GreyPatch> {
        @Override
        protected String write(GreyPatch g) {
            return line(g.x(), g.y(), g.width(), g.height(), g.lightness());
        }

        @Override
        protected GreyPatch read(String text) {
            double[] n = numbers(text);
            return new GreyPatch(n[0], n[1], n[2], n[3], n[4]);
        }
    }
}
