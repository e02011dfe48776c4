package org.pendrik.app.calc;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.app.task.Tasks;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.StepId;
import org.pendrik.core.plan.Alternatives;
import org.pendrik.core.plan.Effect;
import org.pendrik.core.plan.EffectKind;
import org.pendrik.core.plan.Made;
import org.pendrik.core.plan.Phase;
import org.pendrik.core.plan.Pin;
import org.pendrik.core.plan.PlanOutcome;
import org.pendrik.core.plan.PlanRequest;
import org.pendrik.core.plan.PlanStep;
import org.pendrik.core.plan.Schools;
import org.pendrik.core.plan.Tones;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Component;

/** Plans without a job. */
@Component
class PlanQuestions {
    static final String EXAMPLE =
            """
            {
              "zones": [
                {"key": "left-side", "name": "left side", "substrate": "FACTORY_SEMI_GLOSS", "lettering": false, "areaMm2": 2800},
                {"key": "roof", "name": "roof", "substrate": "FACTORY_SEMI_GLOSS", "lettering": false, "areaMm2": 2400, "up": true}
              ],
              "history": [],
              "effects": [
                {"id": "fade", "kind": "FADE", "zones": ["left-side", "roof"], "strength": 2},
                {"id": "joints", "kind": "JOINT_SHADE", "zones": ["left-side"], "strength": 2},
                {"id": "rust", "kind": "RUST_STREAKS", "zones": ["left-side"], "strength": 1},
                {"id": "soot", "kind": "SOOT", "zones": ["roof"], "strength": 2}
              ],
              "pins": [],
              "schools": {"streaks": "oil"},
              "fromMinute": 0,
              "celsius": 21,
              "humidity": 0.5
            }
            """;
    private static final int MOST_EFFECTS = 40;
    private static final Duration LONGEST = Duration.ofSeconds(10);

    private final FilmQuestions film;
    private final Engines engines;

    PlanQuestions(FilmQuestions film, Engines engines) {
        this.film = film;
        this.engines = engines;
    }

    /**
     * An effect.
     *
     * @param material the material wanted for it; null takes the way's own
     * @param tones materials of several tones, in place of one
     * @param how made; null as the schools have it
     */
    record WantedEffect(
            String id,
            EffectKind kind,
            ZoneKeys zones,
            int strength,
            @Nullable String material,
            @Nullable List<String> tones,
            @Nullable HowPart how) {
        Effect effect() {
            Effect plain =
                    new Effect(id, kind, zones.set(), strength, Optional.ofNullable(material));
            Effect toned =
                    tones == null
                            ? plain
                            : plain.in(new Tones(tones, how != null && how.inRounds()));
            return how == null ? toned : how.applied(toned);
        }
    }

    /**
     * How an effect is made where that is not as the schools have it.
     *
     * @param rounds its tones are laid as rounds over days
     * @param set name of the set that it belongs to
     * @param beside by technique, keys of materials for steps that show no tone
     */
    record HowPart(
            @Nullable Boolean rounds,
            @Nullable String way,
            @Nullable String technique,
            @Nullable String applicator,
            @Nullable String thinner,
            @Nullable String liquid,
            @Nullable String set,
            @Nullable Phase phase,
            @Nullable Map<String, String> beside) {
        boolean inRounds() {
            return Boolean.TRUE.equals(rounds);
        }

        Effect applied(Effect e) {
            return e.made(
                            new Made(
                                    Optional.ofNullable(way),
                                    Optional.ofNullable(technique),
                                    Optional.ofNullable(applicator),
                                    Optional.ofNullable(thinner),
                                    Optional.ofNullable(liquid),
                                    beside == null ? Map.of() : beside))
                    .inSet(set == null ? "" : set)
                    .at(phase == null ? Phase.USUAL : phase);
        }
    }

    record PlanQuestion(
            List<FilmQuestions.ZonePart> zones,
            List<FilmQuestions.ActPart> history,
            List<WantedEffect> effects,
            List<Pin> pins,
            Map<String, String> schools,
            long fromMinute,
            double celsius,
            double humidity) {}

    record PlannedStep(
            StepId id,
            String technique,
            String material,
            Thickness thickness,
            List<String> zones,
            long atMinute,
            int minutes,
            PlanStep.Origin origin,
            String reason) {
        static PlannedStep of(PlanStep s) {
            Act a = s.act();
            return new PlannedStep(
                    a.id(),
                    a.technique().key(),
                    a.material().key(),
                    a.thickness(),
                    List.copyOf(a.zones()),
                    a.atMinute(),
                    a.minutes(),
                    s.origin(),
                    s.reason());
        }
    }

    /**
     * A plan.
     *
     * @param proven whether the search was finished, so that no plan costs less
     * @param gapMinutes how much less a plan could cost at most; 0 when proven
     */
    record PlanAnswer(
            List<PlannedStep> steps,
            int clears,
            long minutes,
            long warnings,
            boolean proven,
            long gapMinutes) {
        static PlanAnswer of(PlanOutcome.Compiled p) {
            return new PlanAnswer(
                    p.steps().stream().map(PlannedStep::of).toList(),
                    p.clears(),
                    p.minutes(),
                    p.warnings(),
                    p.proven(),
                    p.gapMinutes());
        }
    }

    record AlternativePart(
            Map<String, String> changed,
            String title,
            String sentence,
            long readyMinute,
            long handsOnMinutes,
            int risk,
            PlanAnswer plan) {}

    PlanAnswer compile(PlanQuestion q) {
        return switch (engines.compiler().compile(request(q))) {
            case PlanOutcome.Compiled p -> PlanAnswer.of(p);
            case PlanOutcome.NoPlan no ->
                    throw new InvalidInput(
                            "Plan", "these effects", "cannot be made: " + no.reason(), no.remedy());
        };
    }

    /**
     * Plans laid beside one another.
     *
     * @param untried other ways that were not tried, since the time was up; 0 when all were
     */
    record AlternativesAnswer(List<AlternativePart> ways, int untried) {}

    AlternativesAnswer alternatives(PlanQuestion q) {
        Alternatives.Answer found =
                engines.alternatives().of(request(q), PlanQuestions::end, Tasks.atMost(LONGEST));
        return new AlternativesAnswer(
                found.ways().stream().map(PlanQuestions::part).toList(), found.untried());
    }

    private static long end(FilmCase c) {
        return c.acts().stream().mapToLong(Act::endMinute).max().orElse(0);
    }

    private static AlternativePart part(Alternatives.Alternative a) {
        return new AlternativePart(
                a.changed(),
                a.title(),
                a.sentence(),
                a.readyMinute(),
                a.handsOnMinutes(),
                a.risk(),
                PlanAnswer.of(a.plan()));
    }

    private PlanRequest request(PlanQuestion q) {
        if (q.effects().size() > MOST_EFFECTS) {
            throw new InvalidInput(
                    "Effects", "" + q.effects().size(), "must be at most 40", "Join some of them.");
        }
        FilmCase laid = film.filmCase(q.zones(), q.history(), q.celsius(), q.humidity());
        for (WantedEffect e : q.effects()) {
            for (String z : e.zones().keys()) {
                if (laid.zones().stream().noneMatch(zone -> zone.key().equals(z))) {
                    throw new InvalidInput(
                            "Zone of " + e.id(),
                            z,
                            "is not part of the subject",
                            "Name it among the zones.");
                }
            }
        }
        return new PlanRequest(
                laid.zones(),
                laid.acts(),
                q.effects().stream().map(WantedEffect::effect).toList(),
                q.pins(),
                laid.air(),
                q.fromMinute(),
                new Schools.Choice(q.schools()),
                List.of());
    }
}
