package org.pendrik.app.photograph;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A photograph of a job.
 *
 * @param hash SHA-256 of the file, which is also its name in the store
 * @param widthPx upright width, orientation already applied
 * @param heightPx upright height
 * @param orientation EXIF orientation of the file, 1 to 8
 * @param takenAt from the file, when it says so
 * @param corners where the side lies, once marked
 * @param knownPoints further places of known position, if any
 * @param greyPatch a neutral card, once marked
 */
public record Photograph(
        UUID id,
        UUID jobId,
        Role role,
        String caption,
        String hash,
        String mediaType,
        int widthPx,
        int heightPx,
        int orientation,
        @Nullable Instant takenAt,
        Instant addedAt,
        Marks.@Nullable Corners corners,
        Marks.@Nullable KnownPoints knownPoints,
        Marks.@Nullable GreyPatch greyPatch,
        boolean removed,
        int version) {}
