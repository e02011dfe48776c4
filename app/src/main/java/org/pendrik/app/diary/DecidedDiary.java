package org.pendrik.app.diary;

import java.time.Instant;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.Kept;
import org.pendrik.core.film.StepId;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The diary that was decided for the whole workshop: when each step is to begin. What has happened
 * since pushes steps later from there; what was never decided is placed in what is left.
 */
@Service
class DecidedDiary implements SmartInitializingSingleton {
    private final DecidedMapper mapper;
    private @Nullable Kept<Map<UUID, Map<StepId, Decided>>> kept;

    DecidedDiary(DecidedMapper mapper) {
        this.mapper = mapper;
    }

    /**
     * When a step is to begin.
     *
     * @param held the user holds it to that sitting
     */
    record Decided(Instant startsAt, boolean held) {}

    @Override
    public void afterSingletonsInstantiated() {
        kept = new Kept<>(read());
    }

    private Map<UUID, Map<StepId, Decided>> read() {
        Map<UUID, Map<StepId, Decided>> out = new LinkedHashMap<>();
        for (DecidedMapper.Row r : mapper.all()) {
            out.computeIfAbsent(r.jobId(), _ -> new LinkedHashMap<>())
                    .put(r.stepId(), new Decided(r.startsAt(), r.held()));
        }
        return out;
    }

    /** By step, for one job; empty when nothing was decided. */
    Map<StepId, Decided> of(UUID jobId) {
        return Objects.requireNonNull(kept, "asked for before the start was over")
                .get()
                .getOrDefault(jobId, Map.of());
    }

    /** Decides anew for the whole workshop. */
    @Transactional
    void decide(Collection<DecidedMapper.Row> rows) {
        mapper.clear();
        rows.forEach(mapper::add);
        Objects.requireNonNull(kept).set(read());
    }

    /** A step is held to its sitting no more; it stands there until all is decided anew. */
    @Transactional
    void loosen(UUID jobId, StepId stepId) {
        mapper.loosen(jobId, stepId);
        Objects.requireNonNull(kept).set(read());
    }

    /** Nothing is decided any more: steps are as early as they can be again. */
    @Transactional
    void forget() {
        decide(List.of());
    }
}
