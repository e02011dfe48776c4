package org.pendrik.app.compare;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.UUID;
import org.pendrik.app.AppTest;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What is too heavy is asked of the film check: on what was really laid, now. */
public class TakeBackTest extends AppTest {
    @Autowired private TakeBackQuestion question;

    /** Works the plan up to a technique, and lets some time pass. */
    private UUID workedTo(String effect, String technique, Duration after) {
        UUID job = car("Too much " + technique + after);
        JsonNode plan = plan(job, effect);
        for (JsonNode s : plan.path("steps")) {
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
            if (s.path("technique").asString().equals(technique)) {
                clock.set(clock.instant().plus(after));
                return job;
            }
            clock.set(clock.instant().plus(Duration.ofHours(30)));
        }
        throw new AssertionError(technique + " is not in " + plan);
    }

    @Test
    public void aFreshStreakCanBeTakenBackWithItsOwnSpirit() {
        UUID job = workedTo("RUST_STREAKS", "oil-streak", Duration.ofMinutes(30));
        var answer = question.ask(job, "oil-streak", "left-side");
        assertTrue(answer.possible(), answer.sentence());
        assertTrue(answer.sentence().contains("odourless spirit"), answer.sentence());
        assertTrue(answer.sentence().contains("factory paint"), answer.sentence());
        assertTrue(answer.stepId() != null && answer.stepId().value().contains("oil-streak"));
    }

    @Test
    public void chipsOfLastMonthAreTakenBackSoThatThePaintBeneathStays() {
        UUID job = workedTo("CHIPS", "sponge-chip", Duration.ofDays(40));
        var answer = question.ask(job, "sponge-chip", "left-side");
        assertTrue(answer.possible(), answer.sentence());
        assertTrue(answer.sentence().contains("factory paint"), answer.sentence());
    }

    @Test
    public void aFadeOfAnHourAgoIsThinnedThoughNoStepEverWorksIt() {
        UUID job = workedTo("FADE", "mist-fade", Duration.ofMinutes(20));
        var answer = question.ask(job, "mist-fade", "left-side");
        assertTrue(answer.possible(), answer.sentence());
        assertTrue(answer.sentence().startsWith("Take some back:"), answer.sentence());
    }

    @Test
    public void whatWasNeverLoggedWasThereBefore() {
        UUID job = car("Nothing logged");
        var answer = question.ask(job, "oil-streak", "left-side");
        assertFalse(answer.possible());
        assertTrue(answer.sentence().startsWith("No rust streak was logged here"));
    }

    /** What stands on the shelf comes before what would have to be bought. */
    @Test
    public void liquidsCountAsAtHandOnlyWhenTheyStandOnTheShelf() {
        UUID job = workedTo("RUST_STREAKS", "oil-streak", Duration.ofMinutes(30));
        assertEquals(atHand(job).get("odourless spirit"), Boolean.FALSE);
        UUID bottle = UUID.randomUUID();
        ok(
                put(
                        "/api/shelf/" + bottle,
                        """
                        {"version": null, "bottle": {"name": "Odourless spirit", "maker": "", "family": "cleaner",
                         "kind": "LIQUID", "amountMl": 200}}
                        """));
        var there = atHand(job);
        assertEquals(there.get("odourless spirit"), Boolean.TRUE);
        assertEquals(there.values().iterator().next(), Boolean.TRUE, there.toString());
        ok(delete("/api/shelf/" + bottle + "?version=1"));
        assertEquals(atHand(job).get("odourless spirit"), Boolean.FALSE);
    }

    private java.util.Map<String, Boolean> atHand(UUID job) {
        String step =
                ok(get("/api/jobs/" + job + "/makeup"))
                        .path("steps")
                        .valueStream()
                        .filter(s -> s.path("technique").asString().equals("oil-streak"))
                        .findFirst()
                        .orElseThrow()
                        .path("id")
                        .asString();
        java.util.Map<String, Boolean> out = new java.util.LinkedHashMap<>();
        ok(post(
                        "/api/jobs/" + job + "/makeup/take-back",
                        "{\"stepId\": \"%s\", \"zones\": [\"left-side\"], \"share\": 1}"
                                .formatted(step)))
                .path("ways")
                .forEach(
                        w ->
                                out.putIfAbsent(
                                        w.path("materialName").asString(),
                                        w.path("atHand").asBoolean()));
        return out;
    }
}
