package org.pendrik.core.film;

import org.pendrik.core.units.Climate;

/**
 * One coat in a column.
 *
 * @param actId the act that laid it
 * @param technique how
 * @param material what
 * @param binder what stays of it
 * @param thickness how thick
 * @param laidAt minute in which it was laid
 * @param slowing minutes that pass for one minute of cure at reference
 * @param left share of it that is still there after what was taken back, 0 to 1
 */
public record Layer(
        StepId actId,
        Technique technique,
        Material material,
        Binder binder,
        Thickness thickness,
        long laidAt,
        double slowing,
        double left) {

    static Layer of(Act act, Binder binder, Climate air) {
        return new Layer(
                act.id(),
                act.technique(),
                act.material(),
                binder,
                act.thickness(),
                act.endMinute(),
                CureClock.slowing(binder, air, act.thickness()) * act.material().pace(),
                1);
    }

    /** What is left when a share of it was taken back. */
    Layer without(double share) {
        return new Layer(
                actId, technique, material, binder, thickness, laidAt, slowing, left * (1 - share));
    }

    /** Lies loose: nothing holds it. */
    boolean isLoose() {
        return binder.isLoose() && !technique.embeds();
    }

    /** Cure fraction at an age in minutes; 1 for what does not dry. */
    double cureAfter(double ageMinutes) {
        return material.cure().map(c -> c.fraction(ageMinutes / slowing)).orElse(1.0);
    }

    /** Cure fraction in a given minute, 0 to 1; 1 for what does not dry. */
    public double cureAt(long minute) {
        return cureAfter((double) (minute - laidAt));
    }

    /** Binds loose matter beneath it. */
    boolean binds() {
        return material.isClear();
    }

    /** Dry film in micrometres. */
    public double filmMicrometres() {
        return material.filmMicrometres() * thickness.factor() * left;
    }
}
