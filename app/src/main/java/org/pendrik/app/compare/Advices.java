package org.pendrik.app.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.makeup.JobSnapshots;
import org.pendrik.app.makeup.PlanJudge;
import org.pendrik.app.study.JobRegion;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.NextCoat;
import org.pendrik.core.film.StepId;
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

    /** A smaller change of ΔE00 is none that a film could be held to. */
    private static final double NOTHING = 0.3;

    private final JobSnapshots snapshots;
    private final PlanJudge judge;
    private final Engines engines;
    private final TakeBackQuestion takeBack;

    Advices(JobSnapshots snapshots, PlanJudge judge, Engines engines, TakeBackQuestion takeBack) {
        this.snapshots = snapshots;
        this.judge = judge;
        this.engines = engines;
        this.takeBack = takeBack;
    }

    List<Comparison.Advised> of(
            UUID jobId, JobRegion r, RegionVerdict v, List<NextPass.Advice> advice) {
        return all(jobId, r, Optional.of(v), advice);
    }

    List<Comparison.Advised> along(UUID jobId, JobRegion edge, List<NextPass.Advice> advice) {
        return all(jobId, edge, Optional.empty(), advice);
    }

    private List<Comparison.Advised> all(
            UUID jobId, JobRegion r, Optional<RegionVerdict> v, List<NextPass.Advice> advice) {
        Here here = here(jobId, r);
        return advice.stream().map(a -> one(jobId, r, v, a, here)).toList();
    }

    /**
     * The effects of the plan on a region's zone, done and to do.
     *
     * @param finish of what lies on top there
     */
    private record Here(List<Act> done, List<Act> open, Finish finish) {
        /** How an effect is made here; as the program starts where the plan does not say. */
        Optional<Means> of(EffectKind kind, Catalogue catalogue) {
            List<String> ways = Ways.techniques(kind);
            return Stream.concat(done.reversed().stream(), open.stream())
                    .filter(a -> ways.contains(a.technique().key()))
                    .findFirst()
                    .map(Means::of)
                    .or(() -> Optional.of(Means.usual(kind, catalogue)));
        }

        Optional<Means> last() {
            return done.isEmpty() ? Optional.empty() : Optional.of(Means.of(done.getLast()));
        }
    }

    /** What an effect is made with. */
    private record Means(Technique technique, Material material) {
        static Means of(Act a) {
            return new Means(a.technique(), a.material());
        }

        static Means usual(EffectKind kind, Catalogue catalogue) {
            Technique t = Ways.technique(kind, Schools.Choice.START, catalogue);
            return new Means(t, catalogue.material(t.materials().getFirst()));
        }
    }

    private Here here(UUID jobId, JobRegion r) {
        List<Act> done = new ArrayList<>();
        List<Act> open = new ArrayList<>();
        FilmCase laid = judge.filmCase(snapshots.of(jobId));
        Finish top =
                laid.zones().stream()
                        .filter(z -> z.key().equals(r.zoneKey()))
                        .findFirst()
                        .map(z -> z.substrate().finish())
                        .orElse(Finish.FLAT);
        for (Act a : laid.acts()) {
            if (r.zoneKey() == null || !a.zones().contains(r.zoneKey())) {
                continue;
            }
            if (a.technique().role() == Technique.Role.EFFECT) {
                (a.done() ? done : open).add(a);
            }
            if (a.done() && a.technique().share() == 1) {
                top = a.material().finish().orElse(top);
            }
        }
        return new Here(done, open, top);
    }

    private Comparison.Advised one(
            UUID jobId, JobRegion r, Optional<RegionVerdict> v, NextPass.Advice a, Here here) {
        Optional<Means> asked =
                a.kind().flatMap(k -> here.of(k, engines.catalogue())).or(here::last);
        return switch (a.what()) {
            case STOP -> advised(a, "Stop here.");
            case DIFFERS ->
                    advised(
                            a,
                            "Not as the prototype, in what another pass does not make right: draw it over, or let it be.");
            case OTHER_COLOUR ->
                    advised(
                            a,
                            "As far along, but in another colour: look at it under the layout's light.");
            case CANNOT_TELL -> advised(a, a.remedy());
            case AGAIN -> again(a, v, asked, here);
            case TAKE_BACK -> {
                if (r.zoneKey() == null || asked.isEmpty()) {
                    yield advised(
                            a,
                            a.strength(),
                            false,
                            "Too much: say which zone it lies on to ask the film check.",
                            null,
                            null);
                }
                Technique made = asked.get().technique();
                TakeBackQuestion.Answer answer = takeBack.ask(jobId, made.key(), r.zoneKey());
                yield advised(
                        a,
                        a.strength(),
                        answer.possible(),
                        "Too much " + made.name() + ". " + answer.sentence(),
                        answer.stepId(),
                        null);
            }
        };
    }

    /** What is still to come, or the same once more: as strong as comes nearest in colour. */
    private static Comparison.Advised again(
            NextPass.Advice a, Optional<RegionVerdict> v, Optional<Means> asked, Here here) {
        List<Act> coming =
                here.open().stream()
                        .filter(
                                o ->
                                        a.kind().isEmpty()
                                                || asked.filter(
                                                                m ->
                                                                        m.technique()
                                                                                .equals(
                                                                                        o
                                                                                                .technique()))
                                                        .isPresent())
                        .toList();
        if (!coming.isEmpty()) {
            List<String> names = coming.stream().map(o -> o.technique().name()).distinct().toList();
            String text = "Still to come here: " + String.join(", ", names) + ".";
            Optional<NextCoat> then =
                    coming.size() > 1
                            ? Optional.empty()
                            : v.flatMap(x -> coat(x, coming.getFirst(), here));
            return advised(a, a.strength(), true, text + left(v, then), null, then.orElse(null));
        }
        if (asked.isEmpty()) {
            return advised(a, "One more pass, " + HOW.get(a.strength()) + ".");
        }
        Means m = asked.get();
        Optional<NextCoat> then =
                v.flatMap(
                        x ->
                                NextCoat.nearest(
                                        x.model().median(),
                                        here.finish(),
                                        m.technique(),
                                        m.material(),
                                        x.prototype().median()));
        // what is missing in amount decides; where only the colour is known, the colour does
        int strength =
                a.kind().isEmpty()
                        ? then.map(NextCoat::strength).orElse(a.strength())
                        : a.strength();
        Optional<NextCoat> made =
                a.kind().isEmpty()
                        ? then
                        : v.flatMap(
                                x ->
                                        NextCoat.of(
                                                x.model().median(),
                                                here.finish(),
                                                m.technique(),
                                                m.material(),
                                                NextCoat.thickness(strength),
                                                x.prototype().median()));
        return advised(
                a,
                strength,
                true,
                capital(m.technique().name())
                        + " again, "
                        + HOW.get(strength)
                        + "."
                        + left(v, made),
                null,
                made.orElse(null));
    }

    private static Optional<NextCoat> coat(RegionVerdict v, Act act, Here here) {
        return NextCoat.of(
                v.model().median(),
                here.finish(),
                act.technique(),
                act.material(),
                act.thickness(),
                v.prototype().median());
    }

    /**
     * What a coat would leave of a difference that is to be seen; a sentence after a space, or
     * nothing.
     */
    private static String left(Optional<RegionVerdict> v, Optional<NextCoat> then) {
        if (v.isEmpty()
                || then.isEmpty()
                || v.get().difference().deltaE00() <= v.get().tolerance()) {
            return "";
        }
        double now = v.get().difference().deltaE00();
        double next = then.get().deltaE00();
        return String.format(
                Locale.ROOT,
                now - next > NOTHING
                        ? " That takes the colour from ΔE00 %.1f to about %.1f."
                        : " That alone does not bring the colour nearer: ΔE00 %.1f now, about %.1f"
                                + " then.",
                now,
                next);
    }

    private static String capital(String s) {
        return s.substring(0, 1).toUpperCase(Locale.ROOT) + s.substring(1);
    }

    private static Comparison.Advised advised(NextPass.Advice a, String text) {
        return advised(a, a.strength(), true, text, null, null);
    }

    private static Comparison.Advised advised(
            NextPass.Advice a,
            int strength,
            boolean possible,
            String text,
            @Nullable StepId takeBackStep,
            @Nullable NextCoat then) {
        return new Comparison.Advised(
                a.what(),
                a.kind().orElse(null),
                strength,
                possible,
                text,
                a.why(),
                takeBackStep,
                then == null ? null : Srgb.toHex(then.colour()),
                then == null ? null : then.deltaE00());
    }
}
