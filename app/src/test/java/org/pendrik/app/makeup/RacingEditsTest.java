package org.pendrik.app.makeup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import javax.imageio.ImageIO;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.AppTest;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Several clients edit one workshop at once, each from what it read: regions, effects, samples,
 * plan and log of one job, the job itself, a photograph's marks and caption, a bottle, the
 * settings. What one of them was told is stored is there at the end, whatever the others did. Of a
 * list, each confirmed item is looked for; of a text, each confirmed edit has counted it one up.
 */
public class RacingEditsTest extends AppTest {
    private static final int CLIENTS = 8;
    private static final int EDITS = Integer.getInteger("race.edits", 250);
    private static final int MOST_STEPS = 60;
    private static final List<String> TEXTS =
            List.of("job", "workshop", "bottle", "caption", "grey card");
    private static final Map<String, List<String>> DRAFTS =
            Map.of(
                    "job",
                    List.of(
                            "name",
                            "kind",
                            "scaleRatio",
                            "lengthMm",
                            "heightMm",
                            "substrate",
                            "wantedOn",
                            "note",
                            "version"),
                    "bottle",
                    List.of("bottle", "version"),
                    "caption",
                    List.of("role", "side", "sister", "caption", "takenAt", "version"),
                    "grey card",
                    List.of("corners", "knownPoints", "greyPatch", "version"));

    private final Queue<String> confirmed = new ConcurrentLinkedQueue<>();
    private final Queue<String> gone = new ConcurrentLinkedQueue<>();
    private final Queue<String> broken = new ConcurrentLinkedQueue<>();

    /** How often each text was counted up, by where it is read. */
    private final Map<String, AtomicInteger> counted = new ConcurrentHashMap<>();

    private final UUID photograph = UUID.randomUUID();
    private final UUID bottle = UUID.randomUUID();
    private final AtomicInteger stored = new AtomicInteger();
    private final AtomicInteger refused = new AtomicInteger();

    @Test
    public void whatWasConfirmedIsThere() throws InterruptedException {
        UUID job = car("Raced");
        plan(job, "FADE", "JOINT_SHADE", "DUST");
        ok(photograph(job, photograph, "PROTOTYPE", picture()));
        ok(
                put(
                        "/api/shelf/" + bottle,
                        """
                        {"version": null, "bottle": {"name": "Raced %s", "maker": "own", "family": "test acrylic",
                         "kind": "PAINT", "colour": {"l": 40, "a": 3, "b": 5}, "amountMl": 10, "notes": "0"}}
                        """
                                .formatted(bottle)));
        ObjectNode settings = (ObjectNode) ok(get("/api/workshop"));
        ok(put("/api/workshop", settings.deepCopy().put("name", "0").toString()));
        try {
            race(job);
        } finally {
            settings.set("version", ok(get("/api/workshop")).path("version"));
            ok(put("/api/workshop", settings.toString()));
            ok(delete("/api/shelf/" + bottle + "?version=" + find(bottle).path("version").asInt()));
        }
    }

    private void race(UUID job) throws InterruptedException {
        List<Thread> clients = new ArrayList<>();
        for (int c = 0; c < CLIENTS; c++) {
            int seed = c;
            clients.add(Thread.ofPlatform().start(() -> client(job, new Random(seed))));
        }
        for (Thread t : clients) {
            t.join();
        }
        assertEquals(broken.peek(), null);
        Set<String> there = new HashSet<>();
        JsonNode study = ok(get(study(job)));
        for (String list : List.of("regions", "effects", "samples")) {
            study.path(list).forEach(n -> there.add(n.path("id").asString()));
        }
        JsonNode makeup = ok(get(makeup(job)));
        makeup.path("steps").forEach(s -> there.add(s.path("id").asString()));
        makeup.path("steps")
                .forEach(
                        s -> {
                            if (s.path("done").asBoolean()) {
                                there.add("done " + s.path("id").asString());
                            }
                        });
        List<String> lost =
                confirmed.stream().filter(id -> !there.contains(id) && !gone.contains(id)).toList();
        List<String> back = gone.stream().filter(there::contains).toList();
        Map<String, Integer> missing = new HashMap<>();
        counted.forEach(
                (what, times) -> {
                    int gap = times.get() - count(what, job);
                    if (gap != 0) {
                        missing.put(what, gap);
                    }
                });
        System.out.println(
                "racing edits: "
                        + stored
                        + " stored, "
                        + refused
                        + " refused as out of date, "
                        + (lost.size() + missing.values().stream().mapToInt(i -> i).sum())
                        + " lost");
        assertEquals(lost, List.of());
        assertEquals(missing, Map.of());
        assertEquals(counted.size(), TEXTS.size(), counted.keySet().toString());
        assertEquals(back, List.of());
        assertTrue(stored.get() >= EDITS, stored + " of " + EDITS);
        assertTrue(refused.get() > 0, "nobody ever met anybody");
    }

    private void client(UUID job, Random random) {
        while (stored.get() < EDITS) {
            try {
                switch (random.nextInt(12)) {
                    case 0, 1 -> study(job, "regions", region(), random);
                    case 2, 3 -> study(job, "effects", effect(), random);
                    case 4 -> study(job, "samples", sample(), random);
                    case 5 -> log(job);
                    case 6, 7 -> countUp(TEXTS.get(random.nextInt(TEXTS.size())), job);
                    default -> step(job, random);
                }
            } catch (AssertionError | RuntimeException e) {
                broken.add(e.toString());
                return;
            }
        }
    }

    private static String study(UUID job) {
        return "/api/jobs/" + job + "/study";
    }

    private static String makeup(UUID job) {
        return "/api/jobs/" + job + "/makeup";
    }

    private String region() {
        return """
        {"id": "%s", "name": "Raced", "zoneKey": null, "side": "LEFT", "role": "MEASURE", "xMm": 1, "yMm": 1,
         "widthMm": 100, "heightMm": 100, "factory": false, "outline": []}
        """
                .formatted(UUID.randomUUID());
    }

    private String effect() {
        return """
        {"id": "%s", "kind": "DUST", "zones": ["left-side"], "strength": 1, "tones": [], "note": ""}
        """
                .formatted(UUID.randomUUID());
    }

    private String sample() {
        return """
        {"id": "%s", "photographId": "%s", "kind": "DUST", "xMm": 1, "yMm": 1, "widthMm": 100, "heightMm": 100}
        """
                .formatted(UUID.randomUUID(), photograph);
    }

    private String pathOf(String what, UUID job) {
        return switch (what) {
            case "job" -> "/api/jobs/" + job;
            case "workshop" -> "/api/workshop";
            case "bottle" -> "/api/shelf/" + bottle;
            case "caption" -> "/api/photographs/" + photograph + "/about";
            default -> "/api/photographs/" + photograph + "/marks";
        };
    }

    /** What a client reads before it counts one of the texts up. */
    private ObjectNode seen(String what, UUID job) {
        return switch (what) {
            case "bottle" -> find(bottle);
            case "caption", "grey card" -> (ObjectNode) ok(get("/api/photographs/" + photograph));
            case "job" -> (ObjectNode) ok(get(pathOf(what, job))).path("job");
            default -> (ObjectNode) ok(get(pathOf(what, job)));
        };
    }

    private static int count(String what, JsonNode seen) {
        String text =
                switch (what) {
                    case "job" -> seen.path("note").asString();
                    case "workshop" -> seen.path("name").asString();
                    case "bottle" -> seen.path("bottle").path("notes").asString();
                    case "caption" -> seen.path("caption").asString();
                    default ->
                            Integer.toString(
                                    (int)
                                            Math.round(
                                                    1000
                                                            * seen.path("greyPatch")
                                                                    .path("x")
                                                                    .asDouble()));
                };
        return text.isEmpty() ? 0 : Integer.parseInt(text);
    }

    private int count(String what, UUID job) {
        return count(what, seen(what, job));
    }

    private void countUp(String what, UUID job) {
        ObjectNode seen = seen(what, job);
        int next = count(what, seen) + 1;
        String text = Integer.toString(next);
        switch (what) {
            case "job" -> seen.put("note", text);
            case "workshop" -> seen.put("name", text);
            case "bottle" -> ((ObjectNode) seen.path("bottle")).put("notes", text);
            case "caption" -> seen.put("caption", text);
            default ->
                    seen.putObject("greyPatch")
                            .put("x", next / 1000.0)
                            .put("y", 1)
                            .put("width", 8)
                            .put("height", 8)
                            .put("lightness", 50);
        }
        // an answer holds more than an edit may
        List<String> draft = DRAFTS.get(what);
        if (draft != null) {
            seen.retain(draft);
        }
        if (tell(put(pathOf(what, job), seen.toString()), null, null)) {
            counted.computeIfAbsent(what, w -> new AtomicInteger()).incrementAndGet();
        }
    }

    private ObjectNode find(UUID id) {
        return (ObjectNode)
                ok(get("/api/shelf"))
                        .path("bottles")
                        .valueStream()
                        .filter(b -> b.path("id").asString().equals(id.toString()))
                        .findFirst()
                        .orElseThrow();
    }

    private static byte[] picture() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB), "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** Adds one to a list, or takes one out that somebody has put in. */
    private void study(UUID job, String list, String fresh, Random random) {
        JsonNode seen = ok(get(study(job)));
        ArrayNode all = (ArrayNode) seen.path(list).deepCopy();
        @Nullable String added = null;
        @Nullable String dropped = null;
        if (all.size() > 15 || (all.size() > 4 && random.nextInt(4) == 0)) {
            dropped = all.remove(random.nextInt(all.size())).path("id").asString();
        } else {
            JsonNode one = json.readTree(fresh);
            added = one.path("id").asString();
            all.add(one);
        }
        ObjectNode body = json.createObjectNode();
        body.set(list, all);
        body.put("version", seen.path("version").asInt());
        tell(put(study(job) + "/" + list, body.toString()), added, dropped);
    }

    private void step(UUID job, Random random) {
        JsonNode seen = ok(get(makeup(job)));
        ObjectNode body = planDraft(seen);
        ArrayNode steps = (ArrayNode) body.path("steps");
        @Nullable String added = null;
        @Nullable String dropped = null;
        int last = steps.size() - 1;
        if (steps.size() > MOST_STEPS || random.nextInt(4) == 0) {
            if (seen.path("steps").get(last).path("done").asBoolean()) {
                return;
            }
            dropped = steps.remove(last).path("id").asString();
        } else {
            added = UUID.randomUUID().toString();
            steps.addObject()
                    .put("id", added)
                    .put("technique", "airbrush-dust")
                    .put("material", "dust-buff")
                    .put("thickness", "MIST")
                    .putArray("zones")
                    .add("left-side");
        }
        tell(put(makeup(job), body.toString()), added, dropped);
    }

    private void log(UUID job) {
        JsonNode step = ok(get("/api/jobs/" + job + "/bench")).path("step");
        if (!step.isObject()) {
            return;
        }
        String id = step.path("id").asString();
        ObjectNode entry = json.createObjectNode();
        entry.put("stepId", id)
                .put("material", step.path("material").asString())
                .put("finished", true)
                .put("note", "")
                .put("version", 0);
        MvcTestResult r = put("/api/jobs/" + job + "/log/" + UUID.randomUUID(), entry.toString());
        // somebody may have taken the step out, or logged it
        if (r.getResponse().getStatus() == 404) {
            refused.incrementAndGet();
            return;
        }
        tell(r, "done " + id, null);
    }

    /** Whether it was stored. */
    private boolean tell(MvcTestResult answer, @Nullable String added, @Nullable String dropped) {
        int status = answer.getResponse().getStatus();
        if (status == 409) {
            refused.incrementAndGet();
            return false;
        }
        ok(answer);
        stored.incrementAndGet();
        if (added != null) {
            confirmed.add(added);
        }
        if (dropped != null) {
            gone.add(dropped);
        }
        return true;
    }
}
