package org.pendrik.app.photograph;

/** Which side of a subject a photograph shows. */
public enum Side {
    LEFT("left side"),
    RIGHT("right side"),
    A_END("A end"),
    B_END("B end"),
    ROOF("roof"),
    DETAIL("detail");

    private final String label;

    Side(String label) {
        this.label = label;
    }

    /** As said at the bench. */
    public String label() {
        return label;
    }
}
