package org.pendrik.app.problem;

/** Somebody else, or another tab, changed the thing in the meantime. */
public final class StaleVersion extends RuntimeException {
    @java.io.Serial private static final long serialVersionUID = 1L;

    /** The named thing has a newer version than the one that was sent. */
    public StaleVersion(String thing) {
        super(
                thing
                        + " was changed in another window. What you see is out of date: it is loaded again now.");
    }

    /** Throws unless exactly one row was changed. */
    public static void unlessOne(int rows, String thing) {
        if (rows != 1) {
            throw new StaleVersion(thing);
        }
    }
}
