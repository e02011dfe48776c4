package org.pendrik.app.task;

import java.time.Duration;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.units.Watch;
import org.springframework.stereotype.Service;

/**
 * Work that somebody watches: the page names it when it asks, looks at how far it is, and may stop
 * it. What nobody named cannot be watched.
 */
@Service
public class Tasks {
    private final Map<UUID, State> running = new ConcurrentHashMap<>();

    /**
     * How far a task is.
     *
     * @param what the piece that runs, in words
     * @param share done, 0 to 1
     * @param over nothing more will come
     */
    public record Progress(String what, double share, boolean over) {}

    /** Nobody waits longer for an answer that comes by itself. */
    private static final Duration LONGEST = Duration.ofSeconds(60);

    /** A watch that ends the work after some time. */
    public static Watch atMost(Duration time) {
        long from = System.nanoTime();
        return (what, share) -> {
            if (System.nanoTime() - from > time.toNanos()) {
                throw new Watch.TimeUp(what);
            }
        };
    }

    private static final class State implements Watch {
        private final Watch bound = atMost(LONGEST);
        private volatile Progress progress = new Progress("", 0, false);
        private volatile boolean stopped;

        @Override
        public void at(String what, double share) {
            if (stopped) {
                throw new CancellationException(what);
            }
            bound.at(what, share);
            progress = new Progress(what, share, false);
        }
    }

    /**
     * Runs work under a name.
     *
     * @param id the name that the page gave it; null when nobody watches
     * @throws CancellationException when it was stopped
     */
    public <T> T run(@Nullable UUID id, Function<Watch, T> work) {
        if (id == null) {
            return work.apply(atMost(LONGEST));
        }
        State state = running.computeIfAbsent(id, _ -> new State());
        try {
            return work.apply(state);
        } finally {
            state.progress = new Progress("", 1, true);
            running.remove(id);
        }
    }

    /** How far a task is; empty progress when it has not begun, over when it has ended. */
    public Progress progress(UUID id) {
        State s = running.get(id);
        return s == null ? new Progress("", 1, true) : s.progress;
    }

    /** Stops a task at the end of its piece; one that has ended, or never began, is left alone. */
    public void stop(UUID id) {
        State s = running.get(id);
        if (s != null) {
            s.stopped = true;
        }
    }
}
