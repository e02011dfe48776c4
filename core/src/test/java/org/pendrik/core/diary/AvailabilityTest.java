package org.pendrik.core.diary;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.pendrik.core.diary.Availability.Slot;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

/** Bench time as a set of minutes. */
public class AvailabilityTest {
    private static final ZoneId VIENNA = ZoneId.of("Europe/Vienna");

    private static long minute(String instant) {
        return Instant.parse(instant).getEpochSecond() / 60;
    }

    private static Slot slot(DayOfWeek day, String from, String until) {
        return new Slot(day, LocalTime.parse(from), LocalTime.parse(until));
    }

    private static BitSet minutes(List<Span> spans) {
        BitSet out = new BitSet();
        spans.forEach(s -> out.set((int) s.fromMinute(), (int) s.untilMinute()));
        return out;
    }

    private static List<Span> any(Random random, boolean apart) {
        List<Span> out = new ArrayList<>();
        long at = 0;
        for (int i = random.nextInt(8); i > 0; i--) {
            long from = apart ? at + random.nextInt(30) : random.nextInt(400);
            long until = from + 1 + random.nextInt(60);
            out.add(new Span(from, until));
            at = until + 1;
        }
        return out;
    }

    @Test
    public void whatIsTakenAndWhatIsAddedAreThatOfSetsOfMinutes() {
        Random random = new Random(6);
        for (int i = 0; i < 5000; i++) {
            List<Span> day = any(random, true);
            List<Span> taken = any(random, false);
            BitSet expected = minutes(day);
            expected.andNot(minutes(taken));
            List<Span> left = Availability.without(day, taken);
            assertEquals(minutes(left), expected, day + " without " + taken);
            inOrder(left);
            Span more = new Span(random.nextInt(400), 401 + random.nextInt(9));
            BitSet joined = minutes(day);
            joined.or(minutes(List.of(more)));
            List<Span> with = Availability.with(day, more);
            assertEquals(minutes(with), joined, day + " with " + more);
            inOrder(with);
        }
    }

    private static void inOrder(List<Span> spans) {
        for (int i = 0; i < spans.size(); i++) {
            assertTrue(spans.get(i).fromMinute() < spans.get(i).untilMinute(), spans.toString());
            assertTrue(
                    i == 0 || spans.get(i - 1).untilMinute() <= spans.get(i).fromMinute(),
                    spans.toString());
        }
    }

    @Test
    public void theFirstEveningIsCutWhereNowIs() {
        var pattern =
                new Availability(List.of(slot(DayOfWeek.WEDNESDAY, "19:00", "22:00")), VIENNA);
        long now = minute("2026-11-25T19:30:00Z");
        assertEquals(
                pattern.spans(now, 8),
                List.of(
                        new Span(now, minute("2026-11-25T21:00:00Z")),
                        new Span(minute("2026-12-02T18:00:00Z"), minute("2026-12-02T21:00:00Z"))));
        assertEquals(pattern.spans(minute("2026-11-25T21:00:00Z"), 6), List.of());
    }

    @Test
    public void anEveningIsThatOfTheClockOnTheWallInSummerAndWinter() {
        var pattern = new Availability(List.of(slot(DayOfWeek.SUNDAY, "19:00", "21:00")), VIENNA);
        List<Span> spans = pattern.spans(minute("2026-10-17T00:00:00Z"), 9);
        assertEquals(spans.get(0).fromMinute(), minute("2026-10-18T17:00:00Z"));
        assertEquals(spans.get(1).fromMinute(), minute("2026-10-25T18:00:00Z"));
    }

    @Test
    public void anHourThatTheClockSkipsIsNoBenchTime() {
        // on 29 March the wall clock jumps from 2 to 3
        var pattern = new Availability(List.of(slot(DayOfWeek.SUNDAY, "02:10", "02:50")), VIENNA);
        for (Span s : pattern.spans(minute("2026-03-28T00:00:00Z"), 2)) {
            assertTrue(s.untilMinute() - s.fromMinute() <= 40, s.toString());
        }
        var long3 = new Availability(List.of(slot(DayOfWeek.SUNDAY, "01:00", "04:00")), VIENNA);
        Span night = long3.spans(minute("2026-03-28T00:00:00Z"), 2).getFirst();
        assertEquals(night.untilMinute() - night.fromMinute(), 120);
    }

    @Test
    public void twoStretchesOfADayMayTouchAndNotOverlap() {
        new Availability(
                List.of(
                        slot(DayOfWeek.MONDAY, "20:00", "21:00"),
                        slot(DayOfWeek.MONDAY, "19:00", "20:00")),
                VIENNA);
        assertThrows(
                InvalidInput.class,
                () ->
                        new Availability(
                                List.of(
                                        slot(DayOfWeek.MONDAY, "19:00", "20:01"),
                                        slot(DayOfWeek.MONDAY, "20:00", "21:00")),
                                VIENNA));
        assertThrows(InvalidInput.class, () -> slot(DayOfWeek.MONDAY, "19:00", "19:00"));
    }

    @Test
    public void aDayIsOtherwiseThanItsWeek() {
        var pattern =
                new Availability(
                        List.of(slot(DayOfWeek.WEDNESDAY, "19:00", "22:00")),
                        VIENNA,
                        List.of(
                                new Availability.Change(
                                        LocalDate.parse("2026-11-25"),
                                        LocalTime.parse("21:00"),
                                        Optional.empty(),
                                        false),
                                new Availability.Change(
                                        LocalDate.parse("2026-11-28"),
                                        LocalTime.parse("10:00"),
                                        Optional.of(LocalTime.parse("12:00")),
                                        true),
                                new Availability.Change(
                                        LocalDate.parse("2026-12-02"),
                                        LocalTime.MIDNIGHT,
                                        Optional.empty(),
                                        false)));
        assertEquals(
                pattern.spans(minute("2026-11-25T12:00:00Z"), 9),
                List.of(
                        new Span(minute("2026-11-25T18:00:00Z"), minute("2026-11-25T20:00:00Z")),
                        new Span(minute("2026-11-28T09:00:00Z"), minute("2026-11-28T11:00:00Z"))));
        assertEquals(
                pattern.spans(minute("2026-11-28T10:00:00Z"), 2),
                List.of(new Span(minute("2026-11-28T10:00:00Z"), minute("2026-11-28T11:00:00Z"))),
                "what has begun is cut where now is");
    }
}
