package org.pendrik.app.photograph;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.sides.MarkedSide;
import org.pendrik.app.sides.Marks;
import org.pendrik.app.sides.Side;
import org.pendrik.app.sides.SideSize;
import org.pendrik.core.colour.LightKnown;

/**
 * A photograph of a job.
 *
 * @param hash SHA-256 of the file, which is also its name in the store
 * @param widthPx upright width, orientation already applied
 * @param heightPx upright height
 * @param orientation EXIF orientation of the file, 1 to 8
 * @param side which side of the subject it shows
 * @param sister it shows a sister car: dirt to learn from, not the one to match
 * @param takenAt from the file, when it says so
 * @param focalMm35 focal length as on 35 mm film, when the file says it
 * @param corners where the side lies, once marked
 * @param knownPoints further places of known position, if any
 * @param knownLines level and upright things, which stand in for corners that are not to be seen
 * @param greyPatch a patch of known colour, once marked
 * @param lightFrom the photograph whose card tells the light where nothing in this one does
 * @param lentPicture the file of that photograph
 * @param lentGrey the card in it
 * @param straightLines what is straight on the prototype, to take out the lens
 * @param shellMarks marks on the end circles of a curved side
 * @param located where its side lies is known by what is marked, flat or curved
 * @param leads of several photographs of the prototype's side this one measures it
 * @param evened the fall of the light over the side is taken out, where paint tells it
 */
@RecordBuilder
@RecordBuilder.Options(
        builderClassModifiers = {},
        enableWither = false)
public record Photograph(
        UUID id,
        UUID jobId,
        Role role,
        Side side,
        boolean sister,
        String caption,
        String hash,
        String mediaType,
        int widthPx,
        int heightPx,
        int orientation,
        @Nullable Instant takenAt,
        @Nullable Double focalMm35,
        Instant addedAt,
        Marks.@Nullable Corners corners,
        Marks.@Nullable KnownPoints knownPoints,
        Marks.@Nullable KnownLines knownLines,
        Marks.@Nullable GreyPatch greyPatch,
        @Nullable UUID lightFrom,
        @Nullable String lentPicture,
        Marks.@Nullable GreyPatch lentGrey,
        Marks.@Nullable StraightLines straightLines,
        Marks.@Nullable ShellMarks shellMarks,
        boolean located,
        boolean leads,
        boolean evened,
        boolean removed,
        int version) {

    /** The same with other marks, as seen at the draft's version; not stored. */
    Photograph marked(Photographs.MarksDraft d) {
        return PhotographBuilder.builder(this)
                .corners(d.corners())
                .knownPoints(d.knownPoints())
                .knownLines(d.knownLines())
                .greyPatch(d.greyPatch())
                .straightLines(d.straightLines())
                .shellMarks(d.shellMarks())
                .located(located(d.corners(), d.knownPoints(), d.knownLines(), d.shellMarks()))
                .version(d.version())
                .build();
    }

    /** What is marked on it, with the size of its side. */
    MarkedSide markedSide(SideSize size) {
        return new MarkedSide(
                hash,
                widthPx,
                heightPx,
                focalPx(),
                corners,
                knownPoints,
                knownLines,
                greyPatch,
                lentPicture == null || lentGrey == null
                        ? null
                        : new Marks.LentLight(lentPicture, lentGrey),
                straightLines,
                shellMarks,
                size);
    }

    /** What its light is known by. */
    public LightKnown lightKnown() {
        if (greyPatch != null) {
            return greyPatch.is();
        }
        return lentPicture == null || lentGrey == null
                ? LightKnown.NOTHING
                : LightKnown.OTHER_PICTURE;
    }

    /** Whether marks tell where a side lies. */
    public static boolean located(
            Marks.@Nullable Corners corners,
            Marks.@Nullable KnownPoints points,
            Marks.@Nullable KnownLines lines,
            Marks.@Nullable ShellMarks shell) {
        return corners != null || shell != null || Marks.needed(points, lines).isEmpty();
    }

    /** When it was taken, or came in when nobody knows. */
    public Instant when() {
        return takenAt == null ? addedAt : takenAt;
    }

    /** Focal length in photograph pixels; 0 when the file does not say it. */
    double focalPx() {
        // 43.27 mm is the diagonal of a 35 mm frame
        return focalMm35 == null ? 0 : focalMm35 / 43.27 * Math.hypot(widthPx, heightPx);
    }
}
