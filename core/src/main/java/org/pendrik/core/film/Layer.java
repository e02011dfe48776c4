package org.pendrik.core.film;

import org.pendrik.core.catalogue.Action;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.units.Climate;

/**
 * One coat in a column.
 *
 * @param actId the act that laid it
 * @param technique how
 * @param material what
 * @param binder what stays of it
 * @param thickness how thick it was laid
 * @param coats how thick the coat is in which it lies, as a multiple of a normal one: more than its
 *     own where it blended with others
 * @param laidAt minute in which it was laid on this zone, or in which the youngest of those that it
 *     blended with was
 * @param slowing minutes that pass for one minute of cure at reference
 * @param left share of it that is still there after what was taken back, 0 to 1
 * @param madeFor what the act was there for
 * @param fused it is one coat with the one beneath
 */
public record Layer(
        StepId actId,
        Technique technique,
        Material material,
        Binder binder,
        Thickness thickness,
        double coats,
        long laidAt,
        double slowing,
        double left,
        MadeFor madeFor,
        boolean fused) {
    /** From this share of a zone on a coat keeps something from something. */
    static final double MOST_OF_A_ZONE = 0.9;

    private static final double HALF_CLOSED = 0.5;

    static Layer of(Act act, String zone, Binder binder, Climate air) {
        double coats = act.thickness().factor();
        return new Layer(
                act.id(),
                act.technique(),
                act.material(),
                binder,
                act.thickness(),
                coats,
                act.endOn(zone),
                slowing(binder, act.material(), coats, air),
                1,
                act.madeFor(),
                false);
    }

    private static double slowing(Binder binder, Material m, double coats, Climate air) {
        return CureClock.slowing(binder, air, coats, m.usual().factor()) * m.pace();
    }

    /** What is left when a share of it was taken back. */
    Layer without(double share) {
        return new Layer(
                actId,
                technique,
                material,
                binder,
                thickness,
                coats,
                laidAt,
                slowing,
                left * (1 - share),
                madeFor,
                fused);
    }

    /** One coat of this thickness with its neighbours, as young as the youngest. */
    Layer blended(double allCoats, long youngest, boolean withTheOneBeneath, Climate air) {
        return new Layer(
                actId,
                technique,
                material,
                binder,
                thickness,
                allCoats,
                youngest,
                slowing(binder, material, allCoats, air),
                left,
                madeFor,
                withTheOneBeneath);
    }

    /** Lies loose: nothing holds it. */
    boolean isLoose() {
        return binder.isLoose() && !technique.embeds();
    }

    /**
     * Decals of one effect lie side by side: none of them is above another or minds that it is wet.
     */
    boolean liesBeside(Binder other, MadeFor otherFor) {
        return binder == Binder.DECAL_FILM
                && other == binder
                && madeFor instanceof MadeFor.OfEffect
                && madeFor.equals(otherFor);
    }

    /** Part of the zone on which it lies, 0 to 1. */
    double share() {
        return technique.share() * left;
    }

    /**
     * What it keeps from what lies beneath, 0 to 1: all where it lies at least light on nine tenths
     * of the zone, half as a mist there; chips, dots, streaks, decals and powder keep nothing.
     */
    double closed() {
        if (binder == Binder.DECAL_FILM
                || material.binder().filter(Binder::isLoose).isPresent()
                || technique.action() == Action.DRY_BRUSH
                || share() < MOST_OF_A_ZONE) {
            return 0;
        }
        return closedBy(coats);
    }

    static double closedBy(double coats) {
        return coats >= Thickness.LIGHT.factor() ? 1 : HALF_CLOSED;
    }

    /** A film of at most a light coat. */
    boolean isThin() {
        return coats <= Thickness.LIGHT.factor();
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
        return material.isClear() && share() >= MOST_OF_A_ZONE;
    }

    /** Dry film in micrometres. */
    public double filmMicrometres() {
        return material.filmMicrometres() * thickness.factor() * left;
    }
}
