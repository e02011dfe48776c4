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
    /** Neither more nor less, but not alike: an angle, a size, a place. */
    DIFFERS,
    /** The photographs leave it open. */
    CANNOT_TELL
}
