package org.pendrik.app.job;

import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/jobs")
class JobController {
    private final Jobs jobs;

    private final ZoneEdits zoneEdits;

    JobController(Jobs jobs, ZoneEdits zoneEdits) {
        this.zoneEdits = zoneEdits;
        this.jobs = jobs;
    }

    record JobView(Job job, String scaleName, List<JobZone> zones) {}

    @GetMapping
    List<JobView> all() {
        return jobs.all().stream().map(this::view).toList();
    }

    @GetMapping("/{id}")
    JobView get(@PathVariable UUID id) {
        return view(jobs.get(id));
    }

    @PutMapping("/{id}")
    JobView save(@PathVariable UUID id, @RequestBody JobDraft draft) {
        return view(jobs.save(id, draft));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void putAway(@PathVariable UUID id) {
        jobs.archive(id, true);
    }

    @PostMapping("/{id}/restore")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void restore(@PathVariable UUID id) {
        jobs.archive(id, false);
    }

    record ZonesDraft(List<ZoneEdits.ZoneDraft> zones, int version) {}

    @PutMapping("/{id}/zones")
    JobView saveZones(@PathVariable UUID id, @RequestBody ZonesDraft draft) {
        zoneEdits.save(id, draft.zones(), draft.version());
        return view(jobs.get(id));
    }

    private JobView view(Job job) {
        return new JobView(job, job.scale().name(), jobs.zones(job.id()));
    }
}
