package org.pendrik.core.diary;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.pendrik.core.units.InvalidInput;

/**
 * When the person is at the bench: a weekly pattern, and days on which it is otherwise.
 *
 * @param slots may not overlap on a day
 * @param zone where the clock on the wall is
 * @param changes what is otherwise on a day; where two speak of the same minute, being away counts
 */
public record Availability(List<Slot> slots, ZoneId zone, List<Change> changes) {
    /**
     * A stretch of one day on which the pattern does not hold.
     *
     * @param day on the wall's calendar
     * @param from begins
     * @param until ends; empty at midnight
     * @param there at the bench then, or away
     */
    public record Change(LocalDate day, LocalTime from, Optional<LocalTime> until, boolean there) {
        public Change {
            if (until.isPresent() && !from.isBefore(until.get())) {
                throw new InvalidInput(
                        "Change of bench time on " + day,
                        from + " to " + until.get(),
                        "must end after it begins",
                        "Leave the end open for midnight.");
            }
        }
    }

    /** The pattern alone. */
    public Availability(List<Slot> slots, ZoneId zone) {
        this(slots, zone, List.of());
    }

    /**
     * One stretch of a weekday.
     *
     * @param day of the week
     * @param from begins
     * @param until ends, after it begins
     */
    public record Slot(DayOfWeek day, LocalTime from, LocalTime until) {
        public Slot {
            if (!from.isBefore(until)) {
                throw new InvalidInput(
                        "Bench time",
                        from + " to " + until,
                        "must end after it begins",
                        "Split an evening that passes midnight in two.");
            }
        }
    }

    /**
     * A stretch of bench time.
     *
     * @param fromMinute minutes since 1970-01-01 UTC
     * @param untilMinute exclusive
     */
    public record Span(long fromMinute, long untilMinute) {}

    public Availability {
        changes = List.copyOf(changes);
        slots =
                slots.stream()
                        .sorted(Comparator.comparing(Slot::day).thenComparing(Slot::from))
                        .toList();
        for (int i = 1; i < slots.size(); i++) {
            Slot a = slots.get(i - 1);
            Slot b = slots.get(i);
            if (a.day() == b.day() && b.from().isBefore(a.until())) {
                throw new InvalidInput(
                        "Bench time",
                        b.from() + " to " + b.until(),
                        "must not overlap another stretch of the same day",
                        "Join the two.");
            }
        }
    }

    /**
     * The stretches from a minute on for a number of days, in order; the first is cut to begin
     * then.
     */
    public List<Span> spans(long fromMinute, int days) {
        LocalDate day = Instant.ofEpochSecond(fromMinute * 60).atZone(zone).toLocalDate();
        List<Span> out = new ArrayList<>();
        for (int i = 0; i <= days; i++) {
            LocalDate date = day.plusDays(i);
            for (Slot s : slots) {
                if (s.day() == date.getDayOfWeek()) {
                    long a = date.atTime(s.from()).atZone(zone).toEpochSecond() / 60;
                    long b = date.atTime(s.until()).atZone(zone).toEpochSecond() / 60;
                    if (b > fromMinute && b > a) {
                        out.add(new Span(Math.max(a, fromMinute), b));
                    }
                }
            }
        }
        return changed(out, fromMinute, day, day.plusDays(days));
    }

    private List<Span> changed(
            List<Span> pattern, long fromMinute, LocalDate first, LocalDate last) {
        List<Span> out = pattern;
        List<Span> away = new ArrayList<>();
        for (Change c : changes) {
            if (c.day().isBefore(first) || c.day().isAfter(last)) {
                continue;
            }
            long a = c.day().atTime(c.from()).atZone(zone).toEpochSecond() / 60;
            long b =
                    c.until()
                                    .map(u -> c.day().atTime(u))
                                    .orElse(c.day().plusDays(1).atStartOfDay())
                                    .atZone(zone)
                                    .toEpochSecond()
                            / 60;
            Span span = new Span(Math.max(a, fromMinute), b);
            if (span.fromMinute() >= b) {
                continue;
            }
            if (c.there()) {
                out = with(out, span);
            } else {
                away.add(span);
            }
        }
        return without(out, away);
    }

    /**
     * Spans without the minutes that are taken. One pass over both, O(n + m) after sorting what is
     * taken.
     *
     * @param spans in order and apart
     * @param taken in any order, and may overlap
     */
    public static List<Span> without(List<Span> spans, List<Span> taken) {
        List<Span> cuts =
                taken.stream().sorted(Comparator.comparingLong(Span::fromMinute)).toList();
        List<Span> left = new ArrayList<>();
        int first = 0;
        for (Span s : spans) {
            while (first < cuts.size() && cuts.get(first).untilMinute() <= s.fromMinute()) {
                first++;
            }
            long free = s.fromMinute();
            for (int i = first; i < cuts.size(); i++) {
                Span cut = cuts.get(i);
                if (cut.fromMinute() >= s.untilMinute()) {
                    break;
                }
                if (cut.fromMinute() > free) {
                    left.add(new Span(free, cut.fromMinute()));
                }
                free = Math.max(free, cut.untilMinute());
            }
            if (free < s.untilMinute()) {
                left.add(new Span(free, s.untilMinute()));
            }
        }
        return List.copyOf(left);
    }

    /** Spans with one more, joined where they touch. */
    public static List<Span> with(List<Span> spans, Span more) {
        List<Span> sorted = new ArrayList<>(spans);
        sorted.add(more);
        sorted.sort(Comparator.comparingLong(Span::fromMinute));
        List<Span> out = new ArrayList<>();
        for (Span s : sorted) {
            Span last = out.isEmpty() ? null : out.getLast();
            if (last != null && s.fromMinute() <= last.untilMinute()) {
                out.set(
                        out.size() - 1,
                        new Span(last.fromMinute(), Math.max(last.untilMinute(), s.untilMinute())));
            } else {
                out.add(s);
            }
        }
        return List.copyOf(out);
    }
}
