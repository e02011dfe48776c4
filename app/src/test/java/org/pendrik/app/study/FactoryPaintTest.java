package org.pendrik.app.study;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.UUID;
import org.pendrik.app.AppTest;
import org.pendrik.app.job.Jobs;
import org.pendrik.core.colour.Lab;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The factory colour where no region of a photograph shows it. */
public class FactoryPaintTest extends AppTest {
    @Autowired private FactoryColours colours;
    @Autowired private Jobs jobs;

    private static String draft(String paint, int version) {
        return "{\"paint\": " + paint + ", \"version\": " + version + "}";
    }

    private static String typed(double l) {
        return "{\"source\": \"TYPED\", \"name\": \"\", \"l\": " + l + ", \"a\": 27, \"b\": 18}";
    }

    private JsonNode offer(UUID job, String name) {
        for (JsonNode o : ok(get("/api/jobs/" + job + "/factory-colours"))) {
            if (o.path("paint").path("name").asString().equals(name)) {
                return o;
            }
        }
        throw new AssertionError(name + " is not offered");
    }

    @Test
    public void itCanBeTypedTakenBackAndGoesWithTheRecord() {
        UUID job = car("Typed factory colour");
        assertTrue(colours.of(jobs.get(job)).isEmpty());
        JsonNode study = ok(put("/api/jobs/" + job + "/study/factory", draft(typed(38), 1)));
        assertEquals(colours.of(jobs.get(job)).orElseThrow(), new Lab(38, 27, 18));
        assertTrue(study.path("factory").path("hex").asString().matches("#[0-9a-f]{6}"));

        String record = ok(get("/api/jobs/" + job + "/record")).toString();
        String copy = ok(post("/api/records", record)).path("jobId").asString();
        assertEquals(
                ok(get("/api/jobs/" + copy + "/study")).path("factory"), study.path("factory"));

        ok(put("/api/jobs/" + job + "/study/factory", draft("null", 2)));
        assertTrue(colours.of(jobs.get(job)).isEmpty());
        refused(put("/api/jobs/" + job + "/study/factory", draft(typed(38), 2)), 409);
    }

    @Test
    public void whatIsNoColourIsNamed() {
        UUID job = car("No colour");
        String said =
                refused(put("/api/jobs/" + job + "/study/factory", draft(typed(138), 1)), 422);
        assertTrue(said.contains("lightness L*") && said.contains("between 0 and 100"), said);
    }

    /** A bottle, and then the job that took its colour over, can be the colour of others. */
    @Test
    public void bottlesAndOtherJobsAreOffered() {
        String red = "Wagon red " + UUID.randomUUID().toString().substring(0, 6);
        UUID bottle = UUID.randomUUID();
        ok(
                put(
                        "/api/shelf/" + bottle,
                        """
                        {"version": null, "bottle": {"name": "%s", "maker": "own", "family": "test acrylic",
                         "kind": "PAINT", "colour": {"l": 35, "a": 30, "b": 20}, "amountMl": 10, "pricePerMl": 0.2}}
                        """
                                .formatted(red)));
        UUID job = car("Of " + red);
        JsonNode offered = offer(job, red).path("paint");
        assertEquals(offered.path("source").asString(), "BOTTLE");
        ok(put("/api/jobs/" + job + "/study/factory", draft(offered.toString(), 1)));
        // what was taken over stays when the bottle goes
        ok(delete("/api/shelf/" + bottle + "?version=1"));
        assertEquals(colours.of(jobs.get(job)).orElseThrow(), new Lab(35, 30, 20));

        UUID next = car("After " + red);
        JsonNode other = offer(next, "Of " + red).path("paint");
        assertEquals(other.path("source").asString(), "JOB");
        assertEquals(other.path("l").asDouble(), 35);
    }
}
