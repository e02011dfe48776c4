package org.pendrik.app.bench;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.JobZone;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.makeup.Plans;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.core.bench.WindowClock;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.DryingTimes;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Material;
import org.pendrik.core.film.Technique;
import org.pendrik.core.film.Timing;
import org.pendrik.core.mix.MixCard;
import org.springframework.stereotype.Service;

/** What stands at the bench now: the step, whether it may begin, its mix and its clock. */
@Service
public class Benches {
    private final Plans plans;
    private final BenchLog log;
    private final Jobs jobs;
    private final Catalogue catalogue;
    private final FilmCheck check;
    private final Timing timing;
    private final Clock clock;

    Benches(
            Plans plans,
            BenchLog log,
            Jobs jobs,
            Catalogue catalogue,
            FilmCheck check,
            Timing timing,
            Clock clock) {
        this.plans = plans;
        this.log = log;
        this.jobs = jobs;
        this.catalogue = catalogue;
        this.check = check;
        this.timing = timing;
        this.clock = clock;
    }

    /** A material that the step may use, with its mix. */
    public record MaterialChoice(
            String key, String name, @Nullable String hex, @Nullable MixView mix, String caution) {}

    /** The mix card of a step. */
    public record MixView(
            int paintDrops,
            int thinnerDrops,
            String thinner,
            double millilitres,
            double realRatio,
            double neededMillilitres,
            double areaMm2) {}

    /** The clock of a window. */
    public record ClockView(
            String stepId,
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
            String id,
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
            String reason,
            List<FindingLine> findings,
            Instant readyAt,
            @Nullable ClockView clock,
            @Nullable LogEntry running) {}

    /** One thing that stands against it. */
    public record FindingLine(Finding.Severity severity, String why) {}

    /** The bench of a job. */
    public record Bench(
            @Nullable BenchStep step,
            @Nullable String nextName,
            int done,
            int total,
            List<ClockView> clocks,
            List<LogEntry> log,
            Instant now) {}

    /** The bench as of now. */
    public Bench of(UUID jobId) {
        List<StoredStep> steps = plans.of(jobId).steps();
        FilmCase all = plans.filmCase(jobId, steps);
        List<Act> done = all.acts().stream().filter(Act::done).toList();
        List<Act> open = all.acts().stream().filter(a -> !a.done()).toList();
        List<LogEntry> entries = log.ofJob(jobId);
        List<ClockView> clocks = clocks(all, open);
        BenchStep step =
                open.isEmpty()
                        ? null
                        : step(
                                jobs.get(jobId),
                                open.getFirst(),
                                all.with(done),
                                steps,
                                entries,
                                clocks);
        String next = open.size() < 2 ? null : open.get(1).technique().name();
        return new Bench(step, next, done.size(), steps.size(), clocks, entries, clock.instant());
    }

    /** The clocks of coats that lie and still have to be worked. */
    public List<ClockView> clocks(UUID jobId) {
        FilmCase all = plans.filmCase(jobId, plans.of(jobId).steps());
        return clocks(all, all.acts().stream().filter(a -> !a.done()).toList());
    }

    private List<ClockView> clocks(FilmCase all, List<Act> open) {
        List<ClockView> out = new ArrayList<>();
        for (Act coat : all.acts()) {
            var window = DryingTimes.of(coat, all.air()).flatMap(DryingTimes::window);
            if (!coat.done() || window.isEmpty() || coat.technique().follow().isEmpty()) {
                continue;
            }
            Act work =
                    open.stream()
                            .filter(
                                    a ->
                                            a.technique()
                                                    .actsOn()
                                                    .equals(
                                                            java.util.Optional.of(
                                                                    coat.technique().key())))
                            .filter(a -> a.zones().stream().anyMatch(coat.zones()::contains))
                            .findFirst()
                            .orElse(null);
            if (work != null) {
                Duration from = Duration.ofSeconds(Math.round(window.get().fromMinutes() * 60));
                Duration until = Duration.ofSeconds(Math.round(window.get().untilMinutes() * 60));
                Instant laid = Instant.ofEpochSecond(coat.endMinute() * 60);
                WindowClock c = WindowClock.read(laid, from, until, clock.instant());
                out.add(
                        new ClockView(
                                work.id(),
                                work.technique().name(),
                                coat.material().name(),
                                c.phase(),
                                c.opensAt(),
                                c.closesAt()));
            }
        }
        return out;
    }

    private BenchStep step(
            Job job,
            Act act,
            FilmCase laid,
            List<StoredStep> steps,
            List<LogEntry> entries,
            List<ClockView> clocks) {
        LogEntry running =
                entries.stream()
                        .filter(e -> e.stepId().equals(act.id()) && e.finishedAt() == null)
                        .findFirst()
                        .orElse(null);
        long begun = StoredStep.minute(running == null ? clock.instant() : running.startedAt());
        long last = laid.acts().stream().mapToLong(Act::endMinute).max().orElse(begun);
        long ready = timing.earliest(laid, act, Math.max(begun, last));
        List<Act> asked = new ArrayList<>(laid.acts());
        asked.add(
                act.at(
                        Math.max(
                                begun,
                                laid.acts().isEmpty() ? begun : laid.acts().getLast().atMinute())));
        List<FindingLine> against =
                check.check(laid.with(asked)).about(act.id()).stream()
                        .filter(f -> f.rule() != Finding.Rule.OPEN_WINDOW)
                        .map(f -> new FindingLine(f.severity(), f.why()))
                        .toList();
        Technique t = act.technique();
        return new BenchStep(
                act.id(),
                t.name(),
                t.role(),
                jobs.zones(job.id()).stream()
                        .filter(z -> act.zones().contains(z.zoneKey()))
                        .map(JobZone::name)
                        .toList(),
                List.copyOf(act.zones()),
                act.material().key(),
                t.materials().stream().map(k -> choice(job, act, catalogue.material(k))).toList(),
                act.minutes(),
                t.booth(),
                t.stroke(),
                t.stopRule(),
                steps.stream()
                        .filter(s -> s.id().equals(act.id()))
                        .findFirst()
                        .map(StoredStep::reason)
                        .orElse(""),
                against,
                Instant.ofEpochSecond(ready * 60),
                clocks.stream().filter(c -> c.stepId().equals(act.id())).findFirst().orElse(null),
                running);
    }

    private MaterialChoice choice(Job job, Act act, Material m) {
        return new MaterialChoice(
                m.key(),
                m.name(),
                m.colour().map(Srgb::toHex).orElse(null),
                mix(job, act, m),
                m.safety().text());
    }

    private @Nullable MixView mix(Job job, Act act, Material m) {
        if (!m.deposits() || m.filmMicrometres() == 0 || m.mix().thinner().isEmpty()) {
            return null;
        }
        double side =
                job.scale().toModel(job.length()).mm() * job.scale().toModel(job.height()).mm();
        double area =
                side
                        * jobs.zones(job.id()).stream()
                                .filter(z -> act.zones().contains(z.zoneKey()))
                                .mapToDouble(JobZone::areaShare)
                                .sum();
        double covered = act.technique().share();
        MixCard c =
                MixCard.of(
                        Math.max(1, area * covered),
                        m.filmMicrometres() * act.thickness().factor(),
                        m.mix().paintParts(),
                        m.mix().thinnerParts(),
                        act.technique().booth());
        return new MixView(
                c.paintDrops(),
                c.thinnerDrops(),
                m.mix().thinner(),
                c.millilitres(),
                c.realRatio(),
                c.neededMillilitres(),
                area);
    }
}
