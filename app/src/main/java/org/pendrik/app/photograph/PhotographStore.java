package org.pendrik.app.photograph;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.stream.Stream;
import org.pendrik.app.store.DataFolder;
import org.pendrik.app.store.SafeFiles;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Component;

/**
 * Files by the hash of their content. A file is written beside its place, forced to disk and then
 * moved in one act, so it is there whole or not at all; the same content is kept once.
 */
@Component
class PhotographStore {
    private final Path root;

    PhotographStore(DataFolder data) {
        this.root = data.folder("photographs");
        sweep();
    }

    /** What a start before this one was still writing when it was cut off. */
    private void sweep() {
        try (DirectoryStream<Path> left = Files.newDirectoryStream(root, "incoming-*.part")) {
            for (Path p : left) {
                Files.delete(p);
            }
            sweepFolders();
        } catch (IOException e) {
            throw new UncheckedIOException(root + " could not be swept", e);
        }
    }

    private void sweepFolders() throws IOException {
        try (Stream<Path> all = Files.walk(root, 2)) {
            for (Path p : all.filter(f -> f.getFileName().toString().endsWith(".part")).toList()) {
                Files.delete(p);
            }
        }
    }

    /** Keeps a file, or mends the one that is kept; gives its hash. */
    String keep(byte[] content) {
        String hash = HexFormat.of().formatHex(sha256(content));
        if (state(hash) == State.WHOLE) {
            return hash;
        }
        try {
            SafeFiles.write(place(hash), out -> out.write(content));
        } catch (IOException e) {
            throw new UncheckedIOException("the photograph could not be written to " + root, e);
        }
        return hash;
    }

    /** A file as it was put in; another one under its name is not taken for it. */
    byte[] read(String hash) {
        byte[] content;
        try {
            content = Files.readAllBytes(place(hash));
        } catch (IOException e) {
            throw unusable(hash, "is missing from the data folder");
        }
        if (!hash.equals(HexFormat.of().formatHex(sha256(content)))) {
            throw unusable(hash, "is damaged in the data folder");
        }
        return content;
    }

    private static InvalidInput unusable(String hash, String how) {
        return new InvalidInput(
                "Photograph",
                hash.substring(0, 12),
                how,
                "Put the same file in again, or restore a backup in Workshop.");
    }

    /** How a file stands in the folder. */
    enum State {
        WHOLE,
        MISSING,
        DAMAGED
    }

    /** How a file stands, its content read and compared. */
    State state(String hash) {
        Path place = place(hash);
        if (!Files.exists(place)) {
            return State.MISSING;
        }
        try {
            byte[] content = Files.readAllBytes(place);
            return hash.equals(HexFormat.of().formatHex(sha256(content)))
                    ? State.WHOLE
                    : State.DAMAGED;
        } catch (IOException e) {
            return State.DAMAGED;
        }
    }

    /** Whether a content is the one of a hash. */
    boolean isOf(byte[] content, String hash) {
        return hash.equals(HexFormat.of().formatHex(sha256(content)));
    }

    boolean has(String hash) {
        return Files.exists(place(hash));
    }

    private Path place(String hash) {
        if (!hash.matches("[0-9a-f]{64}")) {
            throw new InvalidInput(
                    "Hash",
                    hash,
                    "must be 64 hexadecimal digits",
                    "Take it from the record as it is.");
        }
        return root.resolve(hash.substring(0, 2)).resolve(hash);
    }

    private static byte[] sha256(byte[] content) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(content);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
