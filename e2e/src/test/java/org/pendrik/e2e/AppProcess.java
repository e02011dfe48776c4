package org.pendrik.e2e;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A process of the application, run as the script does it for a user, and what it says. */
final class AppProcess {
    private static final Path SCRIPT = Path.of("..", "pendrik").toAbsolutePath().normalize();
    private static final Path RUN = SCRIPT.resolveSibling(Path.of("app", "target", "run"));
    private static final Path TESTS = Path.of("target", "test-classes").toAbsolutePath();
    private static final String JAVA =
            Path.of(System.getProperty("java.home"), "bin", "java").toString();
    private static final List<String> FLAGS =
            List.of(
                    "-Xmx512m",
                    "--enable-native-access=ALL-UNNAMED",
                    "--sun-misc-unsafe-memory-access=allow",
                    "-Djava.awt.headless=true",
                    "-Dspring.aot.enabled=true");

    /**
     * A process that lives for seconds: the quick compiler saves more of the processor than its
     * slower code costs.
     */
    private static final List<String> SHORT_LIVED =
            List.of("-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC");

    /**
     * One that lives for minutes; with less inlined, compiling costs less and the code is as fast.
     */
    private static final List<String> LONG_LIVED =
            List.of("-XX:InlineSmallCode=1200", "-XX:FreqInlineSize=200", "-XX:+UseSerialGC");

    /** Stands for the end of what a process says. */
    private static final String END = "\0";

    private final Process process;
    private final BlockingQueue<String> said = new LinkedBlockingQueue<>();

    private AppProcess(Process process) {
        this.process = process;
        BufferedReader out = process.inputReader();
        // no virtual one: reading a pipe keeps hold of its carrier, of which there are few
        Thread.ofPlatform()
                .daemon()
                .start(
                        () -> {
                            try {
                                out.lines().forEach(said::add);
                            } catch (UncheckedIOException e) {
                                // it was killed while it spoke
                            }
                            said.add(END);
                        });
    }

    static {
        try {
            // unpacked as the script does it for a user
            Process prepare = new ProcessBuilder(SCRIPT.toString(), "prepare").inheritIO().start();
            if (prepare.waitFor() != 0) {
                throw new IllegalStateException("the application could not be unpacked");
            }
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** One for this data folder alone, which ends with it. */
    static AppProcess alone(Path data, String... extra) throws IOException {
        List<String> rest = new ArrayList<>(SHORT_LIVED);
        rest.addAll(List.of("-jar", "pendrik.jar"));
        rest.addAll(options(extra));
        return launched(rest, Map.of("PENDRIK_DATA", data.toString()));
    }

    /** One that runs on one folder after the other. */
    static AppProcess successive() throws IOException {
        List<String> rest = new ArrayList<>(LONG_LIVED);
        rest.addAll(List.of("-cp", "pendrik.jar:" + TESTS, Successive.class.getName()));
        return launched(rest, Map.of());
    }

    private static AppProcess launched(List<String> rest, Map<String, String> environment)
            throws IOException {
        List<String> command = new ArrayList<>(List.of(JAVA));
        if (Files.exists(RUN.resolve("pendrik.aot"))) {
            command.addAll(List.of("-XX:AOTCache=pendrik.aot", "-Xlog:aot=off", "-Xlog:cds=off"));
        }
        command.addAll(FLAGS);
        command.add("-Duser.timezone=" + Moment.OF_THIS_RUN.zone());
        command.addAll(rest);
        ProcessBuilder builder =
                new ProcessBuilder(command).directory(RUN.toFile()).redirectErrorStream(true);
        builder.environment().putAll(environment);
        return new AppProcess(builder.start());
    }

    /** The application's options: a free port unless another is asked for. */
    private static List<String> options(String... extra) {
        List<String> out = new ArrayList<>();
        if (List.of(extra).stream().noneMatch(e -> e.startsWith("--server.port"))) {
            out.add("--server.port=0");
        }
        out.add("--pendrik.starts-at=" + Moment.OF_THIS_RUN.instant());
        // the backup of the day is made after five minutes, and some servers live that long
        out.add("--pendrik.backup.after=P1D");
        out.addAll(List.of(extra));
        return out;
    }

    /** Lets one that runs successively begin on this folder. */
    void begin(Path data, String... extra) throws IOException {
        List<String> options = new ArrayList<>(options(extra));
        options.add("--pendrik.data=" + data);
        tell(String.join(Successive.SEPARATOR, options));
    }

    /** Lets it stop, and waits until it has. */
    void stop() throws IOException {
        tell("");
        until(Pattern.compile(Pattern.quote(Successive.STOPPED)));
    }

    private void tell(String line) throws IOException {
        Writer w = process.outputWriter();
        w.write(line + "\n");
        w.flush();
    }

    /**
     * Waits for a line in which this is found.
     *
     * @throws IllegalStateException with what it said, when it ends before
     */
    MatchResult until(Pattern words) {
        StringBuilder before = new StringBuilder();
        try {
            for (String line = said.take(); !line.equals(END); line = said.take()) {
                before.append(line).append('\n');
                Matcher m = words.matcher(line);
                if (m.find()) {
                    return m.toMatchResult();
                }
            }
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
        throw new IllegalStateException("the application ended:\n" + before);
    }

    /** Whether it ends by itself in this time, which is waited for. */
    boolean endsWithin(Duration time) throws InterruptedException {
        return process.waitFor(time);
    }

    boolean isAlive() {
        return process.isAlive();
    }

    /** Asks it to end, as a user does, and waits until it has. */
    void end() {
        process.destroy();
        awaitEnd();
    }

    /** Ends it at once, without any chance to tidy up. */
    void kill() {
        process.destroyForcibly();
        awaitEnd();
    }

    private void awaitEnd() {
        try {
            process.waitFor();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
