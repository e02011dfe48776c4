package org.pendrik.app.study;

import java.util.List;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.job.ZonesChanged;
import org.pendrik.app.store.ZoneKeys;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Lets effects and regions follow the zones of their job. */
@Component
class ZonesFollowed {
    private final StudyMapper mapper;
    private final Jobs jobs;

    ZonesFollowed(StudyMapper mapper, Jobs jobs) {
        this.mapper = mapper;
        this.jobs = jobs;
    }

    /** An effect whose zones are all gone goes with them; a region stays where it was drawn. */
    @EventListener
    @Order(1)
    void on(ZonesChanged changed) {
        List<JobEffect> effects =
                mapper.effects(changed.jobId()).stream()
                        .filter(e -> !changed.follow(e.zones().keys()).isEmpty())
                        .map(e -> e.on(new ZoneKeys(changed.follow(e.zones().keys()))))
                        .toList();
        List<JobRegion> regions =
                mapper.regions(changed.jobId()).stream()
                        .map(StudyMapper.Row::region)
                        .map(r -> r.zoneKey() == null ? r : r.on(first(changed, r.zoneKey())))
                        .toList();
        jobs.stepStudy(changed.jobId(), jobs.get(changed.jobId()).studyVersion());
        mapper.clearEffects(changed.jobId());
        for (int i = 0; i < effects.size(); i++) {
            mapper.addEffect(changed.jobId(), effects.get(i), i);
        }
        mapper.clearRegions(changed.jobId());
        for (int i = 0; i < regions.size(); i++) {
            mapper.addRegion(changed.jobId(), StudyMapper.Row.of(regions.get(i)), i);
        }
    }

    private static @org.jspecify.annotations.Nullable String first(
            ZonesChanged changed, String key) {
        List<String> now = changed.follow(List.of(key));
        return now.isEmpty() ? null : now.getFirst();
    }
}
