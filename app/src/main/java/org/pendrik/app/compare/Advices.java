package org.pendrik.app.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.makeup.Plans;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.study.JobRegion;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.Technique;
import org.pendrik.core.measure.Gap;
import org.pendrik.core.photo.RegionVerdict;
import org.pendrik.core.plan.EffectKind;
import org.pendrik.core.plan.NextPass;
import org.pendrik.core.plan.Schools;
import org.pendrik.core.plan.Ways;
import org.springframework.stereotype.Component;

/**
 * Puts advice into words that fit the plan: what is still to come, what can be repeated or undone.
 */
@Component
class Advices {
    private static final List<String> HOW =
            List.of("", "lightly", "once more as before", "heavily");

    private final Plans plans;
    private final Engines engines;
    private final TakeBackQuestion takeBack;

    Advices(Plans plans, Engines engines, TakeBackQuestion takeBack) {
        this.plans = plans;
        this.engines = engines;
        this.takeBack = takeBack;
    }

    List<Comparison.Advised> of(UUID jobId, JobRegion r, RegionVerdict v, List<Gap> gaps) {
        Here here = here(jobId, r);
        List<Comparison.Advised> out = new ArrayList<>();
        boolean otherColour = v.offAxis() > v.tolerance() && v.progress() > 0;
        for (NextPass.Advice a : NextPass.in(v, gaps)) {
            out.add(one(jobId, r, otherColour, a, here));
        }
        return out;
    }

    List<Comparison.Advised> along(UUID jobId, JobRegion edge, List<Gap> gaps) {
        Here here = here(jobId, edge);
        return NextPass.along(gaps).stream().map(a -> one(jobId, edge, false, a, here)).toList();
    }

    /** The effects of the plan on a region's zone, done and to do. */
    private record Here(List<Technique> done, List<Technique> open) {
        /** How an effect is made here; as the program starts where the plan does not say. */
        Optional<Technique> of(EffectKind kind, Catalogue catalogue) {
            List<String> ways = Ways.techniques(kind);
            return Stream.concat(done.reversed().stream(), open.stream())
                    .filter(t -> ways.contains(t.key()))
                    .findFirst()
                    .or(() -> Optional.of(Ways.technique(kind, Schools.Choice.START, catalogue)));
        }

        Optional<Technique> last() {
            return done.isEmpty() ? Optional.empty() : Optional.of(done.getLast());
        }
    }

    private Here here(UUID jobId, JobRegion r) {
        List<Technique> done = new ArrayList<>();
        List<Technique> open = new ArrayList<>();
        for (StoredStep s : plans.of(jobId).steps()) {
            Technique t = engines.catalogue().technique(s.technique());
            if (t.role() == Technique.Role.EFFECT
                    && r.zoneKey() != null
                    && s.zones().keys().contains(r.zoneKey())) {
                (s.done() ? done : open).add(t);
            }
        }
        return new Here(done, open);
    }

    private Comparison.Advised one(
            UUID jobId, JobRegion r, boolean otherColour, NextPass.Advice a, Here here) {
        Optional<Technique> asked =
                a.kind().flatMap(k -> here.of(k, engines.catalogue())).or(here::last);
        return switch (a.what()) {
            case STOP ->
                    advised(
                            a,
                            true,
                            otherColour
                                    ? "As far along, but in another colour: look at it under the layout's light."
                                    : "Stop here.");
            case CANNOT_TELL ->
                    advised(a, true, "Name the factory colour in Study to judge which way.");
            case AGAIN -> advised(a, true, again(a, asked, here));
            case TAKE_BACK -> {
                if (r.zoneKey() == null || asked.isEmpty()) {
                    yield advised(
                            a, false, "Too much: say which zone it lies on to ask the film check.");
                }
                TakeBackQuestion.Answer answer =
                        takeBack.ask(jobId, asked.get().key(), r.zoneKey());
                yield new Comparison.Advised(
                        a.what(),
                        a.kind().orElse(null),
                        a.strength(),
                        answer.possible(),
                        "Too much " + asked.get().name() + ". " + answer.sentence(),
                        a.why(),
                        answer.stepId());
            }
        };
    }

    private static String again(NextPass.Advice a, Optional<Technique> asked, Here here) {
        boolean comes =
                a.kind().isPresent() && asked.isPresent() && here.open().contains(asked.get());
        if (comes || (a.kind().isEmpty() && !here.open().isEmpty())) {
            List<String> names =
                    comes
                            ? List.of(asked.get().name())
                            : here.open().stream().map(Technique::name).distinct().toList();
            return "Still to come here: " + String.join(", ", names) + ".";
        }
        return asked.map(t -> capital(t.name()) + " again, " + HOW.get(a.strength()) + ".")
                .orElse("One more pass, " + HOW.get(a.strength()) + ".");
    }

    private static String capital(String s) {
        return s.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + s.substring(1);
    }

    private static Comparison.Advised advised(NextPass.Advice a, boolean possible, String text) {
        EffectKind kind = a.kind().orElse(null);
        return new Comparison.Advised(a.what(), kind, a.strength(), possible, text, a.why(), null);
    }
}
