package org.pendrik.app;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.h2.api.ErrorCode;
import org.pendrik.app.backup.BackupCommand;
import org.pendrik.app.backup.Restart;
import org.pendrik.app.backup.Restore;
import org.pendrik.app.security.LoopbackOnly;
import org.pendrik.app.store.DataFolder;
import org.pendrik.app.store.DatabaseFile;
import org.pendrik.app.store.DatabaseTrouble;
import org.pendrik.app.store.SafeFiles;
import org.pendrik.app.store.Upgrades;
import org.pendrik.core.units.InvalidInput;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationEnvironmentPreparedEvent;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.PortInUseException;
import org.springframework.context.ApplicationListener;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.env.Environment;

/**
 * Starts Pendrik. What can go wrong at the start is said in one sentence, without a stack trace.
 */
@SpringBootApplication
public class PendrikApplication {
    private static final int CANNOT_START = 2;

    /** What H2 says of a file that is cut, flipped or no database. */
    private static final Set<Integer> DAMAGED =
            Set.of(
                    ErrorCode.FILE_CORRUPTED_1,
                    ErrorCode.FILE_VERSION_ERROR_1,
                    ErrorCode.IO_EXCEPTION_1,
                    ErrorCode.IO_EXCEPTION_2);

    /**
     * Runs the application; {@code --pendrik.demo=true} opens the demonstration workshop, {@code
     * --pendrik.backup-to=FILE} and {@code --pendrik.restore-from=FILE} do that and end.
     */
    public static void main(String[] args) {
        try {
            application().run(args);
        } catch (Done e) {
            System.out.println(e.getMessage());
        } catch (SpringApplication.AbandonedRunException e) {
            // the build looks at the beans and starts nothing
            throw e;
        } catch (RuntimeException e) {
            System.err.println(explain(e));
            System.exit(CANNOT_START);
        }
    }

    private static SpringApplication application() {
        SpringApplication app = new SpringApplication(PendrikApplication.class);
        app.setDefaultProperties(Map.of("logging.file.name", "${pendrik.data}/log/pendrik.log"));
        // before anything is opened
        app.addListeners(
                (ApplicationListener<ApplicationEnvironmentPreparedEvent>)
                        e -> beforeAll(e.getEnvironment()));
        app.addListeners(
                (ApplicationListener<ApplicationReadyEvent>)
                        e -> {
                            var environment = e.getApplicationContext().getEnvironment();
                            String address =
                                    "http://127.0.0.1:"
                                            + environment.getProperty("local.server.port");
                            BackupCommand.answersAt(root(environment), address);
                            System.out.println("Pendrik is at " + address + "/");
                        });
        return app;
    }

    private static Path root(Environment e) {
        return DataFolder.prepare(Path.of(e.getProperty("pendrik.data", "data")));
    }

    private static void beforeAll(Environment e) {
        LoopbackOnly.require(e.getProperty("server.address", ""));
        Path root = root(e);
        lastRoot = root;
        Restore.finish(root).ifPresent(System.out::println);
        String to = e.getProperty("pendrik.backup-to");
        String from = e.getProperty("pendrik.restore-from");
        if (to != null) {
            throw new Done(BackupCommand.backup(root, Path.of(to), Clock.systemUTC()));
        }
        if (from != null) {
            throw new Done(BackupCommand.restore(root, Path.of(from), Clock.systemUTC()));
        }
        Upgrades.recover(root).ifPresent(System.out::println);
        DatabaseFile.require(root);
        DatabaseFile.opened(root);
        SpringApplication.getShutdownHandlers().add(() -> DatabaseFile.closed(root));
    }

    /** What was asked for is done, and nothing is to be started. */
    private static final class Done extends RuntimeException {
        @java.io.Serial private static final long serialVersionUID = 1L;

        Done(String message) {
            super(message);
        }
    }

    private static Path lastRoot = Path.of("data");

    @Configuration
    static class Restarting {
        /** Starts again on the port that the page knows, once the answer has left. */
        @Bean
        Restart restart(ConfigurableApplicationContext context, ApplicationArguments arguments) {
            return () -> {
                List<String> args = new ArrayList<>();
                for (String a : arguments.getSourceArgs()) {
                    if (!a.startsWith("--server.port")) {
                        args.add(a);
                    }
                }
                args.add(
                        "--server.port="
                                + context.getEnvironment().getProperty("local.server.port"));
                // it outlives the threads of the server, which is closed in it
                Thread.ofPlatform()
                        .daemon(false)
                        .name("restart")
                        .start(
                                () -> {
                                    try {
                                        Thread.sleep(Duration.ofMillis(400));
                                    } catch (InterruptedException e) {
                                        Thread.currentThread().interrupt();
                                    }
                                    context.close();
                                    DatabaseFile.closed(lastRoot);
                                    main(args.toArray(String[]::new));
                                });
            };
        }
    }

    static String explain(Throwable e) {
        // it stands beneath an error of the database that would be taken for damage
        for (Throwable t = e; t != null; t = t.getCause()) {
            if (t instanceof IOException && DatabaseTrouble.isFull(t)) {
                return "The disk that holds "
                        + lastRoot
                        + " is full. Free some space and start again; nothing was changed.";
            }
        }
        for (Throwable t = e; t != null; t = t.getCause()) {
            if (t instanceof PortInUseException p) {
                return "Port "
                        + p.getPort()
                        + " is taken by another program. Stop it, or choose a free port: PENDRIK_PORT=8421.";
            }
            if (t instanceof LoopbackOnly.Refused
                    || t instanceof DataFolder.Unusable
                    || t instanceof InvalidInput) {
                return String.valueOf(t.getMessage());
            }
            if (t instanceof SQLException s && DAMAGED.contains(s.getErrorCode())) {
                return DatabaseFile.damaged(lastRoot);
            }
        }
        for (Throwable t = e; t != null; t = t.getCause()) {
            if (t instanceof org.flywaydb.core.api.exception.FlywayValidateException) {
                return "The database was written by a newer Pendrik, or its tables were changed by hand. Start the newer"
                        + " program, or restore a backup. ("
                        + String.valueOf(t.getMessage()).lines().findFirst().orElse("")
                        + ")";
            }
            String m = t.getMessage();
            if (m != null && m.contains("Database may be already in use")) {
                return "The data folder is open in another Pendrik. Stop that one, or choose another folder:"
                        + " PENDRIK_DATA=/path.";
            }
        }
        Throwable first = e;
        while (first.getCause() != null) {
            first = first.getCause();
        }
        return "Pendrik could not start: "
                + String.valueOf(first.getMessage()).lines().findFirst().orElse("")
                + ". The log says more: "
                + log(e);
    }

    /** Where the trace of a failed start was written to. */
    private static Path log(Throwable e) {
        StringWriter trace = new StringWriter();
        e.printStackTrace(new PrintWriter(trace));
        Path file = lastRoot.resolve("log").resolve("start-failure.log");
        try {
            SafeFiles.write(
                    file, out -> out.write(trace.toString().getBytes(StandardCharsets.UTF_8)));
        } catch (IOException cannot) {
            System.err.println(trace);
        }
        return file;
    }
}
