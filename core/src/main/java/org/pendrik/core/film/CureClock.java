package org.pendrik.core.film;

import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.units.Climate;

/**
 * How much slower or faster than at reference a coat cures.
 *
 * <p>Evaporation: exp(−0.035 (T − 21)). Waterborne: the same times (1 − 0.50) / (1 − RH), at most
 * 4. Oxidation: doubled for every 10 °C colder, the usual rule for reactions of this kind.
 * Thickness: (h / h_usual)^1.3, since the anchors are for the coat as that material is usually laid
 * and an oil streak or a wash is thin by nature. A bench factor from the user's own experience
 * multiplies the lot.
 */
final class CureClock {
    private static final double EVAPORATION_PER_DEGREE = 0.035;
    private static final double DAMPEST = 4;
    private static final double THICKNESS_EXPONENT = 1.3;

    private CureClock() {}

    /** Minutes that pass for one minute of cure at reference. */
    static double slowing(Binder binder, Climate air) {
        double warmth =
                Math.exp(-EVAPORATION_PER_DEGREE * (air.celsius() - Climate.REFERENCE.celsius()));
        return switch (binder.drying()) {
            case WATER -> warmth * damp(air);
            case EVAPORATION -> warmth;
            case OXIDATION -> Math.pow(2, (Climate.REFERENCE.celsius() - air.celsius()) / 10);
            case NONE -> 1;
        };
    }

    /**
     * The same for a coat of some thickness against the usual one of its material, both above 0.
     */
    static double slowing(Binder binder, Climate air, double coats, double usualCoats) {
        return slowing(binder, air) * Math.pow(coats / usualCoats, THICKNESS_EXPONENT);
    }

    private static double damp(Climate air) {
        double dry = 1 - air.relativeHumidity();
        double reference = 1 - Climate.REFERENCE.relativeHumidity();
        return dry * DAMPEST <= reference ? DAMPEST : reference / dry;
    }
}
