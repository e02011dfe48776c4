package org.pendrik.app.bench;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import org.pendrik.app.AppTest;
import org.pendrik.app.Shots;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.core.film.StepId;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What is logged at the bench, and what is refused there. */
public class BenchLogTest extends AppTest {
    @Autowired private LogMapper mapper;

    @BeforeMethod
    public void noon() {
        clock.set(NOON);
    }

    private UUID planned(String name) {
        UUID job = car(name);
        plan(job, "FADE", "CHIPS");
        return job;
    }

    private JsonNode bench(UUID job) {
        return ok(get("/api/jobs/" + job + "/bench"));
    }

    private ObjectNode draft(JsonNode step, boolean finished, int version) {
        ObjectNode b = json.createObjectNode();
        b.set("stepId", step.path("id"));
        b.set("material", step.path("material"));
        b.putNull("startedAt");
        b.put("finished", finished);
        b.putNull("finishedAt");
        b.put("note", "");
        b.putNull("photographId");
        b.put("version", version);
        return b;
    }

    private MvcTestResult log(UUID job, UUID entry, ObjectNode draft) {
        return put("/api/jobs/" + job + "/log/" + entry, draft.toString());
    }

    @Test
    public void aStepIsLoggedOnceAndASecondEntryIsRefused() {
        UUID job = planned("Once");
        JsonNode step = bench(job).path("step");
        ok(log(job, UUID.randomUUID(), draft(step, false, 0)));
        assertTrue(
                refused(log(job, UUID.randomUUID(), draft(step, true, 0)), 409)
                        .contains("The step was changed"));
        assertEquals(bench(job).path("log").size(), 1);
        assertEquals(bench(job).path("done").asInt(), 0);
    }

    @Test
    public void theDatabaseItselfKeepsOneEntryPerStep() {
        UUID job = planned("Index");
        LogEntry one = entry(job, UUID.randomUUID());
        mapper.insert(one);
        assertThrows(
                DataIntegrityViolationException.class,
                () -> mapper.insert(entry(job, UUID.randomUUID())));
        mapper.insert(entry(planned("Index of another"), UUID.randomUUID()));
        assertEquals(mapper.ofJob(job), List.of(one));
    }

    private static LogEntry entry(UUID job, UUID id) {
        return new LogEntry(
                id,
                job,
                new StepId("step"),
                "pin-wash",
                "wash-sludge",
                new ZoneKeys(List.of("left-side")),
                NOON,
                null,
                "",
                null,
                1,
                null);
    }

    @Test
    public void ofManyTabsThatBeginAtOnceOneIsHeard() throws Exception {
        UUID job = planned("Tabs");
        JsonNode step = bench(job).path("step");
        List<Callable<Integer>> tabs =
                java.util.Collections.nCopies(
                        6,
                        () ->
                                log(job, UUID.randomUUID(), draft(step, true, 0))
                                        .getResponse()
                                        .getStatus());
        try (var pool = Executors.newFixedThreadPool(6)) {
            List<Integer> status = new java.util.ArrayList<>();
            for (var f : pool.invokeAll(tabs)) {
                status.add(f.get());
            }
            status.sort(null);
            assertEquals(status, List.of(200, 409, 409, 409, 409, 409));
        }
        assertEquals(bench(job).path("log").size(), 1);
        assertEquals(bench(job).path("done").asInt(), 1);
    }

    @Test
    public void anEntryStaysWithItsStepAndItsJob() {
        UUID job = planned("Own");
        UUID entry = UUID.randomUUID();
        ok(log(job, entry, draft(bench(job).path("step"), true, 0)));
        JsonNode next = bench(job).path("step");
        assertTrue(
                refused(log(job, entry, draft(next, true, 1)), 422)
                        .contains("belongs to another step"));
        UUID other = planned("Other");
        assertTrue(
                refused(log(other, entry, draft(bench(other).path("step"), true, 1)), 422)
                        .contains("belongs to another step"));
        refused(delete("/api/jobs/" + other + "/log/" + entry), 404);
        assertEquals(bench(job).path("done").asInt(), 1);
        assertEquals(bench(other).path("done").asInt(), 0);
    }

    @Test
    public void aStepThatIsNotOverAfterAllIsToDoAgain() {
        UUID job = planned("Not over");
        JsonNode step = bench(job).path("step");
        UUID entry = UUID.randomUUID();
        ok(log(job, entry, draft(step, true, 0)));
        assertEquals(bench(job).path("done").asInt(), 1);
        JsonNode again = ok(log(job, entry, draft(step, false, 1)));
        assertEquals(again.path("done").asInt(), 0);
        assertEquals(again.path("step").path("id"), step.path("id"));
        assertEquals(again.path("step").path("running").path("id").asString(), entry.toString());
    }

    @Test
    public void whatIsCorrectedLaterIsKept() {
        UUID job = planned("Corrected");
        JsonNode step = bench(job).path("step");
        UUID entry = UUID.randomUUID();
        ok(log(job, entry, draft(step, true, 0)));
        ObjectNode better = draft(step, true, 1);
        better.put("startedAt", NOON.minusSeconds(900).toString());
        better.put("finishedAt", NOON.minusSeconds(300).toString());
        better.put("note", "two passes");
        JsonNode log = ok(log(job, entry, better)).path("log").get(0);
        assertEquals(log.path("note").asString(), "two passes");
        assertEquals(Instant.parse(log.path("startedAt").asString()), NOON.minusSeconds(900));
        refused(log(job, entry, better), 409);
        JsonNode done = ok(get("/api/jobs/" + job + "/record")).path("steps").get(0);
        assertEquals(Instant.parse(done.path("finishedAt").asString()), NOON.minusSeconds(300));
    }

    @Test
    public void aPhotographOfThisJobCanStandWithAStepAndNoOther() {
        UUID job = planned("Pictured");
        UUID other = car("Another job");
        byte[] shot = Shots.prototype().jpeg();
        UUID own = UUID.randomUUID();
        UUID foreign = UUID.randomUUID();
        ok(photograph(job, own, "MODEL", shot));
        ok(photograph(other, foreign, "MODEL", shot));
        JsonNode step = bench(job).path("step");
        ObjectNode d = draft(step, true, 0);
        d.put("photographId", foreign.toString());
        assertTrue(
                refused(log(job, UUID.randomUUID(), d), 422).contains("must belong to this job"));
        d.put("photographId", own.toString());
        JsonNode log = ok(log(job, UUID.randomUUID(), d)).path("log").get(0);
        assertEquals(log.path("photographId").asString(), own.toString());
    }

    @Test
    public void aNoteHasAnEnd() {
        UUID job = planned("Wordy");
        ObjectNode d = draft(bench(job).path("step"), true, 0);
        d.put("note", "x".repeat(2001));
        assertTrue(refused(log(job, UUID.randomUUID(), d), 422).contains("must have at most 2000"));
        d.put("note", "x".repeat(2000));
        assertFalse(
                ok(log(job, UUID.randomUUID(), d))
                        .path("log")
                        .get(0)
                        .path("note")
                        .asString()
                        .isEmpty());
    }

    @Test
    public void timesThatMakeNoSenseAreRefused() {
        UUID job = car("Log times");
        plan(job, "FADE");
        JsonNode step = ok(get("/api/jobs/" + job + "/bench")).path("step");
        String body =
                """
                {"stepId": "%s", "material": "%s", "startedAt": "%s", "finished": true, "finishedAt": "%s", "note": "",
                 "photographId": null, "version": 0}
                """;
        String path = "/api/jobs/" + job + "/log/" + UUID.randomUUID();
        String id = step.path("id").asString();
        String material = step.path("material").asString();
        clock.set(NOON);
        assertTrue(
                refused(put(path, body.formatted(id, material, NOON, NOON.plusSeconds(7200))), 422)
                        .contains("must not lie ahead"));
        assertTrue(
                refused(put(path, body.formatted(id, material, NOON, NOON.minusSeconds(60))), 422)
                        .contains("must not lie before the begin"));
        assertTrue(
                refused(put(path, body.formatted(id, "oil-old-rust", NOON, NOON)), 422)
                        .contains("does not do for mist fade"));
        assertTrue(
                refused(put(path, body.formatted("nothing", material, NOON, NOON)), 404)
                        .contains("The step is not there"));
        assertEquals(ok(get("/api/jobs/" + job + "/bench")).path("log").size(), 0);
    }
}
