package org.pendrik.core.film;

import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.pendrik.core.catalogue.Action;
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.Must;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.film.Finding.Severity;
import org.pendrik.core.tables.DomainTable;
import org.pendrik.core.units.Climate;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Cases on which people with paint on their hands agree, from practice.csv and workshop.csv. */
public class PracticeTest {
    private static final long NOW = 100_000;

    /** A line of the table. */
    record Case(String id, String about, FilmCase film, List<Severity> worst) {
        @Override
        public String toString() {
            return id + " " + about;
        }
    }

    static List<Case> cases() {
        List<Case> all = new ArrayList<>();
        for (String table : List.of("practice", "workshop")) {
            all.addAll(
                    DomainTable.load(
                            PracticeTest.class, "/practice/" + table + ".csv", PracticeTest::read));
        }
        return all;
    }

    private static Case read(DomainTable.Row r) {
        String made = r.text("substrate");
        Zone zone =
                new Zone(
                        "side",
                        "side",
                        made.equals("BARE") ? Substrate.BARE : Substrate.FACTORY_SEMI_GLOSS,
                        made.equals("LETTERED"),
                        Substrate.UNKNOWN_COLOUR);
        List<Act> acts = new ArrayList<>();
        for (String coat :
                r.text("coats").isEmpty() ? new String[0] : r.text("coats").split("; ", -1)) {
            String[] p = coat.split(" ", -1);
            Technique t = Bench.CATALOGUE.technique(p[0]);
            acts.add(
                    act(
                            "c" + (acts.size() + 1),
                            t.as(t.action(), t.carrier(), Double.parseDouble(p[4]), t.blends()),
                            p[1],
                            Thickness.valueOf(p[2]),
                            NOW - Long.parseLong(p[3]),
                            0,
                            true));
        }
        Technique t = Bench.CATALOGUE.technique(r.text("technique"));
        Technique asDone =
                t.as(
                        r.has("action") ? r.of("action", Action.class) : t.action(),
                        r.has("carrier")
                                ? Optional.of(Carrier.parse(r.text("carrier")))
                                : t.carrier(),
                        r.number("share"),
                        r.yes("blends") ? List.of(Technique.BLENDS_WITH_ANY) : List.of());
        Act act =
                act(
                        "q",
                        asDone,
                        r.text("material"),
                        r.of("thickness", Thickness.class),
                        NOW,
                        (int) r.number("takes"),
                        false);
        if (r.has("means")) {
            Set<StepId> ids = new LinkedHashSet<>();
            for (String id : r.text("means").split("\\+", -1)) {
                ids.add(new StepId(id));
            }
            act = act.working(new Act.Means(ids, r.of("must", Must.class)));
        }
        acts.add(act);
        return new Case(
                r.text("id"),
                r.text("about"),
                new FilmCase(List.of(zone), acts, Climate.REFERENCE),
                Arrays.stream(r.text("worst").split(" ", -1)).map(Severity::valueOf).toList());
    }

    private static Act act(
            String id,
            Technique t,
            String material,
            Thickness h,
            long at,
            int takes,
            boolean done) {
        return new Act(
                new StepId(id),
                t,
                Bench.CATALOGUE.material(material),
                h,
                Set.of("side"),
                at,
                takes,
                done);
    }

    @DataProvider
    public Object[][] practice() {
        return cases().stream().map(c -> new Object[] {c}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "practice")
    public void theBenchAgrees(Case c) {
        List<Finding> found = Bench.check(c.film()).about(new StepId("q"));
        Severity worst =
                found.stream()
                        .map(Finding::severity)
                        .max(java.util.Comparator.naturalOrder())
                        .orElse(Severity.NOTE);
        assertTrue(c.worst().contains(worst), c + ": " + found);
    }
}
