package org.pendrik.app.calc;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.pendrik.app.AppTest;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A diary without a job. */
public class DiaryCalcTest extends AppTest {
    private ObjectNode example() {
        return (ObjectNode) json.readTree(DiaryQuestions.EXAMPLE);
    }

    private JsonNode plan(JsonNode question) {
        return ok(post("/api/calc/diary/plan", question.toString()));
    }

    @Test
    public void twoModelsShareTheirColours() {
        JsonNode found = plan(example());
        assertTrue(found.path("problem").isNull());
        assertEquals(found.path("score").path("sittings").asInt(), 2);
        assertEquals(found.path("score").path("setUps").asInt(), 2);
        assertEquals(found.path("score").path("late").asInt(), 0);
        assertTrue(
                found.path("stages").valueStream().allMatch(s -> s.path("proven").asBoolean()),
                found.path("stages").toString());
        JsonNode hopper = found.path("jobs").get(0);
        assertTrue(hopper.path("chance").asDouble() > 0.5);
        assertTrue(found.path("jobs").get(1).path("chance").isNull());
    }

    @Test
    public void whatPeopleKnowStands() {
        ObjectNode q = example();
        ArrayNode before = q.putArray("before");
        for (JsonNode t : plan(example()).path("tasks")) {
            before.addObject()
                    .put("job", t.path("job").asString())
                    .put("task", t.path("task").asString())
                    .put("start", t.path("start").asLong());
        }
        // the first evening is shorter by half
        ((ObjectNode) q.path("bench").get(0)).put("until", 1230);
        JsonNode again = plan(q);
        long moved =
                again.path("tasks").valueStream().filter(t -> t.path("moved").asBoolean()).count();
        assertEquals(again.path("score").path("moved").asLong(), moved, again.toString());
        assertTrue(moved > 0 && moved < 4, moved + " moved");
    }

    @Test
    public void whatCannotBeIsSaid() {
        ObjectNode q = example();
        q.putArray("bench").addObject().put("from", 0).put("until", 30);
        assertTrue(plan(q).path("problem").asString().contains("mist fade of Peat hopper"));
        q = example();
        q.put("seconds", 4000);
        assertTrue(refused(post("/api/calc/diary/plan", q.toString()), 422).contains("Seconds"));
        q = example();
        ((ObjectNode) q.path("jobs").get(1)).put("id", "hopper");
        assertTrue(refused(post("/api/calc/diary/plan", q.toString()), 422).contains("twice"));
        q = example();
        ((ObjectNode) q.path("bench").get(1)).put("from", 1200);
        assertTrue(refused(post("/api/calc/diary/plan", q.toString()), 422).contains("Bench time"));
        q = example();
        ((ObjectNode) q.path("jobs").get(0).path("tasks").get(0).path("needs").get(0))
                .put("resource", "lathe");
        assertTrue(refused(post("/api/calc/diary/plan", q.toString()), 422).contains("lathe"));
    }
}
