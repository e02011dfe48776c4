package org.pendrik.core.catalogue;

/** What a carrier does on the surface, and how much of its bite comes to work. */
public enum Action {
    /** Powder, film, hands: nothing wet. */
    DRY(0),
    /** A brush or cloth with next to nothing in it: moves what is loose and bites nothing. */
    DRY_BRUSH(0),
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

    /**
     * The share of a bite that comes to work: 0 dry, above 1 where the liquid soaks or is scrubbed
     * in.
     */
    public double factor() {
        return factor;
    }

    /** No liquid comes with it. */
    public boolean isDry() {
        return this == DRY || this == DRY_BRUSH;
    }

    /** Touches the surface with a tool, so that loose matter is moved. */
    public boolean touches() {
        return switch (this) {
            case DRY, DRY_MIST, MIST, SPRAY -> false;
            case DRY_BRUSH, BRUSH, WIPE, FLOOD, SOAK, SCRUB -> true;
        };
    }

    /** Worked by hand in small places, seen while it happens; sprays, floods and soaks are not. */
    public boolean byHand() {
        return switch (this) {
            case DRY, DRY_BRUSH, BRUSH, WIPE, SCRUB -> true;
            case DRY_MIST, MIST, SPRAY, FLOOD, SOAK -> false;
        };
    }

    /** Lays fine drops that are dry almost at once. */
    public boolean isMist() {
        return this == MIST || this == DRY_MIST;
    }

    /** The liquid stands or is worked in, so that it finds what is not tight. */
    public boolean stands() {
        return this == FLOOD || this == SOAK || this == SCRUB;
    }

    /**
     * The action when the coat is laid so thick: a mist of a spray is a mist, a wet coat stands
     * longer than a normal one, and from a can one can flood as well.
     */
    public Action laid(Thickness thickness) {
        return switch (this) {
            case DRY, DRY_BRUSH, WIPE, SOAK, SCRUB, FLOOD -> this;
            case SPRAY, BRUSH ->
                    switch (thickness) {
                        case MIST -> this == SPRAY ? MIST : BRUSH;
                        case LIGHT, NORMAL -> this;
                        case WET, FLOOD -> FLOOD;
                    };
            case DRY_MIST, MIST ->
                    switch (thickness) {
                        case MIST, LIGHT, NORMAL -> this;
                        case WET -> SPRAY;
                        case FLOOD -> FLOOD;
                    };
        };
    }
}
