package org.pendrik.app.problem;

/** There is too much to do at once; later it can be done. */
public final class Busy extends RuntimeException {
    @java.io.Serial private static final long serialVersionUID = 1L;

    /**
     * @param why a sentence
     */
    public Busy(String why) {
        super(why + " Wait a moment and repeat it.");
    }
}
