package org.pendrik.app.workshop;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.lang.reflect.Proxy;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import javax.sql.DataSource;
import org.pendrik.app.AppTest;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.PlatformTransactionManager;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The settings of the workshop: kept whole, or refused with the reason. */
public class WorkshopApiTest extends AppTest {
    @Autowired private Workshops workshops;
    @Autowired private WorkshopMapper mapper;
    @Autowired private ApplicationEventPublisher events;
    @Autowired private PlatformTransactionManager transactions;
    @Autowired private DataSource database;

    private ObjectNode settings() {
        return (ObjectNode) ok(get("/api/workshop"));
    }

    @Test
    public void aFreshWorkshopHasEveningsAndASaturday() {
        JsonNode w = settings();
        assertTrue(w.path("benchTime").size() >= 1);
        assertTrue(w.path("celsius").asDouble() > 0);
    }

    /** A folder in which nothing was ever started. */
    private void forget() {
        JdbcTemplate sql = new JdbcTemplate(database);
        sql.update("delete from bench_time");
        sql.update("delete from workshop");
    }

    /** Stores two stretches of bench time, then the processor stands still. */
    private WorkshopMapper cutOff() {
        AtomicInteger stretches = new AtomicInteger();
        return (WorkshopMapper)
                Proxy.newProxyInstance(
                        WorkshopMapper.class.getClassLoader(),
                        new Class<?>[] {WorkshopMapper.class},
                        (_, method, args) -> {
                            if (method.getName().equals("addBenchTime")
                                    && stretches.incrementAndGet() > 2) {
                                throw new IllegalStateException("cut off");
                            }
                            return method.invoke(mapper, args);
                        });
    }

    @Test
    public void aFirstStartThatIsCutOffLeavesNoHalfOfAWorkshop() {
        try {
            forget();
            Workshops first = new Workshops(cutOff(), events, transactions);
            expectThrows(IllegalStateException.class, first::afterSingletonsInstantiated);
            assertNull(mapper.find());
        } finally {
            workshops.afterSingletonsInstantiated();
        }
        assertEquals(settings().path("benchTime").size(), 6);
    }

    @Test
    public void oneThatWasLeftWithoutItsBenchTimeIsMadeWhole() {
        forget();
        mapper.insert(new Workshop("My workshop", "Europe/Berlin", 21, 0.5, 600, List.of(), 0));
        mapper.addBenchTime(Workshops.usualBenchTime().getFirst());
        workshops.afterSingletonsInstantiated();
        assertEquals(settings().path("benchTime").size(), 6);
    }

    @Test
    public void whoHasTakenAllBenchTimeAwayIsNotGivenAny() {
        ObjectNode none = settings();
        none.putArray("benchTime");
        ok(put("/api/workshop", none.toString()));
        workshops.afterSingletonsInstantiated();
        assertEquals(settings().path("benchTime").size(), 0);
        forget();
        workshops.afterSingletonsInstantiated();
    }

    @Test
    public void eachAnswerNamesTheZoneOfTheWorkshop() {
        ObjectNode before = settings();
        try {
            ok(put("/api/workshop", settings().put("zoneId", "Australia/Sydney").toString()));
            assertEquals(zone(), "Australia/Sydney");
            refused(
                    put("/api/workshop", settings().put("zoneId", "Ostrel/Brackwater").toString()),
                    422);
            assertEquals(zone(), "Australia/Sydney");
        } finally {
            ok(
                    put(
                            "/api/workshop",
                            settings().put("zoneId", before.path("zoneId").asString()).toString()));
        }
        assertEquals(zone(), before.path("zoneId").asString());
    }

    private String zone() {
        return String.valueOf(get("/api/jobs").getResponse().getHeader("Pendrik-Zone"));
    }

    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {
            {"name", "\"\"", "Workshop name"},
            {"name", "\"" + "x".repeat(121) + "\"", "must have from 1 to 120 letters"},
            {"zoneId", "\"Ostrel/Brackwater\"", "Time zone (Ostrel/Brackwater) is not known"},
            {"celsius", "-3", "Temperature (-3 °C) must be from 0 to 45 °C"},
            {"humidity", "1.2", "Humidity (120 %)"},
            {"viewingMm", "20", "Viewing distance (20 mm) must be from 100 to 5000 mm"},
            {
                "benchTime",
                "[{\"weekday\":\"MONDAY\",\"fromTime\":\"21:00\",\"untilTime\":\"19:00\"}]",
                "must end after it begins"
            },
            {
                "benchTime",
                "[{\"weekday\":\"MONDAY\",\"fromTime\":\"19:00\",\"untilTime\":\"21:00\"},"
                        + "{\"weekday\":\"MONDAY\",\"fromTime\":\"20:00\",\"untilTime\":\"22:00\"}]",
                "must not overlap"
            },
            {
                "benchTime",
                "[{\"weekday\":\"FUNDAY\",\"fromTime\":\"19:00\",\"untilTime\":\"21:00\"}]",
                "benchTime[0].weekday"
            },
            {"benchTime", "null", "benchTime"},
        };
    }

    @Test(dataProvider = "nonsense")
    public void nonsenseIsNamedAndTheOldSettingsStay(String field, String value, String words) {
        JsonNode before = settings();
        ObjectNode changed = settings();
        changed.set(field, json.readTree(value));
        String detail = refused(put("/api/workshop", changed.toString()), 422);
        assertTrue(detail.contains(words), detail);
        assertEquals(settings(), before);
    }

    @Test
    public void settingsThatAnotherWindowChangedAreNotOverwritten() {
        ObjectNode one = settings();
        ObjectNode two = settings();
        one.put("viewingMm", 450);
        two.put("viewingMm", 900);
        ok(put("/api/workshop", one.toString()));
        assertTrue(
                refused(put("/api/workshop", two.toString()), 409)
                        .contains("The workshop was changed"));
        assertEquals(settings().path("viewingMm").asInt(), 450);
    }
}
