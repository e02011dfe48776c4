package org.pendrik.app.record;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.UUID;
import org.pendrik.core.units.InvalidInput;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class RecordController {
    private static final long MOST_ARCHIVE_BYTES = 2L << 30;

    private final Records records;

    private final JobArchives archives;

    RecordController(Records records, JobArchives archives) {
        this.archives = archives;
        this.records = records;
    }

    record ReadIn(UUID jobId) {}

    @GetMapping("/api/jobs/{jobId}/record")
    JobRecord write(@PathVariable UUID jobId) {
        return records.of(jobId);
    }

    /** The job with its pictures as one file. */
    @GetMapping(value = "/api/jobs/{jobId}/archive", produces = "application/zip")
    void archive(@PathVariable UUID jobId, HttpServletResponse response) throws IOException {
        records.of(jobId);
        response.setContentType("application/zip");
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"job-" + jobId + ".zip\"");
        archives.write(jobId, response.getOutputStream());
    }

    /** Reads a job with its pictures in as a new one. */
    @Operation(
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content =
                                    @Content(
                                            mediaType = MediaType.APPLICATION_OCTET_STREAM_VALUE,
                                            schema = @Schema(type = "string", format = "binary"))))
    @PostMapping(
            value = "/api/records/archive",
            consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadIn readArchiveIn(InputStream body) throws IOException {
        Path file = Files.createTempFile("job", ".zip");
        try {
            try (OutputStream out = Files.newOutputStream(file)) {
                byte[] buffer = new byte[1 << 16];
                long left = MOST_ARCHIVE_BYTES;
                for (int n = body.read(buffer); n >= 0; n = body.read(buffer)) {
                    left -= n;
                    if (left < 0) {
                        throw new InvalidInput(
                                "Archive of a job",
                                "more than 2 GB",
                                "must have at most 2 GB",
                                "Take fewer photographs along.");
                    }
                    out.write(buffer, 0, n);
                }
            }
            return new ReadIn(archives.readIn(file));
        } finally {
            Files.delete(file);
        }
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
