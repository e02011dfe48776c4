package org.pendrik.core.film;

import static org.testng.Assert.assertEquals;

import java.time.Duration;
import java.time.Instant;
import org.pendrik.core.film.WindowClock.Phase;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class WindowClockTest {
    private static final Instant LAID = Instant.parse("2026-11-25T19:00:00Z");

    @DataProvider
    public Object[][] moments() {
        return new Object[][] {
            {0, Phase.WAITING, 10},
            {9, Phase.WAITING, 1},
            {10, Phase.OPEN, 40},
            {35, Phase.OPEN, 15},
            {38, Phase.OPEN, 12},
            {41, Phase.CLOSING, 9},
            {49, Phase.CLOSING, 1},
            {50, Phase.CLOSED, 0},
            {90, Phase.CLOSED, 40},
        };
    }

    @Test(dataProvider = "moments")
    public void readsTheSameWheneverItIsAsked(int minute, Phase phase, int toNext) {
        var c =
                WindowClock.read(
                        LAID,
                        Duration.ofMinutes(10),
                        Duration.ofMinutes(50),
                        LAID.plus(Duration.ofMinutes(minute)));
        assertEquals(c.phase(), phase);
        assertEquals(c.toNext(), Duration.ofMinutes(toNext));
        assertEquals(c.closesAt(), LAID.plus(Duration.ofMinutes(50)));
    }
}
