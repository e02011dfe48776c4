package org.pendrik.app.photograph;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import org.pendrik.app.store.DataFolder;
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
        } catch (IOException e) {
            throw new UncheckedIOException(root + " could not be swept", e);
        }
    }

    String keep(byte[] content) {
        String hash = HexFormat.of().formatHex(sha256(content));
        Path place = place(hash);
        if (Files.exists(place)) {
            return hash;
        }
        try {
            Files.createDirectories(place.getParent());
            Path draft = Files.createTempFile(root, "incoming-", ".part");
            try {
                try (FileChannel out = FileChannel.open(draft, StandardOpenOption.WRITE)) {
                    ByteBuffer buffer = ByteBuffer.wrap(content);
                    while (buffer.hasRemaining()) {
                        out.write(buffer);
                    }
                    out.force(true);
                }
                Files.move(draft, place, StandardCopyOption.ATOMIC_MOVE);
            } finally {
                Files.deleteIfExists(draft);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("the photograph could not be written to " + root, e);
        }
        return hash;
    }

    byte[] read(String hash) {
        try {
            return Files.readAllBytes(place(hash));
        } catch (IOException e) {
            throw new InvalidInput(
                    "Photograph",
                    hash.substring(0, 12),
                    "is missing from the data folder",
                    "Put the file in again, or restore the folder photographs from a backup.");
        }
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
