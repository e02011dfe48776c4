package org.pendrik.core.plan;

import java.util.List;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.Act;

/** The paint of the subject itself, which a top coat for chipping stands for. */
public final class OwnColour {
    static final String TOP_COAT = "chip-top";

    /** Key of the layer that lets a top coat come off. */
    static final String RELEASE = "release-coat";

    private OwnColour() {}

    /**
     * Whether an act lays a top coat for chipping in the paint that stands for a colour: the one
     * that is nearest to it of those that the technique can use.
     */
    public static boolean isTopCoatOf(Act act, Lab own, Catalogue catalogue) {
        if (!act.technique().key().equals(TOP_COAT)) {
            return false;
        }
        List<Material> may = act.technique().materials().stream().map(catalogue::material).toList();
        return EffectsSeen.nearest(may, own)
                .filter(m -> m.key().equals(act.material().key()))
                .isPresent();
    }
}
