package org.pendrik.e2e;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.util.FileSystemUtils;

/** The application as it is shipped, in its own process on a free port. */
final class Server implements AutoCloseable {
    private static final Path SCRIPT = Path.of("..", "pendrik").toAbsolutePath().normalize();
    private static final Path RUN = SCRIPT.resolveSibling(Path.of("app", "target", "run"));
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
     * Further options of the virtual machine. A server of the tests lives for seconds: the quick
     * compiler saves more than its slower code costs, a third of the processor when the
     * demonstration is filled.
     */
    private static final List<String> MORE_FLAGS =
            Pattern.compile("\\S+")
                    .matcher(
                            System.getProperty(
                                    "e2e.java", "-XX:TieredStopAtLevel=1 -XX:+UseSerialGC"))
                    .results()
                    .map(MatchResult::group)
                    .toList();

    private static final Pattern ADDRESS = Pattern.compile("http://127\\.0\\.0\\.1:(\\d+)/");

    private final Process process;
    private final Path data;
    private final int port;
    private final HttpClient client = HttpClient.newHttpClient();

    private Server(Process process, Path data, int port) {
        this.process = process;
        this.data = data;
        this.port = port;
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

    /** A data folder of its own, gone when the tests end. */
    static Path freshFolder() {
        try {
            Path folder = Files.createTempDirectory("pendrik-e2e");
            Runtime.getRuntime()
                    .addShutdownHook(
                            new Thread(() -> FileSystemUtils.deleteRecursively(folder.toFile())));
            return folder;
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The demonstration workshop in a folder of its own. */
    static Server demo(String... extra) {
        try {
            Path data = freshFolder();
            FileSystemUtils.copyRecursively(Demo.FOLDER, data);
            return start(data, extra);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /**
     * Fills the demonstration once; its pictures take most of the time that a first start takes.
     */
    private static final class Demo {
        static final Path FOLDER = freshFolder();

        static {
            start(FOLDER, "--pendrik.demo=true").close();
        }
    }

    /** Starts it and waits for its address. */
    static Server start(Path data, String... extra) {
        try {
            Process p = launch(data, extra);
            var out =
                    new BufferedReader(
                            new InputStreamReader(p.getInputStream(), StandardCharsets.UTF_8));
            StringBuilder said = new StringBuilder();
            for (String line = out.readLine(); line != null; line = out.readLine()) {
                said.append(line).append('\n');
                Matcher m = ADDRESS.matcher(line);
                if (m.find()) {
                    drain(out);
                    return new Server(p, data, Integer.parseInt(m.group(1)));
                }
            }
            throw new IllegalStateException("the application did not start:\n" + said);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Reads what a process says and forgets it, until it ends or is killed. */
    static void drain(BufferedReader out) {
        Thread.ofVirtual()
                .start(
                        () -> {
                            try {
                                while (out.readLine() != null) {
                                    // nobody wants it
                                }
                            } catch (IOException e) {
                                // it was killed while it spoke
                            }
                        });
    }

    /** Starts its process and waits for nothing. */
    static Process launch(Path data, String... extra) throws IOException {
        List<String> command = new ArrayList<>(List.of(JAVA));
        if (Files.exists(RUN.resolve("pendrik.aot"))) {
            command.addAll(List.of("-XX:AOTCache=pendrik.aot", "-Xlog:aot=off", "-Xlog:cds=off"));
        }
        command.addAll(FLAGS);
        command.addAll(MORE_FLAGS);
        command.add("-Duser.timezone=" + Moment.OF_THIS_RUN.zone());
        command.addAll(List.of("-jar", "pendrik.jar"));
        if (List.of(extra).stream().noneMatch(e -> e.startsWith("--server.port"))) {
            command.add("--server.port=0");
        }
        command.add("--pendrik.starts-at=" + Moment.OF_THIS_RUN.instant());
        // the backup of the day is made after five minutes, and some servers live that long
        command.add("--pendrik.backup.after=P1D");
        command.addAll(List.of(extra));
        ProcessBuilder builder =
                new ProcessBuilder(command).directory(RUN.toFile()).redirectErrorStream(true);
        builder.environment().put("PENDRIK_DATA", data.toString());
        return builder.start();
    }

    /** Runs it until it ends by itself and gives what it printed. */
    static String startAndFail(Path data, String... extra) {
        try {
            start(data, extra).close();
            throw new AssertionError("it started");
        } catch (IllegalStateException e) {
            return String.valueOf(e.getMessage());
        }
    }

    String url(String path) {
        return "http://127.0.0.1:" + port + path;
    }

    Path data() {
        return data;
    }

    int port() {
        return port;
    }

    HttpResponse<String> send(String method, String path, String json)
            throws IOException, InterruptedException {
        return client.send(
                HttpRequest.newBuilder(URI.create(url(path)))
                        .header("Content-Type", "application/json")
                        .method(
                                method,
                                json.isEmpty()
                                        ? HttpRequest.BodyPublishers.noBody()
                                        : HttpRequest.BodyPublishers.ofString(json))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    /** Puts a file in; gives the status of the answer. */
    int put(String path, byte[] file) throws IOException, InterruptedException {
        return client.send(
                        HttpRequest.newBuilder(URI.create(url(path)))
                                .header("Content-Type", "application/octet-stream")
                                .PUT(HttpRequest.BodyPublishers.ofByteArray(file))
                                .build(),
                        HttpResponse.BodyHandlers.discarding())
                .statusCode();
    }

    String get(String path) {
        try {
            return send("GET", path, "").body();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Ends it at once, without any chance to tidy up. */
    void kill() {
        process.destroyForcibly();
        try {
            process.waitFor();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        process.destroy();
        try {
            process.waitFor();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
