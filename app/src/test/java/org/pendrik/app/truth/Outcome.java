package org.pendrik.app.truth;

import java.util.List;

/** What came of a trial: what was told, and why the rest was not. */
public record Outcome(List<Result> results, List<String> refusals) {
    public Outcome {
        results = List.copyOf(results);
        refusals = List.copyOf(refusals);
    }
}
