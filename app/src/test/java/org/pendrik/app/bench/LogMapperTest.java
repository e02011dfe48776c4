package org.pendrik.app.bench;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.AppTest;
import org.pendrik.app.store.ZoneKeys;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

public class LogMapperTest extends AppTest {
    @Autowired private LogMapper mapper;

    private static LogEntry entry(
            UUID job, Instant start, @Nullable Instant end, int version, UUID id) {
        return new LogEntry(
                id,
                job,
                "step",
                "pin-wash",
                "wash-sludge",
                new ZoneKeys(List.of("left-side", "roof")),
                start,
                end,
                "ran",
                null,
                version);
    }

    @Test
    public void anEntryComesBackAsItWasStoredInOrderOfItsTime() {
        UUID job = car("Log");
        LogEntry second = entry(job, NOON.plusSeconds(60), null, 1, UUID.randomUUID());
        LogEntry first = entry(job, NOON.minusNanos(1), NOON, 1, UUID.randomUUID());
        mapper.insert(second);
        mapper.insert(first);
        assertEquals(mapper.ofJob(job), List.of(first, second));
        assertNull(mapper.find(UUID.randomUUID()));
    }

    @Test
    public void onlyTheVersionThatWasSeenIsChanged() {
        UUID job = car("Log versions");
        UUID id = UUID.randomUUID();
        mapper.insert(entry(job, NOON, null, 1, id));
        assertEquals(mapper.update(entry(job, NOON, NOON.plusSeconds(5), 1, id)), 1);
        assertEquals(mapper.update(entry(job, NOON, NOON.plusSeconds(9), 1, id)), 0);
        mapper.delete(id);
        assertEquals(mapper.ofJob(job), List.of());
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
                        .contains("does not do for satin seal"));
        assertTrue(
                refused(put(path, body.formatted("nothing", material, NOON, NOON)), 404)
                        .contains("The step is not there"));
        assertEquals(ok(get("/api/jobs/" + job + "/bench")).path("log").size(), 0);
    }
}
