package org.pendrik.app.diary;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.pendrik.app.AppTest;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Jobs in the bench time that there is. */
public class DiaryApiTest extends AppTest {
    private static final String EVENINGS =
            "[{\"weekday\":\"WEDNESDAY\",\"fromTime\":\"19:00\",\"untilTime\":\"22:00\"},"
                    + "{\"weekday\":\"SATURDAY\",\"fromTime\":\"10:00\",\"untilTime\":\"17:00\"}]";
    private static final String EVERY_DAY =
            List.of("MONDAY", "TUESDAY", "WEDNESDAY", "THURSDAY", "FRIDAY", "SATURDAY", "SUNDAY")
                    .stream()
                    .map(
                            d ->
                                    "{\"weekday\":\""
                                            + d
                                            + "\",\"fromTime\":\"09:00\",\"untilTime\":\"22:00\"}")
                    .toList()
                    .toString();

    private final List<UUID> made = new ArrayList<>();

    @BeforeMethod
    public void noon() {
        // what other classes left unfinished would share the bench
        for (JsonNode j : ok(get("/api/jobs"))) {
            ok(delete("/api/jobs/" + j.path("job").path("id").asString()));
        }
        clock.set(NOON);
        bench(EVENINGS);
    }

    @AfterMethod(alwaysRun = true)
    public void putAway() {
        made.forEach(id -> ok(delete("/api/jobs/" + id)));
        made.clear();
        bench(EVENINGS);
    }

    private void bench(String pattern) {
        ObjectNode w = (ObjectNode) ok(get("/api/workshop"));
        w.put("zoneId", "UTC");
        w.set("benchTime", json.readTree(pattern));
        ok(put("/api/workshop", w.toString()));
    }

    private UUID planned(String name, String... effects) {
        UUID job = car(name);
        made.add(job);
        plan(job, effects);
        return job;
    }

    private JsonNode diary(UUID job) {
        return ok(get("/api/jobs/" + job + "/diary"));
    }

    private record Work(Instant from, Instant until) {}

    private List<Work> work(JsonNode diary) {
        return diary.path("slots")
                .valueStream()
                .map(
                        s ->
                                new Work(
                                        Instant.parse(s.path("start").asString()),
                                        Instant.parse(s.path("end").asString())))
                .toList();
    }

    @Test
    public void withoutBenchTimeItSaysWhatToDo() {
        UUID job = planned("No time", "FADE");
        bench("[]");
        JsonNode d = diary(job);
        assertEquals(d.path("slots").size(), 0);
        assertTrue(!d.path("problem").asString().isEmpty());
        assertTrue(!d.path("remedy").asString().isEmpty());
        assertTrue(d.path("finish").isNull());
    }

    @Test
    public void aJobWithoutAPlanHasAnEmptyDiary() {
        UUID job = car("No plan");
        made.add(job);
        JsonNode d = diary(job);
        assertEquals(d.path("slots").size(), 0);
        assertTrue(d.path("problem").isNull());
        assertEquals(d.path("lateMinutes").asInt(), 0);
    }

    @Test
    public void handsOnWorkLiesInsideBenchTimeAndNoTwoJobsShareAnHour() {
        List<UUID> jobs =
                List.of(
                        planned("One", "FADE", "JOINT_SHADE"),
                        planned("Two", "CHIPS", "RUST_STREAKS"),
                        planned("Three", "DUST", "POWDER"));
        List<Work> all = new ArrayList<>();
        for (UUID job : jobs) {
            JsonNode d = diary(job);
            List<Work> own = work(d);
            assertTrue(!own.isEmpty());
            for (Work w : own) {
                int day = w.from().atZone(java.time.ZoneOffset.UTC).getDayOfWeek().getValue();
                int from = w.from().atZone(java.time.ZoneOffset.UTC).getHour();
                boolean wednesday = day == 3 && from >= 19;
                boolean saturday = day == 6 && from >= 10 && from < 17;
                assertTrue(wednesday || saturday, w.toString());
            }
            all.addAll(own);
        }
        all.sort(Comparator.comparing(Work::from));
        for (int i = 1; i < all.size(); i++) {
            assertTrue(
                    !all.get(i).from().isBefore(all.get(i - 1).until()),
                    all.get(i - 1) + " and " + all.get(i));
        }
    }

    @Test
    public void moreBenchTimeNeverFinishesLater() {
        UUID job = planned("More time", "FADE", "JOINT_SHADE", "RUST_STREAKS", "POWDER");
        Instant evenings = Instant.parse(diary(job).path("finish").asString());
        bench(EVERY_DAY);
        Instant days = Instant.parse(diary(job).path("finish").asString());
        assertTrue(days.isBefore(evenings), days + " and " + evenings);
    }

    @Test
    public void theModelIsPackedOnlyWhenItsLastCoatIsCured() {
        UUID job = planned("Packed", "RUST_STREAKS");
        JsonNode d = diary(job);
        Instant finish = Instant.parse(d.path("finish").asString());
        Instant pack = Instant.parse(d.path("packFrom").asString());
        // other jobs take bench time, so which coat is the last to cure is not always the same one
        Instant cured =
                d.path("slots")
                        .valueStream()
                        .filter(s -> !s.path("fullAt").isNull())
                        .map(s -> Instant.parse(s.path("fullAt").asString()))
                        .max(Comparator.naturalOrder())
                        .orElseThrow();
        assertEquals(pack, cured);
        assertTrue(pack.isAfter(finish.plusSeconds(12 * 3600)), pack + " after " + finish);
    }

    @Test
    public void theOneThatIsWantedEarlierComesFirst() {
        UUID late = car("Wanted late");
        UUID soon = car("Wanted soon");
        made.addAll(List.of(late, soon));
        plan(late, "FADE");
        plan(soon, "FADE");
        for (var wanted : List.of(List.of(late, "2027-01-20"), List.of(soon, "2026-12-05"))) {
            ok(
                    put(
                            "/api/jobs/" + wanted.getFirst(),
                            draft("Wanted", "6400", "2600", "\"" + wanted.getLast() + "\"")
                                    .replace("\"version\": 0", "\"version\": 1")));
        }
        assertTrue(
                diary(soon)
                                .path("finish")
                                .asString()
                                .compareTo(diary(late).path("finish").asString())
                        < 0);
    }

    private String next(UUID job) {
        return ok(get("/api/jobs/" + job + "/bench")).path("step").path("name").asString();
    }

    /** Does the steps of a job, so far apart, until the one of this name is done. */
    private void work(UUID job, String last, Duration apart) {
        for (int guard = 0; guard < 12; guard++) {
            JsonNode step = ok(get("/api/jobs/" + job + "/bench")).path("step");
            clock.set(clock.instant().plus(apart));
            ObjectNode entry = json.createObjectNode();
            entry.set("stepId", step.path("id"));
            entry.set("material", step.path("material"));
            entry.putNull("startedAt").put("finished", true).putNull("finishedAt");
            entry.put("note", "").putNull("photographId").put("version", 0);
            ok(put("/api/jobs/" + job + "/log/" + UUID.randomUUID(), entry.toString()));
            if (step.path("name").asString().equals(last)) {
                return;
            }
        }
        throw new AssertionError("no step " + last);
    }

    @Test
    public void ofTwoOpenWindowsTheOneThatClosesFirstIsServedFirst() {
        UUID slow = planned("Long window", "RUST_STREAKS");
        UUID slower = planned("Another long window", "RUST_STREAKS");
        UUID quick = planned("Short window", "JOINT_SHADE");
        for (UUID job : List.of(slow, slower)) {
            ok(
                    put(
                            "/api/jobs/" + job,
                            draft("Wanted", "6400", "2600", "\"2026-12-05\"")
                                    .replace("\"version\": 0", "\"version\": 1")));
        }
        while (!next(quick).equals("pin wash")) {
            work(quick, next(quick), Duration.ofHours(6));
        }
        work(slow, "rust streak", Duration.ofHours(6));
        work(slower, "rust streak", Duration.ofMinutes(2));
        work(quick, "pin wash", Duration.ofMinutes(5));
        clock.set(clock.instant().plus(Duration.ofMinutes(5)));
        for (UUID job : List.of(slow, slower, quick)) {
            JsonNode next =
                    diary(job)
                            .path("slots")
                            .valueStream()
                            .filter(s -> !s.path("done").asBoolean())
                            .findFirst()
                            .orElseThrow();
            assertEquals(next.path("warnings").size(), 0, next.toString());
        }
    }
}
