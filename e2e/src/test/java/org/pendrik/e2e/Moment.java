package org.pendrik.e2e;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;

/**
 * When and where the tests take place. Application and page both follow the clock that the server
 * is started with: {@code -De2e.moment=2026-11-25T14:20 -De2e.zone=Europe/Berlin} puts them
 * elsewhere.
 *
 * @param at time on the wall when a server starts
 */
record Moment(ZonedDateTime at) {
    /** A Wednesday afternoon, far from midnight and from a change of the clocks. */
    static final Moment OF_THIS_RUN =
            at(
                    System.getProperty("e2e.moment", "2026-11-25T14:20"),
                    System.getProperty("e2e.zone", "Europe/Berlin"));

    static Moment at(String local, String zone) {
        return new Moment(java.time.LocalDateTime.parse(local).atZone(ZoneId.of(zone)));
    }

    Instant instant() {
        return at.toInstant();
    }

    String zone() {
        return at.getZone().getId();
    }
}
