package org.pendrik.app.bench;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.store.ZoneTimes;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.Rounds;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Timing;
import org.pendrik.core.film.WindowClock;
import org.springframework.stereotype.Component;

/**
 * Leads zone by zone through a coat and the work in its window: where the two go in rounds, and
 * where a coat lies on several zones, each with a window of its own.
 */
@Component
class ZoneWork {
    private final Engines engines;
    private final Clock clock;

    ZoneWork(Engines engines, Clock clock) {
        this.engines = engines;
        this.clock = clock;
    }

    /** Whether a zone is laid or worked next. */
    enum Part {
        LAY,
        WORK
    }

    /**
     * One zone.
     *
     * @param round in which it is done, from 1
     * @param laidAt when the coat was laid there; null while it is not
     * @param opensAt when it may be worked
     * @param closesAt when the work has to be over
     * @param workedAt when it was; null while it is not
     */
    record ZoneLine(
            String zone,
            String name,
            int round,
            @Nullable Instant laidAt,
            @Nullable Instant opensAt,
            @Nullable Instant closesAt,
            @Nullable Instant workedAt) {}

    /**
     * The zones of a coat and its work.
     *
     * @param stepId the step whose zone comes next
     * @param stepName what is done there
     * @param part whether that lays or works
     * @param zone that comes next
     * @param round in which it stands, from 1
     * @param rounds how many there are
     * @param clock of the zone at hand; while laying, of the one that closes first; null while
     *     nothing lies
     */
    record ZonesView(
            StepId stepId,
            String stepName,
            String material,
            Part part,
            String zone,
            String zoneName,
            int round,
            int rounds,
            Benches.@Nullable ClockView clock,
            List<ZoneLine> lines) {}

    /**
     * The zones of the step that comes next; null where it is done in one go.
     *
     * @param all the whole case, what is open without times
     * @param entries of the log
     * @param names of the zones by key
     */
    @Nullable ZonesView of(FilmCase all, List<LogEntry> entries, Map<String, String> names) {
        FilmCase inRounds = engines.timing().inRounds(all);
        List<Act> done = inRounds.acts().stream().filter(Act::done).toList();
        List<Act> open = inRounds.acts().stream().filter(a -> !a.done()).toList();
        if (open.isEmpty()) {
            return null;
        }
        Act first = open.getFirst();
        if (first.rounds().prepared() && !first.keepsWindow() && open.size() > 1) {
            return view(all.with(done), first, open.get(1), entries, names);
        }
        boolean zones = first.keepsWindow() && first.zones().size() > 1;
        return zones ? view(all.with(done), null, first, entries, names) : null;
    }

    private @Nullable ZonesView view(
            FilmCase done,
            @Nullable Act coat,
            Act work,
            List<LogEntry> entries,
            Map<String, String> names) {
        Map<String, ZoneTimes.Span> laid = coat == null ? Map.of() : times(entries, coat.id());
        Map<String, ZoneTimes.Span> worked = times(entries, work.id());
        Map<String, Timing.ZoneWindow> windows = windows(done, coat, laid, work);
        List<List<String>> groups =
                coat == null ? List.of(List.copyOf(work.zones())) : coat.rounds().groups();
        List<ZoneLine> lines = new ArrayList<>();
        @Nullable Act next = null;
        String zone = "";
        int round = 0;
        for (int g = 0; g < groups.size(); g++) {
            for (String z : groups.get(g)) {
                Timing.ZoneWindow w = windows.get(z);
                lines.add(
                        new ZoneLine(
                                z,
                                names.getOrDefault(z, z),
                                g + 1,
                                laid.containsKey(z) ? laid.get(z).until() : null,
                                w == null ? null : at(w.opensMinute()),
                                w == null ? null : at(w.closesMinute()),
                                worked.containsKey(z) ? worked.get(z).until() : null));
            }
            for (Act a : coat == null ? List.of(work) : List.of(coat, work)) {
                Map<String, ZoneTimes.Span> ready = a.id().equals(work.id()) ? worked : laid;
                for (String z : groups.get(g)) {
                    if (next == null && !ready.containsKey(z)) {
                        next = a;
                        zone = z;
                        round = g + 1;
                    }
                }
            }
        }
        if (next == null) {
            return null;
        }
        boolean working = next.id().equals(work.id());
        return new ZonesView(
                next.id(),
                next.technique().name(),
                next.material().key(),
                working ? Part.WORK : Part.LAY,
                zone,
                names.getOrDefault(zone, zone),
                round,
                groups.size(),
                watched(lines, working ? zone : "")
                        .map(l -> clock(done, coat, work, l))
                        .orElse(null),
                lines);
    }

    /** The line whose window has to be watched: of the zone at hand, else the first to close. */
    private static Optional<ZoneLine> watched(List<ZoneLine> lines, String atHand) {
        List<ZoneLine> open =
                lines.stream()
                        .filter(l -> l.workedAt() == null && opensAtAll(l))
                        .sorted(Comparator.comparing(ZoneLine::closesAt))
                        .toList();
        return open.stream()
                .filter(l -> l.zone().equals(atHand))
                .findFirst()
                .or(() -> open.stream().findFirst());
    }

    private static boolean opensAtAll(ZoneLine l) {
        return l.opensAt() != null && l.closesAt() != null && l.opensAt().isBefore(l.closesAt());
    }

    private Benches.ClockView clock(FilmCase done, @Nullable Act coat, Act work, ZoneLine line) {
        Instant opens = Objects.requireNonNull(line.opensAt());
        Instant closes = Objects.requireNonNull(line.closesAt());
        String laid =
                coat != null
                        ? coat.material().name()
                        : engines.timing().spans(done.with(plus(done.acts(), work))).stream()
                                .filter(s -> s.workActId().equals(work.id()))
                                .map(Timing.WorkSpan::coat)
                                .findFirst()
                                .orElse("coat");
        return new Benches.ClockView(
                work.id(),
                work.technique().name(),
                laid + " on the " + line.name(),
                WindowClock.read(
                                opens,
                                Duration.ZERO,
                                Duration.between(opens, closes),
                                clock.instant())
                        .phase(),
                opens,
                closes);
    }

    private static List<Act> plus(List<Act> acts, Act one) {
        List<Act> out = new ArrayList<>(acts);
        out.add(one);
        return out;
    }

    private Map<String, Timing.ZoneWindow> windows(
            FilmCase done, @Nullable Act coat, Map<String, ZoneTimes.Span> laid, Act work) {
        if (coat == null) {
            return engines.timing().zoneWindows(done, work);
        }
        if (laid.isEmpty()) {
            return Map.of();
        }
        Set<String> on = new LinkedHashSet<>(laid.keySet());
        long from =
                laid.values().stream()
                        .mapToLong(s -> StoredStep.minute(s.from()))
                        .min()
                        .orElse(StoredStep.minute(clock.instant()));
        long until =
                laid.values().stream()
                        .mapToLong(s -> StoredStep.minute(s.until()))
                        .max()
                        .orElse(from);
        Map<String, Rounds.Span> spans = new LinkedHashMap<>();
        laid.forEach(
                (z, s) ->
                        spans.put(
                                z,
                                new Rounds.Span(
                                        (int) (StoredStep.minute(s.from()) - from),
                                        (int) (StoredStep.minute(s.until()) - from))));
        Act there = coat.on(on).doneAt(from, (int) (until - from)).inRounds(Rounds.timed(spans));
        List<Act> acts = new ArrayList<>(done.acts());
        acts.add(
                done.acts().isEmpty() || done.acts().getLast().atMinute() <= from
                        ? there
                        : there.at(done.acts().getLast().atMinute()));
        return engines.timing().zoneWindows(done.with(acts), work.on(on));
    }

    private static Map<String, ZoneTimes.Span> times(List<LogEntry> entries, StepId step) {
        return entries.stream()
                .filter(e -> e.stepId().equals(step))
                .map(LogEntry::zoneTimes)
                .filter(Objects::nonNull)
                .findFirst()
                .map(ZoneTimes::spans)
                .orElse(Map.of());
    }

    private static Instant at(long minute) {
        return Instant.ofEpochSecond(minute * 60);
    }
}
