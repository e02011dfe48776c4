package org.pendrik.core.film;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Look;
import org.pendrik.core.paint.Paint;
import org.pendrik.core.paint.Surface;

/**
 * What coats look like over each other: each is a film of paint, known by its colour and by how
 * much of a contrast a normal coat of it hides. Spectra are found once and kept; they depend on
 * nothing but what they are asked for.
 */
final class CoatLook {
    /** More different colours than this are no workshop; then the memory starts anew. */
    private static final int MOST = 2000;

    private static final Map<Key, Paint> PAINTS = new ConcurrentHashMap<>();
    private static final Map<Start, Look> STARTS = new ConcurrentHashMap<>();

    private CoatLook() {}

    private record Key(Lab colour, Finish finish, double hiding, double micrometres) {}

    private record Start(Lab colour, Finish finish) {}

    /** A zone before the first coat. */
    static Look start(Lab colour, Finish finish) {
        if (STARTS.size() > MOST) {
            STARTS.clear();
        }
        return STARTS.computeIfAbsent(
                new Start(colour, finish), k -> Look.of(k.colour, surface(k.finish)));
    }

    /** The same with a coat on it, as much of it as is left. */
    static Look coated(Look beneath, Layer layer) {
        return coated(
                beneath,
                layer.material(),
                layer.thickness(),
                layer.technique().share() * layer.left());
    }

    /**
     * The same with a coat on it, where it has a colour, and under its finish, where it has one.
     *
     * @param share of the area on which it lies, 0 to 1
     */
    static Look coated(Look beneath, Material m, Thickness thickness, double share) {
        double film = m.filmMicrometres();
        Look look =
                m.colour()
                        .filter(c -> m.hide() > 0 && film > 0)
                        .map(c -> beneath.coated(paint(c, m), film * thickness.factor(), share))
                        .orElse(beneath);
        return m.finish()
                .map(f -> look.under(look.surface().partly(surface(f), share)))
                .orElse(look);
    }

    private static Paint paint(Lab colour, Material m) {
        if (PAINTS.size() > MOST) {
            PAINTS.clear();
        }
        Finish finish = m.finish().orElse(Finish.FLAT);
        return PAINTS.computeIfAbsent(
                new Key(colour, finish, m.cover(Thickness.NORMAL), m.filmMicrometres()),
                k -> Paint.estimated(k.colour, surface(k.finish), k.hiding, k.micrometres));
    }

    private static Surface surface(Finish finish) {
        return Surface.of(
                switch (finish) {
                    case GLOSS -> "gloss";
                    case SEMI_GLOSS -> "semi-gloss";
                    case SATIN -> "satin";
                    case FLAT -> "flat";
                    case MATTE -> "dead flat";
                    case LOOSE -> "powder";
                });
    }
}
