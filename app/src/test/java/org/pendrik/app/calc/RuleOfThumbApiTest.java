package org.pendrik.app.calc;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.pendrik.app.AppTest;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The small answers through the API. */
public class RuleOfThumbApiTest extends AppTest {
    private JsonNode ask(String question, String body) {
        return ok(post("/api/calc/" + question, body));
    }

    @Test
    public void aRatioInDrops() {
        JsonNode a = ask("mix/ratio", MixQuestions.RATIO);
        assertEquals(a.path("drops").path(0).asInt(), 2);
        assertEquals(a.path("drops").path(1).asInt(), 18);
        assertEquals(a.path("worst").asDouble(), 0, 1e-9);
    }

    @Test
    public void alcoholFromAnyStock() {
        JsonNode a = ask("mix/dilute", MixQuestions.DILUTE);
        assertEquals(a.path("stockMl").asString(), "38.46");
        assertEquals(a.path("exact").path(0).asString(), "500/13");
        JsonNode back =
                ask(
                        "mix/dilute",
                        "{\"stockPercent\":\"91\",\"weakPercent\":\"0\",\"stockMl\":\"500/13\",\"weakMl\":\"800/13\"}");
        assertEquals(back.path("percent").asString(), "35");
    }

    @Test
    public void aLengthInEveryScale() {
        JsonNode a = ask("scale", MixQuestions.SCALE);
        assertEquals(a.path("prototype").path("mm").asString(), "12344.4");
        assertEquals(a.path("model").path("mm").asString(), "141.727");
        assertEquals(a.path("others").size(), 11);
        assertEquals(a.path("smallestModelMm").asDouble(), 0.116, 0.001);
        JsonNode back =
                ask(
                        "scale",
                        "{\"length\":\"141.727\",\"on\":\"MODEL\",\"ratio\":\"87.1\",\"viewingMm\":400}");
        assertEquals(back.path("prototype").path("feetInches").asString(), "40′ 6″");
    }

    @Test
    public void blueAndYellowAreGreen() {
        JsonNode a = ask("colour/mix", PaintQuestions.MIX);
        assertTrue(a.path("colour").path("colour").path("a").asDouble() < -10, a.toString());
        assertEquals(a.path("lights").size(), 5);
        assertEquals(a.path("provenance").asString(), "estimated");
    }

    @Test
    public void aRecipeIsProvenAndShowsItsWorking() {
        JsonNode a = ask("colour/recipe", PaintQuestions.RECIPE);
        assertTrue(a.path("deltaE00").asDouble() < 3.5, a.toString());
        assertTrue(a.path("within").asDouble() <= 0.1);
        assertTrue(a.path("parts").size() <= 3);
        assertTrue(a.path("parts").path(0).path("oneMore").asString().length() > 3);
        assertEquals(a.path("lights").path("D65").path("metamerism").asDouble(), 0.0);
    }

    @Test
    public void aFadeIsLighterAndDuller() {
        JsonNode a = ask("colour/film", PaintQuestions.FILM);
        assertTrue(a.path("change").path("deltaL").asDouble() > 2);
        assertTrue(a.path("change").path("deltaC").asDouble() < -1);
    }

    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {
            {"mix/ratio", "{\"parts\":[1],\"wantedMl\":1}", "from two to six"},
            {
                "mix/ratio",
                "{\"parts\":[1,2],\"dropMl\":[0.05],\"wantedMl\":1}",
                "one for each of 2"
            },
            {
                "mix/dilute",
                "{\"stockPercent\":\"70\",\"weakPercent\":\"0\",\"wantedPercent\":\"91\",\"wantedMl\":\"9\"}",
                "0 to 70 %"
            },
            {"mix/dilute", "{\"stockPercent\":\"x\",\"weakPercent\":\"0\"}", "is not a number"},
            {"mix/dilute", "{\"stockPercent\":\"9\",\"weakPercent\":\"0\"}", "Fill in either pair"},
            {
                "mix/flow",
                "{\"run\":0,\"line\":5,\"paintDrops\":1,\"thinnerDrops\":1}",
                "Run (0 mm)"
            },
            {"mix/airbrush", MixQuestions.AIRBRUSH.replace("soot", "glitter"), "fade-mist"},
            {"scale", MixQuestions.SCALE.replace("40ft 6in", "long"), "is not a length"},
            {"scale", MixQuestions.SCALE.replace("87.1", "0"), "Scale (0) must be from 1"},
            {"mix/amount", MixQuestions.AMOUNT.replace("9600", "0"), "Area (0 mm²)"},
            {"scale/wiper", LayoutQuestions.WIPER.replace("12in", "no"), "is not a length"},
            {"scale/tread", LayoutQuestions.TREAD.replace("100 mm", "2 m"), "Tread (22.96"},
            {"scale/spacing", LayoutQuestions.SPACING.replace("600 mm", "20 m"), "Spacing (20000"},
            {"scale/units", LayoutQuestions.UNITS.replace("20", "-3"), "Pressure (-3)"},
            {"colour/mix", PaintQuestions.MIX.replace("flat", "velvet"), "Use gloss"},
            {
                "colour/mix",
                PaintQuestions.MIX.replace("\"drops\": 3", "\"drops\": 0"),
                "Drops of yellow"
            },
            {
                "colour/recipe",
                PaintQuestions.RECIPE.replace("\"mostDrops\": 10", "\"mostDrops\": 90"),
                "to 20"
            },
            {"colour/recipe", PaintQuestions.RECIPE.replace("warm black", "white"), "named twice"},
            {
                "colour/film",
                PaintQuestions.FILM.replace("\"share\": 1", "\"share\": 2"),
                "Share of off-white"
            }
        };
    }

    @Test(dataProvider = "nonsense")
    public void nonsenseIsRefusedInASentence(String question, String body, String says) {
        String detail = refused(post("/api/calc/" + question, body), 422);
        assertTrue(detail.contains(says), detail);
    }
}
