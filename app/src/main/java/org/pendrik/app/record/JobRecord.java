package org.pendrik.app.record;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.job.JobZone;
import org.pendrik.app.makeup.StepExtra;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.shelf.StepMixes;
import org.pendrik.app.sides.Marks;
import org.pendrik.app.sides.Side;
import org.pendrik.app.sides.SideSize;
import org.pendrik.app.store.WorksOn;
import org.pendrik.app.store.ZoneTimes;
import org.pendrik.app.study.EffectHow;
import org.pendrik.app.study.FactoryPaint;
import org.pendrik.app.study.JobSample;
import org.pendrik.app.study.RegionRole;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.StepId;
import org.pendrik.core.photo.Point;
import org.pendrik.core.plan.EffectKind;
import org.pendrik.core.plan.PlanStep;
import org.pendrik.core.plan.SubjectKind;

/**
 * The record of a job, as it is written to a file. Its schema is published at
 * /api/schema/record-8.json; a field added or changed makes a new version.
 *
 * @param version of the form, 8; 7 had factory colours of regions alone and photographs of whole
 *     sides, 6 did not say which photograph measures what, nor whether its light is evened out, 5
 *     had one material for an effect and the zones of its kind, 4 had no times on zones and no work
 *     meant for named coats, 3 had ids of steps that said what these are made for, 2 had no schools
 *     and nothing taken back, 1 no sides, samples, lens or curved sides either; all are read as
 *     well
 * @param drying when coats were seen to be touch dry
 * @param mixes what steps are mixed by, bottles by name and maker
 * @param artworks pictures fitted to regions
 * @param answers warnings that the user knows of
 * @param zones of the subject; null in older forms: those of its kind
 * @param factory the factory colour, where no region shows it; left out elsewhere
 * @param materials of a shelf or of the workshop's own that effects and steps are made with
 * @param measures what was measured when it was written; not read in again, it is measured anew
 */
record JobRecord(
        int version,
        Instant writtenAt,
        JobPart job,
        List<RegionPart> regions,
        List<EffectPart> effects,
        List<PhotographPart> photographs,
        List<StepPart> steps,
        List<PinPart> pins,
        List<LogPart> log,
        List<MeasurePart> measures,
        @Nullable List<SideSize> sides,
        @Nullable List<JobSample> samples,
        @Nullable Map<String, String> schools,
        @Nullable List<DryingPart> drying,
        @Nullable List<StepMixes.Carried> mixes,
        @Nullable List<ArtworkPart> artworks,
        @Nullable List<AnswerPart> answers,
        @Nullable List<JobZone> zones,
        @Nullable List<MaterialPart> materials,
        @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable FactoryPaint factory) {
    static final int VERSION = 8;

    /** A material that the tables do not have, as far as its family does not say it. */
    record MaterialPart(
            String key, String name, String family, boolean clear, @Nullable String colour) {}

    /** When a coat was seen to be touch dry. */
    record DryingPart(
            StepId step, String material, double predictedMin, double seenMin, Instant seenAt) {}

    /** A warning that was answered with: I know, I do it so. */
    record AnswerPart(StepId step, Finding.Rule rule, String coat, Instant answeredAt) {}

    /** A picture fitted to a region; its file is told by its hash. */
    record ArtworkPart(UUID region, String name, String sha256, double chokeMm) {}

    record JobPart(
            String name,
            SubjectKind kind,
            double scaleRatio,
            double lengthMm,
            double heightMm,
            Substrate substrate,
            @Nullable LocalDate wantedOn,
            String note) {}

    record RegionPart(
            UUID id,
            String name,
            @Nullable String zone,
            double xMm,
            double yMm,
            double widthMm,
            double heightMm,
            boolean factory,
            @Nullable Side side,
            @Nullable RegionRole role,
            @Nullable List<Point> outline,
            @Nullable UUID photograph) {}

    record EffectPart(
            UUID id,
            EffectKind kind,
            List<String> zones,
            int strength,
            @Nullable String material,
            String note,
            @Nullable String colour,
            @Nullable String marks,
            @Nullable UUID region,
            @Nullable List<String> tones,
            @Nullable EffectHow how) {}

    record PhotographPart(
            UUID id,
            Role role,
            String caption,
            String sha256,
            String mediaType,
            int widthPx,
            int heightPx,
            int orientation,
            @Nullable Instant takenAt,
            Instant addedAt,
            Marks.@Nullable Corners corners,
            Marks.@Nullable KnownPoints knownPoints,
            Marks.@Nullable GreyPatch greyPatch,
            @Nullable Side side,
            @Nullable Boolean sister,
            @Nullable Double focalMm35,
            Marks.@Nullable StraightLines straightLines,
            Marks.@Nullable ShellMarks shellMarks,
            @Nullable Boolean leads,
            @Nullable Boolean evened,
            @Nullable UUID lightFrom,
            Marks.@Nullable KnownLines knownLines) {}

    record StepPart(
            StepId id,
            String technique,
            String material,
            Thickness thickness,
            List<String> zones,
            PlanStep.Origin origin,
            String reason,
            @Nullable Instant startedAt,
            @Nullable Instant finishedAt,
            @Nullable StepId takesBack,
            @Nullable Double backShare,
            @Nullable String madeForEffect,
            @Nullable StepId madeForStep,
            @Nullable WorksOn worksOn,
            @Nullable ZoneTimes zoneTimes,
            @Nullable StepExtra extra) {}

    record PinPart(StepId first, StepId then) {}

    record LogPart(
            UUID id,
            StepId step,
            String technique,
            String material,
            List<String> zones,
            Instant startedAt,
            @Nullable Instant finishedAt,
            String note,
            @Nullable UUID photograph,
            @Nullable ZoneTimes zoneTimes) {}

    record MeasurePart(
            UUID photograph,
            UUID region,
            double l,
            double a,
            double b,
            double spread,
            double uncertainty) {}
}
