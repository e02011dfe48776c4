package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.units.Climate;

/** Builds film cases for tests: one zone unless said otherwise, minutes from 0. */
final class Bench {
    static final Catalogue CATALOGUE = Catalogue.load();
    static final long DAY = 1440;

    private final List<Zone> zones = new ArrayList<>();
    private final List<Act> acts = new ArrayList<>();
    private Climate air = Climate.REFERENCE;

    private Bench(Substrate substrate, String... names) {
        for (String n : names) {
            zones.add(new Zone(n, n, substrate, false, Substrate.UNKNOWN_COLOUR));
        }
    }

    static Bench on(Substrate substrate) {
        return new Bench(substrate, "side");
    }

    static Bench on(Substrate substrate, String... names) {
        return new Bench(substrate, names);
    }

    Bench air(double celsius, double humidity) {
        air = new Climate(celsius, humidity);
        return this;
    }

    /** Something laid at a minute as its technique lays it, taking no time. */
    Bench done(long minute, String technique, String material) {
        return add(minute, technique, material, true);
    }

    Bench then(long minute, String technique, String material) {
        return add(minute, technique, material, false);
    }

    private Bench add(long minute, String technique, String material, boolean done) {
        Set<String> all = new LinkedHashSet<>(zones.stream().map(Zone::key).toList());
        Technique t = CATALOGUE.technique(technique);
        StepId id = new StepId(technique + "-" + acts.size());
        acts.add(new Act(id, t, CATALOGUE.material(material), t.thickness(), all, minute, 0, done));
        return this;
    }

    FilmCase build() {
        return new FilmCase(zones, acts, air);
    }

    static FilmReport check(FilmCase c) {
        return new FilmCheck(CATALOGUE).check(c);
    }
}
