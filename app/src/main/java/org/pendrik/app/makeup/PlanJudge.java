package org.pendrik.app.makeup;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.shelf.StepMixes;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Zone;
import org.pendrik.core.plan.OwnColour;
import org.pendrik.core.plan.Pin;
import org.pendrik.core.plan.PlanCheck;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;

/**
 * What the film engine says of a plan. A judgement is kept by all that it hangs on, so the same
 * plan is judged once a minute at most.
 */
@Service
public class PlanJudge {
    private static final int MOST_KEPT = 64;

    private final Engines engines;
    private final Clock clock;
    private final Cache<JudgementKey, PlanCheck.Judgement> kept =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).recordStats().build();

    PlanJudge(Engines engines, Clock clock) {
        this.engines = engines;
        this.clock = clock;
    }

    /** How many judgements were made, and not taken from what is kept. */
    long judged() {
        return kept.stats().missCount();
    }

    private record JudgementKey(FilmCase film, List<Pin> pins, long now, Object catalogue) {}

    /** The minute it is. */
    public long now() {
        return StoredStep.minute(clock.instant());
    }

    /** The plan judged, what is still to do placed as early from now on as the coats allow. */
    public PlanCheck.Judgement judge(JobSnapshot s) {
        return judge(filmCase(s), s.plan().pins());
    }

    private PlanCheck.Judgement judge(FilmCase film, List<Pin> pins) {
        JudgementKey q = new JudgementKey(film, pins, now(), engines.catalogue());
        return kept.get(q, x -> engines.planCheck().check(x.film(), x.pins(), x.now()));
    }

    /** The plan as a question to the film engine. */
    public FilmCase filmCase(JobSnapshot s) {
        return filmCase(s, s.plan().steps());
    }

    /** What is done of the plan, as a question to the film engine. */
    public FilmCase done(JobSnapshot s) {
        return filmCase(s, s.plan().done());
    }

    /**
     * Steps of a job as a question to the film engine; those still to do have no times, and what a
     * step is mixed by has the colour of the mix.
     */
    FilmCase filmCase(JobSnapshot s, List<StoredStep> steps) {
        List<Zone> subject = s.subject();
        List<Act> acts = new ArrayList<>();
        long clockMinute = Long.MIN_VALUE;
        for (StoredStep step : steps) {
            Act bottle = step.act(engines.catalogue(), subject);
            StepMixes.StepRecipe mix = s.recipes().get(step.id());
            Act a =
                    mix == null
                            ? ofOwnColour(bottle, subject)
                            : bottle.with(bottle.material().coloured(mix.colour()));
            Act placed = a.done() ? a : a.at(Math.max(clockMinute, now()));
            acts.add(placed);
            clockMinute = Math.max(clockMinute, placed.atMinute());
        }
        return new FilmCase(subject, acts, s.workshop().air()).knowing(s.known());
    }

    /** A chip's top coat is the car's own colour, mixed to it, unless another was chosen. */
    private Act ofOwnColour(Act act, List<Zone> subject) {
        return subject.stream()
                .filter(z -> act.zones().contains(z.key()))
                .findFirst()
                .filter(z -> OwnColour.isTopCoatOf(act, z.colour(), engines.catalogue()))
                .map(z -> act.with(act.material().coloured(z.colour())))
                .orElse(act);
    }

    /**
     * The plan as it would be in other air, or with a step laid thicker.
     *
     * @param thicker id of that step, or null
     */
    PlanCheck.Judgement whatIf(
            JobSnapshot s, Climate air, @Nullable StepId thicker, @Nullable Thickness thickness) {
        FilmCase film = filmCase(s);
        List<Act> acts = new ArrayList<>();
        for (Act a : film.acts()) {
            boolean other = a.id().equals(thicker) && thickness != null && !a.done();
            acts.add(other ? a.with(Objects.requireNonNull(thickness)) : a);
        }
        return judge(
                new FilmCase(film.zones(), acts, air).knowing(film.answers()), s.plan().pins());
    }

    /** Says what a technique uses when it cannot use a material. */
    public void requireUsable(Technique t, Material m) {
        if (!engines.catalogue().canUse(t, m)) {
            throw new InvalidInput(
                    "Material",
                    m.name(),
                    "does not do for " + t.name(),
                    "It uses "
                            + t.materials().stream()
                                    .map(k -> engines.catalogue().material(k).name())
                                    .collect(Collectors.joining(", "))
                            + ", or what is of the same family.");
        }
    }
}
