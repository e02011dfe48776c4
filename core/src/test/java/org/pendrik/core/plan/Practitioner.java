package org.pendrik.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Errand;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Face;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.MadeFor;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;

/** A job while a practitioner describes it, and the plan that comes of it. */
final class Practitioner {
    static final Catalogue CATALOGUE = Catalogue.load();
    private static final PlanCompiler COMPILER = new PlanCompiler(CATALOGUE);
    private static final PlanAudit AUDIT = new PlanAudit(CATALOGUE);
    private static final int DAY = 1440;

    private final Map<String, Zone> zones = new LinkedHashMap<>();
    private final List<Act> lying = new ArrayList<>();
    private final List<Effect> effects = new ArrayList<>();
    private final List<Act> own = new ArrayList<>();
    private final List<Pin> standing = new ArrayList<>();
    private final List<Pin> pins = new ArrayList<>();
    private Schools.Choice schools = Schools.Choice.START;
    private long clock;

    static Practitioner job() {
        return new Practitioner();
    }

    Practitioner zone(String key, Substrate made, Face face, boolean lettering) {
        boolean glass = made == Substrate.GLAZING;
        zones.put(
                key,
                new Zone(key, key, made, lettering, Substrate.UNKNOWN_COLOUR, 1800, face, glass));
        return this;
    }

    Practitioner sides(Substrate made, String... keys) {
        Arrays.stream(keys).forEach(k -> zone(k, made, Face.SIDE, false));
        return this;
    }

    Practitioner up(Substrate made, String... keys) {
        Arrays.stream(keys).forEach(k -> zone(k, made, Face.UP, false));
        return this;
    }

    Practitioner ends(Substrate made, String... keys) {
        Arrays.stream(keys).forEach(k -> zone(k, made, Face.END, false));
        return this;
    }

    Practitioner down(Substrate made, String... keys) {
        Arrays.stream(keys).forEach(k -> zone(k, made, Face.DOWN, false));
        return this;
    }

    Practitioner school(String question, String answer) {
        schools = schools.with(question, answer);
        return this;
    }

    /** A coat that lies on it already, so many minutes old when the job begins. */
    Practitioner lies(String technique, String material, int ageMinutes, String... on) {
        Technique t = CATALOGUE.technique(technique);
        lying.add(
                new Act(
                        new StepId("there-" + lying.size()),
                        t,
                        CATALOGUE.material(material, t),
                        t.thickness(),
                        new LinkedHashSet<>(List.of(on)),
                        -ageMinutes,
                        0,
                        true));
        lying.sort(java.util.Comparator.comparingLong(Act::atMinute));
        return this;
    }

    /** An effect; its id is e and its number. */
    Practitioner wants(EffectKind kind, int strength, String... on) {
        return wants(e -> e, kind, strength, on);
    }

    Practitioner wants(UnaryOperator<Effect> how, EffectKind kind, int strength, String... on) {
        effects.add(
                how.apply(
                        new Effect(
                                "e" + effects.size(),
                                kind,
                                new LinkedHashSet<>(List.of(on)),
                                strength,
                                Optional.empty())));
        return this;
    }

    /** A step of one's own, its id o and its number. */
    Practitioner own(String technique, Errand said, int minutes, String... on) {
        return own(
                technique,
                CATALOGUE.technique(technique).materials().getFirst(),
                said,
                minutes,
                on);
    }

    Practitioner own(String technique, String material, Errand said, int minutes, String... on) {
        Technique t = CATALOGUE.technique(technique);
        List<Zone> where =
                on.length == 0
                        ? List.copyOf(zones.values())
                        : Arrays.stream(on).map(zones::get).toList();
        Act a =
                Act.planned(new StepId("o" + own.size()), t, CATALOGUE.material(material, t), where)
                        .madeFor(MadeFor.ITSELF)
                        .saying(said);
        own.add(minutes < 0 ? a : a.taking(minutes));
        return this;
    }

    static Errand rest(String text, int minutes) {
        return new Errand(text, minutes, List.of());
    }

    static Errand parts(String... parts) {
        return new Errand("", 0, List.of(parts));
    }

    static Errand says(String text) {
        return new Errand(text, 0, List.of());
    }

    /** The last own step stands behind one step and in front of another; empty names none. */
    Practitioner between(String first, String then) {
        StepId me = new StepId("o" + (own.size() - 1));
        if (!first.isEmpty()) {
            standing.add(new Pin(new StepId(first), me));
        }
        if (!then.isEmpty()) {
            standing.add(new Pin(me, new StepId(then)));
        }
        return this;
    }

    Practitioner pin(String first, String then) {
        pins.add(new Pin(new StepId(first), new StepId(then)));
        return this;
    }

    PlanRequest request() {
        long last = lying.stream().mapToLong(Act::endMinute).max().orElse(0);
        clock = Math.max(0, last);
        return new PlanRequest(
                List.copyOf(zones.values()),
                lying,
                effects,
                pins,
                Climate.REFERENCE,
                clock,
                schools,
                own,
                standing);
    }

    PlanOutcome outcome() {
        return COMPILER.compile(request());
    }

    /** What the film engine says when this is done now on what lies there. */
    List<Finding> ifNow(String technique, String material, String... on) {
        return ifNow(technique, material, Errand.NONE, on);
    }

    List<Finding> ifNow(String technique, String material, Errand said, String... on) {
        PlanRequest r = request();
        Technique t = CATALOGUE.technique(technique);
        Act act =
                Act.planned(
                                new StepId("now"),
                                t,
                                CATALOGUE.material(material, t),
                                Arrays.stream(on).map(zones::get).toList())
                        .saying(said)
                        .at(r.fromMinute());
        List<Act> all = new ArrayList<>(lying);
        all.add(act);
        return new FilmCheck(CATALOGUE)
                .check(new org.pendrik.core.film.FilmCase(r.zones(), all, r.air()))
                .about(act.id());
    }

    /** What speaks against the first effect as it is, whatever would be laid between. */
    List<Finding> warned() {
        PlanRequest r = request();
        List<Act> all = new ArrayList<>(lying);
        EffectGroup.of(effects.getFirst(), r.zones(), schools, CATALOGUE, Groups.ids(r))
                .forEach(g -> g.acts().forEach(a -> all.add(a.at(r.fromMinute()))));
        var film = new org.pendrik.core.film.FilmCase(r.zones(), all, r.air());
        var timed = new org.pendrik.core.film.Timing(CATALOGUE).settle(film, lying.size(), false);
        List<Finding> out = new ArrayList<>();
        var lies = org.pendrik.core.film.Ledger.of(film.with(List.of()), CATALOGUE);
        HouseRules house = HouseRules.of(schools);
        for (Act a : timed.acts()) {
            out.addAll(lies.against(a));
            out.addAll(house.against(a, lies));
            lies = lies.and(a);
        }
        return out;
    }

    /** The reason why there is no plan. */
    String refused() {
        PlanOutcome o = outcome();
        assertTrue(o instanceof PlanOutcome.NoPlan, o.toString());
        PlanOutcome.NoPlan no = (PlanOutcome.NoPlan) o;
        return no.reason() + " " + no.remedy();
    }

    /** The plan, gone through by a stranger; it warns of these rules and of nothing else. */
    Plan plan(Finding.Rule... known) {
        PlanRequest r = request();
        PlanOutcome o = COMPILER.compile(r);
        assertTrue(o instanceof PlanOutcome.Compiled, o.toString());
        PlanOutcome.Compiled made = (PlanOutcome.Compiled) o;
        Plan p = new Plan(made);
        assertEquals(String.join("; ", AUDIT.faults(r, made)), "", p.toString());
        Set<Finding.Rule> warned = new LinkedHashSet<>();
        StringBuilder why = new StringBuilder();
        for (Finding f : new FilmCheck(CATALOGUE).check(made.timed()).findings()) {
            boolean planned = made.steps().stream().anyMatch(x -> x.act().id().equals(f.actId()));
            if (planned && f.severity() != Finding.Severity.NOTE) {
                warned.add(f.rule());
                why.append(f.actId()).append(": ").append(f.why()).append(' ');
            }
        }
        warned.removeAll(List.of(known));
        assertEquals(warned.toString(), "[]", why + " in " + p);
        return p;
    }

    /** A plan and what is asked of it. */
    record Plan(PlanOutcome.Compiled made) {
        List<Act> acts() {
            return made.steps().stream().map(PlanStep::act).toList();
        }

        List<String> keys() {
            return acts().stream().map(a -> a.technique().key()).toList();
        }

        Act act(String id) {
            return acts().stream()
                    .filter(a -> a.id().value().equals(id))
                    .findFirst()
                    .orElseThrow(() -> new AssertionError(id + " is not in " + this));
        }

        String reason(String id) {
            return made.steps().stream()
                    .filter(s -> s.act().id().value().equals(id))
                    .findFirst()
                    .orElseThrow()
                    .reason();
        }

        private int place(String id) {
            return acts().indexOf(act(id));
        }

        /** These steps, by id, stand in this order. */
        Plan inOrder(String... ids) {
            for (int i = 1; i < ids.length; i++) {
                assertTrue(
                        place(ids[i - 1]) < place(ids[i]),
                        ids[i - 1] + " before " + ids[i] + " in " + this);
            }
            return this;
        }

        /** The coats on a zone from below are exactly these, by technique. */
        Plan on(String zone, String first, String... techniques) {
            List<String> wanted = new ArrayList<>(List.of(first));
            wanted.addAll(List.of(techniques));
            assertEquals(on(zone), wanted, toString());
            return this;
        }

        /** The coats on a zone from below, by technique. */
        List<String> on(String zone) {
            return acts().stream()
                    .filter(a -> a.zones().contains(zone) && a.material().deposits())
                    .map(a -> a.technique().key())
                    .toList();
        }

        /** Minutes from the end of one step to the begin of another. */
        long between(String first, String then) {
            return act(then).atMinute() - act(first).endMinute();
        }

        Plan waits(String first, String then, long least, long most) {
            long w = between(first, then);
            assertTrue(
                    w >= least && w <= most,
                    w
                            + " min from "
                            + first
                            + " to "
                            + then
                            + ", not "
                            + least
                            + " to "
                            + most
                            + " in "
                            + this);
            return this;
        }

        /** None of these techniques is in it. */
        Plan without(String... techniques) {
            for (String t : techniques) {
                assertTrue(!keys().contains(t), t + " in " + this);
            }
            return this;
        }

        /** So many steps of a technique. */
        Plan times(String technique, int n) {
            assertEquals(
                    keys().stream().filter(technique::equals).count(),
                    n,
                    technique + " in " + this);
            return this;
        }

        /** From the first minute to the last at most so many days. */
        Plan withinDays(double days) {
            assertTrue(made.minutes() <= days * DAY, made.minutes() + " min in " + this);
            return this;
        }

        /** What the film engine says when a step is done so many minutes after another instead. */
        List<Finding> ifAfter(String step, String then, int minutes) {
            return ifDone(step, act(then).endMinute() + minutes, UnaryOperator.identity());
        }

        /** What it says of a step done at a minute in another way, on top of what comes before. */
        List<Finding> ifDone(String step, long atMinute, UnaryOperator<Act> how) {
            List<Act> all = new ArrayList<>();
            for (Act a : made.timed().acts()) {
                if (a.id().value().equals(step)) {
                    all.add(
                            how.apply(a)
                                    .at(
                                            Math.max(
                                                    atMinute,
                                                    all.isEmpty()
                                                            ? atMinute
                                                            : all.getLast().atMinute())));
                    break;
                }
                if (a.atMinute() <= atMinute) {
                    all.add(a);
                }
            }
            return new FilmCheck(CATALOGUE).check(made.timed().with(all)).about(new StepId(step));
        }

        /** What it says of something else done after a step. */
        List<Finding> ifThen(
                String after, int minutes, String technique, String material, String... on) {
            Technique t = CATALOGUE.technique(technique);
            Act act =
                    new Act(
                            new StepId("instead"),
                            t,
                            CATALOGUE.material(material, t),
                            t.thickness() == Thickness.MIST ? Thickness.MIST : Thickness.LIGHT,
                            new LinkedHashSet<>(List.of(on)),
                            act(after).endMinute() + minutes,
                            0,
                            false);
            List<Act> all = new ArrayList<>();
            for (Act a : made.timed().acts()) {
                all.add(a);
                if (a.id().value().equals(after)) {
                    break;
                }
            }
            all.add(act);
            return new FilmCheck(CATALOGUE)
                    .check(made.timed().with(all))
                    .about(new StepId("instead"));
        }

        @Override
        public String toString() {
            StringBuilder out = new StringBuilder();
            for (Act a : acts()) {
                out.append("\n  ")
                        .append(a.atMinute())
                        .append(' ')
                        .append(a.id())
                        .append(" [")
                        .append(a.technique().key())
                        .append(", ")
                        .append(a.material().key())
                        .append("] ")
                        .append(a.zones());
            }
            return out.toString();
        }
    }

    /** The worst that is said by one rule; empty when it is silent. */
    static Optional<Finding.Severity> worst(List<Finding> found, Finding.Rule rule) {
        return found.stream()
                .filter(f -> f.rule() == rule)
                .map(Finding::severity)
                .max(java.util.Comparator.naturalOrder());
    }
}
