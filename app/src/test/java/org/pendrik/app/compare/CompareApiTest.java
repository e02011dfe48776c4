package org.pendrik.app.compare;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Polygon;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.pendrik.app.AppTest;
import org.pendrik.app.Shots;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.app.standins.DemoShots.Shot;
import org.pendrik.app.standins.Weathering;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The model's side against the prototype's, through the API and with known truth. */
public class CompareApiTest extends AppTest {
    private static final String PLATE =
            "{\"id\":\"%s\",\"name\":\"plate\",\"zoneKey\":\"left-side\",\"xMm\":3345,\"yMm\":660,"
                    + "\"widthMm\":220,\"heightMm\":290,\"factory\":true,\"side\":\"LEFT\",\"role\":\"MEASURE\",\"outline\":[]}";
    private static final String PANEL =
            "{\"id\":\"%s\",\"name\":\"panel\",\"zoneKey\":\"left-side\",\"xMm\":1640,\"yMm\":620,"
                    + "\"widthMm\":420,\"heightMm\":420,\"factory\":false,\"side\":\"LEFT\",\"role\":\"MEASURE\",\"outline\":[]}";

    private UUID put(UUID job, String role, Shot shot, String grey) {
        UUID id = UUID.randomUUID();
        ok(photograph(job, id, role, shot.jpeg()));
        mark(id, shot, grey, 1);
        return id;
    }

    private void mark(UUID photo, Shot shot, String grey, int version) {
        String corners =
                shot.camera().corners().stream()
                        .map(p -> "{\"x\":" + p.x() + ",\"y\":" + p.y() + "}")
                        .collect(Collectors.joining(","));
        ok(
                put(
                        "/api/photographs/" + photo + "/marks",
                        "{\"corners\":{\"points\":["
                                + corners
                                + "]},\"knownPoints\":{\"points\":[]},\"greyPatch\":"
                                + grey
                                + ",\"version\":"
                                + version
                                + "}"));
    }

    private static String card(int x, int y) {
        return "{\"x\":" + x + ",\"y\":" + y + ",\"width\":120,\"height\":80,\"lightness\":60}";
    }

    private static final String ON_PROTOTYPE = card(1132, 1142);
    private static final String ON_MODEL = card(1142, 1160);

    private void regions(UUID job, String... parts) {
        String list =
                List.of(parts).stream()
                        .map(p -> p.formatted(UUID.randomUUID()))
                        .collect(Collectors.joining(","));
        int version = ok(get("/api/jobs/" + job + "/study")).path("version").asInt();
        ok(
                put(
                        "/api/jobs/" + job + "/study/regions",
                        "{\"regions\":[" + list + "],\"version\":" + version + "}"));
    }

    private JsonNode compare(UUID job) {
        return ok(get("/api/jobs/" + job + "/compare"));
    }

    @Test
    public void whatIsMissingIsSaidStepByStep() {
        UUID job = car("Bare");
        assertEquals(compare(job).path("missing").size(), 3);
        refused(get("/api/jobs/" + job + "/compare/map"), 404);
        UUID photo = UUID.randomUUID();
        ok(photograph(job, photo, "PROTOTYPE", Shots.prototype().jpeg()));
        assertTrue(
                compare(job)
                        .path("missing")
                        .toString()
                        .contains("four corners on the photograph of the prototype"));
        mark(photo, Shots.prototype(), "null", 1);
        regions(job, PANEL);
        JsonNode now = compare(job);
        assertEquals(now.path("missing").size(), 1);
        assertTrue(now.path("missing").get(0).asString().contains("photograph of the model"));
        assertTrue(now.path("medianDeltaE00").isNull());
        put(job, "MODEL", Shots.prototype(), "null");
        assertEquals(compare(job).path("missing").size(), 0);
        UUID bare = UUID.randomUUID();
        ok(photograph(job, bare, "MODEL", Shots.prototype().jpeg()));
        JsonNode ofBare = ok(get("/api/jobs/" + job + "/compare?side=LEFT&model=" + bare));
        assertTrue(
                ofBare.path("missing")
                        .toString()
                        .contains("four corners on the photograph of the model"));
        assertTrue(ofBare.path("modelId").isNull());
        assertEquals(compare(job).path("missing").size(), 0);
    }

    /** What a comparison found is kept; each thing that it hangs on makes it anew. */
    @Test
    public void whatIsKeptIsMeasuredAnewAfterAnyChange() {
        UUID job = car("Kept");
        UUID prototype = put(job, "PROTOTYPE", Shots.prototype(), ON_PROTOTYPE);
        regions(job, PLATE, PANEL);
        put(job, "MODEL", Shots.model(new Weathering(0, 0, 0, 0, 0, 0)), ON_MODEL);
        JsonNode first = compare(job);
        assertEquals(compare(job), first);
        assertEquals(
                ok(get("/api/jobs/" + job + "/compare/history")),
                ok(get("/api/jobs/" + job + "/compare/history")));

        regions(job, PLATE, PANEL.replace("\"yMm\":620", "\"yMm\":820"));
        JsonNode moved = compare(job);
        assertNotEquals(panel(moved), panel(first));

        mark(prototype, Shots.prototype(), "null", 2);
        JsonNode dim = compare(job);
        assertEquals(dim.path("prototypeLight").asString(), "NOTHING");
        assertNotEquals(panel(dim), panel(moved));

        String size = "{\"side\":\"LEFT\",\"lengthMm\":%d,\"heightMm\":2600,\"curve\":null}";
        ok(put("/api/jobs/" + job + "/sides/LEFT", size.formatted(5800)));
        JsonNode shorter = compare(job);
        assertNotEquals(panel(shorter), panel(dim));
        ok(put("/api/jobs/" + job + "/sides/LEFT", size.formatted(6400)));
        JsonNode again = compare(job);
        assertEquals(panel(again), panel(dim));

        clock.set(clock.instant().plusSeconds(3600));
        UUID other = put(job, "PROTOTYPE", Shots.prototype(), ON_PROTOTYPE);
        assertEquals(compare(job), again, "another photograph changes nothing by itself");
        ok(put("/api/photographs/" + other + "/lead", "{\"version\":2}"));
        assertEquals(compare(job).path("prototypeId").asString(), other.toString());
        assertEquals(compare(job).path("prototypeLight").asString(), "CARD");
    }

    /** The factory colour may stand on another side than the one that is compared. */
    @Test
    public void theWayIsCountedAnewWhenTheFactoryColourOfAnotherSideChanges() {
        UUID job = car("Kept factory colour");
        put(job, "PROTOTYPE", Shots.prototype(), ON_PROTOTYPE);
        UUID right = put(job, "PROTOTYPE", Shots.prototype(), ON_PROTOTYPE);
        ok(
                put(
                        "/api/photographs/" + right + "/about",
                        "{\"role\":\"PROTOTYPE\",\"side\":\"RIGHT\",\"sister\":false,\"caption\":\"\","
                                + "\"takenAt\":null,\"version\":2}"));
        put(job, "MODEL", Shots.model(new Weathering(0.3, 0, 0, 0, 0, 0)), ON_MODEL);
        regions(job, PLATE.replace("\"LEFT\"", "\"RIGHT\""), PANEL);
        double before = compare(job).path("regions").get(0).path("progress").asDouble();
        assertEquals(compare(job).path("regions").get(0).path("progress").asDouble(), before);
        mark(right, Shots.prototype(), "null", 3);
        assertNotEquals(compare(job).path("regions").get(0).path("progress").asDouble(), before);
    }

    private static String panel(JsonNode comparison) {
        JsonNode r = comparison.path("regions").get(0);
        return r.path("prototypeHex") + " " + r.path("modelHex") + " " + r.path("deltaE00");
    }

    @Test
    public void aFreshModelIsLighterAndOneLikeThePrototypeIsSoInColour() throws IOException {
        UUID job = car("Compared");
        put(job, "PROTOTYPE", Shots.prototype(), ON_PROTOTYPE);
        regions(job, PLATE, PANEL);
        put(job, "MODEL", Shots.model(new Weathering(0, 0, 0, 0, 0, 0)), ON_MODEL);
        JsonNode clean = compare(job);
        assertEquals(clean.path("missing").size(), 0);
        assertTrue(clean.path("factoryKnown").asBoolean());
        JsonNode panel = clean.path("regions").get(0);
        assertEquals(panel.path("name").asString(), "panel");
        assertEquals(panel.path("verdict").asString(), "LIGHTER", panel.toString());
        assertTrue(panel.path("progress").asDouble() < 0.4, panel.toString());
        assertEquals(
                panel.path("advice").get(0).path("text").asString(), "One more pass, heavily.");

        clock.set(clock.instant().plusSeconds(3600));
        put(job, "MODEL", Shots.model(Weathering.PROTOTYPE), ON_MODEL);
        JsonNode alike = compare(job);
        JsonNode same = alike.path("regions").get(0);
        assertEquals(same.path("colourVerdict").asString(), "AS_PROTOTYPE", same.toString());
        assertEquals(same.path("verdict").asString(), "CANNOT_TELL", same.toString());
        assertEquals(same.path("by").asString(), "rust, dust and chips");
        assertTrue(
                same.path("advice").get(0).path("text").asString().contains("Pick a sample"),
                same.toString());
        assertTrue(
                alike.path("medianDeltaE00").asDouble() < clean.path("medianDeltaE00").asDouble());
        assertTrue(alike.path("medianDeltaE00").asDouble() < 3, alike.toString());

        var map = get("/api/jobs/" + job + "/compare/map").getResponse().getContentAsByteArray();
        var picture = ImageIO.read(new ByteArrayInputStream(map));
        assertEquals(picture.getWidth(), 1600);
        assertEquals(picture.getHeight(), 650);
        int p = picture.getRGB(800, 300);
        assertEquals(p & 255, p >> 8 & 255, "the map is neutral");
    }

    /**
     * A coat of another paint that is as light as the prototype's: as far along, and not the same.
     */
    @Test
    public void aModelInAnotherColourIsNotAsThePrototype() throws IOException {
        UUID job = car("In another colour");
        put(job, "PROTOTYPE", Shots.prototype(), ON_PROTOTYPE);
        regions(job, PLATE, PANEL);
        Shot like = Shots.model(Weathering.PROTOTYPE);
        BufferedImage picture = ImageIO.read(new ByteArrayInputStream(like.jpeg()));
        Polygon side = new Polygon();
        like.camera().corners().forEach(p -> side.addPoint((int) p.x(), (int) p.y()));
        Graphics2D g = picture.createGraphics();
        g.setColor(new Color(70, 112, 150, 60));
        g.fill(side);
        g.dispose();
        put(job, "MODEL", new Shot(Pictures.jpeg(picture, 0.9f), like.camera()), ON_MODEL);
        JsonNode panel = compare(job).path("regions").get(0);
        assertEquals(panel.path("verdict").asString(), "OTHER_COLOUR", panel.toString());
        assertEquals(panel.path("advice").get(0).path("what").asString(), "OTHER_COLOUR");
        String advice = panel.path("advice").get(0).path("text").asString();
        assertTrue(advice.startsWith("As far along, but in another colour"), advice);
    }

    /** An old print of the prototype: nothing that hangs on hue is said. */
    @Test
    public void aPrototypeWithoutColourIsComparedByLightnessAlone() throws IOException {
        UUID job = car("After an old print");
        Shot shot = Shots.prototype();
        BufferedImage colours = ImageIO.read(new ByteArrayInputStream(shot.jpeg()));
        BufferedImage grey =
                new BufferedImage(
                        colours.getWidth(), colours.getHeight(), BufferedImage.TYPE_BYTE_GRAY);
        for (int y = 0; y < grey.getHeight(); y++) {
            for (int x = 0; x < grey.getWidth(); x++) {
                int p = colours.getRGB(x, y);
                int level = (2 * (p >> 16 & 255) + 5 * (p >> 8 & 255) + (p & 255)) / 8;
                grey.getRaster().setSample(x, y, 0, level);
            }
        }
        UUID print =
                put(
                        job,
                        "PROTOTYPE",
                        new Shot(Pictures.jpeg(grey, 0.9f), shot.camera()),
                        ON_PROTOTYPE);
        regions(job, PLATE, PANEL);
        put(job, "MODEL", Shots.model(Weathering.PROTOTYPE), ON_MODEL);
        JsonNode measures = ok(get("/api/photographs/" + print + "/measures"));
        assertTrue(measures.path("colourless").asBoolean(), measures.toString());
        for (JsonNode m : measures.path("regions")) {
            assertFalse(m.path("sample").path("hue").asBoolean(), m.toString());
            assertTrue(m.path("fade").isNull(), m.toString());
            assertTrue(m.path("dust").isNull() && m.path("along").isNull(), m.toString());
            assertTrue(m.path("cannot").toString().contains("By lightness alone"), m.toString());
        }
        JsonNode comparison = compare(job);
        assertFalse(comparison.path("factoryKnown").asBoolean(), "of a grey patch");
        JsonNode panel = comparison.path("regions").get(0);
        assertTrue(panel.path("byLightness").asBoolean(), panel.toString());
        assertEquals(panel.path("verdict").asString(), "CANNOT_TELL", panel.toString());
        assertEquals(panel.path("deltaC").asDouble(), 0.0);
        assertTrue(Math.abs(panel.path("deltaL").asDouble()) < 3, panel.toString());
        String advice = panel.path("advice").get(0).path("text").asString();
        assertTrue(advice.contains("without colour"), advice);
        // light against light: colours that the print does not have are no difference
        assertTrue(comparison.path("medianDeltaE00").asDouble() < 3, comparison.toString());
    }

    @Test
    public void theStepThatIsStillToComeIsNamedInsteadOfAnother() {
        UUID job = car("Advised");
        put(job, "PROTOTYPE", Shots.prototype(), ON_PROTOTYPE);
        regions(job, PLATE, PANEL);
        put(job, "MODEL", Shots.model(new Weathering(0, 0, 0, 0, 0, 0)), ON_MODEL);
        plan(job, "FADE", "POWDER");
        String advice =
                compare(job).path("regions").get(0).path("advice").get(0).path("text").asString();
        assertTrue(advice.startsWith("Still to come here: mist fade"), advice);
    }

    /** What a coat makes of the colour comes from its film. */
    @Test
    public void anAdviceSaysWhatItsCoatWouldLeave() {
        UUID job = car("Foretold");
        put(job, "PROTOTYPE", Shots.prototype(), ON_PROTOTYPE);
        regions(job, PLATE, PANEL);
        put(job, "MODEL", Shots.model(new Weathering(0, 0, 0, 0, 0, 0)), ON_MODEL);
        plan(job, "FADE");
        JsonNode panel = compare(job).path("regions").get(0);
        JsonNode advice = panel.path("advice").get(0);
        double then = advice.path("thenDeltaE00").asDouble();
        assertTrue(then > 0 && then < panel.path("deltaE00").asDouble(), panel.toString());
        assertTrue(advice.path("thenHex").asString().startsWith("#"), advice.toString());
        assertTrue(
                advice.path("text").asString().contains(String.format("to about %.1f.", then)),
                advice.toString());
    }

    @Test
    public void withoutFactoryColourOrCardLessIsClaimed() {
        UUID job = car("Doubtful");
        UUID prototype = put(job, "PROTOTYPE", Shots.prototype(), "null");
        regions(job, PANEL);
        UUID model = put(job, "MODEL", Shots.model(new Weathering(0, 0, 0, 0, 0, 0)), "null");
        JsonNode doubtful = compare(job);
        JsonNode panel = doubtful.path("regions").get(0);
        assertEquals(panel.path("colourVerdict").asString(), "CANNOT_TELL");
        assertEquals(panel.path("verdict").asString(), "CANNOT_TELL", "the lamps may be all of it");
        assertTrue(panel.path("plusMinus").asDouble() > panel.path("deltaE00").asDouble());
        assertTrue(panel.path("progress").isNull());
        assertEquals(doubtful.path("modelLight").asString(), "NOTHING");
        // the map was measured under the lamp; with the card marked it has to be measured anew
        double lamp = doubtful.path("medianDeltaE00").asDouble();
        mark(model, Shots.model(Weathering.PROTOTYPE), ON_MODEL, 2);
        mark(prototype, Shots.prototype(), ON_PROTOTYPE, 2);
        JsonNode carded = compare(job);
        JsonNode seen = carded.path("regions").get(0);
        assertEquals(seen.path("colourVerdict").asString(), "CANNOT_TELL");
        assertEquals(seen.path("verdict").asString(), "DIFFERS", "whichever way");
        assertTrue(
                seen.path("advice").get(0).path("text").asString().contains("factory colour"),
                seen.toString());
        assertEquals(carded.path("modelLight").asString(), "CARD");
        assertTrue(Math.abs(carded.path("medianDeltaE00").asDouble() - lamp) > 0.1);
    }
}
