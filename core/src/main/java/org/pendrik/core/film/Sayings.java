package org.pendrik.core.film;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import org.pendrik.core.catalogue.BiteSense;
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.CureAnchors;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.WashBehaviour;
import org.pendrik.core.catalogue.WorkWindow;
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
                        : act.handling().orientation() == Technique.Orientation.UPRIGHT
                                ? ": handling the model moves it."
                                : ": turning the model over throws it off.";
        return of(Rule.LOOSE, severity, List.of(powder), "The " + powder + " lies loose" + why);
    }

    /** Powder on another zone. */
    Finding looseBeside(Layer loose, Severity severity) {
        String powder = loose.material().name();
        Technique t = act.technique();
        boolean turned = act.handling().orientation() != Technique.Orientation.UPRIGHT;
        String why =
                act.handling().handles()
                        ? ": handling the model moves it."
                        : turned
                                ? ": turning the model over throws it off."
                                : t.pressure()
                                        ? ": the air of the spray beside it moves it."
                                        : ": a brush or swab beside it moves it.";
        return of(Rule.LOOSE, severity, List.of(powder), "The " + powder + " lies loose" + why);
    }

    /** A liquid on powder. */
    Finding looseWetted(Layer loose, Severity severity) {
        String powder = loose.material().name();
        return of(
                Rule.LOOSE,
                severity,
                List.of(powder),
                "The "
                        + powder
                        + (act.action().touches()
                                ? " lies loose: any brush, swab or film on it moves it."
                                : " is not fixed: the air of the spray moves it."));
    }

    Finding tooth(double tooth, Severity severity) {
        Technique t = act.technique();
        String finish = tooth >= 1 ? Finish.LOOSE.label() : Finish.nearest(tooth).label();
        boolean slick = tooth < t.tooth().idealMin();
        Map<String, Double> numbers = new LinkedHashMap<>();
        numbers.put("tooth", tooth);
        numbers.put("works from", t.tooth().okMin());
        numbers.put("works to", t.tooth().okMax());
        String outlook = slick ? "it does not grip" : "it does not run or settle";
        if (t.follow().isPresent()) {
            outlook = wash(tooth, numbers).said();
        }
        boolean works = t.tooth().isTolerable(tooth);
        if (works && slick && t.follow().isEmpty()) {
            outlook = "it grips poorly";
        }
        String surface = finish + (slick ? " is too slick for " : " is too rough for ");
        return of(
                Rule.TOOTH,
                severity,
                List.of(),
                works
                        ? "On " + finish + " " + t.name() + " still works, but " + outlook + "."
                        : Words.capital(surface) + t.name() + ": " + outlook + ".",
                numbers);
    }

    Finding stains(double tooth) {
        Map<String, Double> numbers = new LinkedHashMap<>();
        numbers.put("tooth", tooth);
        wash(tooth, numbers);
        return of(
                Rule.STAINS,
                Severity.NOTE,
                List.of(),
                Words.capital(Finish.nearest(tooth).label())
                        + " is porous: "
                        + act.material().name()
                        + " soaks in, it will stain and not wipe clean.",
                numbers);
    }

    Finding noKey() {
        return of(
                Rule.NO_KEY,
                Severity.WARN,
                List.of(),
                Words.capital(act.material().name())
                        + " has no hold on "
                        + column.zone().substrate().label()
                        + ": without a primer it scratches and peels.");
    }

    Finding pullsOff(Layer first) {
        return of(
                Rule.NO_KEY,
                Severity.STOP,
                List.of(first.material().name()),
                "The "
                        + first.material().name()
                        + " lies on "
                        + column.zone().substrate().label()
                        + " without a primer: "
                        + act.technique().name()
                        + " pulls it off.");
    }

    Finding buried(Layer effect) {
        return of(
                Rule.BURIED,
                Severity.WARN,
                List.of(effect.material().name()),
                Words.capital(act.material().name())
                        + " hides the "
                        + effect.technique().name()
                        + " that is finished beneath it.",
                Map.of("covers", act.material().cover(act.thickness())));
    }

    Finding blends(Layer l, double q) {
        return of(
                Rule.BLEND,
                Severity.NOTE,
                List.of(l.material().name()),
                "The "
                        + l.material().name()
                        + " is still open: the two run into one coat, which is as young as the new one.",
                numbers("cure fraction", q, "touch dry", CureAnchors.Q_TOUCH));
    }

    Finding sinksIn(Layer l) {
        return of(
                Rule.BLEND,
                Severity.NOTE,
                List.of(l.material().name()),
                Words.capital(act.material().name())
                        + " sticks in the wet "
                        + l.material().name()
                        + " and is held by it.");
    }

    Finding drags(Layer l, double q, Severity severity) {
        return of(
                Rule.WET,
                severity,
                List.of(l.material().name()),
                "The "
                        + l.material().name()
                        + " is leathery ("
                        + percent(q)
                        + " cured): it no longer blends, a brush drags it.",
                numbers("cure fraction", q, "needed", CureAnchors.Q_RECOAT));
    }

    private static WashBehaviour wash(double tooth, Map<String, Double> numbers) {
        WashBehaviour w = WashBehaviour.on(tooth);
        numbers.put("flow", w.flow());
        numbers.put("grip", w.grip());
        numbers.put("removability", w.removability());
        return w;
    }

    Finding trapped(Layer l, double q, Severity severity) {
        return of(
                Rule.TRAPPED,
                severity,
                List.of(l.material().name()),
                Words.capital(act.material().name())
                        + " hardens before the "
                        + l.material().name()
                        + " beneath it has ("
                        + percent(q)
                        + " cured): "
                        + (severity == Severity.STOP
                                ? "it wrinkles or cracks later."
                                : "it may craze; a day more is safe."),
                numbers("cure fraction", q, "needed", ActJudge.TRAPS_BELOW));
    }

    Finding wet(Layer l, double q, Severity severity) {
        return of(
                Rule.WET,
                severity,
                List.of(l.material().name()),
                "The "
                        + l.material().name()
                        + (q < CureAnchors.Q_TOUCH
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

    Finding soft(Layer l, double q, double needed, Severity severity) {
        String coat = l.material().name();
        String harm =
                act.technique().packs()
                        ? " still takes the print of what it is packed in"
                        : act.technique().tapes()
                                ? " comes off with the mask"
                                : act.errand().needs().isPresent()
                                        ? " is not as dry as this step asks"
                                        : " takes fingerprints";
        return of(
                Rule.SOFT,
                severity,
                List.of(coat),
                "The " + coat + harm + " (" + percent(q) + " cured).",
                numbers("cure fraction", q, "needed", needed));
    }

    Finding reached(Reach.Met m, Severity severity, Optional<BiteSense> learned) {
        Map<String, Double> numbers = numbers("bite", m.bite(), "exposure", m.exposure());
        numbers.put("cure fraction", m.cure());
        put(learned, numbers);
        return of(
                Rule.REACH,
                severity,
                List.of(m.name()),
                Words.capital(act.carrier().spoken())
                        + (m.exposure() >= 1 ? "" : " goes through and")
                        + (m.effect() == Reach.Effect.BROKEN ? " dissolves the " : " softens the ")
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

    Finding tooLittle(List<Layer> targets, Layer stuck, double hit, Optional<BiteSense> learned) {
        String coat = stuck.material().name();
        boolean through =
                targets.size() > 1
                        && stuck.equals(targets.getLast())
                        && !act.technique().works().meansWhatever();
        String why =
                Words.capital(
                                act.carrier() instanceof Carrier.Dry
                                        ? "dry work"
                                        : act.carrier().spoken())
                        + (through
                                ? " no longer gets through the "
                                        + targets.getFirst().material().name()
                                        + " to the "
                                        + coat
                                        + "."
                                : " no longer moves the " + coat + ".");
        Map<String, Double> numbers = numbers("bite", hit, "needed", act.must().hit());
        put(learned, numbers);
        return of(Rule.TOO_LITTLE, Severity.STOP, List.of(coat), why, numbers);
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

    Finding tooLate(Workable work, ToDoubleFunction<Layer> ageOf, Severity severity) {
        Layer coat = windowed(work, ageOf, true);
        WorkWindow w = Workable.windowOf(coat, work.air());
        double age = ageOf.applyAsDouble(coat);
        String name = coat.material().name();
        return of(
                Rule.WINDOW,
                severity,
                List.of(name),
                "The window of the "
                        + name
                        + " closed "
                        + Words.span(age - w.untilMinutes())
                        + " before: "
                        + (severity == Severity.STOP
                                ? "it has set, and nothing sinks into it."
                                : "it is hard to shift and smears."),
                window(w, age));
    }

    Finding tooEarly(Workable work, ToDoubleFunction<Layer> ageOf) {
        Layer coat = windowed(work, ageOf, false);
        WorkWindow w = Workable.windowOf(coat, work.air());
        double age = ageOf.applyAsDouble(coat);
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

    Finding endsLate(Workable work, ToDoubleFunction<Layer> ageOf, int takes, Workable.State end) {
        ToDoubleFunction<Layer> then = l -> ageOf.applyAsDouble(l) + takes;
        boolean late = end == Workable.State.LATE;
        Layer coat = late ? windowed(work, then, true) : work.targets().getLast();
        String name = coat.material().name();
        Map<String, Double> numbers =
                late
                        ? window(Workable.windowOf(coat, work.air()), then.applyAsDouble(coat))
                        : numbers("age, min", then.applyAsDouble(coat), "takes, min", takes);
        return of(
                Rule.WINDOW,
                Severity.WARN,
                List.of(name),
                late
                        ? "The window of the "
                                + name
                                + " closes "
                                + Words.span(
                                        then.applyAsDouble(coat)
                                                - Workable.windowOf(coat, work.air())
                                                        .untilMinutes())
                                + " before this is over: work fewer zones at a time."
                        : Words.capital(act.carrier().spoken())
                                + " no longer moves the "
                                + name
                                + " before this is over: work fewer zones at a time.",
                numbers);
    }

    /** The coat whose window is closed, or not open, by most. */
    private static Layer windowed(Workable work, ToDoubleFunction<Layer> ageOf, boolean late) {
        Layer worst = work.targets().getFirst();
        double by = Double.NEGATIVE_INFINITY;
        for (Layer l : work.targets()) {
            if (Workable.hasWindow(l)) {
                WorkWindow w = Workable.windowOf(l, work.air());
                double age = ageOf.applyAsDouble(l);
                double off = late ? age - w.untilMinutes() : w.fromMinutes() - age;
                if (off > by) {
                    by = off;
                    worst = l;
                }
            }
        }
        return worst;
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

    /** How far the bite is moved by what came of it here before, and how often it was seen. */
    private static void put(Optional<BiteSense> learned, Map<String, Double> numbers) {
        learned.ifPresent(
                s -> {
                    numbers.put("learned here: bite ×", s.factor());
                    numbers.put("learned here: times seen", (double) s.observations());
                });
    }

    static String percent(double q) {
        return Math.round(q * 100) + " %";
    }
}
