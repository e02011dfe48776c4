package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.diary.Availability.Span;

/**
 * The best diary by brute force: every order in which the jobs' steps can follow one another, in
 * every choice of sittings; for each the earliest minutes, by pushing step by step until nothing
 * moves. Only for small cases whose minutes are all multiples of five.
 */
final class EveryDiary {
    private final DiaryCase asked;
    private final Optional<Changes> before;
    private @Nullable DiaryScore best;

    private EveryDiary(DiaryCase asked, Optional<Changes> before) {
        this.asked = asked;
        this.before = before;
    }

    static Optional<DiaryScore> best(DiaryCase asked, Optional<Changes> before) {
        EveryDiary all = new EveryDiary(asked, before);
        all.order(new int[asked.jobs().size()], new ArrayList<>(), new ArrayList<>());
        return Optional.ofNullable(all.best);
    }

    /** A step by job and place in it. */
    private record Step(int job, int task) {}

    private void order(int[] next, List<Step> steps, List<Integer> sittings) {
        boolean over = true;
        for (int j = 0; j < next.length; j++) {
            if (next[j] == asked.jobs().get(j).tasks().size()) {
                continue;
            }
            over = false;
            steps.add(new Step(j, next[j]));
            next[j]++;
            int from = sittings.isEmpty() ? 0 : sittings.getLast();
            for (int s = from; s < asked.bench().size(); s++) {
                sittings.add(s);
                // what cannot even begin cannot be mended by what follows
                if (earliest(steps, sittings) != null) {
                    order(next, steps, sittings);
                }
                sittings.removeLast();
            }
            next[j]--;
            steps.removeLast();
        }
        if (over) {
            Map<Step, Long> at = earliest(steps, sittings);
            if (at != null) {
                List<List<Long>> starts = new ArrayList<>();
                for (int j = 0; j < next.length; j++) {
                    List<Long> of = new ArrayList<>();
                    for (int t = 0; t < next[j]; t++) {
                        of.add(at.get(new Step(j, t)));
                    }
                    starts.add(of);
                }
                DiaryScore s = DiaryScore.of(asked, new DiaryPlan(starts), before);
                if (best == null || DiaryScore.BETTER_FIRST.compare(s, best) < 0) {
                    best = s;
                }
            }
        }
    }

    private @Nullable Map<Step, Long> earliest(List<Step> steps, List<Integer> sittings) {
        Map<Step, Long> at = new HashMap<>();
        for (int k = 0; k < steps.size(); k++) {
            at.put(steps.get(k), asked.bench().get(sittings.get(k)).fromMinute());
        }
        boolean moved = true;
        while (moved) {
            moved = false;
            for (int k = 0; k < steps.size(); k++) {
                Step s = steps.get(k);
                long was = at.get(s);
                long now = Math.max(was, demanded(steps, k, at));
                Span stretch = asked.bench().get(sittings.get(k));
                now = open(task(s), now);
                if (now + task(s).minutes() > stretch.untilMinute()) {
                    return null;
                }
                if (now != was) {
                    at.put(s, now);
                    moved = true;
                }
            }
        }
        return at;
    }

    private DiaryTask task(Step s) {
        return asked.jobs().get(s.job()).tasks().get(s.task());
    }

    private long demanded(List<Step> steps, int k, Map<Step, Long> at) {
        Step s = steps.get(k);
        long least = task(s).notBefore().orElse(asked.fromMinute());
        if (k > 0) {
            least = Math.max(least, end(steps.get(k - 1), at));
        }
        for (TimeLag lag : asked.jobs().get(s.job()).lags()) {
            for (Step o : steps) {
                if (o.job() != s.job()) {
                    continue;
                }
                if (lag.toId().equals(task(s).id()) && lag.fromId().equals(task(o).id())) {
                    least = Math.max(least, end(o, at) + lag.minMinutes());
                }
                if (lag.fromId().equals(task(s).id())
                        && lag.toId().equals(task(o).id())
                        && lag.maxMinutes().isPresent()) {
                    least =
                            Math.max(
                                    least,
                                    at.get(o) - lag.maxMinutes().getAsLong() - task(s).minutes());
                }
            }
        }
        for (DiaryTask.Need need : task(s).needs()) {
            least = Math.max(least, place(steps, k, need.resource(), at));
        }
        return least;
    }

    /** When a place is free: of those before, all but so many as there are places have let go. */
    private long place(List<Step> steps, int k, String resource, Map<Step, Long> at) {
        int places =
                asked.resources().stream()
                        .filter(r -> r.key().equals(resource))
                        .findFirst()
                        .orElseThrow()
                        .places();
        long[] released =
                steps.subList(0, k).stream()
                        .flatMap(
                                o ->
                                        task(o).needs().stream()
                                                .filter(n -> n.resource().equals(resource))
                                                .map(n -> end(o, at) + n.minutesAfter()))
                        .mapToLong(Long::longValue)
                        .toArray();
        Arrays.sort(released);
        return released.length < places ? 0 : released[released.length - places];
    }

    private long end(Step s, Map<Step, Long> at) {
        return at.get(s) + task(s).minutes();
    }

    /** The first minute from one on in which nothing that the step needs is closed. */
    private long open(DiaryTask task, long from) {
        long at = from;
        for (DiaryTask.Need need : task.needs()) {
            for (DiaryCase.Resource r : asked.resources()) {
                for (Span c : r.closed()) {
                    if (r.key().equals(need.resource())
                            && at < c.untilMinute()
                            && c.fromMinute() < at + task.minutes()) {
                        at = c.untilMinute();
                    }
                }
            }
        }
        return at;
    }
}
