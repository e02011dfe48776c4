package org.pendrik.app.workshop;

import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class WorkshopController {
    private final Workshops workshops;
    private final BenchTimes benchTimes;

    WorkshopController(Workshops workshops, BenchTimes benchTimes) {
        this.workshops = workshops;
        this.benchTimes = benchTimes;
    }

    /** Days on which bench time is otherwise than in the week. */
    @GetMapping("/api/workshop/changes")
    List<BenchChange> changes() {
        return benchTimes.changes();
    }

    @PutMapping("/api/workshop/changes")
    List<BenchChange> change(@RequestBody BenchChange change) {
        return benchTimes.put(change);
    }

    @DeleteMapping("/api/workshop/changes/{id}")
    List<BenchChange> unchange(@PathVariable UUID id) {
        return benchTimes.delete(id);
    }

    @GetMapping("/api/workshop")
    Workshop current() {
        return workshops.current();
    }

    @PutMapping("/api/workshop")
    Workshop save(@RequestBody Workshop changed) {
        return workshops.save(changed);
    }
}
