package org.pendrik.app.makeup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.pendrik.app.AppTest;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** From effects to a plan, its mends, its diary and its log, through the API. */
public class PlanStoryTest extends AppTest {
    @BeforeMethod
    public void noon() {
        clock.set(NOON);
    }

    private static List<String> names(JsonNode makeup) {
        return makeup.path("steps").valueStream().map(s -> s.path("technique").asString()).toList();
    }

    @Test
    public void aTakenOutSealIsFoundAndItsMendPutsItBack() {
        UUID job = car("Mended");
        JsonNode made = plan(job, "POWDER");
        assertEquals(names(made).getFirst(), "seal-matte");
        List<Integer> rest = new ArrayList<>();
        for (int i = 1; i < made.path("steps").size(); i++) {
            rest.add(i);
        }
        JsonNode bare = ok(put("/api/jobs/" + job + "/makeup", planDraft(made, rest).toString()));
        JsonNode stop = bare.path("findings").get(0);
        assertEquals(stop.path("severity").asString(), "WARN");
        assertTrue(stop.path("milder").asString().contains("finish"), stop.toString());
        assertEquals(stop.path("rule").asString(), "TOOTH");
        JsonNode mend = stop.path("mends").get(0);
        ObjectNode order = json.createObjectNode();
        order.put("finding", stop.path("index").asInt());
        order.put("mend", mend.path("index").asInt());
        order.put("label", mend.path("label").asString());
        order.put("version", bare.path("version").asInt());
        JsonNode mended = ok(post("/api/jobs/" + job + "/makeup/mend", order.toString()));
        assertTrue(
                mended.path("findings")
                        .valueStream()
                        .allMatch(f -> f.path("severity").asString().equals("NOTE")));
        assertEquals(mended.path("steps").get(0).path("origin").asString(), "INSERTED");
        assertFalse(mended.path("steps").get(0).path("reason").asString().isEmpty());
        assertTrue(
                refused(post("/api/jobs/" + job + "/makeup/mend", order.toString()), 409)
                        .contains("changed"));
    }

    @Test
    public void pinsInACircleAreRefusedByName() {
        UUID job = car("Pinned");
        JsonNode made = plan(job, "FADE", "CHIPS");
        List<Integer> all = new ArrayList<>();
        for (int i = 0; i < made.path("steps").size(); i++) {
            all.add(i);
        }
        String a = made.path("steps").get(0).path("id").asString();
        String b = made.path("steps").get(1).path("id").asString();
        ObjectNode body = planDraft(made, all);
        var pins = body.putArray("pins");
        pins.addObject().put("firstId", a).put("thenId", b);
        pins.addObject().put("firstId", b).put("thenId", a);
        String detail = refused(put("/api/jobs/" + job + "/makeup", body.toString()), 422);
        assertTrue(detail.contains("mist fade before sponge chips before mist fade"), detail);
        assertEquals(
                ok(get("/api/jobs/" + job + "/makeup")).path("version").asInt(),
                made.path("version").asInt());
    }

    @Test
    public void aStepCanChangeItsMaterialAndTheOrderIsJudgedAtOnce() {
        UUID job = car("Changed");
        JsonNode made = plan(job, "JOINT_SHADE", "RUST_STREAKS");
        int streak = names(made).indexOf("oil-streak");
        List<Integer> all = new ArrayList<>();
        for (int i = 0; i < made.path("steps").size(); i++) {
            all.add(i);
        }
        ObjectNode body = planDraft(made, all);
        ((ObjectNode) body.path("steps").get(streak)).put("material", "streak-enamel-rust");
        JsonNode changed = ok(put("/api/jobs/" + job + "/makeup", body.toString()));
        assertEquals(
                changed.path("steps").get(streak).path("materialName").asString(),
                "rust streak enamel");
        assertTrue(changed.path("waitingMinutes").asInt() < made.path("waitingMinutes").asInt());
        body.put("version", changed.path("version").asInt());
        ((ObjectNode) body.path("steps").get(streak)).put("material", "dust-buff");
        assertTrue(
                refused(put("/api/jobs/" + job + "/makeup", body.toString()), 422)
                        .contains("does not do for rust streak"));
    }

    @Test
    public void theDiaryHoldsTheWindowAndSaysWhatDrivesIt() {
        UUID job = car("Diary");
        plan(job, "JOINT_SHADE", "RUST_STREAKS");
        JsonNode diary = ok(get("/api/jobs/" + job + "/diary"));
        JsonNode slots = diary.path("slots");
        for (int i = 0; i + 1 < slots.size(); i++) {
            assertTrue(
                    slots.get(i)
                                    .path("end")
                                    .asString()
                                    .compareTo(slots.get(i + 1).path("start").asString())
                            <= 0);
            assertEquals(slots.get(i).path("warnings").size(), 0, slots.get(i).toString());
        }
        JsonNode wash =
                slots.valueStream()
                        .filter(s -> s.path("name").asString().equals("pin wash"))
                        .findFirst()
                        .orElseThrow();
        JsonNode wipe =
                slots.valueStream()
                        .filter(s -> s.path("name").asString().equals("wipe back"))
                        .findFirst()
                        .orElseThrow();
        assertTrue(
                wipe.path("start").asString().compareTo(wash.path("windowOpens").asString()) >= 0);
        assertTrue(
                wipe.path("start").asString().compareTo(wash.path("windowCloses").asString()) <= 0);
        assertTrue(diary.path("drivers").size() > 1);
        String late =
                draft("Diary", "6400", "2600", "\"2026-11-26\"")
                        .replace("\"version\": 0", "\"version\": 1");
        ok(put("/api/jobs/" + job, late));
        assertTrue(ok(get("/api/jobs/" + job + "/diary")).path("lateMinutes").asInt() > 0);
        assertTrue(
                ok(get("/api/today")).path("risks").toString().contains("after the date wanted"));
        ok(delete("/api/jobs/" + job));
    }

    @Test
    public void theClockOfAWindowFollowsTheLogAndLaterStepsMove() {
        UUID job = car("Bench");
        plan(job, "JOINT_SHADE");
        JsonNode before = ok(get("/api/jobs/" + job + "/diary"));
        var minute = Duration.ofMinutes(1);
        String last = "";
        for (int guard = 0; guard < 10; guard++) {
            JsonNode bench = ok(get("/api/jobs/" + job + "/bench"));
            last = bench.path("step").path("name").asString();
            if (last.equals("wipe back")) {
                break;
            }
            UUID entry = UUID.randomUUID();
            JsonNode step = bench.path("step");
            ok(log(job, entry, step, false, 0));
            ok(log(job, entry, step, false, 0));
            clock.set(clock.instant().plus(minute.multipliedBy(20)));
            ok(log(job, entry, step, true, 1));
            if (last.equals("pin wash")) {
                break;
            }
            clock.set(clock.instant().plus(Duration.ofHours(4)));
        }
        assertEquals(last, "pin wash");
        JsonNode bench = ok(get("/api/jobs/" + job + "/bench"));
        assertEquals(bench.path("clocks").get(0).path("phase").asString(), "WAITING");
        clock.set(clock.instant().plus(minute.multipliedBy(15)));
        bench = ok(get("/api/jobs/" + job + "/bench"));
        assertEquals(bench.path("clocks").get(0).path("phase").asString(), "OPEN");
        assertEquals(
                bench.path("step").path("findings").size(),
                0,
                bench.path("step").path("findings").toString());
        clock.set(clock.instant().plus(minute.multipliedBy(60)));
        bench = ok(get("/api/jobs/" + job + "/bench"));
        assertEquals(bench.path("clocks").get(0).path("phase").asString(), "CLOSED");
        assertTrue(bench.path("step").path("findings").toString().contains("closed"));
        JsonNode after = ok(get("/api/jobs/" + job + "/diary"));
        assertTrue(
                after.path("finish").asString().compareTo(before.path("finish").asString()) != 0);
        String entry = bench.path("log").get(bench.path("log").size() - 1).path("id").asString();
        JsonNode back = ok(delete("/api/jobs/" + job + "/log/" + entry));
        assertEquals(back.path("step").path("name").asString(), "pin wash");
    }

    private org.springframework.test.web.servlet.assertj.MvcTestResult log(
            UUID job, UUID entry, JsonNode step, boolean finished, int version) {
        ObjectNode b = json.createObjectNode();
        b.put("stepId", step.path("id").asString());
        b.put("material", step.path("material").asString());
        b.putNull("startedAt");
        b.put("finished", finished);
        b.putNull("finishedAt");
        b.put("note", "as planned");
        b.putNull("photographId");
        b.put("version", version);
        return put("/api/jobs/" + job + "/log/" + entry, b.toString());
    }

    @Test
    public void theMixCardFollowsTheSizeOfTheModel() {
        UUID job = car("Mix");
        plan(job, "FADE");
        JsonNode step = ok(get("/api/jobs/" + job + "/bench")).path("step");
        JsonNode mix = step.path("materials").get(0).path("mix");
        // 73.5 × 29.9 mm of side, 0.62 of it: about 1360 mm²
        assertEquals(mix.path("areaMm2").asDouble(), 6400 * 2600 / (87.1 * 87.1) * 0.62, 1.0);
        assertTrue(mix.path("paintDrops").asInt() >= 1);
        assertTrue(step.path("materials").get(0).path("caution").asString().contains("booth"));
    }

    private UUID bottle(String name, double l, double a, double b) {
        UUID id = UUID.randomUUID();
        ok(
                put(
                        "/api/shelf/" + id,
                        """
                        {"version": null, "bottle": {"name": "%s", "maker": "own", "family": "test acrylic",
                         "kind": "PAINT", "colour": {"l": %s, "a": %s, "b": %s}, "amountMl": 0.2, "pricePerMl": 0.2}}
                        """
                                .formatted(name, l, a, b)));
        return id;
    }

    /** A recipe that is kept for a step makes its mix card, there and on another car. */
    @Test
    public void aStepIsMixedByARecipeAndTheNextCarToo() {
        String name = "cream " + UUID.randomUUID().toString().substring(0, 6);
        UUID cream = bottle(name, 88, 2, 14);
        UUID grey = bottle(name + " grey", 55, 0, 1);
        UUID job = car("Mixed");
        plan(job, "FADE");
        JsonNode step = ok(get("/api/jobs/" + job + "/bench")).path("step");
        String id = step.path("id").asString();
        UUID recipe = UUID.randomUUID();
        ok(
                put(
                        "/api/recipes/" + recipe,
                        """
                        {"version": null, "recipe": {"name": "sun", "target": {"l": 80, "a": 1, "b": 10}, "light": "D65",
                         "surface": "flat", "drops": [{"bottle": "%s", "drops": 4}, {"bottle": "%s", "drops": 2}],
                         "job": "%s", "step": "%s", "notes": null}}
                        """
                                .formatted(cream, grey, job, id)));
        JsonNode mix = mix(job, id);
        assertEquals(mix.path("recipe").asString(), "sun");
        assertEquals(mix.path("measures").get(0).path("name").asString(), name);
        assertEquals(
                mix.path("measures").get(0).path("drops").asInt(),
                2 * mix.path("measures").get(1).path("drops").asInt(),
                "the ratio stays 2 to 1");
        assertEquals(mix.path("measures").get(0).path("leftMl").asDouble(), 0.2, 1e-9);
        // the bench shows the same, and the plan says what the step is mixed by
        assertEquals(
                ok(get("/api/jobs/" + job + "/bench"))
                        .path("step")
                        .path("materials")
                        .get(0)
                        .path("mix"),
                mix);
        assertEquals(planned(job, id).path("mix").path("name").asString(), "sun");
        assertEquals(
                planned(job, id).path("mix").path("otherFamilies").get(0).asString(),
                "test acrylic",
                "no material of the step's family");
        assertEquals(
                planned(job, id).path("hex").asString(),
                mix.path("hex").asString(),
                "the cores show the mix, not the bottle");
        assertTrue(ok(get("/api/shopping")).toString().contains(name));

        UUID other = car("Mixed too");
        plan(other, "FADE");
        String there = ok(get("/api/jobs/" + other + "/bench")).path("step").path("id").asString();
        assertTrue(mix(other, there).path("recipe").isNull(), "nothing is mixed unasked");
        String by = "/api/jobs/" + other + "/steps/" + there + "/recipe";
        ok(put(by, "{\"recipe\":\"" + recipe + "\"}"));
        assertEquals(mix(other, there).path("recipe").asString(), "sun");
        // a bottle that is used up is named, and its drops are short
        ok(delete("/api/shelf/" + grey + "?version=1"));
        mix = mix(other, there);
        assertEquals(mix.path("missing").get(0).asString(), name + " grey");
        assertFalse(mix.path("measures").get(1).path("enough").asBoolean());
        ok(put(by, "{\"recipe\":null}"));
        assertTrue(mix(other, there).path("recipe").isNull());
        refused(put(by, "{\"recipe\":\"" + UUID.randomUUID() + "\"}"), 404);
        refused(get("/api/jobs/" + other + "/steps/none/mix"), 404);
    }

    private JsonNode mix(UUID job, String step) {
        return ok(get("/api/jobs/" + job + "/steps/" + step + "/mix")).path("mix");
    }

    private JsonNode planned(UUID job, String step) {
        for (JsonNode s : ok(get("/api/jobs/" + job + "/makeup")).path("steps")) {
            if (s.path("id").asString().equals(step)) {
                return s;
            }
        }
        throw new AssertionError("no step " + step);
    }
}
