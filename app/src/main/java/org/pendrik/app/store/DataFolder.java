package org.pendrik.app.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The folder that holds the database and the photographs. */
public final class DataFolder {
    private final Path root;

    DataFolder(Path root) {
        this.root = prepare(root);
    }

    /**
     * Makes the folder when it is missing.
     *
     * @throws Unusable when it cannot be made or written to
     */
    public static Path prepare(Path folder) {
        Path root = folder.toAbsolutePath().normalize();
        if (root.toString().contains(";")) {
            // the address of the database takes what follows a semicolon for a setting
            throw new Unusable(
                    "The data folder "
                            + root
                            + " has a semicolon in its name. Choose another one: PENDRIK_DATA=/path.",
                    null);
        }
        try {
            Files.createDirectories(root);
        } catch (IOException e) {
            throw new Unusable(
                    "The data folder "
                            + root
                            + " cannot be made. Choose another one: PENDRIK_DATA=/path.",
                    e);
        }
        if (!Files.isWritable(root)) {
            throw new Unusable(
                    "The data folder "
                            + root
                            + " cannot be written to. Choose another one: PENDRIK_DATA=/path.",
                    null);
        }
        return root;
    }

    /** Where it is. */
    public Path root() {
        return root;
    }

    /** A folder inside it, made when missing. */
    public Path folder(String name) {
        try {
            return Files.createDirectories(root.resolve(name));
        } catch (IOException e) {
            throw new Unusable("The folder " + root.resolve(name) + " cannot be made.", e);
        }
    }

    /** The data folder cannot be used. */
    public static final class Unusable extends RuntimeException {
        @java.io.Serial private static final long serialVersionUID = 1L;

        public Unusable(String message, @org.jspecify.annotations.Nullable Throwable cause) {
            super(message, cause);
        }
    }

    /**
     * Where it is, and what the program opens.
     *
     * @param data path of the folder
     * @param demo open the demonstration workshop
     * @param startsAt the moment that the program's clock shows when it starts, from which it goes
     *     on; the time of this machine when it is not set
     * @param clockStands whether it stays at that moment
     */
    @ConfigurationProperties("pendrik")
    public record Settings(
            Path data,
            boolean demo,
            @org.jspecify.annotations.Nullable Instant startsAt,
            boolean clockStands) {}

    @EnableConfigurationProperties(Settings.class)
    @Configuration
    static class Beans {
        @Bean
        DataFolder dataFolder(Settings settings) {
            return new DataFolder(settings.data());
        }

        @Bean
        Clock clock(Settings settings) {
            Clock machine = Clock.systemUTC();
            if (settings.startsAt() == null) {
                return machine;
            }
            return settings.clockStands()
                    ? Clock.fixed(settings.startsAt(), ZoneOffset.UTC)
                    : Clock.offset(
                            machine, Duration.between(machine.instant(), settings.startsAt()));
        }
    }
}
