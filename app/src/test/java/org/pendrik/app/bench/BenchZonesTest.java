package org.pendrik.app.bench;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.pendrik.app.AppTest;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Zone by zone at the bench, another round while it is open, and what came of a warning. */
public class BenchZonesTest extends AppTest {
    private static final List<String> ZONES =
            List.of("roof", "left-side", "right-side", "a-end", "b-end", "sill", "doors");

    @BeforeMethod
    public void noonInUsualAir() {
        clock.set(NOON);
        ObjectNode workshop = (ObjectNode) ok(get("/api/workshop"));
        ok(put("/api/workshop", workshop.put("celsius", 21).put("humidity", 0.5).toString()));
    }

    private void pass(int minutes) {
        clock.set(clock.instant().plus(Duration.ofMinutes(minutes)));
    }

    private static String path(UUID job, String rest) {
        return "/api/jobs/" + job + rest;
    }

    private JsonNode planOn(UUID job, String kind, List<String> zones) {
        String on = "\"" + String.join("\", \"", zones) + "\"";
        int version = ok(get(path(job, "/study"))).path("version").asInt();
        ok(
                put(
                        path(job, "/study/effects"),
                        """
                        {"effects": [{"id": "%s", "kind": "%s", "zones": [%s], "strength": 2,
                         "tones": [], "note": ""}], "version": %d}
                        """
                                .formatted(UUID.randomUUID(), kind, on, version)));
        int plan = ok(get(path(job, "/makeup"))).path("version").asInt();
        return ok(post(path(job, "/makeup/compile"), "{\"version\": " + plan + "}"));
    }

    private static JsonNode step(JsonNode makeup, String technique) {
        return makeup.path("steps")
                .valueStream()
                .filter(s -> s.path("technique").asString().equals(technique))
                .findFirst()
                .orElseThrow();
    }

    private JsonNode zoneOver(UUID job, JsonNode zones) {
        ObjectNode o = json.createObjectNode();
        o.put("stepId", zones.path("stepId").asString());
        o.put("zone", zones.path("zone").asString());
        o.put("material", zones.path("material").asString());
        return ok(put(path(job, "/bench/zone"), o.toString()));
    }

    @Test
    public void aWashOnSevenZonesIsLaidAndWipedInRoundsAndEachZoneHasItsClock() {
        UUID job = car("In rounds");
        JsonNode made = planOn(job, "GRIME", ZONES);
        JsonNode wash = step(made, "grime-wash");
        int rounds = wash.path("rounds").size();
        assertTrue(rounds >= 2, wash.toString());
        assertEquals(step(made, "wipe-grime").path("rounds"), wash.path("rounds"));
        assertTrue(
                made.path("findings")
                        .valueStream()
                        .noneMatch(f -> f.path("rule").asString().equals("WINDOW")));
        assertEquals(wash.path("wash").size(), 1, "how it behaves on factory semi-gloss");
        // the diary takes the two as one sitting
        JsonNode slots = ok(get(path(job, "/diary"))).path("slots");
        Instant laid = end(slots, "all-over enamel wash");
        Instant wiped = start(slots, "wipe the grime back");
        assertTrue(Duration.between(laid, wiped).toMinutes() < 45, laid + " then " + wiped);

        List<String> order = new ArrayList<>();
        JsonNode bench = ok(get(path(job, "/bench")));
        for (int guard = 0; guard < 20 && !bench.path("zones").isNull(); guard++) {
            JsonNode zones = bench.path("zones");
            if (!zones.path("stepName").asString().contains("enamel wash")
                    && !zones.path("stepName").asString().contains("wipe")) {
                break;
            }
            order.add(zones.path("part").asString() + zones.path("round").asInt());
            if (zones.path("part").asString().equals("WORK")) {
                JsonNode line = line(zones, zones.path("zone").asString());
                Instant opens = Instant.parse(line.path("opensAt").asString());
                Instant closes = Instant.parse(line.path("closesAt").asString());
                if (clock.instant().isBefore(opens)) {
                    clock.set(opens);
                }
                pass(4);
                assertFalse(clock.instant().isAfter(closes), line + " at " + clock.instant());
                // one clock, wherever it is read
                JsonNode watched = ok(get(path(job, "/bench"))).path("zones").path("clock");
                assertEquals(watched.path("closesAt"), line.path("closesAt"));
                assertEquals(todaysClock(job).path("closesAt"), line.path("closesAt"));
            } else {
                pass(4);
            }
            bench = zoneOver(job, zones);
        }
        assertEquals(order.size(), 14, order.toString());
        assertEquals(order.getFirst(), "LAY1");
        assertTrue(order.getLast().startsWith("WORK"), order.toString());
        assertTrue(order.indexOf("WORK1") < order.indexOf("LAY2"), order.toString());
        JsonNode after = ok(get(path(job, "/makeup")));
        assertTrue(step(after, "grime-wash").path("done").asBoolean());
        assertTrue(step(after, "wipe-grime").path("done").asBoolean());
        assertTrue(
                after.path("findings")
                        .valueStream()
                        .noneMatch(f -> f.path("rule").asString().equals("WINDOW")),
                after.path("findings").toString());
        // the record carries the times, and a zone can be taken back
        JsonNode record = ok(get(path(job, "/record")));
        assertTrue(
                record.path("log")
                        .valueStream()
                        .allMatch(e -> e.path("zoneTimes").path("spans").size() == 7));
        String copy = ok(post("/api/records", record.toString())).path("jobId").asString();
        JsonNode back = ok(get("/api/jobs/" + copy + "/record"));
        assertEquals(back.path("steps"), record.path("steps"));
        String wipe = step(after, "wipe-grime").path("id").asString();
        JsonNode open = ok(delete(path(job, "/bench/zone") + "?stepId=" + wipe + "&zone=doors"));
        assertEquals(open.path("zones").path("zone").asString(), "doors");
        assertFalse(step(ok(get(path(job, "/makeup"))), "wipe-grime").path("done").asBoolean());
        assertTrue(
                refused(
                                put(
                                        path(job, "/bench/zone"),
                                        "{\"stepId\": \""
                                                + wipe
                                                + "\", \"zone\": \"moon\", \"material\": \"spirit-odourless\"}"),
                                422)
                        .contains("is not part of this step"));
    }

    private JsonNode todaysClock(UUID job) {
        return ok(get("/api/today"))
                .path("open")
                .valueStream()
                .filter(o -> o.path("jobId").asString().equals(job.toString()))
                .map(o -> o.path("clock"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void workThatCannotMoveWhatItMeansHasNoClockAndBreaksNothing() {
        UUID job = car("No clock");
        JsonNode made = planOn(job, "RUST_STREAKS", List.of("left-side", "doors"));
        ObjectNode mine = planDraft(made);
        String streak = step(made, "oil-streak").path("id").asString();
        int at = 0;
        while (!made.path("steps").get(at).path("id").asString().equals(streak)) {
            at++;
        }
        ObjectNode wet = mine.withArray("steps").insertObject(at + 1);
        wet.put("id", "wet").put("technique", "take-back-brush").put("material", "water");
        wet.put("thickness", "LIGHT").putArray("zones").add("left-side").add("doors");
        wet.putObject("worksOn").put("must", "MOVED").putArray("steps").add(streak);
        JsonNode with = ok(put(path(job, "/makeup"), mine.toString()));
        assertTrue(
                with.path("findings")
                        .valueStream()
                        .anyMatch(
                                f ->
                                        f.path("stepId").asString().equals("wet")
                                                && f.path("severity").asString().equals("STOP")),
                with.path("findings").toString());
        for (int i = 0; i <= at; i++) {
            logNext(job);
        }
        JsonNode bench = ok(get(path(job, "/bench")));
        assertEquals(bench.path("step").path("id").asString(), "wet");
        assertTrue(bench.path("zones").path("clock").isNull(), bench.path("zones").toString());
        ok(get("/api/today"));
    }

    private static JsonNode line(JsonNode zones, String key) {
        return zones.path("lines")
                .valueStream()
                .filter(l -> l.path("zone").asString().equals(key))
                .findFirst()
                .orElseThrow();
    }

    private static Instant end(JsonNode slots, String name) {
        return Instant.parse(slot(slots, name).path("end").asString());
    }

    private static Instant start(JsonNode slots, String name) {
        return Instant.parse(slot(slots, name).path("start").asString());
    }

    private static JsonNode slot(JsonNode slots, String name) {
        return slots.valueStream()
                .filter(s -> s.path("name").asString().equals(name))
                .findFirst()
                .orElseThrow(() -> new AssertionError(name + " is not in " + slots));
    }

    private void logNext(UUID job) {
        JsonNode step = ok(get(path(job, "/bench"))).path("step");
        pass(10);
        ObjectNode b = json.createObjectNode();
        b.put("stepId", step.path("id").asString());
        b.put("material", step.path("material").asString());
        b.put("startedAt", clock.instant().minusSeconds(600).toString());
        b.put("finished", true);
        b.put("finishedAt", clock.instant().toString());
        b.put("note", "");
        b.putNull("photographId");
        b.put("version", 0);
        ok(put(path(job, "/log/" + UUID.randomUUID()), b.toString()));
    }

    @Test
    public void twoTonesOfRustInOneSittingAndAThirdRoundWhileItIsOpen() {
        UUID job = car("Two tones");
        JsonNode made = planOn(job, "RUST_SPOTS", List.of("left-side"));
        assertTrue(
                made.path("findings")
                        .valueStream()
                        .allMatch(f -> f.path("severity").asString().equals("NOTE")),
                made.path("findings").toString());
        logNext(job);
        JsonNode bench = ok(get(path(job, "/bench")));
        assertEquals(bench.path("step").path("name").asString(), "dark dots in the spots");
        pass(30);
        logNext(job);
        JsonNode open = ok(get(path(job, "/bench"))).path("open");
        assertEquals(open.size(), 2, open.toString());
        String dots = open.get(1).path("stepId").asString();
        JsonNode more =
                ok(
                        post(
                                path(job, "/bench/again"),
                                "{\"stepId\": \"" + dots + "\", \"material\": \"oil-old-rust\"}"));
        assertEquals(more.path("step").path("name").asString(), "dark dots in the spots");
        assertEquals(
                more.path("step").path("reason").asString(), "Another round while it lies open.");
        assertTrue(
                more.path("step")
                        .path("findings")
                        .valueStream()
                        .allMatch(f -> f.path("severity").asString().equals("NOTE")),
                more.path("step").path("findings").toString());
        logNext(job);
        JsonNode worked = ok(get(path(job, "/bench")));
        assertEquals(worked.path("step").path("name").asString(), "blend the spots");
        assertEquals(worked.path("clocks").size(), 1);
        // three coats, one of them again, and the core says so
        JsonNode core =
                ok(get(path(job, "/makeup")))
                        .path("cores")
                        .valueStream()
                        .filter(c -> c.path("zone").asString().equals("left-side"))
                        .findFirst()
                        .orElseThrow();
        assertTrue(core.path("bands").size() >= 3, core.toString());
        pass(60 * 24 * 3);
        assertTrue(
                refused(
                                post(
                                        path(job, "/bench/again"),
                                        "{\"stepId\": \""
                                                + dots
                                                + "\", \"material\": \"oil-old-rust\"}"),
                                422)
                        .contains("no longer runs into"));
    }

    @Test
    public void aWarningThatIsAnsweredIsKeptAndSpeaksAgainWhenAsked() {
        UUID job = car("Answered");
        JsonNode made = planOn(job, "POWDER", List.of("left-side"));
        List<Integer> rest = new ArrayList<>();
        for (int i = 1; i < made.path("steps").size(); i++) {
            rest.add(i);
        }
        JsonNode bare = ok(put(path(job, "/makeup"), planDraft(made, rest).toString()));
        JsonNode warning =
                bare.path("findings")
                        .valueStream()
                        .filter(f -> f.path("severity").asString().equals("WARN"))
                        .findFirst()
                        .orElseThrow();
        ObjectNode o = json.createObjectNode();
        o.put("stepId", warning.path("stepId").asString());
        o.put("rule", warning.path("rule").asString());
        o.put("coat", "");
        o.put("known", true);
        JsonNode known = ok(put(path(job, "/makeup/answer"), o.toString()));
        JsonNode kept =
                known.path("findings")
                        .valueStream()
                        .filter(f -> f.path("rule").asString().equals("TOOTH"))
                        .findFirst()
                        .orElseThrow();
        assertTrue(kept.path("answered").asBoolean());
        assertEquals(kept.path("severity").asString(), "NOTE");
        String record = ok(get(path(job, "/record"))).toString();
        String copy = ok(post("/api/records", record)).path("jobId").asString();
        assertTrue(
                ok(get("/api/jobs/" + copy + "/makeup"))
                        .path("findings")
                        .valueStream()
                        .anyMatch(f -> f.path("answered").asBoolean()));
        o.put("known", false);
        assertTrue(
                ok(put(path(job, "/makeup/answer"), o.toString()))
                        .path("findings")
                        .valueStream()
                        .anyMatch(f -> f.path("severity").asString().equals("WARN")));
        o.put("known", true);
        o.put("rule", "TRAPPED");
        assertTrue(
                refused(put(path(job, "/makeup/answer"), o.toString()), 422)
                        .contains("does not stand in this plan"));
    }

    @Test
    public void whatCameOfAWarningTeachesTheBench() {
        UUID job = car("Came out");
        planOn(job, "FADE", List.of("left-side"));
        logNext(job);
        // a flat of its own over the young fade, with reducer on a swab that nobody meant for it
        JsonNode made = ok(get(path(job, "/makeup")));
        ObjectNode mine = planDraft(made);
        mine.withArray("steps")
                .insertObject(1)
                .put("id", "swab")
                .put("technique", "strip-lettering")
                .put("material", "alcohol-70")
                .put("thickness", "WET")
                .putArray("zones")
                .add("left-side");
        JsonNode with = ok(put(path(job, "/makeup"), mine.toString()));
        assertEquals(with.path("steps").get(1).path("id").asString(), "swab");
        logNext(job);
        JsonNode outcomes = ok(get(path(job, "/bench"))).path("outcomes");
        assertEquals(outcomes.size(), 1, outcomes.toString());
        assertTrue(outcomes.get(0).path("lifted").isNull());
        JsonNode told =
                ok(put(path(job, "/bench/outcome"), "{\"stepId\": \"swab\", \"lifted\": false}"));
        assertFalse(told.path("outcomes").get(0).path("lifted").asBoolean());
        JsonNode senses = ok(get("/api/priors/senses"));
        assertEquals(senses.size(), 1, senses.toString());
        assertTrue(senses.get(0).path("factor").asDouble() < 1, senses.toString());
        assertEquals(senses.get(0).path("observations").asInt(), 1);
        assertEquals(senses.get(0).path("pair").asString(), "alcohol on alcohol acrylic");
        ok(delete(path(job, "/bench/outcome/swab")));
        assertEquals(ok(get("/api/priors/senses")).size(), 0);
    }
}
