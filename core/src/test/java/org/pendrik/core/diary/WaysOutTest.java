package org.pendrik.core.diary;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.pendrik.core.diary.Availability.Span;
import org.testng.annotations.Test;

/** What saves a date. */
public class WaysOutTest {
    private static final long EVENING = 1140;

    private static DiaryTask task(String id, int minutes) {
        return new DiaryTask(id, id, minutes, OptionalLong.empty());
    }

    private static DiaryJob job(String id, OptionalLong due, DiaryTask... tasks) {
        return new DiaryJob(id, id, List.of(tasks), List.of(), due, 1, false);
    }

    /** Evenings of two hours on the days that are named. */
    private static List<Span> evenings(long... days) {
        List<Span> out = new ArrayList<>();
        for (long d : days) {
            out.add(new Span(d * 1440 + EVENING, d * 1440 + EVENING + 120));
        }
        return out;
    }

    @Test
    public void aDateThatIsKeptNeedsNone() {
        DiaryCase asked =
                new DiaryCase(
                        List.of(job("hopper", OptionalLong.of(2_000), task("fade", 60))),
                        evenings(0, 1),
                        List.of(),
                        0);
        assertEquals(WaysOut.of(asked, Solving.atOnce(asked).orElseThrow(), 0), List.of());
    }

    @Test
    public void aLongerEveningAnEveningMoreOrALaterDate() {
        // three times 60 minutes, wanted before the third evening; the second day is free
        DiaryCase asked =
                new DiaryCase(
                        List.of(
                                job(
                                        "hopper",
                                        OptionalLong.of(2 * 1440),
                                        task("fade", 60),
                                        task("dust", 60),
                                        task("flat", 60))),
                        evenings(0, 2, 4),
                        List.of(),
                        0);
        List<WaysOut.Priced> ways = WaysOut.of(asked, Solving.atOnce(asked).orElseThrow(), 0);
        WaysOut.Priced least = ways.getFirst();
        assertEquals(
                least.way(),
                new WaysOut.Way.MoreTime(new Span(EVENING + 120, EVENING + 180)),
                ways.toString());
        assertEquals(least.extraMinutes(), 60);
        assertTrue(
                ways.stream()
                        .anyMatch(
                                w ->
                                        w.way()
                                                .equals(
                                                        new WaysOut.Way.MoreTime(
                                                                new Span(
                                                                        1440 + EVENING,
                                                                        1440 + EVENING + 120)))),
                ways.toString());
        assertEquals(ways.getLast().way(), new WaysOut.Way.LaterDate(2 * 1440 + EVENING + 60));
        for (WaysOut.Priced w : ways.subList(0, ways.size() - 1)) {
            assertTrue(w.readyMinute() <= 2 * 1440, w.toString());
        }
    }

    @Test
    public void whoComesFirstCostsTheOthersTheirDate() {
        DiaryCase asked =
                new DiaryCase(
                        List.of(
                                job("early", OptionalLong.of(1440), task("fade", 120)),
                                job("late", OptionalLong.of(1500), task("fade", 120))),
                        evenings(0, 2, 3),
                        List.of(),
                        0);
        List<WaysOut.Priced> ways = WaysOut.of(asked, Solving.atOnce(asked).orElseThrow(), 1);
        WaysOut.Priced first =
                ways.stream()
                        .filter(w -> w.way() instanceof WaysOut.Way.ComesFirst)
                        .findFirst()
                        .orElseThrow();
        assertEquals(first.extraMinutes(), 0);
        assertEquals(first.othersLater(), 2 * 1440);
        assertEquals(first.othersLate(), 2 * 1440 + EVENING + 120 - 1440);
    }

    /** What is told is tried by the solver as well: with that time the date can be kept. */
    @Test
    public void whatIsToldIsTrue() {
        int told = 0;
        for (int seed = 0; seed < 300 && told < 40; seed++) {
            DiaryCase asked = new RandomWorkshops(seed).small();
            Optional<DiaryPlan> plan = Solving.atOnce(asked);
            if (plan.isEmpty()) {
                continue;
            }
            for (int j = 0; j < asked.jobs().size(); j++) {
                for (WaysOut.Priced w : WaysOut.of(asked, plan.get(), j)) {
                    if (w.way() instanceof WaysOut.Way.MoreTime more) {
                        DiaryCase with =
                                new DiaryCase(
                                        List.of(asked.jobs().get(j)),
                                        Availability.with(asked.bench(), more.more()),
                                        asked.resources(),
                                        asked.fromMinute());
                        assertEquals(
                                EveryDiary.best(with, Optional.empty()).orElseThrow().late(),
                                0,
                                "case " + seed + ": " + w);
                        told++;
                    }
                }
            }
        }
        assertTrue(told > 10, told + " told");
    }
}
