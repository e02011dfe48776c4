package org.pendrik.app.diary;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.workshop.BenchChange;
import org.pendrik.app.workshop.BenchTimes;
import org.pendrik.app.workshop.BusyCalendar;
import org.pendrik.app.workshop.BusyTimes;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.diary.Availability.Span;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Calendars out of the diary, and those of others into it. */
@Service
class Calendars {
    /** Bits of a private link. */
    private static final int LINK_BYTES = 24;

    /** The diary looks a year ahead, and some days more. */
    private static final Duration AHEAD = Duration.ofDays(380);

    private final WorkshopDiary diary;
    private final Workshops workshops;
    private final BenchTimes benchTimes;
    private final BusyTimes busyTimes;
    private final CalendarMapper mapper;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Calendars(
            WorkshopDiary diary,
            Workshops workshops,
            BenchTimes benchTimes,
            BusyTimes busyTimes,
            CalendarMapper mapper,
            Clock clock) {
        this.diary = diary;
        this.workshops = workshops;
        this.benchTimes = benchTimes;
        this.busyTimes = busyTimes;
        this.mapper = mapper;
        this.clock = clock;
    }

    /** The diary as a file. */
    String file() {
        return CalendarFiles.write(diary.view());
    }

    /** Whether there is a private link. */
    boolean hasLink() {
        return mapper.link() != null;
    }

    /** Makes a private link, told only now; one from before ends. */
    String link() {
        byte[] secret = new byte[LINK_BYTES];
        random.nextBytes(secret);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
        mapper.put(sha256(token), clock.instant());
        return "/calendar/" + token + ".ics";
    }

    /** Ends the private link. */
    void unlink() {
        mapper.forget();
    }

    /** The diary for whoever knows the private link; empty for anyone else. */
    Optional<String> byLink(String token) {
        String known = mapper.link();
        boolean knows =
                known != null
                        && MessageDigest.isEqual(
                                known.getBytes(StandardCharsets.US_ASCII),
                                sha256(token).getBytes(StandardCharsets.US_ASCII));
        return knows ? Optional.of(file()) : Optional.empty();
    }

    private static String sha256(String token) {
        try {
            return HexFormat.of()
                    .formatHex(
                            MessageDigest.getInstance("SHA-256")
                                    .digest(token.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    /**
     * A calendar as it is shown.
     *
     * @param times how often its owner is busy
     */
    record CalendarInUse(String name, Instant readAt, int times) {}

    /**
     * What came of reading a calendar.
     *
     * @param calendars all there are now
     * @param moved sittings that stood elsewhere in it; their evenings are changed
     */
    record CalendarReadIn(List<CalendarInUse> calendars, List<MovedEvening> moved) {}

    /** A sitting that was moved in the calendar of its owner. */
    record MovedEvening(Instant was, Instant from, Instant until) {}

    List<CalendarInUse> all() {
        return shown(busyTimes.all());
    }

    private static List<CalendarInUse> shown(List<BusyCalendar> all) {
        return all.stream()
                .map(c -> new CalendarInUse(c.name(), c.readAt(), c.busy().size()))
                .toList();
    }

    List<CalendarInUse> delete(String name) {
        return shown(busyTimes.delete(name));
    }

    /** Reads a calendar: its busy times are no bench time; sittings moved in it are moved here. */
    @Transactional
    public CalendarReadIn read(String name, byte[] file) {
        Instant now = clock.instant();
        ZoneId zone = ZoneId.of(workshops.current().zoneId());
        CalendarFiles.Read read = CalendarFiles.read(file, zone, now, now.plus(AHEAD));
        List<BusyCalendar> all = busyTimes.put(new BusyCalendar(name, now, read.busy()));
        List<MovedEvening> moved = new ArrayList<>();
        for (CalendarFiles.MovedSitting m : read.moved()) {
            change(m.was(), zone, false);
            change(m.is(), zone, true);
            moved.add(
                    new MovedEvening(
                            WorkshopDiary.at(m.was().fromMinute()),
                            WorkshopDiary.at(m.is().fromMinute()),
                            WorkshopDiary.at(m.is().untilMinute())));
        }
        return new CalendarReadIn(shown(all), moved);
    }

    /** Bench time that is otherwise; a stretch past midnight is two. */
    private void change(Span span, ZoneId zone, boolean there) {
        ZonedDateTime from = WorkshopDiary.at(span.fromMinute()).atZone(zone);
        ZonedDateTime until = WorkshopDiary.at(span.untilMinute()).atZone(zone);
        while (from.isBefore(until)) {
            ZonedDateTime midnight = from.toLocalDate().plusDays(1).atStartOfDay(zone);
            boolean over = !until.isBefore(midnight);
            @Nullable LocalTime end = over ? null : until.toLocalTime();
            // the same change twice is one: its id comes from what it says
            String says = from.toLocalDateTime() + " " + end + " " + there;
            benchTimes.put(
                    new BenchChange(
                            UUID.nameUUIDFromBytes(says.getBytes(StandardCharsets.UTF_8)),
                            from.toLocalDate(),
                            from.toLocalTime(),
                            end,
                            there));
            from = midnight;
        }
    }
}
