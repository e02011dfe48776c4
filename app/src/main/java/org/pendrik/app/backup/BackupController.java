package org.pendrik.app.backup;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.pendrik.app.apidocs.FileBody;
import org.pendrik.app.store.SafeFiles;
import org.pendrik.core.units.InvalidInput;
import org.springframework.core.io.FileSystemResource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class BackupController {
    private static final long MOST_BYTES = 16L << 30;

    private final Backups backups;
    private final Restart restart;

    BackupController(Backups backups, Restart restart) {
        this.backups = backups;
        this.restart = restart;
    }

    /**
     * What follows from a restore.
     *
     * @param kept folder that the workshop of before is kept in
     */
    record Restoring(String kept) {}

    @GetMapping("/api/backups")
    List<Backups.KeptBackup> all() {
        return backups.all();
    }

    /** Makes one now; it was restored into a scratch folder once before this answers. */
    @PostMapping("/api/backups")
    Backups.KeptBackup make() {
        return backups.make();
    }

    @GetMapping(value = "/api/backups/{name}", produces = "application/zip")
    ResponseEntity<FileSystemResource> file(@PathVariable String name) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("application/zip"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(new FileSystemResource(backups.file(name)));
    }

    /** Restores a backup that is kept. The program starts again by itself. */
    @PostMapping("/api/backups/{name}/restore")
    Restoring restoreKept(@PathVariable String name) {
        return restoring(backups.file(name));
    }

    /** Restores an archive that comes with the request. The program starts again by itself. */
    @FileBody
    @PostMapping(value = "/api/restore", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    Restoring restore(HttpServletRequest request) throws IOException {
        Path archive = backups.incoming();
        try {
            SafeFiles.receive(
                    request.getInputStream(),
                    archive,
                    MOST_BYTES,
                    () ->
                            new InvalidInput(
                                    "Archive",
                                    "more than 16 GB",
                                    "is too large to come by the page",
                                    "Restore it with ./pendrik restore FILE."));
            return restoring(archive);
        } finally {
            Files.deleteIfExists(archive);
        }
    }

    private Restoring restoring(Path archive) {
        Restoring r = new Restoring(backups.stage(archive).toString());
        restart.soon();
        return r;
    }
}
