package org.pendrik.app.apidocs;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import org.pendrik.app.AppTest;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;

public class OpenApiTest extends AppTest {
    private static final Path COMMITTED = Path.of("../web/openapi.json");

    @Test
    public void theCommittedDescriptionIsTheOneTheCodeGives() throws IOException {
        JsonNode tree = ok(get("/api/openapi"));
        ((tools.jackson.databind.node.ObjectNode) tree).remove("servers");
        String text =
                json.rebuild()
                                .enable(SerializationFeature.INDENT_OUTPUT)
                                .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
                                .build()
                                .writeValueAsString(sorted(tree))
                        + "\n";
        if (Boolean.getBoolean("openapi.update")) {
            Files.writeString(COMMITTED, text);
        }
        assertEquals(
                Files.readString(COMMITTED), text, "run ./pendrik api and commit what changes");
    }

    private static Object sorted(JsonNode n) {
        if (n.isObject()) {
            Map<String, Object> out = new TreeMap<>();
            n.properties().forEach(e -> out.put(e.getKey(), sorted(e.getValue())));
            return out;
        }
        if (n.isArray()) {
            return n.valueStream().map(OpenApiTest::sorted).toList();
        }
        return n;
    }

    @Test
    public void everyWorkedExampleOfTheCalculationsWorks() {
        JsonNode paths = ok(get("/api/openapi")).path("paths");
        int tried = 0;
        for (var path : paths.properties()) {
            if (!path.getKey().startsWith("/api/calc/")) {
                continue;
            }
            JsonNode examples =
                    path.getValue()
                            .path("post")
                            .path("requestBody")
                            .path("content")
                            .path("application/json")
                            .path("examples");
            for (var example : examples.properties()) {
                ok(post(path.getKey(), example.getValue().path("value").toString()));
                tried++;
            }
        }
        assertEquals(tried, 26);
    }

    @Test
    public void theFilmCheckAnswersWithReasonAndMends() {
        JsonNode paths = ok(get("/api/openapi")).path("paths").path("/api/calc/film/check");
        String example =
                paths.path("post")
                        .path("requestBody")
                        .path("content")
                        .path("application/json")
                        .path("examples")
                        .path("enamel wash over day-old oil")
                        .path("value")
                        .toString();
        JsonNode finding =
                ok(post("/api/calc/film/check", example))
                        .path("findings")
                        .valueStream()
                        .filter(
                                f ->
                                        f.path("act").asString().equals("wash")
                                                && f.path("rule").asString().equals("REACH"))
                        .findFirst()
                        .orElseThrow();
        assertEquals(finding.path("severity").asString(), "STOP");
        assertTrue(finding.path("mends").size() > 0);
        String cold = example.replace("\"celsius\":21", "\"celsius\":90");
        assertTrue(
                refused(post("/api/calc/film/check", cold), 422)
                        .contains("Temperature (90 °C) must be from 0 to 45 °C"));
    }

    @Test
    public void theColourDifferenceIsThatOfTheTable() {
        String body =
                "{\"reference\":{\"l\":50,\"a\":2.5,\"b\":0},\"sample\":{\"l\":73,\"a\":25,\"b\":-18}}";
        assertEquals(
                ok(post("/api/calc/colour/difference", body)).path("deltaE00").asDouble(),
                27.1492,
                5e-5);
    }

    @Test
    public void rectificationAnswersInMillimetresAndRefusesALine() {
        String body =
                "{\"corners\":[{\"x\":0,\"y\":0},{\"x\":100,\"y\":0},{\"x\":100,\"y\":50},{\"x\":0,\"y\":50}],\"lengthMm\":2000,\"heightMm\":1000,\"ask\":[{\"x\":50,\"y\":25}]}";
        JsonNode at = ok(post("/api/calc/photo/rectify", body)).path("sideMm").get(0);
        assertEquals(at.path("x").asDouble(), 1000, 1e-6);
        assertEquals(at.path("y").asDouble(), 500, 1e-6);
        String line = body.replace("\"y\":50", "\"y\":0");
        assertTrue(refused(post("/api/calc/photo/rectify", line), 422).contains("lie in a line"));
        String zero = body.replace("\"lengthMm\":2000", "\"lengthMm\":0");
        assertTrue(
                refused(post("/api/calc/photo/rectify", zero), 422)
                        .contains("Prototype length (0 mm)"));
    }
}
