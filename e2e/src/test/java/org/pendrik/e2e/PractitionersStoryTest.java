package org.pendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.google.gson.JsonObject;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/**
 * Five jobs as their practitioners would put them in: effects in tones and made their way, zones
 * and steps of their own, what lies there already. Two of them without a mouse.
 */
public class PractitionersStoryTest extends BrowserTest {
    private UUID job(String name, String kind, String substrate) {
        UUID id = UUID.randomUUID();
        try {
            HttpResponse<String> r =
                    server.send(
                            "PUT",
                            "/api/jobs/" + id,
                            """
                            {"name": "%s", "kind": "%s", "scaleRatio": 87.1, "lengthMm": 9000, "heightMm": 3000,
                             "substrate": "%s", "wantedOn": null, "note": "", "version": 0}
                            """
                                    .formatted(name, kind, substrate));
            assertTrue(r.statusCode() < 300, r.body());
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
        return id;
    }

    private Page makeup(UUID job) {
        Page page = browser.page(1280, 900, "light");
        page.navigate(server.url("/jobs/" + job + "/makeup"));
        assertThat(page.getByText("Nothing to make up yet")).isVisible();
        return page;
    }

    private static Locator steps(Page page) {
        return page.locator("section[aria-labelledby=steps] details > ol > li");
    }

    /** The effects that are noted, in the panel of effects. */
    private static Locator noted(Page page) {
        return page.locator("section[aria-label='The subject and its cores'] ol > li");
    }

    /** Waits until one more is noted than there were, and until it is the one that is open. */
    private static Locator opened(Page page, int were) {
        assertThat(noted(page)).hasCount(were + 1);
        Locator card = noted(page).nth(were);
        assertThat(card.getByLabel("Made", new Locator.GetByLabelOptions().setExact(true)))
                .isVisible();
        return card;
    }

    /** Notes an effect in the panel of effects and leaves it open. */
    private static Locator note(Page page, String effect) {
        int were = noted(page).count();
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Note an effect"))
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(effect).setExact(true))
                .click();
        return opened(page, were);
    }

    private static void choose(Locator card, String label, String option) {
        Locator list = card.getByLabel(label, new Locator.GetByLabelOptions().setExact(true));
        choose(list, option);
        assertThat(list).hasText(option);
    }

    private static void on(Locator card, String... zones) {
        for (String z : zones) {
            Locator box = card.getByLabel(z, new Locator.GetByLabelOptions().setExact(true));
            if (!box.isChecked()) {
                box.click();
                assertThat(box).isChecked();
            }
        }
    }

    /** The names of the steps stand in this order. */
    private static void inOrder(Page page, String... names) {
        List<String> all = steps(page).allInnerTexts();
        int at = -1;
        for (String n : names) {
            int next = -1;
            for (int i = at + 1; i < all.size() && next < 0; i++) {
                next = all.get(i).contains(n) ? i : -1;
            }
            assertTrue(next > at, n + " in its place of " + all);
            at = next;
        }
    }

    private static Locator step(Page page, String name) {
        return steps(page).filter(new Locator.FilterOptions().setHasText(name)).first();
    }

    private static void made(Page page) {
        page.evaluate("document.activeElement?.blur()");
        page.keyboard().press("c");
        assertThat(page.getByText("Plan made").first()).isVisible();
        assertThat(page.getByText("The plan holds")).isVisible();
    }

    @Test
    public void aVatOnAFlatHasItsHoopsItsPartsAndItsPowderWiped() {
        UUID id = job("Vinegar vat OVR 88", "FLAT_CAR", "FACTORY_SEMI_GLOSS");
        Page page = makeup(id);
        page.keyboard().press("z");
        page.getByLabel("A zone of its own").fill("vat with hoops");
        button(page, "Add it").click();
        assertThat(page.getByLabel("Called")).hasValue("vat with hoops");
        page.getByLabel("Area, % of the side").fill("30");
        page.getByLabel("Area, % of the side").press("Tab");
        assertThat(page.getByText("vat with hoops changed").first()).isVisible();
        page.evaluate("document.activeElement?.blur()");
        page.keyboard().press("f");
        Locator joints = note(page, "dark joints");
        choose(joints, "Made", "powder in the crevices");
        choose(joints, "Tone", "warm soot powder");
        button(page, "another tone").click();
        assertThat(joints.getByLabel("then", new Locator.GetByLabelOptions().setExact(true)))
                .isVisible();
        choose(joints, "then", "white chalk pastel");
        on(joints, "vat with hoops");
        Locator dust = note(page, "heavy dry dirt");
        choose(dust, "Tone", "earth powder");
        on(dust, "deck");
        made(page);
        // the lamp board comes off first and goes back on at the end
        choose(page.getByLabel("A step of your own"), "take parts off and bag them");
        page.getByLabel("Parts, with commas between").fill("lamp board");
        button(page, "Put it in before the rest").click();
        assertThat(page.getByText("take parts off and bag them added").first()).isVisible();
        page.evaluate("document.activeElement?.blur()");
        page.keyboard().press("c");
        assertThat(page.getByText("put it together again").first()).isVisible();
        assertThat(
                        steps(page)
                                .filter(
                                        new Locator.FilterOptions()
                                                .setHasText("put it together again")))
                .containsText("lamp board");
        inOrder(page, "powder into the crevices", "wipe the field clean", "put it together again");
        assertThat(page.getByText("white chalk pastel").first()).isVisible();
        // the step of one's own is done at the bench like any other
        page.navigate(server.url("/jobs/" + id + "/bench"));
        assertThat(page.locator("h1")).containsText("take parts off and bag them");
        beginAndDone(page);
        assertThat(page.locator("h1")).not().containsText("take parts off");
        page.navigate(server.url("/jobs/" + id + "/makeup"));
        Locator off = step(page, "take parts off and bag them");
        assertThat(off).containsText("done");
        assertThat(off).containsText("lamp board");
        // made anew, the board still goes back on
        page.keyboard().press("c");
        assertThat(page.getByText("Plan made").first()).isVisible();
        assertThat(step(page, "put it together again")).containsText("lamp board");
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void aMessCoachStartsFromItsGlossAndRustsInTwoTones() {
        UUID id = job("Mess coach OVR 7", "PASSENGER_CAR", "FACTORY_SEMI_GLOSS");
        Page page = makeup(id);
        page.keyboard().press("y");
        page.getByText("on all zones").click();
        button(page, "It lies there").click();
        assertThat(page.getByText("7 days ago")).isVisible();
        page.keyboard().press("Escape");
        page.keyboard().press("f");
        Locator rust = note(page, "rust spots");
        choose(rust, "Made", "enamel rust spots without a filter");
        choose(rust, "Tone", "rust streak enamel");
        button(page, "another tone").click();
        choose(rust, "then", "warm brown wash");
        Locator dirt = note(page, "thin dirt all over");
        dirt.getByText("Otherwise than usual").click();
        choose(dirt, "Happened", "over the rust");
        Locator glass = note(page, "clear windows");
        on(glass, "windows");
        glass.getByLabel("left side", new Locator.GetByLabelOptions().setExact(true)).click();
        made(page);
        inOrder(
                page,
                "gloss seal",
                "rust spots",
                "rust spots",
                "blend the spots",
                "airbrushed dirt");
        // no clear between, and the day that the enamel needs makes a second sitting
        assertThat(page.getByText("Sitting 2").first()).isVisible();
        assertThat(steps(page).filter(new Locator.FilterOptions().setHasText("satin seal")))
                .hasCount(0);
        // the first step is logged at the bench
        page.navigate(server.url("/jobs/" + id + "/bench"));
        assertThat(page.locator("h1")).containsText("rust spots");
        beginAndDone(page);
        assertThat(page.getByText("warm brown wash").first()).isVisible();
        page.navigate(server.url("/jobs/" + id + "/makeup"));
        // beside the gloss that lay there
        assertThat(steps(page).filter(new Locator.FilterOptions().setHasText("done"))).hasCount(2);
        assertThat(step(page, "rust spots")).containsText("done");
        assertThat(page.getByText("The plan holds")).isVisible();
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void whatIsAskedForIsNeverReplacedInSilence() {
        Page page = makeup(job("Tar boiler OVR 9", "TANK_CAR", "FACTORY_SEMI_GLOSS"));
        page.keyboard().press("f");
        Locator soot = note(page, "soot");
        choose(soot, "Made", "soot in powder");
        choose(soot, "Tone", "warm soot powder");
        choose(soot, "Made", "airbrushed soot");
        // the tone went with its way; a technique that cannot use one says so
        assertThat(soot.getByLabel("Tone")).hasText(Pattern.compile("^as it starts"));
        choose(soot.getByLabel("Tone"), "a new material…");
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("lamp black");
        choose(page.getByLabel(Pattern.compile("^\\s*Family")), "dry powder");
        button(page, "Make it").click();
        assertThat(
                        page.getByRole(AriaRole.ALERT)
                                .filter(new Locator.FilterOptions().setHasText("lamp black")))
                .containsText("cannot be used for airbrushed soot");
        choose(soot, "Made", "soot in powder");
        choose(soot, "Tone", "lamp black");
        made(page);
        assertThat(steps(page).filter(new Locator.FilterOptions().setHasText("lamp black")))
                .hasCount(1);
        page.keyboard().press("u");
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void aStepIsDraggedAndPutWhereItBelongs() {
        Page page = makeup(job("Lime cart OVR 3", "HOPPER", "FACTORY_SEMI_GLOSS"));
        page.keyboard().press("f");
        Locator chips = note(page, "chips");
        choose(chips, "Made", "wet chipping");
        chips.getByText("Otherwise than usual").click();
        choose(chips, "release layer", "hairspray");
        made(page);
        assertThat(chips.getByLabel("Tone"))
                .hasText(Pattern.compile("^nearest to the paint of the model"));
        // the can that was asked for is what is sprayed
        assertThat(step(page, "release layer")).containsText("hairspray");
        choose(page.getByLabel("A step of your own"), "photograph it");
        choose(page.getByLabel("Not before all is"), "fit to be held");
        choose(page.getByLabel(Pattern.compile("^The model")), "lies on its side");
        button(page, "Put it in at the end").click();
        Locator photo = step(page, "photograph it");
        assertThat(photo).containsText("when all is fit to be held");
        assertThat(photo).containsText("the model lies on its side");
        page.evaluate("document.activeElement?.blur()");
        photo.dragTo(step(page, "chip with water"));
        page.waitForCondition(
                () -> {
                    List<String> all = steps(page).allInnerTexts();
                    int at = all.size();
                    for (int i = 0; i < all.size(); i++) {
                        at = all.get(i).contains("photograph it") ? i : at;
                    }
                    return at < all.size() - 1;
                });
        page.keyboard().press("u");
        page.waitForCondition(() -> steps(page).allInnerTexts().getLast().contains("photograph"));
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void whatIsSaidQuicklyIsKeptThoughThePanelIsClosed() {
        UUID id = job("Bitumen tank OVR 40", "TANK_CAR", "FACTORY_SEMI_GLOSS");
        Page page = makeup(id);
        page.keyboard().press("f");
        Locator soot = note(page, "soot");
        // a server that takes its time
        JsonObject slow = new JsonObject();
        slow.addProperty("offline", false);
        slow.addProperty("latency", 700);
        slow.addProperty("downloadThroughput", -1);
        slow.addProperty("uploadThroughput", -1);
        page.context().newCDPSession(page).send("Network.emulateNetworkConditions", slow);
        on(soot, "dome and filler");
        on(soot, "ladders");
        // the answer to the first is not there yet, so the side is not the only one for long
        soot.getByLabel("left side of the tank", new Locator.GetByLabelOptions().setExact(true))
                .click();
        soot.getByLabel("heavy", new Locator.GetByLabelOptions().setExact(true)).click();
        page.keyboard().press("Escape");
        assertThat(page.getByText("soot changed").first()).isVisible();
        page.waitForCondition(() -> study(id).contains("\"strength\":3"));
        String kept = study(id);
        assertTrue(kept.contains("[\"dome\",\"ladders\"]"), kept);
        page.context().close();
    }

    private String study(UUID job) {
        try {
            return server.send("GET", "/api/jobs/" + job + "/study", "").body();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Goes on by Tab until what has the keyboard is called so. */
    private static void tabTo(Page page, String name) {
        for (int i = 0; i < 120; i++) {
            page.keyboard().press("Tab");
            String here =
                    String.valueOf(
                            page.evaluate(
                                    """
                                    (() => { const e = document.activeElement; if (!e) return '';
                                      return e.getAttribute('aria-label') ||
                                        [...(e.labels ?? [])].map(l => l.textContent).join(' ') || e.textContent; })()
                                    """));
            if (here.strip().startsWith(name)) {
                return;
            }
        }
        assertTrue(false, "no way by Tab to " + name);
    }

    /**
     * Opens the list that has the keyboard and chooses an option by its first word, or by arrows.
     */
    private static void typed(Page page, String option) {
        page.keyboard().press("Enter");
        Locator marked = page.locator("[role=option][data-highlighted]");
        assertThat(marked).isVisible();
        String word = option.replaceFirst(" .*", "");
        page.keyboard().type(word);
        assertThat(marked).containsText(word);
        if (!marked.textContent().contains(option)) {
            // several begin so
            page.keyboard().press("Home");
        }
        for (int i = 0; i < 40 && !marked.textContent().contains(option); i++) {
            page.keyboard().press("ArrowDown");
        }
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.LISTBOX)).hasCount(0);
        assertThat(page.locator("[aria-haspopup=listbox]:focus")).containsText(option);
    }

    private static Locator effects(Page page) {
        return page.getByRole(
                AriaRole.GROUP, new Page.GetByRoleOptions().setName("Note an effect"));
    }

    /** Opens the panel of effects anew and notes one, all by keys. */
    private static void noteByKeys(Page page, String effect, String way, String... zones) {
        page.keyboard().press("Escape");
        assertThat(effects(page)).hasCount(0);
        page.keyboard().press("f");
        assertThat(effects(page)).isVisible();
        int were = noted(page).count();
        tabTo(page, effect);
        page.keyboard().press("Enter");
        Locator card = opened(page, were);
        if (!way.isEmpty()) {
            tabTo(page, "Made");
            typed(page, way);
            page.waitForTimeout(300);
        }
        for (String z : zones) {
            tabTo(page, z);
            page.keyboard().press("Space");
            assertThat(card.getByLabel(z, new Locator.GetByLabelOptions().setExact(true)))
                    .isChecked();
        }
    }

    @Test
    public void aPermanentWayVanIsPlannedWithoutAMouse() {
        Page page = makeup(job("Permanent-way van OVR 61", "BRAKE_VAN", "FACTORY_FLAT"));
        noteByKeys(page, "all-over grime", "acrylic wiped at once", "right side");
        noteByKeys(page, "dust and kick-up", "dirt brushed upward", "footboards");
        noteByKeys(page, "soot", "soot in powder", "roof");
        noteByKeys(page, "clear windows", "", "windows");
        page.keyboard().press("Escape");
        assertThat(page.getByText("4 effects are noted")).isVisible();
        page.keyboard().press("c");
        assertThat(page.getByText("The plan holds")).isVisible();
        inOrder(page, "acrylic dabbed on to be wiped", "wipe it while it is wet", "soot in powder");
        // a wait of one's own behind the wiping
        for (int i = 0; i < 20; i++) {
            page.keyboard().press("ArrowDown");
            String open = page.locator("ol li button[aria-expanded=true]").first().textContent();
            if (open.contains("wipe it while it is wet")) {
                break;
            }
        }
        tabTo(page, "A step of your own");
        typed(page, "wait");
        tabTo(page, "In your words (may stay open)");
        page.keyboard().type("a night, to be sure");
        tabTo(page, "Put it in");
        page.keyboard().press("Enter");
        assertThat(page.getByText("a night, to be sure").first()).isVisible();
        // made anew, it stays where it was put
        page.keyboard().press("c");
        assertThat(page.getByText("Plan made").first()).isVisible();
        inOrder(page, "wipe it while it is wet", "a night, to be sure", "soot in powder");
        assertThat(page.getByText("Sitting 2").first()).isVisible();
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }

    @Test
    public void aWoolVanGetsItsMarkersWithoutAMouse() {
        Page page = makeup(job("Wool van OVR 23", "VAN", "FACTORY_FLAT"));
        noteByKeys(page, "graffiti", "markers and paint pens");
        tabTo(page, "Tone");
        // who only looked into the list closes it and stays
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.LISTBOX)).isVisible();
        page.keyboard().press("Escape");
        assertThat(page.getByRole(AriaRole.LISTBOX)).hasCount(0);
        assertThat(effects(page)).isVisible();
        typed(page, "silver paint marker");
        page.waitForTimeout(300);
        noteByKeys(page, "heavy dry dirt", "", "roof");
        noteByKeys(page, "one panel renewed", "", "roof");
        page.keyboard().press("Escape");
        assertThat(page.getByText("3 effects are noted")).isVisible();
        page.keyboard().press("c");
        assertThat(page.getByText("Plan made").first()).isVisible();
        inOrder(page, "marker", "powder", "final flat");
        // one step is moved by keys and moved back
        page.keyboard().press("ArrowDown");
        List<String> before = steps(page).allInnerTexts();
        page.keyboard().press("l");
        page.waitForCondition(() -> !steps(page).allInnerTexts().equals(before));
        page.keyboard().press("e");
        assertThat(page.getByText("The plan holds")).isVisible();
        assertEquals(browser.errors(), List.of());
        page.context().close();
    }
}
