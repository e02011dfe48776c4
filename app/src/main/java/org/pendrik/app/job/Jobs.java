package org.pendrik.app.job;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.app.store.Uncommitted;
import org.pendrik.app.store.Versioned;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.film.Face;
import org.pendrik.core.plan.Subjects;
import org.pendrik.core.plan.ZoneTemplate;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps jobs. */
@Service
public class Jobs {
    private static final int MOST_KEPT = 2_000;

    private final JobMapper mapper;
    private final Subjects subjects;
    private final Workshops workshops;
    private final Clock clock;
    private final Versioned<List<JobZone>> zones = new Versioned<>(MOST_KEPT);

    Jobs(JobMapper mapper, Subjects subjects, Workshops workshops, Clock clock) {
        this.mapper = mapper;
        this.subjects = subjects;
        this.workshops = workshops;
        this.clock = clock;
    }

    /** All jobs, those in work first, by the date they are wanted. */
    public List<Job> all() {
        return mapper.all();
    }

    /** One job; {@link NotFound} when there is none. */
    public Job get(UUID id) {
        Job job = mapper.find(id);
        if (job == null) {
            throw new NotFound("The job");
        }
        return job;
    }

    /** The zones of a job in their order. */
    public List<JobZone> zones(UUID id) {
        return zones(get(id));
    }

    /** The zones of a job in their order, of the moment in which its row was read. */
    public List<JobZone> zones(Job job) {
        return zones.get(job.id(), job.version(), () -> read(job));
    }

    private List<JobZone> read(Job job) {
        Map<String, ZoneTemplate> templates = new HashMap<>();
        subjects.zones(job.kind()).forEach(z -> templates.put(z.key(), z));
        return mapper.zones(job.id()).stream()
                .map(z -> told(z, templates.get(z.zoneKey())))
                .toList();
    }

    /** A zone that was kept before zones said what they face is as its kind has it. */
    private static JobZone told(JobZone z, @Nullable ZoneTemplate t) {
        if (z.face() != null) {
            return z;
        }
        return t == null
                ? new JobZone(
                        z.zoneKey(),
                        z.name(),
                        z.lettering(),
                        z.areaShare(),
                        Face.SIDE,
                        z.substrate(),
                        false,
                        "")
                : new JobZone(
                        z.zoneKey(),
                        z.name(),
                        z.lettering(),
                        z.areaShare(),
                        t.aspect().face(),
                        z.substrate(),
                        t.keptClean(),
                        t.box().map(Jobs::text).orElse(""));
    }

    private static String text(ZoneTemplate.Box b) {
        return b.x() + " " + b.y() + " " + b.width() + " " + b.height();
    }

    private static JobZone of(ZoneTemplate t) {
        return new JobZone(
                t.key(),
                t.name(),
                t.lettering(),
                t.areaShare(),
                t.aspect().face(),
                null,
                t.keptClean(),
                t.box().map(Jobs::text).orElse(""));
    }

    /** How far the plan could be off the best; null when it was not compiled or changed since. */
    public @Nullable Long planGap(UUID id) {
        return mapper.planGap(id);
    }

    /**
     * Makes a job, or changes it when the version is the one stored. Making the same job twice
     * makes it once.
     *
     * @throws InvalidInput when a new date lies in the past
     */
    @Transactional
    public Job save(UUID id, JobDraft draft) {
        Job old = mapper.find(id);
        LocalDate today = LocalDate.now(clock.withZone(ZoneId.of(workshops.current().zoneId())));
        boolean moved = old == null || !java.util.Objects.equals(old.wantedOn(), draft.wantedOn());
        if (draft.wantedOn() != null && moved && draft.wantedOn().isBefore(today)) {
            throw new InvalidInput(
                    "Date wanted",
                    draft.wantedOn().toString(),
                    "must not lie in the past",
                    "Choose " + today + " or later, or leave it open.");
        }
        if (old == null) {
            return insert(id, draft);
        }
        if (old.kind() != draft.kind()) {
            throw new InvalidInput(
                    "Kind of subject",
                    draft.kind().name(),
                    "cannot be changed: zones, effects and steps of the job hang on it",
                    "Make a new job of that kind.");
        }
        if (draft.version() == 0) {
            if (isSame(old, draft)) {
                return old;
            }
            throw new InvalidInput(
                    "Job",
                    draft.name(),
                    "was made before with other figures",
                    "Change that job, or make this one anew.");
        }
        Uncommitted.mark(id);
        StaleVersion.unlessOne(mapper.update(id, draft), "The job");
        return get(id);
    }

    private static boolean isSame(Job old, JobDraft d) {
        return new JobDraft(
                        old.name(),
                        old.kind(),
                        old.scaleRatio(),
                        old.lengthMm(),
                        old.heightMm(),
                        old.substrate(),
                        old.wantedOn(),
                        old.note(),
                        0)
                .equals(d);
    }

    /** Stores a job as it is given, with any date; for records that are read in. */
    @Transactional
    public Job insert(UUID id, JobDraft d) {
        Uncommitted.mark(id);
        mapper.insert(
                new Job(
                        id,
                        d.name(),
                        d.kind(),
                        d.scaleRatio(),
                        d.lengthMm(),
                        d.heightMm(),
                        d.substrate(),
                        d.wantedOn(),
                        d.note(),
                        clock.instant(),
                        false,
                        1,
                        1,
                        1));
        int place = 0;
        for (var z : subjects.zones(d.kind())) {
            mapper.addZone(id, of(z), place++);
        }
        return get(id);
    }

    /** Puts a job away, or takes it out again. */
    @Transactional
    public void archive(UUID id, boolean archived) {
        if (mapper.archive(id, archived) != 1) {
            throw new NotFound("The job");
        }
    }

    /**
     * Counts up the version of regions and effects; {@link StaleVersion} when another change came
     * first.
     */
    public void stepStudy(UUID id, int version) {
        Uncommitted.mark(id);
        StaleVersion.unlessOne(mapper.stepStudy(id, version), "The study");
    }

    /**
     * Counts up the version of the plan; {@link StaleVersion} when another change came first.
     *
     * @param gapMinutes how far it could be off the best; null when nobody knows
     */
    public void stepPlan(UUID id, int version, @Nullable Long gapMinutes) {
        Uncommitted.mark(id);
        StaleVersion.unlessOne(mapper.stepPlan(id, version, gapMinutes), "The plan");
    }
}
