package org.pendrik.core.plan;

/** The kinds of subject that have a set of zones. */
public enum SubjectKind {
    VAN("Boxcar or van"),
    HOPPER("Hopper or gondola"),
    TANK_CAR("Tank car"),
    FLAT_CAR("Flat car"),
    BRAKE_VAN("Brake van or caboose"),
    PASSENGER_CAR("Passenger car"),
    FREIGHT_CAR("Other freight car"),
    HOOD_DIESEL("Hood diesel"),
    CAB_DIESEL("Cab diesel"),
    RAILCAR("Railcar"),
    STEAM_ENGINE("Steam engine"),
    LOCOMOTIVE("Other locomotive"),
    ROAD_TRAILER("Road trailer"),
    CONTAINER("Container"),
    BRICK_BUILDING("Brick building"),
    TIMBER_BUILDING("Timber building"),
    METAL_BUILDING("Metal building"),
    STRUCTURE("Other structure");

    private final String label;

    SubjectKind(String label) {
        this.label = label;
    }

    /** As said in the page. */
    public String label() {
        return label;
    }

    /** It stands where it is: it has neither wheels nor ends that are coupled. */
    public boolean isBuilding() {
        return switch (this) {
            case BRICK_BUILDING, TIMBER_BUILDING, METAL_BUILDING, STRUCTURE -> true;
            default -> false;
        };
    }

    /** It rolls. */
    public boolean hasWheels() {
        return !isBuilding() && this != CONTAINER;
    }

    /** It is one that is driven. */
    public boolean isLocomotive() {
        return switch (this) {
            case HOOD_DIESEL, CAB_DIESEL, RAILCAR, STEAM_ENGINE, LOCOMOTIVE -> true;
            default -> false;
        };
    }
}
