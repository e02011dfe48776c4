package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How two acts that belong together, a coat and the work in its window, go from zone to zone when
 * laying and working all of them in one go would not fit: some zones laid and worked, the next laid
 * and worked, as few times as the window allows.
 *
 * @param groups keys of the zones of each round, in order
 * @param spans by zone, minutes from the begin of the act in which it is on that zone
 */
public record Rounds(List<List<String>> groups, Map<String, Span> spans) {
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
        spans = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(spans));
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
        int[] lay = parts(coat.minutes(), n);
        int[] rub = parts(work.minutes(), n);
        List<List<String>> groups = new ArrayList<>();
        Map<String, Span> laid = new LinkedHashMap<>();
        Map<String, Span> rubbed = new LinkedHashMap<>();
        int clock = 0;
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
        return Optional.of(new Pair(new Rounds(groups, laid), new Rounds(groups, worked), waits));
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

    private static int[] parts(int minutes, int n) {
        int[] out = new int[n];
        for (int i = 0; i < n; i++) {
            out[i] = minutes * (i + 1) / n - minutes * i / n;
        }
        return out;
    }
}
