package org.pendrik.core.units;

import java.util.concurrent.CancellationException;

/** Follows long work, and can stop it. */
@FunctionalInterface
public interface Watch {
    /** Nobody looks. */
    Watch NOBODY = (what, share) -> {};

    /**
     * Called between pieces of the work, from any of the threads that share it.
     *
     * @param what the piece that begins, in words
     * @param share how much is done, 0 to 1
     * @throws CancellationException to stop the work; nothing is changed by it
     */
    void at(String what, double share);
}
