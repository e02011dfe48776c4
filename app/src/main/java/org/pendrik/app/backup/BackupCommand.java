package org.pendrik.app.backup;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import org.h2.api.ErrorCode;
import org.pendrik.app.store.DataFolder;
import org.pendrik.app.store.DatabaseFile;
import org.pendrik.app.store.SafeFiles;
import tools.jackson.databind.json.JsonMapper;

/** Backup and restore from the command line, while the program runs or while it does not. */
public final class BackupCommand {
    private static final String ADDRESS = "address";

    private BackupCommand() {}

    /** Notes where the program answers, for a backup that is asked for from outside. */
    public static void answersAt(Path root, String address) {
        try {
            SafeFiles.write(
                    root.resolve(ADDRESS),
                    out -> out.write(address.getBytes(java.nio.charset.StandardCharsets.UTF_8)));
        } catch (IOException e) {
            throw new DataFolder.Unusable("Nothing can be written to " + root + ".", e);
        }
    }

    /**
     * Writes a backup to a file and verifies it.
     *
     * @return what was done, in a sentence
     */
    public static String backup(Path root, Path target, Clock clock) {
        try {
            if (!Files.exists(DatabaseFile.in(root))) {
                throw new DataFolder.Unusable("There is no workshop in " + root + ".", null);
            }
            try {
                String said = offline(root, target, clock);
                DatabaseFile.closed(root);
                return said;
            } catch (SQLException e) {
                // only the lock tells that a program has this workshop open: an address that a
                // killed one
                // left behind may be that of another workshop by now
                if (!isOpenElsewhere(e)) {
                    throw new IllegalStateException(e);
                }
                byTheProgram(root, target);
                return "The workshop is backed up to " + target + " by the program that runs.";
            }
        } catch (IOException e) {
            throw new DataFolder.Unusable(
                    "The backup could not be written to " + target + ": " + e.getMessage() + ".",
                    e);
        }
    }

    private static boolean isOpenElsewhere(SQLException e) {
        return e.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1;
    }

    private static String offline(Path root, Path target, Clock clock)
            throws IOException, SQLException {
        try (Connection c = DatabaseFile.open(root)) {
            Manifest m = Archive.write(c, root, target, clock.instant());
            Path scratch = Files.createTempDirectory("pendrik-verify");
            try {
                Archive.unpack(target, scratch);
            } catch (RuntimeException e) {
                Files.delete(target);
                throw e;
            } finally {
                SafeFiles.deleteAll(scratch);
            }
            return "The workshop is backed up to "
                    + target
                    + " and verified: "
                    + m.rows().values().stream().mapToLong(Long::longValue).sum()
                    + " rows, "
                    + m.files().stream().filter(f -> f.path().startsWith("photographs")).count()
                    + " files.";
        }
    }

    private static void byTheProgram(Path root, Path target) throws IOException {
        Path note = root.resolve(ADDRESS);
        String address = Files.exists(note) ? Files.readString(note).strip() : "";
        if (!address.matches("http://127\\.0\\.0\\.1:\\d+")) {
            throw new IOException(
                    "a program has the workshop open and has not said where it answers");
        }
        Path draft = Files.createTempFile(target.toAbsolutePath().getParent(), "pendrik", ".part");
        try (HttpClient client =
                HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(2)).build()) {
            HttpResponse<String> made =
                    client.send(
                            HttpRequest.newBuilder(URI.create(address + "/api/backups"))
                                    .POST(HttpRequest.BodyPublishers.noBody())
                                    .build(),
                            HttpResponse.BodyHandlers.ofString());
            requireOk(made.statusCode(), made.body());
            String name =
                    JsonMapper.builder().build().readTree(made.body()).path("name").asString();
            HttpResponse<Path> file =
                    client.send(
                            HttpRequest.newBuilder(URI.create(address + "/api/backups/" + name))
                                    .build(),
                            HttpResponse.BodyHandlers.ofFile(draft));
            requireOk(file.statusCode(), address + "/api/backups/" + name);
            Files.move(draft, target, StandardCopyOption.REPLACE_EXISTING);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
        } finally {
            Files.deleteIfExists(draft);
        }
    }

    private static void requireOk(int status, String said) throws IOException {
        if (status != 200) {
            throw new IOException("the program that runs answers " + status + ": " + said);
        }
    }

    /**
     * Restores an archive in place of the workshop, which is kept beside it.
     *
     * @return what was done, in a sentence
     */
    public static String restore(Path root, Path archive, Clock clock) {
        if (!Files.isRegularFile(archive)) {
            throw new DataFolder.Unusable("There is no archive " + archive + ".", null);
        }
        try {
            // the lock of the database tells whether a program has it open
            if (Files.exists(DatabaseFile.in(root))) {
                requireClosed(root);
            }
            Restore.stage(archive, root, clock.instant());
            return Restore.finish(root).orElseThrow();
        } catch (IOException e) {
            throw new DataFolder.Unusable(
                    "The archive could not be restored to " + root + ": " + e.getMessage() + ".",
                    e);
        }
    }

    private static void requireClosed(Path root) {
        try (Connection c = DatabaseFile.open(root)) {
            c.isValid(1);
        } catch (SQLException e) {
            if (isOpenElsewhere(e)) {
                throw new DataFolder.Unusable(
                        "A program has the workshop in " + root + " open. Stop it first.", e);
            }
            // a damaged one is what an archive is restored for
        }
    }
}
