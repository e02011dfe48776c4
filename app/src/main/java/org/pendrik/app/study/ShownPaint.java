package org.pendrik.app.study;

import org.jspecify.annotations.Nullable;
import org.pendrik.core.colour.Srgb;

/**
 * A factory colour and what it looks like.
 *
 * @param hex as a screen shows it
 */
public record ShownPaint(FactoryPaint paint, String hex) {
    static ShownPaint of(FactoryPaint p) {
        return new ShownPaint(p, Srgb.toHex(p.colour()));
    }

    static @Nullable ShownPaint ofAny(@Nullable FactoryPaint p) {
        return p == null ? null : of(p);
    }
}
