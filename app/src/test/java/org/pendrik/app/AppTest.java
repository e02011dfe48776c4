package org.pendrik.app;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.makeup.FreshSnapshots;
import org.pendrik.app.makeup.JobSnapshots;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.context.annotation.Primary;
import org.springframework.http.MediaType;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.springframework.test.web.servlet.assertj.MockMvcTester;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.springframework.transaction.PlatformTransactionManager;
import org.testng.annotations.AfterMethod;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The application on a fresh data folder, with a clock that the test sets. */
@SpringBootTest
@AutoConfigureMockMvc
@Import(AppTest.TestClock.class)
public abstract class AppTest extends AbstractTestNGSpringContextTests {
    /** A Wednesday, 12:00 UTC. */
    protected static final Instant NOON = Instant.parse("2026-11-25T12:00:00Z");

    @Autowired protected MockMvcTester http;
    @Autowired protected JsonMapper json;
    @Autowired protected SettableClock clock;
    @Autowired protected StatementCount statements;
    @Autowired private FreshSnapshots snapshots;

    /** Whatever a test did, what is kept in memory is what is stored. */
    @AfterMethod
    public void whatIsKeptIsWhatIsStored() {
        snapshots.require();
    }

    @DynamicPropertySource
    static void freshFolder(DynamicPropertyRegistry registry) throws java.io.IOException {
        Path folder = java.nio.file.Files.createTempDirectory("pendrik-test");
        folder.toFile().deleteOnExit();
        registry.add("pendrik.data", folder::toString);
    }

    /** A clock that stands still until it is set. */
    public static final class SettableClock extends Clock {
        private Instant now = NOON;

        /** Sets it. */
        public void set(Instant instant) {
            now = instant;
        }

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return Clock.fixed(now, zone);
        }

        @Override
        public Instant instant() {
            return now;
        }
    }

    @TestConfiguration
    static class TestClock {
        @Bean
        @Primary
        org.pendrik.app.backup.Restart noRestart() {
            return () -> {};
        }

        @Bean
        StatementCount statementCount() {
            return new StatementCount();
        }

        @Bean
        FreshSnapshots freshSnapshots(
                Jobs jobs, JobSnapshots snapshots, PlatformTransactionManager transactions) {
            return new FreshSnapshots(jobs, snapshots, transactions);
        }

        @Bean
        @Primary
        SettableClock settableClock() {
            return new SettableClock();
        }
    }

    protected MvcTestResult get(String path) {
        return http.get().uri(path).header("Host", "127.0.0.1:8420").exchange();
    }

    protected MvcTestResult put(String path, Object body) {
        return http.put()
                .uri(path)
                .header("Host", "127.0.0.1:8420")
                .contentType(MediaType.APPLICATION_JSON)
                .content(body instanceof String s ? s : json.writeValueAsString(body))
                .exchange();
    }

    protected MvcTestResult post(String path, Object body) {
        return http.post()
                .uri(path)
                .header("Host", "127.0.0.1:8420")
                .contentType(MediaType.APPLICATION_JSON)
                .content(body instanceof String s ? s : json.writeValueAsString(body))
                .exchange();
    }

    protected MvcTestResult delete(String path) {
        return http.delete().uri(path).header("Host", "127.0.0.1:8420").exchange();
    }

    /** The body of an answer that has to be a success. */
    protected JsonNode ok(MvcTestResult r) {
        String body = text(r);
        if (r.getResponse().getStatus() >= 300) {
            throw new AssertionError(r.getResponse().getStatus() + ": " + body);
        }
        return json.readTree(body.isEmpty() ? "{}" : body);
    }

    /** The detail of an answer that has to be this refusal. */
    protected String refused(MvcTestResult r, int status) {
        if (r.getResponse().getStatus() != status) {
            throw new AssertionError(
                    r.getResponse().getStatus() + " instead of " + status + ": " + text(r));
        }
        return json.readTree(text(r)).path("detail").asString();
    }

    protected static String text(MvcTestResult r) {
        try {
            return r.getResponse().getContentAsString(java.nio.charset.StandardCharsets.UTF_8);
        } catch (java.io.UnsupportedEncodingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Puts a photograph in. */
    protected MvcTestResult photograph(UUID job, UUID id, String role, byte[] file) {
        return http.put()
                .uri("/api/jobs/" + job + "/photographs/" + id + "?role=" + role)
                .header("Host", "127.0.0.1:8420")
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .content(file)
                .exchange();
    }

    /** Makes a freight car in H0. */
    protected UUID car(String name) {
        UUID id = UUID.randomUUID();
        ok(put("/api/jobs/" + id, draft(name, "6400", "2600", "null")));
        return id;
    }

    protected static String draft(String name, String length, String height, String wanted) {
        return """
        {"name": "%s", "kind": "FREIGHT_CAR", "scaleRatio": 87.1, "lengthMm": %s, "heightMm": %s,
         "substrate": "FACTORY_SEMI_GLOSS", "wantedOn": %s, "note": "", "version": 0}
        """
                .formatted(name, length, height, wanted);
    }

    /** Notes the effects and compiles them. */
    protected JsonNode plan(UUID job, String... kinds) {
        StringBuilder effects = new StringBuilder();
        for (String k : kinds) {
            effects.append(effects.isEmpty() ? "" : ",")
                    .append(
                            """
                            {"id": "%s", "kind": "%s", "zones": ["left-side"], "strength": 2, "tones": [], "note": ""}
                            """
                                    .formatted(UUID.randomUUID(), k));
        }
        int version = ok(get("/api/jobs/" + job + "/study")).path("version").asInt();
        ok(
                put(
                        "/api/jobs/" + job + "/study/effects",
                        "{\"effects\": [" + effects + "], \"version\": " + version + "}"));
        int plan = ok(get("/api/jobs/" + job + "/makeup")).path("version").asInt();
        return ok(post("/api/jobs/" + job + "/makeup/compile", "{\"version\": " + plan + "}"));
    }

    /** A step as the page sends it back. */
    protected ObjectNode draftOf(JsonNode step) {
        ObjectNode d = json.createObjectNode();
        for (String f :
                List.of(
                        "id",
                        "technique",
                        "material",
                        "thickness",
                        "zones",
                        "origin",
                        "reason",
                        "takesBack",
                        "backShare",
                        "madeForEffect",
                        "madeForStep")) {
            d.set(f, step.path(f));
        }
        return d;
    }

    /** The plan as the page sends it back, its steps in another order or fewer of them. */
    protected ObjectNode planDraft(JsonNode makeup, List<Integer> order) {
        ObjectNode body = json.createObjectNode();
        var steps = body.putArray("steps");
        order.forEach(i -> steps.add(draftOf(makeup.path("steps").get(i))));
        body.set("pins", makeup.path("pins"));
        body.put("version", makeup.path("version").asInt());
        return body;
    }

    /** The plan as it is. */
    protected ObjectNode planDraft(JsonNode makeup) {
        return planDraft(makeup, IntStream.range(0, makeup.path("steps").size()).boxed().toList());
    }
}
