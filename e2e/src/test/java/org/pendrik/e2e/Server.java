package org.pendrik.e2e;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.regex.Pattern;
import org.springframework.util.FileSystemUtils;

/** The application as it is shipped, outside the process of the tests, on a free port. */
final class Server implements AutoCloseable {
    private static final Pattern ADDRESS = Pattern.compile("http://127\\.0\\.0\\.1:(\\d+)/");

    /** Processes that have stopped on one folder and may begin on the next. */
    private static final Queue<AppProcess> IDLE = new ConcurrentLinkedQueue<>();

    private final AppProcess process;
    private final boolean successive;
    private final Path data;
    private final int port;
    private final HttpClient client = HttpClient.newHttpClient();

    private Server(AppProcess process, boolean successive, Path data) {
        this.process = process;
        this.successive = successive;
        this.data = data;
        port = Integer.parseInt(process.until(ADDRESS).group(1));
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

    /** Starts it in a process that may have served other folders before; waits for its address. */
    static Server start(Path data, String... extra) {
        try {
            AppProcess idle = IDLE.poll();
            AppProcess process = idle == null ? AppProcess.successive() : idle;
            process.begin(data, extra);
            return new Server(process, true, data);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Starts it in a process of its own, as the script does, and waits for its address. */
    static Server startAlone(Path data, String... extra) {
        try {
            return new Server(AppProcess.alone(data, extra), false, data);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Runs it until it ends by itself and gives what it printed. */
    static String startAndFail(Path data, String... extra) {
        try {
            startAlone(data, extra).close();
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

    /** Ends its process at once, without any chance to tidy up. */
    void kill() {
        process.kill();
    }

    @Override
    public void close() {
        if (!successive) {
            process.end();
        } else if (process.isAlive()) {
            try {
                process.stop();
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
            IDLE.add(process);
        }
    }
}
