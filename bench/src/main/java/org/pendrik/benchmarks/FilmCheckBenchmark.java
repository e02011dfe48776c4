package org.pendrik.benchmarks;

import java.util.ArrayList;
import java.util.List;
import org.openjdk.jmh.annotations.Benchmark;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.FilmReport;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;

/** One column of 60 coats; the bound is one millisecond a check. */
public class FilmCheckBenchmark extends Timed {
    private static final int COATS = 60;
    private static final List<String> CYCLE =
            List.of(
                    "seal-satin",
                    "mist-fade",
                    "pin-wash",
                    "sponge-chip",
                    "oil-streak",
                    "airbrush-dust");

    private final FilmCheck check;
    private final FilmCase column;

    /** Lays the column, a coat every twelve hours. */
    public FilmCheckBenchmark() {
        Catalogue catalogue = Catalogue.load();
        check = new FilmCheck(catalogue);
        Zone side =
                new Zone(
                        "side",
                        "side",
                        Substrate.FACTORY_SEMI_GLOSS,
                        true,
                        Substrate.UNKNOWN_COLOUR);
        List<Act> acts = new ArrayList<>();
        for (int i = 0; i < COATS; i++) {
            Technique t = catalogue.technique(CYCLE.get(i % CYCLE.size()));
            acts.add(
                    Act.planned(
                                    new StepId("a" + i),
                                    t,
                                    catalogue.startingMaterial(t),
                                    List.of(side))
                            .at(i * 720L));
        }
        column = new FilmCase(List.of(side), acts, Climate.REFERENCE);
    }

    /** The naive twin: every coat judged by laying everything beneath it anew. */
    @Benchmark
    public long everyCoatAnew() {
        long stops = 0;
        for (int n = 1; n <= COATS; n++) {
            stops += check.check(column.with(column.acts().subList(0, n))).stops();
        }
        return stops;
    }

    /** The check. */
    @Benchmark
    public FilmReport sixtyCoats() {
        return check.check(column);
    }
}
