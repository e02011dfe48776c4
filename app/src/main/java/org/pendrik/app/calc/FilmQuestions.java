package org.pendrik.app.calc;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.FilmReport;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Mends;
import org.pendrik.core.film.Reach;
import org.pendrik.core.film.Substrate;
import org.pendrik.core.film.Thickness;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Component;

/** The film check without a job. */
@Component
class FilmQuestions {
    static final String EXAMPLE =
            """
            {
              "zones": [{"key": "left-side", "name": "left side", "substrate": "FACTORY_SEMI_GLOSS", "lettering": false}],
              "acts": [
                {"id": "seal", "technique": "seal-satin", "material": "clear-satin", "thickness": "LIGHT",
                 "zones": ["left-side"], "atMinute": 0, "minutes": 17, "done": true},
                {"id": "streak", "technique": "oil-streak", "material": "oil-fresh-rust", "thickness": "NORMAL",
                 "zones": ["left-side"], "atMinute": 1440, "minutes": 20, "done": true},
                {"id": "wash", "technique": "pin-wash", "material": "wash-warm-brown", "thickness": "LIGHT",
                 "zones": ["left-side"], "atMinute": 2880, "minutes": 20, "done": false}
              ],
              "celsius": 21,
              "humidity": 0.5
            }
            """;
    private static final int MOST_ACTS = 200;

    private final Catalogue catalogue;
    private final FilmCheck check;
    private final Mends mends;

    FilmQuestions(Catalogue catalogue, FilmCheck check, Mends mends) {
        this.catalogue = catalogue;
        this.check = check;
        this.mends = mends;
    }

    record ZonePart(String key, @Nullable String name, Substrate substrate, boolean lettering) {}

    record ActPart(
            String id,
            String technique,
            String material,
            Thickness thickness,
            ZoneKeys zones,
            long atMinute,
            int minutes,
            boolean done) {}

    record FilmQuestion(
            List<ZonePart> zones, List<ActPart> acts, double celsius, double humidity) {}

    record FindingPart(
            Finding.Rule rule,
            Finding.Severity severity,
            String act,
            List<String> zones,
            List<String> coats,
            String why,
            Map<String, Double> numbers,
            List<MendPart> mends) {}

    record MendPart(String label, long laterMinutes) {}

    record FilmAnswer(List<FindingPart> findings, Map<String, Map<String, Reach>> reaches) {}

    FilmAnswer answer(FilmQuestion q) {
        if (q.acts().size() > MOST_ACTS) {
            throw new InvalidInput(
                    "Acts",
                    "" + q.acts().size(),
                    "must be at most 200",
                    "Ask about one subject at a time.");
        }
        List<Zone> zones =
                q.zones().stream()
                        .map(
                                z ->
                                        new Zone(
                                                z.key(),
                                                z.name() == null ? z.key() : z.name(),
                                                z.substrate(),
                                                z.lettering(),
                                                Substrate.UNKNOWN_COLOUR))
                        .toList();
        List<Act> acts = new ArrayList<>();
        for (ActPart a : q.acts()) {
            InvalidInput.requireWithin(
                    "Minutes of " + a.id(), a.minutes(), "", 0, 10_000, "Give hands-on minutes.");
            acts.add(
                    new Act(
                            a.id(),
                            catalogue.technique(a.technique()),
                            catalogue.material(a.material()),
                            a.thickness(),
                            a.zones().set(),
                            a.atMinute(),
                            a.minutes(),
                            a.done()));
        }
        FilmCase question = new FilmCase(zones, acts, new Climate(q.celsius(), q.humidity()));
        FilmReport report = check.check(question);
        return new FilmAnswer(
                report.findings().stream()
                        .map(
                                f ->
                                        new FindingPart(
                                                f.rule(),
                                                f.severity(),
                                                f.actId(),
                                                f.zones(),
                                                f.coats(),
                                                f.why(),
                                                f.numbers(),
                                                mends.forFinding(question, report, f).stream()
                                                        .map(
                                                                m ->
                                                                        new MendPart(
                                                                                m.mend().label(),
                                                                                m.laterMinutes()))
                                                        .toList()))
                        .toList(),
                report.reaches());
    }
}
