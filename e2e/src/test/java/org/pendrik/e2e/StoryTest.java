package org.pendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import org.pendrik.app.standins.Weathering;
import org.pendrik.core.photo.Point;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/**
 * From an empty workshop to a finished, logged car: once with the mouse, once with the keyboard
 * only.
 */
public class StoryTest extends BrowserTest {
    private boolean begun;

    /** Each story begins in an empty workshop, whichever comes first. */
    @BeforeMethod
    public void anew() {
        if (begun) {
            server.close();
            server = Server.start(Server.freshFolder());
        }
        begun = true;
    }

    private static void putIn(Page page, String label, byte[] file) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(new FilePayload("tip.jpg", "image/jpeg", file));
    }

    @Test
    public void fromAPhotographToAFinishedLoggedCar() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/"));
        page.getByText("Start the first job").click();
        page.getByLabel("What you call it").fill("Peat hopper OVR 3052");
        page.getByLabel("Length in millimetres").fill("0");
        page.getByLabel("Height in millimetres").fill("2600");
        page.getByText("Make the job").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("length as a number above 0");
        page.getByLabel("Length in millimetres").fill("6400");
        page.getByText("Make the job").click();
        assertThat(page.getByText("Put in a photograph of the prototype")).isVisible();

        putIn(page, "Photograph of the prototype", "no picture".getBytes(StandardCharsets.UTF_8));
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("must be a JPEG, PNG or WebP file");
        putIn(page, "Photograph of the prototype", Marking.photograph(Weathering.PROTOTYPE, 5));
        assertThat(page.getByText("Drag the four corners")).isVisible();
        Marking.dragCorners(page);
        assertThat(page.getByText("The left side, flat")).isVisible();
        page.getByText("Mark a grey card").click();
        Marking.kept(page);
        Marking.drag(page, 0.525, 0.26, 0.555, 0.36);
        assertThat(page.getByText("Region 1").first()).isVisible();
        Marking.drag(page, 0.26, 0.24, 0.32, 0.40);
        assertThat(page.getByText("Region 2").first()).isVisible();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("Region 1")))
                .click();
        page.getByText("this is the factory colour").click();
        assertThat(page.getByText("· factory colour").first()).isVisible();
        assertThat(page.getByText(Pattern.compile("ΔE00 \\d")).first()).isVisible();

        for (String effect : List.of("fade", "dark joints", "heavy dry dirt")) {
            page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Note an effect"))
                    .getByText(effect, new Locator.GetByTextOptions().setExact(true))
                    .click();
            assertThat(page.getByLabel(Pattern.compile("^Note on " + effect + "$"))).isVisible();
        }
        page.getByText("On to the make-up").click();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Make the plan").setExact(true))
                .click();
        assertThat(page.getByText("The plan holds")).isVisible();
        assertThat(
                        page.getByRole(
                                AriaRole.IMG,
                                new Page.GetByRoleOptions()
                                        .setName(Pattern.compile("^left side: factory paint"))))
                .isVisible();

        // take the seal out: the engine warns, the mend puts a clear back, undo and all
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("flat seal")))
                .first()
                .click();
        page.getByText("take out", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByText(Pattern.compile("^\\d to watch$"))).isVisible();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Lay flat clear")))
                .first()
                .click();
        assertThat(page.getByText("The plan holds")).isVisible();
        page.keyboard().press("u");
        assertThat(page.getByText(Pattern.compile("^\\d to watch$"))).isVisible();
        page.keyboard().press("m");
        assertThat(page.getByText("The plan holds")).isVisible();

        page.getByRole(
                        AriaRole.NAVIGATION,
                        new Page.GetByRoleOptions().setName("The work on this job"))
                .getByText("Diary")
                .click();
        assertThat(page.getByText("What the time goes into")).isVisible();
        page.keyboard().press("4");
        assertThat(page.getByText("Stop rule")).isVisible();
        int guard = 0;
        while (page.getByText("All steps are done").count() == 0 && guard++ < 12) {
            String step = page.getByText(Pattern.compile("^step \\d+ of")).textContent();
            page.keyboard().press(" ");
            assertThat(page.getByText("What you really used")).isVisible();
            if (guard == 1) {
                page.getByLabel("Note").fill("ran well");
                page.getByRole(AriaRole.HEADING).first().click();
            }
            page.keyboard().press(" ");
            assertThat(page.getByText(step, new Page.GetByTextOptions().setExact(true)))
                    .hasCount(0);
        }
        assertThat(page.getByText("All steps are done")).isVisible();

        page.getByText("Compare", new Page.GetByTextOptions().setExact(true)).click();
        putIn(
                page,
                "Photograph of the model",
                Marking.photograph(new Weathering(0.3, 1, 1, 0, 0, 0), 8));
        assertThat(page.getByText("Drag the four corners")).isVisible();
        Marking.dragCorners(page);
        page.getByText("Mark a grey card").click();
        assertThat(page.getByText("lighter").first()).isVisible();
        page.keyboard().press("d");
        assertThat(page.getByText("hold this one")).isVisible();
        page.keyboard().press("d");
        assertThat(page.getByAltText("Difference map: light is alike, dark is far apart"))
                .isVisible();

        page.keyboard().press("6");
        assertThat(page.getByText("ran well")).isVisible();
        assertThat(page.getByText("at the bench")).isVisible();
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void theSameWithTheKeyboardOnly() {
        Page page = browser.page(1280, 800, "dark");
        // answered from the start: asked for only beside the key, the browser's own chooser can win
        page.onFileChooser(
                chooser ->
                        chooser.setFiles(
                                new FilePayload(
                                        "tip.jpg",
                                        "image/jpeg",
                                        Marking.photograph(Weathering.PROTOTYPE, 9))));
        page.navigate(server.url("/"));
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Today")))
                .isAttached();
        page.keyboard().press("n");
        assertThat(page.getByLabel("What you call it")).isVisible();
        tabTo(page, "What you call it");
        page.keyboard().type("OVR 3053");
        tabTo(page, "Length in millimetres");
        page.keyboard().type("6400");
        tabTo(page, "Height in millimetres");
        page.keyboard().type("2600");
        page.keyboard().press("Enter");
        assertThat(page.getByText("Put in a photograph of the prototype")).isVisible();
        page.keyboard().press("p");
        assertThat(page.getByText("The corners are right")).isVisible();
        tabToRole(page, "Marks of the side");
        for (int i = 0; i < 4; i++) {
            Point start =
                    List.of(
                                    new Point(240, 180),
                                    new Point(1360, 180),
                                    new Point(1360, 720),
                                    new Point(240, 720))
                            .get(i);
            steer(page, Marking.CORNERS.get(i).x() - start.x(), "ArrowRight", "ArrowLeft");
            steer(page, Marking.CORNERS.get(i).y() - start.y(), "ArrowDown", "ArrowUp");
            page.keyboard().press("c");
        }
        assertThat(page.getByText("The left side, flat")).isVisible();
        Marking.kept(page);
        page.keyboard().press("l");
        page.keyboard().press("m");
        assertThat(page.getByText("Region 1").first()).isVisible();
        page.keyboard().press("f");
        assertThat(page.getByText("factory colour").first()).isVisible();
        shiftTabToText(page, "measures");
        choose(page, 2, "follows an edge");
        tabToRole(page, "The side, flat");
        page.keyboard().press("m");
        assertThat(page.getByText("Edge 1").first()).isVisible();
        page.keyboard().press("ArrowDown");
        assertThat(page.getByText("Region moved")).isVisible();
        shiftTabToText(page, "follows an edge");
        choose(page, 2, "shows");
        tabTo(page, "Class of the sample");
        page.keyboard().press("Enter");
        assertThat(page.locator("[role=option][data-highlighted]")).isVisible();
        page.keyboard().type("fresh");
        page.keyboard().press("Enter");
        tabToRole(page, "The side, flat");
        page.keyboard().press("m");
        assertThat(page.getByLabel("Take the sample of fresh rust out")).isVisible();
        page.keyboard().press("ArrowRight");
        assertThat(page.getByText("Sample moved")).isVisible();
        tabToText(page, "heavy dry dirt");
        page.keyboard().press("Enter");
        assertThat(page.getByText("On to the make-up")).isVisible();
        page.keyboard().press("2");
        assertThat(page.getByText("1 effect is noted")).isVisible();
        page.keyboard().press("c");
        assertThat(page.getByText("The plan holds")).isVisible();
        page.keyboard().press("ArrowDown");
        page.keyboard().press("x");
        assertThat(page.getByText(Pattern.compile("^\\d to watch$"))).isVisible();
        page.keyboard().press("u");
        assertThat(page.getByText("The plan holds")).isVisible();
        page.keyboard().press("4");
        assertThat(page.getByText("Stop rule")).isVisible();
        page.keyboard().press(" ");
        assertThat(page.getByText("What you really used")).isVisible();
        page.keyboard().press(" ");
        assertThat(page.getByText("step 2 of 3")).isVisible();
        page.keyboard().press("Escape");
        assertThat(page).hasURL(Pattern.compile(".*/diary"));
        page.keyboard().press("6");
        assertThat(page.getByText("Still to do")).isVisible();
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    private static void steer(Page page, double by, String more, String less) {
        String key = by > 0 ? more : less;
        int left = (int) Math.round(Math.abs(by));
        for (; left >= 10; left -= 10) {
            page.keyboard().press("Shift+" + key);
        }
        for (; left > 0; left--) {
            page.keyboard().press(key);
        }
    }

    private static void tabTo(Page page, String label) {
        tab(
                page,
                "(document.activeElement?.labels?.[0]?.textContent ?? '') + (document.activeElement?.getAttribute('aria-label') ?? '')",
                label);
    }

    private static void tabToRole(Page page, String label) {
        tab(page, "document.activeElement?.getAttribute('aria-label') ?? ''", label);
    }

    private static void tabToText(Page page, String text) {
        tab(page, "document.activeElement?.textContent ?? ''", text);
    }

    /** Goes on among things that exclude each other, and takes the one that is reached. */
    private static void choose(Page page, int further, String what) {
        for (int i = 0; i < further; i++) {
            page.keyboard().press("ArrowRight");
        }
        page.keyboard().press("Enter");
        assertThat(
                        page.getByRole(
                                AriaRole.RADIO,
                                new Page.GetByRoleOptions().setName(what).setExact(true)))
                .isChecked();
    }

    private static void shiftTabToText(Page page, String text) {
        tab(page, "document.activeElement?.textContent ?? ''", text, "Shift+Tab");
    }

    private static void tab(Page page, String what, String wanted) {
        tab(page, what, wanted, "Tab");
    }

    private static void tab(Page page, String what, String wanted, String key) {
        for (int i = 0; i < 90; i++) {
            if (page.evaluate(what).toString().contains(wanted)) {
                return;
            }
            page.keyboard().press(key);
        }
        assertTrue(false, "no way by Tab to " + wanted);
    }
}
