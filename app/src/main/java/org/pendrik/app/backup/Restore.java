package org.pendrik.app.backup;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Optional;
import org.pendrik.app.store.DataFolder;
import org.pendrik.app.store.DatabaseFile;
import org.pendrik.app.store.SafeFiles;

/**
 * Puts an archive in the place of a workshop. It is unpacked and compared beside the workshop
 * first; then, with no database open, the old one is moved aside and the new one in. Each move can
 * be cut off: the next start goes on where it was.
 */
public final class Restore {
    private static final String FOLDER = "restore";
    private static final String READY = "ready";
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HHmmss").withZone(ZoneOffset.UTC);

    private Restore() {}

    /**
     * Unpacks and verifies an archive beside the workshop.
     *
     * @return the folder that the workshop of now will be kept in
     * @throws org.pendrik.core.units.InvalidInput when it is no good; the workshop stays as it is
     */
    static Path stage(Path archive, Path root, Instant now) throws IOException {
        Path folder = root.resolve(FOLDER);
        SafeFiles.deleteAll(folder);
        Path fresh = Files.createDirectories(folder.resolve("new"));
        // a workshop without photographs replaces one with some, too
        Files.createDirectories(fresh.resolve("photographs"));
        try {
            Archive.unpack(archive, fresh);
        } catch (IOException | RuntimeException e) {
            SafeFiles.deleteAll(folder);
            throw e;
        }
        Path kept = root.resolve("kept").resolve(TIME.format(now));
        SafeFiles.write(
                folder.resolve(READY),
                out -> out.write(kept.toString().getBytes(StandardCharsets.UTF_8)));
        return kept;
    }

    /**
     * Ends what {@link #stage} has begun; called before anything opens the database.
     *
     * @return what was done, in a sentence; empty when nothing was to do
     */
    public static Optional<String> finish(Path root) {
        Path folder = root.resolve(FOLDER);
        Path ready = folder.resolve(READY);
        try {
            if (!Files.exists(ready)) {
                SafeFiles.deleteAll(folder);
                return Optional.empty();
            }
            Path kept = Path.of(Files.readString(ready));
            Path fresh = folder.resolve("new");
            for (String part :
                    java.util.List.of(DatabaseFile.in(root).getFileName() + "", "photographs")) {
                // once the new one is in its place there is nothing old to move any more
                if (Files.exists(fresh.resolve(part))) {
                    SafeFiles.moveIfThere(root.resolve(part), kept.resolve(part));
                    SafeFiles.moveIfThere(fresh.resolve(part), root.resolve(part));
                }
            }
            Files.deleteIfExists(root.resolve("upgrade-running"));
            DatabaseFile.opened(root);
            SafeFiles.deleteAll(folder);
            return Optional.of(
                    "The archive is restored."
                            + (Files.exists(kept)
                                    ? " What was here before is kept in " + kept + "."
                                    : ""));
        } catch (IOException e) {
            throw new DataFolder.Unusable(
                    "The restored workshop in "
                            + folder
                            + " cannot be moved to its place: "
                            + e.getMessage(),
                    e);
        }
    }
}
