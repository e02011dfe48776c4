package org.pendrik.core.catalogue;

/**
 * How a surface reflects, and with it how well the next coat grips: its tooth from 0 (slick) to 1.
 */
public enum Finish {
    GLOSS(0.10, "gloss"),
    SEMI_GLOSS(0.25, "semi-gloss"),
    SATIN(0.45, "satin"),
    FLAT(0.70, "flat"),
    MATTE(0.85, "dead flat"),
    LOOSE(1.0, "loose powder");

    private final double tooth;
    private final String label;

    Finish(double tooth, String label) {
        this.tooth = tooth;
        this.label = label;
    }

    /** Grip for the next coat, 0 to 1. */
    public double tooth() {
        return tooth;
    }

    /** The finish of paint that grips most like this, of two the slicker; never loose powder. */
    public static Finish nearest(double tooth) {
        Finish best = GLOSS;
        for (Finish f : values()) {
            if (f != LOOSE && Math.abs(f.tooth - tooth) < Math.abs(best.tooth - tooth) - 1e-9) {
                best = f;
            }
        }
        return best;
    }

    /** As said at the bench. */
    public String label() {
        return label;
    }
}
