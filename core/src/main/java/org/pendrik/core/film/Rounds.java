package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.WorkWindow;

/**
 * How two acts that belong together, a coat and the work in its window, go from zone to zone when
 * laying and working all of them in one go would not fit: some zones laid and worked, the next laid
 * and worked, as few times as the window allows.
 *
 * @param groups keys of the zones of each round, in order
 * @param prepared the two go in rounds: what both take before their first zone is done before the
 *     coat is laid, so that the work can follow at once
 * @param setup minutes that the act takes before its first zone
 * @param parts by zone, minutes that it takes there
 * @param spans by zone, minutes from the begin of the act in which it is on that zone
 */
public record Rounds(
        List<List<String>> groups,
        boolean prepared,
        int setup,
        Map<String, Integer> parts,
        Map<String, Span> spans) {
    /**
     * Minutes from the begin of an act, before it for the work of an early round.
     *
     * @param from begins
     * @param until is over
     */
    public record Span(int from, int until) {
        int minutes() {
            return until - from;
        }
    }

    /**
     * A coat and its work in rounds.
     *
     * @param coat how the coat is laid
     * @param work how it is worked
     * @param waits minutes of waiting between, so that the two together take that much longer
     */
    record Pair(Rounds coat, Rounds work, int waits) {}

    public Rounds {
        groups = groups.stream().map(List::copyOf).toList();
        parts = Collections.unmodifiableMap(new LinkedHashMap<>(parts));
        spans = Collections.unmodifiableMap(new LinkedHashMap<>(spans));
    }

    /** One zone after the other. */
    private static Rounds oneGo(int setup, Map<String, Integer> parts) {
        Map<String, Span> spans = new LinkedHashMap<>();
        int at = setup;
        for (Map.Entry<String, Integer> p : parts.entrySet()) {
            spans.put(p.getKey(), new Span(at, at + p.getValue()));
            at += p.getValue();
        }
        return new Rounds(List.of(List.copyOf(parts.keySet())), false, setup, parts, spans);
    }

    /** What a technique takes before its first zone, then its zones in order by their size. */
    static Rounds inOneGo(Technique t, Collection<Zone> zones) {
        Map<String, Integer> parts = new LinkedHashMap<>();
        int n = 0;
        double dm2 = 0;
        int setup = t.minutes(0, 0);
        int at = setup;
        for (Zone z : zones) {
            n++;
            dm2 += z.areaMm2() / 10_000;
            int until = t.minutes(n, dm2);
            parts.put(z.key(), until - at);
            at = until;
        }
        return oneGo(setup, parts);
    }

    /** Zones one after the other from the first minute on, in equal parts of the time. */
    static Rounds equalParts(Collection<String> zones, int minutes) {
        Map<String, Integer> parts = new LinkedHashMap<>();
        int n = zones.size();
        int i = 0;
        for (String z : zones) {
            parts.put(z, minutes * (i + 1) / n - minutes * i / n);
            i++;
        }
        return oneGo(0, parts);
    }

    /** As it went over the zones, by when it was on each; minutes from the begin of the act. */
    public static Rounds timed(Map<String, Span> spans) {
        Map<String, Integer> parts = new LinkedHashMap<>();
        spans.forEach((z, s) -> parts.put(z, s.minutes()));
        return new Rounds(List.of(List.copyOf(spans.keySet())), true, 0, parts, spans);
    }

    /** The zones one after the other at their own speed, filling so many minutes from the first. */
    public Rounds filling(int minutes) {
        int all = parts.values().stream().mapToInt(Integer::intValue).sum();
        if (all == 0) {
            return equalParts(parts.keySet(), minutes);
        }
        Map<String, Integer> out = new LinkedHashMap<>();
        long at = 0;
        for (Map.Entry<String, Integer> p : parts.entrySet()) {
            long next = at + p.getValue();
            out.put(p.getKey(), (int) (next * minutes / all - at * minutes / all));
            at = next;
        }
        return oneGo(0, out);
    }

    /** The zones one after the other at their own speed, without rounds. */
    Rounds inOneGo() {
        return prepared ? oneGo(setup, parts) : this;
    }

    /**
     * The fewest rounds in which a coat is laid and worked on all its zones.
     *
     * <p>What fits in one round fits in it with a zone less, so taking as many zones as fit each
     * time gives the fewest rounds.
     *
     * @param coat lays on the zones of the work, in its order
     * @param windows by zone, when it can be worked, minutes from the end of laying there
     * @return empty when even one zone at a time does not fit
     */
    static Optional<Pair> fewest(Act coat, Act work, Map<String, WorkWindow> windows) {
        List<String> zones = List.copyOf(coat.zones());
        int n = zones.size();
        int[] lay = parts(coat, zones);
        int[] rub = parts(work, zones);
        List<List<String>> groups = new ArrayList<>();
        Map<String, Span> laid = new LinkedHashMap<>();
        Map<String, Span> rubbed = new LinkedHashMap<>();
        int clock = coat.rounds().setup() + work.rounds().setup();
        int at = 0;
        int waits = 0;
        while (at < n) {
            int most = 0;
            int wait = 0;
            for (int many = 1; at + many <= n; many++) {
                int w = waitOf(zones, at, many, lay, rub, windows);
                if (w < 0) {
                    break;
                }
                most = many;
                wait = w;
            }
            if (most == 0) {
                return Optional.empty();
            }
            groups.add(zones.subList(at, at + most));
            for (int i = at; i < at + most; i++) {
                laid.put(zones.get(i), new Span(clock, clock + lay[i]));
                clock += lay[i];
            }
            clock += wait;
            waits += wait;
            for (int i = at; i < at + most; i++) {
                rubbed.put(zones.get(i), new Span(clock, clock + rub[i]));
                clock += rub[i];
            }
            at += most;
        }
        // the work counts its minutes from its own begin, which ends both together
        int begin = clock - work.minutes();
        Map<String, Span> worked = new LinkedHashMap<>();
        rubbed.forEach((z, s) -> worked.put(z, new Span(s.from() - begin, s.until() - begin)));
        return Optional.of(
                new Pair(coat.rounds().as(groups, laid), work.rounds().as(groups, worked), waits));
    }

    /** Minutes between laying and working some zones in one go; negative when it does not fit. */
    private static int waitOf(
            List<String> zones,
            int at,
            int many,
            int[] lay,
            int[] rub,
            Map<String, WorkWindow> windows) {
        int all = 0;
        for (int i = at; i < at + many; i++) {
            all += lay[i];
        }
        int wait = 0;
        int laid = 0;
        int rubbed = 0;
        for (int i = at; i < at + many; i++) {
            laid += lay[i];
            WorkWindow w = windows.get(zones.get(i));
            if (w != null) {
                int age = all - laid + rubbed;
                wait = Math.max(wait, (int) Math.ceil(w.fromMinutes() - age - 1e-9));
            }
            rubbed += rub[i];
        }
        laid = 0;
        rubbed = 0;
        for (int i = at; i < at + many; i++) {
            laid += lay[i];
            rubbed += rub[i];
            WorkWindow w = windows.get(zones.get(i));
            if (w != null && all - laid + wait + rubbed > w.untilMinutes()) {
                return -1;
            }
        }
        return wait;
    }

    private Rounds as(List<List<String>> others, Map<String, Span> otherSpans) {
        return new Rounds(others, true, setup, parts, otherSpans);
    }

    private static int[] parts(Act act, List<String> zones) {
        return zones.stream().mapToInt(z -> act.rounds().parts().getOrDefault(z, 0)).toArray();
    }

    /** Whether the work can follow the coat in its windows without rounds, at once or later. */
    static boolean fitInOneGo(Act coat, Act work, Map<String, WorkWindow> windows) {
        double from = 0;
        double until = Double.MAX_VALUE;
        for (Map.Entry<String, WorkWindow> w : windows.entrySet()) {
            Span laid = coat.span(w.getKey());
            Span rubbed = work.span(w.getKey());
            int lead = coat.minutes() - laid.until();
            from = Math.max(from, w.getValue().fromMinutes() - lead - rubbed.from());
            until = Math.min(until, w.getValue().untilMinutes() - lead - rubbed.until());
        }
        return Math.ceil(from - 1e-9) <= until + 1e-9;
    }
}
