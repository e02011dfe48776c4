package org.pendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/**
 * The evenings of the whole workshop: planned together, a day taken out, a step moved, by hand and
 * by keys.
 */
public class DiaryStoryTest extends BrowserTest {
    private static final Pattern SUM =
            Pattern.compile("(\\d+) sittings?, (\\d+) fillings? of the airbrush");

    /** Planning takes some seconds on a machine that does other things as well. */
    private static final double LONG = 60_000;

    public DiaryStoryTest() {
        super(Server::demo);
    }

    private Page diary(int width, int height) {
        Page page = browser.page(width, height, "light");
        page.navigate(server.url("/diary"));
        assertThat(page.getByText(SUM)).isVisible();
        return page;
    }

    private static int effort(Page page) {
        Matcher m = SUM.matcher(page.getByText(SUM).innerText());
        assertTrue(m.find());
        return 2 * Integer.parseInt(m.group(1)) + Integer.parseInt(m.group(2));
    }

    private static void done(Page page, String words) {
        assertThat(page.getByText(words).first())
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(LONG));
    }

    @Test
    public void eveningsArePlannedADayIsTakenOutAndAStepIsMoved() {
        Page page = diary(1280, 800);
        // whatever another test has left
        if (button(page, "let go").isVisible()) {
            button(page, "let go").click();
            done(page, "Each step is as early as it can be.");
        }
        int asItComes = effort(page);
        button(page, "Plan the evenings").click();
        done(page, "The evenings are planned.");
        assertTrue(effort(page) <= asItComes, effort(page) + " instead of " + asItComes);
        page.getByText("How good it is").click();
        assertThat(page.getByText("Dates kept: nothing better exists")).isVisible();
        assertThat(page.getByText(Pattern.compile(", [2-9] models")).first()).isVisible();

        // the day of the last sitting is taken out
        Locator sitting = page.locator("article").last();
        String gone = sitting.locator("h3").innerText();
        button(page, "Not on " + gone).first().click();
        done(page, "That day is taken out.");
        assertThat(page.locator("article h3").filter(new Locator.FilterOptions().setHasText(gone)))
                .hasCount(0);
        assertThat(page.getByText(gone + ": not at the bench")).isVisible();
        button(page, "Plan the evenings").click();
        done(page, "The evenings are planned.");
        button(page, "As in the week").click();
        done(page, "The day is as its week again.");

        // a step can be sent to another sitting
        Locator last = page.locator("article").last();
        last.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Move"))
                .first()
                .click();
        assertThat(page.getByText("To the sitting of")).isVisible();
        button(page, "let go").click();
        done(page, "Each step is as early as it can be.");
        assertEquals(effort(page), asItComes);
    }

    @Test
    public void byKeysAStepIsMovedAndHeld() {
        Page page = diary(1280, 800);
        page.keyboard().press("e");
        done(page, "The evenings are planned.");
        String to = page.locator("article").last().locator("h3").innerText();
        // its window is open: it cannot wait for the last sitting
        sendToTheLastSitting(page, "draw down");
        done(page, "would find no place");
        // nothing presses here
        sendToTheLastSitting(page, "mist fade of Bulkhead flat OVR 511");
        done(page, "This moves:");
        button(page, "Move it there").focus();
        page.keyboard().press("Enter");
        done(page, "is moved and held there.");
        assertThat(
                        page.locator("article")
                                .filter(new Locator.FilterOptions().setHasText(to))
                                .getByText("held here"))
                .isVisible();
        button(page, "Hold mist fade of Bulkhead flat OVR 511 no more").focus();
        page.keyboard().press("Enter");
        done(page, "mist fade is held no more.");
        assertThat(page.getByText("held here")).hasCount(0);
        page.keyboard().press("z");
        assertThat(page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("all")))
                .hasAttribute("data-state", "on");
        button(page, "let go").focus();
        page.keyboard().press("Enter");
        done(page, "Each step is as early as it can be.");
    }

    private static void sendToTheLastSitting(Page page, String step) {
        Locator move =
                page.getByRole(
                                AriaRole.BUTTON,
                                new Page.GetByRoleOptions()
                                        .setName(Pattern.compile("^Move " + step)))
                        .first();
        move.focus();
        page.keyboard().press("Enter");
        assertThat(move).hasAttribute("aria-expanded", "true");
        page.keyboard().press("Tab");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.LISTBOX)).isVisible();
        page.keyboard().press("End");
        page.keyboard().press("Enter");
    }

    /** The calendar is taken, a sitting moved in it, and read back; then it is let go. */
    @Test
    public void aSittingMovedInACalendarIsMovedHere() {
        Page page = diary(1280, 800);
        button(page, "Make a private link").click();
        String link = page.getByLabel("The link, told only now").inputValue();
        String calendar = page.request().get(link).text();
        Matcher last =
                Pattern.compile(
                                "UID:sitting-\\d+-\\d+@pendrik\\r\\n.*\\r\\nDTSTART:(\\d{8})T(\\d{6})Z\\r\\nDTEND:\\d{8}T(\\d{6})Z")
                        .matcher(calendar);
        String day = "";
        String moved = calendar;
        while (last.find()) {
            day = last.group(1);
            String later =
                    LocalDate.parse(day, DateTimeFormatter.BASIC_ISO_DATE)
                            .plusDays(1)
                            .format(DateTimeFormatter.BASIC_ISO_DATE);
            moved =
                    calendar.substring(0, last.start())
                            + last.group().replace(":" + day + "T", ":" + later + "T")
                            + calendar.substring(last.end());
        }
        String heading = page.locator("article").last().locator("h3").innerText();
        page.getByLabel("Whose calendar").fill("Mine");
        page.getByLabel("Its file (.ics)")
                .setInputFiles(
                        new FilePayload(
                                "mine.ics",
                                "text/calendar",
                                moved.getBytes(StandardCharsets.UTF_8)));
        button(page, "Read it in").click();
        done(page, "Mine is read. One sitting was moved in it, and is moved here.");
        assertThat(
                        page.locator("article h3")
                                .filter(new Locator.FilterOptions().setHasText(heading)))
                .hasCount(0);
        // all as it was
        button(page, "Let Mine go").click();
        done(page, "Mine counts no more.");
        button(page, "As in the week").first().click();
        done(page, "The day is as its week again.");
        button(page, "As in the week").first().click();
        assertThat(button(page, "As in the week")).hasCount(0);
        button(page, "End the link").click();
        assertThat(button(page, "End the link")).hasCount(0);
        assertEquals(page.request().get(link).status(), 404);
    }

    @Test
    public void onATelephoneItIsAListByEvening() {
        Page page = diary(390, 844);
        assertThat(page.locator("article").first()).isVisible();
        assertEquals(page.evaluate("document.documentElement.scrollWidth <= innerWidth"), true);
        assertThat(page.locator("svg[role=img]").first()).not().isVisible();
    }
}
