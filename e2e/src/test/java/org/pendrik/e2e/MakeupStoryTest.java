package org.pendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/**
 * Faults mended with the keyboard, a coat taken back at the bench, another school taken and undone.
 */
public class MakeupStoryTest extends BrowserTest {
    private static final Pattern STOPS = Pattern.compile("^(\\d+ stops?|\\d+ to watch)$");

    public MakeupStoryTest() {
        super(Server::demo);
    }

    private Page makeup(String job) {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/jobs/" + Jobs.id(server, job) + "/makeup"));
        assertThat(page.getByText("A step of your own")).isVisible();
        // whatever another test has left
        page.keyboard().press("c");
        assertThat(page.getByText("Plan made").first()).isVisible();
        assertThat(page.getByText("The plan holds")).isVisible();
        return page;
    }

    /** Goes up to the first step, then down with the arrow until the one wanted is open. */
    private static void open(Page page, String step) {
        Locator open = page.locator("ol li button[aria-expanded=true]");
        for (int i = 0; i < 30; i++) {
            page.keyboard().press("ArrowUp");
        }
        for (int i = 0; i < 30; i++) {
            assertThat(open.first()).isVisible();
            if (open.first().textContent().contains(step)) {
                return;
            }
            page.keyboard().press("ArrowDown");
        }
        assertTrue(false, "no step " + step);
    }

    /** What is opened by a key is a few tabs away, wherever the page was. */
    private static void tabTo(Page page, String text) {
        for (int i = 0; i < 12; i++) {
            page.keyboard().press("Tab");
            if (page.evaluate("document.activeElement?.textContent ?? ''")
                    .toString()
                    .contains(text)) {
                return;
            }
        }
        assertTrue(false, "no way by Tab to " + text);
    }

    private static void takeOut(Page page, String step) {
        open(page, step);
        page.keyboard().press("x");
        assertThat(page.getByText(step + " taken out").first()).isVisible();
    }

    @Test
    public void threeFaultsAreMendedWithTheKeyboardAloneAndUndoneWithOneKey() {
        Page page = makeup("Diesel shunter OVR 14");
        int whole = page.locator("section[aria-labelledby=steps] details > ol > li").count();
        // work on coats that are not there, and glass that nobody covers
        takeOut(page, "pin wash");
        takeOut(page, "rust streak");
        takeOut(page, "mask the windows");
        assertThat(page.getByText(STOPS).first()).isVisible();
        // one mend by itself, then the rest at once
        Locator bad = page.locator("[data-severity=STOP], [data-severity=WARN]");
        int before = bad.count();
        assertTrue(before >= 3, before + " findings");
        page.keyboard().press("m");
        page.waitForCondition(() -> bad.count() < before);
        page.keyboard().press("r");
        assertThat(page.getByText("The plan holds")).isVisible();
        assertThat(page.getByText(Pattern.compile("^Mended: "))).isVisible();
        page.keyboard().press("u");
        assertThat(page.getByText(STOPS).first()).isVisible();
        page.keyboard().press("r");
        assertThat(page.getByText("The plan holds")).isVisible();
        // made anew from the effects it is as it was
        page.keyboard().press("c");
        assertThat(page.getByText("Plan made").first()).isVisible();
        assertThat(page.locator("section[aria-labelledby=steps] details > ol > li"))
                .hasCount(whole);
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void aFaultIsSeenOnTheCoreWhereItHappens() {
        Page page = makeup("Peat hopper OVR 3041");
        takeOut(page, "flat seal");
        open(page, "kiln dust powder");
        // powder on semi-gloss: too slick, drawn on the surface that it meets
        assertThat(page.locator("[data-surface=slick]").first()).isVisible();
        page.keyboard().press("u");
        assertThat(page.getByText("The plan holds")).isVisible();
        assertThat(page.locator("[data-surface=slick]")).hasCount(0);
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void aWayThatIsDaysFasterIsTakenAndUndone() {
        Page page = makeup("Diesel shunter OVR 14");
        Locator steps = page.locator("section[aria-labelledby=steps] details > ol > li");
        List<String> asItWas = steps.allInnerTexts();
        page.keyboard().press("o");
        Locator ways = page.locator("ol[aria-label='Plans beside one another'] > li");
        assertThat(ways.first()).containsText("As you do it now");
        Locator faster =
                ways.filter(
                                new Locator.FilterOptions()
                                        .setHasText(Pattern.compile("days? earlier")))
                        .first();
        assertThat(faster).isVisible();
        Locator take =
                faster.getByRole(
                        AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take this way"));
        for (int i = 0;
                i < 20 && !(boolean) take.evaluate("b => b === document.activeElement");
                i++) {
            page.keyboard().press("Tab");
        }
        page.keyboard().press("Enter");
        page.waitForCondition(() -> !steps.allInnerTexts().equals(asItWas));
        assertThat(page.getByText("The plan holds")).isVisible();
        page.keyboard().press("u");
        page.waitForCondition(() -> steps.allInnerTexts().equals(asItWas));
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void aColdEveningIsAskedAboutOnTheSheet() {
        Page page = makeup("Diesel shunter OVR 14");
        page.keyboard().press("i");
        button(page, "a cold evening").click();
        assertThat(page.getByText(Pattern.compile("^It would be ready .* later at best")))
                .isVisible();
        page.keyboard().press("s");
        assertThat(page.getByLabel("Streaks and rust")).isVisible();
        choose(page.getByLabel("Streaks and rust"), "enamel");
        assertThat(page.getByText("rust streak enamel").first()).isVisible();
        page.locator("h1").click();
        page.keyboard().press("u");
        assertThat(page.getByText("fresh rust oil").first()).isVisible();
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void aStreakTooHeavyIsThinnedAtTheBenchAndLogged() {
        Page page = browser.page(1024, 768, "dark");
        page.navigate(server.url("/jobs/" + Jobs.id(server, "Peat hopper OVR 3041") + "/bench"));
        assertThat(page.getByText("Stop rule")).isVisible();
        page.keyboard().press("b");
        assertThat(page.getByText("Stays untouched")).isVisible();
        tabTo(page, "Do this next");
        page.keyboard().press("Enter");
        assertThat(page.locator("h1")).containsText("take back");
        page.locator("h1").click();
        page.keyboard().press(" ");
        assertThat(page.getByText("What you really used")).isVisible();
        page.keyboard().press(" ");
        assertThat(page.locator("h1")).containsText("draw down");
        page.getByText("Log", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator("details[open] ol li").first()).containsText("take back");
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void aFigureOfOnesOwnIsPutInAndTakenBackOut() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/workshop"));
        Locator touch = page.getByLabel(Pattern.compile("^touch dry, min"));
        assertThat(touch).hasValue("720");
        touch.fill("900");
        button(page, "Use these figures").click();
        assertThat(page.getByText("Own figures: fresh rust oil")).isVisible();
        touch.fill("soon");
        button(page, "Use these figures").click();
        assertThat(page.getByText(Pattern.compile("is not a number"))).isVisible();
        assertThat(touch).hasValue("soon");
        button(page, "Back to the program’s figures").click();
        assertThat(touch).hasValue("720");
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }
}
