package org.pendrik.app.makeup;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.ZonesChanged;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.core.units.InvalidInput;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * Lets the steps of a plan follow the zones of their job, and keeps what is done from getting lost.
 */
@Component
class ZonesInPlan {
    private final JobSnapshots snapshots;
    private final PlanStore plans;
    private final Engines engines;

    ZonesInPlan(JobSnapshots snapshots, PlanStore plans, Engines engines) {
        this.snapshots = snapshots;
        this.plans = plans;
        this.engines = engines;
    }

    @EventListener
    @Order(2)
    void on(ZonesChanged changed) {
        Plan plan = snapshots.plan(changed.jobId());
        requireNothingLost(changed, plan.steps());
        requireAlikeWhereMerged(changed, plan.steps());
        List<StoredStep> steps = new ArrayList<>();
        for (StoredStep s : plan.steps()) {
            List<String> now = changed.follow(s.zones().keys());
            if (!now.isEmpty()) {
                steps.add(s.on(new ZoneKeys(now), changed.follow(s.zoneTimes())));
            }
        }
        plans.store(changed.jobId(), plan, plan.with(steps));
    }

    private void requireNothingLost(ZonesChanged changed, List<StoredStep> steps) {
        for (StoredStep s : steps) {
            for (String z : s.zones().keys()) {
                if (s.done() && lays(s) && changed.follow(List.of(z)).isEmpty()) {
                    throw new InvalidInput(
                            "Zone",
                            z,
                            "cannot be dropped: "
                                    + engines.catalogue().technique(s.technique()).name()
                                    + " lies on it",
                            "Merge it with a zone that has the same coats, or keep it.");
                }
            }
        }
    }

    private boolean lays(StoredStep s) {
        return engines.catalogue().material(s.material()).deposits();
    }

    /** What becomes one zone has to have the same coats, else nobody knows what lies there. */
    private void requireAlikeWhereMerged(ZonesChanged changed, List<StoredStep> steps) {
        Map<String, List<String>> from = new LinkedHashMap<>();
        for (Map.Entry<String, List<String>> e : changed.becomes().entrySet()) {
            for (String z : e.getValue()) {
                from.computeIfAbsent(z, _ -> new ArrayList<>()).add(e.getKey());
            }
        }
        for (List<String> merged : from.values()) {
            for (StoredStep s : steps) {
                long on = merged.stream().filter(s.zones().keys()::contains).count();
                if (s.done() && lays(s) && on > 0 && on < merged.size()) {
                    throw new InvalidInput(
                            "Zones",
                            String.join(", ", merged),
                            "cannot be merged: "
                                    + engines.catalogue().technique(s.technique()).name()
                                    + " lies on a part of them only",
                            "Merge zones that have the same coats.");
                }
            }
        }
    }
}
