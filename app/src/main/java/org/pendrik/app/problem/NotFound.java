package org.pendrik.app.problem;

/** There is no such thing. */
public final class NotFound extends RuntimeException {
    @java.io.Serial private static final long serialVersionUID = 1L;

    /** The thing is named with its article: "The job". */
    public NotFound(String thing) {
        this(thing, "the list of jobs");
    }

    /**
     * @param thing with its article
     * @param place where to look for it
     */
    public NotFound(String thing, String place) {
        super(thing + " is not there. It may have been put away; look in " + place + ".");
    }
}
