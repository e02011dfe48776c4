package org.pendrik.app.study;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.photo.Region;

/**
 * A region of a job's side.
 *
 * @param zoneKey the zone that it lies on, if one was named
 * @param factory shows the paint as it left the factory
 */
public record JobRegion(
        UUID id,
        String name,
        @Nullable String zoneKey,
        double xMm,
        double yMm,
        double widthMm,
        double heightMm,
        boolean factory) {
    public JobRegion {
        new Region(name, xMm, yMm, widthMm, heightMm);
    }

    /** The rectangle that is measured. */
    public Region region() {
        return new Region(name, xMm, yMm, widthMm, heightMm);
    }
}
