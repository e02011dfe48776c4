package org.pendrik.app.sides;

import org.pendrik.core.plan.SubjectKind;

/** Which side of a subject a photograph shows. */
public enum Side {
    LEFT("left side"),
    RIGHT("right side"),
    A_END("A end"),
    B_END("B end"),
    ROOF("roof"),
    DETAIL("detail");

    /** As said of a vehicle. */
    private final String label;

    Side(String label) {
        this.label = label;
    }

    /** As said of a subject of a kind: a building has a front and gables. */
    public String label(SubjectKind kind) {
        return !kind.isBuilding()
                ? label
                : switch (this) {
                    case LEFT -> "front";
                    case RIGHT -> "back";
                    case A_END -> "left gable";
                    case B_END -> "right gable";
                    case ROOF, DETAIL -> label;
                };
    }
}
