package org.pendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/**
 * An evening at the bench with the keyboard alone: two tones of rust in one sitting and a third
 * round, a wash wiped in rounds, chipping in warm water when cold no longer gets through, glass
 * cleaned while the dirt still comes off.
 */
public class BenchStoryTest extends BrowserTest {
    private String call(String method, String path, String json) {
        try {
            HttpResponse<String> r = server.send(method, path, json);
            assertTrue(r.statusCode() < 300, path + ": " + r.body());
            return r.body();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String field(String json, String name) {
        Matcher m = Pattern.compile("\"" + name + "\":\"?([^\",}]*)").matcher(json);
        assertTrue(m.find(), name + " in " + json);
        return m.group(1);
    }

    private UUID job(String name, String kind, double scale, double length, String schools) {
        UUID id = UUID.randomUUID();
        call(
                "PUT",
                "/api/jobs/" + id,
                """
                {"name": "%s", "kind": "%s", "scaleRatio": %s, "lengthMm": %s, "heightMm": 2600,
                 "substrate": "FACTORY_FLAT", "wantedOn": null, "note": "", "version": 0}
                """
                        .formatted(name, kind, scale, length));
        if (!schools.isEmpty()) {
            String version = field(call("GET", "/api/jobs/" + id + "/makeup", ""), "version");
            call(
                    "POST",
                    "/api/jobs/" + id + "/makeup/choose",
                    "{\"schools\": " + schools + ", \"version\": " + version + "}");
        }
        return id;
    }

    private void plan(UUID job, String effects) {
        String study = call("GET", "/api/jobs/" + job + "/study", "");
        Matcher v = Pattern.compile("\"version\":(\\d+)}?$").matcher(study);
        String version = v.find() ? v.group(1) : field(study, "version");
        call(
                "PUT",
                "/api/jobs/" + job + "/study/effects",
                "{\"effects\": [" + effects + "], \"version\": " + version + "}");
        Matcher m =
                Pattern.compile("\"planVersion\":(\\d+)")
                        .matcher(call("GET", "/api/jobs/" + job, ""));
        assertTrue(m.find());
        call("POST", "/api/jobs/" + job + "/makeup/compile", "{\"version\": " + m.group(1) + "}");
    }

    private static String effect(String kind, String... zones) {
        return """
        {"id": "%s", "kind": "%s", "zones": ["%s"], "strength": 2, "tones": [], "note": ""}
        """
                .formatted(UUID.randomUUID(), kind, String.join("\", \"", zones));
    }

    /** Logs the steps up to one, each so long before now. */
    private void loggedUpTo(UUID job, String technique, Duration... before) {
        for (Duration ago : before) {
            String bench = call("GET", "/api/jobs/" + job + "/bench", "");
            String step = bench.substring(bench.indexOf("\"step\":{"));
            Instant end = Instant.parse(field(bench, "now")).minus(ago);
            call(
                    "PUT",
                    "/api/jobs/" + job + "/log/" + UUID.randomUUID(),
                    """
                    {"stepId": "%s", "material": "%s", "startedAt": "%s", "finished": true, "finishedAt": "%s",
                     "note": "", "photographId": null, "version": 0}
                    """
                            .formatted(
                                    field(step, "id"),
                                    field(step, "material"),
                                    end.minusSeconds(600),
                                    end));
        }
        String next = call("GET", "/api/jobs/" + job + "/bench", "");
        assertTrue(
                next.substring(next.indexOf("\"step\":{")).contains(technique),
                technique + " is not next in " + next);
    }

    private Page bench(UUID job) {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/jobs/" + job + "/bench"));
        assertThat(page.getByText("Stop rule")).isVisible();
        return page;
    }

    private static void tabTo(Page page, String css) {
        for (int i = 0; i < 40; i++) {
            page.keyboard().press("Tab");
            Object there =
                    page.evaluate(
                            "css => document.activeElement === document.querySelector(css)", css);
            if (Boolean.TRUE.equals(there)) {
                return;
            }
        }
        throw new AssertionError("no way by Tab to " + css);
    }

    private static void tabToText(Page page, String text) {
        for (int i = 0; i < 40; i++) {
            page.keyboard().press("Tab");
            if (page.evaluate("document.activeElement?.textContent?.trim() ?? ''").equals(text)) {
                return;
            }
        }
        throw new AssertionError("no way by Tab to " + text);
    }

    @Test
    public void twoTonesOfRustInOneSittingAndAThirdRound() {
        UUID job = job("Two tones", "FREIGHT_CAR", 87.1, 6400, "");
        plan(job, effect("RUST_SPOTS", "left-side"));
        Page page = bench(job);
        assertThat(page.locator("h1")).containsText("rust spots");
        beginAndDone(page);
        assertThat(page.locator("h1")).containsText("dark dots");
        // the clock of the first tone runs, and nothing stands against the second
        assertThat(page.getByRole(com.microsoft.playwright.options.AriaRole.TIMER).first())
                .isVisible();
        assertThat(page.getByText("✕ Stop.")).hasCount(0);
        beginAndDone(page);
        // both coats are told; a button that is busy would be passed over by Tab
        Locator again = page.getByText("Another round");
        assertThat(again).hasCount(2);
        assertThat(again.first()).isEnabled();
        tabToText(page, "Another round");
        page.keyboard().press("Enter");
        assertThat(page.locator("h1")).containsText("rust spots");
        page.locator("h1").evaluate("h => document.activeElement?.blur()");
        beginAndDone(page);
        assertThat(page.locator("h1")).containsText("blend the spots");
        assertThat(page.getByText("✕ Stop.")).hasCount(0);
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void aWashIsLaidAndWipedInRoundsZoneByZone() {
        UUID job = job("Rounds", "FREIGHT_CAR", 43.5, 12000, "");
        plan(
                job,
                effect(
                        "GRIME",
                        "roof",
                        "left-side",
                        "right-side",
                        "a-end",
                        "b-end",
                        "sill",
                        "doors",
                        "underframe",
                        "running-board"));
        Page page = bench(job);
        assertThat(page.getByText(Pattern.compile("^Round 1 of 3"))).isVisible();
        Locator lines = page.locator("section[aria-label='Zone by zone'] li");
        assertThat(lines).hasCount(9);
        boolean wiped = false;
        for (int i = 0; i < 18; i++) {
            Locator button = page.locator("button.sticky");
            String now = button.textContent();
            wiped |= now.contains(" done");
            if (now.contains(" done")) {
                // each zone that lies has a clock of its own
                assertThat(lines.locator("[role=timer]").first()).isVisible();
            }
            page.keyboard().press(" ");
            page.waitForCondition(() -> button.count() == 0 || !button.textContent().equals(now));
        }
        assertTrue(wiped);
        assertThat(page.locator("h1")).containsText("final flat");
        // the last zone taken back with one key
        page.keyboard().press("u");
        assertThat(page.locator("h1")).containsText("wipe the grime back");
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void afterFourHoursWarmWaterStillGetsThrough() {
        UUID job = job("Warm water", "FREIGHT_CAR", 87.1, 6400, "{\"chips\": \"release\"}");
        plan(job, effect("CHIPS", "left-side"));
        loggedUpTo(
                job,
                "chip with water",
                Duration.ofHours(60),
                Duration.ofHours(54),
                Duration.ofHours(5),
                Duration.ofHours(4));
        Page page = bench(job);
        assertThat(page.getByText(Pattern.compile("no longer gets through"))).isVisible();
        String liquid = "[aria-haspopup=listbox]";
        tabTo(page, liquid);
        page.keyboard().press("Enter");
        page.keyboard().press("ArrowDown");
        page.keyboard().press("Enter");
        assertThat(page.locator(liquid).first()).hasAttribute("data-value", "water-warm");
        assertThat(page.getByText(Pattern.compile("no longer gets through"))).hasCount(0);
        page.locator("h1").evaluate("h => document.activeElement?.blur()");
        beginAndDone(page);
        assertThat(page.locator("h1")).containsText("final flat");
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void glassIsCleanedWhileTheDirtComesOff() {
        UUID job = job("Glass", "LOCOMOTIVE", 87.1, 9000, "{\"windows\": \"clean\"}");
        plan(job, effect("WINDOWS", "windows") + "," + effect("DUST", "left-side", "windows"));
        loggedUpTo(job, "clean the glass", Duration.ofHours(3), Duration.ofHours(2));
        Page page = bench(job);
        assertThat(page.locator("h1")).containsText("clean the glass");
        assertThat(page.getByText("✕ Stop.")).hasCount(0);
        beginAndDone(page);
        assertThat(page.getByText("All steps are done")).isVisible();
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }
}
