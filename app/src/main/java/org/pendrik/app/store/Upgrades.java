package org.pendrik.app.store;

import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.stereotype.Component;

/**
 * Upgrades of the tables that can be cut off at any moment. Before the first migration the database
 * is copied inside the data folder and the copy is read through; a note says that an upgrade runs.
 * A start that finds the note puts the copy back and begins the upgrade again; a first start that
 * was cut off begins anew, since nobody can have put anything in yet.
 */
@Component
public class Upgrades implements FlywayMigrationStrategy {
    private static final Logger LOG = LoggerFactory.getLogger(Upgrades.class);
    private static final String NOTE = "upgrade-running";
    private static final String FIRST_START = "first start";
    private static final int COPIES_KEPT = 3;

    private final Path root;

    Upgrades(DataFolder data) {
        this.root = data.root();
    }

    /**
     * Sees to what a start before this one has left; called before anything opens the database.
     *
     * @return what was done, in a sentence; empty when nothing was
     */
    public static Optional<String> recover(Path root) {
        Path note = root.resolve(NOTE);
        try {
            if (!Files.exists(note)) {
                if (!Files.exists(DatabaseFile.in(root))) {
                    note(root, FIRST_START);
                }
                return Optional.empty();
            }
            requireNobodyElse(root);
            String what = Files.readString(note).strip();
            if (what.equals(FIRST_START)) {
                boolean begun = deleteDatabase(root);
                return begun
                        ? Optional.of("The first start was cut off; it begins anew.")
                        : Optional.empty();
            }
            Path copy = root.resolve("upgrade").resolve(what);
            Path scratch = unpack(copy, root.resolve("upgrade").resolve("back"));
            deleteDatabase(root);
            Files.move(scratch, DatabaseFile.in(root));
            SafeFiles.forceFolder(root);
            Files.delete(note);
            return Optional.of(
                    "The last upgrade was cut off; the workshop is as it was before it, and is upgraded again now.");
        } catch (IOException e) {
            throw new DataFolder.Unusable(
                    "What an upgrade has left in " + root + " cannot be seen to: " + e.getMessage(),
                    e);
        }
    }

    /** The note may be that of a program which is in the middle of its upgrade right now. */
    private static void requireNobodyElse(Path root) throws IOException {
        Path file = DatabaseFile.in(root);
        if (!Files.exists(file)) {
            return;
        }
        try (FileChannel c = FileChannel.open(file, StandardOpenOption.WRITE);
                FileLock lock = c.tryLock()) {
            if (lock == null) {
                throw new DataFolder.Unusable(
                        "The data folder is open in another Pendrik. Stop that one, or choose another folder:"
                                + " PENDRIK_DATA=/path.",
                        null);
            }
        }
    }

    private static void note(Path root, String what) throws IOException {
        SafeFiles.write(
                root.resolve(NOTE),
                out -> out.write(what.getBytes(java.nio.charset.StandardCharsets.UTF_8)));
    }

    private static boolean deleteDatabase(Path root) throws IOException {
        boolean there = Files.deleteIfExists(DatabaseFile.in(root));
        try (Stream<Path> files = Files.list(root)) {
            for (Path p : files.toList()) {
                String name = p.getFileName().toString();
                if (name.startsWith(DatabaseFile.NAME + ".")) {
                    Files.delete(p);
                }
            }
        }
        return there;
    }

    @Override
    public void migrate(Flyway flyway) {
        MigrationInfo now = flyway.info().current();
        boolean upgrade = now != null && flyway.info().pending().length > 0;
        try {
            if (upgrade) {
                copy(flyway, String.valueOf(now.getVersion()));
            }
            flyway.migrate();
            Files.deleteIfExists(root.resolve(NOTE));
            thin();
        } catch (IOException | SQLException e) {
            throw new DataFolder.Unusable(
                    "The workshop could not be copied before its upgrade, so nothing was changed: "
                            + e.getMessage()
                            + ". Free some space on the disk that holds "
                            + root
                            + " and start again.",
                    e);
        }
    }

    private void copy(Flyway flyway, String version) throws IOException, SQLException {
        Path folder = Files.createDirectories(root.resolve("upgrade"));
        Path copy = folder.resolve("before-" + version + ".zip");
        Path draft = folder.resolve("copying.zip");
        Files.deleteIfExists(draft);
        try (Connection c = flyway.getConfiguration().getDataSource().getConnection();
                Statement s = c.createStatement()) {
            s.execute("backup to '" + draft.toString().replace("'", "''") + "'");
            long rows = DatabaseFile.readAll(c);
            Path scratch = folder.resolve("reading");
            SafeFiles.deleteAll(scratch);
            Files.createDirectories(scratch);
            unpack(draft, DatabaseFile.in(scratch));
            try (Connection copied = DatabaseFile.open(scratch)) {
                long there = DatabaseFile.readAll(copied);
                if (there != rows) {
                    throw new IOException("the copy has " + there + " rows of " + rows);
                }
            }
            SafeFiles.deleteAll(scratch);
        }
        SafeFiles.force(draft);
        Files.move(draft, copy, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        SafeFiles.forceFolder(folder);
        note(root, copy.getFileName().toString());
        LOG.info("The workshop was copied to {} before its upgrade.", copy);
    }

    /** The database out of a copy, written and forced to the disk. */
    private static Path unpack(Path zip, Path to) throws IOException {
        try (InputStream in = Files.newInputStream(zip);
                ZipInputStream entries = new ZipInputStream(in)) {
            for (ZipEntry e = entries.getNextEntry(); e != null; e = entries.getNextEntry()) {
                if (e.getName().equals(DatabaseFile.NAME)) {
                    SafeFiles.write(to, entries::transferTo);
                    return to;
                }
            }
        }
        throw new IOException(zip + " holds no database");
    }

    private void thin() throws IOException {
        Path folder = root.resolve("upgrade");
        if (!Files.isDirectory(folder)) {
            return;
        }
        List<Path> copies;
        try (Stream<Path> files = Files.list(folder)) {
            copies =
                    files.filter(p -> p.getFileName().toString().startsWith("before-"))
                            .sorted(
                                    Comparator.comparingLong((Path p) -> p.toFile().lastModified())
                                            .reversed())
                            .toList();
        }
        for (Path p : copies.stream().skip(COPIES_KEPT).toList()) {
            Files.delete(p);
        }
    }
}
