package org.pendrik.core.film;

/** What a carrier does on the surface, and how much of its bite comes to work. */
public enum Action {
    DRY(0),
    /** From so far off that most of the solvent has gone before it lands. */
    DRY_MIST(0.2),
    MIST(0.25),
    SPRAY(0.5),
    BRUSH(0.8),
    WIPE(1),
    FLOOD(1),
    SOAK(1.3),
    SCRUB(1.5);

    private final double factor;

    Action(double factor) {
        this.factor = factor;
    }

    double factor() {
        return factor;
    }

    /** Touches the surface with a tool, so that loose matter is moved. */
    boolean touches() {
        return switch (this) {
            case DRY, DRY_MIST, MIST, SPRAY -> false;
            case BRUSH, WIPE, FLOOD, SOAK, SCRUB -> true;
        };
    }
}
