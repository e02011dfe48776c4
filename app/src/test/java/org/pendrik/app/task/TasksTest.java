package org.pendrik.app.task;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.UUID;
import java.util.concurrent.CancellationException;
import org.testng.annotations.Test;

public class TasksTest {
    @Test
    public void isWatchedWhileItRunsAndForgottenAfter() {
        Tasks tasks = new Tasks();
        UUID id = UUID.randomUUID();
        assertTrue(tasks.progress(id).over());
        String answer =
                tasks.run(
                        id,
                        watch -> {
                            watch.at("Sorting every pixel", 0.4);
                            assertEquals(
                                    tasks.progress(id),
                                    new Tasks.Progress("Sorting every pixel", 0.4, false));
                            return "measured";
                        });
        assertEquals(answer, "measured");
        assertTrue(tasks.progress(id).over());
    }

    @Test
    public void isStoppedAtTheEndOfThePiece() {
        Tasks tasks = new Tasks();
        UUID id = UUID.randomUUID();
        boolean[] reached = new boolean[2];
        expectThrows(
                CancellationException.class,
                () ->
                        tasks.run(
                                id,
                                watch -> {
                                    watch.at("one", 0);
                                    reached[0] = true;
                                    tasks.stop(id);
                                    watch.at("two", 0.5);
                                    reached[1] = true;
                                    return "";
                                }));
        assertTrue(reached[0]);
        assertFalse(reached[1]);
        assertTrue(tasks.progress(id).over());
    }

    @Test
    public void stoppingWhatHasEndedDoesNothing() {
        Tasks tasks = new Tasks();
        UUID id = UUID.randomUUID();
        tasks.stop(id);
        assertEquals(tasks.run(id, _ -> 7), Integer.valueOf(7));
        assertEquals(tasks.run(null, _ -> 8), Integer.valueOf(8));
    }

    @Test
    public void whoGivesNoTimeGetsWhatThereIs() {
        var watch = Tasks.atMost(java.time.Duration.ZERO);
        expectThrows(
                org.pendrik.core.units.Watch.TimeUp.class,
                () -> {
                    for (int i = 0; i < 1_000_000; i++) {
                        watch.at("piece", 0);
                    }
                });
    }
}
