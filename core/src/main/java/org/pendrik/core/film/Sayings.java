package org.pendrik.core.film;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.pendrik.core.film.Finding.Rule;
import org.pendrik.core.film.Finding.Severity;
import org.pendrik.core.units.Words;

/** What is said of an act on a column, with the figures that led to it. */
final class Sayings {
    private final Act act;
    private final Column column;

    Sayings(Act act, Column column) {
        this.act = act;
        this.column = column;
    }

    Finding looseTouched(Layer loose, Severity severity) {
        String powder = loose.material().name();
        String why =
                act.technique().action().touches()
                        ? ": any brush, swab or film on it moves it."
                        : act.technique().handling().orientation() == Technique.Orientation.UPRIGHT
                                ? ": handling the model moves it."
                                : ": turning the model over throws it off.";
        return of(Rule.LOOSE, severity, List.of(powder), "The " + powder + " lies loose" + why);
    }

    Finding looseBlown(Layer loose) {
        String powder = loose.material().name();
        return of(
                Rule.LOOSE,
                Severity.WARN,
                List.of(powder),
                "The " + powder + " is not fixed: the air of the spray moves it.");
    }

    Finding tooth(Finish finish, Severity severity) {
        Technique t = act.technique();
        double tooth = finish.tooth();
        boolean slick = tooth < t.tooth().idealMin();
        Map<String, Double> numbers = new LinkedHashMap<>();
        numbers.put("tooth", tooth);
        numbers.put("works from", t.tooth().okMin());
        numbers.put("works to", t.tooth().okMax());
        String outlook = slick ? "it does not grip" : "it does not run or settle";
        if (t.follow().isPresent()) {
            outlook = wash(tooth, numbers).said();
        }
        boolean works = severity == Severity.NOTE;
        if (works && slick && t.follow().isEmpty()) {
            outlook = "it grips poorly";
        }
        String surface = finish.label() + (slick ? " is too slick for " : " is too rough for ");
        return of(
                Rule.TOOTH,
                severity,
                List.of(),
                works
                        ? "On "
                                + finish.label()
                                + " "
                                + t.name()
                                + " still works, but "
                                + outlook
                                + "."
                        : Words.capital(surface) + t.name() + ": " + outlook + ".",
                numbers);
    }

    Finding stains(Finish finish) {
        Map<String, Double> numbers = new LinkedHashMap<>();
        numbers.put("tooth", finish.tooth());
        wash(finish.tooth(), numbers);
        return of(
                Rule.STAINS,
                Severity.NOTE,
                List.of(),
                Words.capital(finish.label())
                        + " is porous: "
                        + act.material().name()
                        + " soaks in, it will stain and not wipe clean.",
                numbers);
    }

    private static WashBehaviour wash(double tooth, Map<String, Double> numbers) {
        WashBehaviour w = WashBehaviour.on(tooth);
        numbers.put("flow", w.flow());
        numbers.put("grip", w.grip());
        numbers.put("removability", w.removability());
        return w;
    }

    Finding trapped(Layer l, double q) {
        return of(
                Rule.TRAPPED,
                Severity.STOP,
                List.of(l.material().name()),
                Words.capital(act.material().name())
                        + " hardens before the "
                        + l.material().name()
                        + " beneath it has ("
                        + percent(q)
                        + " cured): it wrinkles or cracks later.",
                numbers("cure fraction", q, "needed", ActJudge.TRAPS_BELOW));
    }

    Finding wet(Layer l, double q, Severity severity) {
        return of(
                Rule.WET,
                severity,
                List.of(l.material().name()),
                "The "
                        + l.material().name()
                        + (severity == Severity.STOP
                                ? " beneath is still wet"
                                : " beneath is touch dry but not ready for a coat")
                        + " ("
                        + percent(q)
                        + " cured).",
                numbers("cure fraction", q, "needed", CureAnchors.Q_RECOAT));
    }

    Finding slow(Layer l, double q) {
        return of(
                Rule.SLOW,
                Severity.NOTE,
                List.of(l.material().name()),
                Words.capital(act.material().name())
                        + " is waterborne over "
                        + l.material().name()
                        + ": it beads at first and dries slowly; go on in mists.",
                Map.of("cure fraction", q));
    }

    Finding soft(Layer l, double q, double needed) {
        String coat = l.material().name();
        String harm =
                needed >= CureAnchors.Q_FULL
                        ? " still takes the print of what it is packed in"
                        : needed >= CureAnchors.Q_RECOAT
                                ? " comes off with the mask"
                                : " takes fingerprints";
        return of(
                Rule.SOFT,
                Severity.STOP,
                List.of(coat),
                "The " + coat + harm + " (" + percent(q) + " cured).",
                numbers("cure fraction", q, "needed", needed));
    }

    Finding reached(Reach.Met m, Severity severity) {
        Map<String, Double> numbers = numbers("bite", m.bite(), "exposure", m.exposure());
        numbers.put("cure fraction", m.cure());
        return of(
                Rule.REACH,
                severity,
                List.of(m.name()),
                Words.capital(act.carrier().spoken())
                        + (m.exposure() >= 1 ? "" : " goes through and")
                        + (severity == Severity.STOP ? " dissolves the " : " softens the ")
                        + m.name()
                        + (m.layer() >= 0 ? " (" + percent(m.cure()) + " cured)." : "."),
                numbers);
    }

    Finding noTarget() {
        return of(
                Rule.NO_TARGET,
                Severity.STOP,
                List.of(),
                "There is nothing to "
                        + act.technique().name()
                        + " on the "
                        + column.zone().name()
                        + ".");
    }

    Finding lettersStay() {
        return of(
                Rule.TOO_LITTLE,
                Severity.STOP,
                List.of("factory lettering"),
                Words.capital(act.carrier().spoken()) + " does not lift the factory lettering.");
    }

    Finding tooLittle(List<Layer> targets, double hit) {
        Layer deepest = targets.getLast();
        String coat = deepest.material().name();
        String why =
                targets.size() > 1
                        ? Words.capital(act.carrier().spoken())
                                + " no longer gets through the "
                                + targets.getFirst().material().name()
                                + " to the "
                                + coat
                                + "."
                        : Words.capital(act.carrier().spoken())
                                + " no longer moves the "
                                + coat
                                + ".";
        return of(Rule.TOO_LITTLE, Severity.STOP, List.of(coat), why, Map.of("bite", hit));
    }

    Finding tooFresh(Layer top, double q) {
        String coat = top.material().name();
        return of(
                Rule.WINDOW,
                Severity.STOP,
                List.of(coat),
                "The " + coat + " is not touch dry (" + percent(q) + " cured): it smears off.",
                numbers("cure fraction", q, "needed", CureAnchors.Q_TOUCH));
    }

    Finding tooLate(Layer coat, WorkWindow w, double age) {
        String name = coat.material().name();
        return of(
                Rule.WINDOW,
                Severity.STOP,
                List.of(name),
                "The window of the "
                        + name
                        + " closed "
                        + Words.span(age - w.untilMinutes())
                        + " before: it has set and smears instead of wiping.",
                window(w, age));
    }

    Finding tooEarly(Layer coat, WorkWindow w, double age) {
        String name = coat.material().name();
        return of(
                Rule.WINDOW,
                Severity.WARN,
                List.of(name),
                "The "
                        + name
                        + " is still running: its window opens "
                        + Words.span(w.fromMinutes() - age)
                        + " later.",
                window(w, age));
    }

    private static Map<String, Double> window(WorkWindow w, double age) {
        Map<String, Double> numbers = numbers("age, min", age, "opens, min", w.fromMinutes());
        numbers.put("closes, min", w.untilMinutes());
        return numbers;
    }

    private Finding of(Rule rule, Severity severity, List<String> coats, String why) {
        return of(rule, severity, coats, why, Map.of());
    }

    private Finding of(
            Rule rule,
            Severity severity,
            List<String> coats,
            String why,
            Map<String, Double> numbers) {
        return new Finding(
                rule, severity, act.id(), List.of(column.zone().key()), coats, why, numbers);
    }

    /** Two named numbers in their order. */
    private static Map<String, Double> numbers(
            String one, double oneValue, String two, double twoValue) {
        Map<String, Double> out = new LinkedHashMap<>();
        out.put(one, oneValue);
        out.put(two, twoValue);
        return out;
    }

    static String percent(double q) {
        return Math.round(q * 100) + " %";
    }
}
