package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * How deep a carrier goes into a column.
 *
 * <p>Exposure starts at 1 and goes down coat by coat. Bite times exposure of 0.55 or more breaks a
 * coat, and nine tenths of the exposure go on; from 0.25 it softens it, and three tenths go on;
 * less leaves it untouched and nothing goes on except what leaks through a film that is not tight
 * yet, 1 − q / q_tight. Loose powder and open decal edges let all pass.
 *
 * @param met the coats met, topmost first
 */
public record Reach(List<Met> met) {
    /** Bite times exposure from which a coat is broken. */
    static final double BREAKS = 0.55;

    /** Bite times exposure from which a coat is softened. */
    static final double SOFTENS = 0.25;

    private static final double AFTER_BROKEN = 0.9;
    private static final double AFTER_SOFTENED = 0.3;

    /** What happens to a coat. */
    public enum Effect {
        UNTOUCHED,
        SOFTENED,
        BROKEN
    }

    /**
     * One coat on the way down.
     *
     * @param layer its place in the column from the substrate up, −1 for lettering on the
     *     substrate, −2 for the substrate
     * @param name what it is called
     * @param effect what happens to it
     * @param bite bite of the carrier with this action, 0 to 1
     * @param exposure what reaches it, 0 to 1
     * @param cure its cure fraction, 0 to 1
     */
    public record Met(
            int layer, String name, Effect effect, double bite, double exposure, double cure) {
        /** It lies in the column and was laid by an act. */
        Optional<Layer> in(Column column) {
            return layer >= 0 ? Optional.of(column.live().get(layer)) : Optional.empty();
        }
    }

    /** Index of factory lettering in {@link Met#layer}. */
    static final int LETTERING = -1;

    /** Index of the substrate in {@link Met#layer}. */
    static final int SUBSTRATE = -2;

    public Reach {
        met = List.copyOf(met);
    }

    /** Lets a carrier act on a column whose coats have the given ages in minutes. */
    static Reach into(
            Column column,
            Carrier carrier,
            Action action,
            BiteTable bites,
            ToDoubleFunction<Layer> ageOf) {
        List<Met> met = new ArrayList<>();
        double exposure = 1;
        if (carrier instanceof Carrier.Dry) {
            return new Reach(met);
        }
        List<Layer> layers = column.live();
        for (int i = layers.size() - 1; i >= 0 && exposure > 0; i--) {
            Layer l = layers.get(i);
            double q = l.cureAfter(ageOf.applyAsDouble(l));
            double leak = column.isOpen(i) ? 1 : leak(l.binder(), q);
            exposure =
                    step(
                            met,
                            i,
                            l.material().name(),
                            bites.bite(carrier, l.binder(), q),
                            action,
                            exposure,
                            q,
                            leak);
        }
        Zone zone = column.zone();
        if (exposure > 0 && column.lettering()) {
            double b = bites.bite(carrier, Binder.FACTORY_LETTERING, 1);
            // lettering covers a panel in part: the paint beside it sees the carrier as if it were
            // not there
            step(met, LETTERING, "factory lettering", b, action, exposure, 1, 1);
        }
        if (exposure > 0) {
            double b = bites.bite(carrier, zone.substrate().binder(), 1);
            step(met, SUBSTRATE, zone.substrate().label(), b, action, exposure, 1, 0);
        }
        return new Reach(met);
    }

    private static double step(
            List<Met> met,
            int layer,
            String name,
            double bite,
            Action action,
            double exposure,
            double q,
            double leak) {
        double acting = Math.min(1, bite * action.factor());
        double hit = acting * exposure;
        Effect effect =
                hit >= BREAKS ? Effect.BROKEN : hit >= SOFTENS ? Effect.SOFTENED : Effect.UNTOUCHED;
        met.add(new Met(layer, name, effect, acting, exposure, q));
        double passed =
                switch (effect) {
                    case BROKEN -> AFTER_BROKEN;
                    case SOFTENED -> AFTER_SOFTENED;
                    case UNTOUCHED -> 0;
                };
        double on = exposure * Math.max(passed, leak);
        // what could not even soften the weakest coat is not followed further
        return on < SOFTENS ? 0 : on;
    }

    private static double leak(Binder binder, double q) {
        return binder.tightAt() == 0 ? 0 : Math.max(0, 1 - q / binder.tightAt());
    }

    /** Bite times exposure on a coat; 0 when the carrier does not come that far. */
    double hit(int layer) {
        for (Met m : met) {
            if (m.layer() == layer) {
                return m.bite() * m.exposure();
            }
        }
        return 0;
    }

    /** Whether at least this happens to a coat. */
    boolean does(int layer, Effect wanted) {
        double hit = hit(layer);
        return switch (wanted) {
            case UNTOUCHED -> true;
            case SOFTENED -> hit >= SOFTENS;
            case BROKEN -> hit >= BREAKS;
        };
    }
}
