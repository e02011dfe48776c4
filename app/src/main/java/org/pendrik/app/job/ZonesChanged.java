package org.pendrik.app.job;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.ZoneTimes;

/**
 * The zones of a job were added to, renamed, split, merged or dropped; told within the transaction,
 * so that whoever keeps keys of zones follows or refuses.
 *
 * @param jobId of the job
 * @param becomes for each key that there was, those that it is now: itself, several, another, none
 */
public record ZonesChanged(UUID jobId, Map<String, List<String>> becomes) {
    /** Keys as they are now, each once, in order. */
    public List<String> follow(List<String> keys) {
        Set<String> out = new LinkedHashSet<>();
        keys.forEach(k -> out.addAll(becomes.getOrDefault(k, List.of())));
        return List.copyOf(out);
    }

    /** Times go where their zone goes. */
    public @Nullable ZoneTimes follow(@Nullable ZoneTimes times) {
        if (times == null) {
            return null;
        }
        Map<String, ZoneTimes.Span> out = new LinkedHashMap<>();
        times.spans().forEach((zone, span) -> follow(List.of(zone)).forEach(z -> out.put(z, span)));
        return new ZoneTimes(out);
    }

    /** Whether anything that holds keys has to be touched. */
    public boolean movesKeys() {
        return becomes.entrySet().stream().anyMatch(e -> !e.getValue().equals(List.of(e.getKey())));
    }
}
