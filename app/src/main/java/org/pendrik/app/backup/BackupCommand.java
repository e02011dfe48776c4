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
            if (Files.exists(root.resolve(ADDRESS)) && byTheProgram(root, target)) {
                return "The workshop is backed up to " + target + " by the program that runs.";
            }
            String said = offline(root, target, clock);
            DatabaseFile.closed(root);
            return said;
        } catch (IOException e) {
            throw new DataFolder.Unusable(
                    "The backup could not be written to " + target + ": " + e.getMessage() + ".",
                    e);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String offline(Path root, Path target, Clock clock)
            throws IOException, SQLException {
        try (Connection c = DatabaseFile.open(root)) {
            Manifest m = Archive.write(c, root, target, clock.instant());
            Path scratch = Files.createTempDirectory("pendrik-verify");
            Archive.unpack(target, scratch);
            SafeFiles.deleteAll(scratch);
            return "The workshop is backed up to "
                    + target
                    + " and verified: "
                    + m.rows().values().stream().mapToLong(Long::longValue).sum()
                    + " rows, "
                    + m.files().stream().filter(f -> f.path().startsWith("photographs")).count()
                    + " files.";
        }
    }

    private static boolean byTheProgram(Path root, Path target) throws IOException {
        String address = Files.readString(root.resolve(ADDRESS)).strip();
        if (!address.matches("http://127\\.0\\.0\\.1:\\d+")) {
            return false;
        }
        try (HttpClient client =
                HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(2)).build()) {
            HttpResponse<String> made =
                    client.send(
                            HttpRequest.newBuilder(URI.create(address + "/api/backups"))
                                    .POST(HttpRequest.BodyPublishers.noBody())
                                    .build(),
                            HttpResponse.BodyHandlers.ofString());
            if (made.statusCode() != 200) {
                throw new IOException(made.body());
            }
            String name =
                    JsonMapper.builder().build().readTree(made.body()).path("name").asString();
            Path draft = Files.createTempFile(target.toAbsolutePath().getParent(), "pendrik", null);
            client.send(
                    HttpRequest.newBuilder(URI.create(address + "/api/backups/" + name)).build(),
                    HttpResponse.BodyHandlers.ofFile(draft));
            Files.move(draft, target, StandardCopyOption.REPLACE_EXISTING);
            return true;
        } catch (java.net.ConnectException e) {
            // it was killed and left its address behind
            return false;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
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
            if (String.valueOf(e.getMessage()).contains("may be already in use")) {
                throw new DataFolder.Unusable(
                        "A program has the workshop in " + root + " open. Stop it first.", e);
            }
            // a damaged one is what an archive is restored for
        }
    }
}
