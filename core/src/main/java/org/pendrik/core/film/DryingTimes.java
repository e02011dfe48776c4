package org.pendrik.core.film;

import java.util.Optional;
import org.pendrik.core.catalogue.WorkWindow;
import org.pendrik.core.units.Climate;

/**
 * When a coat laid in this air reaches its states, in minutes after it was laid.
 *
 * @param touch dry to a light touch
 * @param recoat takes the next coat
 * @param full fully cured
 * @param window when it may be worked, if it may
 * @param slowing minutes that pass for one minute of the tables
 */
public record DryingTimes(
        long touch, long recoat, long full, Optional<WorkWindow> window, double slowing) {
    /**
     * The times of the coat that an act leaves; empty when it leaves none or one that does not dry.
     */
    public static Optional<DryingTimes> of(Act act, Climate air) {
        return act.material()
                .binder()
                .flatMap(
                        b ->
                                act.material()
                                        .cure()
                                        .map(
                                                c -> {
                                                    Layer layer =
                                                            Layer.of(
                                                                    act,
                                                                    act.zones().iterator().next(),
                                                                    b,
                                                                    air);
                                                    return new DryingTimes(
                                                            up(c.touchMinutes() * layer.slowing()),
                                                            up(c.recoatMinutes() * layer.slowing()),
                                                            up(c.fullMinutes() * layer.slowing()),
                                                            act.material()
                                                                    .window()
                                                                    .map(
                                                                            _ ->
                                                                                    Workable
                                                                                            .windowOf(
                                                                                                    layer,
                                                                                                    air)),
                                                            layer.slowing());
                                                }));
    }

    private static long up(double minutes) {
        return (long) Math.ceil(minutes);
    }
}
