package org.pendrik.app.record;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.UUID;
import org.pendrik.app.apidocs.FileBody;
import org.pendrik.app.store.SafeFiles;
import org.pendrik.core.units.InvalidInput;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.util.unit.DataSize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class RecordController {
    private static final long MB = 1 << 20;

    private final Records records;
    private final RecordReader reader;
    private final JobArchives archives;
    private final long mostArchiveBytes;

    /**
     * @param mostArchive how large the archive of a job may be that is read in
     */
    RecordController(
            Records records,
            RecordReader reader,
            JobArchives archives,
            @Value("${pendrik.most-job-archive:2GB}") DataSize mostArchive) {
        this.archives = archives;
        this.records = records;
        this.reader = reader;
        this.mostArchiveBytes = mostArchive.toBytes();
    }

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
    @FileBody
    @PostMapping(
            value = "/api/records/archive",
            consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    RecordReader.ReadIn readArchiveIn(InputStream body) throws IOException {
        Path file = Files.createTempFile("job", ".zip");
        try {
            SafeFiles.receive(
                    body,
                    file,
                    mostArchiveBytes,
                    () ->
                            new InvalidInput(
                                    "Archive of a job",
                                    "more than " + mostArchiveBytes / MB + " MB",
                                    "is too large",
                                    "Take fewer photographs along."));
            return archives.readIn(file);
        } finally {
            Files.delete(file);
        }
    }

    @PostMapping("/api/records")
    RecordReader.ReadIn readIn(@RequestBody Map<String, Object> record) {
        return reader.readIn(record);
    }

    /** The form of a record; every version that was ever written stays published. */
    @GetMapping(
            value = "/api/schema/record-{version:[12345678]}.json",
            produces = MediaType.APPLICATION_JSON_VALUE)
    ClassPathResource schema(@PathVariable int version) {
        return new ClassPathResource("schema/record-" + version + ".json");
    }
}
