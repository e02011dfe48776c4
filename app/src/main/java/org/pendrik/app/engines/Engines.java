package org.pendrik.app.engines;

import java.util.List;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Stock;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.Mends;
import org.pendrik.core.film.TakeBack;
import org.pendrik.core.film.Timing;
import org.pendrik.core.plan.Alternatives;
import org.pendrik.core.plan.PlanCheck;
import org.pendrik.core.plan.PlanCompiler;
import org.pendrik.core.plan.Repair;
import org.springframework.stereotype.Component;

/**
 * The engines of film and plan, on the catalogue as the workshop sees it. When its priors change
 * all of them change at once.
 */
@Component
public class Engines {
    /** Tries for each of the plans that are laid beside one another. */
    private static final int TRIES_FOR_AN_ALTERNATIVE = 150;

    private record Kit(
            Catalogue catalogue,
            FilmCheck check,
            Timing timing,
            Mends mends,
            TakeBack takeBack,
            PlanCompiler compiler,
            PlanCheck planCheck,
            Repair repair,
            Alternatives alternatives) {
        static Kit of(Catalogue c) {
            return new Kit(
                    c,
                    new FilmCheck(c),
                    new Timing(c),
                    new Mends(c),
                    new TakeBack(c),
                    new PlanCompiler(c),
                    new PlanCheck(c),
                    new Repair(c),
                    new Alternatives(c, TRIES_FOR_AN_ALTERNATIVE));
        }
    }

    private Catalogue tables = Catalogue.load();
    private List<Stock> stock = List.of();
    private volatile Kit kit = Kit.of(tables);

    /** From now on everything is judged by other tables. */
    public synchronized void use(Catalogue catalogue) {
        tables = catalogue;
        kit = Kit.of(tables.stocked(stock));
    }

    /** From now on these stand on the shelf besides. */
    public synchronized void stock(List<Stock> fresh) {
        stock = fresh;
        kit = Kit.of(tables.stocked(stock));
    }

    /** Materials and techniques. */
    public Catalogue catalogue() {
        return kit.catalogue();
    }

    /** What goes wrong with coats at their times. */
    public FilmCheck check() {
        return kit.check();
    }

    /** How long each step waits. */
    public Timing timing() {
        return kit.timing();
    }

    /** What takes a finding away. */
    public Mends mends() {
        return kit.mends();
    }

    /** What takes a coat off. */
    public TakeBack takeBack() {
        return kit.takeBack();
    }

    /** From effects to a plan. */
    public PlanCompiler compiler() {
        return kit.compiler();
    }

    /** Judges any list of steps. */
    public PlanCheck planCheck() {
        return kit.planCheck();
    }

    /** The cheapest changes that make a list hold again. */
    public Repair repair() {
        return kit.repair();
    }

    /** The same under other schools. */
    public Alternatives alternatives() {
        return kit.alternatives();
    }
}
