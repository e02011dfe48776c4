package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import org.pendrik.core.film.Finding.Rule;
import org.pendrik.core.film.Finding.Severity;
import org.pendrik.core.units.Climate;

/**
 * Judges one act on one column, given how old each coat of it is. The rules stand here, the
 * sentences in {@link Sayings}.
 */
final class ActJudge {
    /** A slow binder beneath this cure fraction wrinkles under a hardening film. */
    static final double TRAPS_BELOW = 0.7;

    private static final double WET_BELOW = CureAnchors.Q_TOUCH;
    private static final double SOFT_BELOW = CureAnchors.Q_RECOAT;

    /** A wash that wipes off less cleanly than this has stained. */
    private static final double STAINS_BELOW = 0.4;

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
        Sayings say = new Sayings(act, column);
        List<Layer> targets = targets(act, column);
        int[] sum = new int[1];
        Finds out = (rule, severity, _) -> sum[0] += rule.timeHeals() ? severity.weight() : 0;
        drying(act, column, targets, ageOf, say, out);
        softness(act, column, ageOf, say, out);
        Reach reach = Reach.into(column, act.carrier(), act.technique().action(), bites, ageOf);
        reached(act, column, targets, reach, say, out);
        return sum[0];
    }

    private static List<Layer> targets(Act act, Column column) {
        return act.technique().worksOnCoats() || act.takesBack().isPresent()
                ? column.targets(act)
                : List.of();
    }

    /** Weight of everything that is found; the same findings without their sentences. */
    int weight(Act act, Column column, ToDoubleFunction<Layer> ageOf) {
        int[] sum = new int[1];
        look(act, column, ageOf, (_, severity, _) -> sum[0] += severity.weight());
        return sum[0];
    }

    private Reach look(Act act, Column column, ToDoubleFunction<Layer> ageOf, Finds out) {
        Sayings say = new Sayings(act, column);
        List<Layer> targets = targets(act, column);
        loose(act, column, targets, say, out);
        tooth(act, column, say, out);
        drying(act, column, targets, ageOf, say, out);
        softness(act, column, ageOf, say, out);
        Reach reach = Reach.into(column, act.carrier(), act.technique().action(), bites, ageOf);
        reached(act, column, targets, reach, say, out);
        if (act.technique().worksOnCoats() || act.takesBack().isPresent()) {
            worked(act, column, targets, reach, ageOf, say, out);
        }
        return reach;
    }

    private static void loose(Act act, Column column, List<Layer> targets, Sayings say, Finds out) {
        var loose = column.loose();
        if (loose.isEmpty() || targets.contains(loose.get())) {
            return;
        }
        if (act.technique().action().touches() || act.technique().disturbs()) {
            Severity severity =
                    act.technique().action().touches() ? Severity.STOP : disturbance(act);
            out.add(Rule.LOOSE, severity, () -> say.looseTouched(loose.get(), severity));
        } else if (act.technique().action() != Action.DRY && !act.material().isClear()) {
            out.add(Rule.LOOSE, Severity.WARN, () -> say.looseBlown(loose.get()));
        }
    }

    /** Packing ruins loose matter; turning and holding the model may. */
    private static Severity disturbance(Act act) {
        boolean sealed = act.technique().handling().needsCure() >= CureAnchors.Q_FULL;
        return sealed ? Severity.STOP : Severity.WARN;
    }

    /** What an act does to loose matter on zones that it does not work on. */
    static List<Finding> elsewhere(Act act, Collection<Column> columns) {
        List<Finding> out = new ArrayList<>();
        if (act.technique().disturbs()) {
            for (Column c : columns) {
                var loose = c.loose();
                if (loose.isPresent() && !act.zones().contains(c.zone().key())) {
                    out.add(new Sayings(act, c).looseTouched(loose.get(), disturbance(act)));
                }
            }
        }
        return out;
    }

    /** As {@link #elsewhere}, the weight alone. */
    static int weightElsewhere(Act act, Collection<Column> columns) {
        int sum = 0;
        if (act.technique().disturbs()) {
            for (Column c : columns) {
                if (c.loose().isPresent() && !act.zones().contains(c.zone().key())) {
                    sum += disturbance(act).weight();
                }
            }
        }
        return sum;
    }

    private static void tooth(Act act, Column column, Sayings say, Finds out) {
        if (act.technique().role() != Technique.Role.EFFECT) {
            return;
        }
        Finish finish = column.loose().isPresent() ? Finish.LOOSE : column.finish();
        double tooth = finish.tooth();
        Band band = act.technique().tooth();
        if (band.isIdeal(tooth)) {
            return;
        }
        if (!band.isTolerable(tooth)) {
            out.add(Rule.TOOTH, Severity.STOP, () -> say.tooth(finish, Severity.STOP));
        } else if (act.technique().follow().isPresent()
                && tooth > band.idealMax()
                && WashBehaviour.on(tooth).removability() < STAINS_BELOW) {
            out.add(Rule.STAINS, Severity.NOTE, () -> say.stains(finish));
        } else {
            out.add(Rule.TOOTH, Severity.NOTE, () -> say.tooth(finish, Severity.NOTE));
        }
    }

    private static void drying(
            Act act,
            Column column,
            List<Layer> targets,
            ToDoubleFunction<Layer> ageOf,
            Sayings say,
            Finds out) {
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
            if (act.technique().keepsWindow() && targets.contains(l)) {
                // laid into it while it is open
                continue;
            }
            double q = l.cureAfter(ageOf.applyAsDouble(l));
            if (hardensFast && l.binder().isOxidative() && q < TRAPS_BELOW) {
                out.add(Rule.TRAPPED, Severity.STOP, () -> say.trapped(l, q));
            } else if (q < SOFT_BELOW) {
                Severity severity = q < WET_BELOW ? Severity.STOP : Severity.WARN;
                out.add(Rule.WET, severity, () -> say.wet(l, q, severity));
            } else if (act.material().binder().filter(Binder::isWaterborne).isPresent()
                    && l.binder().isOxidative()
                    && i == column.live().size() - 1) {
                out.add(Rule.SLOW, Severity.NOTE, () -> say.slow(l, q));
            }
        }
    }

    private static void softness(
            Act act, Column column, ToDoubleFunction<Layer> ageOf, Sayings say, Finds out) {
        double needed = act.technique().handling().needsCure();
        if (needed == 0) {
            return;
        }
        for (Layer l : column.live()) {
            double q = l.cureAfter(ageOf.applyAsDouble(l));
            if (q < needed) {
                out.add(Rule.SOFT, Severity.STOP, () -> say.soft(l, q, needed));
            }
        }
    }

    private static void reached(
            Act act, Column column, List<Layer> targets, Reach reach, Sayings say, Finds out) {
        boolean binds = act.material().isClear() && !act.technique().action().touches();
        for (Reach.Met m : reach.met()) {
            boolean meant =
                    m.layer() == Reach.LETTERING
                            ? act.technique().works().meansLettering()
                            : m.in(column).filter(targets::contains).isPresent();
            boolean bound = binds && m.in(column).filter(Layer::isLoose).isPresent();
            if (meant || bound || m.effect() == Reach.Effect.UNTOUCHED) {
                continue;
            }
            // over what is taken back, everything comes off with it
            if (act.takesBack().isPresent() && above(column, targets, m)) {
                continue;
            }
            Severity severity = m.effect() == Reach.Effect.BROKEN ? Severity.STOP : Severity.WARN;
            out.add(Rule.REACH, severity, () -> say.reached(m, severity));
        }
    }

    private static boolean above(Column column, List<Layer> targets, Reach.Met m) {
        return !targets.isEmpty() && m.layer() > column.live().indexOf(targets.getLast());
    }

    private void worked(
            Act act,
            Column column,
            List<Layer> targets,
            Reach reach,
            ToDoubleFunction<Layer> ageOf,
            Sayings say,
            Finds out) {
        if (act.technique().works().meansLettering()) {
            if (!column.lettering()) {
                out.add(Rule.NO_TARGET, Severity.STOP, say::noTarget);
            } else if (!reach.does(Reach.LETTERING, act.technique().works().wanted())) {
                out.add(Rule.TOO_LITTLE, Severity.STOP, say::lettersStay);
            }
            return;
        }
        if (targets.isEmpty()) {
            out.add(Rule.NO_TARGET, Severity.STOP, say::noTarget);
            return;
        }
        Layer deepest = targets.getLast();
        if (!reach.does(column.live().indexOf(deepest), wanted(act))) {
            double hit = reach.hit(column.live().indexOf(deepest));
            out.add(Rule.TOO_LITTLE, Severity.STOP, () -> say.tooLittle(targets, hit));
        }
        window(act, targets, ageOf, say, out);
    }

    /** Thinning a coat asks for less than taking it off. */
    static Reach.Effect wanted(Act act) {
        return act.takesBack()
                .map(t -> t.share() < 1 ? Reach.Effect.SOFTENED : Reach.Effect.BROKEN)
                .orElse(act.technique().works().wanted());
    }

    private void window(
            Act act, List<Layer> targets, ToDoubleFunction<Layer> ageOf, Sayings say, Finds out) {
        switch (act.technique().works().window()) {
            case NONE -> {}
            case BITE -> {
                Layer top = targets.getFirst();
                double q = top.cureAfter(ageOf.applyAsDouble(top));
                if (q < WET_BELOW) {
                    out.add(Rule.WINDOW, Severity.STOP, () -> say.tooFresh(top, q));
                }
            }
            case MATERIAL -> {
                for (Layer coat : targets) {
                    if (coat.material().window().isEmpty()) {
                        continue;
                    }
                    WorkWindow w = windowOf(coat, air);
                    double age = ageOf.applyAsDouble(coat);
                    if (age > w.untilMinutes()) {
                        out.add(Rule.WINDOW, Severity.STOP, () -> say.tooLate(coat, w, age));
                    } else if (age < w.fromMinutes()) {
                        out.add(Rule.WINDOW, Severity.WARN, () -> say.tooEarly(coat, w, age));
                    }
                }
            }
        }
    }

    /** The work window of a coat in this air; thickness does not move it, the bench's pace does. */
    static WorkWindow windowOf(Layer coat, Climate air) {
        WorkWindow w = coat.material().window().orElseThrow();
        double slow =
                CureClock.slowing(coat.binder(), air, Thickness.NORMAL) * coat.material().pace();
        return new WorkWindow(w.fromMinutes() * slow, w.untilMinutes() * slow);
    }
}
