package org.pendrik.app.makeup;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.JobZone;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.school.SchoolSheet;
import org.pendrik.app.shelf.StepMixes;
import org.pendrik.app.store.WorksOn;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.app.store.ZoneTimes;
import org.pendrik.app.study.JobEffect;
import org.pendrik.app.study.Measuring;
import org.pendrik.app.study.Studies;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Material;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.film.Substrate;
import org.pendrik.core.film.Technique;
import org.pendrik.core.film.Thickness;
import org.pendrik.core.film.Zone;
import org.pendrik.core.plan.Effect;
import org.pendrik.core.plan.InStep;
import org.pendrik.core.plan.OwnColour;
import org.pendrik.core.plan.Pin;
import org.pendrik.core.plan.PlanCheck;
import org.pendrik.core.plan.PlanCompiler;
import org.pendrik.core.plan.PlanOutcome;
import org.pendrik.core.plan.PlanRequest;
import org.pendrik.core.plan.PlanStep;
import org.pendrik.core.plan.Schools;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the plan of a job: compiled, edited, judged, and marked as it is done. */
@Service
@Transactional
public class Plans {
    private final PlanStore kept;
    private final Jobs jobs;
    private final Studies studies;
    private final Measuring measuring;
    private final Workshops workshops;
    private final SchoolSheet schools;
    private final Engines engines;
    private final StepMixes mixes;
    private final Answers answers;
    private final Clock clock;

    Plans(
            PlanStore kept,
            Jobs jobs,
            Studies studies,
            Measuring measuring,
            Workshops workshops,
            SchoolSheet schools,
            Engines engines,
            StepMixes mixes,
            Answers answers,
            Clock clock) {
        this.answers = answers;
        this.kept = kept;
        this.jobs = jobs;
        this.studies = studies;
        this.measuring = measuring;
        this.workshops = workshops;
        this.schools = schools;
        this.engines = engines;
        this.mixes = mixes;
        this.clock = clock;
    }

    /** Steps and pins as they are kept. */
    public record Plan(List<StoredStep> steps, List<Pin> pins, int version) {}

    /**
     * A step as the user sets it.
     *
     * @param origin how it once came into the plan, when it comes back by undo
     * @param reason why it was there then
     * @param worksOn coats of other steps that it is meant for; null takes what its technique means
     * @param extra what is particular about it; null when nothing is
     */
    public record StepDraft(
            StepId id,
            String technique,
            String material,
            Thickness thickness,
            ZoneKeys zones,
            PlanStep.@Nullable Origin origin,
            @Nullable String reason,
            @Nullable StepId takesBack,
            @Nullable Double backShare,
            @Nullable String madeForEffect,
            @Nullable StepId madeForStep,
            @Nullable WorksOn worksOn,
            @Nullable StepExtra extra) {}

    /** The plan of a job. */
    public Plan of(UUID jobId) {
        return kept.of(jobId);
    }

    /** The plan judged, what is still to do placed as early from now on as the coats allow. */
    public PlanCheck.Judgement judge(UUID jobId) {
        Plan plan = of(jobId);
        return engines.planCheck().check(filmCase(jobId, plan.steps()), plan.pins(), now());
    }

    /**
     * The steps as a question to the film engine; those still to do have no times, and what a step
     * is mixed by has the colour of the mix.
     */
    public FilmCase filmCase(UUID jobId, List<StoredStep> steps) {
        List<Zone> subject = zones(jobs.get(jobId));
        Map<StepId, StepMixes.StepRecipe> recipes = mixes.ofJob(jobId);
        List<Act> acts = new ArrayList<>();
        long clockMinute = Long.MIN_VALUE;
        for (StoredStep s : steps) {
            Act bottle = s.act(engines.catalogue(), subject);
            StepMixes.StepRecipe mix = recipes.get(s.id());
            Act a =
                    mix == null
                            ? ofOwnColour(bottle, subject)
                            : bottle.with(bottle.material().coloured(mix.colour()));
            Act placed = a.done() ? a : a.at(Math.max(clockMinute, now()));
            acts.add(placed);
            clockMinute = Math.max(clockMinute, placed.atMinute());
        }
        return new FilmCase(subject, acts, workshops.current().air()).knowing(answers.known(jobId));
    }

    /** A chip's top coat is the car's own colour, mixed to it, unless another was chosen. */
    private Act ofOwnColour(Act act, List<Zone> subject) {
        return subject.stream()
                .filter(z -> act.zones().contains(z.key()))
                .findFirst()
                .filter(z -> OwnColour.isTopCoatOf(act, z.colour(), engines.catalogue()))
                .map(z -> act.with(act.material().coloured(z.colour())))
                .orElse(act);
    }

    /** The paint that the subject came in. */
    Lab paintOf(UUID jobId) {
        return measuring.factoryColour(jobId).orElse(Substrate.UNKNOWN_COLOUR);
    }

    /** The zones of a job as the film engine takes them. */
    private List<Zone> zones(Job job) {
        Lab colour = paintOf(job.id());
        double side =
                job.scale().toModel(job.length()).mm() * job.scale().toModel(job.height()).mm();
        return jobs.zones(job.id()).stream()
                .map(
                        z -> {
                            boolean clean = Boolean.TRUE.equals(z.keptClean());
                            Substrate own = z.substrate() == null ? job.substrate() : z.substrate();
                            return new Zone(
                                    z.zoneKey(),
                                    z.name(),
                                    clean ? Substrate.GLAZING : own,
                                    z.lettering(),
                                    colour,
                                    Math.max(1, side * z.areaShare()),
                                    Objects.requireNonNull(z.face()),
                                    clean);
                        })
                .toList();
    }

    long now() {
        return StoredStep.minute(clock.instant());
    }

    /**
     * What a compilation starts from.
     *
     * @param staying steps that stay as they are: done, or begun with their effect
     * @param request what is asked of the compiler
     */
    private record Start(List<StoredStep> staying, PlanRequest request) {}

    private Start start(UUID jobId, Schools.Choice choice) {
        Plan old = of(jobId);
        List<StoredStep> staying = new ArrayList<>();
        List<StoredStep> own = new ArrayList<>();
        Set<String> begun = new HashSet<>();
        Map<StepId, StoredStep> known = new HashMap<>();
        old.steps().forEach(s -> known.put(s.id(), s));
        for (StoredStep s : old.steps()) {
            String effect = effectOf(s, known);
            if (s.done() && effect != null) {
                begun.add(effect);
            }
            boolean follows = s.madeForEffect() != null && begun.contains(s.madeForEffect());
            if (s.done() || s.takesBack() != null || follows) {
                staying.add(s);
            } else if (s.origin() == PlanStep.Origin.MANUAL) {
                own.add(s);
            }
        }
        List<Effect> open =
                studies.of(jobId).effects().stream()
                        .map(JobEffect::effect)
                        .filter(e -> !begun.contains(e.id()))
                        .toList();
        FilmCase laid = filmCase(jobId, staying);
        List<Zone> subject = laid.zones();
        return new Start(
                staying,
                new PlanRequest(
                        subject,
                        engines.planCheck().check(laid, List.of(), now()).timed().acts(),
                        open,
                        old.pins(),
                        laid.air(),
                        now(),
                        choice,
                        own.stream().map(s -> s.act(engines.catalogue(), subject)).toList(),
                        standing(old.steps())));
    }

    /** Where the user's own steps stand: behind and in front of what is not put in for others. */
    private List<Pin> standing(List<StoredStep> steps) {
        List<StoredStep> open =
                steps.stream().filter(s -> !s.done() && s.madeForStep() == null).toList();
        Predicate<StoredStep> ends =
                s -> s.origin() == PlanStep.Origin.EFFECT && s.madeForEffect() == null;
        List<Pin> out = new ArrayList<>();
        for (int i = 0; i < open.size(); i++) {
            if (open.get(i).origin() != PlanStep.Origin.MANUAL) {
                continue;
            }
            // a coat that was put in at the very end still belongs under the last clear
            boolean coat = engines.catalogue().material(open.get(i).material()).deposits();
            if (i > 0 && !(coat && ends.test(open.get(i - 1)))) {
                out.add(new Pin(open.get(i - 1).id(), open.get(i).id()));
            }
            if (i + 1 < open.size()) {
                out.add(new Pin(open.get(i).id(), open.get(i + 1).id()));
            }
        }
        return out;
    }

    /** The effect that a step belongs to, be it by way of the step that needs it. */
    private static @Nullable String effectOf(StoredStep s, Map<StepId, StoredStep> known) {
        StoredStep at = s;
        for (int i = 0; i < known.size() && at != null && at.madeForStep() != null; i++) {
            at = known.get(at.madeForStep());
        }
        return at == null ? null : at.madeForEffect();
    }

    /** What the compiler is asked for this job, for laying plans beside one another. */
    public PlanRequest request(UUID jobId) {
        return start(jobId, schools.of(jobId)).request();
    }

    /** Compiles the effects of the study into the steps that are still to do. */
    public Plan compile(UUID jobId, int version) {
        kept.at(jobId, version);
        Start start = start(jobId, schools.of(jobId));
        storeCompiled(jobId, start, version);
        return of(jobId);
    }

    private void storeCompiled(UUID jobId, Start start, int version) {
        PlanOutcome.Compiled plan = compiled(start, engines.compiler());
        kept.store(jobId, joined(jobId, start.staying(), plan.steps()), of(jobId).pins(), version);
        jobs.notePlanGap(jobId, plan.gapMinutes());
    }

    private static PlanOutcome.Compiled compiled(Start start, PlanCompiler compiler) {
        return switch (compiler.compile(start.request())) {
            case PlanOutcome.NoPlan no ->
                    throw new InvalidInput(
                            "Plan", "these effects", "cannot be made: " + no.reason(), no.remedy());
            case PlanOutcome.Compiled plan -> plan;
        };
    }

    /** What is kept and then what is new. */
    private List<StoredStep> joined(UUID jobId, List<StoredStep> staying, List<PlanStep> fresh) {
        Map<StepId, StoredStep> before = new HashMap<>();
        of(jobId).steps().forEach(s -> before.put(s.id(), s));
        return Stream.concat(
                        staying.stream(),
                        fresh.stream()
                                .map(s -> StoredStep.of(s, engines.catalogue()))
                                .map(
                                        s ->
                                                s.origin() == PlanStep.Origin.MANUAL
                                                        ? s.remembering(before.get(s.id()))
                                                        : s))
                .toList();
    }

    /** Takes other answers for this job and compiles again. */
    public Plan choose(UUID jobId, Map<String, String> answers, int version) {
        kept.at(jobId, version);
        Schools.Choice own = new Schools.Choice(answers);
        schools.saveOwn(jobId, own);
        Start start = start(jobId, own.over(schools.house()));
        storeCompiled(jobId, start, version);
        return of(jobId);
    }

    /** A job that goes along in step, with the version of its plan that was seen. */
    public record Companion(UUID job, int version) {}

    /**
     * Compiles several jobs in step: one mix and one booth visit for all that want the same. Steps
     * of the user's own stay in each of them.
     *
     * @param others jobs that go along with the first
     */
    public Plan compileInStep(UUID jobId, List<Companion> others, int version) {
        Map<UUID, Integer> versions = new LinkedHashMap<>(Map.of(jobId, version));
        others.forEach(o -> versions.putIfAbsent(o.job(), o.version()));
        versions.forEach(kept::at);
        Schools.Choice choice = schools.of(jobId);
        Map<UUID, Start> starts = new LinkedHashMap<>();
        Map<UUID, InStep.Subject> together = new LinkedHashMap<>();
        Set<String> names = new HashSet<>();
        versions.forEach(
                (id, seen) -> {
                    Start s = start(id, choice);
                    starts.put(id, s);
                    String name = jobs.get(id).name().replace('/', ' ');
                    while (!names.add(name)) {
                        name = name + " again";
                    }
                    PlanRequest r = s.request();
                    together.put(
                            id,
                            new InStep.Subject(
                                    name,
                                    r.zones(),
                                    r.done(),
                                    r.effects(),
                                    r.own(),
                                    r.pins(),
                                    r.standing()));
                });
        InStep.Joined joined =
                InStep.join(
                        List.copyOf(together.values()),
                        workshops.current().air(),
                        now(),
                        choice,
                        engines.catalogue());
        switch (engines.compiler().compile(joined.request())) {
            case PlanOutcome.NoPlan no ->
                    throw new InvalidInput(
                            "Plan in step",
                            String.join(", ", names),
                            "cannot be made: " + no.reason(),
                            no.remedy());
            case PlanOutcome.Compiled plan ->
                    together.forEach(
                            (id, subject) ->
                                    kept.store(
                                            id,
                                            joined(
                                                    id,
                                                    Objects.requireNonNull(starts.get(id))
                                                            .staying(),
                                                    joined.stepsOf(subject, plan)),
                                            of(id).pins(),
                                            Objects.requireNonNull(versions.get(id))));
        }
        return of(jobId);
    }

    /** Replaces what is still to do; what is done stays in front as it is. */
    public Plan save(
            UUID jobId,
            List<StepDraft> drafts,
            List<Pin> pins,
            @Nullable Map<String, String> answers,
            int version) {
        Plan old = kept.at(jobId, version);
        if (answers != null) {
            schools.saveOwn(jobId, new Schools.Choice(answers));
        }
        Map<StepId, StoredStep> known = new HashMap<>();
        old.steps().forEach(s -> known.put(s.id(), s));
        List<StoredStep> done = old.steps().stream().filter(StoredStep::done).toList();
        List<StepId> front = drafts.stream().limit(done.size()).map(StepDraft::id).toList();
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
        kept.store(jobId, steps, pins, version);
        return of(jobId);
    }

    private StoredStep step(UUID jobId, StepDraft d, @Nullable StoredStep before) {
        var t = engines.catalogue().technique(d.technique());
        var m = engines.catalogue().material(d.material(), t);
        requireUsable(t, m);
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
                before == null
                        ? d.origin() == null ? PlanStep.Origin.MANUAL : d.origin()
                        : before.origin(),
                before == null
                        ? d.reason() == null ? "You put it here." : d.reason()
                        : before.reason(),
                null,
                null,
                d.takesBack(),
                d.backShare(),
                before == null ? d.madeForEffect() : before.madeForEffect(),
                before == null ? d.madeForStep() : before.madeForStep(),
                d.worksOn(),
                null,
                d.extra());
    }

    /** Says what a technique uses when it cannot use a material. */
    public void requireUsable(Technique t, Material m) {
        if (!engines.catalogue().canUse(t, m)) {
            throw new InvalidInput(
                    "Material",
                    m.name(),
                    "does not do for " + t.name(),
                    "It uses "
                            + t.materials().stream()
                                    .map(k -> engines.catalogue().material(k).name())
                                    .collect(Collectors.joining(", "))
                            + ", or what is of the same family.");
        }
    }

    /**
     * What lay on the subject before: a coat that somebody else laid, or that was laid before this
     * was kept.
     *
     * @param minutesAgo how long ago it was laid
     * @param share part of the zone that it covers; null as its technique does
     */
    public record LyingCoat(
            StepId id,
            String technique,
            String material,
            Thickness thickness,
            ZoneKeys zones,
            long minutesAgo,
            @Nullable Double share) {}

    private static final long OLDEST_COAT_MINUTES = 50L * 366 * 1440;

    /** Puts a coat that lies already among what is done, by its age. */
    public void lies(UUID jobId, LyingCoat coat, int version) {
        Plan plan = kept.at(jobId, version);
        InvalidInput.requireWithin(
                "Age of the coat",
                (double) coat.minutesAgo(),
                " min",
                0,
                OLDEST_COAT_MINUTES,
                "When nobody knows, say a year.");
        Technique t = engines.catalogue().technique(coat.technique());
        if (t.role() != Technique.Role.CLEAR && t.role() != Technique.Role.EFFECT) {
            throw new InvalidInput(
                    "What lies on it",
                    t.name(),
                    "leaves no coat",
                    "Choose a clear, a paint, a wash or a powder.");
        }
        StoredStep draft =
                step(
                        jobId,
                        new StepDraft(
                                coat.id(),
                                coat.technique(),
                                coat.material(),
                                coat.thickness(),
                                coat.zones(),
                                PlanStep.Origin.FOUND,
                                "It lay there when the job began.",
                                null,
                                null,
                                null,
                                null,
                                null,
                                coat.share() == null ? null : StepExtra.NONE.sharing(coat.share())),
                        null);
        Instant at = clock.instant().minusSeconds(60 * coat.minutesAgo());
        List<StoredStep> steps = new ArrayList<>(plan.steps());
        steps.add(draft.doneWith(coat.material(), at, at, null));
        kept.store(jobId, doneFirst(steps), plan.pins(), version);
    }

    /** Takes a coat that lay already out again: it was not so. */
    public void liesNot(UUID jobId, StepId id, int version) {
        Plan plan = kept.at(jobId, version);
        List<StoredStep> steps = new ArrayList<>(plan.steps());
        if (!steps.removeIf(s -> s.id().equals(id) && s.origin() == PlanStep.Origin.FOUND)) {
            throw new NotFound("The coat");
        }
        kept.store(jobId, steps, plan.pins(), version);
    }

    /**
     * The plan as it would be in other air, or with a step laid thicker.
     *
     * @param thicker id of that step, or null
     */
    public PlanCheck.Judgement whatIf(
            UUID jobId, Climate air, @Nullable StepId thicker, @Nullable Thickness thickness) {
        Plan plan = of(jobId);
        FilmCase film = filmCase(jobId, plan.steps());
        List<Act> acts = new ArrayList<>();
        for (Act a : film.acts()) {
            boolean other = a.id().equals(thicker) && thickness != null && !a.done();
            acts.add(other ? a.with(Objects.requireNonNull(thickness)) : a);
        }
        return engines.planCheck()
                .check(
                        new FilmCase(film.zones(), acts, air).knowing(film.answers()),
                        plan.pins(),
                        now());
    }

    /** Answers a warning with "I know, I do it so", or takes that back. */
    void answer(UUID jobId, Finding.Answer answer, boolean known) {
        if (of(jobId).steps().stream().noneMatch(s -> s.id().equals(answer.actId()))) {
            throw new NotFound("The step");
        }
        boolean warned =
                judge(jobId).film().about(answer.actId()).stream()
                        .anyMatch(
                                f ->
                                        f.answer().equals(answer)
                                                && (f.severity() == Finding.Severity.WARN
                                                        || f.answered()));
        if (known && !warned) {
            throw new InvalidInput(
                    "Warning",
                    answer.rule() + " about " + answer.actId(),
                    "does not stand in this plan",
                    "Stops cannot be answered; what is gone needs no answer.");
        }
        answers.set(jobId, answer, known);
    }

    /** Puts another round of a step that is done, in a tone of its own, first of what is open. */
    public void another(UUID jobId, StoredStep lies, String material) {
        Plan plan = of(jobId);
        Technique t = engines.catalogue().technique(lies.technique());
        Material tone = engines.catalogue().material(material, t);
        requireUsable(t, tone);
        StepIds ids = StepIds.besides(plan.steps().stream().map(StoredStep::id));
        StoredStep round =
                new StoredStep(
                        ids.keeping(lies.id()),
                        lies.technique(),
                        tone.key(),
                        lies.thickness(),
                        lies.zones(),
                        PlanStep.Origin.MANUAL,
                        "Another round while it lies open.",
                        null,
                        null,
                        null,
                        null,
                        lies.madeForEffect(),
                        lies.madeForStep(),
                        null,
                        null,
                        lies.extra());
        List<StoredStep> steps = new ArrayList<>();
        plan.steps().stream().filter(StoredStep::done).forEach(steps::add);
        steps.add(round);
        plan.steps().stream().filter(s -> !s.done()).forEach(steps::add);
        kept.store(jobId, steps, plan.pins(), plan.version());
    }

    /** Marks a step as done with what was really used. */
    public void markDone(
            UUID jobId,
            StepId stepId,
            String material,
            Instant from,
            Instant until,
            @Nullable ZoneTimes times) {
        change(jobId, stepId, s -> s.doneWith(material, from, until, times));
    }

    /** Takes the mark of being done off again. */
    public void markOpen(UUID jobId, StepId stepId) {
        change(jobId, stepId, StoredStep::undone);
    }

    private void change(
            UUID jobId, StepId stepId, java.util.function.UnaryOperator<StoredStep> how) {
        Plan plan = of(jobId);
        if (plan.steps().stream().noneMatch(s -> s.id().equals(stepId))) {
            throw new NotFound("The step");
        }
        List<StoredStep> steps = new ArrayList<>();
        for (StoredStep s : plan.steps()) {
            steps.add(s.id().equals(stepId) ? how.apply(s) : s);
        }
        kept.store(jobId, doneFirst(steps), plan.pins(), plan.version());
    }

    /** What is done stands in front, in the order in which it was done. */
    private static List<StoredStep> doneFirst(List<StoredStep> steps) {
        List<StoredStep> ordered =
                new ArrayList<>(
                        steps.stream()
                                .filter(StoredStep::done)
                                .sorted(
                                        Comparator.comparing(
                                                s -> Objects.requireNonNull(s.startedAt())))
                                .toList());
        steps.stream().filter(s -> !s.done()).forEach(ordered::add);
        return ordered;
    }

    /** Stores steps of a record that is read in. */
    public void insert(UUID jobId, List<StoredStep> steps, List<Pin> pins) {
        kept.store(jobId, steps, pins, jobs.get(jobId).planVersion());
    }
}
