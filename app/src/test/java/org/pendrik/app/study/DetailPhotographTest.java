package org.pendrik.app.study;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.font.FontRenderContext;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.SplittableRandom;
import java.util.UUID;
import org.pendrik.app.AppTest;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.standins.StandInCamera;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.units.Watch;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/**
 * A close photograph of a part of a side: rust spots of 10 mm, which the whole side hardly shows.
 */
public class DetailPhotographTest extends AppTest {
    private static final double LENGTH = 6400;
    private static final double HEIGHT = 2600;
    private static final Rectangle2D CLOSE = new Rectangle2D.Double(2400, 400, 1600, 1100);
    private static final Rectangle2D SPOTTED = new Rectangle2D.Double(2900, 700, 600, 400);
    private static final int SPOTS = 48;
    private static final double SPOT_MM = 10;

    private static final Lab PAINT = new Lab(46, -12, 12);
    private static final Lab RUST = new Lab(38, 22, 26);
    private static final Lab DARK = new Lab(30, -8, 8);
    private static final Lab GROUND = new Lab(70, 0, 4);

    @Autowired private JoinedSides joined;
    @Autowired private EvenSides even;
    @Autowired private Photographs photographs;

    private UUID job;

    @BeforeMethod
    public void begin() {
        job = car("Close");
    }

    /** A part of the side as Java's own graphics draw it. */
    private static Raster drawn(Rectangle2D part, double pxPerMm) {
        int w = (int) Math.round(part.getWidth() * pxPerMm);
        int h = (int) Math.round(part.getHeight() * pxPerMm);
        BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        g.scale(pxPerMm, pxPerMm);
        g.translate(-part.getX(), -part.getY());
        fill(g, GROUND, new Rectangle2D.Double(0, 0, LENGTH, HEIGHT));
        fill(g, PAINT, new Rectangle2D.Double(100, 60, LENGTH - 200, 1700));
        fill(g, DARK, new Rectangle2D.Double(60, 1760, LENGTH - 120, 160));
        for (double x = 380; x < LENGTH; x += 790) {
            fill(g, DARK, new Rectangle2D.Double(x, 80, 40, 1660));
        }
        var letters = new Font(Font.SANS_SERIF, Font.BOLD, 210);
        g.setColor(colour(new Lab(88, 0, 4)));
        g.fill(
                letters.createGlyphVector(new FontRenderContext(null, true, true), "OVR 52")
                        .getOutline(3060, 1420));
        fill(g, RUST, new Rectangle2D.Double(3720, 500, 130, 120));
        SplittableRandom random = new SplittableRandom(7);
        for (int i = 0; i < SPOTS; i++) {
            int row = i / 8;
            double x = SPOTTED.getX() + 20 + 70 * (i % 8) + random.nextDouble(28);
            double y = SPOTTED.getY() + 20 + 62 * row + random.nextDouble(24);
            fill(g, RUST, new Ellipse2D.Double(x, y, SPOT_MM, SPOT_MM));
        }
        for (double x : new double[] {1450, LENGTH - 1450}) {
            fill(g, DARK, new Ellipse2D.Double(x - 330, 1900, 660, 660));
        }
        g.dispose();
        int[] argb = (int[]) image.getRaster().getDataElements(0, 0, w, h, null);
        return new Raster(w, h, argb);
    }

    private static void fill(Graphics2D g, Lab lab, java.awt.Shape shape) {
        g.setColor(colour(lab));
        g.fill(shape);
    }

    private static Color colour(Lab lab) {
        return new Color(Srgb.toPixel(lab));
    }

    private static StandInCamera camera(int width, int height, List<Point> corners) {
        return new StandInCamera(
                width,
                height,
                corners,
                new StandInCamera.Light(0.95, 0.93, 0.9, 0.05, 0),
                GROUND,
                List.of(10.0, height - 60.0, 50.0, 50.0),
                1.2,
                0.95f);
    }

    private static final String CARD =
            "\"greyPatch\":{\"x\":14,\"y\":%d,\"width\":42,\"height\":42,\"lightness\":60}";

    private UUID put(byte[] file, String where, int version) {
        clock.set(clock.instant().plusSeconds(60));
        UUID id = UUID.randomUUID();
        ok(photograph(job, id, "PROTOTYPE", file));
        ok(put("/api/photographs/" + id + "/marks", where.formatted(version)));
        return id;
    }

    /** The whole side from afar. */
    private UUID whole() {
        List<Point> corners =
                List.of(
                        new Point(80, 90),
                        new Point(1530, 70),
                        new Point(1540, 660),
                        new Point(70, 690));
        StandInCamera camera = camera(1600, 780, corners);
        StringBuilder points = new StringBuilder();
        for (Point p : corners) {
            points.append(points.isEmpty() ? "" : ",")
                    .append("{\"x\":" + p.x() + ",\"y\":" + p.y() + "}");
        }
        byte[] file =
                camera.photograph(drawn(new Rectangle2D.Double(0, 0, LENGTH, HEIGHT), 0.5), 0.5, 1);
        return put(
                file,
                "{\"corners\":{\"points\":["
                        + points
                        + "]},"
                        + CARD.formatted(780 - 56)
                        + ",\"version\":%d}",
                1);
    }

    private static final StandInCamera NEAR =
            camera(
                    2000,
                    1400,
                    List.of(
                            new Point(-60, -40),
                            new Point(2060, -20),
                            new Point(2040, 1450),
                            new Point(-30, 1430)));

    /** The part from close by. */
    private static byte[] near() {
        return NEAR.photograph(drawn(CLOSE, 1.6), 1.6, 2);
    }

    /**
     * Known points on it.
     *
     * @param offMm how far to the right they are said to lie of where they do
     */
    private static String known(double offMm) {
        var onPart = NEAR.geometry(CLOSE.getWidth(), CLOSE.getHeight());
        List<String> points = new ArrayList<>();
        for (double[] place : new double[][] {{200, 150}, {1450, 180}, {1400, 950}, {180, 980}}) {
            Point seen = onPart.toPhoto(new Point(place[0], place[1]));
            points.add(
                    "{\"xPx\":%s,\"yPx\":%s,\"xMm\":%s,\"yMm\":%s}"
                            .formatted(
                                    seen.x(),
                                    seen.y(),
                                    CLOSE.getX() + place[0] + offMm,
                                    CLOSE.getY() + place[1]));
        }
        return "[" + String.join(",", points) + "]";
    }

    private UUID close(double offMm) {
        return put(
                near(),
                "{\"corners\":null,\"knownPoints\":{\"points\":"
                        + known(offMm)
                        + "},"
                        + CARD.formatted(1400 - 56)
                        + ",\"version\":%d}",
                1);
    }

    /** The spotted region, and samples of paint and rust on a photograph. */
    private void study(UUID sampled, String measuredOn) {
        ok(
                put(
                        "/api/jobs/" + job + "/study/regions",
                        """
                        {"regions": [{"id": "%s", "name": "spotted", "zoneKey": null, "xMm": %s, "yMm": %s,
                          "widthMm": %s, "heightMm": %s, "factory": false, "side": "LEFT", "outline": [],
                          "role": "MEASURE", "photographId": %s}], "version": 1}
                        """
                                .formatted(
                                        UUID.randomUUID(),
                                        SPOTTED.getX(),
                                        SPOTTED.getY(),
                                        SPOTTED.getWidth(),
                                        SPOTTED.getHeight(),
                                        measuredOn)));
        String sample =
                """
                {"id": "%s", "photographId": "%s", "kind": "%s", "xMm": %d, "yMm": %d, "widthMm": %d, "heightMm": 80}
                """;
        ok(
                put(
                        "/api/jobs/" + job + "/study/samples",
                        "{\"samples\": ["
                                + sample.formatted(
                                        UUID.randomUUID(), sampled, "PAINT", 2500, 480, 200)
                                + ","
                                + sample.formatted(
                                        UUID.randomUUID(), sampled, "FRESH_RUST", 3740, 520, 90)
                                + "], \"version\": 2}"));
    }

    @Test
    public void itIsMeasuredAtItsOwnResolution() {
        UUID close = close(0);
        study(close, "null");
        JsonNode m = ok(get("/api/photographs/" + close + "/measures"));
        JsonNode part = m.path("part");
        assertTrue(part.path("timesFiner").asDouble() > 3, part.toString());
        assertEquals(part.path("xMm").asDouble(), 2424, 8, part.toString());
        JsonNode spots = m.path("regions").get(0).path("spots").get(0).path("spots");
        assertEquals(spots.path("count").asInt(), SPOTS, m.path("regions").toString());
        assertEquals(spots.path("medianMm").asDouble(), SPOT_MM, 0.5, spots.toString());

        // the picture of the part, and of the rust on it
        for (String picture : List.of("even?part=true", "class?kind=FRESH_RUST&part=true")) {
            var answer = get("/api/photographs/" + close + "/" + picture).getResponse();
            assertEquals(answer.getStatus(), 200, picture);
        }

        // a photograph of the whole side shows no part of it finer
        UUID whole = whole();
        assertTrue(ok(get("/api/photographs/" + whole + "/measures")).path("part").isNull());
        refused(get("/api/photographs/" + whole + "/even?part=true"), 404);
    }

    /** Laid over the whole side, what is off by a hand's breadth lies right. */
    @Test
    public void besideThePhotographOfTheWholeSideARegionCountsOnIt() {
        UUID whole = whole();
        UUID close = close(25);
        study(whole, '"' + close.toString() + '"');
        var leading = photographs.get(whole);
        var m = joined.measure(leading, even.of(leading).orElseThrow(), Watch.NOBODY);
        var region = m.result().regions().getFirst();
        var spots = region.toldSpots().get(WeatherClass.FRESH_RUST);
        assertEquals(spots.count(), SPOTS, region.toString());
        assertEquals(spots.medianMm(), SPOT_MM, 0.6);
        double middle = region.places().get(WeatherClass.FRESH_RUST).alongMm();
        assertEquals(middle, 20 + 70 * 3.5 + 14 + SPOT_MM / 2, 9);
    }

    @Test
    public void aQuestionWithoutAJobIsMeasuredSoToo() {
        String sample =
                "{\"kind\": \"%s\", \"xMm\": %d, \"yMm\": %d, \"widthMm\": %d, \"heightMm\": 80}";
        JsonNode spots =
                ok(post(
                                "/api/calc/photo/measure",
                                """
                                {"side": {"pictureBase64": "%s", "corners": null, "card": {"x": 14, "y": 1344,
                                  "width": 42, "height": 42, "lightness": 60}, "knownPoints": %s, "knownLines": null},
                                 "lengthMm": 6400, "heightMm": 2600, "reference": null, "samples": [%s, %s],
                                 "regions": [{"name": "spotted", "xMm": %s, "yMm": %s, "widthMm": %s, "heightMm": %s,
                                  "outline": []}], "edges": [], "roof": false, "viewingMm": 450, "ratio": 87.1}
                                """
                                        .formatted(
                                                Base64.getEncoder().encodeToString(near()),
                                                known(0),
                                                sample.formatted("PAINT", 2500, 480, 200),
                                                sample.formatted("FRESH_RUST", 3740, 520, 90),
                                                SPOTTED.getX(),
                                                SPOTTED.getY(),
                                                SPOTTED.getWidth(),
                                                SPOTTED.getHeight())))
                        .path("regions")
                        .get(0)
                        .path("spots")
                        .path("FRESH_RUST");
        assertEquals(spots.path("count").asInt(), SPOTS, spots.toString());
        assertEquals(spots.path("medianMm").asDouble(), SPOT_MM, 0.5, spots.toString());
    }
}
