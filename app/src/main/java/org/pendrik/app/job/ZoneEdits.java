package org.pendrik.app.job;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.app.store.Uncommitted;
import org.pendrik.core.units.InvalidInput;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Changes the zones of a job; effects, regions, steps and the log follow. */
@Service
@Transactional
public class ZoneEdits {
    private static final int MOST_ZONES = 60;

    private final JobMapper mapper;
    private final Jobs jobs;
    private final ApplicationEventPublisher events;

    ZoneEdits(JobMapper mapper, Jobs jobs, ApplicationEventPublisher events) {
        this.mapper = mapper;
        this.jobs = jobs;
        this.events = events;
    }

    /**
     * A zone as it is to be.
     *
     * @param from keys of the zones that it comes of: its own, that of the one it is a part of, or
     *     those that are merged in it; null is its own
     */
    public record ZoneDraft(JobZone zone, @Nullable List<String> from) {
        List<String> sources() {
            return from == null ? List.of(zone.zoneKey()) : from;
        }
    }

    /**
     * Replaces the zones.
     *
     * @throws InvalidInput when there is none or too many, or a key stands twice; or when something
     *     that lies on a zone would get lost
     * @throws StaleVersion when another change of the job came first
     */
    public void save(UUID jobId, List<ZoneDraft> drafts, int version) {
        List<JobZone> old = jobs.zones(jobId);
        if (drafts.isEmpty() || drafts.size() > MOST_ZONES) {
            throw new InvalidInput(
                    "Zones",
                    "" + drafts.size(),
                    "must be from 1 to " + MOST_ZONES,
                    "Merge those that are always done together.");
        }
        Set<String> keys = new HashSet<>();
        Set<String> names = new HashSet<>();
        for (ZoneDraft d : drafts) {
            if (!keys.add(d.zone().zoneKey()) || !names.add(d.zone().name())) {
                throw new InvalidInput(
                        "Zone",
                        d.zone().name(),
                        "stands there twice",
                        "Give each zone a name of its own.");
            }
        }
        Map<String, List<String>> becomes = new LinkedHashMap<>();
        old.forEach(z -> becomes.put(z.zoneKey(), new ArrayList<>()));
        for (ZoneDraft d : drafts) {
            for (String from : d.sources()) {
                List<String> there = becomes.get(from);
                if (there != null) {
                    there.add(d.zone().zoneKey());
                }
            }
        }
        Uncommitted.mark(jobId);
        StaleVersion.unlessOne(mapper.stepJob(jobId, version), "The job");
        mapper.clearZones(jobId);
        int place = 0;
        for (ZoneDraft d : drafts) {
            mapper.addZone(jobId, d.zone(), place++);
        }
        ZonesChanged changed = new ZonesChanged(jobId, becomes);
        if (changed.movesKeys()) {
            events.publishEvent(changed);
        }
    }

    /** Stores zones as they are given; for records that are read in. */
    public void insert(UUID jobId, List<JobZone> zones) {
        Uncommitted.mark(jobId);
        mapper.clearZones(jobId);
        int place = 0;
        for (JobZone z : zones) {
            mapper.addZone(jobId, z, place++);
        }
    }
}
