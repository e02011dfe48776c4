package org.pendrik.app.record;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicLong;
import org.pendrik.app.AppTest;
import org.pendrik.app.Shots;
import org.pendrik.core.units.InvalidInput;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.util.unit.DataSize;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A record says what is there, keeps to its schema, and comes back as it went out. */
public class RecordTest extends AppTest {
    private UUID worked() {
        UUID job = car("Recorded");
        UUID photo = UUID.randomUUID();
        var shot = Shots.prototype();
        ok(photograph(job, photo, "PROTOTYPE", shot.jpeg()));
        StringBuilder points = new StringBuilder();
        shot.camera()
                .corners()
                .forEach(
                        p ->
                                points.append(points.isEmpty() ? "" : ",")
                                        .append("{\"x\":" + p.x() + ",\"y\":" + p.y() + "}"));
        ok(
                put(
                        "/api/photographs/" + photo + "/marks",
                        "{\"corners\":{\"points\":["
                                + points
                                + "]},\"knownPoints\":{\"points\":[]},\"greyPatch\":{\"x\":1132,\"y\":1142,\"width\":120,\"height\":80,\"lightness\":60},\"version\":1}"));
        ok(
                put(
                        "/api/jobs/" + job + "/study/regions",
                        """
                {"regions": [
                  {"id": "%s", "name": "plate", "zoneKey": "left-side", "xMm": 3345, "yMm": 660, "widthMm": 220, "heightMm": 290, "factory": true, "side": "LEFT", "role": "MEASURE", "outline": []},
                  {"id": "%s", "name": "panel", "zoneKey": null, "xMm": 1640, "yMm": 620, "widthMm": 420, "heightMm": 420, "factory": false, "side": "LEFT", "role": "MEASURE", "outline": []}
                ], "version": 1}
                """
                                .formatted(UUID.randomUUID(), UUID.randomUUID())));
        plan(job, "FADE", "JOINT_SHADE", "POWDER");
        return job;
    }

    private JsonNode without(JsonNode record) {
        ObjectNode copy = ((ObjectNode) record).deepCopy();
        copy.remove("writtenAt");
        copy.path("photographs").forEach(p -> ((ObjectNode) p).remove("id"));
        copy.path("measures").forEach(m -> ((ObjectNode) m).remove("photograph"));
        copy.path("log").forEach(e -> ((ObjectNode) e).remove("id"));
        return copy;
    }

    @Test
    public void itKeepsToItsSchemaAndComesBackAsItWent() throws IOException {
        UUID job = worked();
        JsonNode measures =
                ok(
                        get(
                                "/api/photographs/"
                                        + ok(get("/api/jobs/" + job + "/photographs"))
                                                .get(0)
                                                .path("id")
                                                .asString()
                                        + "/measures"));
        assertTrue(
                measures.path("regions").get(1).path("fade").path("deltaE00").asDouble() > 3,
                measures.toString());
        JsonNode out = ok(get("/api/jobs/" + job + "/record"));
        var old = new ObjectMapper();
        var schema =
                JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                        .getSchema(old.readTree(text(get("/api/schema/record-8.json"))));
        assertTrue(
                schema.validate(old.readTree(out.toString())).isEmpty(),
                schema.validate(old.readTree(out.toString())).toString());
        String copy = ok(post("/api/records", out.toString())).path("jobId").asString();
        JsonNode back = ok(get("/api/jobs/" + copy + "/record"));
        assertEquals(without(back), without(out));
        assertEquals(back.path("measures").size(), 2);
    }

    /** What version 1 did not have, by the name of the list that it is in. */
    private static final java.util.Map<String, List<String>> NEW =
            java.util.Map.of(
                    "regions", List.of("side", "role", "outline", "photograph"),
                    "effects", List.of("colour", "marks", "region", "tones", "how"),
                    "steps",
                            List.of(
                                    "takesBack",
                                    "backShare",
                                    "madeForEffect",
                                    "madeForStep",
                                    "worksOn",
                                    "zoneTimes",
                                    "extra"),
                    "log", List.of("zoneTimes"),
                    "photographs",
                            List.of(
                                    "side",
                                    "sister",
                                    "focalMm35",
                                    "straightLines",
                                    "shellMarks",
                                    "leads",
                                    "evened",
                                    "lightFrom",
                                    "knownLines"));

    @Test
    public void aRecordOfVersionOneIsStillReadIn() throws IOException {
        UUID job = worked();
        var old = new ObjectMapper();
        var tree =
                (com.fasterxml.jackson.databind.node.ObjectNode)
                        old.readTree(ok(get("/api/jobs/" + job + "/record")).toString());
        tree.put("version", 1)
                .remove(
                        List.of(
                                "sides",
                                "samples",
                                "schools",
                                "drying",
                                "mixes",
                                "artworks",
                                "answers",
                                "zones",
                                "materials"));
        NEW.forEach(
                (list, fields) ->
                        tree.path(list)
                                .forEach(
                                        n ->
                                                ((com.fasterxml.jackson.databind.node.ObjectNode) n)
                                                        .remove(fields)));
        tree.path("photographs")
                .forEach(
                        n -> {
                            if (n.path("greyPatch")
                                    instanceof
                                    com.fasterxml.jackson.databind.node.ObjectNode grey) {
                                grey.remove(List.of("a", "b", "by"));
                            }
                        });
        var schema =
                JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                        .getSchema(old.readTree(text(get("/api/schema/record-1.json"))));
        assertTrue(schema.validate(tree).isEmpty(), schema.validate(tree).toString());
        String copy = ok(post("/api/records", tree.toString())).path("jobId").asString();
        JsonNode back = ok(get("/api/jobs/" + copy + "/record"));
        assertEquals(back.path("regions").get(0).path("side").asString(), "LEFT");
        assertEquals(back.path("regions").get(0).path("role").asString(), "MEASURE");
        assertEquals(back.path("steps").size(), tree.path("steps").size());
    }

    @DataProvider
    public Object[][] broken() {
        return new Object[][] {
            {"\"version\":8", "\"version\":9", "was written by a newer Pendrik than this one"},
            {"\"version\":8,", "", "is not a record of a job"},
            {"\"note\":", "\"colour\":1,\"note\":", "Field job.colour (colour) is not known here"},
            {
                "\"effects\":[{",
                "\"effects\":[{\"shade\":3,",
                "Field effects[0].shade (shade) is not known here"
            },
            {
                "\"technique\":\"mist-fade\"",
                "\"technique\":\"magic\"",
                "Technique (magic) is not known"
            },
            {"\"wantedOn\":null", "\"wantedOn\":\"+999999999-01-01\"", "Date wanted"},
            {"\"writtenAt\":\"2026", "\"writtenAt\":\"1000", "Field writtenAt (1000"},
            {"\"orientation\":1", "\"orientation\":99", "Field photographs[0].orientation (99)"},
            {"\"widthPx\":", "\"widthPx\":-", "Field photographs[0].widthPx (-"},
            {"\"focalMm35\":null", "\"focalMm35\":\"NaN\"", "focalMm35 (NaN) must be a finite"},
            {"\"addedAt\":\"2026", "\"addedAt\":\"2190", "must lie between the years"},
            {"\"reason\":\"", "\"reason\":\"" + "long ".repeat(300), "Field steps.reason ("},
            {
                "\"lengthMm\":6400.0",
                "\"lengthMm\":-1",
                "Field job.lengthMm (-1) must have a minimum"
            },
            {
                "\"strength\":2",
                "\"strength\":9",
                "Field effects[0].strength (9) must have a maximum"
            },
        };
    }

    @Test(dataProvider = "broken")
    public void aBrokenRecordIsRefusedAndNothingIsHalfStored(
            String what, String with, String words) {
        String record = ok(get("/api/jobs/" + worked() + "/record")).toString();
        assertTrue(record.contains(what), what);
        int before = ok(get("/api/jobs")).size();
        String detail =
                refused(
                        post(
                                "/api/records",
                                record.replaceFirst(
                                        java.util.regex.Pattern.quote(what),
                                        java.util.regex.Matcher.quoteReplacement(with))),
                        422);
        assertTrue(detail.contains(words), detail);
        assertEquals(ok(get("/api/jobs")).size(), before);
    }

    @Test
    public void aPhotographWhoseFileIsMissingIsNamed() {
        String record = ok(get("/api/jobs/" + worked() + "/record")).toString();
        String gone = record.replaceFirst("\"sha256\":\"....", "\"sha256\":\"0000");
        String copy = ok(post("/api/records", gone)).path("jobId").asString();
        String photo = ok(get("/api/jobs/" + copy + "/photographs")).get(0).path("id").asString();
        assertTrue(
                refused(get("/api/photographs/" + photo + "/picture"), 422)
                        .contains("is missing from the data folder"));
        assertEquals(ok(get("/api/jobs/" + copy + "/record")).path("measures").size(), 0);
    }

    /**
     * With its photographs, drying times and mixes it comes back in a workshop that has no file of
     * it.
     */
    @Test
    public void aJobGoesWithEverythingAndComesBack() throws IOException {
        UUID job = worked();
        JsonNode before = ok(get("/api/jobs/" + job + "/record"));
        byte[] zip = get("/api/jobs/" + job + "/archive").getResponse().getContentAsByteArray();
        var answer =
                http.post()
                        .uri("/api/records/archive")
                        .header("Host", "127.0.0.1:8420")
                        .contentType(MediaType.APPLICATION_OCTET_STREAM)
                        .content(zip)
                        .exchange();
        String copy = ok(answer).path("jobId").asString();
        JsonNode after = ok(get("/api/jobs/" + copy + "/record"));
        for (String list : List.of("steps", "effects", "log", "mixes", "artworks", "regions")) {
            assertEquals(after.path(list).size(), before.path(list).size(), list);
        }
        assertEquals(
                after.path("photographs").get(0).path("sha256"),
                before.path("photographs").get(0).path("sha256"));
        var bad =
                http.post()
                        .uri("/api/records/archive")
                        .header("Host", "127.0.0.1:8420")
                        .contentType(MediaType.APPLICATION_OCTET_STREAM)
                        .content(java.util.Arrays.copyOf(zip, zip.length / 2))
                        .exchange();
        assertTrue(refused(bad, 422).contains("Archive of a job"));
    }

    /** Where a bottle of its mix or a picture is missing, that is said, and the rest comes. */
    @Test
    public void whatCannotComeAlongIsNamed() {
        UUID job = worked();
        JsonNode makeup = ok(get("/api/jobs/" + job + "/makeup"));
        String step = makeup.path("steps").get(0).path("id").asString();
        ObjectNode record = (ObjectNode) ok(get("/api/jobs/" + job + "/record"));
        record.putArray("mixes")
                .add(
                        json.readTree(
                                """
                                {"step": "%s", "name": "Sleeper brown", "target": {"l": 30, "a": 8, "b": 12},
                                 "light": "D65", "surface": "flat", "notes": "",
                                 "parts": [{"bottle": "Never heard of", "maker": "own", "drops": 3}]}
                                """
                                        .formatted(step)));
        JsonNode answer = ok(post("/api/records", record.toString()));
        assertEquals(
                answer.path("leftOut").get(0).asString(),
                "The mix “Sleeper brown” was left out: Never heard of (own) is not on this shelf.");
        assertEquals(answer.path("leftOut").size(), 1);
        String gone = record.toString().replaceFirst("\"sha256\":\"....", "\"sha256\":\"0000");
        assertTrue(
                ok(post("/api/records", gone))
                        .path("leftOut")
                        .get(1)
                        .asString()
                        .startsWith("One photograph came without the picture."));
        String none = record.toString().replace("\"drops\":3", "\"drops\":0");
        assertTrue(refused(post("/api/records", none), 422).contains("Drops of Never heard of"));
    }

    @Autowired private Records records;
    @Autowired private RecordReader reader;
    @Autowired private JobArchives archives;

    @Test
    public void anArchiveThatIsTooLargeIsRefusedWhileItComes() {
        var controller = new RecordController(records, reader, archives, DataSize.ofMegabytes(1));
        AtomicLong taken = new AtomicLong();
        InputStream endless =
                new InputStream() {
                    @Override
                    public int read() {
                        taken.incrementAndGet();
                        return 0;
                    }

                    @Override
                    public int read(byte[] into, int from, int length) {
                        taken.addAndGet(length);
                        return length;
                    }
                };
        InvalidInput refused =
                expectThrows(InvalidInput.class, () -> controller.readArchiveIn(endless));
        assertEquals(
                refused.getMessage(),
                "Archive of a job (more than 1 MB) is too large. Take fewer photographs along.");
        assertTrue(taken.get() < 2 << 20, taken + " bytes were read");
    }
}
