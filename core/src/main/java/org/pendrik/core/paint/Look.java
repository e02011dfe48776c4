package org.pendrik.core.paint;

import org.pendrik.core.colour.Lab;

/**
 * What a painted place looks like: what comes from inside, and the surface over it. Films are laid
 * over each other without a boundary between them, so only the last surface counts: a clear changes
 * nothing but that.
 *
 * @param inside reflectance beneath the surface
 * @param surface of what lies on top
 */
public record Look(Reflectance inside, Surface surface) {
    /** A place of which only the colour is known, seen with its surface under D65. */
    public static Look of(Lab seen, Surface surface) {
        return new Look(surface.inside(SpectrumFit.of(seen).reflectance()), surface);
    }

    /**
     * The same with a coat on it.
     *
     * @param micrometres of dry film where it lies
     * @param share of the area on which it lies, 0 to 1
     */
    public Look coated(Paint paint, double micrometres, double share) {
        return new Look(inside.partly(paint.over(inside, micrometres), share), surface);
    }

    /** The same under another surface. */
    public Look under(Surface other) {
        return new Look(inside, other);
    }

    /** What is seen of it. */
    public Reflectance seen() {
        return surface.seen(inside);
    }

    /** Its colour under a light. */
    public Lab lab(Light light) {
        return light.lab(seen());
    }
}
