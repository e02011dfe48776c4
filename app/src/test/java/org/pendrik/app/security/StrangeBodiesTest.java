package org.pendrik.app.security;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.AppTest;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Broken and extreme bodies for every endpoint of the API description: each is refused or answered
 * within its bounds, and no answer has a number that is none.
 */
public class StrangeBodiesTest extends AppTest {
    private static final int RUNS = Integer.getInteger("strange.bodies", 2000);
    private static final int MOST_LETTERS = 6_000_000;
    private static final long MOST_SECONDS = 40;

    /** They replace the workshop, or would pack it again and again. */
    private static final Set<String> LEFT_OUT = Set.of("/api/restore", "/api/backups");

    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
    private static final List<JsonNode> NUMBERS =
            List.of(
                    NODES.numberNode(0),
                    NODES.numberNode(-1),
                    NODES.numberNode(0.5),
                    NODES.numberNode(1e-9),
                    NODES.numberNode(1e7),
                    NODES.numberNode(-1e6),
                    NODES.numberNode(999_999_999_999L),
                    NODES.numberNode(1e308),
                    NODES.numberNode(-1e155),
                    NODES.numberNode(Integer.MAX_VALUE),
                    NODES.stringNode("NaN"),
                    NODES.nullNode());
    private static final List<String> TEXTS =
            List.of(
                    "",
                    " ",
                    "x",
                    "left-side",
                    "mist-fade",
                    "NaN",
                    "1e999",
                    "\u0000\u0007",
                    "=1+1",
                    "../../etc",
                    "<script>",
                    "+999999999-12-31",
                    "2026-11-25",
                    "0001-01-01T00:00:00Z",
                    "Ж".repeat(3000));

    private record Operation(
            String method, String path, @Nullable JsonNode body, @Nullable JsonNode example) {}

    private JsonNode schemas = NODES.objectNode();
    private UUID job = UUID.randomUUID();

    @Test
    public void nothingBreaksIt() {
        job = car("Strange");
        plan(job, "FADE", "RUST_STREAKS");
        JsonNode api = ok(get("/api/openapi"));
        schemas = api.path("components").path("schemas");
        List<Operation> all = operations(api);
        assertTrue(all.size() > 60, all.size() + " operations");
        Random random = new Random(Long.getLong("strange.seed", 18));
        Map<String, String> broken = new TreeMap<>();
        int refused = 0;
        for (int i = 0; i < RUNS; i++) {
            Operation o = all.get(i % all.size());
            String body = o.body() == null ? "" : body(o, random).toString();
            String path = path(o.path(), random);
            long from = System.nanoTime();
            MvcTestResult r = send(o.method(), path, body);
            long seconds = (System.nanoTime() - from) / 1_000_000_000;
            int status = r.getResponse().getStatus();
            String said = text(r);
            refused += status >= 400 ? 1 : 0;
            String fault =
                    status >= 500
                            ? "answers " + status
                            : said.matches("(?s).*[:\\[,](NaN|\"NaN\"|-?\"?Infinity\"?)[,}\\]].*")
                                            && status < 400
                                            && !body.contains("NaN")
                                    ? "answers a number that is none"
                                    : said.length() > MOST_LETTERS
                                            ? "answers " + said.length() + " letters"
                                            : seconds > MOST_SECONDS
                                                    ? "takes " + seconds + " s"
                                                    : "";
            if (!fault.isEmpty()) {
                broken.putIfAbsent(
                        o.method() + " " + o.path() + " " + fault,
                        path + " " + (body.length() > 900 ? body.substring(0, 900) : body));
            }
        }
        System.out.println(
                "strange bodies: "
                        + RUNS
                        + " on "
                        + all.size()
                        + " operations, "
                        + refused
                        + " refused");
        broken.forEach((k, v) -> System.out.println("  " + k + "\n    " + v));
        assertEquals(broken.keySet(), Set.of());
    }

    private MvcTestResult send(String method, String path, String body) {
        return http.method(HttpMethod.valueOf(method))
                .uri(java.net.URI.create(path))
                .header("Host", "127.0.0.1:8420")
                .contentType(MediaType.APPLICATION_JSON)
                .content(body)
                .exchange();
    }

    private List<Operation> operations(JsonNode api) {
        List<Operation> out = new ArrayList<>();
        api.path("paths")
                .properties()
                .forEach(
                        p -> {
                            if (LEFT_OUT.stream().noneMatch(p.getKey()::startsWith)) {
                                p.getValue()
                                        .properties()
                                        .forEach(
                                                m -> {
                                                    JsonNode json =
                                                            m.getValue()
                                                                    .path("requestBody")
                                                                    .path("content")
                                                                    .path("application/json");
                                                    out.add(
                                                            new Operation(
                                                                    m.getKey()
                                                                            .toUpperCase(
                                                                                    java.util.Locale
                                                                                            .ROOT),
                                                                    p.getKey(),
                                                                    json.isMissingNode()
                                                                            ? null
                                                                            : json.path("schema"),
                                                                    example(json)));
                                                });
                            }
                        });
        return out;
    }

    private static @Nullable JsonNode example(JsonNode json) {
        if (json.has("example")) {
            return json.path("example");
        }
        for (JsonNode e : json.path("examples")) {
            return e.path("value");
        }
        return null;
    }

    private String path(String template, Random random) {
        String out = template.replace("{jobId}", random.nextInt(4) > 0 ? job.toString() : "x");
        while (out.contains("{")) {
            String with =
                    random.nextInt(3) == 0
                            ? job.toString()
                            : random.nextBoolean() ? UUID.randomUUID().toString() : "LEFT";
            out = out.replaceFirst("\\{[^}]*}", with);
        }
        return out;
    }

    private JsonNode body(Operation o, Random random) {
        JsonNode schema = o.body() == null ? NODES.objectNode() : o.body();
        if (o.example() != null && random.nextInt(5) > 0) {
            JsonNode e =
                    o.example().isString()
                            ? json.readTree(o.example().asString())
                            : o.example().deepCopy();
            int changes = 1 + random.nextInt(2);
            for (int i = 0; i < changes; i++) {
                change(e, random);
            }
            return e;
        }
        return made(schema, 0, random);
    }

    /** Puts something strange in the place of one value. */
    private void change(JsonNode tree, Random random) {
        List<Runnable> places = new ArrayList<>();
        collect(tree, random, places);
        if (!places.isEmpty()) {
            places.get(random.nextInt(places.size())).run();
        }
    }

    private void collect(JsonNode n, Random random, List<Runnable> places) {
        if (n instanceof ObjectNode o) {
            for (String name : new ArrayList<>(o.propertyNames())) {
                places.add(() -> o.set(name, strange(o.path(name), random)));
                collect(o.path(name), random, places);
            }
        } else if (n instanceof ArrayNode a) {
            for (int i = 0; i < a.size(); i++) {
                int at = i;
                places.add(() -> a.set(at, strange(a.path(at), random)));
                collect(a.path(i), random, places);
            }
        }
    }

    private JsonNode strange(JsonNode was, Random random) {
        if (was instanceof ArrayNode a && !a.isEmpty()) {
            ArrayNode out = NODES.arrayNode();
            int size = random.nextInt(3) == 0 ? 0 : random.nextInt(3) == 0 ? 260 : 1;
            for (int i = 0; i < size; i++) {
                out.add(a.path(i % a.size()));
            }
            return out;
        }
        if (was.isNumber()) {
            return NUMBERS.get(random.nextInt(NUMBERS.size()));
        }
        return random.nextInt(4) == 0
                ? NUMBERS.get(random.nextInt(NUMBERS.size()))
                : NODES.stringNode(TEXTS.get(random.nextInt(TEXTS.size())));
    }

    private JsonNode made(JsonNode schema, int depth, Random random) {
        JsonNode s = schema;
        if (s.has("$ref")) {
            String ref = s.path("$ref").asString();
            s = schemas.path(ref.substring(ref.lastIndexOf('/') + 1));
        }
        if (s.has("anyOf") || s.has("oneOf")) {
            JsonNode of = s.has("anyOf") ? s.path("anyOf") : s.path("oneOf");
            return made(of.path(random.nextInt(of.size())), depth + 1, random);
        }
        if (s.path("enum").size() > 0 && random.nextInt(10) > 0) {
            return s.path("enum").path(random.nextInt(s.path("enum").size()));
        }
        String type =
                s.path("type").isArray()
                        ? s.path("type").path(random.nextInt(s.path("type").size())).asString()
                        : s.path("type").asString("object");
        return switch (type) {
            case "number", "integer" ->
                    random.nextBoolean()
                            ? NODES.numberNode(random.nextInt(100))
                            : NUMBERS.get(random.nextInt(NUMBERS.size()));
            case "boolean" -> NODES.booleanNode(random.nextBoolean());
            case "null" -> NODES.nullNode();
            case "array" -> {
                ArrayNode a = NODES.arrayNode();
                int size = depth > 4 ? 0 : random.nextInt(10) == 0 ? 90 : random.nextInt(4);
                for (int i = 0; i < size; i++) {
                    a.add(made(s.path("items"), depth + 1, random));
                }
                yield a;
            }
            case "string" ->
                    NODES.stringNode(
                            s.path("format").asString("").equals("uuid") && random.nextInt(4) > 0
                                    ? random.nextBoolean()
                                            ? job.toString()
                                            : UUID.randomUUID().toString()
                                    : TEXTS.get(random.nextInt(TEXTS.size())));
            default -> {
                ObjectNode o = NODES.objectNode();
                for (var p : s.path("properties").properties()) {
                    if (random.nextInt(12) > 0) {
                        o.set(p.getKey(), made(p.getValue(), depth + 1, random));
                    }
                }
                yield o;
            }
        };
    }
}
