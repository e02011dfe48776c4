package org.pendrik.app.record;

import java.util.Map;
import java.util.UUID;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class RecordController {
    private final Records records;

    RecordController(Records records) {
        this.records = records;
    }

    record ReadIn(UUID jobId) {}

    @GetMapping("/api/jobs/{jobId}/record")
    JobRecord write(@PathVariable UUID jobId) {
        return records.of(jobId);
    }

    @PostMapping("/api/records")
    ReadIn readIn(@RequestBody Map<String, Object> record) {
        return new ReadIn(records.readIn(record));
    }

    /** The form of a record; every version that was ever written stays published. */
    @GetMapping(
            value = "/api/schema/record-{version:[1234]}.json",
            produces = MediaType.APPLICATION_JSON_VALUE)
    ClassPathResource schema(@PathVariable int version) {
        return new ClassPathResource("schema/record-" + version + ".json");
    }
}
