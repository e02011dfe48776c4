package org.pendrik.app.makeup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Queue;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.AppTest;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Several clients edit one job at once, each from what it read. What one of them was told is stored
 * is there at the end, whatever the others did.
 */
public class RacingEditsTest extends AppTest {
    private static final int CLIENTS = 8;
    private static final int EDITS = Integer.getInteger("race.edits", 250);
    private static final int MOST_STEPS = 60;

    private final Queue<String> confirmed = new ConcurrentLinkedQueue<>();
    private final Queue<String> gone = new ConcurrentLinkedQueue<>();
    private final Queue<String> broken = new ConcurrentLinkedQueue<>();
    private final AtomicInteger stored = new AtomicInteger();
    private final AtomicInteger refused = new AtomicInteger();

    @Test
    public void whatWasConfirmedIsThere() throws InterruptedException {
        UUID job = car("Raced");
        plan(job, "FADE", "JOINT_SHADE", "DUST");
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
        for (String list : List.of("regions", "effects")) {
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
        System.out.println(
                "racing edits: "
                        + stored
                        + " stored, "
                        + refused
                        + " refused as out of date, "
                        + lost.size()
                        + " lost");
        assertEquals(lost, List.of());
        assertEquals(back, List.of());
        assertTrue(stored.get() >= EDITS, stored + " of " + EDITS);
        assertTrue(refused.get() > 0, "nobody ever met anybody");
    }

    private void client(UUID job, Random random) {
        while (stored.get() < EDITS) {
            try {
                switch (random.nextInt(10)) {
                    case 0, 1, 2 -> study(job, "regions", region(), random);
                    case 3, 4 -> study(job, "effects", effect(), random);
                    case 5 -> log(job);
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
        {"id": "%s", "kind": "DUST", "zones": ["left-side"], "strength": 1, "material": null, "note": ""}
        """
                .formatted(UUID.randomUUID());
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

    private void tell(MvcTestResult answer, @Nullable String added, @Nullable String dropped) {
        int status = answer.getResponse().getStatus();
        if (status == 409) {
            refused.incrementAndGet();
            return;
        }
        ok(answer);
        stored.incrementAndGet();
        if (added != null) {
            confirmed.add(added);
        }
        if (dropped != null) {
            gone.add(dropped);
        }
    }
}
