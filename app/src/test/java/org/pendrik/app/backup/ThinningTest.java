package org.pendrik.app.backup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

public class ThinningTest {
    private static final LocalDateTime SUNDAY = LocalDateTime.parse("2026-11-29T19:00");

    @Test
    public void twoYearsOfDaysLeaveSevenDaysFourWeeksAndTwelveMonths() {
        List<LocalDateTime> days =
                IntStream.range(0, 730).mapToObj(i -> SUNDAY.minusDays(i)).toList();
        Set<LocalDateTime> kept = new TreeSet<>(Thinning.kept(days));
        // the week of today holds all seven days; the newest of a month may be one of a week
        assertEquals(kept.size(), 7 + 3 + 11, kept.toString());
        for (int i = 0; i < 7; i++) {
            assertTrue(kept.contains(SUNDAY.minusDays(i)));
        }
        for (String at : List.of("2026-11-22T19:00", "2026-10-31T19:00", "2025-12-31T19:00")) {
            assertTrue(kept.contains(LocalDateTime.parse(at)), at);
        }
    }

    @Test
    public void thinningAgainChangesNothing() {
        Set<LocalDateTime> kept = Set.of();
        for (int i = 0; i < 400; i++) {
            Set<LocalDateTime> all = new TreeSet<>(kept);
            all.add(SUNDAY.plusDays(i));
            kept = Thinning.kept(all);
            assertEquals(Thinning.kept(kept), kept);
        }
        assertTrue(kept.size() >= 7 + 2 + 10, kept.size() + " after 400 evenings");
    }

    @Test
    public void ofOneDayTheNewestStays() {
        LocalDateTime noon = LocalDateTime.parse("2026-11-29T12:00");
        assertEquals(Thinning.kept(List.of(noon, SUNDAY)), Set.of(SUNDAY));
        assertEquals(Thinning.kept(List.of()), Set.of());
    }
}
