package org.pendrik.core.diary;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import java.util.Random;
import org.pendrik.core.diary.Availability.Slot;
import org.pendrik.core.diary.DiaryOutcome.Driver;
import org.pendrik.core.diary.DiaryOutcome.Placement;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

public class DiaryPlacerTest {
    private static final ZoneId BERLIN = ZoneId.of("Europe/Berlin");
    // a Monday, 12:00 in Berlin
    private static final long MONDAY_NOON =
            Instant.parse("2026-11-23T11:00:00Z").getEpochSecond() / 60;
    private static final Availability EVENINGS =
            new Availability(
                    List.of(
                            slot(DayOfWeek.MONDAY, 19, 21),
                            slot(DayOfWeek.WEDNESDAY, 19, 21),
                            slot(DayOfWeek.SATURDAY, 10, 16)),
                    BERLIN);

    private static Slot slot(DayOfWeek day, int from, int until) {
        return new Slot(day, LocalTime.of(from, 0), LocalTime.of(until, 0));
    }

    private static DiaryTask task(String id, int minutes) {
        return new DiaryTask(id, id, minutes, OptionalLong.empty());
    }

    private static TimeLag gap(String a, String b, long min) {
        return new TimeLag(a, b, min, OptionalLong.empty(), a + " dries");
    }

    private static DiaryOutcome.Placed placed(List<DiaryTask> tasks, List<TimeLag> gaps) {
        return (DiaryOutcome.Placed)
                DiaryPlacer.place(tasks, gaps, EVENINGS.spans(MONDAY_NOON, 370), MONDAY_NOON);
    }

    private static String at(Placement p) {
        return Instant.ofEpochSecond(p.startMinute() * 60)
                .atZone(BERLIN)
                .toLocalDateTime()
                .toString();
    }

    @Test
    public void workWaitsForTheEveningAndDryingRunsThroughTheNight() {
        var plan =
                placed(
                        List.of(task("oil", 30), task("flat", 30)),
                        List.of(gap("oil", "flat", 1440)));
        assertEquals(at(plan.placed().get(0)), "2026-11-23T19:00");
        assertEquals(at(plan.placed().get(1)), "2026-11-25T19:00");
        assertTrue(plan.drivers().contains(new Driver(Driver.Kind.DRYING, "oil dries", 1440)));
        assertTrue(
                plan.drivers()
                        .contains(new Driver(Driver.Kind.NO_BENCH_TIME, "no bench time", 1830)));
    }

    @Test
    public void aWindowPullsTheCoatIntoALongerEvening() {
        // 90 min on the wash leave no room on a two-hour evening for a wipe that opens after 40 min
        var gaps = List.of(new TimeLag("wash", "wipe", 40, OptionalLong.of(60), "window"));
        var plan = placed(List.of(task("wash", 90), task("wipe", 15)), gaps);
        assertEquals(at(plan.placed().get(0)), "2026-11-28T10:00");
        assertEquals(at(plan.placed().get(1)), "2026-11-28T12:10");
    }

    @Test
    public void aStepLongerThanAnyEveningIsNamed() {
        var no =
                (DiaryOutcome.CannotPlace)
                        DiaryPlacer.place(
                                List.of(task("masking", 400)),
                                List.of(),
                                EVENINGS.spans(MONDAY_NOON, 370),
                                MONDAY_NOON);
        assertTrue(no.reason().contains("masking") && no.reason().contains("400 min"), no.reason());
    }

    @Test
    public void aWindowThatNoEveningHoldsIsNamed() {
        var gaps = List.of(new TimeLag("wash", "wipe", 1000, OptionalLong.of(1010), "window"));
        var no =
                (DiaryOutcome.CannotPlace)
                        DiaryPlacer.place(
                                List.of(task("wash", 30), task("wipe", 15)),
                                gaps,
                                EVENINGS.spans(MONDAY_NOON, 370),
                                MONDAY_NOON);
        assertTrue(no.reason().contains("window"), no.reason());
    }

    @Test
    public void doneStepsStayWhereTheyWere() {
        List<DiaryTask> tasks =
                List.of(
                        new DiaryTask("seal", "seal", 20, OptionalLong.of(MONDAY_NOON - 500)),
                        task("chips", 30));
        var plan = placed(tasks, List.of(gap("seal", "chips", 60)));
        assertEquals(plan.placed().getFirst().startMinute(), MONDAY_NOON - 500);
        assertTrue(plan.placed().getFirst().done());
        assertEquals(at(plan.placed().get(1)), "2026-11-23T19:00");
    }

    @Test
    public void theClockChangeCostsAnHourOfDryingNotOfThePattern() {
        // clocks go forward on 2027-03-28: Saturday 19:00 to Sunday 19:00 is 23 h there
        var weekend =
                new Availability(
                        List.of(slot(DayOfWeek.SATURDAY, 19, 22), slot(DayOfWeek.SUNDAY, 19, 22)),
                        BERLIN);
        long start = Instant.parse("2027-03-27T08:00:00Z").getEpochSecond() / 60;
        var plan =
                (DiaryOutcome.Placed)
                        DiaryPlacer.place(
                                List.of(task("a", 30), task("b", 30)),
                                List.of(gap("a", "b", 1440)),
                                weekend.spans(start, 370),
                                start);
        assertEquals(at(plan.placed().get(1)), "2027-03-28T20:30");
    }

    /** Steps every start on the grid until all demands hold: slow and plain. */
    private static List<Long> naive(List<DiaryTask> tasks, List<TimeLag> gaps) {
        var spans = EVENINGS.spans(MONDAY_NOON, 60);
        List<Long> starts = new ArrayList<>();
        tasks.forEach(_ -> starts.add(Math.ceilDiv(MONDAY_NOON, 5L) * 5));
        boolean ok = false;
        while (!ok) {
            ok = true;
            for (int i = 0; i < tasks.size(); i++) {
                long s = starts.get(i);
                long e = s + tasks.get(i).minutes();
                boolean bad =
                        spans.stream().noneMatch(p -> p.fromMinute() <= s && e <= p.untilMinute());
                bad |= i > 0 && s < starts.get(i - 1) + tasks.get(i - 1).minutes();
                for (TimeLag g : gaps) {
                    int from = id(tasks, g.fromId());
                    int to = id(tasks, g.toId());
                    bad |=
                            to == i
                                    && s
                                            < starts.get(from)
                                                    + tasks.get(from).minutes()
                                                    + g.minMinutes();
                    bad |=
                            from == i
                                    && g.maxMinutes().isPresent()
                                    && starts.get(to) - e > g.maxMinutes().getAsLong();
                }
                if (bad) {
                    starts.set(i, s + 5);
                    ok = false;
                }
            }
        }
        return starts;
    }

    private static int id(List<DiaryTask> tasks, String id) {
        return tasks.stream().map(DiaryTask::id).toList().indexOf(id);
    }

    @Test
    public void everyStepIsAsEarlyAsSteppingThroughTimeFindsIt() {
        Random random = new Random(4);
        for (int i = 0; i < 60; i++) {
            List<DiaryTask> tasks = new ArrayList<>();
            List<TimeLag> gaps = new ArrayList<>();
            int n = 2 + random.nextInt(4);
            for (int k = 0; k < n; k++) {
                tasks.add(task("t" + k, 10 + 5 * random.nextInt(12)));
                if (k > 0 && random.nextInt(3) > 0) {
                    long min = random.nextInt(2) == 0 ? random.nextInt(40) : random.nextInt(4000);
                    var max = min < 40 ? OptionalLong.of(min + 30) : OptionalLong.empty();
                    gaps.add(new TimeLag("t" + (k - 1), "t" + k, min, max, "why"));
                }
            }
            List<Long> starts =
                    placed(tasks, gaps).placed().stream().map(Placement::startMinute).toList();
            assertEquals(starts, naive(tasks, gaps), tasks + " " + gaps);
        }
    }

    @Test
    public void theDriversAddUpToTheWholeTime() {
        var plan =
                placed(
                        List.of(task("a", 30), task("b", 30), task("c", 60)),
                        List.of(gap("a", "b", 100), gap("b", "c", 3000)));
        long sum = plan.drivers().stream().mapToLong(Driver::minutes).sum();
        assertEquals(sum, plan.finishMinute() - MONDAY_NOON);
    }

    @Test
    public void takenMinutesAreCutOutAndSpansThatTouchAreJoined() {
        var day = List.of(new Availability.Span(100, 200), new Availability.Span(300, 400));
        assertEquals(
                Availability.without(
                        day,
                        List.of(new Availability.Span(120, 150), new Availability.Span(190, 310))),
                List.of(
                        new Availability.Span(100, 120),
                        new Availability.Span(150, 190),
                        new Availability.Span(310, 400)));
        assertEquals(
                Availability.with(day, new Availability.Span(180, 300)),
                List.of(new Availability.Span(100, 400)));
        assertEquals(Availability.without(day, List.of(new Availability.Span(0, 999))), List.of());
    }

    @Test
    public void benchTimeThatOverlapsOrRunsBackIsRefused() {
        expectThrows(InvalidInput.class, () -> slot(DayOfWeek.MONDAY, 21, 19));
        expectThrows(
                InvalidInput.class,
                () ->
                        new Availability(
                                List.of(
                                        slot(DayOfWeek.MONDAY, 18, 20),
                                        slot(DayOfWeek.MONDAY, 19, 21)),
                                BERLIN));
    }
}
