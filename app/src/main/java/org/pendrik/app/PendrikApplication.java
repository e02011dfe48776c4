package org.pendrik.app;

import java.nio.file.Path;
import org.apache.ibatis.annotations.Mapper;
import org.mybatis.spring.annotation.MapperScan;
import org.pendrik.app.security.LoopbackOnly;
import org.pendrik.app.store.DataFolder;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationEnvironmentPreparedEvent;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.web.server.PortInUseException;
import org.springframework.context.ApplicationListener;

/**
 * Starts Pendrik. What can go wrong at the start is said in one sentence, without a stack trace.
 */
@SpringBootApplication
@ConfigurationPropertiesScan
@MapperScan(annotationClass = Mapper.class)
public class PendrikApplication {
    private static final int CANNOT_START = 2;

    /** Runs the application; {@code --pendrik.demo=true} opens the demonstration workshop. */
    public static void main(String[] args) {
        SpringApplication app = new SpringApplication(PendrikApplication.class);
        // before anything is opened
        app.addListeners(
                (ApplicationListener<ApplicationEnvironmentPreparedEvent>)
                        e -> {
                            LoopbackOnly.require(
                                    e.getEnvironment().getProperty("server.address", ""));
                            DataFolder.prepare(
                                    Path.of(
                                            e.getEnvironment()
                                                    .getProperty("pendrik.data", "data")));
                        });
        app.addListeners(
                (ApplicationListener<ApplicationReadyEvent>)
                        e ->
                                System.out.println(
                                        "Pendrik is at http://127.0.0.1:"
                                                + e.getApplicationContext()
                                                        .getEnvironment()
                                                        .getProperty("local.server.port")
                                                + "/"));
        try {
            app.run(args);
        } catch (RuntimeException e) {
            System.err.println(explain(e));
            System.exit(CANNOT_START);
        }
    }

    static String explain(Throwable e) {
        for (Throwable t = e; t != null; t = t.getCause()) {
            if (t instanceof PortInUseException p) {
                return "Port "
                        + p.getPort()
                        + " is taken by another program. Stop it, or choose a free port: PENDRIK_PORT=8421.";
            }
            if (t instanceof LoopbackOnly.Refused || t instanceof DataFolder.Unusable) {
                return t.getMessage();
            }
            if (t instanceof org.flywaydb.core.api.FlywayException) {
                return "The database was written by a newer Pendrik, or its tables were changed by hand. Start the newer"
                        + " program, or restore a backup. ("
                        + t.getMessage().lines().findFirst().orElse("")
                        + ")";
            }
            String m = t.getMessage();
            if (m != null && m.contains("Database may be already in use")) {
                return "The data folder is open in another Pendrik. Stop that one, or choose another folder:"
                        + " PENDRIK_DATA=/path.";
            }
        }
        java.io.StringWriter trace = new java.io.StringWriter();
        e.printStackTrace(new java.io.PrintWriter(trace));
        return "Pendrik could not start: " + e.getMessage() + "\n" + trace;
    }
}
