package org.pendrik.app.diary;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.pendrik.app.AppTest;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The evenings of the whole workshop: decided, changed by hand, and kept. */
public class WorkshopDiaryTest extends AppTest {
    private static final String EVENINGS =
            List.of("MONDAY", "TUESDAY", "WEDNESDAY", "THURSDAY", "FRIDAY").stream()
                    .map(
                            d ->
                                    "{\"weekday\":\""
                                            + d
                                            + "\",\"fromTime\":\"19:00\",\"untilTime\":\"22:00\"}")
                    .toList()
                    .toString();

    private final List<UUID> made = new ArrayList<>();

    @BeforeMethod
    public void threeJobs() {
        for (JsonNode j : ok(get("/api/jobs"))) {
            ok(delete("/api/jobs/" + j.path("job").path("id").asString()));
        }
        clock.set(NOON);
        ObjectNode w = (ObjectNode) ok(get("/api/workshop"));
        w.put("zoneId", "UTC");
        w.set("benchTime", json.readTree(EVENINGS));
        ok(put("/api/workshop", w.toString()));
        for (String name : List.of("Brake van", "Peat hopper", "Cider van")) {
            UUID job = car(name);
            made.add(job);
            plan(job, "FADE", "JOINT_SHADE", "DUST");
        }
    }

    @AfterMethod(alwaysRun = true)
    public void putAway() {
        made.forEach(id -> ok(delete("/api/jobs/" + id)));
        made.clear();
        for (JsonNode c : ok(get("/api/workshop/changes"))) {
            ok(delete("/api/workshop/changes/" + c.path("id").asString()));
        }
    }

    private JsonNode decide(boolean fromScratch) {
        return ok(post("/api/diary/decided?fromScratch=" + fromScratch, ""));
    }

    /** By job and step, when it begins. */
    private Map<String, String> starts(JsonNode view) {
        Map<String, String> out = new HashMap<>();
        for (JsonNode s : view.path("sittings")) {
            for (JsonNode w : s.path("work")) {
                out.put(
                        w.path("jobId").asString() + " " + w.path("stepId").asString(),
                        w.path("start").asString());
            }
        }
        return out;
    }

    private static long effort(JsonNode view) {
        return 2L * view.path("sum").path("sittings").asInt()
                + view.path("sum").path("setUps").asInt();
    }

    @Test
    public void whatIsDecidedSharesSittingsAndColoursAndStands() {
        JsonNode asItComes = ok(get("/api/diary"));
        assertFalse(asItComes.path("decided").asBoolean());
        JsonNode view = decide(true);
        assertTrue(view.path("decided").asBoolean());
        assertTrue(
                effort(view) < effort(asItComes), view.path("sum") + " " + asItComes.path("sum"));
        assertEquals(starts(view).keySet(), starts(asItComes).keySet());
        assertTrue(view.path("stages").size() >= 3, view.path("stages").toString());
        assertEquals(starts(ok(get("/api/diary"))), starts(view), "it stands");
        // the diary of a job, and Today, say the same
        JsonNode first = view.path("tracks").get(0);
        JsonNode own = ok(get("/api/jobs/" + first.path("jobId").asString() + "/diary"));
        assertEquals(
                own.path("slots").get(0).path("start").asString(),
                first.path("diary").path("slots").get(0).path("start").asString());
        // each filling serves somebody, and is said by name
        boolean shared = false;
        for (JsonNode s : view.path("sittings")) {
            for (JsonNode f : s.path("fillings")) {
                assertTrue(!f.path("jobs").isEmpty(), f.toString());
                shared |= f.path("jobs").size() > 1;
            }
        }
        assertTrue(shared, "a colour is on for several models at once");
        JsonNode freed = ok(delete("/api/diary/decided"));
        assertEquals(starts(freed), starts(asItComes));
    }

    @Test
    public void anEveningThatIsTakenOutMovesWhatStoodThereAndLittleElse() {
        JsonNode before = decide(true);
        JsonNode second = before.path("sittings").get(1);
        Instant evening = Instant.parse(second.path("from").asString());
        ObjectNode away = json.createObjectNode();
        away.put("id", UUID.randomUUID().toString());
        away.put("onDay", evening.toString().substring(0, 10));
        away.put("fromTime", "00:00").putNull("untilTime").put("there", false);
        ok(put("/api/workshop/changes", away.toString()));
        JsonNode pushed = ok(get("/api/diary"));
        for (String start : starts(pushed).values()) {
            assertNotEquals(start.substring(0, 10), evening.toString().substring(0, 10));
        }
        JsonNode after = decide(false);
        assertTrue(after.path("decided").asBoolean());
        assertTrue(
                after.path("moved").size() <= starts(before).size() / 2,
                after.path("moved").toString());
        // two hours more on a Saturday
        ObjectNode more = json.createObjectNode();
        more.put("id", UUID.randomUUID().toString());
        more.put("onDay", "2026-11-28").put("fromTime", "10:00").put("untilTime", "12:00");
        more.put("there", true);
        assertEquals(ok(put("/api/workshop/changes", more.toString())).size(), 2);
        assertTrue(
                decide(true).path("sum").path("lateMinutes").asInt()
                        <= before.path("sum").path("lateMinutes").asInt());
    }

    @Test
    public void aStepIsMovedByHandAfterSayingWhatMovesWithIt() {
        JsonNode view = decide(true);
        JsonNode last = view.path("sittings").get(view.path("sittings").size() - 1);
        JsonNode work = view.path("sittings").get(0).path("work").get(0);
        ObjectNode to = json.createObjectNode();
        to.set("jobId", work.path("jobId"));
        to.set("stepId", work.path("stepId"));
        to.set("to", last.path("from"));
        JsonNode tried = ok(post("/api/diary/move-tried", to.toString()));
        assertTrue(tried.path("possible").asBoolean(), tried.toString());
        assertTrue(tried.path("moved").size() >= 1);
        assertEquals(starts(ok(get("/api/diary"))), starts(view), "trying changes nothing");
        JsonNode moved = ok(post("/api/diary/move", to.toString()));
        JsonNode held = null;
        for (JsonNode s : moved.path("sittings")) {
            for (JsonNode w : s.path("work")) {
                if (w.path("held").asBoolean()) {
                    assertEquals(held, null, "only one is held");
                    held = w;
                }
            }
        }
        assertEquals(held.path("stepId"), work.path("stepId"));
        assertEquals(
                held.path("start").asString().substring(0, 10),
                last.path("from").asString().substring(0, 10));
        // it stays there when all is decided anew
        JsonNode again = decide(false);
        assertEquals(
                starts(again)
                        .get(work.path("jobId").asString() + " " + work.path("stepId").asString())
                        .substring(0, 10),
                last.path("from").asString().substring(0, 10));
        // let go, it stands where it is, held no more
        JsonNode loose =
                ok(
                        delete(
                                "/api/diary/held/"
                                        + work.path("jobId").asString()
                                        + "/"
                                        + work.path("stepId").asString()));
        assertEquals(starts(loose), starts(again));
        assertFalse(loose.path("sittings").toString().contains("\"held\":true"));
        // what cannot be done is said
        to.put(
                "to",
                Instant.parse(last.path("until").asString()).plus(Duration.ofHours(1)).toString());
        JsonNode no = ok(post("/api/diary/move-tried", to.toString()));
        assertFalse(no.path("possible").asBoolean());
        assertTrue(
                !no.path("problem").asString().isEmpty()
                        && !no.path("remedy").asString().isEmpty());
        assertEquals(post("/api/diary/move", to.toString()).getResponse().getStatus(), 422);
    }

    @Test
    public void datesHaveAChanceAndALatestStart() {
        ok(
                put(
                        "/api/jobs/" + made.getFirst(),
                        draft("Wanted", "6400", "2600", "\"2026-12-20\"")
                                .replace("\"version\": 0", "\"version\": 1")));
        JsonNode view = decide(true);
        for (JsonNode t : view.path("tracks")) {
            boolean dated = t.path("jobId").asString().equals(made.getFirst().toString());
            assertEquals(!t.path("chance").isNull(), dated, t.toString());
            if (dated) {
                assertTrue(t.path("chance").asDouble() > 0.9, t.path("chance").toString());
                assertTrue(t.path("slackMinutes").asLong() > 0);
            }
            assertTrue(t.path("chain").size() > 0 && t.path("decides").size() > 0);
        }
    }

    @Test
    public void aDateAtRiskIsSavedByAComputedWayOut() {
        UUID job = made.getFirst();
        String all = "{\"weekday\":\"WEDNESDAY\",\"fromTime\":\"19:00\",\"untilTime\":\"20:30\"}";
        ObjectNode w = (ObjectNode) ok(get("/api/workshop"));
        w.set("benchTime", json.readTree("[" + all + "]"));
        ok(put("/api/workshop", w.toString()));
        JsonNode free = ok(get("/api/jobs/" + job + "/diary"));
        String finish = free.path("finish").asString().substring(0, 10);
        // a day too early for what the evenings allow
        ok(
                put(
                        "/api/jobs/" + job,
                        draft(
                                        "Wanted",
                                        "6400",
                                        "2600",
                                        "\""
                                                + java.time.LocalDate.parse(finish).minusDays(1)
                                                + "\"")
                                .replace("\"version\": 0", "\"version\": 1")));
        JsonNode track = track(ok(get("/api/diary")), job);
        assertTrue(track.path("diary").path("lateMinutes").asLong() > 0, track.toString());
        JsonNode way = track.path("waysOut").get(0);
        assertEquals(way.path("kind").asString(), "MORE_TIME", track.path("waysOut").toString());
        Instant from = Instant.parse(way.path("from").asString());
        Instant until = Instant.parse(way.path("until").asString());
        ObjectNode more = json.createObjectNode();
        more.put("id", UUID.randomUUID().toString());
        more.put("onDay", from.toString().substring(0, 10));
        more.put("fromTime", from.toString().substring(11, 16));
        more.put("untilTime", until.toString().substring(11, 16));
        more.put("there", true);
        ok(put("/api/workshop/changes", more.toString()));
        JsonNode saved = track(ok(get("/api/diary")), job);
        assertEquals(saved.path("diary").path("lateMinutes").asLong(), 0, saved.toString());
        assertEquals(saved.path("waysOut").size(), 0);
    }

    /** A wash was laid and left for days: the evenings can be planned all the same. */
    @Test
    public void aMissedWindowDoesNotHoldUpThePlanning() {
        UUID job = made.getFirst();
        for (int guard = 0; guard < 12; guard++) {
            JsonNode step = ok(get("/api/jobs/" + job + "/bench")).path("step");
            clock.set(clock.instant().plus(Duration.ofHours(30)));
            ObjectNode entry = json.createObjectNode();
            entry.set("stepId", step.path("id"));
            entry.set("material", step.path("material"));
            entry.putNull("startedAt").put("finished", true).putNull("finishedAt");
            entry.put("note", "").putNull("photographId").put("version", 0);
            ok(put("/api/jobs/" + job + "/log/" + UUID.randomUUID(), entry.toString()));
            if (step.path("name").asString().equals("pin wash")) {
                break;
            }
        }
        clock.set(clock.instant().plus(Duration.ofDays(4)));
        assertEquals(
                ok(get("/api/jobs/" + job + "/bench")).path("step").path("name").asString(),
                "wipe back");
        JsonNode view = decide(true);
        assertTrue(view.path("decided").asBoolean());
        assertTrue(
                starts(view).keySet().stream().anyMatch(k -> k.startsWith(job.toString())),
                "its steps are placed");
        assertTrue(decide(false).path("decided").asBoolean());
    }

    private static JsonNode track(JsonNode view, UUID job) {
        return view.path("tracks")
                .valueStream()
                .filter(t -> t.path("jobId").asString().equals(job.toString()))
                .findFirst()
                .orElseThrow();
    }
}
