package org.pendrik.core.units;

import java.util.concurrent.CancellationException;

/** Follows long work, and can stop it. */
@FunctionalInterface
public interface Watch {
    /** Nobody looks. */
    Watch NOBODY = (what, share) -> {};

    /** The time that somebody gives to the work is over: the best so far is asked for. */
    final class TimeUp extends CancellationException {
        @java.io.Serial private static final long serialVersionUID = 1L;

        /**
         * @param what the piece that was not begun
         */
        public TimeUp(String what) {
            super(what);
        }
    }

    /**
     * Called between pieces of the work, from any of the threads that share it.
     *
     * @param what the piece that begins, in words
     * @param share how much is done, 0 to 1
     * @throws CancellationException to stop the work; nothing is changed by it
     * @throws TimeUp to end it with what it has
     */
    void at(String what, double share);
}
