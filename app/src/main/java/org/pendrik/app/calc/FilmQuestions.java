package org.pendrik.app.calc;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.core.catalogue.Action;
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Must;
import org.pendrik.core.catalogue.Overrule;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.catalogue.WorkWindow;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.DryingTimes;
import org.pendrik.core.film.Face;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmReport;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Reach;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.TakeBack;
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
                {"id": "wash", "technique": "grime-wash", "material": "wash-warm-brown", "thickness": "LIGHT",
                 "zones": ["left-side"], "atMinute": 2880, "minutes": 20, "done": false}
              ],
              "celsius": 21,
              "humidity": 0.5
            }
            """;
    private static final double MOST_AREA_MM2 = 4e6;
    private static final int MOST_ACTS = 200;

    private final Engines engines;

    FilmQuestions(Engines engines) {
        this.engines = engines;
    }

    /**
     * A zone.
     *
     * @param areaMm2 of the model; null takes the side of a freight car in H0
     * @param up it faces up; face says it more exactly
     * @param face null takes what up says
     * @param keptClean glass, bearings, treads: what is sprayed beside it must not stay there
     */
    record ZonePart(
            String key,
            @Nullable String name,
            Substrate substrate,
            boolean lettering,
            @Nullable Double areaMm2,
            @Nullable Boolean up,
            @Nullable Face face,
            @Nullable Boolean keptClean) {
        Zone zone() {
            if (areaMm2 != null) {
                InvalidInput.requireWithin(
                        "Area of " + key,
                        areaMm2,
                        " mm²",
                        0.01,
                        MOST_AREA_MM2,
                        "On the model; leave it out when it is not known.");
            }
            return new Zone(
                    key,
                    name == null ? key : name,
                    substrate,
                    lettering,
                    Substrate.UNKNOWN_COLOUR,
                    areaMm2 == null ? Zone.USUAL_AREA_MM2 : areaMm2,
                    face != null ? face : up != null && up ? Face.UP : Face.SIDE,
                    keptClean != null && keptClean);
        }
    }

    /**
     * Something done or to be done.
     *
     * @param material by key; null when it is given inline
     * @param inline a material by its own figures, on top of the one of {@code material}
     * @param share part of each zone that it touches, 0.01 to 1; null takes the technique's
     * @param action null takes the technique's
     * @param carrier a column of the bite table, I and a strength for alcohol, WW for warm water,
     *     NONE for dry work; null takes that of technique and material
     * @param blends whether it seeks to run into what is still open; null takes the technique's
     * @param means the acts whose coats it means to work together; null takes what its technique
     *     means
     * @param must what has to happen to the lowest of them; null takes the technique's
     */
    record ActPart(
            StepId id,
            String technique,
            String material,
            @Nullable Map<String, String> inline,
            Thickness thickness,
            ZoneKeys zones,
            long atMinute,
            int minutes,
            boolean done,
            @Nullable Double share,
            @Nullable Action action,
            @Nullable String carrier,
            @Nullable Boolean blends,
            @Nullable List<StepId> means,
            @Nullable Must must) {}

    record FilmQuestion(
            List<ZonePart> zones, List<ActPart> acts, double celsius, double humidity) {}

    record FindingPart(
            Finding.Rule rule,
            Finding.Severity severity,
            StepId act,
            List<String> zones,
            List<String> coats,
            String why,
            Map<String, Double> numbers,
            String milder,
            List<MendPart> mends) {}

    record MendPart(String label, long laterMinutes) {}

    record FilmAnswer(List<FindingPart> findings, Map<StepId, Map<String, Reach>> reaches) {}

    FilmAnswer answer(FilmQuestion q) {
        FilmCase question = filmCase(q.zones(), q.acts(), q.celsius(), q.humidity());
        FilmReport report = engines.check().check(question);
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
                                                f.rule().milder(),
                                                engines
                                                        .mends()
                                                        .forFinding(question, report, f)
                                                        .stream()
                                                        .map(
                                                                m ->
                                                                        new MendPart(
                                                                                m.mend().label(),
                                                                                m.laterMinutes()))
                                                        .toList()))
                        .toList(),
                report.reaches());
    }

    FilmCase filmCase(List<ZonePart> zones, List<ActPart> parts, double celsius, double humidity) {
        if (parts.size() > MOST_ACTS) {
            throw new InvalidInput(
                    "Acts",
                    "" + parts.size(),
                    "must be at most 200",
                    "Ask about one subject at a time.");
        }
        List<Act> acts = new ArrayList<>();
        for (ActPart a : parts) {
            InvalidInput.requireWithin(
                    "Minutes of " + a.id(), a.minutes(), "", 0, 10_000, "Give hands-on minutes.");
            acts.add(act(a));
        }
        return new FilmCase(
                zones.stream().map(ZonePart::zone).toList(), acts, new Climate(celsius, humidity));
    }

    private Act act(ActPart a) {
        Act act =
                new Act(
                        a.id(),
                        asDone(a, engines.catalogue().technique(a.technique())),
                        material(a.material(), a.inline()),
                        a.thickness(),
                        a.zones().set(),
                        a.atMinute(),
                        a.minutes(),
                        a.done());
        if (a.means() == null) {
            return act;
        }
        Must must = a.must() == null ? act.technique().works().must() : a.must();
        return act.working(new Act.Means(new LinkedHashSet<>(a.means()), must));
    }

    /** The technique as the question would have it. */
    private static Technique asDone(ActPart a, Technique t) {
        if (a.share() == null && a.action() == null && a.carrier() == null && a.blends() == null) {
            return t;
        }
        double share = a.share() == null ? t.share() : a.share();
        InvalidInput.requireWithin(
                "Share of " + a.id(), share, "", 0.01, 1, "Give the part of the zone, 1 for all.");
        return t.as(
                a.action() == null ? t.action() : a.action(),
                a.carrier() == null ? t.carrier() : Optional.of(carrier(a.id(), a.carrier())),
                share,
                a.blends() == null
                        ? t.blends()
                        : a.blends() ? List.of(Technique.BLENDS_WITH_ANY) : List.of());
    }

    private static Carrier carrier(StepId id, String text) {
        try {
            return Carrier.parse(text);
        } catch (IllegalArgumentException unknown) {
            throw new InvalidInput(
                    "Carrier of " + id,
                    text,
                    "is not known",
                    "Use W, WW, WD, I and a strength, AR, MS, ET, LT, DS, DX, NH or NONE.");
        }
    }

    /** A material of the shelf, with figures of the question's own in place of its. */
    private Material material(String key, @Nullable Map<String, String> inline) {
        if (inline == null || inline.isEmpty()) {
            return engines.catalogue().material(key);
        }
        List<Overrule> own =
                inline.entrySet().stream()
                        .map(
                                e ->
                                        new Overrule(
                                                Overrule.Table.MATERIAL,
                                                key,
                                                e.getKey(),
                                                e.getValue()))
                        .toList();
        engines.catalogue().material(key);
        return Catalogue.load(own, Map.of()).material(key);
    }

    static final String CURE_EXAMPLE =
            """
            {"technique": "oil-streak", "material": "oil-fresh-rust", "thickness": "NORMAL",
             "celsius": 15, "humidity": 0.6, "ageMinutes": [60, 1440, 4320]}
            """;

    record CureQuestion(
            String technique,
            String material,
            @Nullable Map<String, String> inline,
            Thickness thickness,
            double celsius,
            double humidity,
            List<Double> ageMinutes) {}

    /**
     * How a coat cures.
     *
     * @param fractions at the ages asked, 0 to 1
     * @param slowing minutes that pass for one minute of the tables
     */
    record CureAnswer(
            long touchMinutes,
            long recoatMinutes,
            long fullMinutes,
            @Nullable WorkWindow window,
            double slowing,
            List<Double> fractions) {}

    CureAnswer cure(CureQuestion q) {
        Material m = material(q.material(), q.inline());
        Zone any = new Zone("any", "any", Substrate.BARE, false, Substrate.UNKNOWN_COLOUR);
        Act act =
                Act.planned(
                        new StepId("coat"),
                        engines.catalogue().technique(q.technique()),
                        m,
                        q.thickness(),
                        List.of(any));
        Climate air = new Climate(q.celsius(), q.humidity());
        DryingTimes dry =
                DryingTimes.of(act, air)
                        .orElseThrow(
                                () ->
                                        new InvalidInput(
                                                "Material",
                                                m.name(),
                                                "does not dry",
                                                "Ask about a paint, a clear or a wash."));
        var curve = m.cure().orElseThrow();
        double slowing = dry.slowing();
        List<Double> fractions = new ArrayList<>();
        for (double age : q.ageMinutes()) {
            InvalidInput.requireWithin(
                    "Age", age, " min", 0, 1e7, "Give minutes since it was laid.");
            fractions.add(curve.fraction(age / slowing));
        }
        return new CureAnswer(
                dry.touch(),
                dry.recoat(),
                dry.full(),
                dry.window().orElse(null),
                slowing,
                fractions);
    }

    static final String TAKE_BACK_EXAMPLE =
            """
            {
              "zones": [{"key": "left-side", "name": "left side", "substrate": "FACTORY_SEMI_GLOSS", "lettering": true}],
              "acts": [
                {"id": "seal", "technique": "seal-satin", "material": "clear-satin", "thickness": "LIGHT",
                 "zones": ["left-side"], "atMinute": 0, "minutes": 17, "done": true},
                {"id": "wash", "technique": "pin-wash", "material": "wash-warm-brown", "thickness": "LIGHT",
                 "zones": ["left-side"], "atMinute": 2880, "minutes": 20, "done": true}
              ],
              "act": "wash", "on": ["left-side"], "share": 1, "nowMinute": 2960,
              "atHand": ["spirit-odourless", "alcohol-35"],
              "celsius": 21,
              "humidity": 0.5
            }
            """;

    record TakeBackQuestion(
            List<ZonePart> zones,
            List<ActPart> acts,
            StepId act,
            ZoneKeys on,
            double share,
            long nowMinute,
            List<String> atHand,
            double celsius,
            double humidity) {}

    /**
     * A way that does.
     *
     * @param untilMinute the last minute in which it does; null when it does for sixty days
     */
    record WayPart(
            String technique,
            String material,
            long fromMinute,
            @Nullable Long untilMinute,
            double margin,
            boolean atHand,
            List<String> takesWithIt) {}

    record TakeBackAnswer(
            List<WayPart> ways, List<String> mustNotTouch, List<String> nearest, String instead) {}

    TakeBackAnswer takeBack(TakeBackQuestion q) {
        FilmCase laid = filmCase(q.zones(), q.acts(), q.celsius(), q.humidity());
        long last = laid.acts().stream().mapToLong(Act::endMinute).max().orElse(0);
        if (q.nowMinute() < last) {
            throw new InvalidInput(
                    "Now",
                    "minute " + q.nowMinute(),
                    "must not lie before the end of the last step, minute " + last,
                    "Ask about a later minute.");
        }
        TakeBack.Answer a =
                engines.takeBack()
                        .answer(
                                new TakeBack.Question(
                                        laid,
                                        q.act(),
                                        q.on().set(),
                                        q.share(),
                                        q.nowMinute(),
                                        Set.copyOf(q.atHand())));
        return new TakeBackAnswer(
                a.ways().stream()
                        .map(
                                w ->
                                        new WayPart(
                                                w.act().technique().key(),
                                                w.act().material().key(),
                                                w.fromMinute(),
                                                w.untilMinute().isPresent()
                                                        ? w.untilMinute().getAsLong()
                                                        : null,
                                                w.margin(),
                                                w.atHand(),
                                                w.takesWithIt()))
                        .toList(),
                a.mustNotTouch(),
                a.nearest(),
                a.instead());
    }
}
