package org.pendrik.app.task;

import java.io.IOException;
import java.time.Duration;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

@RestController
class TaskController {
    private static final Duration BETWEEN = Duration.ofMillis(120);
    private static final long LONGEST_MS = 300_000;
    private static final int GRACE = 10;

    private final Tasks tasks;

    TaskController(Tasks tasks) {
        this.tasks = tasks;
    }

    /** Progress as server-sent events until the task is over. */
    @GetMapping(value = "/api/tasks/{id}", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter watch(@PathVariable UUID id) {
        SseEmitter out = new SseEmitter(LONGEST_MS);
        Thread.ofVirtual().start(() -> follow(id, out));
        return out;
    }

    void follow(UUID id, SseEmitter out) {
        try {
            // the work may begin a moment after somebody looks
            int unseen = 0;
            while (true) {
                Tasks.Progress p = tasks.progress(id);
                unseen = p.over() ? unseen + 1 : GRACE;
                if (!p.over()) {
                    out.send(p, MediaType.APPLICATION_JSON);
                } else if (unseen > GRACE) {
                    out.send(p, MediaType.APPLICATION_JSON);
                    out.complete();
                    return;
                }
                Thread.sleep(BETWEEN);
            }
        } catch (IOException | IllegalStateException e) {
            // the page went away: nobody waits for the work any more
            tasks.stop(id);
            out.completeWithError(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            out.complete();
        }
    }

    @DeleteMapping("/api/tasks/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stop(@PathVariable UUID id) {
        tasks.stop(id);
    }
}
