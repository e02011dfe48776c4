package org.pendrik.app.diary;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.pendrik.app.AppTest;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Calendars taken from the workshop and read into it. */
public class CalendarApiTest extends AppTest {
    private UUID job = UUID.randomUUID();

    @BeforeMethod
    public void oneJob() {
        for (JsonNode j : ok(get("/api/jobs"))) {
            ok(delete("/api/jobs/" + j.path("job").path("id").asString()));
        }
        clock.set(NOON);
        ObjectNode w = (ObjectNode) ok(get("/api/workshop"));
        w.put("zoneId", "UTC");
        w.set(
                "benchTime",
                json.readTree(
                        List.of("MONDAY", "WEDNESDAY", "FRIDAY", "SUNDAY").stream()
                                .map(
                                        d ->
                                                "{\"weekday\":\""
                                                        + d
                                                        + "\",\"fromTime\":\"19:00\",\"untilTime\":\"22:00\"}")
                                .toList()
                                .toString()));
        ok(put("/api/workshop", w.toString()));
        job = car("Brake van");
        plan(job, "FADE", "JOINT_SHADE", "DUST");
    }

    @AfterMethod(alwaysRun = true)
    public void putAway() {
        ok(delete("/api/jobs/" + job));
        for (JsonNode c : ok(get("/api/workshop/changes"))) {
            ok(delete("/api/workshop/changes/" + c.path("id").asString()));
        }
        for (JsonNode c : ok(get("/api/workshop/calendars"))) {
            ok(delete("/api/workshop/calendars/" + c.path("name").asString()));
        }
        ok(delete("/api/diary/calendar-link"));
    }

    private MvcTestResult read(String name, String calendar) {
        return http.put()
                .uri("/api/workshop/calendars/" + name)
                .header("Host", "localhost")
                .contentType("text/calendar")
                .content(calendar.getBytes(StandardCharsets.UTF_8))
                .exchange();
    }

    private String firstSitting() {
        return ok(get("/api/diary")).path("sittings").get(0).path("from").asString();
    }

    private static String compact(String iso) {
        return iso.replace("-", "").replace(":", "");
    }

    @Test
    public void busyTimesAreNoBenchTimeUntilTheirCalendarIsLetGo() {
        String before = firstSitting();
        String day = compact(before).substring(0, 8);
        String busy =
                "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//EN\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20260101T000000Z\r\n"
                        + "DTSTART;VALUE=DATE:"
                        + day
                        + "\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
        JsonNode read = ok(read("Choir", busy));
        assertEquals(read.path("calendars").get(0).path("times").asInt(), 1);
        assertTrue(firstSitting().compareTo(before) > 0);
        // reading it again replaces it
        ok(read("Choir", busy));
        assertEquals(ok(get("/api/workshop/calendars")).size(), 1);
        ok(delete("/api/workshop/calendars/Choir"));
        assertEquals(firstSitting(), before);
    }

    @Test
    public void aSittingMovedInTheCalendarIsMovedHere() {
        String file = text(get("/api/diary/calendar.ics"));
        String from = compact(firstSitting());
        String day = from.substring(0, 8);
        String next = String.valueOf(Long.parseLong(day) + 1);
        assertTrue(file.contains("DTSTART:" + from), file);
        String moved =
                file.replace("DTSTART:" + day + "T190000Z", "DTSTART:" + next + "T100000Z")
                        .replace("DTEND:" + day + "T220000Z", "DTEND:" + next + "T130000Z");
        JsonNode read = ok(read("Mine", moved));
        assertEquals(read.path("moved").size(), 1, read.toString());
        assertEquals(compact(firstSitting()), next + "T100000Z");
        assertEquals(ok(get("/api/workshop/changes")).size(), 2);
        // the same file again changes nothing more
        ok(read("Mine", moved));
        assertEquals(ok(get("/api/workshop/changes")).size(), 2);
    }

    @Test
    public void aPrivateLinkShowsTheDiaryUntilItEnds() {
        assertFalse(ok(get("/api/diary/calendar-link")).path("made").asBoolean());
        String first = ok(post("/api/diary/calendar-link", "")).path("path").asString();
        String second = ok(post("/api/diary/calendar-link", "")).path("path").asString();
        assertEquals(get(first).getResponse().getStatus(), 404, "the one before has ended");
        assertTrue(text(get(second)).contains("BEGIN:VEVENT"));
        assertTrue(ok(get("/api/diary/calendar-link")).path("path").isNull(), "told only once");
        assertEquals(get("/calendar/guessed.ics").getResponse().getStatus(), 404);
        ok(delete("/api/diary/calendar-link"));
        assertEquals(get(second).getResponse().getStatus(), 404);
    }

    @Test
    public void aFileThatIsNoCalendarLosesNothing() {
        String refused = refused(read("Choir", "no"), 422);
        assertTrue(refused.contains(".ics"), refused);
        assertEquals(ok(get("/api/workshop/calendars")).size(), 0);
    }
}
