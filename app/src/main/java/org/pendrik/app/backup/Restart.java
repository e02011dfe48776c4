package org.pendrik.app.backup;

/** Closes the program and starts it again in the same place, on the same port. */
@FunctionalInterface
public interface Restart {
    /** Does so once the answer that is on its way has left. */
    void soon();
}
