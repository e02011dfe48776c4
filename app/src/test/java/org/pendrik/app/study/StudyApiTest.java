package org.pendrik.app.study;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.UUID;
import org.pendrik.app.AppTest;
import org.pendrik.app.sides.Side;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.core.photo.Point;
import org.pendrik.core.plan.EffectKind;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class StudyApiTest extends AppTest {
    @Autowired private StudyMapper mapper;

    @Test
    public void regionsAndEffectsComeBackAsTheyWereStored() {
        UUID job = car("Mapped study");
        JobRegion region =
                new JobRegion(UUID.randomUUID(), "panel", null, 1.5, 2, 300, 400.25, true);
        JobRegion edge =
                new JobRegion(
                        UUID.randomUUID(),
                        "top edge",
                        "roof",
                        Side.A_END,
                        RegionRole.EDGE,
                        1,
                        2,
                        300,
                        1,
                        false,
                        List.of(new Point(1, 2), new Point(301, 2)),
                        UUID.randomUUID());
        mapper.addRegion(job, StudyMapper.Row.of(region), 0);
        mapper.addRegion(job, StudyMapper.Row.of(edge), 1);
        assertEquals(
                mapper.regions(job).stream().map(StudyMapper.Row::region).toList(),
                List.of(region, edge));
        JobEffect effect =
                JobEffect.seen(
                        UUID.randomUUID(),
                        EffectKind.DUST,
                        new ZoneKeys(List.of("sill", "trucks")),
                        3,
                        null,
                        "low");
        JobEffect other =
                JobEffect.seen(
                        UUID.randomUUID(),
                        EffectKind.FADE,
                        new ZoneKeys(List.of("roof")),
                        1,
                        "fade-buff",
                        "");
        mapper.addEffect(job, effect, 1);
        mapper.addEffect(job, other, 0);
        assertEquals(mapper.effects(job), List.of(other, effect));
        assertEquals(mapper.effects(job).get(1).effect().tones().materials(), List.of());
        mapper.clearEffects(job);
        assertEquals(mapper.effects(job), List.of());
    }

    private static String region(String name, String rest) {
        return "{\"id\":\""
                + UUID.randomUUID()
                + "\",\"name\":\""
                + name
                + "\",\"zoneKey\":null,\"side\":\"LEFT\",\"role\":\"MEASURE\",\"outline\":[],"
                + rest
                + "}";
    }

    @DataProvider
    public Object[][] regions() {
        String good = "\"xMm\":10,\"yMm\":10,\"widthMm\":100,\"heightMm\":100,\"factory\":true";
        return new Object[][] {
            {
                region(
                        "out",
                        "\"xMm\":6000,\"yMm\":10,\"widthMm\":900,\"heightMm\":100,\"factory\":false"),
                "must lie on the side of 6400 × 2600 mm"
            },
            {
                region(
                        "flat",
                        "\"xMm\":10,\"yMm\":10,\"widthMm\":0,\"heightMm\":100,\"factory\":false"),
                "Region flat (0 mm) must be from 1"
            },
            {
                region("bow", good)
                        .replace(
                                "\"outline\":[]",
                                "\"outline\":[{\"x\":10,\"y\":10},{\"x\":110,\"y\":110},"
                                        + "{\"x\":110,\"y\":10},{\"x\":10,\"y\":110}]"),
                "Outline of bow (edges 1 and 3) must not cross each other"
            },
            {region("", good), "Region name (empty)"},
            {region("a", good) + "," + region("b", good), "can be only one region"},
            {
                region("z", good).replace("\"zoneKey\":null", "\"zoneKey\":\"wings\""),
                "Zone (wings) is not part of this subject"
            },
        };
    }

    @Test(dataProvider = "regions")
    public void regionsThatCannotBeAreRefused(String regions, String words) {
        UUID job = car("Bad regions");
        String detail =
                refused(
                        put(
                                "/api/jobs/" + job + "/study/regions",
                                "{\"regions\":[" + regions + "],\"version\":1}"),
                        422);
        assertTrue(detail.contains(words), detail);
        assertEquals(ok(get("/api/jobs/" + job + "/study")).path("regions").size(), 0);
    }

    @Test
    public void aSideWithoutASizeIsNamedAsTheSubjectHasIt() {
        String gable =
                region(
                                "door",
                                "\"xMm\":10,\"yMm\":10,\"widthMm\":100,\"heightMm\":100,\"factory\":false")
                        .replace("LEFT", "A_END");
        UUID house = UUID.randomUUID();
        ok(
                put(
                        "/api/jobs/" + house,
                        draft("House", "9000", "6000", "null")
                                .replace("FREIGHT_CAR", "STRUCTURE")
                                .replace("FACTORY_SEMI_GLOSS", "PRIMED")));
        for (var it : java.util.Map.of(car("Car"), "A end", house, "left gable").entrySet()) {
            String said =
                    refused(
                            put(
                                    "/api/jobs/" + it.getKey() + "/study/regions",
                                    "{\"regions\":[" + gable + "],\"version\":1}"),
                            422);
            assertTrue(said.startsWith("Region door (on the " + it.getValue() + ")"), said);
        }
    }

    private static String effect(String part) {
        return "{\"effects\":[{\"id\":\""
                + UUID.randomUUID()
                + "\","
                + part
                + ",\"note\":\"\"}],\"version\":1}";
    }

    @DataProvider
    public Object[][] effects() {
        return new Object[][] {
            {
                "\"kind\":\"FADE\",\"zones\":[],\"strength\":2,\"tones\":[]",
                "must be on at least one zone"
            },
            {
                "\"kind\":\"FADE\",\"zones\":[\"roof\"],\"strength\":0,\"tones\":[]",
                "Strength of fade (0) must be from 1 to 3"
            },
            {"\"kind\":\"FADE\",\"zones\":[\"wings\"],\"strength\":2,\"tones\":[]", "Zone (wings)"},
            {
                "\"kind\":\"FADE\",\"zones\":[\"roof\"],\"strength\":2,\"tones\":[\"decal-film\"]",
                "does not make fade"
            },
            {
                "\"kind\":\"FADE\",\"zones\":[\"roof\"],\"strength\":2,\"tones\":[\"moonshine\"]",
                "Material (moonshine) is not on the shelf"
            },
        };
    }

    @Test(dataProvider = "effects")
    public void effectsThatCannotBeAreRefused(String part, String words) {
        UUID job = car("Bad effects");
        String detail = refused(put("/api/jobs/" + job + "/study/effects", effect(part)), 422);
        assertTrue(detail.contains(words), detail);
    }

    @Test
    public void anOvertakenStudyIsNotOverwritten() {
        UUID job = car("Overtaken");
        String body = effect("\"kind\":\"FADE\",\"zones\":[\"roof\"],\"strength\":2,\"tones\":[]");
        ok(put("/api/jobs/" + job + "/study/effects", body));
        assertTrue(
                refused(put("/api/jobs/" + job + "/study/effects", body), 409)
                        .contains("The study was changed"));
    }
}
