package org.pendrik.core.plan;

/** An effect that can be seen on a prototype, and the technique that makes it. */
public enum EffectKind {
    FADE("fade", "mist-fade"),
    JOINT_SHADE("dark joints", "pin-wash"),
    CHIPS("chips", "sponge-chip"),
    RUST_STREAKS("rust streaks", "oil-streak"),
    DUST("dust and kick-up", "airbrush-dust"),
    POWDER("heavy dry dirt", "powder");

    private final String label;
    private final String technique;

    EffectKind(String label, String technique) {
        this.label = label;
        this.technique = technique;
    }

    /** As said at the bench. */
    public String label() {
        return label;
    }

    /** Key of the technique that makes it. */
    public String technique() {
        return technique;
    }
}
