package org.pendrik.app.bench;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.AppTest;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.core.film.StepId;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;

public class LogMapperTest extends AppTest {
    @Autowired private LogMapper mapper;

    private static LogEntry entry(
            UUID job, Instant start, @Nullable Instant end, int version, UUID id) {
        return new LogEntry(
                id,
                job,
                new StepId("step " + start),
                "pin-wash",
                "wash-sludge",
                new ZoneKeys(List.of("left-side", "roof")),
                start,
                end,
                "ran",
                null,
                version,
                null);
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
}
