package org.pendrik.app.job;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.UUID;
import org.pendrik.app.AppTest;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class JobApiTest extends AppTest {
    @Test
    public void aJobIsMadeOnceHoweverOftenItIsSent() {
        UUID id = UUID.randomUUID();
        String body = draft("Sent twice", "6400", "2600", "\"2026-12-24\"");
        ok(put("/api/jobs/" + id, body));
        var again = ok(put("/api/jobs/" + id, body));
        assertEquals(again.path("job").path("version").asInt(), 1);
        assertEquals(again.path("zones").size(), 16);
        assertEquals(again.path("scaleName").asString(), "H0");
        assertEquals(again.path("job").path("wantedOn").asString(), "2026-12-24");
    }

    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {
            {
                draft("x", "0", "2600", "null"),
                "Prototype length (0 mm) must be from 500 to 100000 mm."
            },
            {draft("x", "-5", "2600", "null"), "Prototype length (-5 mm)"},
            {draft("x", "\"NaN\"", "2600", "null"), "Field lengthMm (NaN) must be a finite number"},
            {draft("x", "6400", "1e9", "null"), "Prototype height (1000000000 mm)"},
            {draft("", "6400", "2600", "null"), "Job name (empty)"},
            {
                draft("x", "6400", "2600", "\"2026-11-24\""),
                "Date wanted (2026-11-24) must not lie in the past."
            },
            {
                draft("x", "6400", "2600", "null").replace("\"note\"", "\"colour\": 1, \"note\""),
                "Field colour (colour) is not known here."
            },
            {
                draft("x", "6400", "2600", "null").replace("FREIGHT_CAR", "BICYCLE"),
                "Field kind (as sent)"
            },
            {
                draft("x", "6400", "2600", "null").replace("\"note\": \"\",", ""),
                "Field note (as sent) is missing"
            },
            {"{\"name\": ", "is not JSON"},
        };
    }

    @Test(dataProvider = "nonsense")
    public void nonsenseIsRefusedInOneSentenceAndNothingIsStored(String body, String words) {
        int before = ok(get("/api/jobs")).size();
        UUID id = UUID.randomUUID();
        String detail = refused(put("/api/jobs/" + id, body), 422);
        assertTrue(detail.contains(words), detail);
        assertEquals(ok(get("/api/jobs")).size(), before);
    }

    @Test
    public void twoWindowsDoNotOverwriteEachOther() {
        UUID id = car("Two windows");
        String first =
                draft("First", "6400", "2600", "null").replace("\"version\": 0", "\"version\": 1");
        String second =
                draft("Second", "6400", "2600", "null").replace("\"version\": 0", "\"version\": 1");
        ok(put("/api/jobs/" + id, first));
        assertTrue(
                refused(put("/api/jobs/" + id, second), 409).contains("changed in another window"));
        assertEquals(ok(get("/api/jobs/" + id)).path("job").path("name").asString(), "First");
    }

    @Test
    public void whatIsPutAwayCanBeTakenOutAgain() {
        UUID id = car("Away and back");
        ok(delete("/api/jobs/" + id));
        assertTrue(ok(get("/api/jobs/" + id)).path("job").path("archived").asBoolean());
        ok(post("/api/jobs/" + id + "/restore", ""));
        assertTrue(!ok(get("/api/jobs/" + id)).path("job").path("archived").asBoolean());
        refused(delete("/api/jobs/" + UUID.randomUUID()), 404);
    }

    @Test
    public void theWorkshopKeepsItsAirAndItsEvenings() {
        var w = ok(get("/api/workshop"));
        String changed = w.toString().replace("\"celsius\":21.0", "\"celsius\":18.5");
        assertEquals(ok(put("/api/workshop", changed)).path("celsius").asDouble(), 18.5);
        assertTrue(
                refused(put("/api/workshop", changed), 409).contains("The workshop was changed"));
        String damp =
                ok(get("/api/workshop"))
                        .toString()
                        .replace("\"humidity\":0.5", "\"humidity\":1.32");
        assertTrue(
                refused(put("/api/workshop", damp), 422)
                        .contains("Humidity (132 %) must be from 0 to 100 %"));
    }

    @Test
    public void everyKindOfSubjectHasItsZones() {
        var lists = ok(get("/api/catalogue"));
        assertEquals(lists.path("effects").size(), 34);
        assertEquals(lists.path("kinds").size(), 18);
        assertTrue(lists.path("schools").size() > 10);
        assertTrue(lists.path("zones").size() > 35);
        assertTrue(lists.path("materials").size() > 25);
    }

    @Test
    public void anotherKindOrOtherFiguresUnderTheSameIdAreRefused() {
        UUID id = UUID.randomUUID();
        String body = draft("Taken", "6400", "2600", "null");
        int version = ok(put("/api/jobs/" + id, body)).path("job").path("version").asInt();
        assertTrue(
                refused(put("/api/jobs/" + id, draft("Taken", "7000", "2600", "null")), 422)
                        .contains("was made before with other figures"));
        assertTrue(
                refused(
                                put(
                                        "/api/jobs/" + id,
                                        body.replace("FREIGHT_CAR", "STRUCTURE")
                                                .replace(
                                                        "\"version\": 0",
                                                        "\"version\": " + version)),
                                422)
                        .contains("Make a new job of that kind"));
        assertEquals(ok(get("/api/jobs/" + id)).path("job").path("lengthMm").asDouble(), 6400.0);
    }

    @Test
    public void aYearThatNobodyCanMeanIsRefused() {
        String body = draft("Far away", "6400", "2600", "\"+999999999-01-01\"");
        assertTrue(
                refused(put("/api/jobs/" + UUID.randomUUID(), body), 422)
                        .contains("must lie between the years 1950 and 2100"));
    }

    @Test
    public void aBuildingIsOfferedNoTrucks() {
        ok(get("/api/catalogue"))
                .path("effects")
                .forEach(
                        e -> {
                            boolean building = e.path("kinds").toString().contains("STRUCTURE");
                            boolean wheels =
                                    java.util.List.of("TRUCK_TONES", "WHEEL_FACES", "LOAD")
                                            .contains(e.path("key").asString());
                            assertEquals(building, !wheels, e.toString());
                        });
    }
}
