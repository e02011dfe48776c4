package org.pendrik.app.shelf;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.pendrik.app.AppTest;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Bottles, mixes and recipes through the API. */
public class ShelfApiTest extends AppTest {
    private static final String BOTTLE =
            """
            {"version": %s, "bottle": {"name": "%s", "maker": "own", "family": "test acrylic", "kind": "%s",
             "colour": {"l": %s, "a": %s, "b": %s}, "amountMl": 10, "pricePerMl": 0.2}}
            """;

    private UUID bottle(String name, double l, double a, double b) {
        UUID id = UUID.randomUUID();
        ok(put("/api/shelf/" + id, BOTTLE.formatted("null", name, "PAINT", l, a, b)));
        return id;
    }

    private JsonNode find(String name) {
        for (JsonNode b : ok(get("/api/shelf")).path("bottles")) {
            if (b.path("bottle").path("name").asString().equals(name)) {
                return b;
            }
        }
        return json.readTree("{}");
    }

    private static String unique(String name) {
        return name + " " + UUID.randomUUID().toString().substring(0, 8);
    }

    @Test
    public void aBottleIsKeptChangedTakenAwayAndPutBack() {
        String name = unique("brown");
        UUID id = bottle(name, 30, 10, 12);
        // sending it twice keeps it once
        ok(put("/api/shelf/" + id, BOTTLE.formatted("null", name, "PAINT", 30, 10, 12)));
        JsonNode seen = find(name);
        assertEquals(seen.path("version").asInt(), 1);
        assertEquals(seen.path("under").size(), 5);
        assertTrue(seen.path("provenance").asString().contains("estimated"));
        ok(put("/api/shelf/" + id, BOTTLE.formatted("1", name, "PAINT", 32, 10, 12)));
        assertTrue(
                refused(
                                put(
                                        "/api/shelf/" + id,
                                        BOTTLE.formatted("1", name, "PAINT", 50, 0, 0)),
                                409)
                        .contains("another window"));
        UUID other = UUID.randomUUID();
        assertTrue(
                refused(
                                put(
                                        "/api/shelf/" + other,
                                        BOTTLE.formatted(
                                                "null",
                                                name.toUpperCase(java.util.Locale.ROOT),
                                                "PAINT",
                                                1,
                                                1,
                                                1)),
                                422)
                        .contains("stands on the shelf already"));
        ok(delete("/api/shelf/" + id + "?version=2"));
        assertTrue(find(name).isEmpty());
        ok(post("/api/shelf/" + id + "/back?version=3", ""));
        assertEquals(find(name).path("version").asInt(), 4);
    }

    /** Swatches are kept, told from one colour, and refused when they cannot be of one paint. */
    @Test
    public void swatchesOfABottleAreKeptAndSaySo() {
        String name = unique("wash");
        UUID id = UUID.randomUUID();
        String with =
                """
                {"version": %s, "bottle": {"name": "%s", "family": "test acrylic", "kind": "PAINT",
                 "colour": {"l": 38, "a": 28, "b": 24}, "amountMl": 10, "swatches": [%s]}}
                """;
        String swatch = "{\"ground\":\"%s\",\"share\":%s,\"seen\":{\"l\":%s,\"a\":%s,\"b\":%s}}";
        String black = swatch.formatted("BLACK", 1, 31, 22, 17);
        String white = swatch.formatted("WHITE", 1, 60, 24, 22);
        String tint = swatch.formatted("LET_DOWN", 0.1, 72, 14, 11);
        ok(put("/api/shelf/" + id, with.formatted("null", name, black)));
        assertTrue(find(name).path("provenance").asString().contains("typed colour"));
        ok(put("/api/shelf/" + id, with.formatted("1", name, black + "," + white)));
        JsonNode seen = find(name);
        assertTrue(seen.path("provenance").asString().startsWith("covering power measured"));
        assertEquals(seen.path("bottle").path("swatches").size(), 2);
        ok(put("/api/shelf/" + id, with.formatted("2", name, tint)));
        assertTrue(find(name).path("provenance").asString().startsWith("strength and scatter"));
        String mixedUp =
                swatch.formatted("WHITE", 1, 31, 22, 17)
                        + ","
                        + swatch.formatted("BLACK", 1, 60, 24, 22);
        String told = refused(put("/api/shelf/" + id, with.formatted("3", name, mixedUp)), 422);
        assertTrue(told.contains("mixed up"), told);
        assertEquals(find(name).path("version").asInt(), 3);
        assertTrue(text(get("/api/shelf/table.csv")).contains("10 % 72.0 14.0 11.0"));
    }

    @Test
    public void aTableIsLookedThroughBeforeAnythingIsStored() {
        String name = unique("dust");
        String head = "name,family,L*,a*,b*\\n";
        String bad = head + name + ",enamel,50,2,8\\nother,enamel,grey,0,0\\n";
        JsonNode dry = ok(post("/api/shelf/table/dry-run", "{\"csv\":\"" + bad + "\"}"));
        assertEquals(dry.path("faults").path(0).path("line").asInt(), 3);
        assertEquals(dry.path("faults").path(0).path("column").asString(), "L*");
        String told = refused(post("/api/shelf/table", "{\"csv\":\"" + bad + "\"}"), 422);
        assertTrue(told.contains("Line 3, L*"), told);
        assertTrue(find(name).isEmpty(), "half stored");
        String good = head + name + ",enamel,50,2,8\\n";
        dry = ok(post("/api/shelf/table/dry-run", "{\"csv\":\"" + good + "\"}"));
        assertEquals(dry.path("changes").path(0).path("what").asString(), "NEW");
        assertEquals(
                ok(post("/api/shelf/table", "{\"csv\":\"" + good + "\"}")).path("bottles").asInt(),
                1);
        dry = ok(post("/api/shelf/table/dry-run", "{\"csv\":\"" + good + "\"}"));
        assertEquals(dry.path("changes").path(0).path("what").asString(), "SAME");
        assertTrue(text(get("/api/shelf/table.csv")).contains(name));
        assertTrue(text(get("/api/shelf/palette.gpl")).startsWith("GIMP Palette"));
        JsonNode palette =
                ok(
                        post(
                                "/api/shelf/palette/dry-run",
                                "{\"palette\":\"GIMP Palette\\n10 20 30 "
                                        + unique("p")
                                        + "\\nx\\n\",\"family\":\"enamel\"}"));
        assertEquals(palette.path("dry").path("changes").size(), 1);
        assertEquals(palette.path("dry").path("faults").size(), 1);
    }

    @Test
    public void aMixIsSearchedKeptCorrectedAndRepeated() {
        UUID white = bottle(unique("white"), 94, 0, 2);
        UUID black = bottle(unique("black"), 20, 1, 1);
        UUID ochre = bottle(unique("ochre"), 57, 15, 42);
        UUID red = bottle(unique("red"), 38, 33, 23);
        String search =
                """
                {"target": {"l": 46, "a": 14, "b": 20}, "light": "D65", "surface": "flat", "mostPaints": 4, "mostDrops": 10,
                 "families": [], "must": ["%s"], "not": [], "opacity": 0, "wantedMl": 1, "exact": true, "simple": true}
                """
                        .formatted(ochre);
        JsonNode found = ok(post("/api/mixing/search", search));
        assertTrue(found.path("deltaE00").asDouble() < 3, found.toString());
        assertEquals(found.path("within").asDouble(), 0.0);
        assertTrue(found.path("simple").size() >= 1);
        assertEquals(found.path("mix").path("lamps").size(), 5);
        // the target stays what it is in daylight; only the match is made under the lamp
        JsonNode filament =
                ok(
                        post(
                                "/api/mixing/search",
                                search.replace("\"light\": \"D65\"", "\"light\": \"A\"")));
        assertEquals(
                filament.path("mix")
                        .path("lamps")
                        .path("A")
                        .path("difference")
                        .path("deltaE00")
                        .asDouble(),
                filament.path("deltaE00").asDouble(),
                1e-6);
        assertEquals(
                filament.path("mix").path("lamps").path("D65").path("target").asString(),
                found.path("mix").path("lamps").path("D65").path("target").asString());
        String drops = found.path("drops").toString();
        assertTrue(drops.contains(ochre.toString()));
        UUID id = UUID.randomUUID();
        String recipe =
                """
                {"version": null, "recipe": {"name": "wagon earth", "target": {"l": 46, "a": 14, "b": 20}, "light": "D65",
                 "surface": "flat", "drops": %s}}
                """
                        .formatted(drops);
        JsonNode kept = ok(put("/api/recipes/" + id, recipe));
        double before = kept.path("mix").path("colour").path("l").asDouble();
        ok(put("/api/recipes/" + id, recipe));
        UUID card = UUID.randomUUID();
        String seen =
                "{\"id\":\"" + card + "\",\"seen\":{\"l\":" + (before + 4) + ",\"a\":12,\"b\":18}}";
        JsonNode corrected = ok(put("/api/recipes/" + id + "/cards", seen));
        ok(put("/api/recipes/" + id + "/cards", seen));
        assertEquals(corrected.path("cards").size(), 1);
        assertTrue(corrected.path("cards").path(0).path("taught").asString().contains("→"));
        assertTrue(corrected.path("mix").path("colour").path("l").asDouble() > before + 1);
        assertTrue(corrected.path("cards").path(0).path("words").asString().contains("lighter"));
        // repeated with what stands there now
        ok(delete("/api/shelf/" + red + "?version=" + version(red)));
        JsonNode later = kept(id);
        assertEquals(later.path("missing").size() > 0, drops.contains(red.toString()));
        JsonNode again = ok(post("/api/mixing/search", search));
        assertFalse(again.path("drops").toString().contains(red.toString()));
        assertTrue(again.path("drops").size() > 0);
        JsonNode mix =
                ok(
                        post(
                                "/api/mixing/look",
                                """
                                {"drops": [{"bottle": "%s", "drops": 3}, {"bottle": "%s", "drops": 1}],
                                 "target": null, "light": "D65", "surface": "flat"}
                                """
                                        .formatted(white, black)));
        assertEquals(mix.path("drops").asInt(), 4);
        assertEquals(mix.path("cost").asDouble(), 4 * 0.05 * 0.2, 1e-9);
        ok(delete("/api/recipes/" + id + "?version=" + kept.path("version").asInt()));
    }

    @Test
    public void aPaintThatIsTooDarkToTellItsTintsIsNamedInEveryMixOfIt() {
        String brown = unique("nearly black");
        UUID dark = bottle(brown, 18, 7, 7);
        UUID white = bottle(unique("let down"), 95, 0, 2);
        UUID mixed = UUID.randomUUID();
        JsonNode kept = ok(put("/api/recipes/" + mixed, recipe(dark, white)));
        assertEquals(kept.path("tooDark").size(), 1, kept.toString());
        assertEquals(kept.path("tooDark").get(0).asString(), brown);
        // alone it is what its swatch shows
        UUID alone = UUID.randomUUID();
        assertEquals(
                ok(put("/api/recipes/" + alone, recipe(dark, dark))).path("tooDark").size(), 0);
        for (UUID id : List.of(mixed, alone)) {
            ok(delete("/api/recipes/" + id + "?version=1"));
        }
    }

    private static String recipe(UUID one, UUID other) {
        String second = one.equals(other) ? "" : ", {\"bottle\": \"" + other + "\", \"drops\": 4}";
        return ("{\"version\": null, \"recipe\": {\"name\": \"let down\", \"target\": {\"l\": 60, \"a\": 5, \"b\": 8},"
                        + " \"light\": \"D65\", \"surface\": \"flat\", \"drops\": [{\"bottle\": \"%s\", \"drops\": 1}%s]}}")
                .formatted(one, second);
    }

    @Test
    public void aWantedColourIsSeenUnderEachLampBeforeAnythingIsMixed() {
        JsonNode seen = ok(post("/api/mixing/target", "{\"l\":60,\"a\":0,\"b\":40}"));
        assertEquals(seen.path("under").size(), 5);
        assertEquals(seen.path("under").path("D65").asString(), "#a68f49");
        assertFalse(seen.path("clamped").asBoolean());
        assertTrue(
                ok(post("/api/mixing/target", "{\"l\":95,\"a\":60,\"b\":0}"))
                        .path("clamped")
                        .asBoolean());
    }

    @Test
    public void aColourFadesByWhatIsAskedFor() {
        String q = "{\"colour\":{\"l\":38,\"a\":33,\"b\":23},\"surface\":\"flat\",\"by\":%s}";
        JsonNode faded = ok(post("/api/mixing/faded", q.formatted("8")));
        assertEquals(faded.path("deltaE00").asDouble(), 8, 0.05);
        assertTrue(faded.path("colour").path("l").asDouble() > 40);
        assertTrue(refused(post("/api/mixing/faded", q.formatted("80")), 422).contains("Fade (80"));
    }

    @Test
    public void aTestCardIsTakenBackWithWhatItTaught() {
        UUID white = bottle(unique("white"), 94, 0, 2);
        UUID black = bottle(unique("black"), 20, 1, 1);
        UUID id = UUID.randomUUID();
        JsonNode kept =
                ok(
                        put(
                                "/api/recipes/" + id,
                                """
                                {"version": null, "recipe": {"name": "grey", "target": {"l": 60, "a": 0, "b": 2},
                                 "light": "D65", "surface": "flat", "drops": [{"bottle": "%s", "drops": 5},
                                 {"bottle": "%s", "drops": 1}], "job": null, "step": null, "notes": null}}
                                """
                                        .formatted(white, black)));
        double before = kept.path("mix").path("colour").path("l").asDouble();
        UUID card = UUID.randomUUID();
        JsonNode taught =
                ok(
                        put(
                                "/api/recipes/" + id + "/cards",
                                "{\"id\":\"%s\",\"seen\":{\"l\":%s,\"a\":0,\"b\":2}}"
                                        .formatted(card, before + 3)));
        assertTrue(
                taught.path("mix").path("colour").path("l").asDouble() > before + 1,
                "the card taught nothing");
        assertEquals(taught.path("cards").get(0).path("id").asString(), card.toString());
        JsonNode back = ok(delete("/api/recipes/" + id + "/cards/" + card));
        assertEquals(back.path("mix").path("colour").path("l").asDouble(), before, 1e-6);
        assertEquals(back.path("cards").size(), 0);
        refused(delete("/api/recipes/" + id + "/cards/" + card), 404);
        ok(delete("/api/recipes/" + id + "?version=" + back.path("version").asInt()));
    }

    private JsonNode kept(UUID id) {
        for (JsonNode r : ok(get("/api/recipes"))) {
            if (r.path("id").asString().equals(id.toString())) {
                return r;
            }
        }
        throw new AssertionError("no recipe " + id);
    }

    private int version(UUID id) {
        for (JsonNode b : ok(get("/api/shelf")).path("bottles")) {
            if (b.path("id").asString().equals(id.toString())) {
                return b.path("version").asInt();
            }
        }
        throw new AssertionError("no bottle " + id);
    }

    @Test
    public void whatIsNoPaintIsLeftOutWithItsReason() {
        UUID id = UUID.randomUUID();
        String name = unique("silver");
        ok(put("/api/shelf/" + id, BOTTLE.formatted("null", name, "METALLIC", 74, 0, 0)));
        bottle(unique("grey"), 50, 0, 0);
        JsonNode found =
                ok(
                        post(
                                "/api/mixing/search",
                                """
                                {"target": {"l": 46, "a": 1, "b": 2}, "light": "A", "surface": "satin", "mostPaints": 2,
                                 "mostDrops": 4, "families": [], "must": [], "not": [], "opacity": 0, "wantedMl": 1,
                                 "exact": false, "simple": false}
                                """));
        assertTrue(found.path("refused").path(name).asString().contains("mirror"));
        assertTrue(
                refused(
                                post(
                                        "/api/mixing/look",
                                        "{\"drops\":[{\"bottle\":\""
                                                + id
                                                + "\",\"drops\":1}],\"target\":null,\"light\":\"D65\",\"surface\":\"flat\"}"),
                                422)
                        .contains("cannot be mixed as paint"));
    }

    /** The same new bottle from many clients at once stands there once. */
    @Test
    public void twinsPutThereAtOnceAreOne() throws Exception {
        String name = unique("twin");
        List<Integer> answers = Collections.synchronizedList(new ArrayList<>());
        List<Thread> clients = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            clients.add(
                    Thread.ofPlatform()
                            .start(
                                    () ->
                                            answers.add(
                                                    put(
                                                                    "/api/shelf/"
                                                                            + UUID.randomUUID(),
                                                                    BOTTLE.formatted(
                                                                            "null", name, "PAINT",
                                                                            40, 1, 1))
                                                            .getResponse()
                                                            .getStatus())));
        }
        for (Thread t : clients) {
            t.join();
        }
        assertEquals(answers.stream().filter(a -> a == 200).count(), 1L, answers.toString());
        assertTrue(answers.stream().allMatch(a -> a < 500), answers.toString());
        long there =
                ok(get("/api/shelf"))
                        .path("bottles")
                        .valueStream()
                        .filter(b -> b.path("bottle").path("name").asString().equals(name))
                        .count();
        assertEquals(there, 1L);
    }

    @Test
    public void whatIsMissingHereIsLookedForHere() {
        assertTrue(
                refused(get("/api/shelf/" + UUID.randomUUID() + "/standing"), 404)
                        .contains("look in the shelf"));
        assertTrue(
                refused(get("/api/recipes/" + UUID.randomUUID() + "/standing"), 404)
                        .contains("look in the kept recipes"));
    }

    /**
     * Two makers, one name: the mix card and the shopping list tell them apart; put away is not
     * bought for.
     */
    @Test
    public void bottlesOfOneNameAreToldApart() {
        String name = unique("kiln red");
        UUID own = bottle(name, 38, 33, 23);
        UUID other = UUID.randomUUID();
        ok(
                put(
                        "/api/shelf/" + other,
                        BOTTLE.formatted("null", name, "PAINT", 44, 20, 20)
                                .replace("\"maker\": \"own\"", "\"maker\": \"other\"")));
        UUID job = car("Two reds");
        JsonNode made = plan(job, "DUST");
        JsonNode step =
                made.path("steps")
                        .valueStream()
                        .filter(s -> s.path("technique").asString().equals("airbrush-dust"))
                        .findFirst()
                        .orElseThrow();
        String path = "/api/jobs/" + job + "/steps/" + step.path("id").asString();
        ok(
                put(
                        "/api/recipes/" + UUID.randomUUID(),
                        """
                        {"version": null, "recipe": {"name": "both", "target": {"l": 40, "a": 20, "b": 20},
                         "light": "D65", "surface": "flat", "drops": [{"bottle": "%s", "drops": 2},
                         {"bottle": "%s", "drops": 1}], "job": "%s", "step": "%s", "notes": null}}
                        """
                                .formatted(own, other, job, step.path("id").asString())));
        List<String> names =
                ok(get(path + "/mix"))
                        .path("mix")
                        .path("measures")
                        .valueStream()
                        .map(m -> m.path("name").asString())
                        .toList();
        assertEquals(names, List.of(name + " (own)", name + " (other)"));
        List<String> bought = shopping(name);
        assertEquals(Set.copyOf(bought), Set.copyOf(names));
        ok(delete("/api/jobs/" + job));
        assertEquals(shopping(name), List.of());
    }

    private List<String> shopping(String name) {
        return ok(get("/api/shopping"))
                .valueStream()
                .map(l -> l.path("name").asString())
                .filter(n -> n.startsWith(name))
                .toList();
    }

    /** What perishes today perishes by the calendar on the workshop's wall. */
    @Test
    public void theShelfCountsByTheWorkshopsOwnDay() {
        String name = unique("perishing");
        ok(
                put(
                        "/api/shelf/" + UUID.randomUUID(),
                        BOTTLE.formatted("null", name, "PAINT", 40, 1, 1)
                                .replace(
                                        "\"amountMl\": 10",
                                        "\"amountMl\": 10, \"keepsUntil\": \"2026-11-26\"")));
        clock.set(NOON);
        var workshop = (tools.jackson.databind.node.ObjectNode) ok(get("/api/workshop"));
        String zone = workshop.path("zoneId").asString();
        try {
            for (var at :
                    java.util.Map.of("Etc/UTC", "PERISHES_SOON", "Pacific/Kiritimati", "PERISHED")
                            .entrySet()) {
                workshop.put("zoneId", at.getKey());
                workshop =
                        (tools.jackson.databind.node.ObjectNode) ok(put("/api/workshop", workshop));
                assertEquals(find(name).path("state").asString(), at.getValue(), at.getKey());
            }
        } finally {
            workshop.put("zoneId", zone);
            ok(put("/api/workshop", workshop));
        }
    }

    @Test
    public void aRecipeThatNobodyKeptIsMissedAmongRecipes() {
        UUID nobody = UUID.randomUUID();
        for (MvcTestResult r :
                List.of(
                        delete("/api/recipes/" + nobody + "?version=1"),
                        get("/api/recipes/" + nobody + "/standing"))) {
            String detail = refused(r, 404);
            assertTrue(detail.contains("the kept recipes on Shelf"), detail);
        }
    }
}
