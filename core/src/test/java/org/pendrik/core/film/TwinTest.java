package org.pendrik.core.film;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.pendrik.core.catalogue.Action;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Must;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.film.Finding.Rule;
import org.pendrik.core.units.Climate;
import org.testng.annotations.Test;

/** The engine against its naive twin, on random columns. */
public class TwinTest {
    private static final Catalogue CATALOGUE = Bench.CATALOGUE;
    private static final List<String> COATS =
            List.of(
                    "seal-satin",
                    "seal-gloss",
                    "lacquer-matte",
                    "can-satin",
                    "base-coat",
                    "release-coat",
                    "chip-top",
                    "mist-fade",
                    "dot-filter",
                    "pin-wash",
                    "grime-wash",
                    "sludge-wash",
                    "dirt-mist",
                    "oil-streak",
                    "roof-rust",
                    "dry-brush",
                    "sponge-chip",
                    "powder",
                    "decal",
                    "airbrush-dust");
    private static final List<String> LIQUIDS =
            List.of(
                    "water",
                    "water-warm",
                    "water-soapy",
                    "alcohol-20",
                    "alcohol-35",
                    "alcohol-70",
                    "alcohol-95",
                    "spirit-odourless",
                    "thinner-enamel",
                    "thinner-lacquer",
                    "reducer-acrylic",
                    "cleaner-ammonia",
                    "decal-softener");
    private static final List<Action> WORK =
            List.of(Action.BRUSH, Action.WIPE, Action.SOAK, Action.SCRUB, Action.FLOOD);

    /** Rules that the twin does not know: surfaces, and what is judged when all is laid. */
    private static final Set<Rule> OTHERS =
            Set.of(
                    Rule.TOOTH,
                    Rule.STAINS,
                    Rule.NO_KEY,
                    Rule.BURIED,
                    Rule.OPEN_WINDOW,
                    Rule.CONTRAST,
                    Rule.OVERSPRAY);

    private static <T> T any(Random r, List<T> all) {
        return all.get(r.nextInt(all.size()));
    }

    static FilmCase column(Random r, int coats) {
        List<Act> acts = new ArrayList<>();
        long at = 0;
        for (int i = 0; i < coats; i++) {
            Technique t = CATALOGUE.technique(any(r, COATS));
            if (r.nextInt(3) == 0) {
                t = t.as(t.action(), t.carrier(), any(r, List.of(0.05, 0.3, 0.6, 1.0)), t.blends());
            }
            int takes = r.nextInt(40);
            acts.add(
                    new Act(
                            new StepId("a" + i),
                            t,
                            CATALOGUE.material(any(r, t.materials())),
                            any(r, List.of(Thickness.values())),
                            Set.of("side"),
                            at,
                            takes,
                            true));
            at += takes + (long) Math.exp(r.nextDouble() * 9.5);
        }
        Zone z =
                new Zone(
                        "side",
                        "side",
                        any(r, List.of(Substrate.values())),
                        r.nextBoolean(),
                        Substrate.UNKNOWN_COLOUR);
        return new FilmCase(
                List.of(z), acts, new Climate(8 + r.nextInt(24), 0.2 + 0.6 * r.nextDouble()));
    }

    private static Act question(Random r, FilmCase c) {
        long at = c.acts().getLast().endMinute() + (long) Math.exp(r.nextDouble() * 8);
        int kind = r.nextInt(10);
        if (kind < 5) {
            // a top coat for chipping means the release layer: others mean what is named
            Technique t =
                    CATALOGUE.technique(
                            any(r, COATS.stream().filter(k -> !k.equals("chip-top")).toList()));
            return new Act(
                    new StepId("q"),
                    t.as(t.action(), t.carrier(), any(r, List.of(0.1, 0.3, 0.5, 1.0)), t.blends()),
                    CATALOGUE.material(any(r, t.materials())),
                    any(r, List.of(Thickness.values())),
                    Set.of("side"),
                    at,
                    r.nextInt(30),
                    false);
        }
        if (kind == 5) {
            Technique t = CATALOGUE.technique(any(r, List.of("tape", "low-tack", "pack")));
            return Act.planned(new StepId("q"), t, CATALOGUE.startingMaterial(t), c.zones()).at(at);
        }
        Set<StepId> meant = new LinkedHashSet<>();
        meant.add(any(r, c.acts()).id());
        if (r.nextInt(3) == 0) {
            meant.add(any(r, c.acts()).id());
        }
        return work(r, at, any(r, LIQUIDS), meant);
    }

    private static Act work(Random r, long at, String liquid, Set<StepId> meant) {
        Technique t = CATALOGUE.technique("take-back-brush");
        return new Act(
                        new StepId("q"),
                        t.as(
                                any(r, WORK),
                                Optional.empty(),
                                any(r, List.of(0.1, 0.3, 0.8)),
                                List.of()),
                        CATALOGUE.material(liquid),
                        Thickness.MIST,
                        Set.of("side"),
                        at,
                        r.nextInt(60),
                        false)
                .working(
                        new Act.Means(
                                meant, any(r, List.of(Must.LIFTED, Must.MOVED, Must.REMOVED))));
    }

    private static Twin twin(FilmCase c) {
        Twin out = new Twin(c);
        c.acts().forEach(a -> out.lay(a, a.beginOn("side"), a.endOn("side")));
        return out;
    }

    @Test
    public void theEngineAndItsTwinAgreeOnFourThousandColumns() {
        Random r = new Random(1904);
        Map<Rule, Integer> met = new java.util.EnumMap<>(Rule.class);
        for (int i = 0; i < 4000; i++) {
            FilmCase c = column(r, 1 + r.nextInt(6));
            Act q = question(r, c);
            List<Act> acts = new ArrayList<>(c.acts());
            acts.add(q);
            FilmReport report = Bench.check(c.with(acts));
            Twin twin = twin(c);
            Set<String> engine = new TreeSet<>();
            for (Finding f : report.about(q.id())) {
                if (!OTHERS.contains(f.rule()) && !isHandled(f, q)) {
                    met.merge(f.rule(), 1, Integer::sum);
                    engine.add(said(f));
                }
            }
            String about =
                    FilmPropertiesTest.said(c)
                            + " ? "
                            + q.technique().action()
                            + " "
                            + q.material().key()
                            + " "
                            + q.means()
                            + " at "
                            + q.atMinute();
            Set<String> naive = twin.rules(q, q.beginOn("side"), q.span("side").minutes());
            assertEquals(engine, naive, engine + " twin " + naive + ": " + about);
            hitsAgree(report, q, twin, about);
        }
        for (Rule rule :
                List.of(
                        Rule.REACH,
                        Rule.TOO_LITTLE,
                        Rule.TRAPPED,
                        Rule.WET,
                        Rule.BLEND,
                        Rule.SOFT,
                        Rule.WINDOW,
                        Rule.LOOSE)) {
            assertTrue(met.getOrDefault(rule, 0) > 20, rule + " met " + met);
        }
    }

    /** Powder under hands and film is a rule of its own. */
    private static boolean isHandled(Finding f, Act q) {
        return f.rule() == Rule.LOOSE && q.technique().action().isDry();
    }

    private static String said(Finding f) {
        boolean bare = f.rule() == Rule.TOO_LITTLE || f.rule() == Rule.WINDOW;
        boolean smears = f.why().contains("not touch dry");
        return bare && !smears
                ? f.rule() + " " + f.severity()
                : f.rule() + " " + f.severity() + " " + String.join("", f.coats());
    }

    private static void hitsAgree(FilmReport report, Act q, Twin twin, String about) {
        Map<String, Double> expected = twin.hits(q, q.beginOn("side"));
        Column column = report.columns().getFirst();
        for (Reach.Met m : report.reaches().get(q.id()).get("side").met()) {
            String key =
                    m.layer() == Reach.LETTERING
                            ? "lettering"
                            : m.layer() == Reach.SUBSTRATE
                                    ? "ground"
                                    : column.layers().get(m.layer()).actId().value();
            assertEquals(m.hit(), expected.getOrDefault(key, -1.0), 1e-9, key + " of " + about);
        }
    }
}
