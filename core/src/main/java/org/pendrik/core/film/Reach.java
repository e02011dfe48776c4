package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import org.pendrik.core.catalogue.Action;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.BiteTable;
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.Must;

/**
 * How deep a carrier goes into a column.
 *
 * <p>Exposure starts at 1 (warm water: 1.5) and goes down coat by coat. Bite times exposure of 0.55
 * or more breaks a coat, and nine tenths of the exposure go on; from 0.25 it softens it, and three
 * tenths go on. At least as much goes on as leaks through a film that is not tight yet, 1 − (q /
 * q_tight)^s with s = 1 for quick work and 2 where the liquid stands or is worked in, and as a coat
 * that does not close the zone lets by. Coats that lift off with what is meant let through what
 * leaks. Beneath what is meant, once it gives way, the liquid stands with its full strength.
 *
 * @param met the coats met, topmost first
 */
public record Reach(List<Met> met) {
    /** Bite times exposure from which a coat is broken. */
    static final double BREAKS = 0.55;

    /** Bite times exposure from which a coat is softened. */
    static final double SOFTENS = BiteTable.SOFTENS;

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
     * @param exposure what reaches it, 0 to 1.5
     * @param cure its cure fraction, 0 to 1
     */
    public record Met(
            int layer, String name, Effect effect, double bite, double exposure, double cure) {
        /** It lies in the column and was laid by an act. */
        Optional<Layer> in(Column column) {
            return layer >= 0 ? Optional.of(column.live().get(layer)) : Optional.empty();
        }

        /**
         * The coat that it met, in the column as it lies now; empty for lettering and substrate.
         */
        public Optional<Layer> coatOf(Column column) {
            return layer >= 0 && layer < column.live().size() ? in(column) : Optional.empty();
        }

        double hit() {
            return bite * exposure;
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
        return into(column, carrier, action, List.of(), Must.NOTHING, bites, ageOf);
    }

    /**
     * The same for an act that means some of the coats.
     *
     * @param targets what is meant, topmost first
     */
    static Reach into(
            Act act,
            Column column,
            List<Layer> targets,
            BiteTable bites,
            ToDoubleFunction<Layer> ageOf) {
        return into(column, act.carrier(), act.action(), targets, act.must(), bites, ageOf);
    }

    private static Reach into(
            Column column,
            Carrier carrier,
            Action action,
            List<Layer> targets,
            Must must,
            BiteTable bites,
            ToDoubleFunction<Layer> ageOf) {
        List<Met> met = new ArrayList<>();
        if (carrier instanceof Carrier.Dry) {
            return new Reach(met);
        }
        double full = carrier.reach();
        double exposure = full;
        List<Layer> layers = column.live();
        boolean works = must != Must.NOTHING && !targets.isEmpty();
        int deepest = works ? layers.indexOf(targets.getLast()) : -1;
        // what lifts off in one piece stays whole until then; what is wiped away coat by coat does
        // not
        boolean together = must == Must.LIFTED && column.coats(targets) > 1;
        double passes = 0;
        for (int i = layers.size() - 1; i >= 0 && exposure > 0; i--) {
            Layer l = layers.get(i);
            double q = l.cureAfter(ageOf.applyAsDouble(l));
            Met m =
                    met(
                            i,
                            l.material().name(),
                            bites.bite(carrier, l.binder(), q),
                            action,
                            exposure,
                            q);
            met.add(m);
            double open = Math.max(leak(l.binder(), action, q), 1 - l.closed());
            boolean comesOff = together && i != deepest && targets.contains(l);
            passes = Math.max(passes, comesOff ? open : Math.max(open, passed(m.effect())));
            if (i == deepest && m.hit() >= SOFTENS) {
                exposure = full;
                passes = 0;
            } else if (i == 0 || !l.fused()) {
                exposure = on(exposure * passes);
                passes = 0;
            }
        }
        Zone zone = column.zone();
        if (exposure > 0 && column.lettering()) {
            // lettering covers a panel in part: the paint beside it sees the carrier as if it were
            // not there
            double b = bites.bite(carrier, Binder.FACTORY_LETTERING, 1);
            met.add(met(LETTERING, "factory lettering", b, action, exposure, 1));
        }
        if (exposure > 0) {
            double b = bites.bite(carrier, zone.substrate().binder(), 1);
            met.add(met(SUBSTRATE, zone.substrate().label(), b, action, exposure, 1));
        }
        return new Reach(met);
    }

    private static Met met(
            int layer, String name, double bite, Action action, double exposure, double q) {
        double acting = Math.min(1, bite * action.factor());
        double hit = acting * exposure;
        Effect effect =
                hit >= BREAKS ? Effect.BROKEN : hit >= SOFTENS ? Effect.SOFTENED : Effect.UNTOUCHED;
        return new Met(layer, name, effect, acting, exposure, q);
    }

    private static double passed(Effect effect) {
        return switch (effect) {
            case BROKEN -> AFTER_BROKEN;
            case SOFTENED -> AFTER_SOFTENED;
            case UNTOUCHED -> 0;
        };
    }

    /** What could not even soften the weakest coat is not followed further. */
    private static double on(double exposure) {
        return exposure < SOFTENS ? 0 : exposure;
    }

    private static double leak(Binder binder, Action action, double q) {
        if (binder.tightAt() == 0) {
            return 0;
        }
        double tight = q / binder.tightAt();
        return Math.max(0, 1 - (action.stands() ? tight * tight : tight));
    }

    /** Bite times exposure on a coat; 0 when the carrier does not come that far. */
    double hit(int layer) {
        for (Met m : met) {
            if (m.layer() == layer) {
                return m.hit();
            }
        }
        return 0;
    }

    /** Whether at least this happens to a coat. */
    boolean does(int layer, Must wanted) {
        return hit(layer) >= wanted.hit();
    }
}
