package org.pendrik.app.study;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.pendrik.app.Shots;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.app.standins.DemoShots;
import org.pendrik.app.standins.Weathering;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Photographs in, measures, effects, comparison, advice: the way of the photo room. */
public class PhotoRoomTest extends PhotoRoomSteps {
    @Autowired private FactoryColours factories;
    @Autowired private Jobs jobs;

    @Test
    public void fromMeasuresToEffectsToAdvice() {
        UUID job = car("Photo room");
        UUID proto = shot(job, "PROTOTYPE", Shots.prototype());
        regions(job);
        ok(
                put(
                        "/api/jobs/" + job + "/study/samples",
                        "{\"samples\":[" + samples(proto) + "],\"version\":2}"));
        JsonNode m = ok(get("/api/photographs/" + proto + "/measures"));
        JsonNode body = named(m.path("regions"), "name", "upper body");
        double rust = named(body.path("cover"), "kind", "FRESH_RUST").path("percent").asDouble();
        assertTrue(rust > 0.8 && rust < 6, "rust covers " + rust);
        assertTrue(body.path("streaks").size() > 0, body.toString());
        // dirt that is no part of the paint is called so, and not glare
        JsonNode leftOut = body.path("leftOut").get(0);
        assertEquals(leftOut.path("what").asString(), "that is not paint", body.toString());
        assertTrue(leftOut.path("percent").asDouble() > rust, leftOut.toString());
        assertEquals(m.path("samplesFrom").asString(), proto.toString());
        assertTrue(m.path("scalePercent").asDouble() < 0.5);

        JsonNode proposed = ok(get("/api/photographs/" + proto + "/proposals")).path("effects");
        JsonNode streaks = named(proposed, "kind", "RUST_STREAKS");
        assertEquals(streaks.path("zones").get(0).asString(), "left-side");
        assertTrue(streaks.path("why").asString().contains("fresh rust covers"));
        assertTrue(streaks.path("marks").asString().contains("mm on the model"));
        assertTrue(streaks.path("material").asString().contains("rust"), streaks.toString());
        JsonNode fade = named(proposed, "kind", "FADE");
        assertEquals(fade.path("strength").asInt(), 2);

        shot(job, "MODEL", Shots.model(new Weathering(1, 0.9, 0.8, 0, 0, 0)));
        JsonNode c = ok(get("/api/jobs/" + job + "/compare"));
        assertTrue(c.path("registered").asBoolean());
        assertTrue(c.path("movedMm").asDouble() < 25, c.path("movedMm").toString());
        JsonNode judged = named(c.path("regions"), "name", "upper body");
        JsonNode advice = named(judged.path("advice"), "effect", "RUST_STREAKS");
        assertEquals(advice.path("what").asString(), "AGAIN");
        assertEquals(advice.path("strength").asInt(), 3);
        JsonNode gap = judged.path("differences").get(0);
        assertEquals(gap.path("of").asString(), "fresh rust");
        assertTrue(gap.path("inTolerances").asDouble() < -1);
    }

    /** A photograph as a question without a job sends it. */
    private static String asked(DemoShots.Shot shot) {
        List<Double> c = shot.camera().card();
        return """
        {"pictureBase64": "%s", "corners": %s, "card": {"x": %s, "y": %s, "width": %s, "height": %s, "lightness": 60},
         "knownPoints": null, "knownLines": null}
        """
                .formatted(
                        Base64.getEncoder().encodeToString(shot.jpeg()),
                        corners(shot)
                                .substring("{\"points\":".length(), corners(shot).length() - 1),
                        c.get(0) + 12,
                        c.get(1) + 12,
                        c.get(2) - 24,
                        c.get(3) - 24);
    }

    /**
     * Light evened out, classes turned to the model: measure and compare know all that a job does.
     */
    @Test
    public void aQuestionWithoutAJobIsAnsweredAsInOne() {
        UUID job = car("As in one");
        DemoShots.Shot model = Shots.model(new Weathering(1, 0.9, 0.8, 0.6, 1, 1));
        UUID proto = shot(job, "PROTOTYPE", Shots.prototype());
        String body =
                "\"name\": \"body\", \"xMm\": 450, \"yMm\": 620, \"widthMm\": 1900, \"heightMm\": 520";
        ok(
                put(
                        "/api/jobs/" + job + "/study/regions",
                        "{\"regions\": [{\"id\": \""
                                + UUID.randomUUID()
                                + "\", \"zoneKey\": null, "
                                + body
                                + ", \"factory\": false"
                                + REST
                                + "\"MEASURE\"}], \"version\": 1}"));
        ok(
                put(
                        "/api/jobs/" + job + "/study/samples",
                        "{\"samples\":[" + samples(proto) + "],\"version\":2}"));
        shot(job, "MODEL", model);

        String rest =
                """
                , "lengthMm": 6400, "heightMm": 2600, "reference": null, "factory": null, "samples": [%s],
                "regions": [{%s, "outline": []}], "edges": [], "viewingMm": %s, "ratio": 87.1}
                """
                        .formatted(
                                samples(proto).replaceAll("\"id\".*?\"kind\"", "\"kind\""),
                                body,
                                ok(get("/api/workshop")).path("viewingMm"));
        JsonNode measured =
                ok(
                        post(
                                "/api/calc/photo/measure",
                                "{\"side\": "
                                        + asked(Shots.prototype())
                                        + ", \"roof\": false"
                                        + rest.replace("\"factory\": null, ", "")));
        JsonNode inJob = ok(get("/api/photographs/" + proto + "/measures"));
        assertEquals(
                measured.path("light").path("fallPercent"),
                inJob.path("light").path("fallPercent"));
        assertEquals(
                measured.path("regions").get(0).path("colour").path("median"),
                inJob.path("regions").get(0).path("sample").path("median"));

        JsonNode compared =
                ok(
                        post(
                                "/api/calc/photo/compare",
                                "{\"prototype\": "
                                        + asked(Shots.prototype())
                                        + ", \"model\": "
                                        + asked(model)
                                        + rest.replace("\"reference\": null, ", "")));
        JsonNode judged = ok(get("/api/jobs/" + job + "/compare")).path("regions").get(0);
        JsonNode there = compared.path("regions").get(0);
        assertEquals(there.path("verdict"), judged.path("verdict"));
        assertEquals(there.path("by"), judged.path("by"));
        assertEquals(there.path("deltaE00"), judged.path("deltaE00"));
        assertEquals(there.path("gaps").size(), judged.path("differences").size());
        for (int i = 0; i < there.path("gaps").size(); i++) {
            assertEquals(
                    there.path("gaps").get(i).path("model"),
                    judged.path("differences").get(i).path("model"));
        }
    }

    /** Before it had rusted as far. */
    private static DemoShots.Shot earlier() {
        return Shots.model(new Weathering(1, 0.9, 0.8, 0.2, 1, 1));
    }

    /** A second photograph of a side changes nothing by itself, and can be chosen to count. */
    @Test
    public void photographsOfOneSideAreJoined() {
        UUID job = car("Joined");
        UUID first = shot(job, "PROTOTYPE", Shots.prototype());
        regions(job);
        ok(
                put(
                        "/api/jobs/" + job + "/study/samples",
                        "{\"samples\": [" + samples(first) + "], \"version\": 2}"));
        shot(job, "MODEL", Shots.model(new Weathering(1, 0.9, 0.8, 0, 0, 0)));
        JsonNode before = ok(get("/api/jobs/" + job + "/compare"));
        String body =
                named(before.path("regions"), "name", "upper body").path("regionId").asString();
        assertTrue(
                ok(get("/api/jobs/" + job + "/sides/LEFT/joined")).path("regions").isEmpty(),
                "one alone is not joined to anything");

        // the same picture again, then one of another day
        clock.set(clock.instant().plusSeconds(60));
        UUID again = shot(job, "PROTOTYPE", Shots.prototype());
        UUID second = shot(job, "PROTOTYPE", earlier());
        JsonNode after = ok(get("/api/jobs/" + job + "/compare"));
        assertEquals(after.path("prototypeId").asString(), first.toString());
        assertEquals(after.path("regions"), before.path("regions"));
        for (UUID p : List.of(again, second)) {
            assertEquals(
                    ok(get("/api/photographs/" + p + "/measures")).path("samplesFrom").asString(),
                    first.toString(),
                    "samples are shared");
        }

        JsonNode joined = ok(get("/api/jobs/" + job + "/sides/LEFT/joined"));
        assertEquals(joined.path("leading").asString(), first.toString());
        JsonNode upper = region(joined, body);
        assertEquals(upper.path("measuredOn").asString(), first.toString());
        assertEquals(upper.path("on").size(), 3);
        JsonNode same = named(upper.path("on"), "photographId", again.toString());
        assertTrue(same.path("deltaE00").asDouble() < 1.5, same.toString());
        assertEquals(same.path("differs").size(), 0, same.toString());
        JsonNode other = named(upper.path("on"), "photographId", second.toString());
        assertTrue(other.path("differs").size() > 0, other.toString());
        JsonNode rust = named(upper.path("spread"), "measure", "fresh rust");
        assertTrue(rust.path("apart").asBoolean(), rust.toString());
        assertTrue(rust.path("most").asDouble() > rust.path("least").asDouble() + 1);

        // by region
        JsonNode study = ok(get("/api/jobs/" + job + "/study"));
        ObjectNode draft = json.createObjectNode().put("version", study.path("version").asInt());
        draft.set("regions", study.path("regions"));
        ((ObjectNode) named(draft.path("regions"), "id", body))
                .put("photographId", second.toString());
        ok(put("/api/jobs/" + job + "/study/regions", draft.toString()));
        JsonNode chosen = ok(get("/api/jobs/" + job + "/compare"));
        assertEquals(chosen.path("prototypeId").asString(), first.toString());
        assertNotEquals(
                named(chosen.path("regions"), "regionId", body).path("prototypeHex"),
                named(before.path("regions"), "regionId", body).path("prototypeHex"));
        assertEquals(
                region(ok(get("/api/jobs/" + job + "/sides/LEFT/joined")), body)
                        .path("measuredOn")
                        .asString(),
                second.toString());

        // by day: the whole side
        ok(put("/api/photographs/" + second + "/lead", "{\"version\": 2}"));
        assertEquals(
                ok(get("/api/jobs/" + job + "/compare")).path("prototypeId").asString(),
                second.toString());
        refused(put("/api/photographs/" + first + "/lead", "{\"version\": 1}"), 409);
        String record = ok(get("/api/jobs/" + job + "/record")).toString();
        String copy = ok(post("/api/records", record)).path("jobId").asString();
        JsonNode photographs = ok(get("/api/jobs/" + copy + "/photographs"));
        JsonNode lead = named(photographs, "leads", "true");
        assertEquals(
                named(ok(get("/api/jobs/" + copy + "/study")).path("regions"), "id", body)
                        .path("photographId"),
                lead.path("id"));

        // put away, it counts no more
        ok(delete("/api/photographs/" + second));
        JsonNode without = ok(get("/api/jobs/" + job + "/compare"));
        assertEquals(without.path("regions"), before.path("regions"));
    }

    /** What is kept of a photograph without samples hangs on those that it shares. */
    @Test
    public void theFactoryColourIsMeasuredAnewWhenSharedSamplesEvenItsLight() {
        UUID job = car("Shared light");
        shot(job, "PROTOTYPE", Shots.prototype());
        regions(job);
        clock.set(clock.instant().plusSeconds(60));
        UUID other = shot(job, "PROTOTYPE", Shots.prototype());
        Lab fell = factories.of(jobs.get(job)).orElseThrow();
        ok(
                put(
                        "/api/jobs/" + job + "/study/samples",
                        "{\"samples\": [" + samples(other) + "], \"version\": 2}"));
        assertTrue(fell.distance(factories.of(jobs.get(job)).orElseThrow()) > 0.3);
        ok(put("/api/jobs/" + job + "/study/samples", "{\"samples\": [], \"version\": 3}"));
        assertEquals(factories.of(jobs.get(job)).orElseThrow(), fell);
    }

    @Test
    public void onlyALocatedPhotographOfThePrototypeCanLead() {
        UUID job = car("Leading");
        UUID bare = UUID.randomUUID();
        ok(photograph(job, bare, "PROTOTYPE", Shots.prototype().jpeg()));
        assertTrue(
                refused(put("/api/photographs/" + bare + "/lead", "{\"version\": 1}"), 422)
                        .contains("Mark the corners"));
        UUID model = shot(job, "MODEL", Shots.model(new Weathering(0, 0, 0, 0, 0, 0)));
        assertTrue(
                refused(put("/api/photographs/" + model + "/lead", "{\"version\": 2}"), 422)
                        .contains("of the prototype itself"));
    }

    @Test
    public void theLightIsEvenedOutUnlessItIsLeft() {
        UUID job = car("Evened");
        UUID proto = shot(job, "PROTOTYPE", Shots.prototype());
        regions(job);
        JsonNode none = ok(get("/api/photographs/" + proto + "/measures")).path("light");
        assertFalse(none.path("evened").asBoolean());
        assertTrue(none.path("wanted").asBoolean());
        assertTrue(none.path("reason").asString().startsWith("No sample of paint"));
        ok(
                put(
                        "/api/jobs/" + job + "/study/samples",
                        "{\"samples\":[" + samples(proto) + "],\"version\":2}"));
        JsonNode told = ok(get("/api/photographs/" + proto + "/measures"));
        JsonNode light = told.path("light");
        assertTrue(light.path("evened").asBoolean(), light.toString());
        assertTrue(light.path("fallPercent").asDouble() < 40, light.toString());
        assertEquals(light.path("reason").asString(), "");
        assertEquals(get("/api/photographs/" + proto + "/even").getResponse().getStatus(), 200);

        JsonNode left =
                ok(put("/api/photographs/" + proto + "/light", "{\"evened\":false,\"version\":2}"));
        assertFalse(left.path("evened").asBoolean());
        JsonNode after = ok(get("/api/photographs/" + proto + "/measures"));
        assertFalse(after.path("light").path("evened").asBoolean());
        assertEquals(
                after.path("light").path("reason").asString(), "The light is left as it fell.");
        assertTrue(light.path("plusMinusPercent").asDouble() > 0, light.toString());
        assertTrue(after.path("light").path("plusMinusPercent").isNull());
        assertNotEquals(colour(told), colour(after));
        assertEquals(
                put("/api/photographs/" + proto + "/light", "{\"evened\":true,\"version\":2}")
                        .getResponse()
                        .getStatus(),
                409);
    }

    /** White lettering or the card of another photograph tell the light where no card hangs. */
    @Test
    public void withoutACardOtherThingsTellTheLightLessSurely() {
        UUID job = car("No card");
        UUID carded = shot(job, "PROTOTYPE", Shots.prototype());
        regions(job);
        clock.set(clock.instant().plusSeconds(60));
        UUID bare = UUID.randomUUID();
        ok(photograph(job, bare, "PROTOTYPE", Shots.prototype().jpeg()));
        String corners = "{\"corners\":" + corners(Shots.prototype()) + ",\"greyPatch\":";
        ok(put("/api/photographs/" + bare + "/marks", corners + "null,\"version\":1}"));
        JsonNode told = sample(carded);
        JsonNode nothing = sample(bare);
        assertTrue(nothing.path("plusMinus").asDouble() > 7, nothing.toString());
        assertEquals(
                ok(get("/api/photographs/" + bare + "/measures")).path("lightKnown").asString(),
                "NOTHING");

        // as by the card itself, only less sure of it
        String from = "{\"evened\":true,\"from\":\"" + carded + "\",\"version\":2}";
        ok(put("/api/photographs/" + bare + "/light", from));
        JsonNode lent = sample(bare);
        assertEquals(lent.path("median"), told.path("median"));
        double wide = lent.path("plusMinus").asDouble();
        assertTrue(wide > 0.5 + told.path("plusMinus").asDouble() && wide < 7, lent.toString());

        // a thing in the picture goes before a card in another one: here the card, called ballast
        List<Double> c = Shots.prototype().camera().card();
        String patch =
                "{\"x\":%s,\"y\":%s,\"width\":40,\"height\":40,\"lightness\":60,\"by\":\"BALLAST\"}"
                        .formatted(c.get(0) + 12, c.get(1) + 12);
        ok(put("/api/photographs/" + bare + "/marks", corners + patch + ",\"version\":3}"));
        JsonNode stone = sample(bare);
        Lab a = lab(stone);
        Lab b = lab(told);
        assertEquals(a.hueDegrees(), b.hueDegrees(), 3);
        assertTrue(stone.path("plusMinus").asDouble() > wide, stone.toString());

        // the record knows whose card it was; what shows none cannot lend any
        String record = ok(get("/api/jobs/" + job + "/record")).toString();
        String copy = ok(post("/api/records", record)).path("jobId").asString();
        JsonNode copied = ok(get("/api/jobs/" + copy + "/photographs"));
        assertEquals(copied.get(1).path("lightFrom"), copied.get(0).path("id"));
        String back = "{\"evened\":true,\"from\":\"" + bare + "\",\"version\":2}";
        assertTrue(
                refused(put("/api/photographs/" + carded + "/light", back), 422)
                        .contains("shows no grey card"));
    }

    private JsonNode sample(UUID photograph) {
        return named(
                        ok(get("/api/photographs/" + photograph + "/measures")).path("regions"),
                        "name",
                        "upper body")
                .path("sample");
    }

    private static JsonNode colour(JsonNode measures) {
        return named(measures.path("regions"), "name", "upper body").path("sample").path("median");
    }

    @Test
    public void aWornEdgeIsProposedAndComparedLikeARegion() throws IOException {
        UUID job = car("Edges");
        UUID proto = shot(job, "PROTOTYPE", Shots.prototype());
        UUID edge = UUID.randomUUID();
        ok(
                put(
                        "/api/jobs/" + job + "/study/regions",
                        """
                        {"regions": [{"id": "%s", "name": "rib", "zoneKey": "left-side", "xMm": 450, "yMm": 250,
                         "widthMm": 1900, "heightMm": 1, "factory": false, "side": "LEFT", "role": "EDGE",
                         "outline": [{"x": 450, "y": 250}, {"x": 2350, "y": 250}]}], "version": 1}
                        """
                                .formatted(edge)));
        ok(
                put(
                        "/api/jobs/" + job + "/study/samples",
                        "{\"samples\":[" + samples(proto) + "],\"version\":2}"));
        JsonNode seen =
                named(
                        ok(get("/api/photographs/" + proto + "/measures")).path("edges"),
                        "name",
                        "rib");
        assertTrue(seen.path("wornPercent").asDouble() > 5, seen.toString());
        JsonNode chips =
                named(
                        ok(get("/api/photographs/" + proto + "/proposals")).path("effects"),
                        "kind",
                        "CHIPS");
        assertEquals(chips.path("regionId").asString(), edge.toString());
        assertTrue(chips.path("why").asString().startsWith("worn on "), chips.toString());
        var evidence =
                ImageIO.read(
                        new ByteArrayInputStream(
                                get("/api/photographs/" + proto + "/regions/" + edge)
                                        .getResponse()
                                        .getContentAsByteArray()));
        assertTrue(evidence.getHeight() > 20, "an edge is shown with what lies beside it");

        shot(job, "MODEL", Shots.model(new Weathering(1, 0.9, 0.8, 0, 0, 0)));
        JsonNode judged = ok(get("/api/jobs/" + job + "/compare")).path("edges").get(0);
        assertEquals(judged.path("verdict").asString(), "LIGHTER", judged.toString());
        JsonNode advice = judged.path("advice").get(0);
        assertEquals(advice.path("effect").asString(), "CHIPS");
        assertEquals(advice.path("what").asString(), "AGAIN");
        JsonNode stage = ok(get("/api/jobs/" + job + "/compare/history")).get(0);
        assertEquals(
                named(stage.path("values"), "measure", "worn along the edge")
                        .path("region")
                        .asString(),
                "rib");
    }

    @Test
    public void twoJobsWithTheSamePhotographsKeepTheirOwnRegions() {
        List<UUID> jobs = new ArrayList<>();
        for (String name : List.of("One of two", "Two of two")) {
            UUID job = car(name);
            shot(job, "PROTOTYPE", Shots.prototype());
            shot(job, "MODEL", Shots.model(Weathering.NONE));
            jobs.add(job);
        }
        regions(jobs.getFirst());
        assertEquals(
                ok(get("/api/jobs/" + jobs.getFirst() + "/compare")).path("regions").size(), 1);
        JsonNode two = ok(get("/api/jobs/" + jobs.getLast() + "/compare"));
        assertEquals(two.path("regions").size(), 0);
        regions(jobs.getLast());
        two = ok(get("/api/jobs/" + jobs.getLast() + "/compare"));
        assertEquals(two.path("regions").size(), 1);
        for (JsonNode p : ok(get("/api/jobs/" + jobs.getFirst() + "/photographs"))) {
            assertNotEquals(two.path("modelId"), p.path("id"));
        }
    }

    @Test
    public void theOverlayChangesWithACounterSample() throws IOException {
        UUID job = car("Overlay");
        UUID proto = shot(job, "PROTOTYPE", Shots.prototype());
        ok(
                put(
                        "/api/jobs/" + job + "/study/samples",
                        "{\"samples\":[" + samples(proto) + "],\"version\":1}"));
        long before = coloured(proto);
        ok(
                put(
                        "/api/jobs/" + job + "/study/samples",
                        "{\"samples\":["
                                + samples(proto)
                                + ",{\"id\":\""
                                + UUID.randomUUID()
                                + "\",\"photographId\":\""
                                + proto
                                + "\",\"kind\":\"OTHER\",\"xMm\":1300,\"yMm\":1950,\"widthMm\":300,\"heightMm\":300}],\"version\":2}"));
        long after = coloured(proto);
        assertTrue(before > 1000, "" + before);
        assertNotEquals(after, before);
        assertTrue(after < before, "what is argued away from dust is not dust: " + after);
    }

    /** Pixels of the overlay that kept a colour. */
    private long coloured(UUID photo) throws IOException {
        var picture =
                ImageIO.read(
                        new ByteArrayInputStream(
                                get("/api/photographs/" + photo + "/class?kind=DUST")
                                        .getResponse()
                                        .getContentAsByteArray()));
        long n = 0;
        for (int y = 0; y < picture.getHeight(); y += 2) {
            for (int x = 0; x < picture.getWidth(); x += 2) {
                int p = picture.getRGB(x, y);
                n += Math.abs((p >> 16 & 255) - (p & 255)) > 14 ? 1 : 0;
            }
        }
        return n;
    }

    @Test
    public void cornersAreProposedWhereTheSideStandsOut() {
        UUID job = car("Corners");
        UUID id = UUID.randomUUID();
        ok(photograph(job, id, "PROTOTYPE", Shots.prototype().jpeg()));
        JsonNode p = ok(get("/api/photographs/" + id + "/corners")).path("corners").path("points");
        List<Point> truth = Shots.prototype().camera().corners();
        for (int i = 0; i < 4; i++) {
            double off =
                    Math.hypot(
                            p.get(i).path("x").asDouble() - truth.get(i).x(),
                            p.get(i).path("y").asDouble() - truth.get(i).y());
            // a tenth of the height of the side: near enough to be dragged the rest of the way
            assertTrue(off < 90, "corner " + i + " is " + off + " px off");
        }
    }

    @Test
    public void aSideOfUnknownSizeAsksForItFirst() {
        UUID job = car("Roof");
        UUID id = UUID.randomUUID();
        ok(photograph(job, id, "PROTOTYPE", Shots.prototype().jpeg()));
        ok(
                put(
                        "/api/photographs/" + id + "/about",
                        """
                        {"role": "PROTOTYPE", "side": "ROOF", "sister": true, "caption": "from the bridge",
                         "takenAt": "1978-05-04T10:00:00Z", "version": 1}
                        """));
        String marks = "{\"corners\":" + corners(Shots.prototype()) + ",\"version\":2}";
        String said = refused(put("/api/photographs/" + id + "/marks", marks), 422);
        assertTrue(said.startsWith("Size of the roof (not given)"), said);
        ok(
                put(
                        "/api/jobs/" + job + "/sides/ROOF",
                        "{\"side\":\"ROOF\",\"lengthMm\":6400,\"heightMm\":2600,\"curve\":null}"));
        JsonNode p = ok(put("/api/photographs/" + id + "/marks", marks));
        assertTrue(p.path("sister").asBoolean());
        assertEquals(p.path("takenAt").asString(), "1978-05-04T10:00:00Z");
        assertEquals(ok(get("/api/photographs/" + id + "/measures")).path("regions").size(), 0);
    }

    @Test
    public void aCurvedSideIsLaidFlatFromItsEndCircles() throws IOException {
        UUID job = car("Tank");
        UUID id = UUID.randomUUID();
        Raster blank = Raster.empty(2400, 1600);
        java.util.Arrays.fill(blank.argb(), Raster.OPAQUE | 0x607080);
        ok(photograph(job, id, "PROTOTYPE", Pictures.jpeg(blank, 2400)));
        ok(
                put(
                        "/api/jobs/" + job + "/sides/LEFT",
                        """
                        {"side": "LEFT", "lengthMm": 9000, "heightMm": 1,
                         "curve": {"radiusMm": 1200, "fromDegrees": 20, "toDegrees": 160}}
                        """));
        String corners = "{\"corners\":" + corners(Shots.prototype()) + ",\"version\":1}";
        assertTrue(
                refused(put("/api/photographs/" + id + "/marks", corners), 422)
                        .startsWith("End circles (not marked)"));
        StringBuilder marks = new StringBuilder();
        double[][] left = {{405.7, 606, 20}, {366.7, 800, 90}, {405.7, 994, 160}};
        for (double[] m : left) {
            for (boolean end : new boolean[] {true, false}) {
                marks.append(marks.isEmpty() ? "" : ",")
                        .append(
                                "{\"photo\":{\"x\":"
                                        + (end ? m[0] : 2400 - m[0])
                                        + ",\"y\":"
                                        + m[1]
                                        + "},\"leftEnd\":"
                                        + end
                                        + ",\"degrees\":"
                                        + m[2]
                                        + "}");
            }
        }
        ok(
                put(
                        "/api/photographs/" + id + "/marks",
                        "{\"shellMarks\":{\"marks\":[" + marks + "]},\"version\":1}"));
        JsonNode size = named(ok(get("/api/jobs/" + job + "/sides")), "side", "LEFT");
        assertEquals(size.path("heightMm").asDouble(), Math.toRadians(140) * 1200, 0.01);
        JsonNode m = ok(get("/api/photographs/" + id + "/measures"));
        assertTrue(m.path("residualMm").asDouble() < 30, m.toString());
        var flat =
                ImageIO.read(
                        new ByteArrayInputStream(
                                get("/api/photographs/" + id + "/side")
                                        .getResponse()
                                        .getContentAsByteArray()));
        assertEquals(
                flat.getWidth() / (double) flat.getHeight(),
                9000 / (Math.toRadians(140) * 1200),
                0.02);
    }

    @Test
    public void theHistoryNamesTheCoatsBetweenThePhotographs() {
        UUID job = car("History");
        shot(job, "PROTOTYPE", Shots.prototype());
        regions(job);
        shot(job, "MODEL", Shots.model(Weathering.NONE));
        JsonNode plan = plan(job, "FADE");
        for (JsonNode s : plan.path("steps")) {
            clock.set(clock.instant().plus(Duration.ofMinutes(60)));
            ok(
                    put(
                            "/api/jobs/" + job + "/log/" + UUID.randomUUID(),
                            """
                            {"stepId": "%s", "material": "%s", "startedAt": null, "finished": true,
                             "finishedAt": null, "note": "", "photographId": null, "version": 0}
                            """
                                    .formatted(
                                            s.path("id").asString(),
                                            s.path("material").asString())));
        }
        clock.set(clock.instant().plus(Duration.ofMinutes(60)));
        shot(job, "MODEL", Shots.model(new Weathering(1, 0.9, 0.8, 0, 0, 0)));
        JsonNode stages = ok(get("/api/jobs/" + job + "/compare/history"));
        assertEquals(stages.size(), 2);
        assertEquals(stages.get(0).path("coats").size(), 0);
        assertTrue(stages.get(1).path("coats").toString().contains("mist fade"), stages.toString());
        JsonNode first = named(stages.get(0).path("values"), "measure", "from the factory colour");
        JsonNode second = named(stages.get(1).path("values"), "measure", "from the factory colour");
        double truth = first.path("prototype").asDouble();
        assertTrue(
                Math.abs(second.path("model").asDouble() - truth)
                        < Math.abs(first.path("model").asDouble() - truth),
                stages.toString());
    }
}
