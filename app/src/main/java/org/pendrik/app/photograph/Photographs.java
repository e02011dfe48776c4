package org.pendrik.app.photograph;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.app.sides.FlatSides;
import org.pendrik.app.sides.Flattener;
import org.pendrik.app.sides.Marks;
import org.pendrik.app.sides.Side;
import org.pendrik.app.sides.SideSize;
import org.pendrik.app.store.Years;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.colour.LightKnown;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes photographs in and keeps what is marked on them. */
@Service
public class Photographs {
    private final PhotographMapper mapper;
    private final PhotographStore store;
    private final Jobs jobs;
    private final SideSizes sizes;
    private final FlatSides flat;
    private final Workshops workshops;
    private final Clock clock;

    Photographs(
            PhotographMapper mapper,
            PhotographStore store,
            Jobs jobs,
            SideSizes sizes,
            FlatSides flat,
            Workshops workshops,
            Clock clock) {
        this.mapper = mapper;
        this.store = store;
        this.jobs = jobs;
        this.sizes = sizes;
        this.flat = flat;
        this.workshops = workshops;
        this.clock = clock;
    }

    /** What is marked on a photograph. */
    public record MarksDraft(
            Marks.@Nullable Corners corners,
            Marks.@Nullable KnownPoints knownPoints,
            Marks.@Nullable KnownLines knownLines,
            Marks.@Nullable GreyPatch greyPatch,
            Marks.@Nullable StraightLines straightLines,
            Marks.@Nullable ShellMarks shellMarks,
            int version) {
        /** Corners, further points and a card; no lens, no shell. */
        public MarksDraft(
                Marks.@Nullable Corners corners,
                Marks.@Nullable KnownPoints knownPoints,
                Marks.@Nullable GreyPatch greyPatch,
                int version) {
            this(corners, knownPoints, null, greyPatch, null, null, version);
        }
    }

    /**
     * What a photograph shows.
     *
     * @param takenAt null when nobody knows
     */
    public record AboutDraft(
            Role role,
            Side side,
            boolean sister,
            String caption,
            @Nullable Instant takenAt,
            int version) {}

    /** The photographs of a job, oldest first. */
    public List<Photograph> ofJob(UUID jobId) {
        return mapper.ofJob(jobId);
    }

    /** The photographs of all jobs by job, oldest first. */
    public Map<UUID, List<Photograph>> ofAllJobs() {
        return mapper.all().stream().collect(Collectors.groupingBy(Photograph::jobId));
    }

    /** One photograph; {@link NotFound} when there is none. */
    public Photograph get(UUID id) {
        Photograph p = mapper.find(id);
        if (p == null) {
            throw new NotFound("The photograph");
        }
        return p;
    }

    /**
     * A photograph whose file is no longer what was put in.
     *
     * @param missing else it is damaged
     */
    public record BrokenPhotograph(
            UUID id, UUID jobId, String jobName, String caption, String hash, boolean missing) {}

    /** All photographs whose file is missing or damaged; each file is read whole. */
    public List<BrokenPhotograph> broken() {
        List<BrokenPhotograph> out = new ArrayList<>();
        Map<UUID, List<Photograph>> all = ofAllJobs();
        for (Job job : jobs.all()) {
            for (Photograph p : all.getOrDefault(job.id(), List.of())) {
                PhotographStore.State state = store.state(p.hash());
                if (state != PhotographStore.State.WHOLE) {
                    out.add(
                            new BrokenPhotograph(
                                    p.id(),
                                    job.id(),
                                    job.name(),
                                    p.caption(),
                                    p.hash(),
                                    state == PhotographStore.State.MISSING));
                }
            }
        }
        return out;
    }

    /** Whether the file of a hash is in the store. */
    public boolean hasFile(String hash) {
        return store.has(hash);
    }

    /** Whether the file of a hash is there and as it was put in. */
    public boolean isWhole(String hash) {
        return store.state(hash) == PhotographStore.State.WHOLE;
    }

    /** Keeps a file that is not a photograph by its content, and names it by its hash. */
    public String keepFile(byte[] file) {
        return store.keep(file);
    }

    /** A file that was kept. */
    public byte[] file(String hash) {
        return store.read(hash);
    }

    /**
     * Takes a file in; the same id twice takes it once. The file is decoded whole before anything
     * is stored.
     */
    @Transactional
    public Photograph add(
            UUID jobId,
            UUID id,
            Role role,
            Side side,
            boolean sister,
            String caption,
            byte[] file) {
        Photograph known = mapper.find(id);
        if (known != null) {
            if (!store.isOf(file, known.hash())) {
                throw new InvalidInput(
                        "Photograph",
                        known.caption().isEmpty() ? "this one" : known.caption(),
                        "was put in before with another file",
                        "Put the other file in as a new photograph.");
            }
            // the same file mends one that is damaged or gone
            store.keep(file);
            return known;
        }
        jobs.get(jobId);
        requireShort(caption);
        requirePrototype(role, sister);
        var header = PhotographFile.header(file, ZoneId.of(workshops.current().zoneId()));
        PhotographFile.decode(file, header);
        String hash = store.keep(file);
        mapper.insert(
                new Photograph(
                        id,
                        jobId,
                        role,
                        side,
                        sister,
                        caption,
                        hash,
                        header.mediaType(),
                        header.uprightWidth(),
                        header.uprightHeight(),
                        header.orientation(),
                        header.takenAt().orElse(null),
                        header.focalMm35().orElse(null),
                        clock.instant(),
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        false,
                        false,
                        true,
                        false,
                        1));
        return get(id);
    }

    private static void requireShort(String caption) {
        if (caption.length() > 200) {
            throw new InvalidInput(
                    "Caption",
                    caption.length() + " letters",
                    "must have at most 200",
                    "Shorten it.");
        }
    }

    private static void requirePrototype(Role role, boolean sister) {
        if (sister && role != Role.PROTOTYPE) {
            throw new InvalidInput(
                    "Sister car",
                    "a model",
                    "can only be a prototype",
                    "Put the model in as a photograph of the model.");
        }
    }

    /** Changes what a photograph is said to show; its marks stay. */
    @Transactional
    public Photograph describe(UUID id, AboutDraft d) {
        get(id);
        Years.require("Taken", d.takenAt(), Years.OF_PHOTOGRAPHS);
        requireShort(d.caption());
        requirePrototype(d.role(), d.sister());
        StaleVersion.unlessOne(
                mapper.describe(
                        id, d.role(), d.side(), d.sister(), d.caption(), d.takenAt(), d.version()),
                "The photograph");
        return get(id);
    }

    /**
     * What is done about the light.
     *
     * @param evened its fall over the side is taken out
     * @param from the photograph whose card tells it where nothing in this one does
     * @param version of the photograph as it was seen
     */
    public record LightDraft(boolean evened, @Nullable UUID from, int version) {}

    /** Says what is done about the light. */
    @Transactional
    public Photograph light(UUID id, LightDraft d) {
        Photograph p = get(id);
        if (d.from() != null) {
            requireCard(p, get(d.from()));
        }
        StaleVersion.unlessOne(
                mapper.light(id, d.evened(), d.from(), d.version()), "The photograph");
        return get(id);
    }

    private static void requireCard(Photograph p, Photograph other) {
        if (other.id().equals(p.id()) || !other.jobId().equals(p.jobId())) {
            throw new InvalidInput(
                    "Light of another photograph",
                    other.caption(),
                    "must come from another photograph of the same job",
                    "Put that photograph in here, and mark its grey card.");
        }
        if (other.greyPatch() == null || other.greyPatch().is() != LightKnown.CARD) {
            throw new InvalidInput(
                    "Light of another photograph",
                    other.caption(),
                    "shows no grey card",
                    "Mark the card on it first.");
        }
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
        Photograph marked = p.marked(draft);
        if (marked.located()) {
            flat.fit(marked.markedSide(size(p)));
        } else if (draft.straightLines() != null) {
            Flattener.lens(marked.markedSide(size(p)));
        }
        StaleVersion.unlessOne(mapper.mark(marked), "The photograph");
        return get(id);
    }

    /** What has still to be marked before its side is located, as a sentence; else empty. */
    String needed(UUID id) {
        Photograph p = get(id);
        return p.located() ? "" : Marks.needed(p.knownPoints(), p.knownLines()).orElse("");
    }

    private SideSize size(Photograph p) {
        return sizes.of(p.jobId(), p.side())
                .orElseThrow(
                        () ->
                                new InvalidInput(
                                        "Size of the " + p.side().label(jobs.get(p.jobId()).kind()),
                                        "not given",
                                        "is needed before its corners mean anything",
                                        "Give its length and height on the prototype."));
    }

    /** Puts a photograph away, or takes it out again. */
    @Transactional
    public void remove(UUID id, boolean removed) {
        if (mapper.remove(id, removed) != 1) {
            throw new NotFound("The photograph");
        }
    }

    /**
     * The photograph that counts for a role and side. Of the prototype it is the one that was
     * chosen to lead; else the first that is located, so that another one that comes in later
     * changes nothing by itself. Of the model it is the newest that is located. Where none is, the
     * newest; sister cars never.
     */
    public @Nullable Photograph leading(UUID jobId, Role role, Side side) {
        return leading(mapper.ofJob(jobId), role, side);
    }

    /** The same among photographs of one job, oldest first. */
    public static @Nullable Photograph leading(List<Photograph> ofJob, Role role, Side side) {
        List<Photograph> all =
                ofJob.stream()
                        .filter(p -> p.role() == role && p.side() == side && !p.sister())
                        .toList();
        List<Photograph> located = all.stream().filter(Photograph::located).toList();
        if (located.isEmpty()) {
            return all.isEmpty() ? null : all.getLast();
        }
        return role == Role.MODEL
                ? located.getLast()
                : located.stream().filter(Photograph::leads).findFirst().orElse(located.getFirst());
    }

    /** The located photographs of the prototype's side, sister cars left out, oldest first. */
    public List<Photograph> joined(UUID jobId, Side side) {
        return mapper.ofJob(jobId).stream()
                .filter(p -> p.role() == Role.PROTOTYPE && p.side() == side)
                .filter(p -> p.located() && !p.sister())
                .toList();
    }

    /**
     * Lets a photograph of the prototype measure its side.
     *
     * @param version of the photograph as it was seen
     */
    @Transactional
    public Photograph lead(UUID id, int version) {
        Photograph p = get(id);
        if (p.role() != Role.PROTOTYPE || p.sister() || !p.located()) {
            throw new InvalidInput(
                    "Photograph",
                    p.caption().isEmpty() ? "this one" : p.caption(),
                    "cannot measure a side of the prototype",
                    p.role() != Role.PROTOTYPE || p.sister()
                            ? "Choose one of the prototype itself."
                            : "Mark the corners of the side on it first.");
        }
        StaleVersion.unlessOne(mapper.step(id, version), "The photograph");
        mapper.lead(p);
        return get(id);
    }
}
