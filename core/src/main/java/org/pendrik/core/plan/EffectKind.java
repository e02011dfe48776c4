package org.pendrik.core.plan;

/** An effect that can be seen on a prototype, or something that has to be done for it. */
public enum EffectKind {
    STRIPPED_LETTERING("lettering taken off"),
    REPAINT("new paint"),
    SALT_PITS("rust pits under paint"),
    DECAL("new lettering"),
    HOME_DECAL("printed lettering"),
    FADE("fade"),
    GRAFFITI("graffiti"),
    JOINT_SHADE("dark joints"),
    PANEL_LINES("panel lines"),
    GRIME("all-over grime"),
    ROAD_DIRT("thin dirt all over"),
    TRUCK_TONES("truck tones"),
    HIGHLIGHTS("light edges"),
    WORN_EDGES("rubbed edges"),
    CHIPS("chips"),
    INTERIOR("interior"),
    RUST_SPOTS("rust spots"),
    HEAVY_RUST("heavy rust"),
    RUST_STREAKS("rust streaks"),
    MINERAL_STREAKS("white mineral streaks"),
    PATCH("patch and number"),
    SOOT("soot"),
    DUST("dust and kick-up"),
    POWDER("heavy dry dirt"),
    SPILL("gloss spill"),
    WHEEL_FACES("wheel faces"),
    WINDOWS("clear windows"),
    LOAD("load"),
    DIRT_STREAKS("dirt streaks"),
    DETAILS("details picked out"),
    WORN_LETTERING("worn lettering"),
    PAINTED_OUT("painted-out names"),
    RENEWED_PANEL("one panel renewed"),
    MORTAR("mortar joints");

    private final String label;

    EffectKind(String label) {
        this.label = label;
    }

    /** As said at the bench. */
    public String label() {
        return label;
    }

    /** Whether a subject of a kind can have it: a building has no wheels and carries nothing. */
    public boolean suits(SubjectKind kind) {
        return switch (this) {
            case TRUCK_TONES -> kind.hasWheels() && kind != SubjectKind.ROAD_TRAILER;
            case WHEEL_FACES -> kind.hasWheels();
            case LOAD -> !kind.isBuilding();
            case MORTAR -> kind.isBuilding();
            default -> true;
        };
    }
}
