package org.pendrik.app.store;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.file.DirectoryNotEmptyException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Comparator;
import java.util.List;
import java.util.function.Supplier;
import java.util.stream.Stream;

/** Files that are there whole or not at all. */
public final class SafeFiles {
    private static final int BUFFER_BYTES = 1 << 16;

    private SafeFiles() {}

    /** Writes into an open file. */
    @FunctionalInterface
    public interface Content {
        /** Writes all of it. */
        void to(OutputStream out) throws IOException;
    }

    /**
     * Writes a file beside its place, forces it to the disk and moves it there in one act,
     * replacing what is there.
     */
    public static void write(Path place, Content content) throws IOException {
        Path folder = Files.createDirectories(place.toAbsolutePath().getParent());
        Path draft = Files.createTempFile(folder, place.getFileName() + "-", ".part");
        try {
            try (OutputStream out = Files.newOutputStream(draft)) {
                content.to(out);
            }
            force(draft);
            Files.move(
                    draft,
                    place,
                    StandardCopyOption.ATOMIC_MOVE,
                    StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(draft);
        }
        forceFolder(folder);
    }

    /**
     * Writes what comes to a file.
     *
     * @param most bytes that may come
     * @param tooMuch what is thrown when more come
     */
    public static void receive(
            InputStream in, Path file, long most, Supplier<? extends RuntimeException> tooMuch)
            throws IOException {
        try (OutputStream out = Files.newOutputStream(file)) {
            byte[] buffer = new byte[BUFFER_BYTES];
            long left = most;
            for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
                left -= n;
                if (left < 0) {
                    throw tooMuch.get();
                }
                out.write(buffer, 0, n);
            }
        }
    }

    /** Waits until what was written to a file is on the disk. */
    public static void force(Path file) throws IOException {
        try (FileChannel c = FileChannel.open(file, StandardOpenOption.WRITE)) {
            c.force(true);
        }
    }

    /** Waits until names in a folder are on the disk, where the system can do that. */
    static void forceFolder(Path folder) throws IOException {
        if (!System.getProperty("os.name", "").startsWith("Windows")) {
            try (FileChannel c = FileChannel.open(folder, StandardOpenOption.READ)) {
                c.force(true);
            }
        }
    }

    /** Moves a file or a folder when it is there and its place is free. */
    public static void moveIfThere(Path from, Path to) throws IOException {
        if (Files.exists(from) && !Files.exists(to)) {
            Files.createDirectories(to.getParent());
            Files.move(from, to, StandardCopyOption.ATOMIC_MOVE);
        }
    }

    /** Deletes a folder with all that is in it; nothing when there is none. */
    public static void deleteAll(Path folder) throws IOException {
        if (!Files.exists(folder)) {
            return;
        }
        List<Path> inside;
        try (Stream<Path> all = Files.walk(folder)) {
            inside = all.sorted(Comparator.reverseOrder()).toList();
        }
        for (Path p : inside) {
            try {
                Files.deleteIfExists(p);
            } catch (DirectoryNotEmptyException e) {
                throw new IOException("somebody writes into " + p, e);
            }
        }
    }
}
