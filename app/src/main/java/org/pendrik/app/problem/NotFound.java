package org.pendrik.app.problem;

/** There is no such thing. */
public final class NotFound extends RuntimeException {
    @java.io.Serial private static final long serialVersionUID = 1L;

    /** The thing is named with its article: "The job". */
    public NotFound(String thing) {
        super(thing + " is not there. It may have been put away; look in the list of jobs.");
    }
}
