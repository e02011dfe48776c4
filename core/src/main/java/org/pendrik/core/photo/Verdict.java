package org.pendrik.core.photo;

/** How far the model has come in one region. */
public enum Verdict {
    /** Less weathered than the prototype. */
    LIGHTER,
    /** The difference is within what can be measured. */
    AS_PROTOTYPE,
    /** More weathered than the prototype. */
    HEAVIER,
    /** As weathered as the prototype, in a colour that is another one. */
    OTHER_COLOUR,
    /**
     * Without the factory colour, which way is "more" is not known; a photograph without colour
     * tells neither.
     */
    CANNOT_TELL
}
