package org.pendrik.app.study;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.function.Supplier;
import org.pendrik.app.store.DataFolder;
import org.pendrik.app.store.SafeFiles;
import org.pendrik.core.colour.Lab;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Colours that were measured, each in a file that is named by all that it hangs on. The folder can
 * be deleted at any time: what is missing is measured again.
 */
@Component
class MeasuredColours {
    /** Counts up when measuring changes, so that no colour of an older program is taken. */
    private static final int MEASURED_BY = 1;

    private static final int MOST_IN_MEMORY = 5_000;
    private static final Logger LOG = LoggerFactory.getLogger(MeasuredColours.class);

    private final Path folder;
    private final Cache<String, Optional<Lab>> inMemory =
            Caffeine.newBuilder().maximumSize(MOST_IN_MEMORY).build();

    MeasuredColours(DataFolder data) {
        this.folder = data.root().resolve("measured");
    }

    /**
     * A colour, measured when it was not before.
     *
     * @param basis all that it hangs on, as text
     */
    Optional<Lab> of(String basis, Supplier<Optional<Lab>> measure) {
        String name = name(MEASURED_BY + " " + basis);
        Optional<Lab> known = inMemory.getIfPresent(name);
        if (known == null) {
            Path file = folder.resolve(name.substring(0, 2)).resolve(name);
            known = read(file);
            if (known.isEmpty()) {
                known = measure.get();
                known.ifPresent(c -> write(file, c));
            }
            inMemory.put(name, known);
        }
        return known;
    }

    /** A file that cannot be read or says something else is as good as none. */
    private static Optional<Lab> read(Path file) {
        try {
            String[] parts = Files.readString(file, StandardCharsets.UTF_8).strip().split(" ", -1);
            return parts.length == 3
                    ? Optional.of(
                            new Lab(
                                    Double.parseDouble(parts[0]),
                                    Double.parseDouble(parts[1]),
                                    Double.parseDouble(parts[2])))
                    : Optional.empty();
        } catch (IOException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static void write(Path file, Lab c) {
        String text = c.l() + " " + c.a() + " " + c.b() + "\n";
        try {
            SafeFiles.write(file, out -> out.write(text.getBytes(StandardCharsets.UTF_8)));
        } catch (IOException e) {
            // it is measured again after the next start
            LOG.debug("{} could not be kept", file, e);
        }
    }

    private static String name(String basis) {
        try {
            return HexFormat.of()
                    .formatHex(
                            MessageDigest.getInstance("SHA-256")
                                    .digest(basis.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
