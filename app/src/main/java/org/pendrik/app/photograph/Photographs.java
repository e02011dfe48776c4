package org.pendrik.app.photograph;

import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes photographs in and keeps what is marked on them. */
@Service
public class Photographs {
    private final PhotographMapper mapper;
    private final PhotographStore store;
    private final Jobs jobs;
    private final Workshops workshops;
    private final Clock clock;

    Photographs(
            PhotographMapper mapper,
            PhotographStore store,
            Jobs jobs,
            Workshops workshops,
            Clock clock) {
        this.mapper = mapper;
        this.store = store;
        this.jobs = jobs;
        this.workshops = workshops;
        this.clock = clock;
    }

    /** What is marked on a photograph. */
    public record MarksDraft(
            Marks.@Nullable Corners corners,
            Marks.@Nullable KnownPoints knownPoints,
            Marks.@Nullable GreyPatch greyPatch,
            int version) {}

    /** The photographs of a job, oldest first. */
    public List<Photograph> ofJob(UUID jobId) {
        return mapper.ofJob(jobId);
    }

    /** One photograph; {@link NotFound} when there is none. */
    public Photograph get(UUID id) {
        Photograph p = mapper.find(id);
        if (p == null) {
            throw new NotFound("The photograph");
        }
        return p;
    }

    /** Whether the file of a hash is in the store. */
    public boolean hasFile(String hash) {
        return store.has(hash);
    }

    /**
     * Takes a file in; the same id twice takes it once. The file is decoded whole before anything
     * is stored.
     */
    @Transactional
    public Photograph add(UUID jobId, UUID id, Role role, String caption, byte[] file) {
        Photograph known = mapper.find(id);
        if (known != null) {
            return known;
        }
        jobs.get(jobId);
        if (caption.length() > 200) {
            throw new InvalidInput(
                    "Caption",
                    caption.length() + " letters",
                    "must have at most 200",
                    "Shorten it.");
        }
        var header = PhotographFile.header(file, ZoneId.of(workshops.current().zoneId()));
        PhotographFile.decode(file, header);
        String hash = store.keep(file);
        mapper.insert(
                new Photograph(
                        id,
                        jobId,
                        role,
                        caption,
                        hash,
                        header.mediaType(),
                        header.uprightWidth(),
                        header.uprightHeight(),
                        header.orientation(),
                        header.takenAt().orElse(null),
                        clock.instant(),
                        null,
                        null,
                        null,
                        false,
                        1));
        return get(id);
    }

    /** Stores a photograph of a record that is read in; its file may be missing. */
    @Transactional
    public void addKnown(Photograph p) {
        mapper.insert(p);
    }

    /** Stores what is marked; corners that cannot belong to a side are refused. */
    @Transactional
    public Photograph mark(UUID id, MarksDraft draft) {
        Photograph p = get(id);
        Job job = jobs.get(p.jobId());
        if (draft.corners() != null) {
            Photograph tried = with(p, draft);
            Sides.locate(tried, job.length(), job.height(), 1);
        }
        StaleVersion.unlessOne(
                mapper.mark(
                        id,
                        draft.corners(),
                        draft.knownPoints(),
                        draft.greyPatch(),
                        draft.version()),
                "The photograph");
        return get(id);
    }

    private static Photograph with(Photograph p, MarksDraft d) {
        return new Photograph(
                p.id(),
                p.jobId(),
                p.role(),
                p.caption(),
                p.hash(),
                p.mediaType(),
                p.widthPx(),
                p.heightPx(),
                p.orientation(),
                p.takenAt(),
                p.addedAt(),
                d.corners(),
                d.knownPoints(),
                d.greyPatch(),
                p.removed(),
                p.version());
    }

    /** Puts a photograph away, or takes it out again. */
    @Transactional
    public void remove(UUID id, boolean removed) {
        if (mapper.remove(id, removed) != 1) {
            throw new NotFound("The photograph");
        }
    }

    /**
     * The photograph of a role to show first: the newest with its corners marked, else the newest.
     */
    public @Nullable Photograph latest(UUID jobId, Role role) {
        Photograph best = null;
        for (Photograph p : mapper.ofJob(jobId)) {
            if (p.role() == role
                    && (best == null || p.corners() != null || best.corners() == null)) {
                best = p;
            }
        }
        return best;
    }
}
