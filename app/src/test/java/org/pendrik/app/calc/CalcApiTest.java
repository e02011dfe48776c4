package org.pendrik.app.calc;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Base64;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.pendrik.app.AppTest;
import org.pendrik.app.Shots;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The engines' questions without a job: whatever is sent, an answer or one clear sentence. */
public class CalcApiTest extends AppTest {
    private static final String SQUARE =
            "{\"corners\":[{\"x\":0,\"y\":0},{\"x\":100,\"y\":0},{\"x\":100,\"y\":50},{\"x\":0,\"y\":50}],"
                    + "\"lengthMm\":2000,\"heightMm\":1000%s}";

    @DataProvider
    public Object[][] nonsense() {
        String film = FilmQuestions.EXAMPLE;
        return new Object[][] {
            {
                "photo/measure",
                PhotoRoomQuestions.MEASURE.replace("\"to\": {\"x\": 2300", "\"to\": {\"x\": 100"),
                "must have two ends"
            },
            {
                "photo/measure",
                PhotoRoomQuestions.MEASURE.replace(
                        "{\"x\": 600, \"y\": 200}, {\"x\": 1200", "{\"x\": 1200"),
                "must have from 3 to 60"
            },
            {
                "photo/compare",
                PhotoRoomQuestions.COMPARE.replace("\"viewingMm\": 800", "\"viewingMm\": 5"),
                "Viewing distance (5 mm)"
            },
            {"photo/rectify", "", "must be JSON"},
            {"photo/rectify", "{", "is not JSON"},
            {"photo/rectify", "[]", "missing or of another type"},
            {"photo/rectify", "{\"corners\":null}", "is missing or of another type"},
            {
                "photo/rectify",
                SQUARE.formatted("").replace("{\"x\":0,\"y\":50}", "null"),
                "is missing or of another type"
            },
            {
                "photo/rectify",
                SQUARE.formatted("").replace(",{\"x\":0,\"y\":50}", ""),
                "four corners"
            },
            {"photo/rectify", SQUARE.formatted(",\"colour\":1"), "is not known here"},
            {"photo/rectify", SQUARE.formatted("").replace("\"x\":100", "\"x\":\"NaN\""), "finite"},
            {
                "photo/rectify",
                SQUARE.formatted("").replace("2000", "1e400"),
                "Field lengthMm (Infinity) must be a finite"
            },
            {
                "photo/rectify",
                SQUARE.formatted(",\"pictureBase64\":\"§\""),
                "Picture (as sent) is not Base64"
            },
            {
                "photo/rectify",
                SQUARE.formatted(",\"pictureBase64\":\"AAAA\""),
                "must be a JPEG, PNG or WebP file"
            },
            {"colour/difference", "{\"reference\":{\"l\":50,\"a\":0,\"b\":0}}", "sample"},
            {
                "colour/difference",
                "{\"reference\":{\"l\":50,\"a\":0,\"b\":\"NaN\"},\"sample\":{\"l\":50,\"a\":0,\"b\":0}}",
                "finite"
            },
            {"film/check", film.replace("grime-wash", "magic"), "Technique (magic) is not known"},
            {
                "film/check",
                film.replace("clear-satin", "glue"),
                "Material (glue) is not on the shelf"
            },
            {"film/check", film.replace("\"NORMAL\"", "\"THICK\""), "missing or of another type"},
            {
                "film/check",
                film.replace("\"humidity\": 0.5", "\"humidity\": 1.32"),
                "Humidity (132 %)"
            },
            {"film/check", film.replace("\"minutes\": 17", "\"minutes\": -17"), "Minutes of seal"},
        };
    }

    @Test(dataProvider = "nonsense")
    public void nonsenseIsNamedInOneSentence(String question, String body, String words) {
        String detail = refused(post("/api/calc/" + question, body), 422);
        assertTrue(detail.contains(words), detail);
    }

    @Test
    public void aPictureComesBackFlatAtTheResolutionAsked() throws IOException {
        var shot = Shots.prototype();
        String corners =
                shot.camera().corners().stream()
                        .map(p -> "{\"x\":" + p.x() + ",\"y\":" + p.y() + "}")
                        .collect(Collectors.joining(","));
        String body =
                "{\"corners\":[%s],\"lengthMm\":6400,\"heightMm\":2600,\"pxPerMm\":%s,\"pictureBase64\":\"%s\"}";
        String file = Base64.getEncoder().encodeToString(shot.jpeg());
        JsonNode out = ok(post("/api/calc/photo/rectify", body.formatted(corners, "0.125", file)));
        var side =
                ImageIO.read(
                        new ByteArrayInputStream(
                                Base64.getDecoder().decode(out.path("sideJpegBase64").asString())));
        assertEquals(side.getWidth(), 800);
        assertEquals(side.getHeight(), 325);
        // the photograph shows about a third of a pixel per mm, and a little less at its far end
        assertEquals(out.path("finestPxPerMm").asDouble(), 0.31, 0.04);
        for (String tooMuch : new String[] {"1000", "0.00001", "-1", "0"}) {
            String detail =
                    refused(
                            post("/api/calc/photo/rectify", body.formatted(corners, tooMuch, file)),
                            422);
            assertTrue(detail.contains("from 1 to 16 million pixels"), detail);
        }
    }

    @Test
    public void aMaskSaysItsPiecesAndItsLines() {
        JsonNode mask = ok(post("/api/calc/photo/mask", PhotoRoomQuestions.MASK));
        assertEquals(mask.path("pieces").size(), 2);
        JsonNode arc = mask.path("pieces").path(1);
        assertEquals(arc.path("name").asString(), "wiper arc");
        for (JsonNode p : arc.path("outline")) {
            double away = Math.hypot(p.path("x").asDouble() - 7, p.path("y").asDouble() - 10);
            assertTrue(away > 3.98 && away < 9.01, "swept from 4 to 9 mm: " + p);
        }
        assertTrue(mask.path("svg").asString().contains("<title>patch</title>"));
        String beside = PhotoRoomQuestions.MASK.replace("\"pivotYMm\": 10", "\"pivotYMm\": 40");
        assertTrue(
                refused(post("/api/calc/photo/mask", beside), 422)
                        .contains("does not reach the pane"));
    }

    @Test
    public void aSideIsMeasuredWithItsEdgesOutlinesAndFades() {
        JsonNode out = ok(post("/api/calc/photo/measure", PhotoRoomQuestions.MEASURE));
        JsonNode body = out.path("regions").get(0);
        assertTrue(body.path("fade").path("deltaE00").asDouble() < 6, body.toString());
        double inBox = body.path("coverPercent").path("FRESH_RUST").asDouble();
        assertTrue(inBox > 1 && inBox < 30, body.toString());
        JsonNode gusset = out.path("regions").get(1);
        assertTrue(gusset.path("colour").path("pixels").asInt() > 100, gusset.toString());
        JsonNode sill = out.path("edges").get(0);
        assertEquals(sill.path("name").asString(), "sill");
        assertTrue(sill.path("wear").path("wornShare").asDouble() > 0, sill.toString());
        JsonNode same = ok(post("/api/calc/photo/compare", PhotoRoomQuestions.COMPARE));
        assertEquals(same.path("medianDeltaE00").asDouble(), 0, 1e-6);
        assertEquals(
                same.path("edges").get(0).path("advice").get(0).path("what").asString(), "STOP");
        for (JsonNode r : same.path("regions")) {
            for (JsonNode g : r.path("gaps")) {
                boolean fine = g.path("plusMinus").asDouble() <= g.path("notSeen").asDouble();
                assertEquals(
                        g.path("verdict").asString(),
                        fine ? "AS_PROTOTYPE" : "CANNOT_TELL",
                        g.toString());
            }
        }
    }

    @Test
    public void aPointBeyondTheHorizonOfTheSideIsRefusedAndNotANumber() {
        String steep =
                "{\"corners\":[{\"x\":0,\"y\":0},{\"x\":100,\"y\":20},{\"x\":100,\"y\":60},{\"x\":0,\"y\":80}],"
                        + "\"lengthMm\":2000,\"heightMm\":1000,\"ask\":[{\"x\":200,\"y\":40}]}";
        String detail = refused(post("/api/calc/photo/rectify", steep), 422);
        assertTrue(detail.contains("200"), detail);
    }

    @Test
    public void aBareSubjectHasNothingAgainstItAndNoSubjectIsRefused() {
        String none = "{\"zones\":[],\"acts\":[],\"celsius\":21,\"humidity\":0.5}";
        String zone = "{\"key\":\"roof\",\"name\":null,\"substrate\":\"BARE\",\"lettering\":false}";
        JsonNode out =
                ok(post("/api/calc/film/check", none.replaceFirst("\\[]", "[" + zone + "]")));
        assertEquals(out.path("findings").size(), 0);
        assertTrue(
                refused(post("/api/calc/film/check", none), 422).contains("must be at least one"));
    }
}
