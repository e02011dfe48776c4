package org.pendrik.app.task;

import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.testng.annotations.Test;

public class TaskControllerTest {
    /** A page that has gone away: whatever is sent to it fails. */
    private static final class Gone extends SseEmitter {
        @Override
        public void send(Object object, MediaType type) throws IOException {
            throw new IOException("nobody there");
        }
    }

    @Test
    public void workStopsWhenThePageThatWatchesItIsGone() throws InterruptedException {
        Tasks tasks = new Tasks();
        UUID id = UUID.randomUUID();
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch stopped = new CountDownLatch(1);
        Thread worker =
                Thread.ofPlatform()
                        .daemon()
                        .start(
                                () -> {
                                    try {
                                        tasks.run(
                                                id,
                                                watch -> {
                                                    while (true) {
                                                        watch.at("piece", 0.5);
                                                        begun.countDown();
                                                        Thread.onSpinWait();
                                                    }
                                                });
                                    } catch (CancellationException e) {
                                        stopped.countDown();
                                    }
                                });
        assertTrue(begun.await(10, TimeUnit.SECONDS));
        new TaskController(tasks).follow(id, new Gone());
        assertTrue(stopped.await(10, TimeUnit.SECONDS), "it goes on for nobody");
        worker.join(Duration.ofSeconds(10));
    }
}
