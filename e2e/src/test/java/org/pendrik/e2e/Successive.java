package org.pendrik.e2e;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicReference;
import org.pendrik.app.PendrikApplication;
import org.pendrik.app.store.DatabaseFile;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationListener;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Runs the shipped application on one data folder after the other in the same process, as it does
 * itself when a backup is put back: what has been compiled once stays compiled, and a start takes a
 * fifth of the processor.
 *
 * <p>It reads commands, a line each: options separated by tabulators start the application, an
 * empty line stops it. It ends with its input.
 */
final class Successive {
    /** Between two options of a line. */
    static final String SEPARATOR = "\t";

    /** Printed once the application has stopped. */
    static final String STOPPED = "stopped, the next folder please";

    private static final AtomicReference<ConfigurableApplicationContext> RUNNING =
            new AtomicReference<>();

    private Successive() {}

    /** Hears of every application that has started, also of one that started itself again. */
    static final class Running implements ApplicationListener<ApplicationReadyEvent> {
        @Override
        public void onApplicationEvent(ApplicationReadyEvent e) {
            RUNNING.set(e.getApplicationContext());
        }
    }

    /** Follows the commands. */
    public static void main(String[] args) {
        // whatever happens, the threads of the application must not keep the process alive
        try {
            follow(new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8)));
        } catch (IOException | RuntimeException e) {
            e.printStackTrace();
            System.exit(1);
        }
        System.exit(0);
    }

    private static void follow(BufferedReader commands) throws IOException {
        for (String line = commands.readLine(); line != null; line = commands.readLine()) {
            if (line.isEmpty()) {
                stop();
            } else {
                PendrikApplication.main(line.split(SEPARATOR, -1));
            }
        }
    }

    private static void stop() {
        ConfigurableApplicationContext context = RUNNING.get();
        String folder = context.getEnvironment().getRequiredProperty("pendrik.data");
        context.close();
        DatabaseFile.closed(Path.of(folder));
        System.out.println(STOPPED);
    }
}
