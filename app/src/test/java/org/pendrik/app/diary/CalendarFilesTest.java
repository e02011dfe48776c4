package org.pendrik.app.diary;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.Temporal;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.DtStart;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.film.StepId;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

/** Calendars written and read. */
public class CalendarFilesTest {
    /** What is written for the diary below; the page's tests read it by another parser. */
    private static final Path EXAMPLE = Path.of("../web/src/lib/evenings/example.ics");

    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private static final Instant NOW = Instant.parse("2026-03-20T12:00:00Z");
    private static final UUID HOPPER = UUID.fromString("00000000-0000-0000-0000-000000000001");

    private static Instant at(String iso) {
        return Instant.parse(iso);
    }

    private static WorkshopView diary() {
        StepId wash = new StepId("wash");
        var slot =
                new Diaries.Slot(
                        wash,
                        "pin wash",
                        "brown wash; thin, \"as tea\"",
                        null,
                        at("2026-03-20T19:00:00Z"),
                        at("2026-03-20T19:35:00Z"),
                        true,
                        null,
                        null,
                        null,
                        at("2026-03-20T19:50:00Z"),
                        at("2026-03-20T20:20:00Z"),
                        List.of());
        var track =
                new WorkshopView.Track(
                        HOPPER,
                        "Peat hopper OVR 3041, grey",
                        new Diaries.Diary(
                                List.of(slot),
                                List.of(),
                                null,
                                null,
                                null,
                                null,
                                null,
                                LocalDate.of(2026, 4, 1),
                                0,
                                List.of(),
                                NOW,
                                ZONE.getId(),
                                Map.of()),
                        null,
                        null,
                        null,
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of());
        var work =
                new WorkshopView.Work(
                        HOPPER,
                        "Peat hopper OVR 3041, grey",
                        wash,
                        "pin wash",
                        "brown wash; thin, \"as tea\"",
                        null,
                        at("2026-03-20T19:00:00Z"),
                        at("2026-03-20T19:35:00Z"),
                        true,
                        false,
                        null);
        var sitting =
                new WorkshopView.Sitting(
                        at("2026-03-20T19:00:00Z"),
                        at("2026-03-20T22:00:00Z"),
                        35,
                        true,
                        List.of(work),
                        List.of(
                                new WorkshopView.Filling(
                                        "chalk fade",
                                        null,
                                        List.of("Peat hopper OVR 3041, grey"))));
        return new WorkshopView(
                List.of(track),
                List.of(sitting),
                new WorkshopView.Sum(0, 1, 1, 35),
                List.of(),
                true,
                List.of(),
                NOW,
                ZONE.getId());
    }

    @Test
    public void sittingsWindowsAndDatesAreWritten() throws IOException, ParserException {
        String written = CalendarFiles.write(diary());
        assertEquals(
                written.replace("\r\n", "\n"),
                Files.readString(EXAMPLE).replace("\r\n", "\n"),
                written);
        assertTrue(
                written.lines().allMatch(l -> l.getBytes(StandardCharsets.UTF_8).length <= 75),
                "lines are folded");
        List<VEvent> read =
                new CalendarBuilder().build(new StringReader(written)).getComponents("VEVENT");
        assertEquals(read.size(), 3);
        assertEquals(
                Instant.from(
                        read.getFirst()
                                .<DtStart<Temporal>>getRequiredProperty("DTSTART")
                                .getDate()),
                at("2026-03-20T19:00:00Z"));
    }

    private static CalendarFiles.Read read(String... events) {
        String text =
                "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Somebody//Calendar//EN\r\n"
                        + String.join("", events).replace("\n", "\r\n")
                        + "END:VCALENDAR\r\n";
        return CalendarFiles.read(
                text.getBytes(StandardCharsets.UTF_8), ZONE, NOW, NOW.plus(Duration.ofDays(380)));
    }

    private static String event(String uid, String... lines) {
        return "BEGIN:VEVENT\nUID:"
                + uid
                + "\nDTSTAMP:20260101T000000Z\nSUMMARY:Choir\n"
                + String.join("\n", lines)
                + "\nEND:VEVENT\n";
    }

    private static Span span(String from, String until) {
        return new Span(at(from).getEpochSecond() / 60, at(until).getEpochSecond() / 60);
    }

    /** The clock changes on 29 March 2026: eight in the evening comes an hour earlier after it. */
    @Test
    public void whatComesAgainFollowsTheClockOnTheWall() {
        String weekly =
                event(
                        "a",
                        "DTSTART;TZID=Europe/Lisbon:20260305T200000",
                        "DTEND;TZID=Europe/Lisbon:20260305T220000",
                        "RRULE:FREQ=WEEKLY;COUNT=7",
                        "EXDATE;TZID=Europe/Lisbon:20260409T200000");
        String elsewhere =
                event(
                        "a",
                        "RECURRENCE-ID;TZID=Europe/Lisbon:20260402T200000",
                        "DTSTART;TZID=Europe/Lisbon:20260403T180000",
                        "DTEND;TZID=Europe/Lisbon:20260403T190000");
        assertEquals(
                read(weekly, elsewhere).busy(),
                List.of(
                        span("2026-03-26T20:00:00Z", "2026-03-26T22:00:00Z"),
                        span("2026-04-16T19:00:00Z", "2026-04-16T21:00:00Z"),
                        span("2026-04-03T17:00:00Z", "2026-04-03T18:00:00Z")));
    }

    @Test
    public void timesWithoutAZoneWholeDaysAndWhatLeavesItsTimeFree() {
        assertEquals(
                read(
                                event("a", "DTSTART:20260401T200000", "DURATION:PT90M"),
                                event("b", "DTSTART;VALUE=DATE:20260402"),
                                event("c", "DTSTART:20260403T200000Z", "DTEND:20260403T210000Z"),
                                event(
                                        "d",
                                        "DTSTART:20260404T200000Z",
                                        "DTEND:20260404T210000Z",
                                        "TRANSP:TRANSPARENT"),
                                event(
                                        "e",
                                        "DTSTART:20260405T200000Z",
                                        "DTEND:20260405T210000Z",
                                        "STATUS:CANCELLED"),
                                event("f", "DTSTART:20250101T200000Z", "DTEND:20250101T210000Z"))
                        .busy(),
                List.of(
                        span("2026-04-01T19:00:00Z", "2026-04-01T20:30:00Z"),
                        span("2026-04-01T23:00:00Z", "2026-04-02T23:00:00Z"),
                        span("2026-04-03T20:00:00Z", "2026-04-03T21:00:00Z")));
    }

    @Test
    public void aSittingThatWasMovedInTheCalendarIsToldAndNoBusyTime() {
        String written = CalendarFiles.write(diary());
        byte[] same = written.getBytes(StandardCharsets.UTF_8);
        CalendarFiles.Read unchanged =
                CalendarFiles.read(same, ZONE, NOW, NOW.plus(Duration.ofDays(380)));
        assertEquals(unchanged, new CalendarFiles.Read(List.of(), List.of()));
        byte[] moved =
                written.replace("DTSTART:20260320T190000Z", "DTSTART:20260321T100000Z")
                        .replace("DTEND:20260320T220000Z", "DTEND:20260321T130000Z")
                        .getBytes(StandardCharsets.UTF_8);
        CalendarFiles.Read read =
                CalendarFiles.read(moved, ZONE, NOW, NOW.plus(Duration.ofDays(380)));
        assertEquals(
                read.moved(),
                List.of(
                        new CalendarFiles.MovedSitting(
                                span("2026-03-20T19:00:00Z", "2026-03-20T22:00:00Z"),
                                span("2026-03-21T10:00:00Z", "2026-03-21T13:00:00Z"))));
        assertEquals(read.busy(), List.of());
    }

    /** A file that somebody made to do harm makes no millions of times or days. */
    @Test
    public void floodsAreRefusedBeforeTheyAreCounted() {
        for (String rule :
                List.of("FREQ=SECONDLY", "FREQ=MINUTELY", "FREQ=DAILY;BYSECOND=0,1,2,3")) {
            assertThrows(
                    InvalidInput.class,
                    () ->
                            read(
                                    event(
                                            "flood",
                                            "DTSTART:19000101T200000Z",
                                            "DTEND:19000101T200100Z",
                                            "RRULE:" + rule)));
        }
        String ages =
                event(
                        "sitting-0-999999999999@pendrik",
                        "DTSTART:20260401T200000Z",
                        "DTEND:20260401T210000Z");
        assertEquals(read(ages), new CalendarFiles.Read(List.of(), List.of()));
        String endless =
                event(
                        "sitting-29567220-29567400@pendrik",
                        "DTSTART:20260401T200000Z",
                        "DTEND:90260401T210000Z");
        assertThrows(InvalidInput.class, () -> read(endless));
        String without = event("sitting-29567220-29567400@pendrik", "DTSTART:20260401T200000Z");
        assertThrows(InvalidInput.class, () -> read(without));
    }

    @Test
    public void whatIsNoCalendarIsRefusedInWords() {
        for (String text : List.of("", "hello", "BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n", "\0\1\2")) {
            assertThrows(
                    InvalidInput.class,
                    () ->
                            CalendarFiles.read(
                                    text.getBytes(StandardCharsets.UTF_8),
                                    ZONE,
                                    NOW,
                                    NOW.plus(Duration.ofDays(1))));
        }
        assertThrows(
                InvalidInput.class,
                () ->
                        read(
                                event(
                                        "flood",
                                        "DTSTART:20260401T200000Z",
                                        "DTEND:20260401T200100Z",
                                        "RRULE:FREQ=MINUTELY")));
    }
}
