package org.pendrik.app.study;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.pendrik.app.Shots;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.standins.Weathering;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.units.Length;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Photographs that show a part of a side: located by what is known on them, and joined. */
public class PiecesOfASideTest extends PhotoRoomSteps {
    @Autowired private FactoryColours factories;
    @Autowired private Jobs jobs;

    /**
     * Of a photograph of the prototype the part from one column to another, in photograph pixels.
     */
    private UUID part(UUID job, int from, int to) throws IOException {
        clock.set(clock.instant().plusSeconds(60));
        var picture = ImageIO.read(new ByteArrayInputStream(Shots.prototype().jpeg()));
        var file = new ByteArrayOutputStream();
        ImageIO.write(picture.getSubimage(from, 0, to - from, picture.getHeight()), "png", file);
        UUID id = UUID.randomUUID();
        ok(photograph(job, id, "PROTOTYPE", file.toByteArray()));
        return id;
    }

    /** Known points of a part that begins at a column, as marks without corners. */
    private static String known(int from, int version, double[]... places) {
        var whole =
                (SideRectifier.Outcome.Found)
                        SideRectifier.locate(
                                Shots.prototype().camera().corners(),
                                List.of(),
                                Length.ofMm(6400),
                                Length.ofMm(2600));
        List<String> points = new ArrayList<>();
        for (double[] mm : places) {
            Point p = whole.geometry().toPhoto(new Point(mm[0], mm[1]));
            points.add(
                    "{\"xPx\":%s,\"yPx\":%s,\"xMm\":%s,\"yMm\":%s}"
                            .formatted(p.x() - from, p.y(), mm[0], mm[1]));
        }
        return "{\"corners\":null,\"knownPoints\":{\"points\":[%s]},\"greyPatch\":null,\"version\":%d}"
                .formatted(String.join(",", points), version);
    }

    /** A photograph of a part of the side is located without corners and measures what it shows. */
    @Test
    public void aPartOfASideIsLocatedByWhatIsKnownOnIt() throws IOException {
        UUID job = car("In part");
        UUID whole = shot(job, "PROTOTYPE", Shots.prototype());
        regions(job);
        ok(
                put(
                        "/api/jobs/" + job + "/study/samples",
                        "{\"samples\":[" + samples(whole) + "],\"version\":2}"));
        JsonNode all = ok(get("/api/photographs/" + whole + "/measures"));

        // the left corners are cut off
        int cut = (int) Shots.prototype().camera().corners().getFirst().x() + 80;
        UUID bare = part(job, cut, 2400);
        String marks = "/api/photographs/" + bare + "/marks";
        double[][] places = {{6400, 0}, {6400, 2600}, {3000, 200}, {3100, 2400}};
        JsonNode three = ok(put(marks, known(cut, 1, places[0], places[1], places[2])));
        assertFalse(three.path("located").asBoolean());
        assertTrue(
                ok(get("/api/photographs/" + bare + "/needed"))
                        .path("needed")
                        .asString()
                        .startsWith("Still to be marked: two lines that are level"));
        assertTrue(ok(put(marks, known(cut, 2, places))).path("located").asBoolean());
        String from = "{\"evened\":true,\"from\":\"" + whole + "\",\"version\":3}";
        ok(put("/api/photographs/" + bare + "/light", from));

        // what it shows is measured as on the whole
        JsonNode seen = ok(get("/api/photographs/" + bare + "/measures"));
        JsonNode plate = named(seen.path("regions"), "name", "plate");
        JsonNode before = named(all.path("regions"), "name", "plate");
        assertTrue(
                lab(plate.path("sample")).distance(lab(before.path("sample"))) < 1.5,
                plate + " for " + before);
        assertTrue(seen.path("scalePercent").asDouble() > all.path("scalePercent").asDouble());

        String record = ok(get("/api/jobs/" + job + "/record")).toString();
        String copy = ok(post("/api/records", record)).path("jobId").asString();
        JsonNode copied = ok(get("/api/jobs/" + copy + "/photographs")).get(1);
        assertTrue(copied.path("located").asBoolean());
        String row = known(cut, 4, places[0], places[0], places[0], places[1]);
        assertTrue(refused(put(marks, row), 422).contains("Known points and lines"));
    }

    /** A side that is photographed in two pieces: each region counts on the piece that shows it. */
    @Test
    public void aSideInTwoPiecesIsMeasuredPieceByPiece() throws IOException {
        UUID job = car("In two pieces");
        UUID left = part(job, 0, 1400);
        ok(
                put(
                        "/api/photographs/" + left + "/marks",
                        known(
                                0,
                                1,
                                new double[][] {{0, 0}, {0, 2600}, {2800, 200}, {2900, 2500}})));
        UUID right = part(job, 1100, 2400);
        ok(
                put(
                        "/api/photographs/" + right + "/marks",
                        known(
                                1100,
                                1,
                                new double[][] {
                                    {6400, 0}, {6400, 2600}, {3300, 200}, {3300, 2500}
                                })));
        String measured =
                """
                {"id": "%s", "name": "%s", "zoneKey": null, "xMm": %d, "yMm": 700, "widthMm": 500,
                 "heightMm": 400, "factory": %s%s"MEASURE"}
                """;
        UUID one = UUID.randomUUID();
        UUID two = UUID.randomUUID();
        ok(
                put(
                        "/api/jobs/" + job + "/study/regions",
                        "{\"regions\": ["
                                + measured.formatted(one, "left", 900, false, REST)
                                + ","
                                + measured.formatted(two, "right", 5000, true, REST)
                                + "], \"version\": 1}"));
        JsonNode joined = ok(get("/api/jobs/" + job + "/sides/LEFT/joined"));
        assertEquals(joined.path("leading").asString(), left.toString());
        assertEquals(region(joined, one.toString()).path("measuredOn").asString(), left.toString());
        assertEquals(
                region(joined, two.toString()).path("measuredOn").asString(), right.toString());
        assertTrue(factories.of(jobs.get(job)).isPresent(), "the factory colour is on the right");

        // what the leading one does not show is seen on the other
        BufferedImage together = flat(left);
        BufferedImage alone = flat(right);
        int y = together.getHeight() * 900 / 2600;
        int onRight = together.getWidth() * 5250 / 6400;
        int onLeft = together.getWidth() * 1150 / 6400;
        Lab paint = Srgb.toLab(alone.getRGB(onRight, y));
        assertTrue(Srgb.toLab(together.getRGB(onRight, y)).distance(paint) < 4);
        assertTrue(Srgb.toLab(together.getRGB(onLeft, y)).distance(paint) < 15);
        assertTrue(Srgb.toLab(alone.getRGB(onLeft, y)).distance(new Lab(58, 0, 0)) < 3);

        // against a model that shows all of the side, both are judged
        JsonNode study = ok(get("/api/jobs/" + job + "/study"));
        ObjectNode draft = json.createObjectNode().put("version", study.path("version").asInt());
        draft.set("regions", study.path("regions"));
        ((ObjectNode) named(draft.path("regions"), "id", two.toString())).put("factory", false);
        ok(put("/api/jobs/" + job + "/study/regions", draft.toString()));
        shot(job, "MODEL", Shots.model(new Weathering(1, 0.9, 0.8, 0, 0, 0)));
        assertEquals(ok(get("/api/jobs/" + job + "/compare")).path("regions").size(), 2);
    }

    private BufferedImage flat(UUID photograph) throws IOException {
        return ImageIO.read(
                new ByteArrayInputStream(
                        get("/api/photographs/" + photograph + "/even")
                                .getResponse()
                                .getContentAsByteArray()));
    }
}
