package org.pendrik.app.makeup;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.JobZone;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.app.study.JobEffect;
import org.pendrik.app.study.Measuring;
import org.pendrik.app.study.Studies;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Mend;
import org.pendrik.core.film.Mends;
import org.pendrik.core.film.Substrate;
import org.pendrik.core.film.Thickness;
import org.pendrik.core.film.Zone;
import org.pendrik.core.plan.Effect;
import org.pendrik.core.plan.Pin;
import org.pendrik.core.plan.Pins;
import org.pendrik.core.plan.PlanCheck;
import org.pendrik.core.plan.PlanCompiler;
import org.pendrik.core.plan.PlanOutcome;
import org.pendrik.core.plan.PlanRequest;
import org.pendrik.core.plan.PlanStep;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the plan of a job: compiled, edited, mended, and marked as it is done. */
@Service
public class Plans {
    private static final int MOST_STEPS = 80;

    private final PlanMapper mapper;
    private final Jobs jobs;
    private final Studies studies;
    private final Measuring measuring;
    private final Workshops workshops;
    private final Catalogue catalogue;
    private final PlanCompiler compiler;
    private final PlanCheck check;
    private final Mends mends;
    private final Clock clock;

    Plans(
            PlanMapper mapper,
            Jobs jobs,
            Studies studies,
            Measuring measuring,
            Workshops workshops,
            Catalogue catalogue,
            PlanCompiler compiler,
            PlanCheck check,
            Mends mends,
            Clock clock) {
        this.mapper = mapper;
        this.jobs = jobs;
        this.studies = studies;
        this.measuring = measuring;
        this.workshops = workshops;
        this.catalogue = catalogue;
        this.compiler = compiler;
        this.check = check;
        this.mends = mends;
        this.clock = clock;
    }

    /** Steps and pins as they are kept. */
    public record Plan(List<StoredStep> steps, List<Pin> pins, int version) {}

    /** A step as the user sets it. */
    public record StepDraft(
            String id, String technique, String material, Thickness thickness, ZoneKeys zones) {}

    /** The plan of a job. */
    public Plan of(UUID jobId) {
        return new Plan(mapper.steps(jobId), mapper.pins(jobId), jobs.get(jobId).planVersion());
    }

    /** The plan judged, what is still to do placed as early from now on as the coats allow. */
    public PlanCheck.Judgement judge(UUID jobId) {
        Plan plan = of(jobId);
        return check.check(filmCase(jobId, plan.steps()), plan.pins(), now());
    }

    /** The steps as a question to the film engine; those still to do have no times. */
    public FilmCase filmCase(UUID jobId, List<StoredStep> steps) {
        List<Act> acts = new ArrayList<>();
        long clockMinute = Long.MIN_VALUE;
        for (StoredStep s : steps) {
            Act a = s.act(catalogue);
            Act placed = a.done() ? a : a.at(Math.max(clockMinute, now()));
            acts.add(placed);
            clockMinute = Math.max(clockMinute, placed.atMinute());
        }
        return new FilmCase(zones(jobs.get(jobId)), acts, workshops.current().air());
    }

    private List<Zone> zones(Job job) {
        Lab colour = measuring.factoryColour(job.id()).orElse(Substrate.UNKNOWN_COLOUR);
        return jobs.zones(job.id()).stream()
                .map(z -> new Zone(z.zoneKey(), z.name(), job.substrate(), z.lettering(), colour))
                .toList();
    }

    private long now() {
        return StoredStep.minute(clock.instant());
    }

    /** Compiles the effects of the study into the steps that are still to do. */
    @Transactional
    public Plan compile(UUID jobId, int version) {
        Plan old = of(jobId);
        List<StoredStep> kept = new ArrayList<>();
        Set<String> begun = new HashSet<>();
        for (StoredStep s : old.steps()) {
            String effect = s.id().split(":", 2)[0];
            if (s.done()) {
                begun.add(effect);
            }
            if (s.done()
                    || (begun.contains(effect) && s.id().contains(":") && !s.id().contains("+"))) {
                kept.add(s);
            }
        }
        List<Effect> open =
                studies.of(jobId).effects().stream()
                        .map(JobEffect::effect)
                        .filter(e -> !begun.contains(e.id()))
                        .toList();
        FilmCase laid = filmCase(jobId, kept);
        Job job = jobs.get(jobId);
        var outcome =
                compiler.compile(
                        new PlanRequest(
                                zones(job),
                                check.check(laid, List.of(), now()).timed().acts(),
                                open,
                                old.pins(),
                                laid.air(),
                                now()));
        switch (outcome) {
            case PlanOutcome.NoPlan no ->
                    throw new InvalidInput(
                            "Plan", "these effects", "cannot be made: " + no.reason(), no.remedy());
            case PlanOutcome.Compiled plan -> {
                List<StoredStep> steps = new ArrayList<>(kept);
                plan.steps().forEach(s -> steps.add(StoredStep.of(s)));
                store(jobId, steps, old.pins(), version);
            }
        }
        return of(jobId);
    }

    /** Replaces what is still to do; what is done stays in front as it is. */
    @Transactional
    public Plan save(UUID jobId, List<StepDraft> drafts, List<Pin> pins, int version) {
        Plan old = of(jobId);
        Map<String, StoredStep> known = new HashMap<>();
        old.steps().forEach(s -> known.put(s.id(), s));
        List<StoredStep> done = old.steps().stream().filter(StoredStep::done).toList();
        List<String> front = drafts.stream().limit(done.size()).map(StepDraft::id).toList();
        if (!front.equals(done.stream().map(StoredStep::id).toList())) {
            throw new InvalidInput(
                    "Order",
                    "as sent",
                    "moves a step that is done",
                    "Move only what is still to do.");
        }
        List<StoredStep> steps = new ArrayList<>(done);
        drafts.stream()
                .skip(done.size())
                .forEach(d -> steps.add(step(jobId, d, known.get(d.id()))));
        store(jobId, steps, pins, version);
        return of(jobId);
    }

    private StoredStep step(
            UUID jobId, StepDraft d, @org.jspecify.annotations.Nullable StoredStep before) {
        var t = catalogue.technique(d.technique());
        var m = catalogue.material(d.material());
        if (!t.materials().contains(m.key())) {
            throw new InvalidInput(
                    "Material",
                    m.name(),
                    "does not do for " + t.name(),
                    "Choose one that the step offers.");
        }
        if (d.id().isBlank() || d.id().length() > 200) {
            throw new InvalidInput(
                    "Step", d.id(), "needs an id of 1 to 200 letters", "Load the page again.");
        }
        Set<String> zones =
                new HashSet<>(jobs.zones(jobId).stream().map(JobZone::zoneKey).toList());
        if (d.zones().keys().isEmpty() || !zones.containsAll(d.zones().keys())) {
            throw new InvalidInput(
                    "Zones of " + t.name(),
                    String.join(", ", d.zones().keys()),
                    "must be at least one zone of this subject",
                    "Choose where it goes.");
        }
        return new StoredStep(
                d.id(),
                t.key(),
                m.key(),
                d.thickness(),
                d.zones(),
                before == null ? PlanStep.Origin.MANUAL : before.origin(),
                before == null ? "You put it here." : before.reason(),
                null,
                null);
    }

    private void store(UUID jobId, List<StoredStep> steps, List<Pin> pins, int version) {
        if (steps.size() > MOST_STEPS) {
            throw new InvalidInput(
                    "Plan",
                    steps.size() + " steps",
                    "must have at most 80",
                    "Join zones in one step.");
        }
        Map<String, String> names = new HashMap<>();
        for (StoredStep s : steps) {
            if (names.put(s.id(), catalogue.technique(s.technique()).name()) != null) {
                throw new InvalidInput(
                        "Step", s.id(), "stands in the plan twice", "Load the page again.");
            }
        }
        List<Pin> alive =
                pins.stream()
                        .filter(
                                p ->
                                        names.containsKey(p.firstId())
                                                && names.containsKey(p.thenId()))
                        .distinct()
                        .toList();
        Pins.requireNoCircle(alive, id -> names.getOrDefault(id, id));
        jobs.stepPlan(jobId, version);
        mapper.clearSteps(jobId);
        for (int i = 0; i < steps.size(); i++) {
            mapper.addStep(jobId, steps.get(i), i);
        }
        mapper.clearPins(jobId);
        alive.forEach(p -> mapper.addPin(jobId, p));
    }

    /** The mends for a finding that make sense without a clock: a plan waits by itself. */
    public List<Mends.Checked> mendsFor(PlanCheck.Judgement judgement, Finding finding) {
        return mends.forFinding(judgement.timed(), judgement.film(), finding).stream()
                .filter(m -> !(m.mend() instanceof Mend.Wait))
                .toList();
    }

    /** Makes a mend, named by the place of its finding, its own place and its label. */
    @Transactional
    public Plan mend(UUID jobId, int finding, int mend, String label, int version) {
        PlanCheck.Judgement judged = judge(jobId);
        var findings = judged.film().findings();
        if (finding < 0 || finding >= findings.size()) {
            throw new StaleVersion("The plan");
        }
        var offered = mendsFor(judged, findings.get(finding));
        if (mend < 0 || mend >= offered.size() || !offered.get(mend).mend().label().equals(label)) {
            throw new StaleVersion("The plan");
        }
        Mend chosen = offered.get(mend).mend();
        FilmCase mended =
                mends.apply(judged.timed(), chosen).orElseThrow(() -> new StaleVersion("The plan"));
        Plan old = of(jobId);
        Map<String, StoredStep> known = new HashMap<>();
        old.steps().forEach(s -> known.put(s.id(), s));
        List<StoredStep> steps = new ArrayList<>();
        for (Act a : mended.acts()) {
            StoredStep s = known.get(a.id());
            if (s == null) {
                steps.add(StoredStep.of(a, PlanStep.Origin.INSERTED, findings.get(finding).why()));
            } else {
                steps.add(s.done() ? s : StoredStep.of(a, s.origin(), s.reason()));
            }
        }
        store(jobId, steps, old.pins(), version);
        return of(jobId);
    }

    /** Marks a step as done with what was really used. */
    @Transactional
    public void markDone(UUID jobId, String stepId, String material, Instant from, Instant until) {
        change(jobId, stepId, s -> s.doneWith(material, from, until));
    }

    /** Takes the mark of being done off again. */
    @Transactional
    public void markOpen(UUID jobId, String stepId) {
        change(jobId, stepId, StoredStep::undone);
    }

    private void change(
            UUID jobId, String stepId, java.util.function.UnaryOperator<StoredStep> how) {
        Plan plan = of(jobId);
        if (plan.steps().stream().noneMatch(s -> s.id().equals(stepId))) {
            throw new NotFound("The step");
        }
        List<StoredStep> steps = new ArrayList<>();
        for (StoredStep s : plan.steps()) {
            steps.add(s.id().equals(stepId) ? how.apply(s) : s);
        }
        // what is done stands in front, in the order in which it was done
        List<StoredStep> ordered =
                new ArrayList<>(
                        steps.stream()
                                .filter(StoredStep::done)
                                .sorted(
                                        java.util.Comparator.comparing(
                                                s ->
                                                        java.util.Objects.requireNonNull(
                                                                s.startedAt())))
                                .toList());
        steps.stream().filter(s -> !s.done()).forEach(ordered::add);
        store(jobId, ordered, plan.pins(), plan.version());
    }

    /** Stores steps of a record that is read in. */
    @Transactional
    public void insert(UUID jobId, List<StoredStep> steps, List<Pin> pins) {
        store(jobId, steps, pins, jobs.get(jobId).planVersion());
    }
}
