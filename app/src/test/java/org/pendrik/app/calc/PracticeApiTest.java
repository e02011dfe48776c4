package org.pendrik.app.calc;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.pendrik.app.AppTest;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The cases of practice.csv and workshop.csv, asked as anybody may ask them. */
public class PracticeApiTest extends AppTest {
    private static final long NOW = 100_000;
    private static final List<String> SEVERITIES = List.of("NOTE", "WARN", "STOP");

    @DataProvider
    public Object[][] practice() throws IOException {
        List<CSVRecord> all = new ArrayList<>(rows("practice"));
        assertEquals(all.size(), 38);
        all.addAll(rows("workshop"));
        return all.stream()
                .map(r -> new Object[] {r.get("id") + " " + r.get("about"), r})
                .toArray(Object[][]::new);
    }

    private static List<CSVRecord> rows(String table) throws IOException {
        Path file = Path.of("../core/src/test/resources/practice/" + table + ".csv");
        try (Reader in = Files.newBufferedReader(file, StandardCharsets.UTF_8)) {
            return CSVFormat.RFC4180
                    .builder()
                    .setHeader()
                    .setSkipHeaderRecord(true)
                    .setCommentMarker('#')
                    .get()
                    .parse(in)
                    .getRecords();
        }
    }

    @Test(dataProvider = "practice")
    public void theBenchAgrees(String about, CSVRecord r) {
        ObjectNode question = json.createObjectNode();
        String made = r.get("substrate");
        question.putArray("zones")
                .addObject()
                .put("key", "side")
                .put("substrate", made.equals("BARE") ? "BARE" : "FACTORY_SEMI_GLOSS")
                .put("lettering", made.equals("LETTERED"));
        question.put("celsius", 21).put("humidity", 0.5);
        var acts = question.putArray("acts");
        int n = 0;
        for (String coat :
                r.get("coats").isEmpty() ? new String[0] : r.get("coats").split("; ", -1)) {
            String[] p = coat.split(" ", -1);
            n++;
            act(acts.addObject(), "c" + n, p[0], p[1], p[2], NOW - Long.parseLong(p[3]), 0, true)
                    .put("share", Double.parseDouble(p[4]));
        }
        ObjectNode asked =
                act(
                        acts.addObject(),
                        "q",
                        r.get("technique"),
                        r.get("material"),
                        r.get("thickness"),
                        NOW,
                        Integer.parseInt(r.get("takes")),
                        false);
        asked.put("share", Double.parseDouble(r.get("share")));
        asked.put("blends", r.get("blends").equals("yes"));
        if (!r.get("action").isEmpty()) {
            asked.put("action", r.get("action")).put("carrier", r.get("carrier"));
        }
        if (!r.get("means").isEmpty()) {
            var means = asked.putArray("means");
            Arrays.stream(r.get("means").split("\\+", -1)).forEach(means::add);
            asked.put("must", r.get("must"));
        }
        JsonNode answer = ok(post("/api/calc/film/check", question.toString()));
        int worst =
                answer.path("findings")
                        .valueStream()
                        .filter(f -> f.path("act").asString().equals("q"))
                        .mapToInt(f -> SEVERITIES.indexOf(f.path("severity").asString()))
                        .max()
                        .orElse(0);
        assertTrue(
                List.of(r.get("worst").split(" ", -1)).contains(SEVERITIES.get(worst)),
                about + ": " + answer.path("findings"));
    }

    private static ObjectNode act(
            ObjectNode o,
            String id,
            String technique,
            String material,
            String thickness,
            long at,
            int minutes,
            boolean done) {
        o.put("id", id).put("technique", technique).put("material", material);
        o.put("thickness", thickness).put("atMinute", at).put("minutes", minutes);
        o.put("done", done);
        o.putArray("zones").add("side");
        return o;
    }
}
