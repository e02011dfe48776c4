package org.pendrik.app.truth;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Results by measure: how far off, and how often the truth lay within what was stated. */
final class TruthTable {
    private final List<Outcome> trials;
    private final Map<String, List<Result>> by = new LinkedHashMap<>();

    TruthTable(List<Outcome> trials) {
        this.trials = List.copyOf(trials);
        for (Outcome t : trials) {
            t.results()
                    .forEach(r -> by.computeIfAbsent(r.measure(), _ -> new ArrayList<>()).add(r));
        }
    }

    List<Outcome> trials() {
        return trials;
    }

    List<Result> of(String measure) {
        return by.getOrDefault(measure, List.of());
    }

    /** Errors without their sign, from small to large. */
    double[] errors(String measure) {
        return of(measure).stream().mapToDouble(r -> Math.abs(r.error())).sorted().toArray();
    }

    /** Per cent of the truths that lay within the stated uncertainty. */
    double covered(String measure) {
        List<Result> all = of(measure);
        return 100.0 * all.stream().filter(Result::covered).count() / all.size();
    }

    static double at(double[] sorted, double share) {
        return sorted[(int) Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
    }

    /** The table, for a page. */
    String markdown() {
        StringBuilder out =
                new StringBuilder(
                        """
                        | measure | n | median error | 95 % within | worst | bias | stated ± (median) | truth within stated ± |
                        |---|---|---|---|---|---|---|---|
                        """);
        by.forEach(
                (k, v) -> {
                    double[] e = errors(k);
                    double bias = v.stream().mapToDouble(Result::error).average().orElse(0);
                    double[] told = v.stream().mapToDouble(Result::told).sorted().toArray();
                    boolean states = v.stream().allMatch(Result::stated);
                    out.append(
                            String.format(
                                    Locale.ROOT,
                                    "| %s | %d | %.2f | %.2f | %.2f | %+.2f | %s | %s |%n",
                                    k,
                                    e.length,
                                    at(e, 0.5),
                                    at(e, 0.95),
                                    e[e.length - 1],
                                    bias,
                                    states
                                            ? String.format(
                                                    Locale.ROOT, "%.2f", told[told.length / 2])
                                            : "–",
                                    states
                                            ? String.format(Locale.ROOT, "%.0f %%", covered(k))
                                            : "–"));
                });
        return out.toString();
    }

    /** How many questions were not answered. */
    long refused() {
        return trials.stream().mapToLong(t -> t.refusals().size()).sum();
    }
}
