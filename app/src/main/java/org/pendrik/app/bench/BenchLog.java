package org.pendrik.app.bench;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.makeup.Plans;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.app.store.Years;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.StepId;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the log and lets the plan follow it. */
@Service
public class BenchLog {
    private static final Duration CLOCKS_DIFFER_BY = Duration.ofMinutes(2);

    private final LogMapper mapper;
    private final Jobs jobs;
    private final Plans plans;
    private final Photographs photographs;
    private final Engines engines;
    private final Clock clock;

    BenchLog(
            LogMapper mapper,
            Jobs jobs,
            Plans plans,
            Photographs photographs,
            Engines engines,
            Clock clock) {
        this.mapper = mapper;
        this.jobs = jobs;
        this.plans = plans;
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

    /** Begins, changes or finishes an entry. The same id begun twice is begun once. */
    @Transactional
    public LogEntry write(UUID jobId, UUID id, LogDraft d) {
        jobs.get(jobId);
        StoredStep step =
                plans.of(jobId).steps().stream()
                        .filter(s -> s.id().equals(d.stepId()))
                        .findFirst()
                        .orElseThrow(() -> new NotFound("The step"));
        var technique = engines.catalogue().technique(step.technique());
        var material = engines.catalogue().material(d.material());
        if (!Catalogue.canUse(technique, material)) {
            throw new InvalidInput(
                    "Material",
                    material.name(),
                    "does not do for " + technique.name(),
                    "Choose one that the step offers.");
        }
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
                        d.version());
        if (old == null) {
            requireNobodyElse(jobId, step.id());
            mapper.insert(fresh);
        } else if (d.version() == 0 && old.finishedAt() == null && !d.finished()) {
            return old;
        } else {
            StaleVersion.unlessOne(mapper.update(fresh), "The log entry");
        }
        if (end != null) {
            plans.markDone(jobId, step.id(), d.material(), start, end);
        } else if (old != null && old.finishedAt() != null) {
            plans.markOpen(jobId, step.id());
        }
        return java.util.Objects.requireNonNull(mapper.find(id));
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
            plans.markOpen(jobId, e.stepId());
        }
    }

    /** Stores an entry of a record that is read in. */
    @Transactional
    public void insert(LogEntry e) {
        mapper.insert(e);
    }
}
