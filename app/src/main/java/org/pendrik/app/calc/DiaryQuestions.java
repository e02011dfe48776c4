package org.pendrik.app.calc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.diary.Changes;
import org.pendrik.core.diary.DiaryCase;
import org.pendrik.core.diary.DiaryJob;
import org.pendrik.core.diary.DiaryOutcome;
import org.pendrik.core.diary.DiaryOutlook;
import org.pendrik.core.diary.DiaryPlan;
import org.pendrik.core.diary.DiaryRisk;
import org.pendrik.core.diary.DiaryScore;
import org.pendrik.core.diary.DiarySolver;
import org.pendrik.core.diary.DiarySolver.Answer;
import org.pendrik.core.diary.DiaryStage;
import org.pendrik.core.diary.DiaryTask;
import org.pendrik.core.diary.TimeLag;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Watch;
import org.springframework.stereotype.Component;

/** The diary of a workshop without one; minutes are counted from any fixed moment. */
@Component
class DiaryQuestions {
    static final String EXAMPLE =
            """
            {
              "fromMinute": 0,
              "bench": [
                {"from": 1140, "until": 1320}, {"from": 2580, "until": 2760}, {"from": 4020, "until": 4200}
              ],
              "resources": [
                {"key": "compressor", "name": "Compressor", "places": 1, "closed": [{"from": 1290, "until": 1900}]}
              ],
              "jobs": [
                {"id": "hopper", "name": "Peat hopper", "due": 4320, "weight": 1, "promised": false,
                 "tasks": [
                   {"id": "fade", "name": "mist fade", "minutes": 40, "setUp": "chalk fade", "needs": [{"resource": "compressor", "minutesAfter": 0}]},
                   {"id": "wash", "name": "pin wash", "minutes": 35},
                   {"id": "wipe", "name": "wipe back", "minutes": 20},
                   {"id": "flat", "name": "final flat", "minutes": 30, "setUp": "flat clear", "needs": [{"resource": "compressor", "minutesAfter": 0}]}
                 ],
                 "lags": [
                   {"from": "fade", "to": "wash", "min": 60, "max": null, "why": "chalk fade dries"},
                   {"from": "wash", "to": "wipe", "min": 15, "max": 45, "why": "window of the wash"},
                   {"from": "wash", "to": "flat", "min": 1440, "max": null, "why": "wash dries"}
                 ]},
                {"id": "flat", "name": "Bulkhead flat", "due": null, "weight": 1, "promised": false,
                 "tasks": [
                   {"id": "fade", "name": "mist fade", "minutes": 35, "setUp": "chalk fade", "needs": [{"resource": "compressor", "minutesAfter": 0}]},
                   {"id": "flat", "name": "final flat", "minutes": 30, "setUp": "flat clear", "needs": [{"resource": "compressor", "minutesAfter": 0}]}
                 ],
                 "lags": [{"from": "fade", "to": "flat", "min": 60, "max": null, "why": "chalk fade dries"}]}
              ],
              "before": [],
              "seconds": 2,
              "runs": 500
            }
            """;

    private static final int MOST_TASKS = 600;
    private static final double MOST_SECONDS = 60;
    private static final int MOST_RUNS = 5_000;

    /** From a minute to before another. */
    record SpanPart(long from, long until) {
        private Span span() {
            return new Span(from, until);
        }
    }

    /** What can run short. */
    record ResourcePart(String key, String name, int places, List<SpanPart> closed) {}

    /** What a task takes, and how long beyond its end. */
    record NeedPart(String resource, long minutesAfter) {}

    /**
     * Hands-on work.
     *
     * @param doneAt when it began, if it is done
     * @param setUp what the airbrush holds for it
     * @param heldTo the stretch that it is held to
     * @param cureMinutes after its end until its job can be ready
     */
    record TaskPart(
            String id,
            String name,
            int minutes,
            @Nullable Long doneAt,
            @Nullable String setUp,
            @Nullable List<NeedPart> needs,
            @Nullable Long notBefore,
            @Nullable SpanPart heldTo,
            @Nullable Long cureMinutes) {}

    /** From the end of one task to the begin of another. */
    record LagPart(String from, String to, long min, @Nullable Long max, String why) {}

    /** A job; tasks in their order, what is done in front. */
    record DiaryJobPart(
            String id,
            String name,
            List<TaskPart> tasks,
            List<LagPart> lags,
            @Nullable Long due,
            int weight,
            boolean promised) {}

    /** When a task was to begin in the diary that people know. */
    record KnownPart(String job, String task, long start) {}

    /**
     * The question.
     *
     * @param before the diary that people know: as little as possible moves; empty for a fresh one
     * @param seconds about how long to search, up to 60
     * @param runs how often it is gone through to tell the chances, up to 5,000
     */
    record DiaryAsked(
            long fromMinute,
            List<SpanPart> bench,
            @Nullable List<ResourcePart> resources,
            List<DiaryJobPart> jobs,
            @Nullable List<KnownPart> before,
            double seconds,
            int runs) {}

    /** A task with its time. */
    record PlacedTask(String job, String task, long start, long end, boolean moved) {}

    /** A job's prospects. */
    record JobProspect(
            String id,
            long ready,
            @Nullable Long latestStart,
            @Nullable Long slack,
            @Nullable Double chance,
            List<DiaryOutcome.Driver> chain,
            List<String> decides) {}

    /**
     * The answer.
     *
     * @param problem why no diary was found; null when one was
     */
    record DiaryFound(
            @Nullable String problem,
            List<PlacedTask> tasks,
            @Nullable DiaryScore score,
            List<DiaryStage> stages,
            List<JobProspect> jobs) {}

    DiaryFound plan(DiaryAsked q, Watch watch) {
        InvalidInput.requireWithin(
                "Seconds", q.seconds(), " s", 0, MOST_SECONDS, "A workshop needs about 8.");
        InvalidInput.requireWithin("Runs", q.runs(), "", 0, MOST_RUNS, "2,000 tell a chance.");
        int tasks = q.jobs().stream().mapToInt(j -> j.tasks().size()).sum();
        InvalidInput.requireWithin(
                "Tasks", tasks, "", 1, MOST_TASKS, "Leave out jobs that are not in work.");
        DiaryCase asked =
                new DiaryCase(
                        q.jobs().stream().map(DiaryQuestions::job).toList(),
                        q.bench().stream().map(SpanPart::span).toList(),
                        list(q.resources()).stream().map(DiaryQuestions::resource).toList(),
                        q.fromMinute());
        Optional<Changes> before =
                list(q.before()).isEmpty() ? Optional.empty() : Optional.of(before(q));
        Answer answer =
                DiarySolver.solve(
                        asked,
                        before,
                        new DiarySolver.Effort(q.seconds()),
                        DiarySolver.Follower.NOBODY,
                        watch);
        return switch (answer) {
            case Answer.CannotPlace no ->
                    new DiaryFound(
                            "The step "
                                    + no.task().name()
                                    + " of "
                                    + no.job().name()
                                    + " finds no place in this bench time.",
                            List.of(),
                            null,
                            List.of(),
                            List.of());
            case Answer.Found f -> found(asked, before, f, q.runs());
        };
    }

    private static <T> List<T> list(@Nullable List<T> given) {
        return given == null ? List.of() : given;
    }

    private static DiaryCase.Resource resource(ResourcePart r) {
        return new DiaryCase.Resource(
                r.key(), r.name(), r.places(), r.closed().stream().map(SpanPart::span).toList());
    }

    private static DiaryJob job(DiaryJobPart j) {
        return new DiaryJob(
                j.id(),
                j.name(),
                j.tasks().stream().map(DiaryQuestions::task).toList(),
                j.lags().stream()
                        .map(
                                l ->
                                        new TimeLag(
                                                l.from(),
                                                l.to(),
                                                l.min(),
                                                optional(l.max()),
                                                l.why()))
                        .toList(),
                optional(j.due()),
                j.weight(),
                j.promised());
    }

    private static DiaryTask task(TaskPart t) {
        InvalidInput.requireWithin(
                "Minutes of " + t.name(), t.minutes(), " min", 0, 1_440, "Split it in two.");
        return new DiaryTask(
                t.id(),
                t.name(),
                t.minutes(),
                optional(t.doneAt()),
                Optional.ofNullable(t.setUp()),
                list(t.needs()).stream()
                        .map(n -> new DiaryTask.Need(n.resource(), n.minutesAfter()))
                        .toList(),
                optional(t.notBefore()),
                Optional.ofNullable(t.heldTo()).map(SpanPart::span),
                t.cureMinutes() == null ? 0 : t.cureMinutes());
    }

    private static OptionalLong optional(@Nullable Long value) {
        return value == null ? OptionalLong.empty() : OptionalLong.of(value);
    }

    private static Changes before(DiaryAsked q) {
        Map<List<String>, Long> known = new HashMap<>();
        list(q.before()).forEach(k -> known.put(List.of(k.job(), k.task()), k.start()));
        return new Changes(
                q.jobs().stream()
                        .map(
                                j ->
                                        j.tasks().stream()
                                                .map(
                                                        t ->
                                                                optional(
                                                                        known.get(
                                                                                List.of(
                                                                                        j.id(),
                                                                                        t.id()))))
                                                .toList())
                        .toList());
    }

    private static DiaryFound found(
            DiaryCase asked, Optional<Changes> before, Answer.Found f, int runs) {
        DiaryPlan plan = f.plan();
        List<PlacedTask> tasks = new ArrayList<>();
        List<JobProspect> jobs = new ArrayList<>();
        List<DiaryOutlook.OfJob> outlook =
                DiaryOutlook.of(asked, plan, DiaryRisk.Spread.USUAL, runs);
        for (int j = 0; j < asked.jobs().size(); j++) {
            DiaryJob job = asked.jobs().get(j);
            for (int t = 0; t < job.tasks().size(); t++) {
                DiaryTask task = job.tasks().get(t);
                int at = t;
                int of = j;
                tasks.add(
                        new PlacedTask(
                                job.id(),
                                task.id(),
                                plan.start(j, t),
                                plan.start(j, t) + task.minutes(),
                                before.map(b -> b.moved(asked, plan, of, at)).orElse(false)));
            }
            DiaryOutlook.OfJob o = outlook.get(j);
            jobs.add(
                    new JobProspect(
                            job.id(),
                            o.readyMinute(),
                            o.latestStartMinute().isPresent()
                                    ? o.latestStartMinute().getAsLong()
                                    : null,
                            o.slackMinutes().isPresent() ? o.slackMinutes().getAsLong() : null,
                            o.chance().isPresent() ? o.chance().getAsDouble() : null,
                            o.chain(),
                            o.decides()));
        }
        return new DiaryFound(null, tasks, f.score(), f.stages(), jobs);
    }
}
