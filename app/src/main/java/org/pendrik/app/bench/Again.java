package org.pendrik.app.bench;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.makeup.JobSnapshot;
import org.pendrik.app.makeup.JobSnapshots;
import org.pendrik.app.makeup.PlanEdits;
import org.pendrik.app.makeup.PlanJudge;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.priors.Priors;
import org.pendrik.app.problem.NotFound;
import org.pendrik.core.catalogue.BiteSense;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Column;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmReport;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Layer;
import org.pendrik.core.film.Reach;
import org.pendrik.core.film.StepId;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** More of what lies open, and what came of what was warned of. */
@Component
@Transactional
class Again {
    private final JobSnapshots snapshots;
    private final PlanJudge judge;
    private final PlanEdits edits;
    private final Engines engines;
    private final Priors priors;
    private final Clock clock;

    Again(
            JobSnapshots snapshots,
            PlanJudge judge,
            PlanEdits edits,
            Engines engines,
            Priors priors,
            Clock clock) {
        this.snapshots = snapshots;
        this.judge = judge;
        this.edits = edits;
        this.engines = engines;
        this.priors = priors;
        this.clock = clock;
    }

    /** A tone that a step can be laid in. */
    record Tone(String key, String name, @Nullable String hex) {}

    /**
     * A coat that lies open, into which another round runs.
     *
     * @param material in which it was laid
     */
    record OpenCoat(
            StepId stepId, String name, String material, List<String> zones, List<Tone> tones) {}

    /**
     * A step that was warned of a coat that it would reach.
     *
     * @param coats that it reached
     * @param lifted what came of it; null while nobody said
     */
    record Outcome(StepId stepId, String name, List<String> coats, @Nullable Boolean lifted) {}

    List<OpenCoat> open(FilmCase done) {
        return engines.timing().open(done, StoredStep.minute(clock.instant())).stream()
                .map(
                        a ->
                                new OpenCoat(
                                        a.id(),
                                        a.technique().name(),
                                        a.material().name(),
                                        List.copyOf(a.zones()),
                                        a.technique().materials().stream()
                                                .map(k -> tone(engines.catalogue().material(k)))
                                                .toList()))
                .toList();
    }

    private static Tone tone(Material m) {
        return new Tone(m.key(), m.name(), m.colour().map(Srgb::toHex).orElse(null));
    }

    /** Puts another round of a coat that lies open in front of what is still to do. */
    void another(UUID jobId, StepId stepId, String material) {
        JobSnapshot job = snapshots.of(jobId);
        FilmCase done = done(job);
        StoredStep lies =
                job.plan().steps().stream()
                        .filter(s -> s.id().equals(stepId) && s.done())
                        .findFirst()
                        .orElseThrow(() -> new NotFound("The coat"));
        if (open(done).stream().noneMatch(o -> o.stepId().equals(stepId))) {
            throw new InvalidInput(
                    "Round",
                    engines.catalogue().technique(lies.technique()).name(),
                    "no longer runs into what lies there",
                    "It is touch dry: let it cure, or lay a clear between.");
        }
        edits.another(job, lies, material);
    }

    private FilmCase done(JobSnapshot job) {
        FilmCase all = judge.filmCase(job);
        return all.with(all.acts().stream().filter(Act::done).toList());
    }

    /** Steps that are done and reached a coat that they were not meant for. */
    List<Outcome> outcomes(UUID jobId, FilmCase done) {
        Map<StepId, Boolean> seen = priors.bitesOf(jobId);
        FilmReport report = engines.check().check(done);
        List<Outcome> out = new ArrayList<>();
        for (Act a : done.acts()) {
            List<String> coats =
                    report.about(a.id()).stream()
                            .filter(f -> f.rule() == Finding.Rule.REACH)
                            .flatMap(f -> f.coats().stream())
                            .distinct()
                            .toList();
            if (!coats.isEmpty() && !bites(a, report).isEmpty()) {
                out.add(new Outcome(a.id(), a.technique().name(), coats, seen.get(a.id())));
            }
        }
        return out.reversed();
    }

    /** Notes whether what was reached gave way. */
    void cameOut(UUID jobId, StepId stepId, boolean lifted) {
        FilmCase done = done(snapshots.of(jobId));
        Act act =
                done.acts().stream()
                        .filter(a -> a.id().equals(stepId))
                        .findFirst()
                        .orElseThrow(() -> new NotFound("The step"));
        List<Priors.Bite> bites = bites(act, engines.check().check(done));
        if (bites.isEmpty()) {
            throw new NotFound("A coat that this step reached");
        }
        priors.seeBites(jobId, stepId, bites, lifted, clock.instant());
    }

    void notCameOut(UUID jobId, StepId stepId) {
        priors.forgetBites(jobId, stepId);
    }

    private List<Priors.Bite> bites(Act act, FilmReport report) {
        List<String> reached =
                report.about(act.id()).stream()
                        .filter(f -> f.rule() == Finding.Rule.REACH)
                        .flatMap(f -> f.coats().stream())
                        .toList();
        List<Priors.Bite> out = new ArrayList<>();
        report.reaches()
                .getOrDefault(act.id(), Map.of())
                .forEach(
                        (zone, reach) ->
                                report.columns().stream()
                                        .filter(c -> c.zone().key().equals(zone))
                                        .forEach(c -> add(act, c, reach, reached, out)));
        return out;
    }

    /** Each binder once, as hard as the tables alone say. */
    private void add(
            Act act, Column column, Reach reach, List<String> reached, List<Priors.Bite> out) {
        for (Reach.Met m : reach.met()) {
            Layer l = m.coatOf(column).orElse(null);
            if (l == null
                    || !reached.contains(l.material().name())
                    || out.stream().anyMatch(b -> b.binder() == l.binder())) {
                continue;
            }
            BiteSense learned = priors.senses().get(BiteSense.Pair.of(l.binder(), act.carrier()));
            double factor = learned == null ? 1 : learned.factor();
            out.add(new Priors.Bite(l.binder(), act.carrier(), m.bite() * m.exposure() / factor));
        }
    }
}
