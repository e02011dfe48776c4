package org.pendrik.core.film;

import java.util.List;
import java.util.Map;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.WashBehaviour;
import org.pendrik.core.film.Finding.Severity;

/**
 * What the engine found.
 *
 * @param findings in the order of the acts, stops first within one
 * @param columns the state after the last act, in the order of the zones
 * @param reaches by act and zone, how deep its carrier went
 * @param washes by act, for what runs and is wiped off again, how it behaves on what it meets
 */
public record FilmReport(
        List<Finding> findings,
        List<Column> columns,
        Map<StepId, Map<String, Reach>> reaches,
        Map<StepId, List<Wash>> washes) {
    /**
     * A wash on one kind of surface.
     *
     * @param finish of the surface
     * @param zones keys of the zones that offer it
     */
    public record Wash(Finish finish, List<String> zones, WashBehaviour behaviour) {}

    /** How many stops there are. */
    public long stops() {
        return findings.stream().filter(f -> f.severity() == Severity.STOP).count();
    }

    /** Nothing worse than a note. */
    public boolean isClean() {
        return findings.stream().allMatch(f -> f.severity() == Severity.NOTE);
    }

    /** The findings about one act. */
    public List<Finding> about(StepId actId) {
        return findings.stream().filter(f -> f.actId().equals(actId)).toList();
    }

    /** Weight of all findings: 1000 for a stop, 1 for a warning, nothing for a note. */
    public int weight() {
        return findings.stream().mapToInt(f -> f.severity().weight()).sum();
    }
}
