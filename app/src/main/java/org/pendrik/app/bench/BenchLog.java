package org.pendrik.app.bench;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.ZonesChanged;
import org.pendrik.app.makeup.JobSnapshots;
import org.pendrik.app.makeup.PlanEdits;
import org.pendrik.app.makeup.PlanJudge;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.app.store.Years;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.app.store.ZoneTimes;
import org.pendrik.core.film.StepId;
import org.pendrik.core.units.InvalidInput;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the log and lets the plan follow it. */
@Service
public class BenchLog {
    private static final Duration CLOCKS_DIFFER_BY = Duration.ofMinutes(2);

    private final LogMapper mapper;
    private final JobSnapshots snapshots;
    private final PlanJudge judge;
    private final PlanEdits edits;
    private final Photographs photographs;
    private final Engines engines;
    private final Clock clock;

    BenchLog(
            LogMapper mapper,
            JobSnapshots snapshots,
            PlanJudge judge,
            PlanEdits edits,
            Photographs photographs,
            Engines engines,
            Clock clock) {
        this.mapper = mapper;
        this.snapshots = snapshots;
        this.judge = judge;
        this.edits = edits;
        this.photographs = photographs;
        this.engines = engines;
        this.clock = clock;
    }

    /**
     * What a person says of a step at the bench.
     *
     * @param startedAt null takes the time of now
     * @param finished it is over
     * @param finishedAt null takes the time of now when it is over
     * @param version 0 to begin, else the version that was seen
     */
    public record LogDraft(
            StepId stepId,
            String material,
            @Nullable Instant startedAt,
            boolean finished,
            @Nullable Instant finishedAt,
            String note,
            @Nullable UUID photographId,
            int version) {}

    /** The log of a job, oldest first. */
    public List<LogEntry> ofJob(UUID jobId) {
        return mapper.ofJob(jobId);
    }

    /** Entries of all jobs that say when zones were done, by job. */
    Map<UUID, List<LogEntry>> zonesOfAllJobs() {
        return mapper.withZoneTimes().stream().collect(Collectors.groupingBy(LogEntry::jobId));
    }

    /** Begins, changes or finishes an entry. The same id begun twice is begun once. */
    @Transactional
    public LogEntry write(UUID jobId, UUID id, LogDraft d) {
        StoredStep step = step(jobId, d.stepId());
        requireUsable(step, d.material());
        if (d.note().length() > 2000) {
            throw new InvalidInput(
                    "Note",
                    d.note().length() + " letters",
                    "must have at most 2000",
                    "Shorten it.");
        }
        if (d.photographId() != null && !photographs.get(d.photographId()).jobId().equals(jobId)) {
            throw new InvalidInput(
                    "Photograph", "of another job", "must belong to this job", "Put it in here.");
        }
        LogEntry old = mapper.find(id);
        if (old != null && !(old.jobId().equals(jobId) && old.stepId().equals(step.id()))) {
            throw new InvalidInput(
                    "Log entry",
                    id.toString(),
                    "belongs to another step",
                    "Log this step under an entry of its own.");
        }
        Instant now = clock.instant();
        Instant start = d.startedAt() != null ? d.startedAt() : old != null ? old.startedAt() : now;
        Instant end = d.finished() ? d.finishedAt() == null ? now : d.finishedAt() : null;
        requireSense(start, end, now);
        LogEntry fresh =
                new LogEntry(
                        id,
                        jobId,
                        step.id(),
                        step.technique(),
                        d.material(),
                        step.zones(),
                        start,
                        end,
                        d.note(),
                        d.photographId(),
                        d.version(),
                        old == null ? null : old.zoneTimes());
        if (old == null) {
            requireNobodyElse(jobId, step.id());
            mapper.insert(fresh);
        } else if (d.version() == 0 && old.finishedAt() == null && !d.finished()) {
            return old;
        } else {
            StaleVersion.unlessOne(mapper.update(fresh), "The log entry");
        }
        if (end != null) {
            edits.markDone(jobId, step.id(), d.material(), start, end, fresh.zoneTimes());
        } else if (old != null && old.finishedAt() != null) {
            edits.markOpen(jobId, step.id());
        }
        return java.util.Objects.requireNonNull(mapper.find(id));
    }

    /**
     * Notes that a step is over on one of its zones now. The first zone begins the step, the last
     * one ends it; a zone that is over already stays as it is.
     *
     * @param notBefore when its coat could first be worked there; null when nothing had to open
     */
    @Transactional
    public void zoneOver(
            UUID jobId, StepId stepId, String zone, String material, @Nullable Instant notBefore) {
        StoredStep step = step(jobId, stepId);
        requireZone(step, zone);
        requireUsable(step, material);
        LogEntry old = ofStep(jobId, stepId);
        Instant now = clock.instant();
        Map<String, ZoneTimes.Span> times = times(old);
        if (times.containsKey(zone)) {
            return;
        }
        Instant begun = old == null ? now : old.startedAt();
        // nobody said when it was begun there: after the zone before, as long as it takes, and not
        // before it could be
        Instant from = now.minus(Duration.ofMinutes(partOf(jobId, stepId, zone)));
        Instant after = lastMoment(jobId, begun);
        from = after.isAfter(from) ? after : from;
        if (notBefore != null && notBefore.isAfter(from) && !notBefore.isAfter(now)) {
            from = notBefore;
        }
        times.put(zone, new ZoneTimes.Span(from, now));
        boolean all = times.keySet().containsAll(step.zones().keys());
        LogEntry begins =
                old != null
                        ? old
                        : new LogEntry(
                                UUID.randomUUID(),
                                jobId,
                                stepId,
                                step.technique(),
                                material,
                                step.zones(),
                                now,
                                null,
                                "",
                                null,
                                0,
                                null);
        LogEntry fresh = begins.with(new ZoneTimes(times), material, all ? now : null);
        if (old == null) {
            mapper.insert(fresh);
        } else {
            StaleVersion.unlessOne(mapper.update(fresh), "The log entry");
        }
        if (all) {
            edits.markDone(jobId, stepId, material, begun, now, fresh.zoneTimes());
        }
    }

    /** Takes that note back: the zone is to do again. */
    @Transactional
    public void zoneOpen(UUID jobId, StepId stepId, String zone) {
        LogEntry old = ofStep(jobId, stepId);
        Map<String, ZoneTimes.Span> times = times(old);
        if (old == null || times.remove(zone) == null) {
            throw new NotFound("The zone in the log");
        }
        if (old.finishedAt() != null) {
            edits.markOpen(jobId, stepId);
        }
        if (times.isEmpty()) {
            mapper.delete(old.id());
            return;
        }
        StaleVersion.unlessOne(
                mapper.update(old.with(new ZoneTimes(times), old.material(), null)),
                "The log entry");
    }

    private int partOf(UUID jobId, StepId stepId, String zone) {
        return judge.filmCase(snapshots.of(jobId)).acts().stream()
                .filter(a -> a.id().equals(stepId))
                .findFirst()
                .map(a -> a.rounds().parts().getOrDefault(zone, 0))
                .orElse(0);
    }

    /** Work on a zone begins when that on the zone before it was over, of whatever step. */
    private Instant lastMoment(UUID jobId, Instant begun) {
        Instant last = begun;
        for (LogEntry e : mapper.ofJob(jobId)) {
            for (ZoneTimes.Span s : times(e).values()) {
                last = s.until().isAfter(last) ? s.until() : last;
            }
        }
        return last;
    }

    private static Map<String, ZoneTimes.Span> times(@Nullable LogEntry e) {
        return e == null || e.zoneTimes() == null
                ? new LinkedHashMap<>()
                : new LinkedHashMap<>(e.zoneTimes().spans());
    }

    private @Nullable LogEntry ofStep(UUID jobId, StepId stepId) {
        return mapper.ofJob(jobId).stream()
                .filter(e -> e.stepId().equals(stepId))
                .findFirst()
                .orElse(null);
    }

    private StoredStep step(UUID jobId, StepId stepId) {
        return snapshots.plan(jobId).step(stepId);
    }

    private static void requireZone(StoredStep step, String zone) {
        if (!step.zones().keys().contains(zone)) {
            throw new InvalidInput(
                    "Zone",
                    zone,
                    "is not part of this step",
                    "Use one of " + String.join(", ", step.zones().keys()) + ".");
        }
    }

    private void requireUsable(StoredStep step, String key) {
        var technique = engines.catalogue().technique(step.technique());
        judge.requireUsable(technique, engines.catalogue().material(key, technique));
    }

    private void requireNobodyElse(UUID jobId, StepId stepId) {
        for (LogEntry e : mapper.ofJob(jobId)) {
            if (e.stepId().equals(stepId)) {
                throw new StaleVersion("The step");
            }
        }
    }

    private static void requireSense(Instant start, @Nullable Instant end, Instant now) {
        Years.require("Begin", start, Years.OF_WORK);
        Years.require("End", end, Years.OF_WORK);
        Instant last = end == null ? start : end;
        if (last.isAfter(now.plus(CLOCKS_DIFFER_BY))) {
            throw new InvalidInput(
                    "Time", last.toString(), "must not lie ahead", "Log it when it is done.");
        }
        if (end != null && end.isBefore(start)) {
            throw new InvalidInput(
                    "End",
                    end.toString(),
                    "must not lie before the begin",
                    "Put begin and end the right way round.");
        }
    }

    /** Takes an entry back: the step is to do again. */
    @Transactional
    public void takeBack(UUID jobId, UUID id) {
        LogEntry e = mapper.find(id);
        if (e == null || !e.jobId().equals(jobId)) {
            throw new NotFound("The log entry");
        }
        mapper.delete(id);
        if (e.finishedAt() != null) {
            edits.markOpen(jobId, e.stepId());
        }
    }

    /** Lets the log follow the zones of its job. */
    @EventListener
    @Order(3)
    void on(ZonesChanged changed) {
        for (LogEntry e : mapper.ofJob(changed.jobId())) {
            List<String> now = changed.follow(e.zones().keys());
            if (!now.equals(e.zones().keys()) && !now.isEmpty()) {
                mapper.moveZones(e.id(), new ZoneKeys(now), changed.follow(e.zoneTimes()));
            }
        }
    }

    /** Stores an entry of a record that is read in. */
    @Transactional
    public void insert(LogEntry e) {
        mapper.insert(e);
    }
}
