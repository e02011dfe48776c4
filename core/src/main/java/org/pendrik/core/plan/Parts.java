package org.pendrik.core.plan;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.pendrik.core.film.Act;

/** The parts that are off the model, by the steps that take them off and put them back. */
final class Parts {
    /** Key of the technique that takes parts off. */
    static final String OFF = "parts-off";

    /** Key of the technique that puts some of them back. */
    static final String ON = "parts-on";

    /** Key of the technique that puts everything together again. */
    static final String ALL_ON = "reassemble";

    private Parts() {}

    /** The parts that are still off after some acts, in the order in which they came off. */
    static List<String> stillOff(List<Act> acts) {
        Set<String> off = new LinkedHashSet<>();
        for (Act a : acts) {
            switch (a.technique().key()) {
                case OFF -> off.addAll(a.errand().parts());
                case ON -> a.errand().parts().forEach(off::remove);
                case ALL_ON -> {
                    if (a.errand().parts().isEmpty()) {
                        off.clear();
                    } else {
                        a.errand().parts().forEach(off::remove);
                    }
                }
                default -> {}
            }
        }
        return List.copyOf(off);
    }
}
