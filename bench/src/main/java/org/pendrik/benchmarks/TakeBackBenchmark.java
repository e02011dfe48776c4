package org.pendrik.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.openjdk.jmh.annotations.Benchmark;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.TakeBack;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;

/** A wash among seven coats on four zones taken back; the bound is 50 ms an answer. */
public class TakeBackBenchmark extends Timed {
    private static final List<String> COATS =
            List.of(
                    "seal-satin",
                    "mist-fade",
                    "sponge-chip",
                    "seal-satin",
                    "pin-wash",
                    "airbrush-dust",
                    "airbrush-dust");
    private static final int NOW = 9 * 1440;
    private static final int DAYS = 60;

    private final Catalogue catalogue = Catalogue.load();
    private final TakeBack takeBack = new TakeBack(catalogue);
    private final FilmCheck check = new FilmCheck(catalogue);
    private final FilmCase laid;
    private final List<Zone> zones = new ArrayList<>();

    /** Lays the coats, one a day. */
    public TakeBackBenchmark() {
        for (int i = 0; i < 4; i++) {
            zones.add(
                    new Zone(
                            "z" + i,
                            "zone " + i,
                            Substrate.FACTORY_SEMI_GLOSS,
                            i == 0,
                            Substrate.UNKNOWN_COLOUR));
        }
        List<Act> acts = new ArrayList<>();
        for (int i = 0; i < COATS.size(); i++) {
            Technique t = catalogue.technique(COATS.get(i));
            acts.add(
                    Act.planned(new StepId("a" + i), t, catalogue.startingMaterial(t), zones)
                            .doneAt(i * 1440L, 20));
        }
        laid = new FilmCase(zones, acts, Climate.REFERENCE);
    }

    /** The answer. */
    @Benchmark
    public TakeBack.Answer takeBack() {
        return takeBack.answer(
                new TakeBack.Question(
                        laid, new StepId("a4"), Set.of("z0", "z1", "z2", "z3"), 1, NOW, Set.of()));
    }

    /** The naive twin: the film check asked day by day about every way. */
    @Benchmark
    public int everyWayDayByDay() {
        int good = 0;
        for (String way :
                List.of("take-back-brush", "take-back-wipe", "take-back-soak", "take-back-scrub")) {
            Technique t = catalogue.technique(way);
            for (String liquid : t.materials()) {
                for (int day = 0; day < DAYS; day++) {
                    List<Act> acts = new ArrayList<>(laid.acts());
                    acts.add(
                            Act.planned(new StepId("back"), t, catalogue.material(liquid), zones)
                                    .takingBack(new Act.TakenBack(new StepId("a4"), 1))
                                    .at(NOW + day * 1440L));
                    good +=
                            check.check(laid.with(acts)).about(new StepId("back")).stream()
                                            .allMatch(f -> f.severity() == Finding.Severity.NOTE)
                                    ? 1
                                    : 0;
                }
            }
        }
        return good;
    }
}
