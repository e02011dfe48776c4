package org.pendrik.app.problem;

/** What was sent came too slowly or stopped coming; its thread is let go for others. */
public class SlowBody extends RuntimeException {
    private static final long serialVersionUID = 1;

    public SlowBody() {
        super(
                "What was sent stopped coming before it was whole. Nothing was stored. Send it again.");
    }
}
