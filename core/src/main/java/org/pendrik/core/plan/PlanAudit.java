package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.FilmReport;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Ledger;
import org.pendrik.core.film.MadeFor;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Technique;
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
public final class PlanAudit {
    private final FilmCheck check;
    private final Timing timing;
    private final Catalogue catalogue;

    public PlanAudit(Catalogue catalogue) {
        this.catalogue = catalogue;
        this.check = new FilmCheck(catalogue);
        this.timing = new Timing(catalogue);
    }

    /** What is wrong with a plan, one sentence each; empty when it is accepted. */
    public List<String> faults(PlanRequest request, PlanOutcome.Compiled plan) {
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
            String technique = Ways.technique(e.kind(), request.schools(), catalogue).key();
            boolean made =
                    plan.steps().stream()
                            .map(PlanStep::act)
                            .anyMatch(
                                    a ->
                                            a.madeFor().equals(new MadeFor.OfEffect(e.id()))
                                                    && a.technique().key().equals(technique)
                                                    && a.zones().containsAll(e.zones()));
            if (!made) {
                out.add(e.kind().label() + " is not made on all its zones");
            }
        }
        for (Act own : request.own()) {
            if (plan.steps().stream().noneMatch(s -> s.act().id().equals(own.id()))) {
                out.add("the step " + own.technique().name() + " of the user is lost");
            }
        }
    }

    private static void times(PlanRequest request, PlanOutcome.Compiled plan, List<String> out) {
        long clock = request.fromMinute();
        for (Act a : request.done()) {
            clock = Math.max(clock, a.endMinute());
        }
        for (PlanStep s : plan.steps()) {
            if (s.act().atMinute() < clock) {
                out.add(s.act().id() + " begins before the step in front of it is over");
            }
            clock = s.act().endMinute();
        }
    }

    private void chemistry(PlanOutcome.Compiled plan, List<String> out) {
        long warnings = 0;
        for (Finding f : check.check(plan.timed()).findings()) {
            if (f.severity() == Finding.Severity.STOP) {
                out.add(f.actId() + ": " + f.why());
            }
            warnings += f.severity() == Finding.Severity.WARN ? 1 : 0;
        }
        if (warnings != plan.warnings()) {
            out.add("it says " + plan.warnings() + " warnings and has " + warnings);
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
        if (!request.pins().isEmpty()) {
            // a pin may turn any two effects around
            return;
        }
        for (int i = 0; i < steps.size(); i++) {
            for (int j = i + 1; j < steps.size(); j++) {
                PlanStep before = steps.get(i);
                PlanStep after = steps.get(j);
                if (shows(before)
                        && shows(after)
                        && age(before, request) > age(after, request)
                        && meet(before.act(), after.act())) {
                    out.add(after.act().id() + " is older than " + before.act().id());
                }
            }
        }
    }

    private static boolean shows(PlanStep s) {
        return s.origin() == PlanStep.Origin.EFFECT
                && s.act().technique().role() == Technique.Role.EFFECT;
    }

    /** Lettering and graffiti that go on late are as old as their school says. */
    private static int age(PlanStep s, PlanRequest request) {
        boolean late =
                request.schools().of("lettering").equals("after")
                        && (s.act().technique().key().startsWith("decal")
                                || s.act().technique().key().equals("stencil-graffiti"));
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
                            && a.technique().age() < 90;
            if (!older) {
                continue;
            }
            if (flat < 0) {
                out.add("there is no final flat over " + a.id());
            } else if (i > flat) {
                out.add(a.id() + " is laid over the final flat");
            } else if (!plan.steps().get(flat).act().zones().containsAll(a.zones())) {
                out.add("the final flat leaves a zone of " + a.id() + " out");
            }
        }
    }

    private static boolean isFinalFlat(PlanStep s, String technique) {
        return s.act().technique().key().equals(technique)
                && s.act().madeFor().equals(MadeFor.ITSELF)
                && s.origin() == PlanStep.Origin.EFFECT;
    }

    private void needlessClears(PlanRequest request, PlanOutcome.Compiled plan, List<String> out) {
        boolean patient = request.schools().of("patience").equals("wait");
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
                                                : rest.get(at - 1).endMinute()));
            }
            FilmCase without = timing.settle(plan.timed().with(rest), at, false);
            FilmReport report = check.check(without);
            long later = end(without) - end(plan.timed());
            boolean asked = minded(without, HouseRules.of(request.schools()));
            long worth = patient ? 1 : PlanCompiler.CLEAR_WORTH_MINUTES - s.act().minutes();
            long weight =
                    report.findings().stream()
                            .filter(f -> f.severity() != Finding.Severity.NOTE)
                            .count();
            if (weight <= plan.warnings() && report.stops() == 0 && later < worth && !asked) {
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
        return c.acts().stream().mapToLong(Act::endMinute).max().orElse(0);
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
        long last = plan.steps().stream().mapToLong(s -> s.act().endMinute()).max().orElse(0);
        if (!plan.steps().isEmpty() && last - request.fromMinute() != plan.minutes()) {
            out.add("it says " + plan.minutes() + " minutes and takes " + last);
        }
    }
}
