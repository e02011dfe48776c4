package org.pendrik.app.makeup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.pendrik.app.AppTest;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Zones, coats, steps, materials and ways of the user's own, and how they follow each other. */
public class OwnThingsTest extends AppTest {
    private JsonNode job(UUID id) {
        return ok(get("/api/jobs/" + id));
    }

    private JsonNode makeup(UUID id) {
        return ok(get("/api/jobs/" + id + "/makeup"));
    }

    private ObjectNode zones(UUID id) {
        JsonNode view = job(id);
        ObjectNode body = json.createObjectNode();
        ArrayNode all = body.putArray("zones");
        view.path("zones").forEach(z -> all.addObject().set("zone", z));
        body.put("version", view.path("job").path("version").asInt());
        return body;
    }

    private static List<String> keys(JsonNode view) {
        return view.path("zones").valueStream().map(z -> z.path("zoneKey").asString()).toList();
    }

    private ObjectNode zone(String key, String name, String... from) {
        ObjectNode d = json.createObjectNode();
        d.putObject("zone")
                .put("zoneKey", key)
                .put("name", name)
                .put("lettering", false)
                .put("areaShare", 0.05)
                .put("face", "UP")
                .put("substrate", "WOOD")
                .put("keptClean", false)
                .put("box", "0.1 0.2 0.3 0.1");
        ArrayNode of = d.putArray("from");
        for (String f : from) {
            of.add(f);
        }
        return d;
    }

    private ObjectNode whole(JsonNode makeup) {
        ObjectNode body = json.createObjectNode();
        ArrayNode steps = body.putArray("steps");
        makeup.path("steps").forEach(s -> steps.add(draftOf(s)));
        body.set("pins", makeup.path("pins"));
        body.putNull("schools");
        body.put("version", makeup.path("version").asInt());
        return body;
    }

    private static void remove(ObjectNode body, String key) {
        ArrayNode all = (ArrayNode) body.path("zones");
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).path("zone").path("zoneKey").asString().equals(key)) {
                all.remove(i);
                return;
            }
        }
    }

    private JsonNode lie(UUID id, String technique, String material, String zone, long minutes) {
        return ok(
                post(
                        "/api/jobs/" + id + "/makeup/lying",
                        """
                        {"coat": {"id": "%s", "technique": "%s", "material": "%s", "thickness": "LIGHT",
                         "zones": ["%s"], "minutesAgo": %d, "share": null}, "version": %d}
                        """
                                .formatted(
                                        UUID.randomUUID(),
                                        technique,
                                        material,
                                        zone,
                                        minutes,
                                        makeup(id).path("version").asInt())));
    }

    @Test
    public void aZoneIsAddedSplitMergedAndDroppedAndAllFollows() {
        UUID id = car("Own zones");
        plan(id, "RUST_STREAKS", "DUST");
        ObjectNode add = zones(id);
        add.withArray("zones").add(zone("footboards", "footboards"));
        JsonNode added = ok(put("/api/jobs/" + id + "/zones", add.toString()));
        assertTrue(keys(added).contains("footboards"));
        assertTrue(
                refused(put("/api/jobs/" + id + "/zones", add.toString()), 409).contains("job"),
                "an edit that another one overtook");
        // split: effects and steps are on both halves
        ObjectNode split = zones(id);
        remove(split, "left-side");
        split.withArray("zones").add(zone("left-front", "left front", "left-side"));
        split.withArray("zones").add(zone("left-back", "left back", "left-side"));
        ok(put("/api/jobs/" + id + "/zones", split.toString()));
        JsonNode study = ok(get("/api/jobs/" + id + "/study"));
        assertEquals(study.path("effects").get(0).path("zones").size(), 2);
        JsonNode steps = makeup(id).path("steps");
        assertTrue(steps.get(0).path("zones").toString().contains("left-front"), steps.toString());
        // merged again, also over a coat that lies on both
        lie(id, "seal-gloss", "clear-gloss", "left-front", 2000);
        ObjectNode merge = zones(id);
        remove(merge, "left-front");
        remove(merge, "left-back");
        merge.withArray("zones").add(zone("left", "left side", "left-front", "left-back"));
        String no = refused(put("/api/jobs/" + id + "/zones", merge.toString()), 422);
        assertTrue(no.contains("gloss seal lies on a part of them only"), no);
        assertTrue(keys(job(id)).contains("left-front"), "nothing is half done");
        // a zone with a coat is not dropped
        ObjectNode drop = zones(id);
        remove(drop, "left-front");
        assertTrue(
                refused(put("/api/jobs/" + id + "/zones", drop.toString()), 422)
                        .contains("lies on it"));
        ObjectNode roof = zones(id);
        remove(roof, "roof");
        assertFalse(keys(ok(put("/api/jobs/" + id + "/zones", roof.toString()))).contains("roof"));
        ObjectNode twice = zones(id);
        twice.withArray("zones").add(zone("footboards", "other"));
        assertTrue(
                refused(put("/api/jobs/" + id + "/zones", twice.toString()), 422)
                        .contains("stands there twice"));
        ObjectNode odd = zones(id);
        odd.withArray("zones").add(zone("No Key!", "odd"));
        assertTrue(
                refused(put("/api/jobs/" + id + "/zones", odd.toString()), 422)
                        .contains("lower case"));
    }

    @Test
    public void whatLiesThereIsPlannedFromAndTakenOutAgain() {
        UUID id = car("Varnished");
        JsonNode with = lie(id, "seal-gloss", "clear-gloss", "left-side", 3 * 1440);
        JsonNode coat = with.path("steps").get(0);
        assertEquals(coat.path("origin").asString(), "FOUND");
        assertTrue(coat.path("done").asBoolean());
        // an older one comes beneath it, whatever was said first
        JsonNode both = lie(id, "mist-fade", "fade-chalk", "left-side", 9 * 1440);
        assertEquals(both.path("steps").get(0).path("technique").asString(), "mist-fade");
        JsonNode made = plan(id, "JOINT_SHADE");
        assertTrue(
                made.path("steps")
                        .valueStream()
                        .noneMatch(
                                s ->
                                        s.path("origin").asString().equals("INSERTED")
                                                && s.path("role").asString().equals("CLEAR")),
                "gloss is what a pin wash wants: " + made.path("steps"));
        assertTrue(
                refused(
                                post(
                                        "/api/jobs/" + id + "/makeup/lying",
                                        """
                                        {"coat": {"id": "x", "technique": "wipe-back", "material": "spirit-odourless",
                                         "thickness": "LIGHT", "zones": ["left-side"], "minutesAgo": 5, "share": null},
                                         "version": %d}
                                        """
                                                .formatted(made.path("version").asInt())),
                                422)
                        .contains("leaves no coat"));
        JsonNode out =
                ok(
                        post(
                                "/api/jobs/" + id + "/makeup/lying/undo",
                                "{\"stepId\": \""
                                        + coat.path("id").asString()
                                        + "\", \"version\": "
                                        + made.path("version").asInt()
                                        + "}"));
        assertTrue(
                out.path("steps")
                        .valueStream()
                        .noneMatch(s -> s.path("id").equals(coat.path("id"))));
    }

    @Test
    public void aStepInOnesOwnWordsKeepsItsMinutesItsRestAndItsPlace() {
        UUID id = car("Own steps");
        JsonNode made = plan(id, "FADE", "CHIPS", "DUST");
        ObjectNode body = whole(made);
        ObjectNode mine = json.createObjectNode();
        mine.put("id", "mine")
                .put("technique", "parts-off")
                .put("material", "by-hand")
                .put("thickness", "NORMAL")
                .putArray("zones")
                .add("left-side");
        ObjectNode extra = mine.putObject("extra");
        extra.put("text", "couplers off").put("restMinutes", 600).put("minutes", 25);
        extra.putArray("parts").add("couplers").add("lever");
        extra.putNull("share");
        extra.put("needs", "HANDLE").put("lies", "ON_ITS_SIDE");
        ((ArrayNode) body.path("steps")).insert(1, mine);
        JsonNode with = ok(put("/api/jobs/" + id + "/makeup", body.toString()));
        JsonNode anew =
                ok(
                        post(
                                "/api/jobs/" + id + "/makeup/compile",
                                "{\"version\": " + with.path("version").asInt() + "}"));
        List<String> names =
                anew.path("steps").valueStream().map(s -> s.path("name").asString()).toList();
        assertEquals(names.get(1), "couplers off", names.toString());
        assertEquals(anew.path("steps").get(1).path("minutes").asInt(), 25);
        assertEquals(names.getLast(), "put it together again");
        assertEquals(
                anew.path("steps").get(names.size() - 1).path("extra").path("parts").toString(),
                "[\"couplers\",\"lever\"]");
        // the rest makes another sitting, and the diary keeps it
        assertTrue(
                anew.path("steps").get(2).path("sitting").asInt()
                        > anew.path("steps").get(1).path("sitting").asInt());
        assertTrue(
                ok(get("/api/jobs/" + id + "/diary"))
                        .path("lags")
                        .toString()
                        .contains("you wait after"));
        assertEquals(anew.path("gapMinutes").asLong(), 0);
        // it goes along in the record
        JsonNode record = ok(get("/api/jobs/" + id + "/record"));
        String copy = ok(post("/api/records", record.toString())).path("jobId").asString();
        JsonNode there = makeup(UUID.fromString(copy)).path("steps").get(1);
        assertEquals(there.path("name").asString(), "couplers off");
        assertEquals(there.path("extra").path("needs").asString(), "HANDLE");
        assertEquals(there.path("extra").path("lies").asString(), "ON_ITS_SIDE");
        extra.put("restMinutes", -5);
        assertTrue(
                refused(
                                put(
                                        "/api/jobs/" + id + "/makeup",
                                        body.put("version", anew.path("version").asInt())
                                                .toString()),
                                422)
                        .contains("Rest (-5 min)"));
    }

    @Test
    public void theCanForTheReleaseLayerIsKeptAndGoesAlong() {
        UUID id = car("Hairspray");
        String chips =
                streaks(
                                "[]",
                                how("\"release\"", "null")
                                        .replace(
                                                "\"phase\": \"WITH_RUST\"",
                                                "\"phase\": \"USUAL\", \"beside\": {\"release-coat\": \"hairspray\"}"))
                        .replace("RUST_STREAKS", "CHIPS");
        JsonNode made = effects(id, chips);
        assertTrue(made.path("problem").isNull(), made.toString());
        JsonNode plan =
                ok(
                        post(
                                "/api/jobs/" + id + "/makeup/compile",
                                "{\"version\": " + makeup(id).path("version").asInt() + "}"));
        assertTrue(plan.path("steps").toString().contains("hairspray"));
        JsonNode record = ok(get("/api/jobs/" + id + "/record"));
        String copy = ok(post("/api/records", record.toString())).path("jobId").asString();
        assertEquals(
                ok(get("/api/jobs/" + copy + "/study"))
                        .path("effects")
                        .get(0)
                        .path("how")
                        .path("beside")
                        .toString(),
                "{\"release-coat\":\"hairspray\"}");
        JsonNode bad = effects(id, chips.replace("hairspray", "wash-mortar"));
        assertTrue(bad.path("problem").asString().contains("cannot be used"), bad.toString());
    }

    private JsonNode effects(UUID id, String effect) {
        int version = ok(get("/api/jobs/" + id + "/study")).path("version").asInt();
        ok(
                put(
                        "/api/jobs/" + id + "/study/effects",
                        "{\"effects\": [" + effect + "], \"version\": " + version + "}"));
        return ok(get("/api/jobs/" + id + "/makeup/made")).get(0);
    }

    private static String streaks(String tones, String how) {
        return """
        {"id": "%s", "kind": "RUST_STREAKS", "zones": ["left-side"], "strength": 3, "tones": %s, "note": "",
         "colour": null, "marks": "", "regionId": null, "how": %s}
        """
                .formatted(UUID.randomUUID(), tones, how);
    }

    private static String how(String way, String liquid) {
        return """
        {"rounds": false, "way": %s, "technique": null, "applicator": null, "thinner": null, "liquid": %s,
         "set": "below the filler", "phase": "WITH_RUST"}
        """
                .formatted(way, liquid);
    }

    @Test
    public void aBottleIsAskedForAndSaysWhereItCannotBeUsed() {
        String key = "own-" + UUID.randomUUID().toString().substring(0, 8);
        String material =
                """
                {"key": "%s", "name": "dusk oil", "family": "artist oil", "clear": false, "finish": null,
                 "colour": "#5a3a20", "touchMin": null, "handleMin": null, "recoatMin": null, "fullMin": null,
                 "workFromMin": 5, "workUntilMin": 90, "gone": false}
                """
                        .formatted(key);
        ok(put("/api/materials/" + key, material));
        assertTrue(
                ok(get("/api/catalogue"))
                        .path("materials")
                        .valueStream()
                        .anyMatch(
                                m ->
                                        m.path("key").asString().equals(key)
                                                && m.path("own").asBoolean()));
        UUID id = car("Asked for");
        JsonNode good = effects(id, streaks("[\"" + key + "\"]", "null"));
        assertEquals(good.path("way").asString(), "oil");
        assertTrue(good.path("materials").toString().contains(key));
        JsonNode made =
                ok(
                        post(
                                "/api/jobs/" + id + "/makeup/compile",
                                "{\"version\": " + makeup(id).path("version").asInt() + "}"));
        assertTrue(made.path("steps").toString().contains("dusk oil"));
        // powder streaks cannot use it, and the answer says what can
        JsonNode bad = effects(id, streaks("[\"" + key + "\"]", how("\"powder\"", "null")));
        assertTrue(bad.path("problem").asString().contains("dusk oil"), bad.toString());
        assertTrue(bad.path("remedy").asString().contains("rust powder"), bad.toString());
        String no =
                refused(
                        post(
                                "/api/jobs/" + id + "/makeup/compile",
                                "{\"version\": " + makeup(id).path("version").asInt() + "}"),
                        422);
        assertTrue(no.contains("dusk oil cannot be used for powder streaks"), no);
        JsonNode liquid = effects(id, streaks("[]", how("\"oil\"", "\"spirit-odourless\"")));
        assertTrue(liquid.path("problem").isNull(), liquid.toString());
        assertTrue(liquid.path("steps").toString().contains("draw down"));
        assertTrue(liquid.path("strength").asString().contains("30 %"), liquid.toString());
        assertTrue(
                refused(
                                put(
                                        "/api/materials/" + key,
                                        material.replace("artist oil", "gouache")),
                                422)
                        .contains("gouache"));
        assertTrue(
                refused(
                                put(
                                        "/api/materials/" + key,
                                        material.replace("\"touchMin\": null", "\"touchMin\": 30")),
                                422)
                        .contains("must be given together"));
        // taken away it is not offered, and the plan that has it stays whole
        assertEquals(delete("/api/materials/" + key).getResponse().getStatus(), 204);
        assertFalse(ok(get("/api/materials")).toString().contains(key));
        assertTrue(makeup(id).path("steps").toString().contains("dusk oil"));
        JsonNode record = ok(get("/api/jobs/" + id + "/record"));
        assertTrue(record.path("materials").toString().contains("dusk oil"));
    }

    @Test
    public void everyKindOfSubjectComesWithSensibleZones() {
        JsonNode lists = ok(get("/api/catalogue"));
        for (JsonNode kind : lists.path("kinds")) {
            UUID id = UUID.randomUUID();
            ok(
                    put(
                            "/api/jobs/" + id,
                            draft("Any " + kind.path("label").asString(), "9000", "3000", "null")
                                    .replace("FREIGHT_CAR", kind.path("key").asString())));
            JsonNode view = job(id);
            assertTrue(view.path("zones").size() >= 11, view.toString());
            assertTrue(
                    view.path("zones")
                                    .valueStream()
                                    .map(z -> z.path("face").asString())
                                    .collect(Collectors.toSet())
                                    .size()
                            >= 2,
                    view.toString());
        }
    }
}
