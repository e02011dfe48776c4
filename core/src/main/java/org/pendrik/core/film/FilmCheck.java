package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.WashBehaviour;
import org.pendrik.core.catalogue.Works;
import org.pendrik.core.film.Finding.Rule;
import org.pendrik.core.film.Finding.Severity;
import org.pendrik.core.units.Climate;

/**
 * Answers: what goes wrong when these coats are laid in this order at these times?
 *
 * <p>The acts are laid one by one on the columns of their zones; each is judged against the coats
 * beneath it at their age in that minute. Cost O(acts × zones × coats). The result is a pure
 * function of the case. Work windows that nobody uses, and contrast that following clears take, are
 * judged when all is laid.
 */
public final class FilmCheck {
    /** A clear this thick or thinner takes a share of loose powder with it when it binds it. */
    private static final double POWDER_LOST_IN_NORMAL_COAT = 0.45;

    /** Fine work that keeps less than this of its contrast is worth a word before it is laid. */
    private static final double CONTRAST_WORTH_SAYING = 0.85;

    private final Catalogue catalogue;

    public FilmCheck(Catalogue catalogue) {
        this.catalogue = catalogue;
    }

    /** Checks a case. */
    public FilmReport check(FilmCase question) {
        ActJudge judge = new ActJudge(catalogue.bite(), question.air());
        Map<String, Column> columns = columns(question);
        List<Finding> found = new ArrayList<>();
        Map<StepId, Map<String, Reach>> reaches = new LinkedHashMap<>();
        Map<StepId, List<FilmReport.Wash>> washes = new LinkedHashMap<>();
        for (Act act : question.acts()) {
            Map<String, Reach> byZone = new LinkedHashMap<>();
            if (act.technique().follow().isPresent() && act.laysFilm()) {
                washes.put(act.id(), washes(act, columns));
            }
            for (String zone : act.zones()) {
                Column column = columns.get(zone);
                if (column == null) {
                    throw new IllegalStateException("zone " + zone + " vanished");
                }
                var j = judge.judge(act, column, l -> (double) (act.beginOn(zone) - l.laidAt()));
                found.addAll(j.findings());
                byZone.put(zone, j.reach());
            }
            found.addAll(ActJudge.elsewhere(act, columns.values()));
            reaches.put(act.id(), byZone);
            lay(act, columns, question.air());
        }
        openWindows(question, found);
        found.addAll(new Overspray(catalogue.bite(), question).findings());
        contrast(columns, question, found);
        // what lay there cannot be done otherwise any more
        Set<StepId> lay = new HashSet<>();
        question.acts().stream().filter(Act::isFound).forEach(a -> lay.add(a.id()));
        found.removeIf(f -> lay.contains(f.actId()));
        return new FilmReport(
                merged(found, question), List.copyOf(columns.values()), reaches, washes);
    }

    /** What a wash meets, zones with the same finish together. */
    private static List<FilmReport.Wash> washes(Act act, Map<String, Column> columns) {
        Map<Finish, List<String>> zones = new java.util.EnumMap<>(Finish.class);
        Map<Finish, Double> tooth = new java.util.EnumMap<>(Finish.class);
        for (String z : act.zones()) {
            Column c = columns.get(z);
            if (c != null) {
                zones.computeIfAbsent(c.finish(), _ -> new ArrayList<>()).add(z);
                tooth.merge(c.finish(), c.tooth(), (a, b) -> a);
            }
        }
        List<FilmReport.Wash> out = new ArrayList<>();
        zones.forEach(
                (finish, on) ->
                        out.add(
                                new FilmReport.Wash(
                                        finish,
                                        on,
                                        WashBehaviour.on(
                                                tooth.getOrDefault(finish, finish.tooth())))));
        return out;
    }

    static Map<String, Column> columns(FilmCase question) {
        Map<String, Column> columns = new LinkedHashMap<>();
        question.zones().forEach(z -> columns.put(z.key(), new Column(z)));
        return columns;
    }

    static void lay(Act act, Map<String, Column> columns, Climate air) {
        if (Column.isChangedBy(act)) {
            for (String z : act.zones()) {
                Column c = columns.get(z);
                if (c != null) {
                    c.leave(act, air);
                }
            }
        }
    }

    private void openWindows(FilmCase question, List<Finding> out) {
        List<Act> acts = question.acts();
        for (int i = 0; i < acts.size(); i++) {
            Act act = acts.get(i);
            if (act.technique().follow().isEmpty() || !act.material().deposits()) {
                continue;
            }
            Technique follow = catalogue.technique(act.technique().follow().get());
            if (act.material().window().isEmpty()
                    && follow.works().window() == Works.Window.MATERIAL) {
                continue;
            }
            List<String> open = new ArrayList<>(act.zones());
            for (int j = i + 1; j < acts.size(); j++) {
                Act later = acts.get(j);
                boolean named =
                        later.means().filter(m -> m.actIds().contains(act.id())).isPresent();
                if (named || later.technique().works().means(act.technique().key())) {
                    open.removeAll(acts.get(j).zones());
                }
            }
            if (!open.isEmpty()) {
                out.add(
                        new Finding(
                                Rule.OPEN_WINDOW,
                                Severity.NOTE,
                                act.id(),
                                open,
                                List.of(act.material().name()),
                                "Nobody comes back to the "
                                        + act.material().name()
                                        + " while it can be worked: "
                                        + follow.name()
                                        + " is missing.",
                                Map.of()));
            }
        }
    }

    private static void contrast(
            Map<String, Column> columns, FilmCase question, List<Finding> out) {
        Map<StepId, Act> acts = new HashMap<>();
        question.acts().forEach(a -> acts.put(a.id(), a));
        for (Column c : columns.values()) {
            List<Layer> layers = c.live();
            double kept = 1;
            int clears = 0;
            for (int i = layers.size() - 1; i >= 0; i--) {
                Layer l = layers.get(i);
                if (l.binds()) {
                    kept *= l.thickness().contrastKept();
                    clears++;
                    continue;
                }
                Act act = acts.get(l.actId());
                // what is weathered fades under clears, what it lies on does not
                if (clears == 0 || act == null || act.done() || l.technique().isGround()) {
                    continue;
                }
                double keeps = l.isLoose() ? kept * powderKept(layers, i) : kept;
                if (keeps < CONTRAST_WORTH_SAYING) {
                    out.add(
                            new Finding(
                                    Rule.CONTRAST,
                                    Severity.NOTE,
                                    l.actId(),
                                    List.of(c.zone().key()),
                                    List.of(l.material().name()),
                                    "Go a little further now: "
                                            + (clears == 1
                                                    ? "one clear follows"
                                                    : clears + " clears follow")
                                            + " and about "
                                            + Math.round(keeps * 100)
                                            + " % of it stays to be seen.",
                                    Map.of(
                                            "contrast kept",
                                            keeps,
                                            "clears above",
                                            (double) clears)));
                }
            }
        }
    }

    private static double powderKept(List<Layer> layers, int powder) {
        for (int i = powder + 1; i < layers.size(); i++) {
            if (layers.get(i).binds()) {
                return 1
                        - POWDER_LOST_IN_NORMAL_COAT
                                * Math.min(1, layers.get(i).thickness().factor());
            }
        }
        return 1;
    }

    private record Key(Rule rule, Severity severity, StepId actId, List<String> coats) {}

    /** One finding for all zones in which the same holds, the numbers those of the first zone. */
    static List<Finding> joined(List<Finding> found) {
        Map<Key, Finding> byKey = new LinkedHashMap<>();
        for (Finding f : found) {
            byKey.merge(
                    new Key(f.rule(), f.severity(), f.actId(), f.coats()),
                    f,
                    (a, b) -> {
                        List<String> zones = new ArrayList<>(a.zones());
                        zones.addAll(b.zones());
                        return new Finding(
                                a.rule(),
                                a.severity(),
                                a.actId(),
                                zones,
                                a.coats(),
                                a.why(),
                                a.numbers());
                    });
        }
        return new ArrayList<>(byKey.values());
    }

    /** Joined, in the order of the acts and the weightiest first. */
    private static List<Finding> merged(List<Finding> found, FilmCase question) {
        Map<StepId, Integer> order = new HashMap<>();
        question.acts().forEach(a -> order.put(a.id(), order.size()));
        List<Finding> out = joined(found);
        out.replaceAll(f -> question.answers().contains(f.answer()) ? f.asAnswered() : f);
        out.sort(
                Comparator.<Finding>comparingInt(
                                f -> order.getOrDefault(f.actId(), Integer.MAX_VALUE))
                        .thenComparing(f -> -f.severity().weight()));
        return List.copyOf(out);
    }
}
