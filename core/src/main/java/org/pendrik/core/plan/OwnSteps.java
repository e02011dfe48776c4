package org.pendrik.core.plan;

import java.util.List;
import java.util.Optional;
import org.pendrik.core.tables.DomainTable;

/** The steps that people put in themselves, from own-steps.csv. */
public final class OwnSteps {
    private static final List<Usual> ALL =
            DomainTable.load(
                    OwnSteps.class,
                    "own-steps.csv",
                    r ->
                            new Usual(
                                    r.text("technique"),
                                    (int) r.number("rest_min", 0),
                                    r.yes("parts"),
                                    r.yes("first")));

    private OwnSteps() {}

    /**
     * What is usually said of a step.
     *
     * @param technique its key
     * @param restMinutes that pass after it
     * @param parts parts are listed on it
     * @param first it is done before anything is laid, unless a place is named
     */
    public record Usual(String technique, int restMinutes, boolean parts, boolean first) {}

    /** What is usually said of a step of a technique; empty when that is put in by the compiler. */
    public static Optional<Usual> of(String technique) {
        return ALL.stream().filter(u -> u.technique().equals(technique)).findFirst();
    }
}
