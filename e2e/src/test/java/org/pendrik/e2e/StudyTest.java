package org.pendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.core.photo.Raster;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/**
 * What Study has beside marking and measuring: what a photograph shows, paper and blade, the keys.
 */
public class StudyTest extends BrowserTest {
    private String study;

    public StudyTest() {
        super(Server::demo);
    }

    @BeforeClass
    public void find() {
        study = server.url("/jobs/" + Jobs.id(server, "Peat hopper OVR 3041") + "/study");
    }

    private Page study() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(study);
        assertThat(page.getByText("where the plate came off").first()).isVisible();
        return page;
    }

    private void done(Page page) {
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    private static Locator summary(Page page, String words) {
        return page.locator("summary").filter(new Locator.FilterOptions().setHasText(words));
    }

    /** A red disc on nothing. */
    private static byte[] sign() {
        Raster sign = Raster.empty(200, 100);
        for (int y = 0; y < 100; y++) {
            for (int x = 0; x < 200; x++) {
                boolean on = Math.hypot((x - 100) / 80.0, (y - 50) / 40.0) < 1;
                sign.argb()[y * 200 + x] = on ? 0xffcc0000 : 0;
            }
        }
        return Pictures.png(sign);
    }

    private static String read(Download d) {
        try {
            return Files.readString(d.path());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    public void whatAPhotographShowsIsSaidAndTakenBack() {
        Page page = study();
        summary(page, "2400 × 1350").click();
        page.getByLabel("Caption").fill("Brackwater, low sun");
        page.getByLabel("Caption").blur();
        assertThat(button(page, "Brackwater, low sun")).isVisible();
        page.getByLabel("Taken on").fill("2019-05-02");
        page.getByLabel("Taken on").blur();
        assertThat(summary(page, "taken 2019-05-02")).isVisible();
        button(page, "Undo").last().click();
        assertThat(summary(page, "date not known")).isVisible();
        page.keyboard().press("u");
        assertThat(button(page, "Brackwater tip, evening")).isVisible();
        done(page);
    }

    @Test
    public void twoThingsAreSaidOfAPhotographWithoutWaiting() {
        Page page = study();
        summary(page, "2400 × 1350").click();
        page.getByLabel("Caption").fill("Low sun");
        page.getByLabel("a sister car: to learn from, not to match").check();
        assertThat(page.getByText("∥ Low sun")).isVisible();
        for (int i = 0; i < 2; i++) {
            page.keyboard().press("u");
        }
        assertThat(button(page, "Brackwater tip, evening")).isVisible();
        done(page);
    }

    @Test
    public void aBuildingHasAFrontAndGablesAndNoTrucks() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/jobs/" + Jobs.id(server, "Brackwater kiln house") + "/study"));
        Locator sides = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Side"));
        assertThat(sides.getByRole(AriaRole.RADIO))
                .hasText(
                        new String[] {
                            "Front", "Back", "Left gable", "Right gable", "Roof", "Detail"
                        });
        assertThat(page.getByText(Pattern.compile("truck", Pattern.CASE_INSENSITIVE))).hasCount(0);
        done(page);
    }

    @Test
    public void aPhotographOfAnotherSideGoesThereAndComesBack() {
        Page page = study();
        summary(page, "2400 × 1350").click();
        choose(page.getByLabel("Shows the"), "right side");
        assertThat(page.getByText("Put in a photograph of the prototype")).isVisible();
        button(page, "Undo").last().click();
        assertThat(button(page, "Brackwater tip, evening")).isVisible();
        done(page);
    }

    /** The marks of a photograph go on after something else about it was changed. */
    @Test
    public void marksAreKeptAfterTheCaptionWasChanged() {
        Page page = study();
        summary(page, "2400 × 1350").click();
        page.getByLabel("Caption").fill("At noon");
        page.getByLabel("Caption").blur();
        assertThat(button(page, "At noon")).isVisible();
        page.getByRole(AriaRole.APPLICATION).first().focus();
        page.keyboard().press("ArrowRight");
        Marking.kept(page);
        page.keyboard().press("u");
        page.keyboard().press("u");
        assertThat(button(page, "Brackwater tip, evening")).isVisible();
        done(page);
    }

    @Test
    public void changesAreTakenBackFromAnotherPage() {
        Page page = study();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^4 ")))
                .click();
        for (String name : List.of("ten", "eleven")) {
            page.getByLabel("Name of region 4").fill(name);
            page.getByLabel("Name of region 4").blur();
            assertThat(page.getByText(name, new Page.GetByTextOptions().setExact(true)).first())
                    .isVisible();
        }
        page.keyboard().press("3");
        assertThat(page.getByText("What the time goes into")).isVisible();
        for (int i = 0; i < 2; i++) {
            page.keyboard().press("u");
            assertThat(page.getByText("Taken back: region named")).isVisible();
            page.getByLabel("Close this message").click();
        }
        page.keyboard().press("1");
        assertThat(page.getByText("below rib 3").first()).isVisible();
        done(page);
    }

    @Test
    public void theSizeOfASideIsTakenBackWhileAnotherIsShown() {
        Page page = study();
        page.getByText("6400 × 2600 mm").click();
        page.getByLabel("Length, mm").fill("6500");
        button(page, "Keep the size").click();
        assertThat(page.getByText("6500 × 2600 mm")).isVisible();
        page.getByText("Roof", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByText("How large is the roof")).isVisible();
        page.keyboard().press("u");
        assertThat(page.getByText("Taken back: size of the left side kept")).isVisible();
        assertThat(page.getByText("How large is the roof")).isVisible();
        page.getByText(Pattern.compile("^Left side")).first().click();
        assertThat(page.getByText("6400 × 2600 mm")).isVisible();
        done(page);
    }

    @Test
    public void whatCannotBeCutIsSaidInsteadOfSaved() {
        Page page = study();
        page.getByLabel("Kerf, mm").fill("3");
        Locator cut =
                page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("to cut, 1:1")));
        cut.click();
        assertThat(page.getByText("must be from 0 to 1 mm")).isVisible();
        page.getByLabel("Kerf, mm").fill("0.2");
        Download mask = page.waitForDownload(cut::click);
        assertTrue(read(mask).contains("mm\" viewBox"));
        assertThat(page.getByText("must be from 0 to 1 mm")).hasCount(0);
        browser.errors();
        page.context().close();
    }

    @Test
    public void theWiperArcIsSeenOnItsPaneBeforeItIsCut() {
        Page page = study();
        summary(page, "Wiper arc").click();
        Locator arc =
                page.getByRole(
                        AriaRole.IMG,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^The pane")));
        assertThat(arc).isVisible();
        String before = arc.locator("path").first().getAttribute("d");
        page.getByLabel("Sweep to °").fill("60");
        assertThat(arc.locator("path").first()).not().hasAttribute("d", before);
        page.getByLabel("Sweep to °").fill("-60");
        assertThat(page.getByText("It must end after it begins.")).isVisible();
        assertThat(arc).hasCount(0);
        page.getByLabel("Sweep to °").fill("40");
        assertThat(arc.locator("path").first()).hasAttribute("d", before);
        Download cut = page.waitForDownload(() -> button(page, "Wiper arc, 1:1 (SVG)").click());
        assertEquals(cut.suggestedFilename(), "wiper.svg");
        assertTrue(read(cut).contains("<title>wiper arc</title>"));
        browser.errors();
        page.context().close();
    }

    @Test
    public void artworkIsFittedPrintedAndTakenOut() {
        Page page = study();
        summary(page, "Artwork for a panel").click();
        choose(page.getByLabel("Fitted to"), "patch for the number");
        page.getByLabel("Artwork", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(new FilePayload("sign.png", "image/png", sign()));
        assertThat(page.getByText("on patch for the number")).isVisible();
        Download sheet =
                page.waitForDownload(
                        () -> button(page, "Print with its white outline (PDF)").click());
        assertEquals(sheet.suggestedFilename(), "artwork.pdf");
        page.getByLabel("Take sign.png out").click();
        assertThat(page.getByText("on patch for the number")).hasCount(0);
        button(page, "Undo").last().click();
        assertThat(page.getByText("on patch for the number")).isVisible();
        page.getByLabel("Artwork", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(new FilePayload("notes.png", "image/png", new byte[] {1, 2, 3}));
        assertThat(page.getByRole(AriaRole.ALERT).first()).isVisible();
        assertThat(page.getByText("notes.png")).hasCount(0);
        browser.errors();
        page.context().close();
    }

    @Test
    public void anOutlineGoesCornerByCornerWithTheKeys() {
        Page page = study();
        Marking.verb(page, "cuts a piece").click();
        Marking.cornered(page).focus();
        page.keyboard().press(" ");
        page.keyboard().press("l");
        page.keyboard().press("m");
        for (String way : List.of("ArrowRight", "ArrowDown")) {
            for (int i = 0; i < 3; i++) {
                page.keyboard().press("Shift+" + way);
            }
            page.keyboard().press("m");
        }
        page.keyboard().press("Enter");
        assertThat(page.getByText("2 pieces to cut, 1:1 (SVG)")).isVisible();
        done(page);
    }
}
