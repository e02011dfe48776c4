package org.pendrik.app.demo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.pendrik.app.AppTest;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.DefaultApplicationArguments;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The demonstration stands in the middle of its story, and all of it can be asked for. */
@TestPropertySource(properties = "pendrik.demo=true")
public class DemoWorkshopTest extends AppTest {
    @Autowired private DemoWorkshop demo;

    private List<JsonNode> jobs() {
        return ok(get("/api/jobs")).valueStream().map(j -> j.path("job")).toList();
    }

    @Test
    public void itsJobsAreInDifferentStates() {
        JsonNode cards = ok(get("/api/overview"));
        Set<String> stages =
                cards.valueStream()
                        .map(c -> c.path("stage").asString())
                        .collect(Collectors.toSet());
        assertTrue(stages.contains("BENCH") && stages.size() >= 2, stages.toString());
        assertTrue(jobs().stream().anyMatch(j -> j.path("name").asString().contains("OVR 3041")));
    }

    @Test
    public void everyViewOfEveryJobCanBeAskedFor() {
        for (JsonNode job : jobs()) {
            String id = job.path("id").asString();
            for (String part :
                    List.of(
                            "",
                            "/photographs",
                            "/study",
                            "/makeup",
                            "/diary",
                            "/bench",
                            "/compare",
                            "/record")) {
                ok(get("/api/jobs/" + id + part));
            }
        }
        JsonNode today = ok(get("/api/today"));
        assertTrue(today.toString().contains("OVR 3041"), today.toString());
    }

    @Test
    public void noPlanOfItIsStoppedByTheEngine() {
        for (JsonNode job : jobs()) {
            JsonNode makeup = ok(get("/api/jobs/" + job.path("id").asString() + "/makeup"));
            assertEquals(
                    makeup.path("findings")
                            .valueStream()
                            .filter(f -> f.path("severity").asString().equals("STOP"))
                            .toList(),
                    List.of(),
                    job.path("name").asString());
        }
    }

    @Test
    public void theHopperIsJudgedAgainstItsPrototype() {
        JsonNode hopper =
                jobs().stream()
                        .filter(j -> j.path("name").asString().contains("OVR 3041"))
                        .findFirst()
                        .orElseThrow();
        JsonNode compare = ok(get("/api/jobs/" + hopper.path("id").asString() + "/compare"));
        assertEquals(compare.path("missing").size(), 0);
        Set<String> verdicts =
                compare.path("regions")
                        .valueStream()
                        .map(r -> r.path("verdict").asString())
                        .collect(Collectors.toSet());
        assertTrue(verdicts.size() >= 2, verdicts.toString());
        for (JsonNode r : compare.path("regions")) {
            boolean differs =
                    r.path("differences")
                            .valueStream()
                            .anyMatch(d -> Math.abs(d.path("inTolerances").asDouble()) > 1);
            boolean stops =
                    r.path("advice")
                            .valueStream()
                            .anyMatch(a -> a.path("what").asString().equals("STOP"));
            assertFalse(differs && stops, r.toString());
            assertEquals(stops, r.path("verdict").asString().equals("AS_PROTOTYPE"), r.toString());
        }
    }

    /** The next morning, in a workshop whose bench time was taken away. */
    @Test(
            dependsOnMethods = {
                "itsJobsAreInDifferentStates",
                "theHopperIsJudgedAgainstItsPrototype"
            })
    public void itIsMadeAnewInAWorkshopWithoutBenchTime() {
        ObjectNode none = (ObjectNode) ok(get("/api/workshop"));
        none.putArray("benchTime");
        ok(put("/api/workshop", none.toString()));
        clock.set(NOON.plus(Duration.ofHours(21)));
        try {
            demo.run(new DefaultApplicationArguments());
            itsJobsAreInDifferentStates();
        } finally {
            clock.set(NOON);
        }
    }
}
