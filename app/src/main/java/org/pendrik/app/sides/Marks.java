package org.pendrik.app.sides;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.ibatis.type.MappedTypes;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.TextTypeHandler;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.LightKnown;
import org.pendrik.core.photo.CylinderUnwrapper.ArcMark;
import org.pendrik.core.photo.KnownLine;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Component;

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

    /**
     * Something straight that lies level or stands upright: where its ends are seen, and how long
     * it is on the prototype, if that is known.
     */
    public record LineMark(
            double fromX,
            double fromY,
            double toX,
            double toY,
            KnownLine.Along along,
            @Nullable Double lengthMm) {
        public LineMark {
            line(fromX, fromY, toX, toY, along, lengthMm);
        }

        KnownLine line() {
            return line(fromX, fromY, toX, toY, along, lengthMm);
        }

        private static KnownLine line(
                double fromX,
                double fromY,
                double toX,
                double toY,
                KnownLine.Along along,
                @Nullable Double lengthMm) {
            return new KnownLine(
                    new Point(fromX, fromY),
                    new Point(toX, toY),
                    along,
                    lengthMm == null ? OptionalDouble.empty() : OptionalDouble.of(lengthMm));
        }
    }

    /** Level and upright things, which stand in for corners that are not in the picture. */
    public record KnownLines(List<LineMark> lines) {
        private static final int MOST = 24;

        public KnownLines {
            lines = List.copyOf(lines);
            if (lines.size() > MOST) {
                throw new InvalidInput(
                        "Known lines",
                        "" + lines.size(),
                        "must be at most " + MOST,
                        "Keep the longest ones.");
            }
        }
    }

    /**
     * What has still to be marked before a side without corners can be looked for, as a sentence;
     * empty when nothing is.
     */
    public static Optional<String> needed(
            @Nullable KnownPoints points, @Nullable KnownLines lines) {
        return SideRectifier.needed(marks(points), lines(lines));
    }

    static List<SideRectifier.Mark> marks(@Nullable KnownPoints known) {
        return known == null
                ? List.of()
                : known.points().stream()
                        .map(
                                k ->
                                        new SideRectifier.Mark(
                                                new Point(k.xPx(), k.yPx()),
                                                new Point(k.xMm(), k.yMm())))
                        .toList();
    }

    /** Known lines as the core asks for them. */
    public static List<KnownLine> lines(@Nullable KnownLines known) {
        return known == null ? List.of() : known.lines().stream().map(LineMark::line).toList();
    }

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
     * A patch of known colour in the photograph, usually a neutral card.
     *
     * <p>Of ballast only the colour is known, not how light it is.
     *
     * @param x left edge in photograph pixels
     * @param y upper edge
     * @param width at least 4
     * @param height at least 4
     * @param lightness known L* of the patch, 5 to 95
     * @param a known a* of the patch; null for a neutral card
     * @param b known b* of the patch; null for a neutral card
     * @param by what it is; null for a card
     */
    public record GreyPatch(
            double x,
            double y,
            double width,
            double height,
            double lightness,
            @Nullable Double a,
            @Nullable Double b,
            @Nullable LightKnown by) {
        /** A neutral card. */
        public GreyPatch(double x, double y, double width, double height, double lightness) {
            this(x, y, width, height, lightness, null, null, null);
        }

        /** What it is. */
        public LightKnown is() {
            return by == null ? LightKnown.CARD : by;
        }

        /** What colour it is. */
        public Lab known() {
            return new Lab(lightness, a == null ? 0 : a, b == null ? 0 : b);
        }

        public GreyPatch {
            if (by == LightKnown.NOTHING || by == LightKnown.OTHER_PICTURE) {
                throw new InvalidInput(
                        "Patch of known colour",
                        "" + by,
                        "is no thing in the picture",
                        "Mark a card, white lettering or ballast.");
            }
            for (Double v : new Double[] {a, b}) {
                if (v != null) {
                    InvalidInput.requireWithin(
                            "Known colour", v, "", -100, 100, "0 and 0 is neutral.");
                }
            }
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

    /**
     * A card in another photograph that tells the light of this one.
     *
     * @param picture names the content of that photograph
     */
    public record LentLight(String picture, GreyPatch grey) {}

    /**
     * Things that are straight on the prototype, as they are seen.
     *
     * @param lines each three places or more, photograph pixels
     */
    public record StraightLines(List<List<Point>> lines) {
        private static final int MOST_LINES = 12;
        private static final int MOST_POINTS = 12;

        public StraightLines {
            lines = lines.stream().map(List::copyOf).toList();
            if (lines.size() > MOST_LINES) {
                throw new InvalidInput(
                        "Straight lines",
                        "" + lines.size(),
                        "must be at most " + MOST_LINES,
                        "Keep the longest ones near the border.");
            }
            for (List<Point> l : lines) {
                if (l.size() < 3 || l.size() > MOST_POINTS) {
                    throw new InvalidInput(
                            "Straight line",
                            l.size() + " points",
                            "must have from 3 to " + MOST_POINTS,
                            "Mark both ends and a place between.");
                }
            }
        }
    }

    /** Marks on the two end circles of a curved side. */
    public record ShellMarks(List<ArcMark> marks) {
        private static final int MOST = 40;

        public ShellMarks {
            marks = List.copyOf(marks);
            if (marks.size() > MOST) {
                throw new InvalidInput(
                        "Marks on the end circles",
                        "" + marks.size(),
                        "must be at most " + MOST,
                        "Keep the clearest ones.");
            }
        }
    }

    /** Straight lines: one after another, divided by a bar. */
    @Component
    @MappedTypes(StraightLines.class)
    public static class StraightLinesHandler extends TextTypeHandler<StraightLines> {
        @Override
        protected String write(StraightLines s) {
            return s.lines().stream()
                    .map(
                            l ->
                                    l.stream()
                                            .map(p -> line(p.x(), p.y()))
                                            .collect(Collectors.joining(" ")))
                    .collect(Collectors.joining("|"));
        }

        @Override
        protected StraightLines read(String text) {
            return new StraightLines(
                    text.isEmpty()
                            ? List.of()
                            : Arrays.stream(text.split("\\|", -1))
                                    .map(l -> points(numbers(l)))
                                    .toList());
        }
    }

    /** Known lines: both ends, 1 upright or 0 level, and the length or 0, six numbers each. */
    @Component
    @MappedTypes(KnownLines.class)
    public static class KnownLinesHandler extends TextTypeHandler<KnownLines> {
        private static final int NUMBERS = 6;

        @Override
        protected String write(KnownLines k) {
            return k.lines().stream()
                    .map(
                            l ->
                                    line(
                                            l.fromX(),
                                            l.fromY(),
                                            l.toX(),
                                            l.toY(),
                                            l.along() == KnownLine.Along.UPRIGHT ? 1 : 0,
                                            l.lengthMm() == null ? 0 : l.lengthMm()))
                    .collect(Collectors.joining(" "));
        }

        @Override
        protected KnownLines read(String text) {
            double[] n = numbers(text);
            return new KnownLines(
                    IntStream.range(0, n.length / NUMBERS)
                            .map(i -> i * NUMBERS)
                            .mapToObj(
                                    i ->
                                            new LineMark(
                                                    n[i],
                                                    n[i + 1],
                                                    n[i + 2],
                                                    n[i + 3],
                                                    n[i + 4] > 0
                                                            ? KnownLine.Along.UPRIGHT
                                                            : KnownLine.Along.LEVEL,
                                                    n[i + 5] > 0 ? n[i + 5] : null))
                            .toList());
        }
    }

    /** Shell marks: place, end (1 left, 0 right) and hour in degrees each. */
    @Component
    @MappedTypes(ShellMarks.class)
    public static class ShellMarksHandler extends TextTypeHandler<ShellMarks> {
        @Override
        protected String write(ShellMarks s) {
            return s.marks().stream()
                    .map(m -> line(m.photo().x(), m.photo().y(), m.leftEnd() ? 1 : 0, m.degrees()))
                    .collect(Collectors.joining(" "));
        }

        @Override
        protected ShellMarks read(String text) {
            double[] n = numbers(text);
            return new ShellMarks(
                    IntStream.range(0, n.length / 4)
                            .mapToObj(
                                    i ->
                                            new ArcMark(
                                                    new Point(n[4 * i], n[4 * i + 1]),
                                                    n[4 * i + 2] > 0,
                                                    n[4 * i + 3]))
                            .toList());
        }
    }

    /** Pairs of numbers as points. */
    public static List<Point> points(double[] n) {
        return IntStream.range(0, n.length / 2)
                .mapToObj(i -> new Point(n[2 * i], n[2 * i + 1]))
                .toList();
    }

    /** Points as one line of text. */
    public static String line(List<Point> points) {
        return points.stream().map(p -> line(p.x(), p.y())).collect(Collectors.joining(" "));
    }

    /** Numbers as one line of text. */
    public static String line(double... values) {
        return Arrays.stream(values).mapToObj(Double::toString).collect(Collectors.joining(" "));
    }

    /** The numbers of a line of text. */
    public static double[] numbers(String line) {
        return line.isEmpty()
                ? new double[0]
                : Arrays.stream(line.split(" ", -1)).mapToDouble(Double::parseDouble).toArray();
    }

    /** Corners as eight numbers. */
    @Component
    @MappedTypes(Corners.class)
    public static class CornersHandler extends TextTypeHandler<Corners> {
        @Override
        protected String write(Corners c) {
            return line(c.points());
        }

        @Override
        protected Corners read(String text) {
            double[] n = numbers(text);
            return new Corners(points(n));
        }
    }

    /** Known points as four numbers each. */
    @Component
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
                    IntStream.range(0, n.length / 4)
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

    /**
     * A grey card as five numbers; one of another colour as seven; what is no card has a number of
     * its own behind them.
     */
    @Component
    @MappedTypes(GreyPatch.class)
    public static class GreyPatchHandler extends TextTypeHandler<GreyPatch> {
        private static final List<LightKnown> THINGS =
                List.of(LightKnown.CARD, LightKnown.LETTERING, LightKnown.BALLAST);

        @Override
        protected String write(GreyPatch g) {
            Lab c = g.known();
            if (g.is() != LightKnown.CARD) {
                int thing = THINGS.indexOf(g.is());
                return line(g.x(), g.y(), g.width(), g.height(), c.l(), c.a(), c.b(), thing);
            }
            return g.a() == null && g.b() == null
                    ? line(g.x(), g.y(), g.width(), g.height(), g.lightness())
                    : line(g.x(), g.y(), g.width(), g.height(), c.l(), c.a(), c.b());
        }

        @Override
        protected GreyPatch read(String text) {
            double[] n = numbers(text);
            return n.length == 5
                    ? new GreyPatch(n[0], n[1], n[2], n[3], n[4])
                    : new GreyPatch(
                            n[0],
                            n[1],
                            n[2],
                            n[3],
                            n[4],
                            n[5],
                            n[6],
                            n.length == 8 ? THINGS.get((int) n[7]) : null);
        }
    }
}
