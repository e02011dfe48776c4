package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.diary.DiaryOutcome.Driver;
import org.pendrik.core.diary.DiaryOutcome.Placement;

/**
 * Places the steps of one job, in their order, into the bench time.
 *
 * <p>Every demand — the order, a minimum lag, a maximum lag, the calendar — pushes a start later as
 * a monotone function of the other starts, so the least fixed point is the schedule in which every
 * step is as early as it can be at all (A. Tarski, "A lattice-theoretical fixpoint theorem and its
 * applications", Pacific Journal of Mathematics 5 (1955), 285–309). It is reached by pushing until
 * nothing moves. Cost O(rounds × (tasks + gaps) × log spans). Starts lie on a grid of five minutes.
 * Drying runs day and night; a task is never interrupted.
 */
public final class DiaryPlacer {
    private static final int GRID_MINUTES = 5;

    private final List<DiaryTask> tasks;
    private final List<TimeLag> gaps;
    private final List<Span> spans;
    private final long fromMinute;
    private final Map<String, Integer> index = new HashMap<>();
    private final long[] start;

    private DiaryPlacer(
            List<DiaryTask> tasks, List<TimeLag> gaps, List<Span> spans, long fromMinute) {
        this.tasks = tasks;
        this.gaps = gaps;
        this.spans = spans;
        this.fromMinute = fromMinute;
        this.start = new long[tasks.size()];
        for (int i = 0; i < tasks.size(); i++) {
            index.put(tasks.get(i).id(), i);
            start[i] =
                    tasks.get(i)
                            .doneAtMinute()
                            .orElse(Math.max(fromMinute, tasks.get(i).notBefore().orElse(0)));
        }
    }

    /**
     * Places tasks.
     *
     * @param tasks in the order in which they are done; done ones first
     * @param gaps between them; gaps that name no task are ignored
     * @param bench the stretches of bench time, in order and apart; a year of them
     * @param fromMinute nothing new begins before, minutes since 1970-01-01 UTC
     */
    public static DiaryOutcome place(
            List<DiaryTask> tasks, List<TimeLag> gaps, List<Span> bench, long fromMinute) {
        long longest =
                bench.stream().mapToLong(s -> s.untilMinute() - s.fromMinute()).max().orElse(0);
        for (DiaryTask t : tasks) {
            if (t.doneAtMinute().isEmpty() && t.minutes() > longest) {
                return new DiaryOutcome.CannotPlace(
                        "The step "
                                + t.name()
                                + " takes "
                                + t.minutes()
                                + " min at a stretch, and the longest free bench time is "
                                + longest
                                + " min.",
                        "Give one evening more time, or split the zones of the step in two.");
            }
        }
        return new DiaryPlacer(
                        List.copyOf(tasks), List.copyOf(gaps), List.copyOf(bench), fromMinute)
                .run();
    }

    private DiaryOutcome run() {
        boolean moved = true;
        while (moved) {
            moved = false;
            for (int i = 0; i < tasks.size(); i++) {
                if (tasks.get(i).doneAtMinute().isPresent()) {
                    continue;
                }
                OptionalLong fitted = fit(demanded(i), tasks.get(i).minutes());
                if (fitted.isEmpty()) {
                    return new DiaryOutcome.CannotPlace(
                            "The step "
                                    + tasks.get(i).name()
                                    + " finds no place within a year: its window and the bench time do not meet.",
                            "Make one stretch of bench time long enough for the coat, its wait and the work in its window.");
                }
                if (fitted.getAsLong() != start[i]) {
                    start[i] = fitted.getAsLong();
                    moved = true;
                }
            }
        }
        List<Placement> placed = new ArrayList<>();
        for (int i = 0; i < tasks.size(); i++) {
            placed.add(
                    new Placement(
                            tasks.get(i).id(),
                            start[i],
                            end(i),
                            tasks.get(i).doneAtMinute().isPresent()));
        }
        long finish = placed.stream().mapToLong(Placement::endMinute).max().orElse(fromMinute);
        return new DiaryOutcome.Placed(placed, finish, drivers());
    }

    private long end(int i) {
        return start[i] + tasks.get(i).minutes();
    }

    /** The earliest minute that the other tasks allow; later tasks count through their windows. */
    private long demanded(int i) {
        long at = Math.max(start[i], ready(i));
        String id = tasks.get(i).id();
        for (TimeLag g : gaps) {
            Integer to = index.get(g.toId());
            if (g.fromId().equals(id) && g.maxMinutes().isPresent() && to != null) {
                at = Math.max(at, start[to] - g.maxMinutes().getAsLong() - tasks.get(i).minutes());
            }
        }
        return at;
    }

    /** The earliest minute that the tasks before allow. */
    private long ready(int i) {
        long at = Math.max(fromMinute, i == 0 ? fromMinute : end(i - 1));
        at = Math.max(at, tasks.get(i).notBefore().orElse(at));
        for (TimeLag g : gaps) {
            Integer from = index.get(g.fromId());
            if (g.toId().equals(tasks.get(i).id()) && from != null) {
                at = Math.max(at, end(from) + g.minMinutes());
            }
        }
        return at;
    }

    private OptionalLong fit(long notBefore, int minutes) {
        int low = 0;
        int high = spans.size();
        while (low < high) {
            int mid = (low + high) >>> 1;
            if (spans.get(mid).untilMinute() - minutes < notBefore) {
                low = mid + 1;
            } else {
                high = mid;
            }
        }
        for (int i = low; i < spans.size(); i++) {
            long at = Math.max(spans.get(i).fromMinute(), notBefore);
            at = Math.ceilDiv(at, (long) GRID_MINUTES) * GRID_MINUTES;
            if (at + minutes <= spans.get(i).untilMinute()) {
                return OptionalLong.of(at);
            }
        }
        return OptionalLong.empty();
    }

    /** Goes back from the finish along what held each start, and adds up the reasons. */
    private List<Driver> drivers() {
        Map<Driver.Kind, Map<String, Long>> sums = new EnumMap<>(Driver.Kind.class);
        int i = tasks.size() - 1;
        while (i >= 0 && tasks.get(i).doneAtMinute().isEmpty()) {
            add(sums, Driver.Kind.WORK, "hands-on work", tasks.get(i).minutes());
            long ready = ready(i);
            add(sums, Driver.Kind.NO_BENCH_TIME, "no bench time", start[i] - ready);
            int holder = -1;
            String why = "";
            for (TimeLag g : gaps) {
                Integer from = index.get(g.fromId());
                if (g.toId().equals(tasks.get(i).id())
                        && from != null
                        && g.minMinutes() > 0
                        && end(from) + g.minMinutes() == ready) {
                    holder = from;
                    why = g.why();
                }
            }
            if (holder < 0) {
                i--;
                continue;
            }
            add(sums, Driver.Kind.DRYING, why, ready - Math.max(fromMinute, end(holder)));
            i = holder;
        }
        List<Driver> out = new ArrayList<>();
        sums.forEach(
                (kind, byLabel) ->
                        byLabel.forEach((label, m) -> out.add(new Driver(kind, label, m))));
        out.sort(Comparator.comparingLong(Driver::minutes).reversed());
        return out;
    }

    private static void add(
            Map<Driver.Kind, Map<String, Long>> sums,
            Driver.Kind kind,
            String label,
            long minutes) {
        if (minutes > 0) {
            sums.computeIfAbsent(kind, _ -> new LinkedHashMap<>()).merge(label, minutes, Long::sum);
        }
    }
}
