package org.pendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import java.util.List;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Each main view of the demonstration: it shows what it is for, is accessible, fits the screen, and
 * logs no error.
 */
public class ViewsTest extends BrowserTest {
    private String hopper;

    public ViewsTest() {
        super("--pendrik.demo=true");
    }

    @BeforeClass
    public void find() {
        hopper = Jobs.id(server, "Peat hopper OVR 3041");
    }

    @DataProvider
    public Object[][] views() {
        return new Object[][] {
            {"Today", "/", "Draw down the fresh rust oil"},
            {"Jobs", "/jobs", "Brackwater kiln house"},
            {"New job", "/jobs/new", "Make the job"},
            {"Workshop", "/workshop", "Bench time of a week"},
            {"Study", "/jobs/J/study", "where the plate came off"},
            {"Make-up", "/jobs/J/makeup", "The plan holds"},
            {"Diary", "/jobs/J/diary", "What the time goes into"},
            {"Bench", "/jobs/J/bench", "Stop while the upper end of the streak still shows."},
            {"Compare", "/jobs/J/compare", "as the prototype"},
            {"Record", "/jobs/J/record", "Seen on the prototype"},
        };
    }

    @Test(dataProvider = "views")
    public void showsWhatItIsForAndIsAccessible(String name, String path, String words) {
        for (String surround : List.of("light", "dark")) {
            Page page = browser.page(1280, 800, surround);
            page.navigate(server.url(path.replace("J", hopper)));
            assertThat(page.getByText(words).first()).isVisible();
            page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
            var violations =
                    new AxeBuilder(page)
                            .withTags(List.of("wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"))
                            .analyze()
                            .getViolations();
            assertEquals(
                    violations.stream()
                            .map(
                                    v ->
                                            v.getId()
                                                    + ": "
                                                    + v.getNodes().stream()
                                                            .map(n -> n.getHtml())
                                                            .limit(3)
                                                            .toList())
                            .toList(),
                    List.of(),
                    name + " in " + surround);
            page.context().close();
        }
        assertEquals(browser.errors(), List.of(), name);
    }

    @Test(dataProvider = "views")
    public void fitsATelephone(String name, String path, String words) {
        Page page = browser.page(390, 844, "light");
        page.navigate(server.url(path.replace("J", hopper)));
        assertThat(page.getByText(words).first()).isAttached();
        page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
        int wide = ((Number) page.evaluate("document.documentElement.scrollWidth")).intValue();
        assertTrue(wide <= 391, name + " is " + wide + " px wide");
        page.context().close();
    }

    @Test
    public void aClockSurvivesAReload() {
        Page page = browser.page(1024, 768, "light");
        page.navigate(server.url("/jobs/" + hopper + "/bench"));
        String window =
                page.getByText("from today", new Page.GetByTextOptions().setExact(false))
                        .first()
                        .textContent();
        page.reload();
        assertEquals(page.getByText("from today").first().textContent(), window);
        page.context().close();
    }

    @Test
    public void anAddressWithNothingBehindItSaysSo() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/jobs/00000000-0000-0000-0000-000000000000/study"));
        assertThat(page.getByText("The job is not there.").first()).isVisible();
        page.navigate(server.url("/nowhere"));
        assertThat(page.getByText("There is nothing at this address")).isVisible();
        browser.errors();
        page.context().close();
    }

    @Test
    public void theKeyCardShowsTheKeysOfTheView() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/jobs/" + hopper + "/makeup"));
        assertThat(page.getByText("The plan holds")).isVisible();
        page.keyboard().press("?");
        assertThat(page.getByRole(com.microsoft.playwright.options.AriaRole.DIALOG))
                .containsText("Make the first mend");
        page.keyboard().press("Escape");
        page.keyboard().press("3");
        assertThat(page).hasURL(java.util.regex.Pattern.compile(".*/diary"));
        page.context().close();
    }
}
