package org.pendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Edits go where they are seen: between two jobs, many deep, after a record was read in again. */
public class EditsStoryTest extends BrowserTest {
    private static final String ONE = "Peat hopper OVR 3041";
    private static final String OTHER = "Diesel shunter OVR 14";

    public EditsStoryTest() {
        super(Server::demo);
    }

    private String plan(String job) {
        return server.get("/api/jobs/" + Jobs.id(server, job) + "/makeup")
                .replaceAll("(?s).*\"version\":(\\d+).*", "$1");
    }

    private String study(String job) {
        return server.get("/api/jobs/" + Jobs.id(server, job) + "/study")
                .replaceAll("(?s).*\"version\":(\\d+).*", "$1");
    }

    private static void shown(Page page, String job) {
        assertThat(page.locator("h1").first()).containsText(job);
    }

    private void visit(Page page, String job, String view) {
        // as the browser goes, without loading the page anew
        page.evaluate(
                "path => { const a = document.createElement('a'); a.href = path; document.body.append(a); a.click(); a.remove(); }",
                "/jobs/" + Jobs.id(server, job) + "/" + view);
        page.waitForURL(Pattern.compile(".*/" + view + "$"));
    }

    /**
     * Make-up of one, Make-up of the other, back: what is changed then is the one that is shown.
     */
    @Test
    public void backAndForthBetweenTwoJobsAnEditGoesToTheOneThatIsShown() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/jobs/" + Jobs.id(server, ONE) + "/makeup"));
        shown(page, ONE);
        assertThat(page.getByText("A step of your own")).isVisible();
        visit(page, OTHER, "makeup");
        shown(page, OTHER);
        page.goBack();
        shown(page, ONE);
        assertThat(page.getByText("A step of your own")).isVisible();
        String other = plan(OTHER);
        String one = plan(ONE);
        page.keyboard().press("c");
        assertThat(page.getByText("Plan made").first()).isVisible();
        assertEquals(plan(OTHER), other, "the edit went to the other job");
        assertFalse(plan(ONE).equals(one));
        page.keyboard().press("u");
        assertThat(page.getByText("Taken back: plan made").first()).isVisible();
        // the study: an effect noted after going to the other and back
        visit(page, ONE, "study");
        assertThat(page.getByText("Seen on the prototype")).isVisible();
        visit(page, OTHER, "study");
        shown(page, OTHER);
        page.goBack();
        shown(page, ONE);
        other = study(OTHER);
        one = study(ONE);
        Locator kind =
                page.locator("section[aria-labelledby=effects]")
                        .getByRole(AriaRole.BUTTON)
                        .filter(new Locator.FilterOptions().setHasText("heavy rust"))
                        .first();
        kind.click();
        assertThat(page.getByText(Pattern.compile("noted$")).first()).isVisible();
        assertEquals(study(OTHER), other, "the edit went to the other job");
        assertFalse(study(ONE).equals(one));
        page.keyboard().press("u");
        assertThat(page.getByText(Pattern.compile("^Taken back")).first()).isVisible();
        // the bench shows the job that it was opened with
        visit(page, ONE, "bench");
        assertThat(page.getByText(ONE)).isVisible();
        visit(page, OTHER, "bench");
        assertThat(page.getByText(OTHER)).isVisible();
        page.goBack();
        assertThat(page.getByText(ONE)).isVisible();
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void tenEditsInTwoViewsAreTakenBackOneByOne() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/jobs/" + Jobs.id(server, OTHER) + "/makeup"));
        assertThat(page.getByText("A step of your own")).isVisible();
        Locator steps = page.locator("section[aria-labelledby=steps] details > ol > li");
        List<String> asItWas = steps.allInnerTexts();
        int all = steps.count();
        for (int i = 0; i < 8; i++) {
            int left = steps.count();
            page.keyboard().press("ArrowDown");
            page.locator("ol li button[aria-expanded=true]").first().waitFor();
            page.keyboard().press("x");
            assertThat(steps).hasCount(left - 1);
        }
        visit(page, OTHER, "study");
        for (int i = 0; i < 2; i++) {
            page.locator("section[aria-labelledby=effects]")
                    .getByRole(AriaRole.BUTTON)
                    .filter(
                            new Locator.FilterOptions()
                                    .setHasText(i == 0 ? "heavy rust" : "light edges"))
                    .first()
                    .click();
            assertThat(page.getByText(Pattern.compile("noted$")).first()).isVisible();
        }
        visit(page, OTHER, "makeup");
        for (int i = 0; i < 10; i++) {
            page.keyboard().press("u");
            assertThat(page.getByText(Pattern.compile("^Taken back")).first()).isVisible();
            page.getByText(Pattern.compile("^Taken back"))
                    .first()
                    .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.VISIBLE));
            page.waitForTimeout(50);
        }
        assertThat(steps).hasCount(all);
        page.waitForCondition(() -> steps.allInnerTexts().equals(asItWas));
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    /** The copy keeps the ids of its steps: lists that hold both jobs tell them apart. */
    @Test
    public void anEditAsksOnlyForWhatItsAnswerDidNotSay() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/jobs/" + Jobs.id(server, OTHER) + "/makeup"));
        assertThat(page.getByText("A step of your own")).isVisible();
        assertThat(page.getByText("Drying rail").first()).isVisible();
        page.keyboard().press("ArrowDown");
        page.locator("ol li button[aria-expanded=true]").first().waitFor();
        List<String> asked = new ArrayList<>();
        page.onRequest(
                r -> {
                    if (r.url().contains("/api/")) {
                        asked.add(r.method() + r.url().replaceFirst(".*/jobs/[^/]+", ""));
                    }
                });
        page.waitForResponse(r -> r.url().endsWith("/diary"), () -> page.keyboard().press("x"));
        page.waitForLoadState(LoadState.NETWORKIDLE);
        assertEquals(asked, List.of("PUT/makeup", "GET/diary"));
        page.waitForResponse(r -> r.url().endsWith("/diary"), () -> page.keyboard().press("u"));
        assertThat(page.getByText("Taken back").first()).isVisible();
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void todayIsDrawnAfterARecordWasReadInAgain() throws IOException, InterruptedException {
        String record = server.get("/api/jobs/" + Jobs.id(server, ONE) + "/record");
        for (int i = 0; i < 2; i++) {
            assertEquals(server.send("POST", "/api/records", record).statusCode(), 200);
        }
        Page page = browser.page(1280, 800, "light");
        for (String path : List.of("/", "/jobs", "/shelf")) {
            page.navigate(server.url(path));
            assertThat(page.locator("h1").first()).isAttached();
            assertThat(page.getByText("Loading …")).hasCount(0);
            assertThat(page.getByText("could not be drawn")).hasCount(0);
        }
        page.navigate(server.url("/"));
        assertThat(page.getByText(ONE).first()).isVisible();
        // the page counts by the clock of the server, whatever day it is here
        assertThat(page.getByText(Pattern.compile("the window of the fresh rust oil closed")))
                .hasCount(0);
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    /** A backup made on the page, something changed, the backup put back. */
    @Test
    public void aBackupIsMadeAndPutBackOnThePage() throws IOException, InterruptedException {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/workshop"));
        // what is reckoned from now moves on meanwhile, so it is not compared
        List<String> paths = List.of("jobs", "shelf", "recipes", "workshop", "schools");
        List<String> before = paths.stream().map(p -> StorageTest.whole(server, p)).toList();
        button(page, "Make a backup now").click();
        assertThat(page.getByText("was read back whole")).isVisible();
        Locator kept = page.getByLabel("Backups that are kept").getByRole(AriaRole.LISTITEM);
        assertThat(kept).hasCount(1);
        button(page, "Look through the photographs").click();
        assertThat(page.getByText("Every photograph is as it was put in").first()).isVisible();
        assertEquals(
                server.send(
                                "PUT",
                                "/api/jobs/" + java.util.UUID.randomUUID(),
                                Writers.draft("Too late"))
                        .statusCode(),
                200);
        button(page, "Put it back").first().click();
        assertThat(page.getByText("The whole workshop becomes")).isVisible();
        button(page, "Put it back").last().click();
        page.waitForURL(server.url("/"), new Page.WaitForURLOptions().setTimeout(60_000));
        assertThat(page.getByText(ONE).first()).isVisible();
        for (int i = 0; i < paths.size(); i++) {
            String after = StorageTest.whole(server, paths.get(i));
            assertFalse(after.contains("Too late"));
            StorageTest.same(paths.get(i), after, before.get(i));
        }
        assertTrue(
                browser.errors().stream()
                        .allMatch(
                                e -> e.contains("ERR_CONNECTION") || e.contains("Failed to load")));
        page.context().close();
    }
}
