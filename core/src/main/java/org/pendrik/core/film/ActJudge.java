package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import org.pendrik.core.film.Finding.Rule;
import org.pendrik.core.film.Finding.Severity;
import org.pendrik.core.units.Climate;

/** Judges one act on one column, given how old each coat of it is. */
final class ActJudge {
    /** A slow binder beneath this cure fraction wrinkles under a hardening film. */
    private static final double TRAPS_BELOW = 0.7;

    private static final double WET_BELOW = CureAnchors.Q_TOUCH;
    private static final double SOFT_BELOW = CureAnchors.Q_RECOAT;

    private final BiteTable bites;
    private final Climate air;

    ActJudge(BiteTable bites, Climate air) {
        this.bites = bites;
        this.air = air;
    }

    /**
     * What an act meets in a column.
     *
     * @param findings for this zone alone
     * @param reach how deep its carrier goes
     */
    record Judgement(List<Finding> findings, Reach reach) {}

    /** Takes what is found; the sentence and the numbers are made only for who wants them. */
    private interface Finds {
        void add(Rule rule, Severity severity, Supplier<Finding> finding);
    }

    Judgement judge(Act act, Column column, ToDoubleFunction<Layer> ageOf) {
        List<Finding> out = new ArrayList<>();
        Reach reach = look(act, column, ageOf, (_, _, finding) -> out.add(finding.get()));
        return new Judgement(out, reach);
    }

    /** Weight of what waiting could heal; the same findings without their sentences. */
    int healable(Act act, Column column, ToDoubleFunction<Layer> ageOf) {
        int[] sum = new int[1];
        look(
                act,
                column,
                ageOf,
                (rule, severity, _) -> sum[0] += rule.timeHeals() ? severity.weight() : 0);
        return sum[0];
    }

    private Reach look(Act act, Column column, ToDoubleFunction<Layer> ageOf, Finds out) {
        loose(act, column, out);
        tooth(act, column, out);
        drying(act, column, ageOf, out);
        Reach reach = Reach.into(column, act.carrier(), act.technique().action(), bites, ageOf);
        reach(act, column, reach, out);
        window(act, column, ageOf, out);
        return reach;
    }

    private static void loose(Act act, Column column, Finds out) {
        var loose = column.loose();
        if (loose.isEmpty()) {
            return;
        }
        String powder = loose.get().material().name();
        if (act.technique().action().touches()) {
            out.add(
                    Rule.LOOSE,
                    Severity.STOP,
                    () ->
                            finding(
                                    Rule.LOOSE,
                                    Severity.STOP,
                                    act,
                                    column,
                                    List.of(powder),
                                    "The "
                                            + powder
                                            + " lies loose: any brush, swab or film on it moves it.",
                                    Map.of()));
        } else if (act.technique().action() != Action.DRY && !act.material().isClear()) {
            out.add(
                    Rule.LOOSE,
                    Severity.WARN,
                    () ->
                            finding(
                                    Rule.LOOSE,
                                    Severity.WARN,
                                    act,
                                    column,
                                    List.of(powder),
                                    "The "
                                            + powder
                                            + " is not fixed: the air of the spray moves it.",
                                    Map.of()));
        }
    }

    private static void tooth(Act act, Column column, Finds out) {
        if (act.technique().role() != Technique.Role.EFFECT) {
            return;
        }
        Finish finish = column.loose().isPresent() ? Finish.LOOSE : column.finish();
        double tooth = finish.tooth();
        Band band = act.technique().tooth();
        if (band.isIdeal(tooth)) {
            return;
        }
        Severity severity = band.isTolerable(tooth) ? Severity.NOTE : Severity.STOP;
        out.add(Rule.TOOTH, severity, () -> tooth(act, column, finish, severity));
    }

    private static Finding tooth(Act act, Column column, Finish finish, Severity severity) {
        double tooth = finish.tooth();
        Band band = act.technique().tooth();
        boolean slick = tooth < band.idealMin();
        Map<String, Double> numbers = new LinkedHashMap<>();
        numbers.put("tooth", tooth);
        numbers.put("works from", band.okMin());
        numbers.put("works to", band.okMax());
        String outlook = slick ? "it does not grip" : "it does not run or settle";
        if (act.technique().follow().isPresent()) {
            WashBehaviour w = WashBehaviour.on(tooth);
            numbers.put("flow", w.flow());
            numbers.put("grip", w.grip());
            numbers.put("removability", w.removability());
            outlook = w.said();
        }
        boolean works = severity == Severity.NOTE;
        if (works && slick && act.technique().follow().isEmpty()) {
            outlook = "it grips poorly";
        }
        String surface = finish.label() + (slick ? " is too slick for " : " is too rough for ");
        String name = act.technique().name();
        return finding(
                Rule.TOOTH,
                severity,
                act,
                column,
                List.of(),
                works
                        ? "On " + finish.label() + " " + name + " still works, but " + outlook + "."
                        : capital(surface) + name + ": " + outlook + ".",
                numbers);
    }

    private static void drying(Act act, Column column, ToDoubleFunction<Layer> ageOf, Finds out) {
        if (!act.material().deposits()) {
            return;
        }
        boolean hardensFast =
                act.material()
                        .binder()
                        .filter(b -> !b.isOxidative() && b.drying() != Binder.Drying.NONE)
                        .isPresent();
        for (int i = column.live().size() - 1; i >= 0; i--) {
            Layer l = column.live().get(i);
            double q = l.cureAfter(ageOf.applyAsDouble(l));
            if (hardensFast && l.binder().isOxidative() && q < TRAPS_BELOW) {
                out.add(Rule.TRAPPED, Severity.STOP, () -> trapped(act, column, l, q));
            } else if (q < SOFT_BELOW) {
                Severity severity = q < WET_BELOW ? Severity.STOP : Severity.WARN;
                out.add(Rule.WET, severity, () -> wet(act, column, l, q, severity));
            }
        }
    }

    private static Finding trapped(Act act, Column column, Layer l, double q) {
        return finding(
                Rule.TRAPPED,
                Severity.STOP,
                act,
                column,
                List.of(l.material().name()),
                capital(act.material().name())
                        + " hardens before the "
                        + l.material().name()
                        + " beneath it has ("
                        + percent(q)
                        + " cured): it wrinkles or cracks later.",
                numbers("cure fraction", q, "needed", TRAPS_BELOW));
    }

    private static Finding wet(Act act, Column column, Layer l, double q, Severity severity) {
        return finding(
                Rule.WET,
                severity,
                act,
                column,
                List.of(l.material().name()),
                "The "
                        + l.material().name()
                        + (severity == Severity.STOP
                                ? " beneath is still wet"
                                : " beneath is touch dry but not ready for a coat")
                        + " ("
                        + percent(q)
                        + " cured).",
                numbers("cure fraction", q, "needed", SOFT_BELOW));
    }

    /** Two named numbers in their order. */
    private static Map<String, Double> numbers(
            String one, double oneValue, String two, double twoValue) {
        Map<String, Double> out = new LinkedHashMap<>();
        out.put(one, oneValue);
        out.put(two, twoValue);
        return out;
    }

    private static void reach(Act act, Column column, Reach reach, Finds out) {
        String target =
                act.technique().actsOn().flatMap(column::laidBy).map(Layer::actId).orElse("");
        boolean binds = act.material().isClear() && !act.technique().action().touches();
        for (Reach.Met m : reach.met()) {
            boolean meant = m.in(column).filter(l -> l.actId().equals(target)).isPresent();
            boolean bound = binds && m.in(column).filter(l -> l.binder().isLoose()).isPresent();
            if (meant || bound || m.effect() == Reach.Effect.UNTOUCHED) {
                continue;
            }
            Severity severity = m.effect() == Reach.Effect.BROKEN ? Severity.STOP : Severity.WARN;
            out.add(Rule.REACH, severity, () -> reached(act, column, m, severity));
        }
        if (!target.isEmpty()) {
            Reach.Met met = reach.metActOf(column, target);
            if (met == null || met.effect() != Reach.Effect.BROKEN) {
                double bite = met == null ? 0 : met.bite() * met.exposure();
                String coat =
                        column.laidBy(act.technique().actsOn().orElseThrow())
                                .orElseThrow()
                                .material()
                                .name();
                out.add(
                        Rule.TOO_LITTLE,
                        Severity.STOP,
                        () ->
                                finding(
                                        Rule.TOO_LITTLE,
                                        Severity.STOP,
                                        act,
                                        column,
                                        List.of(coat),
                                        capital(act.carrier().spoken())
                                                + " no longer moves the "
                                                + coat
                                                + ".",
                                        Map.of("bite", bite)));
            }
        }
    }

    private static Finding reached(Act act, Column column, Reach.Met m, Severity severity) {
        Map<String, Double> numbers = numbers("bite", m.bite(), "exposure", m.exposure());
        numbers.put("cure fraction", m.cure());
        return finding(
                Rule.REACH,
                severity,
                act,
                column,
                List.of(m.name()),
                capital(act.carrier().spoken())
                        + (m.exposure() >= 1 ? "" : " goes through and")
                        + (severity == Severity.STOP ? " dissolves the " : " softens the ")
                        + m.name()
                        + (m.layer() >= 0 ? " (" + percent(m.cure()) + " cured)." : "."),
                numbers);
    }

    private void window(Act act, Column column, ToDoubleFunction<Layer> ageOf, Finds out) {
        if (act.technique().actsOn().isEmpty()) {
            return;
        }
        var target = column.laidBy(act.technique().actsOn().get());
        if (target.isEmpty()) {
            out.add(
                    Rule.NO_TARGET,
                    Severity.STOP,
                    () ->
                            finding(
                                    Rule.NO_TARGET,
                                    Severity.STOP,
                                    act,
                                    column,
                                    List.of(),
                                    "There is nothing to "
                                            + act.technique().name()
                                            + " on the "
                                            + column.zone().name()
                                            + ".",
                                    Map.of()));
            return;
        }
        Layer coat = target.get();
        if (!act.technique().keepsWindow() || coat.material().window().isEmpty()) {
            return;
        }
        WorkWindow w = windowOf(coat, air);
        double age = ageOf.applyAsDouble(coat);
        Map<String, Double> numbers = new LinkedHashMap<>();
        numbers.put("age, min", age);
        numbers.put("opens, min", w.fromMinutes());
        numbers.put("closes, min", w.untilMinutes());
        String name = coat.material().name();
        if (age > w.untilMinutes()) {
            out.add(
                    Rule.WINDOW,
                    Severity.STOP,
                    () ->
                            finding(
                                    Rule.WINDOW,
                                    Severity.STOP,
                                    act,
                                    column,
                                    List.of(name),
                                    "The window of the "
                                            + name
                                            + " closed "
                                            + minutes(age - w.untilMinutes())
                                            + " before: it has set and smears instead of wiping.",
                                    numbers));
        } else if (age < w.fromMinutes()) {
            out.add(
                    Rule.WINDOW,
                    Severity.WARN,
                    () ->
                            finding(
                                    Rule.WINDOW,
                                    Severity.WARN,
                                    act,
                                    column,
                                    List.of(name),
                                    "The "
                                            + name
                                            + " is still running: its window opens "
                                            + minutes(w.fromMinutes() - age)
                                            + " later.",
                                    numbers));
        }
    }

    /** The work window of a coat in this air; thickness does not move it. */
    static WorkWindow windowOf(Layer coat, Climate air) {
        WorkWindow w = coat.material().window().orElseThrow();
        double slow = CureClock.slowing(coat.binder(), air, Thickness.NORMAL);
        return new WorkWindow(w.fromMinutes() * slow, w.untilMinutes() * slow);
    }

    private static Finding finding(
            Rule rule,
            Severity severity,
            Act act,
            Column column,
            List<String> coats,
            String why,
            Map<String, Double> numbers) {
        return new Finding(
                rule, severity, act.id(), List.of(column.zone().key()), coats, why, numbers);
    }

    static String capital(String s) {
        return s.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + s.substring(1);
    }

    private static String percent(double q) {
        return Math.round(q * 100) + " %";
    }

    /** A span of minutes as people say it. */
    static String minutes(double m) {
        long whole = Math.round(m);
        if (whole < 120) {
            return whole + " min";
        }
        if (whole < 48 * 60) {
            return Math.round(whole / 60.0) + " h";
        }
        return Math.round(whole / 1440.0) + " days";
    }
}
