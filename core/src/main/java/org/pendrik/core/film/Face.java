package org.pendrik.core.film;

/** The way a zone faces while the model stands on its wheels. */
public enum Face {
    UP,
    SIDE,
    END,
    DOWN;

    /** Air aimed at one of the two also strikes the other. */
    boolean isBeside(Face other) {
        return !((this == UP && other == DOWN) || (this == DOWN && other == UP));
    }
}
