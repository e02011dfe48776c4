package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import org.pendrik.core.catalogue.Action;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.BiteTable;
import org.pendrik.core.catalogue.CureAnchors;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Must;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.catalogue.Works;
import org.pendrik.core.film.Finding.Rule;
import org.pendrik.core.film.Finding.Severity;
import org.pendrik.core.units.Climate;

/**
 * Judges one act on one column, given how old each coat of it is when the work begins there. The
 * rules stand here, the sentences in {@link Sayings}.
 */
final class ActJudge {
    /** A slow binder beneath this cure fraction wrinkles under a hot film. */
    static final double TRAPS_BELOW = 0.7;

    private static final double WET_BELOW = CureAnchors.Q_TOUCH;
    private static final double SOFT_BELOW = CureAnchors.Q_RECOAT;

    /** A coat that leaves less than this of what lies beneath to be seen hides it. */
    private static final double HIDES_FROM = 0.8;

    private static final double MOST_OF_IT = 0.5;

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

    /** An act on a column with what it means there and what it runs into. */
    private record Meeting(
            Act act,
            Column column,
            List<Layer> targets,
            int blending,
            ToDoubleFunction<Layer> ageOf,
            Sayings say) {
        static Meeting of(Act act, Column column, ToDoubleFunction<Layer> ageOf) {
            return of(act, column, means(act, column), ageOf);
        }

        static Meeting of(
                Act act, Column column, List<Layer> targets, ToDoubleFunction<Layer> ageOf) {
            return new Meeting(
                    act,
                    column,
                    targets,
                    column.blending(act, ageOf),
                    ageOf,
                    new Sayings(act, column));
        }

        double q(Layer l) {
            return l.cureAfter(ageOf.applyAsDouble(l));
        }

        boolean runsInto(int layer) {
            return layer >= column.live().size() - blending;
        }

        /** A second tone on the first while that is leathery: it pulls at it. */
        boolean drags(int layer) {
            Layer l = column.live().get(layer);
            double q = q(l);
            return q >= WET_BELOW
                    && q < SOFT_BELOW
                    && layer == column.live().size() - 1 - blending
                    && Column.mayBlend(act, l);
        }

        boolean liesBeside(Layer l) {
            return act.material().binder().filter(b -> l.liesBeside(b, act.madeFor())).isPresent();
        }

        /** Work by hand on a small part is seen while it happens. */
        Severity mild(Severity s) {
            return act.isLocal() ? milder(s) : s;
        }
    }

    private static Severity milder(Severity s) {
        return s == Severity.STOP ? Severity.WARN : Severity.NOTE;
    }

    /** The coats that an act means to work on a column; none when it lays its own. */
    static List<Layer> means(Act act, Column column) {
        return act.worksOnCoats() ? column.targets(act) : List.of();
    }

    Judgement judge(Act act, Column column, ToDoubleFunction<Layer> ageOf) {
        List<Finding> out = new ArrayList<>();
        Reach reach =
                look(Meeting.of(act, column, ageOf), (_, _, finding) -> out.add(finding.get()));
        return new Judgement(out, reach);
    }

    /**
     * Weight of what waiting could heal; the same findings without their sentences. What is planned
     * for an effect also waits for coats that take the next one within the hour, though people at
     * the bench do not always.
     *
     * @param means the coats that the act means to work there
     */
    int healable(Act act, Column column, List<Layer> means, ToDoubleFunction<Layer> ageOf) {
        Meeting m = Meeting.of(act, column, means, ageOf);
        int[] sum = new int[1];
        if (act.laysFilm() && !act.done() && act.madeFor() instanceof MadeFor.OfEffect) {
            sum[0] += soonReady(m);
        }
        Finds out = (rule, severity, _) -> sum[0] += rule.timeHeals() ? severity.weight() : 0;
        drying(m, out);
        softness(m, out);
        reached(m, Reach.into(act, column, m.targets, bites, ageOf), out);
        return sum[0];
    }

    private static int soonReady(Meeting m) {
        int n = 0;
        for (int i = 0; i < m.column.live().size(); i++) {
            Layer l = m.column.live().get(i);
            boolean wanted =
                    m.runsInto(i)
                            || m.targets.contains(l)
                            || m.liesBeside(l)
                            || Column.mayBlend(m.act, l);
            n += !wanted && !l.binder().isOxidative() && m.q(l) < SOFT_BELOW ? 1 : 0;
        }
        return n;
    }

    /** Weight of everything that is found; the same findings without their sentences. */
    int weight(Act act, Column column, ToDoubleFunction<Layer> ageOf) {
        int[] sum = new int[1];
        look(Meeting.of(act, column, ageOf), (_, severity, _) -> sum[0] += severity.weight());
        return sum[0];
    }

    private Reach look(Meeting m, Finds out) {
        loose(m, out);
        tooth(m, out);
        key(m, out);
        buried(m, out);
        drying(m, out);
        softness(m, out);
        Reach reach = Reach.into(m.act, m.column, m.targets, bites, m.ageOf);
        reached(m, reach, out);
        if (m.act.worksOnCoats()) {
            worked(m, reach, out);
        }
        return reach;
    }

    /** Dry tools, hands and film on powder; what liquids do to it is their reach. */
    private static void loose(Meeting m, Finds out) {
        Optional<Layer> loose = m.column.loose();
        Act act = m.act;
        if (loose.isEmpty() || m.targets.contains(loose.get()) || sticks(act)) {
            return;
        }
        boolean dryTool = act.technique().action() == Action.DRY_BRUSH;
        if (dryTool || disturbs(act, m.column.zone(), m.column.zone())) {
            Severity severity = dryTool ? Severity.WARN : disturbance(act);
            out.add(Rule.LOOSE, severity, () -> m.say.looseTouched(loose.get(), severity));
        }
    }

    /** Whether an act on a zone moves powder that lies on one: by hands, film, or a turn. */
    private static boolean disturbs(Act act, Zone worked, Zone powdered) {
        return act.handling().handles()
                || switch (act.handling().orientation()) {
                    case UPRIGHT -> false;
                    case FACE_UP -> worked.face() != powdered.face();
                    case ON_ITS_SIDE, UPSIDE_DOWN -> true;
                };
    }

    /** Packing and taping ruin loose matter; turning and holding the model may. */
    private static Severity disturbance(Act act) {
        return act.technique().packs() || act.technique().tapes() ? Severity.STOP : Severity.WARN;
    }

    /** What an act does to loose matter on zones that it does not work on. */
    static List<Finding> elsewhere(Act act, Collection<Column> columns) {
        List<Finding> out = new ArrayList<>();
        beside(
                act,
                columns,
                (c, loose, severity) -> out.add(new Sayings(act, c).looseBeside(loose, severity)));
        return out;
    }

    /** As {@link #elsewhere}, the weight alone. */
    static int weightElsewhere(Act act, Collection<Column> columns) {
        int[] sum = new int[1];
        beside(act, columns, (_, _, severity) -> sum[0] += severity.weight());
        return sum[0];
    }

    private interface Beside {
        void add(Column column, Layer loose, Severity severity);
    }

    private static void beside(Act act, Collection<Column> columns, Beside out) {
        boolean wipes = act.action().touches() && !act.isLocal();
        boolean moves =
                wipes
                        || act.technique().pressure()
                        || act.handling().handles()
                        || act.handling().orientation() != Technique.Orientation.UPRIGHT;
        if (!moves) {
            return;
        }
        List<Zone> worked =
                columns.stream()
                        .map(Column::zone)
                        .filter(z -> act.zones().contains(z.key()))
                        .toList();
        for (Column c : columns) {
            if (act.zones().contains(c.zone().key())) {
                continue;
            }
            Optional<Layer> loose = c.loose();
            if (loose.isEmpty()) {
                continue;
            }
            Face face = c.zone().face();
            boolean shaken = worked.stream().anyMatch(z -> disturbs(act, z, c.zone()));
            boolean blown =
                    act.technique().pressure()
                            && worked.stream().anyMatch(z -> z.face().isBeside(face));
            // a swab in a window frame is far from what lies on the panel
            boolean brushed =
                    wipes && worked.stream().anyMatch(z -> z.face() == face && !z.keptClean());
            if (shaken) {
                out.add(c, loose.get(), act.technique().packs() ? Severity.STOP : Severity.WARN);
            } else if (blown || brushed) {
                out.add(c, loose.get(), Severity.WARN);
            }
        }
    }

    private static void tooth(Meeting m, Finds out) {
        Act act = m.act;
        boolean powder = m.column.loose().filter(l -> !m.targets.contains(l)).isPresent();
        if (powder && sticks(act)) {
            out.add(
                    Rule.TOOTH,
                    Severity.STOP,
                    () -> m.say.tooth(Finish.LOOSE.tooth(), Severity.STOP));
            return;
        }
        double tooth = powder ? Finish.LOOSE.tooth() : m.column.tooth();
        act.onTooth(tooth)
                .ifPresent(
                        severity -> {
                            boolean stains = act.stainsOn(tooth);
                            out.add(
                                    stains ? Rule.STAINS : Rule.TOOTH,
                                    severity,
                                    () ->
                                            stains
                                                    ? m.say.stains(tooth)
                                                    : m.say.tooth(tooth, severity));
                        });
    }

    /** A film that has to hold on the surface. */
    private static boolean sticks(Act act) {
        return act.technique().tapes() || act.isDecal();
    }

    /** Paint on a bare surface without a primer, and what then pulls it off. */
    private static void key(Meeting m, Finds out) {
        if (!m.column.zone().substrate().needsPrimer()) {
            return;
        }
        List<Layer> layers = m.column.live();
        Optional<Layer> first = layers.stream().filter(l -> l.closed() == 1).findFirst();
        Act act = m.act;
        if (act.laysFilm()) {
            Material p = act.material();
            boolean film =
                    act.technique().share() >= Layer.MOST_OF_A_ZONE
                            && act.thickness().factor() >= Thickness.LIGHT.factor()
                            && p.usual().factor() >= Thickness.NORMAL.factor();
            if (first.isEmpty() && film && !p.keys()) {
                out.add(Rule.NO_KEY, Severity.WARN, m.say::noKey);
            }
            return;
        }
        boolean pulls = act.technique().tapes() || act.action().stands();
        if (pulls
                && first.isPresent()
                && first.get().material().hide() >= PAINTS_FROM
                && !first.get().material().keys()
                && !m.targets.contains(first.get())) {
            out.add(Rule.NO_KEY, Severity.STOP, () -> m.say.pullsOff(first.get()));
        }
    }

    /** Covering strength from which a film is paint and no dirt. */
    private static final double PAINTS_FROM = 1;

    /** A film that hides, over effects that were finished before it. */
    private static void buried(Meeting m, Finds out) {
        Act act = m.act;
        boolean overRelease =
                act.technique().works().must() == Must.NOTHING && !m.targets.isEmpty();
        if (!act.hides() || overRelease) {
            // what lies under a release layer comes to light again where it is chipped
            return;
        }
        for (Layer l : m.column.live().reversed()) {
            if (l.share() > MOST_OF_IT && l.material().cover(l.thickness()) >= HIDES_FROM) {
                // what lies deeper is hidden already
                return;
            }
            boolean together =
                    act.madeFor() instanceof MadeFor.OfEffect && act.madeFor().equals(l.madeFor());
            if (l.technique().role() == Technique.Role.EFFECT
                    && !l.technique().isGround()
                    && !together
                    && !m.targets.contains(l)) {
                out.add(Rule.BURIED, Severity.WARN, () -> m.say.buried(l));
                return;
            }
        }
    }

    private static void drying(Meeting m, Finds out) {
        Act act = m.act;
        if (!act.material().deposits()) {
            return;
        }
        List<Layer> layers = m.column.live();
        if (m.column.sinksIn(act, m.ageOf)) {
            Layer top = layers.getLast();
            if (act.technique().embeds()) {
                return;
            }
            if (Column.mayStipple(act, top)) {
                out.add(Rule.BLEND, Severity.NOTE, () -> m.say.sinksIn(top));
            } else {
                double q = m.q(top);
                out.add(Rule.WET, Severity.WARN, () -> m.say.wet(top, q, Severity.WARN));
            }
            return;
        }
        if (act.technique().action() == Action.DRY) {
            return;
        }
        boolean hardensFast =
                act.laysFilm()
                        && act.material()
                                .binder()
                                .filter(b -> !b.isOxidative() && b.drying() != Binder.Drying.NONE)
                                .isPresent();
        for (int i = layers.size() - 1; i >= 0; i--) {
            Layer l = layers.get(i);
            boolean intoIt = act.keepsWindow() && m.targets.contains(l);
            if (intoIt || m.liesBeside(l)) {
                continue;
            }
            double q = m.q(l);
            if (m.runsInto(i)) {
                out.add(Rule.BLEND, Severity.NOTE, () -> m.say.blends(l, q));
            } else if (m.drags(i)) {
                Severity severity = m.mild(Severity.WARN);
                out.add(Rule.WET, severity, () -> m.say.drags(l, q, severity));
            } else if (hardensFast && l.binder().isOxidative() && q < TRAPS_BELOW) {
                Severity severity = traps(act, l, q);
                out.add(Rule.TRAPPED, severity, () -> m.say.trapped(l, q, severity));
            } else if (q < SOFT_BELOW) {
                Severity severity = wet(m, l, q);
                out.add(Rule.WET, severity, () -> m.say.wet(l, q, severity));
            } else if (act.laysFilm()
                    && act.material().binder().filter(Binder::isWaterborne).isPresent()
                    && l.binder().isOxidative()
                    && l.material().cure().isPresent()
                    && i == layers.size() - 1) {
                out.add(Rule.SLOW, Severity.NOTE, () -> m.say.slow(l, q));
            }
        }
    }

    /** How bad a hardening film over a slow one of this cure fraction is. */
    private static Severity traps(Act act, Layer slow, double q) {
        if (slow.technique().action() == Action.DRY_BRUSH) {
            return Severity.WARN;
        }
        boolean hot = act.material().binder().filter(Binder::isHot).isPresent();
        return hot || q < WET_BELOW || !slow.isThin() ? Severity.STOP : Severity.WARN;
    }

    private static Severity wet(Meeting m, Layer l, double q) {
        boolean family =
                m.act.material().binder().filter(b -> b.blendsWith(l.binder())).isPresent();
        Severity broad = q < WET_BELOW && !family ? Severity.STOP : Severity.WARN;
        return m.act.action().isMist() || m.act.isLocal() ? milder(broad) : broad;
    }

    private static void softness(Meeting m, Finds out) {
        Technique.Handling h = m.act.handling();
        if (h.needsCure() == 0) {
            return;
        }
        for (Layer l : m.column.live()) {
            double q = m.q(l);
            if (q < h.needsCure()) {
                Severity severity = h.lowTack() && q >= WET_BELOW ? Severity.WARN : Severity.STOP;
                out.add(Rule.SOFT, severity, () -> m.say.soft(l, q, h.needsCure(), severity));
            }
        }
    }

    private void reached(Meeting m, Reach reach, Finds out) {
        Act act = m.act;
        boolean binds = act.material().isClear() && !act.action().touches();
        for (Reach.Met met : reach.met()) {
            if (met.effect() == Reach.Effect.UNTOUCHED) {
                continue;
            }
            Optional<Layer> layer = met.in(m.column);
            boolean meant =
                    met.layer() == Reach.LETTERING
                            ? act.technique().works().meansLettering()
                            : layer.filter(m.targets::contains).isPresent();
            boolean blends = met.layer() >= 0 && (m.runsInto(met.layer()) || m.drags(met.layer()));
            boolean bound = binds && layer.filter(Layer::isLoose).isPresent();
            // over what is taken back, everything comes off with it
            boolean above = act.takesBack().isPresent() && above(m.column, m.targets, met);
            boolean powder = layer.filter(Layer::isLoose).isPresent();
            boolean beside = layer.filter(m::liesBeside).isPresent();
            if (meant || blends || bound || above || beside || (powder && sticks(act))) {
                continue;
            }
            Severity broad = met.effect() == Reach.Effect.BROKEN ? Severity.STOP : Severity.WARN;
            Severity severity = m.mild(broad);
            out.add(
                    powder ? Rule.LOOSE : Rule.REACH,
                    severity,
                    () ->
                            powder
                                    ? m.say.looseWetted(layer.get(), severity)
                                    : m.say.reached(
                                            met,
                                            severity,
                                            layer.flatMap(
                                                    l ->
                                                            bites.learned(
                                                                    act.carrier(), l.binder()))));
        }
    }

    private static boolean above(Column column, List<Layer> targets, Reach.Met m) {
        return !targets.isEmpty() && m.layer() > column.live().indexOf(targets.getLast());
    }

    private void worked(Meeting m, Reach reach, Finds out) {
        Works works = m.act.technique().works();
        if (m.act.means().isEmpty() && works.meansLettering()) {
            if (!m.column.lettering()) {
                out.add(Rule.NO_TARGET, Severity.STOP, m.say::noTarget);
            } else if (!reach.does(Reach.LETTERING, m.act.must())) {
                out.add(Rule.TOO_LITTLE, Severity.STOP, m.say::lettersStay);
            }
            return;
        }
        if (m.targets.isEmpty()) {
            if (!m.act.isOptional()) {
                out.add(Rule.NO_TARGET, Severity.STOP, m.say::noTarget);
            }
            return;
        }
        window(m, reach, out);
    }

    private void window(Meeting m, Reach reach, Finds out) {
        Workable work = new Workable(m.act, m.column, m.targets, bites, air);
        Layer top = m.targets.getFirst();
        switch (work.at(m.ageOf)) {
            case SMEARS -> {
                double q = m.q(top);
                out.add(Rule.WINDOW, Severity.STOP, () -> m.say.tooFresh(top, q));
            }
            case EARLY -> out.add(Rule.WINDOW, Severity.WARN, () -> m.say.tooEarly(work, m.ageOf));
            case LATE -> {
                // what has to move still does, with effort; nothing sinks into what has set
                Severity severity = m.act.must() == Must.NOTHING ? Severity.STOP : Severity.WARN;
                out.add(Rule.WINDOW, severity, () -> m.say.tooLate(work, m.ageOf, severity));
            }
            case STUCK -> {
                Layer stuck = work.stuck(m.ageOf);
                Layer l = stuck == null ? m.targets.getLast() : stuck;
                double hit = reach.hit(m.column.live().indexOf(l));
                out.add(
                        Rule.TOO_LITTLE,
                        Severity.STOP,
                        () ->
                                m.say.tooLittle(
                                        m.targets,
                                        l,
                                        hit,
                                        bites.learned(m.act.carrier(), l.binder())));
            }
            case OPEN -> {
                int takes = m.act.span(m.column.zone().key()).minutes();
                Workable.State end = work.closed(l -> m.ageOf.applyAsDouble(l) + takes);
                if (m.act.keepsWindow() && end != Workable.State.OPEN) {
                    out.add(
                            Rule.WINDOW,
                            Severity.WARN,
                            () -> m.say.endsLate(work, m.ageOf, takes, end));
                }
            }
        }
    }
}
