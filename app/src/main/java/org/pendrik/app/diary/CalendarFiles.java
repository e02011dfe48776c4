package org.pendrik.app.diary;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Period;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.component.VAlarm;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Action;
import net.fortuna.ical4j.model.property.CalScale;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtEnd;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.Transp;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.units.InvalidInput;

/** The diary as iCalendar (RFC 5545), and calendars of others read. */
final class CalendarFiles {
    static final String TYPE = "text/calendar";

    private static final Duration BEFORE_IT_CLOSES = Duration.ofMinutes(-15);
    private static final Duration BEFORE_A_SITTING = Duration.ofMinutes(-30);
    private static final String SITTING = "sitting-";
    private static final String OWN = "@pendrik";
    private static final int MOST_TIMES = 20_000;

    /** A sitting is no longer than a day. */
    private static final long LONGEST_SITTING = 1_440;

    /** Rules that would make more times than anybody has, before they could be counted. */
    private static final Pattern FLOOD = Pattern.compile("(?i)FREQ=(SECONDLY|MINUTELY)|BYSECOND=");

    private CalendarFiles() {}

    /** Sittings, windows with an alarm before they close, and dates. */
    static String write(WorkshopView view) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Pendrik//Diary of the workshop//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(new CalScale(CalScale.VALUE_GREGORIAN));
        for (WorkshopView.Sitting s : view.sittings()) {
            VEvent e =
                    event(
                            SITTING
                                    + s.from().getEpochSecond() / 60
                                    + "-"
                                    + s.until().getEpochSecond() / 60,
                            view.now(),
                            "At the bench: "
                                    + s.work().stream()
                                            .map(WorkshopView.Work::jobName)
                                            .distinct()
                                            .collect(Collectors.joining(", ")),
                            s.from(),
                            s.until());
            e.add(new Description(list(s, ZoneId.of(view.zoneId()))));
            e.add(alarm(BEFORE_A_SITTING, "Soon at the bench"));
            calendar.add(e);
        }
        for (WorkshopView.Track t : view.tracks()) {
            windows(calendar, t, view.now());
            LocalDate day = t.diary().wantedOn();
            if (day != null) {
                VEvent e = new VEvent(false);
                e.add(new Uid("date-" + t.jobId() + OWN));
                e.add(new DtStamp(view.now()));
                e.add(new DtStart<>(day));
                e.add(new DtEnd<>(day.plusDays(1)));
                e.add(new Summary("Wanted: " + t.jobName()));
                e.add(new Transp(Transp.VALUE_TRANSPARENT));
                calendar.add(e);
            }
        }
        StringWriter out = new StringWriter();
        try {
            new CalendarOutputter(false).output(calendar, out);
        } catch (IOException e) {
            throw new IllegalStateException("a text in memory", e);
        }
        return out.toString();
    }

    private static void windows(Calendar calendar, WorkshopView.Track t, Instant now) {
        for (Diaries.Slot s : t.diary().slots()) {
            Instant opens = s.windowOpens();
            Instant closes = s.windowCloses();
            if (opens == null
                    || closes == null
                    || !closes.isAfter(now)
                    || !opens.isBefore(closes)) {
                continue;
            }
            VEvent e =
                    event(
                            "window-" + t.jobId() + "-" + s.stepId().value(),
                            now,
                            "Window: " + s.name() + ", " + t.jobName(),
                            opens,
                            closes);
            e.add(new Transp(Transp.VALUE_TRANSPARENT));
            VAlarm a = alarm(BEFORE_IT_CLOSES, s.name() + " of " + t.jobName() + " closes soon");
            a.getRequiredProperty(Property.TRIGGER)
                    .add(new net.fortuna.ical4j.model.parameter.Related("END"));
            e.add(a);
            calendar.add(e);
        }
    }

    private static String list(WorkshopView.Sitting s, ZoneId zone) {
        StringBuilder out = new StringBuilder();
        if (!s.fillings().isEmpty()) {
            out.append("Airbrush: ")
                    .append(
                            s.fillings().stream()
                                    .map(WorkshopView.Filling::material)
                                    .collect(Collectors.joining(", ")))
                    .append('\n');
        }
        for (WorkshopView.Work w : s.work()) {
            out.append(w.start().atZone(zone).toLocalTime().withSecond(0).withNano(0))
                    .append(' ')
                    .append(w.name())
                    .append(", ")
                    .append(w.material())
                    .append(" (")
                    .append(w.jobName())
                    .append(")\n");
        }
        return out.toString().strip();
    }

    private static VEvent event(
            String id, Instant stamp, String summary, Instant from, Instant until) {
        VEvent e = new VEvent(false);
        e.add(new Uid(id + OWN));
        e.add(new DtStamp(stamp));
        e.add(new DtStart<>(from));
        e.add(new DtEnd<>(until));
        e.add(new Summary(summary));
        return e;
    }

    private static VAlarm alarm(Duration before, String says) {
        VAlarm a = new VAlarm(before);
        a.add(new Action(Action.VALUE_DISPLAY));
        a.add(new Description(says));
        return a;
    }

    /**
     * A sitting that stands elsewhere in the calendar of its owner.
     *
     * @param was where it was given out
     * @param is where it stands now
     */
    record MovedSitting(Span was, Span is) {}

    /**
     * What a calendar says.
     *
     * @param busy times of its owner elsewhere, minutes since 1970-01-01 UTC
     * @param moved sittings of this diary that its owner moved there
     */
    record Read(List<Span> busy, List<MovedSitting> moved) {}

    /**
     * Reads a calendar. Events that are cancelled or that leave their time free are no busy times;
     * those that come again are taken one by one.
     *
     * @param zone where times without one are meant
     * @param from nothing that is over by then is taken
     * @param until nothing that begins later is taken
     * @throws InvalidInput when it is no calendar, or too full
     */
    static Read read(byte[] file, ZoneId zone, Instant from, Instant until) {
        Calendar calendar;
        try {
            calendar = new CalendarBuilder().build(new ByteArrayInputStream(file));
        } catch (ParserException | IOException | RuntimeException e) {
            throw new InvalidInput(
                    "File",
                    file.length + " bytes",
                    "is no calendar that can be read",
                    "Export it from your calendar as iCalendar (a file that ends with .ics).");
        }
        List<VEvent> events = calendar.getComponents("VEVENT");
        Map<String, Set<Instant>> replaced = new HashMap<>();
        for (VEvent e : events) {
            Temporal instead = date(e, Property.RECURRENCE_ID);
            if (instead != null) {
                replaced.computeIfAbsent(uid(e), _ -> new HashSet<>()).add(instant(instead, zone));
            }
        }
        List<Span> busy = new ArrayList<>();
        List<MovedSitting> moved = new ArrayList<>();
        for (VEvent e : events) {
            String uid = uid(e);
            if (uid.endsWith(OWN)) {
                given(uid).flatMap(was -> moved(e, was, zone, from)).ifPresent(moved::add);
                continue;
            }
            if (says(e, Property.TRANSP, "TRANSPARENT") || says(e, Property.STATUS, "CANCELLED")) {
                continue;
            }
            boolean single = e.getProperty(Property.RECURRENCE_ID).isPresent();
            for (Span s : occurrences(e, zone, from, until)) {
                boolean elsewhere =
                        !single
                                && replaced.getOrDefault(uid, Set.of())
                                        .contains(Instant.ofEpochSecond(s.fromMinute() * 60));
                if (!elsewhere) {
                    busy.add(s);
                }
            }
            if (busy.size() > MOST_TIMES) {
                throw new InvalidInput(
                        "Calendar",
                        "more than " + MOST_TIMES + " times",
                        "is too full",
                        "Export one calendar, or a year of it.");
            }
        }
        return new Read(List.copyOf(busy), List.copyOf(moved));
    }

    private static String uid(VEvent e) {
        return e.getProperty(Property.UID).map(Property::getValue).orElse("");
    }

    private static boolean says(VEvent e, String property, String value) {
        return e.getProperty(property).map(p -> value.equalsIgnoreCase(p.getValue())).orElse(false);
    }

    private static @Nullable Temporal date(VEvent e, String property) {
        return e.getProperty(property)
                .filter(p -> p instanceof net.fortuna.ical4j.model.property.DateProperty<?>)
                .map(
                        p ->
                                (Temporal)
                                        ((net.fortuna.ical4j.model.property.DateProperty<?>) p)
                                                .getDate())
                .orElse(null);
    }

    /** The stretch that is told by the name of one of our own sittings. */
    private static Optional<Span> given(String uid) {
        String name = uid.substring(0, uid.length() - OWN.length());
        String[] parts =
                name.startsWith(SITTING)
                        ? name.substring(SITTING.length()).split("-")
                        : new String[0];
        if (parts.length != 2) {
            return Optional.empty();
        }
        try {
            Span was = new Span(Long.parseLong(parts[0]), Long.parseLong(parts[1]));
            return isSitting(was) ? Optional.of(was) : Optional.empty();
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    private static boolean isSitting(Span s) {
        return s.fromMinute() >= 0
                && s.fromMinute() < s.untilMinute()
                && s.untilMinute() - s.fromMinute() <= LONGEST_SITTING;
    }

    private static Optional<MovedSitting> moved(VEvent e, Span was, ZoneId zone, Instant from) {
        Temporal start = date(e, Property.DTSTART);
        if (start == null || says(e, Property.STATUS, "CANCELLED")) {
            return Optional.empty();
        }
        Span is = span(e, start, zone);
        boolean same = is.equals(was);
        boolean over = was.untilMinute() <= StoredStep.minute(from);
        if (!same && !over && !isSitting(is)) {
            throw new InvalidInput(
                    "Sitting moved to " + WorkshopDiary.at(is.fromMinute()),
                    is.untilMinute() - is.fromMinute() + " min",
                    "must last a minute to a day",
                    "Give it an end in your calendar, and read it in again.");
        }
        return same || over ? Optional.empty() : Optional.of(new MovedSitting(was, is));
    }

    private static List<Span> occurrences(VEvent e, ZoneId zone, Instant from, Instant until) {
        Temporal start = date(e, Property.DTSTART);
        if (start == null) {
            return List.of();
        }
        List<Span> out = new ArrayList<>();
        if (e.getProperty(Property.RRULE).isEmpty() && e.getProperty(Property.RDATE).isEmpty()) {
            out.add(span(e, start, zone));
        } else {
            try {
                if (e.getProperty(Property.RRULE)
                        .filter(r -> FLOOD.matcher(r.getValue()).find())
                        .isPresent()) {
                    throw new IllegalArgumentException("too often");
                }
                Span first = span(e, start, zone);
                for (Period<Temporal> p :
                        e.<Temporal>calculateRecurrenceSet(within(start, zone, from, until))) {
                    Instant begin = instant(p.getStart(), zone);
                    long minute = StoredStep.minute(begin);
                    out.add(new Span(minute, minute + first.untilMinute() - first.fromMinute()));
                }
            } catch (RuntimeException broken) {
                throw new InvalidInput(
                        "Event",
                        e.getProperty(Property.SUMMARY).map(Property::getValue).orElse(uid(e)),
                        "comes again by a rule that cannot be read",
                        "Leave it out, or enter its days one by one.");
            }
        }
        long a = StoredStep.minute(from);
        long b = StoredStep.minute(until);
        out.removeIf(
                s ->
                        s.untilMinute() <= a
                                || s.fromMinute() >= b
                                || s.fromMinute() >= s.untilMinute());
        return out;
    }

    private static Span span(VEvent e, Temporal start, ZoneId zone) {
        Instant begin = instant(start, zone);
        Temporal end = date(e, Property.DTEND);
        Instant over;
        if (end != null) {
            over = instant(end, zone);
        } else {
            Optional<net.fortuna.ical4j.model.property.Duration> lasts =
                    e.getProperty(Property.DURATION);
            over =
                    lasts.map(
                                    d ->
                                            instant(start, zone)
                                                    .atZone(zone)
                                                    .plus(d.getDuration())
                                                    .toInstant())
                            .orElseGet(
                                    () ->
                                            start instanceof LocalDate day
                                                    ? instant(day.plusDays(1), zone)
                                                    : begin);
        }
        return new Span(StoredStep.minute(begin), StoredStep.minute(over));
    }

    /** The time looked at, in the kind of time that an event uses. */
    private static Period<? extends Temporal> within(
            Temporal like, ZoneId zone, Instant from, Instant until) {
        // what began a day before may still go on
        Instant begin = from.minus(Duration.ofDays(1));
        return switch (like) {
            case LocalDate _ ->
                    new Period<>(
                            begin.atZone(zone).toLocalDate(), until.atZone(zone).toLocalDate());
            case LocalDateTime _ ->
                    new Period<>(
                            begin.atZone(zone).toLocalDateTime(),
                            until.atZone(zone).toLocalDateTime());
            case ZonedDateTime z ->
                    new Period<>(begin.atZone(z.getZone()), until.atZone(z.getZone()));
            case OffsetDateTime o ->
                    new Period<>(begin.atOffset(o.getOffset()), until.atOffset(o.getOffset()));
            default -> new Period<>(begin, until);
        };
    }

    private static Instant instant(Temporal t, ZoneId zone) {
        return switch (t) {
            case LocalDate day -> day.atStartOfDay(zone).toInstant();
            case LocalDateTime at -> at.atZone(zone).toInstant();
            default -> Instant.from(t);
        };
    }
}
