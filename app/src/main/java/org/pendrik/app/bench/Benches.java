package org.pendrik.app.bench;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.JobZone;
import org.pendrik.app.makeup.JobSnapshot;
import org.pendrik.app.makeup.JobSnapshots;
import org.pendrik.app.makeup.PlanJudge;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.priors.Priors;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.shelf.Cupboard;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.DryingTimes;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Timing;
import org.pendrik.core.film.WindowClock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What stands at the bench now: the step, whether it may begin, its mix and its clock. */
@Service
@Transactional
public class Benches {
    private final JobSnapshots snapshots;
    private final PlanJudge judge;
    private final BenchLog log;
    private final Engines engines;
    private final Priors priors;
    private final StepCups cups;
    private final ZoneWork zoneWork;
    private final Again again;
    private final Clock clock;

    Benches(
            JobSnapshots snapshots,
            PlanJudge judge,
            BenchLog log,
            Engines engines,
            Priors priors,
            StepCups cups,
            ZoneWork zoneWork,
            Again again,
            Clock clock) {
        this.zoneWork = zoneWork;
        this.again = again;
        this.cups = cups;
        this.snapshots = snapshots;
        this.judge = judge;
        this.log = log;
        this.engines = engines;
        this.priors = priors;
        this.clock = clock;
    }

    /**
     * A material that the step may use, with its mix.
     *
     * @param findings what stands against doing it now with this
     */
    public record MaterialChoice(
            String key,
            String name,
            @Nullable String hex,
            StepCups.@Nullable MixView mix,
            String caution,
            List<FindingLine> findings) {}

    /** The clock of a window. */
    public record ClockView(
            StepId stepId,
            String work,
            String coat,
            WindowClock.Phase phase,
            Instant opensAt,
            Instant closesAt) {}

    /**
     * A step at the bench.
     *
     * @param findings what stands against doing it now
     * @param readyAt from when nothing waits any more
     * @param clock of the window that it has to keep
     * @param running the log entry that is open for it
     */
    public record BenchStep(
            StepId id,
            String name,
            Technique.Role role,
            List<String> zoneNames,
            List<String> zoneKeys,
            String material,
            List<MaterialChoice> materials,
            int minutes,
            boolean booth,
            String stroke,
            String stopRule,
            String inspection,
            String masking,
            String turn,
            String caution,
            String reason,
            List<FindingLine> findings,
            Instant readyAt,
            @Nullable ClockView clock,
            @Nullable LogEntry running) {}

    /**
     * A coat that lies and dries.
     *
     * @param touchAt when it should be touch dry
     * @param seenMinutes after which it was seen to be, if anybody looked
     * @param pace minutes that pass here for one of the tables
     */
    public record DryingView(
            StepId stepId,
            String name,
            String material,
            List<String> zones,
            Instant laidAt,
            Instant touchAt,
            @Nullable Double seenMinutes,
            double pace) {}

    /** One thing that stands against it. */
    public record FindingLine(Finding.Severity severity, String why) {}

    /** The bench of a job. */
    public record Bench(
            @Nullable BenchStep step,
            @Nullable String nextName,
            int done,
            int total,
            List<ClockView> clocks,
            List<DryingView> drying,
            List<LogEntry> log,
            ZoneWork.@Nullable ZonesView zones,
            List<Again.OpenCoat> open,
            List<Again.Outcome> outcomes,
            Instant now) {}

    /** The bench as of now. */
    public Bench of(UUID jobId) {
        JobSnapshot job = snapshots.of(jobId);
        FilmCase all = judge.filmCase(job);
        List<Act> done = all.acts().stream().filter(Act::done).toList();
        List<Act> open = all.acts().stream().filter(a -> !a.done()).toList();
        List<LogEntry> entries = log.ofJob(jobId);
        ZoneWork.ZonesView zones = zoneWork.of(all, entries, names(job));
        List<ClockView> clocks = clocks(all, open, zones);
        BenchStep step =
                open.isEmpty() ? null : step(job, open.getFirst(), all.with(done), entries, clocks);
        String next = open.size() < 2 ? null : open.get(1).technique().name();
        return new Bench(
                step,
                next,
                done.size(),
                job.plan().steps().size(),
                clocks,
                drying(jobId, all, job.plan().steps()),
                entries,
                zones,
                again.open(all.with(done)),
                again.outcomes(jobId, all.with(done)),
                clock.instant());
    }

    private static Map<String, String> names(JobSnapshot job) {
        Map<String, String> out = new HashMap<>();
        job.zones().forEach(z -> out.put(z.zoneKey(), z.name()));
        return out;
    }

    /**
     * Notes something and tells the bench after it. What is noted at the bench does not rest on the
     * version of the plan, so it goes on top of an edit that came in between.
     */
    Bench after(UUID jobId, Runnable note) {
        note.run();
        return of(jobId);
    }

    /** Notes that a step is over on a zone now, and tells the bench after it. */
    Bench zoneOver(UUID jobId, StepId stepId, String zone, String material) {
        JobSnapshot job = snapshots.of(jobId);
        ZoneWork.ZonesView zones = zoneWork.of(judge.filmCase(job), log.ofJob(jobId), names(job));
        Instant opens =
                zones == null || zones.part() != ZoneWork.Part.WORK
                        ? null
                        : zones.lines().stream()
                                .filter(l -> l.zone().equals(zone) && l.opensAt() != null)
                                .findFirst()
                                .map(ZoneWork.ZoneLine::opensAt)
                                .orElse(null);
        log.zoneOver(jobId, stepId, zone, material, opens);
        return of(jobId);
    }

    /** The clocks of coats that lie and still have to be worked, by job. */
    public Map<UUID, List<ClockView>> clocks(List<JobSnapshot> of) {
        Map<UUID, List<LogEntry>> entries = log.zonesOfAllJobs();
        Map<UUID, List<ClockView>> out = new HashMap<>();
        for (JobSnapshot job : of) {
            if (job.plan().steps().stream().anyMatch(StoredStep::done)
                    || entries.containsKey(job.job().id())) {
                FilmCase all = judge.filmCase(job);
                List<LogEntry> own = entries.getOrDefault(job.job().id(), List.of());
                out.put(
                        job.job().id(),
                        clocks(
                                all,
                                all.acts().stream().filter(a -> !a.done()).toList(),
                                zoneWork.of(all, own, names(job))));
            }
        }
        return out;
    }

    /** Where an act goes over several zones, its clock is that of the zone to be watched. */
    private List<ClockView> clocks(
            FilmCase all, List<Act> open, ZoneWork.@Nullable ZonesView zones) {
        List<ClockView> out = new ArrayList<>();
        ClockView watched = zones == null ? null : zones.clock();
        if (watched != null) {
            out.add(watched);
        }
        for (Timing.WorkSpan span : engines.timing().spans(all)) {
            Act coat =
                    all.acts().stream()
                            .filter(a -> a.id().equals(span.coatActId()))
                            .findFirst()
                            .orElseThrow();
            Act work =
                    open.stream()
                            .filter(a -> a.id().equals(span.workActId()))
                            .findFirst()
                            .orElse(null);
            boolean told =
                    (watched != null && watched.stepId().equals(span.workActId()))
                            // what the liquid of the step never moves has no window
                            || span.closesMinute() <= span.opensMinute();
            if (work != null && coat.done() && !told) {
                Instant laid = Instant.ofEpochSecond(coat.endMinute() * 60);
                WindowClock c =
                        WindowClock.read(
                                laid,
                                Duration.ofMinutes(span.opensMinute() - coat.endMinute()),
                                Duration.ofMinutes(span.closesMinute() - coat.endMinute()),
                                clock.instant());
                out.add(
                        new ClockView(
                                work.id(),
                                work.technique().name(),
                                span.coat(),
                                c.phase(),
                                c.opensAt(),
                                c.closesAt()));
            }
        }
        return out;
    }

    /** Coats that lie and are not fully cured, with what was seen of them. */
    private List<DryingView> drying(UUID jobId, FilmCase all, List<StoredStep> steps) {
        long now = StoredStep.minute(clock.instant());
        Map<StepId, Double> seen = priors.seenOf(jobId);
        List<DryingView> out = new ArrayList<>();
        for (Act a : all.acts()) {
            DryingTimes dry = DryingTimes.of(a, all.air()).orElse(null);
            boolean stands = steps.stream().noneMatch(s -> a.id().equals(s.takesBack()));
            if (a.done() && dry != null && stands && now - a.endMinute() < dry.full()) {
                out.add(
                        new DryingView(
                                a.id(),
                                a.technique().name(),
                                a.material().name(),
                                List.copyOf(a.zones()),
                                Instant.ofEpochSecond(a.endMinute() * 60),
                                Instant.ofEpochSecond((a.endMinute() + dry.touch()) * 60),
                                seen.get(a.id()),
                                a.material().pace()));
            }
        }
        return out.reversed();
    }

    /** Notes that a coat is touch dry now. */
    public void touchDry(UUID jobId, StepId stepId) {
        FilmCase all = judge.filmCase(snapshots.of(jobId));
        Act coat =
                all.acts().stream()
                        .filter(a -> a.done() && a.id().equals(stepId))
                        .findFirst()
                        .orElseThrow(() -> new NotFound("The coat"));
        DryingTimes dry =
                DryingTimes.of(coat, all.air()).orElseThrow(() -> new NotFound("The coat"));
        double minutes = Math.max(1, StoredStep.minute(clock.instant()) - coat.endMinute());
        // what the tables say, not what was learned already
        double predicted = dry.touch() / coat.material().pace();
        priors.see(jobId, stepId, coat.material().key(), predicted, minutes, clock.instant());
    }

    /** Takes that note back. */
    public void notTouchDry(UUID jobId, StepId stepId) {
        priors.forget(jobId, stepId);
    }

    private BenchStep step(
            JobSnapshot job,
            Act act,
            FilmCase laid,
            List<LogEntry> entries,
            List<ClockView> clocks) {
        LogEntry running =
                entries.stream()
                        .filter(e -> e.stepId().equals(act.id()) && e.finishedAt() == null)
                        .findFirst()
                        .orElse(null);
        long begun = StoredStep.minute(running == null ? clock.instant() : running.startedAt());
        long last = laid.acts().stream().mapToLong(Act::endMinute).max().orElse(begun);
        long ready = engines.timing().earliest(laid, act, Math.max(begun, last));
        long at = Math.max(begun, laid.acts().isEmpty() ? begun : laid.acts().getLast().atMinute());
        Act now = act.at(at);
        List<FindingLine> against = against(laid, now);
        Cupboard cupboard = cups.cupboard();
        Technique t = act.technique();
        return new BenchStep(
                act.id(),
                act.name(),
                t.role(),
                job.zones().stream()
                        .filter(z -> act.zones().contains(z.zoneKey()))
                        .map(JobZone::name)
                        .toList(),
                List.copyOf(act.zones()),
                act.material().key(),
                usable(act).stream()
                        .map(k -> engines.catalogue().material(k, t))
                        .map(m -> choice(job, act, m, against(laid, now.with(m)), cupboard))
                        .toList(),
                act.minutes(),
                t.booth(),
                t.texts().stroke(),
                t.texts().stopRule(),
                t.texts().inspection(),
                t.handling().masking(),
                switch (act.handling().orientation()) {
                    case UPRIGHT -> "";
                    case FACE_UP -> "Lay the model so that the face you work on lies up.";
                    case ON_ITS_SIDE -> "Lay the model on its side.";
                    case UPSIDE_DOWN -> "Turn the model upside down, in foam.";
                },
                t.texts().caution(),
                job.plan().step(act.id()).reason(),
                against,
                Instant.ofEpochSecond(ready * 60),
                clocks.stream().filter(c -> c.stepId().equals(act.id())).findFirst().orElse(null),
                running);
    }

    /** What the step offers: what its technique starts with, and what was asked for. */
    private static List<String> usable(Act act) {
        List<String> out = new ArrayList<>(act.technique().materials());
        if (!out.contains(act.material().key())) {
            out.addFirst(act.material().key());
        }
        return out;
    }

    private List<FindingLine> against(FilmCase laid, Act now) {
        List<Act> asked = new ArrayList<>(laid.acts());
        asked.add(now);
        return engines.check().check(laid.with(asked)).about(now.id()).stream()
                .filter(f -> f.rule() != Finding.Rule.OPEN_WINDOW)
                .map(f -> new FindingLine(f.severity(), f.why()))
                .toList();
    }

    private MaterialChoice choice(
            JobSnapshot job, Act act, Material m, List<FindingLine> against, Cupboard cupboard) {
        return new MaterialChoice(
                m.key(),
                m.name(),
                m.colour().map(Srgb::toHex).orElse(null),
                cups.mix(job, act, m, cupboard),
                m.safety().text(),
                against);
    }
}
