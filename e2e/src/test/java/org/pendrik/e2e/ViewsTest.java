package org.pendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import java.util.List;
import java.util.regex.Pattern;
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
        super(Server::demo);
    }

    @BeforeClass
    public void find() {
        hopper = Jobs.id(server, "Peat hopper OVR 3041");
    }

    @DataProvider
    public Object[][] views() {
        return new Object[][] {
            {"Today", "/", "Draw down: fresh rust oil"},
            {"Jobs", "/jobs", "Brackwater kiln house"},
            {"Evenings", "/diary", "Jobs under one clock"},
            {"New job", "/jobs/new", "Make the job"},
            {"Workshop", "/workshop", "Bench time of a week"},
            {"Shelf", "/shelf", "sleeper brown"},
            {"Mixing table", "/shelf?l=44&a=12&b=18", "Find the best recipe"},
            {"Rule of thumb", "/thumb", "Flow test"},
            {"Study", "/jobs/J/study", "where the plate came off"},
            {"Make-up", "/jobs/J/makeup", "The plan holds"},
            {"Diary", "/jobs/J/diary", "What the time goes into"},
            {"Bench", "/jobs/J/bench", "Stop while the upper end of the streak still shows."},
            {"Compare", "/jobs/J/compare", "as the prototype"},
            {"Record", "/jobs/J/record", "Seen on the prototype"},
        };
    }

    @Test(dataProvider = "views")
    public void showsWhatItIsForIsAccessibleAndFitsATelephone(
            String name, String path, String words) {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url(path.replace("J", hopper)));
        assertThat(page.getByText(words).first()).isVisible();
        page.waitForLoadState(LoadState.NETWORKIDLE);
        for (String surround : List.of("light", "dark", "grey")) {
            assertThat(page.locator("html")).hasAttribute("data-theme", surround);
            assertEquals(violations(page), List.of(), name + " in " + surround);
            page.keyboard().press("v");
        }
        page.setViewportSize(390, 844);
        assertThat(page.getByText(words).first()).isAttached();
        int wide = ((Number) page.evaluate("document.documentElement.scrollWidth")).intValue();
        assertTrue(wide <= 391, name + " is " + wide + " px wide");
        page.context().close();
        assertEquals(browser.errors(), List.of(), name);
    }

    /** A tablet that thinks itself elsewhere shows the hours of the workshop. */
    @Test
    public void timesAreThoseOfTheWorkshopOnEveryDevice() {
        for (String path : List.of("/", "/jobs/J/diary", "/jobs/J/record")) {
            String here = text(path, Moment.OF_THIS_RUN.zone());
            assertTrue(here.matches("(?s).*\\d\\d:\\d\\d.*"), path + " says no time: " + here);
            for (String zone : List.of("Pacific/Auckland", "America/Los_Angeles")) {
                String there = text(path, zone);
                // a minute may go by between the looks
                for (int again = 0; again < 3 && !there.equals(here); again++) {
                    here = text(path, Moment.OF_THIS_RUN.zone());
                    there = text(path, zone);
                }
                assertEquals(there, here, path + " in " + zone);
            }
        }
    }

    private String text(String path, String zone) {
        Page page = browser.page(1280, 800, "light", zone);
        page.navigate(server.url(path.replace("J", hopper)));
        page.waitForLoadState(LoadState.NETWORKIDLE);
        assertThat(page.locator("h1").first()).isVisible();
        assertThat(page.getByText(Pattern.compile("^loading", Pattern.CASE_INSENSITIVE)))
                .hasCount(0);
        // but for what is counted down
        String all = page.locator("main").innerText().replaceAll("\\d+:\\d\\d:\\d\\d", "");
        page.context().close();
        return all;
    }

    private static List<String> violations(Page page) {
        return new AxeBuilder(page)
                        .setLegacyMode(true) // there are no frames to put together
                        .withTags(List.of("wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"))
                        .analyze()
                        .getViolations()
                        .stream()
                        .map(
                                v ->
                                        v.getId()
                                                + ": "
                                                + v.getNodes().stream()
                                                        .map(n -> n.getHtml())
                                                        .limit(3)
                                                        .toList())
                        .toList();
    }

    private static final java.util.regex.Pattern WINDOW =
            java.util.regex.Pattern.compile("^from (today|yesterday) ");

    @Test
    public void hoursAreCountedToTwelveWhereThatIsWanted() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/workshop"));
        Locator evening = page.getByLabel("WEDNESDAY from").first();
        assertThat(evening).hasText("19:00");
        page.getByText("7:00 PM", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(evening).hasText(Pattern.compile("^0?7:00\\sPM\\s*$"));
        page.reload();
        assertThat(evening).hasText(Pattern.compile("^0?7:00\\sPM\\s*$"));
        // what is typed there is taken for what it says
        Locator half = evening.getByRole(AriaRole.SPINBUTTON).nth(2);
        half.click();
        page.keyboard().press("ArrowUp");
        assertThat(evening).hasText(Pattern.compile("^0?7:00\\sAM\\s*$"));
        page.getByText("19:00", new Page.GetByTextOptions().setExact(true)).first().click();
        assertThat(evening).hasText("07:00");
        page.getByText("7:00 PM", new Page.GetByTextOptions().setExact(true)).click();
        page.navigate(server.url("/jobs/" + hopper + "/diary"));
        assertThat(page.getByText(Pattern.compile("\\d:\\d\\d [AP]M")).first()).isVisible();
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void aClockSurvivesAReload() {
        Page page = browser.page(1024, 768, "light");
        page.navigate(server.url("/jobs/" + hopper + "/bench"));
        String window =
                // just after midnight it opened yesterday
                page.getByText(WINDOW).first().textContent();
        page.reload();
        assertEquals(page.getByText(WINDOW).first().textContent(), window);
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
        // what is in focus first is the card, so that a slip switches nothing off
        page.keyboard().press("Space");
        assertThat(page.getByLabel("Single letters do something")).isChecked();
        page.keyboard().press("Escape");
        page.keyboard().press("3");
        assertThat(page).hasURL(java.util.regex.Pattern.compile(".*/diary"));
        page.context().close();
    }
}
