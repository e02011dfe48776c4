package org.pendrik.app.study;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.app.sides.Side;
import org.pendrik.app.task.Tasks;
import org.pendrik.core.measure.WeatherClass;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class StudyController {
    private static final String NO_SIDE = "The side of this photograph";
    private static final int CROP_PX = 480;

    private final Studies studies;
    private final Measuring measuring;
    private final Proposals proposals;
    private final JoinedSides joined;
    private final FactoryOffers offers;
    private final Tasks tasks;

    StudyController(
            Studies studies,
            Measuring measuring,
            JoinedSides joined,
            Proposals proposals,
            FactoryOffers offers,
            Tasks tasks) {
        this.offers = offers;
        this.joined = joined;
        this.studies = studies;
        this.measuring = measuring;
        this.proposals = proposals;
        this.tasks = tasks;
    }

    record RegionsDraft(List<JobRegion> regions, int version) {}

    record EffectsDraft(List<JobEffect> effects, int version) {}

    /** What the factory colour is; null leaves it to the region that shows it. */
    record FactoryDraft(@Nullable FactoryPaint paint, int version) {}

    record SamplesDraft(List<JobSample> samples, int version) {}

    @GetMapping("/api/jobs/{jobId}/study")
    Studies.Study study(@PathVariable UUID jobId) {
        return studies.of(jobId);
    }

    @PutMapping("/api/jobs/{jobId}/study/regions")
    Studies.Study saveRegions(@PathVariable UUID jobId, @RequestBody RegionsDraft draft) {
        return studies.saveRegions(jobId, draft.regions(), draft.version());
    }

    @PutMapping("/api/jobs/{jobId}/study/effects")
    Studies.Study saveEffects(@PathVariable UUID jobId, @RequestBody EffectsDraft draft) {
        return studies.saveEffects(jobId, draft.effects(), draft.version());
    }

    @PutMapping("/api/jobs/{jobId}/study/samples")
    Studies.Study saveSamples(@PathVariable UUID jobId, @RequestBody SamplesDraft draft) {
        return studies.saveSamples(jobId, draft.samples(), draft.version());
    }

    @PutMapping("/api/jobs/{jobId}/study/factory")
    Studies.Study saveFactory(@PathVariable UUID jobId, @RequestBody FactoryDraft draft) {
        return studies.saveFactory(jobId, draft.paint(), draft.version());
    }

    /** What stands ready to be the factory colour of a job. */
    @GetMapping("/api/jobs/{jobId}/factory-colours")
    List<ShownPaint> factoryColours(@PathVariable UUID jobId) {
        return offers.of(jobId);
    }

    @GetMapping("/api/photographs/{photographId}/measures")
    MeasureView.Measures measures(
            @PathVariable UUID photographId, @RequestParam @Nullable UUID task) {
        return tasks.run(
                task,
                watch ->
                        measuring
                                .view(photographId, watch)
                                .orElseThrow(() -> new NotFound(NO_SIDE)));
    }

    /** Every region of a side on every photograph of it. */
    @GetMapping("/api/jobs/{jobId}/sides/{side}/joined")
    JoinedSides.Joined joined(
            @PathVariable UUID jobId, @PathVariable Side side, @RequestParam @Nullable UUID task) {
        return tasks.run(task, watch -> joined.joined(jobId, side, watch));
    }

    /**
     * The flat side, the fall of the light taken out where that is wanted and told; that of the
     * leading photograph with what the others show beside it.
     *
     * @param part of it only the part that the photograph shows at its own resolution
     */
    @GetMapping(
            value = "/api/photographs/{photographId}/even",
            produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> even(
            @PathVariable UUID photographId, @RequestParam(defaultValue = "false") boolean part) {
        return jpeg(
                Pictures.jpeg(
                        (part ? measuring.part(photographId) : joined.picture(photographId))
                                .orElseThrow(() -> new NotFound(NO_SIDE)),
                        FlatSide.WORKING_WIDTH_PX));
    }

    @GetMapping("/api/photographs/{photographId}/proposals")
    Proposals.Proposed proposals(@PathVariable UUID photographId) {
        return proposals.of(photographId).orElseThrow(() -> new NotFound(NO_SIDE));
    }

    @GetMapping(
            value = "/api/photographs/{photographId}/class",
            produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> only(
            @PathVariable UUID photographId,
            @RequestParam WeatherClass kind,
            @RequestParam(defaultValue = "false") boolean part) {
        return jpeg(
                Pictures.jpeg(
                        measuring
                                .only(photographId, kind, part)
                                .orElseThrow(() -> new NotFound("A sample of " + kind.label())),
                        2000));
    }

    @GetMapping(
            value = "/api/photographs/{photographId}/regions/{regionId}",
            produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> crop(@PathVariable UUID photographId, @PathVariable UUID regionId) {
        return jpeg(
                Pictures.jpeg(
                        measuring
                                .crop(photographId, regionId)
                                .orElseThrow(() -> new NotFound("The region on this photograph")),
                        CROP_PX));
    }

    private static ResponseEntity<byte[]> jpeg(byte[] body) {
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG).body(body);
    }
}
