package org.pendrik.e2e;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import org.testng.annotations.Test;

/** What the application said was stored is there after it was killed in the middle of writing. */
public class DurabilityTest {
    private static final int ROUNDS = Integer.getInteger("e2e.rounds", 3);

    /** So many kills see one folder; after more of them its lists take longer than the writing. */
    private static final int KILLS_OF_A_FOLDER = 20;

    @Test
    public void killedWhileWritingLosesNothingThatWasConfirmed()
            throws IOException, InterruptedException {
        int confirmed = 0;
        int lost = 0;
        int half = 0;
        Writers writers = new Writers();
        for (int round = 0; round < ROUNDS; round++) {
            if (round > 0 && round % KILLS_OF_A_FOLDER == 0) {
                confirmed += writers.confirmed();
                lost += writers.lost();
                half += writers.half();
                System.out.printf(
                        "after %d kills: %d confirmed writes, %d lost, %d half%n",
                        round, confirmed, lost, half);
                writers = new Writers();
            }
            writers.killedAfter(12 + 17 * (round % 7));
        }
        confirmed += writers.confirmed();
        lost += writers.lost();
        half += writers.half();
        System.out.printf(
                "kill -9: %d confirmed writes over %d kills, %d lost, %d half%n",
                confirmed, ROUNDS, lost, half);
        assertEquals(lost, 0);
        assertEquals(half, 0);
        assertTrue(confirmed >= ROUNDS * 12, "hardly anything was written: " + confirmed);
    }
}
