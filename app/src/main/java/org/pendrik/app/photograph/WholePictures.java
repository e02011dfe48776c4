package org.pendrik.app.photograph;

import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.pendrik.app.problem.Busy;
import org.springframework.stereotype.Component;

/**
 * Work that holds a whole picture in memory queues here: a few at a time, and who waits too long is
 * told so instead of taking the memory of all.
 */
@Component
public class WholePictures {
    private static final int AT_ONCE = 2;
    private static final int WAIT_SECONDS = 20;

    private final Semaphore places = new Semaphore(AT_ONCE, true);

    /**
     * Something that may fail in its own way.
     *
     * @param <T> what comes of it
     * @param <E> how it fails
     */
    @FunctionalInterface
    public interface Work<T, E extends Exception> {
        /** Does it. */
        T done() throws E;
    }

    /**
     * Does some work when its turn comes.
     *
     * @throws Busy when it does not come within {@value #WAIT_SECONDS} s
     */
    public <T, E extends Exception> T inTurn(Work<T, E> work) throws E {
        try {
            if (!places.tryAcquire(WAIT_SECONDS, TimeUnit.SECONDS)) {
                throw new Busy("Other photographs are still being read.");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Busy("It was stopped while it waited.");
        }
        try {
            return work.done();
        } finally {
            places.release();
        }
    }
}
