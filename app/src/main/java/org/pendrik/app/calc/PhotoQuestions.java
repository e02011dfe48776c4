package org.pendrik.app.calc;

import java.util.Base64;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.app.sides.Marks;
import org.pendrik.core.photo.Lens;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.SideGeometry;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Length;

/** Rectification without a job. */
final class PhotoQuestions {
    static final String EXAMPLE =
            """
            {
              "corners": [{"x": 210, "y": 180}, {"x": 1720, "y": 260}, {"x": 1650, "y": 830}, {"x": 160, "y": 760}],
              "knownPoints": [{"photo": {"x": 940, "y": 505}, "sideMm": {"x": 3265, "y": 1300}}],
              "lengthMm": 6400,
              "heightMm": 2600,
              "ask": [{"x": 940, "y": 505}]
            }
            """;

    private PhotoQuestions() {}

    /**
     * A question.
     *
     * @param corners null when not all of them are in the picture
     * @param knownLines level and upright things, which stand in for corners
     */
    record PhotoQuestion(
            @Nullable List<Point> corners,
            @Nullable List<SideRectifier.Mark> knownPoints,
            @Nullable List<Marks.LineMark> knownLines,
            double lengthMm,
            double heightMm,
            @Nullable List<Point> ask,
            @Nullable String pictureBase64,
            @Nullable Double pxPerMm) {}

    /**
     * The answer.
     *
     * @param sideMm where the asked photograph points lie on the side, prototype mm
     */
    record PhotoAnswer(
            double residualMm,
            double worstMm,
            double slipMm,
            double finestPxPerMm,
            List<Point> sideMm,
            @Nullable String sideJpegBase64) {}

    static PhotoAnswer answer(PhotoQuestion q) {
        return switch (located(q)) {
            case SideRectifier.Outcome.Refused r ->
                    throw new InvalidInput(
                            q.corners() == null ? "Known points and lines" : "Corners",
                            "as given",
                            "do not make a side: " + r.reason(),
                            r.remedy());
            case SideRectifier.Outcome.Found f -> {
                SideGeometry g = f.geometry();
                List<Point> asked =
                        q.ask() == null
                                ? List.of()
                                : q.ask().stream().map(p -> onSide(g, p)).toList();
                yield new PhotoAnswer(
                        g.residualMm(),
                        g.worstMm(),
                        g.slipMm(),
                        g.finestPxPerMm(),
                        asked,
                        side(q, g));
            }
        };
    }

    private static SideRectifier.Outcome located(PhotoQuestion q) {
        var marks = q.knownPoints() == null ? List.<SideRectifier.Mark>of() : q.knownPoints();
        Length length = Length.ofMm(q.lengthMm());
        Length height = Length.ofMm(q.heightMm());
        return q.corners() == null
                ? SideRectifier.locateByParts(
                        marks,
                        Marks.lines(
                                q.knownLines() == null
                                        ? null
                                        : new Marks.KnownLines(q.knownLines())),
                        length,
                        height,
                        Lens.straight(1, 1))
                : SideRectifier.locate(q.corners(), marks, length, height);
    }

    private static Point onSide(SideGeometry g, Point photo) {
        if (!g.seesPlaneAt(photo)) {
            throw new InvalidInput(
                    "Asked point",
                    photo.x() + ", " + photo.y(),
                    "lies beyond the horizon of the side's plane",
                    "Ask for points on or near the side.");
        }
        return g.toSide(photo);
    }

    private static @Nullable String side(PhotoQuestion q, SideGeometry g) {
        if (q.pictureBase64() == null) {
            return null;
        }
        byte[] file;
        try {
            file = Base64.getDecoder().decode(q.pictureBase64());
        } catch (IllegalArgumentException e) {
            throw new InvalidInput(
                    "Picture",
                    "as sent",
                    "is not Base64",
                    "Encode the file's bytes with plain Base64.");
        }
        Raster photo = Pictures.read(file);
        double pxPerMm = q.pxPerMm() == null ? 1600 / q.lengthMm() : q.pxPerMm();
        Raster side = g.rectify(photo, pxPerMm);
        return Base64.getEncoder()
                .encodeToString(Pictures.jpeg(side, Math.max(side.width(), side.height())));
    }
}
