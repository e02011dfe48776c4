package org.pendrik.app.makeup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.pendrik.app.AppTest;
import org.pendrik.app.standins.DemoShots;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What an edit of a plan and a look across all jobs cost, counted. */
public class EditCostTest extends AppTest {
    private static final int MOST_STATEMENTS = 15;

    @Autowired private PlanJudge judge;

    /** What other tests left is put away. */
    @BeforeMethod
    public void noonInAnEmptyWorkshop() {
        clock.set(NOON);
        for (JsonNode c : ok(get("/api/overview"))) {
            ok(delete("/api/jobs/" + c.path("job").path("id").asString()));
        }
    }

    private static String path(UUID job) {
        return "/api/jobs/" + job + "/makeup";
    }

    /** A planned job whose factory colour is measured on a photograph. */
    private UUID photographed(String name) {
        UUID job = car(name);
        UUID photo = UUID.randomUUID();
        DemoShots.Shot shot = DemoShots.prototype();
        ok(photograph(job, photo, "PROTOTYPE", shot.jpeg()));
        String corners =
                shot.camera().corners().stream()
                        .map(c -> "{\"x\": " + c.x() + ", \"y\": " + c.y() + "}")
                        .reduce((a, b) -> a + "," + b)
                        .orElseThrow();
        ok(
                put(
                        "/api/photographs/" + photo + "/marks",
                        """
                        {"corners": {"points": [%s]}, "knownPoints": null, "greyPatch": null,
                         "straightLines": null, "shellMarks": null, "version": 1}
                        """
                                .formatted(corners)));
        ok(
                put(
                        "/api/jobs/" + job + "/study/regions",
                        """
                        {"regions": [{"id": "%s", "name": "kept clean", "zoneKey": "left-side", "side": "LEFT",
                         "role": "MEASURE", "xMm": 3000, "yMm": 900, "widthMm": 300, "heightMm": 300,
                         "factory": true, "outline": []}], "version": 1}
                        """
                                .formatted(UUID.randomUUID())));
        JsonNode made = plan(job, "FADE", "JOINT_SHADE", "CHIPS", "RUST_STREAKS", "DUST");
        mixByRecipe(job, made.path("steps").get(0).path("id").asString());
        return job;
    }

    private void mixByRecipe(UUID job, String step) {
        UUID bottle = UUID.randomUUID();
        ok(
                put(
                        "/api/shelf/" + bottle,
                        """
                        {"version": null, "bottle": {"name": "cost %s", "maker": "own", "family": "test acrylic",
                         "kind": "PAINT", "colour": {"l": 60, "a": 5, "b": 8}, "amountMl": 10, "pricePerMl": 0.2}}
                        """
                                .formatted(bottle)));
        ok(
                put(
                        "/api/recipes/" + UUID.randomUUID(),
                        """
                        {"version": null, "recipe": {"name": "of the step", "target": {"l": 60, "a": 5, "b": 8},
                         "light": "D65", "surface": "flat", "drops": [{"bottle": "%s", "drops": 1}],
                         "job": "%s", "step": "%s", "notes": null}}
                        """
                                .formatted(bottle, job, step)));
    }

    /** From the key press to the picture: the edit, and the drying rail that follows from it. */
    @Test
    public void anEditOfThePlanTakesFifteenStatementsAndOneJudgement() {
        UUID job = photographed("Costs");
        for (int i = 0; i < 4; i++) {
            plan(car("Beside " + i), "FADE", "CHIPS");
        }
        JsonNode seen = ok(get(path(job)));
        assertTrue(seen.toString().contains("of the step"), "no step is mixed by a recipe");
        ok(get("/api/jobs/" + job + "/diary"));
        List<Integer> order =
                new ArrayList<>(IntStream.range(0, seen.path("steps").size()).boxed().toList());
        Collections.swap(order, order.size() - 2, order.size() - 1);
        String body = planDraft(seen, order).toString();
        statements.taken();
        long judged = judge.judged();
        JsonNode answer = ok(put(path(job), body));
        ok(get("/api/jobs/" + job + "/diary"));
        List<String> taken = statements.taken();
        assertTrue(
                taken.size() <= MOST_STATEMENTS, taken.size() + ":\n" + String.join("\n", taken));
        assertEquals(judge.judged() - judged, 1);
        // the answer says all that asking again would say
        assertEquals(answer, ok(get(path(job))));
        assertEquals(judge.judged() - judged, 1, "the same plan was judged again");
    }

    @Test
    public void lookingAcrossAllJobsCostsNoMoreWithMoreJobs() {
        for (int i = 0; i < 3; i++) {
            plan(car("Few " + i), "FADE", "CHIPS");
        }
        int few = cost();
        for (int i = 0; i < 9; i++) {
            plan(car("More " + i), "FADE", "DUST");
        }
        assertEquals(cost(), few);
    }

    /** Statements of Today, a diary, shopping and the list of jobs, looked at before. */
    private int cost() {
        String last =
                "/api/jobs/"
                        + ok(get("/api/overview")).get(0).path("job").path("id").asString()
                        + "/diary";
        List<String> paths = List.of("/api/today", "/api/shopping", "/api/overview", last);
        paths.forEach(p -> ok(get(p)));
        statements.taken();
        paths.forEach(p -> ok(get(p)));
        return statements.taken().size();
    }
}
