package org.pendrik.app.makeup;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.WorksOn;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.app.store.ZoneTimes;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.MadeFor;
import org.pendrik.core.film.Rounds;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Zone;
import org.pendrik.core.plan.PlanStep;

/**
 * A step as it is kept.
 *
 * @param startedAt when it was begun, once it is done
 * @param finishedAt when it was over, once it is done
 * @param takesBack id of the step whose coat it takes back, if it does
 * @param backShare how much of that coat, above 0 to 1
 * @param madeForEffect id of the effect that it makes, if it makes one
 * @param madeForStep id of the step that needs it, if one does
 * @param worksOn coats that it is meant for, where that is not what its technique means
 * @param zoneTimes when it was on each zone, once it is done, if anybody noted it
 * @param extra what is particular about it; null when nothing is
 */
@RecordBuilder
@RecordBuilder.Options(
        builderClassModifiers = {},
        enableWither = false)
public record StoredStep(
        StepId id,
        String technique,
        String material,
        Thickness thickness,
        ZoneKeys zones,
        PlanStep.Origin origin,
        String reason,
        @Nullable Instant startedAt,
        @Nullable Instant finishedAt,
        @Nullable StepId takesBack,
        @Nullable Double backShare,
        @Nullable String madeForEffect,
        @Nullable StepId madeForStep,
        @Nullable WorksOn worksOn,
        @Nullable ZoneTimes zoneTimes,
        @Nullable StepExtra extra) {
    private static final int LONGEST_REASON = 1000;

    static StoredStep of(PlanStep s, Catalogue catalogue) {
        return of(s.act(), s.origin(), s.reason(), catalogue);
    }

    static StoredStep of(Act a, PlanStep.Origin origin, String reason, Catalogue catalogue) {
        return new StoredStep(
                a.id(),
                a.technique().key(),
                a.material().key(),
                a.thickness(),
                new ZoneKeys(java.util.List.copyOf(a.zones())),
                origin,
                reason.length() > LONGEST_REASON ? reason.substring(0, LONGEST_REASON) : reason,
                null,
                null,
                a.takesBack().map(Act.TakenBack::actId).orElse(null),
                a.takesBack().map(Act.TakenBack::share).orElse(null),
                a.madeFor() instanceof MadeFor.OfEffect e ? e.effectId() : null,
                a.madeFor() instanceof MadeFor.OfStep s ? s.step() : null,
                a.means()
                        .map(m -> new WorksOn(java.util.List.copyOf(m.actIds()), m.must()))
                        .orElse(null),
                null,
                StepExtra.of(a, catalogue));
    }

    /** It has happened. */
    public boolean done() {
        return startedAt != null && finishedAt != null;
    }

    /**
     * The step as the film engine takes it; one still to do has no time yet.
     *
     * @param subject the zones of the job, for the hours that their size takes
     */
    public Act act(Catalogue catalogue, List<Zone> subject) {
        Technique usual = catalogue.technique(technique);
        Technique t = extra == null || extra.share() == null ? usual : usual.sharing(extra.share());
        var m = catalogue.material(material, usual);
        List<Zone> on = subject.stream().filter(z -> zones.keys().contains(z.key())).toList();
        Act planned = Act.planned(id, t, m, thickness, on).on(zones.set()).madeFor(madeFor());
        if (extra != null) {
            planned = planned.saying(extra.errand());
            planned = extra.minutes() == null ? planned : planned.taking(extra.minutes());
        }
        if (takesBack != null) {
            planned =
                    planned.takingBack(
                            new Act.TakenBack(takesBack, backShare == null ? 1 : backShare));
        }
        if (worksOn != null) {
            planned =
                    planned.working(
                            new Act.Means(new LinkedHashSet<>(worksOn.steps()), worksOn.must()));
        }
        if (startedAt == null || finishedAt == null) {
            return planned;
        }
        long from = minute(startedAt);
        Act done = planned.doneAt(from, (int) Math.max(0, minute(finishedAt) - from));
        return zoneTimes == null ? done : done.inRounds(rounds(from, zoneTimes));
    }

    /** As it went over the zones. */
    static Rounds rounds(long fromMinute, ZoneTimes times) {
        Map<String, Rounds.Span> spans = new LinkedHashMap<>();
        times.spans()
                .forEach(
                        (zone, s) ->
                                spans.put(
                                        zone,
                                        new Rounds.Span(
                                                (int) (minute(s.from()) - fromMinute),
                                                (int) (minute(s.until()) - fromMinute))));
        return Rounds.timed(spans);
    }

    /** What it is there for. */
    MadeFor madeFor() {
        if (origin == PlanStep.Origin.FOUND) {
            return MadeFor.FOUND;
        }
        if (madeForEffect != null) {
            return new MadeFor.OfEffect(madeForEffect);
        }
        return madeForStep == null ? MadeFor.ITSELF : new MadeFor.OfStep(madeForStep);
    }

    /** Whole minutes since 1970-01-01 UTC. */
    public static long minute(Instant t) {
        return Math.floorDiv(t.getEpochSecond(), 60);
    }

    StoredStep doneWith(
            String otherMaterial, Instant from, Instant until, @Nullable ZoneTimes times) {
        return StoredStepBuilder.builder(this)
                .material(otherMaterial)
                .startedAt(from)
                .finishedAt(until)
                .zoneTimes(times)
                .build();
    }

    /** The same step, made for an effect or for another step. */
    public StoredStep madeFor(@Nullable String effect, @Nullable StepId step) {
        return StoredStepBuilder.builder(this).madeForEffect(effect).madeForStep(step).build();
    }

    StoredStep undone() {
        return StoredStepBuilder.builder(this)
                .startedAt(null)
                .finishedAt(null)
                .zoneTimes(null)
                .build();
    }

    /** The same with the minutes that the user gave it before, which no engine knows. */
    StoredStep remembering(@Nullable StoredStep before) {
        if (before == null || before.extra == null || before.extra.minutes() == null) {
            return this;
        }
        StepExtra with = (extra == null ? StepExtra.NONE : extra).taking(before.extra.minutes());
        return StoredStepBuilder.builder(this).extra(with).build();
    }

    /** The same step on zones that took the place of its own. */
    StoredStep on(ZoneKeys others, @Nullable ZoneTimes times) {
        return StoredStepBuilder.builder(this).zones(others).zoneTimes(times).build();
    }
}
