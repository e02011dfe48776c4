package org.pendrik.app.photograph;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.apidocs.FileBody;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.app.sides.Marks;
import org.pendrik.app.sides.Side;
import org.pendrik.app.sides.SideSize;
import org.pendrik.core.photo.CornerFinder;
import org.pendrik.core.units.InvalidInput;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PhotographController {
    private static final int LARGEST_PREVIEW_PX = 2400;

    private final Photographs photographs;
    private final Sides sides;
    private final SideSizes sizes;
    private final WholePictures pictures;

    PhotographController(
            Photographs photographs, Sides sides, SideSizes sizes, WholePictures pictures) {
        this.pictures = pictures;
        this.photographs = photographs;
        this.sides = sides;
        this.sizes = sizes;
    }

    /** Photographs whose file is missing or damaged. */
    @GetMapping("/api/photographs/check")
    List<Photographs.BrokenPhotograph> check() {
        return photographs.broken();
    }

    @GetMapping("/api/jobs/{jobId}/photographs")
    List<Photograph> ofJob(@PathVariable UUID jobId) {
        return photographs.ofJob(jobId);
    }

    @FileBody
    @PutMapping(
            value = "/api/jobs/{jobId}/photographs/{id}",
            consumes = {MediaType.APPLICATION_OCTET_STREAM_VALUE, "image/*"})
    Photograph add(
            @PathVariable UUID jobId,
            @PathVariable UUID id,
            @RequestParam Role role,
            @RequestParam(defaultValue = "LEFT") Side side,
            @RequestParam(defaultValue = "false") boolean sister,
            @RequestParam(defaultValue = "") String caption,
            InputStream body)
            throws IOException {
        // queued before it is read: eight of them at once would take all memory
        return pictures.inTurn(
                () -> {
                    byte[] file = body.readNBytes(PhotographFile.LARGEST_BYTES + 1);
                    if (file.length > PhotographFile.LARGEST_BYTES) {
                        throw new InvalidInput(
                                "Photograph",
                                "more than 64 MB",
                                "must have at most 64 MB",
                                "Save it as JPEG, or smaller.");
                    }
                    return photographs.add(jobId, id, role, side, sister, caption, file);
                });
    }

    @GetMapping("/api/photographs/{id}")
    Photograph get(@PathVariable UUID id) {
        return photographs.get(id);
    }

    @PutMapping("/api/photographs/{id}/marks")
    Photograph mark(@PathVariable UUID id, @RequestBody Photographs.MarksDraft draft) {
        return photographs.mark(id, draft);
    }

    /**
     * What has still to be marked before the side can be located.
     *
     * @param needed a sentence; empty when it is located, or nothing more is needed
     */
    record StillNeeded(String needed) {}

    @GetMapping("/api/photographs/{id}/needed")
    StillNeeded needed(@PathVariable UUID id) {
        return new StillNeeded(photographs.needed(id));
    }

    @PutMapping("/api/photographs/{id}/about")
    Photograph describe(@PathVariable UUID id, @RequestBody Photographs.AboutDraft draft) {
        return photographs.describe(id, draft);
    }

    @PutMapping("/api/photographs/{id}/light")
    Photograph even(@PathVariable UUID id, @RequestBody Photographs.LightDraft draft) {
        return photographs.light(id, draft);
    }

    record LeadDraft(int version) {}

    /** Lets this one of several photographs measure its side of the prototype. */
    @PutMapping("/api/photographs/{id}/lead")
    Photograph lead(@PathVariable UUID id, @RequestBody LeadDraft draft) {
        return photographs.lead(id, draft.version());
    }

    /**
     * Where the corners seem to be.
     *
     * @param corners null when nothing stands out
     * @param reason why nothing does, with what helps; empty when corners are proposed
     */
    record CornersProposal(Marks.@Nullable Corners corners, String reason) {}

    @GetMapping("/api/photographs/{id}/corners")
    CornersProposal propose(@PathVariable UUID id) {
        return switch (sides.propose(photographs.get(id))) {
            case CornerFinder.Outcome.Proposed p ->
                    new CornersProposal(new Marks.Corners(p.corners()), "");
            case CornerFinder.Outcome.Nothing n ->
                    new CornersProposal(null, n.reason() + " " + n.remedy());
        };
    }

    @GetMapping("/api/jobs/{jobId}/sides")
    List<SideSize> sizes(@PathVariable UUID jobId) {
        return sizes.ofJob(jobId);
    }

    @PutMapping("/api/jobs/{jobId}/sides/{side}")
    List<SideSize> resize(
            @PathVariable UUID jobId, @PathVariable Side side, @RequestBody SideSize size) {
        return sizes.save(
                jobId, new SideSize(side, size.lengthMm(), size.heightMm(), size.curve()));
    }

    @DeleteMapping("/api/photographs/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        photographs.remove(id, true);
    }

    @PostMapping("/api/photographs/{id}/restore")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void restore(@PathVariable UUID id) {
        photographs.remove(id, false);
    }

    @GetMapping(value = "/api/photographs/{id}/picture", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> picture(
            @PathVariable UUID id, @RequestParam(defaultValue = "1600") int most) {
        Photograph p = photographs.get(id);
        return picture(
                Pictures.jpeg(sides.decoded(p).raster(), Math.clamp(most, 64, LARGEST_PREVIEW_PX)));
    }

    @GetMapping(value = "/api/photographs/{id}/side", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> side(@PathVariable UUID id) {
        Photograph p = photographs.get(id);
        var side = sides.of(p).orElseThrow(() -> new NotFound("The side"));
        return picture(Pictures.jpeg(side.inNeutralLight(), FlatSide.WORKING_WIDTH_PX));
    }

    private static ResponseEntity<byte[]> picture(byte[] jpeg) {
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG).body(jpeg);
    }
}
