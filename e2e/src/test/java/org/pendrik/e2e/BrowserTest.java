package org.pendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import org.testng.ITestResult;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;

/** Tests in a browser at a server of their own; what was seen when one fails is kept. */
abstract class BrowserTest {
    private final Supplier<Server> start;
    Server server;
    Browser browser;

    /** At a fresh workshop. */
    BrowserTest() {
        this(() -> Server.start(Server.freshFolder()));
    }

    /**
     * @param start starts the server, with the data that the tests need
     */
    BrowserTest(Supplier<Server> start) {
        this.start = start;
    }

    static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** Opens a list and takes what reads so. */
    static void choose(Locator list, String option) {
        list.click();
        list.page()
                .getByRole(
                        AriaRole.OPTION, new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    @BeforeClass
    public void open() {
        server = start.get();
        browser = new Browser();
    }

    @AfterMethod(alwaysRun = true)
    public void picture(ITestResult result) {
        if (!result.isSuccess() && browser != null) {
            browser.picture(result.getName());
        }
    }

    @AfterClass(alwaysRun = true)
    public void shut() {
        if (browser != null) {
            browser.close();
        }
        if (server != null) {
            server.close();
        }
    }

    /** Begins and logs the step that stands on the bench, until the next one does. */
    static void beginAndDone(Page page) {
        page.keyboard().press(" ");
        assertThat(page.getByText("What you really used")).isVisible();
        String was = page.getByText(Pattern.compile("^step \\d+ of")).textContent();
        page.keyboard().press(" ");
        assertThat(page.getByText(was, new Page.GetByTextOptions().setExact(true))).hasCount(0);
    }
}
