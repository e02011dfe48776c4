package org.pendrik.app.job;

import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.plan.SubjectKind;
import org.pendrik.core.units.Length;
import org.pendrik.core.units.Scale;

/**
 * A subject on its way from clean to weathered.
 *
 * @param id chosen by who makes it, so that making it twice makes it once
 * @param name what it is called
 * @param kind of subject
 * @param scaleRatio prototype mm per model mm
 * @param lengthMm prototype length of the side
 * @param heightMm prototype height of the side
 * @param substrate what is on it before the first coat
 * @param wantedOn the date it is wanted, if there is one
 * @param note free
 * @param createdAt when it was made
 * @param archived put away
 * @param version of these fields
 * @param studyVersion of regions and effects
 * @param planVersion of steps and pins
 */
public record Job(
        UUID id,
        String name,
        SubjectKind kind,
        double scaleRatio,
        double lengthMm,
        double heightMm,
        Substrate substrate,
        @Nullable LocalDate wantedOn,
        String note,
        Instant createdAt,
        boolean archived,
        int version,
        int studyVersion,
        int planVersion) {

    /** The scale with its name. */
    public Scale scale() {
        return Scale.ofRatio(scaleRatio);
    }

    /** Prototype length of the side. */
    public Length length() {
        return Length.ofMm(lengthMm);
    }

    /** Prototype height of the side. */
    public Length height() {
        return Length.ofMm(heightMm);
    }
}
