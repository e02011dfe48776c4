package org.pendrik.app.backup;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.store.DataFolder;
import org.pendrik.app.store.SafeFiles;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** Makes backups while the program runs, one a day by itself, and keeps the right ones. */
@Service
@EnableScheduling
public class Backups {
    private static final Logger LOG = LoggerFactory.getLogger(Backups.class);
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HHmmss");
    private static final Pattern NAME =
            Pattern.compile("pendrik-(\\d{4}-\\d{2}-\\d{2}T\\d{6})\\.zip");
    private static final Duration DAY = Duration.ofHours(20);

    private final DataSource database;
    private final Path root;
    private final Path folder;
    private final Clock clock;

    Backups(DataSource database, DataFolder data, Clock clock) {
        this.database = database;
        this.root = data.root();
        this.folder = data.folder("backups");
        this.clock = clock;
    }

    /**
     * A backup that is kept.
     *
     * @param name of its file
     * @param bytes of its file
     */
    public record KeptBackup(String name, Instant madeAt, long bytes) {}

    /** The backups that are kept, the newest first. */
    public List<KeptBackup> all() {
        List<KeptBackup> out = new ArrayList<>();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path p : files.toList()) {
                Matcher m = NAME.matcher(p.getFileName().toString());
                if (m.matches()) {
                    Instant at = LocalDateTime.parse(m.group(1), TIME).toInstant(ZoneOffset.UTC);
                    out.add(new KeptBackup(m.group(), at, Files.size(p)));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        out.sort(Comparator.comparing(KeptBackup::madeAt).reversed());
        return out;
    }

    /** The file of one of them; {@link NotFound} when there is none of that name. */
    public Path file(String name) {
        if (!NAME.matcher(name).matches() || !Files.exists(folder.resolve(name))) {
            throw new NotFound("The backup", "the list of backups in Workshop");
        }
        return folder.resolve(name);
    }

    /**
     * Makes a backup and restores it into a scratch folder to see that it can be.
     *
     * @throws UncheckedIOException when it cannot be written or read back
     */
    public synchronized KeptBackup make() {
        Instant now = clock.instant();
        Path target =
                folder.resolve(
                        "pendrik-"
                                + TIME.format(LocalDateTime.ofInstant(now, ZoneOffset.UTC))
                                + ".zip");
        try (Connection c = database.getConnection()) {
            Archive.write(c, root, target, now);
            verify(target);
            return new KeptBackup(target.getFileName().toString(), now, Files.size(target));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (SQLException e) {
            throw new UncheckedIOException(new IOException(e.getMessage(), e));
        }
    }

    private void verify(Path archive) throws IOException {
        Path scratch = root.resolve("verifying");
        SafeFiles.deleteAll(scratch);
        Files.createDirectories(scratch);
        try {
            Archive.unpack(archive, scratch);
        } catch (RuntimeException e) {
            Files.delete(archive);
            throw e;
        } finally {
            SafeFiles.deleteAll(scratch);
        }
    }

    /** One a day while the program runs; what is older is thinned. */
    @Scheduled(
            initialDelayString = "${pendrik.backup.after:PT5M}",
            fixedDelayString = "${pendrik.backup.every:PT1H}")
    void daily() {
        try {
            List<KeptBackup> before = all();
            if (!before.isEmpty()
                    && before.getFirst().madeAt().isAfter(clock.instant().minus(DAY))) {
                return;
            }
            make();
            thin();
        } catch (UncheckedIOException e) {
            LOG.warn("The daily backup could not be made: {}", e.getMessage());
        }
    }

    private void thin() {
        List<KeptBackup> all = all();
        Set<LocalDateTime> stay =
                Thinning.kept(
                        all.stream()
                                .map(k -> LocalDateTime.ofInstant(k.madeAt(), ZoneOffset.UTC))
                                .toList());
        Set<String> deleted = new HashSet<>();
        for (KeptBackup k : all) {
            if (!stay.contains(LocalDateTime.ofInstant(k.madeAt(), ZoneOffset.UTC))) {
                try {
                    Files.delete(folder.resolve(k.name()));
                    deleted.add(k.name());
                } catch (IOException e) {
                    LOG.warn(
                            "The old backup {} could not be deleted: {}", k.name(), e.getMessage());
                }
            }
        }
        if (!deleted.isEmpty()) {
            LOG.info("Old backups thinned: {}", deleted);
        }
    }

    /**
     * Unpacks and verifies an archive; it takes the place of the workshop at the next start.
     *
     * @return the folder that the workshop of now will be kept in
     */
    Path stage(Path archive) {
        try {
            return Restore.stage(archive, root, clock.instant());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A place for an archive that comes in. */
    Path incoming() {
        try {
            return Files.createTempFile(folder, "incoming-", ".part");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
