package org.pendrik.core.catalogue;

/**
 * How a wash behaves on a surface, interpolated between gloss, satin and dead flat.
 *
 * @param flow how readily it runs to detail, 0 to 1
 * @param grip how much of it stays, 0 to 1
 * @param removability how cleanly it wipes off, 0 to 1
 */
public record WashBehaviour(double flow, double grip, double removability) {
    private static final WashBehaviour ON_GLOSS = new WashBehaviour(1.0, 0.25, 1.0);
    private static final WashBehaviour ON_SATIN = new WashBehaviour(0.6, 0.55, 0.55);
    private static final WashBehaviour ON_MATTE = new WashBehaviour(0.25, 0.90, 0.15);

    /** The behaviour on a surface of this tooth, 0 to 1; constant outside gloss to dead flat. */
    public static WashBehaviour on(double tooth) {
        if (tooth <= Finish.SATIN.tooth()) {
            return between(ON_GLOSS, ON_SATIN, share(tooth, Finish.GLOSS, Finish.SATIN));
        }
        return between(ON_SATIN, ON_MATTE, share(tooth, Finish.SATIN, Finish.MATTE));
    }

    private static double share(double tooth, Finish from, Finish to) {
        return Math.clamp((tooth - from.tooth()) / (to.tooth() - from.tooth()), 0.0, 1.0);
    }

    private static WashBehaviour between(WashBehaviour a, WashBehaviour b, double t) {
        return new WashBehaviour(
                a.flow + (b.flow - a.flow) * t,
                a.grip + (b.grip - a.grip) * t,
                a.removability + (b.removability - a.removability) * t);
    }

    /** What the person at the bench will see. */
    public String said() {
        return removability < 0.4
                ? "it will stain and not wipe clean"
                : grip < 0.4
                        ? "it will slip and may wipe off entirely"
                        : "it runs and wipes as it should";
    }
}
