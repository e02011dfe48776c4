package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.pendrik.core.diary.Availability.Span;

/**
 * Whether a diary can be kept: a look at every demand of the case, minute by minute, that knows
 * nothing of how the diary was found. Cost O(tasks² + tasks × stretches).
 */
public final class DiaryCheck {
    private DiaryCheck() {}

    private record Work(String job, DiaryTask task, long from, long until, boolean open) {
        String name() {
            return task.name() + " of " + job;
        }
    }

    /**
     * What is wrong with a diary, a sentence each; empty when it can be kept.
     *
     * <p>Between tasks that are both done nothing is asked any more.
     */
    public static List<String> faults(DiaryCase asked, DiaryPlan plan) {
        return faults(asked, plan, List.of());
    }

    /**
     * The same where some windows of coats that lie are missed already.
     *
     * @param missed work that was to be done in them
     */
    public static List<String> faults(
            DiaryCase asked, DiaryPlan plan, List<DiaryPlan.Place> missed) {
        List<String> out = new ArrayList<>();
        List<Work> all = new ArrayList<>();
        for (int j = 0; j < asked.jobs().size(); j++) {
            DiaryJob job = asked.jobs().get(j);
            Map<String, Work> byId = new HashMap<>();
            Work last = null;
            for (int t = 0; t < job.tasks().size(); t++) {
                DiaryTask task = job.tasks().get(t);
                long from = plan.start(j, t);
                Work w = new Work(job.name(), task, from, from + task.minutes(), task.open());
                if (!w.open() && from != task.doneAtMinute().getAsLong()) {
                    out.add(w.name() + " was done and has moved");
                }
                if (w.open() && last != null && from < last.until()) {
                    out.add(w.name() + " begins before " + last.task().name() + " is over");
                }
                last = w;
                byId.put(task.id(), w);
                all.add(w);
            }
            for (TimeLag lag : job.lags()) {
                Work a = byId.get(lag.fromId());
                Work b = byId.get(lag.toId());
                if (a != null && b != null && b.open()) {
                    boolean over =
                            !a.open()
                                    && missed.contains(
                                            new DiaryPlan.Place(j, job.tasks().indexOf(b.task())));
                    lag(over ? lag.withoutEnd() : lag, a, b, out);
                }
            }
        }
        all.forEach(w -> alone(asked, w, out));
        person(all, out);
        asked.resources().forEach(r -> places(r, all, out));
        return List.copyOf(out);
    }

    private static void lag(TimeLag lag, Work a, Work b, List<String> out) {
        long between = b.from() - a.until();
        if (between < lag.minMinutes()) {
            out.add(
                    b.name()
                            + " begins "
                            + between
                            + " min after "
                            + a.task().name()
                            + " and has to wait "
                            + lag.minMinutes()
                            + ": "
                            + lag.why());
        }
        if (lag.maxMinutes().isPresent() && between > lag.maxMinutes().getAsLong()) {
            out.add(
                    b.name()
                            + " begins "
                            + between
                            + " min after "
                            + a.task().name()
                            + " and must within "
                            + lag.maxMinutes().getAsLong()
                            + ": "
                            + lag.why());
        }
    }

    /** What a task demands whatever the others do. */
    private static void alone(DiaryCase asked, Work w, List<String> out) {
        if (!w.open()) {
            return;
        }
        DiaryTask task = w.task();
        if (w.from() < asked.fromMinute()) {
            out.add(w.name() + " begins in the past");
        }
        if (task.notBefore().isPresent() && w.from() < task.notBefore().getAsLong()) {
            out.add(w.name() + " begins before it may");
        }
        if (asked.bench().stream().noneMatch(s -> within(w, s))) {
            out.add(w.name() + " is not within one stretch of bench time");
        }
        if (task.heldTo().isPresent() && !within(w, task.heldTo().get())) {
            out.add(w.name() + " is not in the evening that it is held to");
        }
        for (DiaryTask.Need need : task.needs()) {
            for (DiaryCase.Resource r : asked.resources()) {
                if (r.key().equals(need.resource())
                        && r.closed().stream()
                                .anyMatch(
                                        c ->
                                                w.from() < c.untilMinute()
                                                        && c.fromMinute() < w.until())) {
                    out.add(w.name() + " is done while " + r.name() + " cannot be used");
                }
            }
        }
    }

    private static boolean within(Work w, Span s) {
        return s.fromMinute() <= w.from() && w.until() <= s.untilMinute();
    }

    private static void person(List<Work> all, List<String> out) {
        List<Work> open =
                all.stream()
                        .filter(Work::open)
                        .sorted(Comparator.comparingLong(Work::from))
                        .toList();
        for (int i = 1; i < open.size(); i++) {
            if (open.get(i).from() < open.get(i - 1).until()) {
                out.add(
                        open.get(i).name()
                                + " begins while "
                                + open.get(i - 1).name()
                                + " is being done");
            }
        }
    }

    /** Places are counted whenever one is taken. */
    private static void places(DiaryCase.Resource r, List<Work> all, List<String> out) {
        Map<Work, Long> held = new HashMap<>();
        for (Work w : all) {
            for (DiaryTask.Need need : w.task().needs()) {
                if (w.open() && need.resource().equals(r.key())) {
                    held.put(w, w.until() + need.minutesAfter());
                }
            }
        }
        for (Work w : held.keySet()) {
            long at =
                    held.entrySet().stream()
                            .filter(e -> e.getKey().from() <= w.from() && w.from() < e.getValue())
                            .count();
            if (at > r.places()) {
                out.add(w.name() + " finds no place: " + r.name() + " has " + r.places());
            }
        }
    }
}
