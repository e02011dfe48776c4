package org.pendrik.app.diary;

import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CalendarController {
    private final Calendars calendars;

    CalendarController(Calendars calendars) {
        this.calendars = calendars;
    }

    /** The diary as an iCalendar file. */
    @GetMapping(value = "/api/diary/calendar.ics", produces = CalendarFiles.TYPE)
    ResponseEntity<String> calendarFile() {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"diary.ics\"")
                .body(calendars.file());
    }

    /**
     * Whether calendars can take the diary by a private link.
     *
     * @param path of the link, told only when it is made
     */
    record CalendarLink(boolean made, @org.jspecify.annotations.Nullable String path) {}

    @GetMapping("/api/diary/calendar-link")
    CalendarLink calendarLink() {
        return new CalendarLink(calendars.hasLink(), null);
    }

    /** Makes a private link; one from before ends. */
    @PostMapping("/api/diary/calendar-link")
    CalendarLink makeCalendarLink() {
        return new CalendarLink(true, calendars.link());
    }

    /** Ends the private link. */
    @DeleteMapping("/api/diary/calendar-link")
    CalendarLink endCalendarLink() {
        calendars.unlink();
        return new CalendarLink(false, null);
    }

    /** The diary for whoever knows the private link. */
    @GetMapping(value = "/calendar/{token}.ics", produces = CalendarFiles.TYPE)
    ResponseEntity<String> calendarByLink(@PathVariable String token) {
        return calendars
                .byLink(token)
                .map(c -> ResponseEntity.ok().header(HttpHeaders.CACHE_CONTROL, "no-store").body(c))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    /** Calendars that were read in. */
    @GetMapping("/api/workshop/calendars")
    List<Calendars.CalendarInUse> calendars() {
        return calendars.all();
    }

    /** Reads an iCalendar file in; one of the same name is replaced. */
    @PutMapping(
            value = "/api/workshop/calendars/{name}",
            consumes = {CalendarFiles.TYPE, MediaType.APPLICATION_OCTET_STREAM_VALUE})
    Calendars.CalendarReadIn readCalendar(@PathVariable String name, @RequestBody byte[] file) {
        return calendars.read(name, file);
    }

    /** Lets a calendar go. */
    @DeleteMapping("/api/workshop/calendars/{name}")
    List<Calendars.CalendarInUse> letCalendarGo(@PathVariable String name) {
        return calendars.delete(name);
    }
}
