package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.FilmReport;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Ledger;
import org.pendrik.core.film.MadeFor;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Timing;

/**
 * Goes through a compiled plan as a stranger would: nothing of the search is used, only the
 * request, the list of steps and the film engine.
 *
 * <p>Looked at: every effect is made on all its zones; times do not overlap or go back; the whole
 * has neither stop nor warning; on a shared zone nothing older follows something younger unless
 * pinned; pins are kept; the last flat covers every coat that is older than it; every clear that
 * was put in is needed, that is, without it something is found or the plan ends at least a day
 * later; the figures stated are those of the steps.
 */
final class PlanAudit {
    private final FilmCheck check;
    private final Timing timing;
    private final Catalogue catalogue;

    PlanAudit(Catalogue catalogue) {
        this.catalogue = catalogue;
        this.check = new FilmCheck(catalogue);
        this.timing = new Timing(catalogue);
    }

    /** What is wrong with a plan, one sentence each; empty when it is accepted. */
    List<String> faults(PlanRequest request, PlanOutcome.Compiled plan) {
        List<String> out = new ArrayList<>();
        effects(request, plan, out);
        times(request, plan, out);
        chemistry(plan, out);
        order(request, plan, out);
        lastFlat(request, plan, out);
        needlessClears(request, plan, out);
        figures(request, plan, out);
        return List.copyOf(out);
    }

    private void effects(PlanRequest request, PlanOutcome.Compiled plan, List<String> out) {
        for (Effect e : request.effects()) {
            Ways.Way way = Ways.chosen(e, request.schools(), catalogue);
            List<Act> by =
                    plan.steps().stream()
                            .map(PlanStep::act)
                            .filter(
                                    a ->
                                            isFor(a, e)
                                                    || a.technique()
                                                            .works()
                                                            .means(OwnColour.RELEASE))
                            .toList();
            String technique = way.main().technique();
            if (by.stream()
                    .noneMatch(
                            a ->
                                    a.technique().key().equals(technique)
                                            && a.zones().containsAll(e.zones()))) {
                out.add(e.kind().label() + " is not made on all its zones");
            }
            asAsked(e, by, out);
        }
        for (Act own : request.own()) {
            if (plan.steps().stream().noneMatch(s -> s.act().id().equals(own.id()))) {
                out.add("the step " + own.name() + " of the user is lost");
            }
        }
        List<Act> all = new ArrayList<>(request.done());
        plan.steps().forEach(s -> all.add(s.act()));
        List<String> off = Parts.stillOff(all);
        if (!off.isEmpty()) {
            out.add("never put back on: " + String.join(", ", off));
        }
    }

    private static boolean isFor(Act a, Effect e) {
        return a.madeFor().equals(new MadeFor.OfEffect(e.id()));
    }

    /** Nothing that was asked for is replaced by something else. */
    private void asAsked(Effect e, List<Act> by, List<String> out) {
        for (String tone : e.tones().materials()) {
            boolean stands =
                    by.stream()
                            .anyMatch(
                                    a ->
                                            a.material().key().equals(tone)
                                                    || a.material().key().startsWith(tone + "~"));
            if (!stands) {
                out.add(e.kind().label() + " is not made with " + tone);
            }
        }
        for (String liquid : e.made().liquid().stream().toList()) {
            if (by.stream().noneMatch(a -> a.material().key().equals(liquid))) {
                out.add(e.kind().label() + " is not worked with " + liquid);
            }
        }
        for (String asked : e.made().beside().values()) {
            if (by.stream().noneMatch(a -> a.material().key().equals(asked))) {
                out.add(e.kind().label() + " has no coat of " + asked);
            }
        }
        for (String thinner : e.made().thinner().stream().toList()) {
            if (by.stream()
                    .noneMatch(
                            a ->
                                    a.material().deposits()
                                            && a.carrier()
                                                    .equals(
                                                            catalogue
                                                                    .material(thinner)
                                                                    .carrier()))) {
                out.add(e.kind().label() + " is not thinned with " + thinner);
            }
        }
    }

    private static void times(PlanRequest request, PlanOutcome.Compiled plan, List<String> out) {
        long clock = request.fromMinute();
        for (Act a : request.done()) {
            clock = Math.max(clock, a.freeMinute());
        }
        for (PlanStep s : plan.steps()) {
            if (s.act().atMinute() < clock) {
                out.add(s.act().id() + " begins before the step in front of it is over");
            }
            clock = s.act().freeMinute();
        }
    }

    private void chemistry(PlanOutcome.Compiled plan, List<String> out) {
        long warnings = 0;
        StringBuilder why = new StringBuilder();
        List<StepId> planned = plan.steps().stream().map(s -> s.act().id()).toList();
        for (Finding f : check.check(plan.timed()).findings()) {
            if (!planned.contains(f.actId())) {
                // what was done before cannot be planned otherwise
                continue;
            }
            if (f.severity() == Finding.Severity.STOP) {
                out.add(f.actId() + ": " + f.why());
            }
            if (f.severity() == Finding.Severity.WARN) {
                warnings++;
                why.append(' ').append(f.actId()).append(": ").append(f.why());
            }
            if (f.rule() == Finding.Rule.BURIED && f.severity() == Finding.Severity.WARN) {
                plan.steps().stream()
                        .filter(s -> s.act().id().equals(f.actId()))
                        .filter(s -> s.origin() != PlanStep.Origin.MANUAL)
                        .forEach(s -> out.add(f.actId() + " buries what was made: " + f.why()));
            }
        }
        rounds(plan, out);
        if (warnings != plan.warnings()) {
            out.add("it says " + plan.warnings() + " warnings and has " + warnings + why);
        }
    }

    /** In rounds every zone is laid before it is worked. */
    private static void rounds(PlanOutcome.Compiled plan, List<String> out) {
        for (int i = 1; i < plan.steps().size(); i++) {
            Act coat = plan.steps().get(i - 1).act();
            Act work = plan.steps().get(i).act();
            if (!coat.rounds().prepared() || !work.rounds().prepared() || !work.keepsWindow()) {
                continue;
            }
            for (String z : work.zones()) {
                if (work.beginOn(z) < coat.endOn(z)) {
                    out.add(work.id() + " begins on " + z + " before that is laid");
                }
            }
        }
    }

    private static void order(PlanRequest request, PlanOutcome.Compiled plan, List<String> out) {
        Map<StepId, Integer> place = new HashMap<>();
        List<PlanStep> steps = plan.steps();
        steps.forEach(s -> place.put(s.act().id(), place.size()));
        for (Pin p : request.pins()) {
            Integer first = place.get(p.firstId());
            Integer then = place.get(p.thenId());
            if (first != null && then != null && first > then) {
                out.add("the pin of " + p.thenId() + " behind " + p.firstId() + " is not kept");
            }
        }
        for (int i = 0; i < steps.size(); i++) {
            for (int j = i + 1; j < steps.size(); j++) {
                PlanStep before = steps.get(i);
                PlanStep after = steps.get(j);
                if (shows(before)
                        && shows(after)
                        && age(before, request) > age(after, request)
                        && meet(before.act(), after.act())
                        && !isForced(before, after, steps, request)) {
                    out.add(after.act().id() + " is older than " + before.act().id());
                }
            }
        }
        sets(request, steps, out);
    }

    /** Whether pins, with what age asks for between, want one step before another. */
    private static boolean isForced(
            PlanStep before, PlanStep after, List<PlanStep> steps, PlanRequest request) {
        List<Pin> pins = new ArrayList<>(request.pins());
        pins.addAll(request.standing());
        List<PlanStep> reached = new ArrayList<>(List.of(before));
        for (int at = 0; at < reached.size(); at++) {
            PlanStep from = reached.get(at);
            if (isOneWith(from, after)) {
                return true;
            }
            for (PlanStep to : steps) {
                boolean pinned =
                        pins.stream()
                                .anyMatch(
                                        p ->
                                                names(p.firstId(), from, steps)
                                                        && names(p.thenId(), to, steps));
                boolean older =
                        (shows(from) || isMask(from))
                                && shows(to)
                                && age(from, request) < age(to, request)
                                && meet(from.act(), to.act());
                boolean afterFlat =
                        isFinalFlat(from, Seals.finalFlat(request.schools()))
                                && age(to, request) > age(from, request);
                boolean beforeFlat =
                        isFinalFlat(to, Seals.finalFlat(request.schools()))
                                && shows(from)
                                && age(from, request) < age(to, request);
                boolean masked = isMask(from) && to.act().technique().booth();
                boolean set = isInSetWith(from, to, request);
                if ((pinned
                                || older
                                || beforeFlat
                                || afterFlat
                                || masked
                                || set
                                || isOneWith(from, to))
                        && !reached.contains(to)) {
                    reached.add(to);
                }
            }
        }
        return false;
    }

    private static boolean isMask(PlanStep s) {
        return s.act().technique().role() == Technique.Role.HANDLING
                && s.act().technique().age() == 4;
    }

    private static boolean names(StepId id, PlanStep s, List<PlanStep> steps) {
        return steps.stream().filter(o -> o.act().id().equals(id)).anyMatch(o -> isOneWith(o, s));
    }

    /** Steps of one effect stay together. */
    private static boolean isOneWith(PlanStep a, PlanStep b) {
        return a.act().id().equals(b.act().id())
                || (a.act().madeFor() instanceof MadeFor.OfEffect
                        && a.act().madeFor().equals(b.act().madeFor()));
    }

    private static boolean isInSetWith(PlanStep a, PlanStep b, PlanRequest request) {
        String set = set(a, request);
        return !set.isEmpty() && set.equals(set(b, request));
    }

    private static String set(PlanStep s, PlanRequest request) {
        return effect(s, request).map(Effect::set).orElse("");
    }

    private static java.util.Optional<Effect> effect(PlanStep s, PlanRequest request) {
        return request.effects().stream().filter(e -> isFor(s.act(), e)).findFirst();
    }

    /** Nothing on its zones that is not needed for it comes into a set. */
    private static void sets(PlanRequest request, List<PlanStep> steps, List<String> out) {
        for (Effect e : request.effects()) {
            if (e.set().isEmpty()) {
                continue;
            }
            List<Integer> of = new ArrayList<>();
            for (int i = 0; i < steps.size(); i++) {
                if (set(steps.get(i), request).equals(e.set())) {
                    of.add(i);
                }
            }
            List<String> order =
                    of.stream()
                            .map(i -> effect(steps.get(i), request).orElseThrow().id())
                            .distinct()
                            .toList();
            List<String> wanted =
                    request.effects().stream()
                            .filter(o -> o.set().equals(e.set()))
                            .map(Effect::id)
                            .filter(order::contains)
                            .toList();
            if (!order.equals(wanted)) {
                out.add("the set " + e.set() + " is out of order: " + order);
            }
        }
    }

    private static boolean shows(PlanStep s) {
        return s.origin() == PlanStep.Origin.EFFECT
                && s.act().technique().role() == Technique.Role.EFFECT;
    }

    /** Lettering and graffiti that go on late are as old as their school says. */
    private static int age(PlanStep s, PlanRequest request) {
        java.util.Optional<Effect> e = effect(s, request);
        if (e.filter(x -> x.phase() != Phase.USUAL).isPresent()) {
            return e.get().phase().ageOr(0);
        }
        boolean late =
                request.schools().of(SchoolAnswer.Lettering.class) == SchoolAnswer.Lettering.AFTER
                        && e.filter(
                                        x ->
                                                x.kind() == EffectKind.DECAL
                                                        || x.kind() == EffectKind.HOME_DECAL
                                                        || x.kind() == EffectKind.GRAFFITI)
                                .isPresent();
        return late ? 66 : s.act().technique().age();
    }

    private static boolean meet(Act a, Act b) {
        return a.zones().stream().anyMatch(b.zones()::contains);
    }

    private static void lastFlat(PlanRequest request, PlanOutcome.Compiled plan, List<String> out) {
        String key = Seals.finalFlat(request.schools());
        int flat = -1;
        for (int i = 0; i < plan.steps().size(); i++) {
            if (isFinalFlat(plan.steps().get(i), key)) {
                flat = i;
            }
        }
        for (int i = 0; i < plan.steps().size(); i++) {
            Act a = plan.steps().get(i).act();
            boolean older =
                    a.material().deposits()
                            && a.technique().role() == Technique.Role.EFFECT
                            && !Seals.isPutIn(a)
                            && age(plan.steps().get(i), request) < 90;
            if (!older
                    || request.schools().of(SchoolAnswer.LastClear.class)
                            == SchoolAnswer.LastClear.NONE) {
                continue;
            }
            if (coverable(a, request).isEmpty()) {
                continue;
            }
            if (flat < 0) {
                out.add("there is no final flat over " + a.id());
            } else if (i > flat
                    && !isForced(
                            plan.steps().get(flat), plan.steps().get(i), plan.steps(), request)) {
                out.add(a.id() + " is laid over the final flat");
            } else if (i < flat
                    && !plan.steps().get(flat).act().zones().containsAll(coverable(a, request))) {
                out.add("the final flat leaves a zone of " + a.id() + " out");
            }
        }
    }

    /** No flat goes over glass. */
    private static List<String> coverable(Act a, PlanRequest request) {
        return request.zones().stream()
                .filter(z -> !z.keptClean() && a.zones().contains(z.key()))
                .map(org.pendrik.core.film.Zone::key)
                .toList();
    }

    private static boolean isFinalFlat(PlanStep s, String technique) {
        return s.act().technique().key().equals(technique)
                && s.act().madeFor().equals(MadeFor.ITSELF)
                && s.origin() == PlanStep.Origin.EFFECT;
    }

    private void needlessClears(PlanRequest request, PlanOutcome.Compiled plan, List<String> out) {
        boolean patient =
                request.schools().of(SchoolAnswer.Patience.class) == SchoolAnswer.Patience.WAIT;
        List<StepId> before = request.done().stream().map(Act::id).toList();
        // what settles on glass is weighed against nothing
        long warnings =
                check.check(plan.timed()).findings().stream()
                        .filter(f -> f.severity() == Finding.Severity.WARN)
                        .filter(f -> f.rule() != Finding.Rule.OVERSPRAY)
                        .filter(f -> !before.contains(f.actId()))
                        .count();
        for (PlanStep s : plan.steps()) {
            if (!Seals.isPutIn(s.act())) {
                continue;
            }
            List<Act> rest = new ArrayList<>(plan.timed().acts());
            int at = rest.indexOf(s.act());
            rest.remove(at);
            for (int i = at; i < rest.size(); i++) {
                Act a = rest.get(i);
                rest.set(
                        i,
                        a.done()
                                ? a
                                : a.at(
                                        at == 0
                                                ? request.fromMinute()
                                                : rest.get(at - 1).freeMinute()));
            }
            FilmCase without = timing.settle(plan.timed().with(rest), at, false);
            FilmReport report = check.check(without);
            long later = end(without) - end(plan.timed());
            boolean asked = minded(without, HouseRules.of(request.schools()));
            long worth = patient ? 1 : PlanCompiler.CLEAR_WORTH_MINUTES - s.act().minutes();
            long weight =
                    report.findings().stream()
                            .filter(f -> f.severity() != Finding.Severity.NOTE)
                            .filter(f -> f.rule() != Finding.Rule.OVERSPRAY)
                            .filter(f -> !before.contains(f.actId()))
                            .count();
            if (weight <= warnings && report.stops() == 0 && later < worth && !asked) {
                out.add("the clear " + s.act().id() + " is needless");
            }
        }
    }

    /** Whether the house has anything against a list of acts. */
    private boolean minded(FilmCase c, HouseRules house) {
        Ledger lies = Ledger.of(c.with(List.of()), catalogue);
        for (Act a : c.acts()) {
            if (!a.done() && !house.against(a, lies).isEmpty()) {
                return true;
            }
            lies = lies.and(a);
        }
        return false;
    }

    private static long end(FilmCase c) {
        return c.acts().stream().mapToLong(Act::freeMinute).max().orElse(0);
    }

    private static void figures(PlanRequest request, PlanOutcome.Compiled plan, List<String> out) {
        long clears =
                plan.steps().stream()
                        .filter(
                                s ->
                                        s.act().technique().role() == Technique.Role.CLEAR
                                                || Seals.isPutIn(s.act()))
                        .filter(s -> !isFinalFlat(s, Seals.finalFlat(request.schools())))
                        .filter(s -> s.origin() != PlanStep.Origin.MANUAL)
                        .count();
        if (clears != plan.clears()) {
            out.add("it says " + plan.clears() + " clears and has " + clears);
        }
        long last = plan.steps().stream().mapToLong(s -> s.act().freeMinute()).max().orElse(0);
        if (!plan.steps().isEmpty() && last - request.fromMinute() != plan.minutes()) {
            out.add("it says " + plan.minutes() + " minutes and takes " + last);
        }
    }
}
