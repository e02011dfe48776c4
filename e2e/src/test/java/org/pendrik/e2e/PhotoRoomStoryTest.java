package org.pendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.awt.geom.Rectangle2D;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.pendrik.app.standins.HopperSide;
import org.pendrik.app.standins.Weathering;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.Point;
import org.testng.annotations.Test;

/**
 * Three photographs in, measures, effects proposed, plan compiled, a progress photograph compared,
 * the advice followed.
 */
public class PhotoRoomStoryTest extends BrowserTest {
    private static final Weathering NO_RUST = new Weathering(1, 0.9, 0.8, 0, 0.9, 0);
    private static final Weathering RUSTED = new Weathering(1, 0.9, 0.8, 1, 0.9, 0);

    /** Drags over a place of the flat side, at least four pixels wide. */
    private static void dragOver(Page page, Rectangle2D mm) {
        double least = 4 / Marking.side(page).boundingBox().width;
        double x0 = mm.getMinX() / HopperSide.LENGTH_MM;
        double x1 = mm.getMaxX() / HopperSide.LENGTH_MM;
        double widen = Math.max(0, least - (x1 - x0)) / 2;
        Marking.drag(
                page,
                x0 - widen,
                mm.getMinY() / HopperSide.HEIGHT_MM,
                x1 + widen,
                mm.getMaxY() / HopperSide.HEIGHT_MM);
    }

    private static FilePayload photograph(String name, Weathering w, long seed) {
        return new FilePayload(name, "image/jpeg", Marking.photograph(w, seed));
    }

    private static void sample(Page page, WeatherClass kind, Rectangle2D mm, int count) {
        choose(page.getByLabel("Class of the sample"), kind.label());
        dragOver(page, mm);
        assertThat(page.getByLabel(Pattern.compile("^Take the sample of .* out$"))).hasCount(count);
    }

    /** The light is evened out by the sampled paint, and can be left as it fell. */
    private static void lightIsEvenedOut(Page page) {
        Locator light =
                page.getByRole(
                        AriaRole.GROUP, new Page.GetByRoleOptions().setName("Light over the side"));
        Locator fell = light.getByText("as it fell");
        assertThat(light.locator("..").getByText(Pattern.compile("told by the paint|is even")))
                .isVisible();
        fell.click();
        assertThat(light.locator("..").getByText("in the light as it fell")).isVisible();
        light.getByText("evened out").click();
        assertThat(light.locator("..").getByText(Pattern.compile("told by the paint|is even")))
                .isVisible();
    }

    private Page study() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/jobs/new"));
        page.getByLabel("What you call it").fill("Peat hopper OVR 3052");
        page.getByLabel("Length in millimetres").fill("6400");
        page.getByLabel("Height in millimetres").fill("2600");
        page.getByText("Make the job").click();
        assertThat(page.getByText("Put in a photograph of the prototype")).isVisible();
        return page;
    }

    @Test
    public void fromThreePhotographsToFollowedAdvice() {
        Page page = study();
        page.getByLabel("Photograph of the prototype", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(
                        new FilePayload[] {
                            photograph("sister.jpg", NO_RUST, 3),
                            photograph("evening.jpg", RUSTED, 5),
                            photograph("tip.jpg", RUSTED, 6)
                        });
        assertThat(button(page, "tip.jpg")).isVisible();

        // the sister car is told apart, the corners are set once and taken over
        button(page, "sister.jpg").click();
        page.locator("summary")
                .filter(new Locator.FilterOptions().setHasText("1600 × 900"))
                .click();
        page.getByLabel("a sister car: to learn from, not to match").check();
        assertThat(page.getByText("∥ sister.jpg")).isVisible();
        button(page, "evening.jpg").click();
        Marking.dragCorners(page);
        page.getByText("Mark a grey card").click();
        Marking.kept(page);
        button(page, "tip.jpg").click();
        button(page, "Find the corners").click();
        assertThat(page.getByText("Proposed. Drag what is off, then keep them.")).isVisible();
        button(page, "Corners as on the other").click();
        button(page, "The corners are right").press("Enter");
        Marking.kept(page);
        assertThat(page.locator("[role=application]").first()).isFocused();
        page.getByText("Mark a grey card").click();
        Marking.kept(page);
        assertThat(page.getByText("The left side, flat")).isVisible();
        // two of the prototype itself: the first one measures the side until another is chosen
        assertThat(page.getByText("evening.jpg measures this side")).isVisible();
        button(page, "Let this one measure it").click();
        assertThat(page.getByText("2 photographs of this side are joined")).isVisible();

        measure(page);
        countedOnTheOther(page);
        overlay(page);
        edge(page);
        outline(page);

        // from measure to plan
        page.getByText("Read effects out of the measures").click();
        assertThat(page.getByAltText(Pattern.compile("^Evidence")).first()).isVisible();
        assertThat(page.getByText(Pattern.compile("fresh rust covers")).first()).isVisible();
        button(page, "Take these as effects").click();
        assertThat(page.getByText("Everything that the measures show is noted below.")).isVisible();
        page.getByText("On to the make-up").click();
        button(page, "Make the plan").click();
        assertThat(page.getByText("The plan holds")).isVisible();

        // the model before the rust: the advice names the step
        page.keyboard().press("5");
        putModel(page, "before.jpg", NO_RUST, 8);
        assertThat(page.getByText("Still to come here: rust streak.").first()).isVisible();
        assertThat(page.getByText("laid over by its edges")).isVisible();
        assertThat(page.getByText(Pattern.compile("^worn along the edge 0.0 % on the model")))
                .isVisible();

        // followed at the bench, photographed again
        page.keyboard().press("4");
        work(page);
        page.getByText("Compare", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByText("laid over by its edges")).isVisible();
        putModel(page, "after.jpg", RUSTED, 9);
        assertThat(page.getByText("Still to come here: rust streak.")).hasCount(0);
        assertThat(page.getByText(Pattern.compile("after .*rust streak"))).isVisible();
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    /** A factory colour, a body, lettering left out, four samples. */
    private static void measure(Page page) {
        dragOver(page, new Rectangle2D.Double(3345, 660, 220, 290));
        assertThat(page.getByText("Region 1").first()).isVisible();
        dragOver(page, new Rectangle2D.Double(460, 130, 1900, 1010));
        assertThat(page.getByText("Region 2").first()).isVisible();
        choose(page.getByLabel("Zone of region 2"), "left side");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("Region 1")))
                .click();
        page.getByText("this is the factory colour").click();
        assertThat(page.getByText("· factory colour").first()).isVisible();
        Marking.verb(page, "leaves out").click();
        dragOver(page, new Rectangle2D.Double(2400, 340, 1680, 250));
        assertThat(page.getByText("is left out of every measure")).isVisible();
        Marking.verb(page, "shows").click();
        Map<WeatherClass, Rectangle2D> places = HopperSide.clearPlaces();
        sample(page, WeatherClass.PAINT, places.get(WeatherClass.PAINT), 1);
        sample(page, WeatherClass.FRESH_RUST, places.get(WeatherClass.FRESH_RUST), 2);
        sample(page, WeatherClass.GRIME, places.get(WeatherClass.GRIME), 3);
        sample(page, WeatherClass.DUST, places.get(WeatherClass.DUST), 4);
        lightIsEvenedOut(page);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("Region 2")))
                .click();
        assertThat(
                        page.getByRole(
                                AriaRole.ROWHEADER,
                                new Page.GetByRoleOptions().setName("fresh rust")))
                .isVisible();
    }

    /**
     * A region of the joined photographs counts on one of them, and on the other one when asked.
     */
    private static void countedOnTheOther(Page page) {
        Locator on =
                page.getByRole(
                        AriaRole.GROUP,
                        new Page.GetByRoleOptions().setName("Counts as measured on"));
        assertThat(on.getByRole(AriaRole.RADIO)).hasCount(2);
        Locator evening =
                on.getByRole(
                        AriaRole.RADIO,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("^evening.jpg")));
        assertThat(evening).not().isChecked();
        evening.check();
        assertThat(page.getByText("counts on another photograph")).isVisible();
        on.getByRole(
                        AriaRole.RADIO,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("^tip.jpg")))
                .check();
        assertThat(page.getByText("counts on another photograph")).hasCount(0);
    }

    /** The overlay answers to a counter-sample, and paper can be had. */
    private static void overlay(Page page) {
        button(page, "dust").click();
        Locator picture = page.locator("[role=application] svg").nth(1).locator("image");
        assertThat(picture).hasAttribute("href", Pattern.compile("class\\?kind=DUST"));
        String before = picture.getAttribute("href");
        choose(page.getByLabel("What it really shows"), "something else");
        dragOver(page, new Rectangle2D.Double(1300, 1950, 300, 300));
        assertThat(picture).not().hasAttribute("href", before);
        assertThat(page.getByText("What is taken for dust keeps its colour")).isVisible();
        // dusty wheels are too like rust and dust to be something else: it says so, and is taken
        // back
        assertThat(page.getByText("cannot be told apart here").first()).isVisible();
        page.getByLabel("Take the sample of something else out").click();
        assertThat(page.getByText("cannot be told apart here")).hasCount(0);
        button(page, "dust").click();
        Download card =
                page.waitForDownload(
                        () -> page.getByText("Bench sheet at model scale (PDF)").click());
        assertEquals(card.suggestedFilename(), "bench-sheet.pdf");
        assertTrue(card.failure() == null, card.failure());
    }

    /** The rib's worn edge, drawn across what is measured. */
    private static void edge(Page page) {
        Marking.verb(page, "follows an edge").click();
        dragOver(page, new Rectangle2D.Double(460, 250, 1880, 1));
        assertThat(page.getByText(Pattern.compile("^worn on \\d"))).isVisible();
        choose(page.getByLabel(Pattern.compile("^Zone of region")), "left side");
    }

    /** A piece to cut that is no box: three corners, the last taken back, and closed. */
    private static void outline(Page page) {
        Marking.verb(page, "cuts a piece").click();
        Marking.cornered(page).check();
        var box = Marking.side(page).boundingBox();
        for (double[] p : new double[][] {{0.6, 0.2}, {0.7, 0.22}, {0.68, 0.5}, {0.9, 0.9}}) {
            page.mouse().click(box.x + p[0] * box.width, box.y + p[1] * box.height);
        }
        page.getByText("take the last corner back").click();
        page.getByText("close the outline").click();
        assertThat(page.getByText("is cut as a piece")).isVisible();
        Download mask =
                page.waitForDownload(() -> page.getByText("The piece to cut, 1:1 (SVG)").click());
        assertEquals(mask.suggestedFilename(), "mask.svg");
        Marking.cornered(page).uncheck();
    }

    /** A clipboard holds a photograph as an old print shows it: grey, under no name. */
    private static void pastePrint(Page page, byte[] jpeg) {
        page.evaluate(
                """
                async (base64) => {
                    const picture = new Image();
                    picture.src = `data:image/jpeg;base64,${base64}`;
                    await picture.decode();
                    const canvas = document.createElement('canvas');
                    canvas.width = picture.width;
                    canvas.height = picture.height;
                    const paper = canvas.getContext('2d');
                    paper.filter = 'grayscale(1)';
                    paper.drawImage(picture, 0, 0);
                    const blob = await new Promise((done) => canvas.toBlob(done, 'image/png'));
                    const held = new DataTransfer();
                    held.items.add(new File([blob], 'image.png', { type: 'image/png' }));
                    document.body.dispatchEvent(
                        new ClipboardEvent('paste', { clipboardData: held, bubbles: true }));
                }
                """,
                Base64.getEncoder().encodeToString(jpeg));
    }

    /**
     * The only photograph of the prototype is an old print: marks are measured on it, hue is not;
     * the model's own samples tell its marks.
     */
    @Test
    public void marksOfAPastedPrintAgainstSamplesOfTheModel() {
        Page page = study();
        pastePrint(page, Marking.photograph(RUSTED, 5));
        assertThat(page.getByText(Pattern.compile("^pasted \\d"))).isVisible();
        Marking.dragCorners(page);
        dragOver(page, new Rectangle2D.Double(460, 130, 1900, 1010));
        assertThat(page.getByText("The photograph is without colour")).isVisible();
        assertThat(page.getByText("· no hue").first()).isVisible();
        Marking.verb(page, "shows").click();
        Map<WeatherClass, Rectangle2D> places = HopperSide.clearPlaces();
        sample(page, WeatherClass.PAINT, places.get(WeatherClass.PAINT), 1);
        sample(page, WeatherClass.GRIME, places.get(WeatherClass.GRIME), 2);
        assertThat(page.getByRole(AriaRole.ROWHEADER, new Page.GetByRoleOptions().setName("grime")))
                .isVisible();

        page.keyboard().press("5");
        putModel(page, "model.jpg", NO_RUST, 8);
        assertThat(page.getByText("one of the two is without colour")).isVisible();
        // a photograph in colour is not sorted by samples of grey ones
        assertThat(page.getByText("Nothing is sampled")).isVisible();
        sample(page, WeatherClass.PAINT, places.get(WeatherClass.PAINT), 1);
        sample(page, WeatherClass.GRIME, places.get(WeatherClass.GRIME), 2);
        assertThat(page.getByText("Nothing is sampled")).hasCount(0);
        assertThat(page.getByText("told by the samples picked here")).isVisible();
        assertThat(page.getByText("judge the hue by eye").first()).isAttached();
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    /** Drags what lies in the middle of the photograph to a place in its pixels. */
    private static void dragFromMiddle(Page page, Point to) {
        var box = page.locator("[role=application] svg").first().boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse()
                .move(
                        box.x + to.x() / 1600 * box.width,
                        box.y + to.y() / 900 * box.height,
                        new Mouse.MoveOptions().setSteps(4));
        page.mouse().up();
    }

    /** Four known points locate a side without its corners; lettering tells its light. */
    @Test
    public void aSideWithoutCornersAndWithoutACard() {
        Page page = study();
        page.getByLabel("Photograph of the prototype", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(photograph("tip.jpg", RUSTED, 5));
        Locator stage = page.locator("[role=application]").first();
        assertThat(stage).isFocused();
        button(page, "Not all corners are in it").click();
        assertThat(page.getByText("Chosen: nothing yet")).isVisible();
        double[][] mm = {{0, 0}, {6400, 0}, {6400, 2600}, {0, 2600}};
        for (int i = 0; i < 4; i++) {
            // by key, who adds a mark goes on by moving it
            page.getByText("Add a known point").press("Enter");
            assertThat(stage).isFocused();
            dragFromMiddle(page, Marking.CORNERS.get(i));
            String point = "Known point " + (i + 1) + ", mm from the ";
            page.getByLabel(point + "left").fill(String.valueOf((int) mm[i][0]));
            page.getByLabel(point + "left").blur();
            page.getByLabel(point + "top").fill(String.valueOf((int) mm[i][1]));
            page.getByLabel(point + "top").blur();
            if (i == 1) {
                assertThat(page.getByText("Still to be marked: two lines that are level"))
                        .isVisible();
            }
        }
        assertThat(page.getByText("Located by what is known on it")).isVisible();
        assertThat(page.getByText("Nothing tells the light")).isVisible();
        page.getByText("or white lettering").click();
        assertThat(page.getByText("White lettering takes the light out")).isVisible();
        dragOver(page, new Rectangle2D.Double(460, 130, 1900, 1010));
        assertThat(page.getByText("Region 1").first()).isVisible();

        // no region shows the factory colour: it is typed, and taken back
        assertThat(page.getByText("Not known yet")).isVisible();
        button(page, "Say what it is").click();
        choose(page.getByLabel("What the factory colour is"), "a colour that I type");
        page.getByLabel("or sRGB").fill("#3f5c45");
        button(page, "That is the factory colour").click();
        assertThat(page.getByText("than the factory colour")).isVisible();
        button(page, "Another one").click();
        choose(page.getByLabel("What the factory colour is"), "a region, marked on the photograph");
        assertThat(page.getByText("Not known yet")).isVisible();
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    /** Counts presses, fields and files as the page is told of them. */
    private static final String COUNT =
            """
            window.actions = 0;
            addEventListener('pointerdown', () => window.actions++, true);
            addEventListener('change', (event) => {
                if (['text', 'number', 'date', 'file'].includes(event.target.type)) window.actions++;
            }, true);
            addEventListener('keydown', (event) => {
                if (!(event.target instanceof HTMLInputElement)) window.actions++;
            }, true);
            """;

    private static final int MOST_ACTIONS = 30;

    /**
     * What it takes from nothing to a verdict on the first region: two photographs, two samples.
     */
    @Test
    public void fromANewJobToAComparedModelInThirtyActions() {
        Page page = browser.page(1280, 800, "light");
        page.addInitScript(COUNT);
        page.navigate(server.url("/jobs/new"));
        page.getByLabel("What you call it").fill("Peat hopper OVR 3053");
        page.getByLabel("Length in millimetres").fill("6400");
        page.getByLabel("Height in millimetres").fill("2600");
        page.getByText("Make the job").click();
        page.getByLabel("Photograph of the prototype", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(photograph("tip.jpg", RUSTED, 5));
        Marking.dragCorners(page);
        page.getByText("Mark a grey card").click();
        Marking.kept(page);
        dragOver(page, new Rectangle2D.Double(3345, 660, 220, 290));
        page.getByText("this is the factory colour").click();
        assertThat(page.getByText("· factory colour").first()).isVisible();
        dragOver(page, new Rectangle2D.Double(460, 130, 1900, 1010));
        assertThat(page.getByText("Region 2").first()).isVisible();
        Marking.verb(page, "shows").click();
        Map<WeatherClass, Rectangle2D> places = HopperSide.clearPlaces();
        sample(page, WeatherClass.PAINT, places.get(WeatherClass.PAINT), 1);
        sample(page, WeatherClass.FRESH_RUST, places.get(WeatherClass.FRESH_RUST), 2);
        page.getByText("Compare", new Page.GetByTextOptions().setExact(true)).click();
        putModel(page, "before.jpg", NO_RUST, 8);
        assertThat(page.getByText("laid over by its edges")).isVisible();
        assertThat(page.getByText("Region 2").first()).isVisible();
        int actions = (Integer) page.evaluate("window.actions");
        assertTrue(actions >= 20 && actions <= MOST_ACTIONS, actions + " actions");
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    private static void putModel(Page page, String name, Weathering w, long seed) {
        page.getByLabel("Photograph of the model", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(photograph(name, w, seed));
        assertThat(button(page, name)).isVisible();
        assertThat(page.getByText("Drag the four corners")).isVisible();
        Marking.dragCorners(page);
        page.getByText("Mark a grey card").click();
        Marking.kept(page);
    }

    private static void work(Page page) {
        assertThat(page.getByText("Stop rule")).isVisible();
        int guard = 0;
        while (page.getByText("All steps are done").count() == 0 && guard++ < 20) {
            String step = page.getByText(Pattern.compile("^step \\d+ of")).textContent();
            page.keyboard().press(" ");
            assertThat(page.getByText("What you really used")).isVisible();
            page.keyboard().press(" ");
            assertThat(page.getByText(step, new Page.GetByTextOptions().setExact(true)))
                    .hasCount(0);
        }
        assertThat(page.getByText("All steps are done")).isVisible();
    }
}
