package org.pendrik.benchmarks;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The shipped application in a process of its own, with the memory that it is given to users. */
final class LoadedServer implements AutoCloseable {
    private static final Pattern ADDRESS = Pattern.compile("http://127\\.0\\.0\\.1:(\\d+)/");
    private static final Duration PATIENCE = Duration.ofMinutes(5);
    private static final JsonMapper JSON = new JsonMapper();

    /** What the page sends back of a step. */
    private static final List<String> STEP_FIELDS =
            List.of(
                    "id",
                    "technique",
                    "material",
                    "thickness",
                    "zones",
                    "origin",
                    "reason",
                    "takesBack",
                    "backShare",
                    "madeForEffect",
                    "madeForStep",
                    "worksOn",
                    "extra");

    private final Process process;
    private final int port;
    private final HttpClient client = HttpClient.newHttpClient();

    private LoadedServer(Process process, int port) {
        this.process = process;
        this.port = port;
    }

    static LoadedServer start(Path run, Path data) throws IOException {
        ProcessBuilder b =
                new ProcessBuilder(
                                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                                "-XX:AOTCache=pendrik.aot",
                                "-Xlog:aot=off",
                                "-Xlog:cds=off",
                                "-Xmx512m",
                                "--enable-native-access=ALL-UNNAMED",
                                "--sun-misc-unsafe-memory-access=allow",
                                "-Djava.awt.headless=true",
                                "-jar",
                                "pendrik.jar",
                                "--server.port=0")
                        .directory(run.toFile())
                        .redirectErrorStream(true);
        b.environment().put("PENDRIK_DATA", data.toString());
        Process p = b.start();
        var out =
                new BufferedReader(
                        new InputStreamReader(p.getInputStream(), StandardCharsets.UTF_8));
        StringBuilder said = new StringBuilder();
        for (String line = out.readLine(); line != null; line = out.readLine()) {
            said.append(line).append('\n');
            Matcher m = ADDRESS.matcher(line);
            if (m.find()) {
                Thread.ofVirtual().start(() -> out.lines().forEach(System.out::println));
                return new LoadedServer(p, Integer.parseInt(m.group(1)));
            }
        }
        throw new IOException("the application did not start:\n" + said);
    }

    /** Time that its process has had of all processors. */
    double processorSeconds() {
        return process.info().totalCpuDuration().orElse(Duration.ZERO).toNanos() / 1e9;
    }

    JsonNode get(String path) throws IOException, InterruptedException {
        return answer(builder(path).GET().build());
    }

    JsonNode put(String path, String json) throws IOException, InterruptedException {
        return answer(json(path).PUT(HttpRequest.BodyPublishers.ofString(json)).build());
    }

    JsonNode put(String path, byte[] file) throws IOException, InterruptedException {
        return answer(
                builder(path)
                        .header("Content-Type", "application/octet-stream")
                        .PUT(HttpRequest.BodyPublishers.ofByteArray(file))
                        .build());
    }

    JsonNode post(String path, String json) throws IOException, InterruptedException {
        return answer(json(path).POST(HttpRequest.BodyPublishers.ofString(json)).build());
    }

    /** Turns the pins of a plan round, as somebody who has its page open. */
    void edit(UUID job) throws IOException, InterruptedException {
        String path = "/api/jobs/" + job + "/makeup";
        JsonNode now = get(path);
        ObjectNode draft = JSON.createObjectNode();
        ArrayNode steps = draft.putArray("steps");
        for (JsonNode s : now.path("steps")) {
            ObjectNode step = steps.addObject();
            STEP_FIELDS.forEach(f -> step.set(f, s.path(f)));
        }
        ArrayNode pins = draft.putArray("pins");
        if (now.path("pins").isEmpty() && steps.size() > 1) {
            pins.addObject()
                    .put("firstId", steps.get(steps.size() - 2).path("id").asString())
                    .put("thenId", steps.get(steps.size() - 1).path("id").asString());
        }
        draft.set("version", now.path("version"));
        HttpResponse<String> r =
                client.send(
                        json(path)
                                .PUT(HttpRequest.BodyPublishers.ofString(draft.toString()))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        // another client may have been first
        if (r.statusCode() != 200 && r.statusCode() != 409) {
            throw new IOException(r.statusCode() + ": " + r.body());
        }
    }

    private HttpRequest.Builder json(String path) {
        return builder(path).header("Content-Type", "application/json");
    }

    private HttpRequest.Builder builder(String path) {
        return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                .timeout(PATIENCE);
    }

    private JsonNode answer(HttpRequest request) throws IOException, InterruptedException {
        HttpResponse<String> r = client.send(request, HttpResponse.BodyHandlers.ofString());
        if (r.statusCode() >= 300) {
            throw new IOException(request.uri() + " " + r.statusCode() + ": " + r.body());
        }
        return r.body().isEmpty() ? JSON.createObjectNode() : JSON.readTree(r.body());
    }

    @Override
    public void close() {
        process.destroy();
        process.onExit().join();
    }
}
