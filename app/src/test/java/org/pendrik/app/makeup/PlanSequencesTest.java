package org.pendrik.app.makeup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.pendrik.app.AppTest;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Whatever a person may do to a plan, in any order, leaves a plan that can be read, edited, undone,
 * recorded and read in again.
 */
public class PlanSequencesTest extends AppTest {
    private static final int JOBS = Integer.getInteger("plan.jobs", 5);
    private static final int EDITS = 30;
    private static final List<String> KINDS =
            List.of("FADE", "JOINT_SHADE", "CHIPS", "RUST_STREAKS", "DUST", "POWDER", "SOOT");

    @BeforeMethod
    public void noon() {
        clock.set(NOON);
    }

    private static String path(UUID job) {
        return "/api/jobs/" + job + "/makeup";
    }

    /** The seal was made again as a mend of its own place, under the id that it has. */
    @Test
    public void aSealMovedOnePlaceLaterLeavesAPlanThatCanBeReadAndMovedBack() {
        UUID job = car("Reordered");
        JsonNode made = plan(job, "CHIPS", "POWDER");
        JsonNode steps = made.path("steps");
        int seal =
                IntStream.range(0, steps.size())
                        .filter(i -> steps.get(i).path("technique").asString().startsWith("seal"))
                        .findFirst()
                        .orElseThrow();
        List<Integer> order = new ArrayList<>(IntStream.range(0, steps.size()).boxed().toList());
        Collections.swap(order, seal, seal + 1);
        JsonNode moved = ok(put(path(job), planDraft(made, order).toString()));
        assertTrue(ok(get(path(job))).path("findings").size() > 0);
        List<Integer> asItWas = new ArrayList<>(IntStream.range(0, steps.size()).boxed().toList());
        Collections.swap(asItWas, seal, seal + 1);
        ok(put(path(job), planDraft(moved, asItWas).toString()));
        assertEquals(ids(ok(get(path(job)))), ids(made));
    }

    private static List<String> ids(JsonNode makeup) {
        return makeup.path("steps").valueStream().map(s -> s.path("id").asString()).toList();
    }

    @DataProvider
    public Object[][] seeds() {
        return IntStream.range(0, JOBS).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "seeds")
    public void anySequenceLeavesAPlanThatCanBeUsed(int seed) {
        Random random = new Random(seed);
        UUID job = car("Sequence " + seed);
        List<String> kinds = new ArrayList<>(KINDS);
        Collections.shuffle(kinds, random);
        plan(job, kinds.subList(0, 2 + random.nextInt(3)).toArray(String[]::new));
        Deque<ObjectNode> before = new ArrayDeque<>();
        for (int i = 0; i < EDITS; i++) {
            JsonNode seen = ok(get(path(job)));
            String did = edit(job, seen, before, random);
            JsonNode left = ok(get(path(job)));
            Set<String> ids = new HashSet<>(ids(left));
            assertEquals(ids.size(), left.path("steps").size(), did);
            assertTrue(ok(get("/api/jobs/" + job + "/bench")).path("total").asInt() >= 0, did);
        }
        JsonNode record = ok(get("/api/jobs/" + job + "/record"));
        String copy = ok(post("/api/records", record.toString())).path("jobId").asString();
        JsonNode plan = ok(get(path(job)));
        JsonNode again = ok(get(path(UUID.fromString(copy))));
        assertEquals(ids(again), ids(plan));
        assertEquals(again.path("findings").size(), plan.path("findings").size());
        // and what was read in can be planned anew
        ok(post(path(UUID.fromString(copy)) + "/compile", version(again).toString()));
        ok(get("/api/today"));
    }

    private ObjectNode version(JsonNode makeup) {
        return json.createObjectNode().put("version", makeup.path("version").asInt());
    }

    private String edit(UUID job, JsonNode seen, Deque<ObjectNode> before, Random random) {
        int size = seen.path("steps").size();
        int done =
                (int)
                        seen.path("steps")
                                .valueStream()
                                .filter(s -> s.path("done").asBoolean())
                                .count();
        int open = size - done;
        int what = random.nextInt(8);
        if (what != 6) {
            before.push(planDraft(seen));
        }
        switch (what) {
            case 0 -> {
                if (open > 1) {
                    int at = done + random.nextInt(open - 1);
                    List<Integer> order =
                            new ArrayList<>(IntStream.range(0, size).boxed().toList());
                    Collections.swap(order, at, at + 1);
                    ok(put(path(job), planDraft(seen, order).toString()));
                }
                return "moved";
            }
            case 1 -> {
                if (open > 0) {
                    List<Integer> order =
                            new ArrayList<>(IntStream.range(0, size).boxed().toList());
                    order.remove(done + random.nextInt(open));
                    ok(put(path(job), planDraft(seen, order).toString()));
                }
                return "taken out";
            }
            case 2 -> {
                ObjectNode body = planDraft(seen);
                ((ArrayNode) body.path("steps"))
                        .addObject()
                        .put("id", UUID.randomUUID().toString())
                        .put("technique", random.nextBoolean() ? "seal-satin" : "dry-brush")
                        .put("material", "")
                        .put("thickness", "LIGHT")
                        .putArray("zones")
                        .add("left-side");
                ObjectNode own = (ObjectNode) body.path("steps").get(size);
                boolean seal = own.path("technique").asString().startsWith("seal");
                own.put("material", seal ? "clear-satin" : "dry-light-grey");
                ok(put(path(job), body.toString()));
                return "own step";
            }
            case 3 -> {
                for (JsonNode f : seen.path("findings")) {
                    if (f.path("mends").size() > 0) {
                        JsonNode m = f.path("mends").get(random.nextInt(f.path("mends").size()));
                        ObjectNode order = version(seen);
                        order.put("finding", f.path("index").asInt());
                        order.put("mend", m.path("index").asInt());
                        order.put("label", m.path("label").asString());
                        ok(post(path(job) + "/mend", order.toString()));
                        return "mended";
                    }
                }
                return "nothing to mend";
            }
            case 4 -> {
                allowed(post(path(job) + "/compile", version(seen).toString()));
                return "compiled";
            }
            case 5 -> {
                allowed(post(path(job) + "/repair", version(seen).toString()));
                return "repaired";
            }
            case 6 -> {
                ObjectNode back = before.pollFirst();
                if (back != null) {
                    back.put("version", seen.path("version").asInt());
                    allowed(put(path(job), back.toString()));
                }
                return "undone";
            }
            default -> {
                clock.set(clock.instant().plus(Duration.ofHours(random.nextInt(40))));
                JsonNode step = ok(get("/api/jobs/" + job + "/bench")).path("step");
                if (step.isObject()) {
                    ObjectNode entry = json.createObjectNode();
                    entry.put("stepId", step.path("id").asString())
                            .put("material", step.path("material").asString())
                            .put("finished", true)
                            .put("note", "")
                            .put("version", 0);
                    ok(put("/api/jobs/" + job + "/log/" + UUID.randomUUID(), entry.toString()));
                }
                return "logged";
            }
        }
    }

    /** Stored, or refused with a reason: an older list may move what was logged since. */
    private static void allowed(MvcTestResult answer) {
        int status = answer.getResponse().getStatus();
        assertTrue(status == 200 || status == 422, status + ": " + text(answer));
    }
}
