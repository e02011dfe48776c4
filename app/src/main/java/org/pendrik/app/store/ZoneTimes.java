package org.pendrik.app.store;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import org.apache.ibatis.type.MappedTypes;
import org.springframework.stereotype.Component;

/**
 * When a step was on each of its zones, in the order in which it went over them.
 *
 * @param spans by key of the zone
 */
public record ZoneTimes(Map<String, Span> spans) {
    /**
     * A stretch of time on a zone.
     *
     * @param from began
     * @param until was over, not before it began
     */
    public record Span(Instant from, Instant until) {}

    public ZoneTimes {
        spans = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(spans));
    }

    /** Kept as key, begin and end in seconds since 1970, zones apart by a blank. */
    @Component
    @MappedTypes(ZoneTimes.class)
    public static class Handler extends TextTypeHandler<ZoneTimes> {
        @Override
        protected String write(ZoneTimes value) {
            StringBuilder out = new StringBuilder();
            value.spans()
                    .forEach(
                            (zone, s) ->
                                    out.append(out.isEmpty() ? "" : " ")
                                            .append(zone)
                                            .append('@')
                                            .append(s.from().getEpochSecond())
                                            .append('-')
                                            .append(s.until().getEpochSecond()));
            return out.toString();
        }

        @Override
        protected ZoneTimes read(String text) {
            Map<String, Span> out = new LinkedHashMap<>();
            for (String one : text.isEmpty() ? new String[0] : text.split(" ", -1)) {
                int at = one.lastIndexOf('@');
                int to = one.indexOf('-', at);
                out.put(
                        one.substring(0, at),
                        new Span(
                                Instant.ofEpochSecond(Long.parseLong(one.substring(at + 1, to))),
                                Instant.ofEpochSecond(Long.parseLong(one.substring(to + 1)))));
            }
            return new ZoneTimes(out);
        }
    }
}
