package org.pendrik.app.makeup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.pendrik.app.AppTest;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Schools, other ways, repair, what if, taking back and going in step, through the API. */
public class SchoolStoryTest extends AppTest {
    private ObjectNode whole(JsonNode makeup) {
        ObjectNode body = planDraft(makeup);
        body.set("schools", makeup.path("schools"));
        return body;
    }

    @BeforeMethod
    public void noon() {
        clock.set(NOON);
    }

    private static List<String> names(JsonNode makeup) {
        return makeup.path("steps").valueStream().map(s -> s.path("technique").asString()).toList();
    }

    private String path(UUID job, String more) {
        return "/api/jobs/" + job + "/makeup" + more;
    }

    private ObjectNode order(JsonNode makeup) {
        return json.createObjectNode().put("version", makeup.path("version").asInt());
    }

    @Test
    public void anotherWayIsEarlierAsItSaysAndUndoneWithItsSchool() {
        UUID job = car("Other ways");
        JsonNode made = plan(job, "FADE", "JOINT_SHADE", "RUST_STREAKS");
        JsonNode ways = ok(get("/api/jobs/" + job + "/alternatives")).path("ways");
        assertTrue(ways.size() > 1, ways.toString());
        assertEquals(ways.get(0).path("sentence").asString(), "");
        JsonNode faster = null;
        for (JsonNode w : ways) {
            if (w.path("sentence").asString().contains(" earlier")) {
                faster = w;
                break;
            }
        }
        assertTrue(faster != null, ways.toString());
        assertTrue(
                faster.path("readyAt").asString().compareTo(ways.get(0).path("readyAt").asString())
                        < 0);
        ObjectNode choose = order(made);
        choose.set("schools", faster.path("changed"));
        JsonNode other = ok(post(path(job, "/choose"), choose.toString()));
        assertTrue(
                other.path("schools").equals(faster.path("changed")),
                other.path("schools").toString());
        assertEquals(names(other).size(), faster.path("steps").size());
        ObjectNode back = whole(made);
        back.put("version", other.path("version").asInt());
        JsonNode again = ok(put(path(job, ""), back.toString()));
        assertEquals(again.path("schools").size(), 0);
        assertEquals(names(again), names(made));
        assertEquals(
                again.path("steps").valueStream().map(s -> s.path("origin")).toList(),
                made.path("steps").valueStream().map(s -> s.path("origin")).toList());
    }

    @Test
    public void theHouseAnswersForAJobThatDoesNot() {
        ok(put("/api/schools", "{\"answers\": {\"streaks\": \"enamel\"}}"));
        UUID job = car("As the house");
        JsonNode made = plan(job, "RUST_STREAKS");
        assertTrue(
                made.path("steps")
                        .valueStream()
                        .anyMatch(s -> s.path("material").asString().equals("streak-enamel-rust")));
        assertEquals(made.path("houseSchools").path("streaks").asString(), "enamel");
        ObjectNode choose = order(made);
        choose.putObject("schools").put("streaks", "oil");
        JsonNode own = ok(post(path(job, "/choose"), choose.toString()));
        assertTrue(
                own.path("steps")
                        .valueStream()
                        .anyMatch(s -> s.path("material").asString().equals("oil-fresh-rust")));
        ok(put("/api/schools", "{\"answers\": {}}"));
        assertTrue(
                refused(put("/api/schools", "{\"answers\": {\"streaks\": \"gouache\"}}"), 422)
                        .contains("gouache"));
        assertTrue(
                refused(put("/api/schools", "{\"answers\": {\"weather\": \"wet\"}}"), 422)
                        .contains("is no question"));
    }

    @Test
    public void threeFaultsAreMendedAtOnceAndAStepOfMineSurvivesMakingThePlanAnew() {
        UUID job = car("Repaired");
        JsonNode made = plan(job, "FADE", "JOINT_SHADE", "CHIPS", "POWDER");
        ObjectNode draft = whole(made);
        var steps = draft.withArray("steps");
        for (int i = steps.size() - 1; i >= 0; i--) {
            if (steps.get(i).path("technique").asString().startsWith("seal")
                    || steps.get(i).path("technique").asString().equals("pin-wash")) {
                steps.remove(i);
            }
        }
        JsonNode broken = ok(put(path(job, ""), draft.toString()));
        long bad =
                broken.path("findings")
                        .valueStream()
                        .filter(f -> !f.path("severity").asString().equals("NOTE"))
                        .count();
        assertTrue(bad >= 2, broken.path("findings").toString());
        JsonNode repaired = ok(post(path(job, "/repair"), order(broken).toString()));
        assertTrue(repaired.path("labels").size() >= 2, repaired.path("labels").toString());
        assertTrue(
                repaired.path("makeup")
                        .path("findings")
                        .valueStream()
                        .allMatch(f -> f.path("severity").asString().equals("NOTE")));
        assertTrue(
                refused(post(path(job, "/repair"), order(repaired.path("makeup")).toString()), 422)
                        .contains("nothing to mend"));
        // a step that the user put in is kept when the plan is made anew
        ObjectNode mine = whole(repaired.path("makeup"));
        mine.withArray("steps")
                .addObject()
                .put("id", "mine")
                .put("technique", "dry-brush")
                .put("material", "dry-buff")
                .put("thickness", "MIST")
                .putArray("zones")
                .add("left-side");
        JsonNode with = ok(put(path(job, ""), mine.toString()));
        JsonNode anew = ok(post(path(job, "/compile"), order(with).toString()));
        assertTrue(
                anew.path("steps")
                        .valueStream()
                        .anyMatch(s -> s.path("id").asString().equals("mine")));
        assertEquals(names(anew).getLast(), "final-flat");
    }

    @Test
    public void aColdEveningIsAskedAboutAndNothingIsStored() {
        UUID job = car("What if");
        JsonNode made = plan(job, "RUST_STREAKS", "DUST");
        JsonNode cold = ok(post(path(job, "/what-if"), "{\"celsius\": 9, \"humidity\": 0.8}"));
        assertTrue(cold.path("laterMinutes").asLong() > 1440, cold.path("laterMinutes").toString());
        String streak =
                made.path("steps")
                        .valueStream()
                        .filter(s -> s.path("technique").asString().equals("oil-streak"))
                        .findFirst()
                        .orElseThrow()
                        .path("id")
                        .asString();
        JsonNode wet =
                ok(
                        post(
                                path(job, "/what-if"),
                                "{\"celsius\": 21, \"humidity\": 0.5, \"thicker\": \"%s\", \"thickness\": \"WET\"}"
                                        .formatted(streak)));
        assertTrue(wet.path("laterMinutes").asLong() > 600, wet.toString());
        assertEquals(ok(get(path(job, ""))).path("version"), made.path("version"));
        assertTrue(
                refused(post(path(job, "/what-if"), "{\"celsius\": 21, \"humidity\": 3}"), 422)
                        .contains("Humidity"));
    }

    @Test
    public void aStreakIsThinnedByAStepThatIsLoggedLikeAnyOther() {
        UUID job = car("Taken back");
        JsonNode made = plan(job, "RUST_STREAKS");
        String streak = "";
        for (JsonNode s : made.path("steps")) {
            log(job, s);
            streak = s.path("id").asString();
            if (s.path("technique").asString().equals("oil-streak")) {
                break;
            }
            clock.set(clock.instant().plus(Duration.ofHours(20)));
        }
        clock.set(clock.instant().plus(Duration.ofMinutes(20)));
        ObjectNode ask = json.createObjectNode().put("stepId", streak).put("share", 0.5);
        ask.putArray("zones").add("left-side");
        JsonNode answer = ok(post(path(job, "/take-back"), ask.toString()));
        JsonNode way = answer.path("ways").get(0);
        assertTrue(way.path("now").asBoolean(), answer.toString());
        ObjectNode take = ask.deepCopy();
        take.set("technique", way.path("technique"));
        take.set("material", way.path("material"));
        take.put("version", ok(get(path(job, ""))).path("version").asInt());
        JsonNode next = ok(post(path(job, "/take-back/step"), take.toString()));
        JsonNode step = ok(get("/api/jobs/" + job + "/bench")).path("step");
        assertEquals(step.path("id").asString(), "back:" + streak);
        assertTrue(step.path("reason").asString().contains("thin it"), step.toString());
        assertTrue(
                step.path("findings")
                        .valueStream()
                        .allMatch(f -> f.path("severity").asString().equals("NOTE")),
                step.toString());
        double before = film(next, streak);
        log(job, step);
        JsonNode after = ok(get(path(job, "")));
        assertEquals(film(after, streak), before, 1e-9);
        assertTrue(before > 0);
        String id = "back:" + streak;
        assertTrue(
                after.path("steps")
                        .valueStream()
                        .anyMatch(
                                s ->
                                        s.path("id").asString().equals(id)
                                                && s.path("done").asBoolean()));
        ObjectNode late = take.deepCopy();
        late.put("material", "thinner-lacquer");
        late.put("version", after.path("version").asInt());
        assertTrue(
                refused(post(path(job, "/take-back/step"), late.toString()), 422)
                        .contains("Ask again"));
    }

    /** Film of a coat on the left side, micrometres. */
    private static double film(JsonNode makeup, String step) {
        return makeup.path("cores")
                .valueStream()
                .filter(c -> c.path("zone").asString().equals("left-side"))
                .flatMap(c -> c.path("bands").valueStream())
                .filter(b -> b.path("stepId").asString().equals(step))
                .mapToDouble(b -> b.path("filmMicrometres").asDouble())
                .sum();
    }

    private void log(UUID job, JsonNode step) {
        ok(
                put(
                        "/api/jobs/" + job + "/log/" + UUID.randomUUID(),
                        """
                        {"stepId": "%s", "material": "%s", "startedAt": null, "finished": true,
                         "finishedAt": null, "note": "", "photographId": null, "version": 0}
                        """
                                .formatted(
                                        step.path("id").asString(),
                                        step.path("material").asString())));
    }

    private int planVersion(UUID job) {
        return ok(get(path(job, ""))).path("version").asInt();
    }

    /** Own steps stay in both, and an edit of the other in the meantime is not written over. */
    @Test
    public void inStepKeepsOwnStepsAndMindsTheVersionOfEachJob() {
        UUID one = car("Third flat");
        UUID two = car("Fourth flat");
        JsonNode made = plan(one, "FADE");
        JsonNode other = plan(two, "FADE");
        made = withOwnStep(one, made);
        int seen = withOwnStep(two, other).path("version").asInt();
        ObjectNode order = order(made);
        ObjectNode with = order.putArray("with").addObject();
        with.put("job", two.toString()).put("version", seen - 1);
        refused(post(path(one, "/in-step"), order.toString()), 409);
        assertEquals(planVersion(one), made.path("version").asInt());
        with.put("version", seen);
        JsonNode answer = ok(post(path(one, "/in-step"), order.toString()));
        assertEquals(answer.path("versions").size(), 2);
        for (UUID job : List.of(one, two)) {
            JsonNode after = ok(get(path(job, "")));
            JsonNode own =
                    after.path("steps")
                            .valueStream()
                            .filter(s -> s.path("origin").asString().equals("MANUAL"))
                            .findFirst()
                            .orElseThrow();
            assertEquals(own.path("id").asString(), "own-" + job);
            assertTrue(names(after).contains("mist-fade"));
        }
    }

    private JsonNode withOwnStep(UUID job, JsonNode made) {
        ObjectNode body = whole(made);
        ((ArrayNode) body.path("steps"))
                .addObject()
                .put("id", "own-" + job)
                .put("technique", "dry-brush")
                .put("material", "dry-light-grey")
                .put("thickness", "LIGHT")
                .putArray("zones")
                .add("left-side");
        return ok(put(path(job, ""), body.toString()));
    }

    @Test
    public void twoCarsInStepShareTheirFade() {
        UUID one = car("First flat");
        UUID two = car("Second flat");
        JsonNode made = plan(one, "FADE", "DUST");
        plan(two, "FADE", "CHIPS");
        ObjectNode order = order(made);
        order.putArray("with")
                .addObject()
                .put("job", two.toString())
                .put("version", planVersion(two));
        JsonNode first = ok(post(path(one, "/in-step"), order.toString())).path("makeup");
        JsonNode second = ok(get(path(two, "")));
        for (JsonNode m : List.of(first, second)) {
            JsonNode fade =
                    m.path("steps")
                            .valueStream()
                            .filter(s -> s.path("technique").asString().equals("mist-fade"))
                            .findFirst()
                            .orElseThrow();
            assertTrue(fade.path("reason").asString().contains("In step with"), fade.toString());
        }
        assertTrue(names(second).contains("sponge-chip"));
        assertFalse(names(first).contains("sponge-chip"));
    }

    @Test
    public void aFigureOfOnesOwnChangesWhatIsReadyWhenAndGoesBackToTheTables() {
        UUID job = car("Own figures");
        JsonNode made = plan(job, "RUST_STREAKS");
        long before = made.path("waitingMinutes").asLong();
        String prior = "/api/priors/MATERIAL/oil-fresh-rust";
        JsonNode lines =
                ok(put(prior, "{\"values\": {\"recoat_min\": \"5000\", \"full_min\": \"15000\"}}"));
        assertTrue(
                lines.valueStream()
                        .filter(l -> l.path("key").asString().equals("oil-fresh-rust"))
                        .flatMap(l -> l.path("cells").valueStream())
                        .anyMatch(c -> c.path("own").asString().equals("5000")));
        assertTrue(ok(get(path(job, ""))).path("waitingMinutes").asLong() > before);
        assertTrue(
                refused(put(prior, "{\"values\": {\"recoat_min\": \"10\"}}"), 422)
                        .contains("must grow"));
        assertTrue(
                refused(put(prior, "{\"values\": {\"binder\": \"OIL\"}}"), 422)
                        .contains("cannot be overruled"));
        refused(put("/api/priors/MATERIAL/nothing", "{\"values\": {}}"), 404);
        assertTrue(ok(get(path(job, ""))).path("waitingMinutes").asLong() > before, "kept");
        ok(put(prior, "{\"values\": {}}"));
        assertEquals(ok(get(path(job, ""))).path("waitingMinutes").asLong(), before);
    }

    @Test
    public void theBenchLearnsFromACoatThatDriesSlowly() {
        UUID job = car("Slow bench");
        JsonNode made = plan(job, "FADE");
        JsonNode seal = made.path("steps").get(0);
        log(job, seal);
        JsonNode coat = ok(get("/api/jobs/" + job + "/bench")).path("drying").get(0);
        assertEquals(coat.path("pace").asDouble(), 1.0);
        clock.set(clock.instant().plus(Duration.ofMinutes(35)));
        String dry = "/api/jobs/" + job + "/touch-dry/" + coat.path("stepId").asString();
        JsonNode seen = ok(put(dry, "")).path("drying").get(0);
        assertEquals(seen.path("seenMinutes").asDouble(), 35, 1.01);
        assertTrue(seen.path("pace").asDouble() > 1.2, seen.toString());
        clock.set(clock.instant().plus(Duration.ofHours(8)));
        assertTrue(
                refused(put(dry, ""), 422).contains("ten times"), "eight hours are another thing");
        JsonNode forgotten = ok(delete(dry)).path("drying").get(0);
        assertEquals(forgotten.path("pace").asDouble(), 1.0);
    }
}
