package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.units.Watch;

/**
 * What saves a date that the diary misses: every way is tried on a diary of its own, which {@link
 * DiaryCheck} accepts, and comes with its price. Tried are more time on one evening, an evening
 * more, and this job before the others; what is left is a later date. Cost: one list schedule for
 * each evening and length.
 */
public final class WaysOut {
    /** Minutes that an evening may go on for, the least first. */
    private static final long[] LONGER = {30, 60, 90, 120, 180};

    /** An evening more is as long as this at most. */
    private static final long EVENING_MINUTES = 180;

    /** Of one kind no more are told. */
    private static final int MOST_OF_A_KIND = 2;

    private static final long DAY = 1440;

    private WaysOut() {}

    /** What is done about it. */
    public sealed interface Way {
        /** At the bench from one minute to another besides. */
        record MoreTime(Span more) implements Way {}

        /** The job gets bench time before all others. */
        record ComesFirst() implements Way {}

        /** Wanted later. */
        record LaterDate(long readyMinute) implements Way {}
    }

    /**
     * A way and what it takes.
     *
     * @param way what is done
     * @param readyMinute when the job is ready then
     * @param extraMinutes bench time more than there is
     * @param othersLater minutes by which other jobs are ready later, added up
     * @param othersLate minutes more after their dates, added up
     */
    public record Priced(
            Way way, long readyMinute, long extraMinutes, long othersLater, long othersLate) {}

    /**
     * Ways for one job, the least bench time first; empty when its date is kept, or it has none.
     *
     * @param plan as things stand
     */
    public static List<Priced> of(DiaryCase asked, DiaryPlan plan, int job) {
        DiaryJob wanted = asked.jobs().get(job);
        long ready = ready(asked, plan, job);
        if (wanted.dueMinute().isEmpty() || ready <= wanted.dueMinute().getAsLong()) {
            return List.of();
        }
        long due = wanted.dueMinute().getAsLong();
        List<Priced> out = new ArrayList<>();
        first(asked, plan, job).filter(p -> p.readyMinute() <= due).ifPresent(out::add);
        for (List<Span> kind : List.of(longer(asked, due), eveningsMore(asked, due))) {
            kind.stream()
                    .map(more -> priced(asked, plan, job, more))
                    .flatMap(Optional::stream)
                    .filter(p -> p.readyMinute() <= due)
                    .sorted(Comparator.comparingLong(Priced::extraMinutes))
                    .limit(MOST_OF_A_KIND)
                    .forEach(out::add);
        }
        out.sort(
                Comparator.comparingLong(Priced::extraMinutes)
                        .thenComparingLong(Priced::othersLate)
                        .thenComparingLong(Priced::othersLater));
        out.add(new Priced(new Way.LaterDate(ready), ready, 0, 0, 0));
        return List.copyOf(out);
    }

    private static List<Span> longer(DiaryCase asked, long due) {
        List<Span> out = new ArrayList<>();
        for (long minutes : LONGER) {
            for (Span s : asked.bench()) {
                if (s.untilMinute() < due) {
                    out.add(new Span(s.untilMinute(), s.untilMinute() + minutes));
                }
            }
        }
        return out;
    }

    /** On days without bench time, at the hour at which other days have it. */
    private static List<Span> eveningsMore(DiaryCase asked, long due) {
        List<Span> out = new ArrayList<>();
        if (asked.bench().isEmpty()) {
            return out;
        }
        Span usual = asked.bench().getLast();
        long length = Math.min(EVENING_MINUTES, usual.untilMinute() - usual.fromMinute());
        for (long at = usual.fromMinute(); at > asked.fromMinute(); at -= DAY) {
            Span evening = new Span(at, at + length);
            boolean free =
                    asked.bench().stream()
                            .allMatch(
                                    s ->
                                            s.untilMinute() <= evening.fromMinute() - DAY / 2
                                                    || evening.untilMinute() + DAY / 2
                                                            <= s.fromMinute());
            if (free && evening.untilMinute() <= due) {
                out.add(evening);
            }
        }
        return out;
    }

    private static Optional<Priced> priced(DiaryCase asked, DiaryPlan plan, int job, Span more) {
        DiaryCase with =
                new DiaryCase(
                        asked.jobs(),
                        Availability.with(asked.bench(), more),
                        asked.resources(),
                        asked.fromMinute());
        DiarySolver.Answer answer =
                DiarySolver.solve(
                        with,
                        Optional.empty(),
                        new DiarySolver.Effort(0),
                        DiarySolver.Follower.NOBODY,
                        Watch.NOBODY);
        return answer instanceof DiarySolver.Answer.Found f
                        && DiaryCheck.faults(with, f.plan(), f.missed()).isEmpty()
                ? Optional.of(
                        price(
                                asked,
                                plan,
                                f.plan(),
                                job,
                                new Way.MoreTime(more),
                                more.untilMinute() - more.fromMinute()))
                : Optional.empty();
    }

    private static Optional<Priced> first(DiaryCase asked, DiaryPlan plan, int job) {
        Grid grid = new Grid(asked);
        List<Integer> order = new ArrayList<>(ListSchedule.datesFirst(grid));
        order.remove(Integer.valueOf(job));
        order.addFirst(job);
        ListSchedule.Result found = ListSchedule.inOrder(grid, order, grid.earliest);
        if (found.stuck.isPresent()) {
            return Optional.empty();
        }
        DiaryPlan after = grid.plan(found.start);
        return DiaryCheck.faults(asked, after, grid.missed()).isEmpty()
                ? Optional.of(price(asked, plan, after, job, new Way.ComesFirst(), 0))
                : Optional.empty();
    }

    private static Priced price(
            DiaryCase asked, DiaryPlan before, DiaryPlan after, int job, Way way, long extra) {
        long later = 0;
        long late = 0;
        for (int j = 0; j < asked.jobs().size(); j++) {
            if (j == job) {
                continue;
            }
            long was = ready(asked, before, j);
            long now = ready(asked, after, j);
            long due = asked.jobs().get(j).dueMinute().orElse(Long.MAX_VALUE);
            later += Math.max(0, now - was);
            late += Math.max(0, now - due) - Math.max(0, was - due);
        }
        return new Priced(way, ready(asked, after, job), extra, later, Math.max(0, late));
    }

    private static long ready(DiaryCase asked, DiaryPlan plan, int job) {
        return DiaryScore.readyMinute(
                asked.jobs().get(job), plan.starts().get(job), asked.fromMinute());
    }
}
